/** A strand as a list of hops, each with the places in its own component that show it. */
import type { HopView, Spot, StrandView } from '../../api/schemas';

export interface PlacedHop extends HopView {
  /** Places by what they show, the most telling first. */
  spots: Spot[];
}

/** The hops of a strand in the order of the data. */
export const placedHops = (strand: StrandView): PlacedHop[] =>
  strand.hops.map((hop) => ({ ...hop, spots: spotsOf(hop, strand) }));

function spotsOf(hop: HopView, strand: StrandView): Spot[] {
  const found: Spot[] = [];
  for (const route of strand.routes) {
    // Values are handed on in the owner's code, events are heard in the owner's code.
    const rising = route.from.includes(':event:');
    if (rising ? route.to === hop.ref : route.from === hop.ref) found.push(route.place);
  }
  found.push(...hop.reads);
  if (!found.length || hop.role === 'start') found.unshift(hop.place);
  const unique = new Map(found.map((spot) => [`${spot.file}:${spot.line}`, spot]));
  return [...unique.values()];
}
