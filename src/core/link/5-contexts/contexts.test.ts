/** Who provides a key to whom, and on which way from a root nobody does. */
import { expect, test } from 'vitest';
import { auditSources } from '../../audit';

type Sources = Record<string, string>;

const MAIN: Sources = {
  'main.tsx': `import { createRoot } from 'react-dom/client'; import { A } from './A'; createRoot(document.body).render(<A />);`,
};

const KEYS: Sources = {
  'keys.ts': `import { createContext, useContext } from 'react';
export const Wind = createContext(null);
export const Unit = createContext('m/s');`,
};

function contextsOf(sources: Sources): string[] {
  const { components, sites, contexts } = auditSources(sources).result.project;
  const { providers, consumers, below, barePath } = contexts;
  const names = (ids: Iterable<number>): string[] => [...ids].map((id) => components[id]!.name);
  return [
    ...providers.map((one) => {
      const [owner] = names([one.component]);
      return `${owner} provides ${one.key.name} to ${names(below(one).components).join(', ') || 'nobody'}`;
    }),
    ...consumers.map(({ component, key }) => {
      const bare = barePath(component, key);
      const way = bare && names(bare.map((id) => sites[id]!.target)).join(' > ');
      return `${names([component])[0]} consumes ${key.name}, ${way === undefined ? 'provided on every way' : `bare by ${way}`}`;
    }),
  ];
}

test.each<[string, Sources, string[]]>([
  [
    'provided above',
    {
      ...MAIN,
      ...KEYS,
      'A.tsx': `import { useContext } from 'react'; import { Wind } from './keys'; export function A() { return <Wind.Provider value={1}><B /></Wind.Provider>; } function B() { return <b>{useContext(Wind)}</b>; }`,
    },
    ['A provides Wind to B', 'B consumes Wind, provided on every way'],
  ],
  [
    'provided on one of two ways',
    {
      ...MAIN,
      ...KEYS,
      'A.tsx': `import { useContext } from 'react'; import { Wind } from './keys'; export function A() { return <><Wind.Provider value={1}><B /></Wind.Provider><B /></>; } function B() { return <C />; } function C() { return <b>{useContext(Wind)}</b>; }`,
    },
    ['A provides Wind to B, C', 'C consumes Wind, bare by A > B > C'],
  ],
  [
    'provided nowhere',
    {
      ...MAIN,
      ...KEYS,
      'A.tsx': `import { useContext } from 'react'; import { Wind, Unit } from './keys'; export function A() { return <b>{useContext(Wind)}{useContext(Unit)}</b>; }`,
    },
    ['A consumes Wind, bare by A', 'A consumes Unit, bare by A'],
  ],
  [
    'provided beside',
    {
      ...MAIN,
      ...KEYS,
      'A.tsx': `import { useContext } from 'react'; import { Wind } from './keys'; export function A() { return <><Wind.Provider value={1}><b /></Wind.Provider><B /></>; } function B() { return <b>{useContext(Wind)}</b>; }`,
    },
    ['A provides Wind to nobody', 'B consumes Wind, bare by A > B'],
  ],
  [
    'consumed by a hook',
    {
      ...MAIN,
      ...KEYS,
      'use.ts': `import { useContext } from 'react'; import { Wind } from './keys'; export function useWind() { return useContext(Wind); }`,
      'A.tsx': `import { useWind } from './use'; import { Wind } from './keys'; export function A() { return <Wind.Provider value={1}><B /></Wind.Provider>; } function B() { return <b>{useWind()}</b>; }`,
    },
    ['A provides Wind to B', 'B consumes Wind, provided on every way'],
  ],
  [
    'in content that the child places below its provider',
    {
      ...MAIN,
      ...KEYS,
      'A.tsx': `import { useContext } from 'react'; import { Wind } from './keys'; export function A() { return <Shell><B /></Shell>; } function Shell({ children }) { return <Wind.Provider value={1}>{children}</Wind.Provider>; } function B() { return <b>{useContext(Wind)}</b>; }`,
    },
    ['Shell provides Wind to B', 'B consumes Wind, provided on every way'],
  ],
  [
    'provided again further down',
    {
      ...MAIN,
      ...KEYS,
      'A.tsx': `import { useContext } from 'react'; import { Wind } from './keys'; export function A() { return <Wind.Provider value={1}><M /></Wind.Provider>; } function M() { return <Wind.Provider value={2}><B /></Wind.Provider>; } function B() { return <b>{useContext(Wind)}</b>; }`,
    },
    ['A provides Wind to M', 'M provides Wind to B', 'B consumes Wind, provided on every way'],
  ],
  [
    'by a text',
    {
      'main.ts': `import { createApp } from 'vue'; import App from './App.vue'; createApp(App).mount('#a');`,
      'App.vue': `<script setup>import { provide } from 'vue'; import B from './B.vue'; provide('wind', 1);</script><template><B /></template>`,
      'B.vue': `<script setup>import { inject } from 'vue'; const wind = inject('wind'); const unit = inject('unit', 'm/s');</script><template>{{ wind }}{{ unit }}</template>`,
    },
    ['App provides wind to B', 'B consumes wind, provided on every way', 'B consumes unit, bare by App > B'],
  ],
])('%s', (_, sources, expected) => {
  expect(contextsOf(sources)).toEqual(expected);
});
