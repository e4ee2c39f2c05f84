/** Angular: what looks like a fault and is none, beside the fault that it looks like. */
import { describe } from 'vitest';
import { ANGULAR_MOUNT, casesFor } from './testing';
import { angularApp as one, angularComponent as comp } from './classes-testing';

const cases = casesFor(ANGULAR_MOUNT, 'app.ts');

const app = (template: string, imports: string, members = '') =>
  comp('App', 'app', template, members, `imports: [${imports}],`);

describe('inputs', () => {
  const row = (members: string) => one(comp('Row', 'row', '{{ n }}', members), app('<row [n]="1"/>', 'Row'));
  const both = (given: string) =>
    one(
      comp(
        'Row',
        'row',
        '{{ n }}',
        '@Input() n = 0;\n@Input() set all(all: { n: number }) { this.n = all.n; }',
      ),
      app(`<row ${given}/>`, 'Row'),
    );
  cases(/^prop\/(overwritten|unread)/, [
    ['set while the object is made', row('@Input() n = 0;\nconstructor() { this.n = 3; }'), []],
    [
      'set when everything was handed in',
      row('@Input() n = 0;\nngOnInit() { this.n = 3; }'),
      ['warning prop/overwritten app.ts:6 this.n = 3'],
    ],
    [
      'set to what came anyway',
      row(
        "@Input() n = 0;\nngOnChanges(changes: SimpleChanges) { if (changes.n) { this.n = changes['n'].currentValue; } }",
      ),
      [],
    ],
    [
      'set to something else than what came',
      row(
        '@Input() n = 0;\nngOnChanges(changes: SimpleChanges) { if (changes.n) { this.n = changes.n.currentValue + 1; } }',
      ),
      ['warning prop/overwritten app.ts:6 this.n = changes.n.currentValue + 1'],
    ],
    ['set by another input, which is not handed in', both('[n]="1"'), []],
    [
      'set by another input, which is handed in as well',
      both('[n]="1" [all]="{ n: 2 }"'),
      ['warning prop/overwritten app.ts:6 this.n = all.n'],
    ],
    [
      'a mark: that it is there is what counts',
      one(
        comp(
          'Row',
          'row',
          '{{ isWide }}',
          "isWide = false;\n@Input() set wide(_wide: '') { this.isWide = true; }",
        ),
        app('<row wide/>', 'Row'),
      ),
      [],
    ],
    [
      'one that does nothing',
      one(comp('Row', 'row', 'x', "@Input() set wide(_wide: '') { }"), app('<row wide/>', 'Row')),
      ['warning prop/unread app.ts:5 wide'],
    ],
  ]);
});

describe('what stands on a tag together', () => {
  const inner = `@Directive({}) export class Icons { start = input(''); at = this.start(); }`;
  const outer = `@Directive({ hostDirectives: [{ directive: Icons, inputs: ['start: iconStart'] }] }) export class WithIcons {}`;
  const button = (brings: string) =>
    `@Directive({ selector: '[btn]', hostDirectives: [${brings}] }) export class Btn { size = input('m'); at = this.size(); }`;
  const use = (...parts: string[]) => one(...parts, app(`<button btn [iconStart]="'a'"></button>`, 'Btn'));
  cases(/unknown/, [
    ['what comes with what comes with it', use(inner, outer, button('WithIcons')), []],
    ['nothing of the kind', use(button('')), ['error prop/unknown app.ts:4 iconStart']],
    ['something of a package', use(`import { WithShade } from '@rope/shade';`, button('WithShade')), []],
    [
      'movements of the page',
      one(
        `@Directive({ selector: '[still]' }) export class Still { still = input(''); at = this.still(); }`,
        app('<b still (animate.leave)="go()" animate.enter="in"></b>', 'Still', 'go() {}'),
      ),
      [],
    ],
  ]);
});

describe('handles', () => {
  const base = `@Directive() export class Base { @ViewChild('box') box!: ElementRef; go() { this.box.nativeElement.focus(); } }`;
  cases(/^ref\/unattached|unknown-name/, [
    [
      'that who extends it puts on something',
      one(
        base,
        `@Component({ selector: 'kid', template: '<b #box (click)="go()"></b>' }) export class Kid extends Base {}`,
        app('<kid/>', 'Kid'),
      ),
      [],
    ],
    [
      'in a template that is not understood',
      one(
        app(
          '<b #box [title]="{ ...all, }"></b>',
          '',
          "@ViewChild('box') box!: ElementRef;\n@ViewChild('bax') bax!: ElementRef;\ngo() { this.box.nativeElement.focus(); this.bax.nativeElement.focus(); }",
        ),
      ),
      [],
    ],
    [
      'that nothing is put on',
      one(
        app('<b></b>', '', "@ViewChild('box') box!: ElementRef;\ngo() { this.box.nativeElement.focus(); }"),
      ),
      ['warning ref/unattached app.ts:5 box'],
    ],
  ]);
});

describe('state that is lost', () => {
  const MORE = `import { BehaviorSubject } from 'rxjs';`;
  const lamp = (members: string) => comp('Lamp', 'lamp', '{{ lit }}', members);
  const twice = (members: string) =>
    one(
      MORE,
      lamp(members),
      app('@if (wide) { <p><lamp [of]="1"/></p> } @else { <lamp [of]="1"/> }', 'Lamp', 'wide = true;'),
    );
  const LOST = (line: number) => [`warning portal/state-lost app.ts:${line} lamp`];
  cases(/state-lost/, [
    [
      'set by a listener',
      twice("@Input() of = 0;\nlit = 0;\n@HostListener('click') go() { this.lit = 1; }"),
      LOST(11),
    ],
    [
      'worked out of what is handed in',
      twice('lit = 0;\n@Input() set of(of: number) { this.lit = of; this.show(); }\nshow() { this.lit++; }'),
      [],
    ],
    [
      'a stream that keeps nothing',
      twice('@Input() of = 0;\nlit = new Subject<void>();\ngo() { this.lit.next(); }'),
      [],
    ],
    [
      'a stream that keeps what came last',
      twice('@Input() of = 0;\nlit = new BehaviorSubject<number>(0);\ngo() { this.lit.next(1); }'),
      LOST(11),
    ],
    [
      'worked out at every change',
      twice('@Input() of = 0;\nlit = 0;\nngOnChanges() { this.lit = this.of; }'),
      [],
    ],
    [
      'worked out, and changed by others',
      twice(
        'lit = 0;\n@Input() set of(of: number) { this.show(of); }\nshow(n: number) { this.lit = n; }\nturn() { this.show(3); }',
      ),
      LOST(12),
    ],
  ]);
});
