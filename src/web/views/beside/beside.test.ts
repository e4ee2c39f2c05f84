import { expect, test } from 'vitest';
import type { Cell, ComponentView, PortView } from '../../../api/component-schemas';
import { cellRows, portRows, shared } from './beside';

const port = (name: string, more: Partial<PortView> = {}): PortView => ({
  ref: name,
  name,
  channel: 'prop',
  type: 'string',
  required: false,
  spot: { file: 'a.tsx', line: 1, column: 1 } as PortView['spot'],
  does: '',
  places: [],
  ...more,
});
const component = (ports: PortView[], sites: Record<string, Partial<Cell>>[] = []) =>
  ({
    ports,
    sites: sites.map((cells) => ({
      cells: Object.fromEntries(
        Object.entries(cells).map(([name, cell]) => [
          name,
          { text: '', type: '', how: 'joined', odd: false, ...cell },
        ]),
      ),
    })),
  }) as unknown as ComponentView;

test.each<[string, PortView[], PortView[], string[]]>([
  [
    'what differs comes first',
    [port('wind'), port('unit')],
    [port('wind'), port('unit', { type: 'number' })],
    ['unit: type', 'wind: '],
  ],
  [
    'then what only one takes, the first before the other',
    [port('wind'), port('crew')],
    [port('rope'), port('wind')],
    ['crew: one', 'rope: other', 'wind: '],
  ],
  [
    'every difference is told',
    [port('wind', { required: true })],
    [port('wind', { type: 'number', default: '3' })],
    ['wind: type, required, default'],
  ],
  [
    'a type that is not known differs from none',
    [port('wind', { type: 'unknown' }), port('rope', { type: 'unknown' })],
    [port('wind', { type: 'number' }), port('rope', { type: 'unknown' })],
    ['wind: unsure', 'rope: unsure'],
  ],
  [
    'an event is no prop of the same name',
    [port('hold', { channel: 'event' })],
    [port('hold')],
    ['hold: one', 'hold: other'],
  ],
])('interfaces: %s', (_, one, other, expected) => {
  const rows = portRows(component(one), component(other));
  const said = rows.map(
    (row) => row.differs.join(', ') || (!row.other ? 'one' : !row.one ? 'other' : row.unsure ? 'unsure' : ''),
  );
  expect(rows.map((row, i) => `${row.name}: ${said[i]}`)).toEqual(expected);
});

test('call sites: what they hand over, without what is left out', () => {
  const view = component(
    [port('wind'), port('unit'), port('note')],
    [
      { wind: { text: '3' }, unit: { text: '"m/s"' }, note: { how: 'left out' } },
      { wind: { text: '4' }, unit: { text: '"m/s"' }, colour: { text: '"red"', how: 'not taken' } },
    ],
  );
  expect(cellRows(view, 0, 1).map((row) => [row.name, row.one?.text, row.other?.text, row.differs])).toEqual([
    ['wind', '3', '4', ['value']],
    ['colour', undefined, '"red"', []],
    ['unit', '"m/s"', '"m/s"', []],
  ]);
});

test('names that both have, each once', () => {
  expect(shared(['Row', 'Row', 'Lamp'], ['Lamp', 'Bell'])).toEqual({
    both: ['Lamp'],
    one: ['Row'],
    other: ['Bell'],
  });
});
