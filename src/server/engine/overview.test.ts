/** What a project is, before anything is chosen. */
import { expect, test } from 'vitest';
import { auditSources } from '../../core/audit';
import { overview } from './overview';

test('trees are told by what they carry, and not by what is mounted first', () => {
  const { result } = auditSources({
    'a-hint.tsx': `import { createRoot } from 'react-dom/client';
function Hint() { return <i />; }
createRoot(document.body).render(<Hint />);`,
    'app.tsx': `function Lamp() { return <b />; }
function Gate() { return <Lamp />; }
export function Deck() { return <><Gate /><Lamp /></>; }`,
  });
  expect(overview(result).roots.map(({ name, components }) => [name, components])).toEqual([
    ['Deck', 3],
    ['Hint', 1],
  ]);
});
