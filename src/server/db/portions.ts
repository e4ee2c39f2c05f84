/** What there is much of crosses between threads and into the database in portions, between which others get their turn. */

/** Something that there are many of, to be had in portions. */
export interface Portions<T> {
  count: number;
  take(from: number, most: number): Promise<T[]>;
}

/** Each portion in order. */
export async function* portions<T>({ count, take }: Portions<T>, most: number): AsyncGenerator<T[]> {
  for (let from = 0; from < count; from += most) yield await take(from, most);
}

/** Rows in the order of their paths, page by page; `fetch` gives those of the page after a path. */
export async function* pages<R extends { path: string }>(
  fetch: (after: string) => Promise<R[]>,
): AsyncGenerator<R[]> {
  for (let after = ''; ;) {
    const rows = await fetch(after);
    if (!rows.length) return;
    after = rows.at(-1)!.path;
    yield rows;
  }
}
