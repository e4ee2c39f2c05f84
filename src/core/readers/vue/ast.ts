/** The template's syntax tree: its kinds of nodes, and where they stand in the file. */
import type { SFCTemplateBlock } from '@vue/compiler-sfc';
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { type Code, parseCode } from '../script/code';
import { bindingOf, type Scope } from '../script/scope';
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
export const expressionOf = (u: VueUnit, { exp }: Directive, scope: Scope): t.Expression | undefined =>
  exp && boundCode(u, exp, scope);

/** Code of the template with its names bound. */
export function boundCode(u: VueUnit, exp: unknown, scope: Scope): t.Expression | undefined {
  const written = parseCode(codeOf(exp, u.file.text));
  const node = written && withoutFilters(u, written, scope);
  if (node) bindCode(u, node, scope);
  return node;
}

/** `wind | knots(1)`, a filter of older versions: a call of something unknown, unless the name is one of the template's. */
function withoutFilters(u: VueUnit, node: t.Expression, scope: Scope): t.Expression {
  if (node.type !== 'BinaryExpression' || node.operator !== '|') return node;
  const { left, right } = node;
  const filter = right.type === 'CallExpression' ? right.callee : right;
  if (filter.type !== 'Identifier' || isKnown(u, filter.name, scope)) return node;
  const { start, end } = node;
  // Nothing of the script is called: filters have names of their own.
  const callee = { type: 'Super', start: right.start, end: right.end };
  const given = withoutFilters(u, left as t.Expression, scope);
  const others = right.type === 'CallExpression' ? right.arguments : [];
  return { type: 'CallExpression', callee, arguments: [given, ...others], start, end } as t.CallExpression;
}

/** Whether a name is one that the template may use. */
const isKnown = (u: VueUnit, name: string, scope: Scope): boolean =>
  bindingOf(name, scope) !== undefined ||
  u.members.has(name) ||
  u.facts.ports.some((port) => port.name === name && port.channel === 'prop');

export const directive = (element: Element, name: string): Directive | undefined =>
  element.props.find((one): one is Directive => one.type === 7 && one.name === name);

export const staticAttribute = (element: Element, name: string): Static | undefined =>
  element.props.find((one): one is Static => one.type === 6 && one.name === name);

/** `:name="…"`, also `v-bind:name`. */
export const boundTo = (element: Element, name: string): Directive | undefined =>
  element.props.find(
    (one): one is Directive => one.type === 7 && one.name === 'bind' && argumentOf(one) === name,
  );

/** The argument of a directive, unless it is worked out. */
export const argumentOf = ({ arg }: Directive): string | undefined =>
  arg && 'isStatic' in arg && arg.isStatic ? arg.content : undefined;

export const isBlank = (node: TemplateNode): boolean =>
  node.type === 3 || (node.type === 2 && !node.content.trim());
