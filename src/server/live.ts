/** Projects that somebody looks at are watched: what their screens show follows the folder. */
import { EventEmitter } from 'node:events';
import type { Live } from '../api/schemas';
import type { Database } from './db/database';
import { findProject, latestAudits } from './db/projects';
import { loadConfig } from './engine/audit-folder';
import type { Projects } from './projects';
import { type Changes, watchFolder, type Watching } from './sources/watch';

/** Milliseconds that a folder is watched on after the last page left: pages are loaded again. */
const GRACE = 10_000;

export interface Following {
  /** Somebody looks at a project; gives what ends that. */
  attend(id: string): () => void;
  /** How each project is followed that anybody looked at. */
  all(): [id: string, live: Live][];
  /** Whether the project's thread is ahead of what was kept. */
  isAhead(id: string): boolean;
  onStep(listener: (id: string, live: Live) => void): () => void;
  close(): Promise<void>;
}

interface Followed {
  live: Live;
  pages: number;
  watching?: Watching;
  /** What changed and is not shown yet. */
  pending: { changes: Changes } | undefined;
  busy: boolean;
  leave?: NodeJS.Timeout;
}

/** `onFailure` is told of what failed otherwise than by the folder. */
export function followProjects(
  db: Database,
  projects: Projects,
  onFailure: (error: unknown) => void = () => {},
): Following {
  const events = new EventEmitter().setMaxListeners(0);
  const followed = new Map<string, Followed>();
  let closed = false;

  function tell(id: string, one: Followed, step: Partial<Live>): void {
    const { serial } = one.live;
    one.live = { ...one.live, ...step, serial: serial + 1 };
    if (!one.live.ahead) delete one.live.ahead;
    if (!one.live.reason) delete one.live.reason;
    if (followed.get(id) === one) events.emit('step', id, one.live);
  }

  function lose(id: string, one: Followed, reason: string): void {
    void one.watching?.close();
    delete one.watching;
    tell(id, one, { watching: false, reason });
  }

  async function begin(id: string, one: Followed): Promise<void> {
    const project = await findProject(db, id);
    if (!project || one.watching || one.pages === 0) return;
    const { root } = project;
    const config = await loadConfig(root).catch(() => undefined);
    const { include, exclude } = config ?? {};
    const watching = watchFolder(
      root,
      { ...(include ? { include } : {}), ...(exclude ? { exclude } : {}) },
      (changes) => note(id, one, root, changes),
      (reason) => lose(id, one, reason),
    );
    one.watching = watching;
    try {
      await watching.ready;
    } catch (error) {
      if (one.watching === watching) lose(id, one, error instanceof Error ? error.message : String(error));
      return;
    }
    if (one.watching !== watching) return;
    tell(id, one, { watching: true, reason: undefined });
    // It may have changed while nobody looked.
    note(id, one, root, undefined);
  }

  function note(id: string, one: Followed, root: string, changes: Changes): void {
    const before = one.pending ? one.pending.changes : new Set<string>();
    one.pending = { changes: before && changes ? new Set([...before, ...changes]) : undefined };
    void show(id, one, root);
  }

  async function show(id: string, one: Followed, root: string): Promise<void> {
    // While an audit runs it is not disturbed; what changed meanwhile is shown when it is through.
    if (one.busy || !one.pending || closed || !projects.isSettled(id)) return;
    one.busy = true;
    const { changes } = one.pending;
    one.pending = undefined;
    try {
      // Where nothing is kept yet there is nothing to be ahead of: the first audit reads what there is.
      const [last] = await latestAudits(db, id, 1);
      if (last) {
        const session = await projects.session(id);
        const ahead = await session.freshen(root, changes && [...changes]);
        const { live } = one;
        if (live.reason !== undefined || JSON.stringify(ahead) !== JSON.stringify(live.ahead))
          tell(id, one, { ahead, reason: undefined });
      }
    } catch (error) {
      // A folder that is gone, or settings that are wrong, are said; they may come right again.
      if (!closed) tell(id, one, { reason: error instanceof Error ? error.message : String(error) });
      onFailure(error);
    } finally {
      one.busy = false;
    }
    void show(id, one, root);
  }

  const stop = projects.follow((id, { stage }) => {
    const one = followed.get(id);
    if (!one || !['done', 'failed', 'cancelled'].includes(stage)) return;
    void findProject(db, id).then((project) => {
      if (!project) followed.delete(id);
      else if (one.watching) note(id, one, project.root, new Set());
    }, onFailure);
  });

  return {
    attend(id) {
      let one = followed.get(id);
      if (!one) {
        one = { live: { serial: 0, watching: false }, pages: 0, pending: undefined, busy: false };
        followed.set(id, one);
      }
      const entry = one;
      entry.pages++;
      clearTimeout(entry.leave);
      if (!entry.watching) void begin(id, entry).catch(onFailure);
      let here = true;
      return () => {
        if (!here) return;
        here = false;
        if (--entry.pages > 0) return;
        entry.leave = setTimeout(() => {
          void entry.watching?.close();
          delete entry.watching;
          entry.live = { ...entry.live, watching: false };
        }, GRACE).unref();
      };
    },
    all: () => [...followed].map(([id, { live }]) => [id, live]),
    isAhead: (id) => followed.get(id)?.live.ahead !== undefined,
    onStep(listener) {
      events.on('step', listener);
      return () => events.off('step', listener);
    },
    async close() {
      closed = true;
      stop();
      const all = [...followed.values()];
      for (const { leave } of all) clearTimeout(leave);
      await Promise.all(all.map((one) => one.watching?.close()));
    },
  };
}
