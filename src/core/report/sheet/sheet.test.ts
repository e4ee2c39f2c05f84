/** A project as a sheet, and what is read of that. */
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { describe, expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { isReadable } from '../../readers';
import { isManifest } from '../../readers/manifest';
import { sheetSchema } from '../../readers/sheet/schema';
import { sheetText } from '../../readers/sheet/text';
import { roundTrip } from './round-trip';
import { sheetOf } from '.';

const DEMO = join(import.meta.dirname, '../../../../demo');

function sourcesIn(folder: string): Record<string, string> {
  const paths = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((path) => relative(folder, join(folder, path)))
    .filter((path) => isReadable(path) || isManifest(path));
  return Object.fromEntries(paths.map((path) => [path, readFileSync(join(folder, path), 'utf8')]));
}

function thereAndBack(sources: Record<string, string>) {
  const { project } = auditSources(sources).result;
  const { sheet, names } = sheetOf(project, 'A project');
  const text = sheetText(sheet);
  const back = auditSources({ 'all.rope.yaml': text }).result;
  return { sheet, text, back, trip: roundTrip(project, names, back.project) };
}

describe('there and back', () => {
  test.each(['console', 'desk', 'board', 'log', 'kiosk', 'signs', 'rota', 'stores', '.'])(
    'the demo %s',
    (demo) => {
      const { sheet, back, trip } = thereAndBack(sourcesIn(join(DEMO, demo)));
      expect(sheetSchema.safeParse(sheet).error).toBeUndefined();
      expect(back.problems).toEqual([]);
      expect(trip.interfaces).toBeGreaterThan(8);
      expect(trip.sites).toBeGreaterThan(8);
      expect(trip.strands).toBeGreaterThan(25);
      expect(trip.differences).toEqual([]);
    },
  );
});

/** The components of a small project, as their sheet's text. */
const textOf = (sources: Record<string, string> | string): string => {
  const all = typeof sources === 'string' ? { 'App.tsx': sources } : sources;
  return thereAndBack(all).text;
};

describe('what is written', () => {
  test.each<[string, Record<string, string> | string, string]>([
    [
      'properties with types, states, events with what they set',
      `import { useState } from 'react';
export function Gate({ wind, unit = 'kn', onShut }: { wind: number; unit?: 'kn' | 'mph'; onShut: (why: string) => void }) {
  return <button onClick={() => onShut('wind')}>{wind} {unit}</button>;
}
export function App() {
  const [wind, setWind] = useState(3);
  const [why, setWhy] = useState('');
  return <><Gate wind={wind} onShut={(one) => setWhy(one)} />{why}{setWind}</>;
}`,
      `  Gate:
    takes:
      wind: { type: number, required: true }
      unit: { type: [ kn, mph ], default: kn }
    raises: { onShut: text }
    needs: { heard: [ onShut ] }
    does:
      - { raise: onShut, with: { some: any } }
    tree:
      - { text: { mix: [ $wind, $unit ] } }
`,
    ],
    [
      'content with what its slot gives, and what is done with that',
      {
        'Rows.vue': `<script setup lang="ts">defineProps<{ cabins: string[] }>();</script>
<template><slot v-for="cabin in cabins" :cabin="cabin" :key="cabin" /></template>`,
        'App.vue': `<script setup lang="ts">
import { ref } from 'vue';
import Rows from './Rows.vue';
const cabins = ref<string[]>([]);
const chosen = ref('');
</script>
<template><Rows :cabins="cabins"><template #default="{ cabin }"><button @click="chosen = cabin">{{ chosen }}</button></template></Rows></template>`,
      },
      `      - use: Rows
        with: { cabins: $cabins }
        fill:
          default:
            gives: [ given-cabin ]
            tree:
              - { does: [ { set: chosen, to: $given-cabin } ] }
`,
    ],
    [
      'what is provided for a part of the tree, and what is called through a context',
      `import { createContext, useContext, useState } from 'react';
const Hold = createContext({ held: false, hold: (_why: string) => {} });
function Brake() {
  const { held, hold } = useContext(Hold);
  return <button onClick={() => hold('wind')}>{String(held)}</button>;
}
function Foot() { return <hr />; }
export function App() {
  const [held, setHeld] = useState(false);
  return <><Hold.Provider value={{ held, hold: () => setHeld(true) }}><Brake /></Hold.Provider><Foot /></>;
}`,
      `  Brake:
    consumes: { Hold: { missing: ok } }
    does:
      - { call: Hold.hold }
    tree:
      - { text: { mix: [ $Hold.held, $Hold.hold ] } }
  Foot: {}
  App:
    keeps: { held: { type: boolean } }
    tree:
      - provides:
          Hold:
            fields: { held: $held, hold: { does: [ { set: held, to: $event } ] } }
        group:
          - { use: Brake }
      - { use: Foot }
`,
    ],
    [
      'handles: what is called, and what is offered',
      {
        'Field.vue': `<script setup lang="ts">
import { ref } from 'vue';
const text = ref('');
const clear = () => { text.value = ''; };
defineExpose({ clear, text });
</script>
<template><input v-model="text" /></template>`,
        'App.vue': `<script setup lang="ts">
import { ref } from 'vue';
import Field from './Field.vue';
const field = ref<InstanceType<typeof Field>>();
</script>
<template><Field ref="field" /><button @click="field?.clear()">{{ field?.text }}</button></template>`,
      },
      `  App:
    handles: [ field ]
    does:
      - { call: field.clear }
    tree:
      - { use: Field, handle: field }
      - { text: $field.text }
  Field:
    keeps: { text: { type: text } }
    offers:
      clear: [ { set: text, to: { some: any } } ]
      text: $text
`,
    ],
    [
      'components of one name, and names that no component of a sheet may have',
      {
        'a/gate.tsx': `export function Gate({ a }: { a: number }) { return <b>{a}</b>; }`,
        'b/gate.tsx': `export function Gate({ b }: { b: number }) { return <b>{b}</b>; }`,
        'App.tsx': `import { Gate } from './a/gate'; import { Gate as Other } from './b/gate';
export function App() { return <><Gate a={1} /><Other b={2} /></>; }`,
      },
      `      - { use: Gate, with: { a: 1 } }
      - { use: Gate2, with: { b: 2 } }
`,
    ],
    [
      'functions that draw are a part of who calls them',
      `function Dial({ size }: { size: number }) { return <i>{size}</i>; }
const useDial = (size: number) => { const dial = <Dial size={size} />; return { dial }; };
export function App({ size }: { size: number }) { const { dial } = useDial(size); return <div>{dial}</div>; }`,
      `      - { use: Dial, with: { size: $size } }
`,
    ],
    [
      'a spread of anything gives what must be there',
      `function Dial({ size, wide }: { size: number; wide?: boolean }) { return <i>{size}{wide}</i>; }
declare const loaded: any;
export function App() { return <Dial {...loaded} />; }`,
      `      - { use: Dial, with: { size: { some: number } } }
`,
    ],
    [
      'literals that begin as names do are marked',
      `function Price({ sum }: { sum: string }) { return <i>{sum}</i>; }
export function App() { return <Price sum="$4" />; }`,
      `      - { use: Price, with: { sum: $$4 } }
`,
    ],
  ])('%s', (_, sources, expected) => {
    expect(textOf(sources)).toContain(expected);
  });

  test('the same text each time, and JSON says the same', () => {
    const sources = sourcesIn(join(DEMO, 'desk'));
    const { text, sheet } = thereAndBack(sources);
    expect(thereAndBack(sources).text).toBe(text);
    const { problems, project } = auditSources({ 'all.rope.json': sheetText(sheet, 'json') }).result;
    expect(problems).toEqual([]);
    expect(project.components.map((one) => one.name)).toEqual([...Object.keys(sheet.components), 'Sheet']);
  });

  test('a project without components is a sheet without any', () => {
    expect(thereAndBack({ 'a.ts': 'export const a = 1;' }).text).toBe('sheet: A project\ncomponents: {}\n');
  });
});
