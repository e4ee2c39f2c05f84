import type { Linked } from '../../link';
import type { Span } from '../../model/facts';
import { isChosen } from '../../link/3-tags/sites';
import { useOf } from '../../link/4-ports/use-of-ports';
import { nearest } from '../../model/names';
import type { Component, Port, Site } from '../../model/project';
import { placeOf, step, type Rule } from '../rule';

export const slotPropUnknown: Rule = {
  name: 'slot/prop-unknown',
  level: 'error',
  summary: 'The content uses a slot parameter that the outlet does not give.',
  check({ project, report }) {
    for (const site of project.written) {
      if (isChosen(project, site)) continue;
      const owner = project.components[site.owner]!;
      const target = project.components[site.target]!;
      for (const { name, fn } of contentFunctions(owner, site)) {
        const port = target.ports.get(name);
        if (!port || target.facts.wrapped) continue;
        const given = givenTo(project, target, port);
        if (!given) continue;
        const more = target.facts.traits.lowerCallbacks ? beyond(owner, fn, given.count) : [];
        const members = given.names ? usedBy(owner, fn).filter(({ name }) => !given.names!.has(name)) : [];
        for (const used of [...members, ...more]) {
          const near = nearest(used.name, given.names ?? []);
          const place = placeOf(site.file, used);
          const known = [...(given.names ?? [])].join(', ');
          report({
            component: target,
            port,
            place,
            site: site.id,
            message: `${owner.name} uses "${used.name}" in the content for "${name}", and ${target.name} gives ${near ? `"${near}"; is it meant?` : known ? `only ${known}.` : 'nothing.'}`,
            trail: [
              step(target, placeOf(target.file, given.at), name, 'is called with what it gives', 'start'),
              step(owner, place, used.name, 'is not among it', 'wait'),
            ],
            ...(near ? { suggestion: near } : {}),
          });
        }
      }
    }
  },
};

/** Functions that a call site gives as content, by the slot that they fill. */
function contentFunctions({ facts }: Component, site: Site): { name: string; fn: number }[] {
  const found = site.fact.attributes.flatMap(({ name, value, mode }) => {
    // Content under a name is what that holds.
    const held = value.kind === 'identity' ? facts.symbols[value.symbol!]!.init : value;
    const isContent = held === value || held?.content !== undefined;
    return mode === 'value' && isContent && held?.kind === 'function' && held.fn !== undefined
      ? [{ name, fn: held.fn }]
      : [];
  });
  const only = site.fact.only;
  if (only?.kind === 'function' && only.fn !== undefined) {
    found.push({ name: facts.traits.contentPort, fn: only.fn });
  }
  return found;
}

/** The members that an outlet gives, where every call of it gives a known object. */
function givenTo(
  project: Linked,
  target: Component,
  port: Port,
): { names: Set<string> | undefined; count: number; at: Span } | undefined {
  if (port.symbol < 0) return undefined;
  const use = useOf(target, port);
  if (use.passes.length || use.spread || use.written) return undefined;
  if (target.facts.provides.some((one) => one.value && mentions(one.value, port.symbol))) return undefined;
  let names: Set<string> | undefined = new Set<string>();
  for (const emit of use.emits) {
    const [first] = emit.args;
    if (emit.how !== 'called' || !first) return undefined;
    const known =
      first.kind === 'object' && !first.open
        ? (first.members ?? []).map((one) => one.name)
        : declaredBy(project, port);
    if (!known) names = undefined;
    for (const name of known ?? []) names?.add(name);
  }
  // Read otherwise than by calling it, it may be called elsewhere.
  const elsewhere = use.reads.some((read) => read.where !== 'condition' && read.where !== 'text');
  const [emit] = use.emits;
  const count = Math.max(0, ...use.emits.map(({ args }) => args.length));
  return emit && !elsewhere ? { names, count, at: emit } : undefined;
}

/** The members of what is given, where the type of the content tells all of them. */
function declaredBy(project: Linked, { type }: Port): string[] | undefined {
  const shape = type && project.types.resolve(type);
  const parts = shape?.k === 'union' ? shape.of : shape ? [shape] : [];
  const [fn, ...others] = parts.filter((one) => one.k === 'fn');
  const param = fn && !others.length ? fn.params[0] : undefined;
  const given = param && project.types.resolve(param.type);
  return given?.k === 'object' && !given.open && !given.index ? [...given.members.keys()] : undefined;
}

const mentions = (value: { symbol?: number; uses?: number[] }, symbol: number): boolean =>
  value.symbol === symbol || value.uses?.includes(symbol) === true;

/** Parameters of a function that it reads, and for which nothing is given. */
const beyond = ({ facts }: Component, fn: number, count: number): (Span & { name: string })[] =>
  facts.functions[fn]!.params.slice(count).flatMap((symbol) => {
    const isRead = symbol >= 0 && facts.reads.some((read) => read.symbol === symbol);
    return isRead ? [facts.symbols[symbol]!] : [];
  });

/** The members of its first parameter that a function uses. */
function usedBy({ facts }: Component, fn: number): (Span & { name: string })[] {
  const fact = facts.functions[fn]!;
  if (fact.takes) return fact.takes.names;
  const param = fact.params[0];
  if (param === undefined || param < 0 || facts.writes.some((write) => write.symbol === param)) return [];
  const seen = new Set<string>();
  return facts.reads.flatMap((read) => {
    const name = read.symbol === param ? read.path?.[0] : undefined;
    const end = read.ends?.[0];
    if (name === undefined || end === undefined || seen.has(name)) return [];
    seen.add(name);
    return [{ name, start: end - name.length, end }];
  });
}
