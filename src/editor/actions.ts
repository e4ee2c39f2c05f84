/** What can be done about a finding: its mechanical repair, and silencing it with a reason. */
import { type CodeAction, CodeActionKind, type Range } from 'vscode-languageserver-types';
import { type ReportedFinding, reportOf } from '../core/report/summary';
import { readUnit } from '../server/engine/reader-worker';
import type { Room } from './answers';
import { diagnosticOf } from './diagnostics';
import { rangeOf, uriOf } from './places';

/** The reason that stands in a comment until somebody writes the right one. */
const REASON = 'say why it may stay';

/** How comments are written, by what may stand in a file. */
const COMMENTS: readonly [files: RegExp, forms: ((text: string) => string)[]][] = [
  [/\.(vue|svelte|html)$/, [(text) => `<!-- ${text} -->`, (text) => `// ${text}`, (text) => `/* ${text} */`]],
  [/\.(razor|cshtml)$/, [(text) => `@* ${text} *@`, (text) => `// ${text}`]],
  [/\.ya?ml$/, [(text) => `# ${text}`]],
  [/./, [(text) => `// ${text}`, (text) => `{/* ${text} */}`]],
];

export function actions(room: Room, path: string, range: Range): CodeAction[] {
  const { folder } = room;
  if (folder.broken.has(path)) return [];
  const { findings } = reportOf(folder.audit.result, folder.textOf, folder.skipped);
  return findings
    .filter(
      ({ place, silenced }) =>
        silenced === undefined && place.file === path && touches(rangeOf(place), range),
    )
    .flatMap((one) => [...repair(room, one), ...silence(room, one)]);
}

const touches = (a: Range, b: Range): boolean => a.start.line <= b.end.line && b.start.line <= a.end.line;

function repair(room: Room, finding: ReportedFinding): CodeAction[] {
  const { edit } = finding;
  if (!edit) return [];
  return [
    {
      title: `Put "${edit.text}" here`,
      kind: CodeActionKind.QuickFix,
      isPreferred: true,
      diagnostics: [diagnosticOf(room.root, finding)],
      edit: { changes: { [uriOf(room, edit.file)]: [{ range: rangeOf(edit), newText: edit.text }] } },
    },
  ];
}

/** A comment above the line, in the form that is one there. */
function silence(room: Room, finding: ReportedFinding): CodeAction[] {
  const { rule, place } = finding;
  const { folder } = room;
  const text = folder.textOf(place.file);
  const lines = text.split('\n');
  const indent = /^\s*/.exec(lines[place.line - 1] ?? '')![0];
  const [, forms] = COMMENTS.find(([files]) => files.test(place.file))!;
  for (const form of forms) {
    const comment = `${indent}${form(`zinc-rope-ignore ${rule}: ${REASON}`)}`;
    const after = [...lines.slice(0, place.line - 1), comment, ...lines.slice(place.line - 1)].join('\n');
    const facts = readUnit(place.file, after, (part) =>
      part === place.file ? after : folder.texts.get(part)?.text,
    );
    const known = folder.facts.get(place.file)?.silences.length ?? 0;
    if (facts.problem || facts.silences.length <= known) continue;
    const at = { line: place.line - 1, character: 0 };
    return [
      {
        title: `Silence ${rule} here`,
        kind: CodeActionKind.QuickFix,
        diagnostics: [diagnosticOf(room.root, finding)],
        edit: {
          changes: {
            [uriOf(room, place.file)]: [{ range: { start: at, end: at }, newText: `${comment}\n` }],
          },
        },
      },
    ];
  }
  return [];
}
