/** One sheet: its text, what is found in it, and its rigging, live. */
import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { SheetFile } from '../../../api/sheet-schemas';
import { api, reasonOf } from '../../api';
import { links } from '../../links';
import { Failed, Waiting } from '../../parts/states';
import { useStable } from '../../useStable';
import { DraftChart } from './DraftChart';
import { keepText } from './kept';
import { Remarks } from './Remarks';
import { TextField } from './TextField';
import { useDraft } from './useDraft';

interface SheetDeskProps {
  id: string;
  /** Where it is, or is to be. */
  path: string;
  text: string;
  /** The file as it was opened; a new sheet has none. */
  file: SheetFile | undefined;
  /** The line that the address asks for. */
  line: number | undefined;
  /** What stands at the left of the bar above the text. */
  choice: React.ReactNode;
}

const NONE: never[] = [];

const isConflict = (error: unknown): boolean => (error as { status?: unknown }).status === 409;

export function SheetDesk({
  id,
  path: given,
  text: first,
  file: opened,
  line: asked,
  choice,
}: SheetDeskProps) {
  const navigate = useNavigate();
  const { data: schema } = api.useSheetSchemaQuery();
  const [saveSheet, { isLoading: saving, error: failure }] = api.useSaveSheetMutation();
  const [path, setPath] = useState(given);
  const [text, setText] = useState(first);
  const [file, setFile] = useState(opened);
  const [line, setLine] = useState(asked === undefined ? undefined : { number: asked, turn: 0 });
  const { view, isOld, error } = useDraft(id, given, text);
  const isChanged = text !== file?.text;

  useEffect(() => {
    keepText(id, given, isChanged ? { text, ...(file ? { over: file.stamp } : {}) } : undefined);
  }, [id, given, text, file, isChanged]);
  useEffect(() => {
    if (!isChanged) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [isChanged]);

  const save = async () => {
    const { data } = await saveSheet({ id, path, text, ...(file ? { over: file.stamp } : {}) });
    if (!data) return;
    setFile(data);
    keepText(id, given, undefined);
    if (!opened) void navigate(links.sheet(id, data.path), { replace: true });
  };
  const saveNow = useStable(() => void save());
  const go = useStable((number: number) => setLine((was) => ({ number, turn: (was?.turn ?? 0) + 1 })));
  const address = useMemo(() => `data:text/plain;charset=utf-8,${encodeURIComponent(text)}`, [text]);
  const remarks = view?.remarks ?? NONE;

  return (
    <div className="grid h-full grid-cols-2 grid-rows-[minmax(0,1fr)]">
      <section className="flex min-w-0 flex-col border-r border-line-strong" aria-label="Text of the sheet">
        <div className="flex min-h-10 flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-5 py-1">
          {file ? (
            choice
          ) : (
            <label className="flex min-w-0 items-center gap-2">
              <span className="text-soft">Save as</span>
              <input
                className="code w-64 min-w-0 border border-line-strong bg-sheet px-2 py-0.5"
                value={path}
                onChange={(event) => setPath(event.target.value)}
                spellCheck={false}
              />
            </label>
          )}
          <span className="text-soft" role="status">
            {saving ? 'Saving…' : isChanged ? 'not saved' : 'saved'}
          </span>
          <span className="grow" />
          <button
            type="button"
            className="border border-line-strong px-2.5 py-0.5 disabled:text-faint"
            disabled={!isChanged || saving}
            onClick={saveNow}
          >
            Save
          </button>
          <a className="underline" href={address} download={path.split('/').at(-1)}>
            Export
          </a>
          {!file && (
            <button type="button" className="underline" onClick={() => void navigate(`/p/${id}/sheet`)}>
              Leave
            </button>
          )}
        </div>
        {failure !== undefined && (
          <p role="alert" className="flex gap-4 border-b border-line px-5 py-1.5 text-error">
            {reasonOf(failure)}
            {isConflict(failure) && file && (
              <button
                type="button"
                className="shrink-0 text-ink underline"
                onClick={() => {
                  keepText(id, given, undefined);
                  window.location.reload();
                }}
              >
                Open what is on disk
              </button>
            )}
          </p>
        )}
        <TextField
          path={given}
          text={text}
          remarks={remarks}
          schema={schema}
          line={line}
          onChange={setText}
          onSave={saveNow}
        />
        <Remarks project={id} remarks={remarks} isOld={isOld} onGo={go} />
      </section>
      <section className="flex min-w-0 flex-col" aria-label="Rigging of the sheet">
        {error !== undefined ? (
          <Failed reason={error} />
        ) : view ? (
          <DraftChart project={id} path={given} draft={view} onGo={go} />
        ) : (
          <Waiting what="the rigging" />
        )}
      </section>
    </div>
  );
}
