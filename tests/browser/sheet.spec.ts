/** Sheets are written, with their rigging beside them. */
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';

let folder: string;
let project: string;

test.beforeAll(async ({ request }) => {
  folder = mkdtempSync(join(tmpdir(), 'sheet-'));
  cpSync(join(import.meta.dirname, '../../demo/kiosk'), folder, { recursive: true });
  const opened = await request.post(`${process.env.ORIGIN}/api/projects`, { data: { path: folder } });
  const { id } = (await opened.json()) as { id: string };
  await expect
    .poll(async () => (await request.get(`${process.env.ORIGIN}/api/projects/${id}/sheets`)).status())
    .toBe(200);
  project = `${process.env.ORIGIN}/p/${id}`;
});
test.afterAll(() => rmSync(folder, { recursive: true }));
test.beforeEach(({ page }) => {
  page.on('pageerror', (error) => {
    throw error;
  });
});

const text = (page: Page) => page.getByRole('textbox', { name: /^Text of / });
const rows = (page: Page) => page.getByRole('tree', { name: 'Component tree' }).getByRole('treeitem');
const remarks = (page: Page) => page.getByRole('region', { name: 'What is found' });

test('what is found in a sheet leads to its line, and so does a row (2)', async ({ page }) => {
  await page.goto(`${project}/sheet?path=kiosk.rope.yaml`);
  await expect(remarks(page)).toContainText('17 findings');
  await remarks(page)
    .getByRole('button', { name: 'Kiosk passes "footer", but Slip does not take it.' })
    .click();
  await expect(text(page)).toBeFocused();
  await expect(page.locator('.cm-activeLine')).toContainText('footer: Keep this slip');
  await rows(page).filter({ hasText: 'CabinRow' }).getByRole('link').click();
  await expect(page.locator('.cm-activeLine')).toContainText('- use: CabinRow');
});

test('rigging and findings follow as one types; names are offered; it is saved (4)', async ({ page }) => {
  await page.goto(`${project}/sheet?path=kiosk.rope.yaml&line=41`);
  await expect(rows(page).filter({ hasText: 'Clock' })).toHaveCount(1);
  await expect(page.locator('.cm-activeLine')).toContainText('- use: CabinBoard');
  await page.keyboard.press('Home');
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.type('      - use: Clo');
  await expect(page.getByRole('option', { name: 'Clock' })).toBeVisible();
  // An offer that has just come is not taken by mistake.
  await page.waitForTimeout(150);
  await page.keyboard.press('Enter');
  await expect(page.locator('.cm-activeLine')).toHaveText('      - use: Clock');
  await expect(rows(page).filter({ hasText: 'Clock' })).toHaveCount(2);
  await page.keyboard.type('k');
  await expect(remarks(page)).toContainText('component/unresolved');
  await expect(remarks(page)).toContainText('18 findings');
  await page.keyboard.press('Backspace');
  await expect(rows(page).filter({ hasText: 'Clock' })).toHaveCount(2);
  await expect(page.getByText('not saved')).toBeVisible();
  await page.keyboard.press('Control+s');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  expect(readFileSync(join(folder, 'kiosk.rope.yaml'), 'utf8').match(/use: Clock/g)).toHaveLength(2);
});

test('what is not saved is there again, and nothing is written over what somebody else wrote', async ({
  page,
}) => {
  await page.goto(`${project}/sheet?path=fares.rope.yaml&line=1`);
  await expect(text(page)).toBeFocused();
  await page.keyboard.press('Home');
  await page.keyboard.type('# planned');
  await page.keyboard.press('Enter');
  await expect(page.getByText('not saved')).toBeVisible();
  await page.getByRole('link', { name: 'Overview' }).click();
  await page.getByRole('link', { name: 'Sheet', exact: true }).click();
  await page.getByRole('combobox', { name: 'Sheet' }).selectOption('fares.rope.yaml');
  await expect(text(page)).toContainText('# planned');
  const path = join(folder, 'fares.rope.yaml');
  writeFileSync(path, `${readFileSync(path, 'utf8')}# by another hand\n`);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('fares.rope.yaml was changed on disk');
  expect(readFileSync(path, 'utf8')).not.toContain('# planned');
  page.on('dialog', (dialog) => void dialog.accept());
  await page.getByRole('button', { name: 'Open what is on disk' }).click();
  await expect(text(page)).toContainText('sheet: Fares');
  await expect(text(page)).not.toContainText('# planned');
});

test('a sheet that is left while its lanes are placed does not disturb the next', async ({ page }) => {
  // Lanes are placed off the main thread; here that takes long.
  await page.addInitScript(() => {
    const post = Worker.prototype.postMessage;
    Worker.prototype.postMessage = function (this: Worker, message: unknown) {
      setTimeout(() => post.call(this, message), 1500);
    };
  });
  await page.goto(`${project}/sheet?path=kiosk.rope.yaml`);
  await expect(page.getByText('Loading the lanes…')).toBeVisible();
  await page.getByRole('button', { name: 'New, blank' }).click();
  await expect(rows(page)).toHaveCount(1);
});

test('a new sheet, blank and of the project (2)', async ({ page }) => {
  await page.goto(`${project}/sheet`);
  await page.getByRole('button', { name: 'New, blank' }).click();
  await expect(rows(page)).toHaveCount(1);
  const name = page.getByRole('textbox', { name: 'Save as' });
  await name.fill('plans/door.txt');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toContainText('a sheet ends in .rope.yaml or .rope.json');
  await name.fill('plans/door.rope.yaml');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page).toHaveURL(/path=plans%2Fdoor.rope.yaml/);
  expect(readFileSync(join(folder, 'plans/door.rope.yaml'), 'utf8')).toContain('sheet: Untitled');
  await page.getByRole('button', { name: 'New, of this project' }).click();
  await expect(text(page)).toContainText('- Booth');
  await expect(rows(page).filter({ hasText: 'SeatPicker' })).toHaveCount(1);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/\.rope\.yaml$/);
});

for (const theme of ['light', 'dark'] as const)
  test(`the screen of sheets is accessible, ${theme}`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: theme });
    await page.goto(`${project}/sheet?path=kiosk.rope.yaml`);
    await expect(rows(page).first()).toBeVisible();
    await expect(remarks(page)).toContainText('findings');
    const { violations } = await new AxeBuilder({ page }).analyze();
    const serious = violations.filter((one) => one.impact === 'serious' || one.impact === 'critical');
    expect(
      serious.map((one) => `${one.id} ${one.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
    ).toEqual([]);
  });
