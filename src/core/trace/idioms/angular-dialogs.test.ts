/** Angular: what dialogs are opened with arrives where they ask for it, and nowhere else. */
import { describe, expect, test } from 'vitest';
import { findingLines } from '../../rules/testing';
import { idioms } from './reaching';
import { angularApp } from './testing';

const MATERIAL = `import { Inject } from '@angular/core'; import { MatDialog, MAT_DIALOG_DATA } from '@angular/material/dialog'; import { Dialog, DIALOG_DATA } from '@angular/cdk/dialog'; import { DialogService, DynamicDialogConfig } from 'primeng/dynamicdialog'; import { NzModalService, NZ_MODAL_DATA } from 'ng-zorro-antd/modal';`;
const dialog = (members: string, x = 'data.name', name = 'Dlg') =>
  `@Component({ selector: 'app-${name.toLowerCase()}', standalone: true, imports: [Leaf], template: '<app-leaf [x]="${x}" />' }) export class ${name} { ${members} }`;
const ASKS = dialog('data = inject<{ name: string }>(MAT_DIALOG_DATA);');
const app = (members: string, template = '<b (click)="go()"></b>', settings = '') =>
  `@Component({ selector: 'app-root', standalone: true, ${settings} template: '${template}' }) export class App { seed: any = 'a'; change() { this.seed = 'b'; } ${members} }`;
const files = (...parts: string[]) => angularApp([MATERIAL, ...parts].join('\n'));

idioms(
  (
    [
      [
        'of the class that is asked for',
        files(ASKS, app('d = inject(MatDialog); go() { this.d.open(Dlg, { data: { name: this.seed } }); }')),
      ],
      [
        'handed to a constructor',
        files(
          dialog('constructor(@Inject(MAT_DIALOG_DATA) public data: any) {}'),
          app(
            'constructor(private d: MatDialog) {} go() { this.d.open(Dlg, { width: "3px", data: { name: this.seed } }); }',
          ),
        ),
      ],
      [
        'given by the template',
        files(
          ASKS,
          app(
            'd = inject(MatDialog); go(one: any) { this.d.open(Dlg, { data: { name: one } }); }',
            '<b (click)="go(seed)"></b>',
          ),
        ),
      ],
      [
        'handed on by methods',
        files(
          ASKS,
          app(
            'd = inject(MatDialog); go() { this.mid(this.seed); } mid(one: any) { this.show(one); } show(name: any) { this.d.open(Dlg, { data: { name } }); }',
          ),
        ),
      ],
      [
        'by a service that opens it',
        files(
          ASKS,
          `@Injectable({ providedIn: 'root' }) export class Dialogs { d = inject(MatDialog); ask(name: any) { return this.d.open(Dlg, { data: { name } }); } }`,
          app('d = inject(Dialogs); go() { this.d.ask(this.seed); }'),
        ),
      ],
      [
        'of another package',
        files(
          dialog('data = inject<any>(DIALOG_DATA);', 'data'),
          app('d = inject(Dialog); go() { this.d.open(Dlg, { data: this.seed }); }'),
        ),
      ],
      [
        'with all that it is opened with',
        files(
          dialog('config = inject(DynamicDialogConfig);', 'config.data.name'),
          app('d = inject(DialogService); go() { this.d.open(Dlg, { data: { name: this.seed } }); }'),
        ),
      ],
      [
        'named among the options',
        files(
          dialog('data = inject<any>(NZ_MODAL_DATA);'),
          app(
            'd = inject(NzModalService); go() { this.d.create({ nzContent: Dlg, nzData: { name: this.seed } }); }',
          ),
        ),
      ],
    ] as const
  ).map(([what, sources]) => ({ what, sources, from: 'App:state:seed', to: ['Leaf:prop:x'] })),
);

const closing = (members: string, template = '<b (click)="ok()"></b>', imports = '') =>
  `@Component({ selector: 'app-dlg', standalone: true, imports: [${imports}], template: '${template}' }) export class Dlg { name: any = 'a'; set() { this.name = 'b'; } ${members} }`;
const opener = (members: string) =>
  `@Component({ selector: 'app-root', standalone: true, imports: [Leaf], template: '<app-leaf [x]="last" />' }) export class App { last: any; ${members} }`;
const REFS = `import { MatDialogRef } from '@angular/material/dialog'; import { DialogRef } from '@angular/cdk/dialog';`;

idioms(
  (
    [
      [
        'what it closes with',
        files(
          REFS,
          closing('ref = inject(MatDialogRef); ok() { this.ref.close(this.name); }'),
          opener(
            'd = inject(MatDialog); go() { this.d.open(Dlg).afterClosed().subscribe((r: any) => { this.last = r; }); }',
          ),
        ),
      ],
      [
        'what its template closes it with, by a handle that is kept',
        files(
          REFS,
          closing('constructor(public ref: MatDialogRef<Dlg>) {}', '<b (click)="ref.close(name)"></b>'),
          opener(
            'd = inject(MatDialog); go() { const ref = this.d.open(Dlg, {}); ref.afterClosed().pipe(tap(() => {})).subscribe((r: any) => (this.last = r)); }',
          ),
        ),
      ],
      [
        'what a click on an element closes it with',
        files(
          `import { MatDialogClose } from '@angular/material/dialog';`,
          closing('', '<button [mat-dialog-close]="name">shut</button>', 'MatDialogClose'),
          opener(
            'd = inject(MatDialog); go() { this.d.open(Dlg).afterClosed().subscribe((r: any) => { this.last = r; }); }',
          ),
        ),
      ],
      [
        'a stream of it',
        files(
          REFS,
          closing('ref = inject(DialogRef); ok() { this.ref.close({ name: this.name }); }'),
          opener(
            'd = inject(Dialog); go() { this.d.open(Dlg).closed.subscribe((r: any) => { this.last = r?.name; }); }',
          ),
        ),
      ],
    ] as const
  ).map(([what, sources]) => ({ what, sources, from: 'Dlg:state:name', to: ['Leaf:prop:x'] })),
);

describe('dialogs', () => {
  test.each<[string, Record<string, string>, string[]]>([
    [
      'given something else than it asks for',
      files(ASKS, app('d = inject(MatDialog); go() { this.d.open(Dlg, { data: { name: 3 } }); }')),
      ['error context/type-clash app.ts:3 { name: 3 }'],
    ],
    [
      'each with its own',
      files(
        ASKS,
        dialog('data = inject<{ name: number }>(MAT_DIALOG_DATA);', 'data.name', 'Other'),
        app(
          "d = inject(MatDialog); go() { this.d.open(Dlg, { data: { name: 'a' } }); this.d.open(Other, { data: { name: 3 } }); }",
        ),
      ),
      [],
    ],
    [
      'opened by a dialog, each by a method',
      files(
        dialog(
          'data = inject<any>(MAT_DIALOG_DATA); d = inject(MatDialog); more(n: any) { this.d.open(Other, { data: n }); }',
          'data',
        ),
        dialog('data = inject<any>(MAT_DIALOG_DATA);', 'data', 'Other'),
        app(
          'd = inject(MatDialog); go(n: any) { this.d.open(Dlg, { data: n }); }',
          '<b (click)="go(1)"></b>',
        ),
      ),
      [],
    ],
    [
      'that asks for nothing',
      files(
        dialog('data = { name: 1 };'),
        app('d = inject(MatDialog); go() { this.d.open(Dlg, { data: 3 }); }'),
      ),
      [],
    ],
    [
      'below the root, where a component provides what it needs',
      files(
        `@Injectable() export class Unit { x = 1; }`,
        dialog('u = inject(Unit);', 'u.x'),
        app(
          'd = inject(MatDialog); go() { this.d.open(Dlg); }',
          '<b (click)="go()"></b>',
          'providers: [Unit],',
        ),
      ),
      ['warning portal/outside-providers app.ts:4 this.d.open(Dlg)'],
    ],
    [
      'by a service, which is told where',
      files(
        ASKS,
        `@Injectable({ providedIn: 'root' }) export class Dialogs { d = inject(MatDialog); ask(v: any) { return this.d.open(Dlg, { viewContainerRef: v, data: 3 }); } }`,
        app('d = inject(Dialogs); go() { this.d.ask(this); }'),
      ),
      [],
    ],
    [
      'below the component that opens it, where it says so',
      files(
        `import { ViewContainerRef } from '@angular/core'; @Injectable() export class Unit { x = 1; }`,
        dialog('u = inject(Unit);', 'u.x'),
        app(
          'd = inject(MatDialog); u = inject(Unit); v = inject(ViewContainerRef); go() { this.d.open(Dlg, { viewContainerRef: this.v }); }',
          '<b (click)="go()"></b>',
          'providers: [Unit],',
        ),
      ),
      [],
    ],
  ])('%s', (_, sources, expected) =>
    expect(findingLines(sources).filter((line) => !/component\/unused/.test(line))).toEqual(expected),
  );
});
