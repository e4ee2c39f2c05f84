/** In which order the statements of a component are read: what runs later comes after what it uses. */
import type * as t from '@babel/types';
import { groupBy } from '../../model/group-by';
import { isFunction } from './scope';
import { unwrap } from './unit';
import { patternNames } from './walk';

/** Functions that use each other in a circle have no order; after so many rounds it is left at that. */
const MAX_ROUNDS = 4;

/**
 * Handlers and effects may use what is declared below them, since they run when all of it is there. They are put behind
 * the last declaration that they use; the rest keeps its order. Function declarations, which may be used above
 * themselves, stand behind the last value that they use. `isUnit` tells functions that are read elsewhere.
 */
export function inReadingOrder(nodes: t.Node[], isUnit: (node: t.Node) => boolean): t.Node[] {
  // Where nothing is used above its declaration, the order of the text will do.
  if (!nodes.some(isUsedAbove)) return nodes;
  const users = new Map(nodes.map((node) => [node, usersOf(node, nodes)]));
  const base = functionsLast(nodes, users, isUnit);
  const wants = usesBelow(users, base);
  if (!wants.size) return base;
  let order = base;
  for (let round = 0; round < MAX_ROUNDS; round++) {
    const before = order;
    for (const node of [...before].reverse()) {
      const wanted = wants.get(node);
      if (wanted) order = moved(order, node, wanted, users.get(node)!);
    }
    if (before.every((node, index) => node === order[index])) break;
  }
  return order;
}

const isUsedAbove = (node: t.Node): boolean =>
  declaredBy(node).some((name) => name.binding?.uses.some((use) => use.id.start! < node.start!));

function functionsLast(
  nodes: t.Node[],
  users: Map<t.Node, Set<t.Node>>,
  isUnit: (node: t.Node) => boolean,
): t.Node[] {
  const last = new Map<t.Node, t.Node>();
  for (const value of nodes)
    if (value.type === 'VariableDeclaration' && !runsLater(value))
      for (const user of users.get(value)!) if (user.type === 'FunctionDeclaration') last.set(user, value);
  const isLate = (node: t.Node) => node.type === 'FunctionDeclaration' && !isUnit(node);
  // Those that use no value come first.
  const behind = groupBy(nodes.filter(isLate), (node) => last.get(node));
  const rest = nodes.flatMap((node) => (isLate(node) ? [] : [node, ...(behind.get(node) ?? [])]));
  return [...(behind.get(undefined) ?? []), ...rest];
}

/** The statement behind the last of those that it wants, as far as nothing in between needs it or decides about it. */
function moved(order: t.Node[], node: t.Node, wanted: Set<t.Node>, users: Set<t.Node>): t.Node[] {
  const from = order.indexOf(node);
  const to = order.findLastIndex((one) => wanted.has(one));
  if (to < from) return order;
  const between = order.slice(from + 1, to + 1);
  if (!between.every((one) => isCrossed(one) && (runsLater(one) || !users.has(one)))) return order;
  return [...order.slice(0, from), ...between, node, ...order.slice(to + 1)];
}

/** Statements that run later, with the declarations that each of them uses; none if they all stand in order. */
function usesBelow(users: Map<t.Node, Set<t.Node>>, order: t.Node[]): Map<t.Node, Set<t.Node>> {
  const found = new Map<t.Node, Set<t.Node>>();
  const at = new Map(order.map((node, index) => [node, index]));
  let inOrder = true;
  for (const node of order) {
    for (const user of users.get(node)!) {
      if (user === node || !runsLater(user)) continue;
      found.set(user, (found.get(user) ?? new Set()).add(node));
      if (at.get(user)! < at.get(node)!) inOrder = false;
    }
  }
  return inOrder ? new Map() : found;
}

/** The statements that use what a statement declares; `nodes` is in the order of the text. */
function usersOf(node: t.Node, nodes: t.Node[]): Set<t.Node> {
  const found = new Set<t.Node>();
  for (const name of declaredBy(node))
    for (const use of name.binding?.uses ?? []) {
      const user = statementAt(nodes, use.id.start!);
      if (user) found.add(user);
    }
  return found;
}

function declaredBy(node: t.Node): t.Identifier[] {
  if (node.type === 'FunctionDeclaration') return node.id ? [node.id] : [];
  return node.type === 'VariableDeclaration' ? node.declarations.flatMap(({ id }) => patternNames(id)) : [];
}

/** The statement that an offset lies in. */
function statementAt(nodes: t.Node[], offset: number): t.Node | undefined {
  let low = 0;
  let high = nodes.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const node = nodes[middle]!;
    if (offset < node.start!) high = middle - 1;
    else if (offset >= node.end!) low = middle + 1;
    else return node;
  }
  return undefined;
}

/** `function hold() {…}`, `const hold = () => …`, `useEffect(() => …)`. */
function runsLater(node: t.Node): boolean {
  if (node.type === 'FunctionDeclaration') return true;
  if (node.type === 'VariableDeclaration')
    return node.declarations.every(
      ({ id, init }) => id.type === 'Identifier' && !!init && isFunction(unwrap(init)),
    );
  if (node.type !== 'ExpressionStatement') return false;
  const call = unwrap(node.expression);
  return call.type === 'CallExpression' && call.arguments.some((one) => isFunction(unwrap(one)));
}

const isCrossed = ({ type }: t.Node): boolean =>
  /^(Variable|Function|TSTypeAlias|TSInterface)Declaration$|^ExpressionStatement$/.test(type);
