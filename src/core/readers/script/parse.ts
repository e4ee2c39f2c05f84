import { parse as babelParse, type ParserPlugin } from '@babel/parser';
import type * as t from '@babel/types';
import type { Problem } from '../../model/facts';

/** Mistakes that JavaScript engines or type checkers report, but that leave the tree whole. */
const HARMLESS = new Set([
  'VarRedeclaration',
  'DuplicateExport',
  'DuplicateDefaultExport',
  'ModuleExportUndefined',
  'DeclareFunctionHasImplementation',
  'IllegalReturn',
  'StrictDelete',
  'StrictOctalLiteral',
  'StrictNumericEscape',
  'DuplicateAccessibilityModifier',
  'OptionalBindingPattern',
  'UnexpectedReservedWord',
]);

/** The syntax tree, or where and why there is none. */
export type Parsed = { program: t.Program; comments: t.Comment[] } | { problem: Problem };

/** Where a piece of code stands in its file. */
export interface Piece {
  offset: number;
}

function plugins(path: string, flow: boolean): ParserPlugin[] {
  const typed = /\.[cm]?tsx?$/.test(path);
  const list: ParserPlugin[] = ['decorators-legacy', 'explicitResourceManagement', 'exportDefaultFrom'];
  if (typed) list.push('typescript');
  else if (flow) list.push(['flow', { all: true }]);
  if (!/\.[cm]?ts$/.test(path)) list.push('jsx');
  return list;
}

interface SyntaxProblem {
  message?: string;
  reasonCode?: string;
  loc?: { line: number; column: number };
}

function attempt(path: string, text: string, errorRecovery: boolean, flow: boolean, offset: number) {
  return babelParse(text, {
    startIndex: offset,
    startColumn: offset,
    sourceType: 'module',
    allowImportExportEverywhere: true,
    allowReturnOutsideFunction: true,
    allowAwaitOutsideFunction: true,
    allowUndeclaredExports: true,
    attachComment: false,
    errorRecovery,
    plugins: plugins(path, flow),
  });
}

/** Each of these may open a list of types, which the parser tries and takes back: so many take it minutes. */
const NESTED = /(?:<\s*[$\w.]+\s*){60}/;

/** What the stack cannot hold. */
export const TOO_DEEP = 'the code is nested too deeply';

function problemOf(error: unknown): Problem {
  const { message, loc } = error as SyntaxProblem;
  return {
    message:
      error instanceof RangeError
        ? TOO_DEEP
        : (message ?? 'the file cannot be parsed').replace(/\s*\(\d+:\d+\)$/, ''),
    line: loc?.line ?? 1,
    column: (loc?.column ?? 0) + 1,
  };
}

/**
 * Parses JavaScript or TypeScript, with JSX where the file name allows it. Never throws. For code inside another file,
 * `offset` is where it starts there; the column of a problem is then its offset.
 */
export function parseScript(path: string, text: string, { offset }: Piece = { offset: 0 }): Parsed {
  if (NESTED.test(text)) return { problem: { message: TOO_DEEP, line: 1, column: 1 } };
  let first: unknown;
  try {
    const file = attempt(path, text, false, false, offset);
    return { program: file.program, comments: file.comments ?? [] };
  } catch (error) {
    first = error;
  }
  for (const flow of /\.[cm]?jsx?$/.test(path) ? [false, true] : [false]) {
    try {
      const file = attempt(path, text, true, flow, offset);
      const errors = (file.errors ?? []) as SyntaxProblem[];
      if (errors.every((error) => HARMLESS.has(error.reasonCode ?? ''))) {
        return { program: file.program, comments: file.comments ?? [] };
      }
    } catch {
      // The first attempt says best what is wrong.
    }
  }
  return { problem: problemOf(first) };
}
