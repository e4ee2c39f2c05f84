/** Highlighted code: whole files are tokenised once, so that an excerpt is coloured as its file is. */
import {
  createCssVariablesTheme,
  createHighlighterCore,
  type HighlighterCore,
  type ThemedToken,
} from 'shiki/core';
import { createJavaScriptRegexEngine } from 'shiki/engine/javascript';

export type Tokens = ThemedToken[][];

/** The grammar of a kind of file, loaded when the first of them is shown. */
const GRAMMARS = {
  tsx: () => import('shiki/langs/tsx.mjs'),
  typescript: () => import('shiki/langs/typescript.mjs'),
  vue: () => import('shiki/langs/vue.mjs'),
  svelte: () => import('shiki/langs/svelte.mjs'),
};

/** JSX is a part of what TSX is, so that one grammar does for all of it. */
const LANGUAGES: Record<string, keyof typeof GRAMMARS> = {
  tsx: 'tsx',
  jsx: 'tsx',
  js: 'tsx',
  mjs: 'tsx',
  cjs: 'tsx',
  ts: 'typescript',
  mts: 'typescript',
  cts: 'typescript',
  vue: 'vue',
  svelte: 'svelte',
};

let highlighter: Promise<HighlighterCore> | undefined;

async function load(lang: keyof typeof GRAMMARS): Promise<HighlighterCore> {
  highlighter ??= createHighlighterCore({
    themes: [createCssVariablesTheme({ name: 'own', variablePrefix: '--code-' })],
    langs: [],
    engine: createJavaScriptRegexEngine(),
  });
  const made = await highlighter;
  await made.loadLanguage(GRAMMARS[lang]());
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
  const lang = LANGUAGES[path.split('.').at(-1) ?? ''];
  if (!lang || text.length > 200_000) {
    return text.split('\n').map((line) => [{ content: line, offset: 0 }]);
  }
  return (await load(lang)).codeToTokensBase(text, { lang, theme: 'own' });
}
