import { react, type RulePages } from './page';

const MAIN = `import { createRoot } from 'react-dom/client';
import { Deck } from './Deck';
createRoot(document.getElementById('root')).render(<Deck />);`;

export const CONTEXT_PAGES: RulePages = {
  'context/no-provider': {
    means: 'A component consumes a key, and where it is rendered nobody above provides it.',
    costs: 'It reads nothing, or throws, on that path through the tree alone.',
    sure: 'A default that can be used, and code that asks whether the value is there, make it silent. Where only some paths lack the provider it is a warning. What looks only at its own tag, or only further up, is held against what is there; below routes, what is provided around the outlet that draws them counts.',
    examples: [
      react(
        `import { createContext, useContext } from 'react';
const ShiftContext = createContext<{ name: string } | null>(null);
export function Deck() {
  return <ShiftBadge />;
}
function ShiftBadge() {
  return <b>{useContext(ShiftContext).name}</b>;
}`,
        `import { createContext, useContext } from 'react';
const ShiftContext = createContext<{ name: string } | null>(null);
const SHIFT = { name: 'night' };
export function Deck() {
  return <ShiftContext.Provider value={SHIFT}><ShiftBadge /></ShiftContext.Provider>;
}
function ShiftBadge() {
  return <b>{useContext(ShiftContext).name}</b>;
}`,
      ),
      {
        language: 'vue',
        before: {
          'Deck.vue': `<script setup>
import ShiftBadge from './ShiftBadge.vue';
</script>
<template><ShiftBadge /></template>`,
          'ShiftBadge.vue': `<script setup>
import { inject } from 'vue';
const shift = inject('shift');
</script>
<template><b>{{ shift.name }}</b></template>`,
          'main.js': `import { createApp } from 'vue';
import Deck from './Deck.vue';
createApp(Deck).mount('#app');`,
        },
        after: {
          'Deck.vue': `<script setup>
import { provide } from 'vue';
import ShiftBadge from './ShiftBadge.vue';
provide('shift', { name: 'night' });
</script>
<template><ShiftBadge /></template>`,
        },
      },
    ],
  },
  'context/unread': {
    means: 'A key is provided, and nothing below consumes it.',
    costs: 'A value is kept up to date for nobody, and looks as if somebody needed it.',
    sure: 'Keys that come from packages are left alone, and so is what unknown code below may consume.',
    examples: [
      {
        language: 'react',
        before: {
          'main.tsx': MAIN,
          'Deck.tsx': `import { createContext } from 'react';
const UnitContext = createContext('m/s');
export function Deck() {
  return <UnitContext.Provider value="kn"><Gauge /></UnitContext.Provider>;
}
function Gauge() { return <b>kn</b>; }`,
        },
        after: {
          'Deck.tsx': `import { createContext, useContext } from 'react';
const UnitContext = createContext('m/s');
export function Deck() {
  return <UnitContext.Provider value="kn"><Gauge /></UnitContext.Provider>;
}
function Gauge() { return <b>{useContext(UnitContext)}</b>; }`,
        },
      },
    ],
  },
  'context/shadowed': {
    means: 'A provider sits below another of the same key: what is below reads the inner one.',
    costs: 'Often meant; where it is not, half of the tree reads another value than the rest.',
    sure: 'It says which consumers get which.',
    examples: [
      react(
        `import { createContext, useContext } from 'react';
const UnitContext = createContext('m/s');
export function Deck() {
  return <UnitContext.Provider value="kn"><Gauge /><Panel /></UnitContext.Provider>;
}
function Panel() { return <UnitContext.Provider value="km/h"><Gauge /></UnitContext.Provider>; }
function Gauge() { return <b>{useContext(UnitContext)}</b>; }`,
        `import { createContext, useContext } from 'react';
const UnitContext = createContext('m/s');
export function Deck() {
  return <UnitContext.Provider value="kn"><Gauge /><Panel /></UnitContext.Provider>;
}
function Panel() { return <Gauge />; }
function Gauge() { return <b>{useContext(UnitContext)}</b>; }`,
      ),
    ],
  },
  'context/key-clash': {
    means: 'Two providers, one below the other, use the same text as their key, each written for itself.',
    costs: 'Two parts of the code that know nothing of each other share one place.',
    sure: 'The two texts must be the same, and written in two files.',
    examples: [
      {
        language: 'vue',
        before: {
          'main.js': `import { createApp } from 'vue';
import Deck from './Deck.vue';
createApp(Deck).mount('#app');`,
          'Deck.vue': `<script setup>
import { provide } from 'vue';
import Panel from './Panel.vue';
import Gauge from './Gauge.vue';
provide('unit', 'kn');
</script>
<template><Panel /><Gauge /></template>`,
          'Panel.vue': `<script setup>
import { provide } from 'vue';
import Gauge from './Gauge.vue';
provide('unit', 'metre');
</script>
<template><Gauge /></template>`,
          'Gauge.vue': `<script setup>
import { inject } from 'vue';
const unit = inject('unit');
</script>
<template><b>{{ unit }}</b></template>`,
        },
        after: {
          'Panel.vue': `<script setup>
import Gauge from './Gauge.vue';
</script>
<template><Gauge /></template>`,
        },
      },
    ],
  },
  'context/type-clash': {
    means: 'The provided value does not fit the type of the key.',
    costs: 'Every consumer below reads something else than its type says.',
    sure: 'Both types must be known from the project.',
    examples: [
      react(
        `import { createContext, useContext } from 'react';
const LimitContext = createContext<number>(25);
export function Deck() {
  return <LimitContext.Provider value="25"><Gauge /></LimitContext.Provider>;
}
function Gauge() { return <b>{useContext(LimitContext) + 1}</b>; }`,
        `import { createContext, useContext } from 'react';
const LimitContext = createContext<number>(25);
export function Deck() {
  return <LimitContext.Provider value={25}><Gauge /></LimitContext.Provider>;
}
function Gauge() { return <b>{useContext(LimitContext) + 1}</b>; }`,
      ),
    ],
  },
  'context/unstable-value': {
    means: 'The provided value is a fresh object, list or function at every render.',
    costs: 'Every consumer is drawn again each time the provider is, whatever changed.',
    sure: 'Only where the framework compares the value by identity.',
    examples: [
      react(
        `import { createContext, useContext, useState } from 'react';
const UnitContext = createContext({ unit: 'm/s' });
export function Deck() {
  const [unit] = useState('kn');
  return <UnitContext.Provider value={{ unit }}><Gauge /></UnitContext.Provider>;
}
function Gauge() { return <b>{useContext(UnitContext).unit}</b>; }`,
        `import { createContext, useContext, useMemo, useState } from 'react';
const UnitContext = createContext({ unit: 'm/s' });
export function Deck() {
  const [unit] = useState('kn');
  const value = useMemo(() => ({ unit }), [unit]);
  return <UnitContext.Provider value={value}><Gauge /></UnitContext.Provider>;
}
function Gauge() { return <b>{useContext(UnitContext).unit}</b>; }`,
      ),
    ],
  },
  'context/wrong-time': {
    means: 'A key is provided or consumed at a moment when the framework does not allow it.',
    costs: 'The call throws, or gives nothing.',
    sure: 'Only where the call is seen to run in a handler, an effect, a timer, or after an await that ends the set-up.',
    examples: [
      {
        language: 'vue',
        before: {
          'Gauge.vue': `<script setup>
import { inject, ref } from 'vue';
const shown = ref('');
function show() {
  shown.value = inject('unit', 'm/s');
}
</script>
<template><button @click="show">{{ shown }}</button></template>`,
        },
        after: {
          'Gauge.vue': `<script setup>
import { inject, ref } from 'vue';
const shown = ref('');
const unit = inject('unit', 'm/s');
function show() {
  shown.value = unit;
}
</script>
<template><button @click="show">{{ shown }}</button></template>`,
        },
      },
    ],
  },
};
