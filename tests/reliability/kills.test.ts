/**
 * The server is killed at random moments while decisions are made and audits run. Every decision that it acknowledged is
 * there after the restart, every project opens, and what was interrupted says so.
 */
import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { standing } from '../../src/server/db/journal';

const KILLS = process.env.ENDURANCE ? 50 : 3;
const ROOT = join(import.meta.dirname, '../..');
let folder: string;
let server: ChildProcess | undefined;
let address: string;

async function start(): Promise<void> {
  const args = [join(ROOT, 'bin/zinc-rope.js'), 'serve', '--data', join(folder, 'data')];
  server = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
  let text = '';
  for await (const chunk of server.stdout as AsyncIterable<Buffer>) {
    text += chunk.toString();
    const found = /http:\/\/[\d.:]+/.exec(text);
    if (found) {
      address = found[0];
      return;
    }
  }
  throw new Error('the server ended before it said where it is');
}

const call = (method: string, path: string, body?: unknown): Promise<Response> =>
  fetch(`${address}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });

async function audited(id: string): Promise<void> {
  for (;;) {
    const project = (await (await call('GET', `/projects/${id}`)).json()) as { audit?: unknown };
    if (project.audit) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'kills-'));
  cpSync(join(ROOT, 'demo/console'), join(folder, 'console'), { recursive: true });
});
afterAll(() => {
  server?.kill('SIGKILL');
  rmSync(folder, { recursive: true });
});

test(`${KILLS} kills lose nothing that was acknowledged`, async () => {
  await start();
  const opened = await call('POST', '/projects', { path: join(folder, 'console') });
  const { id } = (await opened.json()) as { id: string };
  await audited(id);
  const acknowledged: string[] = [];
  for (let kill = 0; kill < KILLS; kill++) {
    let alive = true;
    const writing = (async () => {
      for (let i = 0; alive; i++) {
        const reason = `kill ${kill}, decision ${i}`;
        const body = { fingerprints: [reason], verdict: 'accepted', reason };
        const response = await call('PUT', `/projects/${id}/decisions`, body).catch(() => undefined);
        if (response?.status === 204) acknowledged.push(reason);
      }
    })();
    await call('POST', `/projects/${id}/audits`);
    // Anywhere from the first file to the last row that is kept.
    await new Promise((resolve) => setTimeout(resolve, 50 + ((kill * 0.618) % 1) * 1_500));
    const ended = once(server!, 'exit');
    server!.kill('SIGKILL');
    await ended;
    alive = false;
    await writing;
    await start();
    expect((await call('GET', `/projects/${id}/rigging`)).status).toBe(200);
  }
  expect(acknowledged.length).toBeGreaterThan(KILLS);
  // What was decided without a finding is kept as well, under its fingerprint.
  const answer = await call('GET', `/projects/${id}/decisions`);
  const kept = new Set(Object.keys((await answer.json()) as Record<string, unknown>));
  expect(acknowledged.filter((one) => !kept.has(one))).toEqual([]);
  const written = new Set((await standing(join(folder, 'data'))).get(join(folder, 'console'))?.keys());
  expect(acknowledged.filter((one) => !written.has(one))).toEqual([]);
}, 600_000);
