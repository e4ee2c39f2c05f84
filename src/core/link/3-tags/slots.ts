/** Where a component draws the content that it is handed. */
import type { AttributeFact, RenderFact } from '../../model/facts';
import type { Component } from '../../model/project';
import { oncePer } from '../../model/once-per';

export interface SlotPlace {
  /** The outlet, or the call site that the content is handed on to. */
  node: number;
  /** The slot of that call site which takes it. */
  into?: string;
}

export interface SlotPlaces {
  places: SlotPlace[];
  /** It is drawn where nobody can see, too, or nowhere. */
  unseen: boolean;
}

const placesIn = oncePer((_component: Component) => new Map<string, SlotPlaces>());

/** The places where a component draws one of its slots, itself or through what it hands the content to. */
export function placesOf(component: Component, slot: string): SlotPlaces {
  const known = placesIn(component);
  let found = known.get(slot);
  if (!found) known.set(slot, (found = collect(component, slot)));
  return found;
}

function collect({ facts }: Component, slot: string): SlotPlaces {
  const symbol = facts.symbols.findIndex((one) => one.kind === 'prop' && one.port === slot);
  const places: SlotPlace[] = [];
  let unseen = facts.openProps;
  facts.render.forEach((node, index) => {
    if (node.kind === 'outlet') {
      if (node.outlet === slot) places.push({ node: index });
      return;
    }
    for (const attribute of node.attributes) {
      const into = handsOn(node, attribute);
      if (into === undefined) continue;
      // Of what is drawn nowhere, the place of the element itself is what counts.
      places.push(node.kind === 'site' ? { node: index, into } : { node: index });
    }
  });
  const elsewhere = facts.reads.some(
    (read) => read.symbol === symbol && !/^(condition|text|attribute)$/.test(read.where),
  );
  if (elsewhere || !places.length) unseen = true;
  return { places, unseen };

  /** The slot that an attribute hands the content on to. */
  function handsOn(node: RenderFact, { mode, name, value }: AttributeFact): string | undefined {
    if (mode === 'spread') {
      const carrier = value.kind === 'identity' ? facts.symbols[value.symbol!]! : undefined;
      if (carrier?.kind !== 'bag' && carrier?.kind !== 'rest') return undefined;
      return carrier.except?.includes(slot) ? undefined : slot;
    }
    if (mode !== 'value' || symbol < 0 || node.kind !== 'site') return undefined;
    return value.symbol === symbol || value.uses?.includes(symbol) ? name : undefined;
  }
}
