/** What markup that finds components by selectors binds on elements of the page. */
import type { Linked } from '../../link';
import { isElementProperty } from '../../model/element-members';
import type { AttributeFact, RenderFact } from '../../model/facts';
import { isAlwaysKnown, nearest, publicName } from '../../model/names';
import { isPageTag } from '../../model/page-names';
import type { Component } from '../../model/project';
import { placeOf, step, type Report } from '../rule';

/** Whether an element may have a property of a name; of elements that the page does not know itself, nobody knows. */
export const mayHave = ({ tag, kind }: RenderFact, name: string): boolean =>
  kind === 'group' || !tag || !isPageTag(tag.name) || isElementProperty(name);

/** Bindings that neither the element has nor anything that may stand on it takes, where nothing stands on it. */
export function* boundToNothing(project: Linked, component: Component): Iterable<Report> {
  const { facts, markup, siteAt } = component;
  if (!markup || markup.open) return;
  for (const [index, node] of facts.render.entries()) {
    if (node.kind !== 'element' || siteAt.get(index)?.length) continue;
    for (const attribute of node.attributes) {
      const { name, mode, plain, value } = attribute;
      if (!/^(value|two-way)$/.test(mode) || plain || mayHave(node, name)) continue;
      if (markup.taken.has(name) || isAlwaysKnown(name) || value.kind === 'content') continue;
      yield reportOf(project, component, node, attribute);
    }
  }
}

function reportOf(
  project: Linked,
  component: Component,
  { tag }: RenderFact,
  { name, nameStart, nameEnd }: AttributeFact,
): Report {
  const { file, markup } = component;
  const place = placeOf(file, { start: nameStart, end: nameEnd });
  const attached = (list: Component[]) => list.filter((one) => one.facts.attached);
  const home = attached(project.components).find((one) => one.ports.has(name));
  const names = home ? [] : attached(markup!.components).flatMap((one) => [...one.ports.keys()]);
  const near = nearest(name, names);
  const hint = home
    ? `; ${home.name} in ${project.files[home.file]!.path} does, and does not stand there.`
    : near
      ? `. Did you mean "${near}"?`
      : '.';
  return {
    component,
    port: { channel: 'prop', name },
    place,
    nodes: [],
    message: `${component.name} binds "${publicName(name)}" on <${tag!.name}>, which neither has nor carries anything that takes it${hint}`,
    trail: [
      step(component, place, name, 'is bound', 'start'),
      step(component, placeOf(file, tag!), name, 'is not taken', 'drop'),
    ],
    ...(near ? { suggestion: near, edit: { place, text: publicName(near) } } : {}),
  };
}
