/** Scripts that are blocks of a file with markup. */
import type * as t from '@babel/types';
import type { Problem } from '../../model/facts';
import { lineIndex } from '../../model/lines';
import { parseScript } from './parse';

export interface Block {
  text: string;
  offset: number;
  /** What a file of its own would be called by: `ts`, `tsx`, `js`. */
  lang: string;
}

export type Statements = { body: t.Statement[]; comments: t.Comment[] } | { problem: Problem };

/** The statements of a block, at their places in the file; none where there is no block. */
export function readBlock(block: Block | undefined, text: string): Statements {
  if (!block) return { body: [], comments: [] };
  const { offset } = block;
  const parsed = parseScript(`script.${block.lang}`, block.text, { offset });
  if (!('problem' in parsed)) return { body: parsed.program.body, comments: parsed.comments };
  const { message, line, column } = parsed.problem;
  const first = lineIndex(text).at(offset);
  return {
    problem: {
      message,
      line: first.line + line - 1,
      column: line === 1 ? column - offset + first.column - 1 : column,
    },
  };
}

/**
 * One program in which what is made anew for every instance is the body of a function, so that its names are not those
 * of the module.
 */
export function instanceProgram(
  text: string,
  module: t.Statement[],
  instance: t.Statement[],
): { program: t.Program; body: t.FunctionDeclaration } {
  const span = { start: instance[0]?.start ?? 0, end: instance.at(-1)?.end ?? 0 };
  const body = {
    type: 'FunctionDeclaration',
    id: null,
    params: [],
    body: { type: 'BlockStatement', body: instance, directives: [], ...span },
    generator: false,
    async: false,
    ...span,
  } as unknown as t.FunctionDeclaration;
  const program = {
    type: 'Program',
    body: [...module, body],
    directives: [],
    sourceType: 'module',
    start: 0,
    end: text.length,
  } as unknown as t.Program;
  return { program, body };
}

/** Comments of the markup, for what they silence. */
export function markupComments(text: string): t.Comment[] {
  return [...text.matchAll(/<!--([\s\S]*?)-->/g)].map(
    (match) =>
      ({
        type: 'CommentBlock',
        value: match[1]!,
        start: match.index,
        end: match.index + match[0].length,
      }) as t.Comment,
  );
}
