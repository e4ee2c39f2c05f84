/** One script that uses Angular to facts: components, directives, services, bundles, and what is provided for all. */
import type * as t from '@babel/types';
import type { ComponentFacts, FileFacts, ValueFact } from '../../model/facts';
import { type ReadPart, UnitParts } from '../../model/parts';
import { type TypeExpr, UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { takeParams, typeParams } from '../script/type-params';
import { takeAfter } from '../script/bases';
import { readHelper } from '../script/functions';
import { noteFound, readModuleFacts, readTypes } from '../script/modules';
import { parseScript } from '../script/parse';
import { isFunction, mentionsIn, type NamedNode, readScopes } from '../script/scope';
import { keyName, memberName, readType, typeArguments } from '../script/type-expr';
import { infer } from '../script/infer';
import { emptyFacts, fileContext, inferContext, moduleTypes, spanOf, unwrap } from '../script/unit';
import { valueOf } from '../script/values';
import { readBundle } from './bundles';
import { readComponent } from './component';
import { angularDialect } from './dialect';
import { type Decorated, decoratorsOf, listed, metadata, textOf } from '../script/decorators';
import { readLoose } from './loose';
import { readClassHelper } from '../script/classes';
import { classDialect } from './members';
import { handsItselfOn, memberReads } from '../script/member-reads';
import { ANGULAR_TRAITS, angularNames, angularTypes, calledOwn } from './names';
import { readProviders } from './providers';
import { withOwnNames, writeStores } from './signal-stores';
import { markAsking } from './store';
import { type AngularFile, type AngularUnit, angularUnit, closeUnit } from './unit';

/** Reads a file, with the templates of its components. Never throws: what cannot be parsed gives facts with a problem. */
export function readAngularFile(path: string, text: string, readPart: ReadPart): FileFacts {
  const facts = emptyFile(path);
  const parsed = parseScript(path, text);
  if ('problem' in parsed) return { ...facts, problem: parsed.problem };
  const { program, comments } = parsed;
  readModuleFacts(facts, program, comments, text);
  markAsking(facts.imports);
  const names = withOwnNames(angularNames(facts.imports));
  const named = angularTypes(names);
  facts.types = readTypes(program, named);
  const scopes = readScopes(program);
  writeStores(facts.imports, scopes);
  const file = fileContext(path, text, named);
  const angular: AngularFile = {
    file,
    facts,
    program,
    scopes,
    names,
    dialect: angularDialect(names),
    said: [],
    markupReads: new Set(),
    plain: new Set(),
  };
  const parts = new UnitParts(text, readPart);
  readValues(angular, parts);
  readLoose(angular);
  if (parts.list.length) facts.parts = parts.list;
  const { said } = angular;
  facts.mentions = mentionsIn(
    scopes,
    ({ id }) =>
      !file.keys.has(id.start!) && !said.some((one) => one.start <= id.start! && id.end! <= one.end),
  );
  facts.memberReads = [...new Set([...memberReads(program), ...angular.markupReads])];
  // A template may hold anything that it names, whatever its file brings in.
  facts.elementReads = [...angular.markupReads];
  noteFound(facts, scopes);
  facts.mounts = facts.mounts || facts.components.some((one) => one.render.some((node) => node.mounted));
  if (facts.components.length) facts.language = 'angular';
  return facts;
}

/** What the declarations of a module make known. */
function readValues(angular: AngularFile, parts: UnitParts): void {
  const { facts, scopes, file } = angular;
  const types = moduleTypes(file);
  const units: (() => ComponentFacts)[] = [];
  const unit = (value: ValueFact, make: () => ComponentFacts): void => {
    facts.values.push({ ...value, kind: 'component', component: units.length, type: UNKNOWN });
    units.push(make);
  };
  for (const one of scopes.named) {
    if (one.scope.parent !== undefined) continue;
    const node = unwrap(one.node);
    const value = valueOf(one, () => undefined, types);
    if (node.type === 'ClassDeclaration' || node.type === 'ClassExpression') {
      file.units.set(node, value.name);
      noteDecorators(angular, node);
      const kind = kindOf(angular, node);
      if (kind?.name === 'NgModule') {
        facts.values.push({ ...value, kind: 'value' });
        (facts.bundles ??= []).push(readBundle(angular, value.name, kind));
      } else unit(value, () => classOf(angular, parts, one, node, kind));
    } else if (isFunction(node) && !asksOrProvides(file.text, value.name, node)) {
      // What it does is a part of the loose code.
      facts.values.push(value);
      angular.plain.add(node);
    } else if (isFunction(node)) {
      if (node.type === 'FunctionDeclaration' || one.id) file.units.set(node, value.name);
      unit(value, () => helperOf(angular, one, node));
      facts.values.at(-1)!.type = value.type ?? UNKNOWN;
    } else if (calledOwn(angular.names, node) === undefined && isList(node)) {
      const list = namesIn(node);
      angular.said.push(spanOf(node));
      unit(value, () => listOf(angular, one, node, list));
      facts.values.at(-1)!.type = value.type ?? UNKNOWN;
    } else facts.values.push(tokenOf(angular, node, value) ?? value);
  }
  for (const make of units) facts.components.push(make());
}

function noteDecorators({ said }: AngularFile, node: t.Class): void {
  for (const one of [node, ...node.body.body]) {
    const { decorators } = one as { decorators?: t.Decorator[] | null };
    for (const decorator of decorators ?? []) said.push(spanOf(decorator));
  }
}

/** The decorator that says what a class is. */
const kindOf = ({ names }: AngularFile, node: t.Class): Decorated | undefined =>
  decoratorsOf(node, names).find((one) => /^(Component|Directive|Pipe|Injectable|NgModule)$/.test(one.name));

const isList = (node: t.Node): node is t.ArrayExpression =>
  node.type === 'ArrayExpression' &&
  node.elements.some(
    (one) => one && /^(Identifier|ObjectExpression|SpreadElement|CallExpression)$/.test(one.type),
  );

const namesIn = (node: t.Node): string[] =>
  listed(node).items.flatMap((one) => memberName(unwrap(one)) ?? []);

/** `new InjectionToken<number>('beats', { factory })` */
function tokenOf({ names, file }: AngularFile, node: t.Node, value: ValueFact): ValueFact | undefined {
  if (node.type !== 'NewExpression' || names(memberName(node.callee) ?? '') !== 'InjectionToken')
    return undefined;
  const [written] = typeArguments(node);
  const options = metadata(node.arguments[1]);
  const { name, start, end } = value;
  const factory = options.get('factory');
  return {
    name,
    kind: 'context',
    type: written ? readType(written, file.named) : UNKNOWN,
    ...(factory ? { fallback: { kind: 'computed', type: UNKNOWN, ...spanOf(factory) } } : {}),
    start,
    end,
  };
}

function classOf(
  angular: AngularFile,
  parts: UnitParts,
  { id }: NamedNode,
  node: t.Class,
  kind: Decorated | undefined,
): ComponentFacts {
  const at = id ? spanOf(id) : { start: node.start!, end: node.start! };
  const component = emptyFacts(id?.name ?? 'default', spanOf(node), at, ANGULAR_TRAITS);
  if (handsItselfOn(node)) component.handsItselfOn = true;
  const u = angularUnit(angular, component, node);
  const base = node.superClass && memberName(unwrap(node.superClass));
  if (node.superClass) {
    if (base) takeAfter(component, node, base, angular.file.named);
    u.openMembers = true;
  }
  takeParams(component, typeParams(node, angular.file.named));
  if (kind && /^(Component|Directive)$/.test(kind.name)) {
    readComponent(u, node, kind, parts);
    return component;
  }
  component.role = 'helper';
  if (kind?.name === 'Pipe') {
    const name = textOf(metadata(kind.args[0]).get('name'));
    if (name !== undefined) component.filter = { name };
  }
  const provided = kind?.name === 'Injectable' ? metadata(kind.args[0]).get('providedIn') : undefined;
  if (provided) component.single = true;
  readClassHelper(u, node, classDialect(u, kind !== undefined));
  if (component.filter) component.filter.type = appliedBy(u, node);
  closeUnit(u);
  return component;
}

/** What a pipe makes of values, where it says so in one way. */
function appliedBy(u: AngularUnit, { body }: t.Class): TypeExpr {
  const found = body.body.filter((one) => 'key' in one && keyName(one as t.ClassMethod) === 'transform');
  const [only] = found;
  return found.length === 1 && only?.type === 'ClassMethod' ? infer(only, inferContext(u)) : UNKNOWN;
}

/** Names of functions that ask for something, or provide it, for whoever calls them. */
const OF_CALLER = /(?<![.\w])(?:inject|provide|use|with|create|make)(?![a-z])\w*\s*(?:<[^;(]*>)?\(/;

/** Whether a function may ask for something, or gives back what is provided. */
const asksOrProvides = (text: string, name: string, { start, end }: t.Node): boolean =>
  /[pP]roviders?$/.test(name) || OF_CALLER.test(`${name}(`) || OF_CALLER.test(text.slice(start!, end!));

/** A function whose state is its caller's: what it asks for, and what it provides. */
function helperOf(angular: AngularFile, one: NamedNode, node: t.Function): ComponentFacts {
  const component = emptyHelper(one, node);
  const u = angularUnit(angular, component, node);
  readHelper(u, node);
  const given = returned(node);
  if (given && isList(given) && /^(provide|with)[A-Z]|[pP]roviders?$/.test(component.name))
    readProviders(u, given, { node: 0 });
  closeUnit(u);
  return component;
}

function returned(node: t.Function): t.Node | undefined {
  if (node.body.type !== 'BlockStatement') return unwrap(node.body);
  const last = node.body.body.at(-1);
  return last?.type === 'ReturnStatement' && last.argument ? unwrap(last.argument) : undefined;
}

/** A list of components, or of what is provided: whoever takes it says which. */
function listOf(
  angular: AngularFile,
  one: NamedNode,
  node: t.ArrayExpression,
  list: string[],
): ComponentFacts {
  const component = emptyHelper(one, node);
  component.list = list;
  const u = angularUnit(angular, component, node);
  readProviders(u, node, { node: 0 });
  closeUnit(u);
  return component;
}

function emptyHelper({ id }: NamedNode, node: t.Node): ComponentFacts {
  const at = id ? spanOf(id) : { start: node.start!, end: node.start! };
  return { ...emptyFacts(id?.name ?? 'default', spanOf(node), at, ANGULAR_TRAITS), role: 'helper' };
}
