/** Every rule that can occur in decorated classes that become elements: what must be found, and near misses. */
import { describe } from 'vitest';
import { casesFor, type Sources } from './testing';

const cases = casesFor(
  {
    'index.html': '<!doctype html><sign-app></sign-app>',
    'package.json': '{ "name": "signs", "private": true, "devDependencies": { "@stencil/core": "^4.22.0" } }',
  },
  'app.tsx',
);

const CORE = `import { Component, Element, Event, EventEmitter, FunctionalComponent, Host, Listen, Method, Prop, State, Watch, h } from '@stencil/core';`;

const made = (name: string, tag: string, members: string, markup: string, settings = 'shadow: true') =>
  `@Component({ tag: '${tag}', ${settings} })\nexport class ${name} { ${members}\n render() { return ${markup}; } }`;
const file = (...parts: string[]) => [CORE, ...parts].join('\n');
const app = (markup: string, members = '') => file(made('SignApp', 'sign-app', members, markup));
const LAMP = file(
  made(
    'SignLamp',
    'sign-lamp',
    '@Prop() tint!: string; @Prop() level = 1; @Prop() wide?: boolean;',
    '<b>{this.tint}{this.level}{this.wide}</b>',
  ),
);
const withLamp = (markup: string, members = ''): Sources => ({
  'lamp.tsx': LAMP,
  'app.tsx': app(markup, members),
});

describe('props', () => {
  cases(/^prop\//, [
    ['all is passed', withLamp('<sign-lamp tint="red" level={2} wide></sign-lamp>'), []],
    [
      'a required one is missing',
      withLamp('<sign-lamp level={2} wide></sign-lamp>'),
      ['error prop/missing app.tsx:4 sign-lamp'],
    ],
    [
      'a name that nobody takes',
      withLamp('<sign-lamp tint="red" levle={2} level={1} wide></sign-lamp>'),
      ['error prop/unknown app.tsx:4 levle'],
    ],
    [
      'what every element has',
      withLamp(
        '<sign-lamp tint="red" level={2} wide class="a" id="b" role="img" data-x="1" aria-label="x" hidden></sign-lamp>',
      ),
      [],
    ],
    [
      'text is made a number; what it cannot be made is refused',
      withLamp(
        '<p><sign-lamp tint="red" level="2" wide="true"></sign-lamp><sign-lamp tint={3} level={2} wide></sign-lamp></p>',
      ),
      ['error prop/type-clash app.tsx:4 tint'],
    ],
    [
      'attributes in dashed case',
      {
        'lamp.tsx': file(
          made('SignLamp', 'sign-lamp', '@Prop() lampTint!: string;', '<b>{this.lampTint}</b>'),
        ),
        'app.tsx': app('<sign-lamp lamp-tint="red"></sign-lamp>'),
      },
      [],
    ],
    [
      'read by nobody; shown as an attribute; read of an element that was found',
      {
        'lamp.tsx': file(
          made(
            'SignLamp',
            'sign-lamp',
            '@Prop() a = 1; @Prop({ reflect: true }) b = 1; @Prop() c = 1;',
            '<b></b>',
          ),
        ),
        'app.tsx': app(
          '<sign-lamp a={2} b={3} c={4}></sign-lamp>',
          "@Element() el!: any; look() { return this.el.querySelector('sign-lamp').c; }",
        ),
      },
      ['warning prop/unread lamp.tsx:3 a'],
    ],
    [
      'written, where it may be and where it may not',
      {
        'lamp.tsx': file(
          made(
            'SignLamp',
            'sign-lamp',
            '@Prop() a = 1; @Prop({ mutable: true }) b = 1; set() { this.a = 2; this.b = 2; }',
            '<b onClick={() => this.set()}>{this.a}{this.b}</b>',
          ),
        ),
        'app.tsx': app('<sign-lamp a={2} b={3}></sign-lamp>'),
      },
      ['error prop/overwritten lamp.tsx:3 this.a = 2', 'warning prop/overwritten lamp.tsx:3 this.b = 2'],
    ],
    [
      'what is watched must be there',
      { 'app.tsx': app('<b>{this.a}</b>', "@State() a = 1; @Watch('a') one() {} @Watch('b') two() {}") },
      ["error prop/orphan-alias app.tsx:3 'b'"],
    ],
  ]);
});

describe('events', () => {
  const bell = (event: string) =>
    file(
      made(
        'SignBell',
        'sign-bell',
        `${event} rung!: EventEmitter<number>; ring() { this.rung.emit(3); }`,
        '<button onClick={() => this.ring()}></button>',
      ),
    );
  const room = (attributes = '', settings = 'shadow: true', members = '') =>
    file(
      made(
        'SignRoom',
        'sign-room',
        members,
        `<section><sign-bell${attributes}></sign-bell></section>`,
        settings,
      ),
    );
  cases(/^event\//, [
    [
      'heard at the tag',
      {
        'bell.tsx': bell('@Event()'),
        'app.tsx': app(
          '<sign-bell onRung={this.note}></sign-bell>',
          'note = (event: CustomEvent<number>) => { this.n = event.detail; }; @State() n = 0;',
        ),
      },
      [],
    ],
    [
      'heard from further down, by a class and at an element',
      {
        'bell.tsx': bell('@Event()'),
        'room.tsx': room(),
        'app.tsx': app('<main><sign-room></sign-room></main>', "@Listen('rung') note() {}"),
      },
      [],
    ],
    [
      'heard at the tag of a component around',
      {
        'bell.tsx': bell('@Event()'),
        'room.tsx': room(),
        'app.tsx': app('<sign-room onRung={() => {}}></sign-room>'),
      },
      [],
    ],
    [
      'heard by a call',
      {
        'bell.tsx': bell('@Event()'),
        'app.tsx': app(
          '<sign-bell></sign-bell>',
          "@Element() el!: any; connectedCallback() { this.el.addEventListener('rung', () => {}); }",
        ),
      },
      [],
    ],
    [
      'heard by nobody',
      { 'bell.tsx': bell('@Event()'), 'app.tsx': app('<sign-bell></sign-bell>') },
      ['warning event/unheard bell.tsx:3 rung'],
    ],
    [
      'it does not rise',
      {
        'bell.tsx': bell('@Event({ bubbles: false })'),
        'room.tsx': room(),
        'app.tsx': app('<sign-room onRung={() => {}}></sign-room>'),
      },
      ['error event/broken-path app.tsx:4 onRung'],
    ],
    [
      'it does not get out of what is closed off',
      {
        'bell.tsx': bell('@Event({ composed: false })'),
        'room.tsx': room(),
        'app.tsx': app('<sign-room onRung={() => {}}></sign-room>'),
      },
      ['error event/broken-path app.tsx:4 onRung'],
    ],
    [
      'it does get out of what is open',
      {
        'bell.tsx': bell('@Event({ composed: false })'),
        'room.tsx': room('', 'shadow: false'),
        'app.tsx': app('<sign-room onRung={() => {}}></sign-room>'),
      },
      [],
    ],
    [
      'raised by nobody',
      {
        'bell.tsx': bell('@Event()'),
        'app.tsx': app('<sign-bell onRung={() => {}} onRnug={() => {}} onClick={() => {}}></sign-bell>'),
      },
      ['error event/unknown app.tsx:4 onRnug'],
    ],
    [
      'under another name, as the decorator says',
      {
        'bell.tsx': bell("@Event({ eventName: 'bellRung' })"),
        'app.tsx': app('<sign-bell onBellRung={() => {}}></sign-bell>'),
      },
      [],
    ],
    [
      'the listener takes another payload',
      {
        'bell.tsx': bell('@Event()'),
        'app.tsx': app(
          '<sign-bell onRung={this.note}></sign-bell>',
          "note = (event: CustomEvent<string>) => { this.n = event.detail; }; @State() n = '';",
        ),
      },
      ['error event/payload-clash app.tsx:4 this.note'],
    ],
    [
      'what is raised is of another type',
      {
        'bell.tsx': bell('@Event()').replace('emit(3)', "emit('x')"),
        'app.tsx': app('<sign-bell onRung={() => {}}></sign-bell>'),
      },
      ["error event/payload-clash bell.tsx:3 this.rung.emit('x')"],
    ],
    [
      'called at once instead of handed over',
      {
        'bell.tsx': bell('@Event()'),
        'app.tsx': app(
          '<sign-bell onRung={this.note()}></sign-bell>',
          'private note() { this.n = 1; } @State() n = 0;',
        ),
      },
      ['error event/called-early app.tsx:4 this.note()'],
    ],
  ]);
});

describe('slots, handles, state', () => {
  const frame = file(
    made(
      'SignFrame',
      'sign-frame',
      '@State() open = false; @Method() async show() { this.open = true; }',
      '<Host><slot name="head">x</slot><p hidden={!this.open}><slot></slot></p></Host>',
    ),
  );
  cases(/^(slot|ref|portal|component)\//, [
    [
      'filled by name, and without',
      { 'frame.tsx': frame, 'app.tsx': app('<sign-frame><b slot="head"></b>text</sign-frame>') },
      [],
    ],
    [
      'a slot that it lacks',
      { 'frame.tsx': frame, 'app.tsx': app('<sign-frame><b slot="haed"></b>text</sign-frame>') },
      ['error slot/unknown app.tsx:4 slot="haed"'],
    ],
    [
      'content for none',
      { 'lamp.tsx': LAMP, 'app.tsx': app('<sign-lamp tint="a">text</sign-lamp>') },
      ['error slot/no-outlet app.tsx:4 sign-lamp'],
    ],
    [
      'what an element has, a method, and what it lacks',
      {
        'frame.tsx': frame,
        'app.tsx': app(
          '<sign-frame ref={(el) => (this.frame = el)}>x</sign-frame>',
          'frame?: any; go() { this.frame?.show(); this.frame?.focus(); this.frame?.open; this.frame?.hide(); }',
        ),
      },
      ['error ref/unknown-member app.tsx:3 open', 'error ref/unknown-member app.tsx:3 hide'],
    ],
    [
      'read while drawing',
      { 'app.tsx': app('<p ref={(el) => (this.p = el!)}>{this.p.offsetWidth}</p>', 'p!: HTMLElement;') },
      ['error ref/early-read app.tsx:4 this.p.offsetWidth'],
    ],
    [
      'through what it keeps for itself',
      {
        'frame.tsx': frame,
        'app.tsx': app(
          '<sign-frame ref={(el) => (this.frame = el)}>x</sign-frame>',
          "frame?: any; go() { this.frame?.shadowRoot?.querySelector('p')?.remove(); }",
        ),
      },
      ['warning ref/reach-through app.tsx:3 this.frame?.shadowRoot?.querySelector'],
    ],
    [
      'functions that draw take what they are given',
      {
        'row.tsx': file(
          'interface RowProps { name: string; wide?: boolean }\nexport const Row: FunctionalComponent<RowProps> = ({ name, wide }, children) => <p class={{ wide }}>{name}{children}</p>;',
        ),
        'app.tsx': file(
          "import { Row } from './row';",
          made('SignApp', 'sign-app', '', '<Row name="a" wide>x</Row>'),
        ),
      },
      [],
    ],
  ]);
});
