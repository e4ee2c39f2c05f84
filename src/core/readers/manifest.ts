/** package.json, tsconfig.json and projects of C#: how names lead to files. */
import { parse, type ParseError } from 'jsonc-parser';

export interface PackageManifest {
  kind: 'package';
  path: string;
  name: string | undefined;
  private: boolean;
  /** Paths that the package offers, as written: main, module, source, types, exports, bin. */
  entries: string[];
  needs: [string, string][];
  /** Names that it offers and names that it uses inside, with the paths of all their conditions. */
  exports: [string, string[]][];
  imports: [string, string[]][];
}

export interface PathsManifest {
  kind: 'paths';
  path: string;
  extends: string[];
  references: string[];
  baseUrl: string | undefined;
  paths: [string, string[]][] | undefined;
}

/** A project of C#: the space of names that its folder is. */
export interface SpaceManifest {
  kind: 'space';
  path: string;
  name: string;
}

export type Manifest = PackageManifest | PathsManifest | SpaceManifest;

const NAME = /(^|\/)(package\.json|(?:ts|js)config(?:\.[\w-]+)*\.json|[^/]+\.csproj)$/;

export const isManifest = (path: string): boolean => NAME.test(path);

type Json = Record<string, unknown>;

const asObject = (value: unknown): Json | undefined =>
  value !== null && typeof value === 'object' && !Array.isArray(value) ? (value as Json) : undefined;
const asText = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);
const texts = (value: unknown): string[] =>
  typeof value === 'string'
    ? [value]
    : Array.isArray(value)
      ? value.flatMap(texts)
      : Object.values(asObject(value) ?? {}).flatMap(texts);

/** An exports map without keys that start with a dot is the package itself. */
function subpaths(value: unknown): [string, string[]][] {
  const map = asObject(value);
  if (map && Object.keys(map).some((key) => /^[.#]/.test(key)))
    return Object.entries(map).map(([key, target]): [string, string[]] => [key, texts(target)]);
  return value === undefined ? [] : [['.', texts(value)]];
}

/** What a project of C# says of itself, or else its name. */
function rootSpace(path: string, text: string): string {
  const said = /<RootNamespace>\s*([\w.]+)\s*</.exec(text)?.[1];
  return said ?? path.slice(path.lastIndexOf('/') + 1, -'.csproj'.length).replace(/[^\w.]/g, '_');
}

/** Reads a manifest; undefined if it is no JSON object. */
export function readManifest(path: string, text: string): Manifest | undefined {
  if (path.endsWith('.csproj')) return { kind: 'space', path, name: rootSpace(path, text) };
  const errors: ParseError[] = [];
  const json = asObject(parse(text, errors, { allowTrailingComma: true }));
  if (!json) return undefined;
  if (/(^|\/)package\.json$/.test(path)) {
    return {
      kind: 'package',
      path,
      name: asText(json.name),
      private: json.private === true,
      entries: ['source', 'main', 'module', 'browser', 'types', 'typings', 'exports', 'bin'].flatMap((key) =>
        texts(json[key]),
      ),
      exports: subpaths(json.exports),
      imports: subpaths(json.imports),
      needs: ['peerDependencies', 'devDependencies', 'dependencies'].flatMap((key) =>
        Object.entries(asObject(json[key]) ?? {}).map(([name, range]): [string, string] => [
          name,
          String(range),
        ]),
      ),
    };
  }
  const options = asObject(json.compilerOptions) ?? {};
  const paths = asObject(options.paths);
  return {
    kind: 'paths',
    path,
    extends: texts(json.extends),
    references: Array.isArray(json.references)
      ? json.references.flatMap((one) => texts(asObject(one)?.path))
      : [],
    baseUrl: asText(options.baseUrl),
    paths: paths && Object.entries(paths).map(([key, value]): [string, string[]] => [key, texts(value)]),
  };
}
