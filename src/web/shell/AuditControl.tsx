/** In the bar: audits again, shows how far it is, cancels. */
import { api, reasonOf } from '../api';
import { useKeys } from '../keys';
import { LiveNote } from './LiveNote';
import { ProgressBar } from './ProgressBar';
import { isRunning, useLive, useProgress } from './progress';

export function AuditControl({ id }: { id: string }) {
  const progress = useProgress(id);
  const [again, { error }] = api.useAuditAgainMutation();
  const [cancel] = api.useCancelAuditMutation();
  const isAhead = useLive(id)?.ahead !== undefined;
  useKeys((event) => {
    if (event.key !== 'k' || !isAhead || (progress && isRunning(progress.stage))) return false;
    void again(id);
    return true;
  });
  if (progress && isRunning(progress.stage)) {
    return (
      <span className="flex items-center gap-3 text-bar-soft">
        <ProgressBar progress={progress} />
        <button type="button" className="underline" onClick={() => void cancel(id)}>
          Cancel
        </button>
      </span>
    );
  }
  return (
    <span className="flex min-w-0 items-center gap-3">
      <LiveNote id={id} />
      {(progress?.message !== undefined || error) && (
        <span role="alert" className="max-w-80 truncate text-[#f3a39b]" title={progress?.message}>
          {progress?.stage === 'interrupted'
            ? 'The last audit was interrupted'
            : (progress?.message ?? reasonOf(error))}
        </span>
      )}
      <button
        type="button"
        className="whitespace-nowrap text-bar-soft hover:text-bar-ink"
        onClick={() => void again(id)}
      >
        Audit again
      </button>
    </span>
  );
}
