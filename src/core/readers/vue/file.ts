/** One single-file component to facts. */
import { parse, type SFCBlock, type SFCDescriptor } from '@vue/compiler-sfc';
import type * as t from '@babel/types';
import type { FileFacts, Problem } from '../../model/facts';
import { lineIndex } from '../../model/lines';
import { emptyFile } from '../file';
import { readSilences } from '../script/comments';
import { nameFromPath } from '../script/file-name';
import { readExports, readImports, readTypes } from '../script/modules';
import { parseScript } from '../script/parse';
import { readScopes, type Scope } from '../script/scope';

import { emptyFacts, unwrap, type FileContext } from '../script/unit';
import { listOf } from './expose';
import {
  closeUnit,
  makeOpen,
  mentionsIn,
  newVueFile,
  noteRegistrations,
  openUnit,
  readFromOthers,
  optionsOf,
  readLoose,
  readModuleLevel,
  type VueFile,
} from './module';
import { VUE_TRAITS, vueNames, vueTypes } from './names';
import { readOptions } from './options';
import { readNodes, type TemplateNode } from './template';
import { SETUP, type VueUnit } from './unit';

/** Mistakes that the framework's parser mentions and that leave the tree whole. */
const HARMLESS = new Set([
  /* duplicate attribute */ 2, /* whitespace, quotes, solidus */ 4, 15, 16, 17, 18, 19, 21, 22,
]);

/** Reads a file. Never throws: what cannot be parsed gives facts with a problem. */
export function readVueFile(path: string, text: string): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), language: 'vue' };
  const { descriptor, errors } = parse(text, { filename: path, sourceMap: false, ignoreEmpty: false });
  const problem = problemIn(errors, text);
  if (problem) return { ...facts, problem };
  const normal = statementsOf(descriptor.script, text);
  const setup = statementsOf(descriptor.scriptSetup, text);
  for (const one of [normal, setup]) if ('problem' in one) return { ...facts, problem: one.problem };
  if ('problem' in normal || 'problem' in setup) return facts;
  const { program, body } = joined(text, normal.body, setup.body);
  facts.imports = readImports(program);
  facts.exports = readExports(program).filter((one) => one.name !== 'default');
  facts.exports.push({ name: 'default', local: 'default', start: 0, end: 0 });
  facts.silences = readSilences([...normal.comments, ...setup.comments, ...htmlComments(text)], text);
  const names = vueNames(facts.imports);
  const named = vueTypes(facts.imports);
  facts.types = readTypes(program, named);
  const scopes = readScopes(program);
  const file: FileContext = { path, text, named, units: new Map(), inner: new Map() };
  if (body) file.units.set(body, '');
  const vue = newVueFile(file, facts, program, scopes, names);
  const skip = new Set<t.Node>(body ? [body] : []);
  readComponent(vue, descriptor, body, skip);
  readModuleLevel(vue, skip);
  readLoose(vue, skip);
  facts.mentions = mentionsIn(vue);
  facts.elementReads = readFromOthers(text);
  facts.ids = [...scopes.ids];
  return facts;
}

function problemIn(
  errors: readonly (Error & { code?: number | string; loc?: { start: { line: number; column: number } } })[],
  _text: string,
): Problem | undefined {
  const error = errors.find(
    (one) => !HARMLESS.has(one.code as number) && !one.message.startsWith('<template functional>'),
  );
  if (!error) return undefined;
  return { message: error.message, line: error.loc?.start.line ?? 1, column: error.loc?.start.column ?? 1 };
}

type Statements = { body: t.Statement[]; comments: t.Comment[] } | { problem: Problem };

function statementsOf(block: SFCBlock | null, text: string): Statements {
  if (!block || block.src) return { body: [], comments: [] };
  const lang = block.lang ?? 'js';
  const offset = block.loc.start.offset;
  const parsed = parseScript(`script.${lang}`, block.content, { offset });
  if (!('problem' in parsed)) return { body: parsed.program.body, comments: parsed.comments };
  const { message, line, column } = parsed.problem;
  const first = lineIndex(text).at(offset);
  return {
    problem: {
      message,
      line: first.line + line - 1,
      column: line === 1 ? column - offset + first.column - 1 : column,
    },
  };
}

/**
 * Both scripts as one program: what `<script setup>` declares is set up for every instance, so it becomes the body of
 * a function; imports and types stay outside.
 */
function joined(
  text: string,
  normal: t.Statement[],
  setup: t.Statement[],
): { program: t.Program; body: t.FunctionDeclaration | undefined } {
  const isModule = (node: t.Statement): boolean =>
    /^(ImportDeclaration|TSInterfaceDeclaration|TSTypeAliasDeclaration|TSEnumDeclaration|TSModuleDeclaration|ExportNamedDeclaration|TSDeclareFunction)$/.test(
      node.type,
    );
  const inner = setup.filter((node) => !isModule(node));
  const span = { start: inner[0]?.start ?? 0, end: inner.at(-1)?.end ?? 0 };
  const body = {
    type: 'FunctionDeclaration',
    id: null,
    params: [],
    body: { type: 'BlockStatement', body: inner, directives: [], ...span },
    generator: false,
    async: false,
    ...span,
  } as unknown as t.FunctionDeclaration;
  const program = {
    type: 'Program',
    body: [...normal, ...setup.filter(isModule), body],
    directives: [],
    sourceType: 'module',
    start: 0,
    end: text.length,
  } as unknown as t.Program;
  return { program, body };
}

function readComponent(
  vue: VueFile,
  descriptor: SFCDescriptor,
  body: t.FunctionDeclaration | undefined,
  skip: Set<t.Node>,
): void {
  const { facts, file, scopes } = vue;
  const name = nameFromPath(file.path);
  const component = emptyFacts(name, { start: 0, end: file.text.length }, { start: 0, end: 0 }, VUE_TRAITS);
  const u = openUnit(vue, component, body ?? vue.program);
  facts.values.push({ name: 'default', kind: 'component', component: 0, start: 0, end: 0 });
  facts.values.push({ name, kind: 'component', component: 0, start: 0, end: 0 });
  facts.components.push(component);
  noteHandles(u, descriptor.template?.ast?.children as TemplateNode[] | undefined);
  readDefault(vue, u, skip);
  if (descriptor.scriptSetup && body) {
    u.statements(body.body.body, SETUP);
    listOf(u);
  }
  // The template of options sees members only, not what stands around them in the script.
  const scope = descriptor.scriptSetup && body ? scopes.of.get(body)! : instanceScope(vue.program);
  const { template } = descriptor;
  const children = template?.ast?.children as TemplateNode[] | undefined;
  if (children && !template!.src) {
    // Functional templates of older versions have a scope of their own.
    if (descriptor.script?.src || template!.attrs.functional) makeOpen(u);
    readNodes(u, children, { scope: scopes.within(scope, []), ctx: SETUP, parent: 0 });
  } else if (template || descriptor.script?.src) makeOpen(u);
  else if (!template && component.render.length === 1 && !u.openScope) u.openScope = true;
  closeUnit(vue, u);
}

/** A scope in which only members of the instance are to be found. */
const instanceScope = (program: t.Program): Scope => ({
  parent: undefined,
  owner: program,
  isFunction: true,
  names: new Map(),
});

/** Names by which the template attaches handles, before the script is read. */
function noteHandles(u: VueUnit, nodes: TemplateNode[] | undefined): void {
  for (const node of nodes ?? []) {
    if (node.type !== 1) continue;
    for (const prop of node.props) {
      if (prop.type === 6 && prop.name === 'ref' && prop.value?.content)
        u.handles.set(prop.value.content, -1);
    }
    noteHandles(u, node.children as TemplateNode[]);
  }
}

/** The default export of the plain script: the options of the component. */
function readDefault(vue: VueFile, u: VueUnit, skip: Set<t.Node>): void {
  const node = vue.program.body.find((one) => one.type === 'ExportDefaultDeclaration');
  if (node?.type !== 'ExportDefaultDeclaration') return;
  const { declaration } = node;
  skip.add(node);
  skip.add(declaration);
  const variable = declaration.type === 'Identifier' ? declaration.binding?.node : undefined;
  const init = variable?.type === 'VariableDeclarator' ? variable.init : undefined;
  const bare = unwrap(init ?? declaration);
  const object = optionsOf(vue, bare) ?? (bare.type === 'ObjectExpression' ? bare : undefined);
  if (object) {
    if (init) skip.add(init);
    readOptions(u, object);
    noteRegistrations(vue, u, object);
  } else makeOpen(u);
}

/** Comments of the markup, for what they silence. */
function htmlComments(text: string): t.Comment[] {
  return [...text.matchAll(/<!--([\s\S]*?)-->/g)].map(
    (match) =>
      ({
        type: 'CommentBlock',
        value: match[1]!,
        start: match.index,
        end: match.index + match[0].length,
      }) as t.Comment,
  );
}
