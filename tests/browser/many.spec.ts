/** Fifty projects in three tabs: nothing waits for a free connection. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';

const MANY = 50;
let folder: string;
let ids: string[];

test.beforeAll(async ({ request }) => {
  folder = mkdtempSync(join(tmpdir(), 'many-'));
  ids = [];
  for (let i = 0; i < MANY; i++) {
    const root = join(folder, `line-${i}`);
    mkdirSync(root);
    writeFileSync(join(root, 'Gauge.tsx'), `export function Gauge${i}() { return <b />; }\n`);
    const response = await request.post(`${process.env.ORIGIN}/api/projects`, { data: { path: root } });
    ids.push(((await response.json()) as { id: string }).id);
  }
});
test.afterAll(async ({ request }) => {
  for (const id of ids)
    await request.delete(`${process.env.ORIGIN}/api/projects/${id}`, {
      headers: { 'content-type': 'application/json' },
    });
  rmSync(folder, { recursive: true });
});

test('the start page and a project open in three tabs with fifty projects', async ({ context }) => {
  const tabs = await Promise.all([0, 1, 2].map(() => context.newPage()));
  for (const tab of tabs) await tab.goto(process.env.ORIGIN!);
  for (const tab of tabs) await expect(tab.getByRole('row')).not.toHaveCount(0);
  for (const tab of tabs) {
    await expect(tab.getByRole('link', { name: /^line-\d+$/ })).toHaveCount(MANY);
    await tab.getByRole('link', { name: 'line-7', exact: true }).click();
    await expect(tab.getByText('Gauge7').first()).toBeVisible();
  }
  // A step of an audit reaches every tab.
  for (const tab of tabs) await tab.goto(process.env.ORIGIN!);
  const [first, ...others] = tabs;
  const last = (tab: (typeof tabs)[number]) => tab.getByRole('row', { name: /line-3 / }).first();
  const before = await last(others[0]!).textContent();
  writeFileSync(join(folder, 'line-3', 'Mast.tsx'), 'export function Mast() { return <i />; }\n');
  await last(first!).getByRole('button', { name: 'Audit again' }).click();
  for (const tab of others) await expect(last(tab)).not.toHaveText(before!);
});
