import { describe, expect, test } from 'vitest';
import { offersAt, type Schema } from './complete';
import { namesIn, outlineOf } from './outline';

/** The place is marked by a bar. */
const at = (text: string) => {
  const { path, isKey, word } = outlineOf(text.split('|')[0]!);
  return `${path.join(' ')} ${isKey ? 'key' : 'value'} ${word}`;
};

describe('where a place is', () => {
  test.each([
    ['|', ' key '],
    ['sh|', ' key sh'],
    ['components:\n  |', 'components key '],
    ['components:\n  Gate:\n    tak|', 'components Gate key tak'],
    ['components:\n  Gate:\n    takes:\n      wind: num|', 'components Gate takes wind value num'],
    ['components:\n  Gate:\n    takes: { wind: num|', 'components Gate takes wind value num'],
    ['components:\n  Gate:\n    takes: { wind: { ty|', 'components Gate takes wind key ty'],
    ['components:\n  Gate:\n    takes: { wind: number, ra|', 'components Gate takes key ra'],
    ['components:\n  Gate:\n    tree:\n      - u|', 'components Gate tree - key u'],
    ['components:\n  Gate:\n    tree:\n    - u|', 'components Gate tree - key u'],
    ['components:\n  Gate:\n    tree:\n      - use: Ga|', 'components Gate tree - use value Ga'],
    ['components:\n  Gate:\n    tree:\n      - use: A\n        wi|', 'components Gate tree - key wi'],
    [
      'components:\n  Gate:\n    tree:\n      - { use: A, with: { a: $w|',
      'components Gate tree - with a value $w',
    ],
    [
      'components:\n  Gate:\n    tree:\n      - text: { mix: [$a, $b|',
      'components Gate tree - text mix - value $b',
    ],
    ['components:\n  A:\n    takes: { a: {\n      ty|', 'components A takes a key ty'],
    ['components:\n  A:\n    keeps: {}\n  B:\n    |', 'components B key '],
    ['roots: [A, B|', 'roots - value B'],
    ['# a note: here\nroots:\n  - |', 'roots - key '],
    ["sheet: 'a: b'\nro|", ' key ro'],
  ])('%j', (text, expected) => {
    expect(at(text)).toBe(expected);
  });

  test('names are known wherever they are declared', () => {
    const text = `shared: { idle: { starts: 0 } }
components:
  Gate:
    takes: { wind: number }
    keeps:
      held: { starts: false }
    handles: [dial, bell]
    tree:
      - each: { cabin: $cabins }
        use: Row
  Other:
    keeps: { not: {} }
`;
    expect(namesIn(outlineOf(text), 'Gate')).toEqual([
      'shared.idle',
      'wind',
      'held',
      'dial',
      'bell',
      'cabin',
    ]);
  });
});

const SCHEMA: Schema = {
  properties: {
    sheet: { description: 'The title.' },
    components: { additionalProperties: { $ref: '#/$defs/component' } },
  },
  $defs: {
    component: {
      properties: {
        takes: {
          additionalProperties: {
            anyOf: [{ $ref: '#/$defs/type' }, { properties: { type: { $ref: '#/$defs/type' } } }],
          },
        },
        tree: {
          items: {
            anyOf: [
              { properties: { use: {}, with: { additionalProperties: {} }, on: {} } },
              { properties: { text: {} } },
            ],
          },
        },
      },
    },
    type: { anyOf: [{ type: 'string', enum: ['text', 'number'] }] },
  },
};
const SHEET = `components:
  Gate:
    takes: { wind: number, unit: text }
    raises: { shut: ~ }
  Corner:
    keeps: { wind: { starts: 3 } }
    tree:
`;
const labels = (text: string) => {
  const [before, after = ''] = text.split('|') as [string, string?];
  return offersAt(SCHEMA, before, after).offers.map((one) => one.label);
};

describe('what may be written', () => {
  test.each([
    ['|', ['sheet', 'components']],
    ['components:\n  Gate:\n    t|', ['takes', 'tree']],
    ['components:\n  Gate:\n    takes:\n      a: |', ['text', 'number']],
    ['components:\n  Gate:\n    takes: { a: { type: n|', ['number']],
    [`${SHEET}      - |`, ['use', 'with', 'on', 'text']],
    [`${SHEET}      - use: |\n  Last:\n    tree: []\n`, ['Gate', 'Corner', 'Last']],
    [`${SHEET}      - { use: Gate, with: { |`, ['wind', 'unit']],
    [`${SHEET}      - use: Gate\n        on:\n          |`, ['shut']],
    [`${SHEET}      - use: Gate\n        with:\n          wind: $|`, ['$wind']],
  ])('%j', (text, expected) => {
    expect(labels(text)).toEqual(expected);
  });
});
