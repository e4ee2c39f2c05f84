/** What comes into a component, what it keeps and derives, and what goes out of it. */
import { linkHorizontal } from 'd3-shape';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { ComponentView } from '../../../api/component-schemas';
import { links as addresses } from '../../links';
import { channelColor, CHANNEL_DASH } from '../../parts/Mark';
import { columnsOf, MIDDLE, STEP, WIDTH, type PlacedLine, type PlacedNode } from './inside';

type Point = [x: number, y: number];
const link = linkHorizontal<{ source: Point; target: Point }, Point>()
  .x((point) => point[0])
  .y((point) => point[1]);
const curve = (source: Point, target: Point): string => link({ source, target }) ?? '';

function pathOf({ from, to, through }: PlacedLine): string {
  const [start, end]: Point[] = [
    [from.right, from.y],
    [to.left, to.y],
  ] as [Point, Point];
  if (through === undefined) return curve(start, end);
  const [left, right] = MIDDLE;
  return `${curve(start, [left, through])}H${right}${curve([right, through], end)}`;
}

export function InsideDiagram({ project, inside }: { project: string; inside: ComponentView['inside'] }) {
  const { nodes, lines, height } = useMemo(() => columnsOf(inside), [inside]);
  const [over, setOver] = useState<number>();
  const navigate = useNavigate();
  if (nodes.length === 0) return <p className="py-2 text-soft">Nothing comes in, is kept, or goes out.</p>;
  const near = new Set(
    lines
      .filter((line) => line.from.id === over || line.to.id === over)
      .flatMap((line) => [line.from.id, line.to.id]),
  );
  const faint = (id: number) => over !== undefined && id !== over && !near.has(id);
  const open = (node: PlacedNode) => void navigate(addresses.strand(project, node.ref));
  return (
    <div className="overflow-x-auto">
      <svg
        width={WIDTH}
        height={height + 28}
        className="overflow-visible px-px"
        role="group"
        aria-label="Inside the component"
      >
        {(['comes in', 'kept and derived', 'goes out'] as const).map((title, column) => (
          <text
            key={title}
            x={column === 0 ? 0 : column === 1 ? WIDTH / 2 : WIDTH}
            y={12}
            textAnchor={column === 0 ? 'start' : column === 1 ? 'middle' : 'end'}
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
              strokeWidth={1.6}
              strokeDasharray={line.how === 'transform' ? '5 3' : CHANNEL_DASH[line.from.channel]}
              opacity={over === undefined || line.from.id === over || line.to.id === over ? 0.9 : 0.15}
            />
          ))}
          {nodes.map((node) => (
            <g
              key={node.id}
              role="link"
              tabIndex={0}
              aria-label={`${node.channel} ${node.name}${node.to ? ` of ${node.to}` : ''}`}
              className="cursor-pointer"
              opacity={faint(node.id) ? 0.35 : 1}
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
                strokeWidth={1}
              />
              <text x={node.left + 8} y={node.y + 4} fontSize={12} fill="var(--ink)">
                {node.label}
              </text>
            </g>
          ))}
        </g>
      </svg>
    </div>
  );
}
