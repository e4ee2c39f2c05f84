import { describe } from 'vitest';
import { cases } from '../testing';

describe('functions held against functions', () => {
  const field = `interface FieldProps {
  format: (perHour: number) => string;
  pick?(id: string, at: number): void;
  onSet?: (value: number) => void;
}
function Field({ format, pick, onSet }: FieldProps) {
  return <p onClick={() => { pick?.('a', 1); onSet?.(2); }}>{format(3)}</p>;
}`;
  const app = (attributes: string, before = '') => `import { useState } from 'react';
${field}
const slug = (text: string) => text.trim();
const label = (n: number) => \`\${n}\`;
export function App() { ${before} return <Field ${attributes} />; }`;
  cases(/clash/, [
    [
      'a parameter that cannot take what comes',
      app('format={slug}'),
      ['error prop/type-clash App.tsx:12 format'],
    ],
    ['another result', app('format={(n: number) => n + 1}'), ['error prop/type-clash App.tsx:12 format']],
    ['no result', app('format={() => {}}'), ['error prop/type-clash App.tsx:12 format']],
    [
      'a result that comes later',
      app('format={async (n) => label(n)}'),
      ['error prop/type-clash App.tsx:12 format'],
    ],
    [
      'more parameters than are given',
      app('format={(n: number, m: number) => `${n + m}`}'),
      ['error prop/type-clash App.tsx:12 format'],
    ],
    [
      'what fits: fewer parameters, wider ones, optional ones, any result for none',
      app(
        'format={label} pick={(id) => id.length} onSet={(n: number | string, more?: string) => label(Number(n))}',
      ),
      [],
    ],
    ['one that only throws', app('format={() => { throw new Error(); }}'), []],
    ['a method is compared both ways', app("format={label} pick={(id: 'a') => {}}"), []],
    [
      'a setter of other state',
      app(
        'format={label} onSet={setName}',
        "const [name, setName] = useState('a'); const [n, setN] = useState(3);",
      ),
      ['error event/payload-clash App.tsx:12 setName'],
    ],
    [
      'a setter that fits, and one whose state starts from nothing',
      app(
        'format={label} onSet={n ? setN : setAny}',
        'const [any, setAny] = useState(null); const [n, setN] = useState(3);',
      ),
      [],
    ],
    [
      'setters of state that starts with constants: these are first values of it',
      `const NONE = -1;\n${app('format={label} onSet={n ? setN : setM}', 'const ZERO = 0; const [n, setN] = useState(NONE); const [m, setM] = useState(ZERO);')}`,
      [],
    ],
    [
      'the setter of state that starts with a constant text',
      `const NONE = 'none';\n${app('format={label} onSet={setName}', 'const [name, setName] = useState(NONE);')}`,
      ['error event/payload-clash App.tsx:13 setName'],
    ],
    [
      'the type of a parameter is generic or comes from elsewhere',
      `import { Wind } from 'elsewhere';
${field}
function same<T>(one: T): T { return one; }
export function App() { return <><Field format={same} /><Field format={(w: Wind) => w.name} /></>; }`,
      [],
    ],
  ]);
});

describe('what is written out, element by element', () => {
  const slot = `interface SlotProps { hours: number[]; at?: { x: number; y?: number }[]; by?: Record<string, number> }
function Slot({ hours, at, by }: SlotProps) { return <p>{hours.length}{at?.length}{by?.a}</p>; }`;
  const app = (attributes: string) => `${slot}
export function App({ n, s }: { n: number; s: string }) { return <Slot ${attributes} />; }`;
  cases(/clash/, [
    ['one of a list', app("hours={[1, '2']}"), ['error prop/type-clash App.tsx:3 hours']],
    ['one of a list that a name holds', app('hours={[n, s]}'), ['error prop/type-clash App.tsx:3 hours']],
    [
      'a member of one of a list',
      app("hours={[1]} at={[{ x: 1 }, { x: 2, y: '3' }]}"),
      ['error prop/type-clash App.tsx:3 at'],
    ],
    [
      'a value under any key',
      app("hours={[1]} by={{ a: 1, b: '2' }}"),
      ['error prop/type-clash App.tsx:3 by'],
    ],
    ['what fits', app('hours={[1, n, ...[2]]} at={[{ x: 1 }]} by={{ a: n }}'), []],
    [
      'a member that a spread before or after may replace',
      app('hours={[1]} at={[{ x: 1, ...JSON.parse(s) }, { ...JSON.parse(s), x: 2 }]}'),
      [],
    ],
    [
      'a member over one that is spread',
      `${slot}
const BASE = { x: 1, y: 2 };
export function App() { return <Slot hours={[]} at={[{ ...BASE, y: '2' }]} />; }`,
      ['error prop/type-clash App.tsx:4 at'],
    ],
  ]);
});
