/** What a file does for whole apps: what it mounts, registers and provides for all of them. */
import { nameFromPath } from '../../model/names';
import type * as t from '@babel/types';
import { addProvide, keyOf } from '../script/contexts';
import { addMounted, argumentReader, propsGiven } from '../script/mounted';
import { noteTarget } from '../script/targets';
import { memberName } from '../script/type-expr';
import { emptyFacts, handsOn, keepsState, SETUP, spanOf, typeOf, unwrap, use } from '../script/unit';
import { lazyOf } from '../script/lazy';
import { eachChild } from '../script/walk';
import { readParts } from './app-store/parts';
import { declareBus } from './bus';
import { closeUnit } from './close';
import { openUnit, type VueFile } from './file-facts';
import { optionsOf, readOptionsComponent } from './module';
import { isApp, isMounting } from './mounting';
import { isComposable } from './composables';
import { nameOfGiven, pascal, VUE_TRAITS } from './names';
import type { VueUnit } from './unit';

/** The loose code of the file: mounted apps, registrations, route tables. */
export function readLoose(vue: VueFile, skip: ReadonlySet<t.Node>): void {
  const { facts, program, file } = vue;
  const component = emptyFacts(nameFromPath(file.path), spanOf(program), { start: 0, end: 0 }, VUE_TRAITS);
  component.role = 'module';
  const u = openUnit(vue, component, program);
  readApps(vue, u);
  declareBus(u, program);
  const provides = component.provides.length > 0;
  readParts(vue, u);
  const loose = program.body.filter(
    (node) =>
      !skip.has(node) &&
      !(node.type === 'FunctionDeclaration' && isComposable(vue.names, node.id?.name ?? '', node)) &&
      node.type !== 'ExportDefaultDeclaration',
  );
  u.statements(loose, SETUP);
  closeUnit(vue, u);
  const keeps = component.render.length > 1 || keepsState(component) || provides || facts.store;
  if (keeps || handsOn(component)) facts.components.push(component);
}

/** `createApp(App)`, `app.component('x', X)`, `app.provide(key, value)`, wherever in the file they are called. */
function readApps(vue: VueFile, u: VueUnit): void {
  const look = (node: t.Node, list: string | undefined): void => {
    // What a component mounts is read with the component.
    if (vue.file.units.has(node)) return;
    if (node.type === 'ExportDefaultDeclaration' && optionsOf(vue, node.declaration)) return;
    if (node.type === 'CallExpression') readAppCall(vue, u, node, list);
    if (node.type === 'AssignmentExpression') noteGlobal(vue, node.left);
    const inner = loopedOver(node) ?? list;
    eachChild(node, (child) => look(child, inner));
  };
  for (const node of vue.program.body) look(node, undefined);
}

/** `app.config.globalProperties.name = …`, `Vue.prototype.name = …` */
function noteGlobal(vue: VueFile, node: t.Node): void {
  const name = memberName(node);
  const found = name && /\.(?:globalProperties|prototype)\.([\w$]+)$/.exec(name)?.[1];
  if (found) (vue.facts.globalNames ??= []).push(found);
}

function readAppCall(vue: VueFile, u: VueUnit, node: t.CallExpression, list: string | undefined): void {
  const own = vue.names.call(node);
  const [first, second] = node.arguments;
  if ((own === 'createApp' || own === 'createSSRApp') && first) {
    vue.facts.mounts = true;
    const given = propsGiven(second, argumentReader(u, SETUP), nameOfGiven);
    if (addMounted(u, node, first, 0, given)) vue.tagNames.push(spanOf(first));
    return;
  }
  const { callee } = node;
  if (isMounting(vue, node)) noteTarget(u, first);
  notePlugin(vue, node);
  if (callee.type !== 'MemberExpression' || callee.computed || callee.property.type !== 'Identifier') return;
  if (callee.property.name === 'provide' && second && first) {
    const key = keyOf(first);
    const value = use(u, u.expr(second, SETUP), SETUP, 'provide');
    value.type ??= typeOf(u, second);
    if (key !== undefined) addProvide(u, key, first, value, SETUP);
  }
  if (callee.property.name === 'mixin' && /^(app|Vue|vue)$/.test(memberName(callee.object) ?? ''))
    (vue.facts.globalNames ??= []).push('*');
  if (callee.property.name !== 'component' || !first) return;
  if (first.type !== 'StringLiteral' || !second) {
    const one = second && memberName(second);
    // One that is named there, `app.component(Lamp.name, Lamp)`, is no choice among many.
    if (one !== undefined && list === undefined && memberName(first) === `${one}.name`)
      (vue.facts.registers ??= []).push({ itself: one });
    else if (second) registerMany(vue, list);
    return;
  }
  vue.tagNames.push(spanOf(second));
  const lazy = lazyOf(second.type === 'CallExpression' && second.arguments[0] ? second.arguments[0] : second);
  let local = memberName(second);
  if (!local && lazy) {
    local = `#${first.value}`;
    vue.facts.values.push({ name: local, kind: 'value', lazy, ...spanOf(second) });
  }
  const object = local ? undefined : optionsOf(vue, second);
  if (object) {
    local = `#${first.value}`;
    vue.facts.values.push({
      name: local,
      kind: 'component',
      component: vue.facts.components.length,
      ...spanOf(second),
    });
    readOptionsComponent(vue, object, undefined, pascal(first.value));
  }
  if (local) (vue.facts.registers ??= []).push({ name: pascal(first.value), local });
}

/** `app.use(plugin)`, `Vue.use(plugin)` */
function notePlugin({ facts, names }: VueFile, { callee, arguments: [first] }: t.CallExpression): void {
  if (callee.type !== 'MemberExpression' || !first || memberName(callee.property) !== 'use') return;
  const receiver = memberName(callee.object);
  if (!/^(app|vue|Vue|vueApp)$/.test(receiver ?? '') && !isApp(names, callee.object)) return;
  const bare = unwrap(first);
  const name = memberName(bare) ?? (bare.type === 'CallExpression' ? memberName(bare.callee) : undefined);
  (facts.plugins ??= []).push(name ?? '?');
}

/** Components that are registered one by one in a loop: those of a table, or the files of a folder. */
function registerMany(vue: VueFile, list: string | undefined): void {
  const found = (vue.facts.registers ??= []);
  const globs = vue.scopes.loads.flatMap(({ from, glob }) => (glob ? [{ glob: from }] : []));
  found.push(...globs);
  if (list !== undefined || !globs.length) found.push({ all: list ?? '?' });
}

/** The name of what a loop runs over: `components.forEach(…)`, `for (const key in components)`, its keys or entries. */
function loopedOver(node: t.Node): string | undefined {
  if (node.type === 'ForInStatement' || node.type === 'ForOfStatement') return listName(node.right);
  if (node.type !== 'CallExpression' || node.callee.type !== 'MemberExpression') return undefined;
  const { property, object } = node.callee;
  return property.type === 'Identifier' && /^(forEach|map)$/.test(property.name)
    ? listName(object)
    : undefined;
}

function listName(node: t.Node): string | undefined {
  const bare = unwrap(node);
  const [first] = bare.type === 'CallExpression' ? bare.arguments : [];
  const inner =
    bare.type === 'CallExpression' && /^Object\.(keys|values|entries)$/.test(memberName(bare.callee) ?? '');
  return inner && first ? memberName(first) : memberName(bare);
}

const OTHERS = /\$(?:parent|root|children\[\w+\])(?:\.\$parent)*\??\.([A-Za-z_]\w*)/g;

/** Ways to get hold of instances that no handle names. */
const REACHES = /\$children\b|\$parent\b(?!\s*[.?])|\bcomponentInstance\b|\bfindComponents?(?:Down|Up)ward/;

/** Names that are read from other instances: `$parent.wind`; any, where the file looks for instances. */
export const readFromOthers = (text: string): string[] => {
  const found = REACHES.test(text) ? text.matchAll(/\.([A-Za-z_]\w*)/g) : text.matchAll(OTHERS);
  return [...new Set([...found].map(([, name]) => name!))];
};
