/** A list by what each of its members belongs to, in the order of the list. */
export function groupBy<K, V>(list: Iterable<V>, keyOf: (one: V) => K): Map<K, V[]> {
  const found = new Map<K, V[]>();
  for (const one of list) {
    const key = keyOf(one);
    const group = found.get(key);
    if (group) group.push(one);
    else found.set(key, [one]);
  }
  return found;
}
