/** The template's syntax tree: its kinds of nodes, and where they stand in the file. */
import type { SFCTemplateBlock } from '@vue/compiler-sfc';
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { type Code, parseCode } from '../script/code';
import type { Scope } from '../script/scope';
import { bindCode } from './code';
import type { VueUnit } from './unit';

type Root = NonNullable<SFCTemplateBlock['ast']>;
export type TemplateNode = Root['children'][number];
export type Element = Extract<TemplateNode, { type: 1 }>;
export type Prop = Element['props'][number];
export type Static = Extract<Prop, { type: 6 }>;
export type Directive = Extract<Prop, { type: 7 }>;

interface Located {
  loc: { start: { offset: number }; end: { offset: number } };
}

export const placeOf = ({ loc }: Located): Span => ({ start: loc.start.offset, end: loc.end.offset });

/** The name in an opening tag. */
export const tagSpan = (element: Element): Span => {
  const start = element.loc.start.offset + 1;
  return { start, end: start + element.tag.length };
};

/** The code of a directive or an interpolation, as it stands in the file. */
export const codeOf = (exp: unknown, text: string): Code => {
  const { start, end } = placeOf(exp as Located);
  return { text: text.slice(start, end), offset: start };
};

/** A directive's expression, bound and ready to be read. */
export function expressionOf(u: VueUnit, { exp }: Directive, scope: Scope): t.Expression | undefined {
  const node = exp && parseCode(codeOf(exp, u.file.text));
  if (node) bindCode(u, node, scope);
  return node;
}

/** What a filter of older versions is given: `wind | knots(1)`; undefined where there is none. */
export function filtered(node: t.Node): t.Node | undefined {
  const isFilter =
    node.type === 'BinaryExpression' &&
    node.operator === '|' &&
    /^(Identifier|CallExpression)$/.test(node.right.type);
  return isFilter ? (filtered(node.left) ?? node.left) : undefined;
}

export const directive = (element: Element, name: string): Directive | undefined =>
  element.props.find((one): one is Directive => one.type === 7 && one.name === name);

export const staticAttribute = (element: Element, name: string): Static | undefined =>
  element.props.find((one): one is Static => one.type === 6 && one.name === name);

/** The argument of a directive, unless it is worked out. */
export const argumentOf = ({ arg }: Directive): string | undefined =>
  arg && 'isStatic' in arg && arg.isStatic ? arg.content : undefined;

export const isBlank = (node: TemplateNode): boolean =>
  node.type === 3 || (node.type === 2 && !node.content.trim());
