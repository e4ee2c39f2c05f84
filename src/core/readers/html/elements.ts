/** Elements of a page as its scripts find them. */
import type { AttributeFact, RenderFact, Span } from '../../model/facts';
import { spread } from '../script/attributes';
import type { PageTag } from './tags';

/** One part of a selector: a tag, an id, a class, or an attribute. */
const PART = /^(?:([\w-]+)|#([\w-]+)|\.([\w-]+)|\[([\w-]+)(?:=["']?([^"'\]]*)["']?)?\])/;

type Asked = (tag: PageTag) => boolean;

export class Elements {
  /** What may hand anything to any element. */
  private opened: AttributeFact | undefined;

  constructor(
    private readonly tags: PageTag[],
    private readonly nodes: Map<number, number>,
    private readonly render: RenderFact[],
  ) {}

  /** Nodes of the elements that a selector means: the first of them, or all; undefined where that is not known. */
  found(selector: string, all: boolean): number[] | undefined {
    if (!this.known.has(selector)) this.known.set(selector, this.meant(selector));
    const found = this.known.get(selector);
    return (all ? found : found?.slice(0, 1))?.flatMap((index) => this.nodes.get(index) ?? []);
  }

  private readonly known = new Map<string, number[] | undefined>();

  private meant(selector: string): number[] | undefined {
    const asked = askedBy(selector);
    return asked && this.tags.flatMap((tag, index) => (asked(tag) ? [index] : []));
  }

  /** Hands something to elements. */
  give(nodes: number[], attribute: AttributeFact): void {
    for (const node of nodes) this.render[node]!.attributes.push(attribute);
  }

  /** Something at this place may hand anything to any element. */
  open(at: Span): void {
    this.opened ??= spread(at);
  }

  /** Once all scripts are read. */
  settle(): void {
    if (!this.opened) return;
    for (const node of this.render) if (node.kind === 'site') node.attributes.push(this.opened);
  }
}

/** `sign-wall#north.lit`: nothing with a space in it, or a way from one to another. */
function askedBy(selector: string): Asked | undefined {
  const asks: Asked[] = [];
  let rest = selector.trim();
  if (!rest) return undefined;
  while (rest) {
    const part = PART.exec(rest);
    if (!part) return undefined;
    const [all, tag, id, name, key, value] = part;
    rest = rest.slice(all.length);
    const said = (one: PageTag, wanted: string) =>
      one.attributes.find((given) => given.name === wanted)?.value;
    if (tag !== undefined) asks.push((one) => one.name === tag.toLowerCase());
    else if (id !== undefined) asks.push((one) => said(one, 'id') === id);
    else if (name !== undefined) asks.push((one) => said(one, 'class')?.split(/\s+/).includes(name) === true);
    else
      asks.push((one) => {
        const is = said(one, key!.toLowerCase());
        return is !== undefined && (value === undefined || is === value);
      });
  }
  return (tag) => asks.every((one) => one(tag));
}
