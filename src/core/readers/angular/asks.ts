/** What code asks its injector for. */
import type * as t from '@babel/types';
import type { ConsumeFact, ExprFact } from '../../model/facts';
import type { TypeExpr } from '../../model/types';
import { addConsume, typeOfKey } from '../script/contexts';
import { keyName, memberName, readType, typeArguments } from '../script/type-expr';
import { type Call, type Ctx, spanOf, unwrap } from '../script/unit';
import { decoratorsOf } from '../script/decorators';
import { dialogKey } from './dialogs';
import type { AngularUnit } from './unit';

export type Options = Pick<ConsumeFact, 'missing' | 'from'>;

/** The name of a class or token that a node means; `forwardRef(() => X)` means X. */
export function tokenName(u: Pick<AngularUnit, 'angular'>, node: t.Node | undefined): string | undefined {
  const bare = node && unwrap(node);
  if (!bare) return undefined;
  if (bare.type === 'CallExpression' && u.angular.names(memberName(bare.callee) ?? '') === 'forwardRef') {
    const [fn] = bare.arguments;
    const body = fn?.type === 'ArrowFunctionExpression' ? fn.body : undefined;
    return body && body.type !== 'BlockStatement' ? memberName(body) : undefined;
  }
  return memberName(bare);
}

/** `inject(X, { optional: true })` */
export function readInject(u: AngularUnit, call: Call, ctx: Ctx, id?: t.Identifier): ExprFact | undefined {
  const [token, given] = call.arguments;
  const name = tokenName(u, token);
  if (name === undefined) return undefined;
  u.angular.said.push(spanOf(token!));
  const options: Options = { missing: 'throws' };
  const bare = given && unwrap(given);
  if (bare?.type === 'ObjectExpression')
    for (const one of bare.properties) {
      const isSet = one.type === 'ObjectProperty' && one.value.type === 'BooleanLiteral' && one.value.value;
      if (isSet) setOption(options, keyName(one) ?? '');
    }
  else if (bare) options.missing = 'handled';
  const [written] = typeArguments(call);
  const type = written && readType(written, u.file.named);
  return ask(u, name, call, ctx, options, id, type);
}

export function setOption(options: Options, name: string): void {
  if (/^optional$/i.test(name)) options.missing = 'handled';
  else if (/^self$/i.test(name)) options.from = 'own';
  else if (/^skipself$/i.test(name)) options.from = 'above';
  // How far the host reaches depends on who renders it.
  else if (/^host$/i.test(name)) options.missing = 'handled';
}

export function ask(
  u: AngularUnit,
  name: string,
  at: t.Node,
  ctx: Ctx,
  { missing, from }: Options,
  id?: t.Identifier,
  type?: TypeExpr,
): ExprFact {
  const dialog = dialogKey(u, name);
  const key = dialog ?? { name };
  const given = addConsume(u, key, spanOf(at), ctx, id, type ?? typeOfKey(key), dialog ? 'handled' : missing);
  const fact = u.facts.consumes.at(-1)!;
  if (from) fact.from = from;
  if (ctx.fn >= 0 && u.inContext === 0) u.askedIn.push({ consume: u.facts.consumes.length - 1, fn: ctx.fn });
  return given;
}

/** A parameter of a constructor: what its type, or `@Inject(X)`, names is handed in. */
export function readParameter(u: AngularUnit, node: t.Node, ctx: Ctx): boolean {
  const inner = node.type === 'TSParameterProperty' ? node.parameter : node;
  const id = inner.type === 'AssignmentPattern' ? inner.left : inner;
  if (id.type !== 'Identifier') return false;
  const options: Options = { missing: 'throws' };
  let token: string | undefined;
  for (const { name, args } of [
    ...decoratorsOf(node, u.angular.names),
    ...decoratorsOf(inner, u.angular.names),
  ]) {
    if (name === 'Inject') token = tokenName(u, args[0]);
    else setOption(options, name);
  }
  const annotation = id.typeAnnotation;
  const named = annotation?.type === 'TSTypeAnnotation' ? classNamed(annotation.typeAnnotation) : undefined;
  token ??= named;
  if (token === undefined) return false;
  // By its type it is asked for, unless it is asked for by something else.
  const type = token === named || !annotation ? undefined : readType(annotation, u.file.named);
  const { symbol } = ask(u, token, id, ctx, options, id, type);
  if (node.type === 'TSParameterProperty') u.members.set(id.name, symbol!);
  return true;
}

/** The class in a type: of `X | null`, X. */
function classNamed(type: t.Node): string | undefined {
  if (type.type === 'TSUnionType') {
    const found = type.types.map(classNamed).filter((one) => one !== undefined);
    return found.length === 1 ? found[0] : undefined;
  }
  if (type.type !== 'TSTypeReference') return undefined;
  return type.typeName.type === 'Identifier' ? type.typeName.name : undefined;
}
