/** Components with type parameters: what these mean at a tag, by what is written or passed there, and in heirs. */
import { describe } from 'vitest';
import { angularApp, angularComponent, RAZOR_MOUNT, razorCode } from './classes-testing';
import { ANGULAR_MOUNT, cases, casesFor, SVELTE_MOUNT, VUE_MOUNT } from './testing';

const TYPES = /^(prop\/type-clash|event\/payload-clash)$/;

describe('functions', () => {
  const grid = `interface Gate { id: string; open: boolean }
interface Props<T> { rows: T[]; chosen?: T | null; title: (row: T) => string; onPick?: (row: T) => void }
function Grid<T>({ rows, chosen, title, onPick }: Props<T>) { return <ul>{rows.map((r) => <li onClick={() => onPick?.(r)}>{title(r)}{r === chosen}</li>)}</ul>; }
const gates: Gate[] = load(); const days: number[] = [1];
`;
  const tag = (attributes: string, types = '') =>
    `${grid}export function App() { return <Grid${types} ${attributes} />; }`;
  cases(TYPES, [
    ['all fits', tag('rows={gates} chosen={gates[0]} title={(g) => g.id} onPick={(g: Gate) => g.open}'), []],
    ['nothing says what it is', tag('rows={[]} chosen={null} title={(g) => g.id}'), []],
    [
      'another kind beside the list',
      tag('rows={gates} chosen={3} title={(g) => g.id}'),
      ['error prop/type-clash App.tsx:5 chosen'],
    ],
    [
      'a handler of something else',
      tag('rows={gates} title={String} onPick={(day: number) => day}'),
      ['error event/payload-clash App.tsx:5 (day: number) => day'],
    ],
    [
      'the tag says it',
      tag('rows={days} title={String}', '<Gate>'),
      ['error prop/type-clash App.tsx:5 rows'],
    ],
    ['the tag says it, and it fits', tag('rows={gates} title={(g) => g.id}', '<Gate>'), []],
    [
      'the widest of several is meant',
      tag('rows={gates} chosen={{ id: "a", open: true, more: 1 }} title={(g) => g.id}'),
      [],
    ],
    [
      'what it must be',
      `function Lamp<T extends 'red' | 'green'>({ tint, all }: { tint: T; all: T[] }) { return <b>{tint}{all.length}</b>; }
export function App() { return <><Lamp tint="red" all={['red', 'green']} /><Lamp tint="blue" all={[]} /></>; }`,
      ['error prop/type-clash App.tsx:2 tint'],
    ],
    [
      'it hides a type of its name',
      `interface Row { id: string }
const List = <Row,>({ rows }: { rows: Row[] }) => <b>{rows.length}</b>;
export const App = () => <><List rows={[1, 2]} /><Other row={{ id: 'a' }} /></>;
function Other({ row }: { row: Row }) { return <b>{row.id}</b>; }`,
      [],
    ],
  ]);
});

const chooser = `defineProps<{ rows: T[]; value?: T }>()`;
describe('Vue', () => {
  casesFor(VUE_MOUNT, 'App.vue')(TYPES, [
    [
      'by its attribute',
      {
        'App.vue': `<script setup lang="ts">\nimport Chooser from './Chooser.vue';\nconst days: number[] = load();\ndeclare function load(): number[];\n</script>\n<template><Chooser :rows="days" :value="3" />\n<Chooser :rows="days" value="three" /></template>`,
        'Chooser.vue': `<script setup lang="ts" generic="T extends string | number">\n${chooser}\n</script>\n<template><b v-for="r in rows">{{ r === value }}</b></template>`,
      },
      ['error prop/type-clash App.vue:7 value'],
    ],
  ]);
});

describe('Svelte', () => {
  casesFor(SVELTE_MOUNT, 'App.svelte')(TYPES, [
    [
      'by its attribute',
      {
        'App.svelte': `<script lang="ts">\nimport Chooser from './Chooser.svelte';\nlet days: number[] = [1, 2];\n</script>\n<Chooser rows={days} value={3} />\n<Chooser rows={days} value="three" />`,
        'Chooser.svelte': `<script lang="ts" generics="T extends string | number">\nlet { rows, value }: { rows: T[]; value?: T } = $props();\n</script>\n{#each rows as r}<b>{r === value}</b>{/each}`,
      },
      ['error prop/type-clash App.svelte:6 value'],
    ],
  ]);
});

describe('Angular', () => {
  const chooser = angularComponent(
    'Chooser<T>',
    'chooser',
    '@for (r of rows; track r) { {{ r === value }} }',
    '@Input() rows: T[] = [];\n@Input() value?: T;',
  );
  const heir = angularComponent(
    'Days extends Chooser<number>',
    'days',
    '@for (r of rows; track r) { {{ r === value }} }',
  );
  casesFor(ANGULAR_MOUNT, 'app.ts')(TYPES, [
    [
      'of a class, and of its heir, which says what it is',
      angularApp(
        chooser,
        heir,
        angularComponent(
          'App',
          'app',
          '<chooser [rows]="days" [value]="3"/>\n<chooser [rows]="days" value="three"/>\n<days [value]="3"/>\n<days value="three"/>',
          'days: number[] = [1, 2];',
          'imports: [Chooser, Days],',
        ),
      ),
      ['error prop/type-clash app.ts:15 value', 'error prop/type-clash app.ts:17 value'],
    ],
  ]);
});

describe('Razor', () => {
  const grid = `@typeparam TItem where TItem : IRow, new()
@foreach (var one in Items) { <b @onclick="() => OnPick.InvokeAsync(one)">@Equals(one, Chosen)</b> }${razorCode(
    '[Parameter] public IEnumerable<TItem> Items { get; set; } = [];\n[Parameter] public TItem? Chosen { get; set; }\n[Parameter] public EventCallback<TItem> OnPick { get; set; }',
  )}`;
  const rows =
    'public interface IRow { string Id { get; } }\npublic class Gate : IRow { public string Id { get; set; } = ""; public bool Open { get; set; } }\n';
  const state =
    'private List<Gate> gates = new();\nprivate List<int> days = new();\nprivate Gate gate = new();\nprivate Gate? picked;\nprivate int day;\nprivate void Pick(Gate one) { picked = one; }\nprivate void Day(int one) { day = one; }';
  const app = (tags: string) => ({
    'App.razor': `${tags}<i>@picked @day</i>${razorCode(state)}`,
    'Grid.razor': grid,
    'Rows.cs': rows,
  });
  casesFor(RAZOR_MOUNT, 'App.razor')(TYPES, [
    ['all fits', app('<Grid Items="gates" Chosen="gate" OnPick="Pick" />'), []],
    [
      'another kind beside the list',
      app('<Grid Items="gates" Chosen="day" OnPick="Pick" />'),
      ['error prop/type-clash App.razor:1 Chosen'],
    ],
    [
      'a handler of something else',
      app('<Grid Items="gates" OnPick="Day" />'),
      ['error event/payload-clash App.razor:1 Day'],
    ],
    [
      'the tag says it',
      app('<Grid TItem="Gate" Items="gates" Chosen="day" />'),
      ['error prop/type-clash App.razor:1 Chosen'],
    ],
    ['what it must be', app('<Grid Items="days" />'), ['error prop/type-clash App.razor:1 Items']],
    [
      'a base says it',
      {
        'App.razor': `<Days Items="days" Chosen="3" />\n<Days Items="names" />${razorCode('private List<int> days = new();\nprivate List<string> names = new();')}`,
        'Days.razor': '@inherits ListBase<int>\n@foreach (var one in Items) { <b>@one @Chosen</b> }',
        'ListBase.cs':
          'public class ListBase<TItem> : ComponentBase {\n[Parameter] public List<TItem> Items { get; set; } = new();\n[Parameter] public TItem? Chosen { get; set; }\n}',
      },
      ['error prop/type-clash App.razor:2 Items'],
    ],
    [
      'a base of a base',
      {
        'App.razor': `<Days Items="names" />${razorCode('private List<string> names = new();')}`,
        'Days.razor': '@inherits Middle<int>\n@foreach (var one in Items) { <b>@one</b> }',
        'Middle.razor':
          '@typeparam TRow\n@inherits ListBase<TRow>\n@foreach (var one in Items) { <b>@one</b> }',
        'ListBase.cs':
          'public class ListBase<TItem> : ComponentBase {\n[Parameter] public List<TItem> Items { get; set; } = new();\n}',
      },
      ['error prop/type-clash App.razor:1 Items'],
    ],
  ]);
});
