import { describe } from 'vitest';
import { cases } from './testing';
const I = `import React, { Component, createContext, createRef, forwardRef, lazy, memo, useCallback, useContext, useEffect, useImperativeHandle, useMemo, useReducer, useRef, useState } from 'react';\n`;
describe('names', () => {
  cases(/./, [
    [
      'unicode and underscore names',
      I +
        `function Übersicht({ n }: { n: number }) { return <b>{n}</b>; }
function _Card({ n }: { n: number }) { return <b>{n}</b>; }
function $Card({ n }: { n: number }) { return <b>{n}</b>; }
export function App() { return <><Übersicht /><_Card /><$Card /></>; }`,
      [
        'error prop/missing App.tsx:5 Übersicht',
        'error prop/missing App.tsx:5 _Card',
        'error prop/missing App.tsx:5 $Card',
      ],
    ],
    [
      'local render content is no component',
      I +
        `function Row({ n, note }: { n: number; note?: string }) { return <b>{n}{note}</b>; }
const list = [1];
export function App() {
  const rows = list.map((n) => <Row key={n} n={n} />);
  const Memo = useMemo(() => list.map((n) => <Row key={n} n={n} />), [list]);
  let head = null;
  if (list.length) head = <Row n={1} />; else head = <Row n={2} />;
  const draw = () => <Row n={3} />;
  return <>{rows}{Memo}{head}{draw()}</>;
}`,
      ['warning prop/never-passed App.tsx:2 note'],
    ],
    [
      'lazy in routes',
      {
        'Page.tsx': I + `export default function Page({ n }: { n: number }) { return <b>{n}</b>; }`,
        'App.tsx':
          I +
          `const Page = lazy(() => import('./Page'));
export const routes = [{ path: '/', element: <Page /> }];
export function App() { return <p />; }`,
      },
      ['error prop/missing App.tsx:3 Page'],
    ],
    [
      'Object.assign parts',
      {
        'menu.tsx':
          I +
          `function Base({ children }: { children?: React.ReactNode }) { return <i>{children}</i>; }
function Item({ n }: { n: number }) { return <b>{n}</b>; }
export const Menu = Object.assign(Base, { Item });
export const Wrapped = memo(Base);
Wrapped.Item = Item;
export default Object.assign(memo(Base), { Item });`,
        'index.ts': `export { default as Deep, Menu, Wrapped } from './menu'; export * from './empty';`,
        'empty.ts': '',
        'App.tsx':
          I +
          `import { Deep, Menu, Wrapped } from './index';
export function App() { return <Menu><Menu.Item /><Wrapped.Item /><Deep.Item /></Menu>; }`,
      },
      [
        'error prop/missing App.tsx:3 Menu.Item',
        'error prop/missing App.tsx:3 Wrapped.Item',
        'error prop/missing App.tsx:3 Deep.Item',
      ],
    ],
    [
      'component as value',
      I +
        `function A({ n }: { n: number }) { return <b>{n}</b>; }
function B({ n }: { n: number }) { return <i>{n}</i>; }
const TABLE = { a: A, b: B };
const MAP = new Map([['a', A], ['b', B]]);
function pick(x: string) { return x ? A : B; }
declare const k: 'a' | 'b';
export function App() {
  const Own = k ? A : null;
  const One = Own; const Two = TABLE[k]; const Three = MAP.get(k)!; const Four = pick(k);
  return <><One /><Two /><Three /><Four /></>;
}`,
      ['One', 'Two', 'Two', 'Three', 'Three', 'Four', 'Four'].map(
        (name) => `error prop/missing App.tsx:11 ${name}`,
      ),
    ],
    [
      'outside wrapper',
      {
        'App.tsx':
          I +
          `import styled from 'styled-components'; import { observer } from 'mobx-react';
function Card({ n, note }: { n: number; note?: string }) { return <b>{n}{note}</b>; }
const Wide = styled(Card)\`a\`;
const Seen = observer(Card);
export function App() { return <><Wide n={1} /><Seen n={'2'} extra /></>; }`,
      },
      ['error prop/type-clash App.tsx:6 n'],
    ],
    [
      'render functions given to a list',
      I +
        `function Row({ n }: { n: number }) { return <b>{n}</b>; }
function renderItem(n: number) { return <Row />; }
function List({ items, render }: { items: number[]; render: (n: number) => React.ReactNode }) { return <>{items.map(render)}</>; }
export function App() { return <List items={[1]} render={renderItem} />; }`,
      ['error prop/missing App.tsx:3 Row'],
    ],
    [
      'no phantoms',
      I +
        `function Row({ n }: { n: number }) { return <b>{n}</b>; }
export function App() { const Timer = setTimeout(() => <Row n={1} />, 3); const Data = [1].map(() => <Row n={1} />); return <>{Data}</>; }`,
      [],
    ],
  ]);
});
describe('values', () => {
  cases(/./, [
    [
      'this members have types',
      I +
        `class Meter extends Component<{ n: number; s: string }> {
  unit = 'a'; label(): string { return 'a'; } arrow = () => 3;
  render() { const { props } = this; return <><Gauge n={this.props.s} /><Gauge n={this.label()} /><Gauge n={this.arrow()} /><Gauge n={props.s} /></>; }
}
function Gauge({ n }: { n: number }) { return <b>{n}</b>; }
export function App() { return <Meter n={1} s="a" />; }`,
      [
        'warning prop/unread App.tsx:2 n',
        'error prop/type-clash App.tsx:4 n',
        'error prop/type-clash App.tsx:4 n',
        'error prop/type-clash App.tsx:4 n',
      ],
    ],
    [
      'props object',
      I +
        `function Meter(props: { s: string }) { return <Gauge n={props.s} />; }
function Gauge({ n }: { n: number }) { return <b>{n}</b>; }
export function App() { return <Meter s="a" />; }`,
      ['error prop/type-clash App.tsx:2 n'],
    ],
    [
      'hook results',
      {
        'use.ts': `import { useState } from 'react'; export function useWind() { const [s, setS] = useState('a'); return { s, setS, n: 3 }; } export function usePair(): [string, number] { return ['a', 1]; } export const api = { load(): string { return 'a'; }, n: 3 };`,
        'App.tsx':
          I +
          `import { useWind, usePair, api } from './use';
function Gauge({ n }: { n: number }) { return <b>{n}</b>; }
export function App() { const { s, n } = useWind(); const wind = useWind(); const [a, b] = usePair(); return <><Gauge n={s} /><Gauge n={n} /><Gauge n={wind.s} /><Gauge n={a} /><Gauge n={b} /><Gauge n={api.load()} /><Gauge n={api.n} /></>; }`,
      },
      [
        'error prop/type-clash App.tsx:4 n',
        'error prop/type-clash App.tsx:4 n',
        'error prop/type-clash App.tsx:4 n',
        'error prop/type-clash App.tsx:4 n',
      ],
    ],
    [
      'ref current',
      I +
        `function Gauge({ n }: { n: number }) { return <b>{n}</b>; }
export function App() { const box = useRef('a'); return <Gauge n={box.current} />; }`,
      ['error prop/type-clash App.tsx:3 n'],
    ],
    [
      'payload object',
      I +
        `interface Hold { id: string; at: number }
function Gate({ onHold }: { onHold?: (hold: Hold) => void }) { return <b onClick={() => onHold?.({ id: 'a' })} onBlur={() => onHold?.({ id: 'a', at: '3' })} />; }
export function App() { return <Gate onHold={(h) => console.log(h)} />; }`,
      [
        "error event/payload-clash App.tsx:3 onHold?.({ id: 'a' })",
        "error event/payload-clash App.tsx:3 onHold?.({ id: 'a', at: '3' })",
      ],
    ],
    [
      'provided object',
      I +
        `interface Wind { speed: number; unit: string }
const Ctx = createContext<Wind>({ speed: 1, unit: 'a' });
function Gauge() { return <b>{useContext(Ctx).speed}</b>; }
const WIND = { speed: '3', unit: 'a' };
export function App() { return <Ctx.Provider value={WIND}><Gauge /></Ctx.Provider>; }`,
      ['error context/type-clash App.tsx:6 WIND'],
    ],
    [
      'untyped list written',
      I +
        `function List({ items }) { items.sort(); items.push(1); delete items[0]; return <b>{items.length}</b>; }
export function App() { const [list] = useState([1]); return <List items={list} />; }`,
      ['items.sort()', 'items.push(1)', 'delete items[0]'].map(
        (at) => `error prop/overwritten App.tsx:2 ${at}`,
      ),
    ],
    [
      'life-cycle parameters',
      I +
        `class Meter extends Component<{ n: number }> { componentDidCatch(error) { console.log(error.wide); } componentDidUpdate(prev, state, snapshot) { return prev.n + snapshot.x; } render() { return <b>{this.props.n}</b>; } }
export function App() { return <Meter n={1} />; }`,
      [],
    ],
    [
      'const a of this.props in any method',
      I +
        `class Meter extends Component<{ n: number; s: string; t: string }> { hold() { const { n } = this.props; return n; } render() { const { props } = this; return <b onClick={() => this.hold()}>{props.s}{props.t}</b>; } }
export function App() { return <Meter n={1} s="a" t="b" />; }`,
      [],
    ],
  ]);
});

describe('places, calls and relays through names', () => {
  const log = `function Log() { const [n, set] = useState(0); return <b onClick={() => set(n + 1)}>{n}</b>; }\n`;
  cases(/^(portal|event|state|prop\/missing)/, [
    [
      'what is drawn in a variable, and once more beside it',
      `${I}${log}export function App() { const [wide] = useState(false); const log = <Log />; if (wide) return <aside>{log}</aside>; return <Log />; }`,
      ['warning portal/state-lost App.tsx:3 Log'],
    ],
    [
      'drawn in one place, or not at all',
      `${I}${log}export function App() { const [wide] = useState(false); const log = <Log />; return <div>{wide && log}</div>; }`,
      [],
    ],
    [
      'two conditions that have nothing to do with each other',
      `${I}${log}export function App() { const [a] = useState(false); const [b] = useState(false); const log = <Log />; return <div>{a && <i>{log}</i>}{b && <Log />}</div>; }`,
      [],
    ],
    [
      'relays under names of their own',
      `${I}type P = { onPick: (n: number) => void };
function Leaf({ onPick }: P) { return <b onClick={() => onPick(1)} />; }
function Mid({ onPick }: P) { const again = (n: number) => onPick(n); return <Leaf onPick={again} />; }
function Top({ onPick }: P) { function again(n: number) { onPick(n); } return <Mid onPick={again} />; }
export function App() { const [n, set] = useState(0); return <Top onPick={(x) => set(x + n)} />; }`,
      ['warning event/relayed App.tsx:4 again'],
    ],
    [
      'a callback that is called where it should be handed over',
      `${I}function Row({ done }: { done: () => void }) { return <b onClick={done} />; }
export function App() { const go = () => { console.log(1); }; return <Row done={go()} />; }`,
      ['error event/called-early App.tsx:3 go()'],
    ],
    [
      'a component that draws no markup',
      `${I}function useTitle(t: string) { return t; }
function Title({ text }: { text: string }) { return useTitle(text); }
export function App() { return <Title />; }`,
      ['error prop/missing App.tsx:4 Title'],
    ],
  ]);
});

describe('props that are compared', () => {
  const lamp = (memo: string): string =>
    `import { memo } from 'react';
type P = { n: number; tone: string; glow: string; dim: string };
function Lit({ n }: P) { return <b>{n}</b>; }
const same = (a: P, { glow }: P) => a.tone === glow;
const Lamp = ${memo};
export function App() { return <Lamp n={1} tone="a" glow="b" dim="c" />; }`;
  cases(/unread/, [
    ['by a function beside it', lamp('memo(Lit, same)'), ['warning prop/unread App.tsx:2 dim']],
    [
      'by one that is written out',
      lamp('memo(Lit, (a, b) => a.tone === b.tone && b?.dim === a.dim)'),
      ['warning prop/unread App.tsx:2 glow'],
    ],
    [
      'not at all',
      lamp('memo(Lit)'),
      ['tone', 'glow', 'dim'].map((name) => `warning prop/unread App.tsx:2 ${name}`),
    ],
  ]);
});

describe('what is handed in by no call site', () => {
  const panel = (made: string, types = '') =>
    `import React from 'react'; import PropTypes from 'prop-types'; import { connect } from 'react-redux'; import { translate } from 'elsewhere'; import { raise } from './acts';
class Panel extends React.Component { render() { const { raise } = this.props; return <b onClick={() => raise(1)}>{this.props.label}</b>; } }
Panel.propTypes = { label: PropTypes.string, raise: PropTypes.func };
${types} export default ${made};`;
  const app = (made: string) => ({
    'Panel.jsx': panel(made),
    'acts.js': `export const raise = (n) => ({ type: 'RAISE', n });`,
    'main.jsx': `import React from 'react'; import { createRoot } from 'react-dom/client'; import Panel from './Panel'; createRoot(document.body).render(<Panel label="a" />);`,
  });
  const line = 'warning event/unguarded-call Panel.jsx:2 raise(1)';
  cases(/unguarded/, [
    ['by nobody', app('Panel'), [line]],
    ['by a store', app('connect(null, { raise })(Panel)'), []],
    [
      'perhaps by a package',
      {
        'Stamp.jsx': `import { translate } from 'elsewhere'; export const Stamp = translate()(({ t, at }) => <b>{t(at)}</b>);`,
        'main.jsx': `import { createRoot } from 'react-dom/client'; import { Stamp } from './Stamp'; createRoot(document.body).render(<Stamp at="a" />);`,
      },
      [],
    ],
    [
      'in a function that nothing is wrapped around',
      {
        'Stamp.jsx': `export const Stamp = ({ t, at }) => <b onClick={() => t(at)}>{at}</b>;`,
        'main.jsx': `import { createRoot } from 'react-dom/client'; import { Stamp } from './Stamp'; createRoot(document.body).render(<Stamp at="a" />);`,
      },
      ['warning event/unguarded-call Stamp.jsx:1 t(at)'],
    ],
  ]);
});

describe('what a file exports without a name', () => {
  const body = `import { useState } from 'react'; export default (start = 1) => { const [page, setPage] = useState(start); return { page, setPage }; };`;
  const app = (file: string) => ({
    [`${file}.js`]: body,
    'App.jsx': `import usePages from './${file}'; export function App() { const { page, setPage } = usePages(2); return <b onClick={() => setPage(page + 1)}>{page}</b>; }`,
  });
  cases(/called/, [
    ['is a hook in a file that is named so', app('usePages'), []],
    ['is a hook in one with dashes', app('use-pages'), []],
  ]);
});
