/** Writes a made-up project of any size: the same parts in every shape that real code has, seeded. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** A small seeded generator (mulberry32), so that every run writes the same project. */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const NAMES = ['Gauge', 'Cabin', 'Pylon', 'Hold', 'Crew', 'Ticket', 'Station', 'Rope', 'Wind', 'Shift'];

/** Source of one component that renders some of the next ones. */
function component(index: number, count: number, random: () => number): string {
  const name = (i: number) => `${NAMES[i % NAMES.length]}${i}`;
  const children = [1, 2, 3].map((step) => index * 3 + step).filter((child) => child < count);
  const imports = children.map((child) => `import { ${name(child)} } from './${name(child)}';`).join('\n');
  const rows = children
    .map((child, at) =>
      at === 0
        ? `      {items.map((item) => (\n        <${name(child)} key={item.id} label={item.label} unit={unit} limit={limit} items={items} onHold={onHold} />\n      ))}`
        : at === 1
          ? `      {open && <${name(child)} label={label} unit={unit} limit={level} items={shown} onHold={hold} />}`
          : `      <${name(child)} label={\`\${label} ${child}\`} unit={unit} limit={${Math.floor(random() * 90)}} items={shown} onHold={(id) => onHold?.(id)} />`,
    )
    .join('\n');
  return `import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Item, Unit } from './model';
${imports}

interface ${name(index)}Props {
  label: string;
  unit: Unit;
  limit: number;
  items: Item[];
  compact?: boolean;
  onHold?: (id: string) => void;
}

const STEPS = { low: 10, middle: 50, high: 90 };

export function ${name(index)}({ label, unit, limit, items, compact = false, onHold }: ${name(index)}Props) {
  const [open, setOpen] = useState(false);
  const [level, setLevel] = useState(limit);
  const shown = useMemo(() => items.filter((item) => item.load < level), [items, level]);
  const hold = useCallback((id: string) => onHold?.(id), [onHold]);
  useEffect(() => {
    if (limit > STEPS.high) setLevel(STEPS.middle);
  }, [limit]);
  const toggle = () => {
    setOpen(!open);
    setLevel(level + 1);
  };
  if (items.length === 0) return <p>Nothing on the line.</p>;
  return (
    <section className={compact ? 'compact' : 'wide'}>
      <h3 onClick={toggle}>
        {label} in {unit}
      </h3>
      <p>{shown.length} of {items.length}</p>
${rows}
    </section>
  );
}
`;
}

/** Writes a project of `count` components into a folder. */
export function generate(folder: string, count: number): void {
  const random = seeded(7);
  mkdirSync(join(folder, 'src'), { recursive: true });
  writeFileSync(join(folder, 'package.json'), '{ "name": "made-up", "private": true }');
  writeFileSync(
    join(folder, 'src/model.ts'),
    `export type Unit = 'm/s' | 'knots';\nexport interface Item { id: string; label: string; load: number }\n`,
  );
  writeFileSync(
    join(folder, 'src/main.tsx'),
    `import { createRoot } from 'react-dom/client';\nimport { Gauge0 } from './Gauge0';\ncreateRoot(document.body).render(<Gauge0 label="Line" unit="m/s" limit={3} items={[]} />);\n`,
  );
  for (let i = 0; i < count; i++) {
    writeFileSync(join(folder, `src/${NAMES[i % NAMES.length]}${i}.tsx`), component(i, count, random));
  }
}
