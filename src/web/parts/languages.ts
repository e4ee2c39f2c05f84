/** Languages as people write them. */
const NAMES: Record<string, string> = {
  react: 'React',
  vue: 'Vue',
  svelte: 'Svelte',
  angular: 'Angular',
  stencil: 'Stencil',
  razor: 'Razor',
  sheet: 'Sheet',
};

export const languageName = (language: string): string => NAMES[language] ?? language;
