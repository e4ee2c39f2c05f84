/** What Svelte's own functions and types mean to a reader. */
import type { ImportFact, Traits } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import type { NamedType } from '../script/type-expr';

/** `snippets`: the component takes its content as snippets, and not by slots. */
export const svelteTraits = (snippets: boolean): Traits => ({
  callbackProps: true,
  lowerCallbacks: true,
  attributesFallThrough: false,
  handlesHold: true,
  refExposes: 'listed',
  statementHandlers: false,
  listenersWritten: true,
  inputsWritable: true,
  inputsAreNames: true,
  plainState: true,
  contentPort: snippets ? 'children' : '#default',
  contextByIdentity: false,
  contextAtSetup: true,
});

export const eventPort = (name: string): string => `@${name}`;
export const slotPort = (name: string): string => `#${name}`;

/** Functions whose state, and what they provide and ask for, belong to whoever calls them. */
export const FOLLOWED = /(^|\.)(use|get|set|create|init|provide|inject|make)[A-Z]/;

/** Files that fetch for a page or a layout of their folder, and the function that does. */
export const FETCHES = /(?:^|\/)\+(page|layout)(\.server)?\.[cm]?[jt]s$/;
export const FETCH = 'load';

/** Whether a function of a module is read for whoever calls it. */
export const isFollowed = (path: string, name: string): boolean =>
  FOLLOWED.test(name) || (name === FETCH && FETCHES.test(path));

/** Svelte's name of what a file imports from it. */
export type SvelteNames = (local: string) => string | undefined;

export function svelteNames(imports: ImportFact[]): SvelteNames {
  const named = new Map(
    imports
      .filter((one) => one.from === 'svelte' || one.from.startsWith('svelte/'))
      .map((one) => [one.local, one.name]),
  );
  return (local) => named.get(local);
}

/** Types that Svelte defines: a snippet is content. */
export function svelteTypes(imports: ImportFact[]): NamedType {
  const own = svelteNames(imports);
  return (name) => {
    const known = own(name.split('.')[0]!);
    if (known === undefined) return undefined;
    return known === 'Snippet' ? { t: 'content' } : UNKNOWN;
  };
}

/** A component is what its file exports without a name; modules may have such endings, too. */
export const isComponentImport = ({ from, name }: ImportFact): boolean =>
  name === 'default' && from.endsWith('.svelte');
