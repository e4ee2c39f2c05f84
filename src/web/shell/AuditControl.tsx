/** In the bar: audits again, shows how far it is, cancels. */
import { api, reasonOf } from '../api';
import { ProgressBar } from './ProgressBar';
import { isRunning, useProgress } from './progress';

export function AuditControl({ id }: { id: string }) {
  const progress = useProgress(id);
  const [again, { error }] = api.useAuditAgainMutation();
  const [cancel] = api.useCancelAuditMutation();
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
