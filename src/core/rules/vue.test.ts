/** Every rule that can occur in Vue: what must be found, and near misses that must stay silent. */
import { describe } from 'vitest';
import { casesFor, VUE_MOUNT } from './testing';

const cases = casesFor(VUE_MOUNT, 'App.vue');

const setup = (script: string, template: string) =>
  `<script setup lang="ts">\n${script}\n</script>\n<template>\n${template}\n</template>`;
const options = (body: string, template: string, before = '') =>
  `<template>\n${template}\n</template>\n<script>\n${before}\nexport default { ${body} };\n</script>`;
const GAUGE = setup(
  `const props = defineProps<{ wind: number; unit?: string }>();`,
  '<b>{{ props.wind }} {{ unit }}</b>',
);
const app = (template: string, script = '') => setup(`import Gauge from './Gauge.vue';\n${script}`, template);

describe('props', () => {
  cases(/^prop\//, [
    [
      'an optional boolean has a default; class and style are handed over as any name is',
      {
        'Gauge.vue': setup(
          `defineProps<{ wide?: boolean; class?: string; note?: string }>();`,
          '<b :class="$props.class">{{ wide }} {{ note }}</b>',
        ),
        'App.vue': app('<Gauge class="x" />'),
      },
      ['note prop/never-passed Gauge.vue:2 wide', 'warning prop/never-passed Gauge.vue:2 note'],
    ],
    ['all is passed', { 'Gauge.vue': GAUGE, 'App.vue': app('<Gauge :wind="3" unit="kn" />') }, []],
    [
      'a required prop is missing, in either spelling of the tag',
      { 'Gauge.vue': GAUGE, 'App.vue': app('<gauge unit="kn" />') },
      ['error prop/missing App.vue:6 gauge'],
    ],
    [
      'kebab case is the same name',
      {
        'Gauge.vue': options(
          `props: { windSpeed: { type: Number, required: true } }`,
          '<b>{{ windSpeed }}</b>',
        ),
        'App.vue': app('<Gauge :wind-speed="3" />'),
      },
      [],
    ],
    [
      'a spread of something unknown may bring it',
      { 'Gauge.vue': GAUGE, 'App.vue': app('<Gauge v-bind="more" unit="x" />', 'const more = load();') },
      [],
    ],
    [
      'a near miss of a name; other names land on the element',
      { 'Gauge.vue': GAUGE, 'App.vue': app('<Gauge :wind="3" :untis="4" title="a" data-x="1" />') },
      ['warning prop/unknown App.vue:6 untis'],
    ],
    [
      'a near miss of a name',
      { 'Gauge.vue': GAUGE, 'App.vue': app('<Gauge :wind="3" :unti="u" />', `const u = 'kn';`) },
      ['warning prop/unknown App.vue:6 unti'],
    ],
    [
      'types: by annotation and at run time',
      {
        'Gauge.vue': options(
          `props: { wind: Number, tags: { type: Array, default: () => [] }, wide: Boolean }`,
          '<b>{{ wind }} {{ tags }} {{ wide }}</b>',
        ),
        'App.vue': app('<Gauge wind="3" :tags="[1]" wide />'),
      },
      ['error prop/type-clash App.vue:6 wind'],
    ],
    [
      'a default of another type; a factory gives the value; a function is its own',
      {
        'Gauge.vue': options(
          `props: { a: { type: Number, default: 'x' }, b: { type: Array, default: () => [1] },
            c: { type: Function, default: () => 3 }, d: { type: String, default: make } }`,
          '<b>{{ a }} {{ b }} {{ c }} {{ d }}</b>',
          `function make() { return 'x'; }`,
        ),
        'App.vue': app('<Gauge :a="1" :b="[]" :c="go" d="x" />', 'const go = () => 1;'),
      },
      [`error prop/default-clash Gauge.vue:6 'x'`],
    ],
    [
      'unread, but for what is read in the template, by this, or by watching',
      {
        'Gauge.vue': options(
          `props: ['a', 'b', 'c', 'd'], watch: { b() {} }, created() { go(this.c); }`,
          '<b>{{ a }}</b>',
        ),
        'App.vue': app('<Gauge a="1" b="1" c="1" d="1" />'),
      },
      [`warning prop/unread Gauge.vue:6 'd'`],
    ],
    [
      'what a tag of the framework is given is read',
      {
        'Gauge.vue': options(
          `props: ['a', 'b']`,
          '<Transition :name="a"><Teleport :to="b"><i /></Teleport></Transition>',
        ),
        'App.vue': app('<Gauge a="1" b="2" />'),
      },
      [],
    ],
    [
      'an instance that is handed on may be read by anybody',
      {
        'Gauge.vue': options(`props: ['a'], created() { register(this); }`, '<b />'),
        'App.vue': app('<Gauge a="1" />'),
      },
      [],
    ],
    [
      'writing to a prop, unless the owner hears of it',
      {
        'Gauge.vue': setup(
          `const props = defineProps<{ wind: number }>();\nfunction go() { props.wind = 3; }`,
          '<b @click="go">{{ wind }}</b>',
        ),
        'App.vue': app('<Gauge :wind="n" />', 'const n = 3;'),
      },
      ['error prop/overwritten Gauge.vue:3 props.wind = 3'],
    ],
    [
      'a model is written by asking for the change',
      {
        'Gauge.vue': setup(`const wind = defineModel<number>();`, '<input v-model="wind" />'),
        'App.vue': app('<Gauge v-model="n" />', `import { ref } from 'vue';\nconst n = ref(3);`),
      },
      [],
    ],
    [
      'a copy that nothing brings up to date, and one that a watcher does',
      {
        'Gauge.vue': options(
          `props: ['a', 'b'], data() { return { x: this.a, y: this.b }; },
            watch: { b(v) { this.take(v); } }, methods: { take(v) { this.y = v; } }`,
          '<b>{{ x }} {{ y }}</b>',
        ),
        'App.vue': app('<Gauge a="1" b="2" />'),
      },
      ['note prop/stale-copy Gauge.vue:6 x'],
    ],
    [
      'data under the name of a prop',
      {
        'Gauge.vue': options(`props: ['a'], data() { return { a: 1 }; }`, '<b>{{ a }}</b>'),
        'App.vue': app('<Gauge a="1" />'),
      },
      ['error prop/name-clash Gauge.vue:6 a'],
    ],
    [
      'what is set up under the name of a prop, out of it and out of something else',
      {
        'Gauge.vue': options(
          `props: ['a', 'b'], setup(props) { const a = computed(() => props.a > 1); const b = computed(() => 2); return { a, b }; }`,
          '<b>{{ a }}{{ b }}</b>',
        ),
        'App.vue': app('<Gauge a="1" b="1" />'),
      },
      ['warning prop/name-clash Gauge.vue:6 a', 'error prop/name-clash Gauge.vue:6 b'],
    ],
    [
      'a name beside a prop that is handed on through the object of all of them',
      {
        'Lamp.vue': setup('defineProps<{ a: number }>();', '<b>{{ a }}</b>'),
        'Gauge.vue': setup(
          `import Lamp from './Lamp.vue';\nconst props = defineProps<{ a: number }>();\nconst a = 2;`,
          '<Lamp :a="props.a" />{{ a }}',
        ),
        'App.vue': app('<Gauge :a="1" />'),
      },
      ['warning prop/name-clash Gauge.vue:4 a'],
    ],
    [
      'drilled through two components, renamed on the way',
      {
        'App.vue': setup(
          `import { ref } from 'vue';\nimport Line from './Line.vue';\nconst unit = ref('kn');`,
          '<Line :unit="unit" />',
        ),
        'Line.vue': setup(
          `import Pylon from './Pylon.vue';\ndefineProps<{ unit: string }>();`,
          '<Pylon :u="unit" />',
        ),
        'Pylon.vue': setup(
          `import Gauge from './Gauge.vue';\ndefineProps<{ u: string }>();`,
          '<Gauge :wind="3" :unit="u" />',
        ),
        'Gauge.vue': GAUGE,
      },
      ['warning prop/drilled Line.vue:3 unit'],
    ],
  ]);
});

describe('events', () => {
  const BUTTON = setup(
    `const emit = defineEmits<{ hold: [id: number]; release: [] }>();`,
    `<button @click="emit('hold', 3)">x</button>`,
  );
  const hears = (template: string, script = '') =>
    setup(`import Hold from './Hold.vue';\n${script}`, template);
  cases(/^event\//, [
    [
      'declared and never raised; raised and heard',
      { 'Hold.vue': BUTTON, 'App.vue': hears('<Hold @hold="go" />', 'function go(id: number) {}') },
      ['warning event/never-emitted Hold.vue:2 release'],
    ],
    [
      'raised and not heard',
      {
        'Hold.vue': options(`emits: ['hold']`, `<i @click="$emit('hold')" />`),
        'App.vue': hears('<Hold />'),
      },
      [`warning event/unheard Hold.vue:6 'hold'`],
    ],
    [
      'listened for under another name; the page has names of its own',
      {
        'Hold.vue': options(`emits: ['hold']`, `<i @click="$emit('hold')" />`),
        'App.vue': hears('<Hold @held="go" @click="go" @hold="go" @vue:mounted="go" />', 'function go() {}'),
      },
      ['error event/unknown App.vue:6 held'],
    ],
    [
      'whoever may raise anything may raise that, too',
      {
        'Hold.vue': options(`methods: { go(name) { this.$emit(name); } }`, `<i @click="go('x')" />`),
        'App.vue': hears('<Hold @held="go" />', 'function go() {}'),
      },
      [],
    ],
    [
      'raised by a function that stands above what it uses, after other statements',
      {
        'Hold.vue': setup(
          `defineProps<{ wide?: boolean }>();\nfunction go() { emit('hold'); }\nconst emit = defineEmits<{ (e: 'hold'): void }>();`,
          '<i @click="go">{{ wide }}</i>',
        ),
        'App.vue': hears('<Hold @hold="go" />', 'function go() {}'),
      },
      [],
    ],
    [
      'raised without being declared',
      {
        'Hold.vue': options(`emits: ['hold']`, `<i @click="$emit('hold'); $emit('let-go')" />`),
        'App.vue': hears('<Hold @hold="go" @let-go="go" />', 'function go() {}'),
      },
      [`note event/undeclared Hold.vue:2 'let-go'`],
    ],
    [
      'a payload of another type, against the declaration and against the handler',
      {
        'Hold.vue': setup(
          `const emit = defineEmits<{ hold: [id: number] }>();\nfunction go() { emit('hold', 'x'); }`,
          '<i @click="go" />',
        ),
        'App.vue': hears('<Hold @hold="go" />', 'function go(id: number) {}'),
      },
      [`error event/payload-clash Hold.vue:3 emit('hold', 'x')`],
    ],
    [
      'dropped on the way up',
      {
        'App.vue': hears('<Hold @held="go" />', 'function go() {}'),
        'Hold.vue': setup(
          `import Knob from './Knob.vue';\ndefineEmits(['held']);`,
          '<section><Knob /></section>',
        ),
        'Knob.vue': options(`emits: ['held']`, `<i @click="$emit('held')" />`),
      },
      [`error event/broken-path Hold.vue:3 'held'`],
    ],
    [
      'what is not declared falls through to the root',
      {
        'App.vue': hears('<Hold @held="go" />', 'function go() {}'),
        'Hold.vue': setup(`import Knob from './Knob.vue';`, '<Knob />'),
        'Knob.vue': options(`emits: ['held']`, `<i @click="$emit('held')" />`),
      },
      [],
    ],
    [
      'only raised again, twice',
      {
        'App.vue': hears('<Hold @held="go" />', 'function go() {}'),
        'Hold.vue': setup(
          `import Knob from './Knob.vue';\nconst emit = defineEmits(['held']);`,
          `<p><Knob @held="emit('held')" /></p>`,
        ),
        'Knob.vue': setup(
          `import Pin from './Pin.vue';\nconst emit = defineEmits(['held']);`,
          `<p><Pin @held="emit('held')" /></p>`,
        ),
        'Pin.vue': options(`emits: ['held']`, `<i @click="$emit('held')" />`),
      },
      [`warning event/relayed Knob.vue:6 emit('held')`],
    ],
    [
      'a value without listening for its change',
      {
        'Hold.vue': options(
          `props: ['open'], emits: ['update:open']`,
          `<i @click="$emit('update:open', !open)">{{ open }}</i>`,
        ),
        'App.vue': hears(
          '<Hold :open="x" /><Hold v-model:open="x" />',
          `import { ref } from 'vue';\nconst x = ref(true);`,
        ),
      },
      ['note event/half-pair App.vue:7 open'],
    ],
    [
      'the page raises it, too',
      {
        'package.json': '{"dependencies":{"vue":"^3.4.0"}}',
        'Hold.vue': options('', `<i @click="$emit('click')" />`),
        'App.vue': hears('<Hold @click="go" />', 'function go() {}'),
      },
      [`warning event/native-clash Hold.vue:2 'click'`],
    ],
  ]);
});

describe('provide and inject', () => {
  const READER = (script: string) => setup(`import { inject } from 'vue';\n${script}`, '<b>{{ x }}</b>');
  const root = (script: string, template = '<Reader />') =>
    setup(`import { provide } from 'vue';\nimport Reader from './Reader.vue';\n${script}`, template);
  cases(/^context\//, [
    [
      'provided above',
      { 'App.vue': root(`provide('fleet', 1);`), 'Reader.vue': READER(`const x = inject('fleet');`) },
      [],
    ],
    [
      'provided under another name',
      { 'App.vue': root(`provide('fleets', 1);`), 'Reader.vue': READER(`const x = inject('fleet');`) },
      [`error context/no-provider Reader.vue:3 inject('fleet')`],
    ],
    [
      'a default is enough',
      { 'App.vue': root(''), 'Reader.vue': READER(`const x = inject('fleet', 3);`) },
      [],
    ],
    [
      'provided by the app',
      {
        'main.ts': `import { createApp } from 'vue';\nimport App from './App.vue';\ncreateApp(App).provide('fleet', 1).mount('#app');`,
        'App.vue': root(''),
        'Reader.vue': READER(`const x = inject('fleet');`),
      },
      [],
    ],
    [
      'options provide and inject',
      {
        'App.vue': options(
          `components: { Reader }, provide() { return { fleet: this.n }; }, data() { return { n: 1 }; }`,
          '<Reader />',
          `import Reader from './Reader.vue';`,
        ),
        'Reader.vue': options(`inject: ['fleet', 'crew']`, '<b>{{ fleet }} {{ crew }}</b>'),
      },
      [`error context/no-provider Reader.vue:6 'crew'`],
    ],
    [
      'a composable provides for its caller, and a typed key is known through files',
      {
        'keys.ts': `import type { InjectionKey } from 'vue';\nexport const FLEET: InjectionKey<number> = Symbol();`,
        'fleet.ts': `import { provide } from 'vue';\nimport { FLEET } from './keys';\nexport function useFleet() { provide(FLEET, 3); }`,
        'App.vue': root(`import { useFleet } from './fleet';\nuseFleet();`),
        'Reader.vue': READER(`import { FLEET } from './keys';\nconst x = inject(FLEET);`),
      },
      [],
    ],
    [
      'the value is of another type than the key',
      {
        'keys.ts': `import type { InjectionKey } from 'vue';\nexport const FLEET: InjectionKey<number> = Symbol();`,
        'App.vue': root(`import { FLEET } from './keys';\nprovide(FLEET, 'x');`),
        'Reader.vue': READER(`import { FLEET } from './keys';\nconst x = inject(FLEET);`),
      },
      [`error context/type-clash App.vue:5 'x'`],
    ],
    [
      'injected in a handler',
      {
        'App.vue': root(`provide('fleet', 1);`),
        'Reader.vue': setup(
          `import { inject } from 'vue';\nfunction go() { return inject('fleet'); }`,
          '<b @click="go" />',
        ),
      },
      [`error context/wrong-time Reader.vue:3 inject('fleet')`],
    ],
    [
      'the same text in two files',
      {
        'App.vue': root(`provide('fleet', 1);`),
        'Reader.vue': setup(
          `import { provide } from 'vue';\nimport Inner from './Inner.vue';\nprovide('fleet', 2);`,
          '<p><Inner /></p>',
        ),
        'Inner.vue': READER(`const x = inject('fleet');`),
      },
      [`warning context/key-clash Reader.vue:4 'fleet'`],
    ],
  ]);
});

describe('slots', () => {
  const PANEL = options('', `<section><header><slot name="head" :title="1" /></header><slot /></section>`);
  const fills = (template: string) => setup(`import Panel from './Panel.vue';`, template);
  cases(/^slot\//, [
    [
      'filled',
      {
        'Panel.vue': PANEL,
        'App.vue': fills('<Panel><template #head="{ title }">{{ title }}</template>x</Panel>'),
      },
      [],
    ],
    [
      'a slot that the child lacks',
      { 'Panel.vue': PANEL, 'App.vue': fills('<Panel><template #haed>t</template>x</Panel>') },
      ['error slot/unknown App.vue:5 haed', 'note slot/unfilled Panel.vue:2 <slot name="head" :title="1" />'],
    ],
    [
      'nothing is placed',
      { 'Panel.vue': options('', '<hr>'), 'App.vue': fills('<Panel>x</Panel>') },
      ['error slot/no-outlet App.vue:5 Panel'],
    ],
    [
      'a parameter that the outlet does not give',
      {
        'Panel.vue': PANEL,
        'App.vue': fills('<Panel><template #head="{ titel }">{{ titel }}</template>x</Panel>'),
      },
      ['error slot/prop-unknown App.vue:5 titel'],
    ],
    [
      'never filled; with a fallback it need not be',
      {
        'Panel.vue': options('', '<p><slot name="a" /><slot name="b">none</slot></p>'),
        'App.vue': fills('<Panel />'),
      },
      ['note slot/unfilled Panel.vue:2 <slot name="a" />'],
    ],
    [
      'names that are worked out may be any',
      {
        'Panel.vue': options(`props: ['n']`, '<p><slot :name="n" /></p>'),
        'App.vue': fills('<Panel n="x"><template #x>t</template></Panel>'),
      },
      [],
    ],
    [
      'handed on twice',
      {
        'App.vue': fills('<Panel>text</Panel>'),
        'Panel.vue': setup(`import Box from './Box.vue';`, '<Box><slot /></Box>'),
        'Box.vue': setup(`import Frame from './Frame.vue';`, '<Frame><slot /></Frame>'),
        'Frame.vue': options('', '<p><slot /></p>'),
      },
      ['warning slot/relayed Panel.vue:5 <slot />'],
    ],
  ]);
});

describe('refs, templates, components, state', () => {
  cases(/^(ref|template|component|state|portal)\//, [
    [
      'a member that is not exposed',
      {
        'Gauge.vue': setup(`function reset() {}\ndefineExpose({ reset });`, '<b />'),
        'App.vue': app(
          '<Gauge ref="g" @click="go" />',
          `import { ref } from 'vue';\nconst g = ref(null);\nfunction go() { g.value.reset(); g.value.rest(); }`,
        ),
      },
      ['error ref/unknown-member App.vue:5 rest'],
    ],
    [
      'methods of options are reached by $refs',
      {
        'Gauge.vue': options(`methods: { reset() {} }`, '<b />'),
        'App.vue': options(
          `components: { Gauge }, methods: { go() { this.$refs.g.reset(); this.$refs.g.$el; this.$refs.g.stop(); } }`,
          '<Gauge ref="g" @click="go" />',
          `import Gauge from './Gauge.vue';`,
        ),
      },
      ['error ref/unknown-member App.vue:6 stop'],
    ],
    [
      'over the head of a component: by its handles, and by what it exposes',
      {
        'Gauge.vue': setup(
          `import { ref } from 'vue';\nconst box = ref(null);\ndefineExpose({ inner: () => box.value });`,
          '<b ref="box" @click="box.focus()" />',
        ),
        'App.vue': app(
          '<Gauge ref="g" @click="go" />',
          `import { ref } from 'vue';\nconst g = ref(null);\nfunction go() { g.value.inner().focus(); g.value.$refs.box.focus(); }`,
        ),
      },
      [
        'warning ref/reach-through App.vue:5 g.value.inner',
        'warning ref/reach-through App.vue:5 g.value.$refs.box.focus',
      ],
    ],
    [
      'over the head of the owner: by chains of parent links, in code and in templates',
      {
        'Gauge.vue': options(
          `computed: { unit() { return this.$parent.$parent.unit; }, own() { return this.$parent.unit; } }`,
          '<b @click="$parent.$refs.box.focus()">{{ unit }} {{ own }}</b>',
        ),
        'App.vue': app('<Gauge />', `const unit = 'kn';`),
      },
      [
        'warning ref/reach-through Gauge.vue:2 $parent.$refs',
        'warning ref/reach-through Gauge.vue:6 this.$parent.$parent',
      ],
    ],
    [
      'a second app without what the first provides; state in two places; a race',
      {
        'store.ts': 'export const bench = { mode: 0 };',
        'App.vue': app(
          '<p><Gauge v-if="wide" /><b v-else><Gauge /></b><i @click="go">{{ wide }}</i></p>',
          `import { createApp, provide, ref } from 'vue';\nimport { bench } from './store';\nbench.mode = 1;\nprovide('fleet', 1);\nconst wide = ref(true);\nfunction go() { wide.value = false; createApp(Gauge).mount('#sheet'); }`,
        ),
        'Gauge.vue': setup(
          `import { inject, ref } from 'vue';\nimport { bench } from './store';\nbench.mode = 2;\nconst fleet = inject('fleet');\nconst peak = ref(0);`,
          '<b @click="peak++">{{ peak }} {{ fleet }}</b>',
        ),
      },
      [
        'warning state/setup-race App.vue:5 bench.mode = 1',
        'warning portal/outside-providers App.vue:8 createApp(Gauge)',
        'warning portal/state-lost App.vue:11 Gauge',
      ],
    ],
    [
      'a handle that nothing attaches',
      {
        'App.vue': options(
          `methods: { go() { this.$refs.feild.focus(); } }`,
          '<input ref="field" @click="go">',
        ),
      },
      ['note ref/unread App.vue:2 ref="field"', 'warning ref/unattached App.vue:6 feild'],
    ],
    [
      'read before it is there',
      {
        'App.vue': setup(
          `import { ref } from 'vue';\nconst el = ref(null);\nel.value.focus();`,
          '<input ref="el">',
        ),
      },
      ['error ref/early-read App.vue:4 el.value.focus'],
    ],
    [
      'a name that the component does not have; the app and the page have some',
      {
        'main.ts': `${VUE_MOUNT['main.ts']}\napp.config.globalProperties.money = (x) => x;`,
        'App.vue': options(
          `data() { return { total: 1 }; }`,
          '<b :title="$t(1)" @click="go">{{ totl }} {{ money(total) }} {{ Math.max(1, 2) }} <i v-for="(x, i) in 3">{{ x + i }}</i></b>',
        ),
      },
      ['error template/unknown-name App.vue:2 go', 'error template/unknown-name App.vue:2 totl'],
    ],
    [
      'a prop whose type stands in another file is known when files are linked',
      {
        'types.ts': 'export interface Props { wind: number }',
        'Gauge.vue': setup(
          `import type { Props } from './types';\ndefineProps<Props>();`,
          '<b>{{ wind }} {{ widn }}</b>',
        ),
        'App.vue': app('<Gauge :wind="3" />'),
      },
      ['error template/unknown-name Gauge.vue:6 widn'],
    ],
    [
      'a template whose names are none of its own belongs to code elsewhere',
      { 'App.vue': options(`data() { return { merge: true }; }`, '<b :class="classes">{{ shown }}</b>') },
      [],
    ],
    [
      'mixins may bring any name',
      { 'App.vue': options(`mixins: [other]`, '<b>{{ anything }}</b>', `import other from 'other';`) },
      [],
    ],
    [
      'rendered in neither of the ways that there are',
      {
        'App.vue': app('<gauge-board /><component :is="x" />', `const x = 'y';`),
        'Gauge.vue': setup('', '<b />'),
        'main.ts': `import { createApp } from 'vue';\nimport App from './App.vue';\nimport Board from './Board.vue';\ncreateApp(App).component('GaugeBoard', Board).mount('#app');`,
        'Board.vue': setup('', '<b />'),
        'Spare.vue': setup('', '<b />'),
      },
      ['note component/unused Gauge.vue:1 ', 'note component/unused Spare.vue:1 '],
    ],
    [
      'a target that nothing makes',
      {
        'index.html': '<div id="app"></div><script src="main.ts"></script>',
        'App.vue': setup(
          '',
          '<p><i id="there" /><Teleport to="#there">x</Teleport><Teleport to="#nowhere">x</Teleport></p>',
        ),
      },
      ['error portal/no-target App.vue:5 to="#nowhere"'],
    ],
    [
      'owner and child keep the same',
      {
        'App.vue': app(
          '<Gauge /><i @click="open = !open">{{ open }}</i>',
          `import { ref } from 'vue';\nconst open = ref(false);`,
        ),
        'Gauge.vue': setup(
          `import { ref } from 'vue';\nconst open = ref(false);`,
          '<b @click="open = true">{{ open }}</b>',
        ),
      },
      ['note state/twin Gauge.vue:3 open'],
    ],
  ]);
});
