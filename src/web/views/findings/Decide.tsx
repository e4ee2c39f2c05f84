/** What to do about findings: accept them with a reason, or call them a false alarm. */
import { useEffect, useRef, useState } from 'react';
import type { FindingRow, Verdict } from '../../../api/schemas';
import { reasonOf } from '../../api';
import { siblingsOf } from './list';
import type { useDecisions } from './useDecisions';

export interface Asked {
  verdict: Verdict;
  /** Counted, so that the same key works twice. */
  times: number;
  /** What is decided on, where that is not the finding in view alone. */
  cover?: Cover;
}

/** Which findings a decision covers. */
type Cover = 'one' | 'siblings' | 'group' | 'list';

interface DecideProps {
  decisions: ReturnType<typeof useDecisions>;
  /** The finding in view, those of its group, and all that pass the filters. */
  finding: FindingRow;
  group: FindingRow[];
  shown: FindingRow[];
  all: FindingRow[];
  /** The verdict that the keyboard or a heading asked for. */
  asked: Asked | undefined;
  onDone(decided: FindingRow[]): void;
}

export function Decide({ decisions, finding, group, shown, all, asked, onDone }: DecideProps) {
  const [verdict, setVerdict] = useState<Verdict>();
  const [reason, setReason] = useState('');
  const [cover, setCover] = useState<Cover>('one');
  const box = useRef<HTMLInputElement>(null);
  // What was asked with the finding in view counts, whichever of the two was first.
  const taken = useRef<Asked>(undefined);
  useEffect(() => {
    setVerdict(undefined);
    setReason('');
    setCover('one');
  }, [finding.fingerprint]);
  useEffect(() => {
    if (!asked || asked === taken.current) return;
    taken.current = asked;
    setVerdict(asked.verdict);
    setCover(asked.cover ?? 'one');
  }, [asked, finding.fingerprint]);
  useEffect(() => {
    if (verdict) box.current?.focus();
  }, [verdict]);

  if (finding.decision) {
    return (
      <p className="mt-2 flex flex-wrap gap-x-3 border-l-2 border-line-strong pl-3">
        <span>
          {finding.decision.verdict}: {finding.decision.reason}
        </span>
        <button type="button" className="underline" onClick={() => void decisions.takeBack([finding])}>
          Take it back
        </button>
      </p>
    );
  }
  const open = (list: FindingRow[]) => list.filter((one) => !one.decision);
  const covers: [Cover, string, FindingRow[]][] = [
    ['one', 'this one', [finding]],
    ['siblings', `about ${finding.subject}`, siblingsOf(finding, all)],
    ['group', 'of its group', open(group)],
    ['list', 'in the list', open(shown)],
  ];
  const offered = covers.filter(
    ([name, , list], at) => name === 'one' || list.length > covers[at - 1]![2].length,
  );
  const chosen = offered.find(([name]) => name === cover) ?? offered[0]!;
  const send = async () => {
    if (!verdict || !reason.trim()) return;
    if (await decisions.decide(chosen[2], verdict, reason)) onDone(chosen[2]);
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
            {offered.length > 1 && (
              <select
                aria-label="Covers"
                value={chosen[0]}
                className="h-7 max-w-64 border border-line bg-sheet"
                onChange={(event) => setCover(event.target.value as Cover)}
              >
                {offered.map(([name, words, list]) => (
                  <option key={name} value={name}>
                    {name === 'one' ? words : `all ${list.length} ${words}`}
                  </option>
                ))}
              </select>
            )}
            <button
              type="submit"
              disabled={!reason.trim() || decisions.isBusy}
              className="border border-line-strong px-2 py-0.5 disabled:opacity-50"
            >
              Decide
            </button>
          </>
        )}
      </div>
      {decisions.error !== undefined && (
        <p role="alert" className="text-error">
          {reasonOf(decisions.error)}
        </p>
      )}
    </form>
  );
}
