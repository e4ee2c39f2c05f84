/** Decorated classes that become elements, rule by rule: one or two of each, and what is said of them. */
import { describe } from 'vitest';
import { casesFor } from './testing';
import { ELEMENT_MOUNT, elementApp as one, elementClass as comp } from './classes-testing';

const cases = casesFor(ELEMENT_MOUNT, 'app.tsx');

const app = (markup: string, members = '') => comp('SignApp', 'sign-app', members, markup);

describe('what is handed in', () => {
  cases(/^prop\//, [
    [
      'required missing',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() tint!: string;', '<b>{this.tint}</b>'),
        app('<sign-lamp></sign-lamp>'),
      ),
      ['error prop/missing app.tsx:10 sign-lamp'],
    ],
    [
      'unread',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() tint?: string;', '<b></b>'),
        app('<sign-lamp tint="a"></sign-lamp>'),
      ),
      ['warning prop/unread app.tsx:4 tint'],
    ],
    [
      'never passed',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() tint?: string;', '<b>{this.tint}</b>'),
        app('<sign-lamp></sign-lamp>'),
      ),
      ['warning prop/never-passed app.tsx:4 tint'],
    ],
    [
      'constant',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() tint?: string;', '<b>{this.tint}</b>'),
        app(
          '<div><sign-lamp tint="a"></sign-lamp><sign-lamp tint="a"></sign-lamp><sign-lamp tint="a"></sign-lamp></div>',
        ),
      ),
      ['note prop/constant app.tsx:4 tint'],
    ],
    [
      'unknown',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() tint?: string;', '<b>{this.tint}</b>'),
        app('<sign-lamp tint="a" tnit="b"></sign-lamp>'),
      ),
      ['error prop/unknown app.tsx:10 tnit'],
    ],
    [
      'type clash object attr',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() at: { x: number } = { x: 1 };', '<b>{this.at.x}</b>'),
        app('<sign-lamp at="x"></sign-lamp>'),
      ),
      ['error prop/type-clash app.tsx:10 at'],
    ],
    [
      'type clash expr',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() level = 1;', '<b>{this.level}</b>'),
        app('<sign-lamp level={[1]}></sign-lamp>'),
      ),
      ['error prop/type-clash app.tsx:10 level'],
    ],
    [
      'type clash union',
      one(
        comp('Lamp', 'sign-lamp', "@Prop() mode: 'a' | 'b' = 'a';", '<b>{this.mode}</b>'),
        app('<sign-lamp mode="c"></sign-lamp>'),
      ),
      ['error prop/type-clash app.tsx:10 mode'],
    ],
    [
      'default clash',
      one(
        comp('Lamp', 'sign-lamp', "@Prop() level: number = 'a';", '<b>{this.level}</b>'),
        app('<sign-lamp level={1}></sign-lamp>'),
      ),
      ["error prop/default-clash app.tsx:4 'a'"],
    ],
    [
      'overwritten not mutable',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Prop() level = 1;\nup = () => { this.level = 2; };',
          '<b onClick={this.up}>{this.level}</b>',
        ),
        app('<sign-lamp level={1}></sign-lamp>'),
      ),
      ['error prop/overwritten app.tsx:5 this.level = 2'],
    ],
    [
      'overwritten mutable',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Prop({ mutable: true }) level = 1;\nup = () => { this.level = 2; };',
          '<b onClick={this.up}>{this.level}</b>',
        ),
        app('<sign-lamp level={1}></sign-lamp>'),
      ),
      ['warning prop/overwritten app.tsx:5 this.level = 2'],
    ],
    [
      'overwritten list',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Prop() list: number[] = [];\nup = () => { this.list.push(2); };',
          '<b onClick={this.up}>{this.list.length}</b>',
        ),
        app('<sign-lamp list={this.l}></sign-lamp>', 'l = [1];'),
      ),
      ['error prop/overwritten app.tsx:5 this.list.push(2)'],
    ],
    [
      'stale copy willLoad',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Prop() level = 1;\n@State() shown = 0;\ncomponentWillLoad() { this.shown = this.level; }',
          '<b onClick={() => { this.shown++; }}>{this.shown}</b>',
        ),
        app('<sign-lamp level={2}></sign-lamp>'),
      ),
      ['note prop/stale-copy app.tsx:5 shown'],
    ],
    [
      'stale copy init',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Prop() level = 1;\n@State() shown = this.level;',
          '<b onClick={() => { this.shown++; }}>{this.shown}</b>',
        ),
        app('<sign-lamp level={2}></sign-lamp>'),
      ),
      ['note prop/stale-copy app.tsx:5 shown'],
    ],
    [
      'name clash',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() level = 1;\nlevel() { return 2; }', '<b>{this.level}</b>'),
        app('<sign-lamp level={2}></sign-lamp>'),
      ),
      ['error prop/name-clash app.tsx:5 level'],
    ],
    [
      'orphan watch',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          "@Prop() level = 1;\n@Watch('levle') onLevel() { this.k = 1; }\n@State() k = 0;",
          '<b>{this.level}{this.k}</b>',
        ),
        app('<sign-lamp level={2}></sign-lamp>'),
      ),
      ["error prop/orphan-alias app.tsx:5 'levle'"],
    ],
    [
      'drilled',
      one(
        comp('Leaf', 'sign-leaf', '@Prop() wind = 1;', '<b>{this.wind}</b>'),
        comp('Mid', 'sign-mid', '@Prop() wind = 1;', '<sign-leaf wind={this.wind}></sign-leaf>'),
        comp('Top', 'sign-top', '@Prop() wind = 1;', '<sign-mid wind={this.wind}></sign-mid>'),
        app('<sign-top wind={this.w}></sign-top>', '@State() w = 1;'),
      ),
      ['warning prop/drilled app.tsx:14 wind'],
    ],
    [
      'functional component',
      one(
        `const Tag: FunctionalComponent<{ text: string }> = ({ text }) => <i>{text}</i>;`,
        app('<Tag txt="a" />'),
      ),
      ['error prop/unknown app.tsx:6 txt'],
    ],
    [
      'functional missing',
      one(`const Tag: FunctionalComponent<{ text: string }> = ({ text }) => <i>{text}</i>;`, app('<Tag />')),
      ['error prop/missing app.tsx:6 Tag'],
    ],
  ]);
});

describe('events', () => {
  cases(/^event\//, [
    [
      'unheard',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        app('<sign-lamp></sign-lamp>'),
      ),
      ['warning event/unheard app.tsx:4 lit'],
    ],
    [
      'unknown',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        app('<sign-lamp onLti={() => 1}></sign-lamp>'),
      ),
      ['error event/unknown app.tsx:10 onLti'],
    ],
    [
      'listen nobody',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        app('<sign-lamp onLit={() => 1}></sign-lamp>', "@Listen('litt') go() { return 1; }"),
      ),
      ["error event/unknown app.tsx:9 'litt'"],
    ],
    [
      'broken path bubbles false',
      one(
        comp(
          'Leaf',
          'sign-leaf',
          '@Event({ bubbles: false }) lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        comp('Mid', 'sign-mid', '', '<sign-leaf></sign-leaf>'),
        app('<sign-mid onLit={() => 1}></sign-mid>'),
      ),
      ['error event/broken-path app.tsx:15 onLit'],
    ],
    [
      'broken path composed false',
      one(
        comp(
          'Leaf',
          'sign-leaf',
          '@Event({ composed: false }) lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        comp('Mid', 'sign-mid', '', '<sign-leaf></sign-leaf>'),
        app('<sign-mid onLit={() => 1}></sign-mid>'),
      ),
      ['error event/broken-path app.tsx:15 onLit'],
    ],
    [
      'never emitted',
      one(
        comp('Lamp', 'sign-lamp', '@Event() lit: EventEmitter<number>;', '<b></b>'),
        app('<sign-lamp onLit={() => 1}></sign-lamp>'),
      ),
      ['warning event/never-emitted app.tsx:4 lit'],
    ],
    [
      'payload emit',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<number>;',
          "<b onClick={() => this.lit.emit('a')}></b>",
        ),
        app('<sign-lamp onLit={() => 1}></sign-lamp>'),
      ),
      ["error event/payload-clash app.tsx:5 this.lit.emit('a')"],
    ],
    [
      'payload handler',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        app('<sign-lamp onLit={(e: CustomEvent<string>) => e.detail}></sign-lamp>'),
      ),
      ['error event/payload-clash app.tsx:10 (e: CustomEvent<string>) => e.detail'],
    ],
    [
      'payload listen',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        app('<sign-lamp></sign-lamp>', "@Listen('lit') go(e: CustomEvent<string>) { return e.detail; }"),
      ),
      ['error event/payload-clash app.tsx:9 go'],
    ],
    [
      'called early',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        app('<sign-lamp onLit={this.go()}></sign-lamp>', 'go() { }'),
      ),
      ['error event/called-early app.tsx:10 this.go()'],
    ],
    [
      'called early element',
      one(app('<b onClick={this.go()}></b>', 'go() { }')),
      ['error event/called-early app.tsx:5 this.go()'],
    ],
    [
      'native clash',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() click: EventEmitter<number>;',
          '<b onClick={() => this.click.emit(1)}></b>',
        ),
        app('<sign-lamp onClick={() => 1}></sign-lamp>'),
      ),
      ['warning event/native-clash app.tsx:4 click'],
    ],
    [
      'callback prop unguarded',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() done?: () => void;', '<b onClick={() => this.done()}></b>'),
        app('<div><sign-lamp></sign-lamp><sign-lamp done={this.d}></sign-lamp></div>', 'd = () => {};'),
      ),
      ['warning event/unguarded-call app.tsx:5 this.done()'],
    ],
    [
      'half pair',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Prop() value = 1;\n@Event() valueChange: EventEmitter<number>;',
          '<b onClick={() => this.valueChange.emit(1)}>{this.value}</b>',
        ),
        app(
          '<div><sign-lamp value={2}></sign-lamp><sign-lamp value={2} onValueChange={() => 1}></sign-lamp></div>',
        ),
      ),
      ['note event/half-pair app.tsx:11 value'],
    ],
    [
      'relayed',
      one(
        comp(
          'Leaf',
          'sign-leaf',
          '@Event({ bubbles: false }) lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        comp(
          'Mid',
          'sign-mid',
          '@Event({ bubbles: false }) lit: EventEmitter<number>;',
          '<sign-leaf onLit={(e) => this.lit.emit(e.detail)}></sign-leaf>',
        ),
        comp(
          'Top',
          'sign-top',
          '@Event({ bubbles: false }) lit: EventEmitter<number>;',
          '<sign-mid onLit={(e) => this.lit.emit(e.detail)}></sign-mid>',
        ),
        app('<sign-top onLit={() => 1}></sign-top>'),
      ),
      ['warning event/relayed app.tsx:10 (e) => this.lit.emit(e.detail)'],
    ],
  ]);
});

describe('content', () => {
  cases(/^slot\//, [
    [
      'slot unknown',
      one(
        comp('Box', 'sign-box', '', '<div><slot name="head"></slot></div>'),
        app('<sign-box><p slot="haed">x</p></sign-box>'),
      ),
      ['note slot/unfilled app.tsx:5 <slot name="head"></slot>', 'error slot/unknown app.tsx:10 slot="haed"'],
    ],
    [
      'slot no outlet',
      one(comp('Box', 'sign-box', '', '<div></div>'), app('<sign-box><p>x</p></sign-box>')),
      ['error slot/no-outlet app.tsx:10 sign-box'],
    ],
    [
      'slot unfilled',
      one(
        comp('Box', 'sign-box', '', '<div><slot name="head"></slot><slot></slot></div>'),
        app('<sign-box><p>x</p></sign-box>'),
      ),
      ['note slot/unfilled app.tsx:5 <slot name="head"></slot>'],
    ],
  ]);
});

describe('handles', () => {
  cases(/^ref\//, [
    [
      'ref unknown member',
      one(
        comp('Gate', 'sign-gate', '@Method() async open() { return 1; }', '<b></b>'),
        app(
          '<sign-gate ref={(e) => (this.g = e)}></sign-gate>',
          'g?: HTMLSignGateElement;\ngo() { this.g?.opne(); }\ncomponentDidLoad() { this.go(); }',
        ),
      ),
      ['error ref/unknown-member app.tsx:10 opne'],
    ],
    [
      'ref member not exposed',
      one(
        comp('Gate', 'sign-gate', 'open() { return 1; }\ncomponentDidLoad() { this.open(); }', '<b></b>'),
        app(
          '<sign-gate ref={(e) => (this.g = e)}></sign-gate>',
          'g?: HTMLSignGateElement;\ngo() { this.g?.open(); }\ncomponentDidLoad() { this.go(); }',
        ),
      ),
      ['error ref/unknown-member app.tsx:11 open'],
    ],
    [
      'ref early read',
      one(
        comp('Gate', 'sign-gate', '@Method() async open() { return 1; }', '<b></b>'),
        app(
          '<sign-gate ref={(e) => (this.g = e)}></sign-gate>',
          'g!: HTMLSignGateElement;\ncomponentWillLoad() { this.g.open(); }',
        ),
      ),
      ['error ref/early-read app.tsx:10 this.g.open'],
    ],
    [
      'ref unread',
      one(
        comp('Gate', 'sign-gate', '@Method() async open() { return 1; }', '<b></b>'),
        app('<sign-gate ref={(e) => (this.g = e)}></sign-gate>', 'g!: HTMLSignGateElement;'),
      ),
      ['note ref/unread app.tsx:9 g'],
    ],
  ]);
});

describe('places', () => {
  cases(/^portal\//, [
    [
      'state lost',
      one(
        comp('Log', 'sign-log', '@State() n = 0;', '<b onClick={() => { this.n++; }}>{this.n}</b>'),
        app(
          'this.wide ? <aside><sign-log></sign-log></aside> : <sign-log></sign-log>',
          '@State() wide = true;',
        ),
      ),
      ['warning portal/state-lost app.tsx:10 sign-log'],
    ],
  ]);
});

describe('state', () => {
  cases(/^state\//, [
    [
      'state twin',
      one(
        comp(
          'Log',
          'sign-log',
          '@State() open = false;',
          '<b onClick={() => { this.open = !this.open; }}>{String(this.open)}</b>',
        ),
        app(
          '<div onClick={() => { this.open = true; }}><sign-log></sign-log>{String(this.open)}</div>',
          '@State() open = false;',
        ),
      ),
      ['note state/twin app.tsx:4 open'],
    ],
  ]);
});

describe('nothing is wrong', () => {
  cases(/^(?!component)/, [
    [
      'stale copy watched ok',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          "@Prop() level = 1;\n@State() shown = 0;\ncomponentWillLoad() { this.shown = this.level; }\n@Watch('level') onLevel(v: number) { this.shown = v; }",
          '<b onClick={() => { this.shown++; }}>{this.shown}</b>',
        ),
        app('<sign-lamp level={2}></sign-lamp>'),
      ),
      [],
    ],
    [
      'bubbles fine',
      one(
        comp(
          'Leaf',
          'sign-leaf',
          '@Event() lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        comp('Mid', 'sign-mid', '', '<sign-leaf></sign-leaf>'),
        app('<sign-mid onLit={() => 1}></sign-mid>'),
      ),
      [],
    ],
    [
      'html page call site',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() tintColor?: string;', '<b>{this.tintColor}</b>'),
        app('<b></b>'),
      ),
      [],
    ],
    [
      'html script listens',
      one(
        comp(
          'Lamp',
          'sign-lamp',
          '@Event() lit: EventEmitter<number>;',
          '<b onClick={() => this.lit.emit(1)}></b>',
        ),
        app('<b></b>'),
      ),
      [],
    ],
    [
      'html script sets prop wrong type',
      one(comp('Lamp', 'sign-lamp', '@Prop() level = 1;', '<b>{this.level}</b>'), app('<b></b>')),
      [],
    ],
    [
      'html script method unknown',
      one(comp('Gate', 'sign-gate', '@Method() async open() { return 1; }', '<b></b>'), app('<b></b>')),
      [],
    ],
    [
      'react uses element',
      one(
        comp('Lamp', 'sign-lamp', '@Prop() tint?: string;', '<b>{this.tint}</b>'),
        app('<sign-lamp tint="a"></sign-lamp>'),
      ),
      [],
    ],
  ]);
});
