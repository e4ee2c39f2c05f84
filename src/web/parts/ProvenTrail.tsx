/** The places that prove a finding, fetched for the one that is looked at. */
import type { ReactNode } from 'react';
import type { Finding } from '../../api/schemas';
import { api, reasonOf } from '../api';
import { Failed, Waiting } from './states';
import { Trail } from './Trail';

interface ProvenTrailProps {
  project: string;
  root?: string | undefined;
  fingerprint: string;
  /** Drawn above the places. */
  above?(finding: Finding): ReactNode;
}

export function ProvenTrail({ project, root, fingerprint, above }: ProvenTrailProps) {
  const { currentData, error, refetch } = api.useFindingQuery({ id: project, fingerprint });
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (!currentData) return <Waiting what="the places" />;
  return (
    <>
      {above?.(currentData)}
      <Trail project={project} root={root} finding={currentData} />
    </>
  );
}
