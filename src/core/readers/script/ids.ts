/** Ids that a file gives to elements, in markup, in code, or in markup that code holds as text. */
import type * as t from '@babel/types';
import { keyName } from './type-expr';

const IN_TEXT = /\bid\s*=\s*(?:"([^"]*)"|'([^']*)')/g;

/** The ids that are written in a text of HTML. */
export function idsInText(text: string, ids: Set<string>): void {
  if (!text.includes('id')) return;
  for (const match of text.matchAll(IN_TEXT)) ids.add(match[1] ?? match[2]!);
}

/** Notes the id that a node gives away, if it is a literal. */
export function noteIds(node: t.Node, ids: Set<string>): void {
  switch (node.type) {
    case 'JSXAttribute': {
      if (node.name.name !== 'id' || !node.value) return;
      add(node.value.type === 'JSXExpressionContainer' ? node.value.expression : node.value, ids);
      return;
    }
    case 'ObjectProperty':
      if (keyName(node) === 'id') add(node.value, ids);
      return;
    case 'AssignmentExpression': {
      const { left } = node;
      if (
        left.type === 'MemberExpression' &&
        left.property.type === 'Identifier' &&
        left.property.name === 'id'
      )
        add(node.right, ids);
      return;
    }
    case 'CallExpression': {
      const [name, value] = node.arguments;
      if (name?.type === 'StringLiteral' && name.value === 'id' && value) add(value, ids);
      return;
    }
    case 'StringLiteral':
      idsInText(node.value, ids);
      return;
    case 'TemplateLiteral':
      for (const part of node.quasis) idsInText(part.value.raw, ids);
  }
}

/** A constant of the module counts as the literal that it holds. */
function add(node: t.Node, ids: Set<string>): void {
  if (node.type === 'StringLiteral') ids.add(node.value);
  else if (node.type === 'TemplateLiteral' && node.expressions.length === 0) {
    ids.add(node.quasis[0]!.value.raw);
  } else if (node.type === 'ConditionalExpression') {
    add(node.consequent, ids);
    add(node.alternate, ids);
  }
}
