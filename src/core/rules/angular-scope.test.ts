/** Angular: what templates apply to values, bind on elements, and reach by names that things on a tag go by. */
import { describe } from 'vitest';
import { ANGULAR_MOUNT, casesFor } from './testing';
import { angularApp, angularComponent as comp } from './classes-testing';

const cases = casesFor(ANGULAR_MOUNT, 'app.ts');

const MORE = `import { inputBinding, outputBinding, CUSTOM_ELEMENTS_SCHEMA, NO_ERRORS_SCHEMA, ViewContainerRef } from '@angular/core'; import { AsyncPipe, CommonModule, NgClass, NgComponentOutlet, UpperCasePipe } from '@angular/common'; import { FormsModule } from '@angular/forms'; import { BehaviorSubject, Observable } from 'rxjs'; import { Shade } from '@rope/shade';`;
const one = (...parts: string[]) => angularApp(MORE, ...parts);
const app = (template: string, imports = '', members = '', settings = '') =>
  comp('App', 'app', template, members, `imports: [${imports}], ${settings}`);
const NUM = comp('Num', 'num', '{{ n() }}', 'n = input.required<number>(); far = output<number>();');
const STR = comp('Str', 'str', '{{ s() }}', 's = input.required<string>();');
const pipe = (name: string, method: string) =>
  `@Pipe({ name: '${name}' }) export class ${name.charAt(0).toUpperCase()}${name.slice(1)} { ${method} }`;
const LEN = pipe('len', 'transform(v: string): number { return v.length; }');

describe('what a pipe gives', () => {
  const into = (target: string, value: string, made: string, imports: string, members = "t = 'a';") =>
    one(made, target, app(value, `Num, Str, ${imports}`, members));
  const CLASH = ['error prop/type-clash app.ts:10 s'];
  cases(/type-clash/, [
    ['what is asked for', into(NUM, '<num [n]="t | len"/>', LEN, 'Len'), []],
    ['something else', into(STR, '<str [s]="t | len"/>', LEN, 'Len'), CLASH],
    [
      'something else, which it does not write down',
      into(STR, '<str [s]="t | len"/>', pipe('len', 'transform(v: string) { return v.length * 2; }'), 'Len'),
      CLASH,
    ],
    [
      'something else, at the end of several',
      into(
        STR,
        '<str [s]="t | low | len"/>',
        `${LEN} ${pipe('low', 'transform(v: string): string { return v; }')}`,
        'Len, Low',
      ),
      CLASH,
    ],
    [
      'whatever it is given',
      into(STR, '<str [s]="t | same"/>', pipe('same', 'transform<T>(v: T): T { return v; }'), 'Same'),
      [],
    ],
    [
      'one thing or another',
      into(
        STR,
        '<str [s]="t | either"/>',
        pipe(
          'either',
          'transform(v: string): string; transform(v: number): number; transform(v: any): any { return v; }',
        ),
        'Either',
      ),
      [],
    ],
    ['one of a package', into(STR, '<str [s]="t | shade"/>', LEN, 'Shade'), []],
    ['one of the framework', into(STR, '<str [s]="t | uppercase"/>', LEN, 'UpperCasePipe'), []],
    [
      'what a stream hands over',
      into(
        STR,
        '<str [s]="(t | async)!"/>',
        LEN,
        'AsyncPipe',
        "t: Observable<string> = new BehaviorSubject<string>('a');",
      ),
      [],
    ],
    [
      'something else than what a stream hands over',
      into(STR, '<str [s]="(t | async)!"/>', LEN, 'AsyncPipe', 't = new BehaviorSubject<number>(1);'),
      CLASH,
    ],
    [
      'what a promise or nothing hands over',
      into(
        STR,
        '<str [s]="(t | async)!"/>',
        LEN,
        'AsyncPipe',
        't: Promise<number> | undefined;\nload() { this.t = Promise.resolve(1); }',
      ),
      CLASH,
    ],
    ['a stream itself', into(STR, '<str [s]="t"/>', LEN, '', 't = new BehaviorSubject<number>(1);'), []],
  ]);
});

describe('pipes in scope', () => {
  const AT = (name: string, line = 4) => [`error template/unknown-name app.ts:${line} ${name}`];
  cases(/unknown-name|unresolved/, [
    ['of the project', one(LEN, app("{{ 'a' | len }}", 'Len')), []],
    ['of the project, not brought in', one(LEN, app("{{ 'a' | len }}")), AT('len', 5)],
    ['nobody’s', one(app("{{ 'a' | lenn }}")), AT('lenn')],
    ['of the framework', one(app("{{ 'a' | uppercase }}", 'UpperCasePipe')), []],
    ['of the framework, all at once', one(app("{{ 'a' | titlecase | json }}", 'CommonModule')), []],
    ['of the framework, not brought in', one(app("{{ 'a' | uppercase }}")), AT('uppercase')],
    ['of a package, maybe', one(app("{{ 'a' | shade }}", 'Shade')), []],
    [
      'by a module',
      one(
        LEN,
        `@NgModule({ imports: [Len], exports: [Len] }) export class Lens {}`,
        app("{{ 'a' | len }}", 'Lens'),
      ),
      [],
    ],
    [
      'in a module that keeps it to itself',
      one(LEN, `@NgModule({ imports: [Len] }) export class Lens {}`, app("{{ 'a' | len }}", 'Lens')),
      AT('len', 6),
    ],
  ]);
});

describe('bindings on elements', () => {
  const DIR = `@Directive({ selector: '[tint]' }) export class Tint { tint = input(''); at = this.tint(); }`;
  const on = (template: string, imports = '', settings = '') =>
    one(DIR, app(template, imports, "w = 1; t = 'a';", settings));
  const AT = (name: string) => [`error prop/unknown app.ts:5 ${name}`];
  cases(/unknown|unresolved/, [
    [
      'of the element',
      on('<div [hidden]="w > 0" [innerHTML]="t" [className]="t" [scrollTop]="w"></div>'),
      [],
    ],
    [
      'of some elements',
      on('<input [valueAsNumber]="w" [indeterminate]="w > 0"><td [colSpan]="w"></td>'),
      [],
    ],
    [
      'a tag that nobody makes, with a directive on it',
      on('<tint-x [tint]="t"></tint-x>', 'Tint'),
      ['error component/unresolved app.ts:5 tint-x'],
    ],
    ['as an attribute', on('<div [attr.wdth]="w" [class.on]="w > 0" [style.width.px]="w"></div>'), []],
    ['a plain one', on('<div wdth="3"></div>'), []],
    ['none', on('<div [wdth]="w"></div>'), AT('wdth')],
    ['of a directive', on('<div [tint]="t"></div>', 'Tint'), []],
    ['of a directive that is not brought in', on('<div [tint]="t"></div>'), AT('tint')],
    ['of a directive, and another', on('<div [tint]="t" [wdth]="w"></div>', 'Tint'), AT('wdth')],
    ['of the framework', on('<input [(ngModel)]="t">', 'FormsModule'), []],
    [
      'of the framework, on a field that is chosen from',
      on('<select [(ngModel)]="t" [compareWith]="w"></select>', 'FormsModule'),
      [],
    ],
    ['of the framework, not brought in', on('<input [(ngModel)]="t">'), AT('ngModel')],
    ['looks, not brought in', on('<i [ngClass]="t"></i>'), AT('ngClass')],
    ['of a package, maybe', on('<div [wdth]="w"></div>', 'Shade'), []],
    ['anything', on('<div [wdth]="w"></div>', '', 'schemas: [NO_ERRORS_SCHEMA],'), []],
    [
      'on an element of others',
      on('<rope-x [q]="w"></rope-x>', '', 'schemas: [CUSTOM_ELEMENTS_SCHEMA],'),
      [],
    ],
    ['on an element beside', on('<p [q]="w"></p>', '', 'schemas: [CUSTOM_ELEMENTS_SCHEMA],'), AT('q')],
    [
      'on an element of others, by the module',
      one(
        comp('Page', 'page', '<rope-x [q]="1"></rope-x>', '', 'standalone: false,'),
        `@NgModule({ declarations: [Page], exports: [Page], schemas: [CUSTOM_ELEMENTS_SCHEMA] }) export class Pages {}`,
        app('<page/>', 'Pages'),
      ),
      [],
    ],
  ]);
});

describe('names that things go by', () => {
  const PANEL = comp(
    'Panel',
    'panel',
    '{{ isOpen }}',
    'isOpen = false; toggle() { this.isOpen = !this.isOpen; }',
    "exportAs: 'panel',",
  );
  const TINT = `@Directive({ selector: '[tint]', exportAs: 'tint, shade' }) export class Tint { lit = false; light() { this.lit = true; } }`;
  const on = (template: string, members = '') =>
    one(PANEL, TINT, app(template, 'Panel, Tint, FormsModule', members));
  cases(/^ref\//, [
    ['a component', on('<panel #p="panel"/><b (click)="p.toggle()"></b>'), []],
    [
      'a member that it lacks',
      on('<panel #p="panel"/><b (click)="p.togle()"></b>'),
      ['error ref/unknown-member app.ts:10 togle'],
    ],
    [
      'another name',
      on('<panel #p="panle"/><b (click)="p.toggle()"></b>'),
      ['warning ref/unattached app.ts:10 panle'],
    ],
    ['a directive', on('<b tint #t="shade" (click)="t.light()"></b>'), []],
    [
      'a member that the directive lacks',
      on('<b tint #t="tint" (click)="t.lite()"></b>'),
      ['error ref/unknown-member app.ts:10 lite'],
    ],
    ['a directive beside a component', on('<panel tint #t="tint"/><b (click)="t.light()"></b>'), []],
    [
      'a member of the component, through the directive',
      on('<panel tint #t="tint"/><b (click)="t.toggle()"></b>'),
      ['error ref/unknown-member app.ts:10 toggle'],
    ],
    ['one of the framework', on('<input ngModel #m="ngModel"><b>{{ m.value }}</b>'), []],
    [
      'a directive by its class, and a member that it lacks',
      on('<b tint></b>', '@ViewChild(Tint) t!: Tint;\nngAfterViewInit() { this.t.lite(); }'),
      ['error ref/unknown-member app.ts:13 lite'],
    ],
    [
      'looked for by the class, too',
      on(
        '<input ngModel tint #m="ngModel"><b>{{ m.value }}</b>',
        "@ViewChild('m') m: any;\nngAfterViewInit() { this.m.reset(); }",
      ),
      [],
    ],
  ]);
});

describe('components that code makes', () => {
  const make = (then: string, options = '') =>
    one(
      NUM,
      app(
        '',
        '',
        `v = inject(ViewContainerRef); r: any;\ngo() { const r = this.v.createComponent(Num${options}); ${then} }`,
      ),
    );
  cases(/^(prop|event)\/(unknown|missing|type-clash)/, [
    ['an input', make("r.setInput('n', 1);"), []],
    ['none', make("r.setInput('m', 1);"), ['error prop/unknown app.ts:12 m']],
    ['of another type', make("r.setInput('n', 'a');"), ['error prop/type-clash app.ts:12 n']],
    [
      'kept in a member',
      one(
        NUM,
        app(
          '',
          '',
          "v = inject(ViewContainerRef); r: any;\ngo() { this.r = this.v.createComponent(Num); }\nset() { this.r.setInput('m', 1); }",
        ),
      ),
      ['error prop/unknown app.ts:13 m'],
    ],
    ['bound', make('', ", { bindings: [inputBinding('n', () => 1), outputBinding('far', () => {})] }"), []],
    [
      'bound by other names',
      make('', ", { bindings: [inputBinding('m', () => 1), outputBinding('fra', () => {})] }"),
      ['error prop/unknown app.ts:12 m', 'error event/unknown app.ts:12 fra'],
    ],
    [
      'chosen by a member that nobody changes',
      one(
        NUM,
        app('<ng-container *ngComponentOutlet="c; inputs: { m: 1 }"/>', 'NgComponentOutlet', 'c = Num;'),
      ),
      ['error prop/missing app.ts:9 ngComponentOutlet', 'error prop/unknown app.ts:9 m'],
    ],
    [
      'chosen by a member that is changed',
      one(
        NUM,
        app(
          '<ng-container *ngComponentOutlet="c; inputs: { m: 1 }"/>',
          'NgComponentOutlet',
          'c: any = Num;\ngo(c: any) { this.c = c; }',
        ),
      ),
      [],
    ],
  ]);
});
