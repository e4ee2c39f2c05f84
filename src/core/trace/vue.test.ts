import { describe, expect, test } from 'vitest';
import { edges, type Sources, traced, traces } from './testing';

const TWO_WAY_AND_EVENTS: Sources = {
  'App.vue': `<script setup lang="ts">
import { ref } from 'vue';
import Field from './Field.vue';
import Show from './Show.vue';
const text = ref('');
const other = ref('');
</script>
<template><Field v-model="text" /><Field v-model="other" /><Show :v="text" /></template>`,
  'Field.vue': `<script setup lang="ts">
const props = defineProps<{ modelValue: string }>();
const emit = defineEmits<{ 'update:modelValue': [string] }>();
</script>
<template><input :value="modelValue" @input="emit('update:modelValue', ($event.target as any).value)" /></template>`,
  'Show.vue': `<script setup lang="ts">defineProps<{ v: string }>();</script>
<template><b>{{ v }}</b></template>`,
};
describe('two way and events', () => {
  traces(TWO_WAY_AND_EVENTS, [
    [
      'App:state:text',
      [
        'App:state:text rename Field:prop:modelValue',
        'App:state:text rename Show:prop:v',
        'Field:event:update:modelValue write App:state:text',
      ],
    ],
    [
      'Show:prop:v',
      ['App:state:text rename Show:prop:v', 'Field:event:update:modelValue write App:state:text'],
    ],
  ]);
});

const DEFINEMODEL_NESTED: Sources = {
  'App.vue': `<script setup lang="ts">
import { ref } from 'vue';
import Outer from './Outer.vue';
const n = ref(1);
</script>
<template><Outer v-model:count="n" /></template>`,
  'Outer.vue': `<script setup lang="ts">
import Inner from './Inner.vue';
const count = defineModel<number>('count');
</script>
<template><Inner v-model="count" /></template>`,
  'Inner.vue': `<script setup lang="ts">
const value = defineModel<number>();
function up() { value.value = 2; }
</script>
<template><button @click="up">{{ value }}</button></template>`,
};
describe('defineModel nested', () => {
  traces(DEFINEMODEL_NESTED, [
    [
      'App:state:n',
      [
        'App:state:n rename Outer:prop:count',
        'Inner:event:update:modelValue emit Outer:event:update:count',
        'Outer:event:update:count write App:state:n',
        'Outer:prop:count rename Inner:prop:modelValue',
      ],
    ],
    [
      'Inner:prop:modelValue',
      [
        'App:state:n rename Outer:prop:count',
        'Inner:event:update:modelValue emit Outer:event:update:count',
        'Outer:event:update:count write App:state:n',
        'Outer:prop:count rename Inner:prop:modelValue',
      ],
    ],
  ]);
});

const PROVIDE_INJECT_OBJECT_WITH_SETTER: Sources = {
  'App.vue': `<script setup lang="ts">
import { provide, ref } from 'vue';
import Mid from './Mid.vue';
const unit = ref('m');
const setUnit = (u: string) => { unit.value = u; };
provide('units', { unit, setUnit });
</script>
<template><Mid /></template>`,
  'Mid.vue': `<script setup lang="ts">import Leaf from './Leaf.vue'; import Btn from './Btn.vue'; import { inject } from 'vue'; const { setUnit } = inject('units') as any;</script>
<template><Leaf /><Btn @pick="(u) => setUnit(u)" /></template>`,
  'Btn.vue': `<script setup lang="ts">const emit = defineEmits(['pick']);</script>
<template><button @click="emit('pick', 'k')" /></template>`,
  'Leaf.vue': `<script setup lang="ts">import { inject } from 'vue'; const units = inject('units') as any;</script>
<template><b>{{ units.unit }}</b></template>`,
};
describe('provide inject object with setter', () => {
  traces(PROVIDE_INJECT_OBJECT_WITH_SETTER, [
    [
      'Btn:event:pick',
      [
        'App:context:units consume Leaf:context:units',
        'App:state:unit provide App:context:units',
        'Btn:event:pick write App:state:unit',
      ],
    ],
    [
      'App:state:unit',
      [
        'App:context:units consume Leaf:context:units',
        'App:context:units consume Mid:context:units',
        'App:state:unit provide App:context:units',
        'Btn:event:pick write App:state:unit',
        'Mid:context:units call App:state:unit',
      ],
    ],
    [
      'Leaf:context:units',
      [
        'App:context:units consume Leaf:context:units',
        'App:context:units consume Mid:context:units',
        'App:state:unit provide App:context:units',
        'Btn:event:pick write App:state:unit',
        'Mid:context:units call App:state:unit',
      ],
    ],
  ]);
});

const SCOPED_SLOTS: Sources = {
  'App.vue': `<script setup lang="ts">
import { ref } from 'vue';
import List from './List.vue';
import Row from './Row.vue';
const rows = ref([]);
</script>
<template><List :items="rows"><template #row="{ item, at }"><Row :item="item" :at="at" /></template></List></template>`,
  'List.vue': `<script setup lang="ts">defineProps<{ items: any[] }>();</script>
<template><ul><li v-for="(it, n) in items"><slot name="row" :item="it" :at="n" /></li></ul></template>`,
  'Row.vue': `<script setup lang="ts">defineProps<{ item: any; at: number }>();</script>
<template><b>{{ item }}{{ at }}</b></template>`,
};
describe('scoped slots', () => {
  traces(SCOPED_SLOTS, [
    [
      'Row:prop:item',
      [
        'App:local:item pass Row:prop:item',
        'App:state:rows rename List:prop:items',
        'List:local:it fill App:local:item',
        'List:prop:items transform List:local:it',
      ],
    ],
    [
      'App:state:rows',
      [
        'App:local:item pass Row:prop:item',
        'App:state:rows rename List:prop:items',
        'List:local:it fill App:local:item',
        'List:prop:items transform List:local:it',
      ],
    ],
  ]);
});

const COMPOSABLE_STORE_PINIA_LIKE_MODULE: Sources = {
  'fleet.ts': `import { ref, computed } from 'vue';
const cabins = ref<string[]>([]);
const count = computed(() => cabins.value.length);
export function useFleet() { function add(c: string) { cabins.value.push(c); } return { cabins, count, add }; }`,
  'App.vue': `<script setup lang="ts">
import { useFleet } from './fleet';
import Show from './Show.vue';
import Btn from './Btn.vue';
const { count, add } = useFleet();
</script>
<template><Show :v="count" /><Btn @pick="add" /></template>`,
  'Show.vue': `<script setup lang="ts">defineProps<{ v: number }>();</script>
<template><b>{{ v }}</b></template>`,
  'Btn.vue': `<script setup lang="ts">const emit = defineEmits(['pick']);</script>
<template><button @click="emit('pick', 'k')" /></template>`,
};
describe('composable store pinia like module', () => {
  traces(COMPOSABLE_STORE_PINIA_LIKE_MODULE, [
    [
      'Btn:event:pick',
      [
        'Btn:event:pick write fleet.ts>Fleet:state:cabins',
        'fleet.ts>Fleet:local:count rename Show:prop:v',
        'fleet.ts>Fleet:state:cabins transform fleet.ts>Fleet:local:count',
      ],
    ],
    [
      'Show:prop:v',
      [
        'Btn:event:pick write fleet.ts>Fleet:state:cabins',
        'fleet.ts>Fleet:local:count rename Show:prop:v',
        'fleet.ts>Fleet:state:cabins transform fleet.ts>Fleet:local:count',
      ],
    ],
  ]);
});

const OPTIONS_API: Sources = {
  'App.vue': `<script>
import Step from './Step.vue';
export default { components: { Step }, data() { return { n: 1 }; }, computed: { twice() { return this.n * 2; } }, methods: { add(k) { this.n += k; } } };
</script>
<template><Step :n="n" :twice="twice" @add="add" /></template>`,
  'Step.vue': `<script>
export default { props: { n: Number, twice: Number }, emits: ['add'], methods: { go() { this.$emit('add', 1); } } };
</script>
<template><button @click="go">{{ n }}{{ twice }}</button></template>`,
};
describe('options api', () => {
  traces(OPTIONS_API, [
    [
      'Step:event:add',
      [
        'App:local:twice pass Step:prop:twice',
        'App:state:n pass Step:prop:n',
        'App:state:n transform App:local:twice',
        'Step:event:add write App:state:n',
      ],
    ],
    [
      'Step:prop:twice',
      [
        'App:local:twice pass Step:prop:twice',
        'App:state:n transform App:local:twice',
        'Step:event:add write App:state:n',
      ],
    ],
  ]);
});

const HANDLE_WITH_EXPOSE: Sources = {
  'App.vue': `<script setup lang="ts">
import { ref } from 'vue';
import Field from './Field.vue';
import Btn from './Btn.vue';
const field = ref(null);
function clear() { field.value.reset(); }
</script>
<template><Field ref="field" /><Btn @pick="clear" /></template>`,
  'Field.vue': `<script setup lang="ts">
import { ref } from 'vue';
const text = ref('');
function reset() { text.value = ''; }
defineExpose({ reset });
</script>
<template><input :value="text" /></template>`,
  'Btn.vue': `<script setup lang="ts">const emit = defineEmits(['pick']);</script>
<template><button @click="emit('pick', 'k')" /></template>`,
};
describe('handle with expose', () => {
  traces(HANDLE_WITH_EXPOSE, [
    [
      'App:ref:field',
      [
        'Btn:event:pick call App:ref:field',
        'App:ref:field call Field:ref:reset',
        'Field:ref:reset write Field:state:text',
      ],
    ],
    [
      'Btn:event:pick',
      [
        'Btn:event:pick call App:ref:field',
        'App:ref:field call Field:ref:reset',
        'Field:ref:reset write Field:state:text',
      ],
    ],
  ]);
});

const WATCHERS_ABOVE_WHAT_THEY_WRITE: Sources = {
  'Gauge.vue': `<script setup>import { ref, watch } from 'vue';
const props = defineProps({ limit: Number });
watch(() => props.limit, () => { shown.value = props.limit; });
const shown = ref(0);</script><template><p>{{ shown }}</p></template>`,
};
describe('watchers above what they write', () => {
  traces(WATCHERS_ABOVE_WHAT_THEY_WRITE, [
    ['Gauge:prop:limit', ['Gauge:prop:limit write Gauge:state:shown']],
  ]);
});

const RAISED_WITH: Sources = {
  'App.vue': `<script setup>import { ref } from 'vue'; import Panel from './Panel.vue';
const speed = ref(0); const count = ref(0);
function take(to) { speed.value = to; count.value++; }</script>
<template><Panel @take="take" /><p>{{ speed }}{{ count }}</p></template>`,
  'Panel.vue': `<script setup>import Dial from './Dial.vue'; const emit = defineEmits(['take']);</script>
<template><Dial @turn="(n) => emit('take', n)" /></template>`,
  'Dial.vue': `<script setup>import { ref } from 'vue'; const emit = defineEmits(['turn']); const turn = ref(0);</script>
<template><button @click="emit('turn', turn)" @blur="turn = 1" /></template>`,
};
describe('what an event is raised with', () => {
  traces(RAISED_WITH, [
    [
      'Dial:state:turn',
      [
        'Dial:state:turn emit Dial:event:turn',
        'Dial:event:turn emit Panel:event:take',
        'Panel:event:take write App:state:speed',
      ],
    ],
    ['App:state:count', ['Dial:event:turn emit Panel:event:take', 'Panel:event:take write App:state:count']],
  ]);
});

const PROVIDED_ABOVE_THE_FUNCTION: Sources = {
  'App.vue': `<script setup>import { computed, provide, ref } from 'vue'; import Gauge from './Gauge.vue';
const shown = ref(0);
const gauges = { hand };
provide('gauges', gauges);
const sign = computed(() => -shown.value);
function hand(part) { shown.value = part; }</script>
<template><Gauge />{{ sign }}</template>`,
  'Gauge.vue': `<script setup>import { inject } from 'vue'; const props = defineProps({ part: Number }); const gauges = inject('gauges');</script>
<template><i @click="gauges.hand(part)">{{ part }}</i></template>`,
};
describe('a function handed out above its declaration', () => {
  traces(PROVIDED_ABOVE_THE_FUNCTION, [
    [
      'Gauge:prop:part',
      ['Gauge:prop:part write App:state:shown', 'App:state:shown transform App:local:sign'],
    ],
  ]);
});

const HELPER_OF_A_HELPER_PROVIDES: Sources = {
  'use.ts': `import { inject, provide, ref } from 'vue';
const LIMIT_KEY = 'limit';
const useLimit = (limit) => { provide(LIMIT_KEY, limit); };
export const useLimits = (given) => { useLimit(given); };
export const useLimitAbove = () => inject(LIMIT_KEY, 0);`,
  'App.vue': `<script>import { ref } from 'vue'; import { useLimits } from './use'; import Gauge from './Gauge.vue';
export default { components: { Gauge }, props: { mode: String }, setup(props) { const limit = ref(1); if (props.mode === 'storm') { useLimits(limit); } return { limit }; } };</script>
<template><Gauge /></template>`,
  'Gauge.vue': `<script setup>import { useLimitAbove } from './use'; const limit = useLimitAbove();</script><template>{{ limit }}</template>`,
};
describe('a key that is a constant text, provided by the helper of a helper under a condition', () => {
  traces(HELPER_OF_A_HELPER_PROVIDES, [
    [
      'App:state:limit',
      [
        'App:state:limit provide App:context:LIMIT_KEY',
        'App:context:LIMIT_KEY consume Gauge:context:LIMIT_KEY',
      ],
    ],
  ]);
});

describe('what decides which of several things is written', () => {
  traces(
    {
      'Box.vue': `<script>
export default { data() { return { busy: false, at: 0 }; }, methods: { go() { this.at = this.busy ? 1 : 2; } } };
</script>
<template><i @click="go">{{ at }}</i></template>`,
    },
    [['Box:state:busy', ['Box:state:busy write Box:state:at']]],
  );
});

describe('an element that is picked by its key', () => {
  traces(
    {
      'Box.vue': `<script setup>import Row from './Row.vue'; defineProps({ rows: Array, at: Object });</script>
<template><Row :row="rows[at.index]" /></template>`,
      'Row.vue': `<script setup>defineProps({ row: Object });</script><template>{{ row }}</template>`,
    },
    [['Row:prop:row', ['Box:prop:rows transform Row:prop:row', 'Box:prop:at transform Row:prop:row']]],
  );
});

const TAKEN_OVER: Sources = {
  'wind.js': `export default {
  props: { limit: Number },
  data() { return { wind: 0 }; },
  inject: ['unit'],
  computed: { strong() { return this.wind > this.limit; } },
  methods: { blow(to) { this.wind = to; this.$emit('blown', to); this.done = true; } },
};`,
  'Gauge.vue': `<script>import wind from './wind'; import Dial from './Dial.vue';
export default { components: { Dial }, mixins: [wind], data() { return { done: false }; } };</script>
<template><Dial :value="wind" :strong="strong" :unit="unit" :done="done" @turn="blow" /></template>`,
  'Dial.vue': `<script>export default { props: { value: Number, strong: Boolean, unit: String, done: Boolean } };</script>
<template><b @click="$emit('turn', value)">{{ value }}{{ strong }}{{ unit }}{{ done }}</b></template>`,
  'App.vue': `<script>import Gauge from './Gauge.vue';
export default { components: { Gauge }, data() { return { most: 9, last: 0 }; }, provide() { return { unit: 'm' }; } };</script>
<template><Gauge :limit="most" @blown="last = $event" />{{ last }}</template>`,
};
describe('options that are spread in are taken over', () => {
  const spread = {
    ...TAKEN_OVER,
    'gusts.js': `import wind from './wind'; export default {
  ...wind,
  computed: { twice() { return this.wind * 2; } },
};`,
    'Gauge.vue': TAKEN_OVER['Gauge.vue']!.replace(`import wind from './wind'`, `import wind from './gusts'`),
  };
  traces(spread, [
    [
      'App:state:most',
      [
        'App:state:most rename Gauge:prop:limit',
        'Gauge:prop:limit transform Gauge:local:strong',
        'Gauge:local:strong pass Dial:prop:strong',
      ],
    ],
  ]);
});

describe('what a component takes over is its own', () => {
  traces(TAKEN_OVER, [
    [
      'App:state:most',
      [
        'App:state:most rename Gauge:prop:limit',
        'Gauge:prop:limit transform Gauge:local:strong',
        'Gauge:local:strong pass Dial:prop:strong',
      ],
    ],
    [
      'Dial:prop:unit',
      ['App:context:unit consume Gauge:context:unit', 'Gauge:context:unit pass Dial:prop:unit'],
    ],
    ['Gauge:state:done', ['Dial:event:turn write Gauge:state:done', 'Gauge:state:done pass Dial:prop:done']],
    [
      'Gauge:event:blown',
      [
        'Dial:event:turn emit Gauge:event:blown',
        'Dial:prop:value emit Dial:event:turn',
        'Dial:event:turn write Gauge:state:wind',
        'Gauge:state:wind rename Dial:prop:value',
        'Gauge:event:blown write App:state:last',
      ],
    ],
  ]);
});

const EXTENDED: Sources = {
  'Base.vue': `<script>export default { inject: { parent: { default: undefined } }, data() { return { depth: 1 }; } };</script>`,
  'Middle.vue': `<script>import Base from './Base.vue';
export default { extends: Base, provide() { return { parent: this.depth }; } };</script>`,
  'Group.vue': `<script>import Middle from './Middle.vue'; export default { extends: Middle };</script><template><slot /></template>`,
  'Leaf.vue': `<script>import Base from './Base.vue'; export default { extends: Base };</script><template>{{ parent }}</template>`,
  'App.vue': `<script setup>import Group from './Group.vue'; import Leaf from './Leaf.vue';</script><template><Group><Leaf /></Group></template>`,
};
describe('what a base provides and injects', () => {
  traces(EXTENDED, [
    [
      'Leaf:context:parent',
      ['Group:state:depth provide Group:context:parent', 'Group:context:parent consume Leaf:context:parent'],
    ],
  ]);
});

describe('a function of the module as a method', () => {
  traces(
    {
      'Sign.vue': `<script>import { written } from './text'; import Plate from './Plate.vue';
export default { components: { Plate }, props: ['word'], methods: { written } };</script>
<template><Plate :text="written(word)" /></template>`,
      'Plate.vue': `<script>export default { props: ['text'] };</script><template>{{ text }}</template>`,
      'text.js': `export const written = (word) => word.trim();`,
    },
    [['Plate:prop:text', ['Sign:prop:word transform Plate:prop:text']]],
  );
});

test('options that a component takes over may bear its name', () => {
  const trace = traced(
    {
      'logic/Lamp.js': `export default {
  data() { return { glow: 1 }; },
  methods: { up() { this.glow++; } },
};`,
      'Lamp.vue': `<template><Bulb :power="glow" @click="up" /></template>
<script>
import LampLogic from './logic/Lamp';
import Bulb from './Bulb.vue';
export default { name: 'Lamp', components: { Bulb }, mixins: [LampLogic] };
</script>`,
      'Bulb.vue': `<template><b>{{ power }}</b></template>
<script>
export default { props: { power: Number } };
</script>`,
    },
    'Lamp:state:glow',
  );
  expect(edges(trace)).toEqual(['Lamp:state:glow rename Bulb:prop:power']);
  expect(trace.hops[0]).toMatchObject({ ref: 'Lamp:state:glow', nodes: [expect.any(Number)] });
});
