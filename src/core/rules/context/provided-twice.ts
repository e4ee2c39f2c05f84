/** Providers that stand below another of the same key. */
import type { Linked } from '../../link';
import type { Contexts, Provider } from '../../link/5-contexts/context-types';
import { isEverywhere } from '../../link/5-contexts/coverage';
import type { Component } from '../../model/project';

export interface ProvidedTwice {
  inner: Provider;
  outer: Provider;
  /** The components that provide. */
  owner: Component;
  above: Component;
}

/** Every such provider with the first one above it that counts. */
export function* providedTwice(
  project: Linked,
  counts: (outer: Provider, inner: Provider) => boolean,
): Iterable<ProvidedTwice> {
  const contexts = project.contexts;
  for (const inner of contexts.providers) {
    const owner = project.components[inner.component]!;
    if (owner.facts.role !== 'component' || project.files[owner.file]!.aside) continue;
    if (inner.implicit || inner.many || !contexts.isBelowProvider(inner.component, inner.node, inner.key))
      continue;
    const outer = contexts.providers.find(
      (one) =>
        one.key === inner.key &&
        one !== inner &&
        !one.implicit &&
        counts(one, inner) &&
        isAbove(contexts, project, one, inner),
    );
    if (outer) yield { inner, outer, owner, above: project.components[outer.component]! };
  }
}

/** Whether a key is one text that two files write, each for itself. */
export const isWrittenTwice = (outer: Provider, inner: Provider): boolean =>
  inner.key.value.key !== undefined && fileOf(outer) !== fileOf(inner);

const fileOf = ({ writtenIn, place }: Provider): number => writtenIn ?? place.file;

/** Whether the inner provider is rendered below the outer one, in the same render or further down. */
function isAbove(contexts: Contexts, project: Linked, outer: Provider, inner: Provider): boolean {
  if (outer.component === inner.component) {
    const { render } = project.components[inner.component]!.facts;
    for (let at = render[inner.node]!.parent; at >= 0; at = render[at]!.parent)
      if (at === outer.node) return true;
  }
  return isEverywhere(project, outer) || contexts.below(outer).components.has(inner.component);
}
