/** What is told to something of the whole app, and heard of there by its name. */
import { idioms } from './reaching';

const app = (cabin: string, created: string): Record<string, string> => ({
  'Cabin.vue': `<script>export default { data() { return { n: 1 }; }, methods: { go() { ${cabin}; this.n = 2; } } };</script><template><i @click="go">{{ n }}</i></template>`,
  'App.vue': `<script>import Cabin from './Cabin.vue'; export default { components: { Cabin }, data() { return { full: 0 }; }, created() { ${created}; }, methods: { onFull(n) { this.full = n; } } };</script><template><b>{{ full }}<Cabin /></b></template>`,
});

const HEARD = { from: 'Cabin:state:n', to: ['App:state:full'] };
const UNHEARD = { from: 'Cabin:state:n', to: [], not: ['App:state:full'] };

idioms([
  {
    what: 'the root',
    sources: app(`this.$root.$emit('full', this.n)`, `this.$root.$on('full', (n) => { this.full = n; })`),
    ...HEARD,
  },
  {
    what: 'the root, by a method',
    sources: app(`this.$root.$emit('full', this.n)`, `this.$root.$once('full', this.onFull)`),
    ...HEARD,
  },
  {
    what: 'an instance that all components have',
    sources: app(`this.$rope.$emit('full', this.n)`, `this.$rope.$on('full', this.onFull)`),
    ...HEARD,
  },
  {
    what: 'a bus of another make that all components have',
    sources: app(`this.$bus.emit('full', this.n)`, `this.$bus.on('full', this.onFull)`),
    ...HEARD,
  },
  {
    what: 'under another name',
    sources: app(`this.$root.$emit('full', this.n)`, `this.$root.$on('held', this.onFull)`),
    ...UNHEARD,
  },
  {
    what: 'of another bus',
    sources: app(`this.$root.$emit('full', this.n)`, `this.$bus.$on('full', this.onFull)`),
    ...UNHEARD,
  },
  {
    what: 'the component above is told, and nobody else',
    sources: app(`this.$parent.$emit('full', this.n)`, `this.$root.$on('full', this.onFull)`),
    ...UNHEARD,
  },
]);
