/** A finding is known again by its fingerprint, in whatever line it stands, and is taken for no other. */
import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { MOUNT } from './testing';

const APP = `export function App() { const cabins = ['a']; return <Deck cabins={cabins} />; }
function Deck({ cabins }: { cabins: string[] }) {
  cabins.push('b');
  cabins.push('c');
  return <b>{cabins.length}</b>;
}`;

const foundIn = (app: string) =>
  auditSources({ ...MOUNT, 'App.tsx': app })
    .result.findings.filter((one) => one.rule === 'prop/overwritten')
    .map(({ fingerprint, place }) => ({ fingerprint, start: place.start }));

test('what is said of two places alike is two findings', () => {
  const found = foundIn(APP);
  expect(found).toHaveLength(2);
  expect(new Set(found.map((one) => one.fingerprint)).size).toBe(2);
});

test('lines above move none of them', () => {
  const before = foundIn(APP);
  const after = foundIn(`// The deck of the ropeway.\n${APP}`);
  expect(after.map((one) => one.fingerprint)).toEqual(before.map((one) => one.fingerprint));
  expect(after[0]!.start).toBeGreaterThan(before[0]!.start);
});

test('the first keeps its fingerprint when the second is repaired', () => {
  const [first] = foundIn(APP);
  expect(foundIn(APP.replace("  cabins.push('c');\n", ''))).toEqual([first]);
});
