/**
 * A project as a sheet: its components with their interfaces, the tree of their instances, and the ways of values between
 * them. What code does inside of a component is told by what goes in and what comes out of it.
 */
import type { Linked } from '../../link';
import type { Component, FlowNode, Port } from '../../model/project';
import type { Sheet, SheetInstance, SheetValue } from '../../readers/sheet/schema';
import { rootsOf } from '../../trace/roots';
import { SheetActions } from './actions';
import { SheetComponents } from './component';
import { isStage, SheetNames } from './names';
import { Remotes } from './remote';
import { SheetTrees } from './tree';
import { sheetType, typeOfSymbol } from './types';
import { flat, literal, SheetValues } from './values';

export interface WrittenSheet {
  sheet: Sheet;
  names: SheetNames;
}

/** Writes a project as a sheet named `title`; `names` says what its parts are called there. */
export function sheetOf(project: Linked, title: string): WrittenSheet {
  const names = new SheetNames(project);
  const values = new SheetValues(project, names);
  const actions = new SheetActions(names, values, new Remotes(project, names));
  const trees = new SheetTrees(project, names, values, actions);
  const writer = new SheetComponents(project, names, values, actions, trees);
  const components: Sheet['components'] = {};
  for (const one of project.components) {
    const name = names.components.get(one.id);
    if (name !== undefined) components[name] = writer.of(one);
  }
  const shared = sharedOf(project, names, values);
  const provides = providedForAll(project, names, values);
  const roots = rootsIn(project, names);
  return {
    names,
    sheet: {
      sheet: title,
      ...(roots.length ? { roots } : {}),
      ...(Object.keys(shared).length ? { shared } : {}),
      ...(Object.keys(provides).length ? { provides } : {}),
      components,
    },
  };
}

/**
 * Where trees start: loose code that provides for what it draws stands above that. What a root needs it gets from where
 * nobody sees.
 */
function rootsIn(project: Linked, names: SheetNames): NonNullable<Sheet['roots']> {
  const stages = project.components.filter((one) => isStage(project, one));
  const drawn = new Set(stages.flatMap((one) => one.sites.map((id) => project.sites[id]!.target)));
  const roots = [...stages, ...rootsOf(project, true).filter((one) => !drawn.has(one.id) && isUsed(one))];
  return roots.flatMap((one) => {
    const use = names.components.get(one.id);
    return use === undefined ? [] : [rootOf(project, names, one, use)];
  });
}

function rootOf(
  { types }: Linked,
  names: SheetNames,
  { ports }: Component,
  use: string,
): NonNullable<Sheet['roots']>[number] {
  const needed = [...ports.values()].filter((one) => one.required);
  if (!needed.length) return use;
  const record = <T>(channel: Port['channel'], value: (port: Port) => T): Record<string, T> =>
    Object.fromEntries(
      needed.flatMap((one) => (one.channel === channel ? [[names.of(one.node)!.name, value(one)]] : [])),
    );
  const given: SheetInstance = {
    use,
    with: record('prop', (one) => ({ some: sheetType(types, one.type) })),
    on: record('event', () => []),
    fill: record('slot', () => []),
  };
  for (const key of ['with', 'on', 'fill'] as const) if (!Object.keys(given[key]!).length) delete given[key];
  return given;
}

const isUsed = ({ used, calledAt, handedAt }: Component): boolean =>
  used || calledAt.length > 0 || handedAt.length > 0;

/** What modules and single helpers keep is the sheet's own. */
function sharedOf(project: Linked, names: SheetNames, values: SheetValues): NonNullable<Sheet['shared']> {
  const { flow, components } = project;
  const found: NonNullable<Sheet['shared']> = {};
  for (const { id, component, symbol } of flow.nodes) {
    const named = names.of(id);
    if (named?.owner !== undefined || (named?.kind !== 'state' && named?.kind !== 'derived')) continue;
    const edges = flow.into[id]!.map((index) => flow.edges[index]!).filter((one) => one.site < 0);
    const value = values.of(edges, undefined, new Map());
    const code = components[component]!;
    const type = typeOfSymbol(project.types, code, symbol);
    if (named.kind === 'derived') {
      found[named.name] = { from: value === undefined ? [{ some: 'any' }] : flat([value]), ...type };
      continue;
    }
    const init = code.facts.symbols[symbol]?.init?.type;
    const written = init?.t === 'lit' && init.v !== undefined ? literal(init.v) : undefined;
    const starts = value ?? written;
    found[named.name] = { ...type, ...(starts === undefined ? {} : { starts }) };
  }
  return found;
}

/** What loose code provides, and does not only to what it draws. */
function providedForAll(project: Linked, names: SheetNames, values: SheetValues): Record<string, SheetValue> {
  const isLoose = ({ id, component }: FlowNode) =>
    names.of(id)?.kind === 'provided' && !names.components.has(component);
  return values.provided(project.flow.nodes.filter(isLoose), undefined);
}
