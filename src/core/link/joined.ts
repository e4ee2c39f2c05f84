/**
 * The audit's account of itself: of what is written, how much was joined to what it names, and what was not, with the
 * reason. What is written is counted by syntax; what a name leads to is asked only afterwards.
 */
import type { ComponentFacts, RenderFact } from '../model/facts';
import type { Gap, Loss, Place, Tally, Target } from '../model/project';
import { bareName } from '../model/names';
import { oncePerLink } from '../model/once-per';
import type { Linked } from './linked';

/** What is counted. */
export type Kind = 'tag' | 'import' | Gap['kind'];

/** Why something is not joined: what a name lost its way by, or a form that is not followed. */
export type Why =
  Exclude<Loss, 'package'> | 'absent' | 'value' | 'chosen' | 'unbound' | 'wrapper' | Gap['kind'];

/** What can be done about each, in words. */
export const REASONS: Record<Why, string> = {
  import: 'no file answers the import: name its path alias in a tsconfig, or audit the folder that holds it',
  broken: 'the file that it leads to was not understood',
  member: 'nobody is seen to give it that member',
  made: 'the file hands it on in a way that is not followed',
  circle: 'it stands for itself',
  absent: 'the file that it is imported from does not export it',
  value: 'it stands for a value that is not seen to be a component',
  chosen: 'a value decides what is drawn while the code runs; it names no component, and is not counted',
  unbound: 'it is neither imported, declared nor registered in sight',
  wrapper: 'it is made by a call that is not followed',
  context: 'nobody in sight provides it',
  result: 'what the helper gives back is made in a way that is not followed',
  handler: 'the function is made in a way that is not followed',
  binding: 'the component is not seen to write it back',
};

export interface Unjoined {
  kind: Kind;
  place: Place;
  /** What it names, as written. */
  name: string;
  why: Why;
  /** The name of the import that leads nowhere. */
  from?: string;
}

export interface Account {
  /** How much there is of each kind, and how much is joined. */
  tallies: Record<Kind, Tally>;
  /** Tags of components from packages, which are not the project's to join. */
  foreign: number;
  /** Tags that render what a component was handed: a prop, a slot's parameter. */
  handed: number;
  unjoined: Unjoined[];
}

/** Counts a linked project; what is counted stays the same as long as code only moves. */
export const accountOf = oncePerLink((project: Linked): Account => {
  const account: Account = {
    tallies: { tag: { written: 0, joined: 0 }, import: { written: 0, joined: 0 }, ...project.flow.tallies },
    foreign: 0,
    handed: 0,
    unjoined: [],
  };
  for (const file of project.files) countImports(project, file.index, account);
  for (const { facts, file, sites, handedSites, foreignTags } of project.components) {
    const joined = new Set([...sites.map((id) => project.sites[id]!.node), ...handedSites.keys()]);
    facts.render.forEach((node, index) => {
      if (node.kind !== 'site' || !node.tag) return;
      if (foreignTags?.has(index)) account.foreign++;
      else countTag(project, file, facts, node, joined.has(index), account);
    });
  }
  for (const gap of project.flow.gaps) account.unjoined.push({ ...gap, why: gap.kind });
  return account;
});

/** With less of its tags joined than this, an audit says so aloud. */
export const WELL_JOINED = 0.95;

/** Part of what is written that is joined, from 0 to 1. */
export const shareOf = ({ written, joined }: Tally): number => (written ? joined / written : 1);

function countImports(project: Linked, index: number, account: Account): void {
  const { facts } = project.files[index]!;
  const seen = new Set<string>();
  const written = [...facts.imports, ...facts.exports.filter((one) => one.from !== undefined)];
  for (const { from, start, end } of written) {
    if (from === undefined || seen.has(from)) continue;
    seen.add(from);
    const found = project.modules.resolve(facts.path, from) !== undefined;
    if (!found && project.modules.isForeign(facts.path, from)) continue;
    account.tallies.import.written++;
    if (found) account.tallies.import.joined++;
    else
      account.unjoined.push({
        kind: 'import',
        place: { file: index, start, end },
        name: from,
        why: 'import',
        from,
      });
  }
}

function countTag(
  project: Linked,
  file: number,
  facts: ComponentFacts,
  { tag }: RenderFact,
  joined: boolean,
  account: Account,
): void {
  const tags = account.tallies.tag;
  const { name, symbol, start, end } = tag!;
  if (joined) {
    tags.written++;
    tags.joined++;
    return;
  }
  if (tag!.guess || tag!.each !== undefined) return;
  const miss = (why: Why, from?: string) => {
    // What data decides names no component.
    if (why !== 'chosen') tags.written++;
    account.unjoined.push({
      kind: 'tag',
      place: { file, start, end },
      name,
      why,
      ...(from === undefined ? {} : { from }),
    });
  };
  if (tag!.choices) {
    // What a table or a function of elsewhere gives names nothing here.
    const named = tag!.choices.filter((one) => !one.of && !one.path);
    if (!named.length) return miss('chosen');
    return countFound(named.flatMap((one) => project.names.candidates(file, one)));
  }
  if (symbol !== undefined) {
    const { kind } = facts.symbols[symbol]!;
    if (tag!.plain) account.foreign++;
    else if (kind === 'derived' || kind === 'state' || kind === 'shared') miss('chosen');
    else account.handed++;
    return;
  }
  if (tag!.outer) {
    account.handed++;
    return;
  }
  if (tag!.openChoice || name === '') return miss('chosen');
  if (tag!.unbound) return miss('unbound');
  // Components of packages are registered where nobody looks; one of the project's would be known by its name.
  if (
    tag!.global !== undefined &&
    project.lookup(file, name).kind === 'unbound' &&
    !isOwnName(project, tag!.global)
  ) {
    account.foreign++;
    return;
  }
  countFound([project.lookup(file, name)]);

  /** A tag of something else than a component of the project: what it leads to says why. */
  function countFound(targets: Target[]): void {
    const reasons = targets.map((one) => reasonOf(project, one));
    const reason = reasons.find((one) => one !== 'package') ?? (targets.length ? 'package' : 'value');
    if (reason === 'package') account.foreign++;
    else miss(reason, targets.find((one) => one.kind === 'outside')?.from);
  }
}

const ownNames = oncePerLink(
  ({ components }: Linked): Set<string> => new Set(components.map((one) => bareName(one.name))),
);

/** Whether a component of the project bears a name. */
const isOwnName = (project: Linked, name: string): boolean => ownNames(project).has(bareName(name));

/** Why a tag that leads to something is not joined to a component. */
function reasonOf(project: Linked, target: Target): Why | 'package' {
  switch (target.kind) {
    case 'outside':
      return target.why;
    case 'absent':
    case 'unbound':
      return target.kind;
    case 'value': {
      const { value, file } = target;
      if (value.kind === 'context') return 'package';
      if (value.kind !== 'external') return 'value';
      // What a package makes is its own, unless it was given a component of the project.
      const maker = value.madeBy?.name;
      if (maker === undefined) return 'wrapper';
      const found = project.lookup(file, maker);
      return found.kind === 'outside' ? found.why : 'wrapper';
    }
    case 'several':
    case 'component':
    case 'module':
      return 'value';
  }
}
