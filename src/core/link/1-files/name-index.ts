/** What each file imports and exports, by name. */
import type { ExportFact, FileFacts, ImportFact } from '../../model/facts';

export interface NameIndex {
  /** Imports by their local names. */
  imports: Map<string, ImportFact>[];
  /** Exports by their public names, but for those of everything. */
  exportsByName: Map<string, ExportFact>[];
  /** Re-exports of everything. */
  stars: ExportFact[][];
}

export const indexOf = (files: FileFacts[]): NameIndex => ({
  imports: files.map((file) => new Map(file.imports.map((one) => [one.local, one]))),
  exportsByName: files.map(
    (file) => new Map(file.exports.filter((one) => one.name !== '*').map((one) => [one.name, one])),
  ),
  stars: files.map((file) => file.exports.filter((one) => one.name === '*')),
});
