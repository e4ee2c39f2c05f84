/** Elements of the project on plain pages, in their scripts, and in markup of other languages. */
import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { casesFor, type Sources } from './testing';

const LAMP = `import { Component, Event, EventEmitter, Method, Prop, h } from '@stencil/core';
@Component({ tag: 'sign-lamp', shadow: true })
export class SignLamp {
  @Prop() windSpeed = 0;
  @Prop() boards?: string[];
  @Prop() label!: string;
  @Event() lampLit!: EventEmitter<number>;
  @Method() async flash() {}
  light() { this.lampLit.emit(3); }
  render() { return <p onClick={() => this.light()}>{this.windSpeed}{this.boards?.length}{this.label}<slot name="head" /></p>; }
}`;
const cases = casesFor(
  {
    'lamp.tsx': LAMP,
    'package.json': '{ "name": "signs", "private": true, "devDependencies": { "@stencil/core": "^4.22.0" } }',
  },
  'index.html',
);
/** What these pages leave out is not what they are about. */
const ALL_BUT_UNUSED = /^(?!.*(never-passed|unfilled|constant|unheard|component\/unused))/;
const HEARD = `<script>document.querySelector('sign-lamp').addEventListener('lampLit', () => {});</script>`;
const whole = (page: string) => `<!doctype html><body>\n${page}\n</body>`;
const page = (markup: string) => whole(`${markup}\n${HEARD}`);

describe('tags of pages', () => {
  cases(ALL_BUT_UNUSED, [
    ['all is passed', page('<sign-lamp wind-speed="5" label="North"><b slot="head">x</b></sign-lamp>'), []],
    ['capitals are none to a page', page('<Sign-Lamp LABEL="x" Wind-Speed="5"></Sign-Lamp>'), []],
    ['text for a number', page('<sign-lamp label="x" wind-speed="high"></sign-lamp>'), []],
    [
      'text for a list',
      page('<sign-lamp label="x" wind-speed="1" boards="a,b"></sign-lamp>'),
      ['error prop/type-clash index.html:2 boards'],
    ],
    [
      'a required one is missing',
      page('<sign-lamp wind-speed="1"></sign-lamp>'),
      ['error prop/missing index.html:2 sign-lamp'],
    ],
    [
      'a near miss',
      page('<sign-lamp label="x" windspeed="1"></sign-lamp>'),
      ['error prop/unknown index.html:2 windspeed'],
    ],
    [
      'what styles, scripts and frameworks look for',
      page(
        '<sign-lamp label="x" wind-speed="1" theme="dark" class="a" hx-get="/a" x-data="{}" @click="a" hidden></sign-lamp>',
      ),
      [],
    ],
    [
      'slots that it lacks, and content that it does not place',
      page(
        '<sign-lamp label="x" wind-speed="1"><i slot="foot">x</i></sign-lamp><sign-lamp label="x">y</sign-lamp>',
      ),
      ['error slot/unknown index.html:2 slot="foot"', 'error slot/no-outlet index.html:2 sign-lamp'],
    ],
    [
      'a tag that closes itself closes nothing',
      page('<sign-lamp label="x" wind-speed="1" /><b>nested</b>'),
      ['error slot/no-outlet index.html:2 sign-lamp'],
    ],
    [
      'unclosed paragraphs end where the next begins',
      page('<sign-lamp label="a" wind-speed="1"><p slot="head">x<p slot="head">y</sign-lamp>'),
      [],
    ],
    [
      'elements of elsewhere',
      page('<sign-lamp label="x" wind-speed="1"></sign-lamp><other-lamp tint="x">y</other-lamp>'),
      [],
    ],
    [
      'silenced by a comment of the page',
      page(
        '<!-- zinc-rope-ignore prop/missing: a script of the station sets it -->\n<sign-lamp wind-speed="1"></sign-lamp>',
      ),
      ['silenced prop/missing index.html:3 sign-lamp'],
    ],
    [
      'names that begin like those of handlers',
      {
        'dial.tsx': `import { Component, Prop, h } from '@stencil/core';\n@Component({ tag: 'sign-dial' }) export class SignDial { @Prop() only!: string; @Prop() once!: boolean; render() { return <b>{this.only}{this.once}</b>; } }`,
        'index.html': page(
          '<sign-lamp label="x" wind-speed="1"></sign-lamp><sign-dial only="a" once onclick="go()"></sign-dial>',
        ),
        'App.jsx': `export const App = () => <sign-dial only="a" once onClick={() => 1} />;`,
      },
      [],
    ],
    [
      'tags in comments and scripts are text',
      page(
        '<!-- <sign-lamp> --><sign-lamp label="x" wind-speed="1"></sign-lamp><script type="text/plain"><sign-lamp></script>',
      ),
      [],
    ],
  ]);
});

describe('scripts of pages', () => {
  const scripted = (code: string, markup = '<sign-lamp id="a" label="x"></sign-lamp>') =>
    whole(`${markup}\n${HEARD}\n<script type="module">\n${code}\n</script>`);
  cases(ALL_BUT_UNUSED, [
    ['they pass', scripted(`document.getElementById('a').windSpeed = 3;`), []],
    [
      'what is required, too',
      scripted(
        `const lamp = document.querySelector('#a'); lamp.label = 'x'; lamp.windSpeed = 1;`,
        '<sign-lamp id="a"></sign-lamp>',
      ),
      [],
    ],
    [
      'what does not fit',
      scripted(`const lamp = document.querySelector('#a'); lamp.boards = [1]; lamp.windSpeed = 1;`),
      ['error prop/type-clash index.html:5 boards'],
    ],
    [
      'by all tags of a name',
      scripted(
        `document.querySelectorAll('sign-lamp').forEach((lamp) => { lamp.windSpeed = 1; lamp.lable = 'x'; });`,
        '<sign-lamp id="a"></sign-lamp>',
      ),
      ['error prop/unknown index.html:5 lable'],
    ],
    [
      'members of every element',
      scripted(
        `const a = document.querySelector('#a'); a.hidden = true; a.title = 'x'; a.onclick = () => {}; a.windSpeed = 1;`,
      ),
      [],
    ],
    [
      'listeners and methods',
      scripted(
        `const lamp = document.querySelector('#a'); lamp.windSpeed = 1;\nlamp.addEventListener('lampLitt', () => lamp.flash());\nlamp.addEventListener('click', () => lamp.flsh());`,
      ),
      ["error event/unknown index.html:6 'lampLitt'", 'error ref/unknown-member index.html:7 flsh'],
    ],
    [
      'attributes that code sets',
      scripted(
        `document.querySelector('#a').setAttribute('wind-speed', '3');`,
        '<sign-lamp id="a" label="x"></sign-lamp>',
      ),
      [],
    ],
    [
      'whoever is found in a way that is not followed may be given anything',
      scripted(
        `const lamp = document.body.children[0].closest('main sign-lamp'); lamp.label = 'x';`,
        '<sign-lamp></sign-lamp>',
      ),
      [],
    ],
    [
      'a script in a file of its own, which does nothing about it',
      {
        'index.html': whole(`<sign-lamp></sign-lamp>\n${HEARD}\n<script src="./start.js"></script>`),
        'start.js': 'console.log(3);',
      },
      ['error prop/missing index.html:2 sign-lamp'],
    ],
    [
      'one that uses other files, whatever these do',
      {
        'index.html': whole(
          `<sign-lamp></sign-lamp>\n${HEARD}\n<script type="module" src="./start.js"></script>`,
        ),
        'start.js': "import { light } from './light.js';\nlight();",
        'light.js': "export const light = () => { document.querySelector('sign-lamp').label = 'a'; };",
      },
      [],
    ],
    [
      'so may all where a script of elsewhere in the project runs',
      whole(`<sign-lamp></sign-lamp>\n${HEARD}\n<script src="./start.js"></script>`),
      [],
    ],
    [
      'the built elements themselves give nothing',
      whole(
        `<sign-lamp wind-speed="1"></sign-lamp>\n${HEARD}\n<script type="module" src="/build/signs.esm.js"></script>`,
      ),
      ['error prop/missing index.html:2 sign-lamp'],
    ],
    [
      'so it may where it is a member of something',
      scripted(`document.body.firstElementChild.label = 'x';`, '<sign-lamp></sign-lamp>'),
      [],
    ],
    ['a script that is broken may give anything', scripted('const = ;', '<sign-lamp></sign-lamp>'), []],
  ]);
  cases(/^event\/unheard/, [
    [
      'nobody listens',
      whole('<sign-lamp label="x" wind-speed="1"></sign-lamp>'),
      ['warning event/unheard lamp.tsx:7 lampLit'],
    ],
    [
      'a script beside the page listens',
      {
        'index.html': whole('<sign-lamp label="x"></sign-lamp>'),
        'start.ts': `document.body.addEventListener('lampLit', () => {});`,
      },
      [],
    ],
  ]);
});

describe('markup of other languages', () => {
  const vue = (tag: string): Sources => ({
    'App.vue': `<script setup>import { ref } from 'vue'; const n = ref(1); const note = (event) => { n.value = event.detail; };</script>\n<template><div>{{ n }}${tag}</div></template>`,
  });
  const svelte = (tag: string): Sources => ({
    'App.svelte': `<script>let n = $state(1); const note = (event) => { n = event.detail; };</script>\n<div>{n}${tag}</div>`,
  });
  const react = (tag: string): Sources => ({
    'App.jsx': `import { useState } from 'react';\nexport function App() { const [n, setN] = useState(1); const note = (event) => setN(event.detail); return <div>{n}${tag}</div>; }`,
  });
  const angular = (tag: string): Sources => ({
    'app.ts': `import { Component, CUSTOM_ELEMENTS_SCHEMA } from '@angular/core';\n@Component({ selector: 'line-app', schemas: [CUSTOM_ELEMENTS_SCHEMA], template: \`<div>{{ n }}${tag}</div>\` }) export class App { n = 1; note(event: CustomEvent) { this.n = event.detail; } }`,
  });
  const slot = '<b slot="head">x</b></sign-lamp>';
  cases(ALL_BUT_UNUSED, [
    [
      'Vue',
      vue(`<sign-lamp :wind-speed="n" :boards.prop="['a']" label="x" class="a" @lampLit="note">${slot}`),
      [],
    ],
    [
      'Svelte',
      svelte(`<sign-lamp windSpeed={n} boards={['a']} label="x" class:a={n} onlampLit={note}>${slot}`),
      [],
    ],
    [
      'React',
      react(
        `<sign-lamp windSpeed={n} boards={['a']} label="x" className="a" key="k" onlampLit={note}>${slot}`,
      ),
      [],
    ],
    [
      'Angular',
      angular(
        `<sign-lamp [windSpeed]="n" [boards]="['a']" label="x" [class.a]="n" (lampLit)="note($event)">${slot}`,
      ),
      [],
    ],
    [
      'Vue: faults',
      vue(
        `<sign-lamp :wind-speed="n" :boards="[1]" lable="x" @lamp-lit="note" @lampLitt="note"></sign-lamp>`,
      ),
      [
        'error prop/type-clash App.vue:2 boards',
        'error prop/unknown App.vue:2 lable',
        'error event/unknown App.vue:2 lampLitt',
      ],
    ],
    [
      'Svelte: faults',
      svelte(
        `<sign-lamp windSpeed={n} boards={[1]} lable="x" onlampLitt={note} onlampLit={note}></sign-lamp>`,
      ),
      [
        'error prop/type-clash App.svelte:2 boards',
        'error prop/unknown App.svelte:2 lable',
        'error event/unknown App.svelte:2 lampLitt',
      ],
    ],
    [
      'React: faults',
      react(
        `<sign-lamp windSpeed={n} boards={[1]} lable="x" onlampLitt={note} onlampLit={note}><i slot="foot" /></sign-lamp>`,
      ),
      [
        'error prop/type-clash App.jsx:2 boards',
        'error prop/unknown App.jsx:2 lable',
        'error event/unknown App.jsx:2 lampLitt',
        'error slot/unknown App.jsx:2 slot="foot"',
      ],
    ],
    [
      'Angular: faults',
      angular(
        `<sign-lamp [windSpeed]="n" [boards]="[1]" lable="x" (lampLitt)="note($event)" (lampLit)="note($event)"></sign-lamp>`,
      ),
      [
        'error prop/type-clash app.ts:2 boards',
        'error prop/unknown app.ts:2 lable',
        'error event/unknown app.ts:2 lampLitt',
      ],
    ],
  ]);
});

describe('what is meant is told as it is written there', () => {
  const editOf = (sources: Sources) =>
    auditSources({ 'lamp.tsx': LAMP, ...sources }).result.findings.find((one) => one.edit)?.edit?.text;
  const tsx = (tag: string) =>
    `import { Component, h } from '@stencil/core';\n@Component({ tag: 'sign-app' }) export class SignApp { render() { return ${tag}; } }`;
  test.each([
    ['on a page', { 'index.html': '<sign-lamp windspeed="1"></sign-lamp>' }, 'wind-speed'],
    ['a listener of a class', { 'app.tsx': tsx('<sign-lamp onLampLitt={() => 1} />') }, 'onLampLit'],
    ['a prop of a class', { 'app.tsx': tsx('<sign-lamp windSped={1} />') }, 'windSpeed'],
    [
      'a listener in code',
      { 'App.jsx': 'export const App = () => <sign-lamp onlampLitt={() => 1} />;' },
      'lampLit',
    ],
  ])('%s', (_, sources, text) => {
    expect(editOf(sources as unknown as Sources)).toBe(text);
  });
});
