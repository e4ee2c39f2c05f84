/** One Svelte component to facts. */
import { parse, type AST } from 'svelte/compiler';
import type * as t from '@babel/types';
import type { FileFacts, PortFact, Problem } from '../../model/facts';
import { UNKNOWN, widen, type TypeExpr } from '../../model/types';
import { emptyFile } from '../file';
import { instanceProgram, markupComments, readBlock, type Block } from '../script/block';
import { readSilences } from '../script/comments';
import { nameFromPath, SELF } from '../script/file-name';
import { readExports, readImports, readTypes } from '../script/modules';
import { isFunction, readScopes, type Scopes } from '../script/scope';
import { annotationOf, readType } from '../script/type-expr';
import {
  addNode,
  addSymbol,
  emptyFacts,
  propSymbol,
  settleEarly,
  settleMissing,
  spanOf,
  typeOf,
  UNPLACED,
  use,
  type FileContext,
} from '../script/unit';
import { valueOf } from '../script/values';
import { patternNames } from '../script/walk';
import { addState, svelteDialect } from './dialect';
import { svelteNames, svelteTraits, svelteTypes } from './names';
import { bindStores, readNodes } from './template';
import { SETUP, svelteUnit, type SvelteUnit } from './unit';

/** Reads a file. Never throws: what cannot be parsed gives facts with a problem. */
export function readSvelteFile(path: string, text: string): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), language: 'svelte' };
  let root: AST.Root;
  try {
    root = parse(text, { modern: true, filename: path });
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
  const file: FileContext = { path, text, named, units: new Map([[body, '']]), inner: new Map() };
  const name = nameFromPath(path);
  const component = emptyFacts(
    name,
    { start: 0, end: text.length },
    { start: 0, end: 0 },
    svelteTraits(runes),
  );
  facts.components.push(component);
  for (const local of ['default', SELF])
    facts.values.push({ name: local, kind: 'component', component: 0, start: 0, end: 0 });
  readModuleValues(facts, scopes, body, file);
  const u = svelteUnit(component, body, svelteDialect(svelteNames(facts.imports)), file, scopes);
  addNode(u, { kind: 'group', start: 0, end: text.length }, SETUP);
  u.facts.render[0]!.parent = -1;
  bindStores(u, scopes.unbound);
  readScript(u, body.body.body, exported, handlesIn(root.fragment), runes);
  readNodes(u, root.fragment.nodes, { scope: scopes.within(u.inner, []), ctx: SETUP, parent: 0 });
  close(u);
  facts.mentions = mentionsIn(scopes);
  facts.ids = [...scopes.ids];
  facts.loads = scopes.loads;
  return facts;
}

function problemOf(error: unknown): Problem {
  const { message, start } = error as { message?: string; start?: { line: number; column: number } };
  const [first] = (message ?? 'the file cannot be parsed').split('\n');
  return { message: first!, line: start?.line ?? 1, column: (start?.column ?? 0) + 1 };
}

function blockOf(script: AST.Script | null, text: string): Block | undefined {
  if (!script) return undefined;
  const { start, end } = script.content as unknown as { start: number; end: number };
  const typed = /\blang\s*=\s*["']?ts/.test(text.slice(script.start, start));
  return { text: text.slice(start, end), offset: start, lang: typed ? 'ts' : 'js' };
}

/** A component of the newer kind: it uses runes, or draws snippets. */
const usesRunes = (text: string, root: AST.Root): boolean =>
  root.options?.runes ?? /\$(props|state|derived|effect|bindable)\b\s*[.(]/.test(text);

interface Joined {
  program: t.Program;
  body: t.FunctionDeclaration;
  /** Declarations of the script that are props, or are offered to those who hold the component. */
  exported: Set<t.Node>;
}

/** Both scripts as one program: what the instance's script declares is made anew for every instance. */
function joined(text: string, module: t.Statement[], instance: t.Statement[]): Joined {
  const exported = new Set<t.Node>();
  const outer: t.Statement[] = [];
  const inner: t.Statement[] = [];
  const declared = new Set<string>();
  for (const node of instance) {
    if (
      /^(ImportDeclaration|TSInterfaceDeclaration|TSTypeAliasDeclaration|TSEnumDeclaration)$/.test(node.type)
    )
      outer.push(node);
    else if (node.type === 'ExportNamedDeclaration' && node.declaration) {
      if (/^TS/.test(node.declaration.type)) outer.push(node);
      else {
        exported.add(node.declaration);
        inner.push(node.declaration);
      }
    } else if (node.type === 'ExportNamedDeclaration') {
      exported.add(node);
      inner.push(node);
    } else inner.push(node);
  }
  for (const node of inner)
    if (node.type === 'VariableDeclaration')
      for (const one of node.declarations) for (const id of patternNames(one.id)) declared.add(id.name);
  const statements = inner.map((node) => derivedBy(node, declared));
  const { program, body } = instanceProgram(text, [...module, ...outer], statements);
  return { program, body, exported };
}

/** `$: doubled = count * 2` declares what it derives; other statements after `$:` run as effects. */
function derivedBy(node: t.Statement, declared: Set<string>): t.Statement {
  if (node.type !== 'LabeledStatement' || node.label.name !== '$') return node;
  const { body } = node;
  const assignment =
    body.type === 'ExpressionStatement' && body.expression.type === 'AssignmentExpression'
      ? body.expression
      : undefined;
  const isNew =
    assignment?.operator === '=' &&
    /^(Identifier|ObjectPattern|ArrayPattern)$/.test(assignment.left.type) &&
    patternNames(assignment.left as t.Node).every((id) => !declared.has(id.name));
  if (!isNew || !assignment) return node;
  const span = spanOf(node);
  return {
    type: 'VariableDeclaration',
    kind: 'const',
    declarations: [
      { type: 'VariableDeclarator', id: assignment.left, init: assignment.right, ...spanOf(assignment) },
    ],
    ...span,
  } as unknown as t.VariableDeclaration;
}

function readModuleValues(facts: FileFacts, scopes: Scopes, body: t.Node, file: FileContext): void {
  const types = {
    named: file.named,
    lookup: (id: t.Identifier): TypeExpr =>
      id.binding && id.binding.scope.parent === undefined ? { t: 'value', name: id.binding.name } : UNKNOWN,
  };
  for (const one of scopes.named) {
    if (one.scope.parent === undefined && one.node !== body)
      facts.values.push(valueOf(one, () => undefined, types));
  }
}

/** Names that `bind:this` fills. */
function handlesIn(fragment: AST.Fragment): Set<string> {
  const found = new Set<string>();
  const look = (value: unknown): void => {
    if (value === null || typeof value !== 'object') return;
    if (Array.isArray(value)) {
      value.forEach(look);
      return;
    }
    const node = value as { type?: string; name?: string; expression?: { type?: string; name?: string } };
    if (node.type === 'BindDirective' && node.name === 'this' && node.expression?.type === 'Identifier')
      found.add(node.expression.name!);
    for (const key of [
      'nodes',
      'fragment',
      'attributes',
      'consequent',
      'alternate',
      'body',
      'fallback',
      'pending',
      'then',
      'catch',
    ])
      look((value as Record<string, unknown>)[key]);
  };
  look(fragment);
  return found;
}

function readScript(
  u: SvelteUnit,
  statements: t.Statement[],
  exported: Set<t.Node>,
  handles: Set<string>,
  runes: boolean,
): void {
  const rest: t.Statement[] = [];
  const exposes = {
    port: 'ref',
    members: [] as { name: string; start: number; end: number }[],
    always: ['$set', '$on', '$destroy'],
  };
  u.facts.exposes = [exposes];
  for (const node of statements) {
    if (node.type === 'ExportNamedDeclaration') {
      for (const one of node.specifiers) {
        if (one.type !== 'ExportSpecifier') continue;
        const name = one.exported.type === 'Identifier' ? one.exported.name : one.exported.value;
        exposes.members.push({ name, ...spanOf(one.exported) });
        aliases.set(one.local.name, { name, at: one.exported });
      }
      continue;
    }
    rest.push(node);
  }
  const left: t.Statement[] = [];
  for (const node of rest) {
    if (node.type === 'VariableDeclaration') {
      const others = node.declarations.filter(
        (one) => !takeDeclared(u, node, one, exported.has(node), handles, runes),
      );
      if (exported.has(node) && node.kind === 'const')
        for (const one of node.declarations)
          for (const id of patternNames(one.id)) exposes.members.push({ name: id.name, ...spanOf(id) });
      if (others.length) left.push({ ...node, declarations: others });
    } else {
      if (exported.has(node) && 'id' in node && node.id)
        exposes.members.push({ name: (node.id as t.Identifier).name, ...spanOf(node.id as t.Node) });
      left.push(node);
    }
  }
  aliases.clear();
  const effects = left.filter(
    (node): node is t.LabeledStatement => node.type === 'LabeledStatement' && node.label.name === '$',
  );
  u.statements(
    left.filter((node) => !effects.includes(node as t.LabeledStatement)),
    SETUP,
  );
  for (const one of effects) u.statements([one.body], { ...SETUP, where: 'effect' });
}

/** `export { inner as outer }`, by the inner name, while one script is read. */
const aliases = new Map<string, { name: string; at: t.Node }>();

/** Takes over a declaration that is a prop, a handle, or state by being a `let`. */
function takeDeclared(
  u: SvelteUnit,
  node: t.VariableDeclaration,
  one: t.VariableDeclarator,
  isExported: boolean,
  handles: Set<string>,
  runes: boolean,
): boolean {
  if (one.id.type !== 'Identifier' || !one.id.binding) return false;
  const alias = aliases.get(one.id.name);
  const changes = node.kind === 'let' || node.kind === 'var';
  if (changes && (isExported || alias) && !runes) {
    readProp(u, one, one.id, alias?.name ?? one.id.name, alias?.at ?? one.id);
    return true;
  }
  if (changes && handles.has(one.id.name) && !hasValue(one.init)) {
    addSymbol(u, { name: one.id.name, kind: 'ref', empty: true, ...spanOf(one.id) }, one.id.binding);
    return true;
  }
  if (changes && !runes && !(one.init && isFunction(one.init))) {
    const init = one.init ? use(u, u.expr(one.init, SETUP), SETUP) : undefined;
    const written = annotationOf(one.id);
    addState(
      u,
      one.id,
      init,
      written ? readType(written, u.file.named) : one.init ? widen(typeOf(u, one.init)) : UNKNOWN,
    );
    return true;
  }
  return false;
}

/** `let box`, `let box = null`, `let box = $state()` hold nothing yet. */
function hasValue(init: t.Node | null | undefined): boolean {
  if (!init || init.type === 'NullLiteral') return false;
  if (init.type === 'Identifier' && init.name === 'undefined') return false;
  if (init.type !== 'CallExpression') return true;
  const [first] = init.arguments;
  const isState = init.callee.type === 'Identifier' && init.callee.name === '$state';
  return !isState || hasValue(first);
}

/** `export let wind = 3` */
function readProp(
  u: SvelteUnit,
  one: t.VariableDeclarator,
  id: t.Identifier,
  name: string,
  at: t.Node,
): void {
  const symbol = propSymbol(u, name, spanOf(at), 'list', id.name);
  u.refs.set(id.binding!, symbol);
  const port: PortFact = u.facts.ports.find((port) => port.name === name)!;
  const written = annotationOf(id);
  if (written) port.type = readType(written, u.file.named);
  // What the component gives a value itself is for the owner to take, not to give.
  port.required = !one.init && !mayBeUndefined(port.type) && !id.binding!.reassigned;
  if (!one.init) return;
  const value = use(u, u.expr(one.init, SETUP), SETUP);
  const type = typeOf(u, one.init);
  port.default = { ...value, type };
  if (!written && type.t !== 'unknown' && one.init.type !== 'NullLiteral') {
    const wide = widen(type);
    if (wide.t === 'prim') port.type = wide;
  }
}

const mayBeUndefined = (type: TypeExpr | undefined): boolean =>
  type?.t === 'lit' ? type.v === undefined : type?.t === 'union' ? type.of.some(mayBeUndefined) : false;

/** What nobody placed is drawn somewhere under the component. */
function close(u: SvelteUnit): void {
  settleEarly(u);
  u.facts.render.forEach((node, index) => {
    if (index === 0 || (node.parent !== UNPLACED && node.parent !== -1)) return;
    if (node.parent === UNPLACED) node.loose = true;
    node.parent = 0;
  });
  settleMissing(u);
}

/** Module-level names that are used otherwise than by tags. */
function mentionsIn(scopes: Scopes): string[] {
  const found: string[] = [];
  for (const binding of scopes.program.names.values())
    if (binding.uses.some((one) => one.role === 'value')) found.push(binding.name);
  return found;
}
