/** One single-file component to facts. */
import { nameFromPath } from '../../model/names';
import type { SFCBlock, SFCDescriptor } from '@vue/compiler-sfc';
import { vueCompiler } from '../on-demand';
import type * as t from '@babel/types';
import type { FileFacts, Problem } from '../../model/facts';
import { emptyFile } from '../file';
import { takeParams, typeParamsIn } from '../script/type-params';
import { type Block, instanceProgram, markupComments, readBlock } from '../script/block';
import { readSilences } from '../script/comments';
import { SELF } from '../script/file-name';
import { parseCode } from '../script/code';
import { noteFound, readExports, readImports, readTypes } from '../script/modules';
import type { Scope } from '../script/scope';
import { memberName } from '../script/type-expr';
import { emptyFacts, fileContext, SETUP, unwrap, use } from '../script/unit';
import { readFromOthers, readLoose } from './apps';
import { scopesWith } from './brought';
import type { TemplateNode } from './ast';
import { closeUnit } from './close';
import { bindCode } from './code';
import { listOf } from './expose';
import { newVueFile, openUnit, type VueFile } from './file-facts';
import { noteMaker, optionsGiven } from './given-options';
import { mentionsOf, noteRegistrations, optionsOf, readModuleLevel } from './module';
import { VUE_TRAITS, vueNames, vueTypes } from './names';
import { readOptions } from './options/options';
import { readNodes } from './template';
import { makeOpen, noteNamespace, type VueUnit } from './unit';

/** Mistakes that the framework's parser mentions and that leave the tree whole. */
const HARMLESS = new Set([
  /* duplicate attribute */ 2, /* whitespace, quotes, solidus */ 4, 15, 16, 17, 18, 19, 21, 22,
]);

/** Reads a file. Never throws: what cannot be parsed gives facts with a problem. */
export function readVueFile(path: string, text: string): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), language: 'vue' };
  const { descriptor, errors } = vueCompiler().parse(text, {
    filename: path,
    sourceMap: false,
    ignoreEmpty: false,
  });
  const problem = problemIn(errors, text);
  if (problem) return { ...facts, problem };
  const normal = readBlock(blockOf(descriptor.script), text);
  const setup = readBlock(blockOf(descriptor.scriptSetup), text);
  for (const one of [normal, setup]) if ('problem' in one) return { ...facts, problem: one.problem };
  if ('problem' in normal || 'problem' in setup) return facts;
  const { program, body } = instanceProgram(
    text,
    [...normal.body, ...setup.body.filter(isOuter)],
    setup.body.filter((node) => !isOuter(node)),
  );
  facts.imports = readImports(program);
  facts.exports = readExports(program).filter((one) => one.name !== 'default');
  facts.exports.push({ name: 'default', local: 'default', start: 0, end: 0 });
  facts.silences = readSilences([...normal.comments, ...setup.comments, ...markupComments(text)], text);
  const scopes = scopesWith(program, facts.imports);
  const names = vueNames(facts.imports);
  const named = vueTypes(facts.imports);
  facts.types = readTypes(program, named);
  const file = fileContext(path, text, named);
  if (body) file.units.set(body, '');
  const vue = newVueFile(file, facts, program, scopes, names);
  const skip = new Set<t.Node>(body ? [body] : []);
  readComponent(vue, descriptor, body, skip);
  readModuleLevel(vue, skip);
  readLoose(vue, skip);
  facts.mentions = mentionsOf(vue);
  facts.elementReads = readFromOthers(text);
  noteFound(facts, scopes);
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

const blockOf = (block: SFCBlock | null): Block | undefined =>
  block && !block.src
    ? { text: block.content, offset: block.loc.start.offset, lang: block.lang ?? 'js' }
    : undefined;

/** Of `<script setup>`, what belongs to the module and not to every instance: components to be loaded, too. */
const isOuter = (node: t.Statement): boolean =>
  (node.type === 'VariableDeclaration' && node.declarations.every(({ init }) => isLoader(init))) ||
  /^(ImportDeclaration|TSInterfaceDeclaration|TSTypeAliasDeclaration|TSEnumDeclaration|TSModuleDeclaration|ExportNamedDeclaration|TSDeclareFunction)$/.test(
    node.type,
  );

const isLoader = (init: t.Node | null | undefined): boolean =>
  init?.type === 'CallExpression' && memberName(init.callee) === 'defineAsyncComponent';

function readComponent(
  vue: VueFile,
  descriptor: SFCDescriptor,
  body: t.FunctionDeclaration | undefined,
  skip: Set<t.Node>,
): void {
  const { facts, file, scopes } = vue;
  const name = nameFromPath(file.path);
  const component = emptyFacts(name, { start: 0, end: file.text.length }, { start: 0, end: 0 }, VUE_TRAITS);
  const generic = descriptor.scriptSetup?.attrs.generic;
  if (typeof generic === 'string') takeParams(component, typeParamsIn(generic, file.named));
  const u = openUnit(vue, component, body ?? vue.program);
  facts.values.push({ name: 'default', kind: 'component', component: 0, start: 0, end: 0 });
  facts.values.push({ name: SELF, kind: 'component', component: 0, start: 0, end: 0 });
  facts.components.push(component);
  noteHandles(u, descriptor.template?.ast?.children as TemplateNode[] | undefined);
  readDefault(vue, u, skip);
  if (descriptor.scriptSetup && body) {
    u.isSetup = true;
    u.statements(body.body.body, SETUP);
    listOf(u);
    const own = scopes.of.get(body)!;
    noteNamespace(
      u,
      [...u.refs].filter(([one]) => one.scope === own).map(([, symbol]) => symbol),
    );
    component.findsImports = true;
  }
  // The template of options sees members only, not what stands around them in the script.
  const scope = descriptor.scriptSetup && body ? scopes.of.get(body)! : instanceScope(vue.program);
  const { template } = descriptor;
  const children = template?.ast?.children as TemplateNode[] | undefined;
  if (children && !template!.src) {
    // Functional templates of older versions have a scope of their own.
    if (descriptor.script?.src || template!.attrs.functional) makeOpen(u);
    u.hasTemplate = true;
    readNodes(u, children, { scope: scopes.within(scope, []), ctx: SETUP, parent: 0 });
  } else if (template || descriptor.script?.src) makeOpen(u);
  else if (!template && component.render.length === 1 && !u.openScope) u.openScope = true;
  for (const { content, loc } of descriptor.styles) readStyle(u, content, loc.start.offset, scope);
  closeUnit(vue, u);
}

/** `width: v-bind(wide)`, `v-bind('props.wide')`: what a style uses of the instance. */
function readStyle(u: VueUnit, text: string, offset: number, scope: Scope): void {
  for (const found of text.matchAll(/\bv-bind\(\s*(?:'([^']*)'|"([^"]*)"|([\w$.]+))\s*\)/g)) {
    const written = found[1] ?? found[2] ?? found[3]!;
    const node = parseCode({ text: written, offset: offset + found.index + found[0].indexOf(written) });
    if (!node) continue;
    bindCode(u, node, scope);
    use(u, u.expr(node, SETUP), SETUP, 'text');
  }
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
  const own = optionsOf(vue, bare) ?? (bare.type === 'ObjectExpression' ? bare : undefined);
  const given = own ? undefined : optionsGiven(bare);
  const object = own ?? given?.object;
  if (object) {
    if (init) skip.add(init);
    if (given) noteMaker(u.facts, given);
    readOptions(u, object);
    noteRegistrations(vue, u, object);
  } else makeOpen(u);
}
