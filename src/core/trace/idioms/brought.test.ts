/** Composables that no import names, and state that the whole app keeps under a name. */
import { type Idiom, idioms } from './reaching';

const PACKAGE = '{"dependencies":{"vue":"^3.5.0","nuxt":"^3.0.0"}}';
const LEAF = `<script setup lang="ts">defineProps<{ x: any }>();</script><template><b>{{ x }}</b></template>`;
const BTN = `<script setup lang="ts">defineProps<{ v?: any }>(); const emit = defineEmits<{ save: [v: any] }>();</script><template><b @click="emit('save', v)" /></template>`;
const LINE = `export const useLine = () => { const wind = ref(1); const setWind = (v: any) => { wind.value = v; }; return { wind, setWind }; };`;

/** A page with a leaf and a button, around a script and a template. */
const app = (
  script: string,
  template: string,
  more: Record<string, string> = {},
  manifest = PACKAGE,
): Record<string, string> => ({
  'package.json': manifest,
  'pages/index.vue': `<script setup lang="ts">${script}</script><template>${template}</template>`,
  'components/Leaf.vue': LEAF,
  'components/Btn.vue': BTN,
  ...more,
});
const LOOP = '<Leaf :x="wind" /><Btn @save="setWind" />';
const BOTH = 'const { wind, setWind } = useLine();';

const CASES: Idiom[] = [
  ['of a folder', app(BOTH, LOOP, { 'composables/useLine.ts': LINE })] as const,
  ['of a folder of the app', app(BOTH, LOOP, { 'app/composables/line/index.ts': LINE })] as const,
  [
    'by the name of its file',
    app(BOTH, LOOP, { 'composables/use-line.ts': LINE.replace('export const useLine =', 'export default') }),
  ] as const,
  [
    'from where the build offers it',
    app(`import { useLine } from '#imports'; ${BOTH}`, LOOP, { 'composables/useLine.ts': LINE }),
  ] as const,
  [
    'of a folder, used by another of it',
    app('const { wind, setWind } = useWind();', LOOP, {
      'composables/useLine.ts': LINE,
      'composables/useWind.ts': 'export const useWind = () => useLine();',
    }),
  ] as const,
  [
    'the nearer of two',
    app(BOTH, LOOP, {
      'pages/composables/useLine.ts': LINE,
      'layers/other/composables/useLine.ts': LINE.replace('{ wind,', '{ wind: ref(0),'),
    }),
  ] as const,
].map(([what, sources]) => ({ what, sources, from: 'Btn:event:save', to: ['Leaf:prop:x'] }));

const KEPT: Idiom[] = [
  {
    what: 'state under a name',
    sources: app(`const wind = useState('wind', () => 1);`, '<Leaf :x="wind" />', {
      'pages/other.vue': `<script setup lang="ts">const gust = useState<number>('wind');</script><template><Btn @save="gust = $event" /></template>`,
    }),
    from: 'Btn:event:save',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'state under a name, given back by a composable',
    sources: app(`const wind = useWind();`, '<Leaf :x="wind" />', {
      'composables/state.ts': `export const useWind = () => useState('wind', () => 1);`,
      'pages/other.vue': `<script setup lang="ts">const gust = useWind(); function set(v: any) { gust.value = v; }</script><template><Btn @save="set" /></template>`,
    }),
    from: 'Btn:event:save',
    to: ['useWind:state:wind', 'Leaf:prop:x'],
  },
  {
    what: 'state under another name is another',
    sources: app(`const wind = useState('wind', () => 1);`, '<Leaf :x="wind" />', {
      'pages/other.vue': `<script setup lang="ts">const gust = useState('gust', () => 1);</script><template><Btn :v="gust" @save="gust = $event" /></template>`,
    }),
    from: 'Btn:event:save',
    to: ['Btn:prop:v'],
    not: ['Leaf:prop:x'],
  },
  {
    what: 'what is fetched is made of what the fetching uses',
    sources: app(
      `const wind = ref(1); const { data } = await useAsyncData('gust', () => load(wind.value));`,
      '<Leaf :x="data" /><Btn @save="wind = $event" />',
    ),
    from: 'Btn:event:save',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'nobody brings anything where no build does',
    sources: app(
      `import Leaf from '../components/Leaf.vue'; import Btn from '../components/Btn.vue'; import { ref } from 'vue'; ${BOTH} const own = ref(0);`,
      `${LOOP}<Btn :v="own" @save="own = $event" />`,
      {
        'composables/useLine.ts': `import { ref } from 'vue'; ${LINE}`,
        'main.ts': `import { createApp } from 'vue'; import Index from './pages/index.vue'; createApp(Index).mount('#app');`,
        'index.html': '<div id="app"></div>',
      },
      '{"dependencies":{"vue":"^3.5.0"}}',
    ),
    from: 'Btn:event:save',
    to: ['Btn:prop:v'],
    not: ['Leaf:prop:x'],
  },
];

idioms([...CASES, ...KEPT]);
