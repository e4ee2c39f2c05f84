/** Lines of a file, highlighted, with places marked. */
import { useEffect, useState } from 'react';
import type { Spot } from '../../api/schemas';
import { api, reasonOf } from '../api';
import { tokensOf, type Tokens } from './highlight';

interface CodeProps {
  project: string;
  path: string;
  /** First and last line, from 1. */
  from: number;
  to: number;
  marks: Spot[];
}

export function Code({ project, path, from, to, marks }: CodeProps) {
  const { data: text, error } = api.useSourceQuery({ id: project, path });
  const [tokens, setTokens] = useState<Tokens>();
  useEffect(() => {
    let current = true;
    if (text !== undefined) void tokensOf(path, text).then((found) => current && setTokens(found));
    return () => {
      current = false;
    };
  }, [path, text]);
  if (error) return <p className="text-error">{reasonOf(error)}</p>;
  const all = tokens ?? text?.split('\n').map((content) => [{ content, offset: 0 }]) ?? [];
  const first = Math.max(1, from);
  const lines = all.slice(first - 1, to);
  const indent = commonIndent(lines.map((line) => line.map((token) => token.content).join('')));
  return (
    <pre className="code" style={{ minHeight: (to - first + 1) * 19 }} aria-label={`${path}, line ${first}`}>
      {lines.map((line, i) => {
        const number = first + i;
        const marked = marks.some((mark) => mark.line <= number && number <= mark.endLine);
        return (
          <div key={number} className={`flex ${marked ? 'bg-mark' : ''}`}>
            <span className="w-10 shrink-0 pr-3 text-right text-faint select-none">{number}</span>
            <span className="min-w-0 pr-3 break-words whitespace-pre-wrap">
              <MarkedLine line={line} number={number} marks={marks} indent={indent} />
            </span>
          </div>
        );
      })}
    </pre>
  );
}

function commonIndent(lines: string[]): number {
  const widths = lines.filter((line) => /\S/.test(line)).map((line) => /^\s*/.exec(line)![0].length);
  return widths.length ? Math.min(...widths) : 0;
}

interface Piece {
  content: string;
  color: string | undefined;
  marked: boolean;
}

/** A line's tokens, cut where a mark begins or ends, with the common indentation taken away. */
function MarkedLine({
  line,
  number,
  marks,
  indent,
}: {
  line: Tokens[number];
  number: number;
  marks: Spot[];
  indent: number;
}) {
  const pieces: Piece[] = [];
  let column = 0;
  const isMarked = (at: number) =>
    marks.some(
      (mark) =>
        (mark.line < number || (mark.line === number && mark.column - 1 <= at)) &&
        (mark.endLine > number || (mark.endLine === number && at < mark.endColumn - 1)),
    );
  for (const token of line) {
    for (const char of token.content) {
      const at = column;
      column += char.length;
      if (at < indent) continue;
      const marked = isMarked(at);
      const last = pieces.at(-1);
      if (last && last.marked === marked && last.color === token.color) last.content += char;
      else pieces.push({ content: char, color: token.color, marked });
    }
  }
  return pieces.map((piece, i) => (
    <span
      key={i}
      style={piece.color ? { color: piece.color } : undefined}
      className={piece.marked ? 'border-b-2 border-accent font-medium' : undefined}
    >
      {piece.content}
    </span>
  ));
}

/** A place with some lines around it. */
export function Excerpt({ project, spots, around = 1 }: { project: string; spots: Spot[]; around?: number }) {
  const [first] = spots;
  if (!first) return null;
  const from = Math.min(...spots.map((spot) => spot.line)) - around;
  const to = Math.max(...spots.map((spot) => Math.min(spot.endLine, spot.line + 6))) + around;
  return <Code project={project} path={first.file} from={from} to={to} marks={spots} />;
}
