/** The project's history, and what two audits differ in. */
import { useParams, useSearchParams } from 'react-router';
import { Link } from 'react-router';
import type { AuditSummary, Finding } from '../../../api/schemas';
import { useAddress } from '../../address';
import { api, reasonOf } from '../../api';
import { links } from '../../links';
import { levelTone, LevelWord } from '../../parts/level';
import { Empty, Failed, Waiting } from '../../parts/states';
import { HistoryChart } from './HistoryChart';

export function AuditsView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const change = useAddress();
  const { data: audits, error, isLoading, refetch } = api.useAuditsQuery(id);
  const [latest, before] = audits ?? [];
  const to = Number(search.get('to') ?? latest?.id ?? 0);
  const from = Number(search.get('from') ?? before?.id ?? 0);
  const comparison = api.useCompareQuery({ id, from, to }, { skip: !from || !to || from === to });
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (isLoading || !audits) return <Waiting what="the audits" />;
  if (!latest) return <Empty>The project has not been audited yet.</Empty>;
  return (
    <div className="grid h-full grid-cols-[minmax(30rem,5fr)_6fr] grid-rows-[minmax(0,1fr)]">
      <section className="flex min-h-0 flex-col border-r border-line px-5 py-3" aria-label="History">
        <HistoryChart audits={[...audits].reverse()} from={from} to={to} />
        <div className="mt-2 min-h-0 grow overflow-y-auto" data-scroll="audits">
          <table className="w-full border-collapse tabular-nums">
            <caption className="sr-only">Audits, the latest first</caption>
            <thead className="sticky top-0 bg-ground text-left text-soft">
              <tr>
                <th className="py-1 font-normal">from</th>
                <th className="font-normal">to</th>
                <th className="font-normal">When</th>
                <th className="text-right font-normal">Files</th>
                <th className="text-right font-normal">Errors</th>
                <th className="text-right font-normal">Warnings</th>
                <th className="text-right font-normal">Notes</th>
                <th className="text-right font-normal">Took</th>
              </tr>
            </thead>
            <tbody>
              {audits.map((audit) => (
                <tr key={audit.id} className="h-7 border-b border-line/60">
                  <td>
                    <input
                      type="radio"
                      name="from"
                      aria-label={`Compare from ${whenOf(audit)}`}
                      checked={audit.id === from}
                      onChange={() => change((next) => next.set('from', String(audit.id)))}
                    />
                  </td>
                  <td>
                    <input
                      type="radio"
                      name="to"
                      aria-label={`Compare to ${whenOf(audit)}`}
                      checked={audit.id === to}
                      onChange={() => change((next) => next.set('to', String(audit.id)))}
                    />
                  </td>
                  <td className="whitespace-nowrap">{whenOf(audit)}</td>
                  <td className="text-right">{audit.files}</td>
                  {(['error', 'warning', 'note'] as const).map((level) => (
                    <td
                      key={level}
                      className={`text-right ${audit.counts[level] ? levelTone(level) : 'text-faint'}`}
                    >
                      {audit.counts[level]}
                    </td>
                  ))}
                  <td className="text-right text-soft">{(audit.milliseconds / 1000).toFixed(1)} s</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <section className="overflow-y-auto bg-sheet px-5 py-3" aria-label="What differs">
        {audits.length < 2 ? (
          <Empty>
            There is one audit so far. Change the code and audit again; what is new and what is gone is shown
            here.
          </Empty>
        ) : from === to ? (
          <Empty>Choose two different audits to compare.</Empty>
        ) : comparison.error ? (
          <p role="alert" className="text-error">
            {reasonOf(comparison.error)}
          </p>
        ) : !comparison.data ? (
          <Waiting what="what differs" />
        ) : (
          <>
            <h1 className="text-[15px] font-semibold">
              {comparison.data.new.length} new, {comparison.data.gone.length} gone,{' '}
              {comparison.data.remaining} remaining
            </h1>
            <Part title="New" project={id} findings={comparison.data.new} linked={to === latest.id} />
            <Part title="Gone" project={id} findings={comparison.data.gone} linked={false} />
          </>
        )}
      </section>
    </div>
  );
}

const whenOf = (audit: AuditSummary): string =>
  new Date(audit.finishedAt).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

interface PartProps {
  title: string;
  project: string;
  findings: Finding[];
  /** The findings are those of the latest audit, which the findings view shows. */
  linked: boolean;
}

function Part({ title, project, findings, linked }: PartProps) {
  const rules = [...new Set(findings.map((one) => one.rule))].sort();
  return (
    <section aria-label={title} className="mt-4">
      <h2 className="border-b border-line font-medium">{title}</h2>
      {findings.length === 0 && <p className="py-1 text-soft">None.</p>}
      {rules.map((rule) => (
        <div key={rule} className="mt-2">
          <h3 className="code text-soft">{rule}</h3>
          {findings
            .filter((one) => one.rule === rule)
            .map((one, i) => (
              <p key={`${one.fingerprint}-${i}`} className="py-0.5">
                <LevelWord level={one.level} />{' '}
                {linked ? (
                  <Link className="hover:underline" to={links.finding(project, one.fingerprint)}>
                    {one.message}
                  </Link>
                ) : (
                  one.message
                )}{' '}
                <span className="text-faint">
                  {one.place.file}:{one.place.line}
                </span>
              </p>
            ))}
        </div>
      ))}
    </section>
  );
}
