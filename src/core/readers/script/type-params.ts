/** Type parameters of components and classes. */
import type * as t from '@babel/types';
import type { ComponentFacts, TypeParamFact } from '../../model/facts';
import { parseScript } from './parse';
import { type NamedType, readType } from './type-expr';

interface Params {
  params?: t.TSTypeParameter[];
}

const ofList = (list: Params | null | undefined, named: NamedType): TypeParamFact[] =>
  (list?.params ?? []).flatMap((one) => {
    // A name, or what holds one: that depends on the parser.
    const name: unknown = one.name;
    if (typeof name !== 'string') return [];
    return [{ name, ...(one.constraint ? { extends: readType(one.constraint, named) } : {}) }];
  });

/** Those of a function or class. */
export const typeParams = (node: t.Node, named: NamedType): TypeParamFact[] =>
  ofList((node as { typeParameters?: Params | null }).typeParameters, named);

/** Those that stand in a text of their own: `TRow extends Row, TKey`. */
export function typeParamsIn(text: string, named: NamedType): TypeParamFact[] {
  const parsed = parseScript('params.ts', `type One<${text}> = 0`);
  const [one] = 'problem' in parsed ? [] : parsed.program.body;
  return one?.type === 'TSTypeAliasDeclaration' ? ofList(one.typeParameters as Params | null, named) : [];
}

/** Notes the parameters of a component, if it has any. */
export function takeParams(component: ComponentFacts, params: TypeParamFact[]): void {
  if (params.length) component.typeParams = params;
}
