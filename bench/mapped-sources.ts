/**
 * `node scripts/bench.mjs mapped-sources PACKAGE_FOLDER OUT`: rebuilds the sources of a compiled library. Its source maps
 * carry the scripts; templates of their own files stand in the declarations that were made of them.
 */
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, posix } from 'node:path';
import { parse } from '@babel/parser';
import type * as t from '@babel/types';
import { eachChild } from '../src/core/readers/script/walk';

interface SourceMap {
  sources: string[];
  sourcesContent?: (string | null)[];
}

function* filesIn(folder: string): Iterable<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory() && entry.name !== 'node_modules') yield* filesIn(path);
    else if (entry.isFile()) yield path;
  }
}

/** The path of a source inside of its repository: what leads out of the build, and into it, is left away. */
export const sourcePath = (source: string): string =>
  posix
    .normalize(source)
    .replace(/^(\.\.\/)+/, '')
    .replace(/^[\w.-]+\/bin\//, '');

function parsed(text: string): t.Program | undefined {
  try {
    return parse(text, {
      sourceType: 'module',
      errorRecovery: true,
      plugins: ['typescript', 'decorators-legacy'],
    }).program;
  } catch {
    return undefined;
  }
}

const memberOf = (node: t.Node, name: string): t.Node | undefined => {
  if (node.type !== 'ObjectExpression') return undefined;
  const found = node.properties.find(
    (one): one is t.ObjectProperty =>
      one.type === 'ObjectProperty' && one.key.type === 'Identifier' && one.key.name === name,
  );
  return found?.value;
};

const textOf = (node: t.Node | undefined): string | undefined =>
  node?.type === 'StringLiteral'
    ? node.value
    : node?.type === 'TemplateLiteral' && node.quasis.length === 1
      ? (node.quasis[0]!.value.cooked ?? undefined)
      : undefined;

/** Templates by the name of their class, as partial declarations hold them. */
function templatesIn(text: string): Map<string, string> {
  const found = new Map<string, string>();
  const look = (node: t.Node): void => {
    const [object] = node.type === 'CallExpression' ? node.arguments : [];
    if (object?.type === 'ObjectExpression') {
      const type = memberOf(object, 'type');
      const template = textOf(memberOf(object, 'template'));
      if (type?.type === 'Identifier' && template !== undefined) found.set(type.name, template);
    }
    eachChild(node, look);
  };
  const program = parsed(text);
  if (program) look(program);
  return found;
}

/** Classes of a script with the files of their templates. */
function templateFiles(text: string): { name: string; url: string }[] {
  const found: { name: string; url: string }[] = [];
  const look = (node: t.Node): void => {
    if (node.type === 'ClassDeclaration' && node.id)
      for (const { expression } of node.decorators ?? []) {
        const [object] = expression.type === 'CallExpression' ? expression.arguments : [];
        const url = object && textOf(memberOf(object, 'templateUrl'));
        if (url !== undefined) found.push({ name: node.id.name, url });
      }
    eachChild(node, look);
  };
  const program = parsed(text);
  if (program) look(program);
  return found;
}

interface Package {
  name: string;
  exports?: Record<string, string | Record<string, unknown>>;
}

/** The names by which a package imports its own entries, as path aliases: a bundle is named like the script it begins with. */
function entriesOf({ name, exports = {} }: Package, scripts: string[]): Record<string, string[]> {
  const paths: Record<string, string[]> = {};
  for (const [entry, target] of Object.entries(exports)) {
    const built = typeof target === 'string' ? target : target.default;
    if (typeof built !== 'string') continue;
    const first = `/${posix.basename(built).replace(/\.m?js$/, '.ts')}`;
    const found = scripts.find((one) => `/${one}`.endsWith(first));
    if (found !== undefined) paths[posix.join(name, entry)] = [found];
  }
  return paths;
}

/**
 * Files that only export others hold no code, so that maps leave them out. Where an import leads to one, it is written anew,
 * with all that stands in its folder.
 */
function barrelsLost(scripts: ReadonlyMap<string, string>): Map<string, string> {
  const made = new Map<string, string>();
  for (const [path, text] of scripts)
    for (const [, from] of text.matchAll(/\bfrom\s+['"](\.[^'"]*)['"]/g)) {
      const to = posix.join(posix.dirname(path), from!);
      if ([`${to}.ts`, `${to}.tsx`, `${to}/index.ts`].some((one) => scripts.has(one))) continue;
      const folder = /(?:^|\/)index$/.test(to) ? posix.dirname(to) : to;
      const inside = [...scripts.keys()].filter((one) => one.startsWith(`${folder}/`) && one !== path);
      if (!inside.length) continue;
      const lines = inside.map(
        (one) => `export * from './${one.slice(folder.length + 1).replace(/\.tsx?$/, '')}';`,
      );
      made.set(`${folder}/index.ts`, `${lines.join('\n')}\n`);
    }
  return made;
}

/** Writes the sources of a package; gives back how many scripts and templates there were. */
export function rebuild(folder: string, out: string): { scripts: number; templates: number } {
  const templates = new Map<string, Map<string, string>>();
  const scripts = new Map<string, string>();
  /** The bundle that a script is part of: classes of two bundles may share a name. */
  const bundles = new Map<string, string>();
  for (const path of filesIn(folder)) {
    if (path.endsWith('.mjs')) templates.set(path, templatesIn(readFileSync(path, 'utf8')));
    if (!path.endsWith('.js.map') && !path.endsWith('.mjs.map')) continue;
    const { sources, sourcesContent = [] } = JSON.parse(readFileSync(path, 'utf8')) as SourceMap;
    sources.forEach((source, i) => {
      const text = sourcesContent[i];
      // Only what people wrote: no styles, and nothing of the packages that were bundled.
      const isOwn = /\.tsx?$/.test(source) && !source.includes('node_modules');
      if (typeof text !== 'string' || !isOwn) return;
      scripts.set(sourcePath(source), text);
      bundles.set(sourcePath(source), path.replace(/\.map$/, ''));
    });
  }
  const put = (path: string, text: string): void => {
    mkdirSync(dirname(join(out, path)), { recursive: true });
    writeFileSync(join(out, path), text);
  };
  let made = 0;
  for (const [path, text] of scripts) {
    put(path, text);
    for (const { name, url } of text.includes('templateUrl') ? templateFiles(text) : []) {
      const template = templates.get(bundles.get(path)!)?.get(name);
      if (template === undefined) continue;
      put(posix.join(posix.dirname(path), url), template);
      made++;
    }
  }
  for (const [path, text] of barrelsLost(scripts)) put(path, text);
  if (existsSync(join(folder, 'package.json'))) {
    cpSync(join(folder, 'package.json'), join(out, 'package.json'));
    const paths = entriesOf(JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as Package, [
      ...scripts.keys(),
    ]);
    put('tsconfig.json', `${JSON.stringify({ compilerOptions: { baseUrl: '.', paths } }, null, 2)}\n`);
  }
  return { scripts: scripts.size, templates: made };
}

export function mappedSources([folder, out]: string[]): void {
  if (!folder || !out) throw new Error('a folder of a package and a folder to write to are needed');
  const { scripts, templates } = rebuild(folder, out);
  console.log(`${scripts} scripts, ${templates} templates in ${out}`);
}
