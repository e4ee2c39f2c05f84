/** Makes a function that works out something once for each object, and keeps it for as long as the object lives. */
export function oncePer<K extends object, V>(work: (of: K) => V): (of: K) => V {
  const known = new WeakMap<K, { value: V }>();
  return (of) => {
    let found = known.get(of);
    if (!found) known.set(of, (found = { value: work(of) }));
    return found.value;
  };
}
