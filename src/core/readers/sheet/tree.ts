/** The tree of a component: instances, slots, texts, with their conditions and lists. */
import type { AttributeFact, ExprFact, RenderFact, Span } from '../../model/facts';
import { addActions } from './actions';
import type { Entry, Part } from './document';
import { isCalled, overriddenName, overridesOf } from './scope';
import { addProvided } from './state';
import { type Ctx, slotName, type Unit, usesOf } from './unit';

/** Where a node stands: below which one, in which slot of it, under which condition. */
interface Place {
  parent: number;
  slot?: string;
  when?: Span;
  arms?: string[];
  each?: Span;
  local: Ctx['local'];
}

export function addNodes(u: Unit, nodes: Part, place: Place): number[] {
  return nodes.items.map((node) => addNode(u, node, place));
}

/** Adds an entry of a tree, with all that stands in it; gives back its index. */
export function addNode(u: Unit, node: Part, above: Place): number {
  const place = placed(u, node, above);
  const use = node.get('use');
  if (use?.text !== undefined) return addInstance(u, node, use.text, use.span, place);
  const slot = node.entry('slot');
  if (slot) return addOutlet(u, node, slot, place);
  const group = node.get('group');
  const text = node.get('text');
  if (group) {
    const index = push(u, { kind: 'group', ...node.span }, place);
    for (const one of node.get('provides')?.entries ?? []) addProvided(u, one, index);
    addNodes(u, group, { ...place, parent: index, slot: undefined as never });
    return index;
  }
  const index = push(
    u,
    { kind: 'element', tag: { name: 'span', plain: true, ...node.span }, ...node.span },
    place,
  );
  const does = node.get('does');
  if (does) addActions(u, does, place.local);
  if (text) u.value(text, { where: 'text', fn: -1, local: place.local }, true);
  return index;
}

/** Conditions and lists around a node: what they read, and the name of an entry. */
function placed(u: Unit, node: Part, above: Place): Place {
  const place: Place = { ...above };
  const each = node.entry('each');
  const [entry] = each?.value.entries ?? [];
  if (each && entry) {
    const of = u.value(entry.value, { where: 'derivation', fn: -1, local: place.local }, true);
    const symbol = u.add(
      {
        name: entry.key,
        kind: 'loop',
        init: {
          kind: 'computed',
          uses: of.symbol === undefined ? [] : [of.symbol],
          ...(of.symbol === undefined ? {} : { entry: { of } }),
          ...entry.value.span,
        },
        ...(of.type ? { type: { t: 'elem', of: of.type } } : {}),
        ...entry.keySpan,
      },
      true,
    );
    place.local = new Map([...place.local, [entry.key, symbol]]);
    place.each = each.value.span;
  }
  const when = node.get('if');
  if (when) {
    u.value(when, { where: 'condition', fn: -1, local: place.local }, true);
    place.when = when.span;
    place.arms = [...(above.arms ?? []), `${when.text ?? ''}#0`];
  }
  const key = node.get('key');
  if (key) u.value(key, { where: 'attribute', fn: -1, local: place.local }, true);
  return place;
}

function push(
  u: Unit,
  node: Omit<RenderFact, 'parent' | 'attributes'> & Partial<Pick<RenderFact, 'attributes'>>,
  { parent, slot, when, arms, each }: Place,
): number {
  return (
    u.facts.render.push({
      attributes: [],
      ...node,
      parent,
      ...(slot === undefined ? {} : { slot }),
      ...(when ? { when } : {}),
      ...(arms && node.kind !== 'element' ? { arms } : {}),
      ...(each ? { each } : {}),
    }) - 1
  );
}

function addInstance(u: Unit, node: Part, name: string, span: Span, place: Place): number {
  const attributes: AttributeFact[] = [];
  const ctx: Ctx = { where: 'attribute', fn: -1, local: place.local };
  for (const one of node.get('with')?.entries ?? [])
    attributes.push(attribute(one, 'value', u.value(one.value, ctx, false)));
  for (const one of node.get('both')?.entries ?? []) {
    attributes.push(attribute(one, 'two-way', u.value(one.value, ctx, false)));
    addBack(u, one, ctx);
  }
  addOverrides(u, node, name, attributes, ctx);
  for (const one of node.get('on')?.entries ?? []) {
    const fn = addActions(u, one.value, place.local);
    const value: ExprFact = { kind: 'function', fn, ...one.value.span };
    attributes.push({ ...attribute(one, 'listen', value), name: `@${one.key}` });
  }
  const handle = node.entry('handle');
  if (handle?.value.text !== undefined) {
    const found = u.find([handle.value.text], ctx, handle.value.span);
    if (found)
      attributes.push(
        attribute(handle, 'ref', { kind: 'identity', symbol: found.symbol, ...handle.value.span }, 'ref'),
      );
    else
      (u.facts.unknownNames ??= []).push({
        name: handle.value.text,
        known: u.known(ctx),
        ...handle.value.span,
      });
  }
  const inside = node.get('inside');
  const index = push(
    u,
    {
      kind: 'site',
      tag: { name, ...span, ...(u.scope.components.has(name) ? {} : { unbound: true }) },
      attributes,
      ...(inside ? { nested: true } : {}),
      ...node.span,
    },
    place,
  );
  const below: Place = { parent: index, local: place.local };
  if (inside) addNodes(u, inside, below);
  for (const one of node.get('fill')?.entries ?? []) addFill(u, one, below, attributes);
  return index;
}

/** What the instance says of instances within its component, and what those above say of it. */
function addOverrides(u: Unit, node: Part, name: string, attributes: AttributeFact[], ctx: Ctx): void {
  for (const { part, property } of overridesOf(node)) {
    const whole = { ...property, key: overriddenName(part.key, property.key) };
    attributes.push(attribute(whole, 'value', u.value(property.value, ctx, false)));
    if (!u.scope.isOwn(name))
      u.flaws.push({
        message: `${part.key} in ${name} cannot be overridden from here: only components of the same sheet can be looked into`,
        at: part.keySpan.start,
      });
  }
  for (const one of u.scope.overridesWithin(u.facts.name)) {
    if (!isCalled(node, one.part)) continue;
    const symbol = u.facts.symbols.findIndex(({ kind, port }) => kind === 'prop' && port === one.name);
    const other: ExprFact = { kind: 'identity', symbol, type: one.type, ...node.span };
    const written = attributes.find((given) => given.name === one.property);
    if (written) {
      u.facts.reads.push({ symbol, where: ctx.where, fn: ctx.fn, ...node.span });
      written.value = {
        kind: 'computed',
        uses: [...new Set([...usesOf([written.value]), symbol])],
        gives: [written.value, other],
        start: written.value.start,
        end: written.value.end,
      };
    } else {
      const at = node.get('use')!.span;
      const from = { nameStart: at.start, nameEnd: at.end };
      attributes.push({ name: one.property, ...from, mode: 'value', value: other, ...at });
    }
  }
}

/** What is bound both ways is written when the component changes it. */
function addBack(u: Unit, { value }: Entry, ctx: Ctx): void {
  const { text, span } = value;
  const found = text?.startsWith('$') ? u.find(text.slice(1).split('.'), ctx, span) : undefined;
  if (!found) return;
  const fn = u.facts.functions.push({ parent: -1, where: 'handler', params: [], calls: [], ...span }) - 1;
  u.facts.writes.push({
    symbol: found.symbol,
    ...(found.rest.length ? { path: found.rest, through: {} } : {}),
    value: { kind: 'computed', ...span },
    where: 'handler',
    fn,
    ...span,
  });
}

/** Content for a slot, which may be given something by it. */
function addFill(u: Unit, { key, keySpan, value }: Entry, place: Place, attributes: AttributeFact[]): void {
  if (!value.isList && !value.entry('tree')) {
    const ctx: Ctx = { where: 'attribute', fn: -1, local: place.local };
    const given = attribute({ key, keySpan, value }, 'value', u.value(value, ctx, false), slotName(key));
    attributes.push(given);
    return;
  }
  const gives = value.get('gives');
  const tree = gives ? value.get('tree') : value;
  const slot = slotName(key);
  const fn =
    u.facts.functions.push({ parent: -1, where: 'derivation', params: [], calls: [], ...value.span }) - 1;
  const local = new Map(place.local);
  const names = (gives?.items ?? []).flatMap((one) =>
    one.text === undefined ? [] : [{ name: one.text, ...one.span }],
  );
  for (const { name, ...span } of names) {
    const init: ExprFact = { kind: 'computed', uses: [], ...span };
    const symbol = u.add({ name, kind: 'param', index: 0, within: fn, path: [name], init, ...span }, true);
    u.facts.functions[fn]!.params.push(symbol);
    local.set(name, symbol);
  }
  if (gives) u.facts.functions[fn]!.takes = { names, rest: false };
  const content = push(u, { kind: 'group', ...value.span }, { ...place, slot });
  if (tree) addNodes(u, tree, { parent: content, local });
  attributes.push({
    name: slot,
    nameStart: keySpan.start,
    nameEnd: keySpan.end,
    mode: 'value',
    value: { kind: 'function', fn, content: [content], ...value.span },
    start: keySpan.start,
    end: value.span.end,
  });
}

function addOutlet(u: Unit, node: Part, { value }: Entry, place: Place): number {
  const outlet = slotName(value.text);
  const given = node.get('with');
  const otherwise = node.get('else');
  const port = u.slot(value.text, node.span);
  const index = push(
    u,
    { kind: 'outlet', outlet, outletSymbol: port, ...(otherwise ? { fallback: true } : {}), ...node.span },
    place,
  );
  if (given) {
    const ctx: Ctx = { where: 'argument', fn: -1, local: place.local };
    const members = given.entries.map((one) => ({
      name: one.key,
      value: u.value(one.value, ctx, true),
      start: one.keySpan.start,
      end: one.value.span.end,
    }));
    u.facts.emits.push({
      symbol: port,
      event: outlet,
      args: [{ kind: 'object', members, ...given.span }],
      fn: -1,
      guarded: true,
      how: 'called',
      ...given.span,
    });
  }
  if (otherwise) addNodes(u, otherwise, { parent: index, local: place.local });
  return index;
}

const attribute = (
  { key, keySpan, value: { span } }: Entry,
  mode: AttributeFact['mode'],
  value: ExprFact,
  name = key,
): AttributeFact => ({
  name,
  nameStart: keySpan.start,
  nameEnd: keySpan.end,
  mode,
  value,
  start: keySpan.start,
  end: span.end,
});
