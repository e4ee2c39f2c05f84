import type { Linked } from '../../link';
import { isUnregistered } from '../../link/1-files/apps';
import { nearest } from '../../model/names';
import type { Component } from '../../model/project';
import { outOfItsScope, placeOf, step, type Rule } from '../rule';

export const unresolved: Rule = {
  name: 'component/unresolved',
  level: 'error',
  summary: 'A tag names a component that is neither imported, registered nor declared.',
  check({ project, report }) {
    for (const component of project.components) {
      const file = project.files[component.file]!;
      // A plain script shares its names with others on the page.
      if (!file.facts.imports.length && !file.facts.exports.length) continue;
      for (const [index, node] of component.facts.render.entries()) {
        const { tag } = node;
        if (node.kind !== 'site' || !tag || tag.guess || tag.name === '') continue;
        const problem = component.markup
          ? outOfScope(project, component, index)
          : tag.unbound
            ? unbound(project, component, tag.name)
            : (absent(project, component, tag.name) ?? unregistered(project, component, index));
        if (!problem) continue;
        const place = placeOf(component.file, tag);
        report({
          component,
          port: { channel: 'local', name: tag.name },
          place,
          message: `${component.name} renders ${tag.name}, ${problem.why}.${problem.near ? ` Did you mean ${problem.near}?` : ''}`,
          trail: [step(component, place, tag.name, 'is rendered, and nothing bears the name', 'drop')],
          ...(problem.near ? { suggestion: problem.near } : {}),
        });
      }
    }
  },
};

interface Unresolved {
  why: string;
  near: string | undefined;
}

/** A tag that nothing in the scope of the markup stands on, and that is no element of the page. */
function outOfScope(project: Linked, component: Component, node: number): Unresolved | undefined {
  const { markup, siteAt, facts } = component;
  const { name } = facts.render[node]!.tag!;
  // What may stand on any tag does not make an element of one.
  const makes = ({ facts: { attached, selectors = [] } }: Component): boolean =>
    !attached || selectors.some(({ tag }) => tag === name);
  const isMade = siteAt.get(node)?.some((id) => makes(project.components[project.sites[id]!.target]!));
  if (markup!.open || (markup!.custom && name.includes('-')) || markup!.taken.has(`<${name}`) || isMade)
    return undefined;
  const tags = (one: Component) => (one.facts.selectors ?? []).flatMap(({ tag }) => tag ?? []);
  const home = project.components.find((one) => tags(one).includes(name));
  if (home) return { why: outOfItsScope(project, home), near: undefined };
  return {
    why: 'on which no component in its scope stands',
    near: nearest(name, markup!.components.flatMap(tags)),
  };
}

function unbound(project: Linked, component: Component, name: string): Unresolved {
  const { facts } = project.files[component.file]!;
  const inSight = [...facts.imports.map((one) => one.local), ...facts.values.map((one) => one.name)];
  const near = nearest(
    name,
    inSight.filter((one) => /^[A-Z]/.test(one)),
  );
  return { why: 'which is neither imported nor declared', near };
}

/** A tag that is found by a name which nothing in the app registers. */
function unregistered(project: Linked, component: Component, node: number): Unresolved | undefined {
  const { file, facts, siteAt } = component;
  const { tag } = facts.render[node]!;
  const name = tag!.global;
  if (name === undefined || tag!.choices || siteAt.get(node)?.length) return undefined;
  // What is written in small letters may be an element that the page defines.
  if (!/^[A-Z]/.test(tag!.name) || project.lookup(file, tag!.name).kind !== 'unbound') return undefined;
  if (facts.role !== 'component' || facts.scope?.open || component.openBase) return undefined;
  if (!isUnregistered(project, file, name, tag!.space)) return undefined;
  return {
    why: 'which is neither imported nor registered',
    near: nearest(
      name,
      project.components.map((one) => one.name),
    ),
  };
}

function absent(project: Linked, component: Component, name: string): Unresolved | undefined {
  const target = project.lookup(component.file, name);
  if (target.kind !== 'absent') return undefined;
  const path = project.files[target.file]!.path;
  return {
    why: `but ${path} exports no "${target.name}"`,
    near: nearest(target.name, project.names.exportsOf(target.file)),
  };
}
