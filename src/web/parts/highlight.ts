/** Highlighted code: whole files are tokenised once, so that an excerpt is coloured as its file is. */
import {
  createCssVariablesTheme,
  createHighlighterCore,
  type HighlighterCore,
  type ThemedToken,
} from 'shiki/core';
import { createJavaScriptRegexEngine } from 'shiki/engine/javascript';
import { GRAMMARS } from './languages';

export type Tokens = ThemedToken[][];

let highlighter: Promise<HighlighterCore> | undefined;

async function load(ending: string): Promise<HighlighterCore> {
  highlighter ??= createHighlighterCore({
    themes: [createCssVariablesTheme({ name: 'own', variablePrefix: '--code-' })],
    langs: [],
    engine: createJavaScriptRegexEngine(),
  });
  const made = await highlighter;
  await made.loadLanguage(GRAMMARS[ending]!.grammar());
  return made;
}

const cache = new Map<string, Promise<Tokens>>();

/** Tokens of a text by line. Very long files are left plain. */
export function tokensOf(path: string, text: string): Promise<Tokens> {
  const key = `${path}\n${text.length}\n${text}`;
  let tokens = cache.get(key);
  if (!tokens) {
    if (cache.size > 200) cache.clear();
    tokens = tokenise(path, text);
    cache.set(key, tokens);
  }
  return tokens;
}

async function tokenise(path: string, text: string): Promise<Tokens> {
  const ending = path.split('.').at(-1) ?? '';
  const lang = GRAMMARS[ending]?.name;
  if (lang === undefined || text.length > 200_000) {
    return text.split('\n').map((line) => [{ content: line, offset: 0 }]);
  }
  return (await load(ending)).codeToTokensBase(text, { lang, theme: 'own' });
}
