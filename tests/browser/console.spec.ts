/** Whole tasks on the demo console, as a user does them. */
import { expect, test } from '@playwright/test';

const project = () => process.env.PROJECT!;

test.beforeEach(({ page }) => {
  page.on('pageerror', (error) => {
    throw error;
  });
});

test('follow a drilled prop on the rigging down to the code that reads it', async ({ page }) => {
  await page.goto(`${project()}/rigging`);
  await page.getByRole('toolbar', { name: 'Strands' }).getByRole('button', { name: 'windUnit' }).click();
  // The row at the top, which has the keyboard, shows its marks as the others do.
  await expect(page.getByRole('button', { name: /^App: windUnit/ }).first()).toBeVisible();
  const panel = page.getByRole('complementary', { name: 'Strand' });
  await expect(panel).toContainText('"windUnit" passes through LinePanel, PylonList and PylonRow');
  await page.getByRole('button', { name: 'WindGauge: unit reads it' }).click();
  await expect(panel.locator('[data-hop="WindGauge:prop:unit"]')).toContainText(
    'const shown = wind * FACTORS[unit];',
  );
  await expect(page).toHaveURL(/strand=LinePanel%3Aprop%3AwindUnit/);
  await panel.getByRole('link', { name: 'Open the strand' }).click();
  await expect(page.getByRole('heading', { name: 'WindGauge:prop:unit' })).toBeVisible();
  await expect(page.getByText('Comes from')).toBeVisible();
});

test('find out why a click does nothing', async ({ page }) => {
  await page.goto(`${project()}/rigging`);
  await page.getByRole('toolbar', { name: 'Strands' }).getByRole('button', { name: 'onHold' }).click();
  await expect(page.getByRole('button', { name: 'HoldButton: onHold raises it' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'DepartureQueue: onHold drops it' })).toBeVisible();
  await expect(
    page.getByRole('button', { name: 'DispatchBoard: onHold waits, never gets it' }),
  ).toBeVisible();
  const panel = page.getByRole('complementary', { name: 'Strand' });
  await expect(panel).toContainText('onClick={() => onHold?.(cabin.id)}');
  await expect(panel).toContainText('DepartureQueue takes "onHold" and drops it');
});

test('filter the findings; the filter is in the address and survives a reload', async ({ page }) => {
  await page.goto(`${project()}/findings`);
  const list = page.getByRole('tree', { name: 'List of findings' });
  await expect(list.getByRole('treeitem', { level: 2 }).nth(8)).toBeVisible();
  await page.getByRole('group', { name: 'Levels' }).getByRole('button', { name: 'error' }).click();
  const counts = page.getByRole('region', { name: 'Rules' });
  await counts.getByRole('button', { name: /prop\/missing/ }).click();
  await expect(list.getByRole('treeitem', { level: 2 })).toHaveCount(1);
  await expect(page).toHaveURL(/level=error&rule=prop%2Fmissing/);
  await page.reload();
  await expect(list.getByRole('treeitem', { level: 2 })).toHaveCount(1);
  await expect(page.getByRole('article')).toContainText('CrewPanel renders Meter without "max"');
  await expect(page.getByRole('article')).toContainText('<Meter value={crew.length} />');
});

test('the keyboard moves through findings, rows, lanes and hops', async ({ page }) => {
  await page.goto(`${project()}/findings`);
  const list = page.getByRole('tree', { name: 'List of findings' });
  await list.focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  const third = list.getByRole('treeitem', { level: 2 }).nth(2);
  await expect(third).toHaveAttribute('aria-selected', 'true');
  await page.goto(`${project()}/rigging`);
  // The strand that is chosen at first may lie further down.
  await page.locator('[role=treeitem][tabindex="0"], [role=treeitem]').first().focus();
  await page.keyboard.press('Home');
  await expect(page.locator('#row-0')).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('#row-1')).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(page).toHaveURL(/strand=/);
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/row=\d/);
  const first = page.url();
  await page.keyboard.press(']');
  await expect(page).not.toHaveURL(first);
});

test('see where a context is provided, who reads it, and who waits for one', async ({ page }) => {
  await page.goto(`${project()}/rigging?channel=context`);
  const strands = page.getByRole('toolbar', { name: 'Strands' });
  await strands.getByRole('button', { name: 'UnitContext' }).click();
  await expect(
    page.getByRole('button', { name: 'StormLamp: UnitContext waits, never gets it' }),
  ).toBeVisible();
  const panel = page.getByRole('complementary', { name: 'Strand' });
  await expect(panel).toContainText('StormLamp consumes UnitContext, and no provider of it is above');
  await strands.getByRole('button', { name: 'ShiftContext' }).first().click();
  await expect(page.getByRole('button', { name: 'ShiftBadge: ShiftContext reads it' }).first()).toBeVisible();
});

test('folding a row keeps what passes through it', async ({ page }) => {
  await page.goto(`${project()}/rigging`);
  const count = page.getByText(/^\d+ strands over \d+ rows$/);
  await page.goto(`${project()}/rigging?whole=1`);
  await expect(count).toBeVisible();
  const rows = parseInt((await count.textContent())!.split('over ')[1]!, 10);
  expect(rows).toBeGreaterThan(40);
  await page.locator('[role=treeitem]').first().focus();
  await page.keyboard.press('Home');
  await page.locator('#row-6').getByRole('button', { name: 'Fold' }).click();
  await expect(page.getByText(`over ${rows - 9} of ${rows} rows`)).toBeVisible();
  await expect(page.locator('#row-6')).toContainText('9 folded');
});

test('search finds components and ports', async ({ page }) => {
  await page.goto(`${project()}/rigging`);
  await expect(page.getByRole('tree')).toBeVisible();
  await page.keyboard.press('/');
  await page
    .getByRole('combobox', { name: 'Search components, ports, findings, files and rules' })
    .fill('unit gauge');
  await expect(page.getByRole('option', { name: /unit prop of WindGauge/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'WindGauge:prop:unit' })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('tree')).toBeVisible();
});

test('open a folder, see it audited, and find it again after a reload', async ({ page }) => {
  await page.goto(process.env.ORIGIN!);
  await page.getByRole('combobox', { name: 'Audit a folder on this machine' }).fill('/no/such/folder');
  await page.getByRole('button', { name: 'Audit', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('there is no folder /no/such/folder');
  const field = page.getByRole('combobox', { name: 'Audit a folder on this machine' });
  const second = process.env.SECOND!;
  // What the path may go on to is offered as it is typed.
  await field.fill(second.slice(0, second.lastIndexOf('/') + 2));
  await expect(page.locator(`#folders option[value="${second}"]`)).toHaveCount(1);
  await field.fill(second);
  await page.getByRole('button', { name: 'Audit', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Where it is worst' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('region', { name: 'Where it is worst' })).toBeVisible();
  await page.goto(process.env.ORIGIN!);
  await expect(page.getByRole('row', { name: /second/ })).toContainText('React');
});

test('dark stays dark', async ({ page }) => {
  await page.goto(`${project()}/rigging`);
  await page.getByRole('button', { name: 'Dark' }).click();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await expect(page.getByRole('button', { name: 'Light' })).toBeVisible();
});

test('an address that names nothing says so', async ({ page }) => {
  await page.goto(`${project()}/strand?ref=Nobody:prop:x`);
  await expect(page.getByRole('alert')).toContainText('nothing is called Nobody:prop:x');
  await page.goto(`${process.env.ORIGIN}/p/none/rigging`);
  await expect(page.getByRole('alert')).toBeVisible();
});
