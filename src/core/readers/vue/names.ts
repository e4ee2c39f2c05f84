/** What Vue's own exports mean to a reader. */
import type * as t from '@babel/types';
import type { ImportFact, Traits } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { memberName, type NamedType } from '../script/type-expr';
import { unwrap } from '../script/unit';

export const VUE_TRAITS: Traits = {
  callbackProps: false,
  attributesFallThrough: true,
  listenersFallThroughFrom: 3,
  refExposes: 'listed',
  statementHandlers: true,
  inputsWritable: false,
  inputsShared: true,
  castsBooleans: true,
  contentPort: '#default',
  contextByIdentity: false,
  contextAtSetup: true,
};

/** A component's event, as a port: events and props may share a name. */
export const eventPort = (name: string): string => `@${camel(name)}`;
/** A slot, as a port. */
export const slotPort = (name: string): string => `#${name}`;

/** The port that a render function means by a name: `onRowClick` listens, everything else is handed in. */
export const nameOfGiven = (key: string): string =>
  /^on[A-Z]/.test(key) ? eventPort(key.charAt(2).toLowerCase() + key.slice(3)) : camel(key);

/** `row-click` is `rowClick`, as the framework has it. */
export const camel = (name: string): string =>
  name.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());
/** `fare-card` and `fareCard` are `FareCard`. */
export const pascal = (name: string): string => {
  const one = camel(name);
  return one.charAt(0).toUpperCase() + one.slice(1);
};

const MODULES =
  /^(vue|vue-demi|@vue\/(composition-api|runtime-core|runtime-dom|reactivity|compat)|#imports|#app|nuxt\/app|@nuxtjs\/composition-api)$/;

export const isVueModule = (from: string): boolean => MODULES.test(from);

/** Where a build offers all that it brings into scope. */
export const BROUGHT = '#imports';
/** Files whose exports it brings, by their folders. */
export const OFFERED =
  /(?:^|\/)(?:composables|stores?|utils|hooks|shared)\/(?:.*\/)?([^/]+?)(?:\.[cm]?[jt]s)$/;

/** Functions of the framework that a build may bring into scope without an import. */
const AUTO = new Set([
  'ref',
  'shallowRef',
  'reactive',
  'shallowReactive',
  'readonly',
  'computed',
  'toRef',
  'toRefs',
  'inject',
  'provide',
  'watch',
  'watchEffect',
  'watchPostEffect',
  'watchSyncEffect',
  'nextTick',
  'onMounted',
  'onBeforeMount',
  'onUpdated',
  'onBeforeUpdate',
  'onUnmounted',
  'onBeforeUnmount',
  'onActivated',
  'onDeactivated',
  'useAttrs',
  'useSlots',
  'useTemplateRef',
  'useState',
  'h',
  'defineComponent',
  'defineAsyncComponent',
  'getCurrentInstance',
]);

export const isAuto = (name: string): boolean => AUTO.has(name);

/** Known in `<script setup>` without any import. */
const MACROS = new Set([
  'defineProps',
  'withDefaults',
  'defineEmits',
  'defineExpose',
  'defineOptions',
  'defineSlots',
  'defineModel',
]);

/** Composables, functions that provide or inject for whoever calls them, and those that may make what others keep. */
export const FOLLOWED = /(^|\.)(use|inject|provide)[A-Z]|^(create|make|init|setup)[A-Z]/;

export interface VueNames {
  /** Vue's name of what a call calls, or undefined if it is something else. */
  call(node: t.Node): string | undefined;
}

export function vueNames(imports: ImportFact[]): VueNames {
  const named = new Map<string, string>();
  const spaces = new Set<string>();
  for (const one of imports) {
    if (!isVueModule(one.from)) continue;
    if (one.name === 'default' || one.name === '*') spaces.add(one.local);
    else named.set(one.local, one.name);
  }
  return {
    call(node) {
      if (node.type !== 'CallExpression' && node.type !== 'OptionalCallExpression') return undefined;
      const { callee } = node;
      if (callee.type === 'Identifier') {
        const own = named.get(callee.name);
        if (own !== undefined) return own;
        return !callee.binding && (AUTO.has(callee.name) || MACROS.has(callee.name))
          ? callee.name
          : undefined;
      }
      // `(Vue as VueConstructor<Held>).extend({…})`
      const cast = callee.type === 'MemberExpression' && !callee.computed ? unwrap(callee.object) : undefined;
      const name =
        cast?.type === 'Identifier' && callee.type === 'MemberExpression'
          ? `${cast.name}.${memberName(callee.property) ?? ''}`
          : memberName(callee);
      const dot = name?.indexOf('.') ?? -1;
      const own = name && dot > 0 && spaces.has(name.slice(0, dot)) ? name.slice(dot + 1) : undefined;
      // What Vue 2 calls so.
      return own === 'observable' ? 'reactive' : own;
    },
  };
}

/** Types that Vue defines, by the name that the file uses for them. */
const BOXES = new Set(['Ref', 'ShallowRef', 'ComputedRef', 'WritableComputedRef', 'MaybeRef']);

export function vueTypes(imports: ImportFact[]): NamedType {
  const named = new Map(imports.filter((one) => isVueModule(one.from)).map((one) => [one.local, one.name]));
  return (name, args) => {
    const own = named.get(name);
    if (own === undefined) return undefined;
    // A box is typed by what is in it, wherever it is handed.
    return own === 'PropType' || BOXES.has(own) ? (args()[0] ?? UNKNOWN) : UNKNOWN;
  };
}

/** `this`, or a name that the code gave it. */
export function isSelf(node: t.Node): boolean {
  const bare = unwrap(node);
  if (bare.type === 'ThisExpression') return true;
  const init =
    bare.type === 'Identifier' && bare.binding?.node.type === 'VariableDeclarator'
      ? bare.binding.node.init
      : undefined;
  return init?.type === 'ThisExpression';
}
