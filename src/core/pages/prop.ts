import { react, type RulePages } from './page';

export const PROP_PAGES: RulePages = {
  'prop/missing': {
    means:
      'A call site leaves out a prop that the child requires. The child reads nothing where it counts on a value.',
    costs: 'The page shows a blank, “NaN” or a crash, and only where that call site is drawn.',
    sure: 'Required is what the declaration says: a type without “?” and without a default. Nothing is said where the call site spreads names that are not known, or where the props type leads out of the project. A near name at the call site is reported as prop/unknown instead.',
    examples: [
      react(
        `export function Deck() {
  return <Gauge wind={12} />;
}
function Gauge({ wind, unit }: { wind: number; unit: string }) {
  return <b>{wind} {unit}</b>;
}`,
        `export function Deck() {
  return <Gauge wind={12} unit="m/s" />;
}
function Gauge({ wind, unit }: { wind: number; unit: string }) {
  return <b>{wind} {unit}</b>;
}`,
      ),
      {
        language: 'vue',
        before: {
          'Deck.vue': `<script setup lang="ts">
import Gauge from './Gauge.vue';
</script>
<template><Gauge :wind="12" /></template>`,
          'Gauge.vue': `<script setup lang="ts">
defineProps<{ wind: number; unit: string }>();
</script>
<template><b>{{ wind }} {{ unit }}</b></template>`,
        },
        after: {
          'Deck.vue': `<script setup lang="ts">
import Gauge from './Gauge.vue';
</script>
<template><Gauge :wind="12" unit="m/s" /></template>`,
        },
      },
      {
        language: 'svelte',
        before: {
          'Deck.svelte': `<script lang="ts">
  import Gauge from './Gauge.svelte';
</script>
<Gauge wind={12} />`,
          'Gauge.svelte': `<script lang="ts">
  let { wind, unit }: { wind: number; unit: string } = $props();
</script>
<b>{wind} {unit}</b>`,
        },
        after: {
          'Deck.svelte': `<script lang="ts">
  import Gauge from './Gauge.svelte';
</script>
<Gauge wind={12} unit="m/s" />`,
        },
      },
    ],
  },
  'prop/unknown': {
    means: 'A call site writes a name that the child does not take. The value goes nowhere.',
    costs: 'A slip of the pen or a prop that was renamed: the call site reads as if it worked.',
    sure: 'Only names that are written are held against the child, and only where its interface is closed: no rest, no props taken whole, no base or type from outside. Where attributes fall through to an element, only near names of declared props are reported, as a warning; on an element that a page, or markup of another language, places, only near names are, since styles and scripts may look for any other. What a template of Angular binds on an element of the page is held against what elements have and what directives in its scope take.',
    examples: [
      react(
        `export function Deck() {
  return <Gauge widn={12} />;
}
function Gauge({ wind = 0 }: { wind?: number }) {
  return <b>{wind}</b>;
}`,
        `export function Deck() {
  return <Gauge wind={12} />;
}
function Gauge({ wind = 0 }: { wind?: number }) {
  return <b>{wind}</b>;
}`,
      ),
    ],
  },
  'prop/unread': {
    means: 'A component declares a prop and neither reads it nor passes it on.',
    costs:
      'Every call site computes and hands over something for nothing, and readers believe that it has an effect.',
    sure: 'Nothing is said where the props are handed on whole or read by computed names. Names that begin with an underscore are left alone.',
    examples: [
      react(
        `export function Deck() {
  return <Gauge wind={12} unit="m/s" />;
}
function Gauge({ wind }: { wind: number; unit: string }) {
  return <b>{wind}</b>;
}`,
        `export function Deck() {
  return <Gauge wind={12} />;
}
function Gauge({ wind }: { wind: number }) {
  return <b>{wind}</b>;
}`,
      ),
    ],
  },
  'prop/never-passed': {
    means: 'An optional prop is read, and no call site passes it: the branch that it opens never runs.',
    costs: 'Dead code that is kept, tested and translated. It is a note where the prop has a default.',
    sure: 'All call sites must be known: components that a package offers to others, or that unknown code may render, are left alone.',
    examples: [
      react(
        `export function Deck() {
  return <Gauge wind={12} />;
}
function Gauge({ wind, limit }: { wind: number; limit?: number }) {
  return <b>{limit && wind > limit ? 'storm' : wind}</b>;
}`,
        `export function Deck() {
  return <Gauge wind={12} limit={25} />;
}
function Gauge({ wind, limit }: { wind: number; limit?: number }) {
  return <b>{limit && wind > limit ? 'storm' : wind}</b>;
}`,
      ),
    ],
  },
  'prop/constant': {
    means: 'Three call sites or more all pass the same literal.',
    costs: 'What looks like a choice is none. A default, or no prop at all, says the same with less.',
    sure: 'All call sites must be known, and all must pass the very same literal.',
    examples: [
      react(
        `export function Deck() {
  return <><Gauge unit="kn" wind={3} /><Gauge unit="kn" wind={5} /><Gauge unit="kn" wind={8} /></>;
}
function Gauge({ wind, unit }: { wind: number; unit: string }) {
  return <b>{wind} {unit}</b>;
}`,
        `export function Deck() {
  return <><Gauge wind={3} /><Gauge wind={5} /><Gauge wind={8} /></>;
}
function Gauge({ wind }: { wind: number }) {
  return <b>{wind} kn</b>;
}`,
      ),
    ],
  },
  'prop/type-clash': {
    means: 'The value that is passed cannot be assigned to the type that the child declares.',
    costs:
      'A text where a number is asked for is added by joining, compared by its letters, or breaks a call.',
    sure: 'Both types must be known from the project. “any”, types from packages and values that nobody can follow are never held against anything; what the language itself converts is no clash.',
    examples: [
      react(
        `export function Deck() {
  return <Rope length="940" />;
}
function Rope({ length }: { length: number }) {
  return <b>{length + 10}</b>;
}`,
        `export function Deck() {
  return <Rope length={940} />;
}
function Rope({ length }: { length: number }) {
  return <b>{length + 10}</b>;
}`,
      ),
    ],
  },
  'prop/default-clash': {
    means: 'The default value does not fit the declared type, or a required prop has a default.',
    costs: 'The component meets a value that its own declaration rules out, exactly where nobody passes one.',
    sure: 'Both the literal and the type must be known.',
    examples: [
      react(
        `export function Deck() {
  return <Rope />;
}
function Rope({ length = '940' }: { length?: number }) {
  return <b>{length}</b>;
}`,
        `export function Deck() {
  return <Rope />;
}
function Rope({ length = 940 }: { length?: number }) {
  return <b>{length}</b>;
}`,
      ),
    ],
  },
  'prop/drilled': {
    means: 'A value passes unchanged through two components or more that do nothing with it but pass it on.',
    costs:
      'Adding, renaming or dropping it means touching every component on its way, and none of them can be read without knowing the others.',
    sure: 'A rename does not end a run; a condition, an effect, a member that is read or an expression does. The setting drillDepth says how many components in a row are too many.',
    examples: [
      react(
        `import { useState } from 'react';
export function Deck() {
  const [unit] = useState('kn');
  return <Panel unit={unit} />;
}
function Panel({ unit }: { unit: string }) { return <Row unit={unit} />; }
function Row({ unit }: { unit: string }) { return <Gauge unit={unit} />; }
function Gauge({ unit }: { unit: string }) { return <b>{unit}</b>; }`,
        `import { createContext, useContext, useState } from 'react';
const UnitContext = createContext('m/s');
export function Deck() {
  const [unit] = useState('kn');
  return <UnitContext.Provider value={unit}><Panel /></UnitContext.Provider>;
}
function Panel() { return <Row />; }
function Row() { return <Gauge />; }
function Gauge() { return <b>{useContext(UnitContext)}</b>; }`,
      ),
    ],
  },
  'prop/overwritten': {
    means: 'A component changes what it was handed, and the owner is not told.',
    costs: 'Owner and child show two truths until the next render, which puts the old value back.',
    sure: 'Reassigning a copy is no write, nor is setting a store, a signal or state of a class that was handed over. A call site hears of it by a binding, or by an event that tells of a change and is raised with the input or with what is written. An entry of a list that was handed over belongs to that. Where the language allows the write, it is a warning.',
    examples: [
      react(
        `export function Deck({ cabins }: { cabins: string[] }) {
  return <Queue cabins={cabins} />;
}
function Queue(props: { cabins: string[] }) {
  return <button onClick={() => props.cabins.push('next')}>{props.cabins.length}</button>;
}`,
        `export function Deck({ cabins, onAdd }: { cabins: string[]; onAdd: (name: string) => void }) {
  return <Queue cabins={cabins} onAdd={onAdd} />;
}
function Queue(props: { cabins: string[]; onAdd: (name: string) => void }) {
  return <button onClick={() => props.onAdd('next')}>{props.cabins.length}</button>;
}`,
      ),
    ],
  },
  'prop/stale-copy': {
    means: 'Local state starts from a prop, and nothing brings it up to date when the prop changes.',
    costs: 'The component goes on showing the first value that it was ever given.',
    sure: 'A key at the call site, an effect that follows the prop, and names that begin with initial or default make it silent.',
    examples: [
      react(
        `import { useState } from 'react';
export function Deck({ wind }: { wind: number }) {
  return <Gauge wind={wind} />;
}
function Gauge({ wind }: { wind: number }) {
  const [shown] = useState(wind);
  return <b>{shown}</b>;
}`,
        `export function Deck({ wind }: { wind: number }) {
  return <Gauge wind={wind} />;
}
function Gauge({ wind }: { wind: number }) {
  return <b>{wind}</b>;
}`,
      ),
    ],
  },
  'prop/name-clash': {
    means: 'A prop and another member of the component bear one name in one namespace: one hides the other.',
    costs: 'Who reads the name gets whichever wins, and the prop may have no effect at all.',
    sure: 'An alias of that very prop is no clash; members that come by a mixin or a base count.',
    examples: [
      {
        language: 'vue',
        before: {
          'Gauge.vue': `<script>
export default {
  props: { wind: { type: Number, required: true } },
  computed: { wind() { return 3; } },
};
</script>
<template><b>{{ wind }}</b></template>`,
        },
        after: {
          'Gauge.vue': `<script>
export default {
  props: { wind: { type: Number, required: true } },
  computed: { shownWind() { return this.wind * 3; } },
};
</script>
<template><b>{{ shownWind }}</b></template>`,
        },
      },
    ],
  },
  'prop/orphan-alias': {
    means: 'An input or output is declared by a text that names no member of the class.',
    costs: 'The declaration does nothing: what call sites pass there never reaches the class.',
    sure: 'The class and its bases must all be of the project.',
    examples: [
      {
        language: 'angular',
        before: {
          'gauge.component.ts': `import { Component } from '@angular/core';
@Component({ selector: 'app-gauge', template: '<b>{{ wind }}</b>', inputs: ['wnid'] })
export class GaugeComponent { wind = 0; }`,
        },
        after: {
          'gauge.component.ts': `import { Component } from '@angular/core';
@Component({ selector: 'app-gauge', template: '<b>{{ wind }}</b>', inputs: ['wind'] })
export class GaugeComponent { wind = 0; }`,
        },
      },
    ],
  },
};
