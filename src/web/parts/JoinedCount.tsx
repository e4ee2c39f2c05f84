/** How many tags an audit joined to the components that they name; leads to the list of the others. */
import { Link } from 'react-router';
import type { AuditSummary } from '../../api/schemas';
import { links } from '../links';
import { isPoor } from './tally';

export function JoinedCount({ project, audit }: { project: string; audit: AuditSummary }) {
  const tally = audit.joined?.tallies.tag;
  if (!tally) return <span className="text-faint">not counted</span>;
  return (
    <Link
      to={links.joined(project)}
      className={`tabular-nums hover:underline ${isPoor(tally) ? 'text-warning' : ''}`}
      title="Tags that were joined to the component of the project that they name"
    >
      {tally.joined.toLocaleString('en')} of {tally.written.toLocaleString('en')}
    </Link>
  );
}
