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
  const { project } = audit.result;
  const places = placesOf(project, (path) => SOURCES[path]!);
  const text = traceText(project, trace, places);
  expect(text).toContain('line.js>Line:state:line');
  expect(text).toContain('read at App.svelte:5');
  expect(text).not.toContain('read at App.svelte:6');
  const { nodes } = traceReport(project, trace, places);
  expect(nodes.find(({ port }) => port.endsWith(':line'))!.reads).toEqual([
    { file: 'App.svelte', line: 5, column: 23 },
  ]);
});

test('what call sites write down is told where it arrives', () => {
  const audit = auditSources(SOURCES);
  const trace = audit.trace('Gate.name');
  if ('similar' in trace) throw new Error(trace.similar.join());
  const { project } = audit.result;
  const places = placesOf(project, (path) => SOURCES[path]!);
  expect(traceText(project, trace, places)).toContain('written at App.svelte:5  a');
  const { nodes } = traceReport(project, trace, places);
  expect(nodes.find(({ port }) => port === 'Gate:prop:name')!.written).toEqual([
    { file: 'App.svelte', line: 5, column: 13, text: 'a' },
  ]);
});
