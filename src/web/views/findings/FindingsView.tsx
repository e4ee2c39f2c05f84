/** Triage: the list at the left, the chosen finding with its code at the right. Filters live in the address. */
import { useMemo, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import type { FindingRow, Level } from '../../../api/schemas';
import { useAddress } from '../../address';
import { api, reasonOf } from '../../api';
import { useKeys } from '../../keys';
import { useStable } from '../../useStable';
import { Empty, Failed, Waiting } from '../../parts/states';
import { Narrow } from '../../parts/Narrow';
import { count, inFigures } from '../../parts/count';
import { levelTone } from '../../parts/level';
import { type Asked, Decide } from './Decide';
import { Facets } from './Facets';
import { FindingDetail } from './FindingDetail';
import { FindingList } from './FindingList';
import { type FindingFilter, grouped, GROUPINGS, matches } from './list';
import { useDecisions } from './useDecisions';

const notUnderstood = (files: number): string => `${count(files, 'file')} ${files === 1 ? 'was' : 'were'}`;

const LEVELS: Level[] = ['error', 'warning', 'note'];

export function FindingsView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const change = useAddress();
  const { data: findings, error, isLoading, refetch } = api.useFindingsQuery(id);
  const { data: project } = api.useProjectQuery(id);
  const wantedPrint = search.get('finding');
  const by = GROUPINGS.find((one) => one === search.get('by')) ?? 'rule';
  const filter = useMemo<FindingFilter>(
    () => ({
      levels: new Set(search.getAll('level')),
      rule: search.get('rule') ?? '',
      folder: search.get('folder') ?? '',
      component: search.get('component') ?? '',
      text: search.get('text') ?? '',
      silenced: search.has('silenced'),
      beside: search.has('beside'),
      fresh: search.has('fresh'),
      decided: search.has('decided'),
    }),
    [search],
  );
  const { levels, silenced, beside, fresh, decided } = filter;
  const list = useMemo(
    () =>
      (findings ?? []).filter(
        (one) =>
          matches(one, filter) ||
          // A link leads to its finding, whatever has been decided about it and wherever it lies.
          (one.fingerprint === wantedPrint &&
            (one.decision !== undefined || one.beside === true) &&
            !filter.text &&
            !filter.rule),
      ),
    [findings, filter, wantedPrint],
  );
  const [asked, setAsked] = useState<Asked>();
  const decisions = useDecisions(id);
  const folded = useMemo(() => new Set(search.getAll('fold')), [search]);
  const items = useMemo(() => grouped(list, by, folded), [list, by, folded]);
  const inOrder = useMemo(
    () => items.flatMap((item) => (item.kind === 'finding' ? [item.finding] : [])),
    [items],
  );
  const chosen = list.find((one) => one.fingerprint === wantedPrint) ?? inOrder[0] ?? list[0];
  const group = items.find((item) => item.kind === 'group' && chosen && item.findings.includes(chosen));

  const set = (key: string, value: string) =>
    change((next) => (value ? next.set(key, value) : next.delete(key)));

  const choose = useStable((fingerprint: string) => set('finding', fingerprint));
  const fold = useStable((title: string) =>
    change((next) => {
      if (next.getAll('fold').includes(title)) next.delete('fold', title);
      else next.append('fold', title);
    }),
  );
  const decideOn = useStable((findings: FindingRow[]) => {
    const open = findings.find((one) => !one.decision);
    if (!open) return;
    set('finding', open.fingerprint);
    setAsked({ verdict: 'accepted', times: (asked?.times ?? 0) + 1, cover: 'group' });
  });

  useKeys((event) => {
    const verdict = event.key === 'a' ? 'accepted' : event.key === 'x' ? 'false alarm' : undefined;
    if (verdict) setAsked({ verdict, times: (asked?.times ?? 0) + 1 });
    else if (event.key === 'u' && chosen?.decision) void decisions.takeBack([chosen]);
    else if (event.key === 'z' && decisions.steps) void decisions.undo();
    else return false;
    return true;
  });

  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (isLoading || !findings) return <Waiting what="the findings" />;
  const audit = project?.audit;
  const hidden = findings.filter((one) => one.silenced !== undefined).length;
  const outside = findings.filter((one) => one.beside).length;
  const recent = findings.filter((one) => one.fresh).length;
  const settled = findings.filter((one) => one.decision !== undefined).length;
  /** The next one that is open comes into view. */
  const next = (decided: FindingRow[]) => {
    const done = new Set(decided);
    const at = inOrder.findIndex((one) => one === chosen);
    const rest = [...inOrder.slice(at + 1), ...inOrder.slice(0, at)].find(
      (one) => !one.decision && !done.has(one),
    );
    set('finding', rest?.fingerprint ?? '');
  };

  return (
    <div className="grid h-full grid-cols-[13rem_minmax(22rem,4fr)_5fr] grid-rows-[minmax(0,1fr)]">
      <Facets findings={findings} filter={filter} />
      <section className="flex min-w-0 flex-col border-r border-line" aria-label="Findings">
        <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-5 py-1.5">
          <Narrow label="Narrow the findings" placeholder="Component, file or word" className="w-44" />
          <div role="group" aria-label="Levels" className="flex gap-1">
            {LEVELS.map((level) => (
              <button
                key={level}
                type="button"
                aria-pressed={levels.has(level)}
                className={`border-b-2 px-1.5 ${levels.has(level) ? 'border-ink font-medium' : 'border-transparent'} ${levelTone(level)}`}
                onClick={() =>
                  change((next) =>
                    levels.has(level) ? next.delete('level', level) : next.append('level', level),
                  )
                }
              >
                {level}
              </button>
            ))}
          </div>
          <label className="flex items-center gap-1.5 text-soft">
            grouped by
            <select
              value={by}
              onChange={(event) => set('by', event.target.value)}
              className="h-7 border border-line bg-sheet text-ink"
            >
              {GROUPINGS.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          </label>
          {settled > 0 && (
            <label className="flex items-center gap-1.5 text-soft">
              <input type="checkbox" checked={decided} onChange={() => set('decided', decided ? '' : '1')} />
              {settled} decided
            </label>
          )}
          {(recent > 0 || fresh) && (
            <label
              className="flex items-center gap-1.5 text-soft"
              title="Findings that are not in the audit that was kept last"
            >
              <input type="checkbox" checked={fresh} onChange={() => set('fresh', fresh ? '' : '1')} />
              {recent} new
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
          {decisions.steps > 0 && (
            <button
              type="button"
              className="text-soft underline"
              title={`${decisions.steps} steps can be taken back`}
              onClick={() => void decisions.undo()}
            >
              undo the decision on {count(decisions.last, 'finding')}
            </button>
          )}
          <span className="ml-auto text-soft tabular-nums">
            {inFigures(list.length)} of {inFigures(findings.length)}
          </span>
        </div>
        {list.length > 0 ? (
          <FindingList
            project={id}
            items={items}
            by={by}
            chosen={chosen}
            onChoose={choose}
            onFold={fold}
            onDecide={decideOn}
          />
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
            decide={
              <Decide
                decisions={decisions}
                finding={chosen}
                group={group?.kind === 'group' ? group.findings : []}
                shown={list}
                all={findings}
                asked={asked}
                onDone={next}
              />
            }
          />
        )}
      </section>
    </div>
  );
}
