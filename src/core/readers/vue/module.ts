/** What a file with Vue code makes known to others: values, keys, helpers, registrations, mounted apps. */
import type * as t from '@babel/types';
import type { ComponentFacts, FileFacts, RenderFact, Span, ValueFact } from '../../model/facts';
import { UNKNOWN, type TypeExpr } from '../../model/types';
import { nameFromPath } from '../script/file-name';
import { declarePattern } from '../script/patterns';
import type { MarkupDialect } from '../script/jsx';
import { isFunction, type NamedNode, type Scopes } from '../script/scope';
import { annotationOf, keyName, memberName, readType, typeArguments } from '../script/type-expr';
import { lazyOf, valueOf } from '../script/values';
import {
  addNode,
  emptyFacts,
  settleEarly,
  settleMissing,
  spanOf,
  typeOf,
  UNPLACED,
  unwrap,
  use,
  type Dialect,
  type FileContext,
} from '../script/unit';
import { eachChild } from '../script/walk';
import { addProvide, keyOf } from './contexts';
import { vueDialect } from './dialect';
import { readOptions } from './options';
import { camel, eventPort, pascal, VUE_TRAITS, type VueNames } from './names';
import { readTemplateText } from './template-text';
import { SETUP, vueUnit, type VueUnit } from './unit';

/** What all units of a file share. */
export interface VueFile {
  file: FileContext;
  facts: FileFacts;
  program: t.Program;
  scopes: Scopes;
  names: VueNames;
  dialect: Dialect;
  markup: MarkupDialect;
  /** Code in which a name of a component is no mention: registrations, and what is mounted. */
  registrations: Span[];
}

export const vueMarkup: MarkupDialect = {
  attributeMode: (name) =>
    name === 'key' ? 'key' : name === 'ref' ? 'ref' : /^on[A-Z]/.test(name) ? 'listen' : 'value',
  attributeName: (name) =>
    /^on[A-Z]/.test(name) ? eventPort(name.charAt(2).toLowerCase() + name.slice(3)) : camel(name),
  isGroup: (_u, tag) => /^(Transition|TransitionGroup|KeepAlive|Suspense|Teleport|Fragment)$/.test(tag),
  provider: () => false,
};

export function newVueFile(
  file: FileContext,
  facts: FileFacts,
  program: t.Program,
  scopes: Scopes,
  names: VueNames,
): VueFile {
  const types = new Map<string, t.Node>();
  for (const node of program.body) {
    const declared = node.type === 'ExportNamedDeclaration' ? node.declaration : node;
    if (declared?.type === 'TSInterfaceDeclaration' || declared?.type === 'TSTypeAliasDeclaration')
      types.set(declared.id.name, declared);
  }
  const dialect = vueDialect(names, (name) => types.get(name));
  return { file, facts, program, scopes, names, dialect, markup: vueMarkup, registrations: [] };
}

/** A unit with the node that stands for all that it renders. */
export function openUnit(vue: VueFile, facts: ComponentFacts, node: t.Node): VueUnit {
  const u = vueUnit(facts, node, vue.dialect, vue.markup, vue.file, vue.scopes);
  if (facts.role !== 'helper') {
    addNode(u, { kind: 'group', start: facts.start, end: facts.end }, SETUP);
    u.facts.render[0]!.parent = -1;
  }
  return u;
}

/** What is left where nobody placed it is drawn somewhere under the component. */
export function closeUnit(vue: VueFile, u: VueUnit): void {
  settleEarly(u);
  u.facts.render.forEach((node, index) => {
    if (index === 0 && u.facts.role !== 'helper') return;
    if (node.parent !== UNPLACED && node.parent !== -1) return;
    // A tree of its own stands below nothing that the component provides.
    if (node.mounted && u.facts.role === 'component') return;
    if (node.parent === UNPLACED && !node.mounted) node.loose = true;
    node.parent = u.facts.role === 'helper' ? -1 : 0;
  });
  settleMissing(u);
  settleNames(u);
  if (u.openRefs) readHandles(u);
  resolveLowercase(u);
  raiseModels(u);
  if (u.attrs !== undefined) {
    const own = u.facts.ports.map((port) => port.name);
    u.facts.symbols[u.attrs]!.except = own;
  }
  fallThrough(u);
  if (u.registrations && !u.dynamicTags) vue.registrations.push(u.registrations);
  // A two-way binding without a name means these, in older versions.
  if (
    !u.facts.model &&
    u.facts.ports.some((port) => port.name === 'value') &&
    !u.facts.ports.some((port) => port.name === 'modelValue')
  )
    u.facts.model = { prop: 'value', event: 'input' };
}

/**
 * A component most of whose template's names are not its own gets its members from elsewhere: its options are taken
 * over by code that nobody here follows. In `<script setup>` that cannot be, short of names that a build brings.
 */
function settleNames(u: VueUnit): void {
  const unknown = new Set(u.facts.unknownNames?.map((one) => one.name));
  const known = u.usedNames.size;
  const elsewhere = (known === 0 && !u.isSetup) || (unknown.size >= 4 && unknown.size > known);
  // Props of a written type are told from unknown names only when files are linked.
  if (!unknown.size || !elsewhere || u.facts.propsType) return;
  delete u.facts.unknownNames;
  u.openRefs = true;
}

/** In markup of a render function, a lower-case tag may be a component that is registered. */
function resolveLowercase(u: VueUnit): void {
  for (const node of u.facts.render) {
    if (node.kind !== 'element' || !node.tag) continue;
    const names = [node.tag.name, camel(node.tag.name), pascal(node.tag.name)];
    const local = names.map((name) => u.registered.get(name)).find((one) => one !== undefined);
    if (!local) continue;
    node.kind = 'site';
    node.tag.name = local;
    const { start, end } = node.tag;
    // Of what an element is given, only some was kept.
    const value = { kind: 'computed' as const, start, end };
    node.attributes.push({ name: '...', nameStart: start, nameEnd: end, mode: 'spread', value, start, end });
  }
}

/** Writing to a model raises the event that asks for the change; whoever is given the model may write to it. */
function raiseModels(u: VueUnit): void {
  const { facts } = u;
  for (const [model, event] of u.models) {
    const raised = (at: Span, fn: number, how: 'called' | 'handed') =>
      facts.emits.push({
        symbol: u.props.get(eventPort(event))!,
        event: eventPort(event),
        args: [],
        fn,
        guarded: true,
        how,
        start: at.start,
        end: at.end,
      });
    for (const write of facts.writes.filter((one) => one.symbol === model)) raised(write, write.fn, 'called');
    facts.writes = facts.writes.filter((one) => one.symbol !== model);
    for (const read of facts.reads)
      if (read.symbol === model && read.where === 'argument') raised(read, read.fn, 'handed');
  }
}

/** Handles that somebody may read, or attach, by a name that nobody knows. */
function readHandles(u: VueUnit): void {
  const attached = new Set(
    u.facts.render.flatMap((node) =>
      node.attributes.flatMap((one) => (one.mode === 'ref' ? [one.value.symbol] : [])),
    ),
  );
  u.facts.symbols.forEach(({ kind, start, end }, symbol) => {
    if (kind !== 'ref') return;
    const read = attached.has(symbol)
      ? { path: ['current'], soft: true, where: 'handler' as const }
      : { where: 'argument' as const };
    u.facts.reads.push({ symbol, fn: -1, start, end, ...read });
  });
}

/** What nobody declares lands on the one element or component that the component draws. */
function fallThrough(u: VueUnit): void {
  if (u.keepsAttributes || u.facts.role !== 'component') return;
  for (const node of rootsOf(u.facts.render)) takeAttributes(u, node);
}

/** The nodes on which undeclared attributes land: the only root, or each of those that exclude each other. */
function rootsOf(render: RenderFact[]): RenderFact[] {
  const under = (parent: number) =>
    render.filter((node, index) => node.parent === parent && index > 0 && !node.mounted);
  let roots = under(0);
  // What draws nothing of its own hands them on.
  while (roots.length === 1 && roots[0]!.kind === 'group' && !roots[0]!.loose)
    roots = under(render.indexOf(roots[0]!));
  return roots.length === 1 || roots.every((node) => node.when) ? roots : [];
}

function takeAttributes(u: VueUnit, node: RenderFact): void {
  if (node.kind === 'outlet' || node.kind === 'group') {
    // Whatever is drawn there may take them.
    u.facts.openProps = true;
    return;
  }
  const span = node.tag ? { start: node.tag.start, end: node.tag.end } : spanOf(node as never);
  const except = u.facts.ports.map((port) => port.name);
  const symbol =
    u.attrs ??
    u.facts.symbols.push({ name: '$attrs', kind: 'rest', except, start: span.start, end: span.start }) - 1;
  u.attrs = symbol;
  const at = { start: span.start, end: span.end };
  node.attributes.push({
    name: '...',
    nameStart: at.start,
    nameEnd: at.end,
    mode: 'spread',
    value: { kind: 'identity', symbol, ...at },
    ...at,
  });
}

/** Module-level values, helpers and components made of options. */
export function readModuleLevel(vue: VueFile, skip: ReadonlySet<t.Node>): void {
  const { facts, scopes, file } = vue;
  const helpers: { one: NamedNode; fn: t.Function; component: number }[] = [];
  const types = {
    named: file.named,
    lookup: (id: t.Identifier): TypeExpr =>
      id.binding && id.binding.scope.parent === undefined ? { t: 'value', name: id.binding.name } : UNKNOWN,
  };
  for (const one of scopes.named) {
    if (one.scope.parent !== undefined || skip.has(one.node) || skip.has(one.declaration)) continue;
    const node = unwrap(one.node);
    const name = one.id?.name ?? (one.name || 'default');
    const base = { name, ...spanOf(one.id ?? one.node) };
    const object = optionsOf(vue, node);
    if (object) {
      facts.values.push({ ...base, kind: 'component', component: facts.components.length });
      readOptionsComponent(vue, object, one.id, one.id?.name ?? nameFromPath(file.path));
      continue;
    }
    if (isFunction(node) && /^use[A-Z]/.test(name)) {
      facts.values.push({
        ...base,
        kind: 'component',
        component: -1,
        type: valueOf(one, vue.names.call, types).type ?? UNKNOWN,
      });
      helpers.push({ one, fn: node, component: facts.values.length - 1 });
      continue;
    }
    facts.values.push(contextOf(vue, one, base) ?? valueOf(one, (call) => ownCall(vue.names, call), types));
  }
  for (const { one, fn, component } of helpers) {
    facts.values[component]!.component = facts.components.length;
    readHelper(vue, one, fn);
  }
}

const ownCall = (names: VueNames, call: t.CallExpression): string | undefined => {
  const own = names.call(call);
  return own === 'defineAsyncComponent' ? 'lazy' : own;
};

/** `const key = Symbol()`, with the type that it is given. */
function contextOf(vue: VueFile, one: NamedNode, base: { name: string } & Span): ValueFact | undefined {
  const node = unwrap(one.node);
  if (node.type !== 'CallExpression' || memberName(node.callee) !== 'Symbol') return undefined;
  const annotation =
    annotationOf(one.id) ?? (one.node.type === 'TSAsExpression' ? one.node.typeAnnotation : undefined);
  const [type] = annotation?.type === 'TSTypeReference' ? typeArguments(annotation) : [];
  return { ...base, kind: 'context', type: type ? unboxed(vue, type) : UNKNOWN };
}

/** What a box holds is what its readers get. */
function unboxed(vue: VueFile, node: t.Node): TypeExpr {
  return readType(node, vue.file.named);
}

/** The options of a component: `defineComponent({…})`, `Vue.extend({…})`, an object with a template or a render function. */
export function optionsOf(vue: VueFile, node: t.Node): t.ObjectExpression | undefined {
  const bare = unwrap(node);
  if (bare.type === 'CallExpression') {
    const own = vue.names.call(bare);
    const [first] = bare.arguments;
    if ((own !== 'defineComponent' && own !== 'extend') || !first) return undefined;
    const inner = unwrap(first);
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

function readOptionsComponent(
  vue: VueFile,
  object: t.ObjectExpression,
  id: t.Identifier | undefined,
  name: string,
): void {
  const component = emptyFacts(name, spanOf(object), id ? spanOf(id) : { start: 0, end: 0 }, VUE_TRAITS);
  const u = openUnit(vue, component, object);
  vue.facts.components.push(component);
  readOptions(u, object);
  noteRegistrations(vue, u, object);
  const template = object.properties.find(
    (one) => one.type === 'ObjectProperty' && keyName(one) === 'template',
  );
  const text = template?.type === 'ObjectProperty' ? unwrap(template.value) : undefined;
  const quoted =
    text?.type === 'StringLiteral' || (text?.type === 'TemplateLiteral' && text.expressions.length === 0);
  if (text && quoted) readTemplateText(u, text);
  else if (!component.render.some((_, index) => index > 0)) makeOpen(u);
  closeUnit(vue, u);
}

/** Nothing is known of what it draws: any name may be read, raised or placed there. */
export function makeOpen(u: VueUnit): void {
  u.facts.openProps = true;
  u.facts.openEmits = true;
  u.facts.openSlots = true;
  u.openScope = true;
  u.openRefs = true;
}

/** Components that an object of options registers are used by tags, and not otherwise. */
export function noteRegistrations(vue: VueFile, u: VueUnit, object: t.ObjectExpression): void {
  for (const property of object.properties) {
    if (property.type !== 'ObjectProperty' || keyName(property) !== 'components') continue;
    const list = unwrap(property.value);
    if (list.type !== 'ObjectExpression') continue;
    // Under names that nobody knows, they may be drawn anywhere.
    if (list.properties.some((one) => one.type === 'SpreadElement' || keyName(one) === undefined))
      u.dynamicTags = true;
    u.registrations = spanOf(property.value);
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

function readHelper(vue: VueFile, one: NamedNode, fn: t.Function): void {
  const component = emptyFacts(
    one.id?.name ?? nameFromPath(vue.file.path),
    spanOf(fn),
    spanOf(one.id ?? fn),
    VUE_TRAITS,
  );
  component.role = 'helper';
  const u = openUnit(vue, component, fn);
  fn.params.forEach((param, i) => {
    const before = component.symbols.length;
    declarePattern(u, param, { kind: 'computed', ...spanOf(param) }, SETUP, { kind: 'param' });
    for (const symbol of component.symbols.slice(before)) symbol.index = i;
  });
  if (fn.body.type === 'BlockStatement') u.statements(fn.body.body, SETUP);
  else component.result = use(u, u.expr(fn.body, SETUP), SETUP);
  closeUnit(vue, u);
  vue.facts.components.push(component);
}

/** The loose code of the file: mounted apps, registrations, route tables. */
export function readLoose(vue: VueFile, skip: ReadonlySet<t.Node>): void {
  const { facts, program, file } = vue;
  const component = emptyFacts(nameFromPath(file.path), spanOf(program), { start: 0, end: 0 }, VUE_TRAITS);
  component.role = 'module';
  const u = openUnit(vue, component, program);
  readApps(vue, u);
  const loose = program.body.filter(
    (node) =>
      !skip.has(node) && node.type !== 'FunctionDeclaration' && node.type !== 'ExportDefaultDeclaration',
  );
  u.statements(loose, SETUP);
  closeUnit(vue, u);
  if (component.render.length > 1) facts.components.push(component);
}

/** `createApp(App)`, `app.component('x', X)`, `app.provide(key, value)`, wherever in the file they are called. */
function readApps(vue: VueFile, u: VueUnit): void {
  const look = (node: t.Node): void => {
    // What a component mounts is read with the component.
    if (vue.file.units.has(node) || node.type === 'ExportDefaultDeclaration') return;
    if (node.type === 'CallExpression') readAppCall(vue, u, node);
    if (node.type === 'AssignmentExpression') noteGlobal(vue, node.left);
    eachChild(node, look);
  };
  vue.program.body.forEach(look);
}

/** `app.config.globalProperties.name = …`, `Vue.prototype.name = …` */
function noteGlobal(vue: VueFile, node: t.Node): void {
  const name = memberName(node);
  const found = name && /\.(?:globalProperties|prototype)\.([\w$]+)$/.exec(name)?.[1];
  if (found) (vue.facts.globalNames ??= []).push(found);
}

function readAppCall(vue: VueFile, u: VueUnit, node: t.CallExpression): void {
  const own = vue.names.call(node);
  const [first, second] = node.arguments;
  if ((own === 'createApp' || own === 'createSSRApp') && first) {
    vue.facts.mounts = true;
    const name = memberName(first);
    if (name === undefined) return;
    vue.registrations.push(spanOf(first));
    const index = addNode(
      u,
      { kind: 'site', tag: { name, ...spanOf(first) }, mounted: spanOf(node), ...spanOf(node) },
      SETUP,
    );
    u.facts.render[index]!.parent = 0;
    if (!second) return;
    const value = use(u, u.expr(second, SETUP), SETUP);
    const at = spanOf(second);
    u.facts.render[index]!.attributes.push({
      name: '...',
      nameStart: at.start,
      nameEnd: at.end,
      mode: 'spread',
      value,
      ...at,
    });
    return;
  }
  const { callee } = node;
  if (callee.type !== 'MemberExpression' || callee.computed || callee.property.type !== 'Identifier') return;
  if (callee.property.name === 'provide' && second && first) {
    const key = keyOf(first);
    const value = use(u, u.expr(second, SETUP), SETUP, 'provide');
    value.type ??= typeOf(u, second);
    if (key !== undefined) addProvide(u, key, first, value, 'setup');
  }
  if (callee.property.name === 'mixin' && /^(app|Vue|vue)$/.test(memberName(callee.object) ?? ''))
    (vue.facts.globalNames ??= []).push('*');
  if (callee.property.name !== 'component' || first?.type !== 'StringLiteral' || !second) return;
  vue.registrations.push(spanOf(second));
  const lazy = lazyOf(second.type === 'CallExpression' && second.arguments[0] ? second.arguments[0] : second);
  let local = memberName(second);
  if (!local && lazy) {
    local = `#${first.value}`;
    vue.facts.values.push({ name: local, kind: 'value', lazy, ...spanOf(second) });
  }
  if (local) (vue.facts.registers ??= []).push({ name: pascal(first.value), local });
}

const OTHERS = /\$(?:parent|root|children\[\w+\])(?:\.\$parent)*\??\.([A-Za-z_]\w*)/g;
/** Ways to get hold of instances that no handle names. */
const REACHES = /\$children\b|\bcomponentInstance\b|\bfindComponents?(?:Down|Up)ward/;

/** Names that are read from other instances: `$parent.wind`; any, where the file looks for instances. */
export const readFromOthers = (text: string): string[] => {
  const found = REACHES.test(text) ? text.matchAll(/\.([A-Za-z_]\w*)/g) : text.matchAll(OTHERS);
  return [...new Set([...found].map(([, name]) => name!))];
};

/** Module-level names that are used as values, not only rendered, registered or exported. */
export function mentionsIn(vue: VueFile): string[] {
  const inside = (at: number) => vue.registrations.some((one) => one.start <= at && at < one.end);
  const found: string[] = [];
  for (const binding of vue.scopes.program.names.values()) {
    if (binding.uses.some((one) => one.role === 'value' && !inside(one.id.start ?? -1)))
      found.push(binding.name);
  }
  return found;
}
