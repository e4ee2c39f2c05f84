/**
 * What a reference names that somebody typed: `Name`, `path>Name`, `part/of/path>Name`, `folder/Name`, with
 * `:channel:port`, `:port` or `.port` behind it for a port; in any case of letters and with dashes as in markup, where that
 * names one thing alone.
 */
import type { Linked } from '../link';
import { bareName, distance } from '../model/names';
import { oncePerLink } from '../model/once-per';
import type { Component, FlowNode } from '../model/project';
import { componentRef, nodeRef } from '../model/refs';
import { findNodes } from './trace';

/** It names nothing, or more than one thing: references that are near, or those that it may mean. */
export interface Unfound {
  similar: string[];
  several?: true;
}

const MOST_NEAR = 5;
const MOST_SEVERAL = 20;

const named = oncePerLink((project: Linked): Component[] =>
  project.components.filter((one) => one.facts.role === 'component'),
);

/** The component that a text names. */
export function componentAt(project: Linked, text: string): Component | Unfound {
  const all = named(project);
  const exact = all.find((one) => componentRef(project, one) === text);
  if (exact) return exact;
  const found = fitting(project, all, text);
  if (found.length === 1) return found[0]!;
  if (found.length) return severalOf(found.map((one) => componentRef(project, one)));
  const wanted = nameIn(text).toLowerCase();
  return {
    similar: nearest(
      wanted,
      all.map((one) => ({ name: one.name.toLowerCase(), ref: componentRef(project, one) })),
    ),
  };
}

/** The flow nodes of the port that a text names. */
export function nodesAt(project: Linked, text: string): FlowNode[] | Unfound {
  const exact = findNodes(project, text);
  if (exact.length) return exact;
  if (!text.includes(':')) return nodesWithout(project, text);
  const [component = '', ...rest] = text.split(':');
  const name = bareName(rest.at(-1) ?? '');
  const channel = rest.length > 1 ? rest[0]!.toLowerCase() : undefined;
  if (name) {
    const owners = new Set(fitting(project, [...named(project), ...modulesOf(project)], component));
    const called = project.flow.nodes.filter(
      (node) => bareName(node.name) === name && owners.has(project.components[node.component]!),
    );
    const ofChannel = called.filter((node) => channel === undefined || node.channel === channel);
    // A callback is a prop to who wrote it, and an event here.
    const meant = ofChannel.length ? ofChannel : called.filter(({ port }) => port !== undefined);
    const refsOf = (list: FlowNode[]) => [...new Set(list.map((node) => nodeRef(project, node)))];
    // What it takes is meant rather than what is called so inside of it.
    const ports = refsOf(meant.filter(({ port }) => port !== undefined));
    const refs = ports.length === 1 ? ports : refsOf(meant);
    const [only, ...more] = refs;
    if (only !== undefined && !more.length) return findNodes(project, only);
    if (only !== undefined) return severalOf(refs);
  }
  return { similar: nearPorts(project, text) };
}

/**
 * The same for a text without a colon: `FareCard.amount`, as code would say it; a component, of which any port may be
 * meant; or a port, of whatever component.
 */
function nodesWithout(project: Linked, text: string): FlowNode[] | Unfound {
  const parts = /^(.*[^.>/])\.([^.>/]+)$/.exec(text.trim());
  if (parts) {
    const found = nodesAt(project, `${parts[1]}:${parts[2]}`);
    if (!('similar' in found) || found.several || fitting(project, named(project), parts[1]!).length)
      return found;
  }
  const own = new Set(fitting(project, named(project), text).map(({ id }) => id));
  const name = bareName(text.trim());
  const { nodes } = project.flow;
  const meant = own.size
    ? nodes.filter(({ component, port }) => port !== undefined && own.has(component))
    : nodes.filter((node) => bareName(node.name) === name);
  const refs = new Set(meant.map((node) => nodeRef(project, node)));
  const [only, ...more] = refs;
  if (only !== undefined) return more.length ? severalOf([...refs]) : findNodes(project, only);
  return { similar: nearPorts(project, parts ? `${parts[1]}:${parts[2]}` : text) };
}

const modulesOf = oncePerLink((project: Linked): Component[] =>
  project.components.filter((one) => one.facts.role !== 'component'),
);

const severalOf = (refs: string[]): Unfound => ({ similar: refs.slice(0, MOST_SEVERAL), several: true });

const nameIn = (text: string): string => text.split(/[>/]/).at(-1)!.trim();

/** Those that bear the name, and whose path holds what is written before it; the very letters win over any case. */
function fitting(project: Linked, all: Component[], text: string): Component[] {
  const name = nameIn(text);
  const path = text
    .slice(0, text.length - name.length)
    .replace(/[>/]+\s*$/, '')
    .toLowerCase();
  const fits = all.filter(
    (one) =>
      bareName(one.name) === bareName(name) && holdsPath(project.files[one.file]!.path.toLowerCase(), path),
  );
  const same = fits.filter((one) => one.name === name);
  const best = same.length ? same : fits;
  // What runs is meant rather than what stands in for it in a test.
  const own = best.filter((one) => !project.files[one.file]!.aside);
  return own.length === 1 ? own : best;
}

/** Whole parts of a path, the ending of its file aside. */
const holdsPath = (path: string, part: string): boolean =>
  part === '' ||
  `/${path}/`.includes(`/${part}/`) ||
  `/${path.replace(/\.[^/]*$/, '')}/`.includes(`/${part}/`);

function nearest(wanted: string, all: { name: string; ref: string }[]): string[] {
  return firstOf(new Map(all.map(({ name, ref }) => [ref, farFrom(name, wanted)])));
}

/** The nearest of some references, by how far each is. */
const firstOf = (scored: Map<string, number>): string[] =>
  [...scored]
    .sort((a, b) => a[1] - b[1])
    .slice(0, MOST_NEAR)
    .map(([ref]) => ref);

/** What holds the whole of the wanted name is nearer than what is spelled alike. */
const farFrom = (name: string, wanted: string): number =>
  wanted && name.includes(wanted) ? (name.length - wanted.length) / 100 : distance(name, wanted, 8);

function nearPorts(project: Linked, text: string): string[] {
  const [component = '', ...rest] = text.toLowerCase().split(':');
  const wanted = rest.at(-1) ?? '';
  const owner = nameIn(component);
  const scored = new Map<string, number>();
  for (const node of project.flow.nodes) {
    const of = project.components[node.component]!;
    if (of.facts.role === 'module' && node.channel !== 'state') continue;
    const ofOwner = farFrom(of.name.toLowerCase(), owner);
    // A single word is the one or the other.
    const far = rest.length
      ? farFrom(node.name.toLowerCase(), wanted) + ofOwner
      : Math.min(farFrom(node.name.toLowerCase(), owner), ofOwner);
    scored.set(nodeRef(project, node), far);
  }
  return firstOf(scored);
}
