/** The `setup` function among the options of a component. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../../model/facts';
import { declareBag } from '../../script/patterns';
import { isFunction } from '../../script/scope';
import { keyName } from '../../script/type-expr';
import { statementsInTime } from '../../script/waits';
import { addSymbol, type Member, SETUP, spanOf, unwrap, use } from '../../script/unit';
import { place } from '../../script/placing';
import { declareSlots } from '../drawn';
import { declareEmitter } from '../emits';
import { listOf } from '../expose';
import type { VueUnit } from '../unit';

/** `setup(props, { emit }) { …; return { … } }` */
export function readSetup(u: VueUnit, option: Member): void {
  const fn = option.type === 'ObjectMethod' ? option : unwrap(option.value);
  if (!isFunction(fn)) {
    u.openScope = true;
    return;
  }
  const [props, context] = fn.params;
  if (props) {
    const bare = props.type === 'AssignmentPattern' ? props.left : props;
    declareBag(u, bare, SETUP);
  }
  if (context) readContext(u, context);
  if (fn.body.type !== 'BlockStatement') {
    const value = use(u, u.expr(fn.body, SETUP), SETUP);
    give(u, fn.body, value);
    return;
  }
  const statements = fn.body.body;
  const last = statements.at(-1);
  const result = last?.type === 'ReturnStatement' ? last.argument : undefined;
  statementsInTime(u, fn, result ? statements.slice(0, -1) : statements, SETUP);
  if (!result) return;
  const value = u.expr(result, SETUP);
  give(u, result, value);
}

/** The second parameter: `{ emit, attrs, slots, expose }`. */
export function readContext(u: VueUnit, node: t.Node): void {
  if (node.type === 'Identifier') {
    addSymbol(u, { name: '#context', kind: 'module', raises: ['emit'], ...spanOf(node) }, node.binding);
    return;
  }
  if (node.type !== 'ObjectPattern') return;
  for (const property of node.properties) {
    if (property.type === 'RestElement') {
      u.facts.openEmits = true;
      continue;
    }
    const name = keyName(property);
    const value = property.value;
    if (value.type !== 'Identifier') continue;
    if (name === 'emit') {
      declareEmitter(u, value);
      continue;
    }
    if (name === 'slots') {
      declareSlots(u, value);
      continue;
    }
    addSymbol(u, { name: value.name, kind: 'module', ...spanOf(value) }, value.binding);
    if (name === 'expose') listOf(u).open = true;
    else if (name === 'attrs') u.facts.openProps = true;
  }
}

/** What the set-up gives back is in the template's scope. */
function give(u: VueUnit, node: t.Node, value: ExprFact): void {
  const bare = unwrap(node);
  if (bare.type !== 'ObjectExpression') {
    // What a function draws is the component's own render; it names nothing for a template.
    if (value.fn !== undefined) place(u, value.content, 0);
    u.openScope = true;
    u.openRefs = true;
    return;
  }
  const { members } = value;
  if (bare.properties.some((one) => one.type === 'SpreadElement' || keyName(one) === undefined))
    u.openScope = true;
  for (const one of members ?? []) {
    const property = bare.properties.find(
      (other) => other.type !== 'SpreadElement' && keyName(other) === one.name,
    )!;
    const known = one.value.kind === 'identity' ? one.value.symbol : undefined;
    u.members.set(
      one.name,
      known ?? addSymbol(u, { name: one.name, kind: 'derived', ...spanOf((property as Member).key) }),
    );
  }
}
