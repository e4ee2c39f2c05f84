/**
 * Contexts and components that functions of the project make: each call has a key, a provider and a hook of its own. They
 * are written once, inside the function; here the facts of what is inside are made anew for every call.
 */
import { nameFromPath } from '../../model/names';
import type { ComponentFacts, FactoryFact, FileFacts, KeyFact, ValueFact } from '../../model/facts';
import type { Modules } from '../1-files/modules';
import type { Spaces } from '../1-files/spaces';
import { linkNames } from './names';
import { pathTo } from '../../model/paths';

/** Values that one call made, by the place of the call. */
interface Call {
  file: number;
  values: ValueFact[];
  home: number;
  factory: FactoryFact;
}

/** Facts in which every call of a function that makes contexts has its own. */
export function withFactories(files: FileFacts[], modules: Modules, spaces: Spaces): FileFacts[] {
  if (!files.some((file) => file.factories?.length)) return files;
  const calls = callsOf(files, modules, spaces);
  if (!calls.length) return files;
  const made = files.map((file) => ({
    ...file,
    values: [...file.values],
    components: [...file.components],
    imports: [...file.imports],
    exports: [...file.exports],
  }));
  calls.forEach((call, number) => new Maker(made, call, number).make());
  // What stands inside of the function is a component, and draws something, only where a call made it.
  for (const { home, factory } of calls) {
    const { components } = made[home]!;
    for (const { component } of factory.gives)
      if (component !== undefined)
        components[component] = { ...components[component]!, role: 'helper', render: [] };
  }
  return made;
}

function callsOf(files: FileFacts[], modules: Modules, spaces: Spaces): Call[] {
  const homes: { file: number; index: number }[] = [];
  const ids = files.map((file, index) =>
    file.components.map((_, at) => homes.push({ file: index, index: at }) - 1),
  );
  const names = linkNames(files, modules, spaces, ids, homes);
  const found = new Map<string, Call>();
  files.forEach((file, index) => {
    for (const value of file.values) {
      const { name, at } = value.madeBy ?? {};
      if (name === undefined || at === undefined) continue;
      const maker = names.lookup(index, name);
      const home =
        maker.kind === 'component'
          ? homes[maker.component]!.file
          : maker.kind === 'value'
            ? maker.file
            : undefined;
      const factories = home === undefined ? undefined : files[home]!.factories;
      if (!factories) continue;
      const known =
        maker.kind === 'component'
          ? names.nameOf(maker.component)
          : maker.kind === 'value' && maker.value.name;
      const factory = factories.find((one) => one.name === known);
      if (!factory) continue;
      const key = `${index}:${at}`;
      const call = found.get(key);
      if (call) call.values.push(value);
      else found.set(key, { file: index, values: [value], home: home!, factory });
    }
  });
  return [...found.values()];
}

class Maker {
  private readonly home: FileFacts;
  private readonly file: FileFacts;
  private readonly keys = new Map<string, string>();

  constructor(
    files: FileFacts[],
    private readonly call: Call,
    private readonly number: number,
  ) {
    this.home = files[call.home]!;
    this.file = files[call.file]!;
  }

  make(): void {
    const { factory, values } = this.call;
    for (const key of factory.keys) this.keys.set(key, this.addKey(key));
    for (const value of values) {
      const path = value.madeBy?.path ?? [];
      const exact = factory.gives.find((one) => one.path.join('.') === path.join('.'));
      if (exact) this.replace(value, { kind: 'alias', alias: this.local(exact, value.name) });
      else {
        const inside = factory.gives.filter((one) => path.every((step, i) => one.path[i] === step));
        const members = inside.map((one): [string, string] => {
          const rest = one.path.slice(path.length).join('.');
          return [rest, this.local(one, `${value.name}.${rest}`)];
        });
        if (members.length) this.replace(value, { kind: 'object', members: Object.fromEntries(members) });
      }
    }
  }

  private replace(
    { name, start, end }: ValueFact,
    meaning: Pick<ValueFact, 'kind' | 'alias' | 'members'>,
  ): void {
    const at = this.file.values.findIndex((one) => one.name === name);
    this.file.values[at] = { name, start, end, ...meaning };
  }

  /** A key for this call, known by the name of what it is taken as. */
  private addKey(key: string): string {
    const { values, factory } = this.call;
    const named = values.find((one) => /Provider$|Context$/.test(one.name)) ?? values[0]!;
    const stem = named.name.replace(/(Provider|Context)$/, '').replace(/^use(?=[A-Z])/, '');
    const label = factory.keys.length > 1 ? `${stem}${key}` : /Context$/.test(stem) ? stem : `${stem}Context`;
    const { start, end } = this.home.values.find((one) => one.name === factory.name) ?? named;
    const name = this.home.values.some((one) => one.name === label) ? `${label}#${this.number}` : label;
    this.home.values.push({ name, kind: 'context', type: { t: 'unknown' }, start, end });
    return name;
  }

  /** A name in the file of the call for one thing that the call gives. */
  private local(gives: FactoryFact['gives'][number], shown: string): string {
    const name = `#${this.number}-${gives.path.join('-')}`;
    if (gives.key !== undefined) this.home.values.push(this.alias(name, this.keys.get(gives.key)!));
    else {
      const original = this.home.components[gives.component!]!;
      const component = this.home.components.push(this.copy(original, this.free(shown))) - 1;
      this.home.values.push({
        name,
        kind: 'component',
        component,
        start: original.nameStart,
        end: original.nameEnd,
      });
    }
    if (this.file === this.home) return name;
    const local = `${name}@`;
    this.home.exports.push({ name, local: name, start: 0, end: 0 });
    this.file.imports.push({ local, name, from: pathTo(this.file.path, this.home.path), start: 0, end: 0 });
    return local;
  }

  /** A name that no other component of the file has, so that each may be asked for. */
  private free(shown: string): string {
    const isTaken = (name: string) => this.home.components.some((one) => one.name === name);
    if (!isTaken(shown)) return shown;
    const byFile = `${nameFromPath(this.file.path)}.${shown}`;
    return isTaken(byFile) ? `${byFile}#${this.number}` : byFile;
  }

  private alias(name: string, alias: string): ValueFact {
    return { name, kind: 'alias', alias, start: 0, end: 0 };
  }

  /** A component or hook from inside the function, with the keys of this call. */
  private copy(facts: ComponentFacts, name: string): ComponentFacts {
    const local = (written: string) => this.keys.get(written) ?? written;
    const key = (one: KeyFact) => ('name' in one ? { name: local(one.name) } : one);
    return {
      ...facts,
      name,
      copy: true,
      ...(facts.provides.length ? { provider: true } : {}),
      provides: facts.provides.map((one) => ({ ...one, key: key(one.key) })),
      consumes: facts.consumes.map((one) => ({ ...one, key: key(one.key) })),
      render: facts.render.map((node) =>
        node.tag && this.keys.has(node.tag.name)
          ? { ...node, tag: { ...node.tag, name: local(node.tag.name), outer: false } }
          : node,
      ),
    };
  }
}
