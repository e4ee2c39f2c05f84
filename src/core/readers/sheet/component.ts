/** A component of a sheet: what it takes, keeps, raises, provides and shows. */
import type { ComponentFacts, ExprFact, Span } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { addActions } from './actions';
import type { Entry, Fault, Part } from './document';
import { addProvided, declareAll, DERIVATION, derive, startState } from './state';
import { isLongProperty, type Scope } from './scope';
import { addNodes } from './tree';
import { typeOf } from './types';
import { emptyComponent, OUTSIDE, slotName, Unit } from './unit';

/** Reads a component of a sheet. */
export function readComponent(
  { key, keySpan, value }: Entry,
  scope: Scope,
): { facts: ComponentFacts; flaws: Fault[] } {
  const span = { start: keySpan.start, end: value.span.end };
  const u = new Unit(emptyComponent(key, keySpan, span), scope, addActions);
  const { facts } = u;
  for (const one of entriesOf(value, 'takes')) addProperty(u, one);
  for (const { name, type } of scope.overridesWithin(key)) {
    facts.ports.push({ name, channel: 'prop', declared: 'list', required: false, type, ...keySpan });
    u.add({ name, kind: 'prop', port: name, type, ...keySpan });
  }
  for (const one of entriesOf(value, 'raises')) addEvent(u, one);
  const states = declareAll(u, 'state', entriesOf(value, 'keeps'));
  for (const one of entriesOf(value, 'consumes')) addConsumed(u, one);
  for (const handle of value.get('handles')?.items ?? [])
    if (handle.text !== undefined) u.add({ name: handle.text, kind: 'ref', empty: true, ...handle.span });
  const derived = declareAll(u, 'derived', entriesOf(value, 'derives'));
  for (const one of states) startState(u, one, true);
  for (const one of derived) derive(u, one);

  const whole =
    facts.render.push({ kind: 'group', parent: -1, attributes: [], start: facts.start, end: facts.end }) - 1;
  for (const one of entriesOf(value, 'provides')) addProvided(u, one, whole);
  const does = value.get('does');
  if (does) addActions(u, does, OUTSIDE.local);
  const offers = entriesOf(value, 'offers').map((one) => ({ one, value: offered(u, one) }));
  facts.exposes = [
    {
      port: 'ref',
      members: offers.map(({ one }) => ({ name: one.key, ...one.keySpan })),
      value: {
        kind: 'object',
        members: offers.map(({ one, value }) => ({ name: one.key, value, ...one.keySpan })),
        ...value.span,
      },
    },
  ];
  const tree = value.get('tree');
  if (tree) addNodes(u, tree, { parent: whole, local: OUTSIDE.local });
  const needs = value.get('needs');
  for (const one of needs?.get('heard')?.items ?? []) need(u, `@${one.text}`);
  for (const one of needs?.get('filled')?.items ?? []) need(u, slotName(one.text));
  return { facts, flaws: u.flaws };
}

/** What others may use of it by a handle: a function that does what a list of actions says, or a value. */
function offered(u: Unit, { value }: Entry): ExprFact {
  const { span } = value;
  if (!value.isList) return u.value(value, DERIVATION, true);
  return { kind: 'function', fn: addActions(u, value, OUTSIDE.local), uses: [], ...span };
}

function need(u: Unit, name: string): void {
  for (const port of u.facts.ports) if (port.name === name) port.required = true;
}

const entriesOf = (part: Part, key: string): Entry[] => part.get(key)?.entries ?? [];

function addProperty(u: Unit, { key, keySpan, value }: Entry): void {
  const isLong = isLongProperty(value);
  const fallback = isLong ? value.entry('default') : undefined;
  const required = isLong ? (value.get('required')?.scalar ?? fallback === undefined) === true : true;
  const type = typeOf(isLong ? value.get('type') : value);
  u.facts.ports.push({
    name: key,
    channel: 'prop',
    declared: 'list',
    ...(required ? { required } : {}),
    ...(type === UNKNOWN ? {} : { type }),
    ...(fallback ? { default: u.value(fallback.value, OUTSIDE, false) } : {}),
    ...keySpan,
  });
  u.add({ name: key, kind: 'prop', port: key, ...(type === UNKNOWN ? {} : { type }), ...keySpan });
}

function addEvent(u: Unit, { key, keySpan, value }: Entry): void {
  const name = `@${key}`;
  const carried = value.scalar === null ? undefined : typeOf(value);
  u.facts.ports.push({
    name,
    channel: 'event',
    declared: 'list',
    type: { t: 'fn', params: carried ? [{ name: 'payload', type: carried }] : [], returns: UNKNOWN },
    ...keySpan,
  });
  u.add({ name: key, kind: 'prop', port: name, ...keySpan }, true);
}

function addConsumed(u: Unit, { key, keySpan, value }: Entry): void {
  const type = typeOf(value.get('type'));
  const symbol = u.add({ name: key, kind: 'injected', ...(type === UNKNOWN ? {} : { type }), ...keySpan });
  u.facts.consumes.push({
    key: { text: key },
    symbol,
    where: 'setup',
    fn: -1,
    missing: value.get('missing')?.text === 'ok' ? 'handled' : 'bare',
    ...(keySpan satisfies Span),
  });
}
