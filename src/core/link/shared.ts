/** State of modules: whoever imports it uses the same. */
import type { Component } from '../model/project';
import type { Linked } from '.';

interface Module {
  component: Component;
  /** Symbols of what it keeps, by name. */
  kept: Map<string, number>;
}

/** Nodes of what the loose code of modules keeps; the nodes of these are made before those of components. */
export class Shared {
  private readonly modules = new Map<number, Module>();

  constructor(private readonly project: Linked) {
    for (const component of project.components) {
      if (component.facts.role !== 'module') continue;
      const kept = new Map<string, number>();
      component.facts.symbols.forEach(({ name, kind }, symbol) => {
        if ((kind === 'state' || kind === 'derived') && !kept.has(name)) kept.set(name, symbol);
      });
      this.modules.set(component.file, { component, kept });
    }
  }

  /** The node of a module's value by its name in a file, or -1 where that is no state of the project. */
  nodeOf(file: number, name: string): number {
    const target = this.project.lookup(file, name);
    if (target.kind !== 'value') return -1;
    const module = this.modules.get(target.file);
    const symbol = module?.kept.get(target.value.name);
    return symbol === undefined ? -1 : module!.component.nodeOf[symbol]!;
  }
}
