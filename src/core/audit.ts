/** The front door of the engine: facts in, findings and strands out. No file is touched here. */
import { link, type Linked } from './link';
import type { FileFacts } from './model/facts';
import type { Finding } from './model/finding';
import { groupBy } from './model/group-by';
import { movesBetween, type Unasked } from './model/moved-facts';
import { isStill } from './model/moves';
import type { Component, ProjectFile } from './model/project';
import { readFile } from './readers';
import type { Manifest } from './readers/manifest';
import { isManifest, readManifest } from './readers/manifest';
import { DEFAULT_SETTINGS, runRules, type Settings } from './rules';
import { breaksOf } from './trace/breaks';
import { nodesAt, type Unfound } from './trace/references';
import { traceNodes, type Trace } from './trace/trace';

export interface AuditInput {
  facts: FileFacts[];
  manifests: Manifest[];
  settings?: Settings;
  /** Told how far linking and the rules are, from 0 to 1. */
  onProgress?(share: number): void;
}

export interface Problem {
  path: string;
  message: string;
  line: number;
  column: number;
}

export interface AuditResult {
  project: Linked;
  findings: Finding[];
  problems: Problem[];
}

export interface Audit {
  result: AuditResult;
  /** Audits again after some files changed; a path without facts is gone. `manifests`, where they are others than before. */
  update(
    changes: Map<string, FileFacts | undefined>,
    manifests?: Manifest[],
    onProgress?: AuditInput['onProgress'],
  ): AuditResult;
  /** The strand of a port reference, or the references that it may mean. */
  trace(ref: string): Trace | Unfound;
}

/** The part of linking in what is done once all facts are there; the rest is the rules'. */
const LINKING = 0.6;

/** Opens an audit. Files are taken in the order of their paths, so that the result does not depend on reading. */
export function openAudit(input: AuditInput): Audit {
  const settings = input.settings ?? DEFAULT_SETTINGS;
  const facts = new Map(input.facts.map((one) => [one.path, one]));
  let { manifests } = input;
  /** What was linked, in the order of the paths. */
  let linked: FileFacts[] = [];
  const run = (onProgress: AuditInput['onProgress'] = () => {}): AuditResult => {
    linked = [...facts.values()].sort((a, b) => (a.path < b.path ? -1 : 1));
    const project = link(linked, manifests, settings, (share) => onProgress(share * LINKING));
    const findings = runRules(project, settings, (share) => onProgress(LINKING + share * (1 - LINKING)));
    return { project, findings, problems: problemsIn(linked) };
  };
  /** Where files only moved, nothing is linked, and the findings are those that there were. */
  const move = (changed: Iterable<string>): AuditResult | undefined => {
    const project = movedProject(audit.result.project, linked, facts, changed);
    return (
      project && {
        ...audit.result,
        project,
        problems: problemsIn(linked.map(({ path }) => facts.get(path)!)),
      }
    );
  };
  const audit: Audit = {
    result: run(input.onProgress),
    update(changes, changed, onProgress) {
      for (const [path, one] of changes) {
        if (one) facts.set(path, one);
        else facts.delete(path);
      }
      const moved = changed ? undefined : move(changes.keys());
      manifests = changed ?? manifests;
      audit.result = moved ?? run(onProgress);
      return audit.result;
    },
    trace(ref) {
      const { project } = audit.result;
      const nodes = nodesAt(project, ref);
      return 'similar' in nodes ? nodes : traceNodes(project, nodes, breaksOf(audit.result.findings));
    },
  };
  return audit;
}

const problemsIn = (files: readonly FileFacts[]): Problem[] =>
  files.flatMap((one) => [
    ...(one.problem ? [{ path: one.path, ...one.problem }] : []),
    ...(one.flaws ?? []),
  ]);

/** The project with places as they are now; undefined where a file came or went, or says something else. */
function movedProject(
  project: Linked,
  linked: readonly FileFacts[],
  facts: ReadonlyMap<string, FileFacts>,
  changed: Iterable<string>,
): Linked | undefined {
  if (linked.length !== facts.size) return undefined;
  const files = [...project.files];
  const byPath = new Map(linked.map((one) => [one.path, one]));
  const indexes = new Map(files.map(({ path, index }) => [path, index]));
  const inFiles = groupBy(project.components, ({ file }) => file);
  for (const path of changed) {
    const [before, now, at] = [byPath.get(path), facts.get(path), indexes.get(path)];
    if (!before || !now || at === undefined) return undefined;
    const moves = movesBetween(before, now, unaskedOf(files[at]!, inFiles.get(at) ?? []));
    if (!moves) return undefined;
    const { moved: _, ...file } = files[at]!;
    files[at] = isStill(moves) ? file : { ...file, moved: moves };
  }
  return { ...project, files };
}

/** What nobody asks for of a file. Where selectors say what is placed, looks do, too. */
const unaskedOf = ({ facts, seesClasses }: ProjectFile, components: Component[]): Unasked => ({
  memberReads: !seesClasses && !facts.ambient,
  looks(render, node) {
    const those = components.filter((one) => one.facts.render === render);
    return (
      those.length > 0 &&
      those.every((one) => !one.markup && !one.siteAt.has(node) && !one.handedSites.has(node))
    );
  },
});

/** Reads and audits texts at once, for tests and small inputs. */
export function auditSources(sources: Record<string, string>, settings?: Settings): Audit {
  const facts: FileFacts[] = [];
  const manifests: Manifest[] = [];
  const readPart = (path: string) => sources[path];
  for (const [path, text] of Object.entries(sources)) {
    if (isManifest(path)) {
      const manifest = readManifest(path, text);
      if (manifest) manifests.push(manifest);
    } else facts.push(readFile(path, text, readPart));
  }
  return openAudit({ facts, manifests, ...(settings ? { settings } : {}) });
}
