/** A value that is handed from function to function before one keeps it, in whatever order they are written. */
import { idioms } from './reaching';

const ORDERS: [string, (go: string, mid: string, show: string) => string][] = [
  ['the caller first', (go, mid, show) => `${go} ${mid} ${show}`],
  ['the caller last', (go, mid, show) => `${show} ${mid} ${go}`],
];

type Files = Record<string, string>;
const LANGUAGES: [
  string,
  from: string,
  (order: (go: string, mid: string, show: string) => string) => Files,
][] = [
  [
    'functions of React',
    'App:state',
    (order) => ({
      'App.tsx': `import { useState } from 'react'; export function App() { const [seed, setSeed] = useState('a'); const [last, setLast] = useState(''); ${order('function go() { mid(seed); }', 'function mid(y) { show(y); }', 'function show(x) { setLast(x); }')} return <i onClick={go} onKeyUp={() => setSeed('b')}>{last}</i>; }`,
    }),
  ],
  [
    'members of a class of React',
    'App:state',
    (order) => ({
      'App.tsx': `import React from 'react'; export class App extends React.Component { state = { seed: 'a', last: '' }; ${order('go = () => { this.mid(this.state.seed); };', 'mid(y) { this.show(y); }', 'show = (x) => { this.setState({ last: x }); };')} turn = () => { this.setState({ seed: 'b' }); }; render() { return <i onClick={this.go} onKeyUp={this.turn}>{this.state.last}</i>; } }`,
    }),
  ],
  [
    'methods of Vue’s options',
    'App:state',
    (order) => ({
      'App.vue': `<script>export default { data() { return { seed: 'a', last: '' }; }, methods: { ${order('go() { this.mid(this.seed); },', 'mid(y) { this.show(y); },', 'show(x) { this.last = x; },')} turn() { this.seed = 'b'; } } }</script><template><i @click="go" @keyup="turn">{{ last }}</i></template>`,
    }),
  ],
  [
    'functions of Vue',
    'App:state',
    (order) => ({
      'App.vue': `<script setup>import { ref } from 'vue'; const seed = ref('a'); const last = ref(''); ${order('const go = () => { mid(seed.value); };', 'const mid = (y) => { show(y); };', 'const show = (x) => { last.value = x; };')} function turn() { seed.value = 'b'; }</script><template><i @click="go" @keyup="turn">{{ last }}</i></template>`,
    }),
  ],
  [
    'functions of Svelte',
    'App:state',
    (order) => ({
      'App.svelte': `<script>let seed = $state('a'); let last = $state(''); ${order('function go() { mid(seed); }', 'function mid(y) { show(y); }', 'function show(x) { last = x; }')} function turn() { seed = 'b'; }</script><i onclick={go} onkeyup={turn}>{last}</i>`,
    }),
  ],
  [
    'methods of Angular',
    'App:state',
    (order) => ({
      'app.ts': `import { Component } from '@angular/core'; @Component({ selector: 'app-root', template: '<b (click)="go()">{{ last }}</b><i (click)="turn()"></i>' }) export class App { seed = 'a'; last = ''; turn() { this.seed = 'b'; } ${order('go() { this.mid(this.seed); }', 'mid(y: string) { this.show(y); }', 'show(x: string) { this.last = x; }')} }`,
    }),
  ],
  [
    'methods of Stencil',
    'SignApp:state',
    (order) => ({
      'app.tsx': `import { Component, State, h } from '@stencil/core'; @Component({ tag: 'sign-app' }) export class SignApp { @State() seed = 'a'; @State() last = ''; ${order('go() { this.mid(this.seed); }', 'mid(y) { this.show(y); }', 'show(x) { this.last = x; }')} turn() { this.seed = 'b'; } render() { return <i onClick={() => this.go()} onKeyUp={() => this.turn()}>{this.last}</i>; } }`,
    }),
  ],
  [
    'methods of Razor',
    'App:state',
    (order) => ({
      'App.razor': `<i @onclick="Go" @onkeyup="Turn">@last</i>\n@code { string seed = "a"; string last = ""; ${order('void Go() { Mid(seed); }', 'void Mid(string y) { Show(y); }', 'void Show(string x) { last = x; }')} void Turn() { seed = "b"; } }`,
    }),
  ],
];

idioms(
  LANGUAGES.flatMap(([language, of, files]) =>
    ORDERS.map(([order, write]) => ({
      what: `${language}, ${order}`,
      sources: files(write),
      from: `${of}:seed`,
      to: [`${of}:last`],
    })),
  ),
);
