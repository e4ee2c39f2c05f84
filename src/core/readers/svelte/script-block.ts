/** Both scripts of a component as one program. */
import type * as t from '@babel/types';
import { instanceProgram } from '../script/block';
import { spanOf } from '../script/unit';
import { patternNames } from '../script/walk';

interface Joined {
  program: t.Program;
  body: t.FunctionDeclaration;
  /** Declarations of the script that are props, or are offered to those who hold the component. */
  exported: Set<t.Node>;
}

/** Both scripts as one program: what the instance's script declares is made anew for every instance. */
export function joined(text: string, module: t.Statement[], instance: t.Statement[]): Joined {
  const exported = new Set<t.Node>();
  const outer: t.Statement[] = [];
  const inner: t.Statement[] = [];
  const declared = new Set<string>();
  for (const node of instance) {
    if (
      /^(ImportDeclaration|TSInterfaceDeclaration|TSTypeAliasDeclaration|TSEnumDeclaration)$/.test(node.type)
    )
      outer.push(node);
    else if (node.type === 'ExportNamedDeclaration' && node.declaration) {
      if (/^TS/.test(node.declaration.type)) outer.push(node);
      else {
        exported.add(node.declaration);
        inner.push(node.declaration);
      }
    } else if (node.type === 'ExportNamedDeclaration') {
      exported.add(node);
      inner.push(node);
    } else inner.push(node);
  }
  for (const node of inner)
    if (node.type === 'VariableDeclaration')
      for (const one of node.declarations) for (const id of patternNames(one.id)) declared.add(id.name);
  const statements = inner.map((node) => derivedBy(node, declared));
  const { program, body } = instanceProgram(text, [...module, ...outer], statements);
  return { program, body, exported };
}

/** `$: doubled = count * 2` declares what it derives; other statements after `$:` run as effects. */
function derivedBy(node: t.Statement, declared: Set<string>): t.Statement {
  if (node.type !== 'LabeledStatement' || node.label.name !== '$') return node;
  const { body } = node;
  const assignment =
    body.type === 'ExpressionStatement' && body.expression.type === 'AssignmentExpression'
      ? body.expression
      : undefined;
  const isNew =
    assignment?.operator === '=' &&
    /^(Identifier|ObjectPattern|ArrayPattern)$/.test(assignment.left.type) &&
    patternNames(assignment.left as t.Node).every((id) => !declared.has(id.name) && !id.name.startsWith('$'));
  if (!isNew || !assignment) return node;
  const span = spanOf(node);
  return {
    type: 'VariableDeclaration',
    kind: 'const',
    declarations: [
      { type: 'VariableDeclarator', id: assignment.left, init: assignment.right, ...spanOf(assignment) },
    ],
    ...span,
  } as unknown as t.VariableDeclaration;
}
