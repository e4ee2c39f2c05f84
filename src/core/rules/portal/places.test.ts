import { describe } from 'vitest';
import { cases, casesFor, SVELTE_MOUNT, VUE_MOUNT } from '../testing';

const vueCases = casesFor(VUE_MOUNT, 'App.vue');
const svelteCases = casesFor(SVELTE_MOUNT, 'App.svelte');

describe('state that switching between places loses', () => {
  const app = (render: string) => `import { useState } from 'react';
import { createPortal } from 'react-dom';
function Panel({ n }) { const [at, setAt] = useState(0); return <p>{n}</p>; }
function Frame({ wide, children }) { return <i>{children}</i>; }
export function App({ wide }) { ${render} }`;
  const lost = (at: string) => [`warning portal/state-lost App.tsx:5 ${at}`];
  cases(/state-lost/, [
    [
      'content in a constant, placed in either arm',
      app('const panel = <Panel />; return wide ? <main>{panel}</main> : <aside>{panel}</aside>;'),
      lost('panel'),
    ],
    [
      'the same, where one is bare',
      app('const panel = <Panel />; return wide ? <main>{panel}</main> : panel;'),
      [],
    ],
    [
      'content in a constant in the same place',
      app(
        'const panel = <Panel />; return wide ? <main id="a">{panel}</main> : <main id="b">{panel}</main>;',
      ),
      [],
    ],
    [
      'handed to a function in one of them',
      app('const panel = <Panel />; if (wide) return draw({ panel }); return <main>{panel}</main>;'),
      [],
    ],
    [
      'a portal in one arm',
      app('return wide ? createPortal(<Panel />, document.body) : <Panel />;'),
      lost('Panel'),
    ],
    [
      'portals in both',
      app(
        'return wide ? createPortal(<Panel n={1} />, document.body) : createPortal(<Panel n={2} />, document.body);',
      ),
      [],
    ],
    [
      'an outlet in both arms',
      {
        'Desk.tsx': `export function Desk({ wide, children }) {
  return wide ? <main>{children}</main> : <aside><p>turn</p>{children}</aside>;
}`,
        'App.tsx': `import { useState } from 'react';
import { Desk } from './Desk';
function Panel() { const [at, setAt] = useState(0); return <p>{at}</p>; }
export function App() { return <Desk wide><Panel /></Desk>; }`,
      },
      ['warning portal/state-lost Desk.tsx:2 children'],
    ],
  ]);
  const part = `<script setup>
import { ref } from 'vue';
const at = ref(0);
</script>
<template><p @click="at++">{{ at }}</p></template>`;
  const vueApp = (template: string): Record<string, string> => ({
    'Panel.vue': part,
    'App.vue': `<script setup>
import { ref } from 'vue';
import Panel from './Panel.vue';
const wide = ref(true);
</script>
<template>
${template}
</template>`,
  });
  vueCases(/state-lost/, [
    [
      'the same tags in both branches are made anew',
      vueApp('<div v-if="wide"><Panel /></div>\n<div v-else><Panel /></div>'),
      ['warning portal/state-lost App.vue:8 Panel'],
    ],
    ['kept alive', vueApp('<KeepAlive><Panel v-if="wide" /><Panel v-else /></KeepAlive>'), []],
    ['with keys of their own', vueApp('<Panel v-if="wide" key="a" />\n<Panel v-else key="b" />'), []],
  ]);
  svelteCases(/state-lost/, [
    [
      'the same tags in both branches are two places',
      {
        'Panel.svelte': '<script>let at = 0;</script>\n<p on:click={() => (at += 1)}>{at}</p>',
        'App.svelte': `<script>
  import Panel from './Panel.svelte';
  let wide = false;
</script>
<button on:click={() => (wide = !wide)}>a</button>
{#if wide}<Panel />{:else}
<Panel />{/if}`,
      },
      ['warning portal/state-lost App.svelte:7 Panel'],
    ],
  ]);
});

describe('places that nothing makes', () => {
  const page =
    '<!doctype html><div id="app"></div><div id="notes"></div><script type="module" src="/main.ts"></script>';
  const react = { 'index.html': page, 'package.json': '{ "name": "line", "private": true }' };
  cases(/no-target/, [
    [
      'of roots, by an id, a selector, a constant',
      {
        ...react,
        'more.tsx': `import { createRoot, hydrateRoot } from 'react-dom/client';
import { App } from './App';
const place = document.querySelector('#notse')!;
createRoot(document.getElementById('apps')!).render(<App />);
createRoot(place).render(<App />);
hydrateRoot(document.querySelector('.notes')!, <App />);
createRoot(document.getElementById('notes')!).render(<App />);`,
        'App.tsx': 'export function App() { return <p />; }',
      },
      [
        "error portal/no-target more.tsx:4 document.getElementById('apps')!",
        'error portal/no-target more.tsx:5 place',
      ],
    ],
  ]);
  vueCases(/no-target/, [
    [
      'of apps and of portals that code draws',
      {
        ...react,
        'more.ts': `import { createApp } from 'vue';
import App from './App.vue';
createApp(App).mount('#note');
const app = createApp(App).use({});
app.mount('#notes');`,
        'Caption.ts': `import { defineComponent, h, Teleport } from 'vue';
export default defineComponent({
  name: 'Caption',
  setup() { return () => [h(Teleport, { to: '#strip' }, [h('p')]), h(Teleport, { to: '#notes' }, 'a'), h(Teleport, { to: '.rail' }, 'b')]; },
});`,
        'App.vue': `<script setup>
import Caption from './Caption';
</script>
<template><Caption /></template>`,
      },
      ["error portal/no-target Caption.ts:4 '#strip'", "error portal/no-target more.ts:3 '#note'"],
    ],
  ]);
  svelteCases(/no-target|outside-providers/, [
    [
      'of components that code makes, which also lack what is provided where it stands',
      {
        ...react,
        'Sheet.svelte': `<script>
  import { getContext } from 'svelte';
  const vault = getContext('vault');
</script>
<p>{vault.code}</p>`,
        'App.svelte': `<script>
  import { setContext } from 'svelte';
  import Sheet from './Sheet.svelte';
  setContext('vault', { code: 'N' });
  function print() {
    new Sheet({ target: document.getElementById('sheets') });
  }
</script>
<button on:click={print}>a</button><Sheet />`,
      },
      [
        "warning portal/outside-providers App.svelte:6 new Sheet({ target: document.getElementById('sheets') })",
        "error portal/no-target App.svelte:6 document.getElementById('sheets')",
      ],
    ],
  ]);
});

describe('a wrapper with state around this or that', () => {
  const app = (render: string) => `import { useState } from 'react';
function Shelf({ children }) { const [open, setOpen] = useState(false); return <p onClick={() => setOpen(!open)}>{open && children}</p>; }
function Log({ x }) { return <i>{x}</i>; }
function Gauge({ x }) { return <b>{x}</b>; }
export function App({ wide, wind, crew }) { ${render} }`;
  const lost = [`warning portal/state-lost App.tsx:5 Shelf`];
  const either = (one: string, other: string): string =>
    app(`return wide ? <main><Shelf>${one}</Shelf></main> : <aside><Shelf>${other}</Shelf></aside>;`);
  cases(/state-lost/, [
    ['is lost with the same content', either('{wind}', '{wind}'), lost],
    ['is lost with a part of it', either('<Log x={wind} />', '<Log x={wind} /><Gauge x={crew} />'), lost],
    ['is lost without content', either('', ''), lost],
    ['is two around two values', either('{wind}', '{crew}'), []],
    ['is two around two members of one', either('{crew.mate}', '{crew.winch}'), []],
    ['is two around two components', either('<Log x={1} />', '<Gauge x={2} />'), []],
  ]);
});
