/** Angular: forms of its own package, streams that are looked at on their way, and what it tells of changed inputs. */
import { idioms } from './reaching';
import { angularApp } from './testing';

const HTTP = `import { HttpClient } from '@angular/common/http'; import { FormBuilder, FormGroup } from '@angular/forms';`;

/** The leaf is given `x`; `members` are those of the app beside what it keeps. */
const app = (members: string, x: string) =>
  angularApp(
    `${HTTP} @Component({ selector: 'app-root', standalone: true, imports: [Leaf], template: '<app-leaf [x]="${x}" />' }) export class App { seed: any = 'a'; change() { this.seed = 'b'; } ${members} }`,
  );
/** A box is given what the app keeps, and draws the leaf. */
const box = (members: string) =>
  angularApp(
    `@Component({ selector: 'app-box', standalone: true, imports: [Leaf], template: '<app-leaf [x]="d" />' }) export class Box { @Input() s: any; d: any; ${members} } @Component({ selector: 'app-root', standalone: true, imports: [Box], template: '<app-box [s]="seed" />' }) export class App { seed: any = 'a'; change() { this.seed = 'b'; } }`,
  );

idioms(
  (
    [
      ['a control', app(`c = new FormControl(''); go() { this.c.setValue(this.seed); }`, 'c.value')],
      [
        'what a control tells of',
        app(
          `c = new FormControl(''); d: any; ngOnInit() { this.c.valueChanges.subscribe((v) => { this.d = v; }); } go() { this.c.setValue(this.seed); }`,
          'd',
        ),
      ],
      [
        'a member of a group',
        app(
          `f = new FormGroup({ a: new FormControl('') }); go() { this.f.patchValue({ a: this.seed }); }`,
          'f.value.a',
        ),
      ],
      [
        'a group that a builder makes on the spot',
        app(
          `f = inject(FormBuilder).nonNullable.group({ a: [''] }); go() { this.f.patchValue({ a: this.seed }); }`,
          'f.value.a',
        ),
      ],
      [
        'a control of a group that is built',
        app(
          `fb = inject(FormBuilder); f = this.fb.group({ a: [''] }); go() { this.f.get('a')!.setValue(this.seed); }`,
          'f.value.a',
        ),
      ],
      [
        'all of a group',
        app(
          `fb = inject(FormBuilder); f = this.fb.group({ a: [''] }); d: any; go() { this.f.reset({ a: this.seed }); this.d = this.f.getRawValue(); }`,
          'd.a',
        ),
      ],
      [
        'a stream that is looked at',
        app(
          `d: any; http = inject(HttpClient); go() { this.http.get('/x/' + this.seed).pipe(tap((r) => (this.d = r))).subscribe(); }`,
          'd',
        ),
      ],
      [
        'a changed input',
        box('ngOnChanges(changes: any) { if (changes.s) { this.d = changes.s.currentValue; } }'),
      ],
    ] as const
  ).map(([what, sources]) => ({ what, sources, from: 'App:state:seed', to: ['Leaf:prop:x'] })),
);

const other = `f = new FormGroup({ a: new FormControl(''), b: new FormControl('') }); go() { this.f.patchValue({ a: this.seed }); }`;
idioms([
  {
    what: 'another member of a group',
    sources: app(other, 'f.value.b'),
    from: 'App:state:seed',
    to: ['App:state:f'],
    not: ['Leaf:prop:x'],
  },
]);
