/** Razor's markup as a tree: elements, pieces of code, blocks of code with markup in them, directives. */
import type { Span } from '../../model/facts';
import { depthAfter, tokenise } from './lexer';

export interface ElementNode extends Span {
  type: 'element';
  name: string;
  nameAt: Span;
  attributes: AttributeText[];
  children: MarkupNode[];
}

export interface AttributeText extends Span {
  name: string;
  nameAt: Span;
  /** What stands between the quotes; absent where there is no value. */
  value?: Span;
}

/** Code in a text, and the place with what sets it off. */
export interface Piece {
  code: Span;
  whole: Span;
}

/** `@x.y`, `@(x + y)` */
export interface CodeNode extends Span {
  type: 'code';
  code: Span;
}

/** `@if (x) { … } else { … }` and the like: each branch with what it asks for. */
export interface BlockNode extends Span {
  type: 'block';
  word: string;
  branches: { head?: Span; children: MarkupNode[] }[];
}

/** Statements in a block. */
export interface StatementNode extends Span {
  type: 'statement';
}

export interface TextNode extends Span {
  type: 'text';
}

export interface DirectiveNode extends Span {
  type: 'directive';
  word: string;
  /** The rest of the line, or the code between the brackets. */
  rest: Span;
}

export type MarkupNode = ElementNode | CodeNode | BlockNode | StatementNode | TextNode | DirectiveNode;

const VOID = /^(area|base|br|col|embed|hr|img|input|link|meta|param|source|track|wbr)$/i;
const LINE =
  /^(page|layout|inherits|implements|inject|using|typeparam|attribute|namespace|rendermode|preservewhitespace|model|addTagHelper)$/;
const BLOCKS = /^(if|foreach|for|while|switch|using|lock|try|do)$/;
/** Tags in tags are followed so far. */
const MAX_DEPTH = 300;

export class RazorMarkup {
  private at = 0;
  private depth = 0;

  constructor(private readonly text: string) {}

  /** Everything in the file, to its end. */
  whole(): MarkupNode[] {
    const found: MarkupNode[] = [];
    while (this.at < this.text.length) {
      const from = this.at;
      found.push(...this.nodes());
      // An end tag without a beginning.
      if (this.at === from || this.text.startsWith('</', this.at)) this.at = this.to('>', this.at);
    }
    return found;
  }

  /** The pieces of code in a text, without what sets them off; `whole` are the places with that. */
  pieces({ start, end }: Span): Piece[] {
    const found: Piece[] = [];
    for (let i = start; i < end; i++) {
      if (this.text[i] !== '@') continue;
      const next = this.text[i + 1] ?? '';
      if (next === '@') i++;
      else if (next === '(') {
        const to = Math.min(this.balanced(i + 1), end);
        found.push({ code: { start: i + 2, end: to - 1 }, whole: { start: i, end: to } });
        i = to - 1;
      } else if (/[\p{L}_]/u.test(next)) {
        const isAwaited = /^await\s/.test(this.text.slice(i + 1, i + 7));
        const to = Math.min(this.implicitEnd(isAwaited ? i + 7 : i + 1), end);
        found.push({ code: { start: i + 1, end: to }, whole: { start: i, end: to } });
        i = Math.max(to - 1, i);
      }
    }
    return found;
  }

  private to(mark: string, from: number): number {
    const found = this.text.indexOf(mark, from);
    return found < 0 ? this.text.length : found + mark.length;
  }

  /** Nodes up to the end tag of the element around, or the bracket that ends the block. */
  private nodes(): MarkupNode[] {
    const found: MarkupNode[] = [];
    while (this.at < this.text.length) {
      if (this.text.startsWith('</', this.at)) break;
      const one = this.node();
      if (one) found.push(one);
    }
    return found;
  }

  private node(): MarkupNode | undefined {
    const { text, at } = this;
    if (text.startsWith('@*', at)) {
      this.at = this.to('*@', at + 2);
      return undefined;
    }
    if (text.startsWith('<!--', at)) {
      this.at = this.to('-->', at + 4);
      return undefined;
    }
    if (text.startsWith('<!', at)) {
      this.at = this.to('>', at);
      return undefined;
    }
    if (text[at] === '<' && /[A-Za-z]/.test(text[at + 1] ?? '')) return this.element();
    if (text[at] === '@') return this.transition();
    const end = this.textEnd(at + 1);
    this.at = end;
    return /\S/.test(text.slice(at, end)) ? { type: 'text', start: at, end } : undefined;
  }

  private textEnd(from: number): number {
    const pattern = /[<@]/g;
    pattern.lastIndex = from;
    return pattern.exec(this.text)?.index ?? this.text.length;
  }

  private transition(): MarkupNode | undefined {
    const { text, at: start } = this;
    const next = text[start + 1] ?? '';
    // `@@`, and addresses of people.
    if (next === '@' || /\w/.test(text[start - 1] ?? '')) {
      this.at = start + (next === '@' ? 2 : 1);
      return undefined;
    }
    if (next === '(') {
      const end = this.balanced(start + 1);
      this.at = end;
      return { type: 'code', code: { start: start + 2, end: end - 1 }, start, end };
    }
    if (next === '{') {
      this.at = start + 2;
      const children = this.codeBody();
      return { type: 'block', word: '', branches: [{ children }], start, end: this.at };
    }
    if (next === ':') {
      const end = this.to('\n', start);
      this.at = end;
      return { type: 'text', start, end };
    }
    const word = /[A-Za-z_]\w*/y;
    word.lastIndex = start + 1;
    const found = word.exec(text)?.[0];
    if (found === undefined) {
      this.at = start + 1;
      return undefined;
    }
    const after = start + 1 + found.length;
    if (found === 'code' || found === 'functions') {
      const open = /\s*\{/y;
      open.lastIndex = after;
      const bracket = open.exec(text);
      if (bracket) {
        const from = after + bracket[0].length;
        const end = this.balanced(from - 1);
        this.at = end;
        return { type: 'directive', word: 'code', rest: { start: from, end: end - 1 }, start, end };
      }
    }
    if (BLOCKS.test(found) && this.isBlock(found, after)) {
      this.at = start + 1;
      return this.block(start);
    }
    if (LINE.test(found) && /[ \t]/.test(text[after] ?? '') && this.isLineStart(start)) {
      const end = this.to('\n', after);
      this.at = end;
      return {
        type: 'directive',
        word: found,
        rest: { start: after, end: trimmed(text, after, end) },
        start,
        end,
      };
    }
    if (found === 'await') {
      const space = /\s+/y;
      space.lastIndex = after;
      space.exec(text);
      const end = this.implicitEnd(space.lastIndex || after);
      this.at = end;
      return { type: 'code', code: { start: start + 1, end }, start, end };
    }
    const end = this.implicitEnd(start + 1);
    this.at = end;
    return { type: 'code', code: { start: start + 1, end }, start, end };
  }

  private isLineStart(at: number): boolean {
    for (let i = at - 1; i >= 0 && this.text[i] !== '\n'; i--) if (!/\s/.test(this.text[i]!)) return false;
    return true;
  }

  private isBlock(word: string, after: number): boolean {
    const rest = /\s*(\(|\{)/y;
    rest.lastIndex = after;
    const mark = rest.exec(this.text)?.[1];
    return word === 'try' || word === 'do' ? mark === '{' : mark === '(';
  }

  /** The end of what follows `@` without brackets: a name, its members, calls and indexes. */
  private implicitEnd(from: number): number {
    const { text } = this;
    const name = /[\p{L}_][\p{L}\p{Nd}_]*/uy;
    name.lastIndex = from;
    if (!name.exec(text)) return from;
    let end = name.lastIndex;
    for (;;) {
      if (text[end] === '(' || text[end] === '[') {
        end = this.balanced(end);
        continue;
      }
      const dot = /(\?\.|!?\.)(?=[\p{L}_])/uy;
      dot.lastIndex = end;
      const found = dot.exec(text);
      if (!found) {
        if (text[end] === '?' && text[end + 1] === '[') {
          end = this.balanced(end + 1);
          continue;
        }
        return end;
      }
      name.lastIndex = end + found[0].length;
      if (!name.exec(text)) return end;
      end = name.lastIndex;
    }
  }

  /** The end of what a bracket opens, texts and comments in it passed over. */
  private balanced(from: number): number {
    const { text } = this;
    let open = 0;
    let limit = Math.min(text.length, from + 4096);
    for (;;) {
      open = 0;
      for (const token of tokenise(text, from, limit)) {
        const deeper = depthAfter(token);
        open += deeper;
        if (deeper < 0 && open === 0) return token.end;
      }
      if (limit >= text.length) return text.length;
      limit = Math.min(text.length, from + (limit - from) * 4);
    }
  }

  private block(start: number): BlockNode {
    const branches: BlockNode['branches'] = [];
    const first = this.word();
    this.branch(first, branches);
    for (;;) {
      const before = this.at;
      const space = /\s*/y;
      space.lastIndex = this.at;
      space.exec(this.text);
      this.at = space.lastIndex;
      const next = /(else\s+if|else|catch|finally|while)\b/y;
      next.lastIndex = this.at;
      const word = next.exec(this.text)?.[1];
      const fits =
        word !== undefined &&
        (first === 'if'
          ? word.startsWith('else')
          : first === 'try'
            ? /^(catch|finally)$/.test(word)
            : first === 'do' && word === 'while');
      if (!fits) {
        this.at = before;
        break;
      }
      this.at += word.length;
      if (word === 'while') {
        this.head();
        break;
      }
      this.branch(word.replace(/\s+/g, ' '), branches);
    }
    return { type: 'block', word: first, branches, start, end: this.at };
  }

  private word(): string {
    const word = /\w+/y;
    word.lastIndex = this.at;
    const found = word.exec(this.text)?.[0] ?? '';
    this.at += found.length;
    return found;
  }

  private head(): Span | undefined {
    const open = /\s*\(/y;
    open.lastIndex = this.at;
    const found = open.exec(this.text);
    if (!found) return undefined;
    const from = this.at + found[0].length - 1;
    const end = this.balanced(from);
    this.at = end;
    return { start: from + 1, end: end - 1 };
  }

  private branch(word: string, branches: BlockNode['branches']): void {
    const head =
      word === 'else' || word === 'try' || word === 'finally' || word === 'do' ? undefined : this.head();
    const open = /\s*\{/y;
    open.lastIndex = this.at;
    const found = open.exec(this.text);
    if (!found) return;
    this.at += found[0].length;
    branches.push({ ...(head ? { head } : {}), children: this.codeBody() });
  }

  /** Statements with markup between them, up to the bracket that ends them. */
  private codeBody(): MarkupNode[] {
    const found: MarkupNode[] = [];
    if (++this.depth > MAX_DEPTH) {
      this.at = this.balanced(this.at - 1);
      this.depth--;
      return found;
    }
    const { text } = this;
    while (this.at < text.length) {
      const char = text[this.at]!;
      if (/\s/.test(char)) {
        this.at++;
        continue;
      }
      if (char === '}') {
        this.at++;
        break;
      }
      if (text.startsWith('//', this.at)) {
        this.at = this.to('\n', this.at);
        continue;
      }
      if (text.startsWith('/*', this.at)) {
        this.at = this.to('*/', this.at);
        continue;
      }
      if (
        char === '@' ||
        text.startsWith('<!--', this.at) ||
        (char === '<' && /[A-Za-z]/.test(text[this.at + 1] ?? ''))
      ) {
        const one = this.node();
        if (one) found.push(one);
        continue;
      }
      const word = /[a-z]+(?=\s*[({])/y;
      word.lastIndex = this.at;
      const keyword = word.exec(text)?.[0];
      if (keyword !== undefined && BLOCKS.test(keyword) && this.isBlock(keyword, this.at + keyword.length)) {
        found.push(this.block(this.at));
        continue;
      }
      const label = /(case\b[^:\n]*|default\s*):/y;
      label.lastIndex = this.at;
      const labelled = label.exec(text);
      if (labelled) {
        this.at += labelled[0].length;
        continue;
      }
      found.push(this.statement());
    }
    this.depth--;
    return found;
  }

  private statement(): StatementNode {
    const start = this.at;
    let open = 0;
    let limit = Math.min(this.text.length, start + 512);
    for (;;) {
      open = 0;
      for (const token of tokenise(this.text, start, limit)) {
        const deeper = depthAfter(token);
        if (deeper < 0 && open === 0) {
          this.at = Math.max(token.start, start + 1);
          return { type: 'statement', start, end: this.at };
        }
        open += deeper;
        if (token.kind === 'mark' && token.text === ';' && open === 0) {
          this.at = token.end;
          return { type: 'statement', start, end: token.end };
        }
      }
      if (limit >= this.text.length) {
        this.at = this.text.length;
        return { type: 'statement', start, end: this.at };
      }
      limit = Math.min(this.text.length, start + (limit - start) * 4);
    }
  }

  private element(): ElementNode | undefined {
    const { text, at: start } = this;
    const tag = /<([A-Za-z][\w.:-]*)/y;
    tag.lastIndex = start;
    const name = tag.exec(text)![1]!;
    this.at = tag.lastIndex;
    const nameAt = { start: start + 1, end: this.at };
    const attributes = this.attributes();
    const made: ElementNode = {
      type: 'element',
      name,
      nameAt,
      attributes,
      children: [],
      start,
      end: this.at,
    };
    if (text.startsWith('/>', this.at)) {
      this.at += 2;
      made.end = this.at;
      return made;
    }
    if (text[this.at] === '>') this.at++;
    made.end = this.at;
    if (VOID.test(name)) return made;
    if (/^(script|style)$/i.test(name)) {
      const close = /^script$/i.test(name) ? /<\/script/gi : /<\/style/gi;
      close.lastIndex = this.at;
      const found = close.exec(text);
      this.at = found ? this.to('>', found.index) : text.length;
      made.end = this.at;
      return made;
    }
    if (++this.depth > MAX_DEPTH) {
      this.depth--;
      return made;
    }
    made.children = this.nodes();
    this.depth--;
    // An end tag of somebody further out ends this element, too.
    const close = /<\/([\w.:-]+)\s*>/y;
    close.lastIndex = this.at;
    const closing = close.exec(text);
    if (closing && closing[1]!.toLowerCase() === name.toLowerCase()) this.at = close.lastIndex;
    made.end = this.at;
    return made;
  }

  private attributes(): AttributeText[] {
    const { text } = this;
    const found: AttributeText[] = [];
    while (this.at < text.length) {
      const char = text[this.at]!;
      if (/\s/.test(char)) {
        this.at++;
        continue;
      }
      if (char === '>' || text.startsWith('/>', this.at)) break;
      if (text.startsWith('@*', this.at)) {
        this.at = this.to('*@', this.at);
        continue;
      }
      const name = /[^\s=>/"'<]+/y;
      name.lastIndex = this.at;
      const written = name.exec(text)?.[0];
      if (written === undefined) {
        if (char === '<') break;
        this.at++;
        continue;
      }
      const start = this.at;
      // `@(wide ? "hidden" : null)` in the place of an attribute.
      if (written.startsWith('@(')) {
        this.at = this.balanced(start + 1);
        continue;
      }
      this.at += written.length;
      const nameAt = { start, end: this.at };
      const equals = /\s*=\s*/y;
      equals.lastIndex = this.at;
      const is = equals.exec(text);
      if (!is) {
        found.push({ name: written, nameAt, start, end: this.at });
        continue;
      }
      this.at += is[0].length;
      const value = this.value();
      found.push({ name: written, nameAt, value, start, end: this.at });
    }
    return found;
  }

  /** A value between quotes; code in it may have quotes of its own. */
  private value(): Span {
    const { text } = this;
    const quote = text[this.at];
    if (quote !== '"' && quote !== "'") {
      const start = this.at;
      if (text[start] === '@') {
        const end = text[start + 1] === '(' ? this.balanced(start + 1) : this.implicitEnd(start + 1);
        this.at = Math.max(end, start + 1);
      } else {
        const bare = /[^\s>]*/y;
        bare.lastIndex = start;
        bare.exec(text);
        this.at = Math.max(bare.lastIndex, start + 1);
      }
      return { start, end: this.at };
    }
    const start = this.at + 1;
    let i = start;
    while (i < text.length && text[i] !== quote) {
      if (text[i] === '@' && text[i + 1] === '(') i = this.balanced(i + 1);
      else if (text[i] === '@' && /[\p{L}_]/u.test(text[i + 1] ?? ''))
        i = Math.max(this.implicitEnd(i + 1), i + 1);
      else i++;
    }
    this.at = Math.min(text.length, i + 1);
    return { start, end: Math.min(i, text.length) };
  }
}

function trimmed(text: string, from: number, to: number): number {
  let end = to;
  while (end > from && /\s/.test(text[end - 1]!)) end--;
  return end;
}
