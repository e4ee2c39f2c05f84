/** Which file an import means. */
import type { FileFacts } from '../../model/facts';
import { pushTo } from '../../model/group-by';
import type { Package } from '../../model/project';
import type { Manifest, PackageManifest, PathsManifest } from '../../readers/manifest';
import { ofAll } from '../../readers/languages';
import { guessAliases } from './aliases';
import { mapped } from './exports-map';
import { dirname, join, type PathRule } from '../../model/paths';

const EXTENSIONS = ['.tsx', '.ts', '.jsx', '.js', '.mjs', '.cjs', '.mts', '.cts', ...ofAll('endings')];
/** What is written `./x.js` in TypeScript is the file `./x.ts`. */
const WRITTEN: Record<string, string[]> = {
  '.js': ['.ts', '.tsx', '.js', '.jsx'],
  '.jsx': ['.tsx', '.jsx'],
  '.mjs': ['.mts', '.mjs'],
  '.cjs': ['.cts', '.cjs'],
};

export interface Modules {
  /** Index of the file of exactly this path, if there is one. */
  fileAt(path: string): number | undefined;
  /** Index of the file that an import means, or undefined if it is outside the project. */
  resolve(from: string, specifier: string): number | undefined;
  /** The paths that aliases make of a name, whether or not a file is there. */
  pathsOf(from: string, specifier: string): string[];
  /** Whether what leads to no file of the project is meant to: a package, or a file that holds no code. */
  isForeign(from: string, specifier: string): boolean;
  packages: Package[];
  packageOf(path: string): Package | undefined;
}

export function linkModules(files: FileFacts[], manifests: Manifest[]): Modules {
  const byPath = new Map(files.map((file, index) => [file.path, index]));
  const byStem = filesByStem(files);
  const packageManifests = manifests.filter((one): one is PackageManifest => one.kind === 'package');
  const rules = pathRules(manifests.filter((one): one is PathsManifest => one.kind === 'paths'));

  function locate(path: string): number | undefined {
    const exact = byPath.get(path);
    if (exact !== undefined) return exact;
    const written = /\.[cm]?jsx?$/.exec(path)?.[0];
    for (const ext of (written && WRITTEN[written]) || []) {
      const found = byPath.get(path.slice(0, -written!.length) + ext);
      if (found !== undefined) return found;
    }
    const found = byStem.get(path)?.[0];
    if (found !== undefined) return found;
    // A folder may hold what was built beside what it was built from; what exports nothing is neither.
    const inside = byStem.get(path ? `${path}/index` : 'index');
    return inside?.find((one) => files[one]!.exports.length > 0) ?? inside?.[0];
  }

  /** A published path such as `lib/esm/index.js` stands for a source file. */
  function sourceOf(dir: string, written: string): number | undefined {
    const path = join(dir, written);
    const direct = locate(path);
    if (direct !== undefined) return direct;
    const inner = written
      .replace(/^\.\//, '')
      .replace(/^(dist|lib|build|out|es|esm|cjs)\/((esm|cjs|es|umd|types)\/)?/, '');
    return (
      locate(join(dir, 'src', inner)) ??
      locate(join(dir, 'src', inner.replace(/\.d\.[cm]?ts$|\.[cm]?js$/, '')))
    );
  }

  const packages = packageManifests.map((manifest): Package => {
    const dir = dirname(manifest.path);
    const found = manifest.entries.map((entry) => sourceOf(dir, entry));
    const known = [...new Set(found.filter((one) => one !== undefined))];
    const guess = ['src/index', 'index', 'src/main']
      .map((name) => locate(join(dir, name)))
      .find((one) => one !== undefined);
    if (!known.length && guess !== undefined && manifest.entries.length) known.push(guess);
    return {
      dir,
      name: manifest.name,
      private: manifest.private,
      // An entry that was not understood offers nobody knows what.
      entries:
        // A pattern offers files that nobody lists.
        (known.length || !manifest.entries.length) &&
        !manifest.entries.some((entry) => entry.includes('*')) &&
        !known.some((one) => files[one]!.problem)
          ? known
          : undefined,
      needs: new Map(manifest.needs),
    };
  });
  const manifestOf = new Map(packages.map((one, index) => [one, packageManifests[index]!]));
  packages.sort((a, b) => b.dir.length - a.dir.length);
  const byName = new Map(packages.filter((one) => one.name).map((one) => [one.name!, one]));

  function resolveBare(specifier: string): number | undefined {
    const parts = specifier.split('/');
    const count = specifier.startsWith('@') ? 2 : 1;
    const owner = byName.get(parts.slice(0, count).join('/'));
    if (!owner) return undefined;
    const rest = parts.slice(count).join('/');
    const written = manifestOf.get(owner)!.exports;
    const offered = mapped(written, rest ? `./${rest}` : '.');
    // Of all that a package offers under a name, the sources say most.
    offered.sort((a, b) => Number(isBuilt(a)) - Number(isBuilt(b)));
    const found = offered.map((path) => sourceOf(owner.dir, path)).find((one) => one !== undefined);
    if (found !== undefined) return found;
    if (rest) return locate(join(owner.dir, rest)) ?? sourceOf(owner.dir, rest);
    return owner.entries?.[0] ?? locate(join(owner.dir, 'src')) ?? locate(owner.dir);
  }

  const isBuilt = (path: string) => /^(\.\/)?(dist|lib|build|out|es|esm|cjs|types)\//.test(path);
  // A manifest without a name and without needs says where a folder's build is, and is no package.
  const bounds = packages.filter((one) => one.dir === '' || one.name !== undefined || one.needs.size > 0);
  const ofFolder = new Map<string, Package | undefined>();
  const packageOf = (path: string): Package | undefined => {
    const dir = dirname(path);
    if (!ofFolder.has(dir))
      ofFolder.set(
        dir,
        bounds.find((one) => one.dir === '' || path.startsWith(`${one.dir}/`)),
      );
    return ofFolder.get(dir);
  };

  /** `#lib/gauge`, as the package around the file maps it. */
  function resolveInner(from: string, specifier: string): number | undefined {
    const own = packageOf(from);
    const targets = own ? mapped(manifestOf.get(own)!.imports, specifier) : [];
    return targets
      .map((path) => (path.startsWith('.') ? sourceOf(own!.dir, path) : resolveBare(path)))
      .find((one) => one !== undefined);
  }

  /** A package that a manifest around the file asks for, or what the platform has itself. */
  function isNeeded(from: string, specifier: string): boolean {
    if (/^(node|bun|virtual|data|https?):/.test(specifier)) return true;
    const name = packageName(specifier);
    return packages.some(
      (one) =>
        (one.dir === '' || from.startsWith(`${one.dir}/`)) && (one.needs.has(name) || one.name === name),
    );
  }

  function isForeign(from: string, specifier: string): boolean {
    const bare = specifier.replace(/(?<=.)[?#].*$/, '');
    const ending = /\.[a-z\d]+$/i.exec(bare)?.[0];
    if (/^[./]/.test(specifier))
      return (
        ending !== undefined &&
        /^\.(svg|png|jpe?g|gif|webp|avif|ico|s?css|less|sass|styl|json5?|ya?ml|mdx?|txt|html|woff2?|ttf|mp[34]|webm|wasm|graphql|gql)$/i.test(
          ending,
        )
      );
    if (isNeeded(from, bare)) return true;
    // A package may be there without being asked for; what looks like no package's name is an alias.
    return /^(@[a-z\d][\w.-]*\/)?[a-z\d][\w.-]*(\/|$)/.test(bare) && !unresolvedHeads.has(headOf(from, bare));
  }
  /** First parts of names that nothing answers, where a folder of the project bears the name. */
  const unresolvedHeads = new Set<string>();
  const folders = new Set(files.flatMap((file) => file.path.split('/').slice(0, -1)));
  const headOf = (from: string, specifier: string) =>
    `${packageOf(from)?.dir ?? ''}\n${specifier.split('/')[0]!}`;

  /** What names mean in a folder: that is the same for all of its files. */
  const cache = new Map<string, Map<string, number | undefined>>();
  function resolve(from: string, specifier: string): number | undefined {
    const dir = dirname(from);
    let known = cache.get(dir);
    if (!known) cache.set(dir, (known = new Map<string, number | undefined>()));
    if (known.has(specifier)) return known.get(specifier);
    const found = find(from, dir, specifier.replace(/(?<=.)[?#].*$/, ''));
    known.set(specifier, found);
    return found;
  }
  function pathsOf(from: string, specifier: string): string[] {
    const found: string[] = [];
    for (const { dir, prefix, suffix, targets } of rules) {
      if (!specifier.startsWith(prefix) || !specifier.endsWith(suffix)) continue;
      if (specifier.length < prefix.length + suffix.length) continue;
      if (dir && !from.startsWith(`${dir}/`)) continue;
      const star = specifier.slice(prefix.length, specifier.length - suffix.length);
      if (star !== '' && !targets.some((target) => target.includes('*'))) continue;
      found.push(...targets.map((target) => join(target.replace('*', star))));
    }
    return found;
  }
  function find(from: string, dir: string, specifier: string): number | undefined {
    if (/^\.{1,2}(\/|$)/.test(specifier)) return locate(join(dir, specifier));
    for (const path of pathsOf(from, specifier)) {
      const found = locate(path);
      if (found !== undefined) return found;
    }
    if (specifier.startsWith('/')) return undefined;
    return specifier.startsWith('#') ? resolveInner(from, specifier) : resolveBare(specifier);
  }

  const lonely = files.flatMap((file) =>
    file.imports
      .map((one) => one.from)
      .filter(
        (from) => !/^[./]/.test(from) && !isNeeded(file.path, from) && resolve(file.path, from) === undefined,
      )
      .map((specifier) => ({ dir: packageOf(file.path)?.dir ?? '', specifier, path: file.path })),
  );
  rules.push(...guessAliases(files, lonely));
  rules.sort(longestFirst);
  cache.clear();
  for (const { path, specifier } of lonely)
    if (folders.has(specifier.split('/')[0]!) && specifier.includes('/'))
      unresolvedHeads.add(headOf(path, specifier));

  return {
    fileAt: (path) => byPath.get(path),
    resolve,
    pathsOf,
    isForeign,
    packages,
    packageOf,
  };
}

/** Files by their path without the ending, those first whose ending comes first. */
function filesByStem(files: FileFacts[]): Map<string, number[]> {
  const found = new Map<string, number[]>();
  for (const ending of EXTENSIONS)
    files.forEach(({ path }, index) => {
      if (path.endsWith(ending)) pushTo(found, path.slice(0, -ending.length), index);
    });
  return found;
}

/** Path aliases of every tsconfig and jsconfig, through `extends`; the deepest folder first. */
function pathRules(manifests: PathsManifest[]): PathRule[] {
  const byPath = new Map(manifests.map((one) => [one.path, one]));
  const rules: PathRule[] = [];
  for (const manifest of manifests) {
    const dir = dirname(manifest.path);
    const { base, paths, at } = inherited(manifest, byPath, new Set());
    for (const [key, targets] of paths ?? []) {
      const [prefix, suffix = ''] = key.split('*');
      const full = targets.map((target) => join(base ?? at ?? dir, target));
      rules.push({ dir, prefix: prefix!, suffix, targets: full });
    }
    if (base !== undefined) rules.push({ dir, prefix: '', suffix: '', targets: [join(base, '*')] });
  }
  // What a project refers to in another folder may describe its own files.
  for (const manifest of manifests) {
    const dir = dirname(manifest.path);
    for (const reference of manifest.references) {
      const path = join(dir, reference);
      const found = byPath.get(path) ?? byPath.get(`${path}/tsconfig.json`);
      const home = found && dirname(found.path);
      if (home === undefined || home === dir) continue;
      const more = rules.filter((rule) => rule.dir === home).map((rule) => ({ ...rule, dir }));
      rules.push(...more);
    }
  }
  return rules.sort(longestFirst);
}

const longestFirst = (a: PathRule, b: PathRule): number =>
  b.dir.length - a.dir.length || b.prefix.length - a.prefix.length;

/** The package of a name that is imported: with its scope, without what is asked for inside of it. */
export const packageName = (specifier: string): string =>
  specifier
    .split('/')
    .slice(0, specifier.startsWith('@') ? 2 : 1)
    .join('/');

interface Inherited {
  base?: string;
  paths?: PathsManifest['paths'];
  /** The folder of the file in which the paths are written. */
  at?: string;
}

function inherited(manifest: PathsManifest, all: Map<string, PathsManifest>, seen: Set<string>): Inherited {
  if (seen.has(manifest.path)) return {};
  seen.add(manifest.path);
  const dir = dirname(manifest.path);
  let result: Inherited = {};
  for (const base of manifest.extends) {
    const path = join(dir, base);
    const found = all.get(path) ?? all.get(`${path}.json`) ?? all.get(`${path}/tsconfig.json`);
    if (found) result = { ...result, ...inherited(found, all, seen) };
  }
  if (manifest.baseUrl !== undefined) result.base = join(dir, manifest.baseUrl);
  if (manifest.paths) {
    result.paths = manifest.paths;
    result.at = dir;
  }
  return result;
}
