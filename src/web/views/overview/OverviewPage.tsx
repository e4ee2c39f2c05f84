/** The first minute with a project: what it is, where it is worst, what is not known of it, what changed. */
import { useMemo, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import type { Overview } from '../../../api/component-schemas';
import type { AuditSummary, FindingRow } from '../../../api/schemas';
import { api, reasonOf } from '../../api';
import { links } from '../../links';
import { count, inFigures } from '../../parts/count';
import { Excerpt } from '../../parts/Code';
import { languageName } from '../../parts/languages';
import { LevelWord, levelTone } from '../../parts/level';
import { Place } from '../../parts/Place';
import { NoComponents } from '../../parts/NoComponents';
import { Failed, Waiting } from '../../parts/states';
import { Unaudited } from '../../shell/Unaudited';
import { type FacetValue, countBy } from '../findings/list';
import { FolderMap } from './FolderMap';
import { Known } from './Known';
import { regionsOf } from './regions';
import { Since } from './Since';

const MOST_RULES = 9;
const MOST_COMPONENTS = 6;

export function OverviewPage() {
  const { id = '' } = useParams();
  const { data: project, error: missing } = api.useProjectQuery(id);
  const audit = project?.audit;
  const { data: view, error, refetch } = api.useOverviewQuery(id, { skip: !audit });
  const { data: findings } = api.useFindingsQuery(id, { skip: !audit });
  const open = useMemo(
    () => (findings ?? []).filter((one) => one.silenced === undefined && !one.decision && !one.beside),
    [findings],
  );
  const regions = useMemo(() => (view ? regionsOf(view.folders, open) : []), [view, open]);
  if (missing) return <Failed reason={reasonOf(missing)} />;
  if (project && !audit) return <Unaudited id={id} />;
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (!project || !audit || !view || !findings) return <Waiting what="the overview" />;
  const gravest = countBy(open, (one) => one.fingerprint)[0]?.value;
  const first = open.find((one) => one.fingerprint === gravest);
  return (
    <div className="h-full overflow-y-auto px-6 py-4" data-scroll="page">
      <What audit={audit} view={view} project={id} root={project.root} />
      {audit.components === 0 ? (
        <NoComponents audit={audit} />
      ) : (
        <div className="mt-4 grid grid-cols-[minmax(0,1fr)_19rem] gap-x-8">
          <Section
            title="Where it is worst"
            says="areas are folders or files, as large as they hold components"
          >
            <FolderMap project={id} regions={regions} />
          </Section>
          <div>
            <Section title="Rules">
              <Counts
                values={countBy(open, (one) => one.rule)}
                most={MOST_RULES}
                linkOf={(rule) => links.findings(id, { rule })}
                all={`/p/${id}/findings`}
              />
            </Section>
            <Section title="Components">
              <Counts
                values={countBy(open, (one) => one.component)}
                most={MOST_COMPONENTS}
                linkOf={(component) => links.findings(id, { component })}
                all={links.findings(id, { by: 'component' })}
              />
            </Section>
          </div>
          <Section title={first ? 'The gravest finding' : 'Findings'}>
            {first ? (
              <Gravest project={id} root={project.root} finding={first} />
            ) : (
              <p className="text-soft">
                Every rule was run, and nothing is open.{' '}
                <Link className="underline" to={`/p/${id}/rigging`}>
                  Follow any value on the rigging
                </Link>
                .
              </p>
            )}
          </Section>
          <Section title="Since the audit before">
            <Since project={id} audit={audit} />
          </Section>
        </div>
      )}
      {audit.files > 0 && <Known project={id} audit={audit} view={view} />}
    </div>
  );
}

function Section({ title, says, children }: { title: string; says?: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="mb-4 min-w-0">
      <h2 className="mb-1.5 flex items-baseline gap-3 font-medium">
        {title} {says && <span className="font-normal text-faint">{says}</span>}
      </h2>
      {children}
    </section>
  );
}

interface WhatProps {
  audit: AuditSummary;
  view: Overview;
  project: string;
  root: string;
}

/** The figures of the project in two lines. */
function What({ audit, view, project, root }: WhatProps) {
  const languages = Object.entries(audit.languages).sort((a, b) => b[1] - a[1]);
  return (
    <header>
      <h1 className="flex flex-wrap items-baseline gap-x-3 text-[16px] font-semibold">
        {count(audit.components, 'component')} in {count(audit.files, 'file')}
        <span className="text-[13px] font-normal text-soft">
          {languages.map(([name, of]) => `${languageName(name)} ${inFigures(of)}`).join(', ')}
        </span>
        <span className="ml-auto truncate text-[13px] font-normal text-faint">{root}</span>
      </h1>
      {view.roots.length > 0 && (
        <p className="mt-0.5 text-soft">
          {view.rootCount === 1
            ? 'One tree starts at '
            : `${view.rootCount} trees; those that carry most start at `}
          {view.roots.map((one, at) => (
            <span key={one.ref}>
              {at > 0 && ', '}
              <Link className="underline" to={links.component(project, one.ref)}>
                {one.name}
              </Link>{' '}
              <span className="text-faint">{one.components}</span>
            </span>
          ))}
        </p>
      )}
    </header>
  );
}

interface CountsProps {
  values: FacetValue[];
  most: number;
  linkOf(value: string): string;
  all: string;
}

function Counts({ values, most, linkOf, all }: CountsProps) {
  const largest = Math.max(1, ...values.map((one) => one.count));
  if (!values.length) return <p className="text-soft">none</p>;
  return (
    <>
      <ul>
        {values.slice(0, most).map(({ value, count: of, level }) => (
          <li key={value}>
            <Link
              to={linkOf(value)}
              className="grid grid-cols-[minmax(0,1fr)_4rem_2rem] items-center gap-2 hover:bg-hover"
            >
              <span className="truncate">{value.split('>').at(-1)}</span>
              <span className="h-2" aria-hidden="true">
                <span
                  className="block h-2"
                  style={{ width: `${(100 * of) / largest}%`, background: `var(--${level})` }}
                />
              </span>
              <span className={`text-right tabular-nums ${levelTone(level)}`}>{of}</span>
            </Link>
          </li>
        ))}
      </ul>
      {values.length > most && (
        <Link className="text-soft underline" to={all}>
          {values.length - most} more
        </Link>
      )}
    </>
  );
}

interface GravestProps {
  project: string;
  root: string;
  finding: FindingRow;
}

function Gravest({ project, root, finding }: GravestProps) {
  return (
    <article>
      <p>
        <LevelWord level={finding.level} />{' '}
        <Link className="underline" to={links.finding(project, finding.fingerprint)}>
          {finding.message}
        </Link>
      </p>
      <Place root={root} file={finding.place.file} line={finding.place.line} column={finding.place.column} />
      <div className="mt-1 border-l-2 border-line-strong bg-sheet py-1 pl-2">
        <Excerpt project={project} spots={[finding.place]} around={2} />
      </div>
    </article>
  );
}
