/** The rigging: the render tree, and the strands that are asked for laid over it, one lane each. */
import type { Linked } from '../link';
import type { Channel } from '../model/facts';
import type { Finding, Level } from '../model/finding';
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

/** The strands that are asked for over the tree of a project. Pinned ones come first, then the longest. */
export function rigging(project: Linked, all: Finding[], ask: Ask = {}): Rigging {
  const { tree, hasAside } = treesOf(project, ask.aside ?? false);
  const findings = tree === wholeTree(project) ? all : ownFindings(all)(project);
  const words = wordsOf(ask.find);
  const ports = askedPorts(project, ask, words);
  const pins = (ask.pins ?? [])
    .map((pin) => findNodes(project, pin).map(({ id }) => id))
    .filter((one) => one.length);
  const asked = strandsOfPorts(project, [...pins, ...ports.slice(0, MOST_FOUND)]);
  const isPinned = ({ draft }: Strand): boolean =>
    draft !== undefined && pins.some((nodes) => nodes.every((node) => draft.nodes.has(node)));
  const passing = merged(asked, strandsOfFindings(findings)(project)).filter(
    (one) => isPinned(one) || passes(project, ask, words, one),
  );
  const drawn = (passing.length > MOST_DRAWN ? weightiest(passing, new Set(asked)) : passing)
    .map((one): Lane | undefined => {
      const lane = laneIn(project)(tree)(one);
      return lane && isPinned(one) && asked.includes(one) ? { ...lane, pinned: true } : lane;
    })
    .filter((lane) => lane !== undefined);
  return {
    ...tree,
    lanes: drawn.sort(
      (a, b) => Number(b.pinned ?? false) - Number(a.pinned ?? false) || lengthOf(b) - lengthOf(a),
    ),
    strands: passing.length > MOST_DRAWN ? passing.length : drawn.length,
    found: ports.length,
    named: namedRows(project, tree, ask, words),
    hasAside,
  };
}

/** So many strands are drawn: what was asked for, then the gravest, and of those the longest. */
const MOST_DRAWN = 200;

const weightiest = (strands: Strand[], asked: ReadonlySet<Strand>): Strand[] =>
  [...strands]
    .sort((a, b) => Number(asked.has(b)) - Number(asked.has(a)) || byWeight(a, b))
    .slice(0, MOST_DRAWN);

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

/** Nodes of each port that is asked for by its component or by words, those that fit best first. */
function askedPorts(project: Linked, ask: Ask, words: string[]): number[][] {
  const { component } = ask;
  if (component === undefined && !words.length) return [];
  const found = new Map<string, { nodes: number[]; rank: number }>();
  for (const node of project.flow.nodes) {
    const owner = project.components[node.component]!;
    if (owner.facts.role === 'module' && node.channel !== 'state') continue;
    if (ask.channels?.length && !ask.channels.includes(node.channel)) continue;
    if (component !== undefined && componentRef(project, owner) !== component) continue;
    if (words.length && !holds(`${owner.name} ${node.channel} ${node.name}`, words)) continue;
    const ref = nodeRef(project, node);
    const known = found.get(ref);
    if (known) known.nodes.push(node.id);
    else found.set(ref, { nodes: [node.id], rank: rankOf(node, owner.name, words) });
  }
  return [...found.values()].sort((a, b) => a.rank - b.rank).map(({ nodes }) => nodes);
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
