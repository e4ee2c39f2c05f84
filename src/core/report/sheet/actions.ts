/** What happens when an event comes, or of itself, in the words of a sheet. */
import { groupBy } from '../../model/group-by';
import type { FlowEdge } from '../../model/project';
import type { SheetAction, SheetValue } from '../../readers/sheet/schema';
import type { SheetKind, SheetNames } from './names';
import type { Remotes } from './remote';
import { argument, type SheetValues } from './values';

const SOME: SheetValue = { some: 'any' };
type Carried = { with?: SheetValue; and?: SheetValue[] };

const NOTHING: ReadonlyMap<number, string> = new Map();

/** What may be changed. */
const CHANGED = new Set<SheetKind>(['state', 'derived', 'prop', 'handle']);

/** What a handle or a state starts with, or is worked out of, is put into it, too. */
const isChange = (kind: SheetKind, { how }: FlowEdge): boolean =>
  CHANGED.has(kind) && (how === 'write' || kind === 'state' || kind === 'handle');

export class SheetActions {
  constructor(
    private readonly names: SheetNames,
    private readonly values: SheetValues,
    private readonly remotes: Remotes,
  ) {}

  /** What some edges set off in a component: one action for each thing that is changed or raised. */
  of(edges: FlowEdge[], component: number, local = NOTHING): SheetAction[] {
    return [...groupBy(edges, (edge) => `${edge.to} ${this.placeIn(edge).join('.')}`).values()].flatMap(
      (all): SheetAction[] => {
        const [{ to }] = all as [FlowEdge];
        const named = this.names.of(to);
        if (!named) return [];
        const isOther = named.owner !== undefined && named.owner !== component;
        const call = isOther ? this.remotes.callTo(to, component) : undefined;
        if (isOther && call === undefined) return [];
        const place = this.placeIn(all[0]!);
        const given = this.carried(all, component, local);
        if (call !== undefined) return [{ call, ...given }];
        const [first] = all as [FlowEdge];
        const member = first.put?.[1];
        if (named.kind === 'handle' && first.how === 'call')
          return member === undefined ? [] : [{ call: `${named.name}.${member}`, ...given }];
        if (named.kind === 'prop' && first.how === 'emit') return [{ call: named.name, ...given }];
        if (named.kind === 'event') return [{ raise: named.name, ...given }];
        if (!isChange(named.kind, first)) return [];
        // What is named already is no part of the value.
        const skipped = named.kind === 'handle' ? 2 : place.length;
        const kept = all.map((edge) => ({ ...edge, put: edge.put?.slice(skipped) }));
        const value = this.values.of(kept, component, local);
        const way = [named.name, ...place].join('.');
        return [{ set: named.owner === undefined ? `shared.${way}` : way, to: value ?? SOME }];
      },
    );
  }

  /** What something is raised or called with. */
  private carried(edges: FlowEdge[], component: number, local: ReadonlyMap<number, string>): Carried {
    const byPlace = groupBy(edges, ({ put }) => argument(put));
    const known = new Map<number, SheetValue>();
    for (const [place, all] of byPlace) {
      const value = this.values.of(all, component, local);
      if (value !== undefined) known.set(place, value);
    }
    const first = known.get(0);
    const last = Math.max(0, ...known.keys());
    const rest = Array.from({ length: last }, (_, index) => known.get(index + 1) ?? SOME);
    return {
      ...(first === undefined && !rest.length ? {} : { with: first ?? SOME }),
      ...(rest.length ? { and: rest } : {}),
    };
  }

  /** The member of a state that is changed, where it has a name. */
  private placeIn({ to, put = [] }: FlowEdge): string[] {
    const kind = this.names.of(to)?.kind;
    if (kind === 'handle') return put.slice(1, 2);
    if (!kind || !CHANGED.has(kind)) return [];
    const end = put.findIndex((name) => !/^[A-Za-z_][\w-]*$/.test(name));
    return end < 0 ? put : put.slice(0, end);
  }

  /** The way by which a component changes or raises something of another one, if it has any. */
  callTo(target: number, component: number): string | undefined {
    return this.remotes.callTo(target, component);
  }

  /** The functions that a value holds for others, as fields of it; as the value itself, where that is one. */
  private held(
    node: number,
    component: number,
  ): { fields?: Record<string, SheetValue>; itself?: SheetValue } {
    const fields: Record<string, SheetValue> = {};
    let itself: SheetValue | undefined;
    for (const [member, targets] of this.remotes.heldBy(node)) {
      const does = targets.flatMap((target): SheetAction[] => {
        const named = this.names.of(target);
        if (named?.owner !== component) return [];
        if (named.kind === 'event') return [{ raise: named.name, with: '$event' }];
        return named.kind === 'state' ? [{ set: named.name, to: '$event' }] : [];
      });
      if (member === undefined) itself = { does };
      else fields[member] = { does };
    }
    return { ...(Object.keys(fields).length ? { fields } : {}), ...(itself ? { itself } : {}) };
  }

  /** A value, with the functions that others call through it. */
  withHeld(node: number, component: number, value: SheetValue | undefined): SheetValue | undefined {
    const { fields, itself } = this.held(node, component);
    const isFields = typeof value === 'object' && value !== null && 'fields' in value;
    if (fields && (value === undefined || isFields))
      return { fields: { ...(isFields ? value.fields : {}), ...fields } };
    return value ?? itself;
  }

  /** Members that a component calls by its handles. */
  calls(edges: FlowEdge[], component: number): SheetAction[] {
    return edges.flatMap(({ from, to, how, way }) => {
      const handle = this.names.of(from);
      const member = this.names.of(to);
      const isCall =
        how === 'call' && way === 'in' && handle?.kind === 'handle' && handle.owner === component;
      return isCall && member?.kind === 'offered' ? [{ call: `${handle.name}.${member.name}` }] : [];
    });
  }
}
