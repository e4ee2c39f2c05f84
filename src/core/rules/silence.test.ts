import { describe } from 'vitest';
import { cases } from './testing';

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
