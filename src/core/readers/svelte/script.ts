/** One script that uses Svelte to facts: shared state, functions that components call, what is mounted. */
import { nameFromPath } from '../../model/names';
import type * as t from '@babel/types';
import type { FileFacts, Span } from '../../model/facts';
import { emptyFile } from '../file';
import { settleEarly } from '../script/early';
import { noteFound, readModuleFacts, readTypes } from '../script/modules';
import { parseScript } from '../script/parse';
import { isFunction, mentionsIn, readScopes } from '../script/scope';
import { memberName } from '../script/type-expr';
import {
  addWhole,
  emptyFacts,
  fileContext,
  handsOn,
  keepsState,
  placeRest,
  SETUP,
  spanOf,
  unwrap,
} from '../script/unit';
import { eachChild } from '../script/walk';
import { svelteDialect } from './dialect';
import { readModuleLevel, type SvelteFile } from './module';
import { addRoot } from './mount';
import {
  FETCHES,
  FOLLOWED,
  isComponentImport,
  isFollowed,
  svelteNames,
  svelteTraits,
  svelteTypes,
} from './names';
import { svelteUnit, type SvelteUnit } from './unit';

/** Whether a script has to do with Svelte: by its own name, by what it imports. Markup in code is of another kind. */
export const usesSvelte = (path: string, text: string): boolean =>
  !/x$/.test(path) &&
  (/\.svelte\.[cm]?[jt]s$/.test(path) ||
    FETCHES.test(path) ||
    /['"][^'"\n]+\.svelte['"]/.test(text) ||
    /from\s*['"]svelte(?:\/[\w/]+)?['"]/.test(text));

export function readSvelteScript(path: string, text: string): FileFacts {
  const facts = emptyFile(path);
  const parsed = parseScript(path, text);
  if ('problem' in parsed) return { ...facts, problem: parsed.problem };
  const { program, comments } = parsed;
  readModuleFacts(facts, program, comments, text);
  const names = svelteNames(facts.imports);
  const named = svelteTypes(facts.imports);
  facts.types = readTypes(program, named);
  const scopes = readScopes(program);
  const file = fileContext(path, text, named);
  const svelte: SvelteFile = { file, facts, scopes, names, dialect: svelteDialect(names) };
  readModuleLevel(svelte, program);
  const mounted = readLoose(svelte, program);
  const isMounted = (at: number) => mounted.some((one) => one.start <= at && at < one.end);
  facts.mentions.push(
    ...mentionsIn(scopes, ({ id }) => !isMounted(id.start ?? -1) && !file.keys.has(id.start ?? -1)),
  );
  noteFound(facts, scopes);
  if (facts.components.length) facts.language = 'svelte';
  return facts;
}

/** The loose code of the file; gives back the places of the names of components that it mounts. */
function readLoose(svelte: SvelteFile, program: t.Program): Span[] {
  const { facts, file, dialect, scopes } = svelte;
  const component = emptyFacts(
    nameFromPath(file.path),
    spanOf(program),
    { start: 0, end: 0 },
    svelteTraits(true),
  );
  component.role = 'module';
  const u = svelteUnit(component, program, dialect, file, scopes, facts.imports);
  addWhole(u);
  const mounted = readMounts(svelte, u, program);
  u.statements(
    program.body.filter((node) => !isReadAlone(file.path, node)),
    SETUP,
  );
  settleEarly(u);
  placeRest(u);
  // What a class or a function of the project makes may keep something, too.
  const makes = component.calls.some(({ fn, made, name }) => fn < 0 && (made || FOLLOWED.test(name)));
  if (component.render.length > 1 || keepsState(component) || makes || handsOn(component))
    facts.components.push(component);
  return mounted;
}

/** `function createLine() { … }`, `export const createLine = () => { … }`: read for whoever calls it. */
function isReadAlone(path: string, node: t.Statement): boolean {
  const declared = node.type === 'ExportNamedDeclaration' ? node.declaration : node;
  if (declared?.type === 'FunctionDeclaration') return isFollowed(path, declared.id?.name ?? '');
  return (
    declared?.type === 'VariableDeclaration' &&
    declared.declarations.every(
      ({ id, init }) =>
        id.type === 'Identifier' && isFollowed(path, id.name) && init && isFunction(unwrap(init)),
    )
  );
}

/** `mount(App, { target, props })` and `new App({ target, props })`, wherever in the file they stand. */
function readMounts({ facts, names }: SvelteFile, u: SvelteUnit, program: t.Program): Span[] {
  const ours = new Set(facts.imports.filter(isComponentImport).map((one) => one.local));
  const found: Span[] = [];
  const look = (node: t.Node): void => {
    eachChild(node, look);
    if (node.type !== 'CallExpression' && node.type !== 'NewExpression') return;
    const callee = memberName(node.callee) ?? '';
    const made = node.type === 'NewExpression';
    if (made ? !ours.has(callee) : !/^(mount|hydrate)$/.test(names(callee) ?? '')) return;
    const [first, second] = node.arguments;
    const [tag, options] = made ? [node.callee, first] : [first, second];
    if (!tag || !addRoot(u, node, tag, 0, options, SETUP)) return;
    facts.mounts = true;
    found.push(spanOf(tag));
  };
  program.body.forEach(look);
  return found;
}
