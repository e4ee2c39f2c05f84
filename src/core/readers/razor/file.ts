/** One Razor component, with the code that stands beside it, to facts. */
import type { ComponentFacts, FileFacts, Span } from '../../model/facts';
import { dirname } from '../../model/paths';
import { type ReadPart, UnitParts } from '../../model/parts';
import { UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { readClassMembers } from '../script/classes';
import { settleEarly } from '../script/early';
import { handOver } from '../script/slots';
import { readScopes, type Scope } from '../script/scope';
import { addNode, addWhole, emptyFacts, fileContext, placeRest, SETUP, settleMissing } from '../script/unit';
import { spread } from '../script/attributes';
import { makeClass } from './class';
import { CSharp } from './csharp';
import { declarationOf } from './csharp-file';
import { settleUnbound } from './code';
import { razorDialect } from './dialect';
import { settleHeard } from './heard';
import { type MarkupNode, RazorMarkup } from './markup';
import { exposeMembers, isParameter, readInject, readMember } from './members';
import { componentName, PAGES, razorTraits, razorTypes, shortName } from './names';
import type { MemberNode } from './nodes';
import { openElsewhere, openMarkup } from './opened';
import { readNodes } from './template';
import { type RazorUnit, razorUnit } from './unit';

/** Bases that come with the framework. */
const KNOWN_BASES = /^(ComponentBase|LayoutComponentBase|OwningComponentBase|IComponent)$/;

/** Spaces of names that a file uses, but for those of the framework and of types alone. */
const USING =
  /^\s*@using\s+(?!static\b|\w+\s*=|System\b|Microsoft\.(?:AspNetCore|JSInterop|Extensions)\b)([\w.]+)/gm;

/** What the directives of a file say. */
interface Directives {
  pages: Span[];
  layout?: Span;
  bases: string[];
  injects: Span[];
  code: Span[];
  params: Set<string>;
}

/** Reads a file. Never throws: what is not understood is passed over. */
export function readRazorFile(path: string, text: string, readPart: ReadPart): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), ambient: true };
  const parts = new UnitParts(text, readPart);
  const name = componentName(path);
  const uses = [...text.matchAll(USING)].map((one) => one[1]!);
  if (uses.length) facts.uses = uses;
  // What all files of a folder have is no component.
  if (/^_(Imports|ViewImports|ViewStart)$/.test(name)) return facts;
  const nodes = new RazorMarkup(text).whole();
  const said = directivesOf(text, nodes);
  const params = said.params;
  const members = said.code.flatMap(({ start, end }) => CSharp.members(text, start, end, params));
  const file = fileContext(path, text, razorTypes(params));
  const beside = parts.take(`${path}.cs`);
  if (beside) {
    file.text = text.padEnd(beside.base - 1, ' ').padEnd(beside.base, '\n') + beside.text;
    for (const one of CSharp.types(file.text, beside.base))
      if (one.name === name) {
        members.push(...one.members);
        said.bases.push(...one.bases.map((base) => base.name));
      }
  }
  const isLayout = said.bases.includes('LayoutComponentBase');
  const span = { start: 0, end: text.length };
  const component = emptyFacts(name, span, { start: 0, end: 0 }, razorTraits(isLayout));
  readUnit(component, file, nodes, members, said);
  facts.components.push(component);
  facts.values.push({ name: 'default', kind: 'component', component: 0, type: UNKNOWN, start: 0, end: 0 });
  facts.exports.push({ name: 'default', local: 'default', start: 0, end: 0 });
  facts.registers = [{ name, local: 'default', near: true }];
  if (said.pages.length) openPage(facts, said, layoutOf(text, said) ?? layoutAround(path, parts));
  facts.types.push({ name, kind: 'class', params: [], bases: [], body: UNKNOWN });
  for (const { start, end } of said.code)
    facts.types.push(...CSharp.types(text, start, end).flatMap(declarationOf));
  openElsewhere(component, file.text);
  openMarkup(component, file.text, [
    ...said.code,
    ...(beside ? [{ start: beside.base, end: file.text.length }] : []),
  ]);
  facts.language = 'razor';
  if (parts.list.length) facts.parts = parts.list;
  return facts;
}

function directivesOf(text: string, nodes: MarkupNode[]): Directives {
  const found: Directives = { pages: [], bases: [], injects: [], code: [], params: new Set() };
  const look = (list: MarkupNode[]): void => {
    for (const node of list) {
      if (node.type === 'element') look(node.children);
      if (node.type !== 'directive') continue;
      const words = text.slice(node.rest.start, node.rest.end).trim();
      const from = node.rest.start + /^\s*/.exec(text.slice(node.rest.start, node.rest.end))![0].length;
      const rest = { start: from, end: from + words.length };
      if (node.word === 'code') found.code.push(node.rest);
      else if (node.word === 'page') found.pages.push(rest);
      else if (node.word === 'layout') found.layout = rest;
      else if (node.word === 'inherits') found.bases.push(/^[\w.]+/.exec(words)?.[0] ?? '');
      else if (node.word === 'inject') found.injects.push(rest);
      else if (node.word === 'typeparam') found.params.add(/^\w+/.exec(words)?.[0] ?? '');
    }
  };
  look(nodes);
  return found;
}

function readUnit(
  component: ComponentFacts,
  file: ReturnType<typeof fileContext>,
  nodes: MarkupNode[],
  members: MemberNode[],
  said: Directives,
): void {
  const injected = said.injects.flatMap(
    ({ start, end }) => /(\w+)\s*$/.exec(file.text.slice(start, end))?.[1] ?? [],
  );
  const isLayout = component.traits.contentPort === 'Body';
  const names = new Set([...members.map((one) => one.name), ...injected, ...(isLayout ? ['Body'] : [])]);
  const made = makeClass(component.name, members, names, component);
  const u = razorUnit(component, made.node, razorDialect, file, readScopes(made.program));
  u.declared = made.declared;
  u.names = names;
  if (said.params.size) component.typeParams = [...said.params];
  u.tellsAbsence = /\b(default|null)!|\b(string|\w+>|\w+\[\])\?/.test(file.text);
  noteHandles(u, nodes);
  noteAddress(u, said, members);
  const isOpen = said.bases.some((base) => !KNOWN_BASES.test(shortName(base)) && !/^I[A-Z]/.test(base));
  if (isOpen) {
    component.openProps = true;
    component.openEmits = true;
    component.openSlots = true;
  }
  addWhole(u);
  if (isLayout) takeBody(u);
  for (const one of said.injects) readInject(u, one);
  readClassMembers(u, made.node, {
    fieldKind: () => undefined,
    typed: true,
    member: (_unit, name, node) => readMember(u, name, node),
  });
  exposeMembers(u, isOpen);
  const scope: Scope = { parent: undefined, owner: u.node, isFunction: true, names: new Map() };
  readNodes(u, nodes, { scope, ctx: SETUP, parent: 0 });
  placeRest(u);
  settleHeard(u);
  settleUnbound(u);
  dropCalled(u);
  settleEarly(u);
  settleMissing(u);
}

/** What a layout is given without declaring it. */
function takeBody(u: RazorUnit): void {
  const at = { start: 0, end: 0 };
  u.facts.ports.push({
    name: 'Body',
    channel: 'slot',
    declared: 'list',
    implied: true,
    type: { t: 'content' },
    ...at,
  });
  const symbol = u.facts.symbols.push({ name: 'Body', kind: 'prop', port: 'Body', ...at }) - 1;
  u.props.set('Body', symbol);
  u.members.set('Body', symbol);
}

function noteHandles(u: RazorUnit, nodes: MarkupNode[]): void {
  const look = (list: MarkupNode[]): void => {
    for (const node of list) {
      if (node.type === 'block') for (const one of node.branches) look(one.children);
      if (node.type !== 'element') continue;
      for (const { name, value } of node.attributes)
        if (name === '@ref' && value)
          u.handles.add(
            u.file.text
              .slice(value.start, value.end)
              .replace(/^@/, '')
              .replace(/^this\./, ''),
          );
      look(node.children);
    }
  };
  look(nodes);
}

/** `@page "/rounds/{Day}"`, and what is taken from the rest of the address. */
function noteAddress(u: RazorUnit, { pages }: Directives, members: MemberNode[]): void {
  for (const { start, end } of pages)
    for (const [, name] of u.file.text.slice(start, end).matchAll(/\{\*{0,2}(\w+)/g)) u.inAddress.add(name!);
  for (const one of members)
    if (
      one.attributes.some(({ name }) => /^SupplyParameter/.test(name)) ||
      (pages.length && isParameter(one))
    )
      u.inAddress.add(one.name);
}

/** What is called on what content is given may be a method that others add to its type. */
function dropCalled({ facts, file }: RazorUnit): void {
  for (const read of facts.reads) {
    // What a component has is known; nobody adds methods to one.
    if (facts.symbols[read.symbol]!.kind === 'ref') continue;
    const at = read.ends?.findIndex((end) => /^\s*\(/.test(file.text.slice(end, end + 8))) ?? -1;
    if (at < 0) continue;
    read.path = read.path!.slice(0, at);
    read.ends = read.ends!.slice(0, at);
  }
}

const layoutOf = (text: string, { layout }: Directives): string | undefined =>
  layout && shortName(text.slice(layout.start, layout.end));

/** The layout that all pages of a folder have. */
function layoutAround(path: string, parts: UnitParts): string | undefined {
  for (let dir = dirname(path); ; dir = dirname(dir)) {
    const found = parts.take(dir ? `${dir}/_Imports.razor` : '_Imports.razor');
    const layout = found && /^\s*@layout\s+([\w.]+)/m.exec(found.text)?.[1];
    if (layout !== undefined) return shortName(layout);
    if (!dir) return undefined;
  }
}

/** A page is drawn in its own layout, or in the one that all pages have. */
function openPage(facts: FileFacts, { pages, layout }: Directives, own: string | undefined): void {
  const [page] = facts.components;
  page!.routed = true;
  const at = pages[0]!;
  if (own === undefined) {
    facts.registers!.push({ name: PAGES, local: 'default' });
    return;
  }
  const module = emptyFacts(page!.name, { start: page!.start, end: page!.end }, at, razorTraits(false));
  module.role = 'module';
  const u = { facts: module } as RazorUnit;
  const add = (name: string, parent: number, span: Span) => {
    const tag = { name, ...span, ...(name === 'default' ? {} : { global: name }) };
    const index = addNode(u, { kind: 'site', tag, ...span }, SETUP);
    module.render[index]!.parent = parent;
    return index;
  };
  const outer = add(own, -1, layout ?? at);
  module.render[outer]!.mounted = at;
  const inner = add('default', outer, at);
  module.render[inner]!.attributes.push(spread(at));
  handOver(u, outer, inner, 'Body', at, undefined);
  facts.components.push(module);
  facts.mounts = true;
}
