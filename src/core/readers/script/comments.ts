import type * as t from '@babel/types';
import type { SilenceFact } from '../../model/facts';

const MARK = /zinc-rope-ignore\s+([\w/-]+(?:\s*,\s*[\w/-]+)*)\s*:\s*(\S[\s\S]*)/;

/** Comments that silence rules above the next line of code. Without a reason they do nothing. */
export function readSilences(
  comments: Pick<t.Comment, 'value' | 'start' | 'end'>[],
  text: string,
): SilenceFact[] {
  const found: SilenceFact[] = [];
  for (const comment of comments) {
    if (!comment.value.includes('zinc-rope-ignore')) continue;
    const match = MARK.exec(comment.value);
    if (!match) continue;
    const before = nextCode(text, comment.end!);
    const newline = text.indexOf('\n', before);
    found.push({
      rules: match[1]!.split(',').map((rule) => rule.trim()),
      reason: match[2]!.trim(),
      before,
      line: newline < 0 ? text.length : newline,
      start: comment.start!,
      end: comment.end!,
    });
  }
  return found;
}

/** Offset of the first code after a comment, past other comments and the brace that closes one in markup. */
function nextCode(text: string, from: number): number {
  const rest = /(?:\s|\}(?=\s*[\n<])|\/\/[^\n]*|\{?\/\*[\s\S]*?\*\/)*/y;
  rest.lastIndex = from;
  rest.exec(text);
  return Math.max(from, rest.lastIndex);
}
