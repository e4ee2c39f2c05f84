import type { Counts, Level } from '../../api/schemas';
import { inFigures } from './count';

const TONES: Record<Level, string> = { error: 'text-error', warning: 'text-warning', note: 'text-note' };

export const levelTone = (level: Level): string => TONES[level];

export function LevelWord({ level }: { level: Level }) {
  return <span className={`font-medium ${TONES[level]}`}>{level}</span>;
}

/** Findings by level, with the change since the audit before. */
export function CountCells({ counts, before }: { counts: Counts; before?: Counts }) {
  return (['error', 'warning', 'note'] as const).map((level) => {
    const change = before ? counts[level] - before[level] : 0;
    return (
      <td key={level} className="px-3 text-right tabular-nums">
        <span className={counts[level] ? TONES[level] : 'text-faint'}>{inFigures(counts[level])}</span>
        {change !== 0 && <span className="ml-1 text-soft">{change > 0 ? `+${change}` : `−${-change}`}</span>}
      </td>
    );
  });
}
