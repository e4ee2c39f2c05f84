/** One call site: what the owner hands over and what the child asks for, face to face. */
import { useMemo } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { JointRow, JointView } from '../../../api/component-schemas';
import type { FindingRow, Spot } from '../../../api/schemas';
import { useAddress } from '../../address';
import { api } from '../../api';
import { useKeys } from '../../keys';
import { links } from '../../links';
import { Code } from '../../parts/Code';
import { isLoose, JOIN_WORDS } from '../../parts/joinWords';
import { levelTone } from '../../parts/level';
import { Place } from '../../parts/Place';
import { Empty, Unfound, Waiting } from '../../parts/states';
import { countBy, saidOf } from '../findings/list';
import { Connection } from './Connection';

const HEADINGS: Record<JointRow['direction'], string> = {
  down: 'Down: props and content',
  up: 'Up: events',
  across: 'Across: contexts and refs',
};

export function JointPage() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const change = useAddress();
  const ref = search.get('ref') ?? '';
  const at = Number(search.get('at') ?? 0);
  const { data: joint, error, isLoading, refetch } = api.useJointQuery({ id, ref, at }, { skip: !ref });
  const { data: findings = [] } = api.useFindingsQuery(id);
  const { data: project } = api.useProjectQuery(id);
  const name = search.get('port');
  const rows = useMemo(() => inOrder(joint?.rows ?? []), [joint]);
  const chosen = rows.find((row) => row.name === name) ?? worst(rows);
  const step = (by: number) => {
    if (joint && at + by >= 0 && at + by < joint.count) change((next) => next.set('at', String(at + by)));
  };
  useKeys((event) => {
    if (event.key === ']') step(1);
    else if (event.key === '[') step(-1);
    else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      const now = rows.findIndex((row) => row === chosen);
      const next = rows[now + (event.key === 'ArrowDown' ? 1 : -1)];
      if (!next) return false;
      change((address) => address.set('port', next.name));
      document.getElementById(`port-${next.name}`)?.scrollIntoView({ block: 'nearest' });
    } else return false;
    return true;
  });
  if (!ref) return <Empty>Choose a call site: open a component from the catalogue and click a cell.</Empty>;
  if (error) return <Unfound error={error} retry={() => void refetch()} />;
  if (isLoading || !joint) return <Waiting what="the call site" />;
  const about = findings.filter((one) => chosen?.findings.includes(one.fingerprint));

  return (
    <div className="flex h-full flex-col">
      <Head id={id} joint={joint} onStep={step} />
      <div className="flex min-h-0 grow flex-col">
        <div className="max-h-[62%] shrink-0 overflow-y-auto border-b border-line">
          <table className="w-full table-fixed border-collapse">
            <caption className="sr-only">
              What {joint.owner.name} hands over and what {joint.child.name} asks for
            </caption>
            <colgroup>
              <col />
              <col style={{ width: 170 }} />
              <col />
            </colgroup>
            <thead className="sticky top-0 z-10 bg-ground text-left">
              <tr>
                <th className="px-5 py-1.5 text-right font-medium">{joint.owner.name} hands over</th>
                <th className="font-normal text-soft">
                  <span className="block text-center">connection</span>
                </th>
                <th className="px-5 py-1.5 font-medium">{joint.child.name} asks for</th>
              </tr>
            </thead>
            {(['down', 'up', 'across'] as const).map((direction) => {
              const part = rows.filter((row) => row.direction === direction);
              if (!part.length) return null;
              return (
                <tbody key={direction}>
                  <tr>
                    <th
                      colSpan={3}
                      scope="rowgroup"
                      className="bg-row-odd px-5 py-1 text-left font-normal text-soft"
                    >
                      {HEADINGS[direction]}
                    </th>
                  </tr>
                  {part.map((row) => (
                    <Row
                      key={`${row.channel}:${row.name}`}
                      row={row}
                      chosen={row === chosen}
                      findings={findings.filter((one) => row.findings.includes(one.fingerprint))}
                      onChoose={() => change((next) => next.set('port', row.name))}
                    />
                  ))}
                </tbody>
              );
            })}
          </table>
          {joint.silences.map(({ why, so }) => (
            <p key={why} className="px-5 py-1 text-soft">
              Not known: {why}. Therefore {so}.
            </p>
          ))}
          {rows.length === 0 && (
            <Empty>
              {joint.child.name} asks for nothing, and {joint.owner.name} hands nothing over.
            </Empty>
          )}
        </div>
        <div className="grid min-h-0 grow grid-cols-2 grid-rows-[auto_minmax(0,1fr)] bg-sheet">
          <div className="col-span-2 border-b border-line px-5 py-1.5">
            {chosen ? (
              <p className="flex flex-wrap items-baseline gap-x-4">
                <span className="code font-medium">{chosen.name}</span>
                <span className={isLoose(chosen.how) ? 'text-error' : 'text-soft'}>
                  {JOIN_WORDS[chosen.how]}
                </span>
                {chosen.how !== 'not taken' && chosen.channel !== 'ref' && (
                  <Link className="underline" to={links.strand(id, chosen.ref)}>
                    Open the strand
                  </Link>
                )}
                {saidOf(about).map(({ message, level, findings: [first, ...others] }) => (
                  <Link
                    key={message}
                    className={`min-w-0 truncate underline ${levelTone(level)}`}
                    to={links.finding(id, first!.fingerprint)}
                  >
                    {first!.rule}: {message}
                    {others.length > 0 && ` In ${others.length + 1} places.`}
                  </Link>
                ))}
              </p>
            ) : (
              <p className="text-soft">No port.</p>
            )}
          </div>
          <Side
            project={id}
            root={project?.root}
            title={`${joint.owner.name}, where it renders ${joint.child.name}`}
            spot={joint.site}
            marks={
              chosen?.owner.spot
                ? [chosen.owner.spot]
                : [
                    {
                      ...joint.site,
                      endLine: joint.site.line,
                      endColumn: joint.site.column + joint.child.name.length + 1,
                    },
                  ]
            }
          />
          <Side
            project={id}
            root={project?.root}
            title={`${joint.child.name}, what it does with it`}
            spot={chosen?.child.spots[0] ?? joint.child.spot}
            marks={chosen?.child.spots.length ? chosen.child.spots : [joint.child.spot]}
          />
        </div>
      </div>
    </div>
  );
}

/** What one looks for first: where something is wrong. */
const worst = (rows: JointRow[]): JointRow | undefined =>
  rows.find((row) => isLoose(row.how)) ?? rows.find((row) => row.findings.length > 0) ?? rows[0];

const DIRECTIONS = { down: 0, up: 1, across: 2 };
const inOrder = (rows: JointRow[]): JointRow[] =>
  [...rows].sort((a, b) => DIRECTIONS[a.direction] - DIRECTIONS[b.direction]);

function Head({ id, joint, onStep }: { id: string; joint: JointView; onStep(by: number): void }) {
  return (
    <div className="flex shrink-0 flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-line px-5 py-2">
      <h1 className="text-[15px] font-semibold">
        <Link className="hover:underline" to={links.component(id, joint.owner.ref)}>
          {joint.owner.name}
        </Link>{' '}
        <span className="font-normal text-soft">renders</span>{' '}
        <Link className="hover:underline" to={links.component(id, joint.child.ref)}>
          {joint.child.name}
        </Link>
      </h1>
      {joint.when && (
        <span className="text-soft">
          if <span className="code">{joint.when}</span>
        </span>
      )}
      {joint.each && (
        <span className="text-soft">
          for each of <span className="code">{joint.each}</span>
        </span>
      )}
      <span className="ml-auto flex items-baseline gap-2">
        <button
          type="button"
          disabled={joint.at === 0}
          className="px-1 disabled:opacity-40"
          aria-label="Previous call site"
          onClick={() => onStep(-1)}
        >
          ‹
        </button>
        <span className="tabular-nums">
          call site {joint.at + 1} of {joint.count}
        </span>
        <button
          type="button"
          disabled={joint.at + 1 >= joint.count}
          className="px-1 disabled:opacity-40"
          aria-label="Next call site"
          onClick={() => onStep(1)}
        >
          ›
        </button>
      </span>
    </div>
  );
}

interface RowProps {
  row: JointRow;
  chosen: boolean;
  findings: FindingRow[];
  onChoose(): void;
}

function Row({ row, chosen, findings, onChoose }: RowProps) {
  const loose = isLoose(row.how);
  return (
    <tr
      id={`port-${row.name}`}
      className={`cursor-pointer ${chosen ? 'bg-chosen' : 'bg-row hover:bg-hover'}`}
      onClick={onChoose}
    >
      <td className="px-5 pt-1 align-top text-right">
        <span className="code block truncate" title={row.owner.text}>
          {row.owner.text || <span className="text-faint">nothing</span>}
        </span>
        {row.owner.type && row.owner.type !== row.owner.text && (
          <span className="code block truncate text-faint">{row.owner.type}</span>
        )}
      </td>
      <td className="text-center">
        <Connection how={row.how} channel={row.channel} up={row.direction === 'up'} />
        <span className={`block pb-0.5 text-[11.5px] leading-tight ${loose ? 'text-error' : 'text-faint'}`}>
          {JOIN_WORDS[row.how]}
        </span>
      </td>
      <td className="px-5 pt-1 align-top">
        <button
          type="button"
          aria-pressed={chosen}
          className="flex w-full min-w-0 items-baseline gap-2 text-left"
          onClick={onChoose}
        >
          <span className="code font-medium">{row.name}</span>
          {row.child.type && <span className="code truncate text-soft">: {row.child.type}</span>}
          <span className="shrink-0 text-faint">
            {row.child.required
              ? 'required'
              : row.child.default !== undefined
                ? `= ${row.child.default}`
                : ''}
          </span>
        </button>
        <span className="block truncate text-soft">
          {row.child.does}
          {countBy(findings, ({ rule }) => rule).map(({ value, count, level }) => (
            <span key={value} className={`ml-3 ${levelTone(level)}`}>
              {value}
              {count > 1 && ` ${count} times`}
            </span>
          ))}
        </span>
      </td>
    </tr>
  );
}

interface SideProps {
  project: string;
  root: string | undefined;
  title: string;
  spot: Spot;
  marks: Spot[];
}

function Side({ project, root, title, spot, marks }: SideProps) {
  const inFile = marks.filter((mark) => mark.file === spot.file);
  const first = Math.min(spot.line, ...inFile.map((mark) => mark.line));
  const last = Math.max(spot.line + 3, ...inFile.map((mark) => mark.endLine));
  return (
    <section className="overflow-auto border-line px-3 py-1.5 last:border-l" aria-label={title}>
      <p className="flex gap-3">
        <span className="text-soft">{title}</span>
        <Place root={root} file={spot.file} line={spot.line} column={spot.column} />
      </p>
      <Code
        project={project}
        path={spot.file}
        from={first - 2}
        to={Math.min(last + 2, first + 60)}
        marks={inFile}
      />
    </section>
  );
}
