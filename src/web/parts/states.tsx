/** What a view says while it has nothing to show. */
import type { ReactNode } from 'react';
import { Link } from 'react-router';

export function Waiting({ what }: { what: string }) {
  return (
    <p role="status" className="p-6 text-soft">
      Loading {what}…
    </p>
  );
}

export function Failed({ reason, retry }: { reason: string; retry?: () => void }) {
  return (
    <div role="alert" className="p-6">
      <p className="text-error">{reason}</p>
      <p className="mt-3 flex gap-4">
        {retry && (
          <button type="button" className="underline" onClick={retry}>
            Try again
          </button>
        )}
        <Link to="/" className="underline">
          All projects
        </Link>
      </p>
    </div>
  );
}

export function Empty({ children }: { children: ReactNode }) {
  return <div className="max-w-xl p-6 text-soft">{children}</div>;
}
