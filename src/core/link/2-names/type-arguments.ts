/** What type parameters of components mean: at a tag of theirs, and in what a class takes over from a generic base. */
import type { TypeParamFact } from '../../model/facts';
import { oncePer } from '../../model/once-per';
import type { Component, Lazy, Port, Site } from '../../model/project';
import { type TypeExpr, widen } from '../../model/types';
import { assignable } from '../../types/assign';
import { isNothing, type TypeSpace } from '../../types/resolve';
import type { Shape } from '../../types/shape';
import type { Linked } from '../linked';

type Arguments = Map<string, Lazy>;

/** What is passed for a name whose type says what a parameter means. */
interface Candidate {
  type: Lazy;
  /** The name under which it is passed. */
  by: string;
}

/** The type parameters of a component at one tag. */
interface SiteTypes {
  args: Arguments;
  /** What is passed by these names is not what a parameter must be, and nothing else says what it is. */
  refused: Map<string, { must: Lazy; names: string[] }>;
  /** The name whose value says what a parameter means; absent where the tag itself says so. */
  by: Map<string, string>;
}

/** Whether an attribute of that name says what a type parameter of the component is. */
export const isTypeParameter = ({ facts }: Component, name: string): boolean =>
  facts.typeParams?.some((one) => one.asAttribute && one.name === name) === true;

/** What an heir gives to the type parameters of its base. */
export function baseArguments({ facts, file, id }: Component, base: Component): Arguments | undefined {
  const args = (facts.heirOf ?? facts.extends)?.args;
  if (!args || !base.facts.typeParams) return undefined;
  return new Map(
    base.facts.typeParams.flatMap((param, index): [string, Lazy][] =>
      args[index] ? [[param.name, { type: args[index], file, component: id }]] : [],
    ),
  );
}

/** A type in which parameters mean something. */
export function withArguments(type: Lazy, args: Arguments): Lazy {
  if (!type.args) return { ...type, args };
  return {
    ...type,
    args: new Map([...type.args].map(([name, one]): [string, Lazy] => [name, withArguments(one, args)])),
  };
}

/** The type of a port at one tag of its component, and which other names there say what its parameters mean. */
export function typeAt(project: Linked, site: Site, port: Port): { type: Lazy; by: string[] } | undefined {
  if (!port.type) return undefined;
  const target = project.components[site.target]!;
  if (!target.facts.typeParams) return { type: port.type, by: [] };
  const { args: known, by, refused } = typesAt(project, site);
  const musts = [...refused].filter(([, { names }]) => names.includes(port.name));
  const args = musts.length
    ? new Map([...known, ...musts.map(([name, { must }]) => [name, must] as const)])
    : known;
  if (!args.size) return { type: port.type, by: [] };
  const named = new Set(namesIn(port.type));
  return {
    type: withArguments(port.type, args),
    by: [...by].flatMap(([param, name]) => (named.has(param) && name !== port.name ? [name] : [])),
  };
}

/** Names of types that an expression writes, and those that the parameters in it mean. */
function namesIn({ type, args }: Lazy): string[] {
  const own: string[] = [];
  const look = (one: TypeExpr): void => {
    if (one.t === 'ref') {
      own.push(one.name);
      one.args?.forEach(look);
    } else if (one.t === 'array' || one.t === 'elem' || one.t === 'ret' || one.t === 'member') look(one.of);
    else if (one.t === 'carrier' || one.t === 'carried' || one.t === 'wide') look(one.of);
    else if (one.t === 'union' || one.t === 'all' || one.t === 'tuple' || one.t === 'merge')
      one.of.forEach(look);
    else if (one.t === 'object') {
      one.members.forEach((member) => look(member.type));
      if (one.index) look(one.index);
    } else if (one.t === 'fn') {
      one.params.forEach((param) => look(param.type));
      look(one.returns);
    }
  };
  look(type);
  return [...own, ...[...(args?.values() ?? [])].flatMap(namesIn)];
}

const ofProject = oncePer((project: Linked) => oncePer((site: Site) => workOut(project, site)));

const typesAt = (project: Linked, site: Site): SiteTypes => ofProject(project)(site);

function workOut(project: Linked, site: Site): SiteTypes {
  const target = project.components[site.target]!;
  const found: SiteTypes = { args: new Map(), by: new Map(), refused: new Map() };
  const inSite = (type: TypeExpr): Lazy => ({ type, file: site.file, component: site.owner });
  target.facts.typeParams?.forEach((param, index) => {
    const written = site.fact.typeArgs?.find((one) => one.for === param.name || one.for === index);
    if (written) {
      found.args.set(param.name, inSite(written.type));
      return;
    }
    const candidates: Candidate[] = [];
    for (const { name, mode, value } of site.fact.attributes) {
      const port = target.ports.get(name);
      if (!port?.type || !value.type || !/^(value|two-way)$/.test(mode)) continue;
      const type = meant(project.types, port.type, inSite(value.type), param.name);
      if (type) candidates.push({ type, by: name });
    }
    // What is written out was meant to fit what is held elsewhere.
    const isWritten = ({ type }: Candidate): boolean => type.type.t === 'lit';
    candidates.sort((a, b) => Number(isWritten(a)) - Number(isWritten(b)));
    choose(project.types, target, param, candidates, found);
  });
  return found;
}

/** A parameter means what all that is passed for it fits into, or else the first; never what it must not be. */
function choose(
  types: TypeSpace,
  target: Component,
  param: TypeParamFact,
  candidates: Candidate[],
  { args, by, refused }: SiteTypes,
): void {
  const must: Lazy | undefined = param.extends && {
    type: param.extends,
    file: target.file,
    component: target.id,
    args,
  };
  const fitting = candidates.filter((one) => !must || assignable(types, one.type, must) !== 'no');
  if (must && !fitting.length && candidates.length)
    refused.set(param.name, { must, names: candidates.map((one) => one.by) });
  if (!fitting.length) return;
  const wide = fitting.map((one) => ({ ...one, type: { ...one.type, type: widen(one.type.type) } }));
  const chosen =
    wide.find(({ type }) => wide.every((one) => assignable(types, one.type, type) !== 'no')) ?? wide[0]!;
  args.set(param.name, chosen.type);
  by.set(param.name, chosen.by);
}

/** What a parameter means if a value of a type is passed where another is asked for: in it, in a list of it, or absent. */
function meant(types: TypeSpace, asked: Lazy, given: Lazy, param: string): Lazy | undefined {
  const { type } = asked;
  if (type.t === 'ref') {
    const means = asked.args?.get(type.name);
    if (means) return meant(types, means, given, param);
    if (type.name === param && !type.args?.length) return isKnown(types, given) ? given : undefined;
    const [only, ...others] = type.args ?? [];
    const isList = LISTS.test(type.name) && only !== undefined && !others.length;
    return isList ? meant(types, { ...asked, type: { t: 'array', of: only } }, given, param) : undefined;
  }
  if (type.t === 'array') {
    const shape = types.resolve(given);
    // What is written in it one by one may be of several kinds.
    return shape.k === 'array' ? meant(types, { ...asked, type: type.of }, shape.of, param) : undefined;
  }
  if (type.t !== 'union') return undefined;
  const parts = type.of.filter((one) => !isNothing(types.resolve({ ...asked, type: one })));
  return parts.length === 1 ? meant(types, { ...asked, type: parts[0]! }, given, param) : undefined;
}

const LISTS = /^(Array|ReadonlyArray)$/;

/** What an empty list holds. */
const isNever = (shape: Shape): boolean => shape.k === 'prim' && shape.n === 'never';

/** All of it is known, and it is there. */
function isKnown(types: TypeSpace, type: Lazy): boolean {
  const shape = types.resolve(type);
  const parts = shape.k === 'union' ? shape.of : [shape];
  return parts.length > 0 && parts.every((one) => one.k !== 'unknown' && !isNothing(one) && !isNever(one));
}
