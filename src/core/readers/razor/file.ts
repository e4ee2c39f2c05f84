/** One Razor component, with the code that stands beside it, to facts. */
import type { FileFacts, Span } from '../../model/facts';
import { dirname } from '../../model/paths';
import { type ReadPart, UnitParts } from '../../model/parts';
import { UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { spread } from '../script/attributes';
import { handOver } from '../script/slots';
import { addNode, emptyFacts, fileContext, SETUP } from '../script/unit';
import { readComponent, type Said } from './component';
import { memberNames } from './code';
import { baseAt, CSharp } from './csharp';
import { declarationOf } from './csharp-file';
import { type MarkupNode, RazorMarkup } from './markup';
import { componentName, LAID_PAGES, OTHER_SPACE, PAGES, razorTraits, razorTypes, shortName } from './names';
import { openElsewhere, openMarkup } from './opened';
import type { RazorUnit } from './unit';

/** Spaces of names that a file uses, but for those of the framework and of types alone. */
const USING = new RegExp(`^\\s*@using\\s+${OTHER_SPACE}`, 'gm');

/** What the directives of a file say. */
interface Directives extends Said {
  layout?: Span;
  code: Span[];
}

/** Reads a file. Never throws: what is not understood is passed over. */
export function readRazorFile(path: string, text: string, readPart: ReadPart): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), ambient: true };
  const parts = new UnitParts(text, readPart);
  const name = componentName(path);
  const uses = [...text.matchAll(USING)].map((one) => one[1]!);
  if (uses.length) facts.uses = facts.sees = uses;
  const space = /^\s*@namespace\s+([\w.]+)/m.exec(text)?.[1];
  if (space !== undefined) facts.spaces = [space];
  // What all files of a folder have is no component.
  if (/^_(Imports|ViewImports|ViewStart)$/.test(name)) return { ...facts, ofFolder: true };
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
        said.bases.push(...one.bases);
      }
  }
  const isLayout = said.bases.some((one) => one.name === 'LayoutComponentBase');
  const span = { start: 0, end: text.length };
  const component = emptyFacts(name, span, { start: 0, end: 0 }, razorTraits(isLayout));
  readComponent(component, file, nodes, members, said);
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
  facts.memberReads = memberNames(file.text);
  if (parts.list.length) facts.parts = parts.list;
  return facts;
}

function directivesOf(text: string, nodes: MarkupNode[]): Directives {
  const found: Directives = { pages: [], bases: [], injects: [], code: [], params: new Set(), limits: '' };
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
      else if (node.word === 'inherits') found.bases.push(baseAt(words, from, found.params));
      else if (node.word === 'inject') found.injects.push(rest);
      else if (node.word === 'typeparam') {
        const [name = ''] = /^\w+/.exec(words) ?? [];
        found.params.add(name);
        found.limits += ` ${words.slice(name.length)}`;
      }
    }
  };
  look(nodes);
  return found;
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
  module.framesPage = true;
  const u = { facts: module } as RazorUnit;
  const add = (name: string, parent: number, span: Span) => {
    const tag = { name, ...span, ...(name === 'default' ? {} : { global: name }) };
    const index = addNode(u, { kind: 'site', tag, ...span }, SETUP);
    module.render[index]!.parent = parent;
    return index;
  };
  const outer = add(own, -1, layout ?? at);
  const inner = add('default', outer, at);
  module.render[inner]!.attributes.push(spread(at));
  handOver(u, outer, inner, 'Body', at, undefined);
  const component = facts.components.push(module) - 1;
  facts.values.push({ name: LAID_PAGES, kind: 'component', component, type: UNKNOWN, ...at });
  facts.registers!.push({ name: LAID_PAGES, local: LAID_PAGES });
}
