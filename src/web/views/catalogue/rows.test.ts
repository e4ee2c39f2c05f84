import { expect, test } from 'vitest';
import type { CatalogueRow } from '../../../api/component-schemas';
import { sortedRows, type Order } from './rows';

const row = (name: string, ports: number, file = `src/${name}.tsx`): CatalogueRow => ({
  ref: name,
  name,
  file,
  line: 1,
  language: 'react',
  ports,
  required: 0,
  callSites: 0,
  reads: 0,
  passes: 0,
  state: 0,
  depth: 0,
  counts: { error: 0, warning: ports, note: 0, silenced: 0 },
});
const rows = [row('Gate', 2), row('Cabin', 5), row('Pylon', 2, 'lib/line/Pylon.tsx')];
const names = (order: Partial<Order>) =>
  sortedRows(rows, { text: '', by: 'name', down: false, ...order }).map((one) => one.name);

test.each<[string, Partial<Order>, string[]]>([
  ['names', {}, ['Cabin', 'Gate', 'Pylon']],
  ['names backwards', { down: true }, ['Pylon', 'Gate', 'Cabin']],
  ['figures, equals by name', { by: 'ports' }, ['Gate', 'Pylon', 'Cabin']],
  ['figures, the largest first', { by: 'warning', down: true }, ['Cabin', 'Gate', 'Pylon']],
  ['words in any order, over name and file', { text: 'line pyl' }, ['Pylon']],
  ['words that nothing bears', { text: 'rope' }, []],
])('%s', (_says, order, expected) => expect(names(order)).toEqual(expected));
