/** The markup of a component, without its scripts and styles: these are not parsed twice. */
import type { AST } from 'svelte/compiler';
import { svelteCompiler } from '../on-demand';
import type { Span } from '../../model/facts';

/** A component has three blocks at most; where far more seem to begin, looking for each one's end may take for ever. */
const MOST = 8;
const TOO_MANY = 100;
const BEGIN = /<(?:script|style)\b/g;
const BLOCK = /<(script|style)((?:[^>"']|"[^"]*"|'[^']*')*)>([^]*?)<\/\1\s*>/g;

/**
 * The syntax tree of a component, whose scripts and style sheet are empty; `start` and `end` of their contents are those
 * of the text. Throws what the parser throws.
 */
export function parseMarkup(path: string, text: string): AST.Root {
  const begun = text.match(BEGIN)?.length ?? 0;
  // The parser looks for the end of each: where there are very many, or none is ever closed, it would take for ever.
  if (begun > TOO_MANY) throw new Error('the file has more scripts and styles than a component can have');
  const comments = text.slice(Math.max(0, text.lastIndexOf('-->'))).split('<!--').length - 1;
  if (comments > TOO_MANY) throw new Error('a comment is never closed');
  if (begun > MOST) return svelteCompiler().parse(text, { modern: true, filename: path });
  const blanked: Span[] = [];
  const bare = text.replace(BLOCK, (whole, tag: string, attributes: string, content: string, at: number) => {
    if (!content) return whole;
    const start = at + tag.length + attributes.length + 2;
    blanked.push({ start, end: start + content.length });
    return (
      whole.slice(0, start - at) + content.replace(/[^\n]/g, ' ') + whole.slice(start - at + content.length)
    );
  });
  const root = svelteCompiler().parse(bare, { modern: true, filename: path });
  const blocks = [root.module, root.instance, root.css].flatMap((one) =>
    one ? [one.content as unknown as Span] : [],
  );
  // What looks like a script inside of the markup is markup.
  const isBlock = ({ start, end }: Span) => blocks.some((one) => one.start <= start && end <= one.end);
  return blanked.every(isBlock) ? root : svelteCompiler().parse(text, { modern: true, filename: path });
}
