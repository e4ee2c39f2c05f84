/** The strands over the rows in sight. */
import { useState } from 'react';
import type { LaneView } from '../../../api/schemas';
import { channelColor, Line, Mark } from '../../parts/Mark';
import { ROLE_WORDS } from '../../parts/roles';
import { roomBeside, ROW, type ShownLane } from './layout';

interface LanesProps {
  lanes: ShownLane[];
  /** First and last row in sight. */
  range: [number, number];
  left: number;
  width: number;
  gap: number;
  /** Lanes that a column is named after; the others bear their names where they start. */
  heads: ReadonlySet<string>;
  chosen: string | undefined;
  chosenRow: number | undefined;
  onChoose(lane: LaneView, row?: number): void;
}

/** Names beside the marks need at least this much room. */
const ROOM = 60;

export function Lanes({ lanes, range, left, width, gap, heads, chosen, chosenRow, onChoose }: LanesProps) {
  const [over, setOver] = useState<string>();
  const [first, last] = range;
  const top = first * ROW;
  const y = (row: number) => row * ROW + ROW / 2 - top;
  // The chosen strand lies over the others, so that its names can be read.
  const seen = lanes
    .filter((lane) => lane.first <= last + 1 && lane.last >= first - 1)
    .sort((a, b) => Number(a.id === chosen) - Number(b.id === chosen));
  return (
    <svg
      className="absolute"
      style={{ top, left }}
      width={width}
      height={(last - first + 1) * ROW}
      aria-label="Strands over the tree"
    >
      {seen.map((shownLane) => {
        const { id, lane, x, trunkX } = shownLane;
        const color = channelColor(lane.channel);
        const strong = id === chosen;
        const named = strong || id === over || gap >= ROOM;
        const shown = within(shownLane.at, first - 1, last + 1);
        return (
          <g
            key={id}
            className="cursor-pointer"
            opacity={strong || id === over || !chosen ? 1 : 0.62}
            onMouseEnter={() => setOver(id)}
            onMouseLeave={() => setOver(undefined)}
            onClick={() => onChoose(lane)}
          >
            <rect
              x={x - 10}
              width={20}
              y={y(Math.max(shownLane.first, first - 1)) - 12}
              height={(Math.min(shownLane.last, last + 1) - Math.max(shownLane.first, first - 1)) * ROW + 24}
              fill="transparent"
            />
            {shownLane.stretches
              .filter((one) => one.from <= last + 1 && one.to >= first - 1)
              .map((one) => (
                <Line
                  key={`${one.from}-${one.to}-${one.broken}`}
                  x={x}
                  from={y(Math.max(one.from, first - 2))}
                  to={y(Math.min(one.to, last + 2))}
                  channel={lane.channel}
                  color={color}
                  broken={one.broken}
                  strong={strong}
                />
              ))}
            {trunkX !== undefined && shownLane.first >= first - 1 && (
              <path
                d={`M${trunkX} ${y(shownLane.first)} H${x - 9} Q${x} ${y(shownLane.first)} ${x} ${y(shownLane.first) + 9}`}
                fill="none"
                stroke={color}
                strokeWidth={strong ? 2.6 : 2}
              />
            )}
            {shown.map(([row, marks]) => {
              const mark = lane.marks[marks[0]!]!;
              const branches = trunkX !== undefined && row === shownLane.first;
              const room = strong || id === over ? 154 : named ? gap : roomBeside(seen, shownLane, row);
              const title = !heads.has(id) && row === shownLane.first && room > 34;
              const label =
                title && !named ? lane.title : marks.length > 1 ? `${marks.length} hops` : mark.name;
              return (
                <g
                  key={row}
                  role="button"
                  tabIndex={-1}
                  aria-label={`${mark.component}: ${mark.name || lane.title} ${ROLE_WORDS[mark.role]}`}
                  onClick={(event) => {
                    event.stopPropagation();
                    onChoose(lane, mark.row);
                  }}
                >
                  <title>{`${mark.ref}\n${ROLE_WORDS[mark.role]}`}</title>
                  {strong && row === chosenRow && (
                    <circle cx={x} cy={y(row)} r={10} fill="none" stroke="var(--accent)" strokeWidth={1.6} />
                  )}
                  <rect x={x - 10} y={y(row) - 12} width={20} height={24} fill="transparent" />
                  {!branches && (
                    <Mark x={x} y={y(row)} role={mark.role} color={color} channel={lane.channel} />
                  )}
                  {(named || title) && label && (
                    <text
                      x={x + 11}
                      y={y(row) + 4}
                      fontSize={11.5}
                      fill={title ? color : 'var(--soft)'}
                      style={{ paintOrder: 'stroke' }}
                      stroke="var(--row)"
                      strokeWidth={3}
                    >
                      {cut(label, Math.min(22, Math.floor((room - 22) / 6)))}
                    </text>
                  )}
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}

/** The entries of a sorted list whose rows lie between two. */
function within<Value>(list: [number, Value][], from: number, to: number): [number, Value][] {
  let low = 0;
  for (let high = list.length; low < high;) {
    const middle = (low + high) >> 1;
    if (list[middle]![0] < from) low = middle + 1;
    else high = middle;
  }
  let end = low;
  while (end < list.length && list[end]![0] <= to) end++;
  return list.slice(low, end);
}

const cut = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, Math.max(1, most - 1))}…` : text;
