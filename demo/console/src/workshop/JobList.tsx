import type { ReactNode } from 'react';
import type { Job } from './bench';

interface Props {
  jobs: Job[];
  children: (slot: { job: Job; late: boolean }) => ReactNode;
  onDone: (id: string) => void;
}

export function JobList({ jobs, children, onDone }: Props) {
  return (
    <ol>
      {jobs.map((job) => (
        <li key={job.id} onDoubleClick={() => onDone(job.id)}>
          {children({ job, late: job.minutes > 90 })}
        </li>
      ))}
    </ol>
  );
}
