import { describe, expect, test } from 'vitest';
import type { AboveView } from '../../../api/component-schemas';
import { aboveLayers, barePath } from './above';

type Node = [name: string, file?: string, more?: Partial<AboveView['nodes'][number]>];

/** Nodes by name, the component first; links from who renders to who is rendered. */
function view(nodes: Node[], links: [from: string, to: string, without?: string][]): AboveView {
  const ids = new Map(nodes.map(([name], i) => [name, i]));
  return {
    nodes: nodes.map(([name, file = `src/${name}.tsx`, more], id) => ({
      id,
      ref: name,
      name,
      file,
      provides: [],
      ...more,
    })),
    links: links.map(([from, to, without]) => ({
      from: ids.get(from)!,
      to: ids.get(to)!,
      times: 1,
      without: without ? [without] : [],
    })),
    more: 0,
  };
}

/** The labels of each layer, from where trees start to the component. */
function layersOf(of: AboveView, opened: string[] = []): string[][] {
  const { nodes } = aboveLayers(of, new Set(opened));
  const lefts = [...new Set(nodes.map((one) => one.left))].sort((a, b) => a - b);
  return lefts.map((left) => nodes.filter((one) => one.left === left).map((one) => one.label));
}

describe('layers by the longest way down', () => {
  test.each<[string, AboveView, string[][]]>([
    [
      'who renders stands before who is rendered',
      view(
        [['Lamp'], ['Row'], ['App']],
        [
          ['Row', 'Lamp'],
          ['App', 'Row'],
          ['App', 'Lamp'],
        ],
      ),
      [['App'], ['Row'], ['Lamp']],
    ],
    [
      'a circle ends',
      view(
        [['Node'], ['Tree']],
        [
          ['Tree', 'Node'],
          ['Node', 'Tree'],
          ['Node', 'Node'],
        ],
      ),
      [['Tree'], ['Node']],
    ],
    [
      'tests and examples are left out',
      view(
        [['Lamp'], ['App'], ['LampStory', 'Lamp.stories.tsx', { aside: true }]],
        [
          ['App', 'Lamp'],
          ['LampStory', 'Lamp'],
        ],
      ),
      [['App'], ['Lamp']],
    ],
  ])('%s', (_, given, expected) => {
    expect(layersOf(given)).toEqual(expected);
  });
});

describe('a layer of many is folded by folder', () => {
  const rows = Array.from({ length: 9 }, (_, i): Node => [`Row${i}`, `src/pylons/rows/Row${i}.tsx`]);
  const cards = Array.from({ length: 9 }, (_, i): Node => [`Card${i}`, `src/crew/Card${i}.tsx`]);
  const all: Node[] = [...rows, ...cards, ['Only', 'src/line/Only.tsx']];
  const given = view(
    [['Lamp'], ...all],
    all.map(([name]) => [name, 'Lamp']),
  );

  test('few of a folder are shown one by one', () => {
    expect(layersOf(given)).toEqual([['9 in pylons', '9 in crew', 'Only'], ['Lamp']]);
  });

  test('a box that is opened shows what it stands for', () => {
    expect(layersOf(given, ['1 src/crew'])[0]).toEqual([
      '9 in pylons',
      ...cards.map(([name]) => name),
      'Only',
    ]);
    expect(layersOf(given, ['1 src/pylons'])[0]).toEqual([
      ...rows.map(([name]) => name),
      '9 in crew',
      'Only',
    ]);
  });

  test('what provides, or lacks a provider, is never folded', () => {
    const telling = view(
      [
        ['Lamp'],
        ...all.map(([name, file]): Node => [name, file, name === 'Row3' ? { provides: ['Unit'] } : {}]),
      ],
      all.map(([name]) => (name === 'Card1' ? [name, 'Lamp', 'Unit'] : [name, 'Lamp'])),
    );
    expect(layersOf(telling)[0]).toEqual(['Row3', 'Card1', '8 in pylons', '8 in crew', 'Only']);
    const { lines } = aboveLayers(telling, new Set());
    expect(lines.filter((line) => line.without.length).map((line) => line.from.label)).toEqual(['Card1']);
  });
});

test.each<[string, AboveView, string[]]>([
  [
    'from where trees start down to the component',
    view(
      [['Lamp'], ['Row'], ['App'], ['Side']],
      [
        ['Row', 'Lamp', 'Unit'],
        ['App', 'Row', 'Unit'],
        ['Side', 'Lamp'],
      ],
    ),
    ['App', 'Row', 'Lamp'],
  ],
  ['none, where every way provides it', view([['Lamp'], ['App']], [['App', 'Lamp']]), []],
  ['none, where another key is missing', view([['Lamp'], ['App']], [['App', 'Lamp', 'Shift']]), []],
])('the way that lacks a provider: %s', (_, given, expected) => {
  expect(barePath(given, 'Unit')).toEqual(expected);
});
