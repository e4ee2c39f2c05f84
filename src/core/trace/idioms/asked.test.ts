/** What a function of the component says, where other code asks it: in what is worked out, in lists, in streams. */
import { idioms, type Idiom } from './reaching';
import { angularApp, reactApp, svelteApp, vueApp } from './testing';

const reach = (what: string, sources: Record<string, string>): Idiom => ({
  what,
  sources,
  from: what.startsWith('react') ? 'App:prop:seed' : 'App:state:seed',
  to: ['Leaf:prop:x'],
});

/** `code` may use `ok`, a function, and must make `v`. */
const react = (code: string, ok = 'function ok(n) { return n + seed; }') =>
  reactApp(`function App({ seed }: any) { ${ok} ${code} return <Leaf x={v} />; }`);
const WORDS = 'function ok(n) { if (n > seed) { return true; } return false; }';

idioms([
  reach('react: a function that says yes or no', react('const v = ok(1);', WORDS)),
  reach('react: in a memo', react('const v = useMemo(() => ok(1), [seed]);')),
  reach(
    'react: in a memo of several',
    react('const v = useMemo(() => { if (1) return ok(1); return ok(2); }, [seed]);'),
  ),
  reach('react: of each of a list', react('const v = [1].map((n) => ok(n));')),
  reach(
    'react: by which a list is sifted',
    react('const v = useMemo(() => [1].filter((n) => !ok(n)), [seed]);'),
  ),
  reach('react: put into a list', react('const v = []; v.push(ok(1));')),
  reach(
    'react: a callback',
    react(
      'const v = ok(1);',
      `const ok = useCallback((n) => { if (n > seed) return 'x'; return 'y'; }, [seed]);`,
    ),
  ),
]);

const vue = (code: string, x = 'v') =>
  vueApp(
    `const seed = ref('a'); function ok(n: any) { if (n > seed.value) return true; return false; } ${code}`,
    `<Leaf :x="${x}" /><i @click="seed = 'b'" />`,
  );
idioms([
  reach('vue: in the template', vue('', 'ok(1)')),
  reach('vue: in what is computed', vue('const v = computed(() => ok(1));')),
  reach('vue: by which a list is sifted', vue('const v = computed(() => [1].filter((n) => ok(n)));')),
]);

const svelte = (code: string) =>
  svelteApp(
    `let seed = $state('a'); function ok(n: any) { return n + seed; } ${code}`,
    `<Leaf x={v} /><button onclick={() => (seed = 'b')}>b</button>`,
  );
idioms([
  reach('svelte: derived', svelte('let v = $derived(ok(1));')),
  reach('svelte: derived by a function', svelte('let v = $derived.by(() => ok(1));')),
  reach('svelte: of each of a list', svelte('let v = $derived([1].map((n) => ok(n)));')),
]);

/** `members` may use `ok`, which reads what is kept; the leaf is given `x`. */
const angular = (members: string, x: string) =>
  angularApp(
    `@Component({ selector: 'app-root', standalone: true, imports: [Leaf, Btn, AsyncPipe], template: '<app-leaf [x]="${x}" />' }) export class App { seed = signal('a'); least: string | null = null; ngOnInit() { this.least = this.seed(); } ok(n: any): boolean { if (this.least && n > this.least) { return false; } return true; } ${members} }`,
  );
const STREAM = 's$ = new BehaviorSubject(1);';
idioms([
  reach('angular: in the template', angular('', 'ok(1)')),
  reach('angular: in what is computed', angular('v = computed(() => this.ok(1));', 'v()')),
  reach(
    'angular: put into a list of lists',
    angular(
      'gen() { const all: any[] = []; let week: any[] = []; for (let i = 0; i < 9; i++) { if (i % 7 === 0) { all.push(week); week = []; } week.push({ off: !this.ok(i) }); } all.push(week); return all; }',
      'gen()',
    ),
  ),
  reach(
    'angular: by which a stream is worked out',
    angular(`${STREAM} v$ = this.s$.pipe(map((s) => this.ok(s)));`, 'v$ | async'),
  ),
  reach(
    'angular: a value that a stream is worked out with',
    angular(`${STREAM} v$ = this.s$.pipe(map((s) => s + this.seed()));`, 'v$ | async'),
  ),
  reach(
    'angular: a stream that is gone over to',
    angular(`${STREAM} v$ = this.s$.pipe(switchMap((s) => of(this.seed())));`, 'v$ | async'),
  ),
]);
