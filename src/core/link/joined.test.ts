import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { accountOf } from './joined';

type Sources = Record<string, string>;

/** Call sites as `Owner > Target`, with what else is said of them; and what is not joined, with the reason. */
function joins(sources: Sources): { sites: string[]; unjoined: string[] } {
  const { project } = auditSources(sources).result;
  const name = (id: number) => project.components[id]!.name;
  const sites = project.sites.map(({ owner, target, wrapper, open, spare }) => {
    const marks = [wrapper?.open && 'wrapped', open && 'open', spare && 'default'].filter(Boolean);
    return `${name(owner)} > ${name(target)}${marks.length ? ` (${marks.join(', ')})` : ''}`;
  });
  const { unjoined } = accountOf(project);
  return {
    sites: sites.sort(),
    unjoined: unjoined.map((one) => `${one.kind} ${one.name}: ${one.why}`).sort(),
  };
}

function table(cases: [shows: string, sources: Sources, sites: string[], unjoined?: string[]][]): void {
  test.each(cases)('%s', (_shows, sources, sites, unjoined = []) => {
    expect(joins(sources)).toEqual({ sites: [...sites].sort(), unjoined: [...unjoined].sort() });
  });
}

const PARTS = `export function Frame({ children }) { return <div>{children}</div>; }
export function Lamp({ lit }) { return <i>{lit}</i>; }
export function Gate({ open }) { return <b>{open}</b>; }`;
const app = (imports: string, code: string, body: string) =>
  `${imports}\n${code}\nexport function App(props) { const { kind, list } = props; ${body} }`;
/** An app beside the parts. */
const withParts = (code: string, body: string, more: Sources = {}): Sources => ({
  'parts.tsx': PARTS,
  'App.tsx': app(`import { Frame, Lamp, Gate } from './parts';`, code, body),
  ...more,
});

describe('a component with its parts', () => {
  const board = (make: string) => ({
    'board.tsx': `import { Frame, Lamp, Gate } from './parts';\n${make}`,
    'index.ts': `export * from './nothing';\nexport * from './board';`,
    'nothing.ts': '',
    'parts.tsx': PARTS,
    'App.tsx': app(
      `import { Board } from './index';`,
      '',
      'return <Board><Board.Lamp /><Board.Gate /></Board>;',
    ),
  });
  const all = ['App > Frame', 'App > Gate', 'App > Lamp'];
  table([
    [
      'made by Object.assign, behind a barrel',
      board('export const Board = Object.assign(Frame, { Lamp, Gate });'),
      all,
    ],
    [
      'of what a call makes of a component',
      board(
        `import { dressed } from 'elsewhere';\nexport const Board = Object.assign(dressed(Frame, 'Board'), { Lamp, Gate });`,
      ),
      ['App > Frame (wrapped)', 'App > Gate', 'App > Lamp'],
    ],
    [
      'parts that are written where they are put',
      board(
        `const Board = Frame;\nBoard.Lamp = function ({ lit }) { return <i>{lit}</i>; };\nBoard.Gate = ({ open }) => <b>{open}</b>;\nexport { Board };`,
      ),
      all,
    ],
    [
      'exported under another name',
      board('const B = Object.assign(Frame, { Lamp, Gate });\nexport { B as Board };'),
      all,
    ],
    [
      'functions that give what is drawn elsewhere',
      board(`const draw = (one) => ({ children: one });
export function Board({ children }) { return <Frame>{children}</Frame>; }
Board.Lamp = ({ lit }) => draw(lit).children;
Board.Gate = () => draw(1).children;`),
      ['App > Board', 'App > Gate', 'App > Lamp', 'Board > Frame'],
    ],
    [
      'functions that draw nothing',
      board(`export function Board({ children }) { return <Frame>{children}</Frame>; }
Board.Lamp = Lamp;
Board.Gate = (name) => name + 1;`),
      ['App > Board', 'App > Lamp', 'Board > Frame'],
      ['tag Board.Gate: member'],
    ],
    [
      'statics on an alias',
      board('const Board = Frame;\nBoard.Lamp = Lamp;\nBoard.Gate = Gate;\nexport { Board };'),
      all,
    ],
    [
      'statics on what is imported',
      {
        ...board(''),
        'board.tsx': `import { Frame, Lamp, Gate } from './parts';\nFrame.Lamp = Lamp;\nFrame.Gate = Gate;\nexport { Frame as Board };`,
      },
      all,
    ],
    [
      'an object of components',
      board('export const Board = { Lamp, Gate };'),
      ['App > Gate', 'App > Lamp'],
      ['tag Board: value'],
    ],
    [
      'parts of parts',
      {
        ...board(''),
        'board.tsx': `import { Frame, Lamp, Gate } from './parts';\nLamp.Gate = Gate;\nexport const Board = Object.assign(Frame, { Lamp });`,
        'App.tsx': app(
          `import { Board } from './index';`,
          '',
          'return <Board.Lamp><Board.Lamp.Gate /></Board.Lamp>;',
        ),
      },
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'a part that nobody gives',
      {
        ...board('export const Board = Object.assign(Frame, { Lamp });'),
        'App.tsx': app(
          `import { Board } from './index';`,
          '',
          'return <Board.Lamp><Board.Door /></Board.Lamp>;',
        ),
      },
      ['App > Lamp'],
      ['tag Board.Door: member'],
    ],
  ]);
});

describe('what makes a component of another', () => {
  const wrapped = ['App > Lamp (wrapped)'];
  table([
    [
      'in the body of a component: around what is memoised, by what it was handed, twice',
      withParts(
        `import { useMemo, memo } from 'react';\nimport { drag, observer } from 'kit';`,
        `const Fast = useMemo(() => kind.drop('lamp')(drag('lamp')(Lamp)), []); const Slow = memo(Gate);
         const Seen = observer(Frame); return <><Fast /><Slow /><Seen /></>;`,
      ),
      ['App > Frame', 'App > Gate', 'App > Lamp'],
    ],
    [
      'in the body of a component, beside one that the module keeps in a table',
      withParts(
        `import { observer } from 'kit';\nconst TAGS = { gate: Gate };`,
        'const Tag = kind ? TAGS.gate : observer(Lamp); return <Tag />;',
      ),
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'what only uses a component makes none of it',
      withParts('', 'const Tag = list.map(Lamp); const Held = kind.has(Gate); return <><Tag /><Held /></>;'),
      [],
      ['tag Held: chosen', 'tag Tag: chosen'],
    ],
    [
      'what a parameter gives back is not what the function around it gives back',
      withParts(
        '',
        'const draw = (make) => { const Tag = make(() => null); return kind ? <Lamp /> : <Tag />; }; return list.map(draw);',
      ),
      ['App > Lamp'],
      ['tag Tag: chosen'],
    ],
    [
      'a class that a function of ours gives back, around what is not ours',
      withParts(
        `import { Component } from 'react';\nimport { sided } from 'kit';
const made = (Inner) => class Around extends Component { render() { return <><Lamp lit={this.props.lit} /><Inner /></>; } };
const Nothing = () => null;
const Side = sided(1)(Nothing);
const Mast = made(Side);`,
        'return <Mast lit />;',
      ),
      ['App > Around', 'Around > Lamp'],
    ],
    [
      'a function of a package',
      withParts(`import { observer } from 'kit';\nconst Fast = observer(Lamp);`, 'return <Fast />;'),
      wrapped,
    ],
    [
      'one that is made first',
      withParts(`import { connect } from 'kit';\nconst Fast = connect((s) => s)(Lamp);`, 'return <Fast />;'),
      wrapped,
    ],
    [
      'a tagged template',
      withParts("import styled from 'kit';\nconst Fast = styled(Lamp)`color: red`;", 'return <Fast />;'),
      wrapped,
    ],
    [
      'several of them',
      withParts(`import { a, b } from 'kit';\nconst Fast = a({})(b(Lamp));`, 'return <Fast />;'),
      wrapped,
    ],
    [
      'loaded when it is needed',
      withParts(
        `import { load } from 'kit';\nconst Fast = load(() => import('./late'));`,
        'return <Fast />;',
        { 'late.tsx': `export default function Late() { return <u />; }` },
      ),
      ['App > Late (wrapped)'],
    ],
    [
      'an element of the page, styled',
      withParts("import styled from 'kit';\nconst Box = styled.div`color: red`;", 'return <Box />;'),
      [],
    ],
    [
      'a component of a package, under a name of the file',
      withParts(`import { Card } from 'kit';\nconst Own = Card;`, 'return <Own />;'),
      [],
    ],
    [
      'a member of what a package makes',
      withParts(`import { pair } from 'kit';\nconst { Slot } = pair('x');`, 'return <Slot />;'),
      [],
    ],
  ]);
});

describe('tags that are chosen', () => {
  table([
    [
      'by a condition',
      withParts('', 'const Tag = kind ? Lamp : Gate; return <Tag />;'),
      ['App > Gate', 'App > Lamp'],
    ],
    ['with a fallback', withParts('', 'const Tag = kind.tag || Lamp; return <Tag />;'), ['App > Lamp']],
    ['by ??, in a member', withParts('', 'const Tag = kind.tag ?? Lamp; return <Tag />;'), ['App > Lamp']],
    [
      'as a default',
      withParts('', 'const { tag: Tag = Lamp } = kind; return <Tag />;'),
      ['App > Lamp (default)'],
    ],
    [
      'from a table by a key',
      withParts('const TAGS = { lamp: Lamp, gate: Gate };', 'const Tag = TAGS[kind]; return <Tag />;'),
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'from a frozen one',
      withParts('const TAGS = Object.freeze({ lamp: Lamp });', 'const Tag = TAGS[kind]; return <Tag />;'),
      ['App > Lamp'],
    ],
    [
      'from a Map',
      withParts(`const TAGS = new Map([['lamp', Lamp]]);`, 'const Tag = TAGS.get(kind); return <Tag />;'),
      ['App > Lamp'],
    ],
    [
      'from a table of another file',
      withParts(`import { TAGS } from './tags';`, 'const Tag = TAGS[kind]; return <Tag />;', {
        'tags.ts': `import { Lamp, Gate } from './parts';\nexport const TAGS = { lamp: Lamp, gate: Gate };`,
      }),
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'a member of an entry of a table of another file',
      withParts(`import { TAGS } from './tags';`, 'const { tag: Tag } = TAGS[kind]; return <Tag />;', {
        'tags.ts': `import { Lamp } from './parts';\nexport const TAGS = { lamp: { tag: Lamp, title: 'x' } };`,
      }),
      ['App > Lamp'],
    ],
    [
      'by a function of the file',
      withParts(
        'function pick(k) { if (k) return Lamp; return Gate; }',
        'const Tag = pick(kind); return <Tag />;',
      ),
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'by a function of another file',
      withParts(`import { pick } from './pick';`, 'const Tag = pick(kind); return <Tag />;', {
        'pick.ts': `import { Lamp } from './parts';\nexport const pick = (k) => (k ? Lamp : null);`,
      }),
      ['App > Lamp'],
    ],
    [
      'assigned in branches',
      withParts('', 'let Tag; if (kind) Tag = Lamp; else Tag = Gate; return <Tag />;'),
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'memoised',
      withParts(
        `import { useMemo } from 'react';`,
        'const Tag = useMemo(() => (kind ? Lamp : Gate), [kind]); return <Tag />;',
      ),
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'entries of a list',
      withParts(
        'const TABS = [{ tag: Lamp }, { tag: Gate }];',
        'return TABS.map((one) => <one.tag key={1} />);',
      ),
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'entries of a list, taken apart',
      withParts('const TABS = [{ tag: Lamp }];', 'return TABS.map(({ tag: Tag }) => <Tag key={1} />);'),
      ['App > Lamp'],
    ],
    [
      'or an element of the page',
      withParts('', `const Tag = kind ? 'b' : Lamp; return <Tag />;`),
      ['App > Lamp'],
    ],
    ['elements of the page only', withParts('', `const Tag = kind ? 'b' : 'i'; return <Tag />;`), []],
    ['handed in', withParts('', 'const Tag = props.tag; return <Tag />;'), []],
    ['decided by data', withParts('', 'const Tag = read(kind); return <Tag />;'), [], ['tag Tag: chosen']],
    [
      'by createElement',
      withParts(
        `import { createElement } from 'react';`,
        'const Tag = kind ? Lamp : Gate; return createElement(Tag);',
      ),
      ['App > Gate', 'App > Lamp'],
    ],
  ]);
});

describe('names and imports', () => {
  table([
    [
      'names with marks in front',
      {
        'App.tsx': `function _Lamp() { return <i />; }\nconst $Gate = () => <b />;\nexport function App() { return <><_Lamp /><$Gate /></>; }`,
      },
      ['App > $Gate', 'App > _Lamp'],
    ],
    [
      'names of any script',
      {
        'App.tsx': `function Überblick() { return <i />; }\nexport function App() { return <Überblick />; }`,
      },
      ['App > Überblick'],
    ],
    [
      'rows of a list are no component',
      {
        'App.tsx': `import { useMemo } from 'react';\nfunction Row() { return <i />; }\nexport function App({ list }) { const rows = list.map((one) => <Row key={one} />); const more = useMemo(() => <Row />, []); setTimeout(() => <Row />, 1); return <>{rows}{more}</>; }`,
      },
      ['App > Row', 'App > Row', 'App > Row'],
    ],
    [
      'an alias that no settings say',
      {
        'package.json': '{"name":"ropeway"}',
        'src/line/Lamp.tsx': 'export function Lamp() { return <i />; }',
        'src/line/Gate.tsx': 'export function Gate() { return <i />; }',
        'src/App.tsx': `import { Lamp } from '@/line/Lamp';\nimport { Gate } from '@/line/Gate';\nexport function App() { return <><Lamp /><Gate /></>; }`,
      },
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'an alias behind whose names a build leaves out a folder',
      {
        'modules/@tower/ui/parts/lib/Lamp.tsx': 'export function Lamp() { return <i />; }',
        'modules/@tower/ui/parts/lib/Gate.tsx': 'export function Gate() { return <i />; }',
        'modules/@tower/line/parts/App.tsx': `import { Lamp } from 'Tower/@tower/ui/lib/Lamp';
import { Gate } from 'Tower/@tower/ui/lib/Gate';
export function App() { return <><Lamp /><Gate /></>; }`,
      },
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'an alias whose files a build has written once more',
      {
        'package.json': '{"name":"ropeway"}',
        'src/theme/Lamp.tsx': 'export default function Lamp() { return <i />; }',
        'src/theme/line/Gate.tsx': 'export default function Gate() { return <i />; }',
        'src/theme/Page.tsx': `import Lamp from '@line/Lamp';\nimport Gate from '@line/line/Gate';\nexport default function Page() { return <><Lamp /><Gate /></>; }`,
        'lib/theme/Lamp.js': 'export default function LampBuilt() { return <i />; }',
        'lib/theme/line/Gate.js': 'export default function GateBuilt() { return <i />; }',
        'lib/theme/Page.js': `import Lamp from '@line/Lamp';\nimport Gate from '@line/line/Gate';\nexport default function PageBuilt() { return <><Lamp /><Gate /></>; }`,
      },
      ['Page > Gate', 'Page > Lamp', 'PageBuilt > GateBuilt', 'PageBuilt > LampBuilt'],
    ],
    [
      'a package that nobody asks for',
      {
        'package.json': '{"name":"ropeway"}',
        'src/App.tsx': `import { Lamp } from 'lamps/parts';\nexport function App() { return <Lamp />; }`,
      },
      [],
    ],
    [
      'an import that leads nowhere',
      { 'App.tsx': `import { Lamp } from './Lamp';\nexport function App() { return <Lamp />; }` },
      [],
      ['import ./Lamp: import', 'tag Lamp: import'],
    ],
    [
      'a picture is no code',
      { 'App.tsx': `import Sign from './sign.svg';\nexport function App() { return <Sign />; }` },
      [],
    ],
    [
      'a name that its file does not export',
      {
        'parts.tsx': PARTS,
        'App.tsx': `import { Door } from './parts';\nexport function App() { return <Door />; }`,
      },
      [],
      ['tag Door: absent'],
    ],
    [
      'a file that is not understood',
      {
        'Lamp.tsx': 'export function Lamp( {',
        'App.tsx': `import { Lamp } from './Lamp';\nexport function App() { return <Lamp />; }`,
      },
      [],
      ['tag Lamp: broken'],
    ],
  ]);
});

describe('Vue', () => {
  const lamp = `<script setup>defineProps(['lit']);</script><template><i>{{ lit }}</i></template>`;
  const main = (code: string) =>
    `import { createApp } from 'vue';\nimport App from './App.vue';\nconst app = createApp(App);\n${code}\napp.mount('#app');`;
  table([
    [
      'registered from a table',
      {
        'Lamp.vue': lamp,
        'main.ts': main(
          `import Lamp from './Lamp.vue';\nconst all = { Lamp };\nfor (const name in all) app.component(name, all[name]);`,
        ),
        'App.vue': '<template><lamp /></template>',
      },
      ['App > Lamp', 'Main > App'],
    ],
    [
      'registered from a list, by their own names',
      {
        'Lamp.vue': lamp,
        'main.ts': main(
          `import Lamp from './Lamp.vue';\n[Lamp].forEach((one) => app.component(one.name, one));\nconst all = [Lamp];\nall.forEach((one) => app.component(one.name, one));`,
        ),
        'App.vue': '<template><Lamp /></template>',
      },
      ['App > Lamp', 'Main > App'],
    ],
    [
      'registered by folder',
      {
        'signs/Lamp.vue': lamp,
        'main.ts': main(
          `const files = import.meta.glob('./signs/*.vue', { eager: true });\nfor (const [path, one] of Object.entries(files)) app.component(path.split('/').pop(), one.default);`,
        ),
        'App.vue': '<template><Lamp /></template>',
      },
      ['App > Lamp', 'Main > App'],
    ],
    [
      'registered where it is written',
      {
        'main.ts': main(`app.component('Sign', { props: ['text'], template: '<b>{{ text }}</b>' });`),
        'App.vue': '<template><sign text="x" /></template>',
      },
      ['App > Sign', 'Main > App'],
    ],
    [
      'registered by a mixin',
      {
        'Lamp.vue': lamp,
        'mixin.js': `import Lamp from './Lamp.vue';\nexport default { components: { Lamp } };`,
        'App.vue': `<script>\nimport mixin from './mixin';\nexport default { mixins: [mixin] };\n</script><template><Lamp /></template>`,
      },
      ['App > Lamp'],
    ],
    [
      'chosen, with content',
      {
        'Lamp.vue': lamp,
        'Gate.vue': lamp,
        'App.vue': `<script setup>\nimport Lamp from './Lamp.vue';\nimport Gate from './Gate.vue';\nconst props = defineProps(['wide']);\n</script><template><component :is="props.wide ? Lamp : Gate"><b /></component></template>`,
      },
      ['App > Gate', 'App > Lamp'],
    ],
    [
      'a component of a plugin is not ours',
      { 'App.vue': '<template><router-view /><v-select /></template>' },
      [],
    ],
    [
      'what code registers without saying which: by the names of the files',
      {
        'lamps/Lamp.vue': lamp,
        'main.js': `import { createApp } from 'vue';
const app = createApp({});
for (const [name, one] of Object.entries(window.parts)) app.component(name, one);`,
        'App.vue': '<template><Lamp /><Mast /></template>',
      },
      ['App > Lamp'],
    ],
    [
      'where several tags name files that nobody imports, somebody registers these',
      {
        ...Object.fromEntries(['Lamp', 'Gate', 'Mast', 'Bell'].map((name) => [`parts/${name}.vue`, lamp])),
        'App.vue': '<template><Lamp /><Gate /><mast /><Bell /></template>',
      },
      ['App > Bell', 'App > Gate', 'App > Lamp', 'App > Mast'],
    ],
    [
      'not where they are imported elsewhere: the tags may mean others',
      {
        ...Object.fromEntries(['Lamp', 'Gate', 'Mast', 'Bell'].map((name) => [`parts/${name}.vue`, lamp])),
        'App.vue': '<template><Lamp /><Gate /><Mast /></template>',
        'Use.vue': `<script setup>\nimport Bell from './parts/Bell.vue';\n</script><template><Bell /></template>`,
        'Page.vue': '<template><Bell /></template>',
      },
      ['Use > Bell'],
      ['tag Bell: unbound', 'tag Gate: unbound', 'tag Lamp: unbound', 'tag Mast: unbound'],
    ],
    [
      'one of ours that nobody registers',
      { 'Lamp.vue': lamp, 'App.vue': '<template><Lamp /></template>' },
      [],
      ['tag Lamp: unbound'],
    ],
  ]);
});

describe('Svelte', () => {
  const lamp = '<script>let { lit } = $props();</script><i>{lit}</i>';
  table([
    [
      'chosen in markup',
      {
        'Lamp.svelte': lamp,
        'App.svelte': `<script>import Lamp from './Lamp.svelte';\nconst TAGS = { lamp: { tag: Lamp } };\nlet { kind } = $props();</script>{@const Tag = TAGS[kind].tag}<Tag>x</Tag>`,
      },
      ['App > Lamp'],
    ],
    [
      'entries of a list',
      {
        'Lamp.svelte': lamp,
        'App.svelte': `<script>import Lamp from './Lamp.svelte';\nconst tabs = [{ tag: Lamp }];</script>{#each tabs as tab}<tab.tag />{/each}`,
      },
      ['App > Lamp'],
    ],
    [
      'a derived block',
      {
        'Lamp.svelte': lamp,
        'Gate.svelte': lamp,
        'App.svelte': `<script>import Lamp from './Lamp.svelte';\nimport Gate from './Gate.svelte';\nlet { kind } = $props();\nconst Tag = $derived.by(() => { switch (kind) { case 1: return Lamp; default: return Gate; } });</script><Tag />`,
      },
      ['App > Gate', 'App > Lamp'],
    ],
  ]);
});

test('what is not followed is counted with its place', () => {
  const { project } = auditSources({
    'App.tsx': `import { useContext, createContext } from 'react';
import { later } from './later';
const Fleet = createContext(undefined);
export function App() { const fleet = useContext(Fleet); return <Gate onPress={later(fleet)} onHold={() => {}} />; }
function Gate({ onPress, onHold }) { return <button onClick={onPress} onBlur={onHold} />; }`,
    'later.ts': `export function later(x) { return wrap(x); }`,
  }).result;
  const { tallies, unjoined } = accountOf(project);
  expect(tallies.handler).toEqual({ written: 2, joined: 1 });
  expect(tallies.context).toEqual({ written: 1, joined: 0 });
  expect(unjoined.map((one) => one.kind).sort()).toEqual(['context', 'handler']);
});

describe('a component that is loaded when it is drawn', () => {
  const loaded = (made: string): Sources => ({
    'Gauge.vue': '<template><i /></template>',
    'App.vue': `<script setup>import { defineAsyncComponent } from 'vue';\nconst Late = ${made};</script><template><Late /></template>`,
  });
  table([
    ['by a loader', loaded(`defineAsyncComponent(() => import('./Gauge.vue'))`), ['App > Gauge']],
    [
      'by options with a loader',
      loaded(`defineAsyncComponent({ loader: () => import('./Gauge.vue'), delay: 0 })`),
      ['App > Gauge'],
    ],
  ]);
});

describe('parts that are loaded when they are needed', () => {
  const loaded = (code: string): Sources => ({
    'parts.tsx': PARTS,
    'App.tsx': app(
      `import { lazy } from 'react'; import { later } from 'elsewhere';`,
      code,
      'return <Late />;',
    ),
  });
  table([
    [
      'the export that is picked when the module is there',
      loaded(`const Late = later(() => import('./parts').then((m) => m.Lamp));`),
      ['App > Lamp (wrapped)'],
    ],
    [
      'by its name',
      loaded(`const Late = later(() => import('./parts').then(({ Lamp }) => ({ default: Lamp })), {});`),
      ['App > Lamp (wrapped)'],
    ],
    [
      'in a block',
      loaded(`const Late = lazy(() => import('./parts').then((m) => { return { default: m.Lamp }; }));`),
      ['App > Lamp'],
    ],
    [
      'a member of what is awaited',
      loaded(`const Late = later(async () => (await import('./parts')).Lamp);`),
      ['App > Lamp (wrapped)'],
    ],
    [
      'taken apart when it is awaited',
      loaded(
        `const Late = lazy(async () => { const { Lamp: One } = await import('./parts'); return { default: One }; });`,
      ),
      ['App > Lamp'],
    ],
    [
      'under a name when it is awaited',
      loaded(
        `const Late = lazy(async () => { const m = await import('./parts'); return { default: m.Lamp }; });`,
      ),
      ['App > Lamp'],
    ],
    [
      'not what a function makes of the module',
      loaded(`const Late = later(() => import('./parts').then((m) => pick(m)));`),
      [],
    ],
  ]);
});

describe('parts that code loads and keeps under a name', () => {
  const loaded = (script: string, markup: string): Sources => ({
    'Lamp.svelte': '<i>lamp</i>',
    'App.svelte': `<script>\n${script}\n</script>\n${markup}`,
  });
  const [lamp] = ["import('./Lamp.svelte')"];
  table([
    [
      'when it is there',
      loaded(`let One; ${lamp}.then((m) => { One = m.default; });`, '<One />'),
      ['App > Lamp'],
    ],
    [
      'taken apart when it is there',
      loaded(`let One = null; ${lamp}.then(({ default: it }) => (One = it));`, '{#if One}<One />{/if}'),
      ['App > Lamp'],
    ],
    [
      'awaited',
      loaded(
        `let One; async function load() { One = (await ${lamp}).default; }`,
        '<svelte:component this={One} />',
      ),
      ['App > Lamp'],
    ],
    [
      'by the name of the module',
      loaded(
        `let One = $state(); async function load() { const m = await ${lamp}; One = m?.default; }`,
        '<One />',
      ),
      ['App > Lamp'],
    ],
    ['in the markup', loaded('', `{#await ${lamp} then { default: One }}<One />{/await}`), ['App > Lamp']],
    [
      'as a member in the markup',
      loaded('', `{#await ${lamp} then m}<svelte:component this={m.default} />{/await}`),
      ['App > Lamp'],
    ],
    [
      'not an export that it does not have',
      loaded(`let One; ${lamp}.then((m) => { One = m.Other; });`, '<One />'),
      [],
      ['tag One: absent'],
    ],
    [
      'not what something else gives',
      loaded(`let One; load().then((m) => { One = m.default; });`, '<One />'),
      [],
      ['tag One: chosen'],
    ],
  ]);
});

describe('components that a function of the project gives back by name', () => {
  const made = (back: string, app: string): Sources => ({
    'pair.jsx': `import { forwardRef } from 'react';
export function Lamp({ lit }) { return <i>{lit}</i>; }
export function Rack({ lamps }) { return <b>{lamps}</b>; }
export function pairOf(name) {
  const LampOf = (props) => <Lamp {...props} />;
  const RackOf = forwardRef((props, ref) => <Rack ref={ref} {...props} />);
  ${back}
}`,
    'App.jsx': `import { pairOf } from './pair';\n${app}`,
  });
  const object = 'return { Lamp: LampOf, Rack: RackOf };';
  table([
    [
      'as members of what is kept',
      made(
        object,
        `const East = pairOf('east');\nexport const App = () => <p><East.Lamp lit="a" /><East.Rack /></p>;`,
      ),
      ['App > East.Lamp', 'App > East.Rack', 'East.Lamp > Lamp', 'East.Rack > Rack'],
    ],
    [
      'taken apart, in a list',
      made(
        'return [LampOf, RackOf];',
        `const [One, Two] = pairOf('east');\nexport const App = () => <p><One /><Two /></p>;`,
      ),
      ['App > One', 'App > Two', 'One > Lamp', 'Two > Rack'],
    ],
    [
      'each call for itself: what is given to one is no part of another',
      made(
        object,
        `const { Lamp: One } = pairOf('east');
const West = pairOf('west');
const Own = () => <u />;
One.Rack = Own;
export const App = () => <p><One.Rack /><West.Rack /></p>;`,
      ),
      ['App > Own', 'App > West.Rack', 'One > Lamp', 'West.Lamp > Lamp', 'West.Rack > Rack'],
    ],
  ]);
});

describe('components that are registered one by one, of tables that take over others', () => {
  const parts = {
    'Lamp.vue': '<script>\nexport default { name: "Lamp" };\n</script>\n<template><i /></template>',
    'Rack.vue': '<script>\nexport default { name: "Rack" };\n</script>\n<template><b /></template>',
    'parts.js': `export { default as Lamp } from './Lamp.vue';\nexport { default as Rack } from './Rack.vue';`,
    'App.vue': '<script setup></script>\n<template><Lamp /><y-rack /></template>',
  };
  const install = (table: string) => ({
    ...parts,
    'index.js': `import * as parts from './parts';
import { Lamp, Rack } from './parts';
const own = { Lamp };
const table = ${table};
export const install = (app) => Object.keys(table).forEach((key) => { app.component(key, table[key]); });`,
  });
  table([
    ['a module', install('{ ...parts, yRack: parts.Rack }'), ['App > Lamp', 'App > Rack']],
    ['another table', install('{ yRack: Rack, ...own }'), ['App > Lamp', 'App > Rack']],
    ['nothing', install('{ yRack: Rack }'), ['App > Rack'], ['tag Lamp: unbound']],
  ]);
});

describe('markup under a name', () => {
  const sign = (code: string): Sources => ({
    'sign.jsx': code,
    'App.jsx': `import Sign from './sign'; export function App() { return <Sign />; }`,
  });
  table([
    [
      'is what a default export draws',
      sign('const held = <b>held</b>; export default () => held;'),
      ['App > Sign'],
    ],
    [
      'is not, where it is a text',
      sign(`const held = 'held'; export default () => held;`),
      [],
      ['tag Sign: value'],
    ],
  ]);
});
