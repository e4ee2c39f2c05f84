import { describe } from 'vitest';
import { casesFor, VUE_MOUNT } from './testing';
const cases = casesFor(VUE_MOUNT, 'App.vue');
const sfc = (script: string, template: string) =>
  `<script setup lang="ts">\n${script}\n</script>\n<template>${template}</template>`;
const Gauge = sfc('defineProps<{ n: number; note?: string }>()', '<b>{{ n }}{{ note }}</b>');
describe('vue', () => {
  cases(/./, [
    [
      'no registration matches',
      { 'App.vue': sfc('', '<Gauge :n="1" />') },
      ['error component/unresolved App.vue:4 Gauge'],
    ],
    [
      'mixins and extends',
      {
        'mix.js': `export const inked = {
  props: { ink: { type: String, required: true } },
  emits: ['dry'],
  data() { return { wet: true }; },
  methods: { dry() { this.$emit('dry', 1); } },
};`,
        'Key.vue': `<script>
import { inked } from './mix';
export default { name: 'Key', mixins: [inked], props: { at: { type: Number, required: true } } };
</script>
<template><b @click="dry">{{ at }}{{ ink }}{{ wet }}</b></template>`,
        'App.vue': sfc(
          "import Key from './Key.vue'",
          '<Key :at="1" /><Key ink="a" @dry="() => 1" @wet="() => 2" />',
        ),
      },
      [
        'error prop/missing App.vue:4 Key',
        'error prop/missing App.vue:4 Key',
        'error event/unknown App.vue:4 wet',
      ],
    ],
    [
      'computed component',
      {
        'Gauge.vue': Gauge,
        'App.vue': sfc(
          `import { computed, defineAsyncComponent, ref } from 'vue'; import Gauge from './Gauge.vue';
const wide = ref(true); const which = computed(() => wide.value ? Gauge : null); const Late = defineAsyncComponent({ loader: () => import('./Gauge.vue') });`,
          '<component :is="which" /><Late />',
        ),
      },
      ['error prop/missing App.vue:5 component', 'error prop/missing App.vue:5 Late'],
    ],
    [
      'what a build registers: anybody may draw it by its name, and hand its outermost tag what that asks for',
      {
        'parts/Gauge.vue': Gauge,
        'parts/Panel.vue': sfc('', '<Gauge note="a" />'),
        'main.ts': `import { createApp } from 'vue'; import App from './App.vue';
const app = createApp(App);
for (const [name, part] of Object.entries(window.parts)) app.component(name, part);
app.mount('#app');`,
        'App.vue': sfc('', '<p><Gauge note="a" /><Panel :n="1" /></p>'),
      },
      ['error prop/missing App.vue:4 Gauge'],
    ],
    [
      'pictures of a package that are registered in a loop say nothing of others',
      {
        'parts/Gauge.vue': Gauge,
        'parts/Panel.vue': sfc("import Gauge from './Gauge.vue'", '<Gauge :n="1" />'),
        'main.ts': `import { createApp } from 'vue'; import * as icons from 'icons'; import App from './App.vue';
const app = createApp(App);
for (const [name, icon] of Object.entries(icons)) app.component(name, icon);
const pick = (table) => { for (const name in table) app.component(name, table[name]); };
pick(icons);
app.mount('#app');`,
        'App.vue': sfc("import Panel from './parts/Panel.vue'", '<Panel />'),
      },
      ['warning prop/never-passed parts/Gauge.vue:2 note'],
    ],
    [
      'one that is registered by its own name says nothing of others',
      {
        'parts/Gauge.vue': Gauge,
        'parts/Panel.vue': sfc('', '<b />'),
        'parts/Mast.vue': sfc("import Gauge from './Gauge.vue'", '<Gauge note="a" />'),
        'main.ts': `import { createApp } from 'vue'; import App from './App.vue'; import Panel from './parts/Panel.vue';
const app = createApp(App); app.component(Panel.name, Panel);
app.mount('#app');`,
        'App.vue': sfc("import Mast from './parts/Mast.vue'", '<Panel /><Mast />'),
      },
      ['error prop/missing parts/Mast.vue:4 Gauge'],
    ],
    [
      'global registration by glob',
      {
        'parts/WindGauge.vue': Gauge,
        'main.ts': `import { createApp } from 'vue'; import App from './App.vue';
const app = createApp(App); const files = import.meta.glob('./parts/*.vue', { eager: true });
for (const path in files) app.component(path.split('/').pop().replace('.vue', ''), files[path].default);
app.mount('#app');`,
        'App.vue': sfc('', '<WindGauge />'),
      },
      ['error prop/missing App.vue:4 WindGauge'],
    ],
    [
      'render list',
      {
        'List.vue': sfc(
          'defineProps<{ items: number[] }>()',
          '<slot v-for="n in items" :n="n" name="row" />',
        ),
        'App.vue': sfc(
          "import List from './List.vue'",
          '<List :items="[1]"><template #row="{ n, wide }">{{ n }}{{ wide }}</template><template #footer>a</template></List>',
        ),
      },
      ['error slot/prop-unknown App.vue:4 wide', 'error slot/unknown App.vue:4 footer'],
    ],
    [
      'ref in a loop is a list',
      {
        'Gauge.vue': Gauge,
        'App.vue': sfc(
          "import { ref } from 'vue'; import Gauge from './Gauge.vue'; const gauges = ref([]); const go = () => gauges.value.forEach((one) => one.$el); const first = () => gauges.value[0].hold();",
          '<Gauge v-for="n in 3" :key="n" ref="gauges" :n="n" note="a" /><b @click="go(); first()" />',
        ),
      },
      [],
    ],
    [
      'v-bind in styles',
      {
        'Gauge.vue':
          sfc('const props = defineProps<{ tint: string; wide: string }>()', '<b/>') +
          `<style>b { color: v-bind(tint); width: v-bind('props.wide'); }</style>`,
        'App.vue': sfc("import Gauge from './Gauge.vue'", '<Gauge tint="a" wide="b" />'),
      },
      [],
    ],
    [
      'data takes props',
      {
        'Gauge.vue': `<script>
export default { props: ['n', 's'], data(props) { return { at: props.n }; }, metaInfo() { return this.s; } };
</script><template><b>{{ at }}</b></template>`,
        'App.vue': sfc("import Gauge from './Gauge.vue'; const n = 3;", '<Gauge :n="n" s="a" />'),
      },
      ['note prop/stale-copy Gauge.vue:2 at'],
    ],
    [
      'slot forwarded by slot attr',
      {
        'Box.vue': sfc('', '<b><slot name="y" /></b>'),
        'Frame.vue': sfc("import Box from './Box.vue'", '<Box><slot name="x" slot="y" /></Box>'),
        'App.vue': sfc("import Frame from './Frame.vue'", '<Frame><template #x>a</template></Frame>'),
      },
      [],
    ],
    [
      'model keeps own value',
      {
        'Field.vue': sfc('const model = defineModel<string>()', '<input v-model="model">'),
        'App.vue': sfc("import Field from './Field.vue'", '<Field model-value="a" />'),
      },
      [],
    ],
    [
      '$refs optional',
      {
        'Gauge.vue': `<script>
export default { props: ['n'], methods: { hold() { return this.n; } } };
</script><template><b>{{ n }}</b></template>`,
        'App.vue': `<script>
import Gauge from './Gauge.vue';
export default { components: { Gauge }, mounted() { this.$nextTick(() => this.$refs.g.holdd()); } };
</script>
<template><Gauge ref="g" :n="1" /><b @click="$refs.g?.hold()"></b></template>`,
      },
      ['error ref/unknown-member App.vue:3 holdd'],
    ],
    [
      'handler called instead of handed',
      {
        'App.vue': sfc(
          'const hold = (n: number) => { console.log(n); };\nconst make = (n: number) => () => n;',
          '<b @click="hold(1)" :onClick="hold(2)" /><i :onClick="make(3)" />',
        ),
      },
      ['error event/called-early App.vue:5 hold(2)'],
    ],
    [
      'onX declared as prop and given as @x',
      {
        'B.vue': `<script setup>
defineProps({ onHold: { type: Function, required: true } });
</script><template><b @click="onHold">a</b></template>`,
        'App.vue': sfc(
          "import B from './B.vue'; const go = () => {};",
          '<B @hold="go" /><B v-on="{ hold: go }" /><B />',
        ),
      },
      ['error prop/missing App.vue:4 B'],
    ],
    [
      'plugin provides',
      {
        'plugin.ts': `import type { App } from 'vue'; export const press = { install(app: App) { app.provide('press', 3); } };`,
        'main.ts': `import { createApp } from 'vue'; import App from './App.vue'; import { press } from './plugin';
createApp(App).use(press).mount('#app');`,
        'App.vue': sfc(
          "import { inject } from 'vue'; const p = inject('press'); const q = inject('prass');",
          '<b>{{ p.x }}{{ q.x }}</b>',
        ),
      },
      ["error context/no-provider App.vue:2 inject('prass')"],
    ],
    [
      'provide after await',
      {
        'App.vue': `<script>
import { provide, inject } from 'vue';
export default { async setup() { await fetch('a'); provide('a', 1); inject('a', 3); const w = inject('b', 2); return { w }; } };
</script>
<template><b>{{ w }}</b></template>`,
      },
      [
        "error context/wrong-time App.vue:3 provide('a', 1)",
        "error context/wrong-time App.vue:3 inject('a', 3)",
        "error context/wrong-time App.vue:3 inject('b', 2)",
      ],
    ],
    [
      'exposed in a local',
      {
        'G.vue': sfc('const api = { hold() {}, free() {} };\ndefineExpose(api);', '<b/>'),
        'App.vue': sfc(
          "import { ref } from 'vue'; import G from './G.vue'; const g = ref<InstanceType<typeof G>>(); const go = () => g.value!.stop();",
          '<G ref="g" /><b @click="go" />',
        ),
      },
      ['error ref/unknown-member App.vue:2 stop'],
    ],
    [
      'fall through reaches root component',
      {
        'Inner.vue': sfc('defineProps<{ n: number; s?: string }>()', '<b>{{ n }}{{ s }}</b>'),
        'Outer.vue': sfc("import Inner from './Inner.vue'", '<Inner s="a" />'),
        'App.vue': sfc("import Outer from './Outer.vue'", '<Outer :n="1" /><Outer n="x" />'),
      },
      ['error prop/type-clash App.vue:4 n'],
    ],
    [
      'v-if template root with loop attributes',
      {
        'Row.vue': sfc(
          'defineProps<{ items: number[] }>()',
          '<template v-if="items"><b v-for="n in items" :key="n">{{ n }}</b></template>',
        ),
        'App.vue': sfc("import Row from './Row.vue'", '<Row :items="[1]" tint="a" itmes="b" />'),
      },
      ['error prop/unknown App.vue:4 tint', 'error prop/unknown App.vue:4 itmes'],
    ],
    [
      'what a plugin of a package may register, and what a known one does',
      {
        'main.ts': `import { createApp } from 'vue';
import { createRouter } from 'vue-router';
import Kit from 'some-kit';
import App from './App.vue';
const router = createRouter({});
createApp(App).use(router).use(Kit).mount('#app');`,
        'App.vue': sfc('', '<RouterView /><Gauge :n="1" />'),
      },
      [],
    ],
    [
      'with a known plugin alone',
      {
        'main.ts': `import { createApp } from 'vue';
import { createRouter } from 'vue-router';
import App from './App.vue';
createApp(App).use(createRouter({})).mount('#app');`,
        'App.vue': sfc('', '<RouterView /><Gauge :n="1" />'),
      },
      ['error component/unresolved App.vue:4 Gauge'],
    ],
  ]);
});

describe('what is copied before anything is drawn', () => {
  const row = (more: string, created = 'created() { this.kept = this.n; }'): string =>
    `<script>\nexport default { props: { n: Number },\ndata() { return { kept: 0 }; },\n${created}, ${more} methods: { up() { this.kept++; } } };\n</script><template><b @click="up">{{ kept }}</b></template>`;
  const app = { 'App.vue': sfc(`import Row from './Row.vue';`, '<Row :n="1" />') };
  cases(/stale-copy/, [
    ['nothing renews it', { ...app, 'Row.vue': row('') }, ['note prop/stale-copy Row.vue:3 kept']],
    ['a watcher renews it', { ...app, 'Row.vue': row('watch: { n(v) { this.kept = v; } },') }, []],
    [
      'a watcher of the prop looks at it, and does what it does',
      { ...app, 'Row.vue': row('watch: { n(v) { if (v !== this.kept) this.$refs.b.focus(); } },') },
      [],
    ],
    [
      'a watcher of something else looks at it',
      { ...app, 'Row.vue': row('watch: { $route() { if (this.kept) this.$refs.b.focus(); } },') },
      ['note prop/stale-copy Row.vue:3 kept'],
    ],
    [
      'what is worked out of it is no copy',
      { ...app, 'Row.vue': row('', 'async created() { this.kept = await load(this.n); }') },
      [],
    ],
  ]);
});

describe('props that are told by name', () => {
  const lamp = (code: string): string =>
    sfc(
      `import { pick, useClasses } from '@/classes';\nconst emit = defineEmits(['tone']);\nconst props = defineProps({ tone: String, glow: String, dim: String });\n${code}`,
      '<b>{{ shown }}</b>',
    );
  const app = { 'App.vue': sfc(`import Lamp from './Lamp.vue';`, '<Lamp tone="x" glow="y" dim="z" />') };
  cases(/unread|never-passed/, [
    [
      'to a function of another file, while it is set up',
      { ...app, 'Lamp.vue': lamp(`const shown = useClasses(['tone', { from: 'glow' }], () => 'dim');`) },
      ['warning prop/unread Lamp.vue:4 dim'],
    ],
    [
      'to what is given the props',
      {
        'App.vue': app['App.vue'].replace('dim="z"', ''),
        'Lamp.vue': lamp(`const all = useAll(props); const shown = useClasses(pick(all, 'dim'));`),
      },
      [],
    ],
    [
      'to what raises events, or later',
      { ...app, 'Lamp.vue': lamp(`emit('tone'); const shown = () => useClasses('glow');`) },
      ['tone', 'glow', 'dim'].map((name) => `warning prop/unread Lamp.vue:4 ${name}`),
    ],
  ]);
});

describe('a prop that is bound by its name, of a component that has one called value', () => {
  const field = (options: string, body: string): string =>
    `<script>\nexport default { props: { value: String }, ${options} };\n</script>\n<template>${body}</template>`;
  const asks = field(`emits: ['update:value']`, `<i @click="$emit('update:value', 'x')">{{ value }}</i>`);
  const app = (markup: string) => ({
    'App.vue': sfc(
      `import { ref } from 'vue';\nimport Field from './Field.vue';\nconst name = ref('');\nconst crew = ref({ name: '' });`,
      markup,
    ),
  });
  cases(/event|prop/, [
    ['which asks for it by that name', { ...app('<Field v-model:value="name" />'), 'Field.vue': asks }, []],
    [
      'the same, as older versions write it',
      { ...app('<Field :value.sync="name" />'), 'Field.vue': asks },
      [],
    ],
    [
      'which asks by the older name, bound without one',
      {
        ...app('<Field v-model="name" />'),
        'Field.vue': field(`emits: ['input']`, `<i @click="$emit('input', 'x')">{{ value }}</i>`),
      },
      [],
    ],
    [
      'which asks by the older name only',
      {
        ...app('<Field v-model:value="name" />'),
        'Field.vue': field(`emits: ['input']`, `<i @click="$emit('input', 'x')">{{ value }}</i>`),
      },
      ['error event/unknown App.vue:7 value', "warning event/unheard Field.vue:2 'input'"],
    ],
    [
      'which binds it further down, and asks for nothing',
      {
        ...app('<Crew v-model:value="crew" />'),
        'App.vue': app('<Crew v-model:value="crew" />')['App.vue'].replaceAll('Field', 'Crew'),
        'Field.vue': asks,
        'Crew.vue': `<script>
import Field from './Field.vue';
export default { components: { Field }, props: { value: Object } };
</script>
<template><Field v-model:value="value.name" /></template>`,
      },
      [],
    ],
    [
      'bound by the child to something else',
      {
        'App.vue': app('<Crew v-model:value="name" />')['App.vue'].replaceAll('Field', 'Crew'),
        'Field.vue': asks,
        'Crew.vue': `<script>
import Field from './Field.vue';
export default { components: { Field }, props: { value: String }, data: () => ({ own: '' }) };
</script>
<template><b>{{ value }}<Field v-model:value="own" />{{ own }}</b></template>`,
      },
      ['error event/unknown App.vue:7 value'],
    ],
  ]);
});

describe('events that are raised in a component which is looked for', () => {
  const carrier = (raise: string) => `export default {
  methods: {
    dispatch(kind, event, given) {
      let parent = this.$parent;
      while (parent && parent.$options.kind !== kind) parent = parent.$parent;
      ${raise}
    },
  },
};`;
  const app = (name: string) => ({
    'App.vue': sfc(
      `import { ref } from 'vue';\nimport Rack from './Rack.vue';\nimport Lamp from './Lamp.vue';\nconst lit = ref('');`,
      `<Rack v-model="lit" @${name}="lit = ''"><Lamp /></Rack>`,
    ),
    'Rack.vue': `<script>
export default { kind: 'Rack', props: { value: String } };
</script>
<template><b>{{ value }}<slot /></b></template>`,
    'Lamp.vue': `<script>
import carrier from './carrier';
export default { mixins: [carrier], methods: { go() { this.dispatch('Rack', 'input', ['on']); this.dispatch('Rack', 'halted', []); } } };
</script>
<template><i @click="go" /></template>`,
  });
  cases(/event\/unknown/, [
    [
      'by one that is given its name',
      { ...app('halted'), 'carrier.js': carrier('parent.$emit.apply(parent, [event].concat(given));') },
      [],
    ],
    ['called plainly', { ...app('halted'), 'carrier.js': carrier('parent?.$emit(event, given);') }, []],
    [
      'and one that nobody names',
      { ...app('gone'), 'carrier.js': carrier('parent.$emit(event, given);') },
      ['error event/unknown App.vue:7 gone'],
    ],
    [
      'where the event is not taken from what is given',
      { ...app('halted'), 'carrier.js': carrier(`parent.$emit('seen', given);`) },
      ['error event/unknown App.vue:7 v-model="lit"', 'error event/unknown App.vue:7 halted'],
    ],
  ]);
});

describe('props that several components share', () => {
  const shared = `import type { PropType } from 'vue';
export const sizeProps = { size: { type: String as PropType<'s' | 'm'>, default: 'm' } } as const;
export const lampProps = buildProps({ ...sizeProps, lit: Boolean, tone: { type: [String, Number], required: true } } as const);
export const other = { size: 's', tone: 3 };`;
  const files = (declared: string, markup: string, more = '') => ({
    'props.ts': shared,
    'App.vue': sfc(`import Lamp from './Lamp.vue';`, markup),
    'Lamp.vue': `<script setup lang="ts">
import { lampProps, other } from './props';${more}
defineOptions({ inheritAttrs: false });
const props = defineProps(${declared});
</script>
<template><b :class="size">{{ lit }}{{ props.tone }}</b></template>`,
  });
  const faults = [
    'error prop/missing App.vue:4 Lamp',
    'error prop/type-clash App.vue:4 size',
    'error prop/unknown App.vue:4 colour',
  ];
  const wrong = `<Lamp lit :size="'x'" colour="a" />`;
  cases(/prop\/(missing|type-clash|unknown|unread)/, [
    ['whole', files('lampProps', wrong), faults],
    [
      'among others',
      files('{ ...lampProps, high: Number }', wrong.replace('/>', ':high="2" />')),
      [...faults, 'warning prop/unread Lamp.vue:4 high'],
    ],
    [
      'in a file without the framework',
      {
        ...files('lampProps', wrong),
        'props.ts': shared.replace(/^import.*\n/, '').replace(/ as PropType<.*?>/, ''),
      },
      faults.filter((one) => !one.includes('type-clash')),
    ],
    [
      'before those of a mixin',
      {
        ...files('', '<Lamp tone="a" />'),
        'mix.js': `export const mix = { props: { tone: { type: Number } } };`,
        'Lamp.vue': `<script>
import { lampProps } from './props';
import { mix } from './mix';
export default { mixins: [mix], props: { ...lampProps } };
</script>
<template><b :class="size">{{ lit }}{{ tone }}</b></template>`,
      },
      [],
    ],
    ['rightly', files('lampProps', '<Lamp tone="a" lit />'), []],
    ['which are none', files('{ ...other, high: Number }', wrong), []],
    [
      'among the options',
      {
        ...files('', wrong),
        'Lamp.vue': `<script>
import { lampProps } from './props';
export default { inheritAttrs: false, props: { ...lampProps }, computed: { shown() { return this.tone; } } };
</script>
<template><b :class="size">{{ lit }}{{ shown }}</b></template>`,
      },
      faults,
    ],
    [
      'of a file of a package',
      {
        ...files('{ ...kitProps, high: Number }', wrong, `\nimport { kitProps } from '@rope/kit';`),
      },
      [],
    ],
  ]);
});

describe('props of a tag in a render function that a call gives', () => {
  const app = (given: string) => ({
    'Lamp.vue': `<script>
export default { props: { tone: { type: String, required: true } } };
</script>
<template><b>{{ tone }}</b></template>`,
    'rows.js': `import { h } from 'vue';
export const rowsOf = (list) => list.map((one) => h('i', one));`,
    'App.vue': `<script>
import { h } from 'vue';
import Lamp from './Lamp.vue';
import { rowsOf } from './rows';
import { keep } from 'kit';
export default { data: () => ({ all: {} }), render() { return h('p', [h(Lamp, ${given})]); } };
</script>`,
  });
  cases(/prop\/missing|no-outlet/, [
    ['of props', app(`keep(this.all, ['tone'], { id: 1 })`), []],
    ['of props, by a method', app('this.$keep(this.all)'), []],
    ['which are written', app('{ id: 1 }'), ['error prop/missing App.vue:6 Lamp']],
  ]);
});

describe('what is provided before anything is drawn', () => {
  const app = (hook: string) => ({
    'Lamp.vue': sfc(`import { inject } from 'vue';\nconst tone = inject('tone');`, '<b>{{ tone }}</b>'),
    'App.vue': `<script>
import { provide } from 'vue';
import Lamp from './Lamp.vue';
export default { components: { Lamp }, ${hook}() { provide('tone', 3); } };
</script>
<template><Lamp /></template>`,
  });
  cases(/wrong-time/, [
    ['when it is created', app('created'), []],
    ['when it is there', app('mounted'), [`error context/wrong-time App.vue:4 provide('tone', 3)`]],
  ]);
});

describe('what a render function takes out of the instance', () => {
  const rack = (taken: string, drawn: string) => ({
    'Rack.js': `import { h } from 'vue';
export const Rack = { props: { span: Number }, render() { const { ${taken} } = this; return h('div', ${drawn}); } };`,
    'App.vue': `<script setup>
import { Rack } from './Rack';
</script>
<template><Rack :span="1" @out="go">a</Rack></template>`,
  });
  cases(/no-outlet|event\/unknown|prop\/unread/, [
    [
      'its slots, its props, what raises events',
      rack('$slots, span, $emit', `{ a: span, onClick: () => $emit('out') }, [h('i', [$slots.default?.()])]`),
      [],
    ],
    [
      'none of that',
      rack('span', `{ a: span }, []`),
      ['error slot/no-outlet App.vue:4 Rack', 'error event/unknown App.vue:4 out'],
    ],
    [
      'the slots as they are',
      rack('$slots, $emit', `{ a: 1, onClick: () => $emit('out') }, $slots`),
      ['warning prop/unread Rack.js:2 span'],
    ],
  ]);
});

describe('a component that draws itself by the name of its options', () => {
  const node = (name: string) => ({
    'node.vue': `<script>
export default { name: '${name}', props: { next: Object } };
</script>
<template><b><TreeNode v-if="next" :next="next.next" /></b></template>`,
    'App.vue': sfc(`import Node from './node.vue';`, '<Node :next="{}" />'),
  });
  cases(/unresolved/, [
    ['which it has', node('TreeNode'), []],
    ['with dashes', node('tree-node'), []],
    ['which is another', node('TreeLeaf'), ['error component/unresolved node.vue:4 TreeNode']],
  ]);
});

describe('options that are extended to be taken over', () => {
  const files = (listen: string) => ({
    'toned.ts': `import Vue from 'vue';\nexport default Vue.extend({ props: { tone: String } });`,
    'picked.ts': `import mixins from './mixins';
import Toned from './toned';
export default mixins(Toned).extend({
  methods: { pick(name: string, value: any) { this.$emit('picked', value); } },
});`,
    'Title.ts': `import mixins from './mixins';
import Picked from './picked';
export default mixins(Picked).extend({ props: { year: String }, render(h) { return h('b', { on: { click: () => this.pick('year', this.year) } }, [this.tone]); } });`,
    'App.vue': sfc(`import Title from './Title';`, `<Title year="1" tone="a" @${listen}="go" />`),
  });
  cases(/event\/unknown|prop\/unknown/, [
    ['what they raise is raised', files('picked'), []],
    [
      'what they raise by a name that is worked out may be anything',
      {
        ...files('update:year'),
        'picked.ts': files('')['picked.ts'].replace("$emit('picked'", '$emit(`update:${name}`'),
      },
      [],
    ],
  ]);
});

describe('a text as a key, provided again further down', () => {
  const part = (name: string, script: string, markup: string) => ({ [`${name}.vue`]: sfc(script, markup) });
  const tone = {
    'tone.ts': `import { provide } from 'vue';\nexport function useTone() { provide('tone', 3); }`,
  };
  const below = part(
    'Lamp',
    `import { inject } from 'vue';\nconst tone = inject('tone');`,
    '<b>{{ tone }}</b>',
  );
  const own = `import { provide } from 'vue';\nprovide('tone', 3);`;
  const used = `import { useTone } from './tone';\nuseTone();`;
  const files = (app: string, rack: string) => ({
    ...tone,
    ...below,
    ...part('Rack', `import Lamp from './Lamp.vue';\n${rack}`, '<Lamp />'),
    ...part('App', `import Rack from './Rack.vue';\n${app}`, '<Rack />'),
  });
  cases(/key-clash/, [
    ['written twice', files(own, own), [`warning context/key-clash Rack.vue:4 'tone'`]],
    ['by a function that both call', files(used, used), []],
    [
      'by a function, and written once more',
      files(used, own),
      [`warning context/key-clash Rack.vue:4 'tone'`],
    ],
  ]);
});

describe('a component that extends the options of another, and draws what that draws', () => {
  const files = (tag: string, made = 'Drum.extend({') => ({
    'Drum.js': `import Vue from 'vue';
export const Drum = Vue.extend({
  name: 'Drum',
  props: { turns: Number },
  render(h) { return h('b', [this.turns]); },
});`,
    'Winch.js': `import { Drum } from './Drum';
export default ${made}
  name: 'Winch',
  props: { load: Number },
  methods: {
    pull() { return this.load * this.turns; },
  },
});`,
    'App.vue': `<script>
import Winch from './Winch';
export default { components: { Winch }, mounted() { this.$refs.winch.pull(); this.$refs.winch.brake(); } };
</script>
<template>${tag}</template>`,
  });
  cases(/type-clash|unresolved|unknown|inherits/, [
    [
      'what it takes, and what a handle to it reaches',
      files('<Winch ref="winch" :load="true" turns="4" />'),
      [
        'error ref/unknown-member App.vue:3 brake',
        'error prop/type-clash App.vue:5 load',
        'error prop/type-clash App.vue:5 turns',
      ],
    ],
    [
      'options beside a component that is extended are dropped',
      files('<Winch ref="winch" :load="true" turns="4" />', 'Vue.extend(Drum, {'),
      ['error prop/type-clash App.vue:5 turns'],
    ],
  ]);
});
