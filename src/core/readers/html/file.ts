/** Pages: which ids they have, and whether they load scripts. */
import type { Token } from 'parse5';
import type { FileFacts } from '../../model/facts';
import { emptyFile } from '../file';
import { htmlParser } from '../on-demand';

/**
 * Reads a page, tag by tag: a tree would say no more of it, and costs the square of how deep it is nested. What the HTML
 * standard does not allow is read as a browser would.
 */
export function readPage(path: string, text: string): FileFacts {
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
  const ids = new Set<string>();
  let page = false;
  const nothing = () => undefined;
  const tokenizer = new Tokenizer(
    { sourceCodeLocationInfo: false },
    {
      onStartTag({ tagName, attrs }: Token.TagToken) {
        for (const { name, value } of attrs) if (name === 'id' && value) ids.add(value);
        if (tagName === 'script') page = true;
        const state = Object.hasOwn(states, tagName) ? states[tagName] : undefined;
        if (state !== undefined) tokenizer.state = state as typeof tokenizer.state;
      },
      onEndTag: nothing,
      onComment: nothing,
      onDoctype: nothing,
      onEof: nothing,
      onCharacter: nothing,
      onNullCharacter: nothing,
      onWhitespaceCharacter: nothing,
    },
  );
  tokenizer.write(text, true);
  return { ...emptyFile(path), language: 'html', ids: [...ids], ...(page ? { page } : {}) };
}
