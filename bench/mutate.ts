/**
 * `npm run mutate [-- FOLDER [SEED [COUNT]]]`: puts one fault at a time into a project, at seeded random places,
 * audits again, and counts how many are reported as what they are. Prints every miss.
 */
import { readFile } from '../src/core/readers';
import { auditFolder } from '../src/server/engine/audit-folder';
import { possibleMutations, type Mutation } from './mutations';

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

function applied(text: string, edits: Mutation['edits']): string {
  let result = text;
  for (const { start, end, text: put } of [...edits].sort((a, b) => b.start - a.start)) {
    result = result.slice(0, start) + put + result.slice(end);
  }
  return result;
}

export async function mutate(folder: string, seed = 1, count = 40): Promise<void> {
  const { audit, facts, textOf } = await auditFolder(folder);
  const before = audit.result;
  const known = new Set(before.findings.map((one) => one.fingerprint));
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
      const changed = readFile(one.file, applied(textOf(one.file), one.edits));
      if (changed.problem) {
        misses.push(`${kind}: ${one.file}: ${one.what} (not read any more: ${changed.problem.message})`);
        continue;
      }
      const { findings, project } = audit.update(new Map([[one.file, changed]]));
      const added = findings.filter((finding) => !known.has(finding.fingerprint));
      const hit = added.some(
        (finding) =>
          one.rules.includes(finding.rule) &&
          (one.at === '' || project.files[finding.place.file]!.path === one.at),
      );
      if (hit) seen++;
      else {
        const instead = added.map((finding) => finding.rule).join(', ');
        misses.push(`${kind}: ${one.file}: ${one.what}${instead ? ` (instead: ${instead})` : ''}`);
      }
      audit.update(new Map([[one.file, facts.get(one.file)!]]));
    }
    const share = chosen.length ? ((100 * seen) / chosen.length).toFixed(0) : '-';
    console.log(
      `  ${kind}: ${seen} of ${chosen.length} (${share} in 100), ${possible.length} places possible`,
    );
  }
  for (const miss of misses) console.log(`  missed: ${miss}`);
}
