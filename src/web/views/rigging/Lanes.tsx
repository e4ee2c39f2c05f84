/** The strands over the rows in sight. */
import { useState } from 'react';
import type { LaneView } from '../../../api/schemas';
import { channelColor, Line, Mark, ROLE_WORDS } from '../../parts/Mark';
import { ROW, type ShownLane, type ShownRow } from './layout';

interface LanesProps {
  lanes: ShownLane[];
  rows: ShownRow[];
  /** First and last row in sight. */
  range: [number, number];
  left: number;
  width: number;
  gap: number;
  chosen: string | undefined;
  chosenRow: number | undefined;
  onChoose(lane: LaneView, row?: number): void;
}

/** Names beside the marks need at least this much room. */
const ROOM = 60;

export function Lanes({ lanes, rows, range, left, width, gap, chosen, chosenRow, onChoose }: LanesProps) {
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
      {seen.map((lane) => {
        const color = channelColor(lane.channel);
        const strong = lane.id === chosen;
        const named = strong || lane.id === over || gap >= ROOM;
        const shown = [...lane.at].filter(([row]) => row >= first - 1 && row <= last + 1);
        return (
          <g
            key={lane.id}
            className="cursor-pointer"
            opacity={strong || lane.id === over || !chosen ? 1 : 0.62}
            onMouseEnter={() => setOver(lane.id)}
            onMouseLeave={() => setOver(undefined)}
            onClick={() => onChoose(lane)}
          >
            <rect
              x={lane.x - 10}
              width={20}
              y={y(Math.max(lane.first, first - 1)) - 12}
              height={(Math.min(lane.last, last + 1) - Math.max(lane.first, first - 1)) * ROW + 24}
              fill="transparent"
            />
            {lane.stretches
              .filter((one) => one.from <= last + 1 && one.to >= first - 1)
              .map((one) => (
                <Line
                  key={`${one.from}-${one.to}-${one.broken}`}
                  x={lane.x}
                  from={y(Math.max(one.from, first - 2))}
                  to={y(Math.min(one.to, last + 2))}
                  channel={lane.channel}
                  color={color}
                  broken={one.broken}
                  strong={strong}
                />
              ))}
            {shown.map(([row, marks]) => {
              const mark = marks[0]!;
              const { name } = rows[row]!;
              const label = marks.length > 1 ? `${marks.length} hops` : mark.name;
              return (
                <g
                  key={row}
                  role="button"
                  tabIndex={-1}
                  aria-label={`${name}: ${mark.name || lane.title} ${ROLE_WORDS[mark.role]}`}
                  onClick={(event) => {
                    event.stopPropagation();
                    onChoose(lane, mark.row);
                  }}
                >
                  <title>{`${mark.ref}\n${ROLE_WORDS[mark.role]}`}</title>
                  {strong && row === chosenRow && (
                    <circle
                      cx={lane.x}
                      cy={y(row)}
                      r={10}
                      fill="none"
                      stroke="var(--accent)"
                      strokeWidth={1.6}
                    />
                  )}
                  <rect x={lane.x - 10} y={y(row) - 12} width={20} height={24} fill="transparent" />
                  <Mark x={lane.x} y={y(row)} role={mark.role} color={color} channel={lane.channel} />
                  {named && label && (
                    <text
                      x={lane.x + 11}
                      y={y(row) + 4}
                      fontSize={11.5}
                      fill="var(--soft)"
                      style={{ paintOrder: 'stroke' }}
                      stroke="var(--row)"
                      strokeWidth={3}
                    >
                      {cut(label, strong || lane.id === over ? 22 : Math.floor((gap - 22) / 6))}
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

const cut = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, Math.max(1, most - 1))}…` : text;
