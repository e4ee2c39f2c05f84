/** What the component of a file is called inside it, where no name of the code means it. */
export const SELF = '#self';

/** A name for what is exported without one: the file's, or its folder's for an index file. */
export function nameFromPath(path: string): string {
  const parts = path.split('/');
  let base = (parts.at(-1) ?? '').replace(/(?:\.svelte)?\.\w+$/, '');
  if (base === 'index' && parts.length > 1) base = parts.at(-2)!;
  const words = base.split(/[^A-Za-z0-9]+/).filter(Boolean);
  return words.map((word) => word[0]!.toUpperCase() + word.slice(1)).join('') || 'Component';
}
