/** Findings as an editor shows them, with the places that prove them. */
import { type Diagnostic, DiagnosticSeverity, DiagnosticTag } from 'vscode-languageserver-types';
import { type ReportedFinding, reportOf, stepsElsewhere, stepText } from '../core/report/summary';
import type { FolderAudit } from '../server/engine/folder';
import { rangeOf, uriOf } from './places';
import type { Diagnosed } from './questions';

export const SOURCE = 'zinc-rope';

const SEVERITY = {
  error: DiagnosticSeverity.Error,
  warning: DiagnosticSeverity.Warning,
  note: DiagnosticSeverity.Information,
} as const;

/** What is there for nothing: editors show it faded. */
const FADED = new Set(['prop/unread', 'event/never-emitted', 'component/unused', 'slot/no-outlet']);

export function diagnosed(root: string, folder: FolderAudit): Diagnosed {
  const found = new Map<string, Diagnostic[]>();
  const add = (path: string, one: Diagnostic) => {
    const list = found.get(path);
    if (list) list.push(one);
    else found.set(path, [one]);
  };
  const { findings, problems } = reportOf(folder.audit.result, folder.textOf, folder.skipped);
  for (const one of findings) if (one.silenced === undefined) add(one.place.file, diagnosticOf(root, one));
  const broken = [...folder.broken].map(([file, one]) => ({ file, ...one }));
  for (const { file, line, column, message } of [...problems, ...broken]) {
    const start = { line: line - 1, character: column - 1 };
    add(file, {
      range: { start, end: start },
      severity: DiagnosticSeverity.Information,
      source: SOURCE,
      message: `Not understood, so that ${folder.broken.has(file) ? 'what was known before holds' : 'nothing is said of it'}: ${message}`,
    });
  }
  return [...found];
}

export function diagnosticOf(root: string, finding: ReportedFinding): Diagnostic {
  const { rule, level, message, suggestion, place, fingerprint } = finding;
  const steps = stepsElsewhere(finding);
  return {
    range: rangeOf(place),
    severity: SEVERITY[level],
    code: rule,
    source: SOURCE,
    message: suggestion ? `${message} ${suggestion}` : message,
    ...(FADED.has(rule) ? { tags: [DiagnosticTag.Unnecessary] } : {}),
    ...(steps.length
      ? {
          relatedInformation: steps.map((step) => ({
            location: { uri: uriOf({ root }, step.file), range: rangeOf(step) },
            message: stepText(step),
          })),
        }
      : {}),
    data: { fingerprint },
  };
}
