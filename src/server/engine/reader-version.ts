/** What the readers are built of: facts that other readers made are not used. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { ofAll } from '../../core/readers/languages';
import { workerFile } from '../threads/worker-file';

/**
 * A name for the readers as they are built. The reader's file names the parts that it is built of by what is in them, so
 * that it says something else whenever one of them does.
 */
export function readerVersion(): string {
  const hash = createHash('sha256').update(readFileSync(workerFile('reader-worker')));
  const load = createRequire(import.meta.url);
  for (const name of ofAll('parsers')) hash.update(`${name} ${versionOf(load, name)}\n`);
  return hash.digest('base64url').slice(0, 22);
}

function versionOf(load: NodeRequire, name: string): string {
  // Some packages give out no manifest; where they are found says their version as well as anything.
  try {
    return (load(`${name}/package.json`) as { version: string }).version;
  } catch {
    return load.resolve(name);
  }
}
