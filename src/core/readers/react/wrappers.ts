/** Functions that take a component and give back one that renders it: recognised by what they do. */
import type * as t from '@babel/types';
import type { WrapperFact } from '../../model/facts';
import { returnsOf } from '../script/choices';
import type { Binding, Scope } from '../script/scope';
import { type Unit, unwrap } from '../script/unit';

export interface Maker {
  name: string;
  /** The parameter that may hold a component. */
  given?: Binding;
  /** It gives back things by name, so that what calls it is not the component inside. */
  givesObject: boolean;
}

/** The function of the module whose body a scope is. */
export function makerOf(scope: Scope): Maker | undefined {
  const { owner, parent } = scope;
  if (!parent || parent.parent !== undefined) return undefined;
  if (
    owner.type !== 'FunctionDeclaration' &&
    owner.type !== 'ArrowFunctionExpression' &&
    owner.type !== 'FunctionExpression'
  )
    return undefined;
  const [first] = owner.params;
  const name = owner.type === 'FunctionDeclaration' ? owner.id?.name : nameOf(owner, parent);
  if (name === undefined) return undefined;
  const given = first?.type === 'Identifier' ? first.binding : undefined;
  const givesObject = returnsOf(owner).some((one) => unwrap(one).type === 'ObjectExpression');
  return { name, ...(given ? { given } : {}), givesObject };
}

/** Whether a function draws the component that its maker was given. */
export const rendersGiven = (node: t.Node, { given }: Maker): boolean =>
  given !== undefined &&
  given.uses.some(({ id, role }) => role === 'tag' && id.start! >= node.start! && id.end! <= node.end!);

function nameOf(fn: t.Node, scope: Scope): string | undefined {
  for (const { node, name } of scope.names.values()) {
    if (node.type === 'VariableDeclarator' && node.init === fn) return name;
  }
  return undefined;
}

/** What a component adds to the one that its maker was given, if it renders that one with its own props. */
export function wrapperOf(u: Unit, { name, given }: Maker, component: number): WrapperFact | undefined {
  const drawn = [...u.facts.render.entries()].filter(
    ([, one]) => given && one.kind === 'site' && one.tag?.name === given.name && one.tag.symbol === undefined,
  );
  const [first, other] = drawn;
  if (!first || other || u.facts.openProps) return undefined;
  const [index, node] = first;
  const supplies: string[] = [];
  let takes: string[] | undefined;
  for (const { mode, name: attribute, value } of node.attributes) {
    if (mode !== 'spread') {
      supplies.push(attribute);
      continue;
    }
    const symbol = value.kind === 'identity' ? u.facts.symbols[value.symbol!]! : undefined;
    if (symbol?.kind === 'bag' || symbol?.kind === 'rest') takes = symbol.except ?? [];
    else return undefined;
  }
  if (!takes) return undefined;
  const own = u.facts.ports.map((port) => port.name);
  return { name, supplies, takes: [...new Set([...takes, ...own])], draws: { component, node: index } };
}
