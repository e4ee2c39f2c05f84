/** Tables of routes: what each draws, what it provides around, and who draws the tables. */
import type * as t from '@babel/types';
import type { RenderFact } from '../../model/facts';
import { spread } from '../script/attributes';
import { constant, listed, metadata } from '../script/decorators';
import { lazyOf } from '../script/lazy';
import { keyName, memberName } from '../script/type-expr';
import { SETUP, spanOf, unwrap } from '../script/unit';
import { readProviders } from './providers';
import type { AngularUnit } from './unit';

/** Where a route stands: in a table, below the route around it, inside what the routes around it provide. */
interface Around {
  table: string | undefined;
  below?: number;
  parent: number;
}

export function isRoute(node: t.Node): boolean {
  if (node.type !== 'ObjectExpression') return false;
  const keys = new Set(
    node.properties.flatMap((one) => (one.type === 'ObjectProperty' ? (keyName(one) ?? '') : '')),
  );
  return (
    keys.has('path') &&
    ['component', 'loadComponent', 'children', 'loadChildren', 'redirectTo'].some((one) => keys.has(one))
  );
}

/** `const routes: Routes = [...]`; gives back whether it is a table of routes, `isSaid` where its type says so. */
export function readTable(u: AngularUnit, name: string, list: t.Node, isSaid = false): boolean {
  const bare = unwrap(list);
  if (bare.type !== 'ArrayExpression') return false;
  if (!isSaid && !bare.elements.some((one) => one && isRoute(unwrap(one)))) return false;
  readRoutes(u, bare, { table: name, parent: 0 });
  return true;
}

function readRoutes(u: AngularUnit, list: t.ArrayExpression, around: Around): void {
  for (const one of list.elements) {
    if (one?.type === 'SpreadElement') drawTable(u, one.argument, around);
    else if (one && isRoute(unwrap(one))) readRoute(u, unwrap(one) as t.ObjectExpression, around);
  }
}

const placeIn = ({ table, below }: Around): Pick<RenderFact, 'route'> =>
  table === undefined ? {} : { route: { table, ...(below === undefined ? {} : { below }) } };

/** Another table is drawn where a route is. */
function drawTable(
  u: AngularUnit,
  node: t.Node,
  around: Around,
  name = memberName(unwrap(node)),
): RenderFact | undefined {
  if (name === undefined) return undefined;
  const { parent } = around;
  u.facts.render.push({
    kind: 'group',
    parent,
    attributes: [],
    drawsTable: name,
    ...placeIn(around),
    ...spanOf(node),
  });
  return u.facts.render.at(-1);
}

/** A route draws its component where its parent draws its own routes, with what it provides around. */
export function readRoute(u: AngularUnit, node: t.ObjectExpression, at: Around): void {
  const options = metadata(node);
  let { parent, below } = at;
  const providers = options.get('providers');
  if (providers) {
    parent =
      u.facts.render.push({ kind: 'group', parent, attributes: [], ...placeIn(at), ...spanOf(node) }) - 1;
    readProviders(u, providers, { node: parent });
  }
  const component = options.get('component');
  const loader = options.get('loadComponent');
  const name = component ? memberName(unwrap(component)) : loader && lazyName(u, loader);
  if (name !== undefined) {
    const place = spanOf((component ?? loader)!);
    u.angular.said.push(place);
    // What the router binds to the inputs is written nowhere.
    below =
      u.facts.render.push({
        kind: 'site',
        parent,
        tag: { name, ...place },
        attributes: [spread(place)],
        ...placeIn(at),
        ...place,
      }) - 1;
  }
  const inside: Around = { ...at, parent, ...(below === undefined ? {} : { below }) };
  const children = options.get('children');
  const list = children && constant(children);
  if (list?.type === 'ArrayExpression') readRoutes(u, list, inside);
  else if (children) drawTable(u, children, inside);
  const more = options.get('loadChildren');
  if (more) drawTable(u, more, inside, lazyName(u, more));
  for (const key of ['canActivate', 'canMatch', 'canDeactivate', 'canActivateChild', 'resolve', 'title'])
    readGuards(u, options.get(key));
}

/** Guards and resolvers ask for what they need where they are called. */
function readGuards(u: AngularUnit, node: t.Node | undefined): void {
  if (!node) return;
  u.inContext++;
  u.expr(node, SETUP);
  u.inContext--;
}

/** A name in the file for what is loaded when it is needed. */
function lazyName(u: AngularUnit, loader: t.Node): string | undefined {
  const lazy = lazyOf(unwrap(loader));
  if (!lazy) return undefined;
  const name = `#route${u.angular.facts.values.length}`;
  u.angular.facts.values.push({ name, kind: 'value', lazy, ...spanOf(loader) });
  return name;
}

/**
 * `provideRouter(routes)`, `RouterModule.forRoot(routes)`: drawn where the app leaves room for routes. Gives back whether it is
 * that.
 */
export function readRouter(u: AngularUnit, call: t.CallExpression): boolean {
  const name = memberName(unwrap(call.callee));
  const [table] = call.arguments;
  if (!table || !(name === 'RouterModule.forRoot' || u.angular.names(name ?? '') === 'provideRouter'))
    return false;
  const around: Around = { table: undefined, parent: 0 };
  const made = `#table${u.angular.facts.values.length}`;
  if (readTable(u, made, table)) u.angular.facts.values.push({ name: made, kind: 'value', ...spanOf(table) });
  const drawn = drawTable(u, table, around, memberName(unwrap(table)) ?? made);
  if (drawn) drawn.forApp = true;
  return true;
}

/** The table that a bundle brings with it: `RouterModule.forChild(routes)`, or that of a bundle that is made for it. */
export function tableOf(imports: t.Node | undefined): string | undefined {
  const names = listed(imports).items.flatMap((item): t.Node[] => {
    const bare = unwrap(item);
    if (bare.type !== 'CallExpression') return /Routing(Module)?$/.test(memberName(bare) ?? '') ? [bare] : [];
    return memberName(unwrap(bare.callee)) === 'RouterModule.forChild' ? bare.arguments.slice(0, 1) : [];
  });
  return names.length === 1 ? memberName(unwrap(names[0]!)) : undefined;
}
