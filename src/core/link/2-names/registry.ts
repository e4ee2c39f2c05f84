/** Components that are registered for a whole app, by the name that tags use. */
import type { ComponentFacts, FileFacts, TagFact } from '../../model/facts';
import { pascal } from '../../model/names';
import type { Target } from '../../model/project';
import { nearestOf } from '../../model/paths';
import { ByFile } from './by-file';
import { matching } from '../1-files/globs';
import type { Modules } from '../1-files/modules';
import type { Names } from './names';
import type { Spaces } from '../1-files/spaces';

type Found = Extract<Target, { kind: 'component' }>;

/** A tag, or what it may be. */
type Named = Pick<TagFact, 'global' | 'space'>;

export interface Registry {
  /** The component that a tag of a component means where no name in its file does. */
  one(file: number, owner: ComponentFacts, tag: Named | undefined): Found | undefined;
  /** The element of the page that a tag means, whatever markup it stands in. */
  element(tag: string): Found | undefined;
  /** Some tag may mean an element of the project. */
  hasElements: boolean;
  /** Components of packages that register what their code does not say: any of them may be drawn by its name. */
  unseen(): number[];
  /** All that are registered under a name in the package of a file. */
  all(file: number, name: string): Found[];
}

export function linkRegistry(files: FileFacts[], names: Names, modules: Modules, spaces: Spaces): Registry {
  const registered = new Map<string, Found[]>();
  const byFile = new ByFile(files, names, modules);
  const packages = files.map((file) => modules.packageOf(file.path)?.dir ?? '');
  const near = new Set<string>();
  const homes = new Map<Found, number>();
  const elements = new Map<string, Found[]>();
  const add = (index: number, name: string, target: Target) => {
    if (target.kind !== 'component') return;
    homes.set(target, index);
    const key = `${packages[index]}\n${pascal(name)}`;
    registered.set(key, [...(registered.get(key) ?? []), target]);
  };
  files.forEach((file, index) => {
    for (const one of file.registers ?? []) {
      if ('local' in one) {
        const target = names.lookup(index, one.local);
        add(index, one.name, target);
        if (one.element && target.kind === 'component')
          elements.set(one.name, [...(elements.get(one.name) ?? []), target]);
        if (one.near) near.add(`${packages[index]}\n${pascal(one.name)}`);
      } else if ('itself' in one) {
        const target = names.lookup(index, one.itself);
        if (target.kind === 'component') add(index, names.nameOf(target.component), target);
      } else if ('glob' in one)
        for (const other of matching(files, modules, file.path, one.glob))
          add(index, nameOf(files[other]!.path), names.exported(other, 'default'));
      else addAll(index, one.all);
    }
  });

  /** The members of a table by their keys, those of a list by their own names. */
  function addAll(index: number, local: string, depth = 0): void {
    const target = names.lookup(index, local);
    if (target.kind === 'module')
      for (const name of names.exportsOf(target.file)) add(index, name, names.exported(target.file, name));
    else if (target.kind !== 'value') byFile.registersUnseen(index);
    if (target.kind !== 'value') return;
    for (const [key, name] of Object.entries(target.value.members ?? {})) {
      const member = names.lookup(target.file, name);
      if (member.kind === 'component')
        add(index, /^\d+$/.test(key) ? names.nameOf(member.component) : key, member);
    }
    for (const one of depth < MAX_DEPTH ? (target.value.spreads ?? []) : [])
      addAll(target.file, one, depth + 1);
  }

  /** What objects of options that the component takes over register. */
  function inherited(file: number, { mixins }: ComponentFacts, name: string): Found | undefined {
    for (const mixin of mixins ?? []) {
      const target = names.lookup(file, mixin);
      if (target.kind !== 'value') continue;
      for (const [key, local] of Object.entries(target.value.members ?? {})) {
        if (!key.startsWith('components.') || pascal(key.slice('components.'.length)) !== name) continue;
        const found = names.lookup(target.file, local);
        if (found.kind === 'component') return found;
      }
    }
    return undefined;
  }

  /** Files that draw whatever is registered under a name: each thing is drawn by the nearest of them. */
  const drawers = files.flatMap(({ components }, index) =>
    components.some(({ render }) => render.some(({ tag }) => tag?.each !== undefined)) ? [index] : [],
  );
  const drawnBy = new Map<string, number | undefined>();
  function isNearest(file: number, path: string): boolean {
    if (!drawnBy.has(path))
      drawnBy.set(
        path,
        nearestOf(drawers, (one) => files[one]!.path, path),
      );
    const nearest = drawnBy.get(path);
    return nearest === undefined || nearest === file;
  }

  function componentOf(home: number): Found | undefined {
    const target = names.lookup(home, 'default');
    return target.kind === 'component' ? target : undefined;
  }

  function oneOf(file: number, owner: ComponentFacts, tag: Named | undefined): Found | undefined {
    if (tag?.global === undefined) return undefined;
    const name = tag.global;
    const own = inherited(file, owner, name);
    if (own) return own;
    const key = `${packages[file]}\n${name}`;
    const found = registered.get(key) ?? [];
    // Registered twice, the last one wins, and nobody here knows which that is.
    if (near.has(key)) return spaces.pick(found, (one) => homes.get(one)!, file, tag.space);
    if (found.length)
      return found.every((one) => one.component === found[0]!.component) ? found[0] : undefined;
    const home = byFile.fileOf(file, name);
    return home === undefined ? undefined : componentOf(home);
  }

  return {
    one: oneOf,
    unseen: () => [...byFile.allUnseen()].flatMap((home) => componentOf(home)?.component ?? []),
    hasElements: elements.size > 0,
    element(tag) {
      const [first, ...others] = elements.get(tag) ?? [];
      // A page has but one of a name, and of several nobody here knows which.
      return others.length ? undefined : first;
    },
    all: (file, name) =>
      (registered.get(`${packages[file]}\n${name}`) ?? []).filter((one) =>
        isNearest(file, files[homes.get(one)!]!.path),
      ),
  };
}

/** Tables may take over others, so far. */
const MAX_DEPTH = 4;

/** The name that a file gives to its component: its own, or that of its folder. */
function nameOf(path: string): string {
  const parts = path.replace(/\.\w+$/, '').split('/');
  return (parts.at(-1) === 'index' ? parts.at(-2) : parts.at(-1)) ?? '';
}
