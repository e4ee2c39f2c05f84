/** The chosen strand beside the rigging: what is wrong with it, and the code of each hop. */
import { useEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { AuditSummary, LaneView, RiggingView } from '../../../api/schemas';
import { useAddress } from '../../address';
import { api, reasonOf } from '../../api';
import { count } from '../../parts/count';
import { HopList } from '../../parts/HopList';
import { placedHops } from '../../parts/hops';
import { LevelWord } from '../../parts/level';
import { Empty, Waiting } from '../../parts/states';
import { ProvenTrail } from '../../parts/ProvenTrail';
import { links } from '../../links';
import { saidOf } from '../findings/list';
import { isNarrowed } from './ask';

interface StrandPanelProps {
  project: string;
  lane: LaneView | undefined;
  view: RiggingView;
  row: number | undefined;
  audit: AuditSummary;
}

export function StrandPanel({ project, lane, view, row, audit }: StrandPanelProps) {
  const [search] = useSearchParams();
  const component = search.get('component');
  const heading = component && <ComponentHeading project={project} component={component} view={view} />;
  if (!lane) {
    return (
      <aside className="border-l border-line bg-sheet" aria-label="Strand">
        {heading}
        <Empty>
          {isNarrowed(search) ? <Unmatched project={project} view={view} /> : <Healthy audit={audit} />}
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
      {heading}
      <header className="px-5 pt-4 pb-2">
        <h2 className="text-[16px] font-semibold break-all">{lane.title}</h2>
        <p className="flex flex-wrap gap-x-3 text-soft">
          <span>
            {lane.channel} in {inWords(new Set(lane.marks.map((one) => one.component)).size)}
          </span>
          {lane.more !== undefined && <span>{count(lane.more, 'row')} more, further down</span>}
          {lane.refs[0] && (
            <Link
              className="underline"
              to={`/p/${project}/strand?ref=${encodeURIComponent(mark?.ref ?? lane.refs[0])}`}
            >
              Open the strand
            </Link>
          )}
          {lane.refs[0] && <PinButton lane={lane} />}
        </p>
      </header>
      <Compared lane={lane} view={view} />
      <FindingsOf key={lane.id} project={project} lane={lane} />
      {lane.refs.length > 0 && <Hops project={project} lane={lane} chosen={mark?.ref} />}
    </aside>
  );
}

/** What the chosen rows are instances of. */
function ComponentHeading({
  project,
  component,
  view,
}: {
  project: string;
  component: string;
  view: RiggingView;
}) {
  return (
    <p className="flex flex-wrap gap-x-3 border-b border-line px-5 py-2 text-soft">
      <span>
        {count(view.strands, 'strand')} through{' '}
        <span className="font-medium text-ink">{component.split('>').at(-1)}</span>
      </span>
      <Link className="underline" to={links.component(project, component)}>
        Open the component
      </Link>
      <Link className="underline" to={links.joint(project, component, 0)}>
        Its call sites
      </Link>
    </p>
  );
}

function Healthy({ audit }: { audit: AuditSummary }) {
  return (
    <p>
      Nothing was found in {count(audit.components, 'component')} of {count(audit.files, 'file')}. Type a name
      above, or choose a row, to see the strands of any value.
    </p>
  );
}

/** No strand passes: what narrows, and how to go on. */
function Unmatched({ project, view }: { project: string; view: RiggingView }) {
  const [search] = useSearchParams();
  const change = useAddress();
  const find = search.get('find') ?? '';
  const { data: near = [] } = api.useSearchQuery({ id: project, q: find }, { skip: !find });
  const others = ['channel', 'level', 'rule', 'folder'].filter((key) => search.has(key));
  return (
    <>
      <p>
        {find && view.found === 0
          ? `No component and no port is called ${find}.`
          : `No strand fits ${[find && `“${find}”`, ...others].filter(Boolean).join(', ')} together.`}
      </p>
      {near.length > 0 && (
        <ul className="mt-2">
          {near.slice(0, 8).map((hit) => (
            <li key={`${hit.kind}:${hit.ref}`}>
              {hit.title} <span className="text-faint">{hit.detail}</span>
            </li>
          ))}
        </ul>
      )}
      <button
        type="button"
        className="mt-2 underline"
        onClick={() => change((next) => ['find', 'component', ...others].forEach((key) => next.delete(key)))}
      >
        Show all strands with findings
      </button>
    </>
  );
}

/** Keeps a strand among the lanes, whatever the filters say. */
function PinButton({ lane }: { lane: LaneView }) {
  const change = useAddress();
  const ref = lane.refs[0]!;
  return (
    <button
      type="button"
      className="underline"
      aria-pressed={lane.pinned === true}
      onClick={() =>
        change((next) => {
          if (lane.pinned) for (const one of lane.refs) next.delete('pin', one);
          else next.append('pin', ref);
        })
      }
    >
      {lane.pinned ? 'Let it go' : 'Pin it'}
    </button>
  );
}

/** The chosen strand beside those that are pinned: where both pass, and where only one does. */
function Compared({ lane, view }: { lane: LaneView; view: RiggingView }) {
  const others = view.lanes.filter((one) => one.pinned && one.id !== lane.id);
  const namesOf = (one: LaneView) => new Set(one.marks.map((mark) => mark.component));
  const own = namesOf(lane);
  return others.map((other) => {
    const theirs = namesOf(other);
    const both = [...own].filter((name) => theirs.has(name));
    return (
      <dl key={other.id} className="mx-5 mb-2 grid grid-cols-[7rem_1fr] border-l-2 border-line-strong pl-3">
        <dt className="col-span-2 text-soft">beside the pinned strand {other.title}</dt>
        <dt className="text-soft">both</dt>
        <dd>{both.join(', ') || 'no component'}</dd>
        <dt className="text-soft">only this</dt>
        <dd>{[...own].filter((name) => !theirs.has(name)).join(', ') || 'none'}</dd>
        <dt className="text-soft">only that</dt>
        <dd>{[...theirs].filter((name) => !own.has(name)).join(', ') || 'none'}</dd>
      </dl>
    );
  });
}

const inWords = (count: number): string => (count === 1 ? 'one component' : `${count} components`);

/** A strand with more hops shows the places that prove its gravest finding first. */
const LONG = 8;

/** So many kinds of findings are shown at first. */
const FEW = 8;

/** What was found on a strand, the gravest first; what is said of several places is said once. */
function FindingsOf({ project, lane }: { project: string; lane: LaneView }) {
  const { data = [] } = api.useFindingsQuery(project, { skip: lane.findings.length === 0 });
  const [all, setAll] = useState(false);
  const here = new Set(lane.findings);
  const found = data.filter((finding) => here.has(finding.fingerprint));
  const said = saidOf(found);
  const shown = all ? said : said.slice(0, FEW);
  // Of a long strand one wants to see what is wrong with it before all of its hops; a short one shows that itself.
  const proves = (at: number): boolean => lane.refs.length === 0 || (at === 0 && lane.hops.length > LONG);
  return (
    <>
      <ul className="px-5">
        {shown.map(({ message, level, findings }, at) => {
          const { fingerprint, rule } = findings[0]!;
          return (
            <li key={message} className="mb-2">
              <p>
                <LevelWord level={level} /> {message}{' '}
                <Link className="text-soft underline" to={`/p/${project}/findings?finding=${fingerprint}`}>
                  {rule}
                </Link>
                {findings.length > 1 && <span className="text-soft"> in {findings.length} places</span>}
              </p>
              {proves(at) && (
                <div className="mt-2">
                  <ProvenTrail project={project} fingerprint={fingerprint} />
                </div>
              )}
            </li>
          );
        })}
      </ul>
      {shown.length < said.length && (
        <button type="button" className="mx-5 mb-2 self-start underline" onClick={() => setAll(true)}>
          {said.length - shown.length} more
        </button>
      )}
    </>
  );
}

function Hops({ project, lane, chosen }: { project: string; lane: LaneView; chosen: string | undefined }) {
  const strand = api.useStrandQuery({ id: project, ref: lane.refs[0]!, reach: 'far' });
  const box = useRef<HTMLDivElement>(null);
  const isLoaded = strand.data !== undefined;
  useEffect(() => {
    if (!chosen) return;
    box.current
      ?.querySelector(`[data-hop="${CSS.escape(chosen)}"]`)
      ?.scrollIntoView({ block: 'start', behavior: 'smooth' });
  }, [chosen, isLoaded]);
  if (strand.error) return <p className="px-5 text-error">{reasonOf(strand.error)}</p>;
  if (!strand.data) return <Waiting what="the strand" />;
  return (
    <div ref={box} className="px-3 pb-6">
      {lane.findings.length > 0 && lane.hops.length > LONG && (
        <h3 className="mx-2 mb-1 border-t border-line pt-2 font-medium text-soft">All of the strand</h3>
      )}
      <HopList
        project={project}
        hops={placedHops(strand.data).filter((hop) => lane.hops.includes(hop.ref))}
        chosen={chosen}
        most={1}
      />
    </div>
  );
}
