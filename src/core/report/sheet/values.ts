/** Values of a sheet, from the edges of the flow by which they arrive. */
import { RAISED } from '../../link/7-flow/raised';
import { ANY_MEMBER } from '../../model/code';
import { ANY_ENTRY } from '../../readers/sheet/unit';
import type { Linked } from '../../link';
import { groupBy } from '../../model/group-by';
import type { FlowEdge, FlowNode } from '../../model/project';
import type { SheetValue } from '../../readers/sheet/schema';
import type { SheetNames } from './names';

/** A part of a value, and the way to the place of it that the part fills. */
interface Piece {
  put: string[];
  value: SheetValue;
}

/** Names of a way that a sheet can write. */
const isPlain = (name: string): boolean => /^[^\s.[\]()]+$/.test(name);
const isArgument = (name: string | undefined): boolean => /^\(\d+\)$/.test(name ?? '');

/** Which of the things that something is called with a way begins at: the first, where it says none. */
export const argument = (way: string[] | undefined): number =>
  Number(way?.find(isArgument)?.slice(1, -1) ?? 0);

/** What an event carries, by its place. */
const CARRIED = ['event', 'event2', 'event3'];

export class SheetValues {
  constructor(
    private readonly project: Linked,
    private readonly names: SheetNames,
  ) {}

  /**
   * What arrives by some edges, as the component sees it; undefined if nothing of it has a name there. `local` are names
   * of what content was given, by node.
   */
  of(
    edges: FlowEdge[],
    component: number | undefined,
    local: ReadonlyMap<number, string>,
  ): SheetValue | undefined {
    const pieces = edges.flatMap((edge) => this.pieces(edge, component, local, 0));
    return pieces.length ? joined(pieces) : undefined;
  }

  private pieces(
    edge: FlowEdge,
    component: number | undefined,
    local: ReadonlyMap<number, string>,
    depth: number,
  ): Piece[] {
    const put = (edge.put ?? []).filter((name) => name !== RAISED && !isArgument(name));
    const name = this.nameOf(edge, component, local);
    if (name === undefined) return depth > MAX_INLINE ? [] : this.inlined(edge, component, local, depth);
    // An event is raised, which is no value, or it carries one.
    const { kind } = this.names.of(edge.from) ?? {};
    if (kind === 'event' && edge.take?.[0] === RAISED) return [];
    const skips = isArgument(edge.take?.[0]) || (kind === 'handle' && edge.take?.[0] === 'current');
    const take = skips ? edge.take!.slice(1) : (edge.take ?? []);
    const end = take.findIndex((one) => one !== ANY_MEMBER && !isPlain(one));
    const way = end < 0 ? take : take.slice(0, end);
    const text = `$${[name, ...way.map((one) => (one === ANY_MEMBER ? ANY_ENTRY : one))].join('.')}`;
    const isWorkedOut = end >= 0 || edge.without !== undefined || (edge.how === 'transform' && !take.length);
    return [{ put, value: isWorkedOut ? { mix: [text] } : text }];
  }

  /** What is provided under each key; several of a key arrive together. */
  provided(
    nodes: FlowNode[],
    component: number | undefined,
    complete: (node: number, value: SheetValue | undefined) => SheetValue | undefined = (_, value) => value,
  ): Record<string, SheetValue> {
    const { flow } = this.project;
    const found: Record<string, SheetValue> = {};
    for (const { id } of nodes) {
      const { name } = this.names.of(id)!;
      const edges = flow.into[id]!.map((index) => flow.edges[index]!);
      const value = complete(id, this.of(edges, component, new Map())) ?? { some: 'any' };
      found[name] = name in found ? { mix: flat([found[name]!, value]) } : value;
    }
    return found;
  }

  /** What is worked out of what content was given has no name of its own, nor has what is provided: it is made of what has one. */
  private inlined(
    edge: FlowEdge,
    component: number | undefined,
    local: ReadonlyMap<number, string>,
    depth: number,
  ): Piece[] {
    const { flow } = this.project;
    const named = this.names.of(edge.from);
    if ((named?.kind !== 'derived' && named?.kind !== 'provided') || named.owner !== component) return [];
    return flow.into[edge.from]!.flatMap((index) =>
      this.pieces(flow.edges[index]!, component, local, depth + 1).map(({ value }) => ({
        put: [],
        value: { mix: [value] },
      })),
    );
  }

  private nameOf(
    { from, take, way }: FlowEdge,
    component: number | undefined,
    local: ReadonlyMap<number, string>,
  ): string | undefined {
    const own = local.get(from);
    if (own !== undefined) return own;
    const named = this.names.of(from);
    switch (named?.kind) {
      case 'event':
        if (way === 'out') return CARRIED[argument(take)];
        return named.owner === component ? `events.${named.name}` : undefined;
      case 'slot':
        return named.owner === component ? `slots.${named.name}` : undefined;
      case undefined:
      case 'given':
      case 'offered':
      case 'provided':
        return undefined;
    }
    if (named!.owner === undefined) return `shared.${named!.name}`;
    if (named!.owner !== component) return this.names.passedTo(from, component);
    return this.isLocal(from) ? undefined : named!.name;
  }

  private readonly locals = new Map<number, boolean>();
  /** Whether something is worked out of what content was given, so that nothing outside of that has it. */
  isLocal(node: number): boolean {
    const known = this.locals.get(node);
    if (known !== undefined) return known;
    this.locals.set(node, false);
    const { flow } = this.project;
    const named = this.names.of(node);
    const answer =
      named?.kind === 'given' ||
      (named?.kind === 'derived' &&
        flow.into[node]!.some((index) => {
          const { from } = flow.edges[index]!;
          return this.names.of(from)?.owner === named.owner && this.isLocal(from);
        }));
    this.locals.set(node, answer);
    return answer;
  }
}

/** Names for names are followed so far. */
const MAX_INLINE = 4;

/**
 * Parts by where they belong: an object or a list of those that have a place; worked out of all, where some have none or
 * several have the same.
 */
function joined(pieces: Piece[]): SheetValue {
  const placed = pieces.filter(({ put }) => put[0] !== undefined && isPlain(put[0]));
  const listed = pieces.filter(({ put }) => put[0] === ANY_MEMBER);
  const others = pieces.filter((one) => !placed.includes(one) && !listed.includes(one));
  const below = (of: Piece[]) => joined(of.map(({ put, value }) => ({ put: put.slice(1), value })));
  const byName = groupBy(placed, ({ put }) => put[0]!);
  const values: SheetValue[] = [
    ...(placed.length
      ? [{ fields: Object.fromEntries([...byName].map(([name, of]) => [name, below(of)])) }]
      : []),
    ...(listed.length ? [[below(listed)]] : []),
    ...others.map((one) => one.value),
  ];
  const [first, ...more] = flat(values);
  if (more.length) return { mix: [first!, ...more] };
  // Of one value that is worked out, that much is said.
  return values.length === 1 ? values[0]! : { mix: [first!] };
}

/** Values, each once; a mix of mixes is one. */
export function flat(values: SheetValue[]): SheetValue[] {
  const found = values.flatMap((one) =>
    typeof one === 'object' && one !== null && !Array.isArray(one) && 'mix' in one ? flat(one.mix) : [one],
  );
  return [...new Map(found.map((one) => [JSON.stringify(one), one])).values()];
}

/** A literal as a sheet writes it; some value, where it cannot. */
export function literal(value: string | number | boolean | null | undefined): SheetValue {
  if (value === undefined) return { some: 'any' };
  return typeof value === 'string' ? value.replace(/^\$/, '$$$$') : value;
}
