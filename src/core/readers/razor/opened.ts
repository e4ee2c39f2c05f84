/** Components that are not written as tags: code opens them, names their type, or writes their tags in a text of C#. */
import type { ComponentFacts, Span } from '../../model/facts';
import { spread } from '../script/attributes';
import { addNode, SETUP } from '../script/unit';
import { shortName } from './names';
import type { RazorUnit } from './unit';

/** `dialogs.Show<HoldDialog>()`, `typeof(HoldDialog)` */
const OPENED = /\b(\w+)\s*<\s*([A-Z][\w.]*)\s*>\s*\(|\btypeof\(\s*([A-Z][\w.]*)\s*\)/g;
/** `@<Lamp />`, and the same in a function that draws. */
const WRITTEN = /(?<=^|[\s@({;>])<([A-Z][\w.]*)(?=[\s/>])/gm;
/** Calls that put a component on a page. */
const MOUNTS = /(\bRootComponents\.Add|\bMapRazorComponents|\bRenderComponentAsync)$/;

/** Adds components that code names otherwise than by a tag: they may be drawn anywhere, and be given anything. */
export function openElsewhere(component: ComponentFacts, text: string): void {
  // What a tag of the framework draws, as a layout, is placed there already.
  const placed = new Set(component.render.flatMap(({ tag }) => tag?.global ?? []));
  for (const found of text.matchAll(OPENED)) {
    const name = nameIn(found);
    const isElsewhere =
      !placed.has(shortName(name)) && !text.startsWith('.Assembly', found.index + found[0].length);
    if (isElsewhere) add(component, found.index + found[0].lastIndexOf(name), name);
  }
}

/** The same for tags in pieces of code. */
export function openMarkup(component: ComponentFacts, text: string, pieces: Span[]): void {
  for (const { start, end } of pieces)
    for (const found of text.slice(start, end).matchAll(WRITTEN))
      add(component, start + found.index + 1, found[1]!);
}

/** The same for code that puts components on pages; gives back whether it does. */
export function openMounted(component: ComponentFacts, text: string): boolean {
  let mounts = false;
  for (const found of text.matchAll(OPENED)) {
    const name = nameIn(found);
    const index = add(component, found.index + found[0].lastIndexOf(name), name);
    const called = found.index + (found[1]?.length ?? 0);
    if (!MOUNTS.test(text.slice(Math.max(0, called - 40), called))) continue;
    mounts = true;
    const node = component.render[index]!;
    node.mounted = { start: node.start, end: node.end };
    delete node.loose;
  }
  return mounts;
}

const nameIn = ([, , generic, named]: RegExpMatchArray): string => (generic ?? named)!;

function add(component: ComponentFacts, from: number, name: string): number {
  const short = shortName(name);
  const span = { start: from + name.length - short.length, end: from + name.length };
  const tag = { name: short, ...span, global: short, guess: true as const };
  const index = addNode(
    { facts: component } as RazorUnit,
    { kind: 'site', tag, loose: true, ...span },
    SETUP,
  );
  const node = component.render[index]!;
  node.parent = component.role === 'component' ? 0 : -1;
  node.attributes.push(spread(span));
  return index;
}
