/** Templates that are stamped with a context: what they take, and the places where a component stamps what it is given. */
import type { TmplAstTemplate, TmplAstVariable } from '@angular/compiler';
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { attribute, spread } from '../script/attributes';
import { contentFunction } from '../script/content';
import { portSymbol, raisePort } from '../script/ports';
import type { Scope } from '../script/scope';
import type { At } from '../script/slots';
import { isHeld, noteGiven, use } from '../script/unit';
import { slotOf } from './names';
import { identifier, spanAt } from './spans';
import type { AngularUnit } from './unit';

/** The member of a context that stands for all of it where no other is named. */
const WHOLE = '$implicit';

/** `let-item let-at="index"`: what is taken of the context, as the one parameter of a function; its scope, and which it is. */
export function takenOf(
  u: AngularUnit,
  template: TmplAstTemplate,
  at: At,
): { scope: Scope; fn: number | undefined } {
  const { variables } = template;
  if (!variables.length) return { scope: at.scope, fn: undefined };
  const parts = variables.map(propertyOf);
  const scope = u.angular.scopes.within(
    at.scope,
    parts.map((one) => one.value as t.Identifier),
  );
  const span = spanAt(template.sourceSpan);
  const pattern = { type: 'ObjectPattern', properties: parts, ...span } as unknown as t.ObjectPattern;
  return { scope, fn: contentFunction(u, [pattern], span, at.ctx) };
}

function propertyOf({ name, value, keySpan, valueSpan }: TmplAstVariable): t.ObjectProperty {
  const local = identifier(name, spanAt(keySpan));
  const key = identifier(value || WHOLE, spanAt(value && valueSpan ? valueSpan : keySpan));
  const { start, end } = local;
  return {
    type: 'ObjectProperty',
    key,
    value: local,
    computed: false,
    shorthand: false,
    start,
    end,
  } as t.ObjectProperty;
}

/**
 * `[ngTemplateOutlet]="row" [ngTemplateOutletContext]="{ $implicit: item }"`, where the template was handed in, or is looked
 * for in the content: an outlet, which gives the members of the context.
 */
export function becomeOutlet(u: AngularUnit, index: number, at: At): void {
  const node = u.facts.render[index]!;
  const named = (name: string) => node.attributes.find((one) => one.name === name);
  const template = named('ngTemplateOutlet');
  const symbol = template?.value.kind === 'identity' ? template.value.symbol : undefined;
  const port = symbol === undefined ? undefined : portOf(u, symbol);
  if (port === undefined) {
    const given = named('ngTemplateOutletContext');
    if (symbol !== undefined && given) u.stamps.push({ symbol, given: given.value });
    return;
  }
  const context = named('ngTemplateOutletContext');
  node.kind = 'outlet';
  node.outlet = port;
  node.outletSymbol = symbol!;
  // Content that nobody names is not for it.
  node.takes = [];
  node.attributes = node.attributes.filter((one) => one !== template && one !== context);
  const place = { start: template!.nameStart, end: template!.nameEnd };
  const given: ExprFact = context
    ? use(u, context.value, at.ctx, 'argument')
    : { kind: 'object', members: [], ...place };
  raisePort(u, symbol!, [given], place, at.ctx.fn);
}

/** `*ngComponentOutlet="what; inputs: { wind: 3 }"`: a tag whose component a value holds. */
export function becomeTag(u: AngularUnit, index: number): void {
  const node = u.facts.render[index]!;
  const chosen = node.attributes.find((one) => one.name === 'ngComponentOutlet');
  if (!chosen) return;
  const { value, nameStart: start, nameEnd: end } = chosen;
  const inputs = node.attributes.find((one) => one.name === 'ngComponentOutletInputs')?.value;
  node.kind = 'site';
  const sure = alwaysOf(u, value);
  node.tag =
    sure === undefined
      ? { name: '', openChoice: true, start, end, ...(isHeld(value) ? { held: value } : {}) }
      : { name: sure, start, end };
  node.attributes = (inputs?.members ?? []).map(({ name, value: given, ...at }) =>
    attribute(name, at, 'value', given, { start: at.start, end: given.end }),
  );
  if (inputs?.kind !== 'object' || inputs.open)
    node.attributes.push(spread({ start, end }, inputs ?? { kind: 'computed', start, end }));
}

/** The component that a member holds from the start, and that nobody puts another in the place of. */
function alwaysOf({ facts }: AngularUnit, { kind, symbol }: ExprFact): string | undefined {
  const fact = kind === 'identity' ? facts.symbols[symbol!]! : undefined;
  if (fact?.kind !== 'state' || facts.writes.some((one) => one.symbol === symbol)) return undefined;
  return fact.init?.component;
}

/** Templates of the component's own that it stamps itself: what they are given arrives at what they take. */
export function settleStamps(u: AngularUnit): void {
  for (const { symbol, given } of u.stamps) noteGiven(u, u.facts.symbols[symbol]!.init?.fn, [given]);
}

/** The tag of a directive's own is the template that it stamps where it asks for one. */
const ASKED = 'TemplateRef';

/** `container.createEmbeddedView(template, { $implicit: row })`: what a class stamps, it gives the members of the context. */
export function settleViews(u: AngularUnit): void {
  for (const { callee, args, fn, ...span } of u.facts.invokes ?? []) {
    if (callee.path?.at(-1) !== 'createEmbeddedView') continue;
    const [first, second] = args;
    const handed = first?.kind === 'identity' ? slotAt(u, first.symbol!) : undefined;
    const own = handed === undefined && callee.path.length === 1 ? slotAt(u, callee.symbol!) : undefined;
    const symbol = handed ?? own;
    const given = handed === undefined ? first : second;
    if (symbol !== undefined) raisePort(u, symbol, given ? [given] : [], span, fn);
  }
}

/** The symbol of the slot whose template a symbol stands for. */
function slotAt(u: AngularUnit, symbol: number): number | undefined {
  const asked = u.facts.consumes.find((one) => one.symbol === symbol);
  if (asked) {
    const isTemplate = 'name' in asked.key && asked.key.name === ASKED;
    return isTemplate ? portSymbol(u, '#default', 'slot', u.facts.symbols[symbol]!) : undefined;
  }
  return portOf(u, symbol) === undefined ? undefined : symbol;
}

/** The port of a template that was handed in; one that is looked for in the content gets a port of its name. */
function portOf(u: AngularUnit, symbol: number): string | undefined {
  const fact = u.facts.symbols[symbol]!;
  if (fact.kind === 'prop') {
    const port = u.facts.ports.find((one) => one.name === fact.port);
    if (port) port.channel = 'slot';
    return port?.name;
  }
  const name = u.lookedFor.get(symbol);
  if (name === undefined) return undefined;
  const port = slotOf(name);
  u.facts.ports.push({ name: port, channel: 'slot', declared: 'list', start: fact.start, end: fact.end });
  Object.assign(fact, { kind: 'prop', port });
  u.props.set(port, symbol);
  return port;
}
