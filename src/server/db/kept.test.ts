import { describe, expect, test } from 'vitest';
import { isOdd, jsonKept, keptJson, keptText, textKept } from './kept';

const TEXTS = [
  '',
  'wind',
  'a\0b',
  '\ud800',
  'x\udfffy',
  '🚠 cabin',
  '\ue000',
  '\ue0000000',
  '\ud83d\ude00\ud83d',
  'ä\u0000\ue000\0',
];

describe('text goes in and comes out as it was', () => {
  test.each(TEXTS.map((text) => [JSON.stringify(text), text]))('%s', (_, text) => {
    const kept = keptText(text);
    expect(isOdd(kept)).toBe(false);
    expect(textKept(kept)).toBe(text);
    const json = keptJson({ text, list: [text, { deep: text }], number: 1, none: null });
    expect(json).not.toMatch(/\\u0000|\\ud[89a-f]/i);
    expect(jsonKept(JSON.parse(json))).toEqual({ text, list: [text, { deep: text }], number: 1, none: null });
  });

  test('plain text is left alone', () => {
    expect(keptText('🚠 cabin')).toBe('🚠 cabin');
    expect(isOdd('🚠')).toBe(false);
    expect(isOdd('\ude00')).toBe(true);
  });
});
