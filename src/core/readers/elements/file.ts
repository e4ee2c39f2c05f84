/** Scripts that define elements of their own for the page: `class Lamp extends HTMLElement`, `customElements.define`. */
import type * as t from '@babel/types';
import type { ComponentFacts, FileFacts, Traits } from '../../model/facts';
import { elementName } from '../../model/own-elements';
import { UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { readClassHelper } from '../script/classes';
import { textOf } from '../script/decorators';
import { settleEarly } from '../script/early';
import { nameFromPath } from '../script/file-name';
import { memberReads } from '../script/member-reads';
import { noteFound, readModuleFacts, readTypes } from '../script/modules';
import { newUnit } from '../script/new-unit';
import { parseScript } from '../script/parse';
import { mentionsIn, readScopes } from '../script/scope';
import { memberName } from '../script/type-expr';
import {
  addWhole,
  emptyFacts,
  fileContext,
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
  const types = moduleTypes(file);
  const dialect = elementDialect();
  const defined = definitionsIn(program);
  const units: (() => ComponentFacts)[] = [];
  const unitOf = (name: string, node: t.Class, at: { start: number; end: number }, isElement: boolean) => {
    const component = emptyFacts(name, spanOf(node), at, TRAITS);
    const u: ElementUnit = Object.assign(newUnit(component, node, dialect, file), { observed: new Map() });
    const base = nameOfBase(node);
    if (base && base !== 'HTMLElement') {
      component.mixins = [base];
      component.heirOf = { name: base, ...spanOf(node.superClass!) };
    }
    if (isElement) {
      addWhole(u);
      readElement(u, node);
      readTemplates(u, node, text);
      settleEarly(u);
      placeRest(u);
      settleMissing(u);
    } else {
      component.role = 'helper';
      readClassHelper(u, node, { fieldKind: () => undefined, typed: true });
      settleEarly(u);
    }
    return component;
  };
  const register = (local: string, of: Defined['of']) => {
    for (const one of defined)
      if (one.of === of) (facts.registers ??= []).push({ name: one.tag, local, element: true });
  };
  for (const one of scopes.named) {
    if (one.scope.parent !== undefined) continue;
    const node = unwrap(one.node);
    const value = valueOf(one, () => undefined, types);
    if (node.type !== 'ClassDeclaration' && node.type !== 'ClassExpression') {
      facts.values.push(value);
      continue;
    }
    const isElement = isOfPage(node) || defined.some(({ of }) => of === value.name);
    const at = one.id ? spanOf(one.id) : { start: node.start!, end: node.start! };
    file.units.set(node, value.name);
    facts.values.push({ ...value, kind: 'component', component: units.length, type: UNKNOWN });
    units.push(() => unitOf(value.name, node, at, isElement));
    register(value.name, value.name);
  }
  // A class that is written where it is defined has the name of its tag.
  for (const { tag, of } of defined) {
    if (typeof of === 'string' || facts.values.some((one) => one.start === of.start)) continue;
    const name = elementName(tag)!;
    const at = { start: of.start!, end: of.start! };
    file.units.set(of, name);
    facts.values.push({ name, kind: 'component', component: units.length, type: UNKNOWN, ...at });
    units.push(() => unitOf(name, of, at, true));
    register(name, of);
  }
  for (const make of units) facts.components.push(make());
  const loose = emptyFacts(nameFromPath(path), spanOf(program), { start: 0, end: 0 }, TRAITS);
  loose.role = 'module';
  const u: ElementUnit = Object.assign(newUnit(loose, program, dialect, file), { observed: new Map() });
  u.statements(
    program.body.filter((node) => node.type === 'VariableDeclaration'),
    SETUP,
  );
  if (keepsState(loose)) facts.components.push(loose);
  facts.mentions = mentionsIn(scopes);
  // Whoever finds an element on the page may read what it keeps.
  facts.elementReads = memberReads(program);
  noteFound(facts, scopes);
  if (facts.components.some((one) => one.role === 'component')) facts.language = 'html';
  return facts;
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
      if (registry === 'customElements' && memberName(property) === 'define' && tag !== undefined && of) {
        if (of.type === 'Identifier') found.push({ tag, of: of.name });
        else if (of.type === 'ClassExpression') found.push({ tag, of });
      }
    }
    eachChild(node, look);
  };
  look(program);
  return found;
}
