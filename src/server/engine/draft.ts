/** A sheet while it is written: audited together with what it uses and with the sheets that use it, and kept nowhere. */
import { riggingAskSchema } from '../../api/schemas';
import type { DraftView, Remark } from '../../api/sheet-schemas';
import { openAudit } from '../../core/audit';
import type { FileFacts } from '../../core/model/facts';
import { reportOf } from '../../core/report/summary';
import { settingsOf, understood } from './audit-folder';
import type { FolderAudit } from './folder';
import { readUnit } from './reader-worker';
import { riggingView, rowsView } from './rigging-view';

/** A sheet that uses code does not draw all of an application into its audit. */
const MAX_FILES = 300;
/** Rows of the chart beside the text. */
const MAX_ROWS = 720;

/** What a text says as a sheet of a project: what is wrong with it, what is found in it, and its rigging. */
export function draftView(folder: FolderAudit, path: string, text: string): DraftView {
  const read = readUnit(path, text, (part) => folder.texts.get(part)?.text);
  const facts = new Map(folder.facts).set(path, read);
  const audit = openAudit({
    facts: [...around(folder, facts, path)].map((one) => facts.get(one)!),
    manifests: understood(folder.manifests),
    settings: settingsOf(folder.config),
  });
  const textOf = (one: string): string => (one === path ? text : folder.textOf(one));
  const { result } = audit;
  const report = reportOf(result, textOf);
  const problems = report.problems
    .filter((one) => one.file === path)
    .map(({ line, column, message }): Remark => ({
      line,
      column,
      endLine: line,
      endColumn: column + 1,
      message,
    }));
  const findings = report.findings
    .filter((one) => one.place.file === path && one.silenced === undefined)
    .map(({ place: { line, column, endLine, endColumn }, level, rule, message }): Remark => {
      return { line, column, endLine, endColumn, level, rule, message };
    });
  const wish = riggingAskSchema.parse({ whole: '1', beside: '1' });
  return {
    remarks: [...problems, ...findings].sort((a, b) => a.line - b.line || a.column - b.column),
    components: read.components.filter((one) => one.role === 'component').length,
    rigging: {
      ...riggingView(result, textOf, wish),
      window: rowsView(result, textOf, wish, 0, MAX_ROWS),
    },
  };
}

/** The files that a sheet uses, and that these use; and the sheets that use it. Who is meant is known from the audit. */
function around({ audit }: FolderAudit, facts: ReadonlyMap<string, FileFacts>, path: string): Set<string> {
  const { modules, files } = audit.result.project;
  const fileOf = (from: string, specifier: string): string | undefined =>
    files[modules.resolve(from, specifier) ?? -1]?.path;
  const found = new Set([path]);
  for (const [other, { language, imports }] of facts)
    if (language === 'sheet' && imports.some((one) => fileOf(other, one.from) === path)) found.add(other);
  for (const one of found)
    for (const { from } of facts.get(one)?.imports ?? []) {
      const other = fileOf(one, from);
      if (other !== undefined && facts.has(other) && found.size < MAX_FILES) found.add(other);
    }
  return found;
}
