/** Ways in which values move through components of Angular. */
import { type Idiom, idioms } from './reaching';

const app = (parts: string, more: Record<string, string> = {}) => ({
  'main.ts': `import { bootstrapApplication } from '@angular/platform-browser'; import { App } from './app'; bootstrapApplication(App);`,
  'app.ts': `import { Component, Injectable, inject, input, output, signal, computed, effect, model, Input, Output, EventEmitter, ViewChild } from '@angular/core'; import { BehaviorSubject, Subject, map } from 'rxjs'; import { AsyncPipe } from '@angular/common'; import { toSignal } from '@angular/core/rxjs-interop'; import { HttpClient } from '@angular/common/http'; import { FormControl, FormGroup } from '@angular/forms';
@Component({ selector: 'q-leaf', template: '<b>{{ x() }}</b>' }) export class Leaf { x = input<any>(); }
@Component({ selector: 'q-btn', template: '<b (click)="save.emit(v())"></b>' }) export class Btn { v = input<any>(); save = output<any>(); }
${parts}`,
  ...more,
});
const angular = (cls: string, tpl: string, before = '', more = '') =>
  app(`${before}
@Component({ selector: 'q-app', imports: [Leaf, Btn, AsyncPipe${more}], template: \`${tpl}\` }) export class App { ${cls} }`);

const LIST: Idiom[] = [
  {
    what: 'signal set from output',
    sources: angular(
      `seed = signal('a'); kept = signal('');`,
      `<q-btn [v]="seed()" (save)="kept.set($event)" /><q-leaf [x]="kept()" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'method',
    sources: angular(
      `seed = 'a'; kept = ''; put(v: any) { this.kept = v; }`,
      `<q-btn [v]="seed" (save)="put($event)" /><q-leaf [x]="kept" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'service signal',
    sources: angular(
      `seed = signal('a'); s = inject(Sv);`,
      `<q-btn [v]="seed()" (save)="s.put($event)" /><q-leaf [x]="s.up()" />`,
      `@Injectable({ providedIn: 'root' }) export class Sv { kept = signal(''); up = computed(() => this.kept() + '!'); put(v: any) { this.kept.update((k) => k + v); } }`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'subject async',
    sources: angular(
      `seed = signal('a'); s = inject(Sv); k$ = this.s.k$.pipe(map((v) => v + 1));`,
      `<q-btn [v]="seed()" (save)="s.put($event)" /><q-leaf [x]="k$ | async" />`,
      `@Injectable({ providedIn: 'root' }) export class Sv { private k = new BehaviorSubject(''); k$ = this.k.asObservable(); put(v: any) { this.k.next(v); } }`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'subscribe',
    sources: angular(
      `seed = signal('a'); s = inject(Sv); kept = ''; ngOnInit() { this.s.k$.subscribe((v) => { this.kept = v; }); }`,
      `<q-btn [v]="seed()" (save)="s.put($event)" /><q-leaf [x]="kept" />`,
      `@Injectable({ providedIn: 'root' }) export class Sv { private k = new BehaviorSubject(''); k$ = this.k.asObservable(); put(v: any) { this.k.next(v); } }`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'constructor injection',
    sources: angular(
      `seed = signal('a'); constructor(public s: Sv) {}`,
      `<q-btn [v]="seed()" (save)="s.put($event)" /><q-leaf [x]="s.kept" />`,
      `@Injectable({ providedIn: 'root' }) export class Sv { kept = ''; put(v: any) { this.kept = v; } }`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'toSignal',
    sources: angular(
      `seed = signal('a'); s = inject(Sv); kept = toSignal(this.s.k$);`,
      `<q-btn [v]="seed()" (save)="s.put($event)" /><q-leaf [x]="kept()" />`,
      `@Injectable({ providedIn: 'root' }) export class Sv { k$ = new Subject<string>(); put(v: any) { this.k$.next(v); } }`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'effect copies',
    sources: angular(
      `seed = signal('a'); kept = signal(''); constructor() { effect(() => { this.kept.set(this.seed()); }); }`,
      `<q-leaf [x]="kept()" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'viewchild',
    sources: angular(
      `seed = signal('a'); @ViewChild(Dlg) d!: Dlg; go() { this.d.open(this.seed()); }`,
      `<q-dlg /><b (click)="go()"></b>`,
      `@Component({ selector: 'q-dlg', imports: [Leaf], template: '<q-leaf [x]="t" />' }) export class Dlg { t: any; open(v: any) { this.t = v; } }`,
      ', Dlg',
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'for',
    sources: angular(`seed = signal(['a']);`, `@for (o of seed(); track o) { <q-leaf [x]="o" /> }`),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'let + pipe',
    sources: angular(`seed = signal('a');`, `@let up = seed() + '!'; <q-leaf [x]="up" />`),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'http subscribe',
    sources: angular(
      `seed = signal('a'); http = inject(HttpClient); d: any; load() { this.http.get('/x/' + this.seed()).subscribe((r) => (this.d = r)); }`,
      `<b (click)="load()"></b><q-leaf [x]="d" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
];

idioms(LIST);
