/** Angular, rule by rule: one component or two of each, and what is said of them. */
import { describe } from 'vitest';
import { ANGULAR_MOUNT, casesFor } from './testing';
import { angularApp as one, angularComponent as comp } from './classes-testing';

const cases = casesFor(ANGULAR_MOUNT, 'app.ts');

const GAUGE = comp(
  'Gauge',
  'gauge',
  '<b>{{ wind }}{{ unit }}</b>',
  '@Input({ required: true }) wind!: number;\n@Input() unit?: string;',
);
const DRILL = [
  comp('Leaf', 'leaf', '{{ wind() }}', 'wind = input(0);'),
  comp('Mid', 'mid', '<leaf [wind]="wind()"/>', 'wind = input(0);', 'imports: [Leaf],'),
  comp('Top', 'top', '<mid [wind]="wind()"/>', 'wind = input(0);', 'imports: [Mid],'),
];

describe('what is handed in', () => {
  cases(/^prop\//, [
    [
      'decorated required missing',
      one(GAUGE, comp('App', 'app', '<gauge unit="a"/>', '', 'imports: [Gauge],')),
      ['error prop/missing app.ts:9 gauge'],
    ],
    [
      'never passed',
      one(GAUGE, comp('App', 'app', '<gauge [wind]="1"/>', '', 'imports: [Gauge],')),
      ['warning prop/never-passed app.ts:6 unit'],
    ],
    [
      'type clash attr',
      one(GAUGE, comp('App', 'app', '<gauge wind="1" [unit]="3"/>', '', 'imports: [Gauge],')),
      ['error prop/type-clash app.ts:9 wind', 'error prop/type-clash app.ts:9 unit'],
    ],
    [
      'type clash member of object',
      one(
        comp('Row', 'row', '{{ at.x }}', '@Input({ required: true }) at!: { x: number; y?: string };'),
        comp('App', 'app', '<row [at]="{ x: \'a\' }"/>', '', 'imports: [Row],'),
      ),
      ['error prop/type-clash app.ts:8 at'],
    ],
    [
      'enum',
      one(
        `export enum Mode { Slow, Fast }`,
        comp('Row', 'row', '{{ mode }}', '@Input() mode: Mode = Mode.Slow;'),
        comp('App', 'app', '<row mode="fast"/>', '', 'imports: [Row],'),
      ),
      ['error prop/type-clash app.ts:9 mode'],
    ],
    [
      'default clash decorated',
      one(
        comp('Row', 'row', '{{ n }}', "@Input() n: number = 'a';"),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      ["error prop/default-clash app.ts:5 'a'"],
    ],
    [
      'default clash signal',
      one(
        comp('Row', 'row', '{{ n() }}', "n = input<number>('a');"),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      ["error prop/default-clash app.ts:5 'a'"],
    ],
    [
      'overwritten field',
      one(
        comp('Row', 'row', '<b (click)="up()">{{ n }}</b>', '@Input() n = 0;\nup() { this.n++; }'),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      ['warning prop/overwritten app.ts:6 this.n++'],
    ],
    [
      'overwritten in template',
      one(
        comp('Row', 'row', '<b (click)="n = n + 1">{{ n }}</b>', '@Input() n = 0;'),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      ['warning prop/overwritten app.ts:3 n = n + 1'],
    ],
    [
      'overwritten list push',
      one(
        comp(
          'Row',
          'row',
          '<b (click)="up()">{{ list.length }}</b>',
          '@Input() list: number[] = [];\nup() { this.list.push(1); }',
        ),
        comp('App', 'app', '<row [list]="l"/>', 'l = [1];', 'imports: [Row],'),
      ),
      ['warning prop/overwritten app.ts:6 this.list.push(1)'],
    ],
    [
      'stale copy ctor/init',
      one(
        comp(
          'Row',
          'row',
          '<b (click)="k = 3">{{ k }}</b>',
          '@Input() n = 0;\nk = 0;\nngOnInit() { this.k = this.n; }',
        ),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      ['note prop/stale-copy app.ts:6 k'],
    ],
    [
      'stale copy signal',
      one(
        comp('Row', 'row', '<b (click)="k.set(3)">{{ k() }}</b>', 'n = input(0);\nk = signal(this.n());'),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      ['note prop/stale-copy app.ts:6 k'],
    ],
    [
      'name clash method',
      one(
        comp('Row', 'row', '<b (click)="n()"></b>', '@Input() n = 0;\nn() { return 1; }'),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      ['error prop/name-clash app.ts:6 n'],
    ],
    [
      'orphan alias outputs',
      one(
        comp('Row', 'row', '<b></b>', '', `inputs: ['spede'], outputs: ['gone'],`),
        comp('App', 'app', '<row [spede]="1" (gone)="1"/>', '', 'imports: [Row],'),
      ),
      ["error prop/orphan-alias app.ts:2 'spede'", "error prop/orphan-alias app.ts:2 'gone'"],
    ],
    [
      'constant',
      one(
        comp('Row', 'row', '{{ n }}', '@Input() n = 0;'),
        comp('App', 'app', '<row [n]="1"/><row [n]="1"/><row [n]="1"/>', '', 'imports: [Row],'),
      ),
      ['note prop/constant app.ts:5 n'],
    ],
    [
      'drilled',
      one(...DRILL, comp('App', 'app', '<top [wind]="w()"/>', 'w = signal(1);', 'imports: [Top],')),
      ['warning prop/drilled app.ts:15 wind'],
    ],
    [
      'unread input',
      one(
        comp('Row', 'row', '<b></b>', '@Input() n = 0;'),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      ['warning prop/unread app.ts:5 n'],
    ],
    [
      'unknown on directive host',
      one(
        `@Directive({ selector: '[lamp]' }) export class Lamp { @Input() lamp = 0; @Input() tint = ''; constructor(e: ElementRef) { console.log(this.lamp, this.tint); } }`,
        comp(
          'App',
          'app',
          '<p [lamp]="1" [tnit]="2"></p><p [lamp]="1" tint="a"></p>',
          '',
          'imports: [Lamp],',
        ),
      ),
      ['error prop/unknown app.ts:4 tnit'],
    ],
  ]);
});

describe('events', () => {
  cases(/^event\//, [
    [
      'unheard output',
      one(
        comp('Row', 'row', '<b (click)="go.emit(1)"></b>', '@Output() go = new EventEmitter<number>();'),
        comp('App', 'app', '<row/>', '', 'imports: [Row],'),
      ),
      ['warning event/unheard app.ts:5 go'],
    ],
    [
      'unknown output',
      one(
        comp('Row', 'row', '<b (click)="go.emit(1)"></b>', '@Output() go = new EventEmitter<number>();'),
        comp('App', 'app', '<row (goo)="1"/>', '', 'imports: [Row],'),
      ),
      ['error event/unknown app.ts:8 goo'],
    ],
    [
      'broken path',
      one(
        comp('Leaf', 'leaf', '<b (click)="picked.emit(1)"></b>', 'picked = output<number>();'),
        comp('Mid', 'mid', '<leaf/>', '', 'imports: [Leaf],'),
        comp('App', 'app', '<mid (picked)="n = $event"/>{{ n }}', 'n = 0;', 'imports: [Mid],'),
      ),
      ['error event/broken-path app.ts:13 picked'],
    ],
    [
      'broken path declared',
      one(
        comp('Leaf', 'leaf', '<b (click)="picked.emit(1)"></b>', 'picked = output<number>();'),
        comp('Mid', 'mid', '<leaf/>', 'picked = output<number>();', 'imports: [Leaf],'),
        comp('App', 'app', '<mid (picked)="n = $event"/>{{ n }}', 'n = 0;', 'imports: [Mid],'),
      ),
      ['error event/broken-path app.ts:10 picked'],
    ],
    [
      'relayed',
      one(
        comp('Leaf', 'leaf', '<b (click)="picked.emit(1)"></b>', 'picked = output<number>();'),
        comp(
          'Mid',
          'mid',
          '<leaf (picked)="picked.emit($event)"/>',
          'picked = output<number>();',
          'imports: [Leaf],',
        ),
        comp(
          'Top',
          'top',
          '<mid (picked)="again($event)"/>',
          'picked = output<number>();\nagain(n: number) { this.picked.emit(n); }',
          'imports: [Mid],',
        ),
        comp('App', 'app', '<top (picked)="n = $event"/>{{ n }}', 'n = 0;', 'imports: [Top],'),
      ),
      ['warning event/relayed app.ts:8 picked.emit($event)'],
    ],
    [
      'payload at emit',
      one(
        comp('Row', 'row', '<b (click)="go.emit(\'a\')"></b>', 'go = output<number>();'),
        comp('App', 'app', '<row (go)="n = $event"/>{{ n }}', 'n = 0;', 'imports: [Row],'),
      ),
      ["error event/payload-clash app.ts:3 go.emit('a')"],
    ],
    [
      'payload at handler',
      one(
        comp('Row', 'row', '<b (click)="go.emit(1)"></b>', 'go = output<number>();'),
        comp('App', 'app', '<row (go)="take($event)"/>', 'take(x: string) { return x; }', 'imports: [Row],'),
      ),
      ['error event/payload-clash app.ts:8 take($event)'],
    ],
    [
      'native clash',
      one(
        comp(
          'Row',
          'row',
          '<b (click)="hit()"></b>',
          'click = output<void>();\nhit() { this.click.emit(); }',
        ),
        comp('App', 'app', '<row (click)="n = 1"/>{{ n }}', 'n = 0;', 'imports: [Row],'),
      ),
      ['warning event/native-clash app.ts:5 click'],
    ],
    [
      'half pair',
      one(
        comp(
          'Row',
          'row',
          '<b (click)="nChange.emit(1)">{{ n }}</b>',
          '@Input() n = 0;\n@Output() nChange = new EventEmitter<number>();',
        ),
        comp('App', 'app', '<row [n]="1"/><row [(n)]="k"/>', 'k = 2;', 'imports: [Row],'),
      ),
      ['note event/half-pair app.ts:9 n'],
    ],
    [
      'never emitted',
      one(
        comp('Row', 'row', '<b></b>', 'go = output<void>();'),
        comp('App', 'app', '<row (go)="n = 1"/>{{ n }}', 'n = 0;', 'imports: [Row],'),
      ),
      ['warning event/never-emitted app.ts:5 go'],
    ],
    [
      'unguarded callback input',
      one(
        comp('Row', 'row', '<b (click)="go()"></b>', '@Input() done?: () => void;\ngo() { this.done(); }'),
        comp('App', 'app', '<row/><row [done]="d"/>', 'd = () => {};', 'imports: [Row],'),
      ),
      ['warning event/unguarded-call app.ts:6 this.done()'],
    ],
    [
      'called early',
      one(
        comp('Row', 'row', '<b (click)="go()"></b>', '@Input() done?: () => void;\ngo() { this.done?.(); }'),
        comp('App', 'app', '<row [done]="d()"/>', 'd() { }', 'imports: [Row],'),
      ),
      ['error event/called-early app.ts:9 d()'],
    ],
    [
      'two-way on missing',
      one(
        comp('Row', 'row', '{{ n() }}', 'n = input(0);'),
        comp('App', 'app', '<row [(n)]="k"/>', 'k = 1;', 'imports: [Row],'),
      ),
      ['error event/unknown app.ts:8 n'],
    ],
  ]);
});

describe('what is provided', () => {
  cases(/^context\//, [
    [
      'no provider service',
      one(
        `@Injectable() export class Fleet { n = 1; }`,
        comp('Row', 'row', '{{ fleet.n }}', 'fleet = inject(Fleet);'),
        comp('App', 'app', '<row/>', '', 'imports: [Row],'),
      ),
      ['error context/no-provider app.ts:6 inject(Fleet)'],
    ],
    [
      'no provider some paths',
      one(
        `@Injectable() export class Fleet { n = 1; }`,
        comp('Row', 'row', '{{ fleet.n }}', 'constructor(public fleet: Fleet) {}'),
        comp('Box', 'box', '<row/>', '', 'imports: [Row], providers: [Fleet],'),
        comp('App', 'app', '<row/><box/>', '', 'imports: [Row, Box],'),
      ),
      ['warning context/no-provider app.ts:6 fleet: Fleet'],
    ],
    [
      'unread provider',
      one(
        `@Injectable() export class Fleet { n = 1; }`,
        comp('App', 'app', '<b></b>', '', 'providers: [Fleet],'),
      ),
      ['warning context/unread app.ts:3 Fleet'],
    ],
    [
      'shadowed',
      one(
        `@Injectable() export class Fleet { n = 1; }`,
        comp('Row', 'row', '{{ fleet.n }}', 'fleet = inject(Fleet);', 'providers: [Fleet],'),
        comp('App', 'app', '<row/>{{ f.n }}', 'f = inject(Fleet);', 'imports: [Row], providers: [Fleet],'),
      ),
      ['note context/shadowed app.ts:3 Fleet'],
    ],
    [
      'root service shadowed',
      one(
        `@Injectable({ providedIn: 'root' }) export class Fleet { n = 1; }`,
        comp('Row', 'row', '{{ fleet.n }}', 'fleet = inject(Fleet);', 'providers: [Fleet],'),
        comp('App', 'app', '<row/>{{ f.n }}', 'f = inject(Fleet);', 'imports: [Row],'),
      ),
      ['note context/shadowed app.ts:3 Fleet'],
    ],
    [
      'token type clash',
      one(
        `export const WIND = new InjectionToken<number>('wind');`,
        comp('Row', 'row', '{{ w }}', 'w = inject(WIND);'),
        comp('App', 'app', '<row/>', '', "imports: [Row], providers: [{ provide: WIND, useValue: 'a' }],"),
      ),
      ["error context/type-clash app.ts:8 'a'"],
    ],
    [
      'wrong time',
      one(
        `@Injectable({ providedIn: 'root' }) export class Fleet { n = 1; }`,
        comp('App', 'app', '<b (click)="go()"></b>', 'go() { return inject(Fleet).n; }'),
      ),
      ['error context/wrong-time app.ts:6 inject(Fleet)'],
    ],
    [
      'service dependencies',
      one(
        `@Injectable() export class Log { n = 1; }\n@Injectable({ providedIn: 'root' }) export class Fleet { log = inject(Log); }`,
        comp('App', 'app', '{{ f.log.n }}', 'f = inject(Fleet);'),
      ),
      ['error context/no-provider app.ts:3 inject(Log)'],
    ],
  ]);
});

describe('content', () => {
  cases(/^slot\//, [
    [
      'slot unknown attr select near miss',
      one(
        comp('Box', 'box', '<ng-content select="[head]"/><ng-content/>'),
        comp('App', 'app', '<box><p haed>x</p></box>', '', 'imports: [Box],'),
      ),
      ['note slot/unfilled app.ts:3 <ng-content select="[head]"/>', 'error slot/unknown app.ts:8 haed'],
    ],
    [
      'slot unknown ngProjectAs',
      one(
        comp('Box', 'box', '<ng-content select="[head]"/>'),
        comp(
          'App',
          'app',
          '<box><ng-container ngProjectAs="[foot]">x</ng-container></box>',
          '',
          'imports: [Box],',
        ),
      ),
      ['note slot/unfilled app.ts:3 <ng-content select="[head]"/>', 'error slot/unknown app.ts:8 [foot]'],
    ],
    [
      'no outlet',
      one(comp('Box', 'box', '<b></b>'), comp('App', 'app', '<box><p>x</p></box>', '', 'imports: [Box],')),
      ['error slot/no-outlet app.ts:8 box'],
    ],
  ]);
});

describe('handles', () => {
  cases(/^ref\//, [
    [
      'ref unknown member',
      one(
        comp('Gate', 'gate', '<b></b>', 'open() {}'),
        comp('App', 'app', '<gate #g/><b (click)="g.opne()"></b>', '', 'imports: [Gate],'),
      ),
      ['error ref/unknown-member app.ts:8 opne'],
    ],
    [
      'ref unknown member ViewChild',
      one(
        comp('Gate', 'gate', '<b></b>', 'open() {}'),
        comp(
          'App',
          'app',
          '<gate/>',
          '@ViewChild(Gate) g?: Gate;\nngAfterViewInit() { this.g?.opne(); }',
          'imports: [Gate],',
        ),
      ),
      ['error ref/unknown-member app.ts:11 opne'],
    ],
    [
      'ref private member',
      one(
        comp('Gate', 'gate', '<b></b>', 'private open() {}'),
        comp('App', 'app', '<gate #g/><b (click)="g.open()"></b>', '', 'imports: [Gate],'),
      ),
      ['error ref/unknown-member app.ts:8 open'],
    ],
    [
      'ref unattached',
      one(
        comp(
          'App',
          'app',
          '<b #othr></b>',
          "@ViewChild('other') g?: ElementRef;\nngAfterViewInit() { this.g?.nativeElement.focus(); }",
        ),
      ),
      ['warning ref/unattached app.ts:5 g'],
    ],
    [
      'ref early read',
      one(
        comp('Gate', 'gate', '<b></b>', 'open() {}'),
        comp(
          'App',
          'app',
          '<gate/>',
          '@ViewChild(Gate) g!: Gate;\nconstructor() { this.g.open(); }',
          'imports: [Gate],',
        ),
      ),
      ['error ref/early-read app.ts:11 this.g.open'],
    ],
    [
      'ref early read ngOnInit',
      one(
        comp('Gate', 'gate', '<b></b>', 'open() {}'),
        comp(
          'App',
          'app',
          '<gate/>',
          '@ViewChild(Gate) g!: Gate;\nngOnInit() { this.g.open(); }',
          'imports: [Gate],',
        ),
      ),
      ['error ref/early-read app.ts:11 this.g.open'],
    ],
    [
      'ref unread',
      one(
        comp('Gate', 'gate', '<b></b>', 'open() {}'),
        comp('App', 'app', '<gate/>', '@ViewChild(Gate) g!: Gate;', 'imports: [Gate],'),
      ),
      ['note ref/unread app.ts:10 g'],
    ],
    [
      'reach through',
      one(
        comp('Bolt', 'bolt', '<b></b>', 'shut() {}'),
        comp('Gate', 'gate', '<bolt/>', 'bolt = viewChild.required(Bolt);', 'imports: [Bolt],'),
        comp(
          'App',
          'app',
          '<gate/>',
          'g = viewChild.required(Gate);\ngo() { this.g().bolt().shut(); }\nngAfterViewInit() { this.go(); }',
          'imports: [Gate],',
        ),
      ),
      ['warning ref/reach-through app.ts:16 this.g().bolt().shut'],
    ],
  ]);
});

describe('names in templates', () => {
  cases(/^template\//, [
    [
      'unknown name',
      one(comp('App', 'app', '<b>{{ wnid }}</b>', 'wind = 1;')),
      ['error template/unknown-name app.ts:3 wnid'],
    ],
    [
      'unknown name private ok? near',
      one(
        comp(
          'App',
          'app',
          '@for (row of rows; track row.id) { {{ row.id }}{{ $index }} } @if (a; as b) { {{ b }} } @let c = 3; {{ c }}{{ d }}',
          'rows = [{ id: 1 }]; a = 1;',
        ),
      ),
      ['error template/unknown-name app.ts:3 d'],
    ],
  ]);
});

describe('components', () => {
  cases(/^component\//, [
    [
      'unresolved',
      one(comp('App', 'app', '<lamp-post/>')),
      ['error component/unresolved app.ts:3 lamp-post'],
    ],
    [
      'unused component',
      one(comp('Lamp', 'lamp', '<b></b>'), comp('App', 'app', '<b></b>')),
      ['note component/unused app.ts:4 Lamp'],
    ],
    [
      'inherits',
      one(
        comp('Base', 'base', '<b></b>{{ n() }}', 'n = input(1);'),
        `@Component({ selector: 'heir', template: '<i>{{ n() }}</i>' })\nexport class Heir extends Base {}`,
        comp('App', 'app', '<heir [n]="1"/><base [n]="2"/>', '', 'imports: [Heir, Base],'),
      ),
      ['note component/inherits app.ts:8 Base'],
    ],
  ]);
});

describe('places', () => {
  cases(/^portal\//, [
    [
      'portal state lost two branches',
      one(
        comp('Log', 'log', '<b (click)="n = n + 1">{{ n }}</b>', 'n = 0;'),
        comp(
          'App',
          'app',
          '@if (wide) { <aside><log/></aside> } @else { <log/> }',
          'wide = true;',
          'imports: [Log],',
        ),
      ),
      ['warning portal/state-lost app.ts:8 log'],
    ],
    [
      'portal state lost template twice',
      one(
        comp('Log', 'log', '<b (click)="n = n + 1">{{ n }}</b>', 'n = 0;'),
        comp(
          'App',
          'app',
          '<ng-template #t><log/></ng-template>@if (wide) { <aside><ng-container *ngTemplateOutlet="t"/></aside> } @else { <ng-container *ngTemplateOutlet="t"/> }',
          'wide = true;',
          'imports: [Log, NgTemplateOutlet],',
        ),
      ),
      ['warning portal/state-lost app.ts:8 t'],
    ],
    [
      'outside providers',
      one(
        `@Injectable() export class Fleet { n = 1; }`,
        comp('Row', 'row', '{{ f.n }}', 'f = inject(Fleet);'),
        comp(
          'App',
          'app',
          '<b></b>',
          'env = inject(EnvironmentInjector);\ngo() { createComponent(Row, { environmentInjector: this.env }); }\nngOnInit() { this.go(); }',
          'providers: [Fleet],',
        ),
      ),
      ['warning portal/outside-providers app.ts:12 createComponent(Row, { environmentInjector: this.env })'],
    ],
  ]);
});

describe('state', () => {
  cases(/^state\//, [
    [
      'state twin',
      one(
        comp('Row', 'row', '<b (click)="open = !open">{{ open }}</b>', 'open = false;'),
        comp(
          'App',
          'app',
          '<row/><b (click)="open = !open">{{ open }}</b>',
          'open = false;',
          'imports: [Row],',
        ),
      ),
      ['note state/twin app.ts:5 open'],
    ],
    [
      'setup race',
      one(
        `@Injectable({ providedIn: 'root' }) export class Fleet { mode = signal('a'); }`,
        comp('Row', 'row', '{{ f.mode() }}', "f = inject(Fleet);\nconstructor() { this.f.mode.set('b'); }"),
        comp(
          'App',
          'app',
          '<row/>',
          "f = inject(Fleet);\nconstructor() { this.f.mode.set('c'); }",
          'imports: [Row],',
        ),
      ),
      ["warning state/setup-race app.ts:13 this.f.mode.set('c')"],
    ],
  ]);
});

describe('nothing is wrong', () => {
  cases(/^(?!component)/, [
    [
      'setter counts',
      one(
        comp('Row', 'row', '<b>{{ k }}</b>', 'k = 0;\n@Input() set n(v: number) { this.k = v; }'),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      [],
    ],
    [
      'unknown pipe',
      {
        'app.ts': `import { Component } from '@angular/core'; import { Shot } from '@rope/pipes';\n${comp('App', 'app', '{{ 1 | shot }}', '', 'imports: [Shot],')}`,
      },
      [],
    ],
    ['context key clash strings', one(comp('App', 'app', '<b></b>', '')), []],
  ]);
});
