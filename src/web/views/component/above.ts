/** What stands above a component, in layers by how far away it is; where a layer has many, those of one folder are one box. */
import type { AboveView } from '../../../api/component-schemas';
import { groupBy } from '../../parts/group-by';
import { type Box, boxText, layered, type Layered, type Link } from '../../parts/layers';

/** What is further away than this stands together. */
const FARTHEST = 7;
/** More boxes than this are folded. */
const MANY = 8;
/** So many of one folder are folded into one box. */
const LEAST = 3;

export interface AboveNode {
  id: number;
  label: string;
  /** Of a box that stands for several: what opens it. */
  key?: string;
  /** Components that the box stands for. */
  of: AboveView['nodes'];
  provides: string[];
}

export type AboveBox = Box<AboveNode>;

export interface AboveLink extends Link {
  times: number;
  without: string[];
}

type Part = AboveView['nodes'][number];

/** Components that are drawn as one box. */
interface Group {
  of: Part[];
  /** The folder that they share, where there are several. */
  folder?: string;
}

/** Sets out what stands above; `opened` has the keys of boxes whose components are shown. */
export function aboveLayers(view: AboveView, opened: ReadonlySet<string>): Layered<AboveNode, AboveLink> {
  const [self] = view.nodes;
  const shown = view.nodes.filter((one) => !one.aside || one === self || self?.aside);
  const steps = stepsOf(view);
  const last = Math.max(0, ...shown.map((one) => steps.get(one.id)!));
  const bare = new Set(view.links.filter((one) => one.without.length).flatMap(({ from, to }) => [from, to]));
  const boxes = [...groupBy(shown, (one) => steps.get(one.id)!)].flatMap(([step, layer]) => {
    // What tells something is never folded.
    const telling = layer.filter((one) => bare.has(one.id) || one.provides.length > 0);
    const rest = layer.filter((one) => !telling.includes(one));
    return [
      ...telling.map((one): Group => ({ of: [one] })),
      ...folded(rest, (folder) => opened.has(`${step} ${folder}`)),
    ].map((group) => ({ ...group, step }));
  });
  const boxOf = new Map(boxes.flatMap(({ of }) => of.map((one) => [one.id, of[0]!.id] as const)));
  const links = new Map<string, AboveLink>();
  for (const { from, to, times, without } of view.links) {
    const ends = { from: boxOf.get(from), to: boxOf.get(to) };
    if (ends.from === undefined || ends.to === undefined) continue;
    const key = `${ends.from} ${ends.to}`;
    const known = links.get(key) ?? { from: ends.from, to: ends.to, times: 0, without: [] };
    links.set(key, {
      ...known,
      times: known.times + times,
      without: [...new Set([...known.without, ...without])],
    });
  }
  const nodes = boxes.map(({ of, folder, step }): AboveNode => {
    const [first] = of;
    return {
      id: first!.id,
      label: boxText(folder === undefined ? first!.name : `${of.length} in ${nameOf(folder)}`),
      ...(folder === undefined ? {} : { key: `${step} ${folder}` }),
      of,
      provides: first!.provides,
    };
  });
  return layered(nodes, [...links.values()], ({ id }) => last - steps.get(id)!);
}

/** The last part of a path, without the ending of a file. */
const nameOf = (path: string): string =>
  path
    .split('/')
    .at(-1)!
    .replace(/\.[^.]*$/, '');

/** Many as few boxes, by the deepest folders that give no more than can be read; opened ones are folded in themselves. */
function folded(list: Part[], isOpen: (folder: string) => boolean): Group[] {
  if (list.length <= MANY) return list.map((one) => ({ of: [one] }));
  const at = (depth: number) => groupBy(list, ({ file }) => file.split('/').slice(0, depth).join('/'));
  const deepest = Math.max(...list.map(({ file }) => file.split('/').length));
  let depth = 1;
  // What all share tells nothing.
  while (depth < deepest && at(depth).size === 1) depth++;
  while (depth < deepest && at(depth + 1).size <= MANY) depth++;
  const groups = at(depth);
  return [...groups].flatMap(([folder, of]): Group[] => {
    if (of.length < LEAST) return of.map((one) => ({ of: [one] }));
    if (!isOpen(folder)) return [{ of, folder }];
    return groups.size > 1 ? folded(of, isOpen) : of.map((one) => ({ of: [one] }));
  });
}

/** How many steps each is away on its longest way down. */
function stepsOf({ nodes, links }: AboveView): Map<number, number> {
  const below = groupBy(links, (one) => one.from);
  const steps = new Map<number, number>(nodes[0] ? [[nodes[0].id, 0]] : []);
  const open = new Set<number>();
  const visit = (id: number): number => {
    const known = steps.get(id);
    if (known !== undefined) return known;
    // A circle is entered where it is first met.
    if (open.has(id)) return 0;
    open.add(id);
    const found = Math.min(
      FARTHEST,
      1 + Math.max(0, ...(below.get(id) ?? []).map(({ to }) => (to === id ? 0 : visit(to)))),
    );
    open.delete(id);
    steps.set(id, found);
    return found;
  };
  for (const { id } of nodes) visit(id);
  return steps;
}

/** The names on a path from where trees start down to the component, along which nobody provides a key. */
export function barePath({ nodes, links }: AboveView, key: string): string[] {
  const names = new Map(nodes.map((one) => [one.id, one.name]));
  const into = new Map(links.filter((one) => one.without.includes(key)).map((one) => [one.to, one.from]));
  const path: string[] = [];
  const seen = new Set<number>();
  for (let at = nodes[0]?.id; at !== undefined && !seen.has(at); at = into.get(at)) {
    seen.add(at);
    path.unshift(names.get(at)!);
  }
  return path.length > 1 ? path : [];
}
