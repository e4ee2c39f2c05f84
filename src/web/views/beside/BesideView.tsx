/** Two components side by side, or two call sites of one: what they share, and in what they differ. */
import { type ReactNode, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Cell, ComponentView, PortView } from '../../../api/component-schemas';
import { api, choicesOf, reasonOf } from '../../api';
import { links } from '../../links';
import { count } from '../../parts/count';
import { isLoose, JOIN_WORDS } from '../../parts/joinWords';
import { Place } from '../../parts/Place';
import { Empty, Failed, Waiting } from '../../parts/states';
import { cellRows, portRows, shared } from './beside';
import { Pairs } from './Pairs';
import { Rows } from './Rows';
import { Sources } from './Sources';

export function BesideView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const one = search.get('one') ?? undefined;
  const other = search.get('other') ?? undefined;
  const and = search.get('and');
  const body =
    one === undefined ? (
      <AllPairs project={id} />
    ) : and !== null ? (
      <TwoSites project={id} of={one} at={Number(search.get('at') ?? 0)} and={Number(and)} />
    ) : other === undefined ? (
      <Near project={id} of={one} />
    ) : (
      <TwoComponents project={id} one={one} other={other} />
    );
  return (
    <div className="h-full overflow-y-auto px-5 py-3" data-scroll="page">
      {body}
    </div>
  );
}

function AllPairs({ project }: { project: string }) {
  const { data, error, refetch } = api.useAlikeQuery({ id: project });
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (!data) return <Waiting what="components that are alike" />;
  return (
    <>
      <h1 className="mb-1 text-[16px] font-semibold">Components that are alike</h1>
      <p className="mb-2 text-soft">
        Pairs that take nearly the same, those with most in common first. What many components take counts
        little.
      </p>
      {data.length ? (
        <Pairs project={project} pairs={data} />
      ) : (
        <Empty>No two components take nearly the same.</Empty>
      )}
    </>
  );
}

/** One is chosen: those that are like it, and a field for any other. */
function Near({ project, of }: { project: string; of: string }) {
  const { data, error, refetch } = api.useAlikeQuery({ id: project, ref: of });
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  if (error)
    return (
      <Lost error={error} wanted={of} retry={() => void refetch()} to={(ref) => links.beside(project, ref)} />
    );
  if (!data) return <Waiting what="components that are alike" />;
  return (
    <>
      <h1 className="mb-1 text-[16px] font-semibold">{of} beside another</h1>
      <form
        className="mb-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim()) void navigate(links.beside(project, of, typed.trim()));
        }}
      >
        <input
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          placeholder="Component"
          aria-label="The other component"
          className="h-7 w-64 border border-line bg-sheet px-2"
        />{' '}
        <button type="submit" className="underline">
          Put beside
        </button>
      </form>
      {data.length ? (
        <>
          <h2 className="mb-1 text-soft">Those that take most of what it takes</h2>
          <Pairs project={project} pairs={data} of={of} />
        </>
      ) : (
        <p className="text-soft">No other component takes much of what it takes.</p>
      )}
    </>
  );
}

/** A name in the address means nothing, or several things. */
function Lost({
  error,
  wanted,
  retry,
  to,
}: {
  error: unknown;
  wanted: string;
  retry(): void;
  to(ref: string): string;
}) {
  const choices = choicesOf(error);
  if (!choices.length) return <Failed reason={reasonOf(error)} retry={retry} />;
  return (
    <div role="alert" className="py-3">
      <p>{wanted} names no one component. Is one of these meant?</p>
      <ul className="mt-2">
        {choices.map((ref) => (
          <li key={ref}>
            <Link className="code underline" to={to(ref)}>
              {ref}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}

function TwoComponents({ project, one, other }: { project: string; one: string; other: string }) {
  const first = api.useComponentQuery({ id: project, ref: one });
  const second = api.useComponentQuery({ id: project, ref: other });
  const { data: summary } = api.useProjectQuery(project);
  if (first.error)
    return (
      <Lost
        error={first.error}
        wanted={one}
        retry={() => void first.refetch()}
        to={(ref) => links.beside(project, ref, other)}
      />
    );
  if (second.error)
    return (
      <Lost
        error={second.error}
        wanted={other}
        retry={() => void second.refetch()}
        to={(ref) => links.beside(project, one, ref)}
      />
    );
  if (!first.data || !second.data) return <Waiting what="the components" />;
  const [a, b] = [first.data, second.data];
  const rows = portRows(a, b);
  const both = rows.filter((row) => row.one && row.other).length;
  const title = (view: ComponentView) => (
    <>
      <Link className="hover:underline" to={links.component(project, view.ref)}>
        {view.name}
      </Link>{' '}
      <span className="font-normal">
        <Place root={summary?.root} file={view.spot.file} line={view.spot.line} column={view.spot.column} />
      </span>
    </>
  );
  return (
    <>
      <h1 className="mb-1 text-[16px] font-semibold">
        {a.name} and {b.name}
      </h1>
      <p className="mb-2 text-soft">
        {both} of {rows.length} ports in common.{' '}
        <Link className="underline" to={links.beside(project, a.ref)}>
          What else is like {a.name}
        </Link>{' '}
        <Link className="underline" to={links.beside(project, b.ref)}>
          What else is like {b.name}
        </Link>
      </p>
      <Rows
        caption={`What ${a.name} and ${b.name} take`}
        rows={rows}
        titles={[title(a), title(b)]}
        nothing="does not take it"
        side={(port) => <PortSide project={project} port={port} />}
      />
      <div className="mt-4 grid grid-cols-4 gap-8">
        <Both title="Rendered by" one={a} other={b} of={(view) => view.sites.map((site) => site.owner)} />
        <Both title="Renders" one={a} other={b} of={(view) => view.renders.map((child) => child.name)} />
        <Both title="Consumes" one={a} other={b} of={(view) => view.consumes.map((context) => context.key)} />
        <Part title="Call sites">
          <p>
            {a.name} <span className="tabular-nums">{a.sites.length}</span>
          </p>
          <p>
            {b.name} <span className="tabular-nums">{b.sites.length}</span>
          </p>
        </Part>
      </div>
      <Sources project={project} spots={[a.spot, b.spot]} />
    </>
  );
}

const PortSide = ({ project, port }: { project: string; port: PortView }) => (
  <Link className="hover:underline" to={links.strand(project, port.ref)} title={`${port.type}, ${port.does}`}>
    <span className="code">{port.type || 'unknown'}</span>
    {port.default !== undefined && <span className="code text-faint"> = {port.default}</span>}
    {port.required && <span className="text-soft"> required</span>}
    <span className="text-faint"> {port.does}</span>
  </Link>
);

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="min-w-0">
      <h2 className="mb-1 border-b border-line pb-0.5 font-medium text-soft">{title}</h2>
      {children}
    </section>
  );
}

interface BothProps {
  title: string;
  one: ComponentView;
  other: ComponentView;
  of(view: ComponentView): string[];
}

function Both({ title, one, other, of }: BothProps) {
  const names = shared(of(one), of(other));
  const lines: [who: string, names: string[]][] = [
    ['both', names.both],
    [one.name, names.one],
    [other.name, names.other],
  ];
  const told = lines.filter(([, list]) => list.length);
  return (
    <Part title={title}>
      {told.length === 0 && <p className="text-soft">Nothing.</p>}
      {told.map(([who, list]) => (
        <p key={who}>
          <span className="text-soft">{who}:</span> {list.join(', ')}
        </p>
      ))}
    </Part>
  );
}

function TwoSites({ project, of, at, and }: { project: string; of: string; at: number; and: number }) {
  const { data: view, error, refetch } = api.useComponentQuery({ id: project, ref: of });
  const { data: summary } = api.useProjectQuery(project);
  if (error)
    return (
      <Lost
        error={error}
        wanted={of}
        retry={() => void refetch()}
        to={(ref) => links.sitesBeside(project, ref, at, and)}
      />
    );
  if (!view) return <Waiting what="the call sites" />;
  const [one, other] = [view.sites[at], view.sites[and]];
  if (!one || !other)
    return <Failed reason={`${view.name} has ${count(view.sites.length, 'call site')}, not these two.`} />;
  const title = (site: typeof one) => (
    <>
      <Link className="hover:underline" to={links.joint(project, view.ref, site.at)}>
        in {site.owner}
      </Link>{' '}
      <span className="font-normal">
        <Place root={summary?.root} file={site.spot.file} line={site.spot.line} column={site.spot.column} />
      </span>
      {site.when && <span className="font-normal text-faint"> if {site.when}</span>}
    </>
  );
  return (
    <>
      <h1 className="mb-2 text-[16px] font-semibold">
        Two call sites of{' '}
        <Link className="hover:underline" to={links.component(project, view.ref)}>
          {view.name}
        </Link>
      </h1>
      <Rows
        caption={`What two call sites of ${view.name} hand over`}
        rows={cellRows(view, at, and)}
        titles={[title(one), title(other)]}
        nothing="left out"
        side={(cell) => <CellSide cell={cell} />}
      />
      <Sources project={project} spots={[one.spot, other.spot]} sites />
    </>
  );
}

const CellSide = ({ cell }: { cell: Cell }) => (
  <span title={`${cell.text} ${JOIN_WORDS[cell.how]}`}>
    <span className="code">{cell.text}</span>{' '}
    <span className={isLoose(cell.how) ? 'text-error' : 'text-faint'}>
      {cell.how === 'joined' ? cell.type : JOIN_WORDS[cell.how]}
    </span>
  </span>
);
