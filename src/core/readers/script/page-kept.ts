/**
 * What the page keeps for all code on it: `localStorage.setItem('line', x)` is read by `getItem('line')` anywhere, and what
 * `dispatchEvent(new CustomEvent('held', { detail: x }))` raises on the window or the document is heard there by its name.
 */
import type * as t from '@babel/types';
import type { ExprFact, Span } from '../../model/facts';
import { functionIn } from './invokes';
import { nameOf } from './told';
import { keyName, memberName } from './type-expr';
import { meaningOf, addSymbol, type Call, type Ctx, noteGiven, spanOf, type Unit, unwrap, use } from './unit';

const STORAGE = /^(localStorage|sessionStorage)$/;
const PAGE = /^(window|document|globalThis|self)$/;

/** Reads `getItem` and `setItem` of a storage, under a name that is written out; undefined for any other call. */
export function readStorage(u: Unit, node: Call, ctx: Ctx): ExprFact | undefined {
  const callee = unwrap(node.callee);
  const method = methodOf(callee);
  const storage = method === 'getItem' || method === 'setItem' ? storageIn(callee) : undefined;
  const key = storage && nameOf(node.arguments[0]);
  if (!storage || key === undefined) return undefined;
  if (method === 'setItem') {
    const value = node.arguments[1] && use(u, u.expr(node.arguments[1], ctx), ctx, 'argument');
    keepOnPage(u, `${storage}.${key}`, value, spanOf(node), ctx);
    return { kind: 'computed', ...spanOf(node) };
  }
  return { kind: 'identity', symbol: keptOnPage(u, `${storage}.${key}`, node), ...spanOf(node) };
}

/** Notes what a call raises on the page, or hears there, by its name. */
export function notePage(u: Unit, node: Call, args: ExprFact[], ctx: Ctx): void {
  const callee = unwrap(node.callee);
  const method = methodOf(callee);
  if (method !== 'addEventListener' && method !== 'dispatchEvent') return;
  const object = callee.type === 'Identifier' ? undefined : unwrap((callee as t.MemberExpression).object);
  if (object && !isGlobal(object, PAGE)) return;
  if (method === 'addEventListener') {
    const key = nameOf(node.arguments[0]);
    const fn = key === undefined || !args[1] ? undefined : functionIn(u, args[1]);
    if (fn !== undefined)
      noteGiven(u, fn, [{ kind: 'identity', symbol: keptOnPage(u, `page.${key}`, node), ...spanOf(node) }]);
    return;
  }
  const made = node.arguments[0] && unwrap(node.arguments[0]);
  if (made?.type !== 'NewExpression' || memberName(made.callee) !== 'CustomEvent') return;
  const [name, options] = made.arguments;
  const key = nameOf(name);
  const detail =
    options?.type === 'ObjectExpression'
      ? options.properties.find((one) => one.type === 'ObjectProperty' && keyName(one) === 'detail')
      : undefined;
  if (key === undefined || detail?.type !== 'ObjectProperty') return;
  const value = meaningOf(u, detail.value, ctx);
  const at = spanOf(detail);
  keepOnPage(
    u,
    `page.${key}`,
    { kind: 'object', members: [{ name: 'detail', value, ...at }], ...at },
    spanOf(node),
    ctx,
  );
}

/** Notes that a value is kept on the page under a name. */
export function keepOnPage(u: Unit, name: string, value: ExprFact | undefined, at: Span, ctx: Ctx): void {
  (u.facts.sharedWrites ??= []).push({
    name: `#${name}`,
    path: [],
    ...(value ? { value } : {}),
    told: true,
    where: ctx.where,
    fn: ctx.fn,
    start: at.start,
    end: at.end,
  });
}

/** The symbol of what is kept on the page under a name. */
export function keptOnPage({ facts }: Unit, name: string, node: t.Node): number {
  const port = `#${name}`;
  const known = facts.symbols.findIndex((one) => one.kind === 'shared' && one.port === port);
  return known >= 0 ? known : addSymbol({ facts } as Unit, { name, kind: 'shared', port, ...spanOf(node) });
}

const methodOf = (callee: t.Node): string | undefined =>
  callee.type === 'Identifier'
    ? callee.binding
      ? undefined
      : callee.name
    : (callee.type === 'MemberExpression' || callee.type === 'OptionalMemberExpression') && !callee.computed
      ? memberName(callee.property)
      : undefined;

/** `localStorage`, `window.localStorage` */
function storageIn(callee: t.Node): string | undefined {
  if (callee.type !== 'MemberExpression' && callee.type !== 'OptionalMemberExpression') return undefined;
  const object = unwrap(callee.object);
  if (isGlobal(object, STORAGE)) return object.name;
  const isOfPage = object.type === 'MemberExpression' && isGlobal(unwrap(object.object), PAGE);
  const name = isOfPage ? memberName(object.property) : undefined;
  return name !== undefined && STORAGE.test(name) ? name : undefined;
}

const isGlobal = (node: t.Node, names: RegExp): node is t.Identifier =>
  node.type === 'Identifier' && !node.binding && names.test(node.name);
