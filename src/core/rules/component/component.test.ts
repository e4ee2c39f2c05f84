import { describe } from 'vitest';
import { cases } from '../testing';

describe('component/unresolved', () => {
  cases(/^component\/unresolved$/, [
    [
      'nothing bears the name',
      `export function App() { return <Gauge />; }`,
      ['error component/unresolved App.tsx:1 Gauge'],
    ],
    [
      'imported, declared, handed in, or a member of what is known',
      `import { Gauge } from 'elsewhere';
import * as Kit from 'elsewhere';
import React from 'react';
function Meter() { return <b />; }
export function App({ Icon }: { Icon: any }) {
  const Part = Math.random() > 1 ? Meter : Gauge;
  const Inner = () => <i />;
  return <React.Fragment><Gauge /><Kit.Dial /><Meter /><Icon /><Part /><Inner /></React.Fragment>;
}`,
      [],
    ],
    [
      'imported under a name that the file does not export',
      {
        'Gauge.tsx': `export function WindGauge() { return <b />; }`,
        'App.tsx': `import { WindGuage } from './Gauge';
export function App() { return <WindGuage />; }`,
      },
      ['error component/unresolved App.tsx:2 WindGuage'],
    ],
    [
      're-exported by name, by star and from elsewhere',
      {
        'a.tsx': `export function A() { return <b />; }`,
        'b.tsx': `export default function B() { return <b />; }`,
        'kit/index.ts': `export * from '../a'; export { default as B } from '../b'; export * from 'elsewhere';`,
        'App.tsx': `import { A, B, C } from './kit';
export function App() { return <><A /><B /><C /></>; }`,
      },
      [],
    ],
    [
      'names of a plain script are shared with the page',
      { 'App.jsx': `function Root() { return <Shared />; }` },
      [],
    ],
  ]);
});

describe('component/unused', () => {
  cases(/^component\/unused$/, [
    [
      'exported and never rendered',
      {
        'Old.tsx': `export function Old() { return <b />; }`,
        'App.tsx': `export function App() { return <b />; }`,
      },
      ['note component/unused Old.tsx:1 Old'],
    ],
    [
      'rendered only by itself',
      `function Tree() { return <Tree />; }
export function App() { return <b />; }`,
      ['note component/unused App.tsx:1 Tree'],
    ],
    [
      'loaded while the code runs: by path, by a pattern, by an alias that nobody resolves',
      {
        'pages/Home.tsx': `export default function Home() { return <b />; }`,
        'parts/One.tsx': `export default function One() { return <b />; }`,
        'parts/Two.jsx': `export default function Two() { return <b />; }`,
        'more/Far.tsx': `export default function Far() { return <b />; }`,
        'App.tsx': `const table = [{ path: '/', lazy: () => import('./pages/Home') }, { lazy: () => import('@/more/Far') }];
const parts = import.meta.glob('./parts/*.tsx');
export function App() { return <b />; }`,
      },
      ['note component/unused parts/Two.jsx:1 Two'],
    ],
    [
      'pages of routers that go by folders, in three languages',
      {
        'a/package.json': '{"private":true,"dependencies":{"nuxt":"^3.0.0"}}',
        'a/app.vue': '<template><b /></template>',
        'a/pages/index.vue': '<template><b /></template>',
        'b/package.json': '{"private":true,"dependencies":{"@sveltejs/kit":"^2.0.0"}}',
        'b/src/routes/+page.svelte': '<b />',
        'c/package.json': '{"private":true,"dependencies":{"next":"^15.0.0"}}',
        'c/app/page.tsx': 'export default function Page() { return <b />; }',
        'App.tsx': `export function App() { return <b />; }`,
      },
      [],
    ],
    [
      'rendered, routed, memoised, lazy, in a map, handed on, or in a story',
      {
        'Page.tsx': `export default function Page() { return <b />; }`,
        'gauge.stories.tsx': `export function Plain() { return <b />; }`,
        'App.tsx': `import { lazy, memo } from 'react';
import { route } from 'elsewhere';
const Page = lazy(() => import('./Page'));
function Plain() { return <b />; }
const Memo = memo(Plain);
function Routed() { return <b />; }
route('/', Routed);
const MARKS = { a: Mark };
function Mark() { return <b />; }
function Icon() { return <b />; }
export function App() { return <><Page /><Memo icon={Icon} />{Object.keys(MARKS)}</>; }`,
      },
      [],
    ],
    [
      'offered by the entry of its package',
      {
        'package.json': '{ "name": "kit", "private": true, "main": "kit.ts" }',
        'kit.ts': `export { Dial } from './Dial';`,
        'Dial.tsx': `export function Dial() { return <b />; }`,
        'App.tsx': `export function App() { return <b />; }`,
      },
      [],
    ],
    [
      'without a root in sight, others may render what is exported',
      { 'main.tsx': `export {};`, 'Dial.tsx': `export function Dial() { return <b />; }` },
      [],
    ],
  ]);
});

describe('component/lowercase', () => {
  cases(/^(component\/lowercase|prop\/unread)$/, [
    [
      'an imported component in lower case',
      {
        'Gauge.tsx': `export default function Gauge() { return <b />; }`,
        'App.tsx': `import gauge from './Gauge';
export function App() { return <gauge />; }`,
      },
      ['error component/lowercase App.tsx:2 gauge'],
    ],
    [
      'a prop that holds a component, in place of unread',
      `function Dot() { return <b />; }
function Row({ dotMark }: { dotMark: any }) { return <dotMark />; }
export function App() { return <Row dotMark={Dot} />; }`,
      ['error component/lowercase App.tsx:2 dotMark'],
    ],
    [
      'plain elements, custom elements, and names that only look alike',
      `const label = 'x';
export function App({ title }: { title: string }) { return <><title>{title}</title><label>{label}</label><wind-gauge /></>; }`,
      [],
    ],
  ]);
});
