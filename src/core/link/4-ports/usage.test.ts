/** Who renders a component, and whether somebody may whom nobody sees. */
import { expect, test } from 'vitest';
import { auditSources } from '../../audit';

type Sources = Record<string, string>;

const MAIN: Sources = {
  'main.tsx': `import { createRoot } from 'react-dom/client'; import { A } from './A'; createRoot(document.body).render(<A />);`,
};

function usageOf(sources: Sources): string[] {
  const { components } = auditSources(sources).result.project;
  return components
    .filter((one) => one.facts.role === 'component')
    .map(
      ({ name, used, unknownSites, calledAt }) =>
        `${name}: ${used ? 'used' : 'unused'}${unknownSites ? ', also where nobody sees' : ''}, ${calledAt.length} call sites`,
    );
}

test.each<[string, Sources, string[]]>([
  [
    'rendered from a root',
    {
      ...MAIN,
      'A.tsx': `export function A() { return <B />; } function B() { return <b />; } function C() { return <b />; }`,
    },
    ['A: used, 1 call sites', 'B: used, 1 call sites', 'C: unused, 0 call sites'],
  ],
  [
    'an entry of a package',
    {
      'package.json': `{ "name": "kit", "main": "index.ts" }`,
      'index.ts': `export { A } from './A';`,
      'A.tsx': `export function A() { return <b />; } export function B() { return <b />; }`,
    },
    ['A: used, also where nobody sees, 0 call sites', 'B: unused, 0 call sites'],
  ],
  [
    'handed on as a value',
    {
      ...MAIN,
      'A.tsx': `import { Outer } from 'elsewhere'; export function A() { return <Outer of={B} />; } function B() { return <b />; }`,
    },
    ['A: used, 1 call sites', 'B: used, also where nobody sees, 0 call sites'],
  ],
  [
    'kept in a table',
    {
      ...MAIN,
      'A.tsx': `const KINDS = { b: B, c: C }; export function A({ kind }) { const T = KINDS[kind]; return <T />; } function B() { return <b />; } function C() { return <b />; }`,
    },
    [
      'A: used, 1 call sites',
      'B: used, also where nobody sees, 1 call sites',
      'C: used, also where nobody sees, 1 call sites',
    ],
  ],
  [
    'loaded late',
    {
      ...MAIN,
      'A.tsx': `import { lazy } from 'react'; const B = lazy(() => import('./B')); export function A() { return <B />; }`,
      'B.tsx': `export default function B() { return <b />; }`,
    },
    ['A: used, 1 call sites', 'B: used, 1 call sites'],
  ],
  [
    'a page of a router that goes by files',
    {
      'package.json': `{ "name": "site", "private": true, "dependencies": { "next": "1" } }`,
      'pages/index.tsx': `export default function Home() { return <b />; }`,
      'parts/C.tsx': `export function C() { return <b />; }`,
    },
    ['Home: used, also where nobody sees, 0 call sites', 'C: unused, 0 call sites'],
  ],
  [
    'a story',
    {
      ...MAIN,
      'A.tsx': `export function A() { return <b />; } export function B() { return <b />; }`,
      'B.stories.tsx': `import { B } from './A'; export const One = () => <B />;`,
    },
    ['A: used, 1 call sites', 'B: used, 1 call sites', 'One: used, also where nobody sees, 0 call sites'],
  ],
  [
    'by an alias that leads nowhere',
    {
      ...MAIN,
      'A.tsx': `import { Deep } from '~lib/Deep'; export function A() { return <Deep />; }`,
      'src/lib/Deep.tsx': `export function Deep() { return <b />; }`,
    },
    ['A: used, 1 call sites', 'Deep: used, also where nobody sees, 0 call sites'],
  ],
])('%s', (_, sources, expected) => {
  expect(usageOf(sources)).toEqual(expected);
});
