/** The whole tree in one strip: where the marks of the chosen strand are, where values are lost, what is in sight. */
import type { PointerEvent } from 'react';
import type { Role } from '../../../api/schemas';
import type { ShownLane } from './layout';

const WIDTH = 12;
const LOST: ReadonlySet<Role> = new Set(['drop', 'wait']);

interface OverviewProps {
  lanes: ShownLane[];
  chosen: string | undefined;
  count: number;
  range: [number, number];
  height: number;
  onGo(row: number): void;
}

export function Overview({ lanes, chosen, count, range, height, onGo }: OverviewProps) {
  const y = (row: number) => (row / Math.max(1, count)) * height;
  const lost = new Set<number>();
  const own = new Set<number>();
  for (const lane of lanes) {
    for (const [row, marks] of lane.at) {
      if (lane.id === chosen) own.add(row);
      if (marks.some((at) => LOST.has(lane.lane.marks[at]!.role))) lost.add(row);
    }
  }
  const go = (event: PointerEvent<SVGSVGElement>) => {
    if (event.buttons !== 1) return;
    const box = event.currentTarget.getBoundingClientRect();
    onGo(Math.round(((event.clientY - box.top) / height) * count));
  };
  return (
    <svg
      width={WIDTH}
      height={height}
      className="absolute right-0 bottom-0 z-10 cursor-pointer border-l border-line bg-ground"
      aria-hidden="true"
      onPointerDown={go}
      onPointerMove={go}
    >
      <rect
        x={0}
        width={WIDTH}
        y={y(range[0])}
        height={Math.max(6, y(range[1]) - y(range[0]))}
        fill="var(--hover)"
      />
      {[...lost].map((row) => (
        <rect key={`x${row}`} x={7} width={4} y={y(row)} height={2} fill="var(--error)" />
      ))}
      {[...own].map((row) => (
        <rect key={row} x={1} width={5} y={y(row)} height={2} fill="var(--ink)" />
      ))}
    </svg>
  );
}
