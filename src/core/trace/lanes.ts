/** A strand laid over the render tree: one lane, with a mark on every row that it touches. */
import type { Linked } from '../link';
import type { Channel } from '../model/facts';
import type { Finding, Level, Role } from '../model/finding';
import { LEVELS } from '../model/finding';
import { groupBy } from '../model/group-by';
import { oncePer } from '../model/once-per';
import type { Flow, FlowNode } from '../model/project';
import { nodeRef } from '../model/refs';
import { reach, type Step } from '../link/7-flow/reach';
import { carrying } from './itself';
import { READABLE } from './parts';
import { roleOf } from './trace';
import type { Row } from './tree';

export interface Mark {
  row: number;
  role: Role;
  name: string;
  ref: string;
}

export interface Segment {
  from: number;
  to: number;
  /** The value does not get across. */
  broken?: boolean;
}

export interface Lane {
  id: string;
  /** What the strand is called where it starts. */
  title: string;
  ref: string;
  /** The strands that the lane is made of, from the one that its finding is about. */
  refs: string[];
  /** References of everything that the lane runs through. */
  hops: string[];
  channel: Channel;
  level: Level | undefined;
  findings: string[];
  marks: Mark[];
  segments: Segment[];
  pinned?: boolean;
}

/** What a lane is drawn from: the part of the flow that its strand runs through. */
export interface Draft {
  nodes: Set<number>;
  edges: Set<number>;
  findings: Finding[];
  starts: number[];
}

/** The walks of events, and of all else: what an event sets off belongs to neither of its ends. */
const directionsOf = oncePer(({ nodes }: Flow): Record<'rising' | 'falling', Step> => {
  const crosses = (from: number, to: number) =>
    (nodes[from]!.channel === 'event') !== (nodes[to]!.channel === 'event');
  return {
    rising: (from, to) => (crosses(from, to) ? 'stop' : 'go'),
    falling: (from, to) => (crosses(from, to) ? 'skip' : 'go'),
  };
});

/**
 * A lane shows one strand in one direction: an event up to what takes it in, or a value down to who reads it.
 * What an event sets off afterwards is another strand, and so is what is made of a value, where that is much.
 */
export function draftOf(project: Linked, starts: number[]): Draft {
  const { flow } = project;
  const { rising, falling } = directionsOf(flow);
  const isRising = starts.some((node) => flow.nodes[node]!.channel === 'event');
  const step = isRising ? rising : falling;
  const whole = reach(flow, starts, { step, most: READABLE });
  // Of what is too long to be read, the value itself: drawn whole, it would touch every row.
  const found = whole.cut.size ? reach(carrying(flow), starts, { step }) : whole;
  return { nodes: found.nodes, edges: found.edges, findings: [], starts };
}

export const rowsByComponent = (rows: Row[]): Map<number, Row[]> => groupBy(rows, (row) => row.component);

export function laneOf(project: Linked, rows: Row[], byComponent: Map<number, Row[]>, draft: Draft): Lane {
  const { flow } = project;
  const inComponent = groupBy(
    [...draft.nodes].map((id) => flow.nodes[id]!),
    (node) => node.component,
  );
  const upsOf = oncePer((node: FlowNode) => upsIn(project, draft, node));
  const marked = new Map<number, Set<number>>();
  const segments = new Map<string, Segment>();
  const touched = [...inComponent.keys()]
    .flatMap((id) => byComponent.get(id) ?? [])
    .sort((a, b) => a.index - b.index);
  for (const row of touched) {
    const here = new Set<number>();
    const inner: number[] = [];
    let linked = false;
    for (const node of inComponent.get(row.component)!) {
      const ups = upsOf(node);
      if (ups.isInner) inner.push(node.id);
      else linked = true;
      const from = (above: number) => {
        if (above < 0) return;
        here.add(node.id);
        segments.set(`${above}-${row.index}`, { from: above, to: row.index });
      };
      // Through the call site from the owner, or across from the provider above.
      for (const other of ups.bySite.get(row.site) ?? []) {
        // What the owner has of the component that it is declared in comes from there.
        const isOwn = rows[row.owner]?.component === flow.nodes[other]!.component;
        from(
          isOwn
            ? marked.get(row.owner)?.has(other)
              ? row.owner
              : -1
            : ancestorWith(rows, row, marked, other),
        );
      }
      for (const other of ups.provided) from(ancestorWith(rows, row, marked, other));
    }
    // What has no way in from above belongs to the row if something else of the strand came in here, or if
    // the strand starts in this component.
    if (!linked || here.size) for (const id of inner) here.add(id);
    if (here.size) marked.set(row.index, here);
  }
  const isFed = oncePer(({ id }: FlowNode) => flow.into[id]!.some((index) => draft.edges.has(index)));
  const marks = [...marked].map(([row, nodes]) => markOf(project, row, nodes, isFed));
  breakSegments(rows, draft, marks, segments);
  const [first] = draft.starts;
  const level = LEVELS.find((one) => draft.findings.some((finding) => finding.level === one));
  const top = marks[0];
  return {
    id: nodeRef(project, flow.nodes[first!]!),
    title: flow.nodes[first!]!.name,
    ref: nodeRef(project, flow.nodes[first!]!),
    refs: [...new Set(draft.starts.map((node) => nodeRef(project, flow.nodes[node]!)))],
    channel: flow.nodes[first!]!.channel,
    level,
    findings: draft.findings.map((finding) => finding.fingerprint),
    marks: top ? marks : [],
    segments: [...segments.values()],
    hops: [...new Set([...draft.nodes].map((node) => nodeRef(project, flow.nodes[node]!)))],
  };
}

/** What lies above a node of a strand: by call site what its owner hands over there, and what providers give. */
interface Ups {
  bySite: Map<number, number[]>;
  provided: number[];
  /** Nothing of the strand lies above. */
  isInner: boolean;
}

/** A component that is rendered in many places has as many edges: they are looked through once, not for each of its rows. */
function upsIn({ flow, sites }: Linked, draft: Draft, node: FlowNode): Ups {
  const isOwn = (site: number) => site >= 0 && sites[site]!.target === node.component;
  const into = flow.into[node.id]!.filter((index) => draft.edges.has(index)).map(
    (index) => flow.edges[index]!,
  );
  const across = into.filter(({ site }) => isOwn(site)).map(({ site, from }) => ({ site, other: from }));
  if (node.channel === 'event')
    for (const index of flow.out[node.id]!) {
      const { site, to } = flow.edges[index]!;
      if (draft.edges.has(index) && isOwn(site)) across.push({ site, other: to });
    }
  const provided = into.filter(({ site, how }) => !isOwn(site) && how === 'consume').map(({ from }) => from);
  const bySite = new Map(
    [...groupBy(across, ({ site }) => site)].map(([site, all]) => [site, all.map(({ other }) => other)]),
  );
  return { bySite, provided, isInner: across.length + provided.length === 0 };
}

function ancestorWith(rows: Row[], row: Row, marked: Map<number, Set<number>>, node: number): number {
  for (let at = row.parent; at >= 0; at = rows[at]!.parent) if (marked.get(at)?.has(node)) return at;
  return -1;
}

/** What matters most about a row comes first when several nodes lie in it. */
const WEIGHT: Role[] = ['drop', 'wait', 'emit', 'start', 'transform', 'read', 'listen', 'pass'];

function markOf(project: Linked, row: number, nodes: Set<number>, isFed: (node: FlowNode) => boolean): Mark {
  const { flow } = project;
  const options = [...nodes].map((id) => {
    const node = flow.nodes[id]!;
    return { node, role: roleOf(project, node, isFed(node)) };
  });
  options.sort((a, b) => WEIGHT.indexOf(a.role) - WEIGHT.indexOf(b.role));
  const best = options.find((one) => one.node.port) ?? options[0]!;
  const strongest = options[0]!;
  // A value of its own that nobody reads says nothing of what was handed in and is read.
  const isLost = strongest.role === 'drop' || strongest.role === 'wait';
  const role = isLost && (strongest.node.port || !best.node.port) ? strongest.role : best.role;
  return { row, role, name: best.node.name, ref: nodeRef(project, best.node) };
}

/** Where the strand falls in two: between the row that drops it and the rows that wait. */
function breakSegments(rows: Row[], draft: Draft, marks: Mark[], segments: Map<string, Segment>): void {
  const at = new Map(marks.map((mark) => [mark.row, mark]));
  for (const segment of segments.values()) {
    if (at.get(segment.from)?.role === 'wait' || at.get(segment.to)?.role === 'drop') segment.broken = true;
  }
  if (draft.starts.length < 2) return;
  // The lower part hangs below the row that drops it.
  const joined = new Set([...segments.values()].map((one) => one.to));
  for (const mark of marks) {
    if (joined.has(mark.row)) continue;
    for (let up = rows[mark.row]!.owner; up >= 0; up = rows[up]!.owner) {
      if (!at.has(up)) continue;
      segments.set(`${up}-${mark.row}`, { from: up, to: mark.row });
      break;
    }
  }
}

/** A finding about a name that never becomes a value of the child: a short lane across its joint. */
export function lonelyLane(project: Linked, rows: Row[], finding: Finding): Lane | undefined {
  const [, channel = 'prop', name = ''] = finding.subject.split(':');
  const marks: Mark[] = [];
  const segments: Segment[] = [];
  const owner = finding.site < 0 ? ownerOf(project, finding) : -1;
  for (const row of rows) {
    if (finding.site >= 0 ? row.site !== finding.site || row.owner < 0 : row.component !== owner) continue;
    if (finding.site >= 0) {
      // Either the owner hands over what the child does not take, or the child waits for what is not handed over.
      const waits = finding.rule === 'prop/missing';
      if (!waits && !marks.some((mark) => mark.row === row.owner)) {
        marks.push({ row: row.owner, role: 'start', name, ref: finding.subject });
      }
      marks.push({
        row: row.index,
        role: waits ? 'wait' : 'drop',
        name: waits ? name : '',
        ref: finding.subject,
      });
      segments.push({ from: row.owner, to: row.index, broken: true });
    } else marks.push({ row: row.index, role: 'drop', name, ref: finding.subject });
  }
  if (!marks.length) return undefined;
  marks.sort((a, b) => a.row - b.row);
  return {
    id: `${finding.subject}@${finding.fingerprint}`,
    title: name,
    ref: finding.subject,
    refs: [],
    hops: [],
    channel: channel as Channel,
    level: finding.level,
    findings: [finding.fingerprint],
    marks,
    segments,
  };
}

function ownerOf(project: Linked, finding: Finding): number {
  return (
    project.components.find(
      (one) =>
        one.file === finding.place.file &&
        one.facts.start <= finding.place.start &&
        finding.place.end <= one.facts.end &&
        one.facts.role === 'component',
    )?.id ?? -1
  );
}
