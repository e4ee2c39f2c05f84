/**
 * The tags of a page, one by one: a tree by the rules of the standard would say no more of them, and costs the square of
 * how deep it is nested. What the standard does not allow is read as a browser would.
 */
import type { Token } from 'parse5';
import type { Span } from '../../model/facts';
import { htmlParser } from '../on-demand';
import { isOwnTag } from '../../model/own-elements';

export interface PageAttribute extends Span {
  /** In small letters. */
  name: string;
  nameEnd: number;
  value: string;
  /** Where the value stands, without its quotes; the name, where there is none. */
  at: Span;
}

export interface PageTag extends Span {
  name: string;
  /** Index of the tag that it stands in, or -1. */
  parent: number;
  attributes: PageAttribute[];
  /** A text stands right in it. */
  textual: boolean;
}

export interface PageTags {
  tags: PageTag[];
  /** Scripts that are written on the page: the places of their texts. */
  scripts: Span[];
  comments: (Span & { value: string })[];
}

/** Tags that are closed as they open. */
const VOID = new Set('area base br col embed hr img input link meta param source track wbr'.split(' '));
/** Another of these begins only where the one before it ends, whether that says so or not. */
const IN_ROW = new Set('p li dt dd option tr td th'.split(' '));

/** Reads the tags of a page, in their order. */
export function readTags(text: string): PageTags {
  const { Tokenizer, TokenizerMode } = htmlParser();
  /** What stands in these is text. */
  const states: Record<string, number> = {
    script: TokenizerMode.SCRIPT_DATA,
    style: TokenizerMode.RAWTEXT,
    xmp: TokenizerMode.RAWTEXT,
    iframe: TokenizerMode.RAWTEXT,
    noembed: TokenizerMode.RAWTEXT,
    noframes: TokenizerMode.RAWTEXT,
    textarea: TokenizerMode.RCDATA,
    title: TokenizerMode.RCDATA,
  };
  const found: PageTags = { tags: [], scripts: [], comments: [] };
  const open: number[] = [];
  /** How many of a name are open, so that an end of none of them is not looked for. */
  const depth = new Map<string, number>();
  const close = (name: string): void => {
    while (open.length) {
      const last = found.tags[open.pop()!]!.name;
      depth.set(last, depth.get(last)! - 1);
      if (last === name) return;
    }
  };
  const textual = () => {
    if (open.length) found.tags[open.at(-1)!]!.textual = true;
  };
  const nothing = () => undefined;
  const tokenizer = new Tokenizer(
    { sourceCodeLocationInfo: true },
    {
      onStartTag(token: Token.TagToken) {
        const { tagName: name, selfClosing, location } = token;
        if (IN_ROW.has(name) && found.tags[open.at(-1) ?? -1]?.name === name) close(name);
        const start = location!.startOffset;
        const index =
          found.tags.push({
            name,
            start,
            end: location!.endOffset,
            parent: open.at(-1) ?? -1,
            attributes: token.attrs.map((one) => attributeOf(token, one, text)),
            textual: false,
          }) - 1;
        if (name === 'script') found.scripts.push({ start: location!.endOffset, end: location!.endOffset });
        // A browser leaves an element of one's own open, whatever its tag says.
        if (!VOID.has(name) && (!selfClosing || isOwnTag(name))) {
          open.push(index);
          depth.set(name, (depth.get(name) ?? 0) + 1);
        }
        const state = Object.hasOwn(states, name) ? states[name] : undefined;
        if (state !== undefined) tokenizer.state = state as typeof tokenizer.state;
      },
      onEndTag({ tagName: name, location }: Token.TagToken) {
        if (!depth.get(name)) return;
        if (name === 'script') found.scripts.at(-1)!.end = location!.startOffset;
        close(name);
      },
      onComment({ data: value, location }: Token.CommentToken) {
        found.comments.push({ value, start: location!.startOffset, end: location!.endOffset });
      },
      onDoctype: nothing,
      onEof: nothing,
      onCharacter: textual,
      onNullCharacter: nothing,
      onWhitespaceCharacter: nothing,
    },
  );
  tokenizer.write(text, true);
  return found;
}

function attributeOf(
  { location }: Token.TagToken,
  { name, value }: Token.Attribute,
  text: string,
): PageAttribute {
  const { startOffset: start, endOffset: end } = location!.attrs![name]!;
  const written = text.slice(start, end);
  const equals = written.search(/[\s=]/);
  const nameEnd = equals < 0 ? end : start + equals;
  const opened = /^[^=]*=\s*["']?/.exec(written)?.[0].length;
  const at =
    opened === undefined
      ? { start, end }
      : { start: start + opened, end: /["']$/.test(written) && end - 1 >= start + opened ? end - 1 : end };
  return { name, nameEnd, value, at, start, end };
}
