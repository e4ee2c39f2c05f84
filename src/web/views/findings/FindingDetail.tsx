import { Link } from 'react-router';
import type { Finding } from '../../../api/schemas';
import { LevelWord } from '../../parts/level';
import { Trail } from '../../parts/Trail';
import { TrailSketch } from './TrailSketch';

/** One finding: the sentence, its strand in small, and the code of every step. */
export function FindingDetail({ project, finding }: { project: string; finding: Finding }) {
  return (
    <article className="px-6 py-4">
      <p className="flex gap-3 text-soft">
        <LevelWord level={finding.level} />
        <span>{finding.rule}</span>
        <span className="code">{finding.subject}</span>
      </p>
      <h2 className="mt-1 text-[15px] leading-snug font-medium">{finding.message}</h2>
      {finding.silenced !== undefined && (
        <p className="mt-1 text-soft">Silenced in the source: {finding.silenced}</p>
      )}
      <p className="mt-2 flex gap-4">
        {finding.strand && (
          <Link className="underline" to={`/p/${project}/strand?ref=${encodeURIComponent(finding.strand)}`}>
            Open the strand
          </Link>
        )}
        <Link
          className="underline"
          to={`/p/${project}/rigging?find=${encodeURIComponent(finding.component)}`}
        >
          Show {finding.component} on the rigging
        </Link>
      </p>
      <TrailSketch finding={finding} />
      <Trail project={project} finding={finding} />
    </article>
  );
}
