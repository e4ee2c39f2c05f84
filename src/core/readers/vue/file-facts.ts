/** What all units of a file with Vue code share. */
import type * as t from '@babel/types';
import type { ComponentFacts, ExprFact, FileFacts, Span } from '../../model/facts';
import { attribute, spread } from '../script/attributes';
import { type MarkupDialect, placeOutlet } from '../script/jsx';
import type { Scopes } from '../script/scope';
import { noteNested } from '../script/slots';
import { keyName } from '../script/type-expr';
import { addWhole, type Ctx, type Dialect, type FileContext, spanOf, unwrap, use } from '../script/unit';
import { vueDialect } from './dialect';
import { slotValue } from './drawn';
import { giveSlots } from './h';
import { camel, nameOfGiven, slotPort, type VueNames } from './names';
import { isVueUnit, type VueUnit, vueUnit } from './unit';

/** What all units of a file share. */
export interface VueFile {
  file: FileContext;
  facts: FileFacts;
  program: t.Program;
  scopes: Scopes;
  names: VueNames;
  dialect: Dialect;
  markup: MarkupDialect;
  /** Code in which a name of a component is no mention: registrations, choices of tags, and what is mounted. */
  tagNames: Span[];
}

const SLOTS = /^v-?slots$/i;

/** `v-slots={{ default: () => … }}`: content by the names of slots, beside what is nested. */
function giveSlotsAttribute(u: VueUnit, index: number, node: t.JSXElement, ctx: Ctx): void {
  for (const one of node.openingElement.attributes) {
    if (one.type !== 'JSXAttribute' || one.name.type !== 'JSXIdentifier' || !SLOTS.test(one.name.name))
      continue;
    const given = one.value?.type === 'JSXExpressionContainer' ? unwrap(one.value.expression) : undefined;
    const fact = u.facts.render[index]!;
    if (given?.type !== 'ObjectExpression') {
      const value = given ? use(u, u.expr(given, ctx), ctx) : undefined;
      fact.attributes.push(spread(spanOf(one), value && { ...value, kind: 'computed' }));
      continue;
    }
    giveSlots(u, given, index, ctx);
    const fillsDefault = given.properties.some(
      (property) => property.type !== 'SpreadElement' && keyName(property) === 'default',
    );
    const nests = node.children.some((child) => child.type !== 'JSXText' || /\S/.test(child.value));
    if (!fillsDefault || !nests) continue;
    const value: ExprFact = { kind: 'computed', ...spanOf(given) };
    fact.attributes.push(attribute(slotPort('default'), spanOf(one.name), 'value', value, spanOf(one)));
  }
}

const MODEL = /^(?:v-|v)[mM]odel(?::(.+))?$/;

export const vueMarkup: MarkupDialect = {
  attributeMode: (name) => {
    if (MODEL.test(name)) return 'two-way';
    // Slots as an object, and directives of the app's own.
    if (/^(v-|v[A-Z])/.test(name)) return 'spread';
    return name === 'key' || name === 'ref' ? name : /^on[A-Z]/.test(name) ? 'listen' : 'value';
  },
  attributeName: (name) => {
    const model = MODEL.exec(name);
    return model ? camel(model[1] ?? 'modelValue') : nameOfGiven(name);
  },
  content(u, node, index, ctx) {
    if (!isVueUnit(u)) return false;
    if (node.type === 'ObjectExpression' && u.facts.render[index]!.kind === 'site') {
      giveSlots(u, node, index, ctx);
      return true;
    }
    const slot = slotValue(u, node);
    if (!slot) return false;
    placeOutlet(u, slot.symbol!, slot, index, ctx);
    noteNested(u, index);
    return true;
  },
  isTagged: (name) => SLOTS.test(name),
  tagged(u, index, node, ctx) {
    if (isVueUnit(u)) giveSlotsAttribute(u, index, node, ctx);
  },
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
  return { file, facts, program, scopes, names, dialect, markup: vueMarkup, tagNames: [] };
}

/** A unit with the node that stands for all that it renders. */
export function openUnit(vue: VueFile, facts: ComponentFacts, node: t.Node): VueUnit {
  const u = vueUnit(facts, node, vue.dialect, vue.markup, vue.file, vue.scopes, vue.facts.imports);
  if (facts.role !== 'helper') addWhole(u);
  return u;
}
