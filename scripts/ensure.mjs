// What a fresh clone lacks: packages, then the build. Needs nothing but Node and npm.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Runs a command in the project folder, its output on standard error so that standard output stays clean. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: ['ignore', 2, 2], ...options });
  if (done.error) throw done.error;
  if (done.status !== 0) {
    console.error(`${command} ${args.join(' ')} ended with ${done.signal ?? done.status}`);
    process.exit(done.status ?? 1);
  }
}

/** Installs the packages when node_modules is missing or older than the lock file. */
export function ensurePackages() {
  const stamp = join(root, 'node_modules/.package-lock.json');
  const lock = join(root, 'package-lock.json');
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync(lock).mtimeMs) return;
  if (existsSync(stamp) && existsSync(join(root, 'node_modules/.bin/esbuild')) && !process.env.CI) {
    // npm does not touch its stamp when nothing changed; trust an install that has what the build needs.
    const age = statSync(lock).mtimeMs - statSync(stamp).mtimeMs;
    if (age < 60_000) return;
  }
  run('npm', ['ci', '--no-audit', '--no-fund']);
}

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** Builds when the build is missing or older than a source file. */
export function ensureBuild() {
  const stamp = join(root, 'dist/built');
  const sources = ['src', 'package-lock.json', 'scripts/build.mjs'].map((name) => newest(join(root, name)));
  if (existsSync(stamp) && statSync(stamp).mtimeMs > Math.max(...sources)) return;
  run(process.execPath, ['scripts/build.mjs']);
}
