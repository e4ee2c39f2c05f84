/** Projects as the server runs them: one thread each, one audit at a time, everything kept in the database. */
import { EventEmitter } from 'node:events';
import { basename } from 'node:path';
import type { Config } from '../api/config';
import type { Progress } from '../api/schemas';
import type { Database } from './db/connection';
import { keepFacts, knownFacts } from './db/facts';
import { addProject, filesOf, findProject, latestAudits, removeProject, saveAudit } from './db/projects';
import { SessionEnded, startSession, type Session } from './engine/session';

const IDLE: Progress = { stage: 'idle', found: 0, read: 0 };

interface Running {
  session: Session;
  done: Promise<void>;
}

export interface Projects {
  /** Opens a folder and starts its audit; gives the project's id at once. */
  open(root: string): Promise<string>;
  /** Audits again. False if an audit is running. */
  audit(id: string): Promise<boolean>;
  cancel(id: string): Promise<boolean>;
  remove(id: string): Promise<void>;
  progress(id: string): Progress;
  /** Calls back with every step of progress; gives what ends it. */
  follow(id: string, listener: (progress: Progress) => void): () => void;
  /** Waits for the running audit, if there is one. */
  settled(id: string): Promise<void>;
  /** The thread that answers questions about the latest audit. */
  session(id: string): Promise<Session>;
  close(): Promise<void>;
}

export function openProjects(db: Database): Projects {
  const events = new EventEmitter().setMaxListeners(0);
  const progress = new Map<string, Progress>();
  const running = new Map<string, Running>();
  const sessions = new Map<string, Promise<Session>>();

  function tell(id: string, step: Progress) {
    progress.set(id, step);
    events.emit(id, step);
  }

  async function run(id: string, root: string, session: Session): Promise<void> {
    try {
      const [last] = await latestAudits(db, id);
      const known = last ? await knownFacts(db, last.id) : [];
      const result = await session.open({ root, known });
      tell(id, { ...(progress.get(id) ?? IDLE), stage: 'keeping' });
      await saveAudit(db, id, result);
      await keepFacts(db, result.facts);
      const old = sessions.get(id);
      sessions.set(id, Promise.resolve(session));
      void old?.then((one) => one.end());
      running.delete(id);
      tell(id, { stage: 'done', found: result.report.files, read: result.report.files });
    } catch (error) {
      running.delete(id);
      const cancelled = error instanceof SessionEnded;
      void session.end();
      tell(id, {
        ...(progress.get(id) ?? IDLE),
        stage: cancelled ? 'cancelled' : 'failed',
        ...(cancelled ? {} : { message: error instanceof Error ? error.message : String(error) }),
      });
    }
  }

  function start(id: string, root: string): boolean {
    if (running.has(id)) return false;
    tell(id, { stage: 'finding', found: 0, read: 0 });
    const session = startSession((step) => {
      // What is kept afterwards is still to come.
      if (step.stage !== 'done') tell(id, step);
    });
    const entry: Running = { session, done: Promise.resolve() };
    running.set(id, entry);
    entry.done = run(id, root, session);
    return true;
  }

  /** The thread that knows the latest audit; after a restart it is made from what was kept. */
  function sessionOf(id: string): Promise<Session> {
    let session = sessions.get(id);
    if (!session) {
      session = restored(id);
      sessions.set(id, session);
      session.catch(() => sessions.delete(id));
    }
    return session;
  }

  async function restored(id: string): Promise<Session> {
    const [last] = await latestAudits(db, id);
    if (!last) throw new Error('the project has not been audited yet');
    const session = startSession();
    const [row] = await db.query<{ config: Config }>('select config from audit where id = $1', [last.id]);
    await session.restore({
      files: await filesOf(db, last.id),
      known: await knownFacts(db, last.id),
      config: row?.config,
    });
    return session;
  }

  return {
    async open(root) {
      const id = await addProject(db, basename(root) || root, root);
      start(id, root);
      return id;
    },
    async audit(id) {
      const project = await findProject(db, id);
      return project !== undefined && start(id, project.root);
    },
    async cancel(id) {
      const one = running.get(id);
      await one?.session.end();
      await one?.done;
      return one !== undefined;
    },
    async remove(id) {
      const one = running.get(id);
      await one?.session.end();
      await one?.done;
      await sessions.get(id)?.then((session) => session.end());
      sessions.delete(id);
      progress.delete(id);
      await removeProject(db, id);
    },
    progress: (id) => progress.get(id) ?? IDLE,
    follow(id, listener) {
      events.on(id, listener);
      return () => events.off(id, listener);
    },
    settled: async (id) => running.get(id)?.done,
    session: sessionOf,
    async close() {
      for (const one of running.values()) await one.session.end();
      for (const session of sessions.values()) await session.then((one) => one.end()).catch(() => {});
    },
  };
}
