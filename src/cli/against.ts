/** What an audit found that an earlier one did not: at a commit, or in a report that was kept. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';
import { isReadable } from '../core/readers';
import { isManifest } from '../core/readers/manifest';
import { type Report, type ReportedFinding, reportOf } from '../core/report/summary';
import { auditFolder, loadConfig } from '../server/engine/audit-folder';
import { saysWhatCounts } from '../server/sources/settings-file';

/** It cannot be told what is new: the reason is the message. */
export class NoBaseline extends Error {}

const keptSchema = z.object({ findings: z.array(z.object({ fingerprint: z.string() })) });

/** Fingerprints of a report that was written as JSON. Throws a NoBaseline if the file holds none. */
export function keptFingerprints(file: string): string[] {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    throw new NoBaseline(`${file} cannot be read: ${(error as Error).message}`);
  }
  try {
    return keptSchema.parse(JSON.parse(text)).findings.map((one) => one.fingerprint);
  } catch {
    throw new NoBaseline(`${file} is no report of an audit; write one with --format json --out ${file}`);
  }
}

/**
 * Fingerprints of what an audit of the folder at a commit finds. The files are taken out of the repository into a folder
 * of their own: neither the working tree nor the index is touched. Throws a NoBaseline if git cannot give them.
 */
export async function fingerprintsAt(root: string, commit: string, config?: string): Promise<string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'zinc-rope-'));
  try {
    takeOut(root, commit, folder);
    const settings = await loadConfig(config === undefined ? folder : root, config);
    const { audit, textOf } = await auditFolder(folder, settings ? { config: settings } : {});
    return reportOf(audit.result, textOf).findings.map((one) => one.fingerprint);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Writes the files of a commit that an audit reads into a folder. */
function takeOut(root: string, commit: string, folder: string): void {
  const index = join(folder, '.index');
  const git = (args: string[], input = ''): string => {
    try {
      // What a filter would fetch from elsewhere is no source.
      return execFileSync('git', ['-c', 'filter.lfs.smudge=', '-c', 'filter.lfs.required=false', ...args], {
        cwd: root,
        encoding: 'utf8',
        input,
        maxBuffer: 1 << 30,
        stdio: ['pipe', 'pipe', 'pipe'],
        env: { ...process.env, GIT_INDEX_FILE: index },
      });
    } catch (error) {
      const { stderr, message } = error as Error & { stderr?: string };
      throw new NoBaseline(`git does not give ${commit}: ${(stderr ?? message).trim().split('\n')[0]}`);
    }
  };
  // A name that begins with a dash is no option.
  const tree = git(['rev-parse', '--verify', '--end-of-options', `${commit}^{commit}`]).trim();
  const below = git(['rev-parse', '--show-prefix']).trim();
  git(['read-tree', `${tree}:${below}`]);
  const top = git(['rev-parse', '--show-toplevel']).trim();
  const paths = git(['-C', top, 'ls-files', '-z'])
    .split('\0')
    .filter((path) => path && (isReadable(path) || isManifest(path) || saysWhatCounts(path)));
  git(['-C', top, 'checkout-index', '-z', '--stdin', '-f', `--prefix=${folder}/`], paths.join('\0'));
  rmSync(index, { force: true });
}

/** Findings that an earlier audit has no partner for; several of one fingerprint are paired one by one. */
export function newFindings(findings: ReportedFinding[], before: string[]): Set<ReportedFinding> {
  const left = new Map<string, number>();
  for (const print of before) left.set(print, (left.get(print) ?? 0) + 1);
  return new Set(
    findings.filter(({ fingerprint }) => {
      const has = left.get(fingerprint) ?? 0;
      left.set(fingerprint, has - 1);
      return has <= 0;
    }),
  );
}

/** A report of some findings alone. */
export function reportOnly(report: Report, kept: ReadonlySet<ReportedFinding>): Report {
  const findings = report.findings.filter((one) => kept.has(one));
  const counts = { error: 0, warning: 0, note: 0, silenced: 0 };
  for (const { level, silenced } of findings) counts[silenced === undefined ? level : 'silenced']++;
  return { ...report, findings, counts };
}
