/** One script of decorated classes that become elements, and of functions that draw, to facts. */
import type * as t from '@babel/types';
import type { ComponentFacts, FileFacts, ValueFact } from '../../model/facts';
import { isNamedLikeComponent, nameFromPath } from '../../model/names';
import { UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { takeAfter } from '../script/bases';
import { readClassHelper } from '../script/classes';
import { decoratorsOf, metadata, textOf } from '../script/decorators';
import { settleEarly } from '../script/early';
import { readHelper } from '../script/functions';
import { memberReads } from '../script/member-reads';
import { noteFound, readModuleFacts, readTypes } from '../script/modules';
import { parseScript } from '../script/parse';
import { declareBag } from '../script/patterns';
import { place, shownBy } from '../script/placing';
import { isFunction, mentionsIn, type NamedNode, readScopes } from '../script/scope';
import { annotationOf, memberName, readType, typeArguments } from '../script/type-expr';
import {
  addWhole,
  emptyFacts,
  fileContext,
  keepsState,
  moduleTypes,
  placeRest,
  propSymbol,
  SETUP,
  settleMissing,
  spanOf,
  unwrap,
  use,
} from '../script/unit';
import { valueOf } from '../script/values';
import { stencilDialect } from './dialect';
import { settleSlots, stencilMarkup } from './markup';
import { readElementClass } from './members';
import { ELEMENT_TRAITS, FUNCTION_TRAITS, stencilNames, stencilTypes } from './names';
import { type StencilFile, type StencilUnit, stencilUnit } from './unit';

/** Code that gets hold of elements otherwise than by handles. */
const FINDS =
  /\b(querySelector(All)?|getElementById|closest|assigned(Elements|Nodes)|children|parentElement|(first|last)ElementChild|(next|previous)ElementSibling|HTML\w+Element)\b/;

/** Reads a file. Never throws: what cannot be parsed gives facts with a problem. */
export function readStencilFile(path: string, text: string): FileFacts {
  const facts = emptyFile(path);
  const parsed = parseScript(path, text);
  if ('problem' in parsed) return { ...facts, problem: parsed.problem };
  const { program, comments } = parsed;
  readModuleFacts(facts, program, comments, text);
  const names = stencilNames(facts.imports);
  const named = stencilTypes(names);
  facts.types = readTypes(program, named);
  const scopes = readScopes(program);
  const file = fileContext(path, text, named);
  const stencil: StencilFile = {
    file,
    facts,
    program,
    scopes,
    names,
    dialect: stencilDialect(),
    markup: stencilMarkup(names),
  };
  readValues(stencil);
  readLoose(stencil);
  facts.mentions = mentionsIn(scopes);
  // Whoever finds an element on the page may read what it keeps.
  facts.elementReads = FINDS.test(text) ? memberReads(program) : [...scopes.elementReads];
  noteFound(facts, scopes);
  if (facts.components.length) facts.language = 'stencil';
  return facts;
}

function readValues(stencil: StencilFile): void {
  const { facts, scopes, file, names } = stencil;
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
    if (node.type === 'ClassDeclaration') {
      const kind = decoratorsOf(node, names).find(({ name }) => name === 'Component');
      const tag = kind && textOf(metadata(kind.args[0]).get('tag'));
      file.units.set(node, value.name);
      if (tag !== undefined) (facts.registers ??= []).push({ name: tag, local: value.name, element: true });
      unit(value, () => classOf(stencil, one, node, kind && metadata(kind.args[0])));
    } else if (isFunction(node) && isNamedLikeComponent(one.id?.name ?? '') && node.hasMarkup) {
      file.units.set(node, value.name);
      unit(value, () => functionOf(stencil, one, node));
    } else if (isFunction(node) && /^(use[A-Z]|render[A-Z])/.test(one.id?.name ?? '')) {
      file.units.set(node, value.name);
      unit(value, () => helperOf(stencil, one, node));
      facts.values.at(-1)!.type = value.type ?? UNKNOWN;
    } else facts.values.push(value);
  }
  for (const make of units) facts.components.push(make());
}

const startOf = ({ id }: NamedNode, node: t.Node) =>
  id ? spanOf(id) : { start: node.start!, end: node.start! };

function classOf(
  stencil: StencilFile,
  one: NamedNode,
  node: t.Class,
  options: ReturnType<typeof metadata> | undefined,
): ComponentFacts {
  const component = emptyFacts(one.id?.name ?? 'default', spanOf(node), startOf(one, node), ELEMENT_TRAITS);
  const u = stencilUnit(stencil, component, node);
  const base = node.superClass && memberName(unwrap(node.superClass));
  if (base) takeAfter(component, node, base, stencil.file.named);
  if (!options) {
    component.role = 'helper';
    readClassHelper(u, node, { fieldKind: () => undefined, typed: true });
    settleEarly(u);
    return component;
  }
  if (options.isTrue('shadow') || options.get('shadow')?.type === 'ObjectExpression') component.closed = true;
  if (options.isTrue('formAssociated')) component.ofForms = true;
  addWhole(u);
  readElementClass(u, node);
  close(u);
  return component;
}

/** A function that draws, as `FunctionalComponent<Props>` or with a parameter of its own type. */
function functionOf(stencil: StencilFile, one: NamedNode, node: t.Function): ComponentFacts {
  const component = emptyFacts(one.id!.name, spanOf(node), startOf(one, node), FUNCTION_TRAITS);
  const u = stencilUnit(stencil, component, node);
  const annotation =
    one.declaration.type === 'VariableDeclarator' ? annotationOf(one.declaration.id) : undefined;
  const [written] = annotation ? typeArguments(annotation) : [];
  if (written) component.propsType = readType(written, stencil.file.named);
  node.params.forEach((param, index) => {
    if (index === 0) declareBag(u, param, SETUP);
    // What is nested in its tag comes beside the rest.
    else if (index === 1 && param.type === 'Identifier' && param.binding)
      u.refs.set(param.binding, propSymbol(u, 'children', spanOf(param), 'destructured', param.name));
  });
  if (node.body.type === 'BlockStatement') u.statements(node.body.body, SETUP);
  else place(u, shownBy(u, use(u, u.expr(node.body, SETUP), SETUP, 'text')), -1);
  close(u);
  return component;
}

function helperOf(stencil: StencilFile, one: NamedNode, node: t.Function): ComponentFacts {
  const component = emptyFacts(one.id!.name, spanOf(node), startOf(one, node), ELEMENT_TRAITS);
  component.role = 'helper';
  const u = stencilUnit(stencil, component, node);
  readHelper(u, node);
  settleSlots(u);
  settleEarly(u);
  return component;
}

function close(u: StencilUnit): void {
  settleEarly(u);
  if (u.facts.render[0]?.kind === 'group' && u.facts.traits.isElement) placeRest(u);
  else for (const node of u.facts.render) if (node.parent < -1) node.parent = -1;
  settleSlots(u);
  settleMissing(u);
}

function readLoose(stencil: StencilFile): void {
  const { facts, program, file } = stencil;
  const at = { start: 0, end: 0 };
  const component = emptyFacts(nameFromPath(file.path), spanOf(program), at, ELEMENT_TRAITS);
  component.role = 'module';
  const u = stencilUnit(stencil, component, program);
  const loose = program.body.filter((node) => {
    const declared = node.type === 'ExportNamedDeclaration' ? node.declaration : node;
    return declared?.type === 'VariableDeclaration' || node.type === 'ExpressionStatement';
  });
  u.statements(
    loose.map((node) => (node.type === 'ExportNamedDeclaration' ? node.declaration! : node)) as t.Statement[],
    SETUP,
  );
  if (keepsState(component)) facts.components.push(component);
}
