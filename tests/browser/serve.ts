/** Starts the built server on the demo, with data of its own, and stops it afterwards. */
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '../..');

export default async function setup(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'browser-'));
  cpSync(join(ROOT, 'demo/console'), join(folder, 'second'), { recursive: true });
  const child = spawn(
    process.execPath,
    [join(ROOT, 'bin/zinc-rope.js'), 'serve', join(ROOT, 'demo/console'), '--data', join(folder, 'data')],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  const address = await new Promise<string>((resolve, reject) => {
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const found = /(http:\/\/127\.0\.0\.1:\d+)(\/p\/\w+)/.exec(text);
      if (found) resolve(`${found[1]} ${found[2]}`);
    });
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  const [origin, project] = address.split(' ') as [string, string];
  process.env.ORIGIN = origin;
  process.env.PROJECT = `${origin}${project}`;
  process.env.SECOND = join(folder, 'second');
  return () => {
    child.kill();
    rmSync(folder, { recursive: true, force: true });
  };
}
