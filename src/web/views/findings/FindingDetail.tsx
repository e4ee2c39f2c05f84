import { Link } from 'react-router';
import type { FindingRow, Verdict } from '../../../api/schemas';
import { links } from '../../links';
import { LevelWord } from '../../parts/level';
import { ProvenTrail } from '../../parts/ProvenTrail';
import { Decide } from './Decide';
import { TrailSketch } from './TrailSketch';

/** One finding: the sentence, its strand in small, and the code of every step. */
interface FindingDetailProps {
  project: string;
  root: string | undefined;
  finding: FindingRow;
  shown: FindingRow[];
  asked: { verdict: Verdict; times: number } | undefined;
  onDecided(): void;
}

export function FindingDetail({ project, root, finding, shown, asked, onDecided }: FindingDetailProps) {
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
          <Link className="underline" to={links.strand(project, finding.strand)}>
            Open the strand
          </Link>
        )}
        {finding.site && (
          <Link
            className="underline"
            to={links.joint(project, finding.site.ref, finding.site.at, finding.subject.split(':').at(-1))}
          >
            Owner and child face to face
          </Link>
        )}
        <Link className="underline" to={links.component(project, finding.component)}>
          Open {finding.component.split('>').at(-1)}
        </Link>
      </p>
      {finding.silenced === undefined && (
        <Decide project={project} finding={finding} shown={shown} asked={asked} onDone={onDecided} />
      )}
      <ProvenTrail
        project={project}
        root={root}
        fingerprint={finding.fingerprint}
        above={(whole) => <TrailSketch finding={whole} />}
      />
    </article>
  );
}
