import type { Spot } from '../../../api/schemas';

/** The lines that an edit touches, as they are and as they would be; undefined if the text has no such lines. */
export function repaired(
  source: string,
  edit: Spot & { text: string },
): { before: string[]; after: string[] } | undefined {
  const before = source.split(/\r?\n/).slice(edit.line - 1, edit.endLine);
  const first = before[0];
  const last = before.at(-1);
  if (first === undefined || last === undefined || before.length < edit.endLine - edit.line + 1)
    return undefined;
  const joined = first.slice(0, edit.column - 1) + edit.text + last.slice(edit.endColumn - 1);
  return { before, after: joined.split('\n') };
}
