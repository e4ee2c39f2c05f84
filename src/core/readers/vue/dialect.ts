/** Vue's functions, as a dialect of plain code: set-up, composables, and options with `this`. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { addMounted, argumentReader, propsGiven } from '../script/mounted';
import { declareBag } from '../script/patterns';
import { raisePort } from '../script/ports';
import { noteTarget } from '../script/targets';
import { memberName } from '../script/type-expr';
import { addState, type Call, type Ctx, type Dialect, spanOf, symbolOf, unwrap, use } from '../script/unit';
import { declareAppState, readAppState } from './app-state';
import { readNavigation } from './address';
import { isBus, readAppBus } from './bus';
import { KEPT } from './composables';
import { readNamed } from './by-name';
import { isMounting } from './mounting';
import { asksStore, changeCalled, namesStore, storeItself } from './app-store/asks';
import { consume, provide } from './contexts';
import { declareSlots, slotCalled } from './drawn';
import { declareEmitter, emitted, raises } from './emits';
import { readExposed } from './expose';
import { readH } from './h';
import { declareModel, readEmits, readModel, readNameAndAttributes, readProps } from './macros';
import { FOLLOWED, isSelf, nameOfGiven, type VueNames } from './names';
import { declareMembers, handleSymbol, readSelf } from './self';
import {
  declareComputed,
  declareHandle,
  declareReactive,
  declareRef,
  declareToRef,
  declareVModel,
  makesModels,
  readToRef,
  readComputed,
} from './state';
import { attrsSymbol, eventSymbol, isVueUnit, type VueUnit } from './unit';
import { readPatch } from './patches';
import { noteWatcher } from './watched';

const EFFECTS =
  /^(watch|watchEffect|watchPostEffect|watchSyncEffect|on(Before)?(Mount|Update|Unmount)|on(Mounted|Updated|Unmounted|Activated|Deactivated|ErrorCaptured|ServerPrefetch|ScopeDispose)|nextTick)$/;

/** What a choice in an expression is made among. */
function oneOf(node: t.Expression): t.Expression[] {
  const bare = unwrap(node) as t.Expression;
  if (bare.type === 'ConditionalExpression') return [...oneOf(bare.consequent), ...oneOf(bare.alternate)];
  return bare.type === 'LogicalExpression' ? [...oneOf(bare.left), ...oneOf(bare.right)] : [bare];
}

export function vueDialect(names: VueNames, typeNamed: (name: string) => t.Node | undefined): Dialect {
  const dialect: Dialect = {
    follows: FOLLOWED,
    shares: true,
    declare(u, pattern, init, ctx) {
      if (!isVueUnit(u)) return false;
      if (init.type === 'ThisExpression') return declareMembers(u, pattern);
      if (namesStore(u, pattern, init)) return true;
      const arms = oneOf(init);
      const kept = arms.length > 1 && arms.find((one) => KEPT.test(names.call(one) ?? ''));
      if (kept) {
        // Whichever it is, it is kept.
        if (!this.declare(u, pattern, kept, ctx)) return false;
        for (const one of arms) if (one !== kept) use(u, u.expr(one, ctx), ctx);
        return true;
      }
      if (pattern.type === 'Identifier' && isBus(u, init)) {
        addState(u, pattern, undefined, UNKNOWN);
        return true;
      }
      if (init.type === 'CallExpression' && makesModels(init)) return declareVModel(u, pattern, init);
      const own = names.call(init);
      if (own === undefined) return false;
      const call = init as t.CallExpression;
      switch (own) {
        case 'defineProps':
        case 'withDefaults':
          readProps(u, call, names);
          declareBag(u, pattern, ctx);
          return true;
        case 'defineEmits':
          readEmits(u, call, typeNamed);
          if (pattern.type === 'Identifier') declareEmitter(u, pattern);
          return true;
        case 'defineModel':
          return declareModel(u, pattern, call);
        case 'ref':
        case 'shallowRef':
        case 'customRef':
          return declareRef(u, pattern, call, ctx);
        case 'reactive':
        case 'shallowReactive':
          return declareReactive(u, pattern, call, ctx);
        case 'computed':
          return declareComputed(u, pattern, call, ctx);
        case 'useState':
          return declareAppState(u, pattern, call, ctx);
        case 'useTemplateRef':
          return declareHandle(u, pattern, call);
        case 'toRef':
        case 'toRefs':
          return declareToRef(u, pattern, call, ctx);
        case 'inject':
          return pattern.type === 'Identifier' && consume(u, call, ctx, pattern) !== undefined;
        case 'useAttrs':
          if (pattern.type !== 'Identifier' || !pattern.binding) return false;
          u.refs.set(pattern.binding, attrsSymbol(u, spanOf(pattern)));
          return true;
        case 'useSlots':
        case 'defineSlots':
          declareSlots(u, pattern);
          return true;
      }
      return false;
    },
    call(u, node, ctx) {
      if (!isVueUnit(u)) return undefined;
      const raised = emitted(u, node, ctx);
      if (raised) return raised;
      const slot = slotCalled(u, node, ctx);
      if (slot) return slot;
      const patched = readPatch(u, node, ctx);
      if (patched) return patched;
      if (asksStore(u, node)) return storeItself(u, node);
      const moved = readNavigation(u, node, ctx);
      if (moved) return moved;
      const own = isCreator(u, node.callee) ? 'h' : names.call(node);
      // The members of a store as boxes are its members.
      if (memberName(node.callee) === 'storeToRefs' && node.arguments[0])
        return u.expr(node.arguments[0], ctx);
      // What a module mounts is read with the module.
      if (own === undefined && u.facts.role === 'component' && isMounting({ names }, node))
        noteTarget(u, node.arguments[0]);
      if (own === undefined) {
        const told = readAppBus(u, node, ctx);
        if (told) return told;
        readNamed(u, node, ctx);
        return undefined;
      }
      if (EFFECTS.test(own)) return readEffect(u, node, ctx, own);
      switch (own) {
        case 'defineProps':
        case 'withDefaults':
          readProps(u, node as t.CallExpression, names);
          return { kind: 'computed', ...spanOf(node) };
        case 'defineEmits':
          readEmits(u, node as t.CallExpression, typeNamed);
          return { kind: 'computed', ...spanOf(node) };
        case 'defineModel':
          readModel(u, node as t.CallExpression);
          return { kind: 'computed', ...spanOf(node) };
        case 'defineExpose':
          if (node.arguments[0]) readExposed(u, node.arguments[0], ctx);
          return { kind: 'computed', ...spanOf(node) };
        case 'defineOptions':
          if (node.arguments[0]) readNameAndAttributes(u, node.arguments[0]);
          return { kind: 'computed', ...spanOf(node) };
        case 'provide':
          return provide(u, node, ctx);
        case 'inject':
          return consume(u, node, ctx);
        case 'computed':
          return readComputed(u, node, ctx);
        case 'toRef':
          return readToRef(u, node);
        case 'createApp': {
          const [tag, props] = node.arguments;
          // A tree of its own, made while the page runs.
          if (u.facts.role !== 'component' || !tag) return undefined;
          const given = propsGiven(props, argumentReader(u, ctx), nameOfGiven);
          const known = addMounted(u, node, tag, -1, given);
          return known ? { kind: 'computed', ...spanOf(node) } : undefined;
        }
        case 'useState':
          return readAppState(u, node, ctx);
        case 'useTemplateRef': {
          const [name] = node.arguments;
          if (name?.type !== 'StringLiteral') return undefined;
          return { kind: 'identity', symbol: handleSymbol(u, name.value, name), ...spanOf(node) };
        }
        case 'markRaw':
        case 'toRaw':
          return node.arguments[0] && u.expr(node.arguments[0], ctx);
        case 'h':
          return readH(u, node, ctx);
        case 'useAttrs':
          return { kind: 'identity', symbol: attrsSymbol(u, spanOf(node)), ...spanOf(node) };
        case 'useSlots':
          u.facts.openSlots = true;
          return { kind: 'computed', ...spanOf(node) };
      }
      return undefined;
    },
    raised(u, node) {
      if (!isVueUnit(u) || !raises(u, node.callee)) return undefined;
      const [name, ...args] = node.arguments;
      if (name?.type !== 'StringLiteral') return undefined;
      return { symbol: eventSymbol(u, name.value, { start: name.start!, end: name.end! }), args };
    },
    self: (u, node, ctx) => (isVueUnit(u) ? readSelf(u, node, ctx) : undefined),
    called: (u, callee, node) => (isVueUnit(u) ? changeCalled(u, callee, node) : undefined),
    assign(u, node, ctx) {
      if (!isVueUnit(u)) return false;
      const { left } = node;
      // In a template a box is what is in it.
      const symbol =
        left.type === 'Identifier'
          ? symbolOf(u, left)
          : left.type === 'MemberExpression'
            ? readSelf(u, left)?.symbol
            : undefined;
      const event = symbol === undefined ? undefined : u.models.get(symbol);
      if (event === undefined) return false;
      const value = use(u, u.expr(node.right, ctx), ctx, 'emit');
      raisePort(u, eventSymbol(u, event, spanOf(node.left)), [value], spanOf(node), ctx.fn);
      return true;
    },
  };
  return dialect;
}

/** `h` as the parameter of a render function, and `this.$createElement`. */
function isCreator(u: VueUnit, callee: t.Node): boolean {
  if (callee.type === 'Identifier') return callee.binding !== undefined && callee.binding === u.creator;
  return (
    callee.type === 'MemberExpression' &&
    isSelf(callee.object) &&
    memberName(callee.property) === '$createElement'
  );
}

function readEffect(u: VueUnit, node: Call, ctx: Ctx, own: string): ExprFact {
  const where = own === 'nextTick' ? 'handler' : 'effect';
  const readOne = (arg: t.Node): ExprFact => use(u, u.expr(arg, { ...ctx, where }), ctx, 'effect');
  const read = node.arguments.map((arg, index): ExprFact => {
    const bare = unwrap(arg);
    if (own !== 'watch' || index > 0 || bare.type !== 'ArrayExpression') return readOne(arg);
    // Several that are watched come as a list, each at its place.
    const elements = bare.elements.map((one) =>
      one ? readOne(one) : { kind: 'computed' as const, ...spanOf(bare) },
    );
    return { kind: 'array', elements, ...spanOf(bare) };
  });
  if (own === 'watch') noteWatcher(u, read[1], read[0]);
  return { kind: 'computed', ...spanOf(node) };
}
