/** Components that are classes of C# alone: bases of others, and those that draw by code. */
import type { FileFacts, Span } from '../../model/facts';
import { emptyFacts, fileContext } from '../script/unit';
import { addClass } from './class';
import { isKnownBase, readComponent, type Said } from './component';
import { componentName, PAGES, razorTraits, razorTypes } from './names';
import type { ClassNode } from './nodes';

/** Bases of what serves requests, keeps data or describes code. */
const OTHERS =
  /(Controller|ControllerBase|PageModel|Hub|DbContext|Exception|Attribute|Service|ViewComponent|TagHelper|Profile|Migration|Converter|Middleware)$/;
/** How bases of components are called, among others. */
const CALLED = /(Base|Component|Layout)$/;
const TOLD = /^(Parameter|CascadingParameter|Inject)$/;

/** What is drawn by code may place whatever it takes. */
const DRAWS = 'BuildRenderTree';

/** Reads those classes of a file. */
export function readComponentClasses(
  facts: FileFacts,
  path: string,
  text: string,
  classes: ClassNode[],
): void {
  const beside = path.endsWith('.razor.cs') ? componentName(path.slice(0, -'.cs'.length)) : undefined;
  for (const one of classes) {
    const isSure = isComponentClass(one);
    if (one.name === beside || !(isSure || mayBeBase(one))) continue;
    const isLayout = one.bases.some(({ name }) => name === 'LayoutComponentBase');
    const component = emptyFacts(
      one.name,
      { start: one.start, end: one.end },
      one.nameAt,
      razorTraits(isLayout),
    );
    const params = new Set(one.params);
    const said: Said = {
      pages: addresses(text, one.start),
      bases: one.bases,
      injects: [],
      params,
      limits: one.limits,
    };
    readComponent(component, fileContext(path, text, razorTypes(params)), [], one.members, said);
    // Whether it is one, those know that extend it.
    if (!isSure) component.role = 'helper';
    if (one.members.some(({ name }) => name === DRAWS)) component.openSlots = true;
    addClass(facts, one, component);
    if (!isSure) continue;
    const registers = (facts.registers ??= []);
    registers.push({ name: one.name, local: one.name, near: true });
    if (!said.pages.length) continue;
    component.routed = true;
    registers.push({ name: PAGES, local: one.name });
  }
}

/** It extends the framework's base, or another class and takes what components take. */
const isComponentClass = (one: ClassNode): boolean =>
  mayExtend(one) &&
  (isKnownBase(one.bases[0]!.name) ||
    one.members.some(({ attributes }) => attributes.some(({ name }) => TOLD.test(name))));

/** By its name or that of its base, components may extend it. */
const mayBeBase = (one: ClassNode): boolean =>
  mayExtend(one) && (CALLED.test(one.name) || CALLED.test(one.bases[0]!.name));

const mayExtend = ({ kind, bases: [base] }: ClassNode): boolean =>
  kind === 'class' && base !== undefined && !/^I[A-Z]/.test(base.name) && !OTHERS.test(base.name);

/** So far before a class its attributes are looked for. */
const BEFORE = 600;

/** `[Route("/rounds/{Day}")]` before a class. */
function addresses(text: string, start: number): Span[] {
  const from = Math.max(0, start - BEFORE);
  const before = text.slice(from, start);
  const attributes = /(?:\[(?:[^\]"]|"[^"]*")*\]\s*)+(?=(?:\w+\s+)*$)/.exec(before);
  return [...(attributes?.[0] ?? '').matchAll(/Route\("[^"\n]*"\)/g)].map((one) => {
    const at = from + attributes!.index + one.index;
    return { start: at, end: at + one[0].length };
  });
}
