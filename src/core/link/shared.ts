/** What modules keep: whoever imports it uses the same. */
import type { Component } from '../model/project';
import type { Linked } from '.';

interface Module {
  component: Component;
  /** Symbols of what its loose code declares, by name. */
  symbols: Map<string, number>;
}

/** Values of the loose code of modules; the nodes of these are made before those of components. */
export class Shared {
  private readonly modules = new Map<number, Module>();

  constructor(private readonly project: Linked) {
    for (const component of project.components) {
      if (component.facts.role !== 'module') continue;
      const symbols = new Map<string, number>();
      component.facts.symbols.forEach(({ name, kind }, symbol) => {
        if (/^(state|derived|handler|setter)$/.test(kind) && !symbols.has(name)) symbols.set(name, symbol);
      });
      this.modules.set(component.file, { component, symbols });
    }
  }

  /** The value of a module that a name in a file means. */
  symbolOf(file: number, name: string): { module: Component; symbol: number } | undefined {
    const target = this.project.lookup(file, name);
    if (target.kind !== 'value') return undefined;
    const module = this.modules.get(target.file);
    const symbol = module?.symbols.get(target.value.name);
    return symbol === undefined ? undefined : { module: module!.component, symbol };
  }

  /** The node of a module's value by its name in a file, or -1 where that is no state of the project. */
  nodeOf(file: number, name: string): number {
    const found = this.symbolOf(file, name);
    if (!found) return -1;
    const { kind } = found.module.facts.symbols[found.symbol]!;
    return kind === 'state' || kind === 'derived' ? found.module.nodeOf[found.symbol]! : -1;
  }
}
