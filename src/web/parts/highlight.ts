/** Highlighted code: whole files are tokenised once, so that an excerpt is coloured as its file is. */
import {
  createCssVariablesTheme,
  createHighlighterCore,
  type HighlighterCore,
  type ThemedToken,
} from 'shiki/core';
import { createJavaScriptRegexEngine } from 'shiki/engine/javascript';
import { grammarOf } from './languages';

export type Tokens = ThemedToken[][];

let highlighter: Promise<HighlighterCore> | undefined;

async function load({ grammar }: NonNullable<ReturnType<typeof grammarOf>>): Promise<HighlighterCore> {
  highlighter ??= createHighlighterCore({
    themes: [createCssVariablesTheme({ name: 'own', variablePrefix: '--code-' })],
    langs: [],
    engine: createJavaScriptRegexEngine(),
  });
  const made = await highlighter;
  await made.loadLanguage(grammar());
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
  const known = grammarOf(path, text);
  if (known === undefined || text.length > 200_000) {
    return text.split('\n').map((line) => [{ content: line, offset: 0 }]);
  }
  return (await load(known)).codeToTokensBase(text, { lang: known.name, theme: 'own' });
}
