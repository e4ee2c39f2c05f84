/** Port references: `Component:channel:name`, with the file in front where two components share a name. */
import { publicName } from './names';
import { oncePerLink } from './once-per';
import type { Channel } from './facts';
import type { Component, FlowNode, Project } from './project';

const sharedNames = oncePerLink((project: Project): Set<string> => {
  const seen = new Set<string>();
  const names = new Set<string>();
  for (const component of project.components) {
    const { role, single } = component.facts;
    // What a helper keeps is its caller's, so that it is never referred to.
    if (role === 'module' || (role === 'helper' && !single)) continue;
    if (seen.has(component.name)) names.add(component.name);
    seen.add(component.name);
  }
  return names;
});

/** A component's name, with its file where the name alone is not enough; a module's is that of its file. */
export function componentRef(project: Project, component: Component): string {
  return component.facts.role === 'module' || sharedNames(project).has(component.name)
    ? `${project.files[component.file]!.path}>${component.name}`
    : component.name;
}

export function portRef(project: Project, component: Component, channel: Channel, name: string): string {
  return `${componentRef(project, component)}:${channel}:${publicName(name)}`;
}

export function nodeRef(project: Project, node: FlowNode): string {
  return portRef(project, project.components[node.component]!, node.channel, node.name);
}
