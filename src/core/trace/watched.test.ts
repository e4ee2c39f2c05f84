/** Vue: what is watched is what a watcher gets, and what is written to a computed value is what its setter gets. */
import { expect, test } from 'vitest';
import { edges, type Sources, traced } from './testing';

const MAIN = `import { createApp } from 'vue';\nimport App from './App.vue';\ncreateApp(App).mount('#app');`;
const FIELD = `<script setup lang="ts">
defineProps<{ modelValue: string }>();
const emit = defineEmits<{ 'update:modelValue': [text: string] }>();
</script>
<template><input :value="modelValue" @input="emit('update:modelValue', 'typed')" /></template>`;
const app = (script: string, template: string): Sources => ({
  'main.ts': MAIN,
  'Field.vue': FIELD,
  'App.vue': `<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import Field from './Field.vue';
${script}
</script>
<template>${template}</template>`,
});
const options = (body: string, template: string): Sources => ({
  'main.ts': MAIN,
  'App.vue': `<script>
export default {
${body}
};
</script>
<template>${template}</template>`,
});

test.each<[what: string, sources: Sources, ref: string, expected: string[]]>([
  [
    'a ref',
    app(
      `const wind = ref(1); const kept = ref(0); watch(wind, (value) => { kept.value = value; });`,
      '<b>{{ kept }}</b>',
    ),
    'App:state:kept',
    ['App:state:wind write App:state:kept'],
  ],
  [
    'what it was before',
    app(
      `const wind = ref(1); const kept = ref(0); watch(wind, (_, was) => { kept.value = was; });`,
      '<b>{{ kept }}</b>',
    ),
    'App:state:kept',
    ['App:state:wind write App:state:kept'],
  ],
  [
    'a member that a function gives',
    app(
      `const line = reactive({ wind: 1, hue: 'a' }); const kept = ref(0); watch(() => line.wind, (value) => { kept.value = value; });`,
      '<b>{{ kept }}</b>',
    ),
    'App:state:kept',
    ['App:state:line write App:state:kept'],
  ],
  [
    'one of several',
    app(
      `const wind = ref(1); const hue = ref('a'); const kept = ref(''); watch([wind, hue], ([, next]) => { kept.value = next; });`,
      '<b>{{ kept }}</b>',
    ),
    'App:state:kept',
    ['App:state:hue write App:state:kept'],
  ],
  [
    'by a function of its own',
    app(
      `const wind = ref(1); const kept = ref(0); const keep = (value: number) => { kept.value = value; }; watch(wind, keep);`,
      '<b>{{ kept }}</b>',
    ),
    'App:state:kept',
    ['App:state:wind write App:state:kept'],
  ],
  [
    'among the options, by a function and by the name of a method',
    options(
      `data() { return { wind: 1, hue: 'a', kept: 0, tint: '' }; },
  watch: { wind(value) { this.kept = value; }, hue: 'paint' },
  methods: { paint(value) { this.tint = value; } },`,
      '<b>{{ kept }}{{ tint }}</b>',
    ),
    'App:state:tint',
    ['App:state:hue write App:state:tint'],
  ],
  [
    'a computed value that is written',
    app(
      `const kept = ref(''); const given = ref('');
const text = computed({ get: () => kept.value, set: (value) => { kept.value = value; } });
function take() { text.value = given.value; }`,
      '<b @click="take">{{ text }}</b>',
    ),
    'App:state:given',
    [
      'App:state:given write App:local:text',
      'App:state:given write App:state:kept',
      'App:state:kept transform App:local:text',
    ],
  ],
  [
    'a computed value that a child writes',
    app(
      `const kept = ref('');
const text = computed({ get: () => kept.value, set: (value) => { kept.value = value; } });`,
      '<Field v-model="text" />',
    ),
    'App:state:kept',
    [
      'App:local:text rename Field:prop:modelValue',
      'App:state:kept transform App:local:text',
      'Field:event:update:modelValue write App:state:kept',
    ],
  ],
  [
    'a computed value among the options that is written',
    options(
      `data() { return { kept: '', given: '' }; },
  computed: { text: { get() { return this.kept; }, set(value) { this.kept = value; } } },
  methods: { take() { this.text = this.given; } },`,
      '<b @click="take">{{ text }}</b>',
    ),
    'App:state:given',
    [
      'App:state:given write App:local:text',
      'App:state:given write App:state:kept',
      'App:state:kept transform App:local:text',
    ],
  ],
])('%s', (_, sources, ref, expected) => {
  expect(edges(traced(sources, ref))).toEqual([...expected].sort());
});
