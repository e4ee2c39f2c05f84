/** Ways in which values move through web components in decorated classes. */
import { type Idiom, idioms } from './reaching';

const HEAD = `import { Component, Prop, State, Event, EventEmitter, Listen, Method, Watch, Element, h, Host } from '@stencil/core';\n`;
const app = (parts: string, page = '<q-app seed="a"></q-app>') => ({
  'app.tsx':
    HEAD +
    `@Component({ tag: 'q-leaf' }) export class Leaf { @Prop() x: any; render() { return <b>{this.x}</b>; } }
@Component({ tag: 'q-btn' }) export class Btn { @Prop() v: any; @Event() save: EventEmitter<any>; render() { return <b onClick={() => this.save.emit(this.v)} />; } }
` +
    parts,
  'index.html': `<html><body>${page}</body></html>`,
});

/** An element that shows what it is given, and one that hands up what it keeps, on a page of their own. */
const paged = (markup: string, code: string) => app('', `${markup}<script>${code}</script>`);

const LIST: Idiom[] = [
  {
    what: 'a script of a page hears one element and passes to another',
    sources: paged(
      '<q-btn></q-btn><q-leaf></q-leaf>',
      `const leaf = document.querySelector('q-leaf'); document.querySelector('q-btn').addEventListener('save', (e) => { leaf.x = e.detail; });`,
    ),
    from: 'Btn:event:save',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'a script of a page keeps it in between',
    sources: paged(
      '<q-btn id="b"></q-btn><q-leaf></q-leaf>',
      `let kept = ''; const show = () => document.querySelector('q-leaf').setAttribute('x', kept); document.getElementById('b').addEventListener('save', (e) => { kept = e.detail; show(); });`,
    ),
    from: 'Btn:event:save',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'only the element that is found gets it',
    sources: paged(
      '<q-btn></q-btn><q-leaf></q-leaf><q-other></q-other>',
      `document.querySelector('q-btn').addEventListener('save', (e) => { document.querySelector('q-other').x = e.detail; });`,
    ),
    from: 'Btn:event:save',
    to: [],
    not: ['Leaf:prop:x'],
  },
  {
    what: 'listener to state',
    sources: app(
      `@Component({ tag: 'q-app' }) export class App { @Prop() seed: string; @State() kept = ''; put = (e: CustomEvent) => { this.kept = e.detail; }; render() { return <Host><q-btn v={this.seed} onSave={this.put} /><q-leaf x={this.kept} /></Host>; } }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'inline listener',
    sources: app(
      `@Component({ tag: 'q-app' }) export class App { @Prop() seed: string; @State() kept = ''; render() { return <Host><q-btn v={this.seed} onSave={(e) => (this.kept = e.detail)} /><q-leaf x={this.kept} /></Host>; } }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: '@Listen',
    sources: app(
      `@Component({ tag: 'q-app' }) export class App { @Prop() seed: string; @State() kept = ''; @Listen('save') got(e: CustomEvent) { this.kept = e.detail; } render() { return <Host><q-btn v={this.seed} /><q-leaf x={this.kept} /></Host>; } }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: '@Watch',
    sources: app(
      `@Component({ tag: 'q-app' }) export class App { @Prop() seed: string; @State() kept = ''; @Watch('seed') changed(v: string) { this.kept = v; } render() { return <q-leaf x={this.kept} />; } }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'willLoad',
    sources: app(
      `@Component({ tag: 'q-app' }) export class App { @Prop() seed: string; @State() kept = ''; componentWillLoad() { this.kept = this.seed + '!'; } render() { return <q-leaf x={this.kept} />; } }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'method by ref',
    sources:
      app(`@Component({ tag: 'q-dlg' }) export class Dlg { @State() t: any; @Method() async open(v: any) { this.t = v; } render() { return <q-leaf x={this.t} />; } }
@Component({ tag: 'q-app' }) export class App { @Prop() seed: string; dlg: HTMLQDlgElement; render() { return <Host><q-dlg ref={(el) => (this.dlg = el)} /><b onClick={() => this.dlg.open(this.seed)} /></Host>; } }`),
    from: 'App:prop:seed',
    to: ['Dlg:state:t', 'Leaf:prop:x'],
  },
  {
    what: 'getter',
    sources: app(
      `@Component({ tag: 'q-app' }) export class App { @Prop() seed: string; get up() { return this.seed + '!'; } render() { return <q-leaf x={this.up} />; } }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'list',
    sources: app(
      `@Component({ tag: 'q-app' }) export class App { @Prop() seed: string[]; render() { return this.seed.map((s) => <q-leaf x={s} />); } }`,
      '<q-app></q-app>',
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'functional',
    sources: app(
      `const Row = ({ v }) => <q-leaf x={v} />; @Component({ tag: 'q-app' }) export class App { @Prop() seed: string; render() { return <Row v={this.seed} />; } }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'spread list state',
    sources: app(
      `@Component({ tag: 'q-app' }) export class App { @Prop() seed: string; @State() kept: any[] = []; put(v) { this.kept = [...this.kept, v]; } render() { return <Host><q-btn v={this.seed} onSave={(e) => this.put(e.detail)} /><q-leaf x={this.kept} /></Host>; } }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
];

idioms(LIST);
