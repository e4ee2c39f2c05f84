/** Patterns of paths that code loads: which files they mean. */
import type { FileFacts } from '../../model/facts';
import type { Modules } from './modules';
import { dirname, join } from '../../model/paths';

/** The files that a pattern, written in a file, may mean; what is not told apart here is meant. */
export function matching(files: FileFacts[], modules: Modules, from: string, pattern: string): number[] {
  const star = pattern.indexOf('*');
  const before = star < 0 ? pattern : pattern.slice(0, star);
  const ending = /\.\w+$/.exec(pattern)?.[0] ?? '';
  const own = modules.packageOf(from);
  const starts = startsOf(modules, from, before, own?.dir ?? '');
  const found: number[] = [];
  files.forEach(({ path }, index) => {
    if (path === from || !path.endsWith(ending) || modules.packageOf(path) !== own) return;
    const meant = starts.length
      ? starts.some((start) => path.startsWith(start))
      : path.includes(before.replace(/^[@~]+\/?/, ''));
    if (meant) found.push(index);
  });
  return found;
}

/** What the paths of the files begin with; empty where an alias is not known. */
function startsOf(modules: Modules, from: string, before: string, dir: string): string[] {
  const slash = before.endsWith('/') ? '/' : '';
  if (before.startsWith('.')) return [join(dirname(from), before) + slash];
  if (before.startsWith('/')) return [(dir ? `${dir}/` : '') + before.slice(1)];
  return modules.pathsOf(from, before).map((path) => path + slash);
}
