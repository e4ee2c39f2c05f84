import type { Progress } from '../../api/schemas';
import { describeProgress } from './progress';

export function ProgressBar({ progress }: { progress: Progress }) {
  const { text, share } = describeProgress(progress);
  return (
    <span className="flex items-center gap-3" role="status">
      <progress
        className="h-1.5 w-40"
        aria-label="Audit"
        {...(share === undefined ? {} : { value: share, max: 1 })}
      />
      <span className="tabular-nums">{text}</span>
    </span>
  );
}
