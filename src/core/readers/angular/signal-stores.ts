/**
 * Stores that are put together of features: `signalStore(withState({ held: 0 }), withMethods((store) => ({ hold() {…} })))`. What
 * the call makes is a class like any other, with a signal for each member of the state; here it is written as one.
 */
import type * as t from '@babel/types';
import type { ImportFact } from '../../model/facts';
import { functionOf } from '../script/by-name';
import { returnsOf } from '../script/choices';
import { constant, metadata, textOf } from '../script/decorators';
import type { Binding, Scope, Scopes } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { spanOf, unwrap } from '../script/unit';
import { eachChild } from '../script/walk';
import type { AngularNames } from './names';

const MODULE = /^@ngrx\/signals(\/|$)/;

/** Before a name of the framework that nothing in the file imports. */
const OWN = '#';

/** Features that a function gives, in an object. */
const GIVEN = /^with(Computed|Methods|Props)$/;

/** The framework's names, among them those that such a class is written with. */
export const withOwnNames =
  (names: AngularNames): AngularNames =>
  (local) =>
    local.startsWith(OWN) ? local.slice(OWN.length) : names(local);

/** Writes the stores of a file as classes. */
export function writeStores(imports: ImportFact[], scopes: Scopes): void {
  const named = new Map(imports.filter(({ from }) => MODULE.test(from)).map((one) => [one.local, one.name]));
  if (!named.size) return;
  const features = new Map<t.Function, t.CallExpression['arguments']>();
  for (const { node: written } of scopes.named) {
    const node = unwrap(written);
    const made = node.type === 'ClassDeclaration' || node.type === 'ClassExpression' ? node.superClass : node;
    if (made?.type !== 'CallExpression' || named.get(memberName(made.callee) ?? '') !== 'signalStore')
      continue;
    const store = new StoreClass(named, features);
    store.take(made.arguments);
    if (node === made) store.replace(made);
    else if (node.type === 'ClassDeclaration' || node.type === 'ClassExpression') {
      node.superClass = null;
      store.writePatches(node.body);
      node.body.body.unshift(...store.members);
    }
  }
}

type At = { start: number; end: number };

class StoreClass {
  readonly members: (t.ClassProperty | t.ClassMethod)[] = [];
  private readonly state = new Set<string>();
  private config: t.Node | undefined;

  /** `named` are the package's own names, by those that the file uses. */
  constructor(
    private readonly named: ReadonlyMap<string, string>,
    /** What the features of the file are put together of. */
    private readonly features: Map<t.Function, t.CallExpression['arguments']>,
  ) {}

  take(features: t.CallExpression['arguments']): void {
    for (const one of features) {
      const feature = unwrap(one);
      if (feature.type === 'ObjectExpression') this.config ??= feature;
      else if (feature.type === 'CallExpression') this.takeFeature(feature);
    }
  }

  /** Makes a class of the call. */
  replace(call: t.CallExpression): void {
    const at = spanOf(call);
    const decorator = {
      type: 'Decorator',
      expression: callOf(identifier(`${OWN}Injectable`, at), this.config ? [this.config] : [], at),
      ...at,
    } as t.Decorator;
    const body = { type: 'ClassBody', body: this.members, ...at } as t.ClassBody;
    Object.assign(call, {
      type: 'ClassExpression',
      id: null,
      superClass: null,
      body,
      decorators: [decorator],
    });
  }

  private takeFeature(call: t.CallExpression): void {
    const name = memberName(call.callee) ?? '';
    const own = this.named.get(name);
    const [first] = call.arguments;
    if (own === undefined) {
      // A feature of the file's own is put together of others, which mean nothing without a store.
      const inner = functionOf(call.callee);
      if (!inner) return;
      let parts = this.features.get(inner);
      if (!parts) {
        const [made] = returnsOf(inner).map(unwrap);
        const isFeature =
          made?.type === 'CallExpression' &&
          this.named.get(memberName(made.callee) ?? '') === 'signalStoreFeature';
        this.features.set(inner, (parts = isFeature ? made.arguments : []));
        if (isFeature) made.arguments = [];
      }
      this.take(parts);
    } else if (own === 'withState') this.takeState(first);
    else if (own === 'withEntities') this.takeEntities(first, spanOf(call));
    else if (own === 'withHooks') this.takeHooks(first);
    else if (GIVEN.test(own) && first) this.takeGiven(first);
  }

  /** A signal for each member of what the state starts with. */
  private takeState(node: t.Node | undefined): void {
    const fn = node && functionOf(node);
    const [given] = fn ? returnsOf(fn) : [node];
    const object = given && constant(given);
    if (object?.type !== 'ObjectExpression') return;
    for (const one of object.properties) {
      const name = one.type === 'ObjectProperty' ? keyName(one) : undefined;
      if (one.type === 'ObjectProperty' && name !== undefined)
        this.addState(name, [one.value as t.Expression], spanOf(one.key));
    }
  }

  private addState(name: string, init: t.Expression[], at: At): void {
    this.state.add(name);
    this.add(name, callOf(identifier(`${OWN}signal`, at), init, at), at);
  }

  private takeEntities(node: t.Node | undefined, at: At): void {
    const of = textOf(metadata(node).get('collection')) ?? '';
    const name = (part: string) => (of ? of + part.charAt(0).toUpperCase() + part.slice(1) : part);
    const list = { type: 'ArrayExpression', elements: [], ...at } as unknown as t.ArrayExpression;
    this.addState(name('entities'), [list], at);
    for (const part of ['entityMap', 'ids'])
      this.add(
        name(part),
        callOf(identifier(`${OWN}computed`, at), [arrow(callOf(own(name('entities'), at), [], at), at)], at),
        at,
      );
  }

  private takeHooks(node: t.Node | undefined): void {
    const bare = node && unwrap(node);
    if (bare?.type === 'ObjectExpression') {
      for (const one of bare.properties) {
        const value = one.type === 'ObjectProperty' ? unwrap(one.value) : one;
        if (value.type === 'ObjectMethod' || value.type === 'ArrowFunctionExpression')
          this.meanStore(value.params[0]);
      }
      this.addAll(bare);
    } else if (bare) this.takeGiven(bare);
  }

  /** `(store, line = inject(Line)) => ({ … })` */
  private takeGiven(node: t.Node): void {
    const fn = functionOf(node);
    if (!fn) return;
    const [store, ...others] = fn.params;
    this.meanStore(store);
    for (const one of others)
      if (one.type === 'AssignmentPattern' && one.left.type === 'Identifier')
        this.addOwn(one.left, one.right);
    if (fn.body.type === 'BlockStatement')
      for (const statement of fn.body.body) {
        if (statement.type === 'VariableDeclaration')
          for (const { id, init } of statement.declarations)
            if (id.type === 'Identifier' && init) this.addOwn(id, init);
        if (statement.type === 'FunctionDeclaration' && statement.id) {
          const { id, params, body, async = false, generator = false } = statement;
          this.meanMember(id.binding, id.name);
          this.members.push(methodOf(id, { params, body, async, generator }, statement));
          this.writePatches(statement);
        }
      }
    for (const given of returnsOf(fn)) {
      const object = constant(given);
      if (object.type === 'ObjectExpression') this.addAll(object);
    }
  }

  /** What stands for the store, or for members of it, is written so. */
  private meanStore(param: t.Node | undefined): void {
    if (param?.type === 'Identifier') this.meanStoreBy(param.binding);
    if (param?.type !== 'ObjectPattern') return;
    for (const one of param.properties) {
      const target = one.type === 'RestElement' ? one.argument : one.value;
      if (target.type !== 'Identifier') continue;
      const name = one.type === 'ObjectProperty' ? keyName(one) : undefined;
      if (one.type === 'RestElement') this.meanStoreBy(target.binding);
      else if (name !== undefined) this.meanMember(target.binding, name);
    }
  }

  private meanStoreBy(binding: Binding | undefined): void {
    for (const { id } of binding?.uses ?? [])
      Object.assign(id, { type: 'ThisExpression', binding: undefined });
  }

  private meanMember(binding: Binding | undefined, name: string): void {
    for (const { id } of binding?.uses ?? [])
      Object.assign(id, { binding: undefined }, own(name, spanOf(id as t.Node)));
  }

  /** What a feature keeps for itself. */
  private addOwn(id: t.Identifier, init: t.Expression): void {
    this.meanMember(id.binding, id.name);
    this.writePatches(init);
    this.add(id.name, init, spanOf(id));
  }

  private addAll(object: t.ObjectExpression): void {
    for (const one of object.properties) {
      if (one.type === 'SpreadElement') continue;
      if (isMethod(one)) {
        // A feature that another store has, too.
        this.members.push(one);
        continue;
      }
      const name = keyName(one);
      if (name === undefined) continue;
      const isItself = (node: t.Node) =>
        node.type === 'MemberExpression' && node.object.type === 'ThisExpression';
      this.writePatches(one);
      if (one.type === 'ObjectMethod') {
        const { params, body, async, generator } = one;
        this.members.push(methodOf(one.key as t.Identifier, { params, body, async, generator }, one));
        // What is a member already is given back under its name.
      } else if (!(isItself(one.value) && this.has(name)))
        this.add(name, one.value as t.Expression, spanOf(one.key));
    }
  }

  private has(name: string): boolean {
    return this.members.some((one) => !one.computed && memberName(one.key) === name);
  }

  private add(name: string, value: t.Expression, at: At): void {
    const key = identifier(name, at);
    this.members.push({
      type: 'ClassProperty',
      key,
      value,
      computed: false,
      static: false,
      start: at.start,
      end: Math.max(at.end, value.end ?? at.end),
    } as unknown as t.ClassProperty);
  }

  /** `patchState(store, { held })` sets the signals that it names; `rxMethod(…)` makes a function of operators. */
  writePatches(node: t.Node): void {
    const look = (part: t.Node): void => {
      eachChild(part, look);
      if (part.type !== 'CallExpression') return;
      const called = this.named.get(memberName(part.callee) ?? '');
      if (called === 'rxMethod') writeStream(part);
      if (called !== 'patchState') return;
      const [store, ...updates] = part.arguments;
      if (store?.type !== 'ThisExpression') return;
      const sets = updates.flatMap((one) => this.setsOf(unwrap(one), spanOf(part)));
      if (sets.length) Object.assign(part, { type: 'SequenceExpression', expressions: sets });
    };
    look(node);
  }

  private setsOf(update: t.Node, at: At): t.Expression[] {
    if (update.type === 'ObjectExpression')
      return update.properties.flatMap((one): t.Expression[] => {
        const name = one.type === 'ObjectProperty' ? keyName(one) : undefined;
        if (one.type !== 'ObjectProperty' || name === undefined || !this.state.has(name)) return [];
        return [this.setOf(name, one.value as t.Expression, spanOf(one))];
      });
    const fn = functionOf(update);
    if (fn && update.type !== 'CallExpression') {
      this.meanState(fn.params[0], fn);
      return returnsOf(fn).flatMap((one) => this.setsOf(unwrap(one), at));
    }
    // `setAllEntities(ropes)`
    const kept = [...this.state].find((one) => /entities$/i.test(one));
    if (update.type !== 'CallExpression' || kept === undefined) return [];
    const updater = this.named.get(memberName(update.callee) ?? '');
    const [given] = update.arguments;
    return updater !== undefined && /Entit(y|ies)$/.test(updater) && given
      ? [this.setOf(kept, given as t.Expression, at)]
      : [];
  }

  private setOf = (name: string, value: t.Expression, at: At): t.Expression =>
    callOf(memberOf(own(name, at), 'set', at), [value], at);

  /** In an updater, a member of the state is what its signal holds. */
  private meanState(param: t.Node | undefined, fn: t.Function): void {
    const read = (name: string, at: At) => callOf(own(name, at), [], at);
    if (param?.type === 'ObjectPattern')
      for (const one of param.properties) {
        const name = one.type === 'ObjectProperty' ? keyName(one) : undefined;
        if (one.type !== 'ObjectProperty' || one.value.type !== 'Identifier' || name === undefined) continue;
        for (const { id } of one.value.binding?.uses ?? [])
          Object.assign(id, { binding: undefined }, read(name, spanOf(id as t.Node)));
      }
    if (param?.type !== 'Identifier') return;
    const look = (part: t.Node): void => {
      eachChild(part, look);
      if (part.type !== 'MemberExpression' || part.computed || part.object.type !== 'Identifier') return;
      const name = memberName(part.property);
      if (part.object.binding === param.binding && name !== undefined)
        Object.assign(part, read(name, spanOf(part)));
    };
    look(fn.body);
  }
}

/** `(given) => of(given).pipe(…)` */
function writeStream(call: t.CallExpression): void {
  const [made] = call.arguments;
  const operators = made && unwrap(made);
  if (operators?.type !== 'CallExpression') return;
  const at = spanOf(call);
  const [param, use] = [identifier('given', at), identifier('given', at)];
  const binding: Binding = {
    name: 'given',
    kind: 'param',
    scope: NO_SCOPE,
    id: param,
    node: param,
    uses: [],
    reassigned: false,
  };
  for (const one of [param, use]) one.binding = binding;
  const source = callOf(identifier(`${OWN}of`, at), [use], at);
  const steps = memberName(operators.callee) === 'pipe' ? operators.arguments : [operators];
  Object.assign(call, arrow(callOf(memberOf(source, 'pipe', at), steps, at), at), { params: [param] });
}

/** A method that was taken over already. */
const isMethod = (node: t.Node): node is t.ClassMethod => node.type === 'ClassMethod';

/** Where a name stands that no code declares. */
const AROUND: Scope = {
  parent: undefined,
  owner: { type: 'Program' } as t.Program,
  isFunction: true,
  names: new Map(),
};
const NO_SCOPE: Scope = { ...AROUND, parent: AROUND };

const identifier = (name: string, at: At): t.Identifier =>
  ({ type: 'Identifier', name, ...at }) as t.Identifier;

const memberOf = (object: t.Expression, name: string, at: At): t.MemberExpression =>
  ({
    type: 'MemberExpression',
    object,
    property: identifier(name, at),
    computed: false,
    ...at,
  }) as t.MemberExpression;

const own = (name: string, at: At): t.MemberExpression =>
  memberOf({ type: 'ThisExpression', ...at } as t.ThisExpression, name, at);

const callOf = (callee: t.Expression, args: t.Node[], at: At): t.CallExpression =>
  ({ type: 'CallExpression', callee, arguments: args, ...at }) as t.CallExpression;

const arrow = (body: t.Expression, at: At): t.ArrowFunctionExpression =>
  ({
    type: 'ArrowFunctionExpression',
    params: [],
    body,
    async: false,
    ...at,
  }) as unknown as t.ArrowFunctionExpression;

/** The function itself stays what it was: its parameters are known by it. */
const methodOf = (
  key: t.Identifier,
  parts: Pick<t.ClassMethod, 'params' | 'async' | 'generator'> & { body: t.BlockStatement },
  node: t.Node,
): t.ClassMethod =>
  Object.assign(node, {
    ...parts,
    type: 'ClassMethod',
    kind: 'method',
    key,
    computed: false,
    static: false,
  }) as unknown as t.ClassMethod;
