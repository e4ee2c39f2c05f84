/** A component of a sheet: what it takes, keeps, raises, provides and shows. */
import type { ComponentFacts, Span } from '../../model/facts';
import { type TypeExpr, UNKNOWN } from '../../model/types';
import { addActions } from './actions';
import type { Entry, Part } from './document';
import { addState } from './state';
import { addNodes } from './tree';
import { typeOf } from './types';
import { type Ctx, emptyComponent, OUTSIDE, Unit } from './unit';

const DERIVATION: Ctx = { ...OUTSIDE, where: 'derivation' };

/** Reads a component; `shared` are the names of the sheet's own state, `components` those that it may show. */
export function readComponent(
  { key, keySpan, value }: Entry,
  shared: ReadonlyMap<string, TypeExpr>,
  components: ReadonlySet<string>,
): ComponentFacts {
  const u = new Unit(
    emptyComponent(key, keySpan, { start: keySpan.start, end: value.span.end }),
    shared,
    components,
  );
  const { facts } = u;
  for (const one of entriesOf(value, 'takes')) addProperty(u, one);
  for (const one of entriesOf(value, 'raises')) addEvent(u, one);
  for (const one of entriesOf(value, 'keeps')) addState(u, one, true);
  for (const one of entriesOf(value, 'consumes')) addConsumed(u, one);
  for (const handle of value.get('handles')?.items ?? [])
    if (handle.text !== undefined) u.add({ name: handle.text, kind: 'ref', empty: true, ...handle.span });
  for (const one of entriesOf(value, 'derives')) addDerived(u, one);

  const whole =
    facts.render.push({ kind: 'group', parent: -1, attributes: [], start: facts.start, end: facts.end }) - 1;
  for (const one of entriesOf(value, 'provides')) {
    const given = u.value(one.value, { ...OUTSIDE, where: 'provide' }, true);
    facts.provides.push({
      key: { text: one.key },
      keyStart: one.keySpan.start,
      keyEnd: one.keySpan.end,
      value: given,
      node: whole,
      where: 'setup',
      start: one.keySpan.start,
      end: one.value.span.end,
    });
  }
  const offers = entriesOf(value, 'offers').map((one) => ({
    one,
    fn: addActions(u, one.value, OUTSIDE.local),
  }));
  facts.exposes = [
    {
      port: 'ref',
      members: offers.map(({ one }) => ({ name: one.key, ...one.keySpan })),
      value: {
        kind: 'object',
        members: offers.map(({ one, fn }) => ({
          name: one.key,
          value: { kind: 'function', fn, uses: [], ...one.value.span },
          ...one.keySpan,
        })),
        ...value.span,
      },
    },
  ];
  const tree = value.get('tree');
  if (tree) addNodes(u, tree, { parent: whole, local: OUTSIDE.local });
  return facts;
}

const entriesOf = (part: Part, key: string): Entry[] => part.get(key)?.entries ?? [];

function addProperty(u: Unit, { key, keySpan, value }: Entry): void {
  const isLong = ['type', 'required', 'default'].some((one) => value.entry(one)) || isEmptyMap(value);
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

const isEmptyMap = (part: Part): boolean =>
  part.scalar === undefined && !part.isList && part.entries.length === 0;

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

function addDerived(u: Unit, { key, keySpan, value }: Entry): void {
  const parts = (value.get('from')?.items ?? []).map((one) => u.value(one, DERIVATION, true));
  const uses = [
    ...new Set(
      parts.flatMap((one) => [...(one.symbol === undefined ? [] : [one.symbol]), ...(one.uses ?? [])]),
    ),
  ];
  const type = typeOf(value.get('type'));
  u.add({
    name: key,
    kind: 'derived',
    init: { kind: 'computed', uses, ...value.span },
    ...(type === UNKNOWN ? {} : { type }),
    ...keySpan,
  });
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
