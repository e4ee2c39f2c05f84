/** What a page draws of the project's elements, and what its scripts do with them. */
import type * as t from '@babel/types';
import type { AttributeFact, FileFacts, RenderFact, Traits } from '../../model/facts';
import type { UnitParts } from '../../model/parts';
import { dirname, join } from '../../model/paths';
import { lit } from '../../model/types';
import { attribute } from '../script/attributes';
import { readSilences } from '../script/comments';
import { newUnit } from '../script/new-unit';
import { readScopes } from '../script/scope';
import { parseScript } from '../script/parse';
import { readTypes } from '../script/modules';
import { emptyFacts, fileContext, SETUP, spanOf, type Unit } from '../script/unit';
import type { NamedType } from '../script/type-expr';
import { isPageEvent } from '../../model/page-names';
import { elementName, isOwnTag, propOf } from '../../model/own-elements';
import { pageDialect } from './dialect';
import { Elements } from './elements';
import type { PageTag, PageTags } from './tags';

const PAGE_TRAITS: Traits = {
  callbackProps: false,
  attributesFallThrough: false,
  refExposes: 'nothing',
  statementHandlers: false,
  inputsWritable: false,
  plainState: true,
  contentPort: '#default',
  contextByIdentity: false,
  contextAtSetup: true,
};

/** Scripts of a page have no types of their own. */
const plainTypes: NamedType = () => undefined;

/** Types that scripts may have, so that they are code which runs on the page. */
const CODE = /^(|module|(text|application)\/(java|ecma)script)$/i;

/** Adds the page itself, if any of its tags may be an element of the project. */
export function readComponentsOf(
  facts: FileFacts,
  { tags, scripts, comments }: PageTags,
  text: string,
  parts: UnitParts,
): void {
  const whole = { start: 0, end: text.length };
  const name = facts.path.split('/').at(-1)!;
  const component = emptyFacts(name, whole, { start: 0, end: 0 }, PAGE_TRAITS);
  // Whoever goes to its address sees it.
  component.routed = true;
  const nodes = drawn(tags, component.render);
  const elements = new Elements(tags, nodes, component.render);
  let u: Unit | undefined;
  // Scripts in files of their own are read as the page runs them: where they stand among the others.
  const codes = tags
    .filter((one) => one.name === 'script')
    .flatMap((tag, at): Script[] => {
      const said = (wanted: string) => tag.attributes.find((one) => one.name === wanted)?.value;
      const from = said('src');
      if (from === undefined) {
        const { start, end } = scripts[at]!;
        const code = { path: 'page.js', text: text.slice(start, end), base: start };
        return CODE.test(said('type') ?? '') ? [code] : [];
      }
      if (isBuilt(from)) return [];
      const path = join(dirname(facts.path), from.replace(/[?#].*$/, ''));
      const part = from.startsWith('/') ? undefined : parts.take(path);
      if (!part) elements.open(tag);
      return part ? [{ path, ...part }] : [];
    });
  const file = fileContext(
    facts.path,
    [text, ...parts.list.map((one) => codes.find(({ base }) => base === one.base)!.text)].join('\n'),
    plainTypes,
  );
  for (const one of codes) readScript(one);
  if (parts.list.length) facts.parts = parts.list;
  elements.settle();
  facts.silences.push(...readSilences(comments, text));
  facts.components.push(component);
  facts.ownPage = true;

  /** One script of the page: names of others are not known in it. */
  function readScript({ path, text: code, base }: Script): void {
    const at = { start: base, end: base + code.length };
    const parsed = parseScript(path, code, { offset: base });
    if ('problem' in parsed && path !== 'page.js') {
      // The file itself says why.
      elements.open(at);
      return;
    }
    if ('problem' in parsed) {
      const { message, column } = parsed.problem;
      const lines = text.slice(0, column - 1).split('\n');
      (facts.flaws ??= []).push({
        path: facts.path,
        message,
        line: lines.length,
        column: lines.at(-1)!.length + 1,
      });
      elements.open(at);
      return;
    }
    const { program, comments: inCode } = parsed;
    const scopes = readScopes(program);
    facts.types.push(...readTypes(program, plainTypes));
    facts.silences.push(...readSilences(inCode, file.text));
    // What is called of other files may do anything to any element.
    for (const node of program.body)
      if (node.type === 'ImportDeclaration' && node.specifiers.length) elements.open(spanOf(node));
    facts.ids.push(...scopes.ids);
    facts.madeEvents = [...(facts.madeEvents ?? []), ...scopes.madeEvents];
    facts.heardNames = [...(facts.heardNames ?? []), ...scopes.heard];
    // What the scripts do is told together.
    u ??= newUnit(component, program, pageDialect(elements), file);
    u.statements(program.body.flatMap(declared), SETUP);
  }
}

/** A script of the page, or a file of it. */
interface Script {
  path: string;
  text: string;
  /** The offset at which it begins. */
  base: number;
}

/** What stands behind `export`. */
const declared = (node: t.Statement): t.Statement[] => {
  if (node.type !== 'ExportNamedDeclaration') return [node];
  return node.declaration ? [node.declaration as t.Statement] : [];
};

/** What the compilers of such elements build is the project itself; what stands at an address of elsewhere knows nothing of it. */
const isBuilt = (from: string): boolean => /(^|\/)build\/|^(https?:)?\/\//.test(from);

/** What stands deeper in others than any page has it is taken to stand here. */
const MAX_DEPTH = 100;

/** Elements of one's own and all that is nested in them, as render nodes; gives the node of each tag. */
function drawn(tags: PageTag[], render: RenderFact[]): Map<number, number> {
  const nodes = new Map<number, number>();
  const depths: number[] = [];
  tags.forEach((tag, index) => {
    let parent = nodes.get(tag.parent);
    if (parent !== undefined && depths[parent]! >= MAX_DEPTH) parent = render[parent]!.parent;
    const own = isOwnTag(tag.name);
    if (!own && parent === undefined) return;
    const { start, end } = tag;
    const at = { start: start + 1, end: start + 1 + tag.name.length };
    const around = parent === undefined ? undefined : tags[tag.parent]!;
    const isInside = around !== undefined && isOwnTag(around.name);
    const slot = isInside ? tag.attributes.find((one) => one.name === 'slot' && one.value) : undefined;
    const node: RenderFact = {
      kind: own ? 'site' : 'element',
      parent: parent ?? -1,
      tag: { name: tag.name, ...(own ? { global: elementName(tag.name)! } : { plain: true }), ...at },
      attributes: own ? tag.attributes.flatMap(given) : [],
      ...(own && tag.textual ? { nested: true } : {}),
      ...(slot ? { slot: `#${slot.value}` } : {}),
      start,
      end,
    };
    nodes.set(index, render.push(node) - 1);
    depths.push(parent === undefined ? 0 : depths[parent]! + 1);
    if (!isInside) return;
    const outer = render[parent!]!;
    if (slot) {
      const content = { kind: 'content' as const, content: [nodes.get(index)!], ...slot.at };
      outer.attributes.push(attribute(`#${slot.value}`, slot, 'value', content, slot));
    } else outer.nested = true;
  });
  return nodes;
}

/** What stands on every tag, and what frameworks of templates put there for themselves. */
const OF_PAGE = /^(slot|(v|x|hx|ng)-.*|[:@#*[(.].*)$/;

/** `onclick="…"`: code that runs at an event of the page. */
const isHandler = (name: string): boolean => name.startsWith('on') && isPageEvent(`@${name.slice(2)}`);

function given({ name, nameEnd, value, at, start, end }: PageTag['attributes'][number]): AttributeFact[] {
  if (OF_PAGE.test(name) || isHandler(name)) return [];
  const text = { kind: 'literal' as const, type: lit(value), ...at };
  const read = attribute(propOf(name), { start, end: nameEnd }, 'value', text, { start, end });
  return [{ ...read, plain: true, spelled: 'dashed' }];
}
