/** A project without an audit: how far the first one is, or why there is none. */
import { Failed } from '../parts/states';
import { isRunning, useProgress } from './progress';
import { ProgressBar } from './ProgressBar';

export function Unaudited({ id }: { id: string }) {
  const progress = useProgress(id);
  if (progress && isRunning(progress.stage)) {
    return (
      <div className="p-6">
        <ProgressBar progress={progress} />
      </div>
    );
  }
  return (
    <Failed reason={progress?.message ?? 'This project has not been audited yet. Use “Audit again” above.'} />
  );
}
