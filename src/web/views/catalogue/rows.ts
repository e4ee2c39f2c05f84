/** Columns of the catalogue, and its rows narrowed and sorted. */
import type { CatalogueRow } from '../../../api/component-schemas';
import type { Level } from '../../../api/schemas';
import { languageName } from '../../parts/languages';

export type ColumnKey =
  | 'name'
  | 'file'
  | 'language'
  | 'ports'
  | 'sites'
  | 'reads'
  | 'passes'
  | 'depth'
  | 'error'
  | 'warning'
  | 'note';

export interface Column {
  key: ColumnKey;
  title: string;
  /** What the figure counts. */
  says: string;
  figure?: true;
  level?: Level;
  of(row: CatalogueRow): string | number;
}

const ofLevel = (level: Level, title: string): Column => ({
  key: level,
  title,
  says: `Findings at level ${level}`,
  figure: true,
  level,
  of: (row) => row.counts[level],
});

export const COLUMNS: Column[] = [
  { key: 'name', title: 'Component', says: 'Name', of: (row) => row.name },
  { key: 'file', title: 'File', says: 'Where it is declared', of: (row) => `${row.file}:${row.line}` },
  { key: 'language', title: 'Language', says: 'Component language', of: (row) => languageName(row.language) },
  { key: 'ports', title: 'Ports', says: 'Props, events and slots', figure: true, of: (row) => row.ports },
  {
    key: 'sites',
    title: 'Call sites',
    says: 'Places that render it',
    figure: true,
    of: (row) => row.callSites,
  },
  {
    key: 'reads',
    title: 'Reads',
    says: 'Times it reads or raises a port',
    figure: true,
    of: (row) => row.reads,
  },
  {
    key: 'passes',
    title: 'Passes',
    says: 'Times it hands a port on as it is',
    figure: true,
    of: (row) => row.passes,
  },
  {
    key: 'depth',
    title: 'Depth',
    says: 'Components above it, where it stands highest',
    figure: true,
    of: (row) => row.depth,
  },
  ofLevel('error', 'Errors'),
  ofLevel('warning', 'Warnings'),
  ofLevel('note', 'Notes'),
];

export interface Order {
  text: string;
  by: ColumnKey;
  down: boolean;
}

/** Rows that bear all words, in the order asked for; equals are in the order of their names. */
export function sortedRows(rows: CatalogueRow[], { text, by, down }: Order): CatalogueRow[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const column = COLUMNS.find((one) => one.key === by) ?? COLUMNS[0]!;
  const sign = down ? -1 : 1;
  return rows
    .filter((row) => {
      const all = `${row.name} ${row.file} ${row.language}`.toLowerCase();
      return words.every((word) => all.includes(word));
    })
    .sort((a, b) => {
      const [left, right] = [column.of(a), column.of(b)];
      const order =
        typeof left === 'number' && typeof right === 'number'
          ? left - right
          : String(left).localeCompare(String(right));
      return order * sign || a.name.localeCompare(b.name) || a.file.localeCompare(b.file);
    });
}
