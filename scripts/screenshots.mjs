// npm run screenshots: one picture of each main view, made from the demo, in docs/screenshots/.
import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, root } from './ensure.mjs';

ensurePackages();
ensureBuild();
const { chromium } = await import('@playwright/test');

const folder = mkdtempSync(join(tmpdir(), 'pictures-'));
const source = join(folder, 'console');
cpSync(join(root, 'demo/console'), source, { recursive: true });
const data = join(folder, 'data');
const server = spawn(process.execPath, ['bin/zinc-rope.js', 'serve', source, '--data', data], {
  cwd: root,
  stdio: ['ignore', 'pipe', 'inherit'],
});
const address = await new Promise((resolve, reject) => {
  let text = '';
  server.stdout.on('data', (chunk) => {
    text += chunk;
    const found = /(http:\S+?)\/overview/.exec(text);
    if (found) resolve(found[1]);
  });
  server.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
});

// A history to compare: some faults mended, one put in, one more left as it was.
const api = address.replace('/p/', '/api/projects/');
const latest = async () => (await (await fetch(api)).json()).audit.id;
const audited = async () => {
  const before = await latest();
  const headers = { 'content-type': 'application/json' };
  const response = await fetch(`${api}/audits`, { method: 'POST', headers });
  if (!response.ok) throw new Error(await response.text());
  while ((await latest()) === before) await new Promise((done) => setTimeout(done, 300));
};
for (const step of [
  [['src/line/LinePanel.tsx', 'length="940"', 'length={940}']],
  [['src/crew/CrewPanel.tsx', '<CrewRow', '<CrewRow desk="east"']],
  [
    ['src/crew/CrewPanel.tsx', ' desk="east"', ''],
    ['src/line/LinePanel.tsx', 'length={940}', 'length={940} height={3}'],
  ],
]) {
  for (const [path, before, after] of step) {
    const file = join(source, path);
    const text = readFileSync(file, 'utf8');
    if (!text.includes(before)) throw new Error(`${path} does not say ${before}`);
    writeFileSync(file, text.replace(before, after));
  }
  await audited();
}

// A project with sheets beside it.
const origin = new URL('/', address).href;
cpSync(join(root, 'demo/kiosk'), join(folder, 'kiosk'), { recursive: true });
const added = await fetch(`${origin}api/projects`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ path: join(folder, 'kiosk') }),
});
const kiosk = `${origin}p/${(await added.json()).id}`;
const kioskApi = kiosk.replace('/p/', '/api/projects/');
while (!(await (await fetch(kioskApi)).json()).audit) await new Promise((done) => setTimeout(done, 300));

const VIEWS = [
  ['overview', `${address}/overview`],
  ['rigging', `${address}/rigging`],
  ['rigging-dark', `${address}/rigging?strand=LinePanel:prop:windUnit&row=10`, 'dark'],
  ['strand', `${address}/strand?ref=App:state:windUnit`],
  ['catalogue', `${address}/catalogue`],
  ['component', `${address}/component?ref=JobBoard`],
  ['beside', `${address}/beside?one=PylonList&other=PylonRow`],
  ['call-site', `${address}/joint?ref=DepartureCard&at=0`],
  ['joined', `${address}/joined`],
  ['rule', `${address}/rule?name=prop/drilled`],
  ['audits', `${address}/audits`],
  ['findings', `${address}/findings?by=rule&level=error`],
  ['sheet', `${kiosk}/sheet?path=kiosk.rope.yaml&line=53`],
  ['projects', origin],
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
rmSync(folder, { recursive: true, force: true });
