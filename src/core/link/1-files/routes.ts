/**
 * Pages of routers that go by folders: a page is drawn where the layouts around its folder place their content. Nobody
 * writes that call site, so it is added to the layout's facts.
 */
import type { ComponentFacts, FileFacts, RenderFact } from '../../model/facts';
import type { Site } from '../../model/project';
import { languageByName } from '../../readers/languages';
import { dirname, pathTo } from '../../model/paths';

/** What a file is to such a router, and the folder whose layout it chooses. */
function routed(path: string): { kind: string; chosen: string | undefined } | undefined {
  const [, kind, chosen] = languageByName(path)?.nested?.exec(path) ?? [];
  return kind === undefined ? undefined : { kind, chosen };
}

/** What a page is called in its layout. */
const PAGE = '#page';

/** The call site is one that a router makes. */
export const isRouted = (site: Site): boolean => site.fact.tag?.name.startsWith(PAGE) === true;

/** Facts in which every layout renders the pages and the layouts below it. */
export function withRoutes(files: FileFacts[]): FileFacts[] {
  const layouts = new Map(
    files.filter(({ path }) => routed(path)?.kind === 'layout').map((file) => [dirname(file.path), file]),
  );
  if (!layouts.size) return files;
  const drawn = new Map<string, string[]>();
  for (const { path } of files) {
    const around = nearest(layouts, startOf(path));
    if (around !== undefined) drawn.set(around, [...(drawn.get(around) ?? []), path]);
  }
  return files.map((file) => {
    const pages = layouts.get(dirname(file.path)) === file ? drawn.get(dirname(file.path)) : undefined;
    const [component, ...others] = file.components;
    if (!pages || !component) return file;
    const values = pages.map((path, i) => ({
      name: `${PAGE}${i}`,
      kind: 'value' as const,
      lazy: { from: pathTo(file.path, path), name: 'default' },
      start: 0,
      end: 0,
    }));
    const full = drawing(component, pages.length);
    return full ? { ...file, values: [...file.values, ...values], components: [full, ...others] } : file;
  });
}

/** The folder from which a file looks for the layout around it, upwards. */
function startOf(path: string): string | undefined {
  const { kind, chosen } = routed(path) ?? {};
  if (kind === undefined) return undefined;
  const own = kind === 'layout' ? parent(dirname(path)) : dirname(path);
  if (chosen === undefined) return own;
  // Without a name it is the outermost one: that of the folder in which the routes start.
  const last = chosen === '' ? 'routes' : chosen;
  for (let dir = own; dir !== undefined; dir = parent(dir)) if (dir.split('/').at(-1) === last) return dir;
  return undefined;
}

const parent = (dir: string): string | undefined => (dir === '' ? undefined : dirname(dir));

/** The folder of the nearest layout, from a folder upwards. */
function nearest(layouts: Map<string, FileFacts>, from: string | undefined): string | undefined {
  for (let dir = from; dir !== undefined; dir = parent(dir)) if (layouts.has(dir)) return dir;
  return undefined;
}

/** The layout with a call site for each page, where it places its content. */
function drawing(layout: ComponentFacts, pages: number): ComponentFacts | undefined {
  const { contentPort } = layout.traits;
  const outlet = layout.render.find((node) => node.kind === 'outlet' && node.outlet === contentPort);
  if (!outlet) return undefined;
  const at = { start: outlet.start, end: outlet.end };
  const sites = Array.from({ length: pages }, (_, i): RenderFact => ({
    kind: 'site',
    parent: outlet.parent,
    tag: { name: `${PAGE}${i}`, ...at },
    // What the router hands over is not written anywhere.
    attributes: [
      {
        name: '...',
        nameStart: at.start,
        nameEnd: at.end,
        mode: 'spread',
        value: { kind: 'computed', ...at },
        ...at,
      },
    ],
    ...(outlet.when ? { when: outlet.when } : {}),
    ...at,
  }));
  return { ...layout, render: [...layout.render, ...sites] };
}
