import { isFed } from '../../link/7-flow/reach';
import type { ComponentFacts } from '../../model/facts';
import { oncePer } from '../../model/once-per';
import { placeOf, step, type Rule } from '../rule';

export const twin: Rule = {
  name: 'state/twin',
  level: 'note',
  summary: 'Owner and child keep state of the same name, and neither is fed from the other.',
  check({ project, report }) {
    const seen = new Set<string>();
    for (const site of project.written) {
      if (site.owner === site.target || project.files[site.file]!.aside) continue;
      const owner = project.components[site.owner]!;
      const child = project.components[site.target]!;
      // What many render keeps what it keeps for itself.
      if (child.unknownSites || child.calledAt.some((id) => project.sites[id]!.owner !== owner.id)) continue;
      const kept = keptBy(owner.facts);
      for (const [name, index] of keptBy(child.facts)) {
        const other = kept.get(name);
        const key = `${owner.id}:${child.id}:${name}`;
        if (other === undefined || seen.has(key)) continue;
        const symbol = child.facts.symbols[index]!;
        seen.add(key);
        const [own, theirs] = [child.nodeOf[index]!, owner.nodeOf[other]!];
        if (isFed(project.flow, own, theirs)) continue;
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
      }
    }
  },
};

/** State by its name. What nobody changes is a constant, not state. */
const keptBy = oncePer(({ symbols, writes }: ComponentFacts): Map<string, number> => {
  const written = new Set(writes.map((one) => one.symbol));
  for (const { kind, of } of symbols) if (kind === 'setter' && of !== undefined) written.add(of);
  const found = new Map<string, number>();
  symbols.forEach(({ kind, name, boxed }, index) => {
    // A form is what its fields are, whatever it is called.
    if (kind === 'state' && boxed !== 'fields' && !found.has(name)) found.set(name, index);
  });
  for (const [name, index] of found) if (!written.has(index)) found.delete(name);
  return found;
});
