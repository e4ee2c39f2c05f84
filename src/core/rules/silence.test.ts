import { describe, expect, test } from 'vitest';
import { cases, findingLines, MOUNT } from './testing';

const CARD = `function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }`;

describe('zinc-rope-ignore', () => {
  cases(/prop/, [
    [
      'above the line, with a reason',
      `${CARD}
export function App() {
  // zinc-rope-ignore prop/missing: filled in by the kiosk
  return <Card />;
}`,
      ['silenced prop/missing App.tsx:4 Card'],
    ],
    [
      'above the tag that holds the place',
      `${CARD}
export function App() {
  return (
    <div>
      {/* zinc-rope-ignore prop/unknown, prop/missing: the old desk */}
      <Card
        fare={1}
        colour="red"
      />
    </div>
  );
}`,
      ['silenced prop/unknown App.tsx:8 colour'],
    ],
    [
      'without a reason, for another rule, or above another line it does not silence',
      `${CARD}
export function App() {
  // zinc-rope-ignore prop/missing
  const a = <Card />;
  // zinc-rope-ignore prop/unread: not this one
  const b = <Card />;
  // zinc-rope-ignore prop/missing: only the next line

  const n = 1;
  const c = <Card />;
  return <>{a}{b}{c}{n}</>;
}`,
      [
        'error prop/missing App.tsx:4 Card',
        'error prop/missing App.tsx:6 Card',
        'error prop/missing App.tsx:10 Card',
      ],
    ],
  ]);
});

describe('beside the app', () => {
  const box = `interface BoxProps { name: string; kind: string }
export function Box({ name, kind }: BoxProps) { return <p>{name}{kind}</p>; }`;
  const story = `import { Box } from './Box';
export const Wide = () => <Box kind="a" />;`;
  const app = `import { Box } from './Box';
export function App() { return <><Box name="a" kind="a" /><Box name="b" kind="a" /></>; }`;
  test('what lies there is a note, and its call sites make no constant', () => {
    const sources = { ...MOUNT, 'Box.tsx': box, 'App.tsx': app, 'Box.stories.tsx': story };
    expect(findingLines(sources)).toEqual(['note prop/missing Box.stories.tsx:2 Box']);
  });
  test('the settings say where that is', () => {
    const sources = { ...MOUNT, 'Box.tsx': box, 'App.tsx': app, 'odd/Box.tsx': story.replace('./', '../') };
    const settings = { drillDepth: 2, rules: {} };
    expect(findingLines(sources, { ...settings, beside: (path) => path.startsWith('odd/') })).toEqual([
      'note prop/missing odd/Box.tsx:2 Box',
    ]);
    expect(findingLines(sources, settings)).toContain('error prop/missing odd/Box.tsx:2 Box');
  });
});
