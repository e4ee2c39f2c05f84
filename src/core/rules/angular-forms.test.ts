/** Forms of Angular: modules, bases, structural directives, views of their own, providers. */
import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { accountOf } from '../link/joined';
import { ANGULAR_MOUNT, casesFor } from './testing';
import { angularApp as one, angularComponent as comp } from './classes-testing';

const cases = casesFor(ANGULAR_MOUNT, 'app.ts');

describe('what is handed in', () => {
  cases(/^prop\//, [
    [
      'alias unknown by member name',
      one(
        comp('Row', 'row', '{{ n }}', "@Input({ alias: 'count' }) n = 0;"),
        comp('App', 'app', '<row [n]="1"/><row [count]="2"/>', '', 'imports: [Row],'),
      ),
      ['error prop/unknown app.ts:8 n'],
    ],
    [
      'getter setter input type',
      one(
        comp(
          'Row',
          'row',
          '{{ k }}',
          'k = 0;\n@Input() set n(v: number) { this.k = v; }\nget n() { return this.k; }',
        ),
        comp('App', 'app', '<row [n]="\'a\'"/>', '', 'imports: [Row],'),
      ),
      ['error prop/type-clash app.ts:10 n'],
    ],
    [
      'inherited input missing',
      one(
        `@Directive() export abstract class Base { @Input({ required: true }) wind!: number; }`,
        `@Component({ selector: 'row', template: '{{ wind }}' }) export class Row extends Base {}`,
        comp('App', 'app', '<row/>', '', 'imports: [Row],'),
      ),
      ['error prop/missing app.ts:5 row'],
    ],
    [
      'defer',
      one(
        comp('Log', 'log', '{{ n }}', '@Input({ required: true }) n!: number;'),
        comp('App', 'app', '@defer (on viewport) { <log/> } @placeholder { <b></b> }', '', 'imports: [Log],'),
      ),
      ['error prop/missing app.ts:8 log'],
    ],
    [
      'computed chain type clash',
      one(
        comp('Row', 'row', '{{ n() }}', 'n = input(0);'),
        comp(
          'App',
          'app',
          '<row [n]="label()"/>',
          "k = signal(1); label = computed(() => 'n' + this.k());",
          'imports: [Row],',
        ),
      ),
      ['error prop/type-clash app.ts:8 n'],
    ],
    [
      'method result type clash',
      one(
        comp('Row', 'row', '{{ n() }}', 'n = input(0);'),
        comp('App', 'app', '<row [n]="label()"/>', "label(): string { return 'a'; }", 'imports: [Row],'),
      ),
      ['error prop/type-clash app.ts:8 n'],
    ],
    [
      'interface member missing',
      one(
        `export interface Point { x: number; y: number }`,
        comp('Row', 'row', '{{ p().x }}', 'p = input.required<Point>();'),
        comp('App', 'app', '<row [p]="{ x: 1 }"/>', '', 'imports: [Row],'),
      ),
      ['error prop/type-clash app.ts:9 p'],
    ],
    [
      'array element',
      one(
        comp('Row', 'row', '{{ l().length }}', 'l = input<number[]>([]);'),
        comp('App', 'app', '<row [l]="[1, \'a\']"/>', '', 'imports: [Row],'),
      ),
      ['error prop/type-clash app.ts:8 l'],
    ],
    [
      'function input required params',
      one(
        comp('Row', 'row', '{{ by()(1) }}', 'by = input.required<(n: number) => string>();'),
        comp('App', 'app', '<row [by]="show"/>', 'show = (n: string) => n;', 'imports: [Row],'),
      ),
      ['error prop/type-clash app.ts:8 by'],
    ],
    [
      'bindings that only some elements of the page have',
      one(
        comp('Row', 'row', '{{ label }}', "@Input() label = '';"),
        comp('Bold', 'button[bold]', '<ng-content />', ''),
        comp(
          'App',
          'app',
          '<row [label]="\'a\'" [size]="1" [title]="\'b\'" [hidden]="true" size="1" /><button bold [disabled]="true">a</button>',
          '',
          'imports: [Row, Bold],',
        ),
      ),
      ['error prop/unknown app.ts:13 size'],
    ],
    [
      'reflected attr unknown near',
      one(
        comp('Row', 'row', '{{ label }}', "@Input() label = '';"),
        comp('App', 'app', '<row lable="x"/>', '', 'imports: [Row],'),
      ),
      ['warning prop/unknown app.ts:8 lable'],
    ],
  ]);
});

describe('events', () => {
  cases(/^event\//, [
    [
      'inherited output unknown',
      one(
        `@Directive() export abstract class Base { @Output() held = new EventEmitter<void>(); go() { this.held.emit(); } }`,
        `@Component({ selector: 'row', template: '<b (click)="go()"></b>' }) export class Row extends Base {}`,
        comp('App', 'app', '<row (hled)="n = 1"/>{{ n }}', 'n = 0;', 'imports: [Row],'),
      ),
      ['error event/unknown app.ts:5 hled'],
    ],
    [
      'subject output',
      one(
        comp('Row', 'row', '<b (click)="held.next(1)"></b>', '@Output() held = new Subject<number>();'),
        comp('App', 'app', '<row/>', '', 'imports: [Row],'),
      ),
      ['warning event/unheard app.ts:5 held'],
    ],
    [
      'output payload object',
      one(
        comp('Row', 'row', '<b (click)="held.emit({ at: 1 })"></b>', 'held = output<{ at: string }>();'),
        comp('App', 'app', '<row (held)="n = $event.at"/>{{ n }}', "n = '';", 'imports: [Row],'),
      ),
      ['error event/payload-clash app.ts:3 held.emit({ at: 1 })'],
    ],
    [
      'unguarded optional cb signal',
      one(
        comp('Row', 'row', '<b (click)="go()"></b>', 'done = input<() => void>();\ngo() { this.done()(); }'),
        comp('App', 'app', '<row/><row [done]="d"/>', 'd = () => {};', 'imports: [Row],'),
      ),
      ['warning event/unguarded-call app.ts:6 this.done()()'],
    ],
  ]);
});

describe('components', () => {
  cases(/^component\//, [
    [
      'module not exported',
      one(
        `@Component({ selector: 'row', standalone: false, template: 'x' }) export class Row {}`,
        `@NgModule({ declarations: [Row] }) export class Rows {}`,
        comp('App', 'app', '<row/>', '', 'imports: [Rows],'),
      ),
      ['note component/unused app.ts:2 Row', 'error component/unresolved app.ts:5 row'],
    ],
  ]);
});

describe('names in templates', () => {
  cases(/^template\//, [
    [
      'template unknown in event',
      one(comp('App', 'app', '<b (click)="goo()"></b>', 'go() {}')),
      ['error template/unknown-name app.ts:3 goo'],
    ],
    [
      'template unknown in binding nested',
      one(
        comp('App', 'app', '@if (open()) { <b [title]="titel"></b> }', "open = signal(true); title = 'a';"),
      ),
      ['error template/unknown-name app.ts:3 titel'],
    ],
    [
      'ngFor names',
      one(
        comp(
          'App',
          'app',
          '<b *ngFor="let r of rows; let i = index; trackBy: by">{{ r }}{{ i }}{{ j }}</b>',
          'rows = [1]; by(i: number) { return i; }',
          'imports: [NgFor],',
        ),
      ),
      ['error template/unknown-name app.ts:3 j'],
    ],
    [
      'ngIf as',
      one(
        comp(
          'App',
          'app',
          '<b *ngIf="at as a; else other">{{ a }}</b><ng-template #other>{{ at }}{{ b }}</ng-template>',
          'at = 1;',
          'imports: [NgIf],',
        ),
      ),
      ['error template/unknown-name app.ts:3 b'],
    ],
    [
      'host unknown name',
      one(
        comp('Row', 'row', 'x', '@Input() wide = false;', 'host: { "[class.wide]": "wdie" },'),
        comp('App', 'app', '<row [wide]="true"/>', '', 'imports: [Row],'),
      ),
      ['error template/unknown-name app.ts:2 wdie'],
    ],
  ]);
});

describe('places', () => {
  cases(/^portal\//, [
    [
      'switch state lost',
      one(
        comp('Log', 'log', '<b (click)="n = n + 1">{{ n }}</b>', 'n = 0;'),
        comp(
          'App',
          'app',
          '@switch (at) { @case (1) { <div><log/></div> } @default { <log/> } }',
          'at = 1;',
          'imports: [Log],',
        ),
      ),
      ['warning portal/state-lost app.ts:8 log'],
    ],
    [
      'ngIf else state lost',
      one(
        comp('Log', 'log', '<b (click)="n = n + 1">{{ n }}</b>', 'n = 0;'),
        comp(
          'App',
          'app',
          '<div *ngIf="at; else o"><log/></div><ng-template #o><log/></ng-template>',
          'at = 1;',
          'imports: [Log, NgIf],',
        ),
      ),
      ['warning portal/state-lost app.ts:8 o'],
    ],
  ]);
});

describe('what is provided', () => {
  cases(/^context\//, [
    [
      'constructor inject missing',
      one(
        `@Injectable() export class Fleet { n = 1; }`,
        comp('App', 'app', '{{ f.n }}', 'constructor(public f: Fleet) {}'),
      ),
      ['error context/no-provider app.ts:6 f: Fleet'],
    ],
    [
      'viewProviders not for content',
      one(
        `@Injectable() export class Fleet { n = 1; }`,
        comp('Row', 'row', '{{ f.n }}', 'f = inject(Fleet);'),
        comp('Box', 'box', '<ng-content/>', 'f = inject(Fleet);', 'viewProviders: [Fleet],'),
        comp('App', 'app', '<box><row/></box>', '', 'imports: [Row, Box],'),
      ),
      ['error context/no-provider app.ts:6 inject(Fleet)'],
    ],
    [
      'token none',
      one(
        `export const WIND = new InjectionToken<number>('w');`,
        comp('App', 'app', '{{ w }}', 'w = inject(WIND);'),
      ),
      ['error context/no-provider app.ts:6 inject(WIND)'],
    ],
    [
      'shadow within',
      one(
        `@Injectable() export class Fleet { n = 1; }`,
        comp('Row', 'row', '{{ f.n }}', 'f = inject(Fleet);'),
        comp('Box', 'box', '<ng-content/>{{ f.n }}', 'f = inject(Fleet);', 'providers: [Fleet],'),
        comp(
          'App',
          'app',
          '<box><row/></box>{{ f.n }}',
          'f = inject(Fleet);',
          'imports: [Row, Box], providers: [Fleet],',
        ),
      ),
      ['note context/shadowed app.ts:8 Fleet'],
    ],
  ]);
});

describe('content', () => {
  cases(/^slot\//, [
    [
      'slot relayed',
      one(
        comp('Inner', 'inner', '<ng-content select="[head]"/>'),
        comp(
          'Mid',
          'mid',
          '<inner><ng-content select="[head]" ngProjectAs="[head]"/></inner>',
          '',
          'imports: [Inner],',
        ),
        comp(
          'Outer',
          'outer',
          '<mid><ng-content select="[head]" ngProjectAs="[head]"/></mid>',
          '',
          'imports: [Mid],',
        ),
        comp('App', 'app', '<outer><b head>x</b></outer>', '', 'imports: [Outer],'),
      ),
      ['warning slot/relayed app.ts:13 <ng-content select="[head]" ngProjectAs="[head]"/>'],
    ],
  ]);
});

describe('nothing is wrong', () => {
  cases(/^(?!component)/, [
    [
      'transform any',
      one(
        comp('Row', 'row', '{{ n }}', '@Input({ transform: booleanAttribute }) n = false;'),
        comp('App', 'app', '<row n/><row [n]="true"/>', '', 'imports: [Row],'),
      ),
      [],
    ],
    [
      'module exported',
      one(
        `@Component({ selector: 'row', standalone: false, template: 'x' }) export class Row {}`,
        `@NgModule({ declarations: [Row], exports: [Row] }) export class Rows {}`,
        comp('App', 'app', '<row/>', '', 'imports: [Rows],'),
      ),
      [],
    ],
    [
      'content query unread',
      one(
        comp(
          'Box',
          'box',
          '<ng-content/>',
          "@ContentChild('x') x?: ElementRef;\nngAfterContentInit() { this.x?.nativeElement.focus(); }",
        ),
        comp('App', 'app', '<box><b #x></b></box>', '', 'imports: [Box],'),
      ),
      [],
    ],
    [
      'viewChildren read early',
      one(
        comp('Gate', 'gate', 'x', 'open() {}'),
        comp(
          'App',
          'app',
          '<gate/>',
          '@ViewChildren(Gate) g!: QueryList<Gate>;\nngAfterViewInit() { this.g.forEach((x) => x.open()); }',
          'imports: [Gate],',
        ),
      ),
      [],
    ],
    [
      'host listener reads',
      one(
        `@Directive({ selector: '[tip]' }) export class Tip { @Input() tip = ''; @HostListener('mouseenter') on() { console.log(this.tip); } }`,
        comp('App', 'app', '<b tip="a"></b>', '', 'imports: [Tip],'),
      ),
      [],
    ],
    [
      'host binding',
      one(
        comp('Row', 'row', 'x', '@Input() wide = false;', 'host: { "[class.wide]": "wide" },'),
        comp('App', 'app', '<row [wide]="true"/>', '', 'imports: [Row],'),
      ),
      [],
    ],
    [
      'drilled through directive host no',
      one(
        comp('Leaf', 'leaf', '<b>{{ wind() }}</b>', 'wind = input(0);'),
        comp('Mid', 'mid', '<leaf [wind]="wind() + 1"/>', 'wind = input(0);', 'imports: [Leaf],'),
        comp('Top', 'top', '<mid [wind]="wind()"/>', 'wind = input(0);', 'imports: [Mid],'),
        comp('App', 'app', '<top [wind]="1"/>', '', 'imports: [Top],'),
      ),
      [],
    ],
    [
      'unheard model no',
      one(
        comp('Row', 'row', '<b (click)="n.set(1)">{{ n() }}</b>', 'n = model(0);'),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      [],
    ],
    [
      'router no call site',
      one(
        comp('Page', 'page', '{{ id() }}', 'id = input.required<string>();'),
        comp('App', 'app', 'x'),
        `export const routes = [{ path: ':id', component: Page }];`,
      ),
      [],
    ],
    [
      'service unused method',
      one(
        `@Injectable({ providedIn: 'root' }) export class Fleet { mode = signal('a'); }`,
        comp('App', 'app', '{{ f.mdoe() }}', 'f = inject(Fleet);'),
      ),
      [],
    ],
    [
      'optional inject',
      one(
        `@Injectable() export class Fleet { n = 1; }`,
        comp('App', 'app', '{{ f?.n }}', 'f = inject(Fleet, { optional: true });'),
      ),
      [],
    ],
    [
      'factory token',
      one(
        `export const WIND = new InjectionToken<number>('w', { factory: () => 1 });`,
        comp('App', 'app', '{{ w }}', 'w = inject(WIND);'),
      ),
      [],
    ],
    [
      'multi provider ok',
      one(
        `export const RULE = new InjectionToken<string[]>('r');`,
        comp(
          'App',
          'app',
          '{{ w }}',
          'w = inject(RULE);',
          "providers: [{ provide: RULE, useValue: 'a', multi: true }, { provide: RULE, useValue: 'b', multi: true }],",
        ),
      ),
      [],
    ],
    [
      'linked signal ok',
      one(
        comp(
          'Row',
          'row',
          '<b (click)="k.set(3)">{{ k() }}</b>',
          'n = input(0);\nk = linkedSignal(() => this.n());',
        ),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      [],
    ],
    [
      'effect renews',
      one(
        comp(
          'Row',
          'row',
          '<b (click)="k.set(3)">{{ k() }}</b>',
          'n = input(0);\nk = signal(0);\nconstructor() { effect(() => this.k.set(this.n())); }',
        ),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      [],
    ],
    [
      'onchanges renews',
      one(
        comp(
          'Row',
          'row',
          '<b (click)="k = 3">{{ k }}</b>',
          '@Input() n = 0;\nk = 0;\nngOnInit() { this.k = this.n; }\nngOnChanges() { this.k = this.n; }',
        ),
        comp('App', 'app', '<row [n]="1"/>', '', 'imports: [Row],'),
      ),
      [],
    ],
    [
      'relayed once ok',
      one(
        comp('Leaf', 'leaf', '<b (click)="picked.emit(1)"></b>', 'picked = output<number>();'),
        comp(
          'Mid',
          'mid',
          '<leaf (picked)="picked.emit($event)"/>',
          'picked = output<number>();',
          'imports: [Leaf],',
        ),
        comp('App', 'app', '<mid (picked)="n = $event"/>{{ n }}', 'n = 0;', 'imports: [Mid],'),
      ),
      [],
    ],
    [
      'no-outlet with default fallback',
      one(
        comp('Box', 'box', '<ng-content>none</ng-content>'),
        comp('App', 'app', '<box>x</box>', '', 'imports: [Box],'),
      ),
      [],
    ],
  ]);
});

describe('what an input accepts beside its own type', () => {
  const button = (body: string) =>
    `@Directive({ selector: '[btn]' }) export class Btn { kept = false; ${body} @HostBinding('class.on') get on() { return this.kept; } }`;
  const app = comp('App', 'app', '<button btn lit></button>', '', 'imports: [Btn],');
  cases(/^prop\/type-clash/, [
    ['nothing', one(button('@Input() lit = false;'), app), ['error prop/type-clash app.ts:4 lit']],
    [
      'as the class says',
      one(button(`@Input() lit = false; static ngAcceptInputType_lit: boolean | '';`), app),
      [],
    ],
    [
      'whatever its setter makes one of',
      one(button('@Input() set lit(lit: boolean) { this.kept = toBoolean(lit); }'), app),
      [],
    ],
    [
      'nothing, where the setter keeps it as it is',
      one(button('@Input() set lit(lit: boolean) { this.kept = lit; note(lit); }'), app),
      ['error prop/type-clash app.ts:4 lit'],
    ],
  ]);
});

describe('a signal that is bound both ways', () => {
  const lamp = comp('Lamp', 'lamp', '{{ lit() }}', 'readonly lit = model(false);');
  const app = (start: string) =>
    comp('App', 'app', '<lamp [(lit)]="on" />', `readonly on = signal(${start});`, 'imports: [Lamp],');
  cases(/^prop\//, [
    ['holds what is asked for', one(lamp, app('true')), []],
    ['holds something else', one(lamp, app('3')), ['error prop/type-clash app.ts:8 lit']],
    [
      'is no value by itself',
      one(lamp, comp('App', 'app', '<lamp [lit]="on" />', 'readonly on = signal(true);', 'imports: [Lamp],')),
      ['error prop/type-clash app.ts:8 lit'],
    ],
  ]);
});

describe('content that is looked for, and content that is projected further', () => {
  const list = comp(
    'List',
    'list',
    '@for (one of all; track one) {<i></i>}',
    '@ContentChildren(Item) all: any;',
  );
  const item = `@Component({ selector: 'item', template: '' }) export class Item {}`;
  const app = (content: string) =>
    one(item, list, comp('App', 'app', `<list>${content}</list>`, 'on = true;', 'imports: [List, Item],'));
  cases(/no-outlet/, [
    ['as it is', app('<item/>'), []],
    ['in a block', app('@if (on) {<item/>}'), []],
    ['in a group', app('<ng-container>@for (a of [1]; track a) {<item/>}</ng-container>'), []],
    ['not what it does not look for', app('<b>x</b>'), ['error slot/no-outlet app.ts:9 list']],
    [
      'by what the outlet is called',
      one(
        comp('Rim', 'rim', '<ng-content select="[foot]" />'),
        comp('Frame', 'frame', '<rim><ng-content select="[foot]" foot /></rim>', '', 'imports: [Rim],'),
        comp('App', 'app', '<frame><b foot>x</b></frame>', '', 'imports: [Frame],'),
      ),
      [],
    ],
    [
      'by nothing',
      one(
        comp('Rim', 'rim', '<ng-content select="[foot]" />'),
        comp('Frame', 'frame', '<rim><ng-content select="[foot]" /></rim>', '', 'imports: [Rim],'),
        comp('App', 'app', '<frame><b foot>x</b></frame>', '', 'imports: [Frame],'),
      ),
      ['error slot/no-outlet app.ts:8 rim'],
    ],
  ]);
});

describe('what a tag holds beside its component', () => {
  const made = (member: string) =>
    one(
      `@Component({ selector: 'strip', template: '' }) export class Strip { dismiss() {} }`,
      `@Directive({ selector: 'strip[timed]' }) export class Timed { open() {} }`,
      comp(
        'App',
        'app',
        '<strip timed /><b (click)="go()"></b>',
        `readonly timed = viewChild.required(Timed);\nreadonly strip = viewChild.required(Strip);\ngo() { ${member} }`,
        'imports: [Strip, Timed],',
      ),
    );
  cases(/^ref\//, [
    ['has members of its own', made('this.timed().open(); this.strip().dismiss();'), []],
    [
      'which are not the component’s',
      made('this.timed().open(); this.strip().open();'),
      ['error ref/unknown-member app.ts:9 open'],
    ],
  ]);
});

describe('a component that a function is given', () => {
  cases(/unresolved/, [
    [
      'and makes',
      one(
        comp(
          'App',
          'app',
          '<b #box></b>',
          'box!: ViewContainerRef;\nload(content: Type<any>) { this.box.createComponent(content); }',
        ),
      ),
      [],
    ],
  ]);
});

describe('an output that comes from what the class keeps', () => {
  const cal = (output: string) =>
    comp(
      'Cal',
      'cal',
      '<b (click)="go()"></b>',
      `readonly source = new Subject<Date>();\n${output}\ngo() { this.source.next(new Date()); }`,
    );
  const app = comp(
    'App',
    'app',
    '<cal (at)="take($event)" />',
    'seen: any;\ntake(date: Date) { this.seen = date; }',
    'imports: [Cal],',
  );
  cases(/^event\//, [
    ['as it is', one(cal('@Output() at = this.source.pipe(debounceTime(100));'), app), []],
    ['as another thing', one(cal('@Output() at = this.source.pipe(map((one) => one.getTime()));'), app), []],
    [
      'and one that is raised without anything',
      one(cal('@Output() at = new EventEmitter();\nstop() { this.at.emit(); }'), app),
      ['error event/payload-clash app.ts:11 take($event)'],
    ],
  ]);
});

describe('what is put on an element of the page that something stands on', () => {
  const upload = `@Directive({ selector: 'input[upload]' }) export class Upload { readonly many = input(false); @HostListener('change') go() { return this.many(); } }`;
  const drop = (markup: string) =>
    one(
      upload,
      comp('Drop', 'drop', markup, 'readonly many = input(false);', 'imports: [Upload],'),
      comp('App', 'app', '<drop [many]="true" />', '', 'imports: [Drop],'),
    );
  cases(/prop\/unread/, [
    ['is passed on to that', drop('<input upload [many]="many()" />'), []],
    ['is not, where that stands elsewhere', drop('<input upload />'), ['warning prop/unread app.ts:6 many']],
  ]);
});

describe('inputs of a base that others read of its heirs', () => {
  const files = (read: string) => ({
    'base.ts': `import { Directive, Input } from '@angular/core';
@Directive() export class TabBase { @Input() label = ''; @Input() dull = 1; }`,
    'tab.ts': `import { Component } from '@angular/core';
import { TabBase } from './base';
@Component({ selector: 'tab', template: '<ng-content />' }) export class Tab extends TabBase {}`,
    'app.ts': `import { Component, ContentChildren, QueryList } from '@angular/core';
import { Tab } from './tab';
@Component({ selector: 'tabs', template: '<ng-content />@for (tab of all; track tab) {<b>{{ ${read} }}</b>}' })
export class Tabs { @ContentChildren(Tab) all!: QueryList<Tab>; }
@Component({ selector: 'app', imports: [Tabs, Tab], template: '<tabs><tab label="a" [dull]="2">x</tab></tabs>' })
export class App {}`,
  });
  cases(/prop\/unread/, [
    ['one of them', files('tab.label'), ['warning prop/unread base.ts:2 dull']],
    ['none', files('1'), ['warning prop/unread base.ts:2 label', 'warning prop/unread base.ts:2 dull']],
  ]);
});

describe('inputs that code beside the components reads of an object', () => {
  const files = (code: string) => ({
    'row.ts': `import { Component, Input } from '@angular/core';
@Component({ selector: 'row', template: 'x' }) export class Row { @Input() label = ''; @Input() dull = 1; }`,
    'acts.ts': `import { Row } from './row';\n${code}`,
    'app.ts': `import { Component } from '@angular/core';
import { Row } from './row';
import { ACTS } from './acts';
@Component({ selector: 'app', imports: [Row], template: '<row label="a" [dull]="2" />' })
export class App { acts = ACTS; }`,
  });
  cases(/prop\/unread/, [
    [
      'in a function of an object',
      files('export const ACTS = [{ label: "hold", run: ({ row }: { row: Row }) => row.label }];'),
      ['warning prop/unread row.ts:2 dull'],
    ],
    [
      'taken apart',
      files('export const ACTS = [({ label }: Row) => label];'),
      ['warning prop/unread row.ts:2 dull'],
    ],
    [
      'of none',
      files('export const ACTS: ((row: Row) => void)[] = [];'),
      ['warning prop/unread row.ts:2 label', 'warning prop/unread row.ts:2 dull'],
    ],
  ]);
});

describe('what is heard on an element of the page that holds what others draw', () => {
  const drop = `@Directive({ selector: '[drop]' }) export class Drop { @Output() dropped = new EventEmitter<number>(); }`;
  const app = (markup: string) => one(drop, comp('App', 'app', markup, 'go() {}', 'imports: [Drop],'));
  cases(/event\/unknown/, [
    [
      'its own content',
      app('<div drop (upload)="go()"><b></b></div>'),
      ['error event/unknown app.ts:4 upload'],
    ],
    [
      'what is projected may raise anything',
      app('<div drop (upload-files)="go()"><i><ng-content/></i></div>'),
      [],
    ],
    ['so may tags of packages', app('<div drop (upload-files)="go()"><some-field/></div>'), []],
    [
      'what looks like an output is meant as one',
      app('<div drop (droped)="go()"><ng-content/></div>'),
      ['error event/unknown app.ts:4 droped'],
    ],
  ]);
});

describe('what a base looks for in its content', () => {
  const files = (base: string) =>
    one(
      comp('Cell', 'cell', 'c'),
      `@Directive() export abstract class Base { ${base} }`,
      `@Component({ selector: 'grid', template: 'g' }) export class Grid extends Base {}`,
      comp('App', 'app', '<grid><cell /></grid>', '', 'imports: [Grid, Cell],'),
    );
  cases(/no-outlet/, [
    ['its heirs look for, too', files('@ContentChildren(Cell) cells!: QueryList<Cell>;'), []],
    ['nothing', files(''), ['error slot/no-outlet app.ts:10 grid']],
  ]);
});

describe('what is there for everybody, and asks for what nothing provides', () => {
  const service = {
    'service.ts': `import { Component, Injectable, inject } from '@angular/core';
@Injectable() export class Gauge {}
@Injectable({ providedIn: 'root' }) export class Board { gauge = inject(Gauge); }
@Component({ selector: 'x-a', template: '{{ board.gauge }}' }) export class A { board = inject(Board); }`,
  };
  const start = `import { bootstrapApplication } from '@angular/platform-browser';\nimport { A } from './service';\nbootstrapApplication(A);`;
  const published = { 'package.json': '{ "name": "@line/boards", "exports": { ".": "./service.ts" } }' };
  casesFor({}, 'none.ts')(/no-provider/, [
    ['in an app', { ...service, 'main.ts': start }, ['error context/no-provider service.ts:3 inject(Gauge)']],
    ['in a library, whose users may provide it', { ...service, ...published }, []],
  ]);
});

describe('tags that packages bring', () => {
  const app = (imports: string) => `import { Component } from '@angular/core';
import { GaugeModule } from 'some-gauges';
@Component({ selector: 'x-row', template: 'r' }) export class Row {}
@Component({ selector: 'x-a', imports: [${imports}], template: '<some-gauge /><x-row />' }) export class A {}`;
  test.each([
    ['one may bring the tag', 'GaugeModule, Row', [1, 1, 1]],
    ['a tag of the project that is not brought in is missed all the same', 'GaugeModule', [0, 1, 1]],
    ['nothing may', 'Row', [1, 2, 0]],
  ])('%s', (_, imports, expected) => {
    const { tallies, foreign } = accountOf(auditSources({ 'a.ts': app(imports) }).result.project);
    expect([tallies.tag.joined, tallies.tag.written, foreign]).toEqual(expected);
  });
});

describe('an input that is taken apart as it is set', () => {
  const app = (setter: string) =>
    one(
      comp('Row', 'row', '{{ kept }}', `kept = {};\n${setter}`),
      comp('App', 'app', '<row [texts]="{ ok: 1 }" />', '', 'imports: [Row],'),
    );
  cases(/^prop\//, [
    [
      'is read',
      app('@Input() set texts({ ok }: { ok: string }) { this.kept = ok; }'),
      ['error prop/type-clash app.ts:9 texts'],
    ],
    ['in a default, too', app("@Input() set texts({ ok = '' }: { ok?: number }) { this.kept = ok; }"), []],
    [
      'and is not, where nothing is',
      app('@Input() texts: { ok: number } = { ok: 1 };'),
      ['warning prop/unread app.ts:6 texts'],
    ],
  ]);
});

describe('what is made in a container', () => {
  const app = (made: string) =>
    one(
      comp('Row', 'row', 'r'),
      comp(
        'App',
        'app',
        '',
        `box = inject(ViewContainerRef);\ngo(item: any) { this.box.createComponent(${made}); }`,
      ),
    );
  cases(/unresolved/, [
    ['by its class', app('Row'), []],
    ['by a name that is nowhere', app('Rack'), ['error component/unresolved app.ts:11 Rack']],
    ['by a member of what is given', app('item.component'), []],
    ['by what the class keeps', app('this.kind'), []],
  ]);
});
