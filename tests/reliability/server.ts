/** The server in a process of its own, as a user starts it. */
import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';

export const ROOT = join(import.meta.dirname, '../..');

/** The long form of these tests. */
export const ENDURANCE = process.env.ENDURANCE !== undefined;

export class Served {
  private process: ChildProcess | undefined;
  private address = '';

  constructor(private readonly data: string) {}

  /** Resolves once the server says where it is. */
  async start(): Promise<void> {
    const args = [join(ROOT, 'bin/zinc-rope.js'), 'serve', '--data', this.data];
    this.process = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
    let text = '';
    for await (const chunk of this.process.stdout as AsyncIterable<Buffer>) {
      text += chunk.toString();
      const found = /http:\/\/[\d.:]+/.exec(text);
      if (found) {
        this.address = found[0];
        return;
      }
    }
    throw new Error('the server ended before it said where it is');
  }

  /** Ends it at once, as a loss of power does. */
  async kill(): Promise<void> {
    if (!this.process || this.process.exitCode !== null || this.process.signalCode !== null) return;
    const ended = once(this.process, 'exit');
    this.process.kill('SIGKILL');
    await ended;
  }

  call(method: string, path: string, body?: unknown): Promise<Response> {
    return fetch(`${this.address}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  }

  /** Asks, and may be told to stop asking. */
  fetch(path: string, signal: AbortSignal): Promise<string> {
    return fetch(`${this.address}/api${path}`, { signal }).then((response) => response.text());
  }

  /** Opens a folder; gives the project's id. */
  async open(path: string): Promise<string> {
    const { id } = (await (await this.call('POST', '/projects', { path })).json()) as { id: string };
    return id;
  }

  /** Waits until a project has been audited. */
  async audited(id: string): Promise<void> {
    for (;;) {
      const project = (await (await this.call('GET', `/projects/${id}`)).json()) as { audit?: unknown };
      if (project.audit) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
}
