/** Code of markup and of members: names that are members of the class are read as such. */
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { nearest } from '../../model/names';
import type { Scope } from '../script/scope';
import { spanOf } from '../script/unit';
import { eachChild } from '../script/walk';
import { CSharp } from './csharp';
import { type IsMember, KNOWN, memberIn } from './inherited';
import type { RazorUnit } from './unit';

/** An expression that stands in the markup; one that may as well be a text is not `certain` to be one. */
export function codeAt(
  u: RazorUnit,
  { start, end }: Span,
  scope: Scope,
  certain = true,
): t.Expression | undefined {
  const made = CSharp.expression(u.file.text, start, end);
  if (!made) return undefined;
  qualify(made, memberIn(u, scope));
  u.scopes.bind(made, scope);
  if (certain) noteUnbound(u, made, false);
  return made;
}

/** Notes names that nothing around declares; `inChain`: where members are taken of one, it may be a type. */
function noteUnbound(u: RazorUnit, node: t.Node, inChain: boolean): void {
  switch (node.type) {
    case 'Identifier':
      if (!node.binding && !KNOWN.test(node.name) && !u.names.has(node.name))
        u.unbound.push({ name: node.name, ...spanOf(node), ...(inChain ? { orType: true as const } : {}) });
      return;
    case 'MemberExpression':
    case 'OptionalMemberExpression':
      noteUnbound(u, node.object, true);
      if (node.computed) noteUnbound(u, node.property, false);
      return;
    case 'NewExpression':
      for (const one of node.arguments) noteUnbound(u, one, false);
      return;
    default:
      eachChild(node, (child) => noteUnbound(u, child, false));
  }
}

/**
 * Names of the markup that nothing declares. C# declares names in many ways: of one that stands anywhere else in the file,
 * nothing is said. One with a capital may be of a base or of a type whose names are in sight, unless a member has nearly
 * the same.
 */
export function settleUnbound(u: RazorUnit): void {
  const known = [...u.names];
  const found = u.unbound.filter(({ name, ofBase }) => {
    const count = u.file.text.match(new RegExp(`(?<![\\w$])${name}(?!\\w)`, 'g'))?.length;
    if (count !== u.unbound.filter((one) => one.name === name).length) return false;
    return ofBase || /^[a-z_]/.test(name) || nearest(name, known) !== undefined;
  });
  if (found.length) u.facts.unknownNames = found.map((one) => ({ ...one, known }));
}

/** Statements that stand in the markup; their names are not bound yet. */
export function statementsAt(u: RazorUnit, { start, end }: Span, scope: Scope): t.Statement[] {
  const made = CSharp.statements(u.file.text, start, end);
  const own = new Set(made.flatMap((one) => [...declaredIn(one)]));
  const isMember = memberIn(u, scope);
  for (const one of made) qualify(one, (name, at) => !own.has(name) && isMember(name, at));
  return made;
}

/** Makes `this.x` of `x` where that is a member of the class. */
export function qualify(node: t.Node, isMember: IsMember): void {
  switch (node.type) {
    case 'Identifier':
      if (isMember(node.name, spanOf(node))) makeMember(node);
      return;
    case 'MemberExpression':
    case 'OptionalMemberExpression':
      qualify(node.object, isMember);
      if (node.computed) qualify(node.property, isMember);
      return;
    case 'NewExpression':
      for (const one of node.arguments) qualify(one, isMember);
      return;
    case 'ClassMethod':
    case 'ArrowFunctionExpression': {
      const own = declaredIn(node);
      qualify(node.body, (name, at) => !own.has(name) && isMember(name, at));
      return;
    }
    case 'VariableDeclarator':
      if (node.init) qualify(node.init, isMember);
      return;
    default:
      eachChild(node, (child) => qualify(child, isMember));
  }
}

function makeMember(node: t.Identifier): void {
  const { start, end, name } = node;
  const property = { type: 'Identifier', name, start, end };
  const object = { type: 'ThisExpression', start, end: start };
  Object.assign(node, { type: 'MemberExpression', object, property, computed: false });
  delete (node as Partial<t.Identifier>).name;
}

/** Names that a function declares, anywhere in it. */
function declaredIn(node: t.Node): Set<string> {
  const found = new Set<string>();
  const look = (part: t.Node): void => {
    if (part.type === 'VariableDeclarator' && part.id.type === 'Identifier') found.add(part.id.name);
    if (part.type === 'ArrowFunctionExpression' || part.type === 'ClassMethod')
      for (const one of part.params) if (one.type === 'Identifier') found.add(one.name);
    eachChild(part, look);
  };
  look(node);
  return found;
}

/** Names that are asked of something else than the class itself. */
export const memberNames = (text: string): string[] => [
  ...new Set([...text.matchAll(/(?<!\bthis)[\w)\]>?!]\s*\.\s*([A-Z]\w*)/g)].map((one) => one[1]!)),
];
