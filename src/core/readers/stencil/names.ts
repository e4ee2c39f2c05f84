/** What the compiler's own exports mean to a reader. */
import type { ImportFact, Traits } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { eventWith } from '../script/page-event';
import type { NamedType } from '../script/type-expr';

/** Classes that become elements of the page. */
export const ELEMENT_TRAITS: Traits = {
  callbackProps: false,
  attributesFallThrough: false,
  handlesHold: true,
  refExposes: 'listed',
  statementHandlers: false,
  inputsWritable: false,
  contentPort: '#default',
  contextByIdentity: false,
  contextAtSetup: true,
  isElement: true,
  convertsText: true,
  updateEvent: '@*Change',
};

/** Functions that draw: what they are given is all they know. */
export const FUNCTION_TRAITS: Traits = {
  ...ELEMENT_TRAITS,
  callbackProps: true,
  refExposes: 'nothing',
  contentPort: 'children',
  isElement: false,
  convertsText: false,
};

export type StencilNames = (local: string) => string | undefined;

export function stencilNames(imports: ImportFact[]): StencilNames {
  const named = new Map<string, string>();
  for (const { from, name, local } of imports) if (/^@stencil\/core(\/|$)/.test(from)) named.set(local, name);
  return (local) => named.get(local);
}

export const usesStencil = (_path: string, text: string): boolean => /from\s*['"]@stencil\/core/.test(text);

/** `onGaugeRead` listens for `gaugeRead`. */
export const eventOf = (attribute: string): string | undefined => {
  const [, first, rest] = /^on([A-Z])(.*)$/.exec(attribute) ?? [];
  return first === undefined ? undefined : `@${first.toLowerCase()}${rest!}`;
};

export function stencilTypes(names: StencilNames): NamedType {
  return (name, args) => {
    if (name === 'CustomEvent') return eventWith(args()[0] ?? UNKNOWN);
    if (name === 'JSX.Element' || names(name) === 'VNode') return { t: 'content' };
    const own = names(name);
    return own === undefined ? undefined : UNKNOWN;
  };
}
