/** Triage: the list at the left, the chosen finding with its code at the right. Filters live in the address. */
import { useMemo, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import type { Level, Verdict } from '../../../api/schemas';
import { useAddress } from '../../address';
import { api, reasonOf } from '../../api';
import { useKeys } from '../../keys';
import { useStable } from '../../useStable';
import { Empty, Failed, Waiting } from '../../parts/states';
import { Narrow } from '../../parts/Narrow';
import { count } from '../../parts/count';
import { levelTone } from '../../parts/level';
import { FindingDetail } from './FindingDetail';
import { FindingList } from './FindingList';
import { grouped, matches, type Grouping } from './list';

const notUnderstood = (files: number): string => `${count(files, 'file')} ${files === 1 ? 'was' : 'were'}`;

const LEVELS: Level[] = ['error', 'warning', 'note'];

export function FindingsView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const change = useAddress();
  const { data: findings, error, isLoading, refetch } = api.useFindingsQuery(id);
  const { data: project } = api.useProjectQuery(id);
  const levels = search.getAll('level');
  const rule = search.get('rule') ?? '';
  const text = search.get('text') ?? '';
  const by = (search.get('by') ?? 'file') as Grouping;
  const silenced = search.has('silenced');
  const beside = search.has('beside');
  const decided = search.has('decided');
  const wantedPrint = search.get('finding');
  const list = useMemo(() => {
    const wanted = new Set(search.getAll('level'));
    return (findings ?? []).filter(
      (one) =>
        matches(one, { levels: wanted, rule, text, silenced, beside, decided }) ||
        // A link leads to its finding, whatever has been decided about it and wherever it lies.
        (one.fingerprint === wantedPrint &&
          (one.decision !== undefined || one.beside === true) &&
          !text &&
          !rule),
    );
  }, [findings, search, rule, text, silenced, beside, decided, wantedPrint]);
  const [asked, setAsked] = useState<{ verdict: Verdict; times: number }>();
  const [undecide] = api.useUndecideMutation();
  const items = useMemo(() => grouped(list, by), [list, by]);
  const chosen = list.find((one) => one.fingerprint === search.get('finding')) ?? list[0];

  const set = (key: string, value: string) =>
    change((next) => (value ? next.set(key, value) : next.delete(key)));

  const choose = useStable((fingerprint: string) => set('finding', fingerprint));

  useKeys((event) => {
    const verdict = event.key === 'a' ? 'accepted' : event.key === 'x' ? 'false alarm' : undefined;
    if (verdict) setAsked({ verdict, times: (asked?.times ?? 0) + 1 });
    else if (event.key === 'u' && chosen?.decision) void undecide({ id, fingerprints: [chosen.fingerprint] });
    else return false;
    return true;
  });

  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (isLoading || !findings) return <Waiting what="the findings" />;
  const audit = project?.audit;
  const rules = [...new Set(findings.map((one) => one.rule))].sort();
  const hidden = findings.filter((one) => one.silenced !== undefined).length;
  const outside = findings.filter((one) => one.beside).length;
  const settled = findings.filter((one) => one.decision !== undefined).length;
  /** The next one that is open comes into view. */
  const next = () => {
    const at = list.findIndex((one) => one === chosen);
    const rest = [...list.slice(at + 1), ...list.slice(0, at)].find((one) => !one.decision);
    if (rest) set('finding', rest.fingerprint);
  };

  return (
    <div className="grid h-full grid-cols-[minmax(26rem,5fr)_6fr] grid-rows-[minmax(0,1fr)]">
      <section className="flex min-w-0 flex-col border-r border-line" aria-label="Findings">
        <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-5 py-1.5">
          <Narrow label="Narrow the findings" placeholder="Component, file or word" className="w-44" />
          <div role="group" aria-label="Levels" className="flex gap-1">
            {LEVELS.map((level) => (
              <button
                key={level}
                type="button"
                aria-pressed={levels.includes(level)}
                className={`border-b-2 px-1.5 ${levels.includes(level) ? 'border-ink font-medium' : 'border-transparent'} ${levelTone(level)}`}
                onClick={() =>
                  change((next) =>
                    levels.includes(level) ? next.delete('level', level) : next.append('level', level),
                  )
                }
              >
                {level}
              </button>
            ))}
          </div>
          <select
            value={rule}
            onChange={(event) => set('rule', event.target.value)}
            aria-label="Rule"
            className="h-7 border border-line bg-sheet"
          >
            <option value="">all rules</option>
            {rules.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
          <label className="flex items-center gap-1.5 text-soft">
            grouped by
            <select
              value={by}
              onChange={(event) => set('by', event.target.value)}
              className="h-7 border border-line bg-sheet text-ink"
            >
              <option>file</option>
              <option>rule</option>
              <option>component</option>
            </select>
          </label>
          {settled > 0 && (
            <label className="flex items-center gap-1.5 text-soft">
              <input type="checkbox" checked={decided} onChange={() => set('decided', decided ? '' : '1')} />
              {settled} decided
            </label>
          )}
          {outside > 0 && (
            <label
              className="flex items-center gap-1.5 text-soft"
              title="Findings in tests, specs, stories and mocks"
            >
              <input type="checkbox" checked={beside} onChange={() => set('beside', beside ? '' : '1')} />
              {outside} beside the app
            </label>
          )}
          {hidden > 0 && (
            <label className="flex items-center gap-1.5 text-soft">
              <input
                type="checkbox"
                checked={silenced}
                onChange={() => set('silenced', silenced ? '' : '1')}
              />
              {hidden} silenced
            </label>
          )}
          <span className="ml-auto text-soft tabular-nums">
            {list.length} of {findings.length}
          </span>
        </div>
        {list.length > 0 ? (
          <FindingList project={id} items={items} chosen={chosen} onChoose={choose} />
        ) : (
          <Empty>
            {findings.length === 0 && audit
              ? `Nothing was found in ${count(audit.files, 'file')} with ${count(audit.components, 'component')}; every rule was run${audit.problems.length ? `; ${notUnderstood(audit.problems.length)} not understood, as listed below` : ''}.`
              : settled > 0 && !decided
                ? 'Every finding that passes the filters has been decided.'
                : 'No finding passes the filters.'}
          </Empty>
        )}
        {audit && audit.problems.length > 0 && (
          <div className="max-h-40 shrink-0 overflow-y-auto border-t border-line px-5 py-2">
            <p className="font-medium">{notUnderstood(audit.problems.length)} not understood</p>
            {audit.problems.map((problem) => (
              <p key={problem.file} className="text-soft">
                {problem.file}:{problem.line}:{problem.column} {problem.message}
              </p>
            ))}
          </div>
        )}
      </section>
      <section className="overflow-y-auto bg-sheet" aria-label="Finding">
        {chosen && (
          <FindingDetail
            project={id}
            root={project?.root}
            finding={chosen}
            shown={list}
            asked={asked}
            onDecided={next}
          />
        )}
      </section>
    </div>
  );
}
