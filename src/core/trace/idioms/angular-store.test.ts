/** A store of an Angular app, put together of parts that answer actions, and asked by functions that pick. */
import { describe } from 'vitest';
import { type Idiom, idioms } from './reaching';

const ACTS = `import { createAction, createActionGroup, props } from '@ngrx/store'; export const setSpeed = createAction('[Rope] speed', props<{ speed: number }>()); export const setWind = createAction('[Rope] wind', props<{ wind: number }>()); export const RopeActions = createActionGroup({ source: 'Rope', events: { turn: props<{ speed: number }>() } });`;
const REDUCE = `import { createReducer, on } from '@ngrx/store'; import { setSpeed, setWind } from './acts'; export const start = { speed: 0, wind: 0 }; export const rope = createReducer(start, on(setSpeed, (state, { speed }) => ({ ...state, speed })), on(setWind, (state, action) => ({ ...state, wind: action.wind })));`;
const PICK = `import { createFeatureSelector, createSelector } from '@ngrx/store'; export const pickRope = createFeatureSelector<any>('rope'); export const pickSpeed = createSelector(pickRope, (rope) => rope.speed); export const pickWind = createSelector(pickRope, ({ wind }) => wind);`;
const BOOT = `import { bootstrapApplication } from '@angular/platform-browser'; import { provideStore } from '@ngrx/store'; import { Panel } from './panel'; import { rope } from './reduce'; bootstrapApplication(Panel, { providers: [provideStore({ rope })] });`;

interface Forms {
  files?: Record<string, string>;
  /** The members by which the panel asks for the speed and for the wind, and how its template reads the speed. */
  asks?: string;
  shows?: string;
  does?: string;
  store?: string;
}

const app = ({
  files = {},
  asks = 'speed$ = this.store.select(pickSpeed); wind$ = this.store.select(pickWind);',
  shows = 'speed$ | async',
  does = 'this.store.dispatch(setSpeed({ speed: this.next }));',
  store = 'private store = inject(Store);',
}: Forms) => ({
  'acts.ts': ACTS,
  'reduce.ts': REDUCE,
  'pick.ts': PICK,
  'main.ts': BOOT,
  'panel.ts': `import { Component, inject, Input } from '@angular/core'; import { AsyncPipe } from '@angular/common'; import { select, Store } from '@ngrx/store'; import { map } from 'rxjs'; import { RopeActions, setSpeed, setWind } from './acts'; import { pickSpeed, pickWind } from './pick'; @Component({ selector: 'q-speed', template: '{{ value }}' }) export class Speed { @Input() value: any; } @Component({ selector: 'q-wind', template: '{{ value }}' }) export class Wind { @Input() value: any; } @Component({ selector: 'q-panel', imports: [Speed, Wind, AsyncPipe], template: '<q-speed [value]="${shows}" /><q-wind [value]="wind$ | async" /><b (click)="go()"></b>' }) export class Panel { ${store} next = 1; ${asks} go() { ${does} this.next++; } }`,
  ...files,
});

const reaches = (what: string, forms: Forms): Idiom => ({
  what,
  sources: app(forms),
  from: 'Panel:state:next',
  to: ['Speed:prop:value'],
  not: ['Wind:prop:value'],
});
const WIND = 'wind$ = this.store.select(pickWind);';

describe('how it is asked', () => {
  idioms([
    reaches('a function that picks', {}),
    reaches('as a signal', { asks: `speed = this.store.selectSignal(pickSpeed); ${WIND}`, shows: 'speed()' }),
    reaches('by an operator', {
      asks: `speed$ = this.store.pipe(select(pickSpeed), map((one) => one)); ${WIND}`,
    }),
    reaches('by a function that is written there', {
      asks: `speed$ = this.store.select((state: any) => state.rope.speed); ${WIND}`,
    }),
    reaches('by names', { asks: `speed$ = this.store.select('rope', 'speed'); ${WIND}` }),
    reaches('in a constructor', { store: 'constructor(private readonly store: Store<any>) {}' }),
  ]);
});

describe('how it is told', () => {
  idioms([
    reaches('one of a group', {
      files: {
        'reduce.ts': REDUCE.replace('on(setSpeed,', 'on(setSpeed, RopeActions.turn,').replace(
          '{ setSpeed, setWind }',
          '{ RopeActions, setSpeed, setWind }',
        ),
      },
      does: 'this.store.dispatch(RopeActions.turn({ speed: this.next }));',
    }),
    reaches('a function of the component', {
      does: 'this.tell(this.next); }  tell(speed: number) { this.store.dispatch(setSpeed({ speed }));',
    }),
  ]);
});

const CLASSES: Forms = {
  files: {
    'acts.ts': `export enum Kinds { Speed = 'speed', Wind = 'wind' } export class SetSpeed { readonly type = Kinds.Speed; constructor(public payload: number) {} } export class SetWind { readonly type = Kinds.Wind; constructor(public payload: number) {} } export const RopeActions = 1; export const setSpeed = 1; export const setWind = 1;`,
    'reduce.ts': `import { Kinds, SetSpeed, SetWind } from './acts'; const start = { speed: 0, wind: 0 }; export function rope(state = start, action: { type: string }) { let next; switch (action.type) { case Kinds.Speed: next = { ...state, speed: (action as SetSpeed).payload }; break; case Kinds.Wind: next = { ...state, wind: (action as SetWind).payload }; break; default: next = { ...state }; } return next; }`,
  },
};
const withClasses = (does: string): Record<string, string> => {
  const sources = app({ ...CLASSES, does });
  return {
    ...sources,
    'panel.ts': sources['panel.ts'].replace('setSpeed, setWind }', 'SetSpeed, SetWind, setSpeed, setWind }'),
  };
};

describe('objects of classes', () => {
  idioms([
    {
      what: 'are told by being made',
      sources: withClasses('this.store.dispatch(new SetSpeed(this.next));'),
      from: 'Panel:state:next',
      to: ['Speed:prop:value'],
      not: ['Wind:prop:value'],
    },
    {
      what: 'of another class tell something else',
      sources: withClasses('this.store.dispatch(new SetWind(this.next));'),
      from: 'Panel:state:next',
      to: ['Wind:prop:value'],
      not: ['Speed:prop:value'],
    },
  ]);
});

describe('how it is put together', () => {
  idioms([
    reaches('of a table of another file, in a module', {
      files: {
        'reducers.ts': `import { rope } from './reduce'; export const reducers = { rope };`,
        'main.ts': `import { NgModule } from '@angular/core'; import { StoreModule } from '@ngrx/store'; import { platformBrowserDynamic } from '@angular/platform-browser-dynamic'; import { Panel } from './panel'; import { reducers } from './reducers'; @NgModule({ imports: [Panel, StoreModule.forRoot(reducers)], bootstrap: [Panel] }) export class AppModule {} platformBrowserDynamic().bootstrapModule(AppModule);`,
      },
    }),
    reaches('of a part that is added', {
      files: {
        'main.ts': BOOT.replace(
          'provideStore({ rope })',
          `provideStore(), provideState('rope', rope)`,
        ).replace('{ provideStore }', '{ provideState, provideStore }'),
      },
    }),
    reaches('of a feature', {
      files: {
        'reduce.ts': REDUCE.replace('{ createReducer, on }', '{ createFeature, createReducer, on }')
          .replace('rope = createReducer(', `rope = createFeature({ name: 'rope', reducer: createReducer(`)
          .replace(/\);$/, ') });'),
        'main.ts': BOOT.replace('provideStore({ rope })', 'provideStore(), provideState(rope)').replace(
          '{ provideStore }',
          '{ provideState, provideStore }',
        ),
      },
    }),
    reaches('of a function around one', {
      files: {
        'reduce.ts':
          REDUCE.replace('export const rope =', 'const ropeReducer =') +
          ' export function rope(state: any, action: any) { return ropeReducer(state, action); }',
      },
    }),
  ]);
});

describe('what does not arrive', () => {
  idioms([
    {
      what: 'what something else is told',
      sources: app({ does: 'this.store.dispatch(setWind({ wind: this.next }));' }),
      from: 'Panel:state:next',
      to: ['Wind:prop:value'],
      not: ['Speed:prop:value'],
    },
    {
      what: 'what nobody answers',
      sources: app({ does: 'this.store.dispatch(RopeActions.turn({ speed: this.next }));' }),
      from: 'Panel:state:next',
      to: [],
      not: ['Speed:prop:value', 'Wind:prop:value'],
    },
    {
      what: 'a part of which no store is made',
      sources: app({ files: { 'main.ts': BOOT.replace('{ rope }', '{}') } }),
      from: 'Panel:state:next',
      to: [],
      not: ['Speed:prop:value'],
    },
  ]);
});
