/** One call site: owner and child face to face, one row per port. */
import type { JointRow, JointView } from '../../api/component-schemas';
import type { AuditResult } from '../../core/audit';
import type { Finding } from '../../core/model/finding';
import type { Component, Site } from '../../core/model/project';
import { componentRef, portRef } from '../../core/model/refs';
import type { TextOf } from '../../core/report/places';
import { silencesAt } from '../../core/report/silences';
import { showType } from '../../core/types/show';
import { componentAt, type Unfound } from '../../core/trace/references';
import {
  conditionOf,
  desk,
  findingsAbout,
  joinOf,
  portView,
  shown,
  strayAt,
  straysOf,
  type Desk,
} from './joins';

/** The `at`th call site of the component that a reference names; undefined if it has no so many. */
export function jointView(
  result: AuditResult,
  textOf: TextOf,
  wanted: string,
  at: number,
): JointView | Unfound | undefined {
  const { project } = result;
  const child = componentAt(project, wanted);
  if ('similar' in child) return child;
  const ref = componentRef(project, child);
  const id = child.calledAt[at];
  if (id === undefined) return undefined;
  const site = project.sites[id]!;
  const owner = project.components[site.owner]!;
  const table = desk(result, textOf);
  const nameSpot = (one: Component) =>
    table.places.spot({ file: one.file, start: one.facts.nameStart, end: one.facts.nameEnd });
  const { each } = site.fact;
  const when = conditionOf(table, site);
  return {
    child: { ref, name: child.name, spot: nameSpot(child) },
    owner: { ref: componentRef(project, owner), name: owner.name, spot: nameSpot(owner) },
    site: table.places.spot({ file: site.file, start: site.fact.start, end: site.fact.end }),
    at,
    count: child.calledAt.length,
    ...(when ? { when } : {}),
    ...(each ? { each: table.text({ file: site.file, ...each }) } : {}),
    silences: silencesAt(project, child, [site]),
    rows: [
      ...portRows(table, site, child),
      ...strayRows(table, site, child),
      ...acrossRows(table, site, child),
    ],
  };
}

const prints = (findings: Finding[]): string[] => findings.map(({ fingerprint }) => fingerprint);

function portRows(table: Desk, site: Site, child: Component): JointRow[] {
  const handed = table.result.project.handed(site);
  const order = { slot: 1, prop: 0, event: 2 };
  return [...child.ports.values()]
    .sort((a, b) => order[a.channel] - order[b.channel])
    .map((port): JointRow => {
      const { text, type, how } = joinOf(table, site, port);
      const view = portView(table, child, port);
      const attribute = handed.attributes.get(port.name);
      const spot =
        attribute && table.places.spot({ file: site.file, start: attribute.start, end: attribute.end });
      return {
        name: port.name,
        channel: port.channel,
        direction: port.channel === 'event' ? 'up' : 'down',
        how,
        owner: { text, type, ...(spot ? { spot } : {}) },
        child: {
          type: view.type,
          required: port.required,
          ...(view.default === undefined ? {} : { default: view.default }),
          does: view.does,
          spots: [view.spot, ...view.places],
        },
        ref: view.ref,
        findings: prints(findingsAbout(table, site, child, port.name)),
      };
    });
}

/** What the owner writes and the child does not ask for. */
function strayRows(table: Desk, site: Site, child: Component): JointRow[] {
  const { project } = table.result;
  const owner = project.components[site.owner]!;
  const taken = [...child.ports.values()]
    .filter(({ declared, place }) => declared && place.file === child.file)
    .map(({ place }) => table.places.spot(place));
  return straysOf(site, child).map((attribute): JointRow => {
    const channel = /^(on[A-Z]|@)/.test(attribute.name) ? 'event' : 'prop';
    const how = strayAt(table, site, child, attribute.name);
    return {
      name: attribute.name,
      channel,
      direction: channel === 'event' ? 'up' : 'down',
      how,
      owner: {
        text: shown(table, site, attribute),
        type: showType(attribute.value.type),
        spot: table.places.spot({ file: site.file, start: attribute.start, end: attribute.end }),
      },
      child: {
        type: '',
        required: false,
        does: how === 'not taken' ? 'does not take it' : 'may take it',
        // What it takes instead.
        spots: how === 'not taken' ? taken : [],
      },
      ref: portRef(project, owner, 'prop', attribute.name),
      findings: prints(findingsAbout(table, site, child, attribute.name)),
    };
  });
}

/** Contexts that the child reads over the owner's head, and the handle that the owner keeps. */
function acrossRows(table: Desk, site: Site, child: Component): JointRow[] {
  const { project, findings } = table.result;
  const owner = project.components[site.owner]!;
  const contexts = project.contexts;
  const consumed = contexts.consumers
    .filter((one) => one.component === child.id)
    .map((one): JointRow => {
      const ref = `${componentRef(project, child)}:context:${one.key.name}`;
      const all = contexts.providers
        .filter((provider) => provider.key === one.key && contexts.below(provider).components.has(child.id))
        .map((provider) => project.components[provider.component]!);
      // Tests provide in place of the app: they are told where nobody else does.
      const own = all.filter(({ file }) => !project.files[file]!.aside);
      const givers = (own.length ? own : all).map(({ name }) => name);
      const goesOn = one.missing === 'handled' || contexts.hasDefault(one.key);
      const bare = !givers.length && !goesOn;
      return {
        name: one.key.name,
        channel: 'context',
        direction: 'across',
        how: bare ? 'missing' : givers.length ? 'joined' : 'default',
        owner: { text: givers.length ? `provided by ${[...new Set(givers)].join(', ')}` : '', type: '' },
        child: {
          type: showType(one.key.value.type),
          required: !goesOn,
          does: 'consumes it',
          spots: [table.places.spot(one.place)],
        },
        ref,
        findings: prints(findings.filter((finding) => finding.subject === ref)),
      };
    });
  const handles = site.fact.attributes
    .filter((one) => one.mode === 'ref')
    .map((one): JointRow => {
      const exposes = child.facts.exposes?.[0];
      return {
        name: 'ref',
        channel: 'ref',
        direction: 'across',
        how: child.facts.traits.refExposes === 'nothing' && !child.ports.has('ref') ? 'not taken' : 'joined',
        owner: {
          text: shown(table, site, one),
          type: '',
          spot: table.places.spot({ file: site.file, start: one.start, end: one.end }),
        },
        child: {
          type: '',
          required: false,
          does: exposes
            ? `exposes ${exposes.members.map((member) => member.name).join(', ') || 'nothing'}`
            : 'exposes nothing of its own',
          spots: (exposes?.members ?? []).map((member) =>
            table.places.spot({ file: child.file, ...span(member) }),
          ),
        },
        ref: portRef(project, owner, 'ref', shown(table, site, one)),
        findings: prints(
          findings.filter((finding) => finding.rule.startsWith('ref/') && finding.site === site.id),
        ),
      };
    });
  return [...consumed, ...handles];
}

const span = ({ start, end }: { start: number; end: number }) => ({ start, end });
