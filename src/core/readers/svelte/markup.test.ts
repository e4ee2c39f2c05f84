import { expect, test } from 'vitest';
import { parseMarkup } from './markup';

const part = (text: string, span: unknown) => {
  const { start, end } = span as { start: number; end: number };
  return text.slice(start, end);
};

test('scripts and styles keep their places, and are not parsed', () => {
  const text = `<script module>let broken = (</script>
<script lang="ts" generics="T extends Record<string, number>">let wind: T = ;</script>
<p>{wind}</p>
<style lang="scss">.a { @include b; // c
}</style>`;
  const { module, instance, css, fragment } = parseMarkup('Gauge.svelte', text);
  expect(part(text, module!.content)).toBe('let broken = (');
  expect(part(text, instance!.content)).toBe('let wind: T = ;');
  expect(part(text, css!.content)).toContain('@include');
  expect(fragment.nodes.filter((one) => one.type === 'RegularElement')).toHaveLength(1);
});

test.each([
  ['in the text of an expression', '{@html `<script>${wind}</script>`}'],
  ['in the head of the page', '<svelte:head><script>let wind = 1;</script></svelte:head>{wind}'],
  ['in a comment', '<!-- <script>let wind</script> -->{wind}'],
])('what looks like a script is markup: %s', (_, markup) => {
  const text = `<script>let wind = 1;</script>${markup}`;
  const { instance, fragment } = parseMarkup('Gauge.svelte', text);
  expect(part(text, instance!.content)).toBe('let wind = 1;');
  expect(JSON.stringify(fragment)).toContain('wind');
});

test('a text of nothing but beginnings is refused', () => {
  expect(() => parseMarkup('Gauge.svelte', '<script>'.repeat(50_000))).toThrow();
});
