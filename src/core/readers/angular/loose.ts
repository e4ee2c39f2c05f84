/** The loose code of a file: what is mounted, the routes, and what is provided for a whole app. */
import { nameFromPath } from '../../model/names';
import type * as t from '@babel/types';
import { addMounted } from '../script/mounted';
import { annotationOf } from '../script/type-expr';
import { addWhole, emptyFacts, handsOn, keepsState, placeRest, SETUP, spanOf } from '../script/unit';
import { storeCalls } from '../script/store-calls';
import { keepsParts, readStores } from '../script/store-parts';
import { eachChild } from '../script/walk';
import { decoratorsOf, listed, metadata } from '../script/decorators';
import { ANGULAR_TRAITS, calledOwn } from './names';
import { readProviders } from './providers';
import { isRoute, readRoute, readRouter, readTable } from './routes';
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
  const declared = program.body.map((node) =>
    node.type === 'ExportNamedDeclaration' && node.declaration ? node.declaration : node,
  );
  const loose = declared.filter(
    (node) => angular.plain.has(node) || !/^(Class|Function|TS|Import|Export(All|Default))/.test(node.type),
  );
  u.statements(loose as t.Statement[], SETUP);
  readStores(u, program, storeCalls(facts.imports));
  placeRest(u);
  closeUnit(u);
  if (
    keepsParts(component) ||
    component.render.length > 1 ||
    keepsState(component) ||
    component.provides.length ||
    component.calls.length ||
    handsOn(component)
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
  if (node.type === 'CallExpression' && readRouter(u, node)) return;
  if (node.type === 'ExportDefaultDeclaration' && readTable(u, 'default', node.declaration)) return;
  if (node.type === 'VariableDeclarator' && node.init) {
    const { id, init } = node;
    if (id.type === 'Identifier' && readTable(u, id.name, init, names(typeName(id) ?? '') === 'Routes'))
      return;
  }
  if (isRoute(node)) {
    readRoute(u, node as t.ObjectExpression, { table: undefined, parent: 0 });
    return;
  }
  if (node.type === 'ObjectExpression' && readSettings(u, node)) return;
  eachChild(node, (child) => look(u, child));
}

/** The name of the type that a variable is said to have. */
function typeName(id: t.Identifier): string | undefined {
  const written = annotationOf(id);
  return written?.type === 'TSTypeReference' && written.typeName.type === 'Identifier'
    ? written.typeName.name
    : undefined;
}

/** Settings of an app, or of a function that provides. */
function readSettings(u: AngularUnit, node: t.ObjectExpression): boolean {
  const providers = metadata(node).get('providers');
  if (!providers) return false;
  readProviders(u, providers, { node: 0 });
  for (const one of listed(providers).items) look(u, one);
  return true;
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
