/** Small apps in which a value goes from one place to another. */

/** An app of React with a leaf that shows what it is given, and a button that hands up what it is given. */
export const reactApp = (code: string): Record<string, string> => ({
  'App.tsx': `import React, { cloneElement, Children, isValidElement, createContext, createElement, forwardRef, memo, useCallback, useContext, useEffect, useId, useMemo, useReducer, useRef, useState, useSyncExternalStore, useTransition, useDeferredValue, useLayoutEffect, Suspense, use } from 'react'; import { createRoot } from 'react-dom/client'; import { Routes, Route, Outlet, useOutletContext, useParams } from 'react-router-dom'; import { atom, useAtom, useSetAtom, useAtomValue } from 'jotai';
function Leaf({x}:any){return <b>{x}</b>;} function Btn({v,onSave}:any){return <b onClick={()=>onSave(v)}/>;}${code}\ncreateRoot(document.body).render(<App seed="a" />);`,
});
/** The same of Vue, around the text of its component. */
export const vueFiles = (app: string, more: Record<string, string> = {}) => ({
  'main.ts': `import { createApp } from 'vue'; import App from './App.vue'; createApp(App).mount('#app');`,
  'App.vue': app,
  'Leaf.vue': `<script setup lang="ts">defineProps<{ x: any }>();</script><template><b>{{ x }}</b></template>`,
  'Btn.vue': `<script setup lang="ts">defineProps<{ v?: any }>(); const emit = defineEmits<{ save: [v: any] }>();</script><template><b @click="emit('save', v)" /></template>`,
  ...more,
});
/** The same around a script and a template. */
export const vueApp = (script: string, tpl: string, more: Record<string, string> = {}) =>
  vueFiles(
    `<script setup lang="ts">import { ref, reactive, computed, watch, provide, inject, h, defineComponent, shallowRef, markRaw, type Component } from 'vue'; import Leaf from './Leaf.vue'; import Btn from './Btn.vue';\n${script}\n</script><template>${tpl}</template>`,
    more,
  );
/** The same of Svelte. */
export const svelteFiles = (app: string, more: Record<string, string> = {}) => ({
  'main.ts': `import { mount } from 'svelte'; import App from './App.svelte'; mount(App,{target:document.body});`,
  'App.svelte': app,
  'Leaf.svelte': `<script lang="ts">let { x }: { x: any } = $props();</script><b>{x}</b>`,
  'Btn.svelte': `<script lang="ts">let { v, save }: { v?: any; save: (v: any) => void } = $props();</script><button onclick={() => save(v)}>s</button>`,
  ...more,
});
export const svelteApp = (script: string, tpl: string, more: Record<string, string> = {}) =>
  svelteFiles(
    `<script lang="ts">import Leaf from './Leaf.svelte'; import Btn from './Btn.svelte';\n${script}\n</script>${tpl}`,
    more,
  );
const BOOT = `import { bootstrapApplication } from '@angular/platform-browser'; import { App } from './app'; bootstrapApplication(App);`;
/** The same of Angular, around what its file has besides. */
export const angularApp = (code: string, more: Record<string, string> = {}) => ({
  'main.ts': BOOT,
  'app.ts': `import { Component, signal, computed, untracked, effect, input, output, model, inject, Injectable, Input, Output, EventEmitter, linkedSignal, viewChild, ContentChild, TemplateRef } from '@angular/core'; import { Subject, BehaviorSubject, map, combineLatest, of, switchMap, tap } from 'rxjs'; import { toSignal, toObservable } from '@angular/core/rxjs-interop'; import { AsyncPipe, NgTemplateOutlet, NgFor } from '@angular/common'; import { FormsModule, FormControl, ReactiveFormsModule } from '@angular/forms'; @Component({ selector: 'app-leaf', standalone: true, template: '<b>{{ x }}</b>' }) export class Leaf { @Input() x: any; } @Component({ selector: 'app-btn', standalone: true, template: '<b (click)="save.emit(v)"></b>' }) export class Btn { @Input() v: any; @Output() save = new EventEmitter<any>(); } ${code}`,
  ...more,
});
