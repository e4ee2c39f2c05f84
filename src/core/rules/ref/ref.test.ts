import { describe } from 'vitest';
import { cases } from '../testing';

const app = (body: string) => `import { useEffect, useRef } from 'react';
export function App() {
  const box = useRef(null);
  ${body}
}`;

describe('handles', () => {
  cases(/^ref\//, [
    [
      'read and never attached',
      app(`useEffect(() => { box.current.focus(); }, []); return <input />;`),
      ['warning ref/unattached App.tsx:3 box'],
    ],
    ['attached and never read', app(`return <input ref={box} />;`), ['note ref/unread App.tsx:3 box']],
    [
      'attached and read later',
      app(`useEffect(() => { box.current.focus(); }, []); return <input ref={box} />;`),
      [],
    ],
    [
      'read while rendering',
      app(`const width = box.current.offsetWidth; return <input ref={box} title={width} />;`),
      ['error ref/early-read App.tsx:4 box.current.offsetWidth'],
    ],
    [
      'read with a check',
      app(`const width = box.current?.offsetWidth; return <input ref={box} title={width} />;`),
      [],
    ],
    ['a box for other things', app(`box.current = 3; return <b>{box.current.x}</b>;`), []],
    ['handed on', app(`useThing(box); return <Child box={box} />; `), []],
  ]);
  const forward = (version: string, child: string) => ({
    'package.json': `{ "private": true, "dependencies": { "react": "${version}" } }`,
    'App.tsx': `import { forwardRef, useRef } from 'react';
${child}
export function App() { const box = useRef(null); const go = () => box.current.focus(); return <i onClick={go}><Field ref={box} /></i>; }`,
  });
  const plain = 'function Field({ n }: { n?: number }) { return <input value={n} />; }';
  const at = ['error ref/not-forwarded App.tsx:3 ref'];
  cases(/not-forwarded/, [
    ['a function component before version 19', forward('^18.2.0', plain), at],
    ['since version 19, one that takes no ref', forward('^19.0.0', plain), at],
    [
      'since version 19, one that takes it',
      forward('^19.0.0', 'function Field({ ref }) { return <input ref={ref} />; }'),
      [],
    ],
    ['forwarded', forward('^18.2.0', 'const Field = forwardRef((props, ref) => <input ref={ref} />);'), []],
    ['a version that nobody knows', forward('>=16', plain), []],
    ['no version', { 'App.tsx': forward('', plain)['App.tsx'] }, []],
  ]);
});
