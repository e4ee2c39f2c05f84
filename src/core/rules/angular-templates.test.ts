/** Templates that a component of Angular stamps with a context: which it was given, and what they take of it. */
import { describe } from 'vitest';
import { traces } from '../trace/testing';
import { angularApp as one, angularComponent as comp } from './classes-testing';
import { ANGULAR_MOUNT, casesFor } from './testing';

const cases = casesFor(ANGULAR_MOUNT, 'app.ts');

const QUERY = "row = contentChild<TemplateRef<unknown>>('row');";
const INPUT = 'row = input<TemplateRef<unknown>>();';
const box = (context: string, declared = QUERY, stamped = 'row()') =>
  comp(
    'Box',
    'box',
    `@for (i of items(); track i) { <ng-container [ngTemplateOutlet]="${stamped}" [ngTemplateOutletContext]="${context}"/> }`,
    `items = input<number[]>([]); ${declared}`,
    'imports: [NgTemplateOutlet],',
  );
const app = (template: string, members = '') => comp('App', 'app', template, members, 'imports: [Box],');
const TAKES = '<ng-template #row let-n let-at="at">{{ n }}{{ at }}</ng-template>';
const LACKS = ['error slot/prop-unknown app.ts:8 at'];

describe('what a template takes of the context', () => {
  cases(/^(slot|prop)\//, [
    ['all is given', one(box('{ $implicit: i, at: 1 }'), app(`<box [items]="[1]">${TAKES}</box>`)), []],
    ['a member is not given', one(box('{ $implicit: i }'), app(`<box [items]="[1]">${TAKES}</box>`)), LACKS],
    [
      'looked for by a decorator',
      one(
        box('{ $implicit: i }', "@ContentChild('row') row?: TemplateRef<unknown>;", 'row'),
        app(`<box [items]="[1]">${TAKES}</box>`),
      ),
      LACKS,
    ],
    [
      'handed in',
      one(box('{ $implicit: i }', INPUT), app(`<box [items]="[1]" [row]="row"/>${TAKES}`)),
      LACKS,
    ],
    [
      'a context that is worked out may give anything',
      one(box('all', `all = {}; ${INPUT}`), app(`<box [items]="[1]" [row]="row"/>${TAKES}`)),
      [],
    ],
    [
      'stamped by a structural directive',
      one(
        comp(
          'Box',
          'box',
          '<ng-container *ngTemplateOutlet="row(); context: { $implicit: 1 }"/>',
          QUERY,
          'imports: [NgTemplateOutlet],',
        ),
        app(`<box>${TAKES}</box>`),
      ),
      LACKS,
    ],
    [
      'nothing is given for it',
      one(box('{ $implicit: i }'), app('<box [items]="[1]"/>')),
      [
        'note slot/unfilled app.ts:3 <ng-container [ngTemplateOutlet]="row()" [ngTemplateOutletContext]="{ $implicit: i }"/>',
      ],
    ],
    [
      'beside content without a name',
      one(
        comp(
          'Box',
          'box',
          '<ng-content/><ng-container [ngTemplateOutlet]="row()"/>',
          QUERY,
          'imports: [NgTemplateOutlet],',
        ),
        app('<box>text<ng-template #row>x</ng-template></box>'),
      ),
      [],
    ],
  ]);
});

describe('values through a context', () => {
  traces(
    {
      ...ANGULAR_MOUNT,
      ...one(
        box('{ $implicit: i }'),
        comp('Show', 'show', '{{ n() }}', 'n = input(0);'),
        comp(
          'App',
          'app',
          '<box [items]="rows"><ng-template #row let-r><show [n]="r"/></ng-template></box>',
          'rows = [1];',
          'imports: [Box, Show],',
        ),
      ),
    },
    [
      [
        'Show:prop:n',
        [
          'App:state:rows rename Box:prop:items',
          'Box:prop:items transform Box:local:i',
          'Box:local:i fill App:local:r',
          'App:local:r rename Show:prop:n',
        ],
      ],
    ],
  );
});
