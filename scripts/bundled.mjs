// Runs some of the TypeScript of the project in a process of its own, and gives what it prints.
import { execFileSync } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './ensure.mjs';

export async function printed(contents) {
  const { build } = await import('esbuild');
  const made = await build({
    absWorkingDir: root,
    stdin: { contents, resolveDir: root, loader: 'ts' },
    bundle: true,
    write: false,
    format: 'esm',
    platform: 'node',
    packages: 'external',
  });
  const module = join(root, 'dist/printed.mjs');
  mkdirSync(join(root, 'dist'), { recursive: true });
  writeFileSync(module, made.outputFiles[0].text);
  try {
    return execFileSync(process.execPath, [module], { encoding: 'utf8', maxBuffer: 1 << 26 });
  } finally {
    rmSync(module);
  }
}

/** Writes a file in the way that the project's files are formatted. */
export async function writeFormatted(path, text) {
  const { format, resolveConfig } = await import('prettier');
  writeFileSync(path, await format(text, { ...(await resolveConfig(path)), filepath: path }));
}
