/** What the body of a component reads, writes and calls, and what for. */
import { expect, test } from 'vitest';
import { readFile } from '..';

function noted(body: string): string[] {
  const { components } = readFile(
    'A.tsx',
    `import { useState, useEffect, useMemo, useCallback } from 'react';
export function A({ wind, unit, limit, list, onHold }) { ${body} }`,
  );
  const { symbols, functions, reads, writes, emits } = components[0]!;
  const name = (symbol: number, path: string[] = []): string => [symbols[symbol]!.name, ...path].join('.');
  return [
    ...reads.map((one) => `${name(one.symbol, one.path)} in ${one.where}${one.soft ? ', softly' : ''}`),
    ...writes.map(
      ({ symbol, path, where, through }) =>
        `${name(symbol, path)} written in ${where}${through ? ` through ${through.method ?? 'it'}` : ''}`,
    ),
    ...emits.map(
      ({ event, how, fn, guarded }) =>
        `${event} ${how} in ${fn < 0 ? 'the render' : functions[fn]!.where}${guarded ? ', guarded' : ''}`,
    ),
  ];
}

test.each<[string, string[]]>([
  [`return <b>{wind}</b>;`, ['wind in text']],
  [
    `return <b title={wind.speed}>{wind.name.length}</b>;`,
    ['wind.speed in derivation', 'wind.name.length in derivation'],
  ],
  [`if (wind) return null; return <i />;`, ['wind in condition']],
  [`return wind ? <b /> : <i />;`, ['wind in condition']],
  [`return wind && <b>{unit}</b>;`, ['wind in condition', 'unit in text']],
  [
    `const { speed, ...others } = wind; return <b {...others}>{speed}</b>;`,
    ['wind.speed in derivation', 'wind in derivation', 'others in derivation', 'speed in text'],
  ],
  [
    `const shown = wind.list.filter((one) => one.load > limit); return <b>{shown.length}</b>;`,
    [
      'wind.list in derivation',
      'one.load in derivation',
      'limit in derivation',
      'shown.length in derivation',
    ],
  ],
  [
    `useEffect(() => { document.title = wind; }, [wind]); return <i />;`,
    ['wind in effect', 'wind in effect'],
  ],
  [
    `const text = useMemo(() => wind + unit, [wind, unit]); return <b>{text}</b>;`,
    ['wind in derivation', 'unit in derivation', 'wind in derivation', 'unit in derivation', 'text in text'],
  ],
  [
    `const [now, setNow] = useState(wind); return <b onClick={() => setNow(unit)}>{now}</b>;`,
    ['wind in derivation', 'unit in argument', 'now in text', 'now written in handler'],
  ],
  [
    `const go = () => { onHold(wind); }; return <b onClick={go} />;`,
    ['wind in emit', 'go in attribute', 'onHold called in handler'],
  ],
  [
    `const go = useCallback((e) => onHold?.(e, unit), [onHold, unit]); return <b onClick={go} />;`,
    [
      'e in emit',
      'unit in emit',
      'onHold in derivation',
      'unit in derivation',
      'go in attribute',
      'onHold called in handler, guarded',
    ],
  ],
  [
    `wind.list.push(unit); return <i />;`,
    ['wind.list.push in derivation', 'unit in argument', 'wind.list written in derivation through push'],
  ],
  [`wind.speed = unit; return <i />;`, ['unit in derivation', 'wind.speed written in derivation through it']],
  ['return <b className={`a ${wind} b`} />;', ['wind in derivation']],
  [
    `switch (wind) { case unit: return <b />; default: return <i />; }`,
    ['wind in condition', 'unit in condition'],
  ],
  [
    `for (const one of wind) limit.add(one); return <i />;`,
    ['wind in derivation', 'limit.add in derivation', 'one in argument'],
  ],
  [`while (wind) { break; } return <i />;`, ['wind in condition']],
  [`return <b>{wind?.speed ?? unit}</b>;`, ['wind.speed in derivation', 'unit in derivation']],
  [`const name = wind as string; return <b>{name!}</b>;`, ['wind in text']],
  [
    `return list.map((one) => <b key={one.id} onClick={() => onHold(one)}>{wind}</b>);`,
    ['list in derivation', 'one.id in derivation', 'one in emit', 'wind in text', 'onHold called in handler'],
  ],
  [`const a = wind; const b = a; return <b>{b.speed}</b>;`, ['wind.speed in derivation']],
  [
    `let a = wind; a = unit; return <b>{a}</b>;`,
    ['wind in derivation', 'unit in derivation', 'a in text', 'a written in derivation'],
  ],
  [`return <Gauge {...wind} unit={unit} onHold={onHold} />;`, ['wind in derivation']],
  [
    `return <b>{[wind, unit].join(limit)}</b>;`,
    ['wind in derivation', 'unit in derivation', 'limit in argument'],
  ],
  [
    `return <b>{typeof wind === "string" ? wind : String(unit)}</b>;`,
    ['wind in condition', 'wind in derivation', 'unit in argument'],
  ],
])('%s', (body, expected) => {
  expect(noted(body)).toEqual(expected);
});
