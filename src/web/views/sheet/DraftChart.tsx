/** The rigging of a sheet as it is written. */
import { useMemo, useState } from 'react';
import type { RiggingRow, RiggingView } from '../../../api/schemas';
import type { DraftView } from '../../../api/sheet-schemas';
import { links } from '../../links';
import { Empty } from '../../parts/states';
import { Legend } from '../rigging/Legend';
import { RiggingChart } from '../rigging/RiggingChart';

interface DraftChartProps {
  project: string;
  path: string;
  draft: DraftView;
  onGo(line: number): void;
}

const isSheet = (file: string): boolean => /\.rope\.(yaml|json)$/.test(file);

/** Nothing is folded. */
const unfolded = ({ rigging }: DraftView): RiggingView => ({
  ...rigging,
  window: {
    ...rigging.window,
    rows: rigging.window.rows.map((one) => ('span' in one ? { ...one, span: 0 } : one)),
  },
});

export function DraftChart({ project, path, draft, onGo }: DraftChartProps) {
  const view = useMemo(() => unfolded(draft), [draft]);
  const [strand, setStrand] = useState<string>();
  const [row, setRow] = useState<number>();
  if (view.rows === 0)
    return (
      <Empty>
        <p>
          Nothing is drawn yet: the tree begins with the components that <span className="code">roots</span>{' '}
          names.
        </p>
      </Empty>
    );
  const chosen =
    view.lanes.find((lane) => lane.id === strand) ??
    view.lanes.find((lane) => lane.level === 'error') ??
    view.lanes[0];
  const placeOf = (one: RiggingRow) => one.site ?? { file: one.file, line: one.line };
  const addressOf = (one: RiggingRow) => {
    const { file, line } = placeOf(one);
    return isSheet(file) ? links.sheet(project, file, line) : links.component(project, one.ref);
  };
  return (
    <>
      <RiggingChart
        ask=""
        view={view}
        addressOf={addressOf}
        strand={chosen?.id}
        row={row}
        onChoose={(lane, at) => {
          setStrand(lane.id);
          setRow(at);
        }}
        onRow={(one) => {
          const { file, line } = placeOf(one);
          if (file === path) onGo(line);
        }}
      />
      <Legend />
    </>
  );
}
