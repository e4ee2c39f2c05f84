/** What a rigging shows, as it stands in the address of the screen: the part that the server is asked. */

/** In the order in which they are asked, so that the same wish is the same question. */
const ASKED = [
  'find',
  'component',
  'channel',
  'level',
  'rule',
  'folder',
  'beside',
  'whole',
  'pin',
  'fold',
  'open',
] as const;

/** The question, as a query. */
export function askIn(search: URLSearchParams): string {
  const ask = new URLSearchParams();
  for (const key of ASKED) for (const value of search.getAll(key)) if (value) ask.append(key, value);
  return ask.toString();
}

/** Whether something narrows the strands. */
export const isNarrowed = (search: URLSearchParams): boolean =>
  ['find', 'component', 'channel', 'level', 'rule', 'folder'].some((key) => search.get(key));
