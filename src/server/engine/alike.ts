/** Components whose interfaces are alike: two that could be one are found by what they take. */
import type { Alike } from '../../api/component-schemas';
import type { AuditResult } from '../../core/audit';
import type { Linked } from '../../core/link';
import { pushTo } from '../../core/model/group-by';
import { oncePerLink } from '../../core/model/once-per';
import type { Component } from '../../core/model/project';
import { componentRef } from '../../core/model/refs';
import { componentAt, type Unfound } from '../../core/trace/references';
import { showType } from '../../core/types/show';

/** What takes fewer ports than this is like too many others. */
const LEAST_PORTS = 3;
/** Shares from 0 to 1 that are worth a look: of two that nobody chose, and of those nearest to one that somebody did. */
const WORTH = 0.6;
const NEAR = 0.2;
const MOST = 60;
const MOST_NEAR = 12;
/** A port of the same name and another type counts so much. */
const OTHER_TYPE = 0.7;
/** Components with one of so many of its rarest ports are compared with a component. */
const RARE = 8;

interface Profile {
  component: Component;
  /** Types by channel and name. */
  ports: Map<string, string>;
  /** Keys of the ports, those that the fewest components have first. */
  rare: string[];
  weight: number;
}

interface Profiles {
  all: Profile[];
  having: Map<string, Profile[]>;
  weightOf(key: string): number;
}

/** Components of the app by what they take. */
const profilesOf = oncePerLink((project: Linked): Profiles => {
  const parts = project.components.filter(
    (one) => one.facts.role === 'component' && !project.files[one.file]!.aside && one.ports.size > 0,
  );
  const having = new Map<string, Profile[]>();
  // What nearly all take says little.
  const weightOf = (key: string): number => Math.log(1 + parts.length / (having.get(key)?.length ?? 1));
  const all = parts.map((component): Profile => {
    const ports = new Map(
      [...component.ports.values()]
        // What several take over from one base is in one place already.
        .filter((port) => !port.inherited)
        .map((port) => [`${port.channel}:${port.name}`, showType(port.type?.type)]),
    );
    return { component, ports, rare: [], weight: 0 };
  });
  for (const one of all) for (const key of one.ports.keys()) pushTo(having, key, one);
  for (const one of all) {
    one.rare = [...one.ports.keys()].sort((a, b) => having.get(a)!.length - having.get(b)!.length);
    one.weight = one.rare.reduce((sum, key) => sum + weightOf(key), 0);
  }
  return { all, having, weightOf };
});

/** How much of what two take together both take, from 0 to 1; rare names weigh more. */
function shareOf({ weightOf }: Profiles, one: Profile, other: Profile): { share: number; same: number } {
  let common = 0;
  let both = 0;
  let same = 0;
  for (const [key, type] of one.ports) {
    const theirs = other.ports.get(key);
    if (theirs === undefined) continue;
    same++;
    both += weightOf(key);
    common += weightOf(key) * (theirs === type ? 1 : OTHER_TYPE);
  }
  const union = one.weight + other.weight - both;
  return { share: union ? common / union : 0, same };
}

function near(profiles: Profiles, one: Profile): Set<Profile> {
  const found = new Set(one.rare.slice(0, RARE).flatMap((key) => profiles.having.get(key)!));
  found.delete(one);
  return found;
}

/** The pairs of a project that are most alike, those with most in common first; or those with one component in them. */
export function alikeView({ project }: AuditResult, ref?: string): Alike | Unfound {
  const wanted = ref === undefined ? undefined : componentAt(project, ref);
  if (wanted && 'similar' in wanted) return wanted;
  const profiles = profilesOf(project);
  const named = ({ component }: Profile) => ({
    ref: componentRef(project, component),
    name: component.name,
    file: project.files[component.file]!.path,
    ports: component.ports.size,
  });
  const pair = (one: Profile, other: Profile): Alike[number] => ({
    one: named(one),
    other: named(other),
    ...shareOf(profiles, one, other),
  });
  if (wanted) {
    const self = profiles.all.find((one) => one.component === wanted);
    return [...(self ? near(profiles, self) : [])]
      .map((other) => pair(self!, other))
      .filter((one) => one.share >= NEAR)
      .sort((a, b) => b.share - a.share)
      .slice(0, MOST_NEAR);
  }
  const parts = profiles.all.filter((one) => one.ports.size >= LEAST_PORTS);
  const pairs = parts.flatMap((one) =>
    [...near(profiles, one)]
      .filter((other) => other.ports.size >= LEAST_PORTS && one.component.id < other.component.id)
      .map((other) => pair(one, other))
      .filter((found) => found.share >= WORTH),
  );
  return withoutImplied(pairs.sort((a, b) => b.share * b.same - a.share * a.same)).slice(0, MOST);
}

/** Pairs without those whose two are like a third that was told before: of eight that take the same, seven pairs say it. */
function withoutImplied(pairs: Alike): Alike {
  const heads = new Map<string, string>();
  const headOf = (ref: string): string => heads.get(ref) ?? ref;
  return pairs.filter(({ one, other }) => {
    const [head, far] = [headOf(one.ref), headOf(other.ref)];
    if (head === far) return false;
    for (const [ref, known] of heads) if (known === far) heads.set(ref, head);
    heads.set(other.ref, head);
    heads.set(far, head);
    return true;
  });
}
