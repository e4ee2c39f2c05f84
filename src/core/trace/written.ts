/** Values that call sites write down themselves: where they come from no strand leads to. */
import type { Linked } from '../link';
import type { ExprFact } from '../model/facts';
import type { Component, Place } from '../model/project';

export interface Written {
  /** The component whose call site it is; what is handed to an heir is handed to that. */
  component: Component;
  /** The value as it is written. */
  place: Place;
  /** Which of the call sites of the component it is. */
  at: number;
}

/** The call sites of a component that write a value down for the ports at some nodes, in the order of its call sites. */
export function writtenFor(
  { flow, components, sites, written }: Linked,
  nodes: readonly number[],
): Written[] {
  return nodes.flatMap((id) => {
    const { port, component: own } = flow.nodes[id]!;
    if (port?.channel !== 'prop') return [];
    const component = components[own]!;
    return component.calledAt.flatMap((site, at) => {
      if (site >= written.length) return [];
      const { fact, file } = sites[site]!;
      const given = fact.attributes.find((one) => one.name === port.name && one.mode === 'value');
      if (!given || !isWrittenDown(given.value)) return [];
      const { start, end } = given.value;
      return [{ component, place: { file, start, end }, at }];
    });
  });
}

/** A text, a number and the like, and what is put together of such alone. */
const isWrittenDown = ({ kind, members = [], elements = [], spreads, uses, others }: ExprFact): boolean =>
  kind === 'literal' ||
  ((kind === 'object' || kind === 'array') &&
    !spreads &&
    !others &&
    !uses?.length &&
    members.every(({ value }) => isWrittenDown(value)) &&
    elements.every(isWrittenDown));
