/** The `exports` and `imports` of a package.json: names, patterns with one star, conditions in any order. */

export type ExportsMap = [key: string, targets: string[]][];

/**
 * The paths that a name leads to, as written in the map; empty if the map does not have it. An exact key goes
 * before patterns, the longest prefix first (Node.js: PACKAGE_IMPORTS_EXPORTS_RESOLVE).
 */
export function mapped(map: ExportsMap, name: string): string[] {
  const exact = map.find(([key]) => key === name);
  if (exact) return exact[1];
  const patterns = map
    .filter(([key]) => key.includes('*'))
    .sort(([a], [b]) => b.indexOf('*') - a.indexOf('*') || b.length - a.length);
  for (const [key, targets] of patterns) {
    const [prefix, suffix] = key.split('*') as [string, string];
    if (name.length < prefix.length + suffix.length) continue;
    if (!name.startsWith(prefix) || !name.endsWith(suffix)) continue;
    const star = name.slice(prefix.length, name.length - suffix.length);
    return targets.map((target) => target.replaceAll('*', star));
  }
  return [];
}
