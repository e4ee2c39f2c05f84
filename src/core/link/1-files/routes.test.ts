import { expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { findingLines } from '../../rules/testing';

const APP = {
  'package.json': '{"private":true,"dependencies":{"@sveltejs/kit":"^2.0.0"}}',
  'src/routes/+layout.svelte': `<script>
import { setContext } from 'svelte';
let { children } = $props();
setContext('fleet', 1);
setContext('spare', 1);
</script>
<main>{@render children()}</main>`,
  'src/routes/+page.svelte': '<p>home</p>',
  'src/routes/line/+layout.svelte': '<section><slot /></section>',
  'src/routes/line/[mast]/+page.svelte': `<script>
import { getContext } from 'svelte';
export let data;
const fleet = getContext('fleet');
</script>
<p>{data.name} {fleet}</p>`,
  'src/routes/line/+page@.svelte': '<p>alone</p>',
  'src/routes/line/[mast]/log/+page@line.svelte': '<p>log</p>',
  'src/routes/line/[mast]/map/+layout@nowhere.svelte': '<slot />',
};

test('pages are drawn by the layouts around their folders', () => {
  const { project } = auditSources(APP).result;
  const path = (component: number) => project.files[project.components[component]!.file]!.path;
  expect(project.sites.map((site) => `${path(site.owner)} > ${path(site.target)}`).sort()).toEqual([
    'src/routes/+layout.svelte > src/routes/+page.svelte',
    'src/routes/+layout.svelte > src/routes/line/+layout.svelte',
    'src/routes/+layout.svelte > src/routes/line/+page@.svelte',
    'src/routes/line/+layout.svelte > src/routes/line/[mast]/+page.svelte',
    'src/routes/line/+layout.svelte > src/routes/line/[mast]/log/+page@line.svelte',
  ]);
});

test('a context of a layout reaches its pages', () => {
  const trace = auditSources(APP).trace('src/routes/line/[mast]/+page.svelte>Page:context:fleet');
  expect('routes' in trace && trace.routes.map((one) => one.how)).toEqual(['consume']);
  expect(findingLines(APP)).toEqual([`warning context/unread src/routes/+layout.svelte:5 'spare'`]);
});
