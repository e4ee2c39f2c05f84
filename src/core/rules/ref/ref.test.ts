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

describe('members reached through a handle', () => {
  const panel = `import { forwardRef, useEffect, useImperativeHandle, useRef, Component, createRef } from 'react';
const Panel = forwardRef((props, ref) => {
  const input = useRef(null);
  useImperativeHandle(ref, () => ({ open() {}, close: () => {}, field: () => input.current }));
  return <input ref={input} />;
});
class Drum extends Component { brake() {} private grip() {} inner = createRef(); render() { return <i ref={this.inner} />; } }
`;
  const using = (tag: string, body: string) =>
    `${panel}export function App() { const box = useRef(null); const go = () => { ${body} }; return <b onClick={go}><${tag} ref={box} /></b>; }`;
  cases(/ref\/(unknown|reach)/, [
    ['exposed', using('Panel', 'box.current.open(); box.current?.close();'), []],
    ['misspelled', using('Panel', 'box.current.opne();'), ['error ref/unknown-member App.tsx:8 opne']],
    ['asked softly', using('Panel', 'box.current?.opne();'), ['error ref/unknown-member App.tsx:8 opne']],
    [
      'held first',
      using('Panel', 'const held = box.current; if (!held) return; held.shut();'),
      ['error ref/unknown-member App.tsx:8 shut'],
    ],
    [
      'taken apart',
      using('Panel', 'const { shut } = box.current; shut();'),
      ['error ref/unknown-member App.tsx:8 shut'],
    ],
    [
      'a method of a class',
      using('Drum', 'box.current.brake(); box.current.setState({}); box.current.forceUpdate();'),
      [],
    ],
    ['a private method', using('Drum', 'box.current.grip();'), ['error ref/unknown-member App.tsx:8 grip']],
    [
      'no member of the class',
      using('Drum', 'box.current.halt();'),
      ['error ref/unknown-member App.tsx:8 halt'],
    ],
    [
      'a cast adds none',
      using('Panel', '(box.current as any).opne();'),
      ['error ref/unknown-member App.tsx:8 opne'],
    ],
    ['on an element', using('i', 'box.current.whatever();'), []],
    [
      'a chain of handles',
      using('Drum', 'box.current.inner.current.focus();'),
      ['warning ref/reach-through App.tsx:8 box.current.inner.current.focus'],
    ],
    [
      'a function that gives a handle',
      using('Panel', 'box.current.field().focus();'),
      ['warning ref/reach-through App.tsx:8 box.current.field'],
    ],
    ['filled elsewhere, too', using('Panel', 'box.current = other(); box.current.whatever();'), []],
  ]);
  const child = (body: string) => `import { forwardRef, useImperativeHandle, useRef } from 'react';
${body}
export function App() { const box = useRef(null); return <b onClick={() => box.current.opne()}><Panel ref={box} /></b>; }`;
  const inner =
    'const Inner = forwardRef((p, ref) => { useImperativeHandle(ref, () => ({ open() {} })); return <i />; });';
  cases(/unknown-member/, [
    [
      'members spread from elsewhere',
      child(
        'const Panel = forwardRef((p, ref) => { useImperativeHandle(ref, () => ({ ...p.api })); return <i />; });',
      ),
      [],
    ],
    [
      'a handle made elsewhere',
      child(
        'const Panel = forwardRef((p, ref) => { useImperativeHandle(ref, () => make()); return <i />; });',
      ),
      [],
    ],
    [
      'a ref as a prop',
      child('function Panel({ ref }) { useImperativeHandle(ref, () => ({ open() {} }), []); return <i />; }'),
      ['error ref/unknown-member App.tsx:3 opne'],
    ],
    [
      'forwarded to a component',
      child(`${inner} const Panel = forwardRef((p, ref) => <Inner ref={ref} />);`),
      ['error ref/unknown-member App.tsx:3 opne'],
    ],
    ['forwarded to an element', child('const Panel = forwardRef((p, ref) => <i ref={ref} />);'), []],
    ['a class with a base of its own', child('class Panel extends Base { render() { return <i />; } }'), []],
  ]);
});
