/**
 * Tokens of C#: names, numbers, texts, marks. Whatever is not known is skipped to its end, so that a file is read to its
 * end, in a time that grows with its length alone.
 */
export interface Token {
  kind: 'name' | 'number' | 'text' | 'template' | 'mark' | 'end';
  /** As written; of texts, what they say. */
  text: string;
  start: number;
  end: number;
  /** template: the holes, as places of code. */
  holes?: { start: number; end: number }[];
}

const NAME = /[\p{L}_][\p{L}\p{Nd}_]*/uy;
/** A text begins with one of these. */
const QUOTED = /["'$@]/;
const QUOTES = /"+/y;
const NUMBER = /(?:0[xXbB][\da-fA-F_]+|\d[\d_]*(?:\.\d[\d_]*)?(?:[eE][+-]?\d+)?|\.\d[\d_]*)[fFdDmMuUlL]*/y;
const MARKS =
  /(?:\?\?=|<<=|>>>|=>|->|::|\?\.|\?\[|\?\?|==|!=|<=|>=|&&|\|\||\+\+|--|\+=|-=|\*=|\/=|%=|&=|\|=|\^=|<<|\.\.|[{}()[\];,.:?+\-*/%=<>!&|^~@#$\\`'"])/y;

/** How much further inside of brackets what follows a token is: 1, -1 behind a closing one, 0. */
export const depthAfter = ({ kind, text }: Token): number =>
  kind !== 'mark' ? 0 : /^(?:[([{]|\?\[)$/.test(text) ? 1 : /^[)\]}]$/.test(text) ? -1 : 0;

/** All tokens of a piece of a text, with one for its end. */
export function tokenise(text: string, from: number, until: number): Token[] {
  const to = Math.min(until, text.length);
  const found: Token[] = [];
  let at = from;
  const add = (token: Token): void => {
    found.push(token);
    at = token.end;
  };
  while (at < to) {
    const char = text[at]!;
    if (/\s/.test(char)) at++;
    else if (char === '/' && text[at + 1] === '/') at = endOfLine(text, at, to);
    else if (char === '/' && text[at + 1] === '*') at = after(text, '*/', at + 2, to);
    else if (char === '@' && text[at + 1] === '*') at = after(text, '*@', at + 2, to);
    else if (char === '#' && isLineStart(text, at)) at = endOfLine(text, at, to);
    else {
      const quoted = QUOTED.test(char) ? readText(text, at, to) : undefined;
      if (quoted) {
        add(quoted);
        continue;
      }
      // `@event` is a name that would be a word of the language.
      const escaped = char === '@' ? 1 : 0;
      const name = match(NAME, text, at + escaped);
      if (name !== undefined && at + escaped + name.length <= to) {
        add({ kind: 'name', text: name, start: at, end: at + escaped + name.length });
        continue;
      }
      const number = match(NUMBER, text, at);
      if (number !== undefined) add({ kind: 'number', text: number, start: at, end: at + number.length });
      else {
        const mark = match(MARKS, text, at) ?? char;
        add({ kind: 'mark', text: mark, start: at, end: at + mark.length });
      }
    }
  }
  found.push({ kind: 'end', text: '', start: to, end: to });
  return found;
}

function match(pattern: RegExp, text: string, at: number): string | undefined {
  pattern.lastIndex = at;
  return pattern.exec(text)?.[0];
}

const endOfLine = (text: string, at: number, to: number): number => after(text, '\n', at, to);

function after(text: string, mark: string, at: number, to: number): number {
  const found = text.indexOf(mark, at);
  return found < 0 || found + mark.length > to ? to : found + mark.length;
}

const isLineStart = (text: string, at: number): boolean => {
  for (let i = at - 1; i >= 0 && text[i] !== '\n'; i--) if (!/\s/.test(text[i]!)) return false;
  return true;
};

/** A text of any kind: plain, with holes, as it stands, between three marks or more. */
function readText(text: string, at: number, to: number): Token | undefined {
  // After `@`, three marks are one, and one that stands for itself.
  const opening = /(?:@\$?|\$@)(?=")|\$*(?="{3,})|\$*(?=")/y;
  opening.lastIndex = at;
  const found = opening.exec(text);
  if (!found) return text[at] === "'" ? readChar(text, at, to) : undefined;
  const [prefix] = found;
  const verbatim = prefix.includes('@');
  const marks = match(QUOTES, text, at + prefix.length)!;
  const isRaw = !verbatim && marks.length >= 3;
  const quotes = isRaw ? marks : '"';
  const start = at + prefix.length + quotes.length;
  const dollars = prefix.split('$').length - 1;
  const holes: { start: number; end: number }[] = [];
  let i = start;
  for (; i < to; i++) {
    if (isRaw && text.startsWith(quotes, i)) break;
    if (!isRaw && text[i] === '"') {
      if (verbatim && text[i + 1] === '"') i++;
      else break;
    } else if (!isRaw && !verbatim && text[i] === '\\') i++;
    else if (!isRaw && !verbatim && text[i] === '\n') break;
    else if (dollars && text.startsWith('{'.repeat(dollars), i)) {
      if (dollars === 1 && text[i + 1] === '{') {
        i++;
        continue;
      }
      const end = endOfHole(text, i + dollars, to);
      holes.push({ start: i + dollars, end });
      i = end;
    }
  }
  const end = Math.min(to, i + quotes.length);
  const said = text.slice(start, Math.min(i, to)).replace(/\\(["\\])/g, '$1');
  return { kind: dollars ? 'template' : 'text', text: said, start: at, end, ...(dollars ? { holes } : {}) };
}

function readChar(text: string, at: number, to: number): Token | undefined {
  const end = text[at + 1] === '\\' ? text.indexOf("'", at + 3) : at + 2;
  if (text[end] !== "'" || end >= to) return undefined;
  return { kind: 'text', text: text.slice(at + 1, end), start: at, end: end + 1 };
}

/** The end of the code in a hole: what follows a colon says how it is written. */
function endOfHole(text: string, at: number, to: number): number {
  let depth = 0;
  for (let i = at; i < to; i++) {
    const char = text[i];
    if (char === '(' || char === '[' || char === '{') depth++;
    else if (char === ')' || char === ']') depth--;
    else if (char === '}') {
      if (depth === 0) return i;
      depth--;
    } else if (char === '"') {
      const inner = readText(text, i, to);
      if (!inner) return to;
      i = inner.end - 1;
    } else if (char === ':' && depth === 0 && text[i + 1] !== ':') return i;
  }
  return to;
}
