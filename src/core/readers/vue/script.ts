/** One script that uses Vue to facts: composables, keys, components made of options, apps. */
import type { FileFacts } from '../../model/facts';
import { emptyFile } from '../file';
import { noteFound, readModuleFacts, readTypes } from '../script/modules';
import { parseScript } from '../script/parse';
import { fileContext } from '../script/unit';
import { readFromOthers, readLoose } from './apps';
import { scopesWith } from './brought';
import { newVueFile } from './file-facts';
import { mentionsOf, readModuleLevel } from './module';
import { isVueModule, vueNames, vueTypes } from './names';

/** An object of options that draws, in a file that imports nothing of the framework. */
const OPTIONS = [
  /export default \{/,
  /^[ \t]*(?:render[ \t]*\(|render:|template:)/m,
  /^[ \t]*(?:props|data|computed|methods|components|setup)[ \t]*[:(]/m,
];
/** Options that a function is given in such a file, and whose render function is given what makes elements. */
const GIVEN = [
  /(?:= |export default )(?:\/\*[^*\n]*\*\/ ?)?[\w.]+\(\{/,
  /^[ \t]*render(?:[ \t]*\(|:[ \t]*(?:function[ \t]*)?\()[ \t]*(?:h|createElement)\b/m,
  /^[ \t]*(?:props\b|data[(:]|computed:|methods:|mixins:|functional:)/m,
];
/** Options for components to take over: members that are found by `this`, under names that only options have. */
const TAKEN = [
  /(?:export default|export const \w+ =|module\.exports =) (?:\w+(?:\([\w, ]*\))?\.extend\()?\{/,
  /^[ \t]*(?:methods|computed):[ \t]*\{/m,
  /\bthis\./,
];

/** Props that several components declare, by themselves or to be taken over, in a file that imports nothing of the framework. */
const PROPS = [
  /\bconst \w*[pP]rops\w*(?:: [^=]+)? =|(?:^|[{,])[ \t]*props:[ \t]*\{/m,
  /\w:[ \t]*\[?(?:String|Number|Boolean|Array|Object|Function)\b[ \t]*(?:[,}\]\n]|as\b)/,
];

/** Components that are registered with an app that somebody else hands in. */
const INSTALLS = /\b(?:app|Vue|vue)\.component\(/;

/** A part of an app's store, or a table of functions for one; such files import nothing of the framework, either. */
const STORE =
  /\bmutations\b\s*[:=,}]|\bnamespaced\s*:|\.registerModule\(|\broot(?:Getters|State)\b|[{,]\s*commit\s*[,}]/;
const STORE_TABLE = /(?:^|\/)(?:getters|mutations|actions)\.[cm]?[jt]s$/;
/** What shows that it is something else all the same. */
const ELSEWHERE =
  /(?:from|require\()\s*['"](?:@[\w-]+\/)?(?:react|preact|svelte|solid-js|zustand|redux|toolkit)\b/;

const isStore = (path: string, text: string): boolean =>
  !/x$/.test(path) &&
  (STORE.test(text) || (STORE_TABLE.test(path) && /\bstate\b/.test(text))) &&
  !ELSEWHERE.test(text) &&
  // Not what is only said in a comment.
  (STORE_TABLE.test(path) || STORE.test(text.replace(COMMENT, '')));
const COMMENT = /\/\*[\s\S]*?\*\/|(^|\s)\/\/[^\n]*/g;

/** Functions of the framework that are called without an import, which a build brings. */
const BROUGHT_CALLS =
  /(?:^|[\s=(,:?])(ref|shallowRef|computed|reactive|watchEffect|useState|defineStore|defineNuxtPlugin|defineNuxtRouteMiddleware)(?:<[^;()]*>)?\(/g;
/** Whether a text calls such a function that it has from nowhere else. */
const callsBrought = (text: string): boolean =>
  [...new Set([...text.matchAll(BROUGHT_CALLS)].map(([, name]) => name!))].some(
    (name) => !new RegExp(`\\b(?:import|const|let|var|function)\\b[^;=(]*\\b${name}\\b`).test(text),
  );
/** The same, or composables of the project that call each other. */
const USES = /(?:^|[\s=(,:?])use\p{Lu}\w*(?:<[^;()]*>)?\(/u;
const IN_COMPOSABLES = /(?:^|\/)composables\/(?:.*\/)?[^/]+\.[cm]?[jt]s$/;
const OF_COMPOSABLES = /(?:^|\/)(?:composables|stores?|middleware|plugins)\/(?:.*\/)?[^/]+\.[cm]?[jt]s$/;

/** Whether a script has to do with Vue: it imports the framework, or components of its own file format, one or many. */
export const usesVue = (path: string, text: string): boolean =>
  isStore(path, text) ||
  (OF_COMPOSABLES.test(path) &&
    (callsBrought(text) || (IN_COMPOSABLES.test(path) && USES.test(text))) &&
    !ELSEWHERE.test(text)) ||
  [OPTIONS, GIVEN].some((list) => list.every((one) => one.test(text))) ||
  TAKEN.every((one) => one.test(text)) ||
  ((PROPS.every((one) => one.test(text)) || INSTALLS.test(text)) && !ELSEWHERE.test(text)) ||
  /(?:require\.context|import\.meta\.glob)[^;]{0,200}vue\b/.test(text) ||
  [...text.matchAll(/(?:from|import)\s*(?:\(\s*)?['"]([^'"\n]+)['"]/g)].some(
    ([, from]) => isVueModule(from!) || /^(pinia|vuex)$/.test(from!) || from!.endsWith('.vue'),
  );

export function readVueScript(path: string, text: string): FileFacts {
  const facts = emptyFile(path);
  const parsed = parseScript(path, text);
  if ('problem' in parsed) return { ...facts, problem: parsed.problem };
  const { program, comments } = parsed;
  readModuleFacts(facts, program, comments, text);
  const scopes = scopesWith(program, facts.imports);
  const names = vueNames(facts.imports);
  const named = vueTypes(facts.imports);
  facts.types = readTypes(program, named);
  const file = fileContext(path, text, named);
  const vue = newVueFile(file, facts, program, scopes, names);
  readModuleLevel(vue, new Set());
  readLoose(vue, new Set());
  facts.mentions = mentionsOf(vue);
  facts.elementReads = readFromOthers(text);
  noteFound(facts, scopes);
  if (/\bnew Vue\(/.test(text)) facts.mounts = true;
  if (facts.components.length) facts.language = 'vue';
  return facts;
}
