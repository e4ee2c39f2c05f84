/** What markup that finds components by selectors binds on elements of the page. */
import type { Linked } from '../../link';
import { isAlwaysKnown } from '../../link/use-of-ports';
import { isElementProperty } from '../../model/element-members';
import type { RenderFact } from '../../model/facts';
import { nearest, publicName } from '../../model/names';
import { isPageTag } from '../../model/page-names';
import type { Component } from '../../model/project';
import { placeOf, step, type Report } from '../rule';

/** Whether an element may have a property of a name; of elements that the page does not know itself, nobody knows. */
export const mayHave = ({ tag, kind }: RenderFact, name: string): boolean =>
  kind === 'group' || !tag || !isPageTag(tag.name) || isElementProperty(name);

/** Bindings that neither the element has nor anything that may stand on it takes, where nothing stands on it. */
export function boundToNothing(project: Linked, component: Component): Report[] {
  const { facts, markup, siteAt, file } = component;
  if (!markup || markup.open) return [];
  return facts.render.flatMap((node, index) =>
    node.kind !== 'element' || siteAt.get(index)?.length
      ? []
      : node.attributes.flatMap((one): Report[] => {
          const { name, mode, plain, nameStart: start, nameEnd: end } = one;
          if (!/^(value|two-way)$/.test(mode) || plain || mayHave(node, name)) return [];
          if (markup.taken.has(name) || isAlwaysKnown(name) || one.value.kind === 'content') return [];
          const place = placeOf(file, { start, end });
          const takes = (other: Component) => other.facts.attached === true && other.ports.has(name);
          const home = project.components.find(takes);
          const near = home
            ? undefined
            : nearest(
                name,
                markup.components.flatMap((other) => (other.facts.attached ? [...other.ports.keys()] : [])),
              );
          const why = home
            ? `; ${home.name} in ${project.files[home.file]!.path} does, and does not stand there.`
            : near
              ? `. Did you mean "${near}"?`
              : '';
          return [
            {
              component,
              port: { channel: 'prop', name },
              place,
              nodes: [],
              message: `${component.name} binds "${publicName(name)}" on <${node.tag!.name}>, which neither has nor carries anything that takes it${why || '.'}`,
              trail: [
                step(component, place, name, 'is bound', 'start'),
                step(component, placeOf(file, node.tag!), name, 'is not taken', 'drop'),
              ],
              ...(near ? { suggestion: near, edit: { place, text: publicName(near) } } : {}),
            },
          ];
        }),
  );
}
