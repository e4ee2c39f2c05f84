/** What comes into a component, what it keeps and derives, and what goes out of it. */
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { ComponentView } from '../../../api/component-schemas';
import { links as addresses } from '../../links';
import { channelColor, CHANNEL_DASH } from '../../parts/Mark';
import { pathOf, STEP, wayThrough } from '../../parts/layers';
import { layersOf, type PlacedNode } from './inside';

const TITLES = ['comes in', 'kept and derived', 'goes out'] as const;

export function InsideDiagram({ project, inside }: { project: string; inside: ComponentView['inside'] }) {
  const [all, setAll] = useState(false);
  const idle = useMemo(() => inside.nodes.filter((node) => node.idle), [inside]);
  const { nodes, lines, width, height } = useMemo(
    () => layersOf(all ? inside : { ...inside, nodes: inside.nodes.filter((node) => !node.idle) }),
    [inside, all],
  );
  const [over, setOver] = useState<number>();
  const navigate = useNavigate();
  const way = useMemo(() => (over === undefined ? undefined : wayThrough(lines, over)), [lines, over]);
  if (inside.nodes.length === 0)
    return <p className="py-2 text-soft">Nothing comes in, is kept, or goes out.</p>;
  const open = (node: PlacedNode) => void navigate(addresses.strand(project, node.ref));
  const isFaint = (...ids: number[]) => way !== undefined && !ids.every((id) => way.has(id));
  return (
    <div className="overflow-x-auto">
      <svg
        width={width + 2}
        height={height + 28}
        className="overflow-visible px-px"
        role="group"
        aria-label="Inside the component"
      >
        <defs>
          <marker
            id="back"
            viewBox="0 0 8 8"
            refX={7}
            refY={4}
            markerWidth={6}
            markerHeight={6}
            orient="auto"
          >
            <path d="M0 0L8 4L0 8Z" fill="var(--soft)" />
          </marker>
        </defs>
        {TITLES.map((title, column) => (
          <text
            key={title}
            x={(column * width) / 2}
            y={12}
            textAnchor={(['start', 'middle', 'end'] as const)[column]}
            fontSize={12}
            fill="var(--soft)"
          >
            {title}
          </text>
        ))}
        <g transform="translate(0,28)">
          {lines.map((line) => (
            <path
              key={`${line.from.id}-${line.to.id}`}
              d={pathOf(line)}
              fill="none"
              stroke={channelColor(line.from.channel)}
              strokeWidth={1.5}
              strokeDasharray={line.how === 'transform' ? '5 3' : CHANNEL_DASH[line.from.channel]}
              opacity={isFaint(line.from.id, line.to.id) ? 0.08 : 0.85}
              {...(line.back ? { markerEnd: 'url(#back)' } : {})}
            />
          ))}
          {nodes.map((node) => (
            <g
              key={node.id}
              role="link"
              tabIndex={0}
              aria-label={`${node.channel} ${node.name}${node.to ? ` of ${node.to}` : ''}`}
              className="cursor-pointer"
              opacity={isFaint(node.id) ? 0.25 : 1}
              onMouseEnter={() => setOver(node.id)}
              onMouseLeave={() => setOver(undefined)}
              onFocus={() => setOver(node.id)}
              onBlur={() => setOver(undefined)}
              onClick={() => open(node)}
              onKeyDown={(event) => event.key === 'Enter' && open(node)}
            >
              <title>{node.ref}</title>
              <rect
                x={node.left}
                y={node.y - STEP / 2 + 2}
                width={node.right - node.left}
                height={STEP - 4}
                fill="var(--row)"
                stroke={channelColor(node.channel)}
                strokeWidth={node.id === over ? 2 : 1}
              />
              <text x={node.left + 7} y={node.y + 4} fontSize={12} fill="var(--ink)">
                {node.label}
              </text>
            </g>
          ))}
        </g>
      </svg>
      {idle.length > 0 && (
        <p className="mt-1 text-soft">
          <button type="button" className="underline" onClick={() => setAll(!all)}>
            {all ? 'hide' : 'show'} {idle.length} that nothing here shows
          </button>{' '}
          {!all && (
            <span className="code text-faint">
              {idle
                .slice(0, 6)
                .map((node) => node.name)
                .join(', ')}
            </span>
          )}
        </p>
      )}
    </div>
  );
}
