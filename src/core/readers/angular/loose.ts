/** The loose code of a file: what is mounted, the routes, and what is provided for a whole app. */
import { nameFromPath } from '../../model/names';
import type * as t from '@babel/types';
import { addMounted } from '../script/mounted';
import { spread } from '../script/attributes';
import { keyName, memberName } from '../script/type-expr';
import { addWhole, emptyFacts, keepsState, placeRest, SETUP, spanOf, unwrap } from '../script/unit';
import { lazyOf } from '../script/lazy';
import { eachChild } from '../script/walk';
import { calledOwn } from './dialect';
import { decoratorsOf, listed, metadata } from '../script/decorators';
import { ANGULAR_TRAITS } from './names';
import { readProviders } from './providers';
import { type AngularFile, type AngularUnit, angularUnit, closeUnit } from './unit';

export function readLoose(angular: AngularFile): void {
  const { facts, program, file } = angular;
  const at = { start: 0, end: 0 };
  const component = emptyFacts(nameFromPath(file.path), spanOf(program), at, ANGULAR_TRAITS);
  component.role = 'module';
  component.traits = { ...ANGULAR_TRAITS, bySelectors: false };
  const u = angularUnit(angular, component, program);
  addWhole(u);
  for (const node of program.body) look(u, node);
  provideThemselves(u);
  const loose = program.body.filter(
    (node) =>
      !/^(Class|Function|Import|Export(All|Default))/.test(node.type) &&
      !(node.type === 'ExportNamedDeclaration' && /^(Class|Function|TS)/.test(node.declaration?.type ?? '')),
  );
  u.statements(
    loose.map((node) =>
      node.type === 'ExportNamedDeclaration' && node.declaration ? node.declaration : node,
    ) as t.Statement[],
    SETUP,
  );
  placeRest(u);
  closeUnit(u);
  if (
    component.render.length > 1 ||
    keepsState(component) ||
    component.provides.length ||
    component.calls.length
  )
    facts.components.push(component);
}

function look(u: AngularUnit, node: t.Node): void {
  const { names } = u.angular;
  if (node.type === 'ClassDeclaration' || node.type === 'ClassExpression') {
    for (const { name, args } of decoratorsOf(node, names)) {
      if (name !== 'NgModule') continue;
      const options = metadata(args[0]);
      readProviders(u, options.get('providers'), { node: 0 });
      for (const one of listed(options.get('bootstrap')).items) addMounted(u, one, one, 0, []);
      for (const one of listed(options.get('imports')).items) look(u, one);
    }
    return;
  }
  if (node.type === 'CallExpression') {
    const own = calledOwn(names, node);
    const [first, second] = node.arguments;
    if (own === 'bootstrapApplication' && first) {
      addMounted(u, node, first, 0, []);
      u.angular.said.push(spanOf(first));
      u.angular.facts.mounts = true;
      if (second) look(u, second);
      return;
    }
  }
  if (node.type === 'ObjectExpression' && readObject(u, node)) return;
  eachChild(node, (child) => look(u, child));
}

/** A route, or settings of an app. */
function readObject(u: AngularUnit, node: t.ObjectExpression): boolean {
  const options = metadata(node);
  const keys = new Set(
    node.properties.flatMap((one) => (one.type === 'ObjectProperty' ? (keyName(one) ?? '') : '')),
  );
  const isRoute =
    keys.has('path') &&
    ['component', 'loadComponent', 'children', 'loadChildren', 'redirectTo'].some((one) => keys.has(one));
  if (isRoute) {
    readRoute(u, node, 0);
    return true;
  }
  if (!keys.has('providers')) return false;
  readProviders(u, options.get('providers'), { node: 0 });
  return true;
}

/** A route draws its component where its parent draws its own routes, with what it provides around. */
function readRoute(u: AngularUnit, node: t.ObjectExpression, parent: number): void {
  const options = metadata(node);
  let around = parent;
  const providers = options.get('providers');
  if (providers) {
    around = u.facts.render.push({ kind: 'group', parent, attributes: [], ...spanOf(node) }) - 1;
    readProviders(u, providers, { node: around });
  }
  const component = options.get('component');
  const loader = options.get('loadComponent');
  const name = component ? memberName(unwrap(component)) : loader && lazyName(u, loader);
  if (name !== undefined) {
    const at = spanOf((component ?? loader)!);
    u.angular.said.push(at);
    // What the router binds to the inputs is written nowhere.
    u.facts.render.push({
      kind: 'site',
      parent: around,
      tag: { name, ...at },
      attributes: [spread(at)],
      ...at,
    });
  }
  for (const one of listed(options.get('children')).items)
    if (one.type === 'ObjectExpression') readRoute(u, one, around);
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

/** A name in the file for a component that is loaded when it is needed. */
function lazyName(u: AngularUnit, loader: t.Node): string | undefined {
  const lazy = lazyOf(unwrap(loader));
  if (!lazy) return undefined;
  const name = `#route${u.angular.facts.values.length}`;
  u.angular.facts.values.push({ name, kind: 'value', lazy, ...spanOf(loader) });
  return name;
}

/** Services that say themselves that they are there for everybody. */
function provideThemselves(u: AngularUnit): void {
  for (const { name, single, nameStart, nameEnd } of u.angular.facts.components) {
    if (!single) continue;
    const from = { call: u.facts.calls.length, path: [] };
    const at = { start: nameStart, end: nameEnd };
    u.facts.calls.push({ name, args: [], made: true, where: 'provide', fn: -1, ...at });
    u.facts.provides.push({
      key: { name },
      keyStart: nameStart,
      keyEnd: nameEnd,
      value: { kind: 'call', from, ...at },
      node: 0,
      where: 'setup',
      itself: true,
      ...at,
    });
  }
}
