/** A sheet as text. */
import { yamlParser } from '../on-demand';
import type { Sheet } from './schema';

/** Longer lines are broken. */
const WIDTH = 110;
/** Short lists and objects of few parts stand in one line. */
const SHORT = 70;
/** What these hold is always written line by line. */
const BLOCKS = new Set(['components', 'tree', 'inside', 'group', 'else', 'fill', 'does', 'offers', 'roots']);

/** A sheet as YAML, or as JSON; what the reader makes of it is the sheet again. */
export function sheetText(sheet: Sheet, format: 'yaml' | 'json' = 'yaml'): string {
  if (format === 'json') return `${JSON.stringify(sheet, null, 2)}\n`;
  const { Document, isMap, isPair, isScalar, isSeq, visit } = yamlParser();
  const document = new Document(sheet, { aliasDuplicateObjects: false });
  const keyOf = (node: unknown) => (isPair(node) && isScalar(node.key) ? String(node.key.value) : '');
  visit(document, {
    Collection: (_, node, path) => {
      if (!isMap(node) && !isSeq(node)) return;
      const isEmpty = node.items.length === 0;
      const isComponent = path.length > 3 && keyOf(path.at(-3)) === 'components';
      if (!isEmpty && (path.length < 2 || isComponent || BLOCKS.has(keyOf(path.at(-1))))) return;
      if (JSON.stringify(node.toJSON()).length <= SHORT) node.flow = true;
    },
  });
  return document.toString({ lineWidth: WIDTH });
}
