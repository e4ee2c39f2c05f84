/**
 * `npm run mutate [-- FOLDER [SEED [COUNT]]]`: puts one fault at a time into a project, at seeded random places,
 * audits again, and counts how many are reported as what they are. Prints every miss.
 */
import type { Finding } from '../src/core/model/finding';
import { groupBy } from '../src/core/model/group-by';
import { located } from '../src/core/model/parts';
import { auditFolder } from '../src/server/engine/audit-folder';
import { possibleMutations } from './mutations';
import { readEdited } from './unit-texts';

/** A small generator of numbers from 0 to 1, the same for the same seed. */
function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

function pick<T>(list: T[], count: number, random: () => number): T[] {
  const rest = [...list];
  const taken: T[] = [];
  while (rest.length && taken.length < count)
    taken.push(...rest.splice(Math.floor(random() * rest.length), 1));
  return taken;
}

/** The findings beyond those that there were; two of one fingerprint are two. */
function without(findings: readonly Finding[], before: readonly Finding[]): Finding[] {
  const left = groupBy(before, (one) => one.fingerprint);
  return findings.filter((one) => left.get(one.fingerprint)?.shift() === undefined);
}

export async function mutate(folder: string, seed = 1, count = 40): Promise<void> {
  const { audit, facts, textOf } = await auditFolder(folder);
  const before = audit.result;
  const all = possibleMutations(before, textOf);
  const random = seeded(seed);
  console.log(`${folder}: ${before.project.files.length} files, seed ${seed}`);
  const kinds = [...new Set(all.map((one) => one.kind))].sort();
  const misses: string[] = [];
  for (const kind of kinds) {
    const possible = all.filter((one) => one.kind === kind);
    const chosen = pick(possible, count, random);
    let seen = 0;
    for (const one of chosen) {
      const where = one.edits[0]!.path;
      const changed = readEdited(one.edits, facts, textOf);
      const problem = [...changed.values()].find((file) => file.problem)?.problem;
      if (problem) {
        misses.push(`${kind}: ${where}: ${one.what} (not read any more: ${problem.message})`);
        continue;
      }
      const { findings, project } = audit.update(changed);
      const added = without(findings, before.findings);
      const hit = added.some(
        (finding) =>
          one.rules.includes(finding.rule) &&
          (one.at === '' || project.files[located(project, finding.place).file]!.path === one.at),
      );
      if (hit) seen++;
      else {
        const instead = added.map((finding) => finding.rule).join(', ');
        misses.push(`${kind}: ${where}: ${one.what}${instead ? ` (instead: ${instead})` : ''}`);
      }
      audit.update(new Map([...changed.keys()].map((path) => [path, facts.get(path)!])));
    }
    const share = chosen.length ? ((100 * seen) / chosen.length).toFixed(0) : '-';
    console.log(
      `  ${kind}: ${seen} of ${chosen.length} (${share} in 100), ${possible.length} places possible`,
    );
  }
  for (const miss of misses) console.log(`  missed: ${miss}`);
}
