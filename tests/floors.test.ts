/** The floors of the house: which folder may import from which. */
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import { expect, test } from 'vitest';

const ROOT = join(import.meta.dirname, '..');
/** From the ground up: each floor may use those before it. */
const FLOORS = ['core', 'api', 'server', 'editor', 'cli'];
/** Inside the core, likewise. */
const CORE = ['model', 'types', 'readers', 'link', 'trace', 'rules', 'splice', 'pages', 'report'];
const PARSERS =
  /^(@babel\/parser|jsonc-parser|parse5|@vue\/compiler-sfc|svelte|@angular\/compiler|yaml|zod)(\/|$)/;

function sources(dir: string): string[] {
  return readdirSync(dir).flatMap((name) => {
    const path = join(dir, name);
    if (statSync(path).isDirectory()) return sources(path);
    return /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name) ? [path] : [];
  });
}

interface Import {
  file: string;
  /** Path of what is imported relative to src/, or the package. */
  target: string;
  typeOnly: boolean;
}

const imports: Import[] = sources(join(ROOT, 'src')).flatMap((path) => {
  const file = relative(join(ROOT, 'src'), path);
  const text = readFileSync(path, 'utf8');
  const found: Import[] = [];
  for (const match of text.matchAll(
    /(?:^|\n)\s*(?:import|export)\s+(type\s)?[^'";]*?from\s+'([^']+)'|import\('([^']+)'\)/g,
  )) {
    const specifier = match[2] ?? match[3]!;
    const target = specifier.startsWith('.')
      ? relative(join(ROOT, 'src'), join(path, '..', specifier))
      : specifier;
    found.push({ file, target, typeOnly: match[1] !== undefined });
  }
  return found;
});

const floorOf = (path: string): string => path.split('/')[0]!;
const isOwn = (one: Import): boolean =>
  !/^(node:|@|[a-z])/.test(one.target) || FLOORS.concat('web').includes(floorOf(one.target));

const broken = (rule: (one: Import) => boolean): string[] =>
  imports.filter(rule).map((one) => `${one.file} imports ${one.target}`);

test('there is something to check', () => {
  expect(imports.length).toBeGreaterThan(200);
});

test('a floor uses only floors below it', () => {
  expect(
    broken((one) => {
      const own = FLOORS.indexOf(floorOf(one.file));
      const other = FLOORS.indexOf(floorOf(one.target));
      return own >= 0 && (other > own || floorOf(one.target) === 'web');
    }),
  ).toEqual([]);
});

test('the web talks to the server through the types of the api alone', () => {
  expect(
    broken(
      (one) =>
        floorOf(one.file) === 'web' && ['core', 'server', 'editor', 'cli'].includes(floorOf(one.target)),
    ),
  ).toEqual([]);
});

test('no files import each other in a circle, types included', () => {
  const known = new Set(sources(join(ROOT, 'src')).map((path) => relative(join(ROOT, 'src'), path)));
  const fileOf = (target: string): string | undefined =>
    ['', '.ts', '.tsx', '/index.ts'].map((end) => target + end).find((one) => known.has(one));
  const uses = new Map<string, string[]>();
  for (const { file, target } of imports) {
    const other = fileOf(target);
    if (other !== undefined) uses.set(file, [...(uses.get(file) ?? []), other]);
  }
  const circles: string[] = [];
  const done = new Set<string>();
  const walk = (file: string, way: string[]): void => {
    if (way.includes(file)) circles.push([...way.slice(way.indexOf(file)), file].join(' > '));
    if (done.has(file)) return;
    done.add(file);
    for (const other of uses.get(file) ?? []) walk(other, [...way, file]);
  };
  for (const file of known) walk(file, []);
  expect(circles).toEqual([]);
});

test('the core does no input or output', () => {
  // Parsers are loaded when they are needed, from one place.
  const loads = (one: Import) => one.file === 'core/readers/on-demand.ts' && one.target === 'node:module';
  expect(
    broken((one) => floorOf(one.file) === 'core' && one.target.startsWith('node:') && !loads(one)),
  ).toEqual([]);
  expect(
    broken(
      (one) =>
        floorOf(one.file) === 'core' &&
        // Examples are texts, and import what they show.
        !one.file.startsWith('core/pages/') &&
        !isOwn(one) &&
        !PARSERS.test(one.target) &&
        !loads(one) &&
        !one.typeOnly &&
        one.target !== 'vitest',
    ),
  ).toEqual([]);
});

test('only readers use a parser, and no reader another framework', () => {
  // What checks sheets checks what comes over the wire, too.
  const isParser = (one: Import) =>
    PARSERS.test(one.target) && !(one.target === 'zod' && floorOf(one.file) !== 'core');
  expect(broken((one) => isParser(one) && !one.file.startsWith('core/readers/'))).toEqual([]);
  const framework = (path: string) =>
    /^core\/readers\/(react|vue|svelte|angular|stencil|razor|sheet)\//.exec(path)?.[1];
  expect(
    broken((one) => {
      const [own, other] = [framework(one.file), framework(one.target)];
      return own !== undefined && other !== undefined && own !== other;
    }),
  ).toEqual([]);
});

test('inside the core, too, a floor uses only floors below it', () => {
  const part = (path: string) => CORE.find((name) => path.startsWith(`core/${name}/`));
  expect(
    broken((one) => {
      const [own, other] = [CORE.indexOf(part(one.file) ?? ''), CORE.indexOf(part(one.target) ?? '')];
      return own >= 0 && other > own;
    }),
  ).toEqual([]);
  // Rules read the project and nothing else.
  expect(
    broken((one) => /^(rules|trace)$/.test(part(one.file) ?? '') && part(one.target) === 'readers'),
  ).toEqual([]);
});

test('linking goes one way: a phase uses itself and those before it', () => {
  const phase = (path: string) => Number(/^core\/link\/(\d)-/.exec(path)?.[1] ?? NaN);
  const linking = imports.filter((one) => !Number.isNaN(phase(one.file)));
  expect(new Set(linking.map((one) => phase(one.file))).size).toBe(7);
  expect(
    linking
      .filter((one) => phase(one.target) > phase(one.file))
      .map((one) => `${one.file} imports ${one.target}`),
  ).toEqual([]);
});

test('frameworks are named by their readers, and by what shows languages', () => {
  // The server is written with one of them, and so is the web: imports and types say so.
  const names = /\b(react|vue|svelte|angular|stencil|razor|next|nuxt|sveltekit)\b/i;
  const general = ['core/link', 'core/trace', 'core/rules', 'core/report', 'server', 'web'];
  const lines = general.flatMap((part) =>
    sources(join(ROOT, 'src', part)).flatMap((path) => {
      const file = relative(join(ROOT, 'src'), path);
      if (file === 'web/parts/languages.ts' || /\btesting\.ts$|vite\.config\.ts$/.test(file)) return [];
      return readFileSync(path, 'utf8')
        .split('\n')
        .filter((line) => names.test(line.replace(/\bnext\b|React\.ReactNode|react-hooks|'\.\w+'/gi, '')))
        .filter((line) => !/^\s*(import|export)\b|from '[^']*react[^']*'/.test(line))
        .map((line) => `${file}: ${line.trim()}`);
    }),
  );
  expect(lines).toEqual([]);
});

test('the core keeps nothing between audits but what is worked out once of what it belongs to', () => {
  const KEEPS =
    /^(?:export )?(?:let |var |const \w+(?:: [^=]+)? = new (?:Map|Set|WeakMap|WeakSet)(?:<[^;]*>)?\(\);)/m;
  const found = sources(join(ROOT, 'src/core')).filter((path) => KEEPS.test(readFileSync(path, 'utf8')));
  // What is not there is never filled.
  const empty = /^(?:const NOTHING: ReadonlyMap|const NO_LOOPS: Loops)/m;
  expect(
    found.filter((path) => !empty.test(readFileSync(path, 'utf8'))).map((path) => relative(ROOT, path)),
  ).toEqual([]);
});
