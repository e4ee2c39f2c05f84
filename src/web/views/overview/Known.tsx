/** How much of the project the audit knows: what was not understood, what leads nowhere, and where it stays silent. */
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Overview } from '../../../api/component-schemas';
import type { AuditSummary } from '../../../api/schemas';
import { links } from '../../links';
import { count } from '../../parts/count';
import { JoinedCount } from '../../parts/JoinedCount';

const FEW = 5;

interface KnownProps {
  project: string;
  audit: AuditSummary;
  view: Overview;
}

export function Known({ project, audit, view }: KnownProps) {
  const { problems, skipped } = audit;
  return (
    <section aria-label="What is not known" className="mt-2 border-t border-line pt-3">
      <h2 className="mb-1.5 font-medium">What is not known</h2>
      <div className="grid grid-cols-3 gap-x-8 gap-y-3">
        <Part
          title={
            problems.length ? `${count(problems.length, 'file')} not understood` : 'Every file was understood'
          }
        >
          {problems.slice(0, FEW).map((one) => (
            <p key={one.file} className="truncate" title={one.message}>
              {one.file}:{one.line} <span className="text-soft">{one.message}</span>
            </p>
          ))}
          {skipped.length > 0 && (
            <p className="text-soft" title={skipped.map((one) => `${one.path}: ${one.reason}`).join('\n')}>
              {count(skipped.length, 'path')} left out:{' '}
              {skipped
                .slice(0, 3)
                .map((one) => `${one.path} (${one.reason})`)
                .join(', ')}
              {skipped.length > 3 && '…'}
            </p>
          )}
        </Part>
        <Part
          title={
            <>
              tags joined: <JoinedCount project={project} audit={audit} />
            </>
          }
        >
          {view.lost.slice(0, FEW).map((one) => (
            <p key={one.from} className="truncate">
              <Link
                className="underline"
                to={`/p/${project}/joined?kind=import&text=${encodeURIComponent(one.from)}`}
              >
                {one.from}
              </Link>{' '}
              <span className="text-soft">leads nowhere, {count(one.count, 'import')}</span>
            </p>
          ))}
          {view.gaps.slice(0, FEW).map((one) => (
            <p key={`${one.kind} ${one.reason}`} className="text-soft">
              <Link className="text-ink underline" to={`/p/${project}/joined?kind=${one.kind}`}>
                {count(one.count, one.kind)}
              </Link>
              : {one.reason}
            </p>
          ))}
        </Part>
        <Part title={view.silences.length ? 'Where it stays silent' : 'It stays silent nowhere'}>
          {view.silences.map((one) => (
            <p key={one.why} className="mb-1 text-soft" title={`Therefore ${one.so}.`}>
              <span className="text-ink">{count(one.count, 'component')}</span> with {one.why}:{' '}
              {one.some.map((some, at) => (
                <span key={some.ref}>
                  {at > 0 && ', '}
                  <Link className="underline" to={links.component(project, some.ref)}>
                    {some.name}
                  </Link>
                </span>
              ))}
              {one.count > one.some.length && '…'} <span className="text-faint">Therefore {one.so}.</span>
            </p>
          ))}
        </Part>
      </div>
    </section>
  );
}

function Part({ title, children }: { title: ReactNode; children: ReactNode }) {
  return (
    <div className="min-w-0">
      <h3 className="mb-0.5 text-soft">{title}</h3>
      {children}
    </div>
  );
}
