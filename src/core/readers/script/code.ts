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
  if (PLAIN.test(text)) return plainMember(text, offset);
  return attempt((typed) => parseExpression(text, options(offset, typed)));
}

/** Names that are looked up, and members of them: most of the code in markup, and not worth a parser. */
const PLAIN =
  /^(?!(?:true|false|null|this|super|new|import|await|yield)\b)[A-Za-z_$][\w$]*(?:\.[A-Za-z_$][\w$]*)*$/;

function plainMember(text: string, offset: number): t.Expression {
  const [first, ...members] = text.split('.') as [string, ...string[]];
  let end = offset + first.length;
  let node: t.Expression = identifier(first, offset);
  for (const name of members) {
    const property = identifier(name, end + 1);
    end = property.end!;
    node = {
      type: 'MemberExpression',
      object: node,
      property,
      computed: false,
      start: offset,
      end,
    } as t.MemberExpression;
  }
  return node;
}

const identifier = (name: string, start: number): t.Identifier =>
  ({ type: 'Identifier', name, start, end: start + name.length }) as t.Identifier;

/** A pattern, as in `v-for` and `v-slot`. */
export function parsePattern({ text, offset }: Code): t.Node[] {
  const fn = parseCode({ text: `(${text})=>0`, offset: offset - 1 });
  return fn?.type === 'ArrowFunctionExpression' ? fn.params : [];
}
