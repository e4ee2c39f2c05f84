/** Elements whose class is the page's own: what they observe, take, raise, offer and place. */
import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { cases } from './testing';

const LAMP = `export class SignalLamp extends HTMLElement {
  static observedAttributes = ['wind-speed', 'mode'];
  #lit = false;
  connectedCallback() { this.draw(); }
  attributeChangedCallback(name, before, value) { this.draw(value); }
  set reading(value) { this.#lit = value > 3; }
  get reading() { return this.#lit; }
  draw() { this.textContent = this.getAttribute('mode') + this.#lit; }
  blink(times) { this.dispatchEvent(new CustomEvent('lampLit', { detail: times, bubbles: true })); }
}
customElements.define('signal-lamp', SignalLamp);
`;
const page = (body: string, script = '') => ({
  'lamp.js': LAMP,
  'index.html': `<!doctype html><html><body>
${body}
<script type="module">
import './lamp.js';
${script}
</script></body></html>`,
});

describe('on a page', () => {
  cases(/^(prop|event|ref|slot|component)\//, [
    [
      'attributes and properties that it has, a listener and a method',
      page(
        '<signal-lamp wind-speed="3" mode="dusk"></signal-lamp>',
        `const lamp = document.querySelector('signal-lamp');
lamp.reading = 4;
lamp.addEventListener('lampLit', (event) => { console.log(event.detail); });
lamp.blink(3);`,
      ),
      [],
    ],
    [
      'an attribute that is nearly one of its own',
      page('<signal-lamp wind-sped="3" mode="a"></signal-lamp>'),
      ['error prop/unknown index.html:2 wind-sped'],
    ],
    [
      'a listener for an event that it never raises',
      page(
        '<signal-lamp wind-speed="3" mode="dusk"></signal-lamp>',
        `document.querySelector('signal-lamp').addEventListener('lampLitt', () => {});`,
      ),
      ["error event/unknown index.html:5 'lampLitt'"],
    ],
  ]);
});

const WALL = `import './lamp.js';
class SignWall extends HTMLElement {
  static get observedAttributes() { return ['title', 'wind']; }
  constructor() { super(); this.attachShadow({ mode: 'open' }); this.addEventListener('lampLit', this.onLit.bind(this)); }
  onLit(event) { this.dispatchEvent(new CustomEvent('wallLit', { detail: event.detail, bubbles: true, composed: true })); }
  attributeChangedCallback() {
    this.shadowRoot.innerHTML = \`<h1>\${this.getAttribute('title')}</h1>
<slot name="head"></slot><slot></slot>
<signal-lamp wind-speed="\${this.getAttribute('wind')}" mode="dusk"></signal-lamp>\`;
  }
}
window.customElements.define('sign-wall', SignWall);
`;
const onWall = (body: string, wall = WALL) => ({ ...page(body), 'wall.js': wall });

describe('markup that an element writes', () => {
  cases(/^(slot|prop|event|component)\/(?!never)/, [
    [
      'slots that it places, and one that it does not; the listener above hears it',
      onWall(
        `<sign-wall title="North" wind="3"><b slot="head">a</b><i slot="foot">b</i>text</sign-wall>
<script>document.querySelector('sign-wall').addEventListener('wallLit', () => {});</script>`,
      ),
      ['error slot/unknown index.html:2 slot="foot"'],
    ],
    [
      'a tag in it that hands over what the element in it does not take',
      onWall('<sign-wall title="a" wind="3"></sign-wall>', WALL.replace('wind-speed="', 'windspeed="')),
      ['error prop/unknown wall.js:9 windspeed'],
    ],
    [
      'closed off, without a slot, what is nested is never seen',
      onWall(
        '<sign-wall title="a" wind="3">text</sign-wall>',
        WALL.replace('<slot name="head"></slot><slot></slot>', ''),
      ),
      ['error slot/no-outlet index.html:2 sign-wall'],
    ],
    [
      'what is not closed off shows what is nested in it',
      { ...page('<signal-lamp wind-speed="1" mode="a">text</signal-lamp>') },
      [],
    ],
  ]);

  test('strands run from the page through the element into the one in its markup, and events back', () => {
    const sources = onWall('<sign-wall id="wall" title="a" wind="3"></sign-wall>');
    const ends = (lamp: string, ref: string) => {
      const trace = auditSources({ ...sources, 'lamp.js': lamp }).trace(ref);
      return 'similar' in trace ? trace.similar : trace.hops.map((one) => one.ref);
    };
    expect(ends(LAMP, 'SignWall:prop:wind')).toEqual(
      expect.arrayContaining(['SignWall:prop:wind', 'SignalLamp:prop:windSpeed']),
    );
    // What is raised inside of an element that closes itself off stays there, unless it says otherwise.
    expect(ends(LAMP, 'SignalLamp:event:lampLit')).toEqual(['SignalLamp:event:lampLit']);
    const composed = LAMP.replace('bubbles: true', 'bubbles: true, composed: true');
    expect(ends(composed, 'SignalLamp:event:lampLit')).toEqual(
      expect.arrayContaining(['SignalLamp:event:lampLit', 'SignWall:event:wallLit']),
    );
  });
});

describe('in markup of other languages', () => {
  cases(/^(prop|event)\/(?!never)/, [
    [
      'a tag with a near miss, and a property that it has',
      {
        'lamp.js': LAMP,
        'App.vue': `<script setup>
import './lamp.js';
</script>
<template><signal-lamp wind-sped="3" mode="a" :reading="4" @lampLit="() => {}" /></template>`,
      },
      ['error prop/unknown App.vue:4 wind-sped'],
    ],
    [
      'the same in a component of functions',
      {
        'lamp.js': LAMP,
        'App.tsx': `import './lamp.js';
export function App() { return <signal-lamp wind-sped="3" mode="a" />; }`,
      },
      ['error prop/unknown App.tsx:2 wind-sped'],
    ],
  ]);
});

describe('scripts of a page in files of their own', () => {
  const apart = (script: string, more: Record<string, string> = {}) => ({
    'lamp.js': LAMP,
    'pages/index.html': `<!doctype html><body><signal-lamp mode="a" wind-speed="3"></signal-lamp>
<script type="module" src="../lamp.js"></script><script src="../scripts/page.js?v=3"></script></body>`,
    'scripts/page.js': script,
    ...more,
  });
  cases(/^(prop|event|ref)\/(?!never)/, [
    [
      'what they do with elements is told in their own lines',
      apart(`const lamp = document.querySelector('signal-lamp');
lamp.readin = 4;
lamp.addEventListener('lampLitt', () => {});
// zinc-rope-ignore event/unknown: an older one
lamp.addEventListener('lampLi', () => {});`),
      [
        'error prop/unknown scripts/page.js:2 readin',
        "error event/unknown scripts/page.js:3 'lampLitt'",
        "silenced event/unknown scripts/page.js:5 'lampLi'",
      ],
    ],
    ['one that is broken does nothing that is known', { ...apart('const = 3'), 'lamp.js': LAMP }, []],
  ]);

  test('a strand leads from the script through the page to the element', () => {
    const trace = auditSources(
      apart(`let wind = 3;
const lamp = document.querySelector('signal-lamp');
setInterval(() => { wind = wind + 1; lamp.reading = wind; }, 1000);`),
    ).trace('SignalLamp:prop:reading');
    expect('origins' in trace && trace.hops.map((one) => one.name)).toContain('wind');
  });
});

describe('what is not known is not judged', () => {
  test.each<[string, string]>([
    ['observed by other code', LAMP.replace("['wind-speed', 'mode']", 'observedBy(SignalLamp)')],
    [
      'a base from a package',
      LAMP.replace('extends HTMLElement', 'extends Base').replace(
        'export',
        "import { Base } from 'lamps'; class Own extends HTMLElement {}\nexport",
      ),
    ],
    [
      'events of any name',
      LAMP.replace("new CustomEvent('lampLit', { detail: times, bubbles: true })", 'make(times)'),
    ],
  ])('%s', (_, lamp) => {
    const sources = page(
      '<signal-lamp wind-sped="3"></signal-lamp>',
      `document.querySelector('signal-lamp').addEventListener('lampLitt', () => {});`,
    );
    const { findings } = auditSources({ ...sources, 'lamp.js': lamp }).result;
    const rules = findings.map((one) => one.rule);
    if (lamp.includes('make(times)')) expect(rules).not.toContain('event/unknown');
    else expect(rules).not.toContain('prop/unknown');
  });

  test('a class that is defined where it is written, and one that only others extend', () => {
    const { project, findings } = auditSources({
      'lamp.js': `class Base extends HTMLElement { static observedAttributes = ['wind']; attributeChangedCallback() {} }
customElements.define('bare-lamp', class extends Base { connectedCallback() { this.textContent = this.getAttribute('mode'); } });`,
      'index.html': `<!doctype html><body><bare-lamp wind="3" mode="a"></bare-lamp><script src="./lamp.js"></script></body>`,
    }).result;
    expect(project.components.map((one) => one.name)).toContain('BareLamp');
    expect(findings.filter((one) => one.level === 'error')).toEqual([]);
    expect(project.sites).toHaveLength(1);
  });
});
