/**
 * Events that a component raises in another one, which it finds by going up or down: `this.dispatch('Rack', 'halted', [id])`,
 * where a method that several share looks for it and calls its `$emit` with the name that it was given.
 */
import type * as t from '@babel/types';

export interface Carried {
  /** Texts that methods of the own instance are called with. */
  texts: Map<string, Set<string>>;
  /** Parameters under whose name something else was seen to raise an event. */
  names: Set<string>;
  /** Functions by their names, with the names of their parameters. */
  functions: [name: string, params: string[]][];
}

export const newCarried = (): Carried => ({
  texts: new Map(),
  names: new Set(),
  functions: [],
});

/** Functions and methods that raise events under a name that they are given. */
export const carriersOf = ({ functions, names }: Carried): string[] => [
  ...new Set(functions.flatMap(([name, params]) => (params.some((one) => names.has(one)) ? [name] : []))),
];

/** Notes what a node tells of such events. */
export function noteCarried(node: t.Node, carried: Carried): void {
  if (node.type === 'ObjectMethod' || node.type === 'FunctionDeclaration') {
    const key = node.type === 'ObjectMethod' ? node.key : node.id;
    if (key?.type === 'Identifier') carried.functions.push([key.name, node.params.map(nameOf)]);
    return;
  }
  if (node.type !== 'CallExpression' && node.type !== 'OptionalCallExpression') return;
  const { callee } = node;
  const method = memberOf(callee);
  if (method === undefined) return;
  const { object } = callee as t.MemberExpression;
  if (object.type === 'ThisExpression') {
    if (node.arguments.length > 1) noteTexts(node, method, carried);
    return;
  }
  if (method === '$emit') noteRaised(node.arguments[0], carried);
  const isOther = (method === 'apply' || method === 'call') && memberOf(object) === '$emit';
  if (isOther && (object as t.MemberExpression).object.type !== 'ThisExpression')
    noteRaised(node.arguments[1], carried);
}

/** The member that is taken of something, by its name. */
const memberOf = (node: t.Node): string | undefined =>
  (node.type === 'MemberExpression' || node.type === 'OptionalMemberExpression') &&
  !node.computed &&
  node.property.type === 'Identifier'
    ? node.property.name
    : undefined;

const nameOf = (node: t.Node): string => (node.type === 'Identifier' ? node.name : '');

function noteRaised(event: t.Node | undefined, carried: Carried): void {
  let at = event;
  // `[eventName].concat(params)`
  if (at?.type === 'CallExpression' && at.callee.type === 'MemberExpression') at = at.callee.object;
  if (at?.type === 'ArrayExpression') at = at.elements[0] ?? undefined;
  if (at?.type === 'Identifier') carried.names.add(at.name);
}

function noteTexts(
  node: t.CallExpression | t.OptionalCallExpression,
  method: string,
  { texts }: Carried,
): void {
  for (const one of node.arguments) {
    if (one.type !== 'StringLiteral' || !/^[\w:.-]+$/.test(one.value)) continue;
    const known = texts.get(method) ?? new Set();
    texts.set(method, known.add(one.value));
  }
}
