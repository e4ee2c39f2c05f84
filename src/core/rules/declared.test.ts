import { expect, test } from 'vitest';
import { auditSources } from '../audit';

const SHARED = `export interface Reading { wind: number; unit: 'm/s' | 'kn' }
export function Gauge({ wind, unit }: Reading) { return <b>{wind}{unit}</b>; }
export function Dial({ wind, unit }: Reading) { return <i>{wind}{unit}</i>; }`;

test.each([
  [
    'a wrong type',
    `<><Gauge wind={3} unit="kmh" /><Dial wind={3} unit="kn" /></>`,
    'prop/type-clash',
    'unit',
  ],
  ['a missing value', `<><Gauge unit="kn" /><Dial wind={3} unit="kn" /></>`, 'prop/missing', 'wind'],
])(
  '%s leads to where the name is declared, though two components share the type',
  (_, markup, rule, name) => {
    const { result } = auditSources({
      'gauges.tsx': SHARED,
      'App.tsx': `import { Dial, Gauge } from './gauges';\nexport function App() { return ${markup}; }`,
    });
    const found = result.findings.find((one) => one.rule === rule)!;
    const { file, start } = found.trail.at(-1)!.place;
    expect(result.project.files[file]!.path).toBe('gauges.tsx');
    expect(SHARED.slice(start)).toMatch(new RegExp(`^${name}: `));
  },
);
