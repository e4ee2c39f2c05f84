/**
 * What stands in the address of the page, by the public interface of the router: `route.query.line`,
 * `router.push({ query: { line } })`. All code on the page reads and writes the same, name by name.
 */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { memberKey } from '../script/constants';
import { isChain } from '../script/own';
import { addressValue, keepMembers } from '../script/address';
import { memberName } from '../script/type-expr';
import { type Call, type Ctx, spanOf, type Unit, unwrap, use } from '../script/unit';
import { isSelf } from './names';

/** `$route`, `this.$route`, `const route = useRoute()`; the same of the router. */
function isNamed(node: t.Node, name: 'route' | 'router'): boolean {
  const own = `$${name}`;
  if (isChain(node)) return isSelf(node.object) && memberName(node.property) === own;
  if (node.type !== 'Identifier') return false;
  if (!node.binding) return node.name === own;
  const init = node.binding.node.type === 'VariableDeclarator' ? node.binding.node.init : undefined;
  const made = init && unwrap(init);
  const asked = name === 'route' ? 'useRoute' : 'useRouter';
  return made?.type === 'CallExpression' && memberName(made.callee) === asked;
}

/** A parameter of the address; undefined for any other member. */
export function addressMember(
  u: Unit,
  node: t.MemberExpression | t.OptionalMemberExpression,
): ExprFact | undefined {
  const object = unwrap(node.object);
  if (!isChain(object) || memberName(object.property) !== 'query' || !isNamed(unwrap(object.object), 'route'))
    return undefined;
  const name = memberKey(node);
  return name === undefined ? undefined : addressValue(u, name, node);
}

/** A call that changes the address; undefined for any other. */
export function readNavigation(u: Unit, node: Call, ctx: Ctx): ExprFact | undefined {
  const callee = unwrap(node.callee);
  if (!isChain(callee) || !/^(push|replace)$/.test(memberName(callee.property) ?? '')) return undefined;
  if (!isNamed(unwrap(callee.object), 'router')) return undefined;
  const [place] = node.arguments.map((one) => use(u, u.expr(one, ctx), ctx, 'argument'));
  const query = place?.members?.find((one) => one.name === 'query')?.value;
  keepMembers(u, query, ctx);
  return { kind: 'computed', ...spanOf(node) };
}
