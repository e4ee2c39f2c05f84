/** A list by what each of its members belongs to, in the order of the list. */
export function groupBy<K, V>(list: Iterable<V>, keyOf: (one: V) => K): Map<K, V[]> {
  const found = new Map<K, V[]>();
  for (const one of list) pushTo(found, keyOf(one), one);
  return found;
}

/** Adds one to those of its group. */
export function pushTo<K, V>(groups: Map<K, V[]>, key: K, one: V): void {
  const group = groups.get(key);
  if (group) group.push(one);
  else groups.set(key, [one]);
}
