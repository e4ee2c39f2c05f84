/** Options of components that something else than the framework makes components of. */
import type * as t from '@babel/types';
import type { ComponentFacts } from '../../model/facts';
import { returnsOf } from '../script/choices';
import { keyName, memberName } from '../script/type-expr';
import { spanOf, unwrap } from '../script/unit';
import type { VueNames } from './names';

export const OPTIONS = new Set(
  (
    'name props emits data computed methods watch inject provide components directives filters mixins extends model ' +
    'inheritAttrs setup expose fetch beforeCreate created beforeMount mounted beforeUpdate updated activated deactivated ' +
    'beforeUnmount unmounted beforeDestroy destroyed errorCaptured beforeRouteEnter beforeRouteUpdate beforeRouteLeave'
  ).split(' '),
);
/** What options have besides where they draw by themselves. */
const DRAWING = new Set(['render', 'template', 'functional']);

export interface GivenOptions {
  object: t.ObjectExpression;
  /** The function that they are given, by its name, if it has one. */
  to?: string;
  /** Names of the options that they extend. */
  mixins?: string[];
  /** What they extend, where that is one that has a name. */
  base?: t.Identifier;
}

/** The options in `makePart({…})`, `mixins(Held, Moved).extend({…})` and `Part.extend({…})`. */
export function optionsGiven(node: t.Node): GivenOptions | undefined {
  const bare = unwrap(node);
  if (bare.type !== 'CallExpression') return undefined;
  const given = bare.arguments.map(unwrap);
  const object = given.find((one) => one.type === 'ObjectExpression');
  if (object?.type !== 'ObjectExpression') return undefined;
  const { callee } = bare;
  if (callee.type === 'MemberExpression' && memberName(callee.property) === 'extend') {
    // Options beside a component that is extended are dropped.
    if (object !== given[0]) return undefined;
    const base = unwrap(callee.object);
    const bases = base.type === 'CallExpression' ? base.arguments.map(unwrap) : [base];
    return {
      object,
      // What has no name is something that nobody sees.
      mixins: bases.map((one) => memberName(one) ?? ''),
      ...(base.type === 'Identifier' ? { base } : {}),
    };
  }
  return { object, to: memberName(callee) ?? '' };
}

/** Whether options are a component's beyond doubt, whoever is given them. */
export function isWhole({ properties }: t.ObjectExpression): boolean {
  const keys = properties.map((one) => (one.type === 'SpreadElement' ? 'mixins' : (keyName(one) ?? '')));
  const has = (...names: string[]) => names.some((name) => keys.includes(name));
  const draws = has('render', 'template') || (has('setup') && has('props', 'emits', 'components'));
  return draws && keys.length > 1 && keys.every((key) => OPTIONS.has(key) || DRAWING.has(key));
}

/** Notes who made the component. */
export function noteMaker(facts: ComponentFacts, { to, mixins, base }: GivenOptions): void {
  if (to !== undefined) facts.definedBy = to;
  if (base && facts.role === 'helper') facts.extends = { name: base.name, ...spanOf(base), options: true };
  if (mixins) facts.mixins = [...mixins, ...(facts.mixins ?? [])];
}

/** A function that gives back the component that the framework makes of what it is given: `(raw) => defineComponent(raw)`. */
export function defines(names: VueNames, fn: t.Function): boolean {
  const [first] = fn.params;
  if (first?.type !== 'Identifier' || fn.params.length > 1) return false;
  const isMade = (node: t.Node): boolean => {
    const bare = unwrap(node);
    const own = names.call(bare);
    const inner = bare.type === 'CallExpression' ? bare.arguments[0] : undefined;
    if (!inner || !/^(defineComponent|extend|markRaw)$/.test(own ?? '')) return false;
    const given = unwrap(inner);
    return given.type === 'Identifier' ? given.binding === first.binding : isMade(given);
  };
  const returns = returnsOf(fn);
  return returns.length > 0 && returns.every(isMade);
}
