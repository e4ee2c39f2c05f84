/** Which inputs are handed what can be set as such: a store, a signal, a subject, a form. */
import { oncePer } from '../../model/once-per';
import type { Component, Port } from '../../model/project';
import type { Linked } from '../linked';
import type { Shared } from './shared';

export class GivenStores {
  private readonly known = new Map<Port, boolean>();

  constructor(
    private readonly project: Linked,
    private readonly shared: Shared,
  ) {}

  /** Whether some call site hands a store to a port, over however many components. */
  isGiven(port: Port): boolean {
    const known = this.known.get(port);
    if (known !== undefined) return known;
    // What is handed round in a circle is nothing on its way.
    this.known.set(port, false);
    const { calledAt } = this.project.components[port.component]!;
    const found = calledAt.some((id) => {
      const { owner, fact } = this.project.sites[id]!;
      return fact.attributes.some(
        ({ name, value }) =>
          name === port.name &&
          value.kind === 'identity' &&
          this.isStore(this.project.components[owner]!, value.symbol!),
      );
    });
    this.known.set(port, found);
    return found;
  }

  private isStore(code: Component, index: number): boolean {
    const { kind, boxed, port: name } = code.facts.symbols[index]!;
    if (kind === 'prop') {
      const port = portsBySymbol(code).get(index);
      return port !== undefined && this.isGiven(port);
    }
    if (kind !== 'shared') return boxed !== undefined;
    const kept = this.shared.symbolOf(code.file, name!);
    return kept?.module.facts.symbols[kept.symbol]!.boxed !== undefined;
  }
}

const portsBySymbol = oncePer(
  ({ ports }: Component) => new Map([...ports.values()].map((port) => [port.symbol, port])),
);
