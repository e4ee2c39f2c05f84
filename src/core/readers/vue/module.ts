/** What a file with Vue code makes known to others: values, keys, helpers, registrations, mounted apps. */
import type * as t from '@babel/types';
import type { ValueFact } from '../../model/facts';
import { isNamedLikeComponent, nameFromPath } from '../../model/names';
import { UNKNOWN } from '../../model/types';
import { returnsOf } from '../script/choices';
import { readHelper } from '../script/functions';
import { readClassHelper } from '../script/classes';
import { isFunction, mentionsIn, type NamedNode } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { emptyFacts, moduleTypes, spanOf, unwrap } from '../script/unit';
import { lazyOf } from '../script/lazy';
import { valueOf } from '../script/values';
import { closeUnit } from './close';
import { openUnit, type VueFile } from './file-facts';
import { isComposable, sharedComposable } from './composables';
import { VUE_TRAITS, type VueNames } from './names';
import { readFunctional } from './functional';
import { defines, type GivenOptions, isWhole, noteMaker, OPTIONS, optionsGiven } from './given-options';
import { readOptions } from './options/options';
import { declareProps, isPropsTable } from './props';
import { readStore, storeOf } from './stores';
import { readTemplateText } from './template-text';
import { makeOpen, type VueUnit } from './unit';

/** Module-level values, helpers and components made of options. */
export function readModuleLevel(vue: VueFile, skip: ReadonlySet<t.Node>): void {
  const { facts, scopes, file } = vue;
  const helpers: { one: NamedNode; made: t.Node; component: number }[] = [];
  const types = moduleTypes(file);
  for (const one of scopes.named) {
    if (one.scope.parent !== undefined || skip.has(one.node) || skip.has(one.declaration)) continue;
    const node = unwrap(one.node);
    const name = one.id?.name ?? (one.name || 'default');
    const base = { name, ...spanOf(one.id ?? one.node) };
    // What a file gives without a name is known by the file's.
    const known = name === 'default' ? withoutCapital(nameFromPath(file.path)) : name;
    const own = optionsOf(vue, node);
    const given = own ? undefined : optionsGiven(node);
    const object = own ?? (given && isWhole(given.object) ? given.object : undefined);
    if (object) {
      facts.values.push({ ...base, kind: 'component', component: facts.components.length });
      readOptionsComponent(vue, object, one.id, one.id?.name ?? nameFromPath(file.path), given);
      continue;
    }
    if (isFunction(node) && isNamedLikeComponent(one.id?.name ?? '') && draws(vue, node)) {
      facts.values.push({ ...base, kind: 'component', component: facts.components.length });
      readFunctional(vue, node, one.id!);
      continue;
    }
    const store = storeOf(facts.imports, node);
    const shared = sharedComposable(name, node);
    const isPlainClass = node.type === 'ClassDeclaration' && !node.superClass && one.id !== undefined;
    if (
      store ||
      shared ||
      isPlainClass ||
      (isFunction(node) && (isComposable(vue.names, known, node) || isRenderFunction(vue, node, name)))
    ) {
      facts.values.push({
        ...base,
        kind: 'component',
        component: -1,
        type: valueOf(one, vue.names.call, types).type ?? UNKNOWN,
      });
      helpers.push({ one, made: store ?? shared ?? node, component: facts.values.length - 1 });
      continue;
    }
    // `mixins(Held).extend({ methods: … })` gives more options to take over.
    const isExtended = given?.mixins && (given.base ? isOptions(given.object) : isMixin(given.object));
    const extended = isExtended ? given : undefined;
    const value: ValueFact = extended
      ? { ...base, kind: 'object' }
      : valueOf(one, (call) => ownCall(vue.names, call), types);
    facts.values.push(value);
    if (isFunction(node) && defines(vue.names, node)) value.defines = true;
    const options =
      extended?.object ?? (node.type === 'ObjectExpression' && isMixin(node) ? node : undefined);
    const taken = options ?? tableOf(node);
    if (!taken) continue;
    // It belongs to whoever takes it over, as a helper belongs to who calls it.
    value.mixin = facts.components.length;
    const u = openOptions(vue, taken, one.id, name === 'default' ? nameFromPath(file.path) : name);
    u.facts.role = 'helper';
    if (extended) noteMaker(u.facts, extended);
    // Where what they extend is a component, it is one, too, that draws what that draws.
    if (extended?.base) Object.assign(value, { kind: 'component', component: value.mixin });
    if (options) readMixin(u, taken);
    else readTable(u, taken);
    closeUnit(vue, u);
  }
  for (const { one, made, component } of helpers) {
    facts.values[component]!.component = facts.components.length;
    const store = storeOf(facts.imports, one.node);
    if (store) facts.components.push(readStore(vue, one, store));
    else if (made.type === 'ClassDeclaration') readPlainClass(vue, one, made);
    else readComposable(vue, one, made as t.Function, made !== unwrap(one.node));
  }
}

const withoutCapital = (name: string): string => name.slice(0, 1).toLowerCase() + name.slice(1);

/** Functions that give back what is drawn belong to who calls them; those named like a component may be one. */
const isRenderFunction = (vue: VueFile, fn: t.Function, name: string): boolean =>
  !isNamedLikeComponent(name) && draws(vue, fn);

function draws({ names }: VueFile, fn: t.Function): boolean {
  const isDrawn = (node: t.Node): boolean => {
    const bare = unwrap(node);
    if (bare.type === 'ArrayExpression') return bare.elements.some((one) => one !== null && isDrawn(one));
    if (bare.type === 'ConditionalExpression') return isDrawn(bare.consequent) || isDrawn(bare.alternate);
    return bare.type === 'CallExpression' && names.call(bare) === 'h';
  };
  if (returnsOf(fn).some(isDrawn)) fn.hasMarkup = true;
  return fn.hasMarkup === true;
}

const isOptions = ({ properties }: t.ObjectExpression): boolean =>
  properties.every((one) => one.type === 'SpreadElement' || OPTIONS.has(keyName(one) ?? ''));

/** Options that draw nothing, for components to take over. */
function isMixin(object: t.ObjectExpression): boolean {
  if (!isOptions(object)) return false;
  return object.properties.some(
    (one) =>
      (one.type === 'ObjectMethod' && /^(data|provide|mounted|created)$/.test(keyName(one) ?? '')) ||
      (one.type === 'ObjectProperty' &&
        one.value.type === 'ObjectExpression' &&
        /^(methods|computed|props|watch|inject)$/.test(keyName(one) ?? '')),
  );
}

/** Props that several components declare: an object, or what a function makes of one that says so: `buildProps({…})`. */
function tableOf(node: t.Node): t.ObjectExpression | undefined {
  const bare =
    node.type === 'CallExpression' && /props/i.test(memberName(node.callee) ?? '') ? node : undefined;
  const object = bare ? bare.arguments[0] && unwrap(bare.arguments[0]) : node;
  return object?.type === 'ObjectExpression' && isPropsTable(object) ? object : undefined;
}

function readMixin(u: VueUnit, object: t.ObjectExpression): void {
  u.takenOver = true;
  readOptions(u, object);
  if (u.facts.openEmits) u.facts.raisesAny = true;
  makeOpen(u);
}

function readTable(u: VueUnit, object: t.ObjectExpression): void {
  u.facts.isTable = true;
  declareProps(u, object);
}

const ownCall = (names: VueNames, call: t.CallExpression): string | undefined => {
  const own = names.call(call);
  return own === 'defineAsyncComponent' ? 'lazy' : own;
};

/** The options of a component: `defineComponent({…})`, `Vue.extend({…})`, an object with a template or a render function. */
export function optionsOf(vue: VueFile, node: t.Node): t.ObjectExpression | undefined {
  const bare = unwrap(node);
  if (bare.type === 'CallExpression') {
    const own = vue.names.call(bare);
    const [first] = bare.arguments;
    if ((own !== 'defineComponent' && own !== 'extend') || !first) return undefined;
    const inner = unwrap(first);
    if (isFunction(inner) && own === 'defineComponent') return withSetup(inner, bare.arguments[1]);
    return inner.type === 'ObjectExpression' ? inner : undefined;
  }
  if (bare.type === 'NewExpression') {
    const [first] = bare.arguments;
    const object = first && unwrap(first);
    return memberName(bare.callee) === 'Vue' && object?.type === 'ObjectExpression' ? object : undefined;
  }
  if (bare.type !== 'ObjectExpression') return undefined;
  const keys = new Set(
    bare.properties.map((one) => (one.type === 'SpreadElement' ? '' : (keyName(one) ?? ''))),
  );
  const drawn = keys.has('template') || keys.has('render');
  return drawn && ['props', 'data', 'computed', 'methods', 'setup', 'components'].some((key) => keys.has(key))
    ? bare
    : undefined;
}

/** `defineComponent((props, context) => …, options)`: the function is the option that sets the component up. */
function withSetup(fn: t.Function, options: t.Node | undefined): t.ObjectExpression {
  const given = options && unwrap(options);
  const span = { start: fn.start!, end: fn.end! };
  const key = { type: 'Identifier', name: 'setup', start: fn.start, end: fn.start } as t.Identifier;
  const setup = { type: 'ObjectProperty', key, value: fn, computed: false, shorthand: false, ...span };
  const others = given?.type === 'ObjectExpression' ? given.properties : [];
  return { type: 'ObjectExpression', properties: [setup, ...others], ...span } as t.ObjectExpression;
}

function openOptions(
  vue: VueFile,
  object: t.ObjectExpression,
  id: t.Identifier | undefined,
  name: string,
): VueUnit {
  const at = id ? spanOf(id) : { start: 0, end: 0 };
  const component = emptyFacts(name, spanOf(object), at, VUE_TRAITS);
  vue.facts.components.push(component);
  return openUnit(vue, component, object);
}

export function readOptionsComponent(
  vue: VueFile,
  object: t.ObjectExpression,
  id: t.Identifier | undefined,
  name: string,
  given?: GivenOptions,
): void {
  const u = openOptions(vue, object, id, name);
  if (given) noteMaker(u.facts, given);
  readOptions(u, object);
  noteRegistrations(vue, u, object);
  const template = object.properties.find(
    (one) => one.type === 'ObjectProperty' && keyName(one) === 'template',
  );
  const text = template?.type === 'ObjectProperty' ? unwrap(template.value) : undefined;
  const quoted =
    text?.type === 'StringLiteral' || (text?.type === 'TemplateLiteral' && text.expressions.length === 0);
  if (text && quoted) readTemplateText(u, text);
  else if (!u.facts.render.some((_, index) => index > 0)) makeOpen(u);
  closeUnit(vue, u);
}

/** Components that an object of options registers are used by tags, and not otherwise. */
export function noteRegistrations(vue: VueFile, u: VueUnit, object: t.ObjectExpression): void {
  for (const property of object.properties) {
    if (property.type !== 'ObjectProperty' || keyName(property) !== 'components') continue;
    const list = unwrap(property.value);
    if (list.type !== 'ObjectExpression') continue;
    // Under names that nobody knows, they may be drawn anywhere.
    if (list.properties.some((one) => one.type === 'SpreadElement' || keyName(one) === undefined))
      [u.dynamicTags, u.facts.scope] = [true, { names: [], open: true }];
    u.tagNames.push(spanOf(property.value));
    for (const member of list.properties) {
      const name = member.type === 'ObjectProperty' ? keyName(member) : undefined;
      if (member.type !== 'ObjectProperty' || name === undefined || u.registered.get(name)) continue;
      const value = unwrap(member.value);
      const lazy = lazyOf(value.type === 'CallExpression' && value.arguments[0] ? value.arguments[0] : value);
      if (!lazy) continue;
      const local = `#${name}`;
      vue.facts.values.push({ name: local, kind: 'value', lazy, ...spanOf(member) });
      u.registered.set(name, local);
    }
  }
}

/** What the objects of a class keep belongs to whoever makes one. */
function readPlainClass(vue: VueFile, { id }: NamedNode, node: t.Class): void {
  const component = emptyFacts(id!.name, spanOf(node), spanOf(id!), VUE_TRAITS);
  component.role = 'helper';
  const u = openUnit(vue, component, node);
  readClassHelper(u, node, { fieldKind: () => undefined });
  closeUnit(vue, u);
  vue.facts.components.push(component);
}

/** `single`: whoever calls it gets the same. */
function readComposable(vue: VueFile, one: NamedNode, fn: t.Function, single: boolean): void {
  const component = emptyFacts(
    one.id?.name ?? nameFromPath(vue.file.path),
    spanOf(fn),
    spanOf(one.id ?? fn),
    VUE_TRAITS,
  );
  component.role = 'helper';
  if (single) component.single = true;
  const u = openUnit(vue, component, fn);
  readHelper(u, fn);
  closeUnit(vue, u);
  vue.facts.components.push(component);
}

/** Module-level names that are used as values, not only rendered, registered or exported. */
export function mentionsOf(vue: VueFile): string[] {
  const inside = (at: number) => vue.tagNames.some((one) => one.start <= at && at < one.end);
  return mentionsIn(vue.scopes, ({ id }) => !inside(id.start ?? -1) && !vue.file.keys.has(id.start ?? -1));
}
