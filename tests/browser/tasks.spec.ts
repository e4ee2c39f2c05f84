/** Questions of practitioners on the demo, each in few actions; their number stands in the name. */
import { expect, test } from '@playwright/test';

const project = () => process.env.PROJECT!;

test.beforeEach(({ page }) => {
  page.on('pageerror', (error) => {
    throw error;
  });
});

test('from the overview to the code of the gravest finding (1)', async ({ page }) => {
  await page.goto(project());
  await expect(page.getByRole('heading', { name: /^50 components in 54 files/ })).toBeVisible();
  const gravest = page.getByRole('region', { name: 'The gravest finding' });
  await expect(gravest.getByRole('article')).toContainText('NoticeCard');
  await gravest.getByRole('link').click();
  await expect(page.getByRole('article')).toContainText('src/App.tsx');
});

test('which folder is worst, and by what rule (2)', async ({ page }) => {
  await page.goto(project());
  await page
    .getByRole('link', { name: /^src\/workshop\/.*: / })
    .first()
    .click();
  await expect(page).toHaveURL(/folder=src%2Fworkshop/);
  const rules = page.getByRole('region', { name: 'Rules' });
  await rules.getByRole('button').first().click();
  const list = page.getByRole('tree', { name: 'List of findings' });
  await expect(list.getByRole('treeitem', { level: 2 })).toHaveCount(1);
});

test('where a value comes from that no finding is about (1)', async ({ page }) => {
  await page.goto(`${project()}/rigging`);
  await page.getByRole('textbox', { name: 'Narrow by component or name' }).fill('sessions');
  await expect(page.getByRole('toolbar', { name: 'Strands' }).getByRole('button')).not.toHaveCount(0);
  await expect(page.getByRole('complementary', { name: 'Strand' })).not.toContainText('No strand');
});

test('every strand through one component (1)', async ({ page }) => {
  await page.goto(`${project()}/rigging`);
  await page.getByRole('treeitem', { name: 'LinePanel' }).getByRole('link').click();
  await expect(page).toHaveURL(/component=LinePanel/);
  const panel = page.getByRole('complementary', { name: 'Strand' });
  await expect(panel).toContainText(/\d+ strands through LinePanel/);
  await expect(page.getByRole('button', { name: 'component LinePanel ×' })).toBeVisible();
});

test('what a rule means, with an example (1)', async ({ page }) => {
  await page.goto(`${project()}/findings?rule=prop/missing`);
  await page.getByRole('link', { name: 'What the rule means' }).click();
  await expect(page.getByRole('heading', { name: 'prop/missing' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Example' })).toContainText('<Gauge wind={12} unit="m/s" />');
  await expect(page.getByRole('region', { name: 'Here' })).toContainText(
    'CrewPanel renders Meter without "max"',
  );
});

test('a whole group is decided at once, and taken back step by step (5)', async ({ page }) => {
  await page.goto(`${project()}/findings?by=component&component=NoticeCard`);
  const list = page.getByRole('tree', { name: 'List of findings' });
  await expect(list.getByRole('treeitem', { level: 2 })).toHaveCount(3);
  await page.getByRole('button', { name: 'decide on all 3' }).click();
  const reason = page.getByRole('textbox', { name: 'Reason' });
  await reason.fill('the card is replaced in spring');
  await expect(page.getByRole('combobox', { name: 'Covers' })).toHaveValue('group');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Every finding that passes the filters has been decided.')).toBeVisible();
  await page.getByRole('button', { name: 'undo the decision on 3 findings' }).click();
  await expect(list.getByRole('treeitem', { level: 2 })).toHaveCount(3);
});

test('a slip in a name comes with its repair (0)', async ({ page }) => {
  await page.goto(`${project()}/findings?rule=prop/unknown`);
  const repair = page.getByRole('region', { name: 'Repair' });
  await expect(repair).toContainText('subtitel="Control console"');
  await expect(repair).toContainText('subtitle="Control console"');
});

test('a name in any case leads to its page; several give a choice, none the near ones (1)', async ({
  page,
}) => {
  await page.goto(`${project()}/component?ref=jobboard`);
  await expect(page.getByRole('heading', { name: 'JobBoard' })).toBeVisible();
  await page.goto(`${project()}/component?ref=JobBord`);
  await page.getByRole('link', { name: 'JobBoard' }).click();
  await expect(page.getByRole('heading', { name: 'JobBoard' })).toBeVisible();
});

test('search shows a port on the rigging (3)', async ({ page }) => {
  await page.goto(`${project()}/catalogue`);
  await expect(page.getByRole('table')).toBeVisible();
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: /^Search/ }).fill('gauge unit');
  await expect(page.getByRole('option', { name: /unit prop of WindGauge/ })).toBeVisible();
  await page.keyboard.press('Shift+Enter');
  await expect(page).toHaveURL(/pin=WindGauge/);
  await expect(page.getByRole('tree')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'unit' })).toBeVisible();
  // The address alone shows what was asked for, and not the gravest.
  await page.goto(`${project()}/rigging?pin=WindGauge:prop:unit`);
  await expect(page.getByRole('heading', { name: 'unit' })).toBeVisible();
});

test('the way on which a context has no provider (0)', async ({ page }) => {
  await page.goto(`${project()}/component?ref=StormLamp`);
  await expect(page.getByText('Along the strong red way nobody provides UnitContext.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Consumes' })).toContainText(
    /not along Main › App › .* › StormLamp/,
  );
});

test('a strand as a picture (1)', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(`${project()}/strand?ref=WindGauge:prop:unit`);
  await expect(page.getByRole('region', { name: 'Hops with code' })).toBeVisible();
  await page.keyboard.press('v');
  await expect(page.getByText('SVG copied')).toBeVisible();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
  expect(text).toContain('>WindGauge</text>');
  expect(text).not.toContain('var(--');
  // A picture that stands alone is one that is drawn.
  await page.setContent(text);
  const box = await page.locator('svg').boundingBox();
  expect(box!.height).toBeGreaterThan(60);
});

test('what is opened in the same view is seen from its start (1)', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 500 });
  await page.goto(`${project()}/component?ref=Workshop`);
  const body = page.locator('[data-scroll="page"]');
  const last = page.getByRole('region', { name: 'Renders' }).getByRole('link').last();
  await expect(last).toBeVisible();
  // The shell is drawn once more while the browser knows of the new entry already, and the page does not.
  await page.evaluate(() => {
    const push = history.pushState.bind(history);
    history.pushState = (...given) => {
      push(...given);
      const theme = [...document.querySelectorAll('button')].find((one) => one.textContent === 'Dark');
      theme!.click();
    };
  });
  await last.click();
  await expect(page).not.toHaveURL(/ref=Workshop/);
  await expect.poll(() => body.evaluate((one) => one.scrollTop)).toBe(0);
});
