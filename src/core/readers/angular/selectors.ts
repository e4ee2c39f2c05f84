/** Selectors of components, directives and slots: `tr[watchRow]`, `button:not([plain])`, `[a], .b`. */
import type { SelectorFact } from '../../model/facts';

const PART =
  /^(?:([a-zA-Z*][\w:-]*)|\.([\w-]+)|#([\w-]+)|\[\s*([^\]=\s]+)\s*(?:=\s*(?:"([^"]*)"|'([^']*)'|([^\]]*)))?\s*\])/;

/** The parts of a list; what cannot be read matches nothing. */
export function parseSelectors(text: string): SelectorFact[] {
  return splitList(text).flatMap((one) => parseOne(one.trim()) ?? []);
}

/** Commas inside of brackets and parentheses do not end a part. */
function splitList(text: string): string[] {
  const found: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    const char = text[i]!;
    if (char === '(' || char === '[') depth++;
    else if (char === ')' || char === ']') depth--;
    else if (char === ',' && depth === 0) {
      found.push(text.slice(from, i));
      from = i + 1;
    }
  }
  return [...found, text.slice(from)];
}

function parseOne(text: string): SelectorFact | undefined {
  const found: SelectorFact = { attributes: [], classes: [], not: [] };
  let rest = text;
  if (!rest) return undefined;
  while (rest) {
    const not = /^:not\(([^)]*)\)/.exec(rest);
    if (not) {
      found.not.push(...parseSelectors(not[1]!));
      rest = rest.slice(not[0].length);
      continue;
    }
    const part = PART.exec(rest);
    if (!part) return undefined;
    const [all, tag, name, id, attribute, double, single, bare] = part;
    if (tag !== undefined) found.tag = tag;
    else if (name !== undefined) found.classes.push(name);
    else {
      const value = id ?? double ?? single ?? bare;
      found.attributes.push({
        name: id === undefined ? attribute! : 'id',
        ...(value === undefined || value === '' ? {} : { value }),
      });
    }
    rest = rest.slice(all.length);
  }
  return found;
}
