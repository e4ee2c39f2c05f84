import { useEffect, useState, type ReactNode } from 'react';
import type { Job } from './bench';
import { JobBoard } from './JobBoard';

interface Props {
  jobs: Job[];
  notes: ReactNode;
  onDone: (id: string) => void;
}

export function BoardFrame({ jobs, notes, onDone }: Props) {
  const [wide, setWide] = useState(true);
  useEffect(() => {
    const watch = () => setWide(window.innerWidth > 900);
    window.addEventListener('resize', watch);
    return () => window.removeEventListener('resize', watch);
  }, []);
  return wide ? (
    <main>
      <JobBoard jobs={jobs} notes={notes} onDone={(id) => onDone(id)} />
    </main>
  ) : (
    <aside>
      <JobBoard jobs={jobs} notes={notes} onDone={(id) => onDone(id)} />
    </aside>
  );
}
