/** Components that those below are handed as they are: what is read, called and written of them is theirs. */
import { describe, expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { type Idiom, idioms } from './reaching';

const BADGE = `@Component({ selector: 'q-badge', template: '{{ tone }}{{ on }}' }) export class Badge { @Input() tone = ''; @Input() on = ''; }`;
const IMPORTS = `import { Component, Directive, forwardRef, inject, Input, InjectionToken, Optional, signal } from '@angular/core'; import { bootstrapApplication } from '@angular/platform-browser';`;
const ROOT = `@Component({ selector: 'q-root', imports: [Group, Item], template: '<q-group [tone]="look"><q-item [value]="word" /></q-group>' }) export class Root { look = 'loud'; word = 'windy'; } bootstrapApplication(Root);`;

/** A group, and what stands in it, that asks for the group. */
const angular = (group: string, asks: string, more = ''): Record<string, string> => ({
  'app.ts': `${IMPORTS} ${more} ${group} ${BADGE} @Component({ selector: 'q-item', imports: [Badge], template: '<q-badge [tone]="group.tone" [on]="group.chosen" /><b (click)="go()"></b>' }) export class Item { ${asks} @Input() value = ''; go() { this.group.choose(this.value); } } ${ROOT}`,
});
const GROUP = `chosen = ''; choose(value: string) { this.chosen = value; }`;
const TAG = `selector: 'q-group', template: '<ng-content />'`;

const vue = (provide: string, inject: string): Record<string, string> => ({
  'main.js': `import Vue from 'vue'; import Root from './Root.vue'; new Vue({ render: (h) => h(Root) }).$mount('#app');`,
  'Root.vue': `<template><Group :tone="look"><Item :value="word" /></Group></template><script>import Group from './Group.vue'; import Item from './Item.vue'; export default { components: { Group, Item }, data: () => ({ look: 'loud', word: 'windy' }) };</script>`,
  'Group.vue': `<template><i><slot /></i></template><script>export default { props: { tone: String }, ${provide}, data: () => ({ chosen: '' }), methods: { choose(value) { this.chosen = value; } } };</script>`,
  'Badge.vue': `<template><b>{{ tone }}{{ on }}</b></template><script>export default { props: { tone: String, on: String } };</script>`,
  'Item.vue': `<template><i @click="group.choose(value)"><Badge :tone="group.tone" :on="group.chosen" /></i></template><script>import Badge from './Badge.vue'; export default { components: { Badge }, ${inject}, props: { value: String } };</script>`,
});

const RAZOR: Record<string, string> = {
  'App.csproj': `<Project Sdk="Microsoft.NET.Sdk.BlazorWebAssembly"></Project>`,
  'Group.razor': `<CascadingValue Value="this">@ChildContent</CascadingValue>\n@code {\n  [Parameter] public RenderFragment? ChildContent { get; set; }\n  [Parameter] public string Tone { get; set; } = "";\n  public string Chosen { get; private set; } = "";\n  public void Choose(string value) { Chosen = value; StateHasChanged(); }\n}`,
  'Badge.razor': `<b>@Tone @On</b>\n@code { [Parameter] public string Tone { get; set; } = ""; [Parameter] public string On { get; set; } = ""; }`,
  'Item.razor': `<Badge Tone="@Parent!.Tone" On="@Parent.Chosen" /><button @onclick="() => Parent.Choose(Value)">x</button>\n@code { [CascadingParameter] public Group? Parent { get; set; } [Parameter] public string Value { get; set; } = ""; }`,
  'Root.razor': `@page "/"\n<Group Tone="@look"><Item Value="@word" /></Group>\n@code { string look = "loud"; string word = "windy"; }`,
};

const LANGUAGES: [what: string, sources: Record<string, string>][] = [
  [
    'Angular, by its class',
    angular(
      `@Component({ ${TAG} }) export class Group { @Input() tone = ''; ${GROUP} }`,
      'group = inject(Group);',
    ),
  ],
  [
    'Angular, in a constructor',
    angular(
      `@Component({ ${TAG} }) export class Group { @Input() tone = ''; ${GROUP} }`,
      'constructor(@Optional() public group: Group) {}',
    ),
  ],
  [
    'Angular, with members of a base',
    angular(
      `@Component({ ${TAG} }) export class Group extends Base {}`,
      'group = inject(Group);',
      `@Directive() export class Base { @Input() tone = ''; ${GROUP} }`,
    ),
  ],
  [
    'Angular, under a token',
    angular(
      `const GROUP = new InjectionToken<any>('group'); @Component({ ${TAG}, providers: [{ provide: GROUP, useExisting: forwardRef(() => Group) }] }) export class Group { @Input() tone = ''; ${GROUP} }`,
      'group = inject(GROUP);',
    ),
  ],
  [
    'Angular, under the class that it extends',
    angular(
      `@Component({ ${TAG}, providers: [{ provide: Chooser, useExisting: Group }] }) export class Group extends Chooser { @Input() tone = ''; ${GROUP} }`,
      'group = inject(Chooser);',
      `export abstract class Chooser { abstract tone: string; abstract chosen: string; abstract choose(value: string): void; }`,
    ),
  ],
  ['Vue', vue(`provide() { return { group: this }; }`, `inject: ['group']`)],
  [
    'Vue, under other names',
    vue(`provide() { return { rack: this }; }`, `inject: { group: { from: 'rack', default: null } }`),
  ],
  ['Razor', RAZOR],
];

const name = (sources: Record<string, string>, prop: string): string =>
  sources === RAZOR ? prop[0]!.toUpperCase() + prop.slice(1) : prop;

describe('a member that is read', () => {
  idioms(
    LANGUAGES.map(([what, sources]): Idiom => ({
      what,
      sources,
      from: 'Root:state:look',
      to: [`Group:prop:${name(sources, 'tone')}`, `Badge:prop:${name(sources, 'tone')}`],
      not: [`Badge:prop:${name(sources, 'on')}`],
    })),
  );
});

describe('a function that is called', () => {
  idioms(
    LANGUAGES.map(([what, sources]): Idiom => ({
      what,
      sources,
      from: 'Root:state:word',
      to: [`Group:state:${name(sources, 'chosen')}`, `Badge:prop:${name(sources, 'on')}`],
      not: [`Badge:prop:${name(sources, 'tone')}`],
    })),
  );
});

/** What only those below read of the component is read; what nobody reads is not. */
test.each([
  ['Parent!.Tone', []],
  ['Parent!.Chosen', ['Group:prop:Tone']],
])('%s', (read, expected) => {
  const item = RAZOR['Item.razor']!.replace('Parent!.Tone', read);
  const { findings } = auditSources({ ...RAZOR, 'Item.razor': item }).result;
  expect(findings.filter(({ rule }) => rule === 'prop/unread').map(({ subject }) => subject)).toEqual(
    expected,
  );
});
