/** What promises and streams give: several together at their places, and through what only says when something comes. */
import { type Idiom, idioms } from './reaching';
import { angularApp, reactApp, svelteApp, vueApp } from './testing';

const STREAMS = `import { Component } from '@angular/core'; import { AsyncPipe } from '@angular/common'; import { BehaviorSubject, Subject, combineLatest, firstValueFrom, forkJoin, zip } from 'rxjs'; import { map, tap, filter, switchMap, scan, startWith, shareReplay, takeUntil, debounceTime, distinctUntilChanged, withLatestFrom, catchError } from 'rxjs/operators'; import { Leaf, Btn } from './parts';`;
const PARTS = `import { Component, EventEmitter, Input, Output } from '@angular/core'; @Component({ selector: 'app-leaf', standalone: true, template: '<b>{{ x }}</b>' }) export class Leaf { @Input() x: any; } @Component({ selector: 'app-btn', standalone: true, template: '<b (click)="save.emit(v)"></b>' }) export class Btn { @Input() v: any; @Output() save = new EventEmitter<any>(); }`;

/** An app with two streams, `lo$` and `hi$`, and whatever stands in its class; the leaf shows one value. */
const angular = (code: string, shown: string): Record<string, string> => ({
  'main.ts': `import { bootstrapApplication } from '@angular/platform-browser'; import { App } from './app'; bootstrapApplication(App);`,
  'parts.ts': PARTS,
  'app.ts': `${STREAMS} @Component({ selector: 'app-root', standalone: true, imports: [Leaf, Btn, AsyncPipe], template: '<app-leaf [x]="${shown}" /><app-btn (save)="lo$.next($event); hi$.next($event)" />' }) export class App { lo$ = new BehaviorSubject<any>(1); hi$ = new BehaviorSubject<any>(2); stop$ = new Subject<void>(); wait = 200; lo: any; hi: any; ${code} }`,
});

/** What a class does with the streams, what the leaf shows, and whether it is told of `lo$`, and of `hi$`. */
const ANGULAR: [what: string, code: string, shown: string, of: 'lo$' | 'hi$' | 'both'][] = [
  ['until another comes', 'to$ = this.lo$.pipe(takeUntil(this.hi$));', 'to$ | async', 'lo$'],
  [
    'after a time',
    'to$ = this.lo$.pipe(debounceTime(this.wait), takeUntil(this.stop$));',
    'to$ | async',
    'lo$',
  ],
  [
    'subscribed to, until another comes',
    'ngOnInit() { this.lo$.pipe(takeUntil(this.hi$)).subscribe((v) => { this.lo = v; }); }',
    'lo',
    'lo$',
  ],
  [
    'together, the first',
    'ngOnInit() { combineLatest([this.lo$, this.hi$]).subscribe(([a]) => { this.lo = a; }); }',
    'lo',
    'lo$',
  ],
  [
    'together, the second',
    'ngOnInit() { combineLatest([this.lo$, this.hi$]).subscribe(([, b]) => { this.hi = b; }); }',
    'hi',
    'hi$',
  ],
  [
    'together, until something comes',
    'ngOnInit() { combineLatest([this.lo$, this.hi$]).pipe(distinctUntilChanged(), takeUntil(this.stop$)).subscribe(([a]) => { this.lo = a; }); }',
    'lo',
    'lo$',
  ],
  [
    'one beside the other, to a function by its name',
    'ngOnInit() { const put = ([, b]: [any, any]) => { this.hi = b; }; zip(this.lo$, this.hi$).subscribe(put); }',
    'hi',
    'hi$',
  ],
  [
    'by names',
    'ngOnInit() { forkJoin({ a: this.lo$, b: this.hi$ }).subscribe(({ b }) => { this.hi = b; }); }',
    'hi',
    'hi$',
  ],
  [
    'together, in a field',
    'to$ = combineLatest([this.lo$, this.hi$]).pipe(map(([a]) => a));',
    'to$ | async',
    'lo$',
  ],
  [
    'worked out of one of them',
    'to$ = combineLatest([this.lo$, this.hi$]).pipe(map(([, b]) => b * 2), shareReplay(1));',
    'to$ | async',
    'hi$',
  ],
  [
    'a member of what is made of them',
    'to$ = combineLatest([this.lo$, this.hi$]).pipe(map(([a, b]) => ({ a, b })));',
    '(to$ | async)?.b',
    'hi$',
  ],
  [
    'awaited once',
    'to$ = combineLatest({ a: this.lo$, b: this.hi$ }); async load() { const { b } = await firstValueFrom(this.to$); this.hi = b; }',
    'hi',
    'hi$',
  ],
  [
    'awaited once, where it is led through others',
    'async load() { const hi = await firstValueFrom(this.hi$.pipe(takeUntil(this.lo$))); this.hi = hi; }',
    'hi',
    'hi$',
  ],
  [
    'taken apart in the template',
    'to$ = combineLatest({ a: this.lo$, b: this.hi$ });',
    '(to$ | async)?.a',
    'lo$',
  ],
  [
    'what decides counts',
    'to$ = combineLatest([this.lo$, this.hi$]).pipe(map(([a, b]) => (b ? a : 0)));',
    'to$ | async',
    'both',
  ],
  ['put beside', 'to$ = this.lo$.pipe(withLatestFrom(this.hi$), map(([, b]) => b));', 'to$ | async', 'hi$'],
  [
    'seen on its way',
    'ngOnInit() { this.lo$.pipe(withLatestFrom(this.hi$), tap(([, b]) => { this.hi = b; })).subscribe(); }',
    'hi',
    'hi$',
  ],
  [
    'another stream in its place',
    'to$ = this.lo$.pipe(filter((a) => a > 1), switchMap(() => this.hi$));',
    'to$ | async',
    'hi$',
  ],
  ['with something before it', 'to$ = this.lo$.pipe(startWith(this.hi));', 'to$ | async', 'lo$'],
  ['gathered', 'to$ = this.lo$.pipe(scan((sum, a) => sum + a, 0), startWith(0));', 'to$ | async', 'lo$'],
  [
    'or something else, where it fails',
    'to$ = this.lo$.pipe(catchError(() => this.hi$));',
    'to$ | async',
    'both',
  ],
];

const angularIdioms = ANGULAR.map(([what, code, shown, of]): Idiom => {
  const isLow = of !== 'hi$';
  return {
    what: `Angular: ${what}`,
    sources: angular(code, shown),
    from: 'Leaf:prop:x',
    to: [...(isLow ? ['App:state:lo$'] : []), ...(of === 'lo$' ? [] : ['App:state:hi$'])],
    not: [
      ...(isLow ? [] : ['App:state:lo$']),
      ...(of === 'lo$' ? ['App:state:hi$'] : []),
      'App:state:stop$',
      'App:state:wait',
    ],
  };
});

const READ = `import { readA, readB } from 'ropeway-line';`;
const React = (code: string): Record<string, string> =>
  reactApp(
    `${READ} export function App({ seed, other }) { const [lo, setLo] = useState(0); const [hi, setHi] = useState(0); ${code} return <i><Btn v={other} onSave={run} /><Leaf x={lo} /></i>; }`,
  );

const CASES: Idiom[] = [
  ...angularIdioms,
  ...(
    [
      [
        'then',
        'const run = () => { Promise.all([readA(seed), readB(other)]).then(([a, b]) => { setLo(a); setHi(b); }); };',
      ],
      [
        'awaited',
        'const run = async () => { const [a, b] = await Promise.all([readA(seed), readB(other)]); setLo(a); setHi(b); };',
      ],
      [
        'awaited in an effect',
        'const run = () => {}; useEffect(() => { (async () => { const [a] = await Promise.all([readA(seed), readB(other)]); setLo(a); })(); }, [seed, other]);',
      ],
    ] as const
  ).map(([what, code]): Idiom => ({
    what: `React: promises together, ${what}`,
    sources: React(code),
    from: 'App:state:lo',
    to: ['App:prop:seed', 'Leaf:prop:x'],
    not: ['App:prop:other'],
  })),
  {
    what: 'React: a list of promises is all of them',
    sources: React(
      'const run = async () => { const [a] = await Promise.all([seed, other].map(readA)); setLo(a); };',
    ),
    from: 'App:state:lo',
    to: ['App:prop:seed', 'App:prop:other'],
  },
  {
    what: 'Vue: promises together',
    sources: vueApp(
      `${READ} const props = defineProps<{ seed?: any; other?: any }>(); const lo = ref(0); async function run() { const [, b] = await Promise.all([readA(props.seed), readB(props.other)]); lo.value = b; }`,
      '<Leaf :x="lo" /><Btn :v="lo" @save="run" />',
    ),
    from: 'App:state:lo',
    to: ['App:prop:other', 'Leaf:prop:x'],
    not: ['App:prop:seed'],
  },
  {
    what: 'Svelte: promises together',
    sources: svelteApp(
      `${READ} let { seed, other }: { seed?: any; other?: any } = $props(); let lo = $state(0); async function run() { const [a] = await Promise.all([readA(seed), readB(other)]); lo = a; }`,
      '<Leaf x={lo} /><Btn v={lo} save={run} />',
    ),
    from: 'App:state:lo',
    to: ['App:prop:seed', 'Leaf:prop:x'],
    not: ['App:prop:other'],
  },
  {
    what: 'Angular: a function of the project of such a name is what it is',
    sources: angularApp(
      `import { takeUntil as stop } from './own'; @Component({ selector: 'app-root', standalone: true, imports: [Leaf], template: '<app-leaf [x]="lo" />' }) export class App { hi = signal(1); lo = stop(this.hi()); }`,
      { 'own.ts': 'export const takeUntil = (v: any) => v;' },
    ),
    from: 'Leaf:prop:x',
    to: ['App:state:hi'],
  },
];

idioms(CASES);
