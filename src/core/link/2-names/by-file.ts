/**
 * Components that tags may name though no code does: a framework or a build registers them under the names of their files.
 * That it does is said by what the package needs, or by the tags: where several of them name nothing in sight, and each of
 * these names is that of one file which nobody imports, somebody does. Where code registers what nobody can see in it, one
 * such tag will do: it may as well register the pictures of a package.
 */
import type { FileFacts } from '../../model/facts';
import { languageByName } from '../../readers/languages';
import type { Modules } from '../1-files/modules';
import type { Names } from './names';
import { bringsByFile } from '../1-files/needs';

/** So many names must be found this way where nothing else says that files are registered, and where something may. */
const ENOUGH = 4;
const ENOUGH_WITH_CODE = 1;

export class ByFile {
  /** Files by the name of their component, by package. */
  private readonly homes = new Map<string, Map<string, number[]>>();
  /** Packages that register what their code does not say. */
  private readonly unseen = new Set<string>();
  private readonly shown = new Map<string, boolean>();

  constructor(
    private readonly files: FileFacts[],
    private readonly names: Names,
    private readonly modules: Modules,
  ) {
    files.forEach((file, index) => {
      const own = file.components[0];
      if (!own || !languageByName(file.path)?.byFile.length) return;
      const dir = this.packageAt(index);
      const homes = this.homes.get(dir) ?? new Map<string, number[]>();
      this.homes.set(dir, homes.set(own.name, [...(homes.get(own.name) ?? []), index]));
    });
  }

  /** Notes that the package of a file registers components of which the code does not say which. */
  registersUnseen(file: number): void {
    this.unseen.add(this.packageAt(file));
  }

  /** The file whose component a name means, for a tag that names nothing in sight. */
  fileOf(from: number, name: string): number | undefined {
    const dir = this.packageAt(from);
    const [first, ...others] = this.homes.get(dir)?.get(name) ?? [];
    if (first === undefined || others.length) return undefined;
    const isBrought = bringsByFile(this.modules.packageOf(this.files[from]!.path)) || this.isShownByTags(dir);
    return isBrought ? first : undefined;
  }

  /** All files of packages that register what their code does not say: any of them may be drawn by its name. */
  *allUnseen(): Iterable<number> {
    for (const [dir, homes] of this.homes)
      if (this.unseen.has(dir) && this.isShownByTags(dir)) for (const found of homes.values()) yield* found;
  }

  private packageAt(file: number): string {
    return this.modules.packageOf(this.files[file]!.path)?.dir ?? '';
  }

  private isShownByTags(dir: string): boolean {
    let known = this.shown.get(dir);
    if (known === undefined) this.shown.set(dir, (known = this.looksShown(dir)));
    return known;
  }

  private looksShown(dir: string): boolean {
    const homes = this.homes.get(dir);
    const enough = this.unseen.has(dir) ? ENOUGH_WITH_CODE : ENOUGH;
    if (!homes || homes.size < enough) return false;
    const wanted = new Set<string>();
    this.files.forEach((file, index) => {
      if (this.packageAt(index) !== dir) return;
      for (const { render } of file.components)
        for (const { tag } of render)
          if (
            tag?.global !== undefined &&
            homes.get(tag.global)?.length === 1 &&
            !this.isKnown(index, tag.name)
          )
            wanted.add(tag.global);
    });
    if (wanted.size < enough) return false;
    const imported = new Set<number>();
    for (const { path, imports, exports } of this.files)
      for (const { from } of [...imports, ...exports]) {
        const target = from === undefined ? undefined : this.modules.resolve(path, from);
        if (target !== undefined) imported.add(target);
      }
    const found = [...wanted].filter((name) => !imported.has(homes.get(name)![0]!));
    return found.length >= enough;
  }

  private isKnown(file: number, name: string): boolean {
    return this.names.lookup(file, name).kind !== 'unbound';
  }
}
