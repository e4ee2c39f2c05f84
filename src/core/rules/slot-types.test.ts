/** What slots and functions that draw are given, where it is handed on to something that asks for another type. */
import { describe } from 'vitest';
import { angularApp, angularComponent as comp } from './classes-testing';
import { ANGULAR_MOUNT, cases, casesFor, type Sources, SVELTE_MOUNT, VUE_MOUNT } from './testing';

const CLASH = /type-clash|payload-clash/;

describe('React', () => {
  const app = (row: string, draws: string, item = '(n) => <Str s={n} />'): string =>
    `const Str = ({ s }: { s: string }) => <b>{s}</b>;
const List = ({ n, row }: { n: number; row: ${row} }) => <i>{${draws}}</i>;
export const App = () => <List n={1} row={${item}} />;`;
  const AT = ['error prop/type-clash App.tsx:3 s'];
  cases(CLASH, [
    ['as it is declared', app('(n: number) => React.ReactNode', 'row(n)'), AT],
    ['as it is declared, as asked for', app('(n: string) => React.ReactNode', 'row(String(n))'), []],
    [
      'a member of it',
      app('(of: { at: number }) => React.ReactNode', 'row({ at: n })', '({ at }) => <Str s={at} />'),
      AT,
    ],
    ['as many as there are', app('(...all: any[]) => React.ReactNode', 'row(n)'), []],
    ['declared elsewhere', `import type { Row } from '@rope/rows';\n${app('Row', 'row(n)')}`, []],
    [
      'looked at before',
      app(
        '(n: number | string) => React.ReactNode',
        'row(n)',
        "(n) => typeof n === 'string' ? <Str s={n} /> : null",
      ),
      [],
    ],
  ]);
});

describe('Vue', () => {
  const STR: Sources = {
    'Str.vue': `<script setup lang="ts">defineProps<{ s: string }>()</script><template>{{ s }}</template>`,
  };
  const files = (slot: string, content: string): Sources => ({
    ...STR,
    'List.vue': `<script setup lang="ts">defineProps<{ n: number; all: string[] }>()</script><template>${slot}</template>`,
    'App.vue': `<script setup lang="ts">import List from './List.vue'; import Str from './Str.vue';</script><template><List :n="1" :all="[]" ${content}</List></template>`,
  });
  const AT = ['error prop/type-clash App.vue:1 s'];
  casesFor(VUE_MOUNT, 'App.vue')(CLASH, [
    ['what the slot gives', files('<slot :item="n" />', 'v-slot="{ item }"><Str :s="item" />'), AT],
    ['under another name', files('<slot :item="n" />', 'v-slot="{ item: one }"><Str :s="one" />'), AT],
    [
      'by the whole of it',
      files('<slot name="row" :item="n" />', '><template #row="given"><Str :s="given.item" /></template>'),
      AT,
    ],
    ['what is asked for', files('<slot :item="all[0]" />', 'v-slot="{ item }"><Str :s="item" />'), []],
    [
      'one thing at one place, another at another',
      files('<slot :item="n" /><slot :item="String(n)" />', 'v-slot="{ item }"><Str :s="item" />'),
      [],
    ],
    [
      'what is spread',
      files('<slot v-bind="{ item: n, ...$attrs }" />', 'v-slot="{ item }"><Str :s="item" />'),
      [],
    ],
    ['nobody knows', files('<slot :item="$attrs.item" />', 'v-slot="{ item }"><Str :s="item" />'), []],
  ]);
});

describe('Svelte', () => {
  const files = (type: string, draws: string): Sources => ({
    'Str.svelte': `<script lang="ts">let { s }: { s: string } = $props();</script>{s}`,
    'List.svelte': `<script lang="ts">import type { Snippet } from 'svelte'; let { n, row }: { n: number; row: ${type} } = $props();</script>{@render ${draws}}`,
    'App.svelte': `<script lang="ts">import List from './List.svelte'; import Str from './Str.svelte';</script><List n={1}>{#snippet row(item)}<Str s={item} />{/snippet}</List>`,
  });
  casesFor(SVELTE_MOUNT, 'App.svelte')(CLASH, [
    [
      'what the snippet is drawn with',
      files('Snippet<[number]>', 'row(n)'),
      ['error prop/type-clash App.svelte:1 s'],
    ],
    ['what is asked for', files('Snippet<[string]>', 'row(`${n}`)'), []],
  ]);
});

describe('Angular', () => {
  const STR = comp('Str', 'str', '{{ s() }}', 's = input.required<string>();');
  const list = (context: string) =>
    comp(
      'List',
      'list',
      `<ng-container *ngTemplateOutlet="row(); context: ${context}"/>`,
      "n = input.required<number>();\nrow = contentChild.required<TemplateRef<unknown>>('row');",
      'imports: [NgTemplateOutlet],',
    );
  const app = (context: string, takes: string) =>
    angularApp(
      STR,
      list(context),
      comp(
        'App',
        'app',
        `<list [n]="1"><ng-template #row ${takes}><str [s]="v"/></ng-template></list>`,
        '',
        'imports: [List, Str],',
      ),
    );
  const AT = ['error prop/type-clash app.ts:14 s'];
  casesFor(ANGULAR_MOUNT, 'app.ts')(CLASH, [
    ['what it is stamped with', app('{ $implicit: n() }', 'let-v'), AT],
    ['under a name', app('{ at: n() }', 'let-v="at"'), AT],
    ['what is asked for', app("{ $implicit: 'a' }", 'let-v'), []],
  ]);
});
