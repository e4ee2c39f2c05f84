/** Syntax trees that the shared analysis reads, made from C#. */
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import type { TypeExpr } from '../../model/types';

/** What an attribute before a member says: `[Parameter(CaptureUnmatchedValues = true)]`. */
export interface AttributeNode {
  name: string;
  args: { name?: string; value: t.Node }[];
}

/** A member of a class, with what C# says of it beside. */
export interface MemberNode {
  name: string;
  nameAt: Span;
  kind: 'field' | 'property' | 'method';
  type: TypeExpr;
  typeText: string;
  attributes: AttributeNode[];
  words: Set<string>;
  /** The initial value. */
  value?: t.Expression;
  /** method, or a property that works something out. */
  fn?: t.ClassMethod;
  start: number;
  end: number;
}

/** A class or interface that is extended, and the types that are given to it. */
export interface BaseNode extends Span {
  name: string;
  args?: TypeExpr[];
}

export interface ClassNode {
  /** Other parts of it may be declared elsewhere. */
  partial?: true;
  name: string;
  kind: 'class' | 'record' | 'struct' | 'interface' | 'enum';
  params: string[];
  /** What its parameters must be, as it is written: `where T : IRow`. */
  limits: string;
  bases: BaseNode[];
  members: MemberNode[];
  /** enum: names of its values. */
  values: string[];
  nameAt: Span;
  start: number;
  end: number;
}

/** What is put under names into what is made; not whole where some name is worked out, or what is put bears none. */
export interface Pairs {
  list: (Span & { name: string; value: t.Expression })[];
  isWhole: boolean;
}

export const pairsOf = (node: t.Node | undefined): Pairs | undefined =>
  node?.extra?.pairs as Pairs | undefined;

export const make = <N extends t.Node = t.Expression>(type: string, at: Span, rest: object): N =>
  ({ type, start: at.start, end: at.end, ...rest }) as unknown as N;

export const name = (text: string, at: Span): t.Identifier =>
  make<t.Identifier>('Identifier', at, { name: text });

export const unknown = (at: Span, parts: t.Node[] = []): t.Expression =>
  parts.length
    ? make('CallExpression', at, { callee: name('|', { start: at.start, end: at.start }), arguments: parts })
    : name('undefined', at);
