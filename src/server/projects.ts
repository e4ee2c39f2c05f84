/** Projects as the server runs them: one thread each, one audit at a time, everything kept in the database. */
import { EventEmitter } from 'node:events';
import { basename } from 'node:path';
import type { Config } from '../api/config';
import type { Progress } from '../api/schemas';
import type { Database } from './db/database';
import { keepFacts, knownFacts } from './db/facts';
import { filesOf } from './db/holding';
import { addProject, findProject, latestAudits, removeProject } from './db/projects';
import type { Portions } from './db/portions';
import { BEAT, runningAudits } from './db/running';
import { dropPartialAudits, saveAudit } from './db/saving';
import { readerVersion } from './engine/reader-version';
import type { Many } from './engine/session-protocol';
import { SessionEnded, startSession, type Session } from './engine/session';

const IDLE: Progress = { stage: 'idle', found: 0, read: 0 };
const ELSEWHERE: Progress = {
  stage: 'idle',
  found: 0,
  read: 0,
  message: 'Another server audits this project at the moment.',
};
const INTERRUPTED: Progress = {
  stage: 'interrupted',
  found: 0,
  read: 0,
  message: 'The last audit was interrupted: audit again. Whatever is shown is of the audit before it.',
};

/** So many threads of projects wait for questions; that of another project is started again when somebody asks. */
const MAX_WAITING = 8;

interface Running {
  /** Once it is there. */
  session?: Session;
  /** Gives up what is kept of the audit as well. */
  stop: AbortController;
  done: Promise<void>;
}

export interface Projects {
  /** Opens a folder and starts its audit; gives the project's id at once. */
  open(root: string): Promise<string>;
  /** Audits again. False if an audit is running, here or on another server of the same database. */
  audit(id: string): Promise<boolean>;
  cancel(id: string): Promise<boolean>;
  remove(id: string): Promise<void>;
  progress(id: string): Progress;
  /** How far each project is that anything is known of. */
  all(): [id: string, step: Progress][];
  /** Calls back with every step of progress of every project; gives what ends it. */
  follow(listener: (id: string, progress: Progress) => void): () => void;
  /** Waits for the running audit, if there is one. */
  settled(id: string): Promise<void>;
  /** No audit of it is running, and the last one that was kept can be asked. */
  isSettled(id: string): boolean;
  /** The thread that answers questions about the latest audit. */
  session(id: string): Promise<Session>;
  /** That thread is there, and answers at once. */
  isAwake(id: string): boolean;
  close(): Promise<void>;
}

/** Ends a thread once it has answered what it was asked. */
async function whenIdle(session: Session): Promise<void> {
  // Whoever has just got it may be about to ask.
  do await new Promise((resolve) => setTimeout(resolve, 1_000).unref());
  while (!session.idle());
  await session.end();
}

/** `onFailure` is told of every audit and thread that failed, with its stack. */
export async function openProjects(
  db: Database,
  onFailure: (error: unknown) => void = () => {},
): Promise<Projects> {
  const events = new EventEmitter().setMaxListeners(0);
  const progress = new Map<string, Progress>();
  const running = new Map<string, Running>();
  const sessions = new Map<string, Promise<Session>>();
  /** Those of them that have started. */
  const awake = new WeakSet<Promise<Session>>();
  /** The audit that a project's thread knows. */
  const knows = new Map<string, number>();
  const reader = readerVersion();
  const claims = runningAudits(db, !db.shared);
  for (const id of await claims.interrupted()) progress.set(id, INTERRUPTED);
  await dropPartialAudits(db);
  const beat = setInterval(() => void look().catch(onFailure), BEAT).unref();

  /** Says that this server is there, and sees which others are no more. */
  async function look(): Promise<void> {
    await claims.beat();
    for (const id of await claims.interrupted())
      if (progress.get(id)?.stage !== 'interrupted') tell(id, INTERRUPTED);
  }

  function tell(id: string, step: Progress) {
    progress.set(id, step);
    events.emit('step', id, step);
  }

  /** A thread that ended answers nothing more: the next question starts another. */
  function startFor(id: string): Session {
    const session = startSession({
      onProgress: (step) => {
        // What is kept afterwards is still to come.
        if (running.get(id)?.session === session && step.stage !== 'done') tell(id, step);
      },
      onEnd: (crash) => {
        if (crash) onFailure(crash);
        void sessions.get(id)?.then(
          (known) => known === session && sessions.delete(id),
          () => undefined,
        );
      },
    });
    return session;
  }

  /** Audits in a thread of its own, or in the one that waits for questions, whose audit is brought up to date. */
  async function run(
    id: string,
    root: string,
    session: Session,
    { stop, isWaiting }: { stop: AbortController; isWaiting: boolean },
  ): Promise<void> {
    try {
      const [last] = await latestAudits(db, id);
      // A thread that waits for questions knows the facts itself.
      if (last && !isWaiting) await tellFacts(session, last.id);
      const result = await session.open(root, last !== undefined && last.id === knows.get(id));
      const { files } = result.report;
      const keeping = { stage: 'keeping' as const, found: files };
      // First what was found, then what makes the next audit faster.
      const kept = (share: number) => tell(id, { ...keeping, read: Math.round(share * files) });
      kept(0);
      const onKept = (share: number) => kept(share / 2);
      const many = <K extends keyof Many>(of: K): Portions<Many[K]> => ({
        count: result.counts[of],
        take: (from, most) => session.part(of, from, most),
      });
      const whole = { ...result, files: many('files'), findings: many('findings') };
      const audit = await saveAudit(db, id, whole, { signal: stop.signal, onKept });
      await keepFacts(db, many('facts'), reader, (share) => kept((1 + share) / 2));
      await session.kept();
      const old = sessions.get(id);
      // Ended in the meantime, it is started again when somebody asks.
      if (stop.signal.aborted) sessions.delete(id);
      else keep(id, Promise.resolve(session));
      knows.set(id, audit);
      // Whoever still asks the one before gets an answer.
      if (!isWaiting) void old?.then(whenIdle).catch(() => undefined);
      await finish(id, { stage: 'done', found: files, read: files });
    } catch (error) {
      void session.end();
      const cancelled = stop.signal.aborted || error instanceof SessionEnded;
      if (!cancelled) onFailure(error);
      await finish(id, {
        ...(progress.get(id) ?? IDLE),
        stage: cancelled ? 'cancelled' : 'failed',
        ...(cancelled ? {} : { message: error instanceof Error ? error.message : String(error) }),
      });
    }
  }

  async function finish(id: string, step: Progress): Promise<void> {
    running.delete(id);
    await claims.release(id).catch(onFailure);
    tell(id, step);
  }

  async function start(id: string, root: string): Promise<boolean> {
    if (running.has(id)) return false;
    const stop = new AbortController();
    const entry: Running = { stop, done: Promise.resolve() };
    running.set(id, entry);
    const claimed = await claims.claim(id).catch((error: unknown) => {
      onFailure(error);
      return false;
    });
    if (!claimed) {
      running.delete(id);
      tell(id, ELSEWHERE);
      return false;
    }
    tell(id, { stage: 'finding', found: 0, read: 0 });
    const waiting = await sessions.get(id)?.catch(() => undefined);
    if (stop.signal.aborted) {
      await finish(id, { stage: 'cancelled', found: 0, read: 0 });
      return true;
    }
    entry.session = waiting ?? startFor(id);
    entry.done = run(id, root, entry.session, { stop, isWaiting: waiting !== undefined });
    return true;
  }

  async function stop(id: string): Promise<boolean> {
    const one = running.get(id);
    one?.stop.abort();
    await one?.session?.end();
    await one?.done;
    return one !== undefined;
  }

  /** The thread that knows the latest audit; after a restart it is made from what was kept. */
  function sessionOf(id: string): Promise<Session> {
    let session = sessions.get(id);
    if (!session) {
      session = restored(id);
      session.catch(() => sessions.delete(id));
    }
    keep(id, session);
    return session;
  }

  /** Where other servers use the database, one of them may have audited since. */
  async function currentSession(id: string): Promise<Session> {
    const [last] = await latestAudits(db, id, 1);
    const isOld = last && knows.get(id) !== last.id && !running.has(id);
    const old = isOld ? sessions.get(id) : undefined;
    if (old) {
      sessions.delete(id);
      void old.then(whenIdle).catch(() => undefined);
    }
    return sessionOf(id);
  }

  /** Keeps a thread as the one that was asked last; those that were asked longest ago make room. */
  function keep(id: string, session: Promise<Session>): void {
    sessions.delete(id);
    sessions.set(id, session);
    void session.then(
      () => awake.add(session),
      () => undefined,
    );
    for (const [old, one] of sessions) {
      if (sessions.size <= MAX_WAITING) return;
      if (old === id || running.has(old)) continue;
      sessions.delete(old);
      void one.then(whenIdle).catch(() => undefined);
    }
  }

  async function restored(id: string): Promise<Session> {
    const [last] = await latestAudits(db, id);
    if (!last) throw new Error('the project has not been audited yet');
    const session = startFor(id);
    knows.set(id, last.id);
    const [row] = await db.query<{ config: Config }>('select config from audit where id = $1', [last.id]);
    for await (const files of filesOf(db, last.id)) await session.know({ files, facts: [] });
    await tellFacts(session, last.id);
    await session.restore(row?.config);
    return session;
  }

  async function tellFacts(session: Session, audit: number): Promise<void> {
    for await (const facts of knownFacts(db, audit, reader)) await session.know({ files: [], facts });
  }

  return {
    async open(root) {
      const id = await addProject(db, basename(root) || root, root);
      await start(id, root);
      return id;
    },
    async audit(id) {
      const project = await findProject(db, id);
      return project !== undefined && start(id, project.root);
    },
    cancel: stop,
    async remove(id) {
      await stop(id);
      await sessions.get(id)?.then((session) => session.end());
      sessions.delete(id);
      knows.delete(id);
      progress.delete(id);
      await removeProject(db, id);
    },
    progress: (id) => progress.get(id) ?? IDLE,
    all: () => [...progress],
    follow(listener) {
      events.on('step', listener);
      return () => events.off('step', listener);
    },
    settled: async (id) => running.get(id)?.done,
    isSettled: (id) => !running.has(id),
    session: db.shared ? currentSession : sessionOf,
    isAwake(id) {
      const session = sessions.get(id);
      return session !== undefined && awake.has(session);
    },
    async close() {
      clearInterval(beat);
      await Promise.all([...running.keys()].map(stop));
      for (const session of sessions.values()) await session.then((one) => one.end()).catch(() => {});
    },
  };
}
