import { useState, type ReactNode } from 'react';
import { bench, type Job } from './bench';
import { JobList } from './JobList';
import { JobSheet } from './JobSheet';
import { ReasonField } from './ReasonField';

interface Props {
  jobs: Job[];
  notes: ReactNode;
  onDone: (id: string) => void;
}

export function JobBoard({ jobs, notes, onDone }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const [reason] = useState('');
  bench.mode = 'working';
  return (
    <div>
      <JobList jobs={jobs} onDone={(id) => onDone(id)}>
        {({ job, overdue }) => (
          <button onClick={() => setOpen(job.id)}>
            {job.title} {overdue}
          </button>
        )}
      </JobList>
      {open && (
        <JobSheet title={open} notes={notes} stamp={<b>Checked</b>} children="Draft">
          Sheet of {open}
        </JobSheet>
      )}
      <ReasonField value={reason} />
    </div>
  );
}
