/** `npm run bench`: figures as ratios in one run, each side in a cold process of its own, turn by turn. */
import { spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { runChild, type Measured } from './child';
import { compileLater } from '../src/server/threads/compile-later';
import { generate } from './generate';
import { generateWide } from './generate-wide';
import { mappedSources } from './mapped-sources';
import { mutate } from './mutate';
import { type ServerTimes, serverTimes } from './server';
import { roundTrips } from './round-trips';
import { snapshot } from './snapshot/main';
import { recordOf } from './snapshot/record';

const RUNS = 3;

function measure(mode: 'parse' | 'read' | 'audit', folder: string): Measured {
  const done = spawnSync(process.execPath, [fileURLToPath(import.meta.url), 'child', mode, folder], {
    encoding: 'utf8',
  });
  if (done.status !== 0) throw new Error(`${mode} of ${folder} failed: ${done.stderr}`);
  return JSON.parse(done.stdout) as Measured;
}

const median = (list: number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

interface Pair {
  audit: Measured[];
  parse: Measured[];
}

function pairs(folder: string): Pair {
  const pair: Pair = { audit: [], parse: [] };
  for (let i = 0; i < RUNS; i++) {
    pair.parse.push(measure('parse', folder));
    pair.audit.push(measure('audit', folder));
  }
  return pair;
}

const of = (list: Measured[], key: 'milliseconds' | 'memory'): number => median(list.map((one) => one[key]));

function show(title: string, pair: Pair): void {
  const [first] = pair.audit;
  const time = of(pair.audit, 'milliseconds') / of(pair.parse, 'milliseconds');
  const memory = of(pair.audit, 'memory') / of(pair.parse, 'memory');
  console.log(
    `${title}: ${first!.files} files, ${first!.extra.components} components, ${first!.extra.findings} findings`,
  );
  console.log(
    `  time    audit ${of(pair.audit, 'milliseconds').toFixed(0)} ms, parsing alone ${of(pair.parse, 'milliseconds').toFixed(0)} ms, ratio ${time.toFixed(2)} (budget 1)`,
  );
  console.log(
    `  memory  audit ${of(pair.audit, 'memory').toFixed(0)} MiB, parsing alone ${of(pair.parse, 'memory').toFixed(0)} MiB, ratio ${memory.toFixed(2)} (budget 3)`,
  );
  const again = median(pair.audit.map((one) => one.extra.again!)) / of(pair.audit, 'milliseconds');
  console.log(`  again   after one file changed: ${again.toFixed(3)} of the cold audit (budget 0.05)`);
  console.log(`  trace   of one port: ${median(pair.audit.map((one) => one.extra.trace!)).toFixed(1)} ms`);
}

/** What reading alone costs beside parsing the same files: what follows is shared by all languages. */
function showReading(title: string, folder: string): void {
  const [parse, read] = (['parse', 'read'] as const).map((mode) =>
    median(Array.from({ length: RUNS }, () => measure(mode, folder).milliseconds)),
  ) as [number, number];
  console.log(
    `  read    ${title} in one thread ${read.toFixed(0)} ms, parsing alone ${parse.toFixed(0)} ms, ratio ${(read / parse).toFixed(2)} (budget 1.3)`,
  );
}

/** Languages of which no package is installed: the demo, many times over. */
const DEMOS = [
  ['Vue', 'desk'],
  ['Svelte', 'board'],
  ['Angular', 'log'],
] as const;
const COPIES = 60;

function copies(target: string, demo: string): string {
  const source = fileURLToPath(new URL(`../demo/${demo}`, import.meta.url));
  for (let i = 0; i < COPIES; i++) cpSync(source, join(target, `part${i}`), { recursive: true });
  return target;
}

/** A project of eight times the size, with barrels, star exports, many contexts and many providers. */
function showGrowth(temporary: string): void {
  const [small, large] = [1_250, 10_000].map((count) => {
    const path = join(temporary, `wide-${count}`);
    generateWide(path, count);
    return median(Array.from({ length: RUNS }, () => measure('audit', path).milliseconds));
  }) as [number, number];
  console.log(
    `growth from 1,250 to 10,000 components: ${small.toFixed(0)} to ${large.toFixed(0)} ms, ${(large / small).toFixed(2)} times (budget 8.8)`,
  );
}

/** In a process of its own, on a folder that is edited. */
function showServer(folder: string): void {
  const done = spawnSync(process.execPath, [fileURLToPath(import.meta.url), 'server', folder], {
    encoding: 'utf8',
  });
  if (done.status !== 0) throw new Error(`the server's audits of ${folder} failed: ${done.stderr}`);
  const { cold, again, moved, nothing, shown } = JSON.parse(done.stdout) as ServerTimes;
  const share = (time: number) => `${time.toFixed(0)} ms, ${(time / cold).toFixed(3)} of that`;
  console.log(`  server  with its database: cold ${cold.toFixed(0)} ms`);
  console.log(`          audited again and kept: after an export ${share(again)} (budget 0.12),`);
  console.log(`          after a comment ${share(moved)}, after nothing ${share(nothing)}`);
  console.log(
    `          until a save is shown: an export ${share(shown.again)}, a comment ${share(shown.moved)} (budget 0.02)`,
  );
}

function main(): void {
  const temporary = mkdtempSync(join(tmpdir(), 'bench-'));
  try {
    const folder = (count: number) => {
      const path = join(temporary, String(count));
      if (!existsSync(path)) generate(path, count);
      return path;
    };
    show('generated', pairs(folder(2500)));
    showServer(folder(2500));
    const open = fileURLToPath(new URL('../node_modules/@blueprintjs/core/src', import.meta.url));
    if (existsSync(open)) show('open source', pairs(open));
    for (const [title, demo] of DEMOS) {
      const many = copies(join(temporary, demo), demo);
      show(title, pairs(many));
      showReading(title, many);
    }
    showGrowth(temporary);
  } finally {
    rmSync(temporary, { recursive: true });
  }
}

// As the commands do; each side of a ratio alike.
compileLater();
const [command, mode, folder] = process.argv.slice(2);
if (command === 'child') await runChild(mode!, folder!);
else if (command === 'server') console.log(JSON.stringify(await serverTimes(mode!)));
else if (command === 'record') console.log(JSON.stringify(await recordOf(mode!)));
else if (command === 'snapshot') snapshot(process.argv.slice(3));
else if (command === 'round-trips') await roundTrips(process.argv.slice(3));
else if (command === 'mapped-sources') mappedSources(process.argv.slice(3));
else if (command === 'mutate') {
  const folders = mode === undefined ? ['node_modules/@blueprintjs/core/src', 'demo/console'] : [mode];
  for (const one of folders) await mutate(one, Number(folder ?? 1), Number(process.argv[5] ?? 40));
} else main();
