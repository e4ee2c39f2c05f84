/** Names of code in the markup. */
import type * as t from '@babel/types';
import { nearest } from '../../model/names';
import { isPageGlobal } from '../../model/page-names';
import { bindingOf, namesIn, type Scope, type Use } from '../script/scope';
import type { SvelteUnit } from './unit';

/** Binds the names of markup code: to the script, to blocks around it, to stores. */
export function bindCode(u: SvelteUnit, node: t.Node, scope: Scope): void {
  const left = bindStores(u, u.scopes.bind(node, scope));
  for (const { id } of left) {
    if (id.name.startsWith('$') || id.name in globalThis || isPageGlobal(id.name)) continue;
    const known = namesIn(scope);
    // A page has more names than anybody can list; what looks like one in sight was meant as that.
    if (nearest(id.name, known) === undefined) continue;
    (u.facts.unknownNames ??= []).push({ name: id.name, start: id.start!, end: id.end!, known });
  }
}

/** `$wind` is what the store `wind` holds. Gives back the names that are still unknown. */
export function bindStores(u: SvelteUnit, uses: Use[]): Use[] {
  return uses.filter(({ id, scope }) => {
    if (id.name === '$$props' || id.name === '$$restProps') u.facts.openProps = true;
    const name = /^\$([A-Za-z_]\w*)$/.exec(id.name)?.[1];
    if (name === undefined) return true;
    const binding = bindingOf(name, scope);
    if (!binding) return true;
    id.binding = binding;
    binding.uses.push({ id, scope, role: 'value' });
    return false;
  });
}
