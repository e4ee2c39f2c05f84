/** One value, hop by hop, in the order that the data flows. */
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { Reach, StrandView as Strand } from '../../../api/schemas';
import { api } from '../../api';
import { links } from '../../links';
import { notesOf, sideOf, type Side } from '../../parts/along';
import { HopList } from '../../parts/HopList';
import { placedHops } from '../../parts/hops';
import { MarkIcon } from '../../parts/Mark';
import { CopyMenu } from '../../parts/CopyMenu';
import { count } from '../../parts/count';
import { strandMarkdown } from '../../parts/markdown';
import { Empty, Unfound, Waiting } from '../../parts/states';
import { Ref } from '../../parts/Ref';
import { StrandMap } from './StrandMap';
import { strandSvg } from './svg';

const SIDES: [Side, string][] = [
  ['all', 'both ways'],
  ['up', 'upstream of the hop'],
  ['down', 'downstream of it'],
];

const REACHES: Record<Reach, string> = {
  itself: 'the value itself',
  step: 'one step further',
  far: 'all of it',
};

const hopAt = (ref: string): Element | null => document.querySelector(`[data-hop="${CSS.escape(ref)}"]`);

export function StrandView() {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const ref = search.get('ref') ?? '';
  const { data: project } = api.useProjectQuery(id);
  const reach = (search.get('reach') as Reach | null) ?? undefined;
  // What it was opened at is shown, however far it is; who walks on stays within what is shown.
  const [first, setFirst] = useState({ ref, hop: search.get('hop') });
  if (first.ref !== ref) setFirst({ ref, hop: search.get('hop') });
  const ask = { id, ref, ...(reach ? { reach } : {}), ...(first.hop ? { hop: first.hop } : {}) };
  const { data: strand, error, isLoading, refetch } = api.useStrandQuery(ask, { skip: !ref });
  const chosen = search.get('hop') ?? strand?.of ?? ref;
  // Opened at a hop, the code of that hop is what one came for.
  const opened = strand && strand.hops[0]?.ref !== chosen ? strand.of : undefined;
  useEffect(() => {
    if (opened !== undefined) hopAt(chosen)?.scrollIntoView({ block: 'start' });
    // Only what is opened is brought into sight; who walks on scrolls by hand.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [opened]);
  if (!ref) return <Empty>Choose a port: press / and type its name.</Empty>;
  if (isLoading) return <Waiting what="the strand" />;
  if (error) return <Unfound error={error} retry={() => void refetch()} />;
  if (!strand) return null;
  const isEvent = strand.of.split(':').at(-2) === 'event';

  const side = (search.get('side') ?? 'all') as Side;
  const around = Number(search.get('around') ?? 1);
  const kept = sideOf(strand, chosen, side);
  const seen: Strand = {
    ...strand,
    hops: strand.hops.filter((hop) => kept.has(hop.ref)),
    routes: strand.routes.filter((route) => kept.has(route.from) && kept.has(route.to)),
  };
  const set = (key: string, value: string) =>
    setSearch(
      (now) => {
        now.set(key, value);
        return now;
      },
      { replace: true },
    );
  /** Who chooses how far it goes is shown that, whatever it was opened at. */
  const reachTo = (key: string) => {
    setFirst({ ref, hop: null });
    setSearch(
      (now) => {
        now.set('reach', key);
        now.delete('hop');
        return now;
      },
      { replace: true },
    );
  };
  const choose = (hop: string) => {
    set('hop', hop);
    hopAt(hop)?.scrollIntoView({ block: 'nearest', behavior: 'smooth' });
  };
  return (
    <div className="grid h-full grid-cols-[minmax(22rem,2fr)_3fr] grid-rows-[minmax(0,1fr)]">
      <section
        className="overflow-auto border-r border-line px-5 py-4"
        aria-label="The strand as a drawing"
        data-scroll="drawing"
      >
        <h1 className="text-[15px] font-semibold wrap-break-word">
          <Ref text={strand.of} />
        </h1>
        <Ends project={id} strand={strand} />
        {strand.parts.length > 1 && (
          <Choice
            label="How far the strand is shown"
            options={strand.parts.map(({ reach, hops }) => [
              reach,
              `${REACHES[reach]}, ${count(hops, 'hop')}`,
            ])}
            chosen={strand.reach}
            onChoose={reachTo}
          />
        )}
        <Choice
          label="Side of the strand"
          options={SIDES}
          chosen={side}
          onChoose={(key) => set('side', key)}
        />
        <StrandMap strand={seen} chosen={chosen} onChoose={choose} />
        <p className="mt-4 flex flex-wrap gap-x-3">
          <Link
            className="underline"
            to={`/p/${id}/rigging?pin=${encodeURIComponent(ref)}&strand=${encodeURIComponent(ref)}`}
          >
            Show it on the rigging
          </Link>
          <CopyMenu markdown={(link) => strandMarkdown(seen, link)} picture={() => strandSvg(seen)} />
        </p>
      </section>
      <section className="overflow-y-auto bg-sheet px-4 py-3" aria-label="Hops with code" data-scroll="hops">
        <p className="flex items-baseline gap-3 text-soft">
          {isEvent ? 'What the event sets off, in order' : 'Hop by hop, as the data flows'}
          <span className="ml-auto" role="group" aria-label="Lines around each place">
            lines around
            {[1, 4, 12].map((lines) => (
              <button
                key={lines}
                type="button"
                aria-pressed={around === lines}
                className={`ml-2 ${around === lines ? 'font-medium text-ink' : 'underline'}`}
                onClick={() => set('around', String(lines))}
              >
                {lines}
              </button>
            ))}
          </span>
        </p>
        <HopList
          project={id}
          root={project?.root}
          hops={placedHops(seen)}
          notes={notesOf(strand)}
          chosen={chosen}
          most={3}
          around={around}
          onChoose={choose}
        />
      </section>
    </div>
  );
}

interface ChoiceProps {
  label: string;
  options: [key: string, title: string][];
  chosen: string;
  onChoose(key: string): void;
}

/** One of a few, in a line. */
function Choice({ label, options, chosen, onChoose }: ChoiceProps) {
  return (
    <div role="group" aria-label={label} className="mb-1 flex flex-wrap gap-1">
      {options.map(([key, title]) => (
        <button
          key={key}
          type="button"
          aria-pressed={chosen === key}
          className={`border-b-2 px-1.5 ${chosen === key ? 'border-ink font-medium' : 'border-transparent hover:border-line-strong'}`}
          onClick={() => onChoose(key)}
        >
          {title}
        </button>
      ))}
    </div>
  );
}

/** Where the value comes from and where it ends, as far as it is shown. */
function Ends({ project, strand }: { project: string; strand: Strand }) {
  const list = (title: string, refs: string[], note?: string) => (
    <>
      <dt className="text-soft">{title}</dt>
      <dd className="mb-1">
        {refs.length === 0 && <span className="text-soft">further away than is shown</span>}
        {refs.slice(0, 8).map((one) => {
          const hop = strand.hops.find((other) => other.ref === one);
          return (
            <Link
              key={one}
              to={`/p/${project}/strand?ref=${encodeURIComponent(one)}`}
              className="flex items-start gap-1.5 hover:underline"
            >
              {hop && <MarkIcon role={hop.role} channel={hop.channel} />}
              <span className="min-w-0 wrap-break-word">
                <Ref text={one} />
              </span>
            </Link>
          );
        })}
        {refs.length > 8 && <span className="text-faint">and {refs.length - 8} more</span>}
        {note && <p className="text-soft">{note}</p>}
      </dd>
    </>
  );
  return (
    <dl className="my-3 grid grid-cols-[5.5rem_minmax(0,1fr)]">
      {list('Comes from', strand.origins)}
      {list('Ends in', strand.ends)}
      {strand.reach === 'far' &&
        strand.cut.length > 0 &&
        list('Goes on at', strand.cut, 'Further than anybody reads at once: choose one of them to go on.')}
      {strand.silences.length > 0 && (
        <>
          <dt className="text-soft">Not known</dt>
          <dd className="mb-1">
            {strand.silences.map(({ why, components }) => (
              <p key={why} className="text-soft">
                {components.slice(0, 4).map((one, at) => (
                  <span key={one.ref}>
                    {at > 0 && ', '}
                    <Link className="text-ink hover:underline" to={links.component(project, one.ref)}>
                      {one.name}
                    </Link>
                  </span>
                ))}
                {components.length > 4 && ` and ${components.length - 4} more`} with {why}
              </p>
            ))}
          </dd>
        </>
      )}
    </dl>
  );
}
