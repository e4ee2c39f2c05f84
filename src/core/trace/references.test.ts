import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { MOUNT } from '../rules/testing';
import { componentRef, nodeRef } from '../model/refs';
import { componentAt, nodesAt } from './references';

const { project } = auditSources({
  ...MOUNT,
  'App.tsx': `import { Gauge } from './crew/Gauge'; import { Gauge as Wind } from './line/Gauge'; import { Mast } from './line/Mast';
export function App() { return <><Gauge wind={1} /><Wind wind={2} unit="kn" /><Mast high={3} /></>; }`,
  'crew/Gauge.tsx': 'export function Gauge({ wind }: { wind: number }) { return <b>{wind}</b>; }',
  'line/Gauge.tsx':
    'export function Gauge({ wind, unit }: { wind: number; unit: string }) { return <b>{wind}{unit}</b>; }',
  'line/__mocks__/Mast.tsx': 'export function Mast() { return <i />; }',
  'line/Mast.tsx': 'export function Mast({ high }: { high: number }) { return <i>{high}</i>; }',
  'line/Winch.tsx':
    'export function Winch({ onTurn }: { onTurn: () => void }) { return <i onClick={onTurn} />; }',
}).result;

const component = (text: string): string | object => {
  const found = componentAt(project, text);
  return 'similar' in found ? found : componentRef(project, found);
};
const port = (text: string): string | object => {
  const found = nodesAt(project, text);
  return 'similar' in found ? found : nodeRef(project, found[0]!);
};
const MAST = 'line/Mast.tsx>Mast';
const BOTH = ['crew/Gauge.tsx>Gauge', 'line/Gauge.tsx>Gauge'];

test.each<[string, string]>([
  ['Mast', MAST],
  ['mast', MAST],
  ['line/Mast.tsx>Mast', MAST],
  ['line/Mast', MAST],
  ['__mocks__/mast', 'line/__mocks__/Mast.tsx>Mast'],
  ['line/Gauge.tsx>Gauge', 'line/Gauge.tsx>Gauge'],
  ['crew>gauge', 'crew/Gauge.tsx>Gauge'],
  ['crew/gauge', 'crew/Gauge.tsx>Gauge'],
])('the component %s is %s', (text, ref) => {
  expect(component(text)).toBe(ref);
});

test.each<[string, string]>([
  ['Mast:prop:high', `${MAST}:prop:high`],
  ['mast:HIGH', `${MAST}:prop:high`],
  ['line/Mast:high', `${MAST}:prop:high`],
  ['Gauge:unit', 'line/Gauge.tsx>Gauge:prop:unit'],
  ['crew>Gauge:prop:wind', 'crew/Gauge.tsx>Gauge:prop:wind'],
  ['Winch:event:onTurn', 'Winch:event:onTurn'],
  ['Winch:prop:onTurn', 'Winch:event:onTurn'],
  ['winch:state:onturn', 'Winch:event:onTurn'],
  ['winch:event:on-turn', 'Winch:event:onTurn'],
  ['Mast.high', `${MAST}:prop:high`],
  ['line/Mast.tsx>mast.high', `${MAST}:prop:high`],
  ['Gauge.unit', 'line/Gauge.tsx>Gauge:prop:unit'],
  ['Mast', `${MAST}:prop:high`],
  ['high', `${MAST}:prop:high`],
])('the port %s is %s', (text, ref) => {
  expect(port(text)).toBe(ref);
});

test('several that fit are told, to choose from', () => {
  expect(component('Gauge')).toEqual({ similar: BOTH, several: true });
  expect(port('line/gauge')).toEqual({
    similar: ['wind', 'unit'].map((one) => `line/Gauge.tsx>Gauge:prop:${one}`),
    several: true,
  });
  expect(port('gauge:wind')).toEqual({ similar: BOTH.map((one) => `${one}:prop:wind`), several: true });
});

test('what nothing is called leads to the near names', () => {
  expect((component('Masst') as { similar: string[] }).similar[0]).toBe(MAST);
  expect(component('Masst')).not.toHaveProperty('several');
  expect((port('Mast:prop:hihg') as { similar: string[] }).similar[0]).toBe(`${MAST}:prop:high`);
  expect((port('Mast.hihg') as { similar: string[] }).similar[0]).toBe(`${MAST}:prop:high`);
  expect((port('Masst') as { similar: string[] }).similar[0]).toBe(`${MAST}:prop:high`);
  expect((component('') as { similar: string[] }).similar).toHaveLength(5);
});
