/** What to do about findings: accept them with a reason, or call them a false alarm. */
import { useEffect, useRef, useState } from 'react';
import type { FindingRow, Verdict } from '../../../api/schemas';
import { api, reasonOf } from '../../api';

interface DecideProps {
  project: string;
  /** The finding in view, and all that pass the filters. */
  finding: FindingRow;
  shown: FindingRow[];
  /** The verdict that the keyboard asked for, counted so that the same key works twice. */
  asked: { verdict: Verdict; times: number } | undefined;
  onDone(): void;
}

export function Decide({ project, finding, shown, asked, onDone }: DecideProps) {
  const [verdict, setVerdict] = useState<Verdict>();
  const [reason, setReason] = useState('');
  const [all, setAll] = useState(false);
  const [decide, { error, isLoading }] = api.useDecideMutation();
  const [undecide] = api.useUndecideMutation();
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (asked) setVerdict(asked.verdict);
  }, [asked]);
  useEffect(() => {
    if (verdict) box.current?.focus();
  }, [verdict]);
  useEffect(() => {
    setVerdict(undefined);
    setReason('');
    setAll(false);
  }, [finding.fingerprint]);

  if (finding.decision) {
    return (
      <p className="mt-2 flex flex-wrap gap-x-3 border-l-2 border-line-strong pl-3">
        <span>
          {finding.decision.verdict}: {finding.decision.reason}
        </span>
        <button
          type="button"
          className="underline"
          onClick={() => void undecide({ id: project, fingerprints: [finding.fingerprint] })}
        >
          Take it back
        </button>
      </p>
    );
  }
  const open = shown.filter((one) => !one.decision);
  const send = async () => {
    if (!verdict || !reason.trim()) return;
    const chosen = all ? open : [finding];
    const answer = await decide({
      id: project,
      fingerprints: [...new Set(chosen.map((one) => one.fingerprint))],
      verdict,
      reason,
    });
    if (!('error' in answer)) onDone();
  };
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Decide">
        {(['accepted', 'false alarm'] as const).map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={verdict === one}
            className={`border px-2 py-0.5 ${verdict === one ? 'border-ink font-medium' : 'border-line-strong hover:bg-hover'}`}
            onClick={() => setVerdict(verdict === one ? undefined : one)}
          >
            {one === 'accepted' ? 'Accept' : 'False alarm'}
          </button>
        ))}
        {verdict && (
          <>
            <input
              ref={box}
              value={reason}
              aria-label="Reason"
              placeholder={verdict === 'accepted' ? 'why it may stay' : 'why it is none'}
              className="h-7 min-w-48 grow border border-line bg-row px-2"
              onChange={(event) => setReason(event.target.value)}
              onKeyDown={(event) => event.key === 'Escape' && setVerdict(undefined)}
            />
            {open.length > 1 && (
              <label className="flex items-center gap-1.5 text-soft">
                <input type="checkbox" checked={all} onChange={() => setAll(!all)} />
                all {open.length} in the list
              </label>
            )}
            <button
              type="submit"
              disabled={!reason.trim() || isLoading}
              className="border border-line-strong px-2 py-0.5 disabled:opacity-50"
            >
              Decide
            </button>
          </>
        )}
      </div>
      {error && (
        <p role="alert" className="text-error">
          {reasonOf(error)}
        </p>
      )}
    </form>
  );
}
