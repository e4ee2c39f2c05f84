import { describe } from 'vitest';
import { cases } from '../testing';

describe('routes in tables', () => {
  const context = `import { createContext, useContext } from 'react';
export const Wind = createContext(null);
export function Gauge() { return <b>{useContext(Wind)!.speed}</b>; }
export function Windy({ children }) { return <Wind.Provider value={null}>{children}</Wind.Provider>; }`;
  const shell = (around: string) => `import { Outlet } from 'react-router-dom';
import { Gauge, Windy } from './wind';
export function Shell() { return <main>${around}</main>; }`;
  const table = `import { Gauge, Windy } from './wind';
import { Shell } from './Shell';
export const routes = [{ path: '/', element: <Shell />, children: [{ index: true, element: <Gauge /> }] }];`;
  const app = (around: string, open = '', close = '') => ({
    'wind.tsx': context,
    'Shell.tsx': shell(around),
    'routes.tsx': table,
    'App.tsx': `import { createBrowserRouter, RouterProvider } from 'react-router-dom';
import { routes } from './routes';
import { Windy } from './wind';
const router = createBrowserRouter(routes);
export function App() { return ${open}<RouterProvider router={router} />${close}; }`,
  });
  cases(/no-provider/, [
    ['what a layout wraps round its outlet stands above its routes', app('<Windy><Outlet /></Windy>'), []],
    [
      'and not above the layout itself',
      app('<Gauge /><Windy><Outlet /></Windy>'),
      ['warning context/no-provider wind.tsx:3 useContext(Wind)'],
    ],
    ['nothing around', app('<Outlet />'), ['error context/no-provider wind.tsx:3 useContext(Wind)']],
    ['what stands around the router', app('<Gauge /><Outlet />', '<Windy>', '</Windy>'), []],
    [
      'a route by the name of its component',
      { ...app('<Outlet />'), 'routes.tsx': table.replace('element: <Gauge />', 'Component: Gauge') },
      ['warning context/no-provider wind.tsx:3 useContext(Wind)'],
    ],
    [
      'a router that nobody is seen to draw',
      { ...app('<Outlet />'), 'App.tsx': "import './routes'; export function App() { return <p />; }" },
      [],
    ],
    [
      'a layout whose outlet is drawn by a part of it',
      {
        ...app('<Inner />'),
        'Shell.tsx': `import { Outlet } from 'react-router-dom';
import { Windy } from './wind';
function Inner() { return <Outlet />; }
export function Shell() { return <Windy><Inner /></Windy>; }`,
      },
      [],
    ],
  ]);
});

describe('values that are made anew', () => {
  const app = (
    value: string,
    before = '',
  ) => `import { createContext, useCallback, useContext, useMemo, useState } from 'react';
const Wind = createContext(null);
function useFresh(n) { const [at, setAt] = useState(n); return { at, setAt, list: [1], same: useMemo(() => ({ at }), [at]) }; }
function useKept(n) { return useMemo(() => ({ n }), [n]); }
const useBoth = (n) => (n ? { n } : useKept(n));
const SHARED = { n: 1 };
function Gauge() { return <b>{useContext(Wind)?.n}</b>; }
export function App({ n, list }) { ${before} return <Wind.Provider value={${value}}><Gauge /></Wind.Provider>; }`;
  const fresh = (at: string) => [`warning context/unstable-value App.tsx:8 ${at}`];
  cases(/unstable/, [
    ['by a hook', app('fresh', 'const fresh = useFresh(n);'), fresh('fresh')],
    ['a part of what a hook makes', app('list2', 'const { list: list2 } = useFresh(n);'), fresh('list2')],
    ['in one arm of a condition', app('both', 'const both = useBoth(n);'), fresh('both')],
    ['by a list method', app('mapped', 'const mapped = list.map((one) => one.n);'), fresh('mapped')],
    ['by a function of its own', app('make()', 'const make = () => ({ n });'), fresh('make()')],
    ['kept by a hook', app('kept', 'const kept = useKept(n);'), []],
    ['a part that a hook keeps', app('same', 'const { same } = useFresh(n);'), []],
    [
      'kept by the component',
      app('kept', 'const kept = useMemo(() => list.map((one) => one.n), [list]);'),
      [],
    ],
    ['what a hook is given, or a module holds', app('n ? n : SHARED'), []],
  ]);
});

describe('what is waited for', () => {
  cases(/./, [
    [
      'a promise that was handed in is read, and no context',
      `import { use } from 'react';
function Gauge({ speed, ...rest }: { speed: Promise<number>; unit?: Promise<string> }) {
  const unit = use(rest.unit!);
  return <b>{use(speed)}{unit}</b>;
}
const CALM = Promise.resolve(1);
export function App() { return <Gauge speed={CALM} unit={Promise.resolve('a')} />; }`,
      [],
    ],
  ]);
});

describe('contexts that are their own element', () => {
  cases(/unread|no-provider/, [
    [
      'a provider whose consumer stands beside it',
      `import { createContext, use } from 'react';
const Wind = createContext('calm');
function Gauge() { return <b>{use(Wind)}</b>; }
function Row() { return <i />; }
function Log() { return (
  <Wind value="strong"><Row /></Wind>
); }
export function App() { return <><Log /><Gauge /></>; }`,
      ['warning context/unread App.tsx:6 Wind'],
    ],
  ]);
});
