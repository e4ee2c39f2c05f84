/** The class of a component, from the members that its code declares, as a syntax tree. */
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { qualify } from './code';
import { typed } from './csharp';
import { make, type MemberNode, name as nameNode } from './nodes';

export interface MadeClass {
  program: t.Program;
  node: t.Class;
  declared: Map<t.Node, MemberNode>;
}

/** `names` are those of all members. */
export function makeClass(
  name: string,
  members: MemberNode[],
  names: ReadonlySet<string>,
  span: Span,
): MadeClass {
  const declared = new Map<t.Node, MemberNode>();
  const body = members.flatMap((member): t.ClassBody['body'][number][] => {
    const node = member.fn ?? (member.kind === 'method' ? undefined : property(member));
    if (!node) return [];
    const code = node.type === 'ClassMethod' ? node : node.value;
    if (code) qualify(code, (one) => names.has(one));
    declared.set(node, member);
    return [node];
  });
  const node = make<t.ClassDeclaration>('ClassDeclaration', span, {
    id: nameNode(name, { start: span.start, end: span.start }),
    superClass: null,
    body: make('ClassBody', span, { body }),
  });
  const program = make<t.Program>('Program', span, { body: [node], directives: [], sourceType: 'module' });
  return { program, node, declared };
}

function property({ name, nameAt, value, typeText, start, end }: MemberNode): t.ClassProperty {
  return make<t.ClassProperty>(
    'ClassProperty',
    { start, end },
    {
      key: nameNode(name, nameAt),
      value: value ?? null,
      computed: false,
      static: false,
      ...typed(typeText, nameAt),
    },
  );
}
