/** Places of the page that code looks for by their ids. */
import type * as t from '@babel/types';
import { memberName } from './type-expr';
import { spanOf, type Unit, unwrap } from './unit';

/** The id that an expression looks for: `document.getElementById('x')`, a selector of one, or a constant that holds either. */
export function targetId(node: t.Node | undefined): string | undefined {
  let bare = node && unwrap(node);
  if (bare?.type === 'Identifier') {
    const declared = bare.binding;
    const init =
      declared?.kind === 'const' && declared.node.type === 'VariableDeclarator'
        ? declared.node.init
        : undefined;
    bare = init ? unwrap(init) : undefined;
  }
  if (bare?.type === 'StringLiteral') return selectedId(bare.value);
  if (bare?.type !== 'CallExpression') return undefined;
  const [first] = bare.arguments;
  if (first?.type !== 'StringLiteral') return undefined;
  const name = memberName(bare.callee);
  if (name === 'document.getElementById') return first.value;
  return name === 'document.querySelector' ? selectedId(first.value) : undefined;
}

/** The id that a selector asks for, and nothing else. */
export const selectedId = (selector: string): string | undefined => /^#([\w-]+)$/.exec(selector)?.[1];

/** Notes the place into which something is drawn, where its id is a constant. */
export function noteTarget(u: Unit, node: t.Node | undefined): void {
  const id = targetId(node);
  if (node && id !== undefined) (u.facts.portals ??= []).push({ id, ...spanOf(node) });
}
