/** The main screen: the tree as rows, strands as lanes beside it, the code of a strand's hops at the right. */
import { useMemo, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import type { Channel, LaneView, Level } from '../../../api/schemas';
import { useAddress } from '../../address';
import { api, reasonOf } from '../../api';
import { count } from '../../parts/count';
import { Empty, Failed, Waiting } from '../../parts/states';
import { isRunning, useProgress } from '../../shell/progress';
import { ProgressBar } from '../../shell/ProgressBar';
import { FilterBar } from './FilterBar';
import { filterLanes, type Filter } from './layout';
import { RiggingChart } from './RiggingChart';
import { Legend } from './Legend';
import { StrandPanel } from './StrandPanel';

/** Rows that are surely in sight at first. */
const FIRST_ROWS = 12;

export function RiggingView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const change = useAddress();
  const pins = search.getAll('pin');
  const progress = useProgress(id);
  const { data: project, error: missing } = api.useProjectQuery(id);
  const waiting = project !== undefined && !project.audit;
  const {
    data: view,
    error,
    isLoading,
    refetch,
  } = api.useRiggingQuery({ id, pins }, { skip: !project?.audit });
  const filter = useMemo<Filter>(
    () => ({
      text: search.get('find') ?? '',
      channels: new Set(search.getAll('channel') as Channel[]),
      levels: new Set(search.getAll('level') as Level[]),
    }),
    [search],
  );
  const lanes = useMemo(() => (view ? filterLanes(view, filter) : []), [view, filter]);
  const [folded, setFolded] = useState<ReadonlySet<number>>(new Set());

  if (missing) return <Failed reason={reasonOf(missing)} />;
  if (waiting && progress && isRunning(progress.stage)) {
    return (
      <div className="p-6">
        <ProgressBar progress={progress} />
      </div>
    );
  }
  if (waiting) {
    return (
      <Failed
        reason={progress?.message ?? 'This project has not been audited yet. Use “Audit again” above.'}
      />
    );
  }
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (isLoading || !view || !project?.audit) return <Waiting what="the rigging" />;
  if (view.rows.length === 0) {
    return (
      <Empty>
        No components were found in {project.audit.files} files of {project.root}.
        {project.audit.problems.map((problem) => (
          <p key={problem.file} className="mt-2 text-error">
            {problem.file}:{problem.line} was not understood: {problem.message}
          </p>
        ))}
      </Empty>
    );
  }

  const chosenId = search.get('strand');
  // At first the longest strand that starts where the reader looks, so that the page opens at the root.
  const chosen =
    lanes.find((lane) => lane.id === chosenId) ??
    lanes.find((lane) => (lane.marks[0]?.row ?? 0) < FIRST_ROWS) ??
    lanes[0];
  const row = search.get('row');
  const choose = (lane: LaneView, at?: number) =>
    change((next) => {
      next.set('strand', lane.id);
      if (at === undefined) next.delete('row');
      else next.set('row', String(at));
    });

  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_clamp(22rem,34vw,38rem)] grid-rows-[minmax(0,1fr)]">
      <section className="flex min-w-0 flex-col" aria-label="Component tree with strands">
        <FilterBar shown={lanes.length} view={view} />
        {!view.complete && (
          <p className="px-5 py-1 text-warning">
            The tree is larger than {count(view.rows.length, 'row')}; the rest is left out.
          </p>
        )}
        <RiggingChart
          view={view}
          audit={project.audit}
          lanes={lanes}
          chosen={chosen}
          row={row === null ? undefined : Number(row)}
          find={filter.text}
          folded={folded}
          onFold={setFolded}
          onChoose={choose}
        />
        <Legend />
      </section>
      <StrandPanel
        project={id}
        lane={chosen}
        view={view}
        row={row === null ? undefined : Number(row)}
        audit={project.audit}
      />
    </div>
  );
}
