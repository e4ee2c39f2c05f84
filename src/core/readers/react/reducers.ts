/**
 * Parts of an app's store that are plain functions of what there is and of what is told, by the public interface of the
 * package that puts them together: `function line(state = START, action) { switch (action.type) { case HOLD: … } }`. What is
 * told are objects with a `type`, wherever they are made.
 */
import type * as t from '@babel/types';
import { TOLD } from '../../model/code';
import type { ExprFact } from '../../model/facts';
import { nameFromPath } from '../../model/names';
import { constantKey } from '../script/keys';
import { comparedWith, keyTold } from '../script/told-keys';
import { readFunction } from '../script/functions';
import { addInvoke } from '../script/invokes';
import { isFunction } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { addSymbol, type Ctx, SETUP, spanOf, type Unit, unwrap, use } from '../script/unit';
import { addChange } from './slices';
import type { StoreCalls } from '../script/store-calls';
import { handedOn, isTableOfParts, isWrappedPart, partAt, partMade } from '../script/store-parts';

/** What such a function does when something is told: statements, or what it gives back. */
interface Case {
  keys: string[];
  at: t.Node;
  /** Where it ends in the text; what is done in any case follows further down. */
  end: number;
  does: t.Statement[];
}

interface Told {
  /** The parameter. */
  state: t.Identifier;
  isType(node: t.Node): boolean;
}

/** Reads such functions of a file, and what it makes of parts, into the unit of its loose code. */
export function readReducers(u: Unit, program: t.Program, calls: StoreCalls): void {
  for (const node of program.body) {
    const declared = node.type === 'ExportNamedDeclaration' ? node.declaration : node;
    if (declared?.type === 'ClassDeclaration' && !declared.superClass) readTold(u, declared);
  }
  for (const { name, shown, node } of namedIn(u, program)) {
    const isFn = isFunction(node);
    const isParts =
      !isFn && (isTableOfParts(name, node) || (name === 'default' && isWrappedPart(node, calls)));
    const parts = isFn ? partMade(u, node, calls) : isParts ? partAt(u, node, calls) : undefined;
    const [drafted, start] = draftedIn(node);
    if (parts) addSymbol(u, { name: shown, keptBy: name, kind: 'derived', init: parts, ...spanOf(node) });
    else if (isFn) readReducer(u, { name, shown, fn: node, start: startOf(node) }, calls);
    else if (drafted) readReducer(u, { name, shown, fn: drafted, start }, calls);
  }
}

/** `class Hold { readonly type = HOLD; constructor(public by: number) {} }`: whoever makes one tells it. */
function readTold(u: Unit, node: t.ClassDeclaration): void {
  const { body } = node.body;
  const type = body.find((one) => one.type === 'ClassProperty' && !one.static && keyName(one) === 'type');
  const made = body.find((one) => one.type === 'ClassMethod' && one.kind === 'constructor');
  const kind = type?.type === 'ClassProperty' ? type.value : undefined;
  const key = kind ? constantKey(kind) : undefined;
  if (!node.id || !kind || key === undefined || !TELLS.test(key)) return;
  const params = (made?.type === 'ClassMethod' ? made.params : []).map((one) =>
    one.type === 'TSParameterProperty' ? one.parameter : one,
  );
  const ids = params.flatMap((one) => {
    const id = one.type === 'AssignmentPattern' ? one.left : one;
    return id.type === 'Identifier' ? [id] : [];
  });
  const at = spanOf(node);
  const property = (name: string, value: t.Node): t.ObjectProperty =>
    ({
      type: 'ObjectProperty',
      key: { type: 'Identifier', name, ...at },
      value,
      computed: false,
      ...spanOf(value),
    }) as t.ObjectProperty;
  const properties = [property('type', kind), ...ids.map((id) => property(id.name, id))];
  const fn = {
    type: 'ArrowFunctionExpression',
    params,
    body: { type: 'ObjectExpression', properties, ...at },
    ...at,
  };
  const read = readFunction(u, fn as t.ArrowFunctionExpression, SETUP, 'handler').fn;
  if (read !== undefined)
    addSymbol(u, { name: node.id.name, keptBy: node.id.name, kind: 'handler', fn: read, ...spanOf(node.id) });
}

/** A function that is told something, what it starts with, its name in the file, and as it is shown. */
interface Reducer {
  name: string;
  shown: string;
  fn: t.Function;
  start: t.Node | undefined;
}

function readReducer(u: Unit, { name, shown, fn, start }: Reducer, calls: StoreCalls): void {
  const told = toldTo(fn);
  if (!told) return;
  const cases = casesIn(fn, told);
  const next = cases.some(({ does }) => does.some(givesNext)) ? undefined : handedOn(fn);
  const symbol = { name: shown, keptBy: name, ...spanOf(fn) };
  const whole = next && partAt(u, next, calls);
  if (whole) {
    addSymbol(u, { ...symbol, kind: 'derived', init: whole });
    return;
  }
  if (!cases.length) return;
  const init = start && use(u, u.expr(start, SETUP), SETUP);
  const gives = init ? [init] : [];
  const state = addSymbol(u, {
    ...symbol,
    kind: 'state',
    init: { kind: 'computed', gives, ...spanOf(start ?? fn) },
  });
  cases.forEach(({ keys, at, end, does }, index) => {
    const body = { type: 'BlockStatement', body: does, start: at.start, end };
    const params = [told.state, fn.params[1]];
    const part = { ...fn, type: 'ArrowFunctionExpression', params, body, start: body.start, end: body.end };
    // The function was read as a whole before.
    for (const binding of u.refs.keys()) if (binding.scope.owner === fn) u.refs.delete(binding);
    const change = `${name}#${index}`;
    addChange(u, change, state, part as t.ArrowFunctionExpression, at, SETUP);
    for (const key of keys) (u.file.answers ??= []).push({ key, does: change });
  });
}

/** What the file declares or exports, by its name in it, and as it is shown. */
function namedIn(u: Unit, { body }: t.Program): { name: string; shown: string; node: t.Node }[] {
  const own = nameFromPath(u.file.path);
  return body.flatMap((statement) => {
    const isDefault = statement.type === 'ExportDefaultDeclaration';
    const declared =
      isDefault || statement.type === 'ExportNamedDeclaration' ? statement.declaration : statement;
    const node = declared && unwrap(declared);
    if (node?.type === 'VariableDeclaration')
      return node.declarations.flatMap(({ id, init }) =>
        init && id.type === 'Identifier' ? [{ name: id.name, shown: id.name, node: unwrap(init) }] : [],
      );
    const id = node && 'id' in node && node.id?.type === 'Identifier' ? node.id.name : undefined;
    const isNamed = node?.type === 'FunctionDeclaration' && id !== undefined;
    return node && (isNamed || isDefault) ? [{ name: id ?? 'default', shown: id ?? own, node }] : [];
  });
}

/** `produce((draft, action) => { … }, START)` */
function draftedIn(node: t.Node): [fn?: t.Function, start?: t.Node] {
  if (node.type !== 'CallExpression' || !/^(\w+\.)?produce$/.test(memberName(node.callee) ?? '')) return [];
  const [first, start] = node.arguments;
  const fn = first && unwrap(first);
  return fn && isFunction(fn) ? [fn, start] : [];
}

/** How a function knows what it is told; undefined of functions of something else. */
function toldTo({ params }: t.Function): Told | undefined {
  const [first, second, ...others] = params;
  if (!first || !second || others.length) return undefined;
  const state = first.type === 'AssignmentPattern' ? first.left : first;
  const action = second.type === 'AssignmentPattern' ? second.left : second;
  if (state.type !== 'Identifier') return undefined;
  if (action.type === 'Identifier') {
    const { binding } = action;
    const isType = (node: t.Node): boolean => {
      const bare = unwrap(node);
      return (
        (bare.type === 'MemberExpression' || bare.type === 'OptionalMemberExpression') &&
        bare.object.type === 'Identifier' &&
        bare.object.binding === binding &&
        memberName(bare.property) === 'type'
      );
    };
    return { state, isType };
  }
  if (action.type !== 'ObjectPattern') return undefined;
  const type = action.properties.find((one) => one.type === 'ObjectProperty' && keyName(one) === 'type');
  const name = type?.type === 'ObjectProperty' && type.value.type === 'Identifier' ? type.value : undefined;
  return name && { state, isType: (node) => node.type === 'Identifier' && node.binding === name.binding };
}

const startOf = ({ params: [first] }: t.Function): t.Expression | undefined =>
  first?.type === 'AssignmentPattern' ? first.right : undefined;

const returned = (node: t.Expression): t.Statement => ({
  type: 'ReturnStatement',
  argument: node,
  start: node.start,
  end: node.end,
});

/** What a function does, by what it is told; nothing where it does not ask. */
function casesIn(fn: t.Function, told: Told): Case[] {
  const body = fn.body.type === 'BlockStatement' ? fn.body.body : [returned(fn.body)];
  const found: Case[] = [];
  /** What is declared before is known to what follows. */
  const before: t.Statement[] = [];
  /** What is done in any case: `return next`. */
  const last = body.filter((one) => one.type === 'ReturnStatement' && one.argument?.type === 'Identifier');
  const add = (tests: t.Node[], at: t.Node, does: t.Statement[]): void => {
    const keys = tests.flatMap((test) => constantKey(test) ?? []);
    const { end } = does.at(-1) ?? at;
    if (keys.length) found.push({ keys, at, end: end!, does: [...before, ...does, ...last] });
  };
  const ofCondition = (test: t.Node, does: t.Statement[]): void =>
    add(
      comparedWith(test, (one) => isType(one, told, [])),
      test,
      does,
    );
  const look = (node: t.Statement): void => {
    switch (node.type) {
      case 'VariableDeclaration':
        before.push(node);
        return;
      case 'BlockStatement':
        node.body.forEach(look);
        return;
      case 'SwitchStatement': {
        if (!isType(node.discriminant, told, before)) return;
        let tests: t.Node[] = [];
        for (const one of node.cases) {
          if (one.test) tests.push(one.test);
          if (!one.consequent.length) continue;
          add(tests, one.test ?? one, one.consequent);
          tests = [];
        }
        return;
      }
      case 'IfStatement':
        ofCondition(node.test, [node.consequent]);
        if (node.alternate) look(node.alternate);
        return;
      case 'ReturnStatement':
        if (node.argument) ofExpression(unwrap(node.argument) as t.Expression);
    }
  };
  const ofExpression = (node: t.Expression): void => {
    if (node.type === 'ConditionalExpression') {
      ofCondition(node.test, [returned(node.consequent)]);
      ofExpression(unwrap(node.alternate) as t.Expression);
    }
    // `produce(state, (draft) => { … })`: what is changed there is what there is.
    const [given, change] = node.type === 'CallExpression' ? node.arguments : [];
    const inner = change && unwrap(change);
    const isOfState = given?.type === 'Identifier' && given.binding === told.state.binding;
    if (!isOfState || !inner || !isFunction(inner) || inner.body.type !== 'BlockStatement') return;
    const [draft] = inner.params;
    if (draft?.type === 'Identifier') before.push(renamed(draft, given));
    inner.body.body.forEach(look);
  };
  body.forEach(look);
  return found;
}

const renamed = (id: t.Identifier, init: t.Identifier): t.VariableDeclaration => {
  const { start, end } = id;
  const declared: t.VariableDeclarator = { type: 'VariableDeclarator', id, init, start, end };
  return { type: 'VariableDeclaration', kind: 'const', declarations: [declared], start, end };
};

/** Whether an expression is what is told, itself or by a name: `const { type } = action`. */
function isType(node: t.Node, told: Told, before: t.Statement[]): boolean {
  const bare = unwrap(node);
  if (told.isType(bare)) return true;
  const { node: declared } = (bare.type === 'Identifier' && bare.binding) || {};
  if (declared?.type !== 'VariableDeclarator' || !declared.init || bare.type !== 'Identifier') return false;
  const { id, init } = declared;
  if (id.type === 'Identifier') return told.isType(unwrap(init));
  const isBefore = before.some(
    (one) => one.type === 'VariableDeclaration' && one.declarations.includes(declared),
  );
  const taken =
    id.type === 'ObjectPattern' &&
    id.properties.some(
      (one) => one.type === 'ObjectProperty' && keyName(one) === 'type' && one.value === bare.binding?.id,
    );
  return isBefore && taken && told.isType({ ...member(unwrap(init), 'type') });
}

const member = (object: t.Node, name: string): t.MemberExpression => ({
  type: 'MemberExpression',
  object: object as t.Expression,
  property: { type: 'Identifier', name },
  computed: false,
});

/** Whether a statement gives back what comes next. */
function givesNext(node: t.Statement): boolean {
  if (node.type === 'ReturnStatement')
    return node.argument != null && unwrap(node.argument).type === 'ObjectExpression';
  if (node.type === 'BlockStatement') return node.body.some(givesNext);
  return (
    node.type === 'IfStatement' &&
    (givesNext(node.consequent) || (node.alternate != null && givesNext(node.alternate)))
  );
}

/** Keys of what is told are seldom plain words, which much else has for its `type`. */
const TELLS = /[\p{Lu}/:_@]|^=/u;

/** `{ type: HOLD, by: 4 }`: whoever makes it tells it. */
export function noteTold(u: Unit, node: t.ObjectExpression, object: ExprFact, ctx: Ctx): void {
  const key = keyTold(node);
  if (key === undefined) return;
  object.told = key;
  if (!TELLS.test(key) || (ctx.fn < 0 && u.facts.role === 'module')) return;
  const callee: ExprFact = { kind: 'computed', component: TOLD + key, ...spanOf(node) };
  addInvoke(u, callee, [object], spanOf(node), ctx);
  u.facts.tells = true;
}
