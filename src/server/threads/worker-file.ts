/** A built worker: beside this file in a build, in dist/ when run from the sources. */
export function workerFile(
  name: 'reader-worker' | 'session-worker' | 'pglite-worker' | 'folder-worker',
): URL {
  const built = import.meta.url.includes('/dist/');
  return new URL(built ? `./${name}.js` : `../../../dist/${name}.js`, import.meta.url);
}
