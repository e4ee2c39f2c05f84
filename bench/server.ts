/** What an audit costs where people meet it: at the server, with its database, the first time and after one edit. */
import { appendFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../src/server/db/connection';
import { openProjects } from '../src/server/projects';
import { walk } from '../src/server/sources/walk';

/** Times are in milliseconds. `nothing` is after no edit. */
export interface ServerTimes {
  cold: number;
  again: number;
  nothing: number;
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
    const times: number[] = [];
    for (let i = 0; i < EDITS; i++) {
      const path = edited[Math.floor(((i + 0.5) * edited.length) / EDITS)]!;
      appendFileSync(join(folder, path), `\nexport const edited${i} = ${i};\n`);
      times.push(await timed(again));
    }
    const nothing = await timed(again);
    await projects.close();
    await db.close();
    return { cold, again: times.sort((a, b) => a - b)[EDITS >> 1]!, nothing };
  } finally {
    rmSync(data, { recursive: true });
  }
}
