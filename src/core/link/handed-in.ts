/**
 * Components that a component draws because somebody handed them in: as the tag that a prop holds, `<Tag />`, or as
 * content that it adds attributes to. Each is a call site that only the flow and the tree know of: what else may be handed
 * in there nobody sees, so that no rule judges it.
 */
import type { AttributeFact, ExprFact, RenderFact } from '../model/facts';
import type { Component, Site } from '../model/project';
import type { Names } from './names';

/** What is handed on is followed over so many components, and not where more than so many owners hand something in. */
const MAX_DEPTH = 6;
const MAX_OWNERS = 60;

interface Tree {
  components: Component[];
  sites: Site[];
  names: Names;
}

/** A component that is handed in, and the call sites of who draws it that hand it in. */
interface Found {
  target: Component;
  via: number;
}

/** Adds the call sites behind those that are written; `sites` holds these. */
export function linkHandedIn(tree: Tree): void {
  const { sites } = tree;
  const finder = new Finder(tree);
  for (const owner of tree.components) {
    const { render, adds = [] } = owner.facts;
    const add = (node: number, fact: RenderFact, found: Found[]): void => {
      const known = new Set((owner.siteAt.get(node) ?? []).map((id) => sites[id]!.target));
      const byTarget = new Map<Component, number[]>();
      for (const { target, via } of found) {
        if (known.has(target.id) || target.facts.role !== 'component') continue;
        const list = byTarget.get(target);
        if (list) list.push(via);
        else byTarget.set(target, [via]);
      }
      for (const [target, handedBy] of byTarget) {
        const id = sites.length;
        sites.push({
          id,
          owner: owner.id,
          target: target.id,
          node,
          fact,
          file: owner.file,
          open: true,
          handedBy,
        });
        target.handedAt.push(id);
        const here = owner.handedSites.get(node);
        if (here) here.push(id);
        else owner.handedSites.set(node, [id]);
      }
    };
    render.forEach((fact, node) => {
      if (fact.kind === 'site' && fact.tag?.symbol !== undefined)
        add(node, fact, finder.tagged(owner, fact.tag.symbol));
    });
    for (const { port, attributes } of adds) {
      const node = render.findIndex((one) => one.kind === 'outlet' && one.outlet === port);
      if (node >= 0) add(node, { ...render[node]!, attributes }, finder.filling(owner, port));
    }
  }
}

class Finder {
  constructor(private readonly tree: Tree) {}

  /** The components that a symbol holds which a tag is written with. */
  tagged(owner: Component, symbol: number): Found[] {
    return this.ofSymbol(owner, symbol, [], 0);
  }

  private ofSymbol(owner: Component, index: number, path: string[], depth: number): Found[] {
    const { kind, port, init } = owner.facts.symbols[index]!;
    if (kind === 'prop') return this.handedTo(owner, port!, path, depth);
    if (kind === 'bag' || kind === 'rest')
      return path.length ? this.handedTo(owner, path[0]!, path.slice(1), depth) : [];
    if (kind === 'loop') return this.elementsOf(owner, init, path, depth);
    return kind === 'derived' && init ? this.ofOwn(owner, init, path, depth) : [];
  }

  /** One of a list, where that is a prop or a part of one. */
  private elementsOf(owner: Component, list: ExprFact | undefined, path: string[], depth: number): Found[] {
    return (list?.uses ?? []).flatMap((one) => this.ofSymbol(owner, one, path, depth));
  }

  /** What an expression of the component that draws the tag leads to, where that was handed in. */
  private ofOwn(owner: Component, expr: ExprFact, path: string[], depth: number): Found[] {
    if (expr.kind === 'identity' || expr.kind === 'member')
      return this.ofSymbol(owner, expr.symbol!, [...(expr.path ?? []), ...path], depth);
    return (expr.gives ?? []).flatMap((one) => this.ofOwn(owner, one, path, depth));
  }

  private handedTo({ calledAt }: Component, port: string, path: string[], depth: number): Found[] {
    if (depth > MAX_DEPTH || calledAt.length > MAX_OWNERS) return [];
    return calledAt.flatMap((id) => {
      const { fact, owner } = this.tree.sites[id]!;
      const value = fact.attributes.findLast((one) => one.name === port)?.value;
      const by = this.tree.components[owner]!;
      return value ? this.valueOf(by, value, path, depth + 1).map(from(id)) : [];
    });
  }

  /** The components that a value may be which an owner hands in. */
  private valueOf(owner: Component, value: ExprFact, path: string[], depth: number): Component[] {
    const next = (one: ExprFact, rest = path) => this.valueOf(owner, one, rest, depth);
    if (value.component !== undefined && value.kind !== 'call')
      return this.named(owner, value.component, path);
    switch (value.kind) {
      case 'identity':
      case 'member':
        return this.heldBy(owner, value.symbol!, [...(value.path ?? []), ...path], depth);
      case 'object': {
        const [name, ...rest] = path;
        const member = value.members?.findLast((one) => one.name === name);
        return member ? next(member.value, rest) : (value.spreads ?? []).flatMap((one) => next(one));
      }
      case 'array':
        return (value.elements ?? []).flatMap((one) => next(one));
    }
    return (value.gives ?? []).flatMap((one) => next(one));
  }

  private heldBy(owner: Component, symbol: number, path: string[], depth: number): Component[] {
    const { kind, init } = owner.facts.symbols[symbol]!;
    if (kind === 'derived' || kind === 'state') return init ? this.valueOf(owner, init, path, depth) : [];
    return this.ofSymbol(owner, symbol, path, depth).map((one) => one.target);
  }

  /** A component of a module, or one that a member of each of its entries holds. */
  private named({ file }: Component, name: string, path: string[]): Component[] {
    const { names, components } = this.tree;
    const found = [
      ...names.candidates(file, { name, ...(path.length ? { path } : {}) }),
      ...(path.length ? names.candidates(file, { name, of: 'members', path }) : []),
    ];
    return [...new Set(found)].flatMap((one) =>
      one.kind === 'component' ? [components[one.component]!] : [],
    );
  }

  /** The components at the top of what fills a slot of a component. */
  filling(component: Component, slot: string, depth = 0): Found[] {
    const { calledAt, facts } = component;
    if (depth > MAX_DEPTH || calledAt.length > MAX_OWNERS) return [];
    return calledAt.flatMap((id) => {
      const { owner: by, node, fact } = this.tree.sites[id]!;
      const owner = this.tree.components[by]!;
      // What is handed on whole has the content in it.
      if (fact.attributes.some((one) => carries(owner, one, slot)))
        return this.filling(owner, slot, depth + 1).map((further) => ({ ...further, via: id }));
      return owner.facts.render.flatMap((one, index): Found[] => {
        if (one.parent !== node || (one.slot ?? facts.traits.contentPort) !== slot) return [];
        // Content that is handed on is what the owner was given.
        if (one.kind === 'outlet')
          return this.filling(owner, one.outlet!, depth + 1).map((further) => ({ ...further, via: id }));
        const here = owner.siteAt.get(index) ?? [];
        return here.map((site) => ({
          target: this.tree.components[this.tree.sites[site]!.target]!,
          via: id,
        }));
      });
    });
  }
}

const carries = ({ facts }: Component, { mode, value }: AttributeFact, name: string): boolean => {
  const symbol = mode === 'spread' && value.kind === 'identity' ? facts.symbols[value.symbol!]! : undefined;
  return symbol !== undefined && /^(bag|rest)$/.test(symbol.kind) && !symbol.except?.includes(name);
};

const from =
  (via: number) =>
  (target: Component): Found => ({ target, via });
