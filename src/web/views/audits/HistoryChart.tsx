/** Findings by level over a project's audits. */
import { scaleLinear, scalePoint } from 'd3-scale';
import { line } from 'd3-shape';
import type { AuditSummary, Level } from '../../../api/schemas';

const WIDTH = 520;
const HEIGHT = 150;
const EDGE = { top: 10, right: 62, bottom: 22, left: 34 };
const LEVELS: Level[] = ['error', 'warning', 'note'];
const DASHES: Record<Level, string | undefined> = { error: undefined, warning: '6 3', note: '2 3' };

interface HistoryChartProps {
  /** The earliest first. */
  audits: AuditSummary[];
  from: number;
  to: number;
}

export function HistoryChart({ audits, from, to }: HistoryChartProps) {
  const most = Math.max(1, ...audits.flatMap((one) => LEVELS.map((level) => one.counts[level])));
  const x = scalePoint<number>()
    .domain(audits.map((one) => one.id))
    .range([EDGE.left, WIDTH - EDGE.right])
    .padding(0.2);
  const y = scaleLinear([0, most], [HEIGHT - EDGE.bottom, EDGE.top]).nice(4);
  const last = audits.at(-1);
  const ends = last ? spread(LEVELS.map((level) => ({ level, y: y(last.counts[level]) }))) : [];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full shrink-0"
      role="img"
      aria-label={`Findings by level over ${audits.length} audits`}
    >
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <line x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(tick)} y2={y(tick)} stroke="var(--line)" />
          <text x={EDGE.left - 6} y={y(tick) + 4} textAnchor="end" fontSize={11} fill="var(--soft)">
            {tick}
          </text>
        </g>
      ))}
      {[from, to].map((id, i) => {
        const at = x(id);
        if (at === undefined) return null;
        return (
          <g key={i}>
            <line
              x1={at}
              x2={at}
              y1={EDGE.top}
              y2={HEIGHT - EDGE.bottom}
              stroke="var(--line-strong)"
              strokeDasharray="3 3"
            />
            <text x={at} y={HEIGHT - 6} textAnchor="middle" fontSize={11} fill="var(--soft)">
              {i === 0 ? 'from' : 'to'}
            </text>
          </g>
        );
      })}
      {LEVELS.map((level) => (
        <g key={level}>
          <path
            d={
              line<AuditSummary>(
                (one) => x(one.id)!,
                (one) => y(one.counts[level]),
              )(audits) ?? ''
            }
            fill="none"
            stroke={`var(--${level})`}
            strokeWidth={2}
            strokeDasharray={DASHES[level]}
          />
          {audits.map((one) => (
            <circle key={one.id} cx={x(one.id)} cy={y(one.counts[level])} r={2.6} fill={`var(--${level})`}>
              <title>{`${one.counts[level]} at level ${level}`}</title>
            </circle>
          ))}
        </g>
      ))}
      {ends.map((end) => (
        <text
          key={end.level}
          x={WIDTH - EDGE.right + 8}
          y={end.y + 4}
          fontSize={11.5}
          fill={`var(--${end.level})`}
        >
          {end.level}
        </text>
      ))}
    </svg>
  );
}

/** Moves labels apart that would lie on each other. */
function spread<T extends { y: number }>(ends: T[]): T[] {
  const sorted = [...ends].sort((a, b) => a.y - b.y);
  for (let i = 1; i < sorted.length; i++) sorted[i]!.y = Math.max(sorted[i]!.y, sorted[i - 1]!.y + 13);
  const over = (sorted.at(-1)?.y ?? 0) - (HEIGHT - EDGE.bottom);
  if (over > 0) for (const end of sorted) end.y -= over;
  return sorted;
}
