/** The frame of every screen: one dark bar, the view below it. */
import { useEffect, useState } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { Link, NavLink, Outlet, useLocation, useMatch } from 'react-router';
import { api } from '../api';
import { useKeys } from '../keys';
import type { State, Store } from '../store';
import { theme } from '../theme';
import { AuditControl } from './AuditControl';
import { followProgress } from './progress';
import { KeysDialog } from './KeysDialog';
import { rememberPlace } from '../places';
import { useScrollPlaces } from './scrollPlaces';
import { SearchDialog } from './SearchDialog';

export function Shell() {
  const id = useMatch('/p/:id/*')?.params.id;
  const { data: project } = api.useProjectQuery(id ?? '', { skip: !id });
  const dark = useSelector((state: State) => state.theme) === 'dark';
  const dispatch = useDispatch();
  const { pathname, search } = useLocation();
  useScrollPlaces();
  useEffect(() => {
    if (id && pathname.split('/')[3]) rememberPlace(id, pathname + search);
  }, [id, pathname, search]);
  const [searching, setSearching] = useState(false);
  const [keys, setKeys] = useState(false);

  const store = useStore() as Store;
  useEffect(() => followProgress(store, id), [store, id]);

  useKeys((event) => {
    if (event.key === '/' && id) setSearching(true);
    else if (event.key === '?') setKeys(true);
    else return false;
    return true;
  });

  useEffect(() => {
    const view = pathname.split('/')[3];
    document.title = [project?.name, view && view[0]!.toUpperCase() + view.slice(1), 'Zinc Rope']
      .filter(Boolean)
      .join(' · ');
  }, [project?.name, pathname]);

  const count = project?.audit
    ? project.audit.counts.error + project.audit.counts.warning + project.audit.counts.note
    : 0;
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-11 shrink-0 items-center gap-5 bg-bar px-5 whitespace-nowrap text-bar-ink">
        <Link to="/" className="font-semibold">
          Zinc Rope
        </Link>
        {id && project && (
          <>
            <span className="max-w-64 min-w-20 truncate" title={project.root}>
              {project.name}
            </span>
            <nav aria-label="Views" className="ml-4 flex h-full items-center gap-5">
              <Tab to={`/p/${id}/overview`}>Overview</Tab>
              <Tab to={`/p/${id}/rigging`}>Rigging</Tab>
              <Tab to={`/p/${id}/catalogue`}>Catalogue</Tab>
              <Tab to={`/p/${id}/findings`}>Findings {count}</Tab>
              <Tab to={`/p/${id}/joined`}>Joined</Tab>
              <Tab to={`/p/${id}/audits`}>Audits</Tab>
              <Tab to={`/p/${id}/sheet`}>Sheet</Tab>
            </nav>
          </>
        )}
        <span className="grow" />
        {id && project && (
          <>
            <AuditControl id={id} />
            <button
              type="button"
              onClick={() => setSearching(true)}
              className="flex w-52 min-w-24 items-center justify-between rounded-sm border border-bar-soft/40 px-2 py-0.5 text-bar-soft"
            >
              Search <kbd className="font-mono">/</kbd>
            </button>
          </>
        )}
        <button type="button" className="text-bar-soft" onClick={() => setKeys(true)} aria-label="Keys">
          ?
        </button>
        <button type="button" className="text-bar-soft" onClick={() => dispatch(theme.actions.toggled())}>
          {dark ? 'Light' : 'Dark'}
        </button>
      </header>
      <main className="min-h-0 grow">
        <Outlet />
      </main>
      {id && <SearchDialog id={id} open={searching} onOpenChange={setSearching} />}
      <KeysDialog open={keys} onOpenChange={setKeys} />
    </div>
  );
}

function Tab({ to, children }: { to: string; children: React.ReactNode }) {
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        `flex h-full items-center border-b-2 pt-0.5 ${isActive ? 'border-bar-ink' : 'border-transparent text-bar-soft hover:text-bar-ink'}`
      }
    >
      {children}
    </NavLink>
  );
}
