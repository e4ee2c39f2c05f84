// npm test: installs what is missing, then type check, lint, unit tests and browser tests.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { ensureBuild, ensurePackages, root } from './ensure.mjs';

/** Installs a package of Debian's; gives back whether that went well. */
function installed(name) {
  console.error(`${name} is missing: installing it with apt-get`);
  const apt = (...args) => spawnSync('apt-get', args, { stdio: ['ignore', 2, 2] }).status === 0;
  return apt('update') && apt('install', '-y', name);
}

function ensureBrowser() {
  const path = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (existsSync(path)) return;
  if (!installed('chromium') || !existsSync(path)) {
    console.error(
      'The browser tests need Chromium. Install the package "chromium", or set CHROMIUM to the path of one.',
    );
    process.exit(1);
  }
}

/** The tests of the server run on PostgreSQL, too, where it is; on a build server it is installed. */
function ensureDatabase() {
  if (process.env.CI && !existsSync('/usr/lib/postgresql')) installed('postgresql');
}

function step(name, ...command) {
  console.log(`\n== ${name}`);
  const done = spawnSync('npx', ['--no-install', ...command], { cwd: root, stdio: 'inherit' });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

ensurePackages();
step('types', 'tsc', '-p', 'tsconfig.json', '--noEmit');
step('lint', 'eslint', '.');
step('format', 'prettier', '--check', '--log-level', 'warn', '.');
ensureBuild();
ensureDatabase();
step('unit tests', 'vitest', 'run');
ensureBrowser();
step('browser tests', 'playwright', 'test');
