/** What a class extends, where what that declares is its own as well. */
import type * as t from '@babel/types';
import type { ComponentFacts } from '../../model/facts';
import { readType, type NamedType, typeArguments } from './type-expr';
import { spanOf } from './unit';

/** The types that a class gives to its base: `extends Grid<Row>`. */
export const superArguments = ({ superTypeParameters, superTypeArguments }: Supers): t.Node[] =>
  typeArguments({
    typeParameters: superTypeParameters,
    typeArguments: superTypeArguments,
  } as unknown as t.Node);

/** Babel calls them by either name. */
type Supers = Pick<t.Class, 'superTypeParameters'> & { superTypeArguments?: t.Node | null };

/** Notes that a class is the heir of the one of that name. */
export function takeAfter(component: ComponentFacts, node: t.Class, base: string, named: NamedType): void {
  const args = superArguments(node).map((one) => readType(one, named));
  component.mixins = [base];
  component.heirOf = { name: base, ...(args.length ? { args } : {}), ...spanOf(node.superClass!) };
}
