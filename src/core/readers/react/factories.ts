/**
 * Functions that make contexts or components: each call gives a provider, a hook or the context itself, for a key of its
 * own, or components by name.
 */
import type * as t from '@babel/types';
import type { FactoryFact } from '../../model/facts';
import { returnsOf } from '../script/choices';
import { isNamedLikeComponent } from '../../model/names';
import { isFunction, type NamedNode, type Scopes } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { type FileContext, unwrap } from '../script/unit';
import { calledHook } from './dialect';
import type { ReactNames } from './names';

/** The functions of a module that make contexts or components, with the names of the contexts inside. */
export function factoriesIn(scopes: Scopes, names: ReactNames): Map<t.Node, string[]> {
  const found = new Map<t.Node, string[]>();
  for (const { node, id, scope } of scopes.named) {
    const { owner, parent } = scope;
    if (!id || parent?.parent !== undefined || !parent || !isFunction(owner)) continue;
    if (calledHook(names, unwrap(node)) !== 'createContext') continue;
    found.set(owner, [...(found.get(owner) ?? []), id.name]);
  }
  for (const one of scopes.named) {
    const { owner, parent } = one.scope;
    if (!parent || parent.parent !== undefined || !isFunction(owner) || found.has(owner)) continue;
    if (isGivenByName(one, owner)) found.set(owner, []);
  }
  return found;
}

/** What is named like a component is given back by name: `return { Fill, Slot }`. */
function isGivenByName({ id }: NamedNode, owner: t.Function): boolean {
  const { binding } = id ?? {};
  if (!binding || !isNamedLikeComponent(id!.name)) return false;
  const isIt = (node: t.Node | null | undefined): boolean =>
    node?.type === 'Identifier' && node.binding === binding;
  return returnsOf(owner)
    .map(unwrap)
    .some((node) =>
      node.type === 'ObjectExpression'
        ? node.properties.some((one) => one.type === 'ObjectProperty' && isIt(unwrap(one.value)))
        : node.type === 'ArrayExpression' && node.elements.some(isIt),
    );
}

/** What such functions give back, once their components and hooks have numbers in the file. */
export function readFactories(
  scopes: Scopes,
  factories: Map<t.Node, string[]>,
  file: FileContext,
): FactoryFact[] {
  return scopes.named.flatMap((one: NamedNode): FactoryFact[] => {
    const fn = unwrap(one.node);
    const keys = factories.get(fn);
    if (!keys || !isFunction(fn) || one.scope.parent !== undefined) return [];
    const gives = returnsOf(fn).flatMap((result) => partsOf(result, keys, file));
    return gives.length ? [{ name: one.id?.name ?? 'default', keys, gives }] : [];
  });
}

function partsOf(
  result: t.Node,
  keys: string[],
  file: FileContext,
  path: string[] = [],
): FactoryFact['gives'] {
  const node = unwrap(result);
  if (node.type === 'ObjectExpression')
    return node.properties.flatMap((one) => {
      const name = one.type === 'ObjectProperty' ? keyName(one) : undefined;
      return one.type === 'ObjectProperty' && name !== undefined
        ? partsOf(one.value, keys, file, [...path, name])
        : [];
    });
  if (node.type === 'ArrayExpression')
    return node.elements.flatMap((one, index) =>
      one ? partsOf(one, keys, file, [...path, String(index)]) : [],
    );
  const name = memberName(node)?.replace(/\.(Provider|Consumer)$/, '');
  if (name !== undefined && keys.includes(name)) return [{ path, key: name }];
  const component = node.type === 'Identifier' && node.binding ? file.inner.get(node.binding) : undefined;
  return component === undefined ? [] : [{ path, component }];
}
