/** Questions of practitioners on a published library of 500 files, each in few actions; their number stands in the name. */
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';

const SOURCES = join(import.meta.dirname, '../../node_modules/@blueprintjs/core/src');

let folder: string;
let project: string;

test.beforeAll(async ({ browser }) => {
  folder = mkdtempSync(join(tmpdir(), 'library-'));
  cpSync(SOURCES, folder, { recursive: true });
  const page = await browser.newPage();
  await page.goto(process.env.ORIGIN!);
  await page.getByRole('combobox', { name: 'Audit a folder on this machine' }).fill(folder);
  await page.getByRole('button', { name: 'Audit', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Where it is worst' })).toBeVisible({ timeout: 60_000 });
  project = page.url().replace('/overview', '');
  await page.close();
});

test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

test.beforeEach(({ page }) => {
  page.on('pageerror', (error) => {
    throw error;
  });
});

test('what the project is, and the code of its gravest finding (1)', async ({ page }) => {
  await page.goto(project);
  await expect(page.getByRole('heading', { name: /^\d{3} components in \d{3} files/ })).toBeVisible();
  await page.getByRole('region', { name: 'The gravest finding' }).getByRole('link').click();
  await expect(page.getByRole('article')).toContainText(/components\/.*\.tsx/);
});

test('where a value comes from and who needs it, whether or not there is a finding (3)', async ({ page }) => {
  await page.goto(project);
  await expect(page.getByRole('region', { name: 'Where it is worst' })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: /^Search/ }).fill('ButtonGroup variant');
  await page.getByRole('option', { name: /variant prop of ButtonGroup/ }).click();
  await expect(page).toHaveURL(/strand\?ref=/);
  await expect(page.getByRole('region', { name: 'Hops with code' })).toContainText('variant');
});

test('which call sites of a component do otherwise (2)', async ({ page }) => {
  await page.goto(`${project}/component?ref=Icon`);
  const usage = page.getByRole('table', { name: 'Usage' });
  const all = Number(await usage.getAttribute('aria-rowcount'));
  await page.getByRole('checkbox', { name: 'only odd ones out and loose ends' }).click();
  await expect.poll(async () => Number(await usage.getAttribute('aria-rowcount'))).toBeLessThan(all);
});

test('which components could be one, and in what they differ (3)', async ({ page }) => {
  await page.goto(`${project}/catalogue`);
  await page.getByRole('link', { name: 'Components that are alike' }).click();
  await page
    .getByRole('link', { name: /side by side$/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(' and ');
  await expect(page.getByText(/^\d+ of \d+ ports in common\./)).toBeVisible();
  const rows = page.getByRole('table', { name: /^What .* take$/ }).getByRole('row');
  const before = await rows.count();
  await page.getByRole('button', { name: /^Show \d+ ports? in which they are alike/ }).click();
  expect(await rows.count()).toBeGreaterThan(before);
});

test('two call sites of one component (2)', async ({ page }) => {
  await page.goto(`${project}/component?ref=Icon`);
  const usage = page.getByRole('table', { name: 'Usage' });
  await usage.getByRole('button', { name: 'beside' }).first().click();
  await usage.getByRole('button', { name: 'beside' }).first().click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Two call sites of Icon');
  await expect(page.getByRole('table', { name: 'What two call sites of Icon hand over' })).toBeVisible();
});

test('who stands above a component, however far (1)', async ({ page }) => {
  await page.goto(`${project}/component?ref=Icon`);
  const above = page.getByRole('group', { name: 'Above it' });
  await expect(above.getByRole('link', { name: 'ButtonGroup' })).toHaveCount(0);
  await above.getByRole('link', { name: 'Button', exact: true }).click();
  await expect(page).toHaveURL(/component\?ref=.*Button$/);
});

test('back leads to the place that one left (2)', async ({ page }) => {
  await page.goto(`${project}/catalogue`);
  const list = page.locator('[data-scroll="components"]');
  await expect(page.getByRole('table', { name: 'Components' })).toBeVisible();
  await list.evaluate((one) => (one.scrollTop = 2400));
  const row = page.getByRole('row').filter({ hasText: '.tsx' }).nth(20);
  await row.click();
  await expect(page).toHaveURL(/component\?ref=/);
  await page.goBack();
  await expect.poll(() => list.evaluate((one) => one.scrollTop)).toBe(2400);
});

test('the project opens where it was left (1)', async ({ page }) => {
  await page.goto(`${project}/findings?rule=prop/drilled`);
  await expect(page.getByRole('tree', { name: 'List of findings' })).toBeVisible();
  await page.goto(process.env.ORIGIN!);
  await page.getByRole('link', { name: folder.split('/').at(-1)! }).click();
  await expect(page).toHaveURL(/findings\?rule=prop\/drilled/);
});
