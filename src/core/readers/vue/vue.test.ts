/** Facts of Vue files: places, names, forms of declaration. */
import { describe, expect, test } from 'vitest';
import { readFile } from '..';
import type { ComponentFacts } from '../../model/facts';

const read = (text: string, path = 'Gauge.vue') => {
  const facts = readFile(path, text);
  if (facts.problem) throw new Error(facts.problem.message);
  return facts;
};
const component = (text: string, path?: string): ComponentFacts => read(text, path).components[0]!;
const ports = (text: string) =>
  component(text).ports.map((port) => `${port.name}${port.required ? '!' : ''}${port.default ? '=' : ''}`);
const setup = (script: string, template = '<b />') =>
  `<script setup lang="ts">${script}</script>\n<template>${template}</template>`;

test.each([
  ['a list', `defineProps(['a', 'b-c'])`, ['a', 'bC']],
  [
    'types',
    `defineProps({ a: String, b: { type: Number, required: true }, c: { default: 1 } })`,
    ['a', 'b!', 'c='],
  ],
  ['a boolean is cast', `defineProps({ a: Boolean, b: [String, Boolean] })`, ['a=', 'b=']],
  ['defaults beside a type', `withDefaults(defineProps<{ a?: string }>(), { a: 'x' })`, ['a=']],
  ['taken apart', `const { a = 1, b } = defineProps<{ a?: number; b: string }>()`, ['a=', 'b']],
  ['a model', `defineModel('open', { type: Boolean })`, ['open=', '@update:open']],
  [
    'a model without a name',
    `const m = defineModel<string>({ required: true })`,
    ['modelValue!', '@update:modelValue'],
  ],
  ['events', `defineEmits(['a', 'b-c'])`, ['@a', '@bC']],
  ['events by signature', `defineEmits<{ (e: 'a' | 'b', id: number): void }>()`, ['@a', '@b']],
  ['events by member', `defineEmits<{ a: [id: number]; 'b:c': [] }>()`, ['@a', '@b:c']],
  ['events by a type of the file', `type E = { a: [] }; defineEmits<E>()`, ['@a']],
])('declared: %s', (_, script, expected) => {
  expect(ports(setup(script))).toEqual(expected);
});

test.each([
  ['a type from elsewhere', `import type { E } from './e'; defineEmits<E>()`],
  ['a spread', `defineEmits([...more])`],
  ['handed on', `const emit = defineEmits(['a']); share(emit)`],
  ['a name that is worked out', `const emit = defineEmits(['a']); emit(name)`],
])('any event may be raised: %s', (_, script) => {
  expect(component(setup(script)).openEmits).toBe(true);
});

describe('templates', () => {
  const render = (template: string, script = '') =>
    component(setup(script, template)).render.map(
      (node) =>
        `${node.kind} ${node.tag?.name ?? node.outlet ?? ''} in ${node.parent}${node.slot ? ` as ${node.slot}` : ''}`,
    );
  test.each([
    [
      'kinds of tags',
      '<p><Gauge /><slot name="x" /><template v-if="a" /></p>',
      ['element p in 0', 'site Gauge in 1', 'outlet #x in 1', 'group  in 1'],
    ],
    [
      'content by slot',
      '<Gauge><template #head>a</template><i /></Gauge>',
      ['site Gauge in 0', 'group  in 1 as #head', 'element i in 1'],
    ],
    [
      'built-in tags draw nothing of their own',
      '<KeepAlive><transition><b /></transition></KeepAlive>',
      ['group  in 0', 'group  in 1', 'element b in 2'],
    ],
  ])('%s', (_, template, expected) => {
    expect(render(template, `import Gauge from './Gauge.vue'; const a = 1;`).slice(1)).toEqual(expected);
  });

  test('places are those of the file', () => {
    const text = setup(
      `const wind = 1;`,
      `\n  <Gauge :unit="wind" @hold.once="go(wind)" v-model:open="x" />`,
    );
    const [, site] = component(text).render;
    const at = site!.attributes.filter((one) => one.mode !== 'spread');
    expect(
      at.map((one) => [
        text.slice(one.nameStart, one.nameEnd),
        text.slice(one.value.start, one.value.end),
        one.mode,
      ]),
    ).toEqual([
      ['unit', 'wind', 'value'],
      ['hold', 'go(wind)', 'listen'],
      ['open', 'x', 'two-way'],
    ]);
  });

  test('conditions and lists', () => {
    const text = setup(
      '',
      '<Gauge v-for="g in list" v-if="a" /><Gauge v-if="a" /><Gauge v-else-if="b" /><Gauge v-else />',
    );
    const sites = component(text).render.slice(1);
    const cut = (span: { start: number; end: number } | undefined) =>
      span && text.slice(span.start, span.end);
    expect(sites.map((one) => [cut(one.each), cut(one.when), one.arms])).toEqual([
      ['list', 'a', ['!a#1']],
      [undefined, 'a', ['!a#1']],
      [undefined, 'b', ['!a#0', '!b#1']],
      [undefined, 'b', ['!a#0', '!b#0']],
    ]);
  });
});

test.each([
  ['nothing in it', '', 1],
  ['an unclosed tag', '<template>\n  <p>\n</template>', 2],
  ['a script that cannot be parsed', '<template><p /></template>\n<script setup>\nconst = 3;\n</script>', 3],
])('a problem has its place: %s', (_, text, line) => {
  expect(readFile('A.vue', text).problem?.line).toBe(line);
});

test.each([
  ['no script', '<template><p>{{ a }}</p></template>'],
  ['no template', '<script>export default {}</script>'],
  [
    'both scripts',
    '<script>export const x = 1;</script><script setup>const y = x;</script><template>{{ y }}</template>',
  ],
  ['another template language', '<template lang="pug">\np hello\n</template>'],
  ['functional', '<template functional><p>{{ props.a }}</p></template>'],
  ['a script elsewhere', '<template>{{ a }}</template><script src="./a.js"></script>'],
])('read without a problem: %s', (_, text) => {
  const facts = read(text);
  expect(facts.components).toHaveLength(1);
  expect(facts.components[0]!.name).toBe('Gauge');
});

test('a composable, a typed key and a component in one script', () => {
  const facts = read(
    `import { ref, defineComponent, type InjectionKey } from 'vue';
export const KEY: InjectionKey<number> = Symbol();
export function useWind() { const wind = ref(0); return { wind, set: (v: number) => { wind.value = v; } }; }
export const Gauge = defineComponent({ props: { wind: Number }, template: '<b>{{ wind }}</b>' });`,
    'wind.ts',
  );
  expect(facts.values.map((one) => [one.name, one.kind])).toEqual([
    ['KEY', 'context'],
    ['useWind', 'component'],
    ['Gauge', 'component'],
  ]);
  const [gauge, helper] = facts.components;
  expect(gauge!.reads.some((one) => gauge!.symbols[one.symbol]!.port === 'wind')).toBe(true);
  expect(helper).toMatchObject({ name: 'useWind', role: 'helper' });
  expect(helper!.writes).toHaveLength(1);
});

test('a member of what a module gives is no undeclared attribute', () => {
  const { calls } = component(
    setup(`import * as Wind from './wind'; const { wind } = Wind.useWind();`, '{{ wind }}'),
  );
  expect(calls.map((one) => one.name)).toEqual(['Wind.useWind']);
});
