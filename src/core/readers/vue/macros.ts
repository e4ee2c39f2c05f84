/** Declarations that only a set-up script has: props, models, options. */
import type * as t from '@babel/types';
import { isFunction } from '../script/scope';
import { keyName, readType, typeArguments } from '../script/type-expr';
import { propSymbol, SETUP, spanOf, typeOf, unwrap, use } from '../script/unit';
import { declareEmits, declareEmitsByType } from './emits';
import { eventPort, pascal, type VueNames } from './names';
import { declareProps } from './props';
import { declarePort, eventSymbol, type VueUnit } from './unit';

/** `name` and `inheritAttrs`, in `defineOptions` and in options. */
export function readNameAndAttributes(u: VueUnit, node: t.Node): void {
  const bare = unwrap(node);
  if (bare.type !== 'ObjectExpression') return;
  for (const property of bare.properties) {
    if (property.type !== 'ObjectProperty') continue;
    const name = keyName(property);
    const value = unwrap(property.value);
    if (name === 'name' && value.type === 'StringLiteral') {
      u.facts.nameStart = value.start! + 1;
      u.facts.nameEnd = value.end! - 1;
      u.ownName = pascal(value.value);
    }
    if (name === 'inheritAttrs' && !(value.type === 'BooleanLiteral' && value.value))
      u.keepsAttributes = true;
  }
}

export function readProps(u: VueUnit, call: t.CallExpression, names: VueNames): void {
  const [first, defaults] = call.arguments;
  if (names.call(call) === 'withDefaults') {
    if (first && names.call(first) === 'defineProps') readProps(u, first as t.CallExpression, names);
    if (defaults) readDefaults(u, defaults);
    return;
  }
  const [written] = typeArguments(call);
  if (written) u.facts.propsType = readType(written, u.file.named);
  else if (first) declareProps(u, first);
}

/** The second argument of `withDefaults`. */
function readDefaults(u: VueUnit, node: t.Node): void {
  const bare = unwrap(node);
  if (bare.type !== 'ObjectExpression') {
    u.facts.openDefaults = true;
    return;
  }
  const ctx = SETUP;
  for (const property of bare.properties) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (property.type === 'SpreadElement' || name === undefined) {
      u.facts.openDefaults = true;
      continue;
    }
    const value = property.type === 'ObjectMethod' ? property : property.value;
    const read = use(u, u.expr(value, ctx), ctx);
    const made = isFunction(unwrap(value));
    declarePort(u, {
      name,
      channel: 'prop',
      declared: 'default',
      ...spanOf(property.key),
      default: { ...read, ...(made ? {} : { type: typeOf(u, value) }), ...spanOf(value) },
    });
  }
}

export function readEmits(
  u: VueUnit,
  call: t.CallExpression,
  typeNamed: (name: string) => t.Node | undefined,
): void {
  if (call.arguments[0]) declareEmits(u, call.arguments[0]);
  else if (typeArguments(call).length) declareEmitsByType(u, call, typeNamed);
}

/** `defineModel('x', { … })`: a prop, and the event that asks for its change. */
export function readModel(u: VueUnit, call: t.CallExpression): string {
  const [first, second] = call.arguments;
  const named = first?.type === 'StringLiteral';
  const name = named ? first.value : 'modelValue';
  const options = unwrap((named ? second : first) ?? call);
  const at = named ? spanOf(first) : spanOf(call.callee);
  const object: t.Node = {
    type: 'ObjectExpression',
    properties: [
      {
        type: 'ObjectProperty',
        key: { type: 'Identifier', name, ...at } as t.Identifier,
        value:
          options.type === 'ObjectExpression' ? options : ({ type: 'NullLiteral', ...at } as t.NullLiteral),
        computed: false,
        shorthand: false,
        ...at,
      } as t.ObjectProperty,
    ],
    ...at,
  } as t.ObjectExpression;
  declareProps(u, object);
  const [written] = typeArguments(call);
  const port = u.facts.ports.find((one) => one.name === name)!;
  if (written) port.type = readType(written, u.file.named);
  declarePort(u, {
    name: eventPort(`update:${name}`),
    channel: 'event',
    declared: 'list',
    // It keeps a value of its own where nobody binds it.
    implied: true,
    ...at,
  });
  eventSymbol(u, `update:${name}`, at);
  return name;
}

export function declareModel(u: VueUnit, pattern: t.LVal, call: t.CallExpression): boolean {
  const name = readModel(u, call);
  const id = pattern.type === 'ArrayPattern' ? pattern.elements[0] : pattern;
  if (id?.type !== 'Identifier') return pattern.type === 'ArrayPattern';
  const symbol = propSymbol(u, name, spanOf(id), 'list', id.name);
  if (id.binding) u.refs.set(id.binding, symbol);
  u.boxes.add(symbol);
  u.models.set(symbol, `update:${name}`);
  return true;
}
