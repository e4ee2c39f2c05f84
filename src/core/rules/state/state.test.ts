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
