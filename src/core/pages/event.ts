import { react, type RulePages } from './page';

export const EVENT_PAGES: RulePages = {
  'event/unheard': {
    means: 'A component raises an event, or calls an optional callback, and none of its call sites listens.',
    costs: 'A click does nothing, and nothing complains.',
    sure: 'All call sites must be known.',
    examples: [
      react(
        `export function Deck() {
  return <HoldButton />;
}
function HoldButton({ onHold }: { onHold?: () => void }) {
  return <button onClick={() => onHold?.()}>Hold</button>;
}`,
        `export function Deck() {
  return <HoldButton onHold={() => console.log('held')} />;
}
function HoldButton({ onHold }: { onHold?: () => void }) {
  return <button onClick={() => onHold?.()}>Hold</button>;
}`,
      ),
      {
        language: 'vue',
        before: {
          'Deck.vue': `<script setup>
import HoldButton from './HoldButton.vue';
</script>
<template><HoldButton /></template>`,
          'HoldButton.vue': `<script setup>
const emit = defineEmits(['hold']);
</script>
<template><button @click="emit('hold')">Hold</button></template>`,
        },
        after: {
          'Deck.vue': `<script setup>
import { ref } from 'vue';
import HoldButton from './HoldButton.vue';
const held = ref(false);
</script>
<template><HoldButton @hold="held = true" />{{ held }}</template>`,
        },
      },
    ],
  },
  'event/unknown': {
    means: 'A call site listens for an event that the child neither declares nor raises.',
    costs:
      'The handler never runs. Most often the name is misspelled, or the event was renamed in the child alone.',
    sure: 'Events of the page that would reach the listener are known, and so are components that take any callback; there nothing is said.',
    examples: [
      {
        language: 'vue',
        before: {
          'Deck.vue': `<script setup>
import { ref } from 'vue';
import HoldButton from './HoldButton.vue';
const held = ref(false);
</script>
<template><HoldButton @holded="held = true" />{{ held }}</template>`,
          'HoldButton.vue': `<script setup>
const emit = defineEmits(['hold']);
</script>
<template><button @click="emit('hold')">Hold</button></template>`,
        },
        after: {
          'Deck.vue': `<script setup>
import { ref } from 'vue';
import HoldButton from './HoldButton.vue';
const held = ref(false);
</script>
<template><HoldButton @hold="held = true" />{{ held }}</template>`,
        },
      },
      react(
        `export function Deck() {
  return <HoldButton onHolded={() => {}} />;
}
function HoldButton({ onHold }: { onHold?: () => void }) {
  return <button onClick={() => onHold?.()}>Hold</button>;
}`,
        `export function Deck() {
  return <HoldButton onHold={() => {}} />;
}
function HoldButton({ onHold }: { onHold?: () => void }) {
  return <button onClick={() => onHold?.()}>Hold</button>;
}`,
      ),
    ],
  },
  'event/broken-path': {
    means: 'An event is raised below, somebody above waits for it, and a component on the way drops it.',
    costs: 'Both ends read as if they worked; the fault is in a file that neither of them mentions.',
    sure: 'The whole chain must be seen: who raises it, who drops it, who waits.',
    examples: [
      react(
        `import { useState } from 'react';
export function Deck() {
  const [held, setHeld] = useState(0);
  return <Queue held={held} onHold={setHeld} />;
}
function Queue({ held, onHold }: { held: number; onHold: (id: number) => void }) {
  return <div>{held}<HoldButton /></div>;
}
function HoldButton({ onHold }: { onHold?: (id: number) => void }) {
  return <button onClick={() => onHold?.(3)}>Hold</button>;
}`,
        `import { useState } from 'react';
export function Deck() {
  const [held, setHeld] = useState(0);
  return <Queue held={held} onHold={setHeld} />;
}
function Queue({ held, onHold }: { held: number; onHold: (id: number) => void }) {
  return <div>{held}<HoldButton onHold={onHold} /></div>;
}
function HoldButton({ onHold }: { onHold?: (id: number) => void }) {
  return <button onClick={() => onHold?.(3)}>Hold</button>;
}`,
      ),
    ],
  },
  'event/never-emitted': {
    means: 'A component declares an event, and never raises it, calls it or passes it on.',
    costs: 'Whoever listens for it waits in vain.',
    sure: 'Nothing is said where events may be raised by names that are worked out, or by code that is not seen.',
    examples: [
      {
        language: 'vue',
        before: {
          'HoldButton.vue': `<script setup>
const emit = defineEmits(['hold', 'release']);
</script>
<template><button @click="emit('hold')">Hold</button></template>`,
        },
        after: {
          'HoldButton.vue': `<script setup>
const emit = defineEmits(['hold', 'release']);
</script>
<template><button @click="emit('hold')" @blur="emit('release')">Hold</button></template>`,
        },
      },
    ],
  },
  'event/undeclared': {
    means: 'A component declares its events, and raises one that is not among them.',
    costs:
      'The declaration, which people and tools read, is not the whole truth; a listener may also land on the element.',
    sure: 'A component that declares no events at all is left alone.',
    examples: [
      {
        language: 'vue',
        before: {
          'HoldButton.vue': `<script setup>
const emit = defineEmits(['hold']);
</script>
<template><button @click="emit('hold')" @blur="emit('release')">Hold</button></template>`,
        },
        after: {
          'HoldButton.vue': `<script setup>
const emit = defineEmits(['hold', 'release']);
</script>
<template><button @click="emit('hold')" @blur="emit('release')">Hold</button></template>`,
        },
      },
    ],
  },
  'event/payload-clash': {
    means: 'What an event carries does not fit what is declared, or what the handler takes.',
    costs:
      'The handler stores or shows something else than it believes; where it takes more than it is given, the rest is undefined.',
    sure: 'The types at both ends must be known.',
    examples: [
      react(
        `export function Deck() {
  return <HoldButton onHold={(id: string) => console.log(id.trim())} />;
}
function HoldButton({ onHold }: { onHold: (id: number) => void }) {
  return <button onClick={() => onHold(3)}>Hold</button>;
}`,
        `export function Deck() {
  return <HoldButton onHold={(id: number) => console.log(id.toFixed())} />;
}
function HoldButton({ onHold }: { onHold: (id: number) => void }) {
  return <button onClick={() => onHold(3)}>Hold</button>;
}`,
      ),
    ],
  },
  'event/called-early': {
    means: 'A handler is called while rendering instead of being handed over.',
    costs:
      'It runs at every render, and never when somebody clicks; if it changes state, the page renders for ever.',
    sure: 'A call that gives back a function, or something that is not known, is left alone.',
    examples: [
      react(
        `import { useState } from 'react';
export function Deck() {
  const [held, setHeld] = useState(false);
  const hold = () => setHeld(true);
  return <button onClick={hold()}>{String(held)}</button>;
}`,
        `import { useState } from 'react';
export function Deck() {
  const [held, setHeld] = useState(false);
  const hold = () => setHeld(true);
  return <button onClick={hold}>{String(held)}</button>;
}`,
      ),
    ],
  },
  'event/relayed': {
    means:
      'An event is raised again, unchanged, by two components or more in a row that do nothing else with it.',
    costs: 'Every change to the event touches each of them.',
    sure: 'A rename does not end the run; anything else that the listener does ends it.',
    examples: [
      {
        language: 'vue',
        before: {
          'Deck.vue': `<script setup>
import { ref } from 'vue';
import Row from './Row.vue';
const held = ref(0);
</script>
<template><Row @hold="held++" />{{ held }}</template>`,
          'Row.vue': `<script setup>
import Cell from './Cell.vue';
const emit = defineEmits(['hold']);
</script>
<template><Cell @hold="emit('hold')" /></template>`,
          'Cell.vue': `<script setup>
import HoldButton from './HoldButton.vue';
const emit = defineEmits(['hold']);
</script>
<template><HoldButton @hold="emit('hold')" /></template>`,
          'HoldButton.vue': `<script setup>
const emit = defineEmits(['hold']);
</script>
<template><button @click="emit('hold')">Hold</button></template>`,
        },
        after: {
          'Deck.vue': `<script setup>
import { provide, ref } from 'vue';
import Row from './Row.vue';
const held = ref(0);
provide('hold', () => held.value++);
</script>
<template><Row />{{ held }}</template>`,
          'Row.vue': `<script setup>
import Cell from './Cell.vue';
</script>
<template><Cell /></template>`,
          'Cell.vue': `<script setup>
import HoldButton from './HoldButton.vue';
</script>
<template><HoldButton /></template>`,
          'HoldButton.vue': `<script setup>
import { inject } from 'vue';
const hold = inject('hold');
</script>
<template><button @click="hold()">Hold</button></template>`,
        },
      },
    ],
  },
  'event/native-clash': {
    means: 'A component raises an event of its own under the name of one that the page raises, too.',
    costs: 'The listener runs twice for one click, once with each payload.',
    sure: 'Only where both would really reach the listener.',
    examples: [
      {
        language: 'vue',
        before: {
          'package.json': '{ "dependencies": { "vue": "^3.4.0" } }',
          'Deck.vue': `<script setup>
import { ref } from 'vue';
import HoldButton from './HoldButton.vue';
const held = ref(0);
</script>
<template><HoldButton @click="held++" />{{ held }}</template>`,
          'HoldButton.vue': `<script setup>
const held = 3;
</script>
<template><button @click="$emit('click', held)">Hold</button></template>`,
        },
        after: {
          'HoldButton.vue': `<script setup>
const emit = defineEmits(['click']);
const held = 3;
</script>
<template><button @click="emit('click', held)">Hold</button></template>`,
        },
      },
    ],
  },
  'event/unguarded-call': {
    means: 'An optional callback is called without asking whether it is there.',
    costs: 'The page throws at the first call site that leaves it out.',
    sure: 'A check, a default and “?.” guard it, and so does a test that leaves only a type where it is required. What a store hands in besides the call sites is there.',
    examples: [
      react(
        `export function Deck() {
  return <HoldButton />;
}
function HoldButton({ onHold }: { onHold?: () => void }) {
  return <button onClick={() => onHold()}>Hold</button>;
}`,
        `export function Deck() {
  return <HoldButton onHold={() => {}} />;
}
function HoldButton({ onHold }: { onHold?: () => void }) {
  return <button onClick={() => onHold?.()}>Hold</button>;
}`,
      ),
    ],
  },
  'event/half-pair': {
    means:
      'The child offers a value and its change as a pair; the call site passes the value and does not listen.',
    costs: 'The field is frozen: it shows the value, and what people type has no effect.',
    sure: 'Only where the child shows the value from the prop alone.',
    examples: [
      react(
        `export function Deck() {
  return <UnitField value="kn" />;
}
function UnitField({ value, onChange }: { value: string; onChange?: (value: string) => void }) {
  return <input value={value} onChange={(event) => onChange?.(event.target.value)} />;
}`,
        `import { useState } from 'react';
export function Deck() {
  const [unit, setUnit] = useState('kn');
  return <UnitField value={unit} onChange={setUnit} />;
}
function UnitField({ value, onChange }: { value: string; onChange?: (value: string) => void }) {
  return <input value={value} onChange={(event) => onChange?.(event.target.value)} />;
}`,
      ),
    ],
  },
};
