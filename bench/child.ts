/** What the benchmarks run in processes of their own. Prints one line of JSON. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseTemplate } from '@angular/compiler';
import { parse } from '@babel/parser';
import { parse as parseVue } from '@vue/compiler-sfc';
import { parse as parseSvelte } from 'svelte/compiler';
import { readFile } from '../src/core/readers';
import { reportOf } from '../src/core/report/summary';
import { auditFolder } from '../src/server/engine/audit-folder';
import { walk } from '../src/server/sources/walk';

export interface Measured {
  milliseconds: number;
  /** Peak resident memory in MiB. */
  memory: number;
  files: number;
  extra: Record<string, number>;
}

/** Milliseconds since the process was started. */
const sinceStart = (): number => performance.now();

async function parseOnly(folder: string): Promise<Measured> {
  const { sources } = await walk(folder);
  for (const path of sources) {
    parseFile(path, readFileSync(join(folder, path), 'utf8'));
  }
  return { milliseconds: sinceStart(), memory: peak(), files: sources.length, extra: {} };
}

/** Parses a file by the parser that its reader uses, and does nothing with the tree. */
function parseFile(path: string, text: string): void {
  if (path.endsWith('.svelte')) parseSvelte(text, { modern: true });
  else if (path.endsWith('.vue')) {
    const { descriptor } = parseVue(text, { sourceMap: false });
    for (const block of [descriptor.script, descriptor.scriptSetup])
      if (block) parseCode('script.ts', block.content);
  } else if (/\.html?$/.test(path)) parseTemplate(text, path);
  else {
    parseCode(path, text);
    // Templates that stand in their classes.
    if (text.includes("from '@angular/core'"))
      for (const [, template] of text.matchAll(/\btemplate: `([^`]*)`/g)) parseTemplate(template!, path);
  }
}

/** Reads every file in one thread, with what it takes to read them, and does nothing with the facts. */
async function readOnly(folder: string): Promise<Measured> {
  const { sources } = await walk(folder);
  const textOf = (path: string) => readFileSync(join(folder, path), 'utf8');
  for (const path of sources) readFile(path, textOf(path), textOf);
  return { milliseconds: sinceStart(), memory: peak(), files: sources.length, extra: {} };
}

function parseCode(path: string, text: string): void {
  parse(text, {
    sourceType: 'module',
    attachComment: false,
    errorRecovery: true,
    plugins: ['typescript', 'decorators-legacy', ...(path.endsWith('.ts') ? [] : (['jsx'] as const))],
  });
}

async function audit(folder: string): Promise<Measured> {
  const found = await auditFolder(folder);
  const report = reportOf(found.audit.result, found.textOf, found.skipped);
  const milliseconds = sinceStart();
  const memory = peak();
  const [path] = [...found.facts.keys()].slice(-1);
  const before = found.facts.get(path!)!;
  const added = { name: 'edited', local: 'edited', start: 0, end: 0 };
  let at = performance.now();
  found.audit.update(new Map([[path!, { ...before, exports: [...before.exports, added] }]]));
  const again = performance.now() - at;
  const nodes = found.audit.result.project.flow.nodes;
  at = performance.now();
  const middle = nodes[Math.floor(nodes.length / 2)]!;
  const component = found.audit.result.project.components[middle.component]!;
  found.audit.trace(`${component.name}:${middle.channel}:${middle.name}`);
  const trace = performance.now() - at;
  return {
    milliseconds,
    memory,
    files: report.files,
    extra: { components: report.components, findings: report.findings.length, again, trace },
  };
}

const peak = (): number => process.resourceUsage().maxRSS / 1024;

export async function runChild(mode: string, folder: string): Promise<void> {
  const modes = { parse: parseOnly, read: readOnly, audit };
  console.log(JSON.stringify(await modes[mode as keyof typeof modes](folder)));
}
