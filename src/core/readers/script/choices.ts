/**
 * What an expression may stand for, where it chooses between values that are written out: through conditions, constants,
 * tables, lists, what is derived from them, and functions that give one back.
 */
import type * as t from '@babel/types';
import type { ChoiceFact, TagFact } from '../../model/facts';
import { moduleLoaded } from './lazy';
import { type Binding, isFunction } from './scope';
import { keyName, memberName } from './type-expr';
import { isModuleLevel, unwrap } from './unit';
import { eachChild } from './walk';

/** Calls whose result is what they are given, or what the function that they are given gives back. */
const DERIVED = /^(computed|markRaw|useMemo|\$derived(\.by)?|Object\.freeze|React\.useMemo)$/;
/** Calls that keep what they are given at first, and may hold anything later. */
const KEPT = /^(shallowRef|ref|\$state(\.raw)?)$/;
/** Constants are followed so far. */
const MAX_DEPTH = 12;
/** A table with more entries than this is no choice of tags. */
const MAX_CHOICES = 200;

/** One thing that an expression may be: the node, and the members that are taken of it where it is not written out. */
export interface Choice {
  node: t.Node;
  /** It is any member of the node, or what the node gives back when called. */
  of?: 'members' | 'result';
  path?: string[];
  /** It counts only where nothing else is handed in. */
  spare?: boolean;
  /** It is an export of a module that is loaded while the app runs, or without a name the module. */
  loads?: { from: string; name: string };
}

/** What the parameters of callbacks run over, by their declarations. */
export type Loops = ReadonlyMap<Binding, t.Node>;
const NO_LOOPS: Loops = new Map();

/** All that an expression may be. One that stands for itself is its own only choice. */
export function choicesOf(node: t.Node, loops: Loops = NO_LOOPS): Choice[] {
  return new Chooser(loops).choices(node, 0);
}

class Chooser {
  private count = 0;
  /** What is followed is kept by the component itself: what the module keeps is known otherwise. */
  private isOwn = false;

  constructor(private readonly loops: Loops) {}

  choices(node: t.Node, depth: number): Choice[] {
    const bare = unwrap(node);
    if (depth > MAX_DEPTH || ++this.count > MAX_CHOICES) return [{ node: bare }];
    const each = (parts: (t.Node | null | undefined)[]) =>
      parts.flatMap((one) => (one ? this.choices(one, depth + 1) : []));
    switch (bare.type) {
      case 'ConditionalExpression':
        return each([bare.consequent, bare.alternate]);
      case 'LogicalExpression':
        return each(bare.operator === '&&' ? [bare.right] : [bare.left, bare.right]);
      case 'Identifier': {
        const { binding } = bare;
        const found = binding && !isKnownByName(binding) ? this.declared(binding, depth + 1) : undefined;
        return found?.some(leads) ? found : [{ node: bare }];
      }
      case 'MemberExpression':
      case 'OptionalMemberExpression':
        return this.member(bare, depth + 1);
      case 'AwaitExpression':
      case 'ImportExpression':
        return [loadedModule(bare)];
      case 'CallExpression':
      case 'OptionalCallExpression':
        if (bare.callee.type === 'Import') return [loadedModule(bare)];
        return this.called(bare, depth + 1);
    }
    return [{ node: bare }];
  }

  /** What a name may be: its value, its default, one of what it runs over. */
  private declared(binding: Binding, depth: number): Choice[] | undefined {
    const list = this.loops.get(binding);
    if (list) return this.within(this.membersOf(list, undefined, depth), patternPath(binding), depth);
    if (binding.node.type === 'VariableDeclarator') {
      const around = this.isOwn;
      this.isOwn = !isModuleLevel(binding);
      const found = this.variable(binding, binding.node, depth);
      this.isOwn = around;
      return found;
    }
    if (binding.kind === 'param' && isFunction(binding.node)) {
      for (const param of binding.node.params) {
        const fallback = defaultIn(param, binding);
        // What is handed in instead is not known here.
        if (fallback) return [...this.spare(fallback, depth), { node: binding.id as t.Node }];
      }
    }
    return undefined;
  }

  /** What a variable starts with, and is given later. */
  private variable(
    binding: Binding,
    { id, init }: t.VariableDeclarator,
    depth: number,
  ): Choice[] | undefined {
    if (!init) return binding.reassigned ? this.assigned(binding, depth) : undefined;
    if (binding.reassigned) return [...this.assigned(binding, depth), ...this.choices(init, depth)];
    if (id.type === 'Identifier') return this.choices(init, depth);
    const found = this.within(this.choices(init, depth), patternPath(binding), depth);
    const fallback = defaultIn(id, binding);
    return fallback ? [...found, ...this.spare(fallback, depth)] : found;
  }

  private spare(node: t.Node, depth: number): Choice[] {
    return this.choices(node, depth).map((one) => ({ ...one, spare: true }));
  }

  /** What a variable is given by assignments to its name. */
  private assigned(binding: Binding, depth: number): Choice[] {
    return binding.uses.flatMap(({ role, value }) =>
      role !== 'write' ? [] : value ? this.choices(value, depth) : [{ node: binding.id as t.Node }],
    );
  }

  private member(node: t.MemberExpression | t.OptionalMemberExpression, depth: number): Choice[] {
    const name = node.computed
      ? node.property.type === 'StringLiteral'
        ? node.property.value
        : undefined
      : memberName(node.property);
    if (!node.computed && name === 'value') {
      // What a box holds.
      const held = this.choices(node.object, depth);
      if (held.some((one) => unwrap(one.node) !== unwrap(node.object))) return held;
    }
    const found = this.membersOf(node.object, name, depth);
    return found.some(leads) ? found : [{ node }];
  }

  /** The members of all that an expression may be: the one of a name, or any. */
  private membersOf(node: t.Node, name: string | undefined, depth: number): Choice[] {
    return this.within(this.choices(node, depth), [name], depth);
  }

  /** Follows a path into each of some values; `undefined` on the path is any member. */
  private within(values: Choice[], path: (string | undefined)[] | undefined, depth: number): Choice[] {
    if (!path) return [];
    let at = values;
    for (const step of path) at = at.flatMap((one) => this.step(one, step, depth + 1));
    return at;
  }

  private step(value: Choice, name: string | undefined, depth: number): Choice[] {
    if (this.count > MAX_CHOICES) return [];
    const { node, loads } = value;
    if (loads) {
      if (name === undefined || value.path) return [{ node }];
      return [loads.name ? { ...value, path: [name] } : { node, loads: { ...loads, name } }];
    }
    const direct = !value.of && !value.path;
    if (direct && node.type === 'ObjectExpression') {
      const found: Choice[] = [];
      let open = false;
      for (const one of node.properties) {
        if (one.type === 'SpreadElement') {
          const inner = this.choices(one.argument, depth).flatMap((part) => this.step(part, name, depth + 1));
          found.push(...inner);
          continue;
        }
        const key = keyName(one);
        if (key === undefined && one.type === 'ObjectProperty' && one.computed) {
          if (name === undefined) found.push(...this.choices(one.value, depth));
          else open = true;
          continue;
        }
        if (name !== undefined && key !== name) continue;
        if (one.type === 'ObjectProperty') found.push(...this.choices(one.value, depth));
        else found.push({ node: one });
      }
      return open && !found.length ? [value] : found;
    }
    if (direct && node.type === 'ArrayExpression') {
      const wanted = name === undefined ? node.elements : [node.elements[Number(name)]];
      return wanted.flatMap((one) => (one ? this.choices(one, depth) : []));
    }
    if (direct && node.type === 'NewExpression' && memberName(node.callee) === 'Map') {
      const entries = node.arguments[0] && unwrap(node.arguments[0]);
      if (entries?.type !== 'ArrayExpression' || name !== undefined) return [value];
      return entries.elements.flatMap((one) => {
        const pair = one && unwrap(one);
        const held = pair?.type === 'ArrayExpression' ? pair.elements[1] : undefined;
        return held ? this.choices(held, depth) : [];
      });
    }
    if (direct && node.type === 'CallExpression') {
      // State that starts from something, and may be set to anything.
      const [first] = node.arguments;
      const kept = name === '0' && /^(React\.)?useState$/.test(memberName(node.callee) ?? '');
      if (kept && first) return [...this.choices(lazyValue(first), depth), { node }];
    }
    if (moduleName(node) === undefined) return [value];
    if (name === undefined)
      return value.of ? [value] : [{ node, of: 'members', ...(value.path ? { path: value.path } : {}) }];
    return [{ ...value, path: [...(value.path ?? []), name] }];
  }

  private called(node: t.CallExpression | t.OptionalCallExpression, depth: number): Choice[] {
    const [first] = node.arguments;
    const callee = unwrap(node.callee);
    const name = memberName(callee) ?? '';
    if (first && DERIVED.test(name)) {
      const inner = unwrap(first);
      if (!isFunction(inner)) return this.choices(inner, depth);
      return this.returned(inner, depth) ?? [{ node }];
    }
    if (first && KEPT.test(name)) return [...this.choices(first, depth), { node }];
    if (
      (callee.type === 'MemberExpression' || callee.type === 'OptionalMemberExpression') &&
      !callee.computed &&
      callee.property.type === 'Identifier'
    ) {
      if (/^(get|find|at)$/.test(callee.property.name)) {
        const found = this.membersOf(callee.object, undefined, depth);
        return found.some(leads) ? found : [{ node }];
      }
      if (/^(filter|slice|concat|reverse|sort|toSorted)$/.test(callee.property.name))
        return this.choices(callee.object, depth);
      if (/^Object\.(values|entries)$/.test(name) && first) {
        const held = this.choices(first, depth);
        return name === 'Object.values' ? held : [{ node }];
      }
    }
    const binding = callee.type === 'Identifier' ? callee.binding : undefined;
    const made = binding && functionOf(binding);
    if (made) return this.returned(made, depth) ?? [{ node }];
    const inner = PLAIN_WRAPPER.test(name) ? node.arguments[0] : wrappedIn(node);
    if (inner && this.isOwn) {
      const found = this.choices(inner, depth);
      // Something stands between what it is given and who draws it.
      if (found.some(leads)) return PLAIN_WRAPPER.test(name) ? found : [...found, { node }];
    }
    if (moduleName(callee) !== undefined) return [{ node: callee, of: 'result' }];
    return [{ node }];
  }

  /** What a function gives back; undefined where that is not to be seen. */
  private returned(fn: t.Function, depth: number): Choice[] | undefined {
    if (fn.async || fn.generator) return undefined;
    const given = returnsOf(fn);
    return given.length ? given.flatMap((one) => this.choices(one, depth)) : undefined;
  }
}

/** Makes a component of another one that takes the same. */
const PLAIN_WRAPPER = /^(React\.)?memo$/;
/** Calls that do something with a component, draw it, say, and make none of it. */
const USES =
  /(^|\.)(use[A-Z]\w*|inject|map|filter|includes|push|has|get|h|jsxs?|createElement|cloneElement|createPortal)$/;

/** The component of the module that a call makes another one of, `drag('cabin')(drop(Row))`, by its name. */
function wrappedIn(node: t.Node): t.Node | undefined {
  const bare = unwrap(node);
  if (bare.type !== 'CallExpression' || USES.test(memberName(bare.callee) ?? '')) return undefined;
  for (const arg of bare.arguments) {
    const given = unwrap(arg);
    if (given.type === 'Identifier' && /^[A-Z]/.test(given.name) && moduleName(given) !== undefined)
      return given;
    const inner = wrappedIn(given);
    if (inner) return inner;
  }
  return undefined;
}

function loadedModule(node: t.Node): Choice {
  const loads = moduleLoaded(node, '');
  return { node, ...(loads ? { loads } : {}) };
}

/** The expressions that a function gives back. */
export function returnsOf(fn: t.Function): t.Node[] {
  if (fn.body.type !== 'BlockStatement') return [fn.body];
  const found: t.Node[] = [];
  const look = (part: t.Node): void => {
    if (part.type === 'ReturnStatement') {
      if (part.argument) found.push(part.argument);
    } else if (!isFunction(part)) eachChild(part, look);
  };
  fn.body.body.forEach(look);
  return found;
}

/** `() => Chart` as an initial value is worked out when it is needed. */
function lazyValue(node: t.Node): t.Node {
  const bare = unwrap(node);
  return isFunction(bare) && bare.body.type !== 'BlockStatement' ? bare.body : bare;
}

/** The function that a name of the file stands for. */
function functionOf({ node, kind, reassigned }: Binding): t.Function | undefined {
  // A parameter is known by the function that takes it.
  if (reassigned || kind === 'param') return undefined;
  const value = node.type === 'VariableDeclarator' && node.init ? unwrap(node.init) : node;
  return isFunction(value) ? value : undefined;
}

/** Whether a choice leads further than to a name of the component itself. */
const isTelling = ({ node, of, path, loads }: Choice): boolean =>
  loads !== undefined ||
  of !== undefined ||
  path !== undefined ||
  node.type === 'StringLiteral' ||
  ((node.type === 'Identifier' || node.type === 'MemberExpression') && moduleName(node) !== undefined);

/** The same, or to something that members are taken of. */
const leads = (one: Choice): boolean =>
  isTelling(one) || /^(Object|Array|New)Expression$/.test(one.node.type);

/** What the module knows by name needs no following: the name stands for it everywhere. */
function isKnownByName(binding: Binding): boolean {
  if (!isModuleLevel(binding)) return false;
  if (binding.node.type !== 'VariableDeclarator') return true;
  const { id, init } = binding.node;
  if (id.type !== 'Identifier' || !init) return false;
  return !/^(Object|Array|Conditional|Logical|Identifier|Member|New)/.test(unwrap(init).type);
}

/** The way into a pattern to one of its names; undefined where it takes the rest. */
function patternPath(binding: Binding): string[] | undefined {
  const patterns: t.Node[] =
    binding.node.type === 'VariableDeclarator'
      ? [binding.node.id]
      : isFunction(binding.node)
        ? binding.node.params
        : [binding.node];
  const find = (pattern: t.Node): string[] | undefined => {
    if (pattern.type === 'Identifier') return pattern.name === binding.name ? [] : undefined;
    if (pattern.type === 'AssignmentPattern') return find(pattern.left);
    if (pattern.type === 'ObjectPattern') {
      for (const one of pattern.properties) {
        if (one.type !== 'ObjectProperty') continue;
        const name = keyName(one);
        const inner = find(one.value);
        if (inner && name !== undefined) return [name, ...inner];
      }
    }
    if (pattern.type === 'ArrayPattern') {
      for (const [index, one] of pattern.elements.entries()) {
        const inner = one ? find(one) : undefined;
        if (inner) return [String(index), ...inner];
      }
    }
    return undefined;
  };
  for (const pattern of patterns) {
    const found = find(pattern);
    if (found) return found;
  }
  return undefined;
}

/** The default that a pattern gives to one of its names. */
function defaultIn(pattern: t.Node, binding: Binding): t.Node | undefined {
  if (pattern.type === 'AssignmentPattern') {
    if (pattern.left.type === 'Identifier' && pattern.left.name === binding.name) return pattern.right;
    return defaultIn(pattern.left, binding);
  }
  if (pattern.type === 'ObjectPattern') {
    for (const one of pattern.properties) {
      const found = one.type === 'ObjectProperty' ? defaultIn(one.value, binding) : undefined;
      if (found) return found;
    }
  }
  if (pattern.type === 'ArrayPattern') {
    for (const one of pattern.elements) {
      const found = one ? defaultIn(one, binding) : undefined;
      if (found) return found;
    }
  }
  return undefined;
}

/** The name that a choice has, where it is one of the module or a member of one; what a component holds has none. */
export function moduleName(choice: t.Node): string | undefined {
  const name = memberName(choice);
  let first = choice;
  while (first.type === 'MemberExpression') first = unwrap(first.object);
  const known = first.type === 'Identifier' && first.binding && isModuleLevel(first.binding);
  return known ? name : undefined;
}

/** What some choices are as facts. `named` gives the name of one that the module does not know by name. */
export function chosen(
  choices: Choice[],
  named: (node: t.Node) => Pick<ChoiceFact, 'name' | 'global'> | undefined = () => undefined,
): Pick<TagFact, 'choices' | 'openChoice' | 'plain'> {
  const found = new Map<string, ChoiceFact>();
  let openChoice = false;
  let plain = false;
  for (const { node, of, path, spare, loads } of choices) {
    const own = (of ?? path ?? loads) ? undefined : named(node);
    const name = loads ? loads.name || undefined : (own?.name ?? moduleName(node));
    if (name !== undefined) {
      const fact: ChoiceFact = {
        ...own,
        name,
        ...(of ? { of } : {}),
        ...(path ? { path } : {}),
        ...(spare ? { spare } : {}),
        ...(loads ? { loads: loads.from } : {}),
      };
      found.set(JSON.stringify(fact), fact);
    } else if (node.type === 'StringLiteral') plain = true;
    else if (!isNothing(node)) openChoice = true;
  }
  return {
    ...(found.size ? { choices: [...found.values()] } : {}),
    ...(openChoice ? { openChoice } : {}),
    ...(plain ? { plain } : {}),
  };
}

const isNothing = (node: t.Node): boolean =>
  node.type === 'NullLiteral' ||
  node.type === 'BooleanLiteral' ||
  (node.type === 'Identifier' && node.name === 'undefined');

/** An object that is written out there, or in a constant that nothing else is done with. */
export function writtenObject(given: t.Node): t.ObjectExpression | undefined {
  const node = unwrap(given);
  if (node.type === 'ObjectExpression') return node;
  const binding = node.type === 'Identifier' ? node.binding : undefined;
  if (binding?.kind !== 'const' || binding.node.type !== 'VariableDeclarator' || !binding.node.init)
    return undefined;
  // What is done with it besides may add to it.
  const onlyGiven = binding.uses.every(({ id }) => id === node);
  return onlyGiven ? writtenObject(binding.node.init) : undefined;
}
