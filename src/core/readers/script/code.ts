/** Pieces of code inside another file, parsed where they stand. */
import { parse, parseExpression, type ParserOptions, type ParserPlugin } from '@babel/parser';
import type * as t from '@babel/types';

const options = (offset: number, typed: boolean): ParserOptions => {
  const plugins: ParserPlugin[] = typed ? ['typescript'] : [];
  return { startIndex: offset, startColumn: offset, sourceType: 'module', attachComment: false, plugins };
};

/** Types may be written in any template whose script has them; most have none. */
function attempt<Node>(read: (typed: boolean) => Node): Node | undefined {
  for (const typed of [true, false]) {
    try {
      return read(typed);
    } catch {
      // Tried the other way, or left out.
    }
  }
  return undefined;
}

export interface Code {
  text: string;
  offset: number;
}

/** Statements, or undefined where they cannot be read. */
export function parseStatements({ text, offset }: Code): t.Statement[] | undefined {
  return attempt((typed) => parse(text, options(offset, typed)))?.program.body;
}

/** An expression, or undefined where it cannot be read. */
export function parseCode({ text, offset }: Code): t.Expression | undefined {
  return attempt((typed) => parseExpression(text, options(offset, typed)));
}

/** A pattern, as in `v-for` and `v-slot`. */
export function parsePattern({ text, offset }: Code): t.Node[] {
  const fn = parseCode({ text: `(${text})=>0`, offset: offset - 1 });
  return fn?.type === 'ArrowFunctionExpression' ? fn.params : [];
}
