/** What the latest audit found that the one before did not, and what it does not find any more. */
import { Link } from 'react-router';
import type { AuditSummary, Finding } from '../../../api/schemas';
import { api } from '../../api';
import { links } from '../../links';
import { LevelWord } from '../../parts/level';

const FEW = 4;

export function Since({ project, audit }: { project: string; audit: AuditSummary }) {
  const { data: audits } = api.useAuditsQuery(project);
  const before = audits?.find((one) => one.id < audit.id);
  const { data } = api.useCompareQuery(
    { id: project, from: before?.id ?? 0, to: audit.id },
    { skip: before === undefined },
  );
  if (!audits) return null;
  if (!before) return <p className="text-soft">This is the first audit of the project.</p>;
  if (!data) return null;
  return (
    <>
      <p className="text-soft">
        <Link className="text-ink underline" to={`/p/${project}/audits?from=${before.id}&to=${audit.id}`}>
          {data.new.length} new, {data.gone.length} gone
        </Link>
        , {data.remaining} as they were
      </p>
      <ul>
        {data.new.slice(0, FEW).map((one) => (
          <Change key={one.fingerprint} project={project} finding={one} />
        ))}
        {data.gone.slice(0, FEW).map((one) => (
          <li key={one.fingerprint} className="truncate text-faint line-through" title={one.message}>
            {one.message}
          </li>
        ))}
      </ul>
    </>
  );
}

const Change = ({ project, finding }: { project: string; finding: Finding }) => (
  <li className="truncate" title={finding.message}>
    <LevelWord level={finding.level} />{' '}
    <Link className="hover:underline" to={links.finding(project, finding.fingerprint)}>
      {finding.message}
    </Link>
  </li>
);
