/** What a component does with its ports: calls what it was handed, or writes back. */
import { groupBy } from '../../model/group-by';
import type { Component, Port, Project } from '../../model/project';

/**
 * Ports whose value is called as a function, by their own component, by one that it is handed to, or by a helper (`inHelpers`).
 */
export function calledPorts({ components, sites }: Project, inHelpers: Iterable<Port>): Set<Port> {
  const found = new Set(inHelpers);
  const feeds: [into: Port, from: Port][] = [];
  for (const component of components) {
    const bySymbol = new Map([...component.ports.values()].map((port) => [port.symbol, port]));
    for (const { symbol } of component.facts.emits) {
      const port = bySymbol.get(symbol);
      if (port) found.add(port);
    }
    for (const { symbol, site, node, attribute } of component.passes) {
      const port = bySymbol.get(symbol);
      if (!port || site < 0) continue;
      const { name } = component.facts.render[node]!.attributes[attribute]!;
      const into = components[sites[site]!.target]!.ports.get(name);
      if (!into) continue;
      if (into.channel === 'event') found.add(port);
      else feeds.push([into, port]);
    }
  }
  const fedBy = groupBy(feeds, ([into]) => into);
  const todo = [...found];
  for (let port = todo.pop(); port; port = todo.pop()) {
    for (const [, from] of fedBy.get(port) ?? []) {
      if (found.has(from)) continue;
      found.add(from);
      todo.push(from);
    }
  }
  return found;
}

/** Whether a component writes to one of its own inputs, or hands it on to be written. */
export const isWritten = ({ facts }: Component, port: Port): boolean =>
  facts.writes.some((write) => write.symbol === port.symbol) ||
  facts.render.some((node) =>
    node.attributes.some((one) => one.mode === 'two-way' && one.value.symbol === port.symbol),
  );
