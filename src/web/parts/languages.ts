/** Languages as they are shown: what people call them, and the grammar that their files are coloured by. */
import type { LanguageRegistration } from 'shiki/core';

type Grammar = () => Promise<{ default: LanguageRegistration[] }>;

interface ShownLanguage {
  title: string;
  /** Files of the language alone. */
  files?: { ending: string; grammar: Grammar };
}

/** By the name that the engine has for a language. */
export const LANGUAGES: Record<string, ShownLanguage> = {
  react: { title: 'React' },
  vue: { title: 'Vue', files: { ending: 'vue', grammar: () => import('shiki/langs/vue.mjs') } },
  svelte: { title: 'Svelte', files: { ending: 'svelte', grammar: () => import('shiki/langs/svelte.mjs') } },
  angular: { title: 'Angular' },
  stencil: { title: 'Stencil' },
  razor: { title: 'Razor', files: { ending: 'razor', grammar: () => import('shiki/langs/razor.mjs') } },
  sheet: { title: 'Sheet' },
  html: { title: 'HTML' },
};

export const languageName = (language: string): string => LANGUAGES[language]?.title ?? language;

/** JSX is a part of what TSX is, so that one grammar does for all of it. */
const tsx: Grammar = () => import('shiki/langs/tsx.mjs');
const typescript: Grammar = () => import('shiki/langs/typescript.mjs');
/** Of a script with templates in it, these are coloured, too. */
const templated: Grammar = () => import('shiki/langs/angular-ts.mjs');
/** What templates add to HTML does no harm to plain pages. */
const page: Grammar = () => import('shiki/langs/angular-html.mjs');

/** The grammar of files by their ending, with its own name; it is loaded when the first of them is shown. */
export const GRAMMARS: Record<string, { name: string; grammar: Grammar }> = {
  ...Object.fromEntries(
    ['tsx', 'jsx', 'js', 'mjs', 'cjs'].map((one) => [one, { name: 'tsx', grammar: tsx }]),
  ),
  ...Object.fromEntries(
    ['ts', 'mts', 'cts'].map((one) => [one, { name: 'typescript', grammar: typescript }]),
  ),
  html: { name: 'angular-html', grammar: page },
  ...Object.fromEntries(
    ['yaml', 'yml'].map((one) => [one, { name: 'yaml', grammar: () => import('shiki/langs/yaml.mjs') }]),
  ),
  json: { name: 'json', grammar: () => import('shiki/langs/json.mjs') },
  cshtml: { name: 'razor', grammar: () => import('shiki/langs/razor.mjs') },
  cs: { name: 'csharp', grammar: () => import('shiki/langs/csharp.mjs') },
  ...Object.fromEntries(
    Object.entries(LANGUAGES).flatMap(([name, { files }]) =>
      files ? [[files.ending, { name, grammar: files.grammar }]] : [],
    ),
  ),
};

/** The grammar of a file; undefined where it is shown plain. */
export function grammarOf(path: string, text: string): { name: string; grammar: Grammar } | undefined {
  const ending = path.split('.').at(-1) ?? '';
  if (ending === 'ts' && /@Component\(/.test(text)) return { name: 'angular-ts', grammar: templated };
  return Object.hasOwn(GRAMMARS, ending) ? GRAMMARS[ending] : undefined;
}
