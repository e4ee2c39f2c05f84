/** The rigging: the render tree, and the strands that are asked for laid over it, one lane each. */
import type { Linked } from '../link';
import type { Channel } from '../model/facts';
import { type Finding, type Level, LEVELS } from '../model/finding';
import { oncePer, oncePerLink } from '../model/once-per';
import type { FlowNode } from '../model/project';
import { componentRef, nodeRef } from '../model/refs';
import { type Lane, laneOf, lonelyLane, rowsByComponent } from './lanes';
import {
  byWeight,
  channelOf,
  componentsOf,
  findingsOf,
  levelOf,
  merged,
  type Strand,
  strandsOfFindings,
  strandsOfPorts,
} from './strands';
import { findNodes } from './trace';
import { renderTree, type Tree } from './tree';

/** So many strands are looked up for words that are in no finding; those that fit best. */
const MOST_FOUND = 60;

/** Which strands are asked for. Without any wish they are those that carry findings. */
export interface Ask {
  /** Ports whose strands are shown whatever else is asked. */
  pins?: string[];
  /** Every strand through this component. */
  component?: string;
  /** Words of the names of ports and components: every port that bears them, whether or not anything was found there. */
  find?: string;
  channels?: Channel[];
  levels?: Level[];
  rule?: string;
  /** A folder or a file that the findings lie in. */
  folder?: string;
  /** Trees of tests, stories and examples are shown, too. */
  aside?: boolean;
}

export interface Rigging extends Tree {
  lanes: Lane[];
  /** How many strands there are, drawn or not. */
  strands: number;
  /** How many ports bear the words that were asked for; their best are among the lanes. */
  found: number;
  /** Rows that are asked for by name. */
  named: ReadonlySet<number>;
  /** There are trees of tests, stories or examples, shown or not. */
  hasAside: boolean;
}

const wholeTree = oncePerLink((project: Linked): Tree => renderTree(project));
const ownTree = oncePerLink((project: Linked): Tree => renderTree(project, false));

interface Trees {
  hasAside: boolean;
  /** The tree that is asked for; the whole one where there is nothing but tests and examples. */
  tree: Tree;
}

function treesOf(project: Linked, withAside: boolean): Trees {
  const hasAside = project.components.some(
    (one) => one.facts.role === 'component' && project.files[one.file]!.aside,
  );
  const own = hasAside && !withAside ? ownTree(project) : undefined;
  return { hasAside, tree: own?.rows.length ? own : wholeTree(project) };
}

/** Findings in what is no test, story or example. */
const ownFindings = oncePer((findings: Finding[]) =>
  oncePerLink(({ files }: Linked): Finding[] => findings.filter(({ place }) => !files[place.file]!.aside)),
);

/**
 * The strands that are asked for over the tree of a project. Pinned ones come first, then the longest that can be read; of
 * those that bear a name, the ones that fit it best.
 */
export function rigging(project: Linked, all: Finding[], ask: Ask = {}): Rigging {
  const { tree, hasAside } = treesOf(project, ask.aside ?? false);
  const findings = tree === wholeTree(project) ? all : ownFindings(all)(project);
  const words = wordsOf(ask.find);
  const ports = askedPorts(project, ask, words);
  const pins = (ask.pins ?? [])
    .map((pin) => findNodes(project, pin).map(({ id }) => id))
    .filter((one) => one.length);
  const asked = strandsOfPorts(project, [...pins, ...ports.slice(0, MOST_FOUND).map(({ nodes }) => nodes)]);
  const isPinned = ({ draft }: Strand): boolean =>
    draft !== undefined && pins.some((nodes) => nodes.every((node) => draft.nodes.has(node)));
  const passing = merged(asked, strandsOfFindings(findings)(project)).filter(
    (one) => isPinned(one) || passes(project, ask, words, one),
  );
  const { lanes, left } = drawn(passing, new Set(asked), (one) => {
    const lane = laneIn(project)(tree)(one);
    return lane && isPinned(one) && asked.includes(one) ? { ...lane, pinned: true } : lane;
  });
  return {
    ...tree,
    lanes: ports.length ? byFit(lanes, words.length ? ports : []) : inOrder(lanes),
    strands: left ? passing.length : lanes.length,
    found: ports.length,
    named: namedRows(project, tree, ask, words),
    hasAside,
  };
}

/** So many strands are drawn, on so many rows, but for what was asked for and for the first few. */
const MOST_DRAWN = 80;
const MOST_MARKS = 3000;
const LEAST_DRAWN = 6;

/**
 * What was asked for, then the gravest, and of those the longest, as far as anybody can read it: a strand over thousands
 * of rows would bring them all in, and stays out while there are others. `left` tells how many do.
 */
function drawn(
  strands: Strand[],
  asked: ReadonlySet<Strand>,
  laneFor: (strand: Strand) => Lane | undefined,
): { lanes: Lane[]; left: number } {
  const wanted = strands.filter((one) => asked.has(one));
  const order = [...wanted, ...strands.filter((one) => !asked.has(one)).sort(byWeight)];
  const lanes: Lane[] = [];
  const late: Lane[] = [];
  let marks = 0;
  let left = 0;
  for (const one of order) {
    if (lanes.length >= MOST_DRAWN && !asked.has(one)) {
      left++;
      continue;
    }
    const lane = laneFor(one);
    if (!lane) continue;
    if (asked.has(one)) lanes.push(lane);
    else if (marks + lane.marks.length > MOST_MARKS) late.push(lane);
    else {
      lanes.push(lane);
      marks += lane.marks.length;
    }
  }
  const more = late.splice(0, Math.max(0, LEAST_DRAWN - lanes.length));
  return { lanes: [...lanes, ...more], left: left + late.length };
}

/** The lane of a strand over a tree; undefined where it touches no row. */
const laneIn = oncePerLink((project: Linked) =>
  oncePer(({ rows }: Tree) => {
    const byComponent = rowsByComponent(rows);
    return oncePer(({ draft, lonely }: Strand): Lane | undefined => {
      const lane = draft ? laneOf(project, rows, byComponent, draft) : lonelyLane(project, rows, lonely);
      return lane?.marks.length ? lane : undefined;
    });
  }),
);

/** A lane with more marks is no drawing that one reads from end to end. */
const LEGIBLE = 60;

const inOrder = (lanes: Lane[]): Lane[] =>
  lanes.sort(
    (a, b) =>
      Number(b.pinned ?? false) - Number(a.pinned ?? false) ||
      Number(a.marks.length > LEGIBLE) - Number(b.marks.length > LEGIBLE) ||
      lengthOf(b) - lengthOf(a),
  );

/** Lanes of what is asked for: those whose names fit best, then those with findings, then the longest. */
function byFit(lanes: Lane[], ports: Asked[]): Lane[] {
  const ranks = new Map(ports.map(({ ref, rank }) => [ref, rank]));
  const rankOf = ({ ref, pinned }: Lane): number => (pinned ? -1 : (ranks.get(ref) ?? Infinity));
  const gravity = ({ level }: Lane): number => (level ? LEVELS.indexOf(level) : LEVELS.length);
  return lanes.sort(
    (a, b) =>
      // Two that do not bear it are alike, and not infinitely far from each other.
      (rankOf(a) === rankOf(b) ? 0 : rankOf(a) - rankOf(b)) ||
      gravity(a) - gravity(b) ||
      lengthOf(b) - lengthOf(a),
  );
}

/** By hops, then by how far down the tree it reaches. */
const lengthOf = ({ marks }: Lane): number =>
  marks.length * 1e6 + (marks.at(-1)?.row ?? 0) - (marks[0]?.row ?? 0);

function passes(project: Linked, ask: Ask, words: string[], strand: Strand): boolean {
  const { draft } = strand;
  if (ask.channels?.length && !ask.channels.includes(channelOf(project, strand))) return false;
  const level = levelOf(strand);
  if (ask.levels?.length && !(level && ask.levels.includes(level))) return false;
  if (ask.rule ?? ask.folder) {
    const inFolder = ({ place }: Finding) => isIn(project.files[place.file]!.path, ask.folder);
    const fits = (one: Finding) => (ask.rule === undefined || one.rule === ask.rule) && inFolder(one);
    if (!findingsOf(strand).some(fits)) return false;
  }
  const { nodes } = project.flow;
  if (ask.component !== undefined) {
    const touches = draft
      ? [...draft.nodes].some((id) => isNamed(project, nodes[id]!, ask.component!))
      : componentsOf(project, strand).some((one) => componentRef(project, one) === ask.component);
    if (!touches) return false;
  }
  if (!words.length) return true;
  return draft
    ? [...draft.nodes].some((id) =>
        holds(`${project.components[nodes[id]!.component]!.name} ${nodes[id]!.name}`, words),
      )
    : holds(
        [...componentsOf(project, strand).map((one) => one.name), strand.lonely.subject].join(' '),
        words,
      );
}

const isIn = (path: string, folder: string | undefined): boolean =>
  folder === undefined || path === folder || path.startsWith(`${folder}/`);

const isNamed = (project: Linked, node: FlowNode, ref: string): boolean =>
  componentRef(project, project.components[node.component]!) === ref;

/** The words of what somebody looks for, in lower case. */
export const wordsOf = (text: string | undefined): string[] =>
  (text ?? '')
    .toLowerCase()
    .split(/[\s:]+/)
    .filter(Boolean);

function holds(text: string, words: string[]): boolean {
  const low = text.toLowerCase();
  return words.every((word) => low.includes(word));
}

/** A port that is asked for, with how well it fits: the less, the better. */
interface Asked {
  ref: string;
  nodes: number[];
  rank: number;
}

/** Each port that is asked for by its component or by words, those that fit best first. */
function askedPorts(project: Linked, ask: Ask, words: string[]): Asked[] {
  const { component } = ask;
  if (component === undefined && !words.length) return [];
  const found = new Map<string, Asked>();
  for (const node of project.flow.nodes) {
    const owner = project.components[node.component]!;
    if (owner.facts.role === 'module' && node.channel !== 'state') continue;
    if (ask.channels?.length && !ask.channels.includes(node.channel)) continue;
    if (component !== undefined && componentRef(project, owner) !== component) continue;
    if (words.length && !holds(`${owner.name} ${node.channel} ${node.name}`, words)) continue;
    const ref = nodeRef(project, node);
    const known = found.get(ref);
    if (known) known.nodes.push(node.id);
    else found.set(ref, { ref, nodes: [node.id], rank: rankOf(node, owner.name, words) });
  }
  return [...found.values()].sort((a, b) => a.rank - b.rank);
}

function rankOf(node: FlowNode, component: string, words: string[]): number {
  const name = node.name.toLowerCase();
  const of = component.toLowerCase();
  // What is worked out inside comes after what crosses a border.
  const inner = node.port || node.channel === 'context' ? 0 : node.channel === 'local' ? 2 : 1;
  const ways = [
    words.includes(name),
    words.includes(of),
    words.some((word) => name.startsWith(word)),
    words.some((word) => of.startsWith(word)),
  ];
  const first = ways.indexOf(true);
  return (first < 0 ? ways.length : first) * 3 + inner;
}

/** Rows whose component is asked for, or bears the words that are. */
function namedRows(project: Linked, { rows }: Tree, ask: Ask, words: string[]): Set<number> {
  const named = new Set<number>();
  if (ask.component === undefined && !words.length) return named;
  for (const row of rows) {
    const component = project.components[row.component]!;
    if (
      ask.component !== undefined
        ? componentRef(project, component) === ask.component
        : holds(component.name, words)
    )
      named.add(row.index);
  }
  return named;
}
