/** The commands as a user runs them. */
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';

const ROOT = join(import.meta.dirname, '../..');
let folder: string;

function run(...args: string[]) {
  const done = spawnSync(process.execPath, [join(ROOT, 'bin/zinc-rope.js'), ...args], {
    encoding: 'utf8',
    cwd: folder,
  });
  return { code: done.status, out: done.stdout, err: done.stderr };
}

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'cli-'));
  mkdirSync(join(folder, 'app'));
  writeFileSync(
    join(folder, 'app/App.tsx'),
    `function Card({ fare }: { fare: number; seat?: number }) { return <b>{fare}</b>; }
export function App() { const fare = 'x'; return <Card fare={fare} seat={1} />; }`,
  );
  mkdirSync(join(folder, 'clean'));
  writeFileSync(join(folder, 'clean/App.tsx'), `export function App() { return <b />; }`);
});
afterAll(() => rmSync(folder, { recursive: true }));

describe('audit', () => {
  test.each([
    [['audit', 'app'], 1],
    [['audit', 'clean'], 0],
    [['audit', 'app', '--fail-on', 'never'], 0],
    [['audit', 'app', '--fail-on', 'note'], 1],
    [['audit', 'app', '--format', 'json'], 1],
  ])('%j exits with %i', (args, code) => {
    expect(run(...args).code).toBe(code);
  });

  test('JSON holds findings with places; --out writes a file', () => {
    const { out } = run('audit', 'app', '--format', 'json', '--out', 'report.json', '--fail-on', 'never');
    expect(out).toBe('');
    const report = JSON.parse(readFileSync(join(folder, 'report.json'), 'utf8')) as {
      findings: { rule: string }[];
    };
    expect(report.findings.map((finding) => finding.rule)).toEqual(['prop/unread', 'prop/type-clash']);
  });

  test('SARIF paths are relative to the audited folder', () => {
    const { out } = run('audit', 'app', '--format', 'sarif');
    expect(out).toContain('"uri": "App.tsx"');
  });

  test('settings change levels, and wrong ones stop the audit', () => {
    writeFileSync(
      join(folder, 'strict.json'),
      '{ "rules": { "prop/type-clash": "off", "prop/unread": "error" } }',
    );
    const strict = run('audit', 'app', '--config', 'strict.json');
    expect(strict.code).toBe(1);
    expect(strict.out).toContain('1 error, 0 warnings');
    writeFileSync(join(folder, 'wrong.json'), '{ "drillDepth": "deep" }');
    expect(run('audit', 'app', '--config', 'wrong.json')).toMatchObject({ code: 2, out: '' });
  });
});

describe('what cannot be done is one line and exit code 2', () => {
  test.each([
    [['audit', 'nowhere'], /there is no folder nowhere/],
    [['audit', 'app/App.tsx'], /is no folder/],
    [['audit', 'app', '--format', 'xml'], /Allowed choices are text, json, sarif/],
    [['audit', 'app', '--config', 'none.json'], /none\.json: the settings file cannot be read/],
    [['audit', 'app', '--out', 'no/such/place'], /cannot be written/],
    [['audit'], /missing required argument 'path'/],
    [
      ['trace', 'app', 'Card:prop:fair'],
      /nothing is called Card:prop:fair\. The nearest are: Card:prop:fare/,
    ],
    [['serve', 'nowhere'], /there is no folder nowhere/],
    [['serve', '--data', 'app/App.tsx'], /the data folder app\/App\.tsx cannot be used/],
    [['serve', '--port', 'x'], /A port is a number/],
    [['decisions', '--data', 'nowhere'], /there are no decisions in nowhere/],
    [['decisions', '--from', 'app'], /there are no decisions in app/],
    [['sing'], /unknown command 'sing'/],
  ])('%j', (args, message) => {
    const { code, err, out } = run(...args);
    expect(code).toBe(2);
    expect(err.trim().split('\n')).toHaveLength(1);
    expect(err).toMatch(message);
    expect(out).toBe('');
  });
});

test('every command has help', () => {
  for (const command of ['audit', 'trace', 'serve', 'decisions']) {
    const { code, out } = run(command, '--help');
    expect(code).toBe(0);
    expect(out).toContain(`zinc-rope ${command}`);
  }
});

test('trace prints the strand as JSON and as text', () => {
  const { code, out } = run('trace', 'app', 'Card:prop:fare', '--format', 'json');
  expect(code).toBe(0);
  expect(JSON.parse(out)).toEqual({
    of: 'Card:prop:fare',
    nodes: [
      {
        port: 'App:local:fare',
        component: 'App',
        file: 'App.tsx',
        line: 2,
        column: 31,
        name: 'fare',
        type: "'x'",
        role: 'start',
      },
      {
        port: 'Card:prop:fare',
        component: 'Card',
        file: 'App.tsx',
        line: 1,
        column: 27,
        name: 'fare',
        type: 'number',
        role: 'read',
      },
    ],
    edges: [
      { from: 'App:local:fare', to: 'Card:prop:fare', how: 'pass', file: 'App.tsx', line: 2, column: 62 },
    ],
    origins: ['App:local:fare'],
    ends: ['Card:prop:fare'],
    cut: [],
  });
  expect(run('trace', 'app', 'Card:prop:fare').out).toContain('pass to Card:prop:fare  App.tsx:2');
});
