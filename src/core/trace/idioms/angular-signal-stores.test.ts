/** Stores of Angular that a call puts together of features, and those who read and change what they keep. */
import { type Idiom, idioms } from './reaching';
import { angularApp } from './testing';

const IMPORTS = `import { signalStore, signalStoreFeature, withState, withComputed, withMethods, withProps, withHooks, patchState } from '@ngrx/signals'; import { withEntities, setAllEntities, addEntity } from '@ngrx/signals/entities'; import { rxMethod } from '@ngrx/signals/rxjs-interop'; import { computed, inject } from '@angular/core'; import { pipe, tap } from 'rxjs'; import { Line } from './line';`;
const STATE = `withState({ held: '', size: 1 })`;

/** An app that shows two members of the store, and hands it what a button gives. */
const app = (
  store: string,
  shown = 'store.held()',
  put = 'store.put($event)',
  more = '',
): Record<string, string> => ({
  ...angularApp(
    `@Component({ selector: 'app-root', standalone: true, imports: [Leaf, Btn], template: \`<app-btn [v]="seed" (save)="${put}" /><app-leaf [x]="${shown}" /><app-btn [v]="store.size()" />\`${more} }) export class App { store = inject(Held); seed = signal('a'); }`,
  ),
  'line.ts': `import { Injectable } from '@angular/core'; @Injectable({ providedIn: 'root' }) export class Line { load(): Promise<string> { return Promise.resolve(''); } }`,
  'held.ts': `${IMPORTS} ${store}`,
});

const withImport = (sources: Record<string, string>): Record<string, string> => ({
  ...sources,
  'app.ts': `import { Held } from './held'; ${sources['app.ts']!}`,
});

const store = (...features: string[]): string =>
  `export const Held = signalStore({ providedIn: 'root' }, ${features.join(', ')});`;
const PUT = `withMethods((store) => ({ put(v: string) { patchState(store, { held: v }); } }))`;

const FORMS: [what: string, store: string, shown?: string, put?: string, more?: string][] = [
  ['a method that patches', store(STATE, PUT)],
  ['a state that a constant holds', `const START = { held: '', size: 1 }; ${store('withState(START)', PUT)}`],
  ['a state that a function gives', store('withState(() => ({ held: "", size: 1 }))', PUT)],
  [
    'an arrow function, and another service',
    store(
      STATE,
      'withMethods((store, line = inject(Line)) => ({ put: (v: string) => { line.load(); patchState(store, { held: v }); } }))',
    ),
  ],
  [
    'an updater',
    store(
      STATE,
      'withMethods((store) => ({ put(v: string) { patchState(store, (state) => ({ held: state.held + v })); } }))',
    ),
  ],
  [
    'an updater that takes the state apart',
    store(
      STATE,
      'withMethods((store) => ({ put(v: string) { patchState(store, ({ held }) => ({ held: held + v })); } }))',
    ),
  ],
  [
    'what is worked out of the state',
    store(STATE, 'withComputed(({ held }) => ({ long: computed(() => held() + "m") }))', PUT),
    'store.long()',
  ],
  [
    'what is worked out of the store',
    store(STATE, 'withComputed((store) => ({ long: computed(() => store.held() + "m") }))', PUT),
    'store.long()',
  ],
  [
    'a body that declares first',
    store(
      STATE,
      'withMethods((store) => { const line = inject(Line); function keep(v: string) { patchState(store, { held: v }); } const put = (v: string) => keep(v); return { put }; })',
    ),
  ],
  [
    'a method that another feature uses',
    store(STATE, PUT, 'withMethods((store) => ({ keep(v: string) { store.put(v); } }))'),
    'store.held()',
    'store.keep($event)',
  ],
  [
    'a stream',
    store(
      STATE,
      'withMethods((store) => ({ put: rxMethod<string>(pipe(tap((v) => patchState(store, { held: v })))) }))',
    ),
  ],
  [
    'entities',
    store(
      'withState({ size: 1 })',
      'withEntities<{ id: string }>()',
      'withMethods((store) => ({ put(v: any) { patchState(store, setAllEntities(v)); } }))',
    ),
    'store.entities()',
  ],
  [
    'entities under a name',
    store(
      'withState({ size: 1 })',
      `withEntities({ collection: 'rope' })`,
      'withMethods((store) => ({ put(v: any) { patchState(store, addEntity(v)); } }))',
    ),
    'store.ropeEntityMap()',
  ],
  [
    'a feature of the file',
    `function withHeld() { return signalStoreFeature(${STATE}, ${PUT}); } ${store('withHeld()')}`,
  ],
  [
    'a feature that two stores of the file have',
    `function withHeld() { return signalStoreFeature(${STATE}, ${PUT}); } export const Other = signalStore(withHeld()); ${store('withHeld()')}`,
  ],
  [
    'a class that extends the call',
    `import { Injectable } from '@angular/core'; @Injectable({ providedIn: 'root' }) export class Held extends signalStore(${STATE}) { put(v: string) { patchState(this, { held: v }); } }`,
  ],
  [
    'provided by a component',
    `export const Held = signalStore(${STATE}, ${PUT});`,
    'store.held()',
    'store.put($event)',
    ', providers: [Held]',
  ],
];

idioms([
  ...FORMS.flatMap(([what, held, shown, put, more]): Idiom[] => {
    const sources = withImport(app(held, shown, put, more));
    return [
      {
        what,
        sources,
        from: 'App:state:seed',
        to: ['Btn:event:save', 'Leaf:prop:x'],
        not: ['Held:state:size'],
      },
      { what: `${what}: from where it is shown`, sources, from: 'Leaf:prop:x', to: ['App:state:seed'] },
    ];
  }),
]);
