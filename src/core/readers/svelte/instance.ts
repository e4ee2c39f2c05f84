/** The script that runs for every instance of a component: props, handles, state, and what is offered to others. */
import type { AST } from 'svelte/compiler';
import type * as t from '@babel/types';
import type { ExposedFact, PortFact } from '../../model/facts';
import { isComponentImport } from './names';
import { type TypeExpr, UNKNOWN, widen } from '../../model/types';
import { type Binding, isFunction } from '../script/scope';
import { annotationOf, entityName, readType } from '../script/type-expr';
import { addState, addSymbol, propSymbol, SETUP, spanOf, typeOf, use } from '../script/unit';
import { patternNames } from '../script/walk';
import type { SvelteUnit } from './unit';

/** Names that `bind:this` fills. */
export function handlesIn(fragment: AST.Fragment): Set<string> {
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

/** What the file says about the declarations of the script. */
export interface Declared {
  /** Those that are props, or are offered to those who hold the component. */
  exported: Set<t.Node>;
  /** Names that the markup fills with handles. */
  handles: Set<string>;
  /** It is a component of the newer kind. */
  runes: boolean;
  /** It is written in TypeScript, where a first value says what type is wanted. */
  typed: boolean;
}

type Aliases = Map<string, { name: string; at: t.Node }>;

/** Reads the script that runs for every instance. */
export function readScript(u: SvelteUnit, statements: t.Statement[], declared: Declared): void {
  const members: ExposedFact[] = [];
  u.facts.exposes = [{ port: 'ref', members, always: ['$set', '$on', '$destroy'] }];
  const expose = (at: t.Node, name = (at as t.Identifier).name) => members.push({ name, ...spanOf(at) });
  const aliases = renamed(statements);
  for (const { name, at } of aliases.values()) expose(at, name);
  const left: t.Statement[] = [];
  for (const node of statements) {
    if (node.type === 'ExportNamedDeclaration') continue;
    const exported = declared.exported.has(node);
    if (node.type !== 'VariableDeclaration') {
      if (exported && 'id' in node && node.id) expose(node.id as t.Node);
      left.push(node);
      continue;
    }
    const others = node.declarations.filter((one) => !takeDeclared(u, node, one, declared, aliases));
    if (exported && node.kind === 'const')
      for (const one of node.declarations) for (const id of patternNames(one.id)) expose(id);
    if (others.length) left.push({ ...node, declarations: others });
  }
  const isEffect = (node: t.Statement): node is t.LabeledStatement =>
    node.type === 'LabeledStatement' && node.label.name === '$';
  u.statements(
    left.filter((node) => !isEffect(node)),
    SETUP,
  );
  for (const one of left) if (isEffect(one)) u.statements([one.body], { ...SETUP, where: 'effect' });
  for (const member of members) if (givesHandle(u, member.name)) member.handle = true;
}

/** A function of the script that gives a handle away. */
function givesHandle({ facts }: SvelteUnit, name: string): boolean {
  const fn = facts.symbols.find((one) => one.name === name && one.kind === 'handler')?.fn;
  const gives = fn === undefined ? [] : (facts.functions[fn]!.gives ?? []);
  return gives.some((one) => one.kind === 'identity' && facts.symbols[one.symbol!]!.kind === 'ref');
}

/** `export { inner as outer }`, by the inner name. */
function renamed(statements: t.Statement[]): Aliases {
  const found: Aliases = new Map();
  for (const node of statements) {
    if (node.type !== 'ExportNamedDeclaration') continue;
    for (const one of node.specifiers) {
      if (one.type !== 'ExportSpecifier') continue;
      const name = one.exported.type === 'Identifier' ? one.exported.name : one.exported.value;
      found.set(one.local.name, { name, at: one.exported });
    }
  }
  return found;
}

/** Takes over a declaration that is a prop, a handle, or state by being a `let`. */
function takeDeclared(
  u: SvelteUnit,
  node: t.VariableDeclaration,
  { id, init }: t.VariableDeclarator,
  { exported, handles, runes, typed }: Declared,
  aliases: Aliases,
): boolean {
  if (id.type !== 'Identifier' || !id.binding || node.kind === 'const') return false;
  const alias = aliases.get(id.name);
  if ((exported.has(node) || alias) && !runes) {
    const port = readProp(u, init, id, alias?.name ?? id.name, alias?.at ?? id);
    if (mayBeLeftOut(u.file.text.slice(0, node.start!))) port.required = false;
    if (!typed && !annotationOf(id)) delete port.type;
    return true;
  }
  if (!hasValue(init) && (handles.has(id.name) || isHandle(id.binding, u))) {
    addSymbol(u, { name: id.name, kind: 'ref', empty: true, ...spanOf(id) }, id.binding);
    return true;
  }
  if (runes || (init && isFunction(init))) return false;
  const value = init ? use(u, u.expr(init, SETUP), SETUP) : undefined;
  const written = annotationOf(id);
  const type = written ? readType(written, u.file.named) : init ? widen(typeOf(u, init)) : UNKNOWN;
  addState(u, id, value, type);
  return true;
}

/** A variable for an element or a component, to which no code gives anything. */
function isHandle(binding: Binding, { file: { text }, imports }: SvelteUnit): boolean {
  const names = handleTypes(annotationOf(binding.id));
  if (!names?.length || binding.reassigned) return false;
  const isComponent = (name: string) => imports.some((one) => one.local === name && isComponentImport(one));
  if (!names.every((name) => /^(HTML|SVG)\w*Element$/.test(name) || isComponent(name))) return false;
  // Markup may fill it: by binding a prop, by an assignment, by a directive that it is handed to.
  const name = binding.name.replace(/\$/g, '\\$&');
  return !new RegExp(
    `\\b(bind|use|attach):[\\w-]+=\\{[^}]*\\b${name}\\b|bind:${name}\\b|\\b${name}\\s*=[^=>]`,
  ).test(text);
}

/** Names of the types that a union is of, leaving out nothing; undefined where it is anything else. */
function handleTypes(type: t.Node | undefined): string[] | undefined {
  if (!type || /^TS(Null|Undefined)Keyword$/.test(type.type)) return [];
  if (type.type === 'TSUnionType') {
    const parts = type.types.map((one) => handleTypes(one));
    return parts.every((one) => one !== undefined) ? parts.flat() : undefined;
  }
  const name = type.type === 'TSTypeReference' ? entityName(type.typeName) : undefined;
  return name === undefined ? undefined : [name];
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
  init: t.Expression | null | undefined,
  id: t.Identifier,
  name: string,
  at: t.Node,
): PortFact {
  const symbol = propSymbol(u, name, spanOf(at), 'list', id.name);
  u.refs.set(id.binding!, symbol);
  const port: PortFact = u.facts.ports.find((port) => port.name === name)!;
  const written = annotationOf(id);
  if (written) port.type = readType(written, u.file.named);
  // What the component gives a value itself is for the owner to take, not to give.
  port.required = !init && !mayBeUndefined(port.type) && !id.binding!.reassigned;
  if (!init) return port;
  const value = use(u, u.expr(init, SETUP), SETUP);
  const type = typeOf(u, init);
  port.default = { ...value, type };
  if (!written && type.t !== 'unknown' && init.type !== 'NullLiteral') {
    const wide = widen(type);
    if (wide.t === 'prim') port.type = wide;
  }
  return port;
}

/** A comment before the declaration says that there may be no value: `@type {string | undefined}`. */
function mayBeLeftOut(before: string): boolean {
  const comment = /\/\*\*((?:(?!\*\/)[\s\S])*)\*\/\s*(?:export\s+)?$/.exec(before.slice(-600))?.[1];
  const type = comment && /@type\s*\{([^\n]*)\}/.exec(comment)?.[1];
  return type !== undefined && /\bundefined\b|\bany\b|\bunknown\b|^[?*]|=$/.test(type);
}

const mayBeUndefined = (type: TypeExpr | undefined): boolean =>
  type?.t === 'lit' ? type.v === undefined : type?.t === 'union' ? type.of.some(mayBeUndefined) : false;
