/** The main screen: the tree as rows, strands as lanes beside it, the code of a strand's hops at the right. */
import { useParams, useSearchParams } from 'react-router';
import type { LaneView, RiggingRow } from '../../../api/schemas';
import { useAddress } from '../../address';
import { api, reasonOf } from '../../api';
import { count } from '../../parts/count';
import { NoComponents } from '../../parts/NoComponents';
import { Failed, Waiting } from '../../parts/states';
import { Unaudited } from '../../shell/Unaudited';
import { askIn } from './ask';
import { FilterBar } from './FilterBar';
import { Legend } from './Legend';
import { RiggingChart } from './RiggingChart';
import { StrandPanel } from './StrandPanel';

export function RiggingView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const change = useAddress();
  const ask = askIn(search);
  const { data: project, error: missing } = api.useProjectQuery(id);
  const waiting = project !== undefined && !project.audit;
  const {
    data: view,
    error,
    isLoading,
    refetch,
  } = api.useRiggingQuery({ id, ask }, { skip: !project?.audit });
  if (missing) return <Failed reason={reasonOf(missing)} />;
  if (waiting) return <Unaudited id={id} />;
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (isLoading || !view || !project?.audit) return <Waiting what="the rigging" />;
  if (view.rows === 0) return <NoComponents audit={project.audit} />;

  const strand = search.get('strand');
  // At first what was asked for, then the strand with the gravest finding, of those the first.
  const chosen =
    view.lanes.find((lane) => lane.id === strand) ??
    view.lanes.find((lane) => lane.pinned) ??
    (search.has('find') ? undefined : view.lanes.find((lane) => lane.level === 'error')) ??
    view.lanes[0];
  const asked = search.get('row');
  const row = asked === null ? undefined : Number(asked);
  const choose = (lane: LaneView, at?: number) =>
    change((next) => {
      next.set('strand', lane.id);
      if (at === undefined) next.delete('row');
      else next.set('row', String(at));
    });
  const chooseRow = ({ ref }: RiggingRow) =>
    change((next) => {
      for (const key of ['strand', 'row', 'find']) next.delete(key);
      next.set('component', ref);
    });
  const fold = (index: number) =>
    change((next) => {
      const key = String(index);
      if (next.getAll('fold').includes(key)) next.delete('fold', key);
      else next.append('fold', key);
    });
  const open = (from: number, to: number) => change((next) => next.append('open', `${from}-${to}`));

  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_clamp(22rem,34vw,38rem)] grid-rows-[minmax(0,1fr)]">
      <section className="flex min-w-0 flex-col" aria-label="Component tree with strands">
        <FilterBar view={view} />
        {!view.complete && (
          <p className="px-5 py-1 text-warning">
            The tree is larger than {count(view.rows, 'row')}; the rest is left out.
          </p>
        )}
        <RiggingChart
          ask={ask}
          view={view}
          audit={project.audit}
          strand={chosen?.id}
          row={row}
          onFold={fold}
          onOpen={open}
          onChoose={choose}
          onRow={chooseRow}
        />
        <Legend />
      </section>
      <StrandPanel project={id} lane={chosen} view={view} row={row} audit={project.audit} />
    </div>
  );
}
