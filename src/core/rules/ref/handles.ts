/** What a component does with the handles that it declares. */
import type { ReadFact, WriteFact } from '../../model/facts';
import { oncePer } from '../../model/once-per';
import type { Component } from '../../model/project';

export interface Handle {
  symbol: number;
  /** Put on an element or component. */
  attached: boolean;
  /** Given to code that may attach or read it. */
  given: boolean;
  /** It may come to hold something else than what it is put on here. */
  mayHoldOther: boolean;
  reads: ReadFact[];
  /** Something is done with what it holds: read, written to, asked for. */
  used: boolean;
}

/** The handles of a component, boxes for other things included. */
export const handlesOf = oncePer((component: Component): Handle[] => {
  const { facts } = component;
  return facts.symbols.flatMap((symbol, index) => {
    if (symbol.kind !== 'ref') return [];
    let attached = false;
    let mayHoldOther = false;
    let given = component.passes.some((pass) => pass.symbol === index);
    for (const node of facts.render) {
      for (const attribute of node.attributes) {
        const { value, mode } = attribute;
        if (mode === 'ref' && (value.symbol === index || value.uses?.includes(index))) {
          attached = true;
          // In a loop it holds a list, or the last of many.
          if (node.each && !symbol.ofTag) given = mayHoldOther = true;
        } else if (mode === 'two-way' && value.symbol === index) mayHoldOther = true;
        else if (value.kind !== 'function' && value.uses?.includes(index)) given = true;
      }
    }
    const own = facts.reads.filter((read) => read.symbol === index);
    // A read without `.current` hands the box itself to somebody; on the tag it is the attachment.
    if (own.some((read) => !read.path && read.where !== 'attribute' && read.where !== 'condition'))
      given = true;
    // What is written into the box itself; a member of what it holds is no such thing, nor is a method of that.
    const isPut = ({ symbol: to, path = [], through }: WriteFact): boolean =>
      to === index && path.length < 2 && !(facts.traits.handlesHold && through?.method);
    if (facts.writes.some(isPut)) given = mayHoldOther = true;
    // Whoever gets a box may put something into it; whoever gets what is in it, not.
    if (given && !facts.traits.handlesHold) mayHoldOther = true;
    const reads = own.filter((read) => read.path);
    const used =
      reads.length > 0 ||
      own.some((read) => read.where === 'condition') ||
      facts.writes.some((write) => write.symbol === index && (write.path?.length ?? 0) > 1);
    return [{ symbol: index, attached, given, mayHoldOther, reads, used }];
  });
});
