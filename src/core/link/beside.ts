/** Which files lie beside the app: tests, specs, stories and mocks. */
import ignore from 'ignore';

/** Patterns, as ignore files write them, that hold where the settings name none. */
export const BESIDE = [
  '*.test.*',
  '*.spec.*',
  '*.stories.*',
  '*.story.*',
  '*.cy.*',
  '*.mock.*',
  '__tests__/',
  '__mocks__/',
  '__stories__/',
  'test/',
  'tests/',
  'stories/',
  'mocks/',
  'e2e/',
  'cypress/',
];

/** Tells of a path from the audited root, with slashes, whether a file of the project lies beside the app. */
export function besideApp(globs: readonly string[] = BESIDE): (path: string) => boolean {
  const matcher = ignore().add([...globs]);
  return (path) => matcher.ignores(path);
}
