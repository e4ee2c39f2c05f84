/**
 * What enters a component by one call site and leaves it by the same. Worked out once for each value that enters, however
 * deep the calls inside it are, and whether or not they come back to where they began: the summaries of reachability
 * over matched calls (Reps, Horwitz, Sagiv: "Precise interprocedural dataflow analysis via graph reachability", 1995).
 */
import type { Flow, FlowEdge } from '../../model/project';

/** Whether a walk takes an edge: on past it, up to its far end only, or not at all. */
export type Step = (from: number, to: number) => 'go' | 'stop' | 'skip';

/** One of the two ways through the graph. */
export interface Direction {
  flow: Flow;
  step: Step;
  next: number[][];
  far(edge: FlowEdge): number;
  /** The way of the edges that enter a component, seen in this direction, and of those that leave it. */
  enters: 'in' | 'out';
  leaves: 'in' | 'out';
  /** The path behind an edge; undefined where the edge carries another member. */
  path(edge: FlowEdge, path: string[]): string[] | undefined;
}

/** The number of the call that an edge crosses, or -1. */
export const callOf = ({ site, call }: Pick<FlowEdge, 'site' | 'call'>): number => call ?? site;

/** An edge that leaves a component, with what of the value is behind it. */
export interface Exit {
  edge: number;
  path: string[];
}

/** Values told apart by their node and their path; the whole of a value stands for all of its members. */
export class Seen {
  private readonly byNode = new Map<number, Set<string>>();

  /** Whether this is new; so many paths at most are told apart at one node, beyond that it counts as whole. */
  add(node: number, path: string[]): string[] | undefined {
    let paths = this.byNode.get(node);
    if (!paths) this.byNode.set(node, (paths = new Set()));
    if (paths.has('')) return undefined;
    const key = path.join('.');
    if (paths.has(key)) return undefined;
    if (paths.size < MAX_PATHS) {
      paths.add(key);
      return path;
    }
    paths.add('');
    return NO_PATH;
  }

  has(node: number, path: string[]): boolean {
    const paths = this.byNode.get(node);
    return paths !== undefined && (paths.has('') || paths.has(path.join('.')));
  }
}

export const NO_PATH: string[] = [];
const MAX_PATHS = 60;
/** So many values are told apart by their path where they enter a component; others count as whole. */
const MAX_ENTRIES = 24;
const NO_EXITS: Exit[] = [];

interface Entry {
  seen: Seen;
  exits: Map<number, Exit[]>;
  /** Edges on into what only some call sites hand in: which one it was, the entry does not know. */
  gates: Exit[];
  known: Set<string>;
  /** Who entered here by which call site. */
  waiting: Map<number, Entry[]>;
}

interface Todo extends Pick<Exit, 'path'> {
  entry: Entry;
  node: number;
}

const keyOf = ({ edge, path }: Exit): string => `${edge}.${path.join('.')}`;

export class Passages {
  private readonly entries = new Map<number, Map<string, Entry>>();
  private readonly todo: Todo[] = [];
  private readonly mayLeave: Uint8Array;

  constructor(private readonly direction: Direction) {
    this.mayLeave = leavingNodes(direction);
  }

  /** How what enters at a node by a call site leaves by it. */
  exits(node: number, path: string[], site: number): Exit[] {
    if (!this.mayLeave[node]) return NO_EXITS;
    const entry = this.open(node, path);
    for (let next = this.todo.pop(); next; next = this.todo.pop()) this.follow(next);
    return entry.exits.get(site) ?? NO_EXITS;
  }

  /** Where what enters at a node goes on into what was handed in. */
  gates(node: number, path: string[]): Exit[] {
    if (!this.mayLeave[node]) return NO_EXITS;
    const entry = this.open(node, path);
    for (let next = this.todo.pop(); next; next = this.todo.pop()) this.follow(next);
    return entry.gates;
  }

  private open(node: number, path: string[]): Entry {
    let entries = this.entries.get(node);
    if (!entries) this.entries.set(node, (entries = new Map()));
    const given = entries.size < MAX_ENTRIES ? path : NO_PATH;
    const key = given.join('.');
    let entry = entries.get(key) ?? entries.get('');
    if (entry) return entry;
    entry = { seen: new Seen(), exits: new Map(), gates: [], known: new Set(), waiting: new Map() };
    entries.set(key, entry);
    this.reach(entry, node, given);
    return entry;
  }

  private reach(entry: Entry, node: number, path: string[]): void {
    if (!this.mayLeave[node]) return;
    const fresh = entry.seen.add(node, path);
    if (fresh) this.todo.push({ entry, node, path: fresh });
  }

  private follow({ entry, node, path }: Todo): void {
    const { flow, next, far, enters, leaves, step } = this.direction;
    for (const index of next[node]!) {
      const edge = flow.edges[index]!;
      if (isLeap(flow, edge)) continue;
      const behind = pathBehind(this.direction, edge, path);
      if (!behind) continue;
      const taken = step(edge.from, edge.to);
      if (taken === 'skip') continue;
      if (edge.way === leaves) this.leave(entry, callOf(edge), { edge: index, path: behind });
      else if (taken === 'stop') continue;
      else if (edge.way === enters && flow.handedBy.has(edge.site))
        this.pass(entry, { edge: index, path: behind });
      else if (edge.way === enters) this.enter(entry, edge, behind);
      else this.reach(entry, far(edge), behind);
    }
  }

  private enter(entry: Entry, edge: FlowEdge, path: string[]): void {
    const node = this.direction.far(edge);
    if (!this.mayLeave[node]) return;
    const inner = this.open(node, path);
    const call = callOf(edge);
    const waiting = inner.waiting.get(call);
    if (waiting?.includes(entry)) return;
    if (waiting) waiting.push(entry);
    else inner.waiting.set(call, [entry]);
    for (const exit of inner.exits.get(call) ?? NO_EXITS) this.comeBack(entry, exit);
  }

  private pass(entry: Entry, gate: Exit): void {
    const key = keyOf(gate);
    if (entry.known.has(key)) return;
    entry.known.add(key);
    entry.gates.push(gate);
  }

  private leave(entry: Entry, site: number, exit: Exit): void {
    const key = keyOf(exit);
    if (entry.known.has(key)) return;
    entry.known.add(key);
    const exits = entry.exits.get(site);
    if (exits) exits.push(exit);
    else entry.exits.set(site, [exit]);
    for (const one of entry.waiting.get(site) ?? []) this.comeBack(one, exit);
  }

  private comeBack(entry: Entry, exit: Exit): void {
    const { flow, far, step } = this.direction;
    const edge = flow.edges[exit.edge]!;
    if (step(edge.from, edge.to) === 'go') this.reach(entry, far(edge), exit.path);
  }
}

/**
 * Whether an edge joins what runs in two places without a call site between them: through a context, or through what a
 * module keeps. Behind it, nobody knows which call sites lead there.
 */
export function isLeap({ nodes }: Flow, { how, way, from, to }: FlowEdge): boolean {
  if (how === 'consume') return true;
  return way === undefined && nodes[from]!.component !== nodes[to]!.component;
}

/** What of a value is behind an edge; undefined where nothing is. */
export function pathBehind(
  { flow, path: pathOf }: Direction,
  edge: FlowEdge,
  path: string[],
): string[] | undefined {
  const [first] = path;
  if (first !== undefined && edge.without?.includes(first)) return undefined;
  const behind = pathOf(edge, path);
  if (edge.how === 'consume' && behind?.length) {
    const used = flow.nodes[edge.to]!.members;
    if (used && !used.includes(behind[0]!)) return undefined;
  }
  return behind;
}

/** The nodes from which a walk may leave the component that it entered, or go on into what is handed in there. */
function leavingNodes({ flow, leaves, far }: Direction): Uint8Array {
  const found = new Uint8Array(flow.nodes.length);
  const todo: number[] = [];
  const near = (edge: FlowEdge) => (far(edge) === edge.to ? edge.from : edge.to);
  const back = leaves === 'out' ? flow.into : flow.out;
  const mark = (node: number) => {
    if (found[node]) return;
    found[node] = 1;
    todo.push(node);
  };
  for (const edge of flow.edges) if (edge.way === leaves || flow.handedBy.has(edge.site)) mark(near(edge));
  for (let node = todo.pop(); node !== undefined; node = todo.pop()) {
    for (const index of back[node]!) {
      const edge = flow.edges[index]!;
      if (!isLeap(flow, edge)) mark(near(edge));
    }
  }
  return found;
}
