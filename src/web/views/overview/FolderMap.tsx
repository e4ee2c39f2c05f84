/** Folders as areas, as large as they hold components; the colour tells the gravest of what was found there. */
import { hierarchy, treemap, treemapSquarify } from 'd3-hierarchy';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { links } from '../../links';
import { count } from '../../parts/count';
import { labelOf, type Region } from './regions';

const HEIGHT = 364;
const GAP = 2;

interface Cell {
  region: Region;
  x: number;
  y: number;
  width: number;
  height: number;
}

function cellsOf(regions: Region[], width: number): Cell[] {
  const root = hierarchy<{ region?: Region; children?: { region: Region }[] }>({
    children: regions.map((region) => ({ region })),
  }).sum(({ region }) => (region ? Math.max(1, region.components) : 0));
  const placed = treemap<{ region?: Region; children?: { region: Region }[] }>()
    .tile(treemapSquarify.ratio(1.4))
    .size([width, HEIGHT])
    .paddingInner(GAP)(root);
  return (placed.children ?? []).map(({ data, x0, x1, y0, y1 }) => ({
    region: data.region!,
    x: x0,
    y: y0,
    width: x1 - x0,
    height: y1 - y0,
  }));
}

export function FolderMap({ project, regions }: { project: string; regions: Region[] }) {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width)));
    observer.observe(box.current!);
    return () => observer.disconnect();
  }, []);
  const cells = useMemo(() => (width ? cellsOf(regions, width) : []), [regions, width]);
  return (
    <div ref={box} className="relative" style={{ height: HEIGHT }}>
      {cells.map(({ region, x, y, ...size }) => (
        <Link
          key={region.path}
          to={linkOf(project, region)}
          title={`${region.path || 'the root folder'}: ${wordsOf(region)}`}
          aria-label={`${region.path || 'the root folder'}: ${wordsOf(region)}`}
          className="absolute overflow-hidden leading-tight hover:outline-2 hover:outline-ink"
          style={{ left: x, top: y, ...size, background: fillOf(region) }}
        >
          <Label {...labelOf(region.path, foundIn(region), size.width, size.height)} />
        </Link>
      ))}
    </div>
  );
}

const Label = ({ name, found }: ReturnType<typeof labelOf>) => (
  <span className="block p-1.5 whitespace-nowrap">
    {name.map((line) => (
      <span key={line} className="block font-medium">
        {line}
      </span>
    ))}
    {found}
  </span>
);

/** Where something was found, to it; elsewhere to the components. */
const linkOf = (project: string, { path, counts }: Region): string =>
  counts.error + counts.warning + counts.note > 0
    ? links.findings(project, { folder: path })
    : `/p/${project}/catalogue?text=${encodeURIComponent(path)}`;

function foundIn({ counts, components }: Region): string {
  const [level] = (['error', 'warning', 'note'] as const).filter((one) => counts[one] > 0);
  return level ? count(counts[level], level) : String(components);
}

function wordsOf({ components, counts }: Region): string {
  const found = (['error', 'warning', 'note'] as const)
    .filter((level) => counts[level] > 0)
    .map((level) => count(counts[level], level));
  return [count(components, 'component'), ...found].join(', ');
}

/** The gravest level, the stronger the more of the components it is found in. */
function fillOf({ counts, components }: Region): string {
  const [level] = (['error', 'warning', 'note'] as const).filter((one) => counts[one] > 0);
  if (!level) return 'var(--hover)';
  const share = Math.min(1, counts[level] / Math.max(1, components));
  return `color-mix(in srgb, var(--${level}) ${Math.round(16 + 30 * Math.sqrt(share))}%, var(--ground))`;
}
