/** What a tag means, through every way of importing and exporting it. */
import { describe, expect, test } from 'vitest';
import { auditSources } from '../../audit';

const PARTS: Record<string, string> = {
  'parts/Gauge.tsx': `export function Gauge() { return <b />; }
export default Gauge;
function Dial() { return <i />; }
export { Dial, Dial as Meter };`,
  'parts/Menu.tsx': `function Menu() { return <ul />; }
function Item() { return <li />; }
Menu.Item = Item;
export const Kit = { Menu, Item };
export { Menu };`,
  'parts/lazy.tsx': `import { lazy, memo } from 'react';
export const Late = lazy(() => import('./Gauge'));
export const Picked = lazy(() => import('./Gauge').then((m) => ({ default: m.Dial })));
import { Gauge } from './Gauge';
export const Kept = memo(Gauge);`,
  'parts/index.ts': `export * from './Gauge';
export { default as Default } from './Gauge';
export * as All from './Menu';
import { Menu } from './Menu';
export { Menu };`,
};

/** The component that a tag in App.tsx means, or how it does not mean one. */
function meaning(imports: string, tag: string): string {
  const { project } = auditSources({
    ...PARTS,
    'App.tsx': `${imports}\nexport function App() { return <${tag} />; }`,
  }).result;
  const file = project.files.findIndex((one) => one.path === 'App.tsx');
  const target = project.lookup(file, tag);
  return target.kind === 'component' ? project.components[target.component]!.name : target.kind;
}

describe('a tag', () => {
  test.each([
    [`import { Gauge } from './parts/Gauge';`, 'Gauge', 'Gauge'],
    [`import Anything from './parts/Gauge';`, 'Anything', 'Gauge'],
    [`import { default as Anything } from './parts/Gauge';`, 'Anything', 'Gauge'],
    [`import { Meter as Clock } from './parts/Gauge';`, 'Clock', 'Dial'],
    [`import { Gauge } from './parts';`, 'Gauge', 'Gauge'],
    [`import { Default } from './parts';`, 'Default', 'Gauge'],
    [`import * as Parts from './parts';`, 'Parts.Dial', 'Dial'],
    [`import { All } from './parts';`, 'All.Menu', 'Menu'],
    [`import { Menu } from './parts';`, 'Menu.Item', 'Item'],
    [`import { Kit } from './parts/Menu';`, 'Kit.Item', 'Item'],
    [`import { Late } from './parts/lazy';`, 'Late', 'Gauge'],
    [`import { Picked } from './parts/lazy';`, 'Picked', 'Dial'],
    [`import { Kept } from './parts/lazy';`, 'Kept', 'Gauge'],
    [`import { Gauge as G } from './parts'; const Alias = G;`, 'Alias', 'Gauge'],
    [`import { Nobody } from './parts';`, 'Nobody', 'absent'],
    [`import { Gauge } from 'elsewhere';`, 'Gauge', 'outside'],
    [`import { Menu } from './parts';`, 'Menu.toString', 'outside'],
    ['', 'Gauge', 'unbound'],
  ])('%s <%s /> is %s', (imports, tag, expected) => {
    expect(meaning(imports, tag)).toBe(expected);
  });

  test('a barrel that stars itself round in a circle still finds what there is', () => {
    const { project } = auditSources({
      'a.ts': `export * from './b'; export * from './c';`,
      'b.ts': `export * from './a';`,
      'c.tsx': `export function Gauge() { return <b />; }`,
      'App.tsx': `import { Gauge } from './b';\nexport function App() { return <Gauge />; }`,
    }).result;
    const file = project.files.findIndex((one) => one.path === 'App.tsx');
    expect(project.lookup(file, 'Gauge').kind).toBe('component');
  });
});
