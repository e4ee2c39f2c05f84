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

export interface ClassNode {
  name: string;
  kind: 'class' | 'record' | 'struct' | 'interface' | 'enum';
  params: string[];
  bases: { name: string; start: number; end: number }[];
  members: MemberNode[];
  /** enum: names of its values. */
  values: string[];
  nameAt: Span;
  start: number;
  end: number;
}

export const make = <N extends t.Node = t.Expression>(type: string, at: Span, rest: object): N =>
  ({ type, start: at.start, end: at.end, ...rest }) as unknown as N;

export const name = (text: string, at: Span): t.Identifier =>
  make<t.Identifier>('Identifier', at, { name: text });

export const unknown = (at: Span, parts: t.Node[] = []): t.Expression =>
  parts.length
    ? make('CallExpression', at, { callee: name('|', { start: at.start, end: at.start }), arguments: parts })
    : name('undefined', at);
