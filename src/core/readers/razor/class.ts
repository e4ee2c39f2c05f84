/** The class of a component, from the members that its code declares, as a syntax tree. */
import type * as t from '@babel/types';
import type { ComponentFacts, FileFacts, Span } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { qualify } from './code';
import type { IsMember } from './inherited';
import { typed } from './csharp';
import { type ClassNode, make, type MemberNode, name as nameNode } from './nodes';

export interface MadeClass {
  program: t.Program;
  node: t.Class;
  declared: Map<t.Node, MemberNode>;
}

/** `isMember` tells the names of members, its own and those that it takes over. */
export function makeClass(name: string, members: MemberNode[], isMember: IsMember, span: Span): MadeClass {
  const declared = new Map<t.Node, MemberNode>();
  const body = members.flatMap((member): t.ClassBody['body'][number][] => {
    const node = member.fn ?? (member.kind === 'method' ? undefined : property(member));
    if (!node) return [];
    const code = node.type === 'ClassMethod' ? node : node.value;
    if (code) qualify(code, isMember);
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

/** What a class of a file is read as, known in it by the name of the class. */
export function addClass(facts: FileFacts, { name, nameAt }: ClassNode, component: ComponentFacts): void {
  const index = facts.components.push(component) - 1;
  facts.values.push({ name, kind: 'component', component: index, type: UNKNOWN, ...nameAt });
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
