/** Sheets of a project: one is chosen, written anew, or made of the project as it is. */
import { useEffect, useMemo } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { MAX_SHEET } from '../../../api/sheet-limit';
import { api, reasonOf } from '../../api';
import { links } from '../../links';
import { count } from '../../parts/count';
import { Failed, Waiting } from '../../parts/states';
import { Unaudited } from '../../shell/Unaudited';
import { keptText } from './kept';
import { SheetDesk } from './SheetDesk';

const BLANK = `sheet: Untitled
roots: [App]
components:
  App:
    keeps:
      open: { type: boolean, starts: false }
    tree:
      - text: $open
`;

const EXAMPLE = `roots: [Corner]
components:
  Corner:
    keeps:
      wind: { type: number, starts: 3 }
    tree:
      - use: Gauge
        with: { wind: $wind, limit: '25' }
        on:
          storm: [{ set: wind, to: 0 }]
  Gauge:
    takes: { wind: number, limit: number }
    raises: { storm: ~ }
    does: [{ raise: storm }]
    tree:
      - text: { mix: [$wind, $limit] }`;

export function SheetView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const { data: project, error: missing } = api.useProjectQuery(id);
  const { data: sheets, error, refetch } = api.useSheetsQuery(id, { skip: !project?.audit });
  if (missing) return <Failed reason={reasonOf(missing)} />;
  if (project && !project.audit) return <Unaudited id={id} />;
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (!sheets) return <Waiting what="the sheets" />;
  const line = search.get('line') === null ? undefined : Number(search.get('line'));
  const made = search.get('new');
  if (made !== null) return <NewSheet key={made} id={id} from={made} name={project!.name} taken={sheets} />;
  const path = search.get('path') ?? sheets[0];
  if (path === undefined) return <NoSheet id={id} />;
  return <OpenSheet key={path} id={id} path={path} sheets={sheets} line={line} />;
}

function OpenSheet({
  id,
  path,
  sheets,
  line,
}: {
  id: string;
  path: string;
  sheets: string[];
  line: number | undefined;
}) {
  const navigate = useNavigate();
  const {
    data: file,
    error,
    refetch,
    isFetching,
  } = api.useSheetQuery({ id, path }, { refetchOnMountOrArgChange: true });
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (!file || isFetching) return <Waiting what={path} />;
  const kept = keptText(id, path);
  // What was changed and not saved goes on from the text that it was made of.
  const base = kept?.over === undefined || kept.over === file.stamp ? file : { ...file, stamp: kept.over };
  const all = sheets.includes(path) ? sheets : [...sheets, path];
  return (
    <SheetDesk
      key={path}
      id={id}
      path={path}
      text={kept?.text ?? file.text}
      file={base}
      line={line}
      choice={
        <>
          <label className="flex min-w-0 items-center gap-2">
            <span className="sr-only">Sheet</span>
            <select
              className="code max-w-72 min-w-0 border border-line-strong bg-sheet px-1.5 py-0.5"
              value={path}
              onChange={(event) => void navigate(links.sheet(id, event.target.value))}
            >
              {all.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          </label>
          <NewLinks id={id} />
        </>
      }
    />
  );
}

function NewLinks({ id }: { id: string }) {
  const navigate = useNavigate();
  const begin = (from: string) => void navigate(`/p/${id}/sheet?new=${from}`);
  return (
    <span className="flex gap-3">
      <button type="button" className="underline" onClick={() => begin('blank')}>
        New, blank
      </button>
      <button type="button" className="underline" onClick={() => begin('project')}>
        New, of this project
      </button>
    </span>
  );
}

function NoSheet({ id }: { id: string }) {
  return (
    <div className="max-w-2xl p-6">
      <p className="mb-3">
        A sheet is a component tree written down without code: planned, or drawn in a tool that has none. It
        is audited as any language is. This project has none.
      </p>
      <NewLinks id={id} />
      <p className="mt-8 mb-2 text-soft">
        A small one, in which the gauge is handed a text and asks for a number:
      </p>
      <pre className="code border border-line bg-sheet px-4 py-3">{EXAMPLE}</pre>
    </div>
  );
}

interface NewSheetProps {
  id: string;
  /** `blank`, or of the project as it is. */
  from: string;
  name: string;
  /** Paths of sheets that are there. */
  taken: string[];
}

function NewSheet({ id, from, name, taken }: NewSheetProps) {
  const isBlank = from === 'blank';
  const { data, error } = api.useSheetWrittenQuery(id, { skip: isBlank });
  const path = freePath(isBlank ? 'new' : name, taken);
  if (error) return <Failed reason={reasonOf(error)} />;
  if (!isBlank && !data) return <Waiting what="the project as a sheet" />;
  if (data && data.text.length > MAX_SHEET) return <TooLarge text={data.text} path={path} />;
  const kept = keptText(id, path);
  return (
    <SheetDesk
      id={id}
      path={path}
      text={kept?.text ?? (isBlank ? BLANK : data!.text)}
      file={undefined}
      line={undefined}
      choice={undefined}
    />
  );
}

function TooLarge({ text, path }: { text: string; path: string }) {
  const address = useMemo(() => URL.createObjectURL(new Blob([text], { type: 'text/plain' })), [text]);
  useEffect(() => () => URL.revokeObjectURL(address), [address]);
  return (
    <div className="max-w-2xl p-6">
      <p className="mb-3">
        Written down, this project has {count(Math.round(text.length / 1000), 'thousand letter')}, more than
        is edited here.
      </p>
      <a className="underline" href={address} download={path}>
        Export {path}
      </a>
    </div>
  );
}

function freePath(name: string, taken: string[]): string {
  const base = name.replace(/[^\w-]+/g, '-');
  for (let n = 1; ; n++) {
    const path = `${base}${n > 1 ? n : ''}.rope.yaml`;
    if (!taken.includes(path)) return path;
  }
}
