/** Walking a syntax tree without the types in it. */
import type * as t from '@babel/types';
import { CHILD_KEYS } from './visitor-keys';

const SKIPPED = new Set([
  'loc',
  'start',
  'end',
  'type',
  'extra',
  'typeAnnotation',
  'typeParameters',
  'returnType',
  'superTypeParameters',
  'superTypeArguments',
  'typeArguments',
  'implements',
  'leadingComments',
  'trailingComments',
  'innerComments',
  'binding',
  'hasMarkup',
]);

type AnyNode = t.Node & Record<string, unknown>;

/** Calls `visit` for each child node, types left out. */
export function eachChild(node: t.Node, visit: (child: t.Node) => void): void {
  const keys = CHILD_KEYS.get(node.type);
  if (!keys) {
    for (const key in node) if (!SKIPPED.has(key)) visitPart((node as AnyNode)[key], visit);
    return;
  }
  for (let i = 0; i < keys.length; i++) visitPart((node as AnyNode)[keys[i]!], visit);
}

function visitPart(value: unknown, visit: (child: t.Node) => void): void {
  if (value === null || typeof value !== 'object') return;
  if (Array.isArray(value)) {
    for (let i = 0; i < value.length; i++) {
      const item = value[i] as t.Node | null;
      if (item && typeof item.type === 'string') visit(item);
    }
  } else if (typeof (value as t.Node).type === 'string') visit(value as t.Node);
}

/** The identifiers that a pattern declares. */
export function patternNames(pattern: t.Node, out: t.Identifier[] = []): t.Identifier[] {
  switch (pattern.type) {
    case 'Identifier':
      out.push(pattern);
      break;
    case 'ObjectPattern':
      for (const property of pattern.properties) {
        patternNames(property.type === 'RestElement' ? property.argument : property.value, out);
      }
      break;
    case 'ArrayPattern':
      for (const element of pattern.elements) if (element) patternNames(element, out);
      break;
    case 'AssignmentPattern':
      patternNames(pattern.left, out);
      break;
    case 'RestElement':
      patternNames(pattern.argument, out);
      break;
    case 'TSParameterProperty':
      patternNames(pattern.parameter, out);
      break;
  }
  return out;
}
