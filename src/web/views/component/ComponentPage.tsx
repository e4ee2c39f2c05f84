/** A component: its interface, what happens inside, its call sites side by side, and what it hangs on. */
import { Fragment, type ReactNode, useMemo } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { AboveView, ComponentView, PortView } from '../../../api/component-schemas';
import { api } from '../../api';
import { links } from '../../links';
import { count } from '../../parts/count';
import { languageName } from '../../parts/languages';
import { channelColor } from '../../parts/Mark';
import { Place } from '../../parts/Place';
import { Empty, Unfound, Waiting } from '../../parts/states';
import { barePath } from './above';
import { AboveDiagram } from './AboveDiagram';
import { layersOf } from './inside';
import { Found } from './Found';
import { InsideDiagram } from './InsideDiagram';
import { UsageTable } from './UsageTable';

/** A diagram that is wider than this stands below the interface. */
const BESIDE = 730;

export function ComponentPage() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const ref = search.get('ref') ?? '';
  const { data: view, error, isLoading, refetch } = api.useComponentQuery({ id, ref }, { skip: !ref });
  const { data: findings = [] } = api.useFindingsQuery(id);
  const { data: project } = api.useProjectQuery(id);
  const isWide = useMemo(() => view !== undefined && layersOf(view.inside).width > BESIDE, [view]);
  if (!ref) return <Empty>Choose a component in the catalogue.</Empty>;
  if (error) return <Unfound error={error} retry={() => void refetch()} />;
  if (isLoading || !view) return <Waiting what="the component" />;
  const half = Math.ceil(view.ports.length / 2);
  const own = findings.filter((one) => one.component === view.ref);
  const usage = (
    <Section title="Usage">
      <UsageTable project={id} view={view} />
    </Section>
  );
  const inside = (
    <Section title="Inside">
      <InsideDiagram project={id} inside={view.inside} />
    </Section>
  );
  return (
    <div className="h-full overflow-y-auto px-5 py-3" data-scroll="page">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-[16px] font-semibold">{view.name}</h1>
        <Place root={project?.root} file={view.spot.file} line={view.spot.line} column={view.spot.column} />
        <span className="text-soft">{languageName(view.language)}</span>
        <span className="text-soft">
          {view.sites.length} {view.sites.length === 1 ? 'call site' : 'call sites'}
          {view.elsewhere && ', and others that are not written here'}
        </span>
        <Link className="underline" to={links.through(id, view.ref)}>
          Show it on the rigging
        </Link>
        <Link className="underline" to={links.beside(id, view.ref)}>
          Put it beside another
        </Link>
      </div>
      {view.silences.map((one) => (
        <p key={one.why} className="text-soft">
          Not known: {one.why}. Therefore {one.so}.
        </p>
      ))}
      <Found project={id} findings={own} />
      {isWide ? (
        // A wide diagram is a tall one, too: how it is used comes first.
        <div className="mt-3">
          <Section title="Interface">
            <div className="grid grid-cols-2 items-start gap-x-8">
              <Interface project={id} ports={view.ports.slice(0, half)} />
              <Interface project={id} ports={view.ports.slice(half)} />
            </div>
          </Section>
          {usage}
          {inside}
        </div>
      ) : (
        <>
          <div className="mt-3 grid grid-cols-[minmax(24rem,2fr)_minmax(0,3fr)] gap-x-8 gap-y-3">
            <Section title="Interface">
              <Interface project={id} ports={view.ports} />
            </Section>
            {inside}
          </div>
          {usage}
        </>
      )}
      {view.above.nodes.length > 1 && (
        <Section title="Above it">
          <AboveDiagram key={view.ref} project={id} above={view.above} />
        </Section>
      )}
      <div className="grid grid-cols-4 gap-8">
        <Section title="Rendered by">
          <Owners project={id} view={view} />
          <HandedIn project={id} root={project?.root} list={view.handed} />
        </Section>
        <Section title="Consumes">
          <Consumes project={id} list={view.consumes} above={view.above} />
        </Section>
        <Section title="Handles to it">
          {view.holders.length === 0 && <p className="text-soft">Nobody keeps one.</p>}
          {view.holders.slice(0, FEW_OWNERS).map((one, i) => (
            <p key={i} className="truncate">
              {one.component} <span className="code">{one.handle}</span>{' '}
              <Place root={project?.root} file={one.spot.file} line={one.spot.line} />
            </p>
          ))}
          {view.holders.length > FEW_OWNERS && (
            <p className="text-faint">and {view.holders.length - FEW_OWNERS} more</p>
          )}
        </Section>
        <Section title="Renders">
          {view.renders.length === 0 && <p className="text-soft">No component of the project.</p>}
          {view.renders.map((one) => (
            <p key={one.ref}>
              <Link className="hover:underline" to={links.component(id, one.ref)}>
                {one.name}
              </Link>
              {one.count > 1 && <span className="text-faint"> {one.count} times</span>}
              {one.handed && <span className="text-faint"> as it is handed in</span>}
            </p>
          ))}
        </Section>
      </div>
    </div>
  );
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="mb-3 min-w-0">
      <h2 className="mb-1 border-b border-line pb-0.5 font-medium text-soft">{title}</h2>
      {children}
    </section>
  );
}

/** So many owners are named. */
const FEW_OWNERS = 12;

/** Who renders it, those that do so most often first: who would break without it. */
function Owners({ project, view }: { project: string; view: ComponentView }) {
  const owners = new Map<string, { name: string; times: number; aside: boolean }>();
  for (const { ownerRef, owner, aside } of view.sites) {
    const known = owners.get(ownerRef);
    if (known) known.times++;
    else owners.set(ownerRef, { name: owner, times: 1, aside: aside === true });
  }
  const list = [...owners].sort((a, b) => Number(a[1].aside) - Number(b[1].aside) || b[1].times - a[1].times);
  const own = list.filter(([, one]) => !one.aside);
  if (!list.length) return view.handed.length ? null : <p className="text-soft">Nobody.</p>;
  return (
    <>
      <p className="text-soft">
        Without it, {count(own.length, 'component')} of the app would break
        {list.length > own.length && `, and ${list.length - own.length} in tests and examples`}.
      </p>
      <Alone project={project} list={view.alone} />
      {list.slice(0, FEW_OWNERS).map(([ref, { name, times, aside }]) => (
        <p key={ref} className={aside ? 'text-soft' : ''}>
          <Link className="hover:underline" to={links.component(project, ref)}>
            {name}
          </Link>
          {times > 1 && <span className="text-faint"> {times} times</span>}
        </p>
      ))}
      {list.length > FEW_OWNERS && <p className="text-faint">and {list.length - FEW_OWNERS} more</p>}
    </>
  );
}

/** What would be left without a use. */
function Alone({ project, list }: { project: string; list: ComponentView['alone'] }) {
  if (!list.length) return null;
  return (
    <p className="mb-1 text-soft">
      Nothing else needs{' '}
      {list.slice(0, FEW_OWNERS).map((one, i) => (
        <Fragment key={one.ref}>
          {i > 0 && ', '}
          <Link className="text-ink underline" to={links.component(project, one.ref)}>
            {one.name}
          </Link>
        </Fragment>
      ))}
      {list.length > FEW_OWNERS && ` and ${list.length - FEW_OWNERS} more`}.
    </p>
  );
}

/** Who draws it because somebody hands it in, and who does. */
function HandedIn({
  project,
  root,
  list,
}: {
  project: string;
  root: string | undefined;
  list: ComponentView['handed'];
}) {
  return list.map((one, i) => (
    <div key={i} className="mt-1">
      <p className="truncate">
        <Link className="hover:underline" to={links.component(project, one.ownerRef)}>
          {one.owner}
        </Link>{' '}
        <span className="text-soft">draws it as it is handed in</span>{' '}
        <Place root={root} file={one.spot.file} line={one.spot.line} />
      </p>
      {one.by.slice(0, FEW_OWNERS).map((giver, at) => (
        <p key={at} className="truncate pl-3">
          <span className="text-soft">by</span>{' '}
          <Link className="hover:underline" to={links.component(project, giver.ref)}>
            {giver.component}
          </Link>{' '}
          <Place root={root} file={giver.spot.file} line={giver.spot.line} />
        </p>
      ))}
      {one.by.length > FEW_OWNERS && <p className="pl-3 text-faint">and {one.by.length - FEW_OWNERS} more</p>}
    </div>
  ));
}

/** A prop without a type is told so, unless its default says more; events and content rarely have one. */
const typeIn = ({ type, channel, default: value }: PortView): ReactNode =>
  type || (channel === 'prop' && value === undefined && <span className="text-faint">unknown</span>);

function Interface({ project, ports }: { project: string; ports: PortView[] }) {
  if (ports.length === 0) return <p className="text-soft">It takes nothing.</p>;
  return (
    <table className="w-full border-collapse">
      <caption className="sr-only">Ports</caption>
      <thead className="sr-only">
        <tr>
          <th>Name</th>
          <th>Type</th>
          <th>What it does with it</th>
        </tr>
      </thead>
      <tbody>
        {ports.map((port) => (
          <tr key={`${port.channel}:${port.name}`} className="border-b border-line/60 align-baseline">
            <td className="py-1 pr-3 whitespace-nowrap">
              <Link
                className="code hover:underline"
                style={{ color: channelColor(port.channel) }}
                to={links.strand(project, port.ref)}
                title={port.channel}
              >
                {port.name}
              </Link>
            </td>
            <td className="code max-w-56 truncate pr-3 text-soft" title={port.type}>
              {typeIn(port)}
              {port.default !== undefined && (
                <span className="text-faint">
                  {port.type ? ' = ' : '= '}
                  {port.default}
                </span>
              )}
            </td>
            <td className={port.does === 'does nothing with it' ? 'text-error' : 'text-soft'}>
              {port.required && <span className="mr-2 text-ink">required</span>}
              {port.does}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Consumes({
  project,
  list,
  above,
}: {
  project: string;
  list: ComponentView['consumes'];
  above: AboveView;
}) {
  if (list.length === 0) return <p className="text-soft">No context.</p>;
  return list.map((one) => (
    <div key={`${one.key}:${one.spot.line}`}>
      <p>
        <Link
          className="code hover:underline"
          style={{ color: channelColor('context') }}
          to={links.strand(project, one.ref)}
        >
          {one.key}
        </Link>{' '}
        <span
          className={
            one.state === 'on no path'
              ? 'text-error'
              : one.state === 'on some paths'
                ? 'text-warning'
                : 'text-soft'
          }
        >
          {one.state === 'by default' ? 'has its default' : `provided ${one.state}`}
        </span>
      </p>
      {one.providers.map((provider, i) => (
        <p key={i} className="pl-4 text-soft">
          by {provider.component}{' '}
          <span className="text-faint">
            {provider.spot.file}:{provider.spot.line}
          </span>
        </p>
      ))}
      <BarePath path={barePath(above, one.key)} />
    </div>
  ));
}

/** A way from where trees start along which nobody provides what is consumed. */
const BarePath = ({ path }: { path: string[] }) =>
  path.length > 0 && (
    <p className="pl-4 text-soft">
      not along <span className="text-ink">{path.join(' › ')}</span>
    </p>
  );
