/** Forms of decorated classes that become elements: attributes, events of the page, bases, functions that draw. */
import { describe } from 'vitest';
import { casesFor } from './testing';
import { ELEMENT_MOUNT, elementApp as one, elementClass as comp } from './classes-testing';

const cases = casesFor(ELEMENT_MOUNT, 'app.tsx');

const app = (markup: string, members = '') => comp('SignApp', 'sign-app', members, markup);

describe('what is handed in', () => {
  cases(/^prop\//, [
    [
      'state to prop type clash',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() list: number[] = [];', '<b>{this.list.length}</b>'),
        app('<sign-lamp list={this.names}></sign-lamp>', '@State() names: string[] = [];'),
      ),
      ['error prop/type-clash app.tsx:10 list'],
    ],
    [
      'drilled callback',
      one(
        comp('Leaf', 'sign-leaf', '@Prop() done?: () => void;', '<b onClick={() => this.done?.()}></b>'),
        comp('Mid', 'sign-mid', '@Prop() done?: () => void;', '<sign-leaf done={this.done}></sign-leaf>'),
        comp('Top', 'sign-top', '@Prop() done?: () => void;', '<sign-mid done={this.done}></sign-mid>'),
        app('<sign-top done={this.go}></sign-top>', 'go = () => {};'),
      ),
      ['warning prop/drilled app.tsx:14 done'],
    ],
    [
      'base class mixin',
      one(
        `export class Base { @Prop() tint?: string; shade() { return this.tint; } }`,
        `@Component({ tag: 'sign-lamp' })\nexport class Lamp extends Base {\nrender() { return <b>{this.shade()}</b>; }\n}`,
        app('<sign-lamp tint="a" tnit="b"></sign-lamp>'),
      ),
      ['error prop/unknown app.tsx:10 tint', 'error prop/unknown app.tsx:10 tnit'],
    ],
    [
      'what some elements of the page have, and what all have',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() tint?: string;', '<b>{this.tint}</b>'),
        app(
          '<div>\n<sign-lamp tint="a" size="3" title="a" role="img" tabindex="0"></sign-lamp>\n<sign-lamp tint="a" name="b"></sign-lamp></div>',
        ),
      ),
      ['error prop/unknown app.tsx:11 size', 'error prop/unknown app.tsx:12 name'],
    ],
    [
      'what forms know an element by',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Prop() tint?: string;',
          '<b>{this.tint}</b>',
          'shadow: true, formAssociated: true',
        ),
        app('<sign-lamp tint="a" name="b"></sign-lamp>'),
      ),
      [],
    ],
    [
      'map wrong member type',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() no!: number;', '<b>{this.no}</b>'),
        app(
          '<div>{this.rows.map((r) => <sign-lamp no={r.name}></sign-lamp>)}</div>',
          '@State() rows: { name: string }[] = [];',
        ),
      ),
      ['error prop/type-clash app.tsx:10 no'],
    ],
  ]);
});

describe('events', () => {
  cases(/^event\//, [
    [
      'event eventName unknown',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          "@Event({ eventName: 'lampLit' }) lit: EventEmitter<void>;",
          '<b onClick={() => this.lit.emit()}></b>',
        ),
        app('<sign-lamp onLit={() => 1}></sign-lamp>'),
      ),
      ['warning event/unheard app.tsx:4 lit', 'error event/unknown app.tsx:10 onLit'],
    ],
  ]);
});

describe('content', () => {
  cases(/^slot\//, [
    [
      'functional no children',
      one(
        `const Box: FunctionalComponent<{ title: string }> = ({ title }) => <div title={title}></div>;`,
        app('<Box title="a"><b>x</b></Box>'),
      ),
      ['error slot/no-outlet app.tsx:6 Box'],
    ],
  ]);
});

describe('nothing is wrong', () => {
  cases(/^(?!component)/, [
    [
      'reflect counts as read',
      one(
        comp('Lamp', 'sign-lamp', '@Prop({ reflect: true }) tint?: string;', '<slot></slot>'),
        app('<sign-lamp tint="a">x</sign-lamp>'),
      ),
      [],
    ],
    [
      'attribute name',
      one(
        comp('Lamp', 'sign-lamp', "@Prop({ attribute: 'a11y' }) label?: string;", '<b>{this.label}</b>'),
        app('<div><sign-lamp a11y="x"></sign-lamp><sign-lamp label="y"></sign-lamp></div>'),
      ),
      [],
    ],
    [
      'number string literal ok, bool',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() level = 1;\n@Prop() on = false;', '<b>{this.level}{this.on}</b>'),
        app('<sign-lamp level="3" on="false"></sign-lamp>'),
      ),
      [],
    ],
    [
      'number from bad text',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() level = 1;', '<b>{this.level}</b>'),
        app('<sign-lamp level="high"></sign-lamp>'),
      ),
      [],
    ],
    [
      'event name kebab listener ok',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          "@Event({ eventName: 'lamp-lit' }) lit: EventEmitter<void>;",
          '<b onClick={() => this.lit.emit()}></b>',
        ),
        app(
          "<sign-lamp {...{ 'onLamp-lit': () => 1 }}></sign-lamp>",
          "@Listen('lamp-lit') go() { return 1; }",
        ),
      ),
      [],
    ],
    [
      'window listener',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<void>;',
          '<b onClick={() => this.lit.emit()}></b>',
        ),
        app(
          '<sign-lamp></sign-lamp>',
          "@Listen('lit', { target: 'window' }) go() { return 1; }\n@Listen('resize', { target: 'window' }) size() { return 1; }\n@Listen('keydown') key() { return 1; }",
        ),
      ),
      [],
    ],
    [
      'of the window, which hears from others',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<void>;',
          '<b onClick={() => this.lit.emit()}></b>',
        ),
        app(
          '<sign-lamp onLit={() => 1}></sign-lamp>',
          "@Listen('storage', { target: 'window' }) go() { return 1; }\n@Listen('litt', { target: 'window' }) near() { return 1; }",
        ),
      ),
      ["error event/unknown app.tsx:10 'litt'"],
    ],
    [
      'relayed stops bubbling',
      one(
        comp(
          'Leaf',
          'sign-leaf',
          '@Event() lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        comp(
          'Mid',
          'sign-mid',
          '@Event() moved: EventEmitter<number>;',
          '<sign-leaf onLit={(e) => { e.stopPropagation(); this.moved.emit(e.detail); }}></sign-leaf>',
        ),
        app('<sign-mid onMoved={() => 1}></sign-mid>'),
      ),
      [],
    ],
    [
      'private field not prop',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          'private timer = 0;\n@State() n = 0;\nconnectedCallback() { this.timer = 1; }\ndisconnectedCallback() { clearTimeout(this.timer); }',
          '<b onClick={() => { this.n++; }}>{this.n}</b>',
        ),
        app('<sign-lamp></sign-lamp>'),
      ),
      [],
    ],
    [
      'watch two',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          "@Prop() a = 1;\n@Prop() b = 1;\n@State() c = 0;\n@Watch('a')\n@Watch('b') on() { this.c = this.a + this.b; }",
          '<b>{this.c}</b>',
        ),
        app('<sign-lamp a={1} b={2}></sign-lamp>'),
      ),
      [],
    ],
    [
      'host and fragment',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Prop() tint?: string;',
          '<Host class={this.tint}><Fragment><slot name="a"></slot></Fragment></Host>',
        ),
        app('<sign-lamp tint="x"><b slot="a">y</b></sign-lamp>'),
      ),
      [],
    ],
    [
      'functional children',
      one(
        `const Box: FunctionalComponent<{ title: string }> = ({ title }, children) => <div title={title}>{children}</div>;`,
        app('<Box title="a"><b>x</b></Box>'),
      ),
      [],
    ],
    [
      'conditional slot both',
      one(
        comp(
          'Box',
          'sign-box',
          '@Prop() wide = false;',
          'this.wide ? <div><slot></slot></div> : <slot></slot>',
        ),
        app('<sign-box wide>x</sign-box>'),
      ),
      [],
    ],
    [
      'overwritten told by change event',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Prop({ mutable: true }) value = 1;\n@Event() valueChange: EventEmitter<number>;\nup = () => { this.value = 2; this.valueChange.emit(2); };',
          '<b onClick={this.up}>{this.value}</b>',
        ),
        app('<sign-lamp value={1} onValueChange={() => 1}></sign-lamp>'),
      ),
      [],
    ],
    [
      'unread state fine; method unread fine',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Method() async reset() { this.n = 0; }\n@State() n = 0;',
          '<b>{this.n}</b>',
        ),
        app('<sign-lamp></sign-lamp>'),
      ),
      [],
    ],
    [
      'map list keys',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() no!: number;', '<b>{this.no}</b>'),
        app(
          '<div>{this.rows.map((r) => <sign-lamp key={r} no={r}></sign-lamp>)}</div>',
          '@State() rows = [1, 2];',
        ),
      ),
      [],
    ],
  ]);
});

describe('handles', () => {
  const using = (members: string, markup = '') =>
    one(
      comp('Lamp', 'sign-lamp', "@Method() async lit() { return 'a'; }", '<b></b>'),
      app(
        `<div><sign-lamp ref={(el) => (this.lamp = el)}></sign-lamp>${markup}</div>`,
        `private lamp?: HTMLSignLampElement;\n${members}`,
      ),
    );
  cases(/^ref\//, [
    [
      'one that is handed on still holds what it is put on',
      using('go() { this.note(this.lamp); this.lamp?.dim(); }\nnote(_one: unknown) {}'),
      ['error ref/unknown-member app.tsx:10 dim'],
    ],
    [
      'one that something else is put into may hold anything',
      using('go(other: HTMLSignLampElement) { this.lamp = other; this.lamp.dim(); }'),
      [],
    ],
  ]);
});

describe('content', () => {
  const box = (slots: string) => comp('Box', 'sign-box', '@Prop() wide = true;', `<p>${slots}</p>`);
  cases(/^slot\//, [
    [
      'a slot whose name is worked out may be any',
      one(
        box("<slot name={`${this.wide ? 'left' : 'top'}-mark`}></slot>"),
        app('<sign-box wide><b slot="left-mark">a</b></sign-box>'),
      ),
      [],
    ],
    [
      'what decides whether something is nested is not nested',
      {
        'used.ts':
          'export const used = (el: Element): boolean => { const all = [...el.children]; return all.length > 0; };',
        'app.tsx': [
          "import { used } from './used';",
          ...Object.values(
            one(
              box('<slot name="mark"></slot>'),
              app('<sign-box wide>{used(this.el) && <b slot="mark">a</b>}</sign-box>', '@Element() el: any;'),
            ),
          ),
        ].join('\n'),
      },
      [],
    ],
  ]);
});
