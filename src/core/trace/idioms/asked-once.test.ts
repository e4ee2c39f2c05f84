/** What is asked for there and then, and not followed afterwards: the value all the same, by member. */
import { describe } from 'vitest';
import { type Idiom, idioms } from './reaching';
import { angularApp, svelteApp } from './testing';

const KID = `<script>import { get } from 'svelte/store'; import { untrack } from 'svelte'; import Leaf from './Leaf.svelte'; let { form, wind } = $props(); CODE</script><Leaf x={shown} />`;
const kid = (code: string) =>
  svelteApp(
    `import { writable } from 'svelte/store'; import Kid from './Kid.svelte'; let lo = $state(1); let hi = $state(2); const wind = writable({ lo: 1, hi: 2 }); function go() { $wind.lo = lo; $wind.hi = hi; lo++; hi++; }`,
    '<Kid form={{ lo, hi }} {wind} /><b onclick={go}></b>',
    { 'Kid.svelte': KID.replace('CODE', code) },
  );

/** What the child does, and whether the leaf has `lo` of it, or `hi`. */
const CASES: [what: string, code: string, has: 'lo' | 'hi' | 'both'][] = [
  ['a member of what a store holds', 'const shown = get(wind).lo;', 'lo'],
  ['what a store holds, by a name', 'const all = get(wind); const shown = all.hi;', 'hi'],
  ['state that starts with it', 'let all = $state(get(wind)); let shown = $derived(all.lo);', 'lo'],
  ['a member, by a function', 'const shown = untrack(() => form.hi);', 'hi'],
  ['a member of what a function gives back', 'const shown = untrack(() => form)?.lo;', 'lo'],
  [
    'state that starts with what a function gives back',
    'let all = $state(untrack(() => form)); let shown = $derived(all.hi);',
    'hi',
  ],
  [
    'what is worked out in it',
    'const shown = untrack(() => { const one = form.lo; return one + 1; });',
    'lo',
  ],
  ['all of it', 'const shown = untrack(() => form);', 'both'],
];

describe('once', () => {
  idioms(
    CASES.flatMap(([what, code, has]): Idiom[] =>
      (['lo', 'hi'] as const).map((name) => {
        const isThere = has === name || has === 'both';
        return {
          what: `${what}, ${name}`,
          sources: kid(code),
          from: `App:state:${name}`,
          to: isThere ? ['Leaf:prop:x'] : ['Kid:prop:form'],
          ...(isThere ? {} : { not: ['Leaf:prop:x'] }),
        };
      }),
    ),
  );
  idioms(
    ['untracked(() => this.lo())', 'untracked(this.lo)'].map((asked) => ({
      what: asked,
      sources: angularApp(
        `@Component({ selector: 'app-root', standalone: true, imports: [Leaf, Btn], template: '<app-leaf [x]="shown()" /><app-btn (save)="lo.set($event); hi.set($event)" />' }) export class App { lo = signal(1); hi = signal(2); shown = computed(() => ${asked}); }`,
      ),
      from: 'App:state:lo',
      to: ['Leaf:prop:x'],
      not: [],
    })),
  );
});
