/** Class components: props and state through `this`, handlers as members. */
import type * as t from '@babel/types';
import type { ComponentFacts } from '../../model/facts';
import { typeOfKey } from '../script/contexts';
import { readMethod } from '../script/classes';
import { readFunction } from '../script/functions';
import { infer, type InferContext, inferFunction } from '../script/infer';
import { keyName, memberName } from '../script/type-expr';
import { place, shownBy } from '../script/placing';
import { addSymbol, inferContext, spanOf, use, type Ctx, type Unit } from '../script/unit';
import { isFunction } from '../script/scope';
import { readPropTypes } from './prop-types';
import type { Candidate } from './components';
import { drawBase, stateSymbol, writeMembers } from './dialect';
import type { ReactNames } from './names';
import { isCreateRef, readInstance } from './refs';

const LIFECYCLE =
  /^(component(Did|Will)\w+|shouldComponentUpdate|getDerivedStateFromProps|getSnapshotBeforeUpdate|UNSAFE_\w+|constructor|validateProps)$/;

/** Those that are given a props object first. */
const GIVEN_PROPS =
  /^(constructor|getDerivedStateFromProps|shouldComponentUpdate|getSnapshotBeforeUpdate|componentDidUpdate|(UNSAFE_)?componentWill(Update|ReceiveProps))$/;

/** Reads the members of a class component into its unit. */
export function readClass(
  u: Unit,
  node: t.Class,
  ctx: Ctx,
  names: ReactNames,
  { inherits, drawsBase }: Pick<Candidate, 'inherits' | 'drawsBase'>,
): void {
  const bag = addSymbol(u, { name: 'props', kind: 'bag', ...spanOf(node.id ?? node) });
  u.members.set('props', bag);
  const methods: { fn: t.Function; name: string }[] = [];
  const constructor = node.body.body.find(
    (member): member is t.ClassMethod => member.type === 'ClassMethod' && member.kind === 'constructor',
  );
  if (constructor) readConstructor(u, constructor, bag, names, ctx);
  for (const member of node.body.body) {
    if (member.type !== 'ClassMethod' && member.type !== 'ClassProperty') {
      continue;
    }
    const name = keyName(member as { key: t.Node; computed?: boolean });
    if (name === undefined) continue;
    if (member.static) {
      if (name === 'defaultProps' && member.type === 'ClassProperty' && member.value)
        readDefaults(u.facts, member.value, inferContext(u));
      if (name === 'propTypes' && member.type === 'ClassProperty' && member.value) {
        readPropTypes(u.facts, member.value);
      }
      if (name === 'contextType' && member.type === 'ClassProperty') readContextType(u, member);
      if (member.type === 'ClassMethod') methods.push({ fn: member, name });
      continue;
    }
    const fn =
      member.type === 'ClassMethod'
        ? member
        : member.value && isFunction(member.value)
          ? member.value
          : undefined;
    if (fn) {
      methods.push({ fn, name });
      if (name !== 'render' && !LIFECYCLE.test(name)) {
        if (member.type === 'ClassMethod' && member.kind === 'get') {
          u.members.set(name, addSymbol(u, { name, kind: 'derived', ...spanOf(member.key) }));
          continue;
        }
        const isMethod = member.type === 'ClassProperty' || member.kind === 'method';
        const type = isMethod ? { type: inferFunction(fn, inferContext(u)) } : {};
        u.members.set(name, addSymbol(u, { name, kind: 'handler', ...spanOf(member.key), fn: -1, ...type }));
      }
    } else if (name === 'state' && member.type === 'ClassProperty') readState(u, member.value, ctx);
    else if (member.type === 'ClassProperty' && isCreateRef(names, member.value))
      declareBox(u, name, member.key);
    else if (member.type === 'ClassProperty' && member.value) use(u, u.expr(member.value, ctx), ctx);
  }
  // Event members first, the render last, so that what it calls is known.
  methods.sort((a, b) => Number(a.name === 'render') - Number(b.name === 'render'));
  for (const { fn, name } of methods) {
    if (name === 'render') {
      if (fn.body.type === 'BlockStatement') u.statements(fn.body.body, ctx);
      else place(u, shownBy(u, use(u, u.expr(fn.body, ctx), ctx)), -1);
      continue;
    }
    if (name === 'constructor') {
      readFunction(u, fn, ctx, 'derivation');
      continue;
    }
    const own = u.members.get(name);
    if (fn.type === 'ClassMethod' && fn.kind === 'get' && own !== undefined) {
      readMethod(u, own, fn);
      continue;
    }
    const lifecycle = LIFECYCLE.test(name);
    if (/^(getDerivedStateFromProps|componentDidUpdate|(UNSAFE_)?componentWillReceiveProps)$/.test(name)) {
      u.facts.renewsState = true;
    }
    if (GIVEN_PROPS.test(name)) givenProps(u, fn, bag);
    const expr = readFunction(
      u,
      fn,
      lifecycle ? { ...ctx, where: 'effect' } : ctx,
      lifecycle ? 'effect' : 'handler',
    );
    if (name === 'getDerivedStateFromProps' && expr.fn !== undefined)
      writeMembers(u, u.facts.functions[expr.fn]!.gives ?? [], { where: 'effect', fn: expr.fn });
    const symbol = u.members.get(name);
    if (symbol !== undefined && expr.fn !== undefined) {
      u.facts.symbols[symbol]!.fn = expr.fn;
      u.facts.symbols[symbol]!.init = expr;
    }
  }
  if (drawsBase && inherits) place(u, [drawBase(u, node, ctx)], -1);
  readInstance(u, node, inherits);
}

/** `static contextType = Wind`: what `this.context` holds. */
function readContextType(u: Unit, member: t.ClassProperty): void {
  const name = member.value ? memberName(member.value) : undefined;
  if (name === undefined) return;
  const key = { name };
  const symbol = addSymbol(u, {
    name: 'context',
    kind: 'injected',
    type: typeOfKey(key),
    ...spanOf(member.key),
  });
  u.members.set('context', symbol);
  u.facts.consumes.push({ key, symbol, where: 'setup', fn: -1, missing: 'bare', ...spanOf(member.value!) });
}

function declareBox(u: Unit, name: string, at: t.Node): void {
  u.members.set(name, addSymbol(u, { name, kind: 'ref', empty: true, ...spanOf(at) }));
}

/** Handles and state that a constructor makes: `this.box = createRef()`, `this.state = { … }`. */
function readConstructor(u: Unit, node: t.ClassMethod, bag: number, names: ReactNames, ctx: Ctx): void {
  givenProps(u, node, bag);
  for (const statement of node.body.body) {
    const made = statement.type === 'ExpressionStatement' ? statement.expression : undefined;
    if (made?.type !== 'AssignmentExpression' || made.left.type !== 'MemberExpression') continue;
    const { object, property } = made.left;
    if (object.type !== 'ThisExpression' || property.type !== 'Identifier') continue;
    if (isCreateRef(names, made.right)) declareBox(u, property.name, property);
    else if (property.name === 'state') readState(u, made.right, ctx);
  }
}

/** Lifecycle methods are given a props object: what is read from it is read from the props. */
function givenProps(u: Unit, fn: t.Function, bag: number): void {
  const [first] = fn.params;
  if (first?.type === 'Identifier' && first.binding) u.refs.set(first.binding, bag);
}

function readState(u: Unit, value: t.Node | null | undefined, ctx: Ctx): void {
  const object = value?.type === 'TSAsExpression' ? value.expression : value;
  if (object?.type !== 'ObjectExpression') return;
  for (const property of object.properties) {
    if (property.type !== 'ObjectProperty') continue;
    const name = keyName(property);
    if (name === undefined) continue;
    const symbol = u.facts.symbols[stateSymbol(u, name, spanOf(property.key))]!;
    symbol.init = use(u, u.expr(property.value, ctx), ctx);
  }
}

/** Default values that are declared beside the component. */
export function readDefaults(facts: ComponentFacts, value: t.Node, types: InferContext): void {
  if (value.type === 'TSAsExpression' || value.type === 'TSSatisfiesExpression') value = value.expression;
  if (value.type !== 'ObjectExpression') {
    facts.openDefaults = true;
    return;
  }
  for (const property of value.properties) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (name === undefined || property.type === 'SpreadElement') {
      facts.openDefaults = true;
      continue;
    }
    let port = facts.ports.find((one) => one.name === name);
    if (!port) {
      port = { name, channel: 'prop', declared: 'default', ...spanOf(property.key) };
      facts.ports.push(port);
    }
    const node = property.type === 'ObjectMethod' ? property : property.value;
    port.defaultIn = 'class';
    port.default = { kind: 'computed', ...spanOf(node), type: infer(node, types) };
  }
}
