/** The commands as a user runs them. */
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';

const ROOT = join(import.meta.dirname, '../..');
let folder: string;

function run(...args: string[]) {
  const done = spawnSync(process.execPath, [join(ROOT, 'bin/zinc-rope.js'), ...args], {
    encoding: 'utf8',
    cwd: folder,
    env: { ...process.env, XDG_CACHE_HOME: join(folder, 'caches') },
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
        near: 'itself',
        reads: [],
        written: [],
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
        near: 'itself',
        reads: [{ file: 'App.tsx', line: 1, column: 71 }],
        written: [],
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

test('a long trace is printed as far as it can be read, or whole', () => {
  const steps = Array.from({ length: 60 }, (_, at) => `const a${at + 1} = a${at} + 1;`).join(' ');
  mkdirSync(join(folder, 'long'));
  writeFileSync(
    join(folder, 'long/App.tsx'),
    `export function App({ wind }) { const a0 = wind * 2; ${steps} return <b>{a60}</b>; }`,
  );
  const { out } = run('trace', 'long', 'App:prop:wind');
  expect(out).toContain('transform to App:local:a0');
  expect(out).not.toContain('App:local:a1');
  expect(out).toContain('This is the value itself, and one step further; 60 hops are further (--all).');
  const whole = run('trace', 'long', 'App:prop:wind', '--all').out;
  expect(whole).toContain('ends: App:local:a60');
  expect(whole).not.toContain('further');
});

describe('against an earlier audit', () => {
  const repository = () => join(folder, 'kept');
  const git = (...args: string[]) =>
    execFileSync('git', ['-c', 'user.name=a', '-c', 'user.email=a@b.c', ...args], { cwd: repository() });
  const CARD = 'export function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }\n';
  const app = (cards: string) =>
    `import { Card } from './Card';\nexport function App() { return <>${cards}</>; }\n`;

  beforeAll(() => {
    mkdirSync(join(repository(), 'web'), { recursive: true });
    writeFileSync(join(repository(), 'web/Card.tsx'), CARD);
    writeFileSync(join(repository(), 'web/App.tsx'), app('<Card />'));
    git('init', '-q');
    git('add', '.');
    git('commit', '-qm', 'first');
    run('audit', 'kept/web', '--format', 'json', '--out', 'kept.json', '--fail-on', 'never');
  });

  test.each([
    ['a commit', ['--since', 'HEAD']],
    ['a kept report', ['--baseline', 'kept.json']],
  ])('only what is new against %s counts', (_, against) => {
    writeFileSync(join(repository(), 'web/App.tsx'), `\n${app('<Card />')}`);
    expect(run('audit', 'kept/web', ...against)).toMatchObject({
      code: 0,
      out: expect.stringContaining('0 errors'),
    });
    writeFileSync(join(repository(), 'web/App.tsx'), app('<Card /><Card fare="x" />'));
    const worse = run('audit', 'kept/web', ...against);
    expect(worse.code).toBe(1);
    expect(worse.out).toContain('prop/type-clash');
    expect(worse.out).not.toContain('prop/missing');
    const { runs } = JSON.parse(run('audit', 'kept/web', ...against, '--format', 'sarif').out) as {
      runs: { results: { ruleId: string; baselineState: string }[] }[];
    };
    expect(runs[0]!.results.map((one) => `${one.ruleId} ${one.baselineState}`)).toEqual([
      'prop/missing unchanged',
      'prop/type-clash new',
    ]);
    // Neither the index nor the working tree is touched.
    expect(git('status', '--porcelain').toString()).toBe(' M web/App.tsx\n');
  });

  test.each([
    [['--since', 'nowhere'], /git does not give nowhere/],
    [['--since', '--all'], /git does not give --all/],
    [['--baseline', 'nothing.json'], /nothing\.json cannot be read/],
    [['--baseline', 'kept/web/App.tsx'], /is no report of an audit/],
    [['--since', 'HEAD', '--baseline', 'kept.json'], /give one of them/],
  ])('%j is refused', (against, message) => {
    expect(run('audit', 'kept/web', ...against)).toMatchObject({
      code: 2,
      err: expect.stringMatching(message),
    });
  });

  test('a folder that is in no repository has no commits', () => {
    expect(run('audit', 'app', '--since', 'HEAD')).toMatchObject({
      code: 2,
      err: expect.stringMatching(/git does not give HEAD/),
    });
  });
});

describe('rule', () => {
  test('prints what a rule means, lists all, and names the near ones', () => {
    expect(run('rule', 'prop/missing').out).toContain('# prop/missing');
    expect(run('rule').out).toMatch(/^component\/called +warning/);
    expect(run('rule', 'prop/mising')).toMatchObject({
      code: 2,
      err: expect.stringContaining('prop/missing'),
    });
  });
});

test('sheet writes a project down, which says the same when it is read', () => {
  const sheets = join(folder, 'sheets');
  mkdirSync(sheets);
  const { code } = run('sheet', join(ROOT, 'demo/board'), '--out', join(sheets, 'board.rope.yaml'));
  expect(code).toBe(0);
  const { origins } = JSON.parse(run('trace', sheets, 'MastRow:prop:mast', '--format', 'json').out) as {
    origins: string[];
  };
  expect(origins).toEqual(['board.rope.yaml>Sheet:state:masts']);
  const { out } = run('sheet', join(ROOT, 'demo/board'), '--format', 'json');
  expect(Object.keys((JSON.parse(out) as { components: object }).components)).toContain('MastRow');
});

test('a summary says how many findings each rule has, and no more', () => {
  const { out } = run('audit', 'app', '--summary');
  expect(out).toMatch(/^ {2}1 {2}error {4}prop\/type-clash\n {2}1 {2}warning {2}prop\/unread\n/);
  expect(out).not.toContain('App.tsx');
});

describe('what was read is kept between runs', () => {
  const cache = () => join(folder, 'kept-facts');
  const audited = (...more: string[]) => run('audit', 'app', '--cache', 'kept-facts', ...more);
  const kept = () => readdirSync(cache()).map((name) => join(cache(), name));

  test('a second run says the same, and keeps nothing new', () => {
    const first = audited();
    const [file] = kept();
    const before = statSync(file!).mtimeMs;
    expect(audited()).toEqual(first);
    expect(statSync(file!).mtimeMs).toBe(before);
    expect(kept()).toHaveLength(1);
  });

  test('a file that changed is read again', () => {
    const path = join(folder, 'app/App.tsx');
    const text = readFileSync(path, 'utf8');
    audited();
    writeFileSync(path, text.replace("'x'", '3'));
    expect(audited().out).not.toContain('prop/type-clash');
    writeFileSync(path, text);
    expect(audited().out).toContain('prop/type-clash');
  });

  test.each([
    ['cut off', (text: string) => text.slice(0, text.length / 2)],
    ['of other readers', (text: string) => text.replace(/^\S+/, 'others')],
    ['of another mind', (text: string) => text.replaceAll('Card', 'Cart')],
    ['empty', () => ''],
  ])('a cache that is %s is not used', (_, ruin) => {
    const first = audited();
    const [file] = kept();
    writeFileSync(file!, ruin(readFileSync(file!, 'utf8')));
    expect(audited()).toEqual(first);
    expect(audited()).toEqual(first);
  });

  test('a folder that cannot be written is no reason to stop; without a cache nothing is kept', () => {
    writeFileSync(join(folder, 'taken'), '');
    expect(run('audit', 'app', '--cache', 'taken').code).toBe(1);
    expect(run('audit', 'app', '--no-cache').code).toBe(1);
    const before = readdirSync(join(folder, 'caches/zinc-rope')).length;
    expect(run('audit', 'clean', '--no-cache').code).toBe(0);
    expect(readdirSync(join(folder, 'caches/zinc-rope'))).toHaveLength(before);
  });
});
