/**
 * Writes a made-up project whose parts know each other through many hands: barrels of star exports over barrels, hundreds
 * of contexts, provided in many places and consumed in all.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** So many components are in a folder, with a barrel of its own. */
const FOLDER = 50;
/** One context for so many components. */
const KEYS = 25;
/** Every so many components provide one. */
const PROVIDES = 10;

const nameOf = (index: number): string => `Span${index}`;

function component(index: number, count: number): string {
  const keys = Math.max(1, Math.floor(count / KEYS));
  const children = [1, 2, 3].map((step) => index * 3 + step).filter((child) => child < count);
  const provides = index % PROVIDES === 0;
  const own = Math.floor(index / PROVIDES) % keys;
  const read = (index * 7) % keys;
  const used = [...new Set([...(provides ? [own] : []), read])].map((key) => `Key${key}`);
  const rows = children
    .map((child) => `<${nameOf(child)} load={load + ${child}} unit={unit} onHold={onHold} />`)
    .join('\n      ');
  return `import { useContext } from 'react';
import { ${[...children.map(nameOf), ...used].join(', ')} } from '../all';

export interface ${nameOf(index)}Props { load: number; unit: string; onHold(id: string): void }

export function ${nameOf(index)}({ load, unit, onHold }: ${nameOf(index)}Props) {
  const { wind } = useContext(Key${read});
  return (
    <section title={unit} onClick={() => onHold(unit)}>
      {wind + load}
      ${provides ? `<Key${own}.Provider value={{ wind: load }}>` : '<>'}
      ${rows}
      ${provides ? `</Key${own}.Provider>` : '</>'}
    </section>
  );
}
`;
}

/** Writes a project of `count` components into a folder. */
export function generateWide(folder: string, count: number): void {
  const write = (path: string, text: string): void => writeFileSync(join(folder, path), text);
  mkdirSync(join(folder, 'src'), { recursive: true });
  write('package.json', '{ "name": "made-up-wide", "private": true }');
  write(
    'src/main.tsx',
    `import { createRoot } from 'react-dom/client';\nimport { Span0 } from './all';\ncreateRoot(document.body).render(<Span0 load={1} unit="m/s" onHold={() => {}} />);\n`,
  );
  const keys = Array.from({ length: Math.max(1, Math.floor(count / KEYS)) }, (_, key) => key);
  write(
    'src/keys.ts',
    `import { createContext } from 'react';\n${keys.map((key) => `export const Key${key} = createContext({ wind: ${key} });`).join('\n')}\n`,
  );
  const folders = Math.ceil(count / FOLDER);
  write(
    'src/all.ts',
    `export * from './keys';\n${Array.from({ length: folders }, (_, at) => `export * from './span${at}';`).join('\n')}\n`,
  );
  for (let at = 0; at < folders; at++) {
    mkdirSync(join(folder, `src/span${at}`), { recursive: true });
    const inside = Array.from({ length: Math.min(FOLDER, count - at * FOLDER) }, (_, i) => at * FOLDER + i);
    write(
      `src/span${at}/index.ts`,
      inside.map((index) => `export * from './${nameOf(index)}';`).join('\n') + '\n',
    );
    for (const index of inside) write(`src/span${at}/${nameOf(index)}.tsx`, component(index, count));
  }
}
