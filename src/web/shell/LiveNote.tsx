/** In the bar: whether the folder is watched, and what it holds that the audit which was kept does not. */
import { Popover } from 'radix-ui';
import { Link } from 'react-router';
import type { Ahead } from '../../api/schemas';
import { links } from '../links';
import { count } from '../parts/count';
import { useLive } from './progress';

export function LiveNote({ id }: { id: string }) {
  const live = useLive(id);
  if (!live) return null;
  const { ahead, watching, reason } = live;
  if (!ahead)
    return (
      <span
        className="whitespace-nowrap text-bar-soft"
        title={
          watching
            ? 'The folder is watched: what you save is shown here at once.'
            : reason && `The folder is not watched: ${reason}. Audit again to see what changed.`
        }
      >
        {watching ? 'watching' : reason !== undefined && 'not watched'}
      </span>
    );
  return (
    <Popover.Root>
      <Popover.Trigger
        className="flex gap-2 whitespace-nowrap text-bar-ink tabular-nums underline decoration-bar-soft underline-offset-4"
        aria-label={wordsOf(ahead)}
        title={wordsOf(ahead)}
      >
        {ahead.broken.length > 0 && <span>{ahead.broken.length} broken</span>}
        <span>
          +{ahead.fresh} −{ahead.gone}
        </span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={8}
          aria-label="Since the audit that was kept"
          className="z-20 outline-none max-h-[70vh] w-96 overflow-y-auto border border-line bg-sheet p-4 text-ink shadow-lg"
        >
          <Since id={id} ahead={ahead} />
          {!watching && (
            <p className="mt-2 text-soft">
              The folder is not watched any more{reason !== undefined && `: ${reason}`}. Audit again to see
              what changed.
            </p>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const wordsOf = ({ files, fresh, gone, broken }: Ahead): string =>
  [
    `${count(files, 'file')} changed since the audit that was kept`,
    `${count(fresh, 'finding')} new, ${gone} gone`,
    ...(broken.length ? [`${count(broken.length, 'file')} broken at the moment`] : []),
  ].join('; ');

function Since({ id, ahead }: { id: string; ahead: Ahead }) {
  const { files, paths, fresh, gone, broken, at } = ahead;
  return (
    <>
      <h2 className="font-medium">Since the audit that was kept</h2>
      <p>
        {fresh > 0 ? (
          <Link className="underline" to={links.findings(id, { fresh: '1' })}>
            {count(fresh, 'finding')} new
          </Link>
        ) : (
          'no finding new'
        )}
        , {gone} gone, {count(files, 'file')} changed
      </p>
      <ul className="mt-1 text-soft">
        {paths.map((path) => (
          <li key={path} className="truncate" title={path}>
            {path}
          </li>
        ))}
        {files > paths.length && <li>and {files - paths.length} more</li>}
      </ul>
      {broken.length > 0 && (
        <>
          <h3 className="mt-2 font-medium">Broken at the moment</h3>
          <p className="text-soft">What was known of them before is shown.</p>
          <ul>
            {broken.map((one) => (
              <li key={one.file}>
                {one.file}:{one.line}:{one.column} <span className="text-soft">{one.message}</span>
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="mt-2 text-soft">
        Brought up to date at {new Date(at).toLocaleTimeString()}. It is not kept: “Audit again”, or{' '}
        <kbd className="font-mono">k</kbd>, keeps it as an audit.
      </p>
    </>
  );
}
