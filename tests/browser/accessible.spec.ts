/** Every main view, in both themes, against the rules for accessible pages. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';

const VIEWS: [string, string, string][] = [
  ['overview', '/overview', 'article'],
  ['rigging', '/rigging', '[role=tree]'],
  ['rules', '/rule?name=prop/missing', 'figure'],
  ['strand', '/strand?ref=WindGauge:prop:unit', '[data-hop]'],
  ['findings', '/findings', '[role=treeitem]'],
  ['catalogue', '/catalogue', '[role=table]'],
  ['component', '/component?ref=JobBoard', '[role=table]'],
  ['call site', '/joint?ref=CrewRow&at=0', 'table'],
  ['joined', '/joined', '[role=table]'],
  ['audits', '/audits', 'table'],
  ['no sheet', '/sheet', 'pre'],
];

for (const theme of ['light', 'dark'] as const) {
  for (const [name, path, ready] of VIEWS) {
    test(`${name}, ${theme}`, async ({ page }) => {
      await page.emulateMedia({ colorScheme: theme });
      await page.goto(`${process.env.PROJECT}${path}`);
      await expect(page.locator(ready).first()).toBeVisible();
      // Code is highlighted once its lines are there.
      await page.waitForTimeout(400);
      const { violations } = await new AxeBuilder({ page }).analyze();
      const serious = violations
        .filter((one) => one.impact === 'serious' || one.impact === 'critical')
        .map(
          (one) =>
            `${one.id}: ${one.nodes
              .map((node) => node.target.join(' '))
              .slice(0, 3)
              .join(' | ')}`,
        );
      expect(serious).toEqual([]);
    });
  }
}

test('projects, light', async ({ page }) => {
  await page.goto(process.env.ORIGIN!);
  await expect(page.getByRole('table')).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((one) => one.impact === 'serious' || one.impact === 'critical')).toEqual([]);
});
