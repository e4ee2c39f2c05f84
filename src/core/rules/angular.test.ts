/** Every rule that can occur in Angular: what must be found, and near misses that must stay silent. */
import { describe } from 'vitest';
import { ANGULAR_MOUNT, casesFor, type Sources } from './testing';

const cases = casesFor(ANGULAR_MOUNT, 'app.ts');

const CORE = `import { Component, Directive, Injectable, InjectionToken, Input, Output, EventEmitter, ViewChild, inject, input, model, output, signal, computed, viewChild, effect } from '@angular/core';`;

/** A class with its decorator. */
const made = (name: string, settings: string, members = '', kind = 'Component') =>
  `@${kind}({ ${settings} })\nexport class ${name} { ${members} }`;
const file = (...parts: string[]) => [CORE, ...parts].join('\n');

const GAUGE = file(
  made(
    'Gauge',
    "selector: 'gauge', template: '<b>{{ wind() }} {{ unit() }}</b>'",
    "wind = input.required<number>(); unit = input('kn');",
  ),
);
/** The app with a gauge in its scope. */
const app = (template: string, members = '', imports = 'Gauge') =>
  file(
    "import { Gauge } from './gauge';",
    made('App', `selector: 'app', imports: [${imports}], template: \`${template}\``, members),
  );
const withGauge = (template: string, members = ''): Sources => ({
  'gauge.ts': GAUGE,
  'app.ts': app(template, members),
});

describe('inputs', () => {
  cases(/^prop\//, [
    ['all is passed', withGauge('<gauge [wind]="3" unit="m/s" />'), []],
    ['a required input is missing', withGauge('<gauge unit="kn" />'), ['error prop/missing app.ts:3 gauge']],
    [
      'a binding that nobody takes',
      withGauge('<gauge [wind]="3" unit="kn" [limti]="4" />'),
      ['error prop/unknown app.ts:3 limti'],
    ],
    [
      'an attribute is text, unless it looks like an input',
      withGauge('<gauge [wind]="3" uint="kn" anything="x" data-x="1" class="a" unit="m" />'),
      [],
    ],
    [
      'an attribute that looks like an input',
      withGauge('<gauge [wind]="3" uint="kn" />'),
      ['warning prop/unknown app.ts:3 uint'],
    ],
    [
      'what every element has, is no unknown input',
      withGauge(
        '<gauge [wind]="3" unit="kn" [hidden]="true" [id]="i" [class.wide]="i" [style.width.px]="3" [attr.role]="i" />',
        "i = 'x';",
      ),
      [],
    ],
    [
      'a literal of another type',
      withGauge('<gauge wind="3" unit="kn" />'),
      ['error prop/type-clash app.ts:3 wind'],
    ],
    [
      'a value of another type, from a field and from a signal',
      withGauge(
        '<gauge [wind]="name" unit="a" /><gauge [wind]="kept()" unit="b" /><gauge [wind]="speed" unit="c" />',
        "name = 'x'; kept = signal('y'); speed = 3;",
      ),
      ['error prop/type-clash app.ts:3 wind', 'error prop/type-clash app.ts:3 wind'],
    ],
    [
      'what is converted may be anything',
      {
        'gauge.ts': file(
          made(
            'Gauge',
            "selector: 'gauge', template: '{{ digits() }}{{ wide }}'",
            'digits = input(1, { transform: Number }); @Input({ transform: Boolean }) wide = false;',
          ),
        ),
        'app.ts': app('<gauge digits="2" wide />'),
      },
      [],
    ],
    [
      'an input of a decorator: required, or only said to be there',
      {
        'gauge.ts': file(
          made(
            'Gauge',
            "selector: 'gauge', template: '{{ wind }}{{ unit }}{{ note }}{{ gust }}'",
            '@Input({ required: true }) wind!: number; @Input() unit!: string; @Input() note?: string; @Input() gust = 0;',
          ),
        ),
        'app.ts': app('<gauge note="x" [gust]="2" />'),
      },
      ['error prop/missing app.ts:3 gauge', 'warning prop/missing app.ts:3 gauge'],
    ],
    [
      'an input under another name is known by that alone',
      {
        'gauge.ts': file(
          made(
            'Gauge',
            "selector: 'gauge', template: '{{ wind }}{{ gust() }}'",
            "@Input('speed') wind = 0; gust = input(0, { alias: 'blow' });",
          ),
        ),
        'app.ts': app('<gauge [wind]="3" [blow]="2" [speed]="1" />'),
      },
      ['error prop/unknown app.ts:3 wind'],
    ],
    [
      'read by a setter, on a change, by the host, or by whoever holds the object',
      {
        'gauge.ts': file(
          made(
            'Gauge',
            "selector: 'gauge', host: { '[class.wide]': 'wide' }, template: ''",
            "kept = 0; @Input() set wind(value: number) { this.kept = value; } @Input() wide = false; @Input() unit = 'kn'; @Input() limit = 0; ngOnChanges(changes: any) { if (changes['unit']) this.kept = 1; }",
          ),
        ),
        'app.ts': file(
          "import { Gauge } from './gauge';",
          made(
            'App',
            'selector: \'app\', imports: [Gauge], template: \'<gauge [wind]="1" [wide]="true" unit="a" [limit]="2" />\'',
            '@ViewChild(Gauge) gauge?: Gauge; read() { return this.gauge?.limit; }',
          ),
        ),
      },
      [],
    ],
    [
      'read nowhere',
      {
        'gauge.ts': file(
          made('Gauge', "selector: 'gauge', template: '<b></b>'", 'wind = input(0); @Input() unit = 1;'),
        ),
        'app.ts': app('<gauge [wind]="3" [unit]="4" />'),
      },
      ['warning prop/unread gauge.ts:3 wind', 'warning prop/unread gauge.ts:3 unit'],
    ],
    [
      'what a base declares and its heirs read, and what a base reads and its heirs declare',
      {
        'gauge.ts': file(
          '@Directive() export abstract class Base { @Input() wind = 0; abstract unit: string; shown() { return this.unit; } }',
          made(
            'Gauge',
            "selector: 'gauge', template: '{{ wind }}{{ shown() }}'",
            "@Input() unit = 'kn';",
          ).replace('class Gauge', 'class Gauge extends Base'),
        ),
        'app.ts': app('<gauge [wind]="3" unit="m" />'),
      },
      [],
    ],
    [
      'a base of a package may read anything',
      {
        'gauge.ts': file(
          "import { Base } from 'elsewhere';",
          made('Gauge', "selector: 'gauge', template: ''", "@Input() unit = 'kn';").replace(
            'class Gauge',
            'class Gauge extends Base',
          ),
        ),
        'app.ts': app('<gauge unit="m" [anything]="1" />'),
      },
      [],
    ],
    [
      'written where the owner is not told; two-way it is',
      {
        'gauge.ts': file(
          made(
            'Gauge',
            "selector: 'gauge', template: '{{ wind }}{{ list().length }}'",
            'wind = 0; list = input<number[]>([]); @Input() gust = 0; @Output() gustChange = new EventEmitter<number>(); sort() { this.list().sort(); this.gust = 3; }',
          ),
        ),
        'app.ts': app('<gauge [list]="all" [(gust)]="own" />', 'all = [1]; own = 2;'),
      },
      ['warning prop/overwritten gauge.ts:3 this.list().sort()'],
    ],
    [
      'an input that the class lacks',
      {
        'gauge.ts': file(
          made(
            'Gauge',
            "selector: 'gauge', inputs: ['wind: speed', 'gsut'], outputs: ['held'], template: '{{ wind }}'",
            'wind = 0; gust = 1;',
          ),
        ),
        'app.ts': app('<gauge [speed]="1" />'),
      },
      ["error prop/orphan-alias gauge.ts:2 'gsut'", "error prop/orphan-alias gauge.ts:2 'held'"],
    ],
    [
      'through two components that only pass it on',
      {
        'app.ts': file(
          made('Inner', "selector: 'inner', template: '{{ wind() }}'", 'wind = input(0);'),
          made(
            'Middle',
            "selector: 'middle', imports: [Inner], template: '<inner [wind]=\"wind()\" />'",
            'wind = input(0);',
          ),
          made(
            'Outer',
            "selector: 'outer', imports: [Middle], template: '<middle [wind]=\"wind()\" />'",
            'wind = input(0);',
          ),
          made(
            'App',
            "selector: 'app', imports: [Outer], template: '<outer [wind]=\"speed()\" />'",
            'speed = signal(3);',
          ),
        ),
      },
      ['warning prop/drilled app.ts:7 wind'],
    ],
  ]);
});

describe('what stands on a tag', () => {
  const lamp = (selector: string, members: string) =>
    made('Lamp', `selector: '${selector}'`, members, 'Directive');
  cases(/^(prop|component|event)\/(?!unread|unused)/, [
    [
      'a directive beside a component takes what that lacks',
      {
        'gauge.ts': GAUGE,
        'app.ts': file(
          "import { Gauge } from './gauge';",
          lamp('[lamp]', "@Input({ alias: 'lamp', required: true }) power = 0; tint = input('');"),
          made(
            'App',
            'selector: \'app\', imports: [Gauge, Lamp], template: \'<gauge [wind]="1" unit="a" [lamp]="3" tint="red" /><p lamp="2"></p><gauge [wind]="1" unit="b" [tint]="1" />\'',
          ),
        ),
      },
      [
        'warning prop/default-clash app.ts:4 0',
        'error prop/type-clash app.ts:5 lamp',
        'error prop/unknown app.ts:5 tint',
      ],
    ],
    [
      'selectors: attribute with value, class, not',
      {
        'app.ts': file(
          made(
            'Row',
            "selector: 'tr[row]:not(.plain), [kind=row]', template: ''",
            'at = input.required<number>();',
          ),
          made(
            'App',
            'selector: \'app\', imports: [Row], template: \'<table><tr row></tr><tr row class="plain"></tr><tr></tr></table><p kind="row"></p><p kind="cell"></p>\'',
          ),
        ),
      },
      ['error prop/missing app.ts:4 tr', 'error prop/missing app.ts:4 p'],
    ],
    [
      'something of a package may take anything; what the framework has is known',
      {
        'gauge.ts': GAUGE,
        'app.ts': file(
          "import { Gauge } from './gauge';\nimport { Hint } from 'elsewhere';\nimport { RouterLink } from '@angular/router';",
          made(
            'App',
            'selector: \'app\', imports: [Gauge, Hint], template: \'<gauge [wind]="1" unit="a" [hint]="1" />\'',
          ),
          made(
            'Other',
            'selector: \'other\', imports: [Gauge, RouterLink], template: \'<gauge [wind]="1" unit="a" [routerLink]="1" [hint]="1" />\'',
          ),
        ),
      },
      ['error prop/unknown app.ts:7 hint'],
    ],
    [
      'what comes with a component is handed what that exposes',
      {
        'app.ts': file(
          lamp('[lamp]', 'power = input.required<number>(); lit = output<void>(); on() { this.lit.emit(); }'),
          made(
            'Sign',
            "selector: 'sign', hostDirectives: [{ directive: Lamp, inputs: ['power: light'], outputs: ['lit'] }], template: ''",
          ),
          made(
            'App',
            'selector: \'app\', imports: [Sign], template: \'<sign [light]="3" (lit)="n = 1" /><sign [power]="3" />\'',
            'n = 0;',
          ),
        ),
      },
      ['error prop/missing app.ts:6 sign', 'error prop/unknown app.ts:6 power'],
    ],
    [
      'a component that is not brought into the scope',
      { 'gauge.ts': GAUGE, 'app.ts': app('<gauge [wind]="1" /><lamp-post />', '', '') },
      ['error component/unresolved app.ts:3 gauge', 'error component/unresolved app.ts:3 lamp-post'],
    ],
    [
      'elements of others, where the component says so',
      { 'gauge.ts': GAUGE, 'app.ts': app('<lamp-post />', '', 'Gauge], schemas: [CUSTOM_ELEMENTS_SCHEMA') },
      [],
    ],
    [
      'modules: what they declare, take and give on',
      {
        'gauge.ts': file(
          "import { NgModule } from '@angular/core';",
          made(
            'Gauge',
            "selector: 'gauge', standalone: false, template: '{{ wind }}'",
            '@Input({ required: true }) wind = 0;',
          ).replace(' = 0', '!: number'),
          '@NgModule({ declarations: [Gauge], exports: [Gauge] }) export class GaugeModule {}',
        ),
        'shared.ts':
          "import { NgModule } from '@angular/core';\nimport { CommonModule } from '@angular/common';\nimport { GaugeModule } from './gauge';\nconst ALL = [CommonModule, GaugeModule];\n@NgModule({ exports: [...ALL, ALL] }) export class SharedModule {}",
        'app.ts': file(
          "import { NgModule } from '@angular/core';\nimport { SharedModule } from './shared';",
          made(
            'App',
            'selector: \'app\', standalone: false, template: \'<gauge *ngIf="on" [speed]="1" /><lamp-post />\'',
            'on = true;',
          ),
          '@NgModule({ declarations: [App], imports: [SharedModule], bootstrap: [App] }) export class AppModule {}',
        ),
      },
      [
        'error prop/missing app.ts:4 gauge',
        'error prop/unknown app.ts:4 speed',
        'error component/unresolved app.ts:4 lamp-post',
      ],
    ],
  ]);
});

describe('outputs', () => {
  const gate = (members: string, template = '') =>
    file(made('Gate', `selector: 'gate', template: '${template}'`, members));
  const owner = (template: string, members = 'n = 0; note(x: string) { this.n = x.length; }') =>
    file(
      "import { Gate } from './gate';",
      made('App', `selector: 'app', imports: [Gate], template: '${template}'`, members),
    );
  cases(/^event\//, [
    [
      'heard, by either name; events of the page arrive as well',
      {
        'gate.ts': gate(
          "@Output('opened') open = new EventEmitter<number>(); held = output<string>(); go() { this.open.emit(3); this.held.emit('x'); }",
        ),
        'app.ts': owner(
          '<gate (opened)="n = $event" (held)="note($event)" (click)="n = 1" (keyup.enter)="n = 2" (window:resize)="n = 3" />',
        ),
      },
      [],
    ],
    [
      'a listener for what is never raised, with a near name',
      {
        'gate.ts': gate('held = output<void>(); go() { this.held.emit(); }'),
        'app.ts': owner('<gate (hled)="n = 1" />'),
      },
      ['error event/unknown app.ts:3 hled'],
    ],
    [
      'raised and heard by nobody; declared and never raised',
      {
        'gate.ts': gate('held = output<void>(); idle = output<void>(); go() { this.held.emit(); }'),
        'app.ts': owner('<gate />'),
      },
      ['warning event/unheard gate.ts:3 held', 'warning event/never-emitted gate.ts:3 idle'],
    ],
    [
      'raised by a template, by what comes from elsewhere, by who holds the object',
      {
        'gate.ts': file(
          "import { outputFromObservable } from '@angular/core/rxjs-interop';\nimport { ticks } from 'elsewhere';",
          made(
            'Gate',
            `selector: 'gate', template: '<button (click)="held.emit()"></button>'`,
            'held = output<void>(); tick = outputFromObservable(ticks); @Output() moved = ticks; @Output() outer = new EventEmitter<void>();',
          ),
          made(
            'Door',
            "selector: 'door', template: ''",
            'gate = inject(Gate); go() { this.gate.outer.emit(); }',
          ),
        ),
        'app.ts': owner('<gate (held)="n = 1" (tick)="n = 2" (moved)="n = 3" (outer)="n = 4" />'),
      },
      [],
    ],
    [
      'what is handed over is of another type than the listener takes',
      {
        'gate.ts': gate('held = output<number>(); go() { this.held.emit(3); }'),
        'app.ts': owner('<gate (held)="note($event)" />'),
      },
      ['error event/payload-clash app.ts:3 note($event)'],
    ],
    [
      'what is raised is of another type than declared',
      {
        'gate.ts': gate("held = output<number>(); go() { this.held.emit('x'); }"),
        'app.ts': owner('<gate (held)="n = $event" />'),
      },
      ["error event/payload-clash gate.ts:3 this.held.emit('x')"],
    ],
    [
      'a two-way binding hears; a model is never left unheard',
      {
        'gate.ts': gate(
          'at = model(0); @Input() wide = 1; @Output() wideChange = new EventEmitter<number>(); go() { this.at.set(3); this.wideChange.emit(2); }',
          '{{ at() }}{{ wide }}',
        ),
        'app.ts': owner('<gate [(at)]="n" [(wide)]="n" /><gate [at]="n" [wide]="n" (wideChange)="n = 1" />'),
      },
      [],
    ],
    [
      'one name for an event of the page and one of its own',
      {
        'gate.ts': gate(
          'click = output<void>(); change = output<void>(); go() { this.click.emit(); this.change.emit(); }',
          '<b></b>',
        ),
        'app.ts': owner('<gate (click)="n = 1" (change)="n = 2" />'),
      },
      ['warning event/native-clash gate.ts:3 click'],
    ],
  ]);
});

describe('injection', () => {
  const service =
    '@Injectable() export class Fleet { cabins = signal(0); add() { this.cabins.update((n) => n + 1); } }';
  const ROOT = service.replace('()', "({ providedIn: 'root' })");
  const parts = (provider: string, fleet = service, extra = '') =>
    file(
      fleet,
      made('Panel', `selector: 'panel', ${extra}template: '{{ fleet.cabins() }}'`, 'fleet = inject(Fleet);'),
      made('App', `selector: 'app', imports: [Panel], ${provider}template: '<panel />'`),
    );
  cases(/^context\//, [
    ['provided by nobody', parts(''), ['error context/no-provider app.ts:4 inject(Fleet)']],
    ['provided above, on the own tag, or for all', parts('providers: [Fleet], '), []],
    ['provided by itself', parts('', service, 'providers: [Fleet], '), []],
    ['it says that it is there for all', parts('', ROOT), []],
    [
      'a second one below the first',
      parts('providers: [Fleet], ', ROOT),
      ['note context/shadowed app.ts:5 Fleet'],
    ],
    [
      'where nothing is asked for it',
      file(
        '@Injectable() export class Fleet {}',
        made('App', "selector: 'app', providers: [Fleet], template: ''"),
      ),
      ['warning context/unread app.ts:3 Fleet'],
    ],
    [
      'the code goes on without it',
      file(
        service,
        made(
          'App',
          "selector: 'app', template: '{{ a?.cabins() }}'",
          'a = inject(Fleet, { optional: true }); constructor(@Optional() private b: Fleet | null) {}',
        ).replace('@Optional', '@Optional'),
      ).replace('Output,', 'Output, Optional,'),
      [],
    ],
    [
      'by a constructor, by a token, by a token with a value of its own',
      file(
        "const WIND = new InjectionToken<number>('wind');\nconst GUST = new InjectionToken<number>('gust', { factory: () => 3 });",
        made(
          'App',
          "selector: 'app', template: '{{ wind }}{{ gust }}'",
          'wind = inject(WIND); gust = inject(GUST);',
        ),
      ),
      ['error context/no-provider app.ts:5 inject(WIND)'],
    ],
    [
      'a value of another type than the token',
      file(
        "const WIND = new InjectionToken<number>('wind');",
        made(
          'App',
          "selector: 'app', providers: [{ provide: WIND, useValue: 'x' }], template: '{{ wind }}'",
          'wind = inject(WIND);',
        ),
      ),
      ["error context/type-clash app.ts:3 'x'"],
    ],
    [
      'what a service asks for itself',
      file(
        '@Injectable() export class Clock {}\n@Injectable() export class Fleet { clock = inject(Clock); }',
        made('App', "selector: 'app', providers: [Fleet], template: '{{ fleet }}'", 'fleet = inject(Fleet);'),
      ),
      ['error context/no-provider app.ts:3 inject(Clock)'],
    ],
    [
      'through functions that provide and that ask',
      {
        'line.ts': file(
          "import { makeEnvironmentProviders } from '@angular/core';\n@Injectable() export class Fleet {}\nexport const provideLine = () => makeEnvironmentProviders([Fleet]);\nexport function injectLine() { return inject(Fleet); }",
        ),
        'app.ts': file(
          "import { injectLine, provideLine } from './line';",
          made('App', "selector: 'app', template: '{{ fleet }}'", 'fleet = injectLine();'),
          'export const config = { providers: [provideLine()] };',
        ),
      },
      [],
    ],
    [
      'asked for when set-up is over',
      file(
        ROOT,
        made(
          'App',
          "selector: 'app', template: '<b (click)=\"go()\"></b>'",
          'early = this.make(); make() { return inject(Fleet); } go() { return inject(Fleet); }',
        ),
      ),
      ['error context/wrong-time app.ts:4 inject(Fleet)'],
    ],
    [
      'content sees what its place in the owner sees, and not what the taker wraps around it',
      file(
        service,
        made('Frame', "selector: 'frame', imports: [], viewProviders: [Fleet], template: '<ng-content />'"),
        made('Panel', "selector: 'panel', template: '{{ fleet }}'", 'fleet = inject(Fleet);'),
        made('App', "selector: 'app', imports: [Frame, Panel], template: '<frame><panel /></frame>'"),
      ),
      ['warning context/unread app.ts:3 Fleet', 'error context/no-provider app.ts:6 inject(Fleet)'],
    ],
    [
      'a directive on a tag provides for what is in it',
      file(
        service,
        made('Depot', "selector: '[depot]', providers: [Fleet]", '', 'Directive'),
        made('Panel', "selector: 'panel', template: '{{ fleet }}'", 'fleet = inject(Fleet);'),
        made('App', "selector: 'app', imports: [Depot, Panel], template: '<div depot><panel /></div>'"),
      ),
      [],
    ],
    [
      'a component is there for what stands in it',
      file(
        made('Frame', "selector: 'frame', template: '<ng-content />'", 'wide = 1;'),
        made('Panel', "selector: 'panel', template: '{{ frame.wide }}'", 'frame = inject(Frame);'),
        made('App', "selector: 'app', imports: [Frame, Panel], template: '<frame><panel /></frame>'"),
      ),
      [],
    ],
  ]);
});

describe('content, handles, names', () => {
  const frame = made(
    'Frame',
    "selector: 'frame', template: '<header><ng-content select=\"[head]\" /></header><ng-content />'",
  );
  cases(/^(slot|ref|template|portal|state)\//, [
    [
      'content for the slots that take it',
      file(
        frame,
        made('App', "selector: 'app', imports: [Frame], template: '<frame><b head></b>text</frame>'"),
      ),
      [],
    ],
    [
      'content that nobody takes, a slot that nobody fills',
      file(
        made('Plain', "selector: 'plain', template: '<b></b>'"),
        frame,
        made(
          'App',
          "selector: 'app', imports: [Frame, Plain], template: '<plain>lost</plain><frame>text</frame>'",
        ),
      ),
      ['note slot/unfilled app.ts:4 <ng-content select="[head]" />', 'error slot/no-outlet app.ts:6 plain'],
    ],
    [
      'a member that the component does not have, or keeps for itself',
      file(
        made('Gate', "selector: 'gate', template: ''", 'open() {} private shut() {}'),
        made(
          'App',
          "selector: 'app', imports: [Gate], template: '<gate #g /><b (click)=\"g.open(); g.shut(); g.opne()\"></b>'",
          'gate = viewChild(Gate); go() { this.gate()?.opem(); }',
        ),
      ),
      [
        'error ref/unknown-member app.ts:4 shut',
        'error ref/unknown-member app.ts:4 opne',
        'error ref/unknown-member app.ts:5 opem',
      ],
    ],
    [
      'a handle that is put on nothing, one that is never read, one that is read too early',
      file(
        made('Gate', "selector: 'gate', template: ''", 'open() {}'),
        made(
          'App',
          "selector: 'app', imports: [Gate], template: '<gate /><b #rail></b>'",
          "a = viewChild<any>('rial'); b = viewChild('rail'); gate = viewChild.required(Gate); constructor() { this.gate().open(); } go() { this.a()?.nativeElement.focus(); }",
        ),
      ),
      [
        'warning ref/unattached app.ts:5 a',
        'note ref/unread app.ts:5 b',
        'error ref/early-read app.ts:5 this.gate().open',
      ],
    ],
    [
      'names that the class lacks; those of the template, of bases and of the framework',
      file(
        '@Directive() export class Base { speed = 1; }',
        made(
          'App',
          "selector: 'app', template: '{{ wnid }}{{ this.gust }}@for (x of list; track x; let i = $index) { {{ x }}{{ i }} }@let y = 1;{{ y }}<b #r (click)=\"go($event); r.focus()\"></b>{{ $any(gust).z }}'",
          'wind = 1; gust = 2; list = [1]; go(e: Event) {}',
        ),
        made('Heir', "selector: 'heir', template: '{{ speed }}'").replace(
          'class Heir',
          'class Heir extends Base',
        ),
      ),
      ['error template/unknown-name app.ts:3 wnid'],
    ],
    [
      'in a template of its own file',
      {
        'app.ts': file(made('App', "selector: 'app', templateUrl: './app.html'", 'wind = 1;')),
        'app.html': '<p>\n  {{ wind }} {{ wnid }}\n</p>',
      },
      ['error template/unknown-name app.html:2 wnid'],
    ],
  ]);
});
