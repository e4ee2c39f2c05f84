/** Modules that code loads while it runs: `import('./x')`, and tables of files that a build makes. */
import type * as t from '@babel/types';
import type { LoadFact } from '../../model/facts';
import { memberName } from './type-expr';

/** Adds what a node loads to the list. */
export function noteLoads(node: t.Node, loads: LoadFact[]): void {
  if (node.type === 'ImportExpression') {
    add(node.source, loads);
    return;
  }
  if (node.type !== 'CallExpression') return;
  const [first] = node.arguments;
  if (node.callee.type === 'Import') add(first, loads);
  else if (memberName(node.callee) === 'require.context') {
    if (first?.type === 'StringLiteral') loads.push({ from: `${first.value}/**`, glob: true });
  } else if (isGlob(node.callee)) {
    const list = first?.type === 'ArrayExpression' ? first.elements : [first];
    for (const one of list) if (one?.type === 'StringLiteral') loads.push({ from: one.value, glob: true });
  }
}

function add(source: t.Node | undefined, loads: LoadFact[]): void {
  if (source?.type === 'StringLiteral') loads.push({ from: source.value });
  // A path that is put together: whatever begins like it.
  else if (source?.type === 'TemplateLiteral' && source.quasis[0]?.value.cooked)
    loads.push({ from: `${source.quasis[0].value.cooked}*`, glob: true });
}

/** `import.meta.glob` and `import.meta.globEager` */
const isGlob = (callee: t.Node): boolean =>
  callee.type === 'MemberExpression' &&
  callee.object.type === 'MetaProperty' &&
  callee.property.type === 'Identifier' &&
  /^glob/.test(callee.property.name);
