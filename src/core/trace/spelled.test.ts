/** Where things are spelled: every place of a port, a component, a key, in its own file. */
import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { type Spelt, spellingsOf } from './spelled';

const REACT = {
  'Gauge.tsx': `
interface GaugeProps { speed: number; onGust?: (at: number) => void }
export function Gauge({ speed: wind, onGust }: GaugeProps) {
  return <b onClick={() => onGust?.(wind)}>{wind}</b>;
}`,
  'main.tsx': `
import { createContext, useContext, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { Gauge } from './Gauge';
const Unit = createContext('m');
function Board() {
  const [speed, setSpeed] = useState(3);
  const unit = useContext(Unit);
  return <Gauge speed={speed} onGust={setSpeed} title={unit} />;
}
createRoot(document.body).render(<Unit.Provider value="kn"><Board /></Unit.Provider>);`,
};
const VUE = {
  'Card.vue': `<script setup lang="ts">
const props = defineProps<{ fareSum: number }>();
const emit = defineEmits<{ pick: [] }>();
</script>
<template><b @click="emit('pick')">{{ props.fareSum }}<slot name="foot" /></b></template>`,
  'App.vue': `<script setup lang="ts">
import Card from './Card.vue';
</script>
<template><Card :fare-sum="3" @pick="stop()"><template #foot>end</template></Card></template>`,
  'main.ts': `import { createApp } from 'vue'; import App from './App.vue'; createApp(App).mount('#app');`,
};
const ANGULAR = {
  'sign.ts': `import { Component, input, output } from '@angular/core';
@Component({ selector: 'line-sign', templateUrl: './sign.html' })
export class Sign {
  readonly text = input.required<string>();
  readonly closed = output<void>();
}`,
  'sign.html': `<b (click)="closed.emit()">{{ text() }}</b>`,
};

/** The text around an offset that is marked by \`|\` in a piece of a file. */
function meaningAt(sources: Record<string, string>, path: string, piece: string) {
  const { project } = auditSources(sources).result;
  const text = sources[path]!;
  const start = text.indexOf(piece.replace('|', ''));
  expect(start).toBeGreaterThanOrEqual(0);
  const file = project.files.find((one) => one.path === path)!.index;
  const spellings = spellingsOf(project);
  const [first] = spellings.at(file, start + piece.indexOf('|'));
  if (!first) return [];
  return spellings.of(first.means).map(({ how, place }) => {
    const { path: own } = project.files[place.file]!;
    return `${how} ${own} ${sources[own]!.slice(place.start, place.end)}`;
  });
}

test.each<
  [what: string, sources: Record<string, string>, path: string, piece: string, places: `${Spelt} ${string}`[]]
>([
  [
    'a prop that is taken apart under another name',
    REACT,
    'main.tsx',
    '<Gauge |speed',
    [
      'declared Gauge.tsx speed',
      'declared Gauge.tsx speed',
      'read Gauge.tsx wind',
      'read Gauge.tsx wind',
      'given main.tsx speed',
    ],
  ],
  [
    'a callback',
    REACT,
    'Gauge.tsx',
    '|onGust?:',
    [
      'declared Gauge.tsx onGust',
      'declared Gauge.tsx onGust',
      'raised Gauge.tsx onGust?.(wind)',
      'given main.tsx onGust',
    ],
  ],
  ['a component', REACT, 'main.tsx', '<|Gauge', ['declared Gauge.tsx Gauge', 'tag main.tsx Gauge']],
  [
    'a context',
    REACT,
    'main.tsx',
    'const |Unit',
    ['declared main.tsx Unit', 'consumed main.tsx useContext(Unit)', 'provided main.tsx Unit'],
  ],
  ['state', REACT, 'main.tsx', '[|speed', ['declared main.tsx speed', 'read main.tsx speed']],
  [
    'a prop with dashes',
    VUE,
    'App.vue',
    ':|fare-sum',
    ['given App.vue fare-sum', 'declared Card.vue fareSum', 'read Card.vue props.fareSum'],
  ],
  [
    'an event by name',
    VUE,
    'App.vue',
    '@|pick',
    ['given App.vue pick', 'declared Card.vue pick', "raised Card.vue emit('pick')"],
  ],
  [
    'a slot',
    VUE,
    'App.vue',
    '#|foot',
    [
      'given App.vue foot',
      'filled App.vue <',
      'declared Card.vue name="foot"',
      'placed Card.vue <slot name="foot" />',
    ],
  ],
  [
    'an input that a template of its own file reads',
    ANGULAR,
    'sign.ts',
    '|text =',
    ['declared sign.ts text', 'read sign.html text()'],
  ],
  [
    'an output that a template of its own file raises',
    ANGULAR,
    'sign.html',
    '|closed.emit',
    ['raised sign.html closed.emit()', 'declared sign.ts closed'],
  ],
  ['nothing', REACT, 'main.tsx', '|document.body', []],
])('%s', (_, sources, path, piece, places) => {
  expect(meaningAt(sources, path, piece).sort()).toEqual([...places].sort());
});
