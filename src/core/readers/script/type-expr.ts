/** Type annotations to type expressions. Names stay names; they are looked up when files are linked. */
import type * as t from '@babel/types';
import { constantText } from './constants';
import { lit, prim, union, UNKNOWN, type TypeDecl, type TypeExpr, type TypeMember } from '../../model/types';

/** Gives a named type its meaning where the framework defines it, or undefined. */
export type NamedType = (name: string, args: () => TypeExpr[]) => TypeExpr | undefined;

const KEYWORDS: Record<string, TypeExpr> = {
  TSStringKeyword: prim('string'),
  TSNumberKeyword: prim('number'),
  TSBooleanKeyword: prim('boolean'),
  TSBigIntKeyword: prim('bigint'),
  TSSymbolKeyword: prim('symbol'),
  TSObjectKeyword: prim('object'),
  TSVoidKeyword: prim('void'),
  TSNeverKeyword: prim('never'),
  TSNullKeyword: lit(null),
  TSUndefinedKeyword: lit(undefined),
  TSAnyKeyword: { t: 'any' },
  TSUnknownKeyword: { t: 'any' },
};

/** `A.B` as text; undefined for anything else. */
export function entityName(node: t.Node): string | undefined {
  if (node.type === 'Identifier') return node.name;
  if (node.type === 'TSQualifiedName') {
    const left = entityName(node.left);
    return left && `${left}.${node.right.name}`;
  }
  return undefined;
}

export function keyName(node: { key: t.Node; computed?: boolean | null }): string | undefined {
  const { key } = node;
  if (key.type === 'StringLiteral') return key.value;
  if (key.type === 'NumericLiteral') return String(key.value);
  if (node.computed) return constantText(key);
  return key.type === 'Identifier' ? key.name : undefined;
}

/** The types that a call or a tag writes in angle brackets. */
export function typeArguments(node: t.Node): t.Node[] {
  const { typeParameters, typeArguments: args } = node as {
    typeParameters?: t.Node | null;
    typeArguments?: t.Node | null;
  };
  const list = (args ?? typeParameters) as { params?: t.Node[] } | null | undefined;
  return list?.params ?? [];
}

function annotationOf(node: t.Node | null | undefined): t.Node | undefined {
  const annotation = (node as { typeAnnotation?: t.Node | null } | undefined)?.typeAnnotation;
  if (!annotation) return undefined;
  return annotation.type === 'TSTypeAnnotation' ? annotation.typeAnnotation : undefined;
}

/** Reads one annotation. Anything not understood is unknown. */
export function readType(node: t.Node | null | undefined, named: NamedType): TypeExpr {
  if (!node) return UNKNOWN;
  const keyword = KEYWORDS[node.type];
  if (keyword) return keyword;
  switch (node.type) {
    case 'TSTypeAnnotation':
    case 'TSParenthesizedType':
      return readType(node.typeAnnotation, named);
    case 'TSLiteralType': {
      const { literal } = node;
      if (literal.type === 'UnaryExpression' && literal.argument.type === 'NumericLiteral') {
        return lit(-literal.argument.value);
      }
      if (
        literal.type === 'StringLiteral' ||
        literal.type === 'NumericLiteral' ||
        literal.type === 'BooleanLiteral'
      ) {
        return lit(literal.value);
      }
      return literal.type === 'TemplateLiteral' && literal.expressions.length === 0
        ? lit(literal.quasis[0]!.value.cooked ?? '')
        : UNKNOWN;
    }
    case 'TSUnionType':
      return union(node.types.map((one) => readType(one, named)));
    case 'TSIntersectionType':
      return { t: 'all', of: node.types.map((one) => readType(one, named)) };
    case 'TSArrayType':
      return { t: 'array', of: readType(node.elementType, named) };
    case 'TSTypeOperator':
      return node.operator === 'readonly' ? readType(node.typeAnnotation, named) : UNKNOWN;
    case 'TSTupleType': {
      const plain = node.elementTypes.every(
        (one) =>
          one.type !== 'TSRestType' && one.type !== 'TSOptionalType' && one.type !== 'TSNamedTupleMember',
      );
      const of = node.elementTypes.map((one) =>
        readType(one.type === 'TSNamedTupleMember' ? one.elementType : one, named),
      );
      return { t: 'tuple', of, ...(plain ? {} : { open: true }) };
    }
    case 'TSTypeLiteral':
      return readMembers(node.members, named);
    case 'TSFunctionType': {
      const { parameters, params, typeAnnotation, returnType } = node as unknown as {
        parameters?: t.Node[];
        params?: t.Node[];
        typeAnnotation?: t.Node;
        returnType?: t.Node;
      };
      return functionType(parameters ?? params ?? [], typeAnnotation ?? returnType, named);
    }
    case 'TSTypeReference': {
      const name = entityName(node.typeName);
      if (!name) return UNKNOWN;
      const args = () => typeArguments(node).map((one) => readType(one, named));
      const known = named(name, args);
      if (known) return known;
      const list = args();
      return list.length ? { t: 'ref', name, args: list } : { t: 'ref', name };
    }
    case 'TSTypeQuery': {
      const name = entityName(node.exprName);
      return name ? { t: 'value', name } : UNKNOWN;
    }
    case 'TSIndexedAccessType': {
      const of = readType(node.objectType, named);
      const index = readType(node.indexType, named);
      if (index.t === 'lit' && typeof index.v === 'string') return { t: 'member', of, name: index.v };
      return index.t === 'prim' && index.n === 'number' ? { t: 'elem', of } : UNKNOWN;
    }
    default:
      return UNKNOWN;
  }
}

export function functionType(
  params: t.Node[],
  returns: t.Node | null | undefined,
  named: NamedType,
): Extract<TypeExpr, { t: 'fn' }> {
  return {
    t: 'fn',
    params: params
      .filter((param) => !(param.type === 'Identifier' && param.name === 'this'))
      .map((param) => {
        const bare = param.type === 'AssignmentPattern' ? param.left : param;
        const inner = bare.type === 'RestElement' ? bare.argument : bare;
        return {
          name: inner.type === 'Identifier' ? inner.name : '',
          type: readType(annotationOf(bare), named),
          ...(param.type === 'AssignmentPattern' || (param as t.Identifier).optional
            ? { optional: true }
            : {}),
          ...(bare.type === 'RestElement' ? { rest: true } : {}),
        };
      }),
    returns: readType(returns, named),
  };
}

function readMembers(list: t.Node[], named: NamedType): TypeExpr {
  const members: TypeMember[] = [];
  let index: TypeExpr | undefined;
  let open = false;
  for (const member of list) {
    if (member.type === 'TSPropertySignature') {
      const name = keyName(member);
      if (name === undefined) {
        open = true;
        continue;
      }
      members.push({
        name,
        type: readType(annotationOf(member), named),
        ...(member.optional ? { optional: true } : {}),
        start: member.key.start!,
        end: member.key.end!,
      });
    } else if (member.type === 'TSMethodSignature') {
      const name = keyName(member);
      if (name === undefined) continue;
      const { parameters, params, typeAnnotation, returnType } = member as unknown as {
        parameters?: t.Node[];
        params?: t.Node[];
        typeAnnotation?: t.Node;
        returnType?: t.Node;
      };
      members.push({
        name,
        type: {
          ...functionType(parameters ?? params ?? [], typeAnnotation ?? returnType, named),
          method: true,
        },
        ...(member.optional ? { optional: true } : {}),
        start: member.key.start!,
        end: member.key.end!,
      });
    } else if (member.type === 'TSIndexSignature') {
      index = readType(annotationOf(member), named);
    } else {
      open = true;
    }
  }
  return { t: 'object', members, ...(index ? { index } : {}), ...(open ? { open: true } : {}) };
}

const paramNames = (node: t.Node): string[] =>
  typeArguments(node).map((one) => {
    const { name } = one as unknown as { name: string | t.Identifier };
    return typeof name === 'string' ? name : name.name;
  });

/** A declaration of a named type, or undefined for any other statement. */
export function readTypeDecl(node: t.Node, named: NamedType): TypeDecl | undefined {
  if (node.type === 'TSTypeAliasDeclaration') {
    return {
      name: node.id.name,
      kind: 'alias',
      params: paramNames(node),
      bases: [],
      body: readType(node.typeAnnotation, named),
    };
  }
  if (node.type === 'TSInterfaceDeclaration') {
    const bases = (node.extends ?? []).map((base) => {
      const expression = base.expression as t.Node;
      const name = entityName(expression) ?? memberName(expression);
      if (!name) return UNKNOWN;
      const args = () => typeArguments(base).map((one) => readType(one, named));
      return named(name, args) ?? { t: 'ref' as const, name, args: args() };
    });
    return {
      name: node.id.name,
      kind: 'interface',
      params: paramNames(node),
      bases,
      body: readMembers(node.body.body, named),
    };
  }
  if (node.type === 'TSEnumDeclaration') {
    const { members } = node as unknown as { members?: t.TSEnumMember[] };
    const list = members ?? (node as unknown as { body: { members: t.TSEnumMember[] } }).body.members;
    let next = 0;
    const values = list.map((member): TypeExpr => {
      const init = member.initializer;
      if (!init) return lit(next++);
      if (init.type === 'NumericLiteral') {
        next = init.value + 1;
        return lit(init.value);
      }
      return init.type === 'StringLiteral' ? lit(init.value) : UNKNOWN;
    });
    return { name: node.id.name, kind: 'enum', params: [], bases: [], body: union(values) };
  }
  return undefined;
}

/** `A.B` of an expression as text. */
export function memberName(node: t.Node): string | undefined {
  if (node.type === 'Identifier') return node.name;
  if (node.type === 'MemberExpression' && !node.computed && node.property.type === 'Identifier') {
    const left = memberName(node.object);
    return left && `${left}.${node.property.name}`;
  }
  return undefined;
}

export { annotationOf };
