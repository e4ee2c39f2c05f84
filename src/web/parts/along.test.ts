import { expect, test } from 'vitest';
import type { HopView, StrandView } from '../../api/schemas';
import { notesOf, sideOf } from './along';

const spot = { file: 'a.tsx', line: 1, column: 1, endLine: 1, endColumn: 2 };
const hop = (ref: string, name: string, more: Partial<HopView> = {}): HopView => ({
  ref,
  component: ref.split(':')[0]!,
  name,
  type: '',
  role: 'pass',
  channel: 'prop',
  place: spot,
  reads: [],
  written: [],
  moreWritten: 0,
  more: false,
  ...more,
});
type Route = StrandView['routes'][number];
const route = (from: string, to: string, carries: Route['carries'] = 'itself'): Route => ({
  from,
  to,
  how: 'pass',
  carries,
  place: spot,
});
const strand: StrandView = {
  of: 'App:state:wind',
  hops: [
    hop('App:state:wind', 'wind', { role: 'start' }),
    hop('Gauge:prop:speed', 'speed'),
    hop('Dial:prop:value', 'value', { role: 'read', reads: [spot] }),
    hop('Log:state:last', 'last', { role: 'drop' }),
  ],
  routes: [
    route('App:state:wind', 'Gauge:prop:speed'),
    route('Gauge:prop:speed', 'Dial:prop:value', 'made'),
    route('Gauge:prop:speed', 'Log:state:last', 'call'),
    route('Dial:prop:value', 'App:state:wind'),
    route('Dial:prop:value', 'App:state:wind', 'made'),
  ],
  origins: [],
  ends: [],
  reach: 'far',
  parts: [{ reach: 'far', hops: 4 }],
  cut: [],
  silences: [],
};

test.each([
  ['all', 'Log:state:last', 4],
  ['up', 'Gauge:prop:speed', 3],
  ['down', 'Log:state:last', 1],
  ['up', 'Log:state:last', 4],
] as const)('%s of %s', (side, ref, count) => expect(sideOf(strand, ref, side).size).toBe(count));

test('names from the hop before, loops and dead ends', () => {
  const notes = notesOf(strand);
  expect(notes.get('Gauge:prop:speed')).toEqual({
    before: ['wind'],
    madeOf: [],
    setBy: [],
    changes: [],
    changedBy: [],
    loops: [],
    dead: false,
    more: false,
  });
  expect(notes.get('Dial:prop:value')).toMatchObject({ before: [], madeOf: ['speed'], setBy: [] });
  expect(notes.get('Log:state:last')).toMatchObject({ before: [], madeOf: [], setBy: ['speed'] });
  expect(notes.get('Dial:prop:value')!.loops).toEqual(['App:state:wind']);
  expect(notes.get('Log:state:last')!.dead).toBe(true);
  const further = { ...strand, hops: strand.hops.map((one) => ({ ...one, more: true })) };
  expect(notesOf(further).get('Log:state:last')!.dead).toBe(false);
});

test('what is changed in place is told at both ends, and is no loop', () => {
  const back: Route = { ...route('Dial:prop:value', 'App:state:wind'), how: 'write', inPlace: true };
  const notes = notesOf({ ...strand, routes: [...strand.routes.slice(0, 3), back] });
  expect(notes.get('Dial:prop:value')).toMatchObject({ changes: ['App'], changedBy: [], loops: [] });
  expect(notes.get('App:state:wind')).toMatchObject({ changes: [], changedBy: ['Dial'], before: [] });
});
