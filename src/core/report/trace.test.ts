import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { SVELTE_MOUNT, type Sources } from '../rules/testing';
import { placesOf } from './places';
import { traceReport, traceText } from './trace';

const SOURCES: Sources = {
  ...SVELTE_MOUNT,
  'line.js': `import { writable } from 'svelte/store';
export const line = writable({ open: '', wind: '' });`,
  'App.svelte': `<script>
import { line } from './line.js';
import Gate from './Gate.svelte';
</script>
<Gate name="a" />{#if $line.open === 'a'}open{/if}
{$line.wind}`,
  'Gate.svelte': `<script>
import { line } from './line.js';
export let name;
const open = () => ($line.open = name);
</script>
<button on:click={open}>{name}</button>`,
};

test('readers of what a module keeps are named, where they read the member that the value becomes', () => {
  const audit = auditSources(SOURCES);
  const trace = audit.trace('Gate.name');
  if ('similar' in trace) throw new Error(trace.similar.join());
  const places = placesOf(audit.result.project, (path) => SOURCES[path]!);
  const text = traceText(trace, places);
  expect(text).toContain('line.js>Line:state:line');
  expect(text).toContain('read at App.svelte:5');
  expect(text).not.toContain('read at App.svelte:6');
  const { nodes } = traceReport(trace, places);
  expect(nodes.find(({ port }) => port.endsWith(':line'))!.reads).toEqual([
    { file: 'App.svelte', line: 5, column: 23 },
  ]);
});
