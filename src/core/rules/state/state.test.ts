import { describe } from 'vitest';
import { cases } from '../testing';

describe('state/twin, component/called, component/inherits', () => {
  cases(/^(state\/twin|component\/(called|inherits))$/, [
    [
      'both keep a state of the same name',
      `import { useState } from 'react';
function Row() { const [open, setOpen] = useState(false); return <b onClick={() => setOpen(!open)}>{String(open)}</b>; }
export function App() { const [open, setOpen] = useState(false); return <i onClick={() => setOpen(true)}>{String(open)}<Row /></i>; }`,
      ['note state/twin App.tsx:2 open'],
    ],
    [
      'one is fed from the other',
      `import { useState } from 'react';
function Row({ first }) { const [open, setOpen] = useState(first); return <b onClick={() => setOpen(!open)}>{String(open)}</b>; }
export function App() { const [open, setOpen] = useState(false); return <i onClick={() => setOpen(true)}><Row first={open} /></i>; }`,
      [],
    ],
    [
      'called as a function, with state and without',
      `import { useState } from 'react';
function Row() { const [n] = useState(0); return <b>{n}</b>; }
function Plain() { return <b />; }
export function App() { return <div>{Row()}{Plain()}</div>; }`,
      ['warning component/called App.tsx:4 Row()'],
    ],
    [
      'a class that extends another component',
      `import { Component } from 'react';
class Base extends Component { render() { return <b />; } }
class Row extends Base { render() { return <i />; } }
export function App() { return <><Base /><Row /></>; }`,
      ['note component/inherits App.tsx:3 Base'],
    ],
  ]);
});

describe('shared fields written while setting up', () => {
  const sources = (owner: string, child: string) => ({
    'store.ts': 'export const gate = { mode: "", speed: 0 };',
    'App.tsx': `import { useEffect } from 'react'; import { gate } from './store';
function Lamp() { ${child} return <i />; }
function Post() { return <Lamp />; }
export function App() { ${owner} return <Post />; }`,
  });
  cases(/setup-race/, [
    [
      'both while rendering',
      sources(`gate.mode = 'a';`, `gate.mode = 'b';`),
      [`warning state/setup-race App.tsx:4 gate.mode = 'a'`],
    ],
    ['other fields', sources(`gate.mode = 'a';`, `gate.speed = 1;`), []],
    ['under names that are worked out', sources(`gate[first] = 'a';`, `gate[second] = 'b';`), []],
    ['in an effect', sources(`gate.mode = 'a';`, `useEffect(() => { gate.mode = 'b'; }, []);`), []],
    ['in a handler', sources(`gate.mode = 'a';`, `const go = () => { gate.mode = 'b'; };`), []],
    [
      'through a hook',
      {
        ...sources(`gate.mode = 'a';`, 'useMode();'),
        'App.tsx': `${sources(`gate.mode = 'a';`, 'useMode();')['App.tsx']}
function useMode() { gate.mode = 'b'; }`,
      },
      [`warning state/setup-race App.tsx:4 gate.mode = 'a'`],
    ],
  ]);
});
