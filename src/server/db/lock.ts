/** One process at a time may use a data folder. */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The data folder cannot be used; the message says why. */
export class DataFolderError extends Error {
  override name = 'DataFolderError';
}

/**
 * Takes a data folder; gives what releases it. A process is known by its number and by when it started: after a loss of
 * power, the number may be that of another one.
 */
export function lockFolder(folder: string): () => void {
  const file = join(folder, 'in-use');
  try {
    mkdirSync(folder, { recursive: true });
    const [pid, started] = read(file).split(' ');
    const other = Number(pid);
    if (other && other !== process.pid && isRunning(other) && (!started || startOf(other) === started))
      throw new DataFolderError(
        `the data folder ${folder} is in use by process ${other}; choose another with --data`,
      );
    writeFileSync(file, `${process.pid} ${startOf(process.pid)}`);
  } catch (error) {
    if (error instanceof DataFolderError) throw error;
    throw new DataFolderError(`the data folder ${folder} cannot be used: ${(error as Error).message}`);
  }
  return () => rmSync(file, { force: true });
}

function read(file: string): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}

function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** When a process started, in ticks since the system did, with the system's own start; empty where nothing says it. */
function startOf(pid: number): string {
  // Field 22 of proc(5); the name before it may hold anything, but ends with the last bracket.
  const fields = read(`/proc/${pid}/stat`).split(') ').at(-1)?.split(' ') ?? [];
  const boot = read('/proc/sys/kernel/random/boot_id').trim();
  return fields[19] ? `${boot}:${fields[19]}` : '';
}
