/** Tags: components, with the names of their content, and elements of the page. */
import type { RenderFact } from '../../model/facts';
import { contentFunction } from '../script/content';
import { bindingOf } from '../script/scope';
import { type At, noteNested } from '../script/slots';
import { addNode } from '../script/unit';
import { readAttributes } from './attributes';
import { readBuiltIn } from './built-in';
import type { ElementNode, MarkupNode } from './markup';
import { isComponentTag, shortName } from './names';
import { name as nameNode } from './nodes';
import type { RazorUnit, ReadNodes } from './unit';

export function readTag(u: RazorUnit, node: ElementNode, at: At, readNodes: ReadNodes): void {
  const { name, nameAt, start, end } = node;
  if (readBuiltIn(u, node, at, readNodes)) return;
  const isSite = isComponentTag(name);
  const short = shortName(name);
  const space = name.slice(0, -short.length - 1);
  const tag = isSite
    ? { name: short, ...nameAt, global: short, ...(space ? { space } : {}) }
    : { name, ...nameAt };
  const fact: Partial<RenderFact> = isSite && isBare(node) && isNamed(u, at) ? { orSlot: true } : {};
  const index = addNode(u, { kind: isSite ? 'site' : 'element', tag, ...fact, start, end }, at.ctx);
  const made = u.facts.render[index]!;
  made.parent = at.parent;
  noteNested(u, at.parent);
  readAttributes(u, node, index, at);
  const inside: At = { ...at, parent: index };
  const given = isSite ? contextOf(u, node, at) : undefined;
  if (!given) {
    readNodes(u, node.children, inside);
    return;
  }
  const scope = u.scopes.within(at.scope, [given]);
  const span = { start: given.start!, end: given.end! };
  const fn = contentFunction(u, [given], span, at.ctx);
  readNodes(u, node.children, { ...inside, scope });
  if (fn !== undefined) made.only = { kind: 'function', fn, ...span };
}

/** Nothing is written on it but the name of what its content is given. */
const isBare = ({ attributes }: ElementNode): boolean => attributes.every(({ name }) => name === 'Context');

/** It stands right in the tag of a component. */
const isNamed = (u: RazorUnit, { parent }: At): boolean =>
  parent >= 0 && u.facts.render[parent]!.kind === 'site' && !u.facts.render[parent]!.orSlot;

/** What the content of a tag is given: the name that it gives to that, or `context` where the content uses it. */
function contextOf(u: RazorUnit, node: ElementNode, at: At) {
  const { text } = u.file;
  const written = node.attributes.find(({ name }) => name === 'Context')?.value;
  if (written) return nameNode(text.slice(written.start, written.end), written);
  if (bindingOf('context', at.scope) || u.names.has('context')) return undefined;
  const used = node.children.some((child) => usesContext(text, child));
  return used ? nameNode('context', { start: node.nameAt.end, end: node.nameAt.end }) : undefined;
}

/** Whether a node uses `context`, but for tags in it that may be given one of their own. */
function usesContext(text: string, node: MarkupNode): boolean {
  if (node.type === 'text' || node.type === 'directive') return false;
  if (node.type === 'element') {
    if (isComponentTag(node.name) && isBare(node)) return false;
    const given = node.attributes.some(
      ({ value }) => value && /\bcontext\b/.test(text.slice(value.start, value.end)),
    );
    return given || node.children.some((child) => usesContext(text, child));
  }
  if (node.type === 'block')
    return node.branches.some(
      ({ head, children }) =>
        (head && /\bcontext\b/.test(text.slice(head.start, head.end))) ||
        children.some((child) => usesContext(text, child)),
    );
  return /\bcontext\b/.test(text.slice(node.start, node.end));
}
