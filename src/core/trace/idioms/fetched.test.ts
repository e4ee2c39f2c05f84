/** What a router fetches for its pages arrives at them, by the members that the fetching function gives. */
import { svelteFiles } from './testing';
import { type Idiom, idioms } from './reaching';

const { 'Leaf.svelte': LEAF } = svelteFiles('');
const PAGE = `<script lang="ts">import Leaf from '../../Leaf.svelte'; let { data } = $props();</script><Leaf x={data.wind} />`;

/** A page in a folder of routes, with what stands beside it and around it. */
const site = (files: Record<string, string>): Record<string, string> => ({
  'package.json': '{"dependencies":{"@sveltejs/kit":"^2.0.0","svelte":"^5.0.0"}}',
  'src/Leaf.svelte': LEAF!,
  'src/routes/line/+page.svelte': PAGE,
  ...files,
});

const LOAD = 'const wind = read(); const gust = read(); return { wind, gust };';

const CASES: [what: string, files: Record<string, string>, from: string][] = [
  [
    'by a function of the server',
    { 'src/routes/line/+page.server.ts': `export async function load() { ${LOAD} }` },
    'wind',
  ],
  [
    'by a constant',
    { 'src/routes/line/+page.ts': `export const load = async ({ params }) => { ${LOAD} };` },
    'wind',
  ],
  [
    'by a typed constant',
    {
      'src/routes/line/+page.ts': `import type { PageLoad } from './$types'; export const load: PageLoad = async () => { ${LOAD} };`,
    },
    'wind',
  ],
  [
    'by what the server gave before',
    {
      'src/routes/line/+page.server.ts': `export const load = () => { const first = read(); return { first }; };`,
      'src/routes/line/+page.ts': `export const load = ({ data }) => { const wind = data.first; return { wind }; };`,
    },
    'first',
  ],
  ['for the layout around', { 'src/routes/+layout.server.js': `export function load() { ${LOAD} }` }, 'wind'],
];

idioms([
  ...CASES.map(([what, files, from]): Idiom => ({
    what,
    sources: site(files),
    from: `Page:local:${from}`,
    to: ['Page:prop:data', 'Leaf:prop:x'],
  })),
  {
    what: 'another member is not that one',
    sources: site({ 'src/routes/line/+page.server.ts': `export async function load() { ${LOAD} }` }),
    from: 'Page:local:gust',
    to: ['Page:prop:data'],
    not: ['Leaf:prop:x'],
  },
]);
