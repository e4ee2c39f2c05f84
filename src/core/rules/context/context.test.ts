import { describe, expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { cases, MOUNT } from '../testing';

const FLEET = {
  'fleet.ts': `import { createContext, useContext } from 'react';
export const Fleet = createContext<{ cabins: number } | null>(null);
export const Unit = createContext('m/s');
export const Cast = createContext({} as { a: number });
export function useFleet() { const fleet = useContext(Fleet); if (!fleet) throw new Error('no fleet'); return fleet; }`,
};
const app = (text: string) => ({
  ...FLEET,
  'App.tsx': `import { useContext } from 'react';
import { Fleet, Unit, Cast, useFleet } from './fleet';
const one = { cabins: 1 };
function Reader() { const fleet = useFleet(); return <b>{fleet.cabins}</b>; }
function Direct() { const fleet = useContext(Fleet); return <b>{fleet.cabins}</b>; }
${text}`,
});

describe('context/no-provider', () => {
  cases(/no-provider/, [
    [
      'nobody provides it',
      app(`export function App() { return <Reader />; }`),
      ['error context/no-provider App.tsx:4 useFleet()'],
    ],
    [
      'read without a check',
      app(`export function App() { return <Direct />; }`),
      ['error context/no-provider App.tsx:5 useContext(Fleet)'],
    ],
    [
      'provided above',
      app(
        `export function App() { return <Fleet.Provider value={one}><Reader /><Direct /></Fleet.Provider>; }`,
      ),
      [],
    ],
    [
      'the context itself as provider',
      app(`export function App() { return <Fleet value={one}><Reader /></Fleet>; }`),
      [],
    ],
    [
      'provided by a layout around its children, at any depth',
      app(`function Keep({ children }) { return <Fleet.Provider value={one}>{children}</Fleet.Provider>; }
function Frame({ children }) { return <Keep><main>{children}</main></Keep>; }
function Layout({ children }) { return <Frame>{children}</Frame>; }
export function App() { return <Layout><Reader /></Layout>; }`),
      [],
    ],
    [
      'provided around one slot, not the other',
      app(`function Split({ left, right }) { return <div><Fleet.Provider value={one}>{left}</Fleet.Provider>{right}</div>; }
export function App() { return <Split left={<Reader />} right={<Direct />} />; }`),
      ['error context/no-provider App.tsx:5 useContext(Fleet)'],
    ],
    [
      'on some paths only',
      app(`function Panel() { return <Reader />; }
export function App() { return <div><Fleet.Provider value={one}><Panel /></Fleet.Provider><Panel /></div>; }`),
      ['warning context/no-provider App.tsx:4 useFleet()'],
    ],
    [
      'a usable default, a cast default, or code that goes on without it',
      app(`function A() { return <b>{useContext(Unit)}{useContext(Cast).a}</b>; }
function B() { const fleet = useContext(Fleet); return <b>{fleet?.cabins ?? 0}</b>; }
function C() { const fleet = useContext(Fleet); if (!fleet) return null; return <b>{fleet.cabins}</b>; }
export function App() { return <div><A /><B /><C /></div>; }`),
      [],
    ],
    [
      'nothing renders it, or code from elsewhere may',
      app(`import { route } from 'elsewhere';
route('/', Reader);
export function App() { return <i />; }`),
      [],
    ],
    [
      'nothing renders it, and nothing is mounted',
      {
        'main.tsx': '',
        'fleet.tsx': `import { createContext, useContext } from 'react';
export const Fleet = createContext<{ cabins: number } | undefined>(undefined);
export function Reader() { return <b>{useContext(Fleet)!.cabins}</b>; }`,
      },
      [],
    ],
    [
      'what nothing renders, but something that is written',
      {
        'main.tsx': '',
        'fleet.tsx': `import { createContext, useContext } from 'react';
const Fleet = createContext<{ cabins: number } | undefined>(undefined);
function Reader() { return <b>{useContext(Fleet)!.cabins}</b>; }
export function App() { return <Reader />; }`,
      },
      ['error context/no-provider fleet.tsx:3 useContext(Fleet)'],
    ],
    [
      'a route table is rendered nobody knows where',
      {
        ...FLEET,
        'main.tsx': `import { createRoot } from 'react-dom/client';
import { RouterProvider, createRouter } from 'elsewhere';
import { Page } from './App';
import { Fleet } from './fleet';
const router = createRouter([{ path: '/', element: <Page /> }]);
createRoot(document.body).render(<Fleet.Provider value={null}><RouterProvider router={router} /></Fleet.Provider>);`,
        'App.tsx': `import { useFleet } from './fleet';
export function Page() { return <b>{useFleet().cabins}</b>; }`,
      },
      [],
    ],
  ]);

  test('the trail shows one path that lacks it', () => {
    const { result } = auditSources({
      ...MOUNT,
      ...app(`function Panel() { return <Reader />; }
export function App() { return <div><Fleet.Provider value={one}><Panel /></Fleet.Provider><Panel /></div>; }`),
    });
    const [finding] = result.findings.filter((one) => one.rule === 'context/no-provider');
    expect(finding!.trail.map((one) => `${one.component}: ${one.what}`).slice(-3)).toEqual([
      'App: is not provided around Panel',
      'Panel: is not provided around Reader',
      'Reader: is consumed',
    ]);
  });
});

describe('what is provided', () => {
  cases(/context\/(unread|shadowed|type-clash|unstable-value|wrong-time)/, [
    [
      'state that starts with what a named function gives back is provided',
      `import { createContext, useContext, useState } from 'react';
interface Fleet { size: number; add: (n: number) => void }
const none: Fleet = { size: 0, add: () => {} };
const Yard = createContext(none);
function made(): Fleet { let size = 1; const add = (n: number) => { size += n; }; return { size, add }; }
function Cabin() { return <b>{useContext(Yard).size}</b>; }
export function App() { const [fleet] = useState(made); return <Yard.Provider value={fleet}><Cabin /></Yard.Provider>; }`,
      [],
    ],
    [
      'nothing consumes it',
      `import { createContext } from 'react';
const Unit = createContext('m/s');
export function App() { return <Unit.Provider value="knots"><i /></Unit.Provider>; }`,
      ['warning context/unread App.tsx:3 Unit'],
    ],
    [
      'a provider below another',
      app(`export function App() { return <Fleet.Provider value={one}><Inner /></Fleet.Provider>; }
function Inner() { return <Fleet.Provider value={one}><Reader /></Fleet.Provider>; }`),
      ['note context/shadowed App.tsx:7 Fleet'],
    ],
    [
      'fresh at every render, unless memoised or outside',
      app(`import { useMemo, useState } from 'react';
export function App() {
  const [cabins] = useState(1);
  const fresh = { cabins };
  const kept = useMemo(() => ({ cabins }), [cabins]);
  return <div><Fleet.Provider value={{ cabins }}><Reader /></Fleet.Provider><Fleet.Provider value={fresh}><Reader /></Fleet.Provider><Fleet.Provider value={kept}><Reader /></Fleet.Provider><Fleet.Provider value={one}><Reader /></Fleet.Provider></div>;
}`),
      [
        'warning context/unstable-value App.tsx:11 { cabins }',
        'warning context/unstable-value App.tsx:11 fresh',
      ],
    ],
    [
      'of another type',
      app(
        `export function App() { return <Unit.Provider value={3}><b>{useContext(Unit)}</b></Unit.Provider>; }`,
      ),
      ['error context/type-clash App.tsx:6 3'],
    ],
    [
      'consumed in a handler or an effect',
      app(`import { useEffect } from 'react';
export function App() {
  useEffect(() => { useFleet(); }, []);
  return <Fleet.Provider value={one}><button onClick={() => alert(useContext(Unit))} /></Fleet.Provider>;
}`),
      [
        'error context/wrong-time App.tsx:8 useFleet()',
        'error context/wrong-time App.tsx:9 useContext(Unit)',
      ],
    ],
  ]);
});

describe('who consumes what', () => {
  const app = (render: string, more = '') => `import { createContext, useContext, Component } from 'react';
import { Frame } from 'elsewhere';
const Wind = createContext(null);
function Gust() { const wind = useContext(Wind); return <b>{wind.speed}</b>; }
function Calm({ children }) { return <i>{children}</i>; }
${more}
export function App() { const speed = 3; return ${render}; }`;
  const package_ = { 'package.json': '{ "private": true }' };
  const files = (render: string, more?: string) => ({ ...package_, 'App.tsx': app(render, more) });
  cases(/context\/(no-provider|unread)/, [
    ['below', files('<Wind.Provider value={speed}><Gust /></Wind.Provider>'), []],
    ['as the context itself', files('<Wind value={speed}><Gust /></Wind>'), []],
    [
      'nested in a component below',
      files('<Wind.Provider value={speed}><Calm><Gust /></Calm></Wind.Provider>'),
      [],
    ],
    [
      'consumed elsewhere only',
      files(
        '<><Wind.Provider value={speed}><Calm>x</Calm></Wind.Provider><Wind.Provider value={speed}><Gust /></Wind.Provider></>',
      ),
      ['warning context/unread App.tsx:7 Wind'],
    ],
    [
      'something unknown below',
      files(
        '<><Wind.Provider value={speed}><Frame /></Wind.Provider><Wind.Provider value={speed}><Gust /></Wind.Provider></>',
      ),
      [],
    ],
    [
      'a consumer element',
      files('<Wind.Consumer>{(wind) => <b>{wind.speed}</b>}</Wind.Consumer>'),
      ['error context/no-provider App.tsx:7 Wind.Consumer'],
    ],
    [
      'a consumer element right inside of what it asks',
      files(
        '<Wind.Provider value={speed}><p><Wind.Consumer>{(wind) => <b>{wind.speed}</b>}</Wind.Consumer></p></Wind.Provider>',
      ),
      [],
    ],
    [
      'beside it',
      files(
        '<><Wind.Provider value={speed}><Gust /></Wind.Provider><Wind.Consumer>{(wind) => <b>{wind.speed}</b>}</Wind.Consumer></>',
      ),
      ['error context/no-provider App.tsx:7 Wind.Consumer'],
    ],
    [
      'a consumer element that checks',
      files('<Wind.Consumer>{(wind) => wind ? <b>{wind.speed}</b> : null}</Wind.Consumer>'),
      [],
    ],
    [
      'a class',
      files(
        '<Vane />',
        'class Vane extends Component { static contextType = Wind; render() { return <b>{this.context.speed}</b>; } }',
      ),
      ['error context/no-provider App.tsx:6 Wind'],
    ],
    [
      'imported by a name that is not exported',
      {
        ...package_,
        'wind.ts': `import { createContext } from 'react'; export const Wind = createContext(null);`,
        'App.tsx': `import { useContext } from 'react'; import { Wnid } from './wind';
export function App() { const wind = useContext(Wnid); return <b>{wind.speed}</b>; }`,
      },
      ['error context/no-provider App.tsx:2 useContext(Wnid)'],
    ],
  ]);

  cases(/^.*context\//, [
    [
      'providers and consumers that calls make',
      `import React, { useContext } from 'react';
const Wind = React.createContext(null);
function Gust() { const wind = useContext(Wind); return React.createElement('b', null, wind.speed); }
export class App extends React.Component {
  render() {
    return React.createElement(Wind.Provider, { value: { speed: 3 } }, React.createElement(Gust, null),
      React.createElement(Wind.Consumer, null, (wind) => wind.speed));
  }
}`,
      ['warning context/unstable-value App.tsx:6 { speed: 3 }'],
    ],
  ]);

  const routed = (routes: string) => `import { createContext, useContext } from 'react';
import { Outlet, Route, Routes, useRoutes } from 'react-router-dom';
const Wind = createContext(null);
function Layout() { return <Wind.Provider value={3}><main><Outlet /></main></Wind.Provider>; }
function Shell() { return <Layout />; }
function Page() { const wind = useContext(Wind); return <b>{wind.speed}</b>; }
export function App() { return ${routes}; }`;
  cases(/no-provider/, [
    [
      'a route inside the layout of another',
      routed('<Routes><Route element={<Layout />}><Route path="a" element={<Page />} /></Route></Routes>'),
      [],
    ],
    [
      'two levels down',
      routed(
        '<Routes><Route element={<Shell />}><Route path="a"><Route element={<Page />} /></Route></Route></Routes>',
      ),
      [],
    ],
    [
      'beside the layout',
      routed('<Routes><Route element={<Layout />} /><Route path="a" element={<Page />} /></Routes>'),
      ['error context/no-provider App.tsx:6 useContext(Wind)'],
    ],
    [
      'a table given to a hook',
      routed('useRoutes([{ element: <Layout />, children: [{ element: <Page /> }] }])'),
      [],
    ],
  ]);
});

describe('what a key starts with, where a language has no types', () => {
  const app = (key: string, value: string) => `import { createContext, useContext } from 'react';
const Wind = createContext(${key});
function Gust() { const wind = useContext(Wind); return <b>{wind.speed}{wind.set}</b>; }
export function App() { const set = (speed) => speed; return <Wind.Provider value={${value}}><Gust /></Wind.Provider>; }`;
  const files = (ending: string, key: string, value: string) => ({
    'main.tsx': `import { createRoot } from 'react-dom/client';\nimport { App } from './App';\ncreateRoot(document.body).render(<App />);`,
    [`App.${ending}`]: app(key, value),
  });
  const clash = (ending: string) => [`error context/type-clash App.${ending}:4 { speed: 1, set }`];
  const member = '{ speed: 3, set: () => {} }';
  cases(/context\/type-clash/, [
    ['a function stands in for another', files('jsx', member, '{ speed: 1, set }'), []],
    ['with types it does not', files('tsx', member, '{ speed: 1, set }'), clash('tsx')],
    ['a function stands in for anything', files('jsx', '() => {}', '{ speed: 1, set }'), []],
    ['a number is one', files('jsx', '{ speed: "3" }', '{ speed: 1, set }'), clash('jsx')],
  ]);
});
