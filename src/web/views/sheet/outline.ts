/**
 * What stands where in the text of a sheet, also while it is being written and no whole one: the keys around a place, and
 * the names that are declared. Blocks by their indentation, and what stands in braces and brackets.
 */

/** A key, or an entry of a list. */
export type Step = string | typeof ENTRY;
export const ENTRY = '-';

/** A key or a value, and what it stands in. */
export interface Mention {
  path: Step[];
  text: string;
  isKey: boolean;
}

export interface Outline {
  mentions: Mention[];
  /** What the end of the text stands in. */
  path: Step[];
  /** A key is being written there, and no value. */
  isKey: boolean;
  /** What is written of it already. */
  word: string;
}

interface Block {
  indent: number;
  step: Step;
}

interface Flow {
  step: Step | undefined;
  isMap: boolean;
}

const WORD = /^(?:"(?:[^"\\]|\\.)*"?|'[^']*'?|[^\s,:{}[\]#"'](?:[^,:{}[\]#]|:(?=\S)|(?<=\S)#)*)/;
const LAST_WORD = /[\w$.@-]*$/;

/** Reads a text up to its end. */
export function outlineOf(text: string): Outline {
  const reader = new Reader();
  const lines = text.split('\n');
  lines.forEach((line, index) => reader.line(line, index === lines.length - 1));
  return reader.outline;
}

class Reader {
  readonly outline: Outline = { mentions: [], path: [], isKey: true, word: '' };
  private blocks: Block[] = [];
  private flows: Flow[] = [];

  line(line: string, isLast: boolean): void {
    const content = line.trim();
    const isBlank = content === '' || content.startsWith('#');
    if (isBlank && !isLast) return;
    if (this.flows.length) {
      this.flow(line, 0, isLast);
      return;
    }
    let at = line.length - line.trimStart().length;
    // What stands less deep than this is over.
    const leave = (indent: number) => {
      while (this.blocks.length && this.blocks.at(-1)!.indent >= indent) this.blocks.pop();
    };
    // An entry of a list may stand as deep as the key that holds the list.
    const isEntry = /^-(\s|$)/.test(line.slice(at));
    if (isEntry)
      while (
        this.blocks.length &&
        (this.blocks.at(-1)!.indent > at ||
          (this.blocks.at(-1)!.indent === at && this.blocks.at(-1)!.step === ENTRY))
      )
        this.blocks.pop();
    else leave(at);
    while (/^-(\s|$)/.test(line.slice(at))) {
      this.blocks.push({ indent: at, step: ENTRY });
      at += 1 + /^\s*/.exec(line.slice(at + 1))![0].length;
    }
    const key = /^("(?:[^"\\]|\\.)*"|'[^']*'|[^\s,:{}[\]#"'&*][^:#]*?)\s*:(?=\s|$)/.exec(line.slice(at));
    if (key) {
      this.mention(key[1]!, true);
      this.blocks.push({ indent: at, step: plain(key[1]!) });
      this.flow(line, at + key[0].length, isLast);
    } else if (isLast && !/^[[{]/.test(line.slice(at))) {
      // Behind a key, a value; after the dash of an entry or alone on its line, the start of a key.
      this.end(line.slice(at), !/^[^\s]+\s/.test(line.slice(at)));
    } else this.flow(line, at, isLast);
  }

  /** What stands behind a key, or goes on in braces and brackets. */
  private flow(line: string, from: number, isLast: boolean): void {
    let at = from;
    let lastWord = '';
    while (at < line.length) {
      const rest = line.slice(at);
      const char = rest[0]!;
      if (/\s/.test(char)) {
        at++;
        continue;
      }
      if (char === '#') break;
      const inside = this.flows.at(-1);
      lastWord = '';
      if (char === '{' || char === '[') {
        this.flows.push({ step: char === '[' ? ENTRY : undefined, isMap: char === '{' });
        at++;
      } else if (char === '}' || char === ']') {
        this.flows.pop();
        at++;
      } else if (char === ',') {
        if (inside?.isMap) inside.step = undefined;
        at++;
      } else if (char === ':') at++;
      else {
        const word = WORD.exec(rest)?.[0] ?? char;
        at += word.length;
        const isKey =
          inside?.isMap === true && inside.step === undefined && /^\s*:(\s|$)/.test(line.slice(at));
        if (isKey) {
          this.mention(word.trim(), true);
          inside.step = plain(word.trim());
        } else {
          if (!isLast || at < line.length) this.mention(word.trim(), false);
          lastWord = word;
        }
      }
    }
    if (!isLast) return;
    const inside = this.flows.at(-1);
    this.end(lastWord, inside?.isMap === true && inside.step === undefined);
  }

  private mention(text: string, isKey: boolean): void {
    this.outline.mentions.push({ path: this.path(), text: plain(text), isKey });
  }

  private path(): Step[] {
    const steps = [...this.blocks, ...this.flows].flatMap((one): Step[] =>
      one.step === undefined ? [] : [one.step],
    );
    return steps;
  }

  private end(written: string, isKey: boolean): void {
    this.outline.path = this.path();
    this.outline.isKey = isKey;
    this.outline.word = LAST_WORD.exec(written)![0];
  }
}

const plain = (text: string): string => text.replace(/^(["'])(.*)\1$/, '$2');

/** The component that a path lies in. */
export const componentAt = ([first, name]: Step[]): string | undefined =>
  first === 'components' && name !== undefined ? name : undefined;

const KEEPERS = new Set<Step>(['takes', 'keeps', 'derives', 'consumes']);

/** Names of components that may be used. */
export const componentsIn = ({ mentions }: Outline): string[] =>
  unique(
    mentions.flatMap(({ path, text, isKey }) =>
      isKey && path.length === 1 && (path[0] === 'components' || path[0] === 'uses') ? [text] : [],
    ),
  );

/** Names that values of a component may have after a dollar. */
export function namesIn({ mentions }: Outline, component: string): string[] {
  return unique(
    mentions.flatMap(({ path, text, isKey }) => {
      if (path[0] === 'shared' && path.length === 1 && isKey) return [`shared.${text}`];
      if (componentAt(path) !== component) return [];
      const [, , part, entry] = path;
      if (isKey && path.length === 3 && KEEPERS.has(part!)) return [text];
      const isHandle = part === 'handles' && entry === ENTRY;
      const isInner = path.includes('each') || path.includes('gives');
      return isHandle || (isInner && (isKey || path.at(-1) === ENTRY)) ? [text] : [];
    }),
  );
}

/** Keys that are declared under one of the parts of a component: its events, its slots. */
export const declaredIn = ({ mentions }: Outline, component: string, part: string): string[] =>
  unique(
    mentions.flatMap(({ path, text, isKey }) =>
      isKey && path.length === 3 && componentAt(path) === component && path[2] === part ? [text] : [],
    ),
  );

const unique = (names: string[]): string[] => [...new Set(names)];
