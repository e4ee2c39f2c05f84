/** The chosen strand beside the rigging: what is wrong with it, and the code of each hop. */
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { AuditSummary, LaneView, RiggingView } from '../../../api/schemas';
import { api, reasonOf } from '../../api';
import { HopList } from '../../parts/HopList';
import { placedHops } from '../../parts/hops';
import { LevelWord } from '../../parts/level';
import { Empty, Waiting } from '../../parts/states';
import { Trail } from '../../parts/Trail';

interface StrandPanelProps {
  project: string;
  lane: LaneView | undefined;
  view: RiggingView;
  row: number | undefined;
  audit: AuditSummary;
}

export function StrandPanel({ project, lane, view, row, audit }: StrandPanelProps) {
  if (!lane) {
    return (
      <aside className="border-l border-line bg-sheet" aria-label="Strand">
        <Empty>
          {view.lanes.length === 0
            ? `Nothing was found in ${audit.components} components of ${audit.files} files. Search for a port with / and show it on the rigging.`
            : 'No strand passes the filter.'}
        </Empty>
      </aside>
    );
  }
  const mark = lane.marks.find((one) => one.row === row);
  return (
    <aside
      className="flex min-h-0 flex-col overflow-y-auto border-l border-line bg-sheet"
      aria-label="Strand"
    >
      <header className="px-5 pt-4 pb-2">
        <h2 className="text-[16px] font-semibold break-all">{lane.title}</h2>
        <p className="flex flex-wrap gap-x-3 text-soft">
          <span>
            {lane.channel} in {inWords(new Set(lane.marks.map((one) => view.rows[one.row]!.name)).size)}
          </span>
          {lane.refs[0] && (
            <Link
              className="underline"
              to={`/p/${project}/strand?ref=${encodeURIComponent(mark?.ref ?? lane.refs[0])}`}
            >
              Open the strand
            </Link>
          )}
        </p>
      </header>
      <FindingsOf project={project} lane={lane} withTrail={lane.refs.length === 0} />
      {lane.refs.length > 0 && <Hops project={project} lane={lane} chosen={mark?.ref} />}
    </aside>
  );
}

const inWords = (count: number): string => (count === 1 ? 'one component' : `${count} components`);

function FindingsOf({ project, lane, withTrail }: { project: string; lane: LaneView; withTrail: boolean }) {
  const { data = [] } = api.useFindingsQuery(project, { skip: lane.findings.length === 0 });
  const shown = data.filter((finding) => lane.findings.includes(finding.fingerprint));
  return (
    <ul className="px-5">
      {shown.map((finding) => (
        <li key={finding.fingerprint} className="mb-2">
          <p>
            <LevelWord level={finding.level} /> {finding.message}{' '}
            <Link
              className="text-soft underline"
              to={`/p/${project}/findings?finding=${finding.fingerprint}`}
            >
              {finding.rule}
            </Link>
          </p>
          {withTrail && (
            <div className="mt-2">
              <Trail project={project} finding={finding} />
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}

function Hops({ project, lane, chosen }: { project: string; lane: LaneView; chosen: string | undefined }) {
  const [first, second] = lane.refs;
  const upper = api.useStrandQuery({ id: project, ref: first! });
  const lower = api.useStrandQuery({ id: project, ref: second ?? '' }, { skip: second === undefined });
  const box = useRef<HTMLDivElement>(null);
  const strands = [lower.data, upper.data].filter((one) => one !== undefined);
  const loaded = strands.length;
  useEffect(() => {
    if (!chosen) return;
    box.current
      ?.querySelector(`[data-hop="${CSS.escape(chosen)}"]`)
      ?.scrollIntoView({ block: 'start', behavior: 'smooth' });
  }, [chosen, loaded]);
  if (upper.error) return <p className="px-5 text-error">{reasonOf(upper.error)}</p>;
  if (!upper.data) return <Waiting what="the strand" />;
  return (
    <div ref={box} className="px-3 pb-6">
      <HopList
        project={project}
        hops={placedHops(strands).filter((hop) => lane.hops.includes(hop.ref))}
        chosen={chosen}
        most={1}
      />
    </div>
  );
}
