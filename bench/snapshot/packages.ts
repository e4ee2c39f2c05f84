/** Published sources that the snapshot audits, pinned; they are fetched when they are missing and kept outside of the project. */
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';

/** Each of these ships the sources of its components, some of them in a folder that a walk leaves out as built. */
export const PACKAGES = [
  '@coreui/react@5.13.0',
  '@radix-ui/themes@3.3.0',
  '@medusajs/dashboard@2.21.2',
  '@vendure/dashboard@3.7.3',
  '@douyinfe/semi-ui@2.90.1',
  'buefy@3.1.0',
  'element-ui@2.15.14',
  'frappe-ui@0.1.278',
  '@nuxt/ui@4.11.2 dist/runtime',
  '@gitlab/ui@137.2.6',
  '@rancher/shell@3.0.8',
  'bits-ui@2.21.0 dist',
  'flowbite-svelte@1.33.1 dist',
  'layerchart@2.5.0 dist',
  'carbon-components-svelte@0.112.1',
  '@immich/ui@0.91.1 dist',
];

const CACHE = join(process.env.XDG_CACHE_HOME ?? join(homedir(), '.cache'), 'zinc-rope', 'snapshot');

const fileName = (name: string): string => name.replace(/^@/, '').replace(/[/ ]/g, '-');

/** Where the record of a package or demo is kept in full. */
export function recordFile(name: string): string {
  mkdirSync(join(CACHE, 'records'), { recursive: true });
  return join(CACHE, 'records', `${fileName(name)}.txt`);
}

/** The folder of a package's sources; throws with what npm says where it cannot be fetched. */
export function folderOf(source: string): string {
  const [spec, inner = '.'] = source.split(' ') as [string, string?];
  const folder = join(CACHE, 'packages', fileName(spec));
  if (!existsSync(folder)) fetchPackage(spec, folder);
  return join(folder, inner);
}

function fetchPackage(spec: string, folder: string): void {
  mkdirSync(join(CACHE, 'packages'), { recursive: true });
  const temporary = mkdtempSync(join(CACHE, 'fetching-'));
  try {
    const run = (command: string, ...args: string[]) =>
      execFileSync(command, args, { cwd: temporary, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
    const [archive] = run('npm', 'pack', spec, '--silent').trim().split('\n').slice(-1);
    run('tar', '-xzf', archive!);
    renameSync(join(temporary, 'package'), folder);
  } finally {
    rmSync(temporary, { recursive: true, force: true });
  }
}
