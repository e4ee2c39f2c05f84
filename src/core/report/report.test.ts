import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { MOUNT, type Sources } from '../rules/testing';
import { sarifReport } from './sarif';
import { reaches, reportOf } from './summary';
import { textReport } from './text';

const SOURCES: Sources = {
  ...MOUNT,
  'App.tsx': `function Card({ fare }: { fare: number; seat?: number }) { return <b>{fare}</b>; }
export function App() {
  // zinc-rope-ignore prop/missing: the kiosk fills it in
  const kiosk = <Card />;
  return <><Card />{kiosk}</>;
}`,
  'lost places/Bröken.tsx': `export const A = <b>;`,
};

function report(sources = SOURCES) {
  return reportOf(auditSources(sources).result, (path) => sources[path] ?? '', [
    { path: 'big.js', reason: 'it is large' },
  ]);
}

test('counts leave silenced findings out, and problems are told', () => {
  const made = report();
  expect(made.counts).toEqual({ error: 1, warning: 1, note: 0, silenced: 1 });
  expect(made.problems).toMatchObject([{ file: 'lost places/Bröken.tsx', line: 1 }]);
  expect(reaches(made, 'error')).toBe(true);
  expect(reaches(made, 'never')).toBe(false);
});

test('text shows the line of code and the trail', () => {
  const text = textReport(report());
  expect(text).toContain('App.tsx\n');
  expect(text).toContain('5:13  error  App renders Card without "fare"');
  expect(text).toContain('      return <><Card />{kiosk}</>;');
  expect(text).toContain('- Card: fare is required  App.tsx:1');
  expect(text).toContain('left out big.js: it is large');
  expect(text).toContain(
    '1 error, 1 warning, 0 notes, 1 silenced, 1 file not understood in 2 components of 3 files.',
  );
});

test('SARIF has rules, places, flows, fingerprints, suppressions and notifications', () => {
  interface Log {
    version: string;
    runs: {
      tool: { driver: { rules: { id: string }[] } };
      invocations: { toolExecutionNotifications: unknown[] }[];
      results: { ruleId: string; ruleIndex: number; level: string; suppressions: unknown[] }[];
    }[];
  }
  const log = JSON.parse(JSON.stringify(sarifReport(report(), '1.2.3'))) as Log;
  expect(log.version).toBe('2.1.0');
  const [run] = log.runs;
  const ids = run!.tool.driver.rules.map((rule) => rule.id);
  for (const result of run!.results) expect(ids[result.ruleIndex]).toBe(result.ruleId);
  expect(run!.results.map((result) => [result.ruleId, result.level, result.suppressions.length])).toEqual([
    ['prop/unread', 'warning', 0],
    ['prop/missing', 'error', 1],
    ['prop/missing', 'error', 0],
  ]);
  expect(run!.results[2]).toMatchObject({
    locations: [
      {
        physicalLocation: {
          artifactLocation: { uri: 'App.tsx' },
          region: { startLine: 5, startColumn: 13, endLine: 5, endColumn: 17 },
        },
      },
    ],
    relatedLocations: [{ id: 0, message: { text: expect.stringMatching(/^\w+: \w+ /) } }],
    codeFlows: [{ threadFlows: [{ locations: [{ location: {} }, { location: {} }] }] }],
    partialFingerprints: { 'zincRope/v1': expect.stringMatching(/^[0-9a-f]{16}$/) },
  });
  expect(run!.invocations[0]!.toolExecutionNotifications).toMatchObject([
    { locations: [{ physicalLocation: { artifactLocation: { uri: 'lost%20places/Br%C3%B6ken.tsx' } } }] },
  ]);
});

test('SARIF has the mechanical repair as a fix, in its place', () => {
  const sources = {
    ...SOURCES,
    'App.tsx': SOURCES['App.tsx']!.replace('<><Card />', '<><Card fare={1} saet={2} />'),
  };
  const { runs } = sarifReport(report(sources), '1') as {
    runs: { results: { ruleId: string; fixes?: unknown }[] }[];
  };
  expect(runs[0]!.results.find(({ ruleId }) => ruleId === 'prop/unknown')!.fixes).toMatchObject([
    {
      artifactChanges: [
        {
          artifactLocation: { uri: 'App.tsx' },
          replacements: [
            {
              deletedRegion: { startLine: 5, startColumn: 27, endColumn: 31 },
              insertedContent: { text: 'seat' },
            },
          ],
        },
      ],
    },
  ]);
});

test('a fingerprint stays when code moves, and changes with what the finding is about', () => {
  const prints = (sources: Sources) => report(sources).findings.map((finding) => finding.fingerprint);
  const moved = { ...SOURCES, 'App.tsx': `\n\n// moved\n${SOURCES['App.tsx']}` };
  expect(prints(moved)).toEqual(prints(SOURCES));
  const renamed = { ...SOURCES, 'App.tsx': SOURCES['App.tsx']!.replaceAll('fare', 'price') };
  expect(prints(renamed)).not.toContain(prints(SOURCES)[1]);
});

const LOOSE: Sources = {
  ...MOUNT,
  'App.tsx': `import { Lamp, Gate } from './parts';
export function App() { return <><Lamp /><Gate /><Own /></>; }
function Own() { return <b />; }`,
};

test('what is not joined is told with its place and the reason, aloud where it is much', () => {
  const made = report(LOOSE);
  expect(made.joined.tallies.tag).toEqual({ written: 4, joined: 2 });
  expect(made.gaps.map((one) => [one.kind, one.name, one.why, one.line, one.code])).toEqual([
    ['import', './parts', 'import', 1, "import { Lamp, Gate } from './parts';"],
    ['tag', 'Lamp', 'import', 2, 'export function App() { return <><Lamp /><Gate /><Own /></>; }'],
    ['tag', 'Gate', 'import', 2, 'export function App() { return <><Lamp /><Gate /><Own /></>; }'],
  ]);
  const text = textReport(made);
  expect(text).toContain('Joined 2 of 4 tags; 3 things in all not joined (--format json lists them).');
  expect(text).toContain('  3: no file answers the import');
  const [run] = (sarifReport(made, '1.2.3') as { runs: { invocations: Notified[] }[] }).runs;
  const [note] = run!.invocations[0]!.toolExecutionNotifications;
  expect(note).toMatchObject({ level: 'warning', descriptor: { id: 'joined' } });
  expect(note!.message.text).toContain('Joined 2 of 4 tags');
  expect(note!.locations).toHaveLength(2);
});

interface Notified {
  toolExecutionNotifications: { message: { text: string }; locations: unknown[] }[];
}

test('where nearly all is joined, SARIF says nothing of it', () => {
  const [run] = (sarifReport(report(MOUNTED), '1.2.3') as { runs: { invocations: Notified[] }[] }).runs;
  expect(run!.invocations[0]!.toolExecutionNotifications).toEqual([]);
});
const MOUNTED: Sources = { ...MOUNT, 'App.tsx': 'export function App() { return <b />; }' };

test('a long line is cut around the place', () => {
  const filler = '/* the wind turns */ '.repeat(40);
  const made = report({ 'App.tsx': `export function App() { ${filler} return <><Lamp />${filler}</>; }` });
  const [gap] = made.gaps;
  expect(gap!.code.length).toBeLessThan(220);
  expect(gap!.code).toContain('<Lamp />');
});
