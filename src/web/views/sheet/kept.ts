/** Texts that were changed and not saved, kept while the page's tab is open. */

interface Kept {
  text: string;
  /** The stamp of the text that was changed; absent for a new sheet. */
  over?: string;
}

const keyOf = (project: string, path: string): string => `zinc-rope:sheet:${project}:${path}`;

export function keptText(project: string, path: string): Kept | undefined {
  try {
    const kept = sessionStorage.getItem(keyOf(project, path));
    return kept === null ? undefined : (JSON.parse(kept) as Kept);
  } catch {
    return undefined;
  }
}

/** Without a text, nothing is kept any more. A browser that is full keeps none. */
export function keepText(project: string, path: string, kept: Kept | undefined): void {
  try {
    if (kept) sessionStorage.setItem(keyOf(project, path), JSON.stringify(kept));
    else sessionStorage.removeItem(keyOf(project, path));
  } catch {
    // It stays on the page for as long as that is open.
  }
}
