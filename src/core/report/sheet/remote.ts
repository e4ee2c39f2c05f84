/**
 * What a component calls of another one: a function that it got as a part of a value which the other provides. The flow
 * says who calls and what that changes; the part of the value through which it is called is found on the way back.
 */
import type { Linked } from '../../link';
import type { FlowEdge } from '../../model/project';
import type { SheetNames } from './names';

export interface Remote {
  /** The value that the caller got, and the member of it that is called; the value itself, without one. */
  got: number;
  member: string | undefined;
  /** What the call changes or raises. */
  target: number;
  /** The value of the other component that holds the function. */
  home: number;
}

/** A value is handed on by so many others at most. */
const MAX_WAY = 12;

export class Remotes {
  private readonly byCall = new Map<string, Remote>();
  private readonly byHome = new Map<number, Remote[]>();

  constructor(
    private readonly project: Linked,
    private readonly names: SheetNames,
  ) {
    for (const edge of project.flow.edges) {
      const from = names.of(edge.from);
      const to = names.of(edge.to);
      if (edge.how !== 'call' || from?.kind !== 'consumed' || from.owner === undefined) continue;
      if (to?.owner === undefined || to.owner === from.owner) continue;
      const home = this.homeOf(edge.from, to.owner);
      if (home === undefined) continue;
      const [member] = edge.take ?? [];
      const one: Remote = { got: edge.from, member, target: edge.to, home };
      const call = `${from.owner} ${edge.to}`;
      if (!this.byCall.has(call)) this.byCall.set(call, one);
      this.byHome.set(home, [...(this.byHome.get(home) ?? []), one]);
    }
  }

  /** The call by which a component changes or raises something of another one. */
  callTo(target: number, component: number): string | undefined {
    const one = this.byCall.get(`${component} ${target}`);
    return one && [this.names.of(one.got)!.name, ...(one.member === undefined ? [] : [one.member])].join('.');
  }

  /** Functions that a value holds, by the member; what each changes or raises. */
  heldBy(home: number): Map<string | undefined, number[]> {
    const found = new Map<string | undefined, number[]>();
    for (const { member, target } of this.byHome.get(home) ?? [])
      found.set(member, [...new Set([...(found.get(member) ?? []), target])]);
    return found;
  }

  /** The first value on the way back from what was got that the other component holds. */
  private homeOf(got: number, owner: number): number | undefined {
    const { into, edges, nodes } = this.project.flow;
    const seen = new Set([got]);
    for (const node of seen) {
      const { component, channel } = nodes[node]!;
      const kind = this.names.of(node)?.kind;
      if (component === owner && (kind === 'derived' || (kind === 'provided' && channel === 'context')))
        return node;
      if (seen.size > MAX_WAY) return undefined;
      for (const index of into[node]!) if (hands(edges[index]!)) seen.add(edges[index]!.from);
    }
    return undefined;
  }
}

/** The value arrives as it is. */
const hands = ({ how, take }: FlowEdge): boolean =>
  !take?.length && (how === 'consume' || how === 'provide' || how === 'pass' || how === 'rename');
