/** A template written as a text in a script. */
import { vueCompiler } from '../on-demand';
import type * as t from '@babel/types';
import { SETUP } from '../script/unit';
import type { TemplateNode } from './ast';
import { readNodes } from './template';
import type { VueUnit } from './unit';

/** Reads `template: '…'`; offsets are those of the file, where the text has no escapes. */
export function readTemplateText(u: VueUnit, node: t.StringLiteral | t.TemplateLiteral): void {
  const start = node.start! + 1;
  const text = u.file.text.slice(start, node.end! - 1);
  // Blanks stand for what is before it, so that places are those of the file.
  const open = '<template>';
  if (start < open.length) return;
  const source = `${' '.repeat(start - open.length)}${open}${text}</template>`;
  const { descriptor } = vueCompiler().parse(source, { sourceMap: false, ignoreEmpty: false });
  const nodes = descriptor.template?.ast?.children ?? [];
  readNodes(u, nodes as TemplateNode[], {
    scope: u.scopes.within(u.scopes.program, []),
    ctx: SETUP,
    parent: 0,
  });
}
