/** What happens when an event comes, or of itself, in the words of a sheet. */
import { groupBy } from '../../model/group-by';
import type { FlowEdge } from '../../model/project';
import type { SheetAction, SheetValue } from '../../readers/sheet/schema';
import type { SheetNames } from './names';
import type { Remotes } from './remote';
import type { SheetValues } from './values';

const SOME: SheetValue = { some: 'any' };
const NOTHING: ReadonlyMap<number, string> = new Map();

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
        const isWhole = named.kind === 'state' || named.kind === 'handle';
        const carried = isWhole ? all.map((edge) => ({ ...edge, put: undefined })) : all;
        const value = this.values.of(carried, component, local);
        const given = value === undefined ? {} : { with: value };
        if (call !== undefined) return [{ call, ...given }];
        if (named.kind === 'handle') {
          const member = all[0]!.put?.[1];
          return member === undefined ? [] : [{ call: `${named.name}.${member}`, ...given }];
        }
        if (named.kind === 'event') return [{ raise: named.name, ...given }];
        if (named.kind !== 'state') return [];
        const way = [named.name, ...this.placeIn(all[0]!)].join('.');
        return [{ set: named.owner === undefined ? `shared.${way}` : way, to: value ?? SOME }];
      },
    );
  }

  /** The member of a state that is changed, where it has a name. */
  private placeIn({ to, put = [] }: FlowEdge): string[] {
    const kind = this.names.of(to)?.kind;
    if (kind === 'handle') return put.slice(0, 2);
    if (kind !== 'state') return [];
    const end = put.findIndex((name) => !/^[A-Za-z_][\w-]*$/.test(name));
    return end < 0 ? put : put.slice(0, end);
  }

  /** Whether a component has a way to something of another one. */
  reaches(target: number, component: number): boolean {
    return this.remotes.callTo(target, component) !== undefined;
  }

  /** The functions that a value holds for others, as fields of it; as the value itself, where that is one. */
  held(node: number, component: number): { fields?: Record<string, SheetValue>; itself?: SheetValue } {
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
