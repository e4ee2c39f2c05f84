/** Whole tasks in the catalogue, at a call site, in triage and across audits. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';

const project = () => process.env.PROJECT!;

test.beforeEach(({ page }) => {
  page.on('pageerror', (error) => {
    throw error;
  });
});

test('who clicks before the typing has rested goes where the click leads', async ({ page }) => {
  // A page that takes a while to load.
  await page.route(/ComponentPage/, async (route) => {
    await new Promise((done) => setTimeout(done, 700));
    await route.continue();
  });
  await page.goto(`${project()}/catalogue`);
  const app = page.getByRole('link', { name: 'App', exact: true });
  await app.waitFor();
  await page.getByRole('textbox', { name: 'Narrow the catalogue' }).fill('meter');
  // At once: a click by the mouse would first wait until the page is at rest.
  await app.dispatchEvent('click', { button: 0 });
  await expect(page.getByRole('heading', { name: 'App', exact: true })).toBeVisible();
});

test('find the loose end of a value that never arrives', async ({ page }) => {
  await page.goto(`${project()}/catalogue`);
  await page.getByRole('textbox', { name: 'Narrow the catalogue' }).fill('meter');
  await page.getByRole('link', { name: 'Meter', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Meter' })).toBeVisible();
  const usage = page.getByRole('table', { name: 'Usage' });
  await usage.getByRole('button', { name: 'max: missing' }).click();
  await expect(page.getByRole('heading', { name: 'CrewPanel renders Meter' })).toBeVisible();
  const row = page.locator('#port-max');
  await expect(row).toContainText('nothing');
  await expect(row).toContainText('missing');
  await expect(row).toContainText('required');
  await expect(page.getByRole('region', { name: 'CrewPanel, where it renders Meter' })).toContainText(
    '<Meter value={crew.length} />',
  );
});

test('compare the call sites of one component and find the odd one', async ({ page }) => {
  await page.goto(`${project()}/component?ref=Panel`);
  const usage = page.getByRole('table', { name: 'Usage' });
  await expect(usage.getByRole('row').nth(3)).toBeVisible();
  await usage.getByRole('button', { name: 'title', exact: true }).click();
  await expect(usage.getByRole('columnheader', { name: 'title' })).toHaveAttribute('aria-sort', 'ascending');
  await page.keyboard.press('/');
  await page.getByRole('combobox').fill('departurecard');
  await expect(page.getByRole('option', { name: /DepartureCard.*component/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'DepartureCard', exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Inside' })).toContainText('comes in');
});

test('step through the call sites, from port to port, by keyboard', async ({ page }) => {
  await page.goto(`${project()}/joint?ref=ActionButton&at=0`);
  await expect(page.getByText('call site 1 of 2')).toBeVisible();
  await page.keyboard.press(']');
  await expect(page.getByText('call site 2 of 2')).toBeVisible();
  await expect(page).toHaveURL(/at=1/);
  const chosen = page.getByRole('button', { pressed: true });
  const before = await chosen.textContent();
  await page.keyboard.press('ArrowDown');
  await expect(chosen).not.toHaveText(before!);
  await page.reload();
  await expect(page.getByText('call site 2 of 2')).toBeVisible();
});

test('which context a component consumes, and who provides it', async ({ page }) => {
  await page.goto(`${project()}/component?ref=ShiftBadge`);
  const consumes = page.getByRole('region', { name: 'Consumes' });
  await expect(consumes).toContainText('ShiftContext provided on all paths');
  await expect(consumes).toContainText('by App');
  await page.goto(`${project()}/component?ref=StormLamp`);
  await expect(page.getByRole('region', { name: 'Consumes' })).toContainText('provided on no path');
});

test('upstream and downstream of a hop, with more lines around it', async ({ page }) => {
  await page.goto(`${project()}/strand?ref=WindGauge:prop:unit`);
  const drawing = page.getByRole('region', { name: 'The strand as a drawing' });
  await drawing.getByRole('button', { name: 'upstream of the hop' }).click();
  await expect(drawing.getByRole('button', { name: /App windUnit/ })).toBeVisible();
  await drawing.getByRole('button', { name: 'downstream of it' }).click();
  await expect(drawing.getByRole('button', { name: /App windUnit/ })).toBeHidden();
  const hops = page.getByRole('region', { name: 'Hops with code' });
  await drawing.getByRole('button', { name: 'both ways' }).click();
  await expect(hops).toContainText('renamed from windUnit');
  await page.getByRole('button', { name: '4', exact: true }).click();
  await expect(page).toHaveURL(/around=4/);
});

test('what call sites write down themselves leads to them', async ({ page }) => {
  await page.goto(`${project()}/strand?ref=Panel:prop:tone`);
  const hops = page.getByRole('region', { name: 'Hops with code' });
  await expect(hops).toContainText('written at call sites');
  await hops.getByRole('link', { name: '"plain" LinePanel.tsx:17' }).click();
  await expect(page).toHaveURL(/joint\?ref=Panel&at=\d+&port=tone/);
  await expect(page.getByRole('main')).toContainText('LinePanel');
});

test('the value itself, one step further, or all of it', async ({ page }) => {
  await page.goto(`${project()}/strand?ref=WindGauge:prop:unit`);
  const drawing = page.getByRole('region', { name: 'The strand as a drawing' });
  const hop = (name: RegExp) => drawing.locator('[title]').filter({ hasText: name });
  await expect(hop(/Meter/)).toBeVisible();
  await drawing.getByRole('button', { name: /^the value itself, \d+ hops/ }).click();
  await expect(hop(/WindGauge\s*shown/)).toBeHidden();
  await expect(hop(/App/)).toBeVisible();
  await drawing.getByRole('button', { name: /^one step further, \d+ hops/ }).click();
  await expect(hop(/WindGauge\s*shown/)).toBeVisible();
  await expect(hop(/Meter/)).toBeHidden();
  await expect(page).toHaveURL(/reach=step/);
  // Whoever is sent a hop sees it, however far it is.
  await page.goto(`${project()}/strand?ref=WindGauge:prop:unit&reach=itself&hop=Meter:prop:value`);
  await expect(hop(/Meter/)).toBeVisible();
  // Until something nearer is chosen.
  await drawing.getByRole('button', { name: /^the value itself/ }).click();
  await expect(hop(/Meter/)).toBeHidden();
  await expect(hop(/App/)).toBeVisible();
});

async function openSecond(page: Page): Promise<void> {
  await page.goto(process.env.ORIGIN!);
  await page.getByRole('combobox', { name: 'Audit a folder on this machine' }).fill(process.env.SECOND!);
  await page.getByRole('button', { name: 'Audit', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Where it is worst' })).toBeVisible();
}

test('decide on findings by keyboard; decisions outlive audits, and come back when the trail changes', async ({
  page,
}) => {
  await openSecond(page);
  await page.getByRole('link', { name: /^Findings/ }).click();
  await page.goto(page.url().replace(/\/\w+$/, '/findings?rule=prop/missing'));
  const list = page.getByRole('tree', { name: 'List of findings' });
  await expect(list.getByRole('treeitem', { level: 2 })).toHaveCount(1);
  await list.focus();
  await page.keyboard.press('a');
  await page.getByRole('textbox', { name: 'Reason' }).fill('the drill runs on Friday');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Every finding that passes the filters has been decided.')).toBeVisible();
  // Another audit of the same code keeps the decision.
  await page.getByRole('button', { name: 'Audit again' }).click();
  // The address decides whether it is checked, and takes a moment.
  await page.getByRole('checkbox', { name: '1 decided' }).click();
  await expect(page.getByRole('checkbox', { name: '1 decided' })).toBeChecked();
  await expect(page.getByRole('article')).toContainText('accepted: the drill runs on Friday');
  // The same fault in another component is another finding.
  const path = join(process.env.SECOND!, 'src/crew/CrewPanel.tsx');
  const text = readFileSync(path, 'utf8');
  writeFileSync(path, text.replaceAll('CrewPanel', 'CrewBoard'));
  const app = join(process.env.SECOND!, 'src/App.tsx');
  const before = readFileSync(app, 'utf8');
  writeFileSync(app, before.replace('{ CrewPanel }', '{ CrewBoard as CrewPanel }'));
  await page.getByRole('button', { name: 'Audit again' }).click();
  await expect(list.getByRole('treeitem', { level: 2 })).toContainText(
    'CrewBoard renders Meter without "max"',
  );
  await expect(page.getByRole('checkbox', { name: '1 decided' })).toBeHidden();
  // Back as it was, the decision is still there, and can be taken back.
  writeFileSync(path, text);
  writeFileSync(app, before);
  await page.getByRole('button', { name: 'Audit again' }).click();
  await expect(page.getByRole('checkbox', { name: '1 decided' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('button', { name: 'Accept' })).toBeVisible();
});

test('see what two audits differ in', async ({ page }) => {
  await openSecond(page);
  const path = join(process.env.SECOND!, 'src/crew/CrewPanel.tsx');
  const text = readFileSync(path, 'utf8');
  writeFileSync(
    path,
    text.replace('<Meter value={crew.length} />', '<Meter value={crew.length} max={9} maximum={9} />'),
  );
  await page.getByRole('button', { name: 'Audit again' }).click();
  await page.getByRole('link', { name: 'Audits' }).click();
  await expect(page.getByRole('heading', { name: /1 new, 1 gone/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'New' })).toContainText('CrewPanel passes "maximum"');
  await expect(page.getByRole('region', { name: 'Gone' })).toContainText('without "max"');
  await expect(page.getByRole('img', { name: /Findings by level over/ })).toBeVisible();
  writeFileSync(path, text);
});

test('what is saved is on the page at once: new findings say so, and what was chosen stays', async ({
  page,
}) => {
  await openSecond(page);
  await page.goto(page.url().replace(/\/\w+$/, '/findings?by=file&text=line'));
  await expect(page.getByText('watching')).toBeVisible();
  const list = page.getByRole('tree', { name: 'List of findings' });
  const chosen = list.getByRole('treeitem', { level: 2 }).nth(2);
  await chosen.click();
  const message = await chosen.innerText();
  const path = join(process.env.SECOND!, 'src/crew/CrewPanel.tsx');
  const text = readFileSync(path, 'utf8');
  writeFileSync(path, text.replace('<Meter value', '<Meter maximum={9} value'));
  const note = page.getByRole('button', {
    name: /1 file changed since the audit that was kept; 1 finding new/,
  });
  await expect(note).toBeVisible();
  await expect(chosen).toHaveText(message, { useInnerText: true });
  await expect(chosen).toHaveAttribute('aria-selected', 'true');
  await note.click();
  const since = page.getByRole('dialog', { name: 'Since the audit that was kept' });
  await expect(since).toContainText('src/crew/CrewPanel.tsx');
  await since.getByRole('link', { name: '1 finding new' }).click();
  // The rows before are there until those that are asked for are.
  await expect(list.getByRole('treeitem', { level: 2 })).toHaveCount(1);
  await expect(list.getByRole('treeitem', { level: 2 })).toHaveText(/CrewPanel passes "maximum".*new/);
  // Half-written, the file keeps what was known of it.
  writeFileSync(path, text.replace('<Meter value', '<Meter maximum={9 value'));
  await expect(page.getByRole('button', { name: /1 file broken at the moment/ })).toBeVisible();
  await expect(list.getByRole('treeitem', { level: 2 })).toHaveCount(1);
  writeFileSync(path, text.replace('<Meter value', '<Meter maximum={9} value'));
  await expect(page.getByRole('button', { name: /1 file broken at the moment/ })).toBeHidden();
  // Kept with a key, it is an audit.
  await page.keyboard.press('k');
  await expect(page.getByText('watching')).toBeVisible();
  await expect(page.getByText('No finding passes the filters.')).toBeVisible();
  writeFileSync(path, text);
  await expect(page.getByRole('button', { name: /0 findings new, 1 gone/ })).toBeVisible();
});

test('places are links into the editor that was set', async ({ page }) => {
  await page.goto(`${project()}/component?ref=Meter`);
  await expect(page.getByRole('heading', { name: 'Meter' })).toBeVisible();
  await page.keyboard.press('?');
  const field = page.getByRole('textbox', { name: /Open places in your editor/ });
  await field.fill('javascript:{path}');
  await expect(page.getByText('It needs a scheme of its own')).toBeVisible();
  await field.fill('edit://open?file={path}&line={line}');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('link', { name: 'src/shared/Meter.tsx:6' })).toHaveAttribute(
    'href',
    /^edit:\/\/open\?file=.*\/demo\/console\/src\/shared\/Meter\.tsx&line=6$/,
  );
  await page.reload();
  await expect(page.getByRole('link', { name: 'src/shared/Meter.tsx:6' })).toBeVisible();
});

test('pin a strand and see another beside it', async ({ page }) => {
  await page.goto(`${project()}/rigging`);
  const strands = page.getByRole('toolbar', { name: 'Strands' });
  await strands.getByRole('button', { name: 'windUnit' }).click();
  const panel = page.getByRole('complementary', { name: 'Strand' });
  await panel.getByRole('button', { name: 'Pin it' }).click();
  await strands.getByRole('button', { name: 'stormLimit' }).click();
  await expect(panel).toContainText('beside the pinned strand');
  await expect(panel).toContainText('LinePanel');
});

for (const [part, component, file] of [
  ['ticket desk (Vue)', 'SaleSum', 'SaleSum.vue'],
  ['wind board (Svelte)', 'MastRow', 'MastRow.svelte'],
  ['Station signs (Stencil)', 'SignRow', 'sign-row.tsx'],
  ['Crew rota (Razor)', 'CrewRow', 'CrewRow.razor'],
  ['Ticket kiosk (Sheet)', 'FareRow', 'fares.rope.yaml'],
] as const) {
  test(`${part}: from the projects to a call site, in its own language`, async ({ page }) => {
    await page.goto(process.env.ORIGIN!);
    await page.getByRole('button', { name: part }).click();
    await expect(page.getByRole('region', { name: 'Where it is worst' })).toBeVisible({ timeout: 20_000 });
    await page.getByRole('link', { name: 'Catalogue' }).click();
    // The overview, which stays until the catalogue is there, has links to its file.
    await expect(page.getByRole('textbox', { name: 'Narrow the catalogue' })).toBeVisible();
    await page.getByRole('link', { name: component }).first().click();
    await expect(page).toHaveURL(/\/component\?/);
    await expect(page.getByText(new RegExp(`${file}:\\d`)).first()).toBeVisible();
    await page.goto(page.url().replace('/component?', '/joint?') + '&at=0');
    await expect(page.getByRole('heading', { name: `renders ${component}` })).toBeVisible();
    // The code is coloured as its language is.
    await expect(page.locator('[style*="--code-token"]').first()).toBeVisible();
  });
}

test('find out what was not joined, and why', async ({ page }) => {
  await page.goto(`${project()}/rigging`);
  await page.getByRole('link', { name: '53 of 54' }).click();
  await expect(page.getByRole('button', { name: /^Tags/ })).toHaveAttribute('aria-pressed', 'true');
  const list = page.getByRole('table', { name: 'Not joined, by reason' });
  await expect(list).toContainText('it is neither imported, declared nor registered in sight');
  await expect(list).toContainText('src/dispatch/HoldLog.tsx:19');
  await page.getByRole('textbox', { name: 'Narrow by name or file' }).fill('pylon');
  await expect(page.getByText('none of it bears these words')).toBeVisible();
  await page.getByRole('textbox', { name: 'Narrow by name or file' }).fill('');
  await page.getByRole('button', { name: /^Handlers/ }).click();
  await expect(list).toContainText('onPress={announce()}');
  await expect(page).toHaveURL(/kind=handler/);
});
