/** The facts of a file that says nothing yet. */
import type { FileFacts } from '../model/facts';

export function emptyFile(path: string): FileFacts {
  return {
    path,
    language: 'script',
    imports: [],
    exports: [],
    types: [],
    values: [],
    components: [],
    mentions: [],
    elementReads: [],
    ids: [],
    mounts: false,
    silences: [],
  };
}
