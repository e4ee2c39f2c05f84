/** Members of the class that code stands in, and what is used through handles that it keeps in them. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { ownMember } from './classes';
import { type Call, type Ctx, noteRead, spanOf, symbolOf, type Unit, unwrap } from './unit';

/** A class while it is read. */
export interface OwnUnit extends Unit {
  /** Symbols that are read by being called. */
  signals?: Set<number>;
  /** The symbol of a member that is declared elsewhere. */
  inheritedMember?(name: string, node: Chain): number | undefined;
}

export type Chain = t.MemberExpression | t.OptionalMemberExpression;

export const isChain = (node: t.Node): node is Chain =>
  node.type === 'MemberExpression' || node.type === 'OptionalMemberExpression';

/** The symbol of `this.x`, or of a name. */
export function symbolAt(u: OwnUnit, node: t.Node): number | undefined {
  if (isChain(node)) {
    const name = ownMember(node);
    return name === undefined ? undefined : u.members.get(name);
  }
  return node.type === 'Identifier' ? symbolOf(u, node) : undefined;
}

/** `this.x`; and what is used of the thing that a handle is put on. */
export function readChain(u: OwnUnit, node: Chain, ctx: Ctx | undefined): ExprFact | undefined {
  const own = ownMember(node);
  if (own !== undefined) {
    const symbol = u.members.get(own) ?? u.inheritedMember?.(own, node);
    return symbol === undefined ? undefined : { kind: 'identity', symbol, ...spanOf(node) };
  }
  if (node.computed || node.property.type !== 'Identifier') return undefined;
  const handle = handleAt(u, unwrap(node.object));
  if (!handle) return undefined;
  const path = [...handle.path, node.property.name];
  const ends = [...handle.ends, node.property.end!];
  const soft = node.type === 'OptionalMemberExpression' || handle.soft;
  if (ctx) {
    noteRead(u, handle.symbol, spanOf(node), ctx, path);
    const read = u.facts.reads.at(-1)!;
    read.ends = ends;
    if (soft) read.soft = true;
  }
  return { kind: 'member', symbol: handle.symbol, path, ...spanOf(node) };
}

interface HandleChain {
  symbol: number;
  path: string[];
  ends: number[];
  soft: boolean;
}

/** `this.boom`, `this.boom()`, `log`, and what follows: a handle and the way from it. */
function handleAt(u: OwnUnit, node: t.Node): HandleChain | undefined {
  if (/CallExpression$/.test(node.type) && !(node as Call).arguments.length) {
    const callee = unwrap((node as Call).callee);
    const symbol = symbolAt(u, callee);
    if (symbol !== undefined)
      return u.signals?.has(symbol) === true && isHandle(u, symbol)
        ? { symbol, path: ['current'], ends: [callee.end!], soft: false }
        : undefined;
    const inner = isChain(callee) ? handleAt(u, unwrap(callee.object)) : undefined;
    if (!inner || !isChain(callee) || callee.computed || callee.property.type !== 'Identifier')
      return undefined;
    // What a member gives back when it is called.
    return {
      ...inner,
      path: [...inner.path, callee.property.name, '()'],
      ends: [...inner.ends, callee.property.end!, node.end!],
      soft: inner.soft || callee.type === 'OptionalMemberExpression',
    };
  }
  const symbol = symbolAt(u, node);
  if (symbol !== undefined)
    return isHandle(u, symbol) && !u.signals?.has(symbol) === true
      ? { symbol, path: ['current'], ends: [node.end!], soft: false }
      : undefined;
  if (!isChain(node) || node.computed || node.property.type !== 'Identifier') return undefined;
  const inner = handleAt(u, unwrap(node.object));
  if (!inner) return undefined;
  return {
    ...inner,
    path: [...inner.path, node.property.name],
    ends: [...inner.ends, node.property.end!],
    soft: inner.soft || node.type === 'OptionalMemberExpression',
  };
}

const isHandle = (u: OwnUnit, symbol: number): boolean => u.facts.symbols[symbol]!.kind === 'ref';
