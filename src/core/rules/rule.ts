/** What a rule is, and what it may use. */
import type { Linked } from '../link';
import type { Span } from '../model/facts';
import type { Finding, Level, Role, Step } from '../model/finding';
import { groupBy } from '../model/group-by';
import { publicName, publicText } from '../model/names';
import { hashText } from '../model/hash';
import { oncePer } from '../model/once-per';
import type { Component, Flow, FlowEdge, Place, Port, Site } from '../model/project';
import { componentRef, portRef } from '../model/refs';

export interface Settings {
  drillDepth: number;
  /** Names of components that start trees. */
  roots?: string[];
  /** Whether a file, by its path, lies beside the app; tests, specs, stories and mocks by their usual names, if absent. */
  beside?: (path: string) => boolean;
  /** Levels by rule, where they differ from the catalogue; `off` switches a rule off. */
  rules: Record<string, Level | 'off'>;
}

export const DEFAULT_SETTINGS: Settings = { drillDepth: 2, rules: {} };

export interface Rule {
  name: string;
  level: Level;
  /** One sentence for lists of rules. */
  summary: string;
  check(audit: RuleContext): void;
}

export interface Report {
  component: Component;
  /** Channel and name of the subject. */
  port:
    | Pick<Port, 'channel' | 'name'>
    | { channel: 'state' | 'local' | 'context' | 'ref' | 'portal'; name: string };
  place: Place;
  message: string;
  trail: Step[];
  nodes?: number[];
  site?: number;
  level?: Level;
  suggestion?: string;
  edit?: Finding['edit'];
}

/** What rules share in one audit: the project, the settings, and what more specific rules have taken over. */
export interface RuleContext {
  project: Linked;
  settings: Settings;
  report(report: Report): void;
  /** Takes a place or port over, so that less specific rules stay silent about it. */
  claim(key: string): void;
  claimed(key: string): boolean;
}

export function ruleContext(
  project: Linked,
  settings: Settings,
  rule: () => Rule,
  out: Finding[],
): RuleContext {
  const claims = new Set<string>();
  const copies = new Set<string>();
  const told = new Map<string, number>();
  return {
    project,
    settings,
    claim: (key) => void claims.add(key),
    claimed: (key) => claims.has(key),
    report({ component, port, place, message, trail, nodes, site, level, suggestion, edit }) {
      const { name, level: usual } = rule();
      const set = settings.rules[name];
      if (set === 'off') return;
      if (component.facts.copy) {
        // Code that stands for several components is at fault once.
        const key = `${name}:${place.file}:${place.start}:${port.name}`;
        if (copies.has(key)) return;
        copies.add(key);
      }
      const subject = portRef(project, component, port.channel, port.name);
      // Without lines, which move. What is said of several places alike is told apart by its number.
      const identity = [name, subject, ...trail.map((step) => `${step.component}:${step.name}`)].join('\n');
      const times = (told.get(identity) ?? 0) + 1;
      told.set(identity, times);
      out.push({
        rule: name,
        level: project.files[place.file]!.beside ? 'note' : (set ?? level ?? usual),
        message: publicText(message),
        place,
        subject,
        component: componentRef(project, component),
        trail,
        nodes: nodes ?? nodesOf(project, component, port),
        site: site ?? -1,
        ...(suggestion === undefined ? {} : { suggestion: publicName(suggestion) }),
        ...(edit ? { edit: { ...edit, text: publicName(edit.text) } } : {}),
        ...(project.files[place.file]!.beside ? { beside: true as const } : {}),
        fingerprint: hashText(times === 1 ? identity : `${identity}\n${times}`),
      });
    },
  };
}

const nodesByComponent = oncePer(({ nodes }: Flow) => groupBy(nodes, (node) => node.component));

/** The nodes of the flow graph that a subject names. */
function nodesOf(project: Linked, component: Component, { channel, name }: Report['port']): number[] {
  const port = component.ports.get(name);
  if (port?.channel === channel) return [port.node];
  if (channel !== 'context' && channel !== 'state') return [];
  const own = nodesByComponent(project.flow).get(component.id) ?? [];
  return own.filter((node) => node.channel === channel && node.name === name).map((node) => node.id);
}

export const placeOf = (file: number, span: Span): Place => ({ file, start: span.start, end: span.end });

export const namePlace = (component: Component): Place => ({
  file: component.file,
  start: component.facts.nameStart,
  end: component.facts.nameEnd,
});

export const step = (component: Component, place: Place, name: string, what: string, role: Role): Step => ({
  place,
  component: component.name,
  name: publicName(name),
  what: publicText(what),
  role,
});

export const unfilledKey = (port: Port): string => `unfilled:${port.node}`;
export const portKey = (port: Port): string => `port:${port.node}`;
export const attributeKey = (site: Site, name: string): string => `attribute:${site.id}:${name}`;

/** What the project has under a name, and the markup that uses the name does not. */
export const outOfItsScope = ({ files }: Linked, { file, name }: Component): string =>
  `which ${files[file]!.path} declares as ${name}, and which is not brought into its scope`;

/** Where the tag of a call site is written. */
export const tagPlace = (site: Site): Place => placeOf(site.file, site.fact.tag ?? site.fact);

export const attributePlace = (site: Site, attribute: { nameStart: number; nameEnd: number }): Place => ({
  file: site.file,
  start: attribute.nameStart,
  end: attribute.nameEnd,
});

/** An edge over a call site that is written: of what is handed in, nobody sees all that may come. */
export const isJudged = ({ written }: Linked, { site }: FlowEdge): boolean => site < written.length;
