/** A PostgreSQL of its own for the tests: a temporary cluster that listens on a socket in its folder only. */
import { execFileSync, spawn } from 'node:child_process';
import { once } from 'node:events';
import { chownSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { postgresqlBinaries } from './binaries';

declare module 'vitest' {
  interface ProvidedContext {
    /** The folder of the socket. */
    socket: string;
  }
}

/** PostgreSQL does not run as root: then it is the user that Debian's package makes. */
function owner(): { uid?: number; gid?: number } {
  if (process.getuid?.() !== 0) return {};
  const id = (flag: string) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }));
  return { uid: id('-u'), gid: id('-g') };
}

export default async function start(project: TestProject): Promise<() => Promise<void>> {
  const binaries = postgresqlBinaries()!;
  const folder = mkdtempSync(join(tmpdir(), 'pg-'));
  const { uid, gid } = owner();
  if (uid !== undefined && gid !== undefined) chownSync(folder, uid, gid);
  const as = { ...owner(), cwd: folder };
  const data = join(folder, 'data');
  execFileSync(
    join(binaries, 'initdb'),
    ['-D', data, '-U', 'postgres', '-A', 'trust', '-E', 'UTF8', '--locale=C', '--no-sync'],
    { ...as, stdio: 'pipe' },
  );
  const server = spawn(
    join(binaries, 'postgres'),
    ['-D', data, '-k', folder, '-c', 'listen_addresses=', '-c', 'fsync=off', '-c', 'max_connections=200'],
    { ...as, stdio: ['ignore', 'ignore', 'pipe'] },
  );
  let said = '';
  server.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  for (let waited = 0; !/ready to accept connections/.test(said); waited++) {
    if (waited > 300 || server.exitCode !== null) throw new Error(`PostgreSQL did not start: ${said}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  project.provide('socket', folder);
  return async () => {
    const ended = once(server, 'exit');
    // At once, whoever is still connected.
    server.kill('SIGQUIT');
    if (server.exitCode === null) await ended;
    if (existsSync(folder)) rmSync(folder, { recursive: true, force: true });
  };
}
