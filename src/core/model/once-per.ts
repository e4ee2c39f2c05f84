/** Makes a function that works out something once for each object, and keeps it for as long as the object lives. */
export function oncePer<K extends object, V>(work: (of: K) => V): (of: K) => V {
  const known = new WeakMap<K, { value: V }>();
  return (of) => {
    let found = known.get(of);
    if (!found) known.set(of, (found = { value: work(of) }));
    return found.value;
  };
}

/**
 * The same for what is made of a linked project: it holds as long as code only moves. What it makes must not say where
 * places are in the texts (`located`), as that changes then.
 */
export function oncePerLink<P extends { flow: object }, V>(work: (project: P) => V): (project: P) => V {
  const known = oncePer((_flow: object): { found?: { value: V } } => ({}));
  return (project) => (known(project.flow).found ??= { value: work(project) }).value;
}
