/** Strands before they are drawn: the part of the flow that each runs through, and what was found on it. */
import type { Linked } from '../link';
import type { Channel } from '../model/facts';
import { type Finding, type Level, LEVELS } from '../model/finding';
import { oncePer, oncePerLink } from '../model/once-per';
import type { Component } from '../model/project';
import { type Draft, draftOf } from './lanes';

/** A strand, or a finding about a name that never becomes a value. */
export type Strand = { draft: Draft; lonely?: undefined } | { draft?: undefined; lonely: Finding };

export const findingsOf = ({ draft, lonely }: Strand): Finding[] => (draft ? draft.findings : [lonely]);

/** The gravest level of what was found on it. */
export const levelOf = (strand: Strand): Level | undefined =>
  LEVELS.find((level) => findingsOf(strand).some((one) => one.level === level));

export function channelOf({ flow }: Linked, { draft, lonely }: Strand): Channel {
  if (draft) return flow.nodes[draft.starts[0]!]!.channel;
  return (lonely.subject.split(':').at(-2) ?? 'prop') as Channel;
}

/** The components that a lonely finding is about: what is rendered, and who renders it. */
export function componentsOf(project: Linked, { lonely }: Strand): Component[] {
  if (!lonely || lonely.site < 0) return [];
  const { owner, target } = project.sites[lonely.site]!;
  return [project.components[target]!, project.components[owner]!];
}

const gravity = (strand: Strand): number => {
  const level = levelOf(strand);
  return level ? LEVELS.indexOf(level) : LEVELS.length;
};

/** The gravest first, then the longest. */
export const byWeight = (a: Strand, b: Strand): number =>
  gravity(a) - gravity(b) || (b.draft?.nodes.size ?? 1) - (a.draft?.nodes.size ?? 1);

/** Strands by the nodes that they run through. */
class Index {
  private readonly byNode = new Map<number, Draft[]>();

  add(draft: Draft): void {
    for (const node of draft.nodes) {
      const known = this.byNode.get(node);
      if (known) known.push(draft);
      else this.byNode.set(node, [draft]);
    }
  }

  /** The shortest strand that runs through all of some nodes. */
  through([first, ...others]: number[]): Draft | undefined {
    let found: Draft | undefined;
    for (const draft of (first !== undefined && this.byNode.get(first)) || [])
      if (others.every((node) => draft.nodes.has(node)) && !(found && found.nodes.size <= draft.nodes.size))
        found = draft;
    return found;
  }
}

/** A strand with more nodes is one of many branches, of which a finding is about one. */
const BRANCHED = 24;

/**
 * The strands of all findings. A finding belongs to a strand that runs through all of its nodes, but not to one that is
 * mostly about something else: what a field raises goes up to every form that has one.
 */
export const strandsOfFindings = oncePer((findings: Finding[]) =>
  oncePerLink((project: Linked): Strand[] => {
    const index = new Index();
    const strands: Strand[] = [];
    for (const finding of findings) {
      if (finding.silenced !== undefined) continue;
      if (!finding.nodes.length) {
        strands.push({ lonely: finding });
        continue;
      }
      const known = index.through(finding.nodes);
      const draft = known && known.nodes.size <= BRANCHED ? known : draftOf(project, finding.nodes);
      if (known && known.nodes.size < 2 * draft.nodes.size) {
        known.findings.push(finding);
        continue;
      }
      draft.findings.push(finding);
      index.add(draft);
      strands.push({ draft });
    }
    return strands;
  }),
);

/** The strands of ports, each by its nodes; of two that are one, the first. */
export function strandsOfPorts(project: Linked, ports: number[][]): Strand[] {
  const index = new Index();
  return ports.flatMap((nodes): Strand[] => {
    if (index.through(nodes)) return [];
    const draft = draftOf(project, nodes);
    index.add(draft);
    return [{ draft }];
  });
}

/** Strands that were asked for, with the findings that lie on them, and the strands of all other findings. */
export function merged(asked: Strand[], ofFindings: Strand[]): Strand[] {
  if (!asked.length) return ofFindings;
  const index = new Index();
  for (const { draft } of asked) if (draft) index.add(draft);
  const rest = ofFindings.filter(({ draft }) => {
    const known = draft && index.through(draft.starts);
    known?.findings.push(...draft!.findings);
    return !known;
  });
  return [...asked, ...rest];
}
