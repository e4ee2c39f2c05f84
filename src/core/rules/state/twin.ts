import { isJoined, reach } from '../../link/reach';
import type { Component } from '../../model/project';
import { placeOf, step, type Rule } from '../rule';

export const twin: Rule = {
  name: 'state/twin',
  level: 'note',
  summary: 'Owner and child keep state of the same name, and neither is fed from the other.',
  check({ project, report }) {
    const seen = new Set<string>();
    for (const site of project.sites) {
      if (site.owner === site.target || project.files[site.file]!.aside) continue;
      const owner = project.components[site.owner]!;
      const child = project.components[site.target]!;
      // What many render keeps what it keeps for itself.
      if (child.unknownSites || child.calledAt.some((id) => project.sites[id]!.owner !== owner.id)) continue;
      child.facts.symbols.forEach((symbol, index) => {
        if (symbol.kind !== 'state') return;
        const other = owner.facts.symbols.findIndex(
          (one) => one.kind === 'state' && one.name === symbol.name,
        );
        // What nobody changes is a constant, not state.
        if (!isWritten(child, index) || (other >= 0 && !isWritten(owner, other))) return;
        const key = `${owner.id}:${child.id}:${symbol.name}`;
        if (other < 0 || seen.has(key)) return;
        seen.add(key);
        const [own, theirs] = [child.nodeOf[index]!, owner.nodeOf[other]!];
        if (isJoined(project.flow, own, theirs) && reach(project.flow, [own]).nodes.has(theirs)) return;
        const place = placeOf(child.file, symbol);
        report({
          component: child,
          port: { channel: 'state', name: symbol.name },
          nodes: [own, theirs],
          place,
          message: `${owner.name} and ${child.name} both keep "${symbol.name}", and neither is fed from the other. If they mean the same, keep it in one place.`,
          trail: [
            step(owner, placeOf(owner.file, owner.facts.symbols[other]!), symbol.name, 'is kept', 'start'),
            step(child, place, symbol.name, 'is kept again', 'start'),
          ],
        });
      });
    }
  },
};

const isWritten = ({ facts }: Component, symbol: number): boolean =>
  facts.writes.some((write) => write.symbol === symbol) ||
  facts.symbols.some((one) => one.kind === 'setter' && one.of === symbol);
