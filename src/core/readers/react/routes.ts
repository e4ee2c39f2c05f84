/** Routes in tables: `createBrowserRouter([{ path, element, children }])`, where they are drawn, and where layouts place them. */
import type * as t from '@babel/types';
import type { ExprFact, ImportFact, KeyFact, RenderFact } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { addConsume } from '../script/contexts';
import { keyName, memberName, readType, typeArguments } from '../script/type-expr';
import { addNode, type Ctx, SETUP, spanOf, type Unit, unwrap } from '../script/unit';

const MODULES = /^(react-router(-dom)?|@remix-run\/(react|router))$/;
const MAKES = /^create(Browser|Hash|Memory|Static)Router$/;

/** Names of the router's own, by those that the file uses. */
export type RouterNames = ReadonlyMap<string, string>;

export const routerNames = (imports: ImportFact[]): RouterNames =>
  new Map(imports.filter((one) => MODULES.test(one.from)).map((one) => [one.local, one.name]));

/** Notes where a unit draws a table of routes, and where it places the routes below its own. */
export function noteOutlets(u: Unit, names: RouterNames): void {
  if (!names.size) return;
  for (const node of u.facts.render) {
    const tag = node.kind === 'site' && node.tag ? names.get(node.tag.name) : undefined;
    if (tag === 'Outlet') {
      node.placesRoutes = true;
      provideThere(u, node);
    }
    if (tag !== 'RouterProvider') continue;
    const router = node.attributes.find((one) => one.name === 'router')?.value;
    // The loose code of a file knows its own constants as symbols.
    const own = router?.kind === 'identity' ? u.facts.symbols[router.symbol!] : undefined;
    const table = router?.component ?? (own && u.facts.role === 'module' ? own.name : undefined);
    if (table !== undefined) node.drawsTable = table;
  }
}

/** What routes ask their layout for: `useOutletContext()`. */
const ASKED: KeyFact = { text: 'OutletContext' };

/** `<Outlet context={…}>` provides it to the routes that are drawn in its place. */
function provideThere(u: Unit, node: RenderFact): void {
  const given = node.attributes.find((one) => one.name === 'context');
  if (!given) return;
  const { nameStart: start, nameEnd: end, value } = given;
  const at = { keyStart: start, keyEnd: end, start, end };
  u.facts.provides.push({ key: ASKED, node: u.facts.render.indexOf(node), where: 'setup', value, ...at });
}

/** What a call of the router's own asks the layout for, or undefined if it asks for nothing. */
export function askLayout(
  u: Unit,
  call: t.CallExpression | t.OptionalCallExpression,
  ctx: Ctx,
  names: RouterNames,
  id?: t.Identifier,
): ExprFact | undefined {
  if (names.get(memberName(call.callee) ?? '') !== 'useOutletContext') return undefined;
  const [written] = typeArguments(call);
  const type = written ? readType(written, u.file.named) : UNKNOWN;
  return addConsume(u, ASKED, spanOf(call), ctx, id, type, 'handled');
}

/** Notes which of the loose nodes of a file belong to tables of routes, and below which. */
export function noteTables(u: Unit, program: t.Program, names: RouterNames): void {
  for (const statement of program.body) {
    const declared = statement.type === 'ExportNamedDeclaration' ? statement.declaration : statement;
    if (declared?.type !== 'VariableDeclaration') continue;
    for (const { id, init } of declared.declarations) {
      const table = id.type === 'Identifier' && init ? listOf(init, names) : undefined;
      if (table) readTable(u, (id as t.Identifier).name, table, undefined);
    }
  }
}

/** The list that a constant holds, or that a call makes a router of. */
function listOf(node: t.Node, names: RouterNames): t.ArrayExpression | undefined {
  const bare = unwrap(node);
  if (bare.type === 'ArrayExpression') return bare.elements.some((one) => isRoute(one)) ? bare : undefined;
  if (bare.type !== 'CallExpression' || !MAKES.test(names.get(memberName(bare.callee) ?? '') ?? ''))
    return undefined;
  const [first] = bare.arguments;
  const list = first && unwrap(first);
  return list?.type === 'ArrayExpression' ? list : undefined;
}

function isRoute(node: t.Node | null): boolean {
  const object = node && unwrap(node);
  if (object?.type !== 'ObjectExpression') return false;
  const keys = new Set(object.properties.map((one) => (one.type === 'SpreadElement' ? '' : keyName(one))));
  return (
    (keys.has('path') || keys.has('index') || keys.has('children')) &&
    (keys.has('element') || keys.has('Component') || keys.has('children') || keys.has('lazy'))
  );
}

function readTable(u: Unit, table: string, list: t.ArrayExpression, below: number | undefined): void {
  for (const one of list.elements) {
    const route = one && unwrap(one);
    if (route?.type !== 'ObjectExpression') continue;
    const member = (name: string): t.Node | undefined => {
      const found = route.properties.find((each) => each.type === 'ObjectProperty' && keyName(each) === name);
      return found?.type === 'ObjectProperty' ? unwrap(found.value) : undefined;
    };
    const node = elementOf(u, member('element'), member('Component'));
    if (node !== undefined)
      u.facts.render[node]!.route = { table, ...(below === undefined ? {} : { below }) };
    const children = member('children');
    if (children?.type === 'ArrayExpression') readTable(u, table, children, node ?? below);
  }
}

/** The node of what a route draws: an element that is read already, or a component by its name. */
function elementOf(u: Unit, element: t.Node | undefined, component: t.Node | undefined): number | undefined {
  if (element) {
    const index = u.facts.render.findIndex((one) => one.start === element.start && one.end === element.end);
    return index < 0 ? undefined : index;
  }
  const name = component && memberName(component);
  if (!component || name === undefined) return undefined;
  return addNode(u, { kind: 'site', tag: { name, ...spanOf(component) }, ...spanOf(component) }, SETUP);
}
