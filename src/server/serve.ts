/** Starts the workbench: database, projects, HTTP on 127.0.0.1. */
import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { createApp } from './app';
import { openDatabase } from './db/connection';
import { followProjects } from './live';
import { openProjects } from './projects';

export interface ServeOptions {
  /** A folder to open at once. */
  folder?: string;
  /** 0 or absent: a free one. */
  port?: number;
  /** Where projects and audits are kept. */
  data: string;
  version: string;
}

export async function serve({ folder, port, data }: ServeOptions): Promise<void> {
  const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2));
  const db = await openDatabase(data);
  const projects = await openProjects(db, (error) => logger.error(error));
  const live = followProjects(db, projects, (error) => logger.warn(error));
  const root = join(dirname(fileURLToPath(import.meta.url)), '..');
  const web = join(root, 'dist/web');
  const demo = join(root, 'demo');
  const app = createApp({
    db,
    projects,
    live,
    logger,
    ...(existsSync(web) ? { web } : {}),
    ...(existsSync(demo) ? { demo } : {}),
  });
  const server = createServer(app);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port ?? 0, '127.0.0.1', resolve);
  });
  const stop = () => {
    server.close();
    server.closeAllConnections();
    void live
      .close()
      .then(() => projects.close())
      .then(() => db.close())
      .then(() => process.exit(0));
  };
  // Whoever knows the address may already want it to end.
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  let path = '/';
  if (folder !== undefined) {
    const id = await projects.open(folder);
    await projects.settled(id);
    const { stage, message } = projects.progress(id);
    if (stage === 'failed') console.error(`zinc-rope: ${folder} could not be audited: ${message}`);
    else path = `/p/${id}/overview`;
  }
  console.log(`Zinc Rope is at ${address}${path}`);
}
