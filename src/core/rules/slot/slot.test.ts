import { describe } from 'vitest';
import { cases } from '../testing';

describe('slot/unknown', () => {
  cases(/unknown$/, [
    [
      'content for a name that the child lacks, in place of prop/unknown',
      `function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }
export function App() { return <Card fare={1} head={<i />} />; }`,
      ['error slot/unknown App.tsx:2 head'],
    ],
  ]);
});

describe('slots', () => {
  cases(/^slot\//, [
    [
      'content nested in a component that places none',
      `function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }
export function App() { return <Card fare={1}>paid</Card>; }`,
      ['error slot/no-outlet App.tsx:2 Card'],
    ],
    [
      'declared and never placed',
      `import type { ReactNode } from 'react';
function Card({ fare }: { fare: number; children?: ReactNode }) { return <b>{fare}</b>; }
export function App() { return <Card fare={1}>paid</Card>; }`,
      ['error slot/no-outlet App.tsx:3 Card'],
    ],
    [
      'placed, handed on, spread, read by the owner, or from elsewhere',
      `import type { Base } from 'elsewhere';
import { Kit } from 'elsewhere';
function A({ children }) { return <b>{children}</b>; }
function B(props) { return <A {...props} />; }
function C({ children }) { return <A>{children}</A>; }
function D(p: Base & { n: number }) { return <b>{p.n}</b>; }
export function App() { return <><A>x</A><B>x</B><C>x</C><D n={1}>x</D><Kit>x</Kit></>; }`,
      [],
    ],
    [
      'handed to an element, a fragment or a provider as its children',
      `import { createContext, Fragment, useContext } from 'react';
const Wind = createContext(1);
function A({ children }) { return <div children={children} />; }
function B({ children }) { return <Fragment children={children} />; }
function C({ children }) { return <Wind.Provider value={2} children={children} />; }
export function App() { useContext(Wind); return <><A>x</A><B>x</B><C>x</C></>; }`,
      [],
    ],
    [
      'no call site fills it',
      `import type { ReactNode } from 'react';
function Card({ head, foot }: { head?: ReactNode; foot?: ReactNode }) { return <b>{head}<i>{foot ?? 'no foot'}</i></b>; }
export function App() { return <Card />; }`,
      ['note slot/unfilled App.tsx:2 head'],
    ],
    [
      'one call site fills it',
      `import type { ReactNode } from 'react';
function Card({ head }: { head?: ReactNode }) { return <b>{head}</b>; }
export function App() { return <><Card /><Card head={<i />} /></>; }`,
      [],
    ],
    [
      'given twice',
      `function Card({ children }) { return <b>{children}</b>; }
export function App() { return <Card children="a">b</Card>; }`,
      ['warning slot/double-content App.tsx:2 children'],
    ],
    [
      'forwarded through two components',
      `function Inner({ children }) { return <b>{children}</b>; }
function Middle({ children }) { return <Inner>{children}</Inner>; }
function Outer({ children }) { return <Middle>{children}</Middle>; }
export function App() { return <Outer>text</Outer>; }`,
      ['warning slot/relayed App.tsx:3 children'],
    ],
    [
      'forwarded once, or with something beside it',
      `function Inner({ children }) { return <b>{children}</b>; }
function Middle({ children }) { return <><i>{children}</i><Inner>{children}</Inner></>; }
function Outer({ children }) { return <Middle>{children}</Middle>; }
export function App() { return <Outer>text</Outer>; }`,
      [],
    ],
  ]);
});

describe('what an outlet gives to its content', () => {
  const list = (call: string) =>
    `function List({ children, rows }) { return <ul>{rows.map((row) => ${call})}</ul>; }`;
  const app = (content: string, call = 'children({ row, at: 1 })') => `${list(call)}
export const App = ({ rows }) => <List rows={rows}>{${content}}</List>;`;
  cases(/prop-unknown/, [
    ['given', app('({ row, at }) => <i>{row}{at}</i>'), []],
    ['not given', app('({ rwo }) => <i>{rwo}</i>'), ['error slot/prop-unknown App.tsx:2 rwo']],
    ['renamed', app('({ cabin: row }) => <i>{row}</i>'), ['error slot/prop-unknown App.tsx:2 cabin']],
    [
      'a member that is not given',
      app('(slot) => <i>{slot.row}{slot.cabin}</i>'),
      ['error slot/prop-unknown App.tsx:2 cabin'],
    ],
    ['the others, whatever they are', app('({ row, ...others }) => <i {...others}>{row}</i>'), []],
    ['an object from elsewhere', app('({ cabin }) => <i>{cabin}</i>', 'children(row)'), []],
    ['more that is spread in', app('({ cabin }) => <i>{cabin}</i>', 'children({ ...row, at: 1 })'), []],
  ]);
  cases(/prop-unknown/, [
    [
      'an attribute',
      `function List({ renderRow }) { return <ul>{renderRow({ row: 1 })}</ul>; }
export const App = () => <List renderRow={({ cabin }) => <i>{cabin}</i>} />;`,
      ['error slot/prop-unknown App.tsx:2 cabin'],
    ],
    [
      'handed on to who calls it with more',
      `import { Other } from 'elsewhere';
function List({ renderRow }) { return <ul>{renderRow({ row: 1 })}<Other renderRow={renderRow} /></ul>; }
export const App = () => <List renderRow={({ cabin }) => <i>{cabin}</i>} />;`,
      [],
    ],
  ]);
});
