/** The rigging: the render tree, and the strands that are asked for laid over it, one lane each. */
import type { Linked } from '../link';
import type { Channel } from '../model/facts';
import type { Finding, Level } from '../model/finding';
import { oncePer } from '../model/once-per';
import type { FlowNode } from '../model/project';
import { componentRef, nodeRef } from '../model/refs';
import { type Draft, draftOf, type Lane, laneOf, lonelyLane, type Mark, rowsByComponent } from './lanes';
import { findNodes } from './trace';
import { renderTree, type Tree } from './tree';

/** So many strands are looked up for words that are in no finding; those that fit best. */
export const MOST_FOUND = 60;

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
  /** How many ports bear the words that were asked for; their best are among the lanes. */
  found: number;
  /** Rows that are asked for by name. */
  named: ReadonlySet<number>;
  /** There are trees of tests, stories or examples, shown or not. */
  hasAside: boolean;
}

const wholeTree = oncePer((project: Linked): Tree => renderTree(project));
const ownTree = oncePer((project: Linked): Tree => renderTree(project, false));

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
  oncePer(({ files }: Linked): Finding[] => findings.filter(({ place }) => !files[place.file]!.aside)),
);

interface Drawn {
  draft: Draft | undefined;
  lane: Lane;
}

/** The lanes of all findings over a tree, the longest first. */
const lanesOfFindings = oncePer((findings: Finding[]) =>
  oncePer((tree: Tree) => oncePer((project: Linked): Drawn[] => drawnOf(project, tree, [], findings))),
);

/** Lanes of ports and of findings; a finding belongs to the first strand that runs through all of its nodes. */
function drawnOf(project: Linked, { rows }: Tree, ports: number[][], findings: Finding[]): Drawn[] {
  const drafts: Draft[] = [];
  const drawn: Drawn[] = [];
  for (const nodes of ports) {
    if (!drafts.some((draft) => nodes.every((node) => draft.nodes.has(node))))
      drafts.push(draftOf(project, nodes));
  }
  for (const finding of findings) {
    if (finding.silenced !== undefined) continue;
    if (!finding.nodes.length) {
      const lane = lonelyLane(project, rows, finding);
      if (lane) drawn.push({ draft: undefined, lane });
      continue;
    }
    const known = drafts.find((draft) => finding.nodes.every((node) => draft.nodes.has(node)));
    if (known) known.findings.push(finding);
    else {
      const draft = draftOf(project, finding.nodes);
      draft.findings.push(finding);
      drafts.push(draft);
    }
  }
  const byComponent = rowsByComponent(rows);
  for (const draft of drafts) {
    const lane = laneOf(project, rows, byComponent, draft);
    if (lane.marks.length) drawn.push({ draft, lane });
  }
  return drawn.sort((a, b) => lengthOf(b.lane) - lengthOf(a.lane));
}

/** By hops, then by how far down the tree it reaches. */
const lengthOf = ({ marks }: Lane): number =>
  marks.length * 1e6 + (marks.at(-1)?.row ?? 0) - (marks[0]?.row ?? 0);

/** The strands that are asked for over the tree of a project. Pinned ones come first, then the longest. */
export function rigging(project: Linked, all: Finding[], ask: Ask = {}): Rigging {
  const { tree, hasAside } = treesOf(project, ask.aside ?? false);
  const findings = tree === wholeTree(project) ? all : ownFindings(all)(project);
  const words = wordsOf(ask.find);
  const ports = askedPorts(project, ask, words);
  const pins = (ask.pins ?? [])
    .map((pin) => findNodes(project, pin).map(({ id }) => id))
    .filter((one) => one.length);
  const ofFindings = lanesOfFindings(findings)(tree)(project);
  // Strands that are asked for take over the findings that lie on them.
  const asked =
    pins.length + ports.length ? drawnOf(project, tree, [...pins, ...ports.slice(0, MOST_FOUND)], []) : [];
  for (const one of asked) {
    const { draft } = one;
    if (pins.some((nodes) => nodes.every((node) => draft?.nodes.has(node))))
      one.lane = { ...one.lane, pinned: true };
  }
  const lanes = merged(asked, ofFindings).filter(
    ({ draft, lane }) => lane.pinned === true || passes(project, tree, findings, ask, words, draft, lane),
  );
  return {
    ...tree,
    lanes: lanes
      .map(({ lane }) => lane)
      .sort((a, b) => Number(b.pinned ?? false) - Number(a.pinned ?? false) || lengthOf(b) - lengthOf(a)),
    found: ports.length,
    named: namedRows(project, tree, ask, words),
    hasAside,
  };
}

/** Strands that were asked for, with the findings that lie on them, and the strands of all other findings. */
function merged(asked: Drawn[], ofFindings: Drawn[]): Drawn[] {
  if (!asked.length) return ofFindings;
  const own = asked.map((one) => ({ ...one, lane: { ...one.lane, findings: [...one.lane.findings] } }));
  const rest = ofFindings.filter(({ draft, lane }) => {
    const starts = draft?.starts;
    const known = starts && own.find((one) => starts.every((node) => one.draft?.nodes.has(node)));
    if (!known) return true;
    known.lane.findings.push(...lane.findings);
    known.lane.level = graver(known.lane.level, lane.level);
    return false;
  });
  return [...own, ...rest];
}

const GRAVITY: (Level | undefined)[] = ['error', 'warning', 'note', undefined];

const graver = (one: Level | undefined, other: Level | undefined): Level | undefined =>
  GRAVITY.indexOf(one) <= GRAVITY.indexOf(other) ? one : other;

function passes(
  project: Linked,
  { rows }: Tree,
  findings: Finding[],
  ask: Ask,
  words: string[],
  draft: Draft | undefined,
  lane: Lane,
): boolean {
  if (ask.channels?.length && !ask.channels.includes(lane.channel)) return false;
  if (ask.levels?.length && !(lane.level && ask.levels.includes(lane.level))) return false;
  if (ask.rule ?? ask.folder) {
    const own = new Set(lane.findings);
    const inFolder = ({ place }: Finding) => isIn(project.files[place.file]!.path, ask.folder);
    const fits = (one: Finding) => (ask.rule === undefined || one.rule === ask.rule) && inFolder(one);
    if (!findings.some((one) => own.has(one.fingerprint) && fits(one))) return false;
  }
  const nameAt = (mark: Mark) => project.components[rows[mark.row]!.component]!;
  if (ask.component !== undefined) {
    const touches = draft
      ? [...draft.nodes].some((id) => isNamed(project, project.flow.nodes[id]!, ask.component!))
      : lane.marks.some((mark) => componentRef(project, nameAt(mark)) === ask.component);
    if (!touches) return false;
  }
  return (
    !words.length ||
    lane.marks.some((mark) => holds(`${nameAt(mark).name} ${mark.name} ${lane.title}`, words))
  );
}

const isIn = (path: string, folder: string | undefined): boolean =>
  folder === undefined || path === folder || path.startsWith(`${folder}/`);

const isNamed = (project: Linked, node: FlowNode, ref: string): boolean =>
  componentRef(project, project.components[node.component]!) === ref;

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
