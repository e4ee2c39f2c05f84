/**
 * The server is killed at random moments while decisions are made and audits run. Every decision that it acknowledged is
 * there after the restart, every project opens, and what was interrupted says so.
 */
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { standing } from '../../src/server/db/journal';
import { ENDURANCE, ROOT, Served } from './server';

const KILLS = ENDURANCE ? 50 : 3;
let folder: string;
let server: Served;

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'kills-'));
  cpSync(join(ROOT, 'demo/console'), join(folder, 'console'), { recursive: true });
  server = new Served(join(folder, 'data'));
});
afterAll(async () => {
  await server.kill();
  rmSync(folder, { recursive: true });
});

test(`${KILLS} kills lose nothing that was acknowledged`, async () => {
  await server.start();
  const id = await server.open(join(folder, 'console'));
  await server.audited(id);
  const acknowledged: string[] = [];
  for (let kill = 0; kill < KILLS; kill++) {
    let alive = true;
    const writing = (async () => {
      for (let i = 0; alive; i++) {
        const reason = `kill ${kill}, decision ${i}`;
        const body = { fingerprints: [reason], verdict: 'accepted', reason };
        const response = await server.call('PUT', `/projects/${id}/decisions`, body).catch(() => undefined);
        if (response?.status === 204) acknowledged.push(reason);
      }
    })();
    await server.call('POST', `/projects/${id}/audits`);
    // Anywhere from the first file to the last row that is kept.
    await new Promise((resolve) => setTimeout(resolve, 50 + ((kill * 0.618) % 1) * 1_500));
    await server.kill();
    alive = false;
    await writing;
    await server.start();
    expect((await server.call('GET', `/projects/${id}/rigging`)).status).toBe(200);
  }
  expect(acknowledged.length).toBeGreaterThan(KILLS);
  // What was decided without a finding is kept as well, under its fingerprint.
  const answer = await server.call('GET', `/projects/${id}/decisions`);
  const kept = new Set(Object.keys((await answer.json()) as Record<string, unknown>));
  expect(acknowledged.filter((one) => !kept.has(one))).toEqual([]);
  const written = new Set((await standing(join(folder, 'data'))).get(join(folder, 'console'))?.keys());
  expect(acknowledged.filter((one) => !written.has(one))).toEqual([]);
}, 600_000);
