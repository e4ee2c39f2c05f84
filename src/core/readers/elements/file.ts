/** Scripts that define elements of their own for the page: `class Lamp extends HTMLElement`, `customElements.define`. */
import { nameFromPath } from '../../model/names';
import type * as t from '@babel/types';
import type { ComponentFacts, FileFacts, Span, Traits, ValueFact } from '../../model/facts';
import { elementName, isOwnTag } from '../../model/own-elements';
import { UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { takeAfter } from '../script/bases';
import { readClassHelper } from '../script/classes';
import { textOf } from '../script/decorators';
import { settleEarly } from '../script/early';
import { memberReads } from '../script/member-reads';
import { noteFound, readModuleFacts, readTypes } from '../script/modules';
import { newUnit } from '../script/new-unit';
import { parseScript } from '../script/parse';
import { mentionsIn, readScopes } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import {
  addWhole,
  type Dialect,
  emptyFacts,
  fileContext,
  type FileContext,
  keepsState,
  moduleTypes,
  placeRest,
  settleMissing,
  SETUP,
  spanOf,
  unwrap,
} from '../script/unit';
import { valueOf } from '../script/values';
import { eachChild } from '../script/walk';
import { elementDialect, type ElementUnit } from './dialect';
import { readElement } from './members';
import { readTemplates } from './templates';

const TRAITS: Traits = {
  callbackProps: false,
  attributesFallThrough: false,
  refExposes: 'listed',
  statementHandlers: false,
  inputsWritable: true,
  contentPort: '#default',
  contextByIdentity: false,
  contextAtSetup: true,
  isElement: true,
  convertsText: true,
};

const OF_PAGE = /\bextends\s+\(?\s*(globalThis\.|window\.)?HTMLElement\b/;
const DEFINES = /\bcustomElements\s*\.\s*define\s*\(/;
const EXTENDS = /\bclass\b[^{;]*\bextends\b/;
/** What makes elements in other ways, and reads its own classes. */
const OTHERS = /\bfrom\s*['"](react|preact|vue|svelte|solid-js|lit|lit-element|@angular|@stencil)(\/|['"])/;

/** A script of classes that the page makes elements of. */
export const definesElements = (path: string, text: string): boolean =>
  /\.[cm]?[jt]s$/.test(path) &&
  (OF_PAGE.test(text) || (DEFINES.test(text) && EXTENDS.test(text))) &&
  !OTHERS.test(text);

interface Defined {
  tag: string;
  /** The class, by its name or where it is written. */
  of: string | t.Class;
}

/** What all that is read of a file shares. */
interface Reading {
  facts: FileFacts;
  file: FileContext;
  dialect: Dialect;
  defined: Defined[];
  /** What makes the facts of each class, once all of them are known by name. */
  units: (() => ComponentFacts)[];
}

/** Reads a file. Never throws: what cannot be parsed gives facts with a problem. */
export function readElements(path: string, text: string): FileFacts {
  const facts = emptyFile(path);
  const parsed = parseScript(path, text);
  if ('problem' in parsed) return { ...facts, problem: parsed.problem };
  const { program, comments } = parsed;
  readModuleFacts(facts, program, comments, text);
  const named = () => undefined;
  facts.types = readTypes(program, named);
  const scopes = readScopes(program);
  const file = fileContext(path, text, named);
  const defined = definitionsIn(program);
  const reading: Reading = { facts, file, dialect: elementDialect(), defined, units: [] };
  const types = moduleTypes(file);
  for (const one of scopes.named) {
    if (one.scope.parent !== undefined) continue;
    const node = unwrap(one.node);
    const value = valueOf(one, () => undefined, types);
    if (node.type !== 'ClassDeclaration' && node.type !== 'ClassExpression') facts.values.push(value);
    else addClass(reading, value, node, value.name);
  }
  // A class that is written where it is defined has the name of its tag.
  for (const { tag, of } of defined) {
    if (typeof of === 'string' || file.units.has(of)) continue;
    const at = { start: of.start!, end: of.start! };
    addClass(reading, { name: elementName(tag)!, kind: 'component', ...at }, of, of);
  }
  for (const make of reading.units) facts.components.push(make());
  readLoose(reading, program);
  facts.mentions = mentionsIn(scopes);
  // Whoever finds an element on the page may read what it keeps.
  facts.elementReads = memberReads(program);
  noteFound(facts, scopes);
  if (facts.components.some((one) => one.role === 'component')) facts.language = 'html';
  return facts;
}

/** Adds a class, with the tags that it is defined for, by its name or where it is written. */
function addClass(reading: Reading, value: ValueFact, node: t.Class, of: Defined['of']): void {
  const { facts, file, defined, units } = reading;
  const { name, start, end } = value;
  const tags = defined.filter((one) => one.of === of);
  file.units.set(node, name);
  facts.values.push({ ...value, kind: 'component', component: units.length, type: UNKNOWN });
  units.push(() => classOf(reading, name, node, { start, end }, isOfPage(node) || tags.length > 0));
  for (const { tag } of tags) (facts.registers ??= []).push({ name: tag, local: name, element: true });
}

const unitOf = ({ dialect, file }: Reading, facts: ComponentFacts, node: t.Node): ElementUnit =>
  Object.assign(newUnit(facts, node, dialect, file), { observed: new Map<string, number>() });

function classOf(
  reading: Reading,
  name: string,
  node: t.Class,
  at: Span,
  isElement: boolean,
): ComponentFacts {
  const component = emptyFacts(name, spanOf(node), at, TRAITS);
  const u = unitOf(reading, component, node);
  const base = nameOfBase(node);
  if (base && base !== 'HTMLElement') takeAfter(component, node, base, reading.file.named);
  if (!isElement) {
    component.role = 'helper';
    readClassHelper(u, node, { fieldKind: () => undefined, typed: true });
    settleEarly(u);
    return component;
  }
  if (isOfForms(node)) component.ofForms = true;
  addWhole(u);
  readElement(u, node);
  readTemplates(u, node, reading.file.text);
  settleEarly(u);
  placeRest(u);
  settleMissing(u);
  return component;
}

/** `static formAssociated = true` */
const isOfForms = ({ body }: t.Class): boolean =>
  body.body.some(
    (one) =>
      one.type === 'ClassProperty' &&
      one.static === true &&
      keyName(one) === 'formAssociated' &&
      one.value?.type === 'BooleanLiteral' &&
      one.value.value,
  );

/** What the module keeps for itself. */
function readLoose(reading: Reading, program: t.Program): void {
  const loose = emptyFacts(nameFromPath(reading.file.path), spanOf(program), { start: 0, end: 0 }, TRAITS);
  loose.role = 'module';
  const variables = program.body.filter((node) => node.type === 'VariableDeclaration');
  unitOf(reading, loose, program).statements(variables, SETUP);
  if (keepsState(loose)) reading.facts.components.push(loose);
}

/** The last name of what a class extends: `HTMLElement` of `globalThis.HTMLElement`. */
function nameOfBase({ superClass }: t.Class): string | undefined {
  const base = superClass && unwrap(superClass);
  if (base?.type === 'Identifier') return base.name;
  return base?.type === 'MemberExpression' ? memberName(base.property) : undefined;
}

const isOfPage = (node: t.Class): boolean => nameOfBase(node) === 'HTMLElement';

/** `customElements.define('signal-lamp', Lamp)`, wherever it is called. */
function definitionsIn(program: t.Program): Defined[] {
  const found: Defined[] = [];
  const look = (node: t.Node): void => {
    if (node.type === 'CallExpression' && node.callee.type === 'MemberExpression') {
      const { object, property } = node.callee;
      const registry =
        object.type === 'Identifier'
          ? object.name
          : object.type === 'MemberExpression'
            ? memberName(object.property)
            : undefined;
      const [first, second] = node.arguments;
      const tag = textOf(first);
      const of = second && unwrap(second);
      const isDefined = registry === 'customElements' && memberName(property) === 'define';
      if (isDefined && tag !== undefined && isOwnTag(tag) && of) {
        if (of.type === 'Identifier') found.push({ tag, of: of.name });
        else if (of.type === 'ClassExpression') found.push({ tag, of });
      }
    }
    eachChild(node, look);
  };
  look(program);
  return found;
}
