/** State of modules: whoever imports it uses the same. */
import type { Component } from '../model/project';
import type { Linked } from '.';

/** Nodes of what the loose code of modules keeps; the nodes of these are made before those of components. */
export class Shared {
  private readonly modules = new Map<number, Component>();

  constructor(private readonly project: Linked) {
    for (const one of project.components) if (one.facts.role === 'module') this.modules.set(one.file, one);
  }

  /** The node of a module's value by its name in a file, or -1 where that is no state of the project. */
  nodeOf(file: number, name: string): number {
    const target = this.project.lookup(file, name);
    if (target.kind !== 'value') return -1;
    const module = this.modules.get(target.file);
    if (!module) return -1;
    const symbol = module.facts.symbols.findIndex(
      (one) => one.name === target.value.name && /^(state|derived)$/.test(one.kind),
    );
    return symbol < 0 ? -1 : module.nodeOf[symbol]!;
  }
}
