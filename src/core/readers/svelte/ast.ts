/** The markup's syntax tree, and its pieces of code at their places in the file. */
import type { AST } from 'svelte/compiler';
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { type Code, parseCode, parsePattern, parseStatements } from '../script/code';
import type { Scope } from '../script/scope';
import { bindCode } from './code';
import type { SvelteUnit } from './unit';

export type MarkupNode = AST.Fragment['nodes'][number];
export type Tag = Extract<MarkupNode, { attributes: unknown }>;
export type Attribute = Tag['attributes'][number];

export const span = (node: { start: number; end: number }): Span => ({ start: node.start, end: node.end });

/** The text of an attribute that is a text and nothing more. */
export function textOf(attribute: Attribute | undefined): string | undefined {
  if (attribute?.type !== 'Attribute' || !Array.isArray(attribute.value)) return undefined;
  const [only] = attribute.value;
  return attribute.value.length === 1 && only?.type === 'Text' ? only.data : undefined;
}

export const attributeNamed = (node: Tag, name: string): Attribute | undefined =>
  node.attributes.find((one) => one.type === 'Attribute' && one.name === name);

const pieceAt = (u: SvelteUnit, { start, end }: Span): Code => ({
  text: u.file.text.slice(start, end),
  offset: start,
});

/** The code at a place, with its names bound. The syntax tree of the markup says where it stands. */
export function code(u: SvelteUnit, at: unknown, scope: Scope): t.Expression | undefined {
  const node = parseCode(pieceAt(u, at as Span));
  if (node) bindCode(u, node, scope);
  return node;
}

export const pattern = (u: SvelteUnit, at: unknown): t.Node[] => parsePattern(pieceAt(u, at as Span));

/** Declarations at a place; their names are still to be bound. */
export const statementsAt = (u: SvelteUnit, at: unknown): t.Statement[] =>
  parseStatements(pieceAt(u, at as Span)) ?? [];
