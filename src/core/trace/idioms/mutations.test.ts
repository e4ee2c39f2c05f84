/** Changes that a query package sees to: what they are asked for with is what their functions get. */
import { type Idiom, idioms } from './reaching';
import { angularApp, reactApp, svelteApp, vueApp } from './testing';

/** How a change is made and asked for in React, where `lo` is set by what it is given and `hi` by nothing. */
const REACT: [what: string, made: string, ask: string][] = [
  [
    'its function',
    `const held = useMutation({ mutationFn: (v: any) => { setLo(v); return send(v); } });`,
    'held.mutate',
  ],
  [
    'what is called before',
    'const { mutate } = useMutation({ mutationFn: send, onMutate: (v: any) => setLo(v) });',
    'mutate',
  ],
  [
    'what is called when it is done',
    'const { mutateAsync: ask } = useMutation({ mutationFn: send, onSuccess: (_: any, v: any) => setLo(v) });',
    'ask',
  ],
  [
    'what is called in any case',
    'const held = useMutation({ mutationFn: send, onSettled: (_: any, error: any, v: any) => setLo(v) });',
    'held.mutate',
  ],
  [
    'a function and its options',
    'const held = useMutation(send, { onSuccess: (_: any, v: any) => setLo(v) });',
    'held.mutate',
  ],
  [
    'a hook that is handed options',
    'const { mutate: ask } = useSend({ onSuccess: (_: any, v: any) => setLo(v) });',
    'ask',
  ],
];

const react = (made: string, ask: string) => {
  const files = reactApp(
    `const send = (v: any) => fetch('/cabins', { body: v }); function useSend(options: any) { return useMutation({ mutationFn: send, ...options }); } function App({ seed }: any) { const [lo, setLo] = useState<any>(0); const [hi, setHi] = useState<any>(0); ${made} return <><Btn v={seed} onSave={(v: any) => ${ask}(v)} /><Leaf x={lo} /><b onClick={() => setHi(1)}>{hi}</b></>; }`,
  );
  return { ...files, 'App.tsx': `import { useMutation } from '@tanstack/react-query'; ${files['App.tsx']}` };
};

idioms([
  ...REACT.map(([what, made, ask]): Idiom => ({
    what: `asked for in React: ${what}`,
    sources: react(made, ask),
    from: 'App:prop:seed',
    to: ['Btn:event:onSave', 'App:state:lo', 'Leaf:prop:x'],
    not: ['App:state:hi'],
  })),
  {
    what: 'asked for in Vue',
    sources: vueApp(
      `import { useMutation } from '@tanstack/vue-query'; const lo = ref(0); const hi = ref(1); const { mutate } = useMutation({ mutationFn: (v: any) => fetch(v), onSuccess: (_: any, v: any) => { lo.value = v; } });`,
      '<Btn :v="hi" @save="(v) => mutate(v)" /><Leaf :x="lo" />',
    ),
    from: 'App:state:hi',
    to: ['Btn:event:save', 'App:state:lo', 'Leaf:prop:x'],
  },
  {
    what: 'asked for in Svelte, by a function that gives the options',
    sources: svelteApp(
      `import { createMutation } from '@tanstack/svelte-query'; let lo = $state(0); let hi = $state(1); const held = createMutation(() => ({ mutationFn: (v: any) => fetch(v), onSuccess: (_: any, v: any) => { lo = v; } }));`,
      '<Btn v={hi} save={(v) => held.mutate(v)} /><Leaf x={lo} />',
    ),
    from: 'App:state:hi',
    to: ['Btn:prop:save', 'App:state:lo', 'Leaf:prop:x'],
  },
  {
    what: 'asked for in Angular',
    sources: (() => {
      const files = angularApp(
        `@Component({ selector: 'app-root', standalone: true, imports: [Leaf, Btn], template: '<app-btn [v]="hi" (save)="held.mutate($event)" /><app-leaf [x]="lo()" />' }) export class App { hi = 2; lo = signal(0); held = injectMutation(() => ({ mutationFn: (v: any) => fetch(v), onSuccess: (_: any, v: any) => this.lo.set(v) })); }`,
      );
      return {
        ...files,
        'app.ts': `import { injectMutation } from '@tanstack/angular-query-experimental'; ${files['app.ts']}`,
      };
    })(),
    from: 'App:state:hi',
    to: ['Btn:event:save', 'App:state:lo', 'Leaf:prop:x'],
  },
]);
