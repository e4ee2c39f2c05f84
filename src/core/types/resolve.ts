/** Type expressions to shapes: names looked up, utility types applied. Everything else is unknown. */
import type { FileFacts } from '../model/facts';
import type { Component, Lazy, Target } from '../model/project';
import { lit, prim, type TypeExpr } from '../model/types';
import { NUMBER_METHODS, STRING_METHODS } from './builtins';
import { UNKNOWN_SHAPE, type ObjectShape, type Shape, type ShapeMember } from './shape';

const MAX_DEPTH = 24;
/** Classes extend classes so far. */
const MAX_BASES = 16;
/** A type that takes more steps than this to understand is left unknown; some grow without end. */
const MAX_STEPS = 4000;

export interface TypeSpace {
  resolve(type: Lazy): Shape;
  /** The mark that members carry which are written in the type that an expression names; empty for none. */
  ownerOf(type: TypeExpr | undefined, file: number): string;
}

/** What names mean in a file; the linker knows. */
export interface TypeNames {
  lookup(file: number, name: string): Target;
  lookupType(file: number, name: string): { file: number; decl: FileFacts['types'][number] } | undefined;
  valuesOf(file: number, name: string): { file: number; value: FileFacts['values'][number] }[];
}

interface Context {
  names: TypeNames;
  components: Component[];
  /** The type of a port's symbol. */
  portType(component: Component, name: string): Lazy | undefined;
  /** What a name means that the markup of a component applies to values. */
  filter(component: Component, name: string): Component | undefined;
  /** The type of a parameter of content, where what is given to that is known. */
  given(component: Component, symbol: number): Lazy | undefined;
}

export function typeSpace({ names, components, portType, filter, given }: Context): TypeSpace {
  let depth = 0;

  // A type expression belongs to one file and one component, so that its shape is always the same, unless
  // type parameters give it another meaning.
  const shapes = new WeakMap<TypeExpr, Shape>();

  const generics = new WeakMap<Map<string, Lazy>, WeakMap<TypeExpr, Shape>>();
  let steps = 0;

  /** The memory for types under the same meanings of their parameters. */
  function memoryOf({ args }: Lazy): WeakMap<TypeExpr, Shape> {
    if (!args) return shapes;
    let found = generics.get(args);
    if (!found) generics.set(args, (found = new WeakMap()));
    return found;
  }

  function resolve(lazy: Lazy): Shape {
    const memory = memoryOf(lazy);
    const known = memory.get(lazy.type);
    if (known) return known;
    if (depth === 0) steps = 0;
    if (depth >= MAX_DEPTH || ++steps > MAX_STEPS) return UNKNOWN_SHAPE;
    depth++;
    try {
      const shape = step(lazy);
      if (isScoped(lazy.type)) memory.set(lazy.type, shape);
      return shape;
    } finally {
      depth--;
    }
  }

  const inside = (lazy: Lazy, type: TypeExpr): Lazy => ({ ...lazy, type });

  /** What the carrier hands over that an expression is. */
  function carriedBy(lazy: Lazy, hops = 0): Lazy | undefined {
    const { type } = lazy;
    if (hops > MAX_BASES) return undefined;
    if (type.t === 'carrier') return inside(lazy, type.of);
    if (type.t === 'ref' && type.name === 'Promise' && type.args?.[0])
      return names.lookup(lazy.file, type.name).kind === 'unbound' ? inside(lazy, type.args[0]) : undefined;
    if (type.t === 'union') {
      const others = type.of.filter((one) => !isNothing(resolve(inside(lazy, one))));
      return others.length === 1 ? carriedBy(inside(lazy, others[0]!), hops + 1) : undefined;
    }
    if (type.t === 'ret') {
      const of = type.of.t === 'sym' ? typeOfSymbol(inside(lazy, type.of), type.of.s) : undefined;
      return of?.type.t === 'fn' ? carriedBy(inside(of, of.type.returns), hops + 1) : undefined;
    }
    if (type.t === 'wide') return carriedBy(inside(lazy, type.of), hops + 1);
    const own = type.t === 'sym' ? typeOfSymbol(lazy, type.s) : undefined;
    return own && carriedBy(own, hops + 1);
  }

  /** The type that a symbol was given, as it is written. */
  function typeOfSymbol({ component: id }: Lazy, index: number): Lazy | undefined {
    const component = id === undefined ? undefined : components[id];
    const fact = component?.facts.symbols[index];
    if (!component || !fact) return undefined;
    if (fact.kind === 'prop') return portType(component, fact.port!);
    const type = fact.type ?? (fact.kind === 'derived' ? fact.init?.type : undefined);
    if (!type && fact.kind === 'param') return given(component, index);
    return type && { type, file: component.file, component: component.id };
  }

  function step(lazy: Lazy): Shape {
    const { type } = lazy;
    switch (type.t) {
      case 'unknown':
      case 'any':
      case 'carrier':
        return UNKNOWN_SHAPE;
      case 'carried': {
        const of = carriedBy(inside(lazy, type.of));
        return of ? resolve(of) : UNKNOWN_SHAPE;
      }
      case 'filter': {
        const found =
          lazy.component === undefined ? undefined : filter(components[lazy.component]!, type.name);
        const gives = found?.facts.filter?.type;
        return gives ? resolve({ type: gives, file: found.file, component: found.id }) : UNKNOWN_SHAPE;
      }
      case 'prim':
        return { k: 'prim', n: type.n, ...(type.loose ? { loose: true } : {}) };
      case 'lit':
        return { k: 'lit', v: type.v };
      case 'content':
        return { k: 'content' };
      case 'handler':
        return { k: 'handler' };
      case 'union':
        return joined(type.of.map((one) => resolve(inside(lazy, one))));
      case 'all':
        return both(type.of.map((one) => resolve(inside(lazy, one))));
      case 'array':
        return {
          k: 'array',
          of: inside(lazy, type.of),
          ...(type.each ? { each: type.each.map((one) => inside(lazy, one)) } : {}),
        };
      case 'tuple':
        return type.open
          ? UNKNOWN_SHAPE
          : {
              k: 'array',
              of: inside(lazy, { t: 'union', of: type.of }),
              parts: type.of.map((one) => inside(lazy, one)),
            };
      case 'fn':
        return {
          k: 'fn',
          params: type.params.map((one) => ({
            name: one.name,
            type: inside(lazy, one.type),
            optional: one.optional === true,
            rest: one.rest === true,
          })),
          returns: inside(lazy, type.returns),
          ...(type.method ? { method: true } : {}),
        };
      case 'object':
        return objectOf(lazy, type, '');
      case 'merge':
        return merged(type.of.map((one) => resolve(inside(lazy, one))));
      case 'ref':
        return named(lazy, type.name, type.args ?? []);
      case 'sym':
        return symbol(lazy, type.s);
      case 'value':
        return value(lazy.file, type.name);
      case 'member':
        return member(inside(lazy, type.of), type.name);
      case 'wide': {
        const shape = resolve(inside(lazy, type.of));
        return isGiven(lazy, type.of) ? shape : widened(shape);
      }
      case 'elem':
        return element(resolve(inside(lazy, type.of)));
      case 'ret': {
        const fn = resolve(inside(lazy, type.of));
        if (fn.k === 'fn') return resolve(fn.returns);
        return type.orSelf ? fn : UNKNOWN_SHAPE;
      }
    }
  }

  /** It was handed in: its type is what is declared, and no first value. */
  function isGiven({ component: id }: Lazy, type: TypeExpr): boolean {
    const of = type.t === 'ret' ? type.of : type;
    const fact = of.t === 'sym' && id !== undefined ? components[id]!.facts.symbols[of.s] : undefined;
    return fact?.kind === 'prop' || fact?.kind === 'param';
  }

  /** What a variable keeps of a value: of a text, that it is one. */
  function widened(shape: Shape): Shape {
    if (shape.k === 'union') return joined(shape.of.map(widened));
    if (shape.k !== 'lit') return shape;
    if (isNothing(shape)) return UNKNOWN_SHAPE;
    return { k: 'prim', n: typeof shape.v as 'string' | 'number' | 'boolean', loose: true };
  }

  function objectOf(lazy: Lazy, type: Extract<TypeExpr, { t: 'object' }>, owner: string): ObjectShape {
    const members = new Map<string, ShapeMember>();
    for (const one of type.members) {
      members.set(one.name, {
        type: inside(lazy, one.type),
        optional: one.optional === true,
        file: lazy.file,
        start: one.start,
        end: one.end,
        owner,
      });
    }
    return {
      k: 'object',
      members,
      open: type.open === true,
      ...(type.index ? { index: inside(lazy, type.index) } : {}),
      ...(type.lax ? { lax: true } : {}),
      ...(type.exact ? { exact: true } : {}),
    };
  }

  function joined(parts: Shape[]): Shape {
    const flat = parts.flatMap((one) => (one.k === 'union' ? one.of : [one]));
    return flat.length === 1 ? flat[0]! : { k: 'union', of: flat };
  }

  /** An intersection: members of all; anything unknown makes it open. */
  function both(parts: Shape[]): Shape {
    const unions = parts.filter((one) => one.k === 'union');
    if (unions.length === 1) {
      const others = parts.filter((one) => one.k !== 'union');
      return joined((unions[0] as Extract<Shape, { k: 'union' }>).of.map((one) => both([one, ...others])));
    }
    const members = new Map<string, ShapeMember>();
    let open = false;
    let index: Lazy | undefined;
    for (const part of parts) {
      if (part.k !== 'object') {
        open = true;
        continue;
      }
      if (part.open) open = true;
      index ??= part.index;
      for (const [name, one] of part.members) {
        const known = members.get(name);
        // Asked for twice: required if either side requires it; the type is no longer simple.
        members.set(
          name,
          known
            ? { ...one, optional: known.optional && one.optional, type: inside(one.type, { t: 'unknown' }) }
            : one,
        );
      }
    }
    return { k: 'object', members, open, ...(index ? { index } : {}) };
  }

  /** An object that takes over others: what comes later counts. */
  function merged(parts: Shape[]): Shape {
    const members = new Map<string, ShapeMember>();
    let open = false;
    for (const part of parts) {
      if (part.k !== 'object') {
        // Anything may come with it, in the place of what is there.
        if (!isNothing(part)) open = true;
        if (open) for (const [name, one] of members) members.set(name, unknownMember(one));
        continue;
      }
      if (part.open || part.index) {
        open = true;
        for (const [name, one] of members) members.set(name, unknownMember(one));
      }
      for (const [name, one] of part.members) {
        const before = members.get(name);
        // What may be left out leaves what is there.
        members.set(name, one.optional && before ? unknownMember(before) : one);
      }
    }
    const exact = parts.every((one) => one.k === 'object' && one.exact);
    return { k: 'object', members, open, ...(exact ? { exact } : {}) };
  }

  const unknownMember = (one: ShapeMember): ShapeMember => ({
    ...one,
    type: inside(one.type, { t: 'unknown' }),
  });

  function named(lazy: Lazy, name: string, args: TypeExpr[]): Shape {
    const given = lazy.args?.get(name);
    if (given) return resolve(given);
    // A type parameter hides what else bears its name.
    const owner = lazy.component === undefined ? undefined : components[lazy.component];
    if (owner?.facts.typeParams?.some((one) => one.name === name)) return UNKNOWN_SHAPE;
    const found = names.lookupType(lazy.file, name);
    if (!found)
      return names.lookup(lazy.file, name.split('.')[0]!).kind === 'unbound'
        ? utility(lazy, name, args)
        : UNKNOWN_SHAPE;
    const { decl, file } = found;
    // Another one of its name is meant.
    if (args.length > decl.params.length) return UNKNOWN_SHAPE;
    const bound = decl.params.length ? new Map<string, Lazy>() : undefined;
    decl.params.forEach((param, i) => {
      bound!.set(param, args[i] ? inside(lazy, args[i]) : { type: { t: 'unknown' }, file });
    });
    const scope: Lazy = { type: decl.body, file, ...(bound ? { args: bound } : {}) };
    if (decl.kind === 'class') return UNKNOWN_SHAPE;
    if (decl.kind !== 'interface') {
      const shape = resolve(scope);
      if (shape.k !== 'object') return shape;
      return { ...shape, members: owned(shape.members, `${file}:${decl.name}`) };
    }
    const own = objectOf(scope, decl.body as Extract<TypeExpr, { t: 'object' }>, `${file}:${decl.name}`);
    let { open } = own;
    const members = new Map<string, ShapeMember>();
    for (const base of decl.bases) {
      const shape = resolve({ ...scope, type: base });
      if (shape.k !== 'object') {
        open = true;
        continue;
      }
      if (shape.open || shape.index) open = true;
      for (const [key, one] of shape.members) members.set(key, one);
    }
    for (const [key, one] of own.members) members.set(key, one);
    return { ...own, members, open };
  }

  const owned = (members: Map<string, ShapeMember>, owner: string) =>
    new Map([...members].map(([name, one]) => [name, one.owner ? one : { ...one, owner }]));

  function utility(lazy: Lazy, name: string, args: TypeExpr[]): Shape {
    const [first, second] = args.map((one) => inside(lazy, one));
    switch (name) {
      case 'Array':
      case 'ReadonlyArray':
        return first ? { k: 'array', of: first } : UNKNOWN_SHAPE;
      case 'Readonly':
        return first ? resolve(first) : UNKNOWN_SHAPE;
      case 'Partial':
      case 'Required':
        return first
          ? mapped(resolve(first), (one) => ({ ...one, optional: name === 'Partial' }))
          : UNKNOWN_SHAPE;
      case 'Pick':
      case 'Omit': {
        const keys = second && literalNames(resolve(second));
        const shape = first && resolve(first);
        if (!keys || shape?.k !== 'object') return UNKNOWN_SHAPE;
        const members = new Map([...shape.members].filter(([key]) => keys.has(key) === (name === 'Pick')));
        return {
          ...shape,
          members,
          open: name === 'Pick' ? shape.open && members.size < keys.size : shape.open,
        };
      }
      case 'Record': {
        const keys = first && literalNames(resolve(first));
        if (!second) return UNKNOWN_SHAPE;
        if (!keys) return { k: 'object', members: new Map(), index: second, open: true };
        return {
          k: 'object',
          open: false,
          members: new Map(
            [...keys].map((key) => [
              key,
              { type: second, optional: false, file: lazy.file, start: -1, end: -1, owner: '' },
            ]),
          ),
        };
      }
      case 'NonNullable':
      case 'Exclude': {
        const shape = first && resolve(first);
        if (!shape || name === 'Exclude') return UNKNOWN_SHAPE;
        return shape.k === 'union' ? joined(shape.of.filter((one) => !isNothing(one))) : shape;
      }
      case 'Function':
        return { k: 'handler' };
      default:
        return UNKNOWN_SHAPE;
    }
  }

  const mapped = (shape: Shape, change: (one: ShapeMember) => ShapeMember): Shape =>
    shape.k === 'object'
      ? { ...shape, members: new Map([...shape.members].map(([name, one]) => [name, change(one)])) }
      : UNKNOWN_SHAPE;

  function literalNames(shape: Shape): Set<string> | undefined {
    const parts = shape.k === 'union' ? shape.of : [shape];
    const found = parts.map((one) => (one.k === 'lit' && typeof one.v === 'string' ? one.v : undefined));
    return found.every((one) => one !== undefined) ? new Set(found) : undefined;
  }

  function symbol(lazy: Lazy, index: number): Shape {
    const component = lazy.component === undefined ? undefined : components[lazy.component];
    const fact = component?.facts.symbols[index];
    if (!component || !fact) return UNKNOWN_SHAPE;
    if (fact.kind === 'setter') return fact.untyped ? SETTER : setter(component, fact.of);
    if (fact.kind === 'inherited') return inheritedType(component, fact.port!, 0);
    const type = typeOfSymbol(lazy, index);
    return type ? resolve(type) : UNKNOWN_SHAPE;
  }

  /** What writes state takes what the state is, or a function that works it out. */
  function setter(component: Component, of: number | undefined): Shape {
    const state = of === undefined ? undefined : component.facts.symbols[of]?.type;
    if (!state || !isTelling(state)) return SETTER;
    const type: TypeExpr = { t: 'union', of: [state, { t: 'handler' }] };
    const value = { type, file: component.file, component: component.id };
    return { ...SETTER, params: [{ ...SETTER.params[0]!, type: value }] };
  }

  /** The type of a member that a class takes over from its bases. */
  function inheritedType({ mixins }: Component, name: string, level: number): Shape {
    if (level > MAX_BASES) return UNKNOWN_SHAPE;
    for (const base of mixins) {
      const index = base.facts.symbols.findIndex(
        (one) => one.name === name && /^(prop|handler)$/.test(one.kind),
      );
      if (index >= 0)
        return symbol({ type: { t: 'sym', s: index }, file: base.file, component: base.id }, index);
      const further = inheritedType(base, name, level + 1);
      if (further.k !== 'unknown') return further;
    }
    return UNKNOWN_SHAPE;
  }

  function value(file: number, name: string): Shape {
    const target = names.lookup(file, name);
    if (target.kind === 'component') return helper(file, name, components[target.component]!);
    if (target.kind === 'value' && target.value.kind === 'context') return UNKNOWN_SHAPE;
    const known =
      target.kind === 'value'
        ? target
        : names.valuesOf(file, name).findLast((one) => one.value.type !== undefined);
    return known?.value.type ? resolve({ type: known.value.type, file: known.file }) : UNKNOWN_SHAPE;
  }

  /** A function or hook of the project: what it says that it gives back, or what it is seen to. */
  function helper(file: number, name: string, { facts, file: home, id }: Component): Shape {
    if (facts.role !== 'helper' || facts.single) return UNKNOWN_SHAPE;
    const declared = names.valuesOf(file, name).findLast((one) => one.value.type !== undefined);
    const shape = declared ? resolve({ type: declared.value.type!, file: declared.file }) : UNKNOWN_SHAPE;
    if (shape.k !== 'unknown' && (shape.k !== 'fn' || resolve(shape.returns).k !== 'unknown')) return shape;
    const type = facts.result?.type;
    if (!type || type.t === 'unknown') return shape;
    const params = shape.k === 'fn' ? shape.params : [];
    return { k: 'fn', params, returns: { type, file: home, component: id } };
  }

  function member(of: Lazy, name: string): Shape {
    if (of.type.t === 'wide') return member(inside(of, of.type.of), name);
    if (of.type.t === 'value' && name === '#context') {
      const target = names.lookup(of.file, of.type.name);
      if (target.kind !== 'value' || target.value.kind !== 'context' || !target.value.type)
        return UNKNOWN_SHAPE;
      return resolve({ type: target.value.type, file: target.file });
    }
    // What a module exports, by the name that stands for all of it.
    if (of.type.t === 'value' && names.lookup(of.file, of.type.name).kind === 'module')
      return value(of.file, `${of.type.name}.${name}`);
    const given = of.type.t === 'sym' ? inputOf(of, of.type.s, name) : undefined;
    return given ? resolve(given) : memberOf(resolve(of), name, of);
  }

  /** The type of an input, where it is taken of the object that holds all of them. */
  function inputOf({ component: id }: Lazy, index: number, name: string): Lazy | undefined {
    const component = id === undefined ? undefined : components[id];
    const kind = component?.facts.symbols[index]?.kind;
    return component && (kind === 'bag' || kind === 'rest') ? portType(component, name) : undefined;
  }

  function memberOf(shape: Shape, name: string, of: Lazy): Shape {
    if (shape.k === 'union') {
      const parts = shape.of.filter((one) => !isNothing(one)).map((one) => memberOf(one, name, of));
      return parts.some((one) => one.k === 'unknown') ? UNKNOWN_SHAPE : joined(parts);
    }
    if (shape.k === 'object') {
      const found = shape.members.get(name);
      if (!found) return UNKNOWN_SHAPE;
      const type = resolve(found.type);
      return found.optional && type.k !== 'unknown' ? joined([type, { k: 'lit', v: undefined }]) : type;
    }
    const builtin = (table: Record<string, TypeExpr>): Shape => {
      const type = Object.hasOwn(table, name) ? table[name] : undefined;
      return type ? resolve(inside(of, type)) : UNKNOWN_SHAPE;
    };
    if ((shape.k === 'prim' && shape.n === 'string') || (shape.k === 'lit' && typeof shape.v === 'string')) {
      return builtin(STRING_METHODS);
    }
    if ((shape.k === 'prim' && shape.n === 'number') || (shape.k === 'lit' && typeof shape.v === 'number')) {
      return builtin(NUMBER_METHODS);
    }
    if (shape.k === 'array' && /^\d+$/.test(name)) {
      const one = (shape.parts ?? shape.each)?.[Number(name)];
      return resolve(one ?? shape.of);
    }
    if (shape.k === 'array') return arrayMember(shape, name, of);
    return UNKNOWN_SHAPE;
  }

  function arrayMember(shape: Extract<Shape, { k: 'array' }>, name: string, of: Lazy): Shape {
    if (name === 'length') return { k: 'prim', n: 'number' };
    const gives = (returns: TypeExpr, at: Lazy): Shape => ({
      k: 'fn',
      params: [],
      returns: { ...at, type: returns },
    });
    if (/^(filter|slice|reverse|sort|concat)$/.test(name))
      return gives({ t: 'array', of: shape.of.type }, shape.of);
    if (/^(find|at|pop|shift)$/.test(name)) {
      return gives({ t: 'union', of: [shape.of.type, lit(undefined)] }, shape.of);
    }
    if (/^(some|every|includes)$/.test(name)) return gives(prim('boolean'), of);
    if (/^(indexOf|findIndex|push)$/.test(name)) return gives(prim('number'), of);
    if (name === 'join') return gives(prim('string'), of);
    if (name === 'map' || name === 'flatMap') return gives({ t: 'array', of: { t: 'unknown' } }, of);
    return UNKNOWN_SHAPE;
  }

  function element(shape: Shape): Shape {
    if (shape.k === 'array') return resolve(shape.of);
    return shape.k === 'object' && shape.index ? resolve(shape.index) : UNKNOWN_SHAPE;
  }

  return {
    resolve,
    ownerOf(type, file) {
      const found = type?.t === 'ref' ? names.lookupType(file, type.name) : undefined;
      return found ? `${found.file}:${found.decl.name}` : '';
    },
  };
}

/** What writes state gives nothing back. */
const SETTER: Extract<Shape, { k: 'fn' }> = {
  k: 'fn',
  params: [{ name: 'value', type: { type: { t: 'unknown' }, file: -1 }, optional: false, rest: false }],
  returns: { type: prim('void'), file: -1 },
};

/** What starts from nothing, or from an empty list, may be anything later. */
const isTelling = (type: TypeExpr): boolean =>
  type.t === 'array'
    ? isTelling(type.of)
    : type.t === 'union'
      ? type.of.every(isTelling)
      : !/^(unknown|any)$/.test(type.t) &&
        !(type.t === 'prim' && type.n === 'never') &&
        !(type.t === 'lit' && (type.v === null || type.v === undefined));

/** Types that may be shared between files say the same in each; they are cheap and need no memory. */
const isScoped = (type: TypeExpr): boolean => !/^(unknown|any|prim|lit|content|handler)$/.test(type.t);

/** null, undefined and void. */
export const isNothing = (shape: Shape): boolean =>
  (shape.k === 'lit' && (shape.v === null || shape.v === undefined)) ||
  (shape.k === 'prim' && (shape.n === 'void' || shape.n === 'null' || shape.n === 'undefined'));
