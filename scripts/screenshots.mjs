// npm run screenshots: one picture of each main view, made from the demo, in docs/screenshots/.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, root } from './ensure.mjs';

ensurePackages();
ensureBuild();
const { chromium } = await import('@playwright/test');

const data = mkdtempSync(join(tmpdir(), 'pictures-'));
const server = spawn(process.execPath, ['bin/zinc-rope.js', 'serve', 'demo/console', '--data', data], {
  cwd: root,
  stdio: ['ignore', 'pipe', 'inherit'],
});
const address = await new Promise((resolve, reject) => {
  let text = '';
  server.stdout.on('data', (chunk) => {
    text += chunk;
    const found = /(http:\S+?)\/rigging/.exec(text);
    if (found) resolve(found[1]);
  });
  server.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
});

const VIEWS = [
  ['rigging', `${address}/rigging`],
  ['rigging-dark', `${address}/rigging?strand=LinePanel:prop:windUnit&row=10`, 'dark'],
  ['strand', `${address}/strand?ref=App:state:windUnit`],
  ['findings', `${address}/findings?by=rule&level=error`],
  ['projects', new URL('/', address).href],
];

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--no-first-run',
    '--disable-sync',
  ],
});
mkdirSync(join(root, 'docs/screenshots'), { recursive: true });
for (const [name, url, theme = 'light'] of VIEWS) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme: theme });
  await page.goto(url);
  await page.waitForTimeout(1500);
  await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) });
  await page.close();
}
await browser.close();
server.kill();
rmSync(data, { recursive: true, force: true });
