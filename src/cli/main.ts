/** The commands. */
import { readFileSync, existsSync, statSync, writeFileSync } from 'node:fs';
import { basename, resolve } from 'node:path';
import { styleText } from 'node:util';
import { Command, CommanderError, InvalidArgumentError, Option } from 'commander';
import { ConfigError } from '../api/config-error';
import { distance } from '../core/model/names';
import { placesOf } from '../core/report/places';
import { plain } from '../core/report/plain';
import { sarifReport } from '../core/report/sarif';
import { reaches, reportOf, type Report } from '../core/report/summary';
import { PLAIN, textReport, type TextStyle } from '../core/report/text';
import { traceReport, traceText } from '../core/report/trace';
import { fingerprintsAt, keptFingerprints, newFindings, NoBaseline, reportOnly } from './against';
import { openCache, usualCacheFolder } from './fact-cache';
import { progressBar } from './progress-bar';
import { auditFolder, loadConfig } from '../server/engine/audit-folder';
import { compileLater } from '../server/threads/compile-later';

const VERSION = (
  JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as { version: string }
).version;

/** Something that stops an audit; said in one line, with exit code 2. */
class Refusal extends Error {}

const COLOURS: TextStyle = {
  bold: (text) => styleText('bold', text),
  dim: (text) => styleText('dim', text),
  level: (level, text) =>
    styleText(level === 'error' ? 'red' : level === 'warning' ? 'yellow' : 'cyan', text),
};

function folderAt(path: string): string {
  const root = resolve(path);
  if (!existsSync(root)) throw new Refusal(`there is no folder ${path}`);
  if (!statSync(root).isDirectory()) throw new Refusal(`${path} is no folder`);
  return root;
}

/** Where what was read is kept: a folder, the usual one, or nowhere. */
type CacheOption = string | boolean | undefined;

async function opened(path: string, config: string | undefined, cache: CacheOption) {
  const root = folderAt(path);
  const settings = await loadConfig(root, config && resolve(config));
  const kept =
    cache === false
      ? undefined
      : openCache(typeof cache === 'string' ? resolve(cache) : usualCacheFolder(), root);
  const bar = progressBar();
  try {
    const found = await auditFolder(root, {
      ...(settings ? { config: settings } : {}),
      ...(kept?.before ? { before: kept.before } : {}),
      onProgress: bar.show,
    });
    kept?.keep(found);
    return found;
  } finally {
    bar.end();
  }
}

interface AuditOptions {
  format: 'text' | 'json' | 'sarif';
  out?: string;
  failOn: 'error' | 'warning' | 'note' | 'never';
  summary?: boolean;
  since?: string;
  baseline?: string;
  cache?: CacheOption;
  config?: string;
}

async function audit(path: string, options: AuditOptions): Promise<number> {
  const found = await opened(path, options.config, options.cache);
  const report = reportOf(found.audit.result, found.textOf, found.skipped);
  const before = await earlier(path, options);
  const fresh = before && newFindings(report.findings, before);
  const counted = fresh ? reportOnly(report, fresh) : report;
  const text =
    options.format === 'sarif'
      ? `${JSON.stringify(sarifReport(report, VERSION, fresh), null, 2)}\n`
      : formatted(counted, options);
  await emit(text, options.out);
  return reaches(counted, options.failOn) ? 1 : 0;
}

/** Fingerprints of the audit that this one is held against, if any. */
async function earlier(
  path: string,
  { since, baseline, config }: AuditOptions,
): Promise<string[] | undefined> {
  if (since !== undefined && baseline !== undefined)
    throw new Refusal('--since and --baseline say two things; give one of them');
  if (baseline !== undefined) return keptFingerprints(resolve(baseline));
  return since === undefined ? undefined : fingerprintsAt(folderAt(path), since, config && resolve(config));
}

function formatted(report: Report, { format, out, summary }: AuditOptions): string {
  if (format === 'json') return `${JSON.stringify(report, null, 2)}\n`;
  const style = process.stdout.isTTY && out === undefined ? COLOURS : PLAIN;
  return textReport(report, style, summary ? 'summary' : 'all');
}

/** Writes and waits until everything is out, so that a pipe loses nothing. */
async function emit(text: string, file: string | undefined): Promise<void> {
  if (file === undefined) {
    await new Promise<void>((done) => process.stdout.write(text, () => done()));
    return;
  }
  try {
    writeFileSync(file, text);
  } catch (error) {
    throw new Refusal(`${file} cannot be written: ${(error as Error).message}`);
  }
}

async function trace(
  path: string,
  ref: string,
  options: { format: 'text' | 'json'; all?: boolean; config?: string; cache?: CacheOption },
): Promise<number> {
  const found = await opened(path, options.config, options.cache);
  const answer = found.audit.trace(ref);
  if ('similar' in answer) {
    const { similar, several } = answer;
    if (several) throw new Refusal(`${ref} names several: ${similar.join(', ')}`);
    const near = similar.length ? ` The nearest are: ${similar.join(', ')}` : '';
    throw new Refusal(`nothing is called ${ref}.${near}`);
  }
  const { project } = found.audit.result;
  const places = placesOf(project, found.textOf);
  await emit(
    options.format === 'json'
      ? `${JSON.stringify(traceReport(project, answer, places), null, 2)}\n`
      : traceText(project, answer, places, options.all),
    undefined,
  );
  return 0;
}

/** The project written down as a sheet. */
async function sheet(
  path: string,
  options: { format: 'yaml' | 'json'; out?: string; config?: string; cache?: CacheOption },
): Promise<void> {
  const found = await opened(path, options.config, options.cache);
  const [{ sheetOf }, { sheetText }] = await Promise.all([
    import('../core/report/sheet'),
    import('../core/readers/sheet/text'),
  ]);
  const written = sheetOf(found.audit.result.project, basename(resolve(path)));
  await emit(sheetText(written.sheet, options.format), options.out);
}

/** What a rule means, or the list of all. */
async function rule(name: string | undefined): Promise<void> {
  const { rulesWithPages, ruleMarkdown, ruleNamed } = await import('../core/report/rule-page');
  if (name === undefined) {
    const all = rulesWithPages();
    const width = Math.max(...all.map((one) => one.name.length));
    const lines = all.map((one) => `${one.name.padEnd(width)}  ${one.level.padEnd(7)}  ${one.summary}`);
    await emit(`${lines.join('\n')}\n`, undefined);
    return;
  }
  const found = ruleNamed(name);
  if (!found) {
    const near = rulesWithPages()
      .map((one) => ({ name: one.name, far: distance(one.name, name.toLowerCase(), 8) }))
      .sort((a, b) => a.far - b.far);
    throw new Refusal(
      `there is no rule ${name}. The nearest are: ${near
        .slice(0, 3)
        .map((one) => one.name)
        .join(', ')}`,
    );
  }
  await emit(ruleMarkdown(found), undefined);
}

function portNumber(text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new InvalidArgumentError('A port is a number from 0 to 65535.');
  return port;
}

const format = (choices: string[]) =>
  new Option('--format <format>', 'how to print the result').choices(choices).default('text');

function program(finish: (code: number) => void): Command {
  const root = new Command('zinc-rope')
    .description('Audits how data flows through a component tree.')
    .version(VERSION)
    .exitOverride()
    .configureOutput({ outputError: (text, write) => write(text) });
  root
    .command('audit')
    .description('audit a folder and print what was found')
    .argument('<path>', 'the folder')
    .addOption(format(['text', 'json', 'sarif']))
    .option('--summary', 'print how many findings each rule has, and no more')
    .option('--out <file>', 'write to a file instead of standard output')
    .addOption(
      new Option('--fail-on <level>', 'exit with 1 if anything of this level or above is found')
        .choices(['error', 'warning', 'note', 'never'])
        .default('error'),
    )
    .option('--since <commit>', 'only what is new against a commit of the git repository')
    .option('--baseline <file>', 'only what is not in a report kept with --format json')
    .option('--config <file>', 'settings to use instead of zinc-rope.config.json in the folder')
    .option('--cache <dir>', 'where what was read is kept between runs; a folder of the user when absent')
    .option('--no-cache', 'read all of it anew, and keep nothing')
    .addHelpText('after', '\nExit codes: 0 nothing at or above --fail-on, 1 something, 2 it could not audit.')
    .action(async (path: string, options: AuditOptions) => finish(await audit(path, options)));
  root
    .command('trace')
    .description('print the strand of a port: where its value comes from and where it goes')
    .argument('<path>', 'the folder')
    .argument('<ref>', 'a port reference, such as FareCard:prop:amount')
    .addOption(format(['text', 'json']))
    .option('--all', 'all of it, however long; what is further than one reads at once is left out otherwise')
    .option('--config <file>', 'settings to use instead of zinc-rope.config.json in the folder')
    .option('--cache <dir>', 'where what was read is kept between runs; a folder of the user when absent')
    .option('--no-cache', 'read all of it anew, and keep nothing')
    .action(async (path: string, ref: string, options: { format: 'text' | 'json' }) =>
      finish(await trace(path, ref, options)),
    );
  root
    .command('sheet')
    .description('write the component tree of a folder down as a sheet')
    .argument('<path>', 'the folder')
    .addOption(new Option('--format <format>', 'how to write it').choices(['yaml', 'json']).default('yaml'))
    .option('--out <file>', 'write to a file instead of standard output')
    .option('--config <file>', 'settings to use instead of zinc-rope.config.json in the folder')
    .option('--cache <dir>', 'where what was read is kept between runs; a folder of the user when absent')
    .option('--no-cache', 'read all of it anew, and keep nothing')
    .action((path: string, options: { format: 'yaml' | 'json'; out?: string }) => sheet(path, options));
  root
    .command('rule')
    .description('print what a rule means, with an example; or list all rules')
    .argument('[name]', 'the rule, such as prop/missing')
    .action((name: string | undefined) => rule(name));
  root
    .command('serve')
    .description('serve the workbench on 127.0.0.1')
    .argument('[path]', 'a folder to open')
    .option('--port <number>', 'the port; a free one when absent', portNumber)
    .option('--data <dir>', 'where projects and audits are kept', '.zinc-rope')
    .action(async (path: string | undefined, options: { port?: number; data: string }) => {
      const folder = path === undefined ? undefined : folderAt(path);
      const { serve } = await import('../server/serve');
      await serve({ ...options, version: VERSION, ...(folder === undefined ? {} : { folder }) });
    });
  root
    .command('lsp')
    .description('serve an editor over standard input and output, by the Language Server Protocol')
    .option('--stdio', 'the way it is always done; editors like to say so')
    .action(async () => {
      const { startLanguageServer } = await import('../editor/language-server');
      startLanguageServer(VERSION);
      // The connection ends the process when the editor is gone.
      await new Promise(() => {});
    });
  root
    .command('decisions')
    .description('print the decisions of a data folder, or take over those of another')
    .option('--data <dir>', 'where projects and audits are kept', '.zinc-rope')
    .option('--from <dir>', 'another data folder, also one whose database cannot be opened')
    .action(async ({ data, from }: { data: string; from?: string }) => {
      const { hasJournal, printedDecisions, takeDecisions } = await import('./decisions');
      if (!hasJournal(from ?? data)) throw new Refusal(`there are no decisions in ${from ?? data}`);
      if (from === undefined) await emit(await printedDecisions(data), undefined);
      else console.log(`${await takeDecisions(data, from)} decisions were taken over`);
    });
  return root;
}

/** Refusals, wrong settings, and what the system says of ports and folders: one line is enough. */
const isExpected = (error: unknown): boolean =>
  error instanceof Refusal ||
  error instanceof ConfigError ||
  error instanceof NoBaseline ||
  (error as Error)?.name === 'DataFolderError' ||
  (error as NodeJS.ErrnoException)?.code !== undefined;

let code = 0;
compileLater();
try {
  await program((result) => (code = result)).parseAsync(process.argv);
} catch (error) {
  if (error instanceof CommanderError) code = error.exitCode === 0 ? 0 : 2;
  else if (isExpected(error)) {
    console.error(`zinc-rope: ${plain((error as Error).message)}`);
    code = 2;
  } else {
    console.error(`zinc-rope: ${(error as Error)?.stack ?? String(error)}`);
    code = 2;
  }
}
process.exitCode = code;
// What was opened before it failed must not keep the process alive.
if (code !== 0) process.exit();
