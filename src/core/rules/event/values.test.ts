import { describe } from 'vitest';
import { cases } from '../testing';

describe('event/payload-clash', () => {
  const gate = `function Gate({ onOpen }: { onOpen: (id: string) => void }) { return <button onClick={() => onOpen('a')} />; }\n`;
  cases(/payload-clash|type-clash/, [
    [
      'raised with another type than declared',
      `function Gate({ onOpen }: { onOpen: (id: string) => void }) { return <button onClick={() => onOpen(3)} />; }
export function App() { return <Gate onOpen={() => {}} />; }`,
      ['error event/payload-clash App.tsx:1 onOpen(3)'],
    ],
    [
      'the handler takes another type',
      `${gate}export function App() { return <Gate onOpen={(id: number) => alert(id)} />; }`,
      ['error event/payload-clash App.tsx:2 (id: number) => alert(id)'],
    ],
    [
      'the handler needs more than is given',
      `${gate}export function App() { return <Gate onOpen={(id: string, at: number) => alert(id + at)} />; }`,
      ['error event/payload-clash App.tsx:2 (id: string, at: number) => alert(id + at)'],
    ],
    [
      'in untyped code, more than any call gives',
      {
        'App.jsx': `function Gate({ onOpen }) { return <button onClick={() => onOpen('a')} />; }
export function App() { return <Gate onOpen={(id, at) => alert(id + at)} />; }`,
      },
      ['error event/payload-clash App.jsx:2 (id, at) => alert(id + at)'],
    ],
    [
      'fewer, optional, rest, wider, or nobody knows',
      `import { handle } from 'elsewhere';
${gate}export function App() { return <><Gate onOpen={() => 1} /><Gate onOpen={(id: string, at?: number) => alert(id)} /><Gate onOpen={(...all) => alert(all)} /><Gate onOpen={(id: string | number) => alert(id)} /><Gate onOpen={handle} /></>; }`,
      [],
    ],
    [
      'untyped, and also given to an element',
      {
        'App.jsx': `function Gate({ onOpen }) { return <><button onClick={() => onOpen('a')} /><i onClick={onOpen} /></>; }
export function App() { return <Gate onOpen={(id, at) => alert(id + at)} />; }`,
      },
      [],
    ],
  ]);
});

describe('event/unguarded-call', () => {
  const app = (params: string, body: string, use = '<Gate />') =>
    `function Gate(${params}) { ${body} }
export function App() { return ${use}; }`;
  const typed = '{ onOpen }: { onOpen?: () => void }';
  const at = ['warning event/unguarded-call App.tsx:1 onOpen()'];
  cases(/unguarded/, [
    ['optional and called', app(typed, 'return <b onClick={() => onOpen()} />;'), at],
    ['called with a question mark', app(typed, 'return <b onClick={() => onOpen?.()} />;'), []],
    ['checked', app(typed, 'return <b onClick={() => { if (onOpen) onOpen(); }} />;'), []],
    ['checked in an expression', app(typed, 'return <b onClick={() => onOpen && onOpen()} />;'), []],
    [
      'with a default',
      app('{ onOpen = () => {} }: { onOpen?: () => void }', 'return <b onClick={() => onOpen()} />;'),
      [],
    ],
    [
      'required',
      app(
        '{ onOpen }: { onOpen: () => void }',
        'return <b onClick={() => onOpen()} />;',
        '<Gate onOpen={x} />',
      ),
      [],
    ],
    [
      'untyped, a call site omits it',
      { 'App.jsx': app('{ onOpen }', 'return <b onClick={() => onOpen()} />;') },
      ['warning event/unguarded-call App.jsx:1 onOpen()'],
    ],
    [
      'untyped, with defaults that are not all written here',
      {
        'App.jsx': `import { base } from 'elsewhere';
function Gate({ onOpen }) { return <b onClick={() => onOpen()} />; }
Gate.defaultProps = { ...base };
export function App() { return <Gate />; }`,
      },
      [],
    ],
    [
      'untyped, every call site passes it',
      { 'App.jsx': app('{ onOpen }', 'return <b onClick={() => onOpen()} />;', '<Gate onOpen={x} />') },
      [],
    ],
  ]);
});

describe('event/relayed', () => {
  const chain = (
    card: string,
  ) => `function Button({ onHold }: { onHold: (id: number) => void }) { return <button onClick={() => onHold(1)} />; }
function Card({ onHold }: { onHold: (id: number) => void }) { return <Button onHold={${card}} />; }
function Queue({ onKeep }: { onKeep: (id: number) => void }) { const keep = (id: number) => { onKeep(id); }; return <Card onHold={keep} />; }
export function App() { return <Queue onKeep={(id) => alert(id)} />; }`;
  cases(/relayed/, [
    [
      'by two in a row, under any name',
      chain('(id) => onHold(id)'),
      ['warning event/relayed App.tsx:2 (id) => onHold(id)'],
    ],
    ['one of them does something else', chain('(id) => { track(); onHold(id); }'), []],
    ['one of them changes the payload', chain('(id) => onHold(id + 1)'), []],
    ['handed on by identity is no relay', chain('onHold'), []],
  ]);
});

describe('event/half-pair', () => {
  const field = `function Field({ value, onChange }: { value: string; onChange?: (v: string) => void }) { return <input value={value} onChange={(e) => onChange?.(e.target.value)} />; }\n`;
  cases(/half-pair/, [
    [
      'the value without its change',
      `${field}export function App() { return <Field value="x" />; }`,
      ['note event/half-pair App.tsx:2 value'],
    ],
    ['both', `${field}export function App() { return <Field value="x" onChange={y} />; }`, []],
    [
      'the child keeps a copy',
      `import { useState } from 'react';
function Field({ value, onChange }: { value: string; onChange?: (v: string) => void }) { const [v, setV] = useState(value); return <input value={v} title={value} onChange={(e) => { setV(e.target.value); onChange?.(v); }} />; }
export function App() { return <Field value="x" />; }`,
      [],
    ],
  ]);
});
