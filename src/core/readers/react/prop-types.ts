/** Run-time declarations: `Card.propTypes = { fare: PropTypes.number.isRequired }`. */
import type * as t from '@babel/types';
import type { ComponentFacts } from '../../model/facts';
import { prim, union, UNKNOWN, type TypeExpr } from '../../model/types';
import { infer } from '../script/infer';
import { keyName } from '../script/type-expr';
import { spanOf, unwrap } from '../script/unit';

const PLAIN: Record<string, TypeExpr> = {
  string: prim('string'),
  number: prim('number'),
  bool: prim('boolean'),
  symbol: prim('symbol'),
  func: { t: 'handler' },
  node: { t: 'content' },
  element: { t: 'content' },
  array: { t: 'array', of: UNKNOWN },
  object: { t: 'object', members: [], open: true },
};

const NOTHING_KNOWN = { named: () => undefined, lookup: () => UNKNOWN };

interface Declared {
  type: TypeExpr;
  required: boolean;
}

/** Notes the props that a declaration object lists, with their types. */
export function readPropTypes(facts: ComponentFacts, value: t.Node): void {
  const object = unwrap(value);
  if (object.type !== 'ObjectExpression') return;
  for (const property of object.properties) {
    if (property.type !== 'ObjectProperty') continue;
    const name = keyName(property);
    if (name === undefined) continue;
    const { type, required } = declaredBy(property.value);
    const known = facts.ports.find((one) => one.name === name);
    const port = known ?? {
      name,
      channel: 'prop' as const,
      declared: 'list' as const,
      ...spanOf(property.key),
    };
    Object.assign(port, { declared: 'list', required, type, ...spanOf(property.key) });
    if (!known) facts.ports.push(port);
  }
}

/** What `PropTypes.arrayOf(PropTypes.string).isRequired` asks for. */
function declaredBy(node: t.Node): Declared {
  const bare = unwrap(node);
  if (bare.type === 'MemberExpression' && bare.property.type === 'Identifier') {
    if (bare.property.name === 'isRequired') return { ...declaredBy(bare.object), required: true };
    return { type: PLAIN[bare.property.name] ?? UNKNOWN, required: false };
  }
  if (bare.type === 'Identifier') return { type: PLAIN[bare.name] ?? UNKNOWN, required: false };
  if (bare.type === 'CallExpression') return { type: callType(bare), required: false };
  return { type: UNKNOWN, required: false };
}

function callType(node: t.CallExpression): TypeExpr {
  const { callee } = node;
  const name =
    callee.type === 'Identifier'
      ? callee.name
      : callee.type === 'MemberExpression' && callee.property.type === 'Identifier'
        ? callee.property.name
        : '';
  const first = node.arguments[0] && unwrap(node.arguments[0]);
  if (name === 'arrayOf' && first) return { t: 'array', of: declaredBy(first).type };
  if (first?.type === 'ArrayExpression' && first.elements.length) {
    const parts = first.elements.map((one) =>
      !one ? UNKNOWN : name === 'oneOf' ? infer(one, NOTHING_KNOWN) : declaredBy(one).type,
    );
    if (name === 'oneOf' || name === 'oneOfType') return union(parts);
  }
  if ((name === 'shape' || name === 'exact') && first?.type === 'ObjectExpression') {
    const members = first.properties.flatMap((property) => {
      const key = property.type === 'ObjectProperty' ? keyName(property) : undefined;
      if (key === undefined || property.type !== 'ObjectProperty') return [];
      const { type, required } = declaredBy(property.value);
      return [{ name: key, type, ...(required ? {} : { optional: true }), ...spanOf(property.key) }];
    });
    const isOpen = members.length < first.properties.length;
    // A shape says what is looked at, and nothing of what else is there.
    return {
      t: 'object',
      members,
      open: isOpen || name === 'shape',
      ...(isOpen || name === 'exact' ? {} : { lax: true }),
    };
  }
  return UNKNOWN;
}
