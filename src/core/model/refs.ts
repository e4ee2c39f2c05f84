/** Port references: `Component:channel:name`, with the file in front where two components share a name. */
import { publicName } from './names';
import type { Channel } from './facts';
import type { Component, FlowNode, Project } from './project';

const shared = new WeakMap<Project, Set<string>>();

function sharedNames(project: Project): Set<string> {
  let names = shared.get(project);
  if (names) return names;
  const seen = new Set<string>();
  names = new Set();
  for (const component of project.components) {
    if (component.facts.role === 'module') continue;
    if (seen.has(component.name)) names.add(component.name);
    seen.add(component.name);
  }
  shared.set(project, names);
  return names;
}

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
