/**
 * Data that a router fetches for what it draws: a function beside a page, or beside a layout around it, gives an object whose
 * members the page is handed. Nobody writes that call, so it is added to the facts of the page.
 */
import type { ComponentFacts, ExprFact, FileFacts, ImportFact, PlainCallFact, Span } from '../../model/facts';
import { dirname, pathTo } from '../../model/paths';
import { LANGUAGES, languageByName } from '../../readers/languages';

/** What such a function is called where it is used. */
const LOAD = '#load';

/** A file whose function fetches for a page or a layout of its folder. */
interface Load {
  path: string;
  kind: string;
  /** It is given what the other one of the folder gives. */
  second: boolean;
}

/** Facts in which pages and layouts call what fetches for them. */
export function withLoads(files: FileFacts[]): FileFacts[] {
  const loads = new Map<string, Load[]>();
  for (const { path, exports } of files) {
    const load = loadAt(path, exports);
    if (!load) continue;
    const dir = dirname(path);
    loads.set(dir, [...(loads.get(dir) ?? []), load]);
  }
  if (!loads.size) return files;
  return files.map((file) => {
    const language = languageByName(file.path);
    const [, kind] = language?.nested?.exec(file.path) ?? [];
    const [component, ...others] = file.components;
    if (!language?.fetched || !component || (kind !== 'page' && kind !== 'layout')) return file;
    const found = around(loads, dirname(file.path), kind);
    if (!found.length) return file;
    const imports = found.map(({ path }, at): ImportFact => ({
      local: `${LOAD}${at}`,
      name: language.fetched!.name,
      from: pathTo(file.path, path),
      start: 0,
      end: 0,
    }));
    return {
      ...file,
      imports: [...file.imports, ...imports],
      components: [fed(component, found, language.fetched.port), ...others],
    };
  });
}

function loadAt(path: string, exports: FileFacts['exports']): Load | undefined {
  for (const { fetched } of LANGUAGES) {
    const [, kind, first] = fetched?.files.exec(path) ?? [];
    if (kind !== undefined && exports.some(({ name }) => name === fetched!.name))
      return { path, kind, second: first === undefined };
  }
  return undefined;
}

/** The outermost first; of one folder, that which runs first. */
function around(loads: ReadonlyMap<string, Load[]>, dir: string, kind: string): Load[] {
  const own = (loads.get(dir) ?? [])
    .filter((one) => one.kind === kind || one.kind === 'layout')
    .sort((a, b) => Number(a.kind === kind) - Number(b.kind === kind) || Number(a.second) - Number(b.second));
  return dir === '' ? own : [...around(loads, dirname(dir), 'layout'), ...own];
}

/** The component with the calls, and what they give arriving at its port. */
function fed(component: ComponentFacts, loads: Load[], name: string): ComponentFacts {
  const port = component.ports.find((one) => one.name === name);
  const at: Span = port ? { start: port.start, end: port.end } : { start: 0, end: 0 };
  const first = component.calls.length;
  const given = (index: number): ExprFact => ({
    kind: 'computed',
    from: { call: first + index, path: [] },
    ...at,
  });
  const calls = loads.map(({ path, second }, index): PlainCallFact => {
    const before = second && index > 0 && dirname(loads[index - 1]!.path) === dirname(path);
    const event: ExprFact = {
      kind: 'object',
      members: before ? [{ name: 'data', value: given(index - 1), ...at }] : [],
      ...at,
    };
    return { name: `${LOAD}${index}`, args: [event], where: 'derivation', fn: -1, ...at };
  });
  const value: ExprFact = {
    kind: 'object',
    members: [],
    spreads: loads.map((_, index) => given(index)),
    ...at,
  };
  return {
    ...component,
    calls: [...component.calls, ...calls],
    feeds: [...(component.feeds ?? []), { port: name, value }],
  };
}
