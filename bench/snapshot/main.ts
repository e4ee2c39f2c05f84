/**
 * `npm run snapshot [-- --keep] [NAME…]`: audits the demos and published sources and compares findings, tree and a sample
 * of strands with what is kept: digests in the project, whole records beside the sources. Prints what differs, as text.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { hashText } from '../../src/core/model/hash';
import { folderOf, PACKAGES, recordFile } from './packages';
import { PARTS, type Part, type Record } from './record';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const DIGESTS = join(ROOT, 'bench/snapshot/digests.json');
const DEMOS = ['console', 'desk', 'board', 'log'];
/** Lines of a difference that are printed. */
const SHOWN = 120;

type Digest = { [P in Part]: string };

const digestOf = (record: Record): Digest =>
  Object.fromEntries(
    PARTS.map((part) => [part, `${record[part].length} ${hashText(record[part].join('\n'))}`]),
  ) as Digest;

/** In a process of its own, as a user runs it. */
function audited(folder: string): Record {
  const self = fileURLToPath(import.meta.url);
  const done = spawnSync(process.execPath, ['--max-old-space-size=4096', self, 'record', folder], {
    encoding: 'utf8',
    maxBuffer: 1 << 30,
  });
  if (done.status !== 0) throw new Error(`${folder}: ${done.stderr}`);
  return JSON.parse(done.stdout) as Record;
}

const written = (record: Record): string =>
  `${PARTS.flatMap((part) => [`## ${part}`, ...record[part]]).join('\n')}\n`;

/** The difference of two texts, by git. */
function difference(before: string, after: string): string[] {
  const done = spawnSync('git', ['diff', '--no-index', '--unified=0', '--no-color', before, after], {
    encoding: 'utf8',
    maxBuffer: 1 << 30,
  });
  return done.stdout.split('\n').filter((line) => /^[-+](?![-+])/.test(line));
}

function compared(name: string, record: Record, kept: Digest | undefined): boolean {
  const digest = digestOf(record);
  const differing = PARTS.filter((part) => digest[part] !== kept?.[part]);
  if (!differing.length) {
    console.log(`${name}: the same (${PARTS.map((part) => `${record[part].length} ${part}`).join(', ')})`);
    return true;
  }
  const file = recordFile(name);
  console.log(`${name}: ${kept ? `${differing.join(', ')} differ` : 'nothing is kept of it'}`);
  writeFileSync(`${file}.now`, written(record));
  if (kept && existsSync(file) && isOf(file, kept)) {
    const lines = difference(file, `${file}.now`);
    console.log(lines.slice(0, SHOWN).join('\n'));
    if (lines.length > SHOWN) console.log(`… ${lines.length - SHOWN} more: ${file}.now`);
  } else if (kept) {
    console.log('  the record that was kept is not here: make it with --keep where the digests were made');
  }
  return false;
}

/** Whether a whole record is the one that the digests are of. */
function isOf(file: string, kept: Digest): boolean {
  const record = { findings: [], tree: [], strands: [] } as Record;
  let part: Part = 'findings';
  for (const line of readFileSync(file, 'utf8').trimEnd().split('\n')) {
    if (line.startsWith('## ')) part = line.slice(3) as Part;
    else record[part].push(line);
  }
  return JSON.stringify(digestOf(record)) === JSON.stringify(kept);
}

export function snapshot(args: string[]): void {
  const keep = args.includes('--keep');
  const named = args.filter((one) => !one.startsWith('--'));
  const kept = existsSync(DIGESTS)
    ? (JSON.parse(readFileSync(DIGESTS, 'utf8')) as { [name: string]: Digest })
    : {};
  const all: [name: string, folder: () => string][] = [
    ...DEMOS.map((name): [string, () => string] => [`demo/${name}`, () => join(ROOT, 'demo', name)]),
    ...PACKAGES.map((spec): [string, () => string] => [spec, () => folderOf(spec)]),
  ];
  let different = 0;
  for (const [name, folder] of all) {
    if (named.length && !named.some((one) => name.includes(one))) continue;
    const record = audited(folder());
    if (keep) {
      kept[name] = digestOf(record);
      writeFileSync(recordFile(name), written(record));
      console.log(`${name}: kept (${PARTS.map((part) => `${record[part].length} ${part}`).join(', ')})`);
    } else if (!compared(name, record, kept[name])) different++;
  }
  if (keep) writeFileSync(DIGESTS, `${JSON.stringify(kept, null, 2)}\n`);
  const revision = execFileSync('git', ['describe', '--always', '--dirty'], { cwd: ROOT, encoding: 'utf8' });
  console.log(
    `${keep ? 'kept' : different ? `${different} differ` : 'nothing differs'} at ${revision.trim()}`,
  );
  if (different) process.exitCode = 1;
}
