/** Whether what stands in two places is the same, shown now here, now there; or two things, each with a state of its own. */
import type { ExprFact } from '../../model/facts';
import type { Component, Site } from '../../model/project';

/** What both places are given under one name is the same; otherwise they show two things, each with a state of its own. */
export function isSameThing(owner: Component, a: Site, b: Site): boolean {
  if (a.fact === b.fact) return true;
  if (!isSameContent(owner, a, b)) return false;
  return a.fact.attributes.every((one) => {
    const other = b.fact.attributes.find(({ name, mode }) => name === one.name && mode === one.mode);
    return (
      !other || !/^(value|two-way)$/.test(one.mode) || isOfLooks(one.name) || isAlike(one.value, other.value)
    );
  });
}

const isOfLooks = (name: string): boolean => /^(class|className|style|size|variant)$/.test(name);

function isAlike(a: ExprFact, b: ExprFact): boolean {
  if (a.kind !== b.kind || a.kind === 'function') return a.kind === b.kind;
  if (a.kind === 'literal') return typeof valueOf(a) === 'boolean' || valueOf(a) === valueOf(b);
  const told = ({ symbol, path, uses, component, start, end }: ExprFact) =>
    JSON.stringify([symbol, path, uses, component, a.kind === 'identity' ? 0 : end - start]);
  return told(a) === told(b);
}

const valueOf = ({ type }: ExprFact) => (type?.t === 'lit' ? type.v : undefined);

/** What is nested in both places has something in common: `<Frame>{wind}</Frame>` and `<Frame>{log}</Frame>` are two frames. */
function isSameContent(owner: Component, a: Site, b: Site): boolean {
  const [inside, other] = [nestedIn(owner, a), nestedIn(owner, b)];
  return !inside.size || !other.size || [...inside].some((one) => other.has(one));
}

/** The tags, values and slots that stand in the content of a call site. */
function nestedIn({ facts }: Component, { fact, node }: Site): Set<string> {
  const { start, end } = facts.render[node]!;
  const isInside = (one: { start: number; end: number }): boolean =>
    start < one.start &&
    one.end < end &&
    !fact.attributes.some((given) => given.start <= one.start && one.end <= given.end);
  const parts = facts.render.flatMap((one) => {
    if (!isInside(one)) return [];
    return one.tag ? [`<${one.tag.name}`] : one.outlet === undefined ? [] : [`{${one.outlet}`];
  });
  const reads = facts.reads.flatMap((one) =>
    isInside(one) ? [[one.symbol, ...(one.path ?? [])].join('.')] : [],
  );
  return new Set([...parts, ...reads]);
}
