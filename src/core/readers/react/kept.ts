/** What the loose code of a module keeps between renders: variables that are set anew, and collections that are filled. */
import type * as t from '@babel/types';
import { UNKNOWN } from '../../model/types';
import { type Binding, isFunction, type Scope } from '../script/scope';
import { bindThis } from '../script/self';
import { isHearing, isTelling } from '../script/told';
import { memberName } from '../script/type-expr';
import { returnsOf } from '../script/choices';
import {
  addState,
  addSymbol,
  isModuleLevel,
  SETUP,
  spanOf,
  typeOf,
  type Unit,
  unwrap,
  use,
} from '../script/unit';

/** Declares such as state of the module, or of the function; gives back the declarations that are done with. */
export function declareKept(
  u: Unit,
  { body }: t.Program | t.BlockStatement,
  makers: ReadonlySet<string> = new Set(),
): ReadonlySet<t.Node> {
  const done = new Set<t.Node>();
  for (const node of body) {
    if (node.type === 'ExportDefaultDeclaration' && isMadeBy(node.declaration, makers)) {
      addSymbol(u, { name: 'default', kind: 'state', ...spanOf(node.declaration) });
      done.add(node);
      continue;
    }
    const declared = node.type === 'ExportNamedDeclaration' ? node.declaration : node;
    if (declared?.type !== 'VariableDeclaration') continue;
    const kept = declared.declarations.filter(
      (one) =>
        isKept(one) ||
        (one.id.type === 'Identifier' && !!one.init && (isMadeBy(one.init, makers) || isOwnBus(one.init))),
    );
    if (kept.length !== declared.declarations.length) continue;
    for (const { id, init } of kept) {
      const symbol = addState(u, id as t.Identifier, undefined, init ? typeOf(u, init) : UNKNOWN);
      if (init) u.facts.symbols[symbol]!.init = use(u, u.expr(init, SETUP), SETUP);
    }
    done.add(node);
  }
  return done;
}

/** `const fleet = createStore({ … })`, `const bus = mitt()`, `const wind = new Subject()`: made to keep something. */
function isMadeBy(node: t.Node, makers: ReadonlySet<string>): boolean {
  const made = unwrap(node);
  if (made.type !== 'CallExpression' && made.type !== 'NewExpression') return false;
  return makers.has(memberName(made.callee) ?? '');
}

/** `new Bus()` of a class of the file with methods that tell and that hear. */
function isOwnBus(node: t.Node): boolean {
  const made = unwrap(node);
  const name = made.type === 'NewExpression' ? unwrap(made.callee) : undefined;
  const declared = name?.type === 'Identifier' ? name.binding?.node : undefined;
  if (declared?.type !== 'ClassDeclaration') return false;
  const methods = declared.body.body.flatMap((one) =>
    one.type === 'ClassMethod' || one.type === 'ClassProperty' ? (memberName(one.key) ?? []) : [],
  );
  return methods.some(isTelling) && methods.some(isHearing);
}

function isKept({ id, init }: t.VariableDeclarator): boolean {
  if (id.type !== 'Identifier' || !id.binding) return false;
  if (id.binding.kind === 'let') return id.binding.reassigned;
  const value = init && unwrap(init);
  return (
    !!value &&
    ((isCollection(value) && !(isModuleLevel(id.binding) && isMemo(id.binding))) ||
      bindThis(value, id) ||
      namesItself(id.binding, value))
  );
}

/** Functions that make something which goes on keeping what they declare. */
export const MAKER = /^(create|make|init|setup|build)[A-Z]|^get\w*Store$/;

/** Whether such a function keeps anything: a variable that functions in it set, a collection; contexts are made otherwise. */
export const isStateMaker = (name: string, node: t.Function): boolean =>
  MAKER.test(name) && (keepsVariables(node) || handsOutCalls(node));

const keepsVariables = (node: t.Function): boolean =>
  node.body.type === 'BlockStatement' &&
  node.body.body.some((one) => one.type === 'VariableDeclaration' && one.declarations.some(isKept)) &&
  returnsOf(node).some((one) => /^(Object|Array|New|Identifier)/.test(unwrap(one).type));

/** `(set) => ({ raise: (n) => set({ limit: n }) })`: functions that it gives back call what it was given. */
function handsOutCalls(node: t.Function): boolean {
  const given = returnsOf(node).flatMap((one) => {
    const object = unwrap(one);
    return object.type === 'ObjectExpression' ? object.properties : [];
  });
  const functions = given.flatMap((one) => {
    const value = one.type === 'ObjectProperty' ? unwrap(one.value) : one;
    return one.type !== 'SpreadElement' && isFunction(value) ? [value] : [];
  });
  const isIn = (at: number) => functions.some(({ start, end }) => start! <= at && at < end!);
  return node.params.some(
    (param) => param.type === 'Identifier' && param.binding?.uses.some(({ id }) => isIn(id.start!)) === true,
  );
}

/**
 * Only one plain function uses the collection: it remembers its own results there, and gives nobody what it worked out for
 * others.
 */
function isMemo({ uses }: Binding): boolean {
  const around = new Set(uses.map(({ scope }) => outermost(scope)));
  const [only] = around;
  return around.size === 1 && only !== undefined && !/^(use)?[A-Z]/.test(nameOf(only));
}

/** The function of the module that a scope stands in. */
function outermost(scope: Scope): Scope | undefined {
  let found: Scope | undefined;
  for (let at: Scope | undefined = scope; at?.parent; at = at.parent) if (at.isFunction) found = at;
  return found;
}

/** The name that a function of the module has, or is a constant of. */
function nameOf({ owner, parent }: Scope): string {
  if (owner.type === 'FunctionDeclaration') return owner.id?.name ?? '';
  for (const { node, name } of parent?.names.values() ?? [])
    if (node.type === 'VariableDeclarator' && node.init && unwrap(node.init) === owner) return name;
  return '';
}

/** `const store = { held: '', put(v) { store.held = v; } }` */
const namesItself = ({ uses }: Binding, { type, start, end }: t.Node): boolean =>
  type === 'ObjectExpression' && uses.some(({ id }) => id.start! > start! && id.end! < end!);

/** A collection that nothing is in yet. */
function isCollection(node: t.Node): boolean {
  switch (node.type) {
    case 'ObjectExpression':
      return !node.properties.length;
    case 'ArrayExpression':
      return !node.elements.length;
    case 'NewExpression':
      return /^(Map|Set|WeakMap)$/.test(memberName(node.callee) ?? '') && !node.arguments.length;
  }
  return false;
}
