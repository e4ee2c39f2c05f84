/** Hops of a strand along a vertical line, each with its code. */
import { Link } from 'react-router';
import { links } from '../links';
import type { HopNote } from './along';
import type { PlacedHop } from './hops';
import { Place } from './Place';
import { Excerpt } from './Code';
import { channelColor, CHANNEL_DASH, Mark } from './Mark';
import { ROLE_WORDS } from './roles';

interface HopListProps {
  project: string;
  hops: PlacedHop[];
  chosen?: string | undefined;
  /** How many places are shown for a hop, and how many lines around each. */
  most?: number;
  around?: number;
  root?: string | undefined;
  notes?: Map<string, HopNote>;
  onChoose?(ref: string): void;
}

export function HopList({
  project,
  hops,
  chosen,
  most = 2,
  around = 1,
  root,
  notes,
  onChoose,
}: HopListProps) {
  return (
    <ol className="relative">
      {hops.map((hop, index) => (
        <li
          key={hop.ref}
          className={`relative pl-8 ${hop.ref === chosen ? 'bg-chosen/50' : ''}`}
          data-hop={hop.ref}
        >
          <svg className="absolute top-0 left-0 h-full w-8" aria-hidden="true">
            <line
              x1={14}
              x2={14}
              y1={index === 0 ? 16 : 0}
              y2={index === hops.length - 1 ? 16 : '100%'}
              stroke={channelColor(hop.channel)}
              strokeWidth={2.2}
              strokeDasharray={CHANNEL_DASH[hop.channel]}
            />
            <Mark
              x={14}
              y={16}
              role={hop.role}
              color={channelColor(hop.channel)}
              channel={hop.channel}
              ground="var(--sheet)"
            />
          </svg>
          <div className="pt-1.5 pb-3">
            <button
              type="button"
              className="flex w-full flex-wrap items-baseline gap-x-2 text-left"
              onClick={() => onChoose?.(hop.ref)}
            >
              <span className="font-medium">{hop.component}</span>
              <span className="code">{hop.name}</span>
              {hop.type && <span className="code text-soft">: {hop.type}</span>}
              <span className="text-soft">{ROLE_WORDS[hop.role]}</span>
            </button>
            <Notes note={notes?.get(hop.ref)} />
            <Written project={project} hop={hop} />
            {hop.spots.slice(0, most).map((spot) => (
              <div key={`${spot.file}:${spot.line}`} className="mt-1">
                <Place root={root} file={spot.file} line={spot.line} column={spot.column} />
                <Excerpt project={project} spots={[spot]} around={around} />
              </div>
            ))}
            {hop.spots.length > most && (
              <p className="mt-1 text-faint">
                and {hop.spots.length - most} more {hop.spots.length - most === 1 ? 'place' : 'places'}
              </p>
            )}
          </div>
        </li>
      ))}
    </ol>
  );
}

/** What call sites hand over without having it from anywhere, each a link to its call site. */
function Written({ project, hop }: { project: string; hop: PlacedHop }) {
  if (!hop.written.length) return null;
  return (
    <p className="flex flex-wrap gap-x-3 text-soft">
      written at {hop.written.length + hop.moreWritten === 1 ? 'its call site' : 'call sites'}:
      {hop.written.map(({ text, at, component, place }) => (
        <Link
          key={`${component} ${at}`}
          className="group flex min-w-0 items-baseline gap-x-1.5"
          title={`${place.file}:${place.line}`}
          to={links.joint(project, component, at, hop.ref.split(':').at(-1))}
        >
          <span className="code max-w-[22rem] truncate text-ink group-hover:underline">{text}</span>
          {place.file.split('/').at(-1)}:{place.line}
        </Link>
      ))}
      {hop.moreWritten > 0 && <span>and {hop.moreWritten} more</span>}
    </p>
  );
}

/** So many names are told. */
const MOST_NAMES = 8;

function FromBefore({ how, names, end }: { how: string; names: string[]; end?: string }) {
  if (!names.length) return null;
  return (
    <p className="text-soft" title={names.join(', ')}>
      {how} <span className="code">{names.slice(0, MOST_NAMES).join(', ')}</span>
      {names.length > MOST_NAMES && ` and ${names.length - MOST_NAMES} more`}
      {end}
    </p>
  );
}

function Notes({ note }: { note: HopNote | undefined }) {
  if (!note) return null;
  return (
    <>
      <FromBefore how="renamed from" names={note.before} />
      <FromBefore how="made of" names={note.madeOf} />
      <FromBefore how="set off by" names={note.setBy} />
      <FromBefore how="changed in place, for" names={note.changes} end=" as well" />
      <FromBefore how="changed in place by" names={note.changedBy} />
      {note.loops.length > 0 && <p className="text-warning">flows back to {note.loops.join(', ')}</p>}
      {note.more && <p className="text-soft">goes on, further than is shown</p>}
      {note.dead && <p className="text-warning">ends here, and nobody reads it</p>}
    </>
  );
}
