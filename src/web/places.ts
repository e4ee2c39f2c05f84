/** The place that each project was left at. */
const KEPT = 'zinc-rope-places';
/** So many projects are remembered, those visited last. */
const MOST = 50;

function all(): [id: string, place: string][] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
    return Array.isArray(kept) ? (kept as [string, string][]) : [];
  } catch {
    return [];
  }
}

/** Where a project was left; its overview, if it was never opened. */
export function lastPlace(id: string): string {
  const place = all().find(([one]) => one === id)?.[1];
  return place?.startsWith(`/p/${id}/`) ? place : `/p/${id}/overview`;
}

export function rememberPlace(id: string, place: string): void {
  const others = all().filter(([one]) => one !== id);
  localStorage.setItem(KEPT, JSON.stringify([[id, place], ...others].slice(0, MOST)));
}
