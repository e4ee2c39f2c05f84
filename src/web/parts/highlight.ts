/** Highlighted code: whole files are tokenised once, so that an excerpt is coloured as its file is. */
import {
  createCssVariablesTheme,
  createHighlighterCore,
  type HighlighterCore,
  type ThemedToken,
} from 'shiki/core';
import { createJavaScriptRegexEngine } from 'shiki/engine/javascript';

export type Tokens = ThemedToken[][];

const LANGUAGES: Record<string, string> = {
  tsx: 'tsx',
  ts: 'typescript',
  mts: 'typescript',
  cts: 'typescript',
  jsx: 'jsx',
  js: 'jsx',
  mjs: 'javascript',
  cjs: 'javascript',
  vue: 'vue',
  svelte: 'svelte',
};

let highlighter: Promise<HighlighterCore> | undefined;

function load(): Promise<HighlighterCore> {
  highlighter ??= createHighlighterCore({
    themes: [createCssVariablesTheme({ name: 'own', variablePrefix: '--code-' })],
    langs: [
      import('shiki/langs/tsx.mjs'),
      import('shiki/langs/typescript.mjs'),
      import('shiki/langs/jsx.mjs'),
      import('shiki/langs/javascript.mjs'),
      import('shiki/langs/vue.mjs'),
      import('shiki/langs/svelte.mjs'),
    ],
    engine: createJavaScriptRegexEngine(),
  });
  return highlighter;
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
  const lang = LANGUAGES[path.split('.').at(-1) ?? ''];
  if (!lang || text.length > 200_000) {
    return text.split('\n').map((line) => [{ content: line, offset: 0 }]);
  }
  return (await load()).codeToTokensBase(text, { lang, theme: 'own' });
}
