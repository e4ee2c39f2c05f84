import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { MOUNT } from '../rules/testing';
import { silencesAlong, silentComponents } from './silences';

test.each<[string, string, string[]]>([
  [
    'nothing is unknown',
    `export function App() { return <Mast high={1} />; }
function Mast({ high }: { high: number }) { return <i>{high}</i>; }`,
    [],
  ],
  [
    'a type from a package',
    `import type { MastProps } from 'masts';
export function App() { return <Mast high={1} />; }
function Mast({ high }: MastProps) { return <i>{high}</i>; }`,
    ['type Mast'],
  ],
  [
    'props taken whole',
    `export function App() { return <Mast high={1} />; }
function Mast(props) { report(props); return <i />; }`,
    ['whole Mast'],
  ],
  [
    'a wrapper that is not followed',
    `import { withWind } from 'winds';
export function App() { return <Mast high={1} />; }
const Mast = withWind(function Mast({ high }) { return <i>{high}</i>; });`,
    ['wrapped Mast', 'outside Mast'],
  ],
  [
    'a spread of unknown names',
    `export function App({ all }: { all: any }) { return <Mast {...all} />; }
function Mast({ high }: { high: number }) { return <i>{high}</i>; }`,
    ['spread Mast'],
  ],
])('%s', (_, app, expected) => {
  const { project } = auditSources({ ...MOUNT, 'App.tsx': app }).result;
  const found = [...silentComponents(project)].flatMap(([silence, list]) =>
    list.map(({ name }) => `${silence} ${name}`),
  );
  expect(found).toEqual(expected);
});

test('along a way each component is told once, and a type hides no way', () => {
  const { project } = auditSources({
    ...MOUNT,
    'App.tsx': `import type { MastProps } from 'masts';
export function App() { return <><Mast high={1} /><Lamp /></>; }
function Mast({ high }: MastProps) { return <i>{high}</i>; }
function Lamp(props) { report(props); return <i />; }`,
  }).result;
  const all = [...project.components, ...project.components];
  expect(
    silencesAlong(all).map(({ silence, components }) => [silence, components.map(({ name }) => name)]),
  ).toEqual([['whole', ['Lamp']]]);
});
