/** Vue components that code draws: render functions in both styles, JSX, and tags chosen among components. */
import { describe } from 'vitest';
import { casesFor, VUE_MOUNT, type Case } from './testing';

const cases = casesFor(VUE_MOUNT, 'App.vue');

const setup = (script: string, template: string) =>
  `<script setup lang="ts">\n${script}\n</script>\n<template>\n${template}\n</template>`;
const GAUGE = setup(
  `defineProps<{ wind: number }>();\ndefineEmits<{ gust: [speed: number] }>();`,
  `<b @click="$emit('gust', wind)"><slot /><slot name="scale" :step="wind" /></b>`,
);
const drawn = (render: string, props = '') =>
  `<script>\nimport { h } from 'vue';\nimport Gauge from './Gauge.vue';\nexport default { ${props} ${render} };\n</script>`;

const FORMS: [name: string, of: (given: string, slots?: string) => string][] = [
  ['set-up', (given, slots = 'null') => drawn(`setup() { return () => h(Gauge, ${given}, ${slots}); }`)],
  ['option', (given, slots = 'null') => drawn(`render() { return h(Gauge, ${given}, ${slots}); }`)],
];

describe('what render functions hand over', () => {
  cases(
    /^(prop|event|slot|component)\//,
    FORMS.flatMap(([form, of]): Case[] => [
      [
        `all is passed (${form})`,
        {
          'Gauge.vue': GAUGE,
          'App.vue': of('{ wind: 3, onGust: (n) => n }', `{ default: () => 'x', scale: ({ step }) => step }`),
        },
        [],
      ],
      [
        `a required prop is missing (${form})`,
        {
          'Gauge.vue': GAUGE,
          'App.vue': of('{ onGust: () => 1 }', `{ default: () => 'x', scale: () => 'y' }`),
        },
        ['error prop/missing App.vue:4 Gauge'],
      ],
      [
        `a value of another type (${form})`,
        {
          'Gauge.vue': GAUGE,
          'App.vue': of(`{ wind: '3', onGust: () => 1 }`, `{ default: () => 'x', scale: () => 'y' }`),
        },
        ['error prop/type-clash App.vue:4 wind'],
      ],
      [
        `a slot and a parameter that are not there (${form})`,
        {
          'Gauge.vue': GAUGE,
          'App.vue': of('{ wind: 3, onGust: () => 1 }', `{ scale: ({ stop }) => stop, foot: () => 'x' }`),
        },
        [
          'error slot/prop-unknown App.vue:4 stop',
          'error slot/unknown App.vue:4 foot',
          'note slot/unfilled Gauge.vue:6 <slot />',
        ],
      ],
      [
        `nothing is known of what a spread brings (${form})`,
        { 'Gauge.vue': GAUGE, 'App.vue': of('{ ...$attrs }', 'slots') },
        [],
      ],
    ]),
  );
});

describe('older render functions', () => {
  const old = (given: string, rest = '') =>
    `<script>\nimport Gauge from './Gauge.vue';\nexport default { render(h) { return h(Gauge, ${given}${rest}); } };\n</script>`;
  cases(/^(prop|event|slot|component)\//, [
    [
      'groups of what is handed over',
      {
        'Gauge.vue': GAUGE,
        'App.vue': old(
          `{ props: { wind: 3 }, on: { gust: (n) => n }, scopedSlots: { scale: () => 'x' } }`,
          `, ['y']`,
        ),
      },
      [],
    ],
    [
      'a type in a group, and an event that nobody hears',
      { 'Gauge.vue': GAUGE, 'App.vue': old(`{ props: { wind: '3' } }`, `, ['y']`) },
      ['error prop/type-clash App.vue:3 wind'],
    ],
    [
      'a slot of the owner inside another component',
      {
        'Gauge.vue': GAUGE,
        'Frame.vue': old(`{ props: { wind: 3 }, on: { gust: () => 1 } }`, `, [this.$slots.default]`),
        'App.vue': setup(`import Frame from './Frame.vue';`, '<Frame>x</Frame>'),
      },
      [],
    ],
  ]);
});

describe('slots that code draws', () => {
  const frame = (body: string) =>
    `import { h, defineComponent } from 'vue';\nexport default defineComponent({ name: 'Frame', ${body} });`;
  const app = (inside: string) => setup(`import Frame from './frame';`, `<Frame>${inside}</Frame>`);
  cases(/^(slot|prop)\//, [
    [
      'an outlet by a call, with what it gives',
      {
        'frame.ts': frame(
          `setup(props, { slots }) { return () => h('div', [slots.default?.(), slots.foot?.({ total: 3 })]); }`,
        ),
        'App.vue': app('x<template #foot="{ totl }">{{ totl }}</template>'),
      },
      ['error slot/prop-unknown App.vue:5 totl'],
    ],
    [
      'a name that is never drawn',
      {
        'frame.ts': frame(`setup(props, { slots }) { return () => h('div', slots.default()); }`),
        'App.vue': app('x<template #foot>y</template>'),
      },
      ['error slot/unknown App.vue:5 foot'],
    ],
    [
      'asking for a slot draws nothing; handing all of them on may draw any',
      {
        'frame.ts': frame(
          `setup(props, { slots }) { return () => (slots.head ? h('div', slots.default()) : h('p', null, slots)); }`,
        ),
        'App.vue': app('x<template #foot>y</template>'),
      },
      [],
    ],
    [
      'through the context, through `this`, and in markup',
      {
        'frame.tsx': `import { defineComponent } from 'vue';
export default defineComponent({
  setup(props, context) { return () => <div>{context.slots.default?.()}</div>; },
});`,
        'Other.vue': `<script>export default { render() { return this.$slots.head({ n: 1 }); } };</script>`,
        'App.vue': setup(
          `import Frame from './frame';\nimport Other from './Other.vue';`,
          '<Frame>x<template #foot>y</template></Frame><Other><template #head="{ m }">{{ m }}</template></Other>',
        ),
      },
      ['error slot/unknown App.vue:6 foot', 'error slot/prop-unknown App.vue:6 m'],
    ],
    [
      'content as an object in markup',
      {
        'Gauge.vue': GAUGE,
        'App.vue': `<script lang="tsx">
import Gauge from './Gauge.vue';
export default { render() { return <Gauge wind={3} onGust={() => 1}>{{ default: () => 'x', scal: () => <b /> }}</Gauge>; } };
</script>`,
      },
      [
        'error slot/unknown App.vue:3 scal',
        'note slot/unfilled Gauge.vue:6 <slot name="scale" :step="wind" />',
      ],
    ],
  ]);
});

describe('tags chosen among components', () => {
  const dial = setup(`defineProps<{ wind: number; unit?: string }>();`, '<i>{{ wind }} {{ unit }}</i>');
  const gauge = setup(`defineProps<{ wind: number }>();`, '<b>{{ wind }}</b>');
  const app = (is: string, given: string, script = '') =>
    setup(
      `import Gauge from './Gauge.vue';\nimport Dial from './Dial.vue';\nconst wide = load();\n${script}`,
      `<component :is="${is}" ${given} />`,
    );
  const both = (text: string) => ({ 'Gauge.vue': gauge, 'Dial.vue': dial, 'App.vue': text });
  cases(/^(prop|component)\//, [
    [
      'what one takes, the others are given, too',
      both(app('wide ? Gauge : Dial', ':wind="3" unit="kn"')),
      [],
    ],
    [
      'what each requires',
      both(app('wide ? Gauge : Dial', 'unit="kn"')),
      ['error prop/missing App.vue:8 component', 'error prop/missing App.vue:8 component'],
    ],
    [
      'through what is derived',
      both(
        app(
          'shown',
          'unit="kn"',
          `import { computed } from 'vue';\nconst shown = computed(() => (wide ? Dial : Gauge));`,
        ),
      ),
      ['error prop/missing App.vue:9 component', 'error prop/missing App.vue:9 component'],
    ],
    [
      'one of them is not known',
      both(app('wide ? Gauge : load()', '')),
      ['error prop/missing App.vue:8 component', 'note component/unused Dial.vue:1 '],
    ],
    ['a name as a text', both(app(`wide ? 'Gauge' : 'Dial'`, ':wind="3" unit="x"')), []],
    ['elements of the page', both(app(`wide ? 'a' : 'button'`, ':title="3"', 'load(Gauge, Dial);')), []],
    [
      'a variable may hold another one later',
      both(
        app('shown', '', `import { shallowRef } from 'vue';\nconst shown = shallowRef(Gauge);\nload(Dial);`),
      ),
      ['error prop/missing App.vue:10 component'],
    ],
  ]);
});

describe('components that are made by calls', () => {
  const gauge = setup(`defineProps<{ wind: number }>();`, '<b>{{ wind }}</b>');
  cases(/^(prop|component|event)\//, [
    [
      'loaded on demand by a set-up script',
      {
        'Gauge.vue': gauge,
        'App.vue': setup(
          `import { defineAsyncComponent } from 'vue';\nconst Gauge = defineAsyncComponent(() => import('./Gauge.vue'));`,
          '<Gauge />',
        ),
      },
      ['error prop/missing App.vue:6 Gauge'],
    ],
    [
      'a set-up function with options beside it',
      {
        'gauge.tsx': `import { defineComponent } from 'vue';
export const Gauge = defineComponent((props, { emit }) => () => <b onClick={() => emit('gust', 3)}>{props.wind}</b>, {
  props: { wind: { type: Number, required: true } },
  emits: ['gust'],
});`,
        'App.vue': setup(`import { Gauge } from './gauge';`, '<Gauge wind="3" />'),
      },
      ['error prop/type-clash App.vue:5 wind', "warning event/unheard gauge.tsx:4 'gust'"],
    ],
    [
      'registered for the app by a loop over a table, by its keys',
      {
        'Gauge.vue': gauge,
        'kit.ts': `import Gauge from './Gauge.vue';
const all = { Gauge };
export default { install(app) { for (const [name, one] of Object.entries(all)) app.component(name, one); } };`,
        'main.ts': `import { createApp } from 'vue';
import App from './App.vue';
import kit from './kit';
createApp(App).use(kit).mount('#app');`,
        'App.vue': setup('', '<Gauge /><Buoy />'),
      },
      ['error prop/missing App.vue:5 Gauge'],
    ],
  ]);
});

describe('keys that are values, and values that never change', () => {
  const KEYS = `import type { InjectionKey } from 'vue';\nexport const fleet: InjectionKey<number> = Symbol('fleet');`;
  const reader = setup(
    `import { inject } from 'vue';\nimport { fleet } from './keys';\nconst n = inject(fleet);`,
    '<b>{{ n }}</b>',
  );
  const provides = (child: string, value: string) =>
    setup(
      `import { provide } from 'vue';\nimport { fleet } from './keys';\nimport Child from './${child}.vue';\nprovide(fleet, ${value});`,
      '<Child />',
    );
  cases(/^(context|prop)\//, [
    [
      'a second provider of one symbol, and a value of another type',
      {
        'keys.ts': KEYS,
        'Reader.vue': reader,
        'Hall.vue': provides('Reader', `'three'`),
        'App.vue': provides('Hall', '3'),
      },
      ['note context/shadowed Hall.vue:5 fleet', "error context/type-clash Hall.vue:5 'three'"],
    ],
    [
      'two symbols are two keys, whatever they are described by',
      {
        'keys.ts': `${KEYS}\nexport const other: InjectionKey<number> = Symbol('fleet');`,
        'Reader.vue': reader,
        'Hall.vue': provides('Reader', '4').replaceAll('fleet', 'other'),
        'App.vue': provides('Hall', '3'),
      },
      ['warning context/unread Hall.vue:5 other'],
    ],
    [
      'the same literal at every call site',
      {
        'Gauge.vue': setup(`defineProps<{ wind: number; unit: string }>();`, '<b>{{ wind }} {{ unit }}</b>'),
        'App.vue': setup(
          `import Gauge from './Gauge.vue';\nconst n = load();`,
          '<Gauge :wind="n" unit="kn" /><Gauge :wind="1" unit="kn" /><Gauge :wind="1" :unit="\'kn\'" />',
        ),
      },
      ['note prop/constant Gauge.vue:2 unit'],
    ],
  ]);
});

describe('what older templates write', () => {
  const frame = `<template><div><slot name="row" :total="3" /><slot :step="1" /></div></template>`;
  const app = (inside: string) =>
    `<template><Frame>${inside}</Frame></template>\n<script>import Frame from './Frame.vue';\nexport default { components: { Frame } };</script>`;
  cases(/^(slot|template|prop|ref)\//, [
    [
      'scopes of slots beside their names, on templates and on elements',
      {
        'Frame.vue': frame,
        'App.vue': app(
          `<template slot="row" slot-scope="{ total }">{{ total }}</template><p slot-scope="own">{{ own.step }}</p>`,
        ),
      },
      [],
    ],
    [
      'a parameter that the slot does not give',
      { 'Frame.vue': frame, 'App.vue': app(`<p slot="row" slot-scope="{ totl }">{{ totl }}</p>x`) },
      ['error slot/prop-unknown App.vue:1 totl'],
    ],
    [
      'an element that stands for a component',
      {
        'Frame.vue': `<template><tr><slot :step="1" /></tr></template><script>export default { props: { wide: { type: Number, required: true } } , mounted() { this.wide; } };</script>`,
        'App.vue': `<template><table><tr is="frame"><template slot-scope="own">{{ own.stp }}</template></tr></table></template>\n<script>import Frame from './Frame.vue';\nexport default { components: { Frame } };</script>`,
      },
      ['error prop/missing App.vue:1 tr', 'error slot/prop-unknown App.vue:1 stp'],
    ],
    [
      'a functional component is given everything in one object',
      {
        'Frame.vue': `<script>export default { functional: true, props: { wide: Boolean, step: Number }, render(h, { props, children }) { return h('div', { class: props.wide }, children); } };</script>`,
        'App.vue': app('x'),
      },
      [],
    ],
    [
      'members that are read by names worked out',
      {
        'Gauge.vue': `<template><b>{{ all }}</b></template><script>export default { props: { wind: Number, gust: Number }, computed: { all() { return ['wind', 'gust'].map((name) => this[name]); } } };</script>`,
        'App.vue': setup(`import Gauge from './Gauge.vue';`, '<Gauge :wind="1" :gust="2" />'),
      },
      [],
    ],
    [
      'a filter in a binding gives anything',
      {
        'Gauge.vue': `<template><b>{{ wind }}</b></template><script>export default { props: { wind: Array } };</script>`,
        'App.vue': `<template><Gauge :wind="speed | listed(2)" /></template>\n<script>import Gauge from './Gauge.vue';\nexport default { components: { Gauge }, data() { return { speed: 3 }; }, filters: { listed: (n) => [n] } };</script>`,
      },
      [],
    ],
    [
      'events that code makes for elements rise to who listens on a component',
      {
        'gust.js': `export const gust = (el) => el.dispatchEvent(new CustomEvent('wind-gust', { bubbles: true }));`,
        'Gauge.vue': `<template><b /></template><script>export default {};</script>`,
        'App.vue': setup(
          `import Gauge from './Gauge.vue';\nconst go = () => 1;`,
          '<Gauge @wind-gust="go" @calm="go" />',
        ),
      },
      [],
    ],
    [
      'a listener of a handle is looked up when the event comes',
      {
        'Gate.vue': setup('const open = () => 1;\ndefineExpose({ open });', '<b><slot /></b>'),
        'App.vue': setup(
          `import { ref } from 'vue';\nimport Gate from './Gate.vue';\nconst gate = ref();`,
          '<Gate ref="gate"><b @click="gate.open" /></Gate>',
        ),
      },
      [],
    ],
  ]);
});

describe('options that something else than the framework is given', () => {
  const asked = '<Gauge :wind="\'3\'" :gale="1" />';
  const single = (made: string) => `<template><b>{{ wind }}</b><i /></template>
<script lang="ts">
import Vue from 'vue';
import { mixins, define, held } from './make';
import { foreign } from 'elsewhere';
export default ${made}
</script>`;
  const code = (made: string) => `import { define, foreign } from './make';
export default ${made}`;
  const make = `import { defineComponent, markRaw } from 'vue';
export { foreign } from 'elsewhere';
export const held = { props: { gale: Number }, methods: { hold() { return this.gale; } } };
export function define(raw) { return markRaw(defineComponent(raw)); }
export const mixins = (...list) => list;`;
  const OWN = '{ props: { wind: Number } }';
  const DRAWS = `{ props: { wind: Number }, setup(props) { return () => [h('b', props.wind), h('i')]; } }`;
  const clash = 'error prop/type-clash App.vue:4 wind';
  const unknown = 'error prop/unknown App.vue:4 gale';
  const app = (file: string) =>
    setup(`import Gauge from './${file}';`, asked).replace('\n<template>', '<template>');
  cases(
    /^prop\/(unknown|type-clash)/,
    [
      [
        'its own function, whose type is told',
        'Gauge.vue',
        single(`(Vue as any).extend(${OWN})`),
        [clash, unknown],
      ],
      [
        'a function that hands them to the framework',
        'Gauge.vue',
        single(`define(${OWN})`),
        [clash, unknown],
      ],
      ['a function of others may add to them', 'Gauge.vue', single(`foreign(${OWN})`), [clash]],
      ['what comes of other options', 'Gauge.vue', single(`mixins(held).extend(${OWN})`), [clash]],
      [
        'what comes of options that nobody sees',
        'Gauge.vue',
        single(`mixins(foreign()).extend(${OWN})`),
        [clash],
      ],
      ['in code', 'Gauge.js', `import { h } from 'vue';\n${code(`define(${DRAWS})`)}`, [clash]],
      [
        'in code, to a function of others',
        'Gauge.js',
        `import { h } from 'vue';\n${code(`foreign(${DRAWS})`)}`,
        [clash],
      ],
      [
        'in code that imports nothing of the framework',
        'Gauge.js',
        code(`define({
  props: { wind: Number },
  render(h) { return [h('b', this.wind), h('i')]; },
})`),
        [clash],
      ],
      [
        'not what only looks like them',
        'Gauge.js',
        `import { h } from 'vue';\n${code(`foreign({ name: 'gauge', setup() {} })`)}`,
        [],
      ],
    ].map(([title, file, text, found]): Case => [
      title as string,
      { [file as string]: text as string, 'make.js': make, 'App.vue': app(file as string) },
      found as string[],
    ]),
  );
});
