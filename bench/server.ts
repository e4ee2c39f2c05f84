/** What an audit costs where people meet it: at the server, with its database, the first time and after one edit. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../src/server/db/connection';
import { openProjects } from '../src/server/projects';
import { walk } from '../src/server/sources/walk';

/** Times are in milliseconds. */
export interface ServerTimes {
  cold: number;
  /** After an export was added to a file. */
  again: number;
  /** After a comment was added, so that a file says the same at other places. */
  moved: number;
  /** After no edit. */
  nothing: number;
  /** Until an open page can be shown a file that was saved, with an export or a comment more; nothing is kept. */
  shown: { again: number; moved: number };
}

/** So many edits are made one after the other, each in another file; their median counts. */
const EDITS = 5;

/** Audits a folder that may be written to. */
export async function serverTimes(folder: string): Promise<ServerTimes> {
  const data = mkdtempSync(join(tmpdir(), 'bench-data-'));
  try {
    const db = await openDatabase(join(data, 'data'));
    const projects = await openProjects(db, (error) => console.error(error));
    const timed = async (work: () => Promise<unknown>): Promise<number> => {
      const at = performance.now();
      await work();
      return performance.now() - at;
    };
    let id = '';
    const done = async () => {
      await projects.settled(id);
      const step = projects.progress(id);
      if (step.stage !== 'done') throw new Error(`${step.stage}: ${step.message}`);
    };
    const cold = await timed(async () => {
      id = await projects.open(folder);
      await done();
    });
    const again = async () => {
      await projects.audit(id);
      await done();
    };
    const { sources } = await walk(folder);
    const edited = sources.filter((path) => /\.[jt]sx?$/.test(path));
    let edits = 0;
    const after = async (edit: (text: string) => string, then: (path: string) => Promise<unknown>) => {
      const times: number[] = [];
      for (let i = 0; i < EDITS; i++) {
        const path = edited[Math.floor(((i + 0.5) * edited.length) / EDITS)]!;
        const full = join(folder, path);
        writeFileSync(full, edit(readFileSync(full, 'utf8')));
        times.push(await timed(() => then(path)));
      }
      return times.sort((a, b) => a - b)[EDITS >> 1]!;
    };
    const exported = (text: string) => `${text}\nexport const edited${edits++} = ${edits};\n`;
    const commented = (text: string) => text.replace(/\n\}(?![^]*\n\})/, `\n  // ${edits++}\n}`);
    const session = await projects.session(id);
    const shown = (path: string) => session.freshen(folder, [path]);
    const times = {
      cold,
      again: await after(exported, again),
      moved: await after(commented, again),
      nothing: await timed(again),
      shown: { again: await after(exported, shown), moved: await after(commented, shown) },
    };
    await projects.close();
    await db.close();
    return times;
  } finally {
    rmSync(data, { recursive: true });
  }
}
