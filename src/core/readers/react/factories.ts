/** Functions that make contexts: each call gives a provider, a hook or the context itself, for a key of its own. */
import type * as t from '@babel/types';
import type { FactoryFact } from '../../model/facts';
import { returnsOf } from '../script/choices';
import { isFunction, type NamedNode, type Scopes } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { type FileContext, unwrap } from '../script/unit';
import { calledHook } from './dialect';
import type { ReactNames } from './names';

/** The functions of a module that make contexts, with the names of these inside. */
export function factoriesIn(scopes: Scopes, names: ReactNames): Map<t.Node, string[]> {
  const found = new Map<t.Node, string[]>();
  for (const { node, id, scope } of scopes.named) {
    const { owner, parent } = scope;
    if (!id || parent?.parent !== undefined || !parent || !isFunction(owner)) continue;
    if (calledHook(names, unwrap(node)) !== 'createContext') continue;
    found.set(owner, [...(found.get(owner) ?? []), id.name]);
  }
  return found;
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
