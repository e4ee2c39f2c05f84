import { Link } from 'react-router';
import type { ReactNode } from 'react';
import type { FindingRow } from '../../../api/schemas';
import { links } from '../../links';
import { api } from '../../api';
import { CopyMenu } from '../../parts/CopyMenu';
import { findingMarkdown } from '../../parts/markdown';
import { LevelWord } from '../../parts/level';
import { ProvenTrail } from '../../parts/ProvenTrail';
import { Repair } from './Repair';
import { TrailSketch } from './TrailSketch';

/** One finding: the sentence, its strand in small, and the code of every step. */
interface FindingDetailProps {
  project: string;
  root: string | undefined;
  finding: FindingRow;
  /** What can be decided about it. */
  decide: ReactNode;
}

export function FindingDetail({ project, root, finding, decide }: FindingDetailProps) {
  const { currentData: whole } = api.useFindingQuery({ id: project, fingerprint: finding.fingerprint });
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
      <p className="mt-2 flex flex-wrap gap-x-4">
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
        <Link className="underline" to={links.rule(project, finding.rule)}>
          What the rule means
        </Link>
        <Link className="underline" to={links.component(project, finding.component)}>
          Open {finding.component.split('>').at(-1)}
        </Link>
      </p>
      <p className="mt-1">
        <CopyMenu markdown={whole && ((link) => findingMarkdown(whole, link))} />
      </p>
      {finding.silenced === undefined && decide}
      {finding.edit && <Repair project={project} edit={finding.edit} />}
      <ProvenTrail
        project={project}
        root={root}
        fingerprint={finding.fingerprint}
        above={(whole) => <TrailSketch finding={whole} />}
      />
    </article>
  );
}
