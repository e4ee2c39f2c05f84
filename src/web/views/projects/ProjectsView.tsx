/** What has been audited, and what can be. */
import { useState, type FormEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import type { ProjectSummary } from '../../../api/schemas';
import { inFigures } from '../../parts/count';
import { lastPlace } from '../../places';
import { api, reasonOf } from '../../api';
import { CountCells } from '../../parts/level';
import { JoinedCount } from '../../parts/JoinedCount';
import { languageName } from '../../parts/languages';
import { Empty, Failed, Waiting } from '../../parts/states';
import { ProgressBar } from '../../shell/ProgressBar';
import { hasFallenShort, isRunning, useProgress } from '../../shell/progress';

export function ProjectsView() {
  const { data, error, isLoading, refetch } = api.useProjectsQuery(undefined, {
    refetchOnMountOrArgChange: true,
  });
  return (
    <div className="mx-auto flex h-full max-w-[1200px] flex-col gap-6 overflow-y-auto px-6 py-6">
      <OpenFolder />
      {isLoading && <Waiting what="projects" />}
      {error && <Failed reason={reasonOf(error)} retry={() => void refetch()} />}
      {data?.length === 0 && (
        <Empty>Nothing has been audited yet. Give the path of a folder above, or open the demo.</Empty>
      )}
      {data && data.length > 0 && (
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b border-line-strong text-left text-soft">
              <th className="py-1.5 pr-3 font-normal">Project</th>
              <th className="px-3 font-normal">Languages</th>
              <th className="px-3 text-right font-normal">Components</th>
              <th className="px-3 text-right font-normal">Tags joined</th>
              <th className="px-3 text-right font-normal">Errors</th>
              <th className="px-3 text-right font-normal">Warnings</th>
              <th className="px-3 text-right font-normal">Notes</th>
              <th className="px-3 font-normal">Audited</th>
              <th className="font-normal">
                <span className="sr-only">Actions</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data.map((project) => (
              <ProjectRow key={project.id} project={project} />
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

function OpenFolder() {
  const [path, setPath] = useState('');
  const [open, { error, isLoading }] = api.useOpenProjectMutation();
  const { data: demos = [] } = api.useDemosQuery();
  // One list serves as long as one types a name in it.
  const within = path.replace(/[^/\\]*$/, '') + (/[/\\]\.[^/\\]*$/.test(path) ? '.' : '');
  const { data: folders = [] } = api.useFoldersQuery(within, { skip: !within });
  const navigate = useNavigate();
  const start = async (folder: string) => {
    const result = await open(folder);
    if ('data' in result && result.data) void navigate(`/p/${result.data.id}/overview`);
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void start(path);
  };
  return (
    <form onSubmit={submit}>
      <label htmlFor="folder" className="mb-1.5 block font-medium">
        Audit a folder on this machine
      </label>
      <div className="flex gap-2">
        <input
          id="folder"
          list="folders"
          autoComplete="off"
          value={path}
          onChange={(event) => setPath(event.target.value)}
          placeholder="/home/me/console"
          spellCheck={false}
          className="code h-8 w-[34rem] border border-line-strong bg-sheet px-2"
          aria-invalid={error !== undefined}
          aria-describedby={error ? 'folder-error' : undefined}
        />
        <datalist id="folders">
          {folders.map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
        <button
          type="submit"
          disabled={!path.trim() || isLoading}
          className="h-8 bg-bar px-4 text-bar-ink disabled:opacity-50"
        >
          Audit
        </button>
      </div>
      {demos.length > 0 && (
        <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-soft">
          or a part of the demo:
          {demos.map((demo) => (
            <button
              key={demo.path}
              type="button"
              className="whitespace-nowrap underline hover:text-ink"
              onClick={() => void start(demo.path)}
            >
              {demo.name}
            </button>
          ))}
        </p>
      )}
      {error && (
        <p id="folder-error" role="alert" className="mt-1.5 text-error">
          {reasonOf(error)}
        </p>
      )}
    </form>
  );
}

/** Of a longer path the end is shown. */
const MOST_LETTERS = 40;

function ProjectRow({ project }: { project: ProjectSummary }) {
  const progress = useProgress(project.id);
  const [cancel] = api.useCancelAuditMutation();
  const [again] = api.useAuditAgainMutation();
  const [remove] = api.useRemoveProjectMutation();
  const { audit, before } = project;
  const running = progress && isRunning(progress.stage);
  return (
    <tr className="h-[30px] border-b border-line odd:bg-row">
      <td className="pr-3 pl-2 whitespace-nowrap">
        <Link to={lastPlace(project.id)} className="font-medium underline-offset-2 hover:underline">
          {project.name}
        </Link>
        <span className="ml-3 whitespace-nowrap text-soft" title={project.root}>
          {project.root.length > MOST_LETTERS ? `…${project.root.slice(1 - MOST_LETTERS)}` : project.root}
        </span>
      </td>
      {running ? (
        <td colSpan={7} className="px-3">
          <ProgressBar progress={progress} />
        </td>
      ) : audit ? (
        <>
          <td className="px-3">
            {Object.keys(audit.languages)
              .map((name) => languageName(name))
              .join(', ') || 'none'}
          </td>
          <td className="px-3 text-right tabular-nums">{inFigures(audit.components)}</td>
          <td className="px-3 text-right whitespace-nowrap">
            <JoinedCount project={project.id} audit={audit} />
          </td>
          <CountCells counts={audit.counts} {...(before ? { before } : {})} />
          <td
            className="px-3 whitespace-nowrap"
            title={`${audit.files} files in ${(audit.milliseconds / 1000).toFixed(1)} s`}
          >
            {new Date(audit.finishedAt).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })}
            {progress && hasFallenShort(progress.stage) && (
              <span className="ml-3 text-error" title={progress.message}>
                {progress.stage === 'failed' ? 'the next failed' : 'the next was interrupted'}
              </span>
            )}
          </td>
        </>
      ) : (
        <td colSpan={7} className="px-3 text-soft">
          {progress && hasFallenShort(progress.stage) ? (
            <span className="text-error">{progress.message}</span>
          ) : (
            'not audited yet'
          )}
        </td>
      )}
      <td className="pr-2 text-right whitespace-nowrap">
        {running ? (
          <button type="button" className="underline" onClick={() => void cancel(project.id)}>
            Cancel
          </button>
        ) : (
          <>
            <button
              type="button"
              className="text-soft hover:text-ink hover:underline"
              onClick={() => void again(project.id)}
            >
              Audit again
            </button>
            <button
              type="button"
              className="ml-3 text-soft hover:text-error hover:underline"
              onClick={() => {
                if (confirm(`Forget ${project.name} and its audits? The folder itself stays as it is.`))
                  void remove(project.id);
              }}
            >
              Forget
            </button>
          </>
        )}
      </td>
    </tr>
  );
}
