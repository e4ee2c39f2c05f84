/** What a view says while it has nothing to show. */
import type { ReactNode } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import { choicesOf, isSeveral, reasonOf } from '../api';

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

/** A reference in the address names nothing, or several things: leads to those that may be meant. */
export function Unfound({ error, retry }: { error: unknown; retry(): void }) {
  const { pathname } = useLocation();
  const [search] = useSearchParams();
  const choices = choicesOf(error);
  if (!choices.length) return <Failed reason={reasonOf(error)} retry={retry} />;
  const addressOf = (ref: string) => {
    const next = new URLSearchParams(search);
    next.set('ref', ref);
    return `${pathname}?${next}`;
  };
  return (
    <div role="alert" className="p-6">
      <p>
        {isSeveral(error) ? `${search.get('ref')} names several.` : `nothing is called ${search.get('ref')}.`}{' '}
        Is one of these meant?
      </p>
      <ul className="mt-2">
        {choices.map((ref) => (
          <li key={ref}>
            <Link className="code underline" to={addressOf(ref)}>
              {ref}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
