/** What a file does for whole apps: what it mounts, registers and provides for all of them. */
import type * as t from '@babel/types';
import { addProvide, keyOf } from '../script/contexts';
import { nameFromPath } from '../script/file-name';
import { addMounted, argumentReader, propsGiven } from '../script/mounted';
import { memberName } from '../script/type-expr';
import { emptyFacts, keepsState, SETUP, spanOf, typeOf, use } from '../script/unit';
import { lazyOf } from '../script/values';
import { eachChild } from '../script/walk';
import { closeUnit } from './close';
import { openUnit, type VueFile } from './file-facts';
import { nameOfGiven, pascal, VUE_TRAITS } from './names';
import type { VueUnit } from './unit';

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
  if (component.render.length > 1 || keepsState(component)) facts.components.push(component);
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
    const given = propsGiven(second, argumentReader(u, SETUP), nameOfGiven);
    if (addMounted(u, node, first, 0, given)) vue.tagNames.push(spanOf(first));
    return;
  }
  const { callee } = node;
  if (callee.type !== 'MemberExpression' || callee.computed || callee.property.type !== 'Identifier') return;
  if (callee.property.name === 'provide' && second && first) {
    const key = keyOf(first);
    const value = use(u, u.expr(second, SETUP), SETUP, 'provide');
    value.type ??= typeOf(u, second);
    if (key !== undefined) addProvide(u, key, first, value, SETUP);
  }
  if (callee.property.name === 'mixin' && /^(app|Vue|vue)$/.test(memberName(callee.object) ?? ''))
    (vue.facts.globalNames ??= []).push('*');
  if (callee.property.name !== 'component' || first?.type !== 'StringLiteral' || !second) return;
  vue.tagNames.push(spanOf(second));
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
