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
    codeFlows: [{ threadFlows: [{ locations: [{ location: {} }, { location: {} }] }] }],
    partialFingerprints: { 'zincRope/v1': expect.stringMatching(/^[0-9a-f]{16}$/) },
  });
  expect(run!.invocations[0]!.toolExecutionNotifications).toMatchObject([
    { locations: [{ physicalLocation: { artifactLocation: { uri: 'lost%20places/Br%C3%B6ken.tsx' } } }] },
  ]);
});

test('a fingerprint stays when code moves, and changes with what the finding is about', () => {
  const prints = (sources: Sources) => report(sources).findings.map((finding) => finding.fingerprint);
  const moved = { ...SOURCES, 'App.tsx': `\n\n// moved\n${SOURCES['App.tsx']}` };
  expect(prints(moved)).toEqual(prints(SOURCES));
  const renamed = { ...SOURCES, 'App.tsx': SOURCES['App.tsx']!.replaceAll('fare', 'price') };
  expect(prints(renamed)).not.toContain(prints(SOURCES)[1]);
});
