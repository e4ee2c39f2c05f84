/** One Svelte component to facts. */
import { nameFromPath } from '../../model/names';
import type { AST } from 'svelte/compiler';
import type * as t from '@babel/types';
import type { FileFacts, Problem, Span } from '../../model/facts';
import { emptyFile } from '../file';
import { takeParams, typeParamsIn } from '../script/type-params';
import { type Block, markupComments, readBlock } from '../script/block';
import { readSilences } from '../script/comments';
import { settleEarly } from '../script/early';
import { SELF } from '../script/file-name';
import { noteFound, readExports, readImports, readTypes } from '../script/modules';
import { TOO_DEEP } from '../script/parse';
import { mentionsIn, readScopes } from '../script/scope';
import { addWhole, emptyFacts, fileContext, placeRest, SETUP } from '../script/unit';
import { bindStores } from './code';
import { svelteDialect } from './dialect';
import { handlesIn, readScript } from './instance';
import { parseMarkup } from './markup';
import { readModuleLevel } from './module';
import { svelteNames, svelteTraits, svelteTypes } from './names';
import { joined } from './script-block';
import { readNodes } from './template';
import { settleContexts, svelteUnit } from './unit';

/** Reads a file. Never throws: what cannot be parsed gives facts with a problem. */
export function readSvelteFile(path: string, text: string): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), language: 'svelte' };
  let root: AST.Root;
  try {
    root = parseMarkup(path, text);
  } catch (error) {
    return { ...facts, problem: problemOf(error) };
  }
  const scripts = [root.module, root.instance].map((one) => readBlock(blockOf(one, text), text));
  for (const one of scripts) if ('problem' in one) return { ...facts, problem: one.problem };
  const [module, instance] = scripts as { body: t.Statement[]; comments: t.Comment[] }[];
  const runes = usesRunes(text, root);
  const { program, body, exported } = joined(text, module!.body, instance!.body);
  facts.imports = readImports(program);
  facts.exports = readExports({ ...program, body: module!.body } as t.Program);
  facts.exports.push({ name: 'default', local: 'default', start: 0, end: 0 });
  facts.silences = readSilences([...module!.comments, ...instance!.comments, ...markupComments(text)], text);
  const named = svelteTypes(facts.imports);
  facts.types = readTypes(program, named);
  const scopes = readScopes(program);
  const file = fileContext(path, text, named);
  file.units.set(body, '');
  const name = nameFromPath(path);
  const component = emptyFacts(
    name,
    { start: 0, end: text.length },
    { start: 0, end: 0 },
    svelteTraits(runes && !placesSlot(text)),
  );
  const generics = root.instance && /\bgenerics\s*=\s*(["'])(.*?)\1/s.exec(openingOf(root.instance, text));
  if (generics) takeParams(component, typeParamsIn(generics[2]!, named));
  facts.components.push(component);
  for (const local of ['default', SELF])
    facts.values.push({ name: local, kind: 'component', component: 0, start: 0, end: 0 });
  const names = svelteNames(facts.imports);
  const dialect = svelteDialect(names);
  readModuleLevel({ file, facts, scopes, names, dialect }, program, body);
  const u = svelteUnit(component, body, dialect, file, scopes, facts.imports);
  addWhole(u);
  bindStores(u, scopes.unbound);
  readScript(u, body.body.body, {
    exported,
    handles: text.includes('bind:this') ? handlesIn(root.fragment) : new Set(),
    runes,
    typed: isTyped(root.instance, text),
  });
  readNodes(u, root.fragment.nodes, { scope: scopes.within(u.inner, []), ctx: SETUP, parent: 0 });
  for (const { binding, attribute } of u.handed) if (binding.uses.length) attribute.local = true;
  settleEarly(u);
  placeRest(u);
  settleContexts(u);
  facts.mentions.push(...mentionsIn(scopes, ({ id }) => !file.keys.has(id.start ?? -1)));
  noteFound(facts, scopes);
  return facts;
}

function problemOf(error: unknown): Problem {
  if (error instanceof RangeError) return { message: TOO_DEEP, line: 1, column: 1 };
  const { message, start } = error as { message?: string; start?: { line: number; column: number } };
  const [first] = (message ?? 'the file cannot be parsed').split('\n');
  return { message: first!, line: start?.line ?? 1, column: (start?.column ?? 0) + 1 };
}

function blockOf(script: AST.Script | null, text: string): Block | undefined {
  if (!script) return undefined;
  const { start, end } = script.content as unknown as { start: number; end: number };
  return { text: text.slice(start, end), offset: start, lang: isTyped(script, text) ? 'ts' : 'js' };
}

const isTyped = (script: AST.Script | null | undefined, text: string): boolean =>
  !!script && /\blang\s*=\s*["']?ts/.test(openingOf(script, text));

/** The tag that begins a script. */
const openingOf = (script: AST.Script, text: string): string =>
  text.slice(script.start, (script.content as unknown as Span).start);

/** A component of the newer kind may place its content as those of the older kind do. */
const placesSlot = (text: string): boolean =>
  /<slot\b(?![^>]*\bname=)/.test(text) && !/\bchildren\b/.test(text);

/** A component of the newer kind: it uses runes, or draws snippets. */
const usesRunes = (text: string, root: AST.Root): boolean =>
  root.options?.runes ??
  /\$(?:(?:props|state|derived|effect|bindable)|props\.id|state\.\w+|derived\.by|effect\.\w+)\s*(?:<[^()]{0,400}>)?\(/.test(
    text,
  );
