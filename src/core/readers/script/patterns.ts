/** Declarations: what each name of a pattern stands for, given the value that is taken apart. */
import type * as t from '@babel/types';
import { ANY_MEMBER } from '../../model/code';
import type { ExprFact, SymbolFact } from '../../model/facts';
import { type TypeExpr, UNKNOWN, widen } from '../../model/types';
import type { Binding } from './scope';
import { annotationOf, keyName, readType } from './type-expr';
import {
  addSymbol,
  type Ctx,
  isHeld,
  keepsEnds,
  merged,
  noteRead,
  propSymbol,
  spanOf,
  typeOf,
  type Unit,
  use,
  usesOf,
} from './unit';
import { patternNames } from './walk';

/** Whether an initial value says more than that there is one. */
const isTelling = (source: ExprFact): boolean =>
  source.kind !== 'literal' && (source.kind !== 'computed' || Object.keys(source).length > 3);

export interface Meaning {
  kind: SymbolFact['kind'];
  type?: TypeExpr;
}

/** One part of a value that is written out, or of all that it may be; undefined where any of that is not written out. */
function partsOf(source: ExprFact, part: string): ExprFact[] | undefined {
  if (source.kind === 'object') {
    const found = source.members?.findLast((one) => one.name === part)?.value;
    return found && [found];
  }
  if (source.kind === 'array') {
    const found = source.open ? undefined : source.elements?.[Number(part)];
    return found && [found];
  }
  // All known by what it gives, of which this is a member.
  const isKnown = source.beside?.length === 0;
  const within = (one: ExprFact): ExprFact[] | undefined =>
    isKnown && isHeld(one)
      ? [{ ...one, kind: 'member', path: [...(one.path ?? []), part] }]
      : partsOf(one, part);
  const parts = source.kind === 'computed' ? source.gives?.map(within) : undefined;
  return parts?.length && parts.every((one) => one !== undefined) ? parts.flat() : undefined;
}

const givenParts = (source: ExprFact, part: string | undefined): Pick<ExprFact, 'gives' | 'beside'> => {
  const gives = part === undefined ? undefined : partsOf(source, part);
  if (!gives) return {};
  // Of what is written out, or all known by what it gives, the other parts are none of this one.
  const isKnown = source.kind === 'object' || source.kind === 'array' || source.beside?.length === 0;
  return { gives, ...(isKnown ? { beside: merged(...gives).beside ?? gives.flatMap(usesOf) } : {}) };
};

/** A member of what a call gives back. */
export const resultMember = (
  { call, kind, path = [] }: ExprFact,
  part: string,
): Pick<ExprFact, 'call' | 'path'> =>
  call === undefined ? {} : { call, path: kind === 'call' ? [part] : [...path, part] };

const derivedFrom = (source: ExprFact, at: t.Node, part?: string): ExprFact => ({
  kind: 'computed',
  uses: usesOf(source),
  ...spanOf(at),
  ...givenParts(source, part),
  ...(source.from && part !== undefined
    ? { from: { call: source.from.call, path: [...source.from.path, part] } }
    : {}),
  ...(source.entry && part !== undefined
    ? { entry: source.entry, path: [...(source.path ?? []), part] }
    : {}),
  ...(part === undefined ? {} : resultMember(source, part)),
});

/** Declares the names of a pattern; the value's identity is carried where the pattern keeps it. */
export function declarePattern(u: Unit, pattern: t.Node, source: ExprFact, ctx: Ctx, meaning: Meaning): void {
  const annotation = annotationOf(pattern);
  const type = annotation ? readType(annotation, u.file.named) : meaning.type;
  switch (pattern.type) {
    case 'Identifier': {
      if (!pattern.binding) return;
      if (source.kind === 'identity' && !pattern.binding.reassigned && meaning.kind === 'derived') {
        u.refs.set(pattern.binding, source.symbol!);
        return;
      }
      if (source.kind === 'identity') noteRead(u, source.symbol!, source, { ...ctx, where: 'derivation' });
      const kind =
        meaning.kind === 'derived' &&
        source.kind === 'function' &&
        source.fn !== undefined &&
        !pattern.binding.reassigned
          ? 'handler'
          : meaning.kind;
      addSymbol(
        u,
        {
          name: pattern.name,
          kind,
          ...spanOf(pattern),
          ...(isTelling(source) ? { init: source } : {}),
          ...(type && type.t !== 'unknown' ? { type } : {}),
          ...(kind === 'handler' ? { fn: source.fn! } : {}),
        },
        pattern.binding,
      );
      return;
    }
    case 'AssignmentPattern': {
      const fallback = use(u, u.expr(pattern.right, ctx), ctx);
      const both: ExprFact = {
        ...derivedFrom(source, pattern),
        uses: [...usesOf(source), ...usesOf(fallback)],
        gives: [source, fallback],
      };
      declarePattern(u, pattern.left, both, ctx, meaning);
      return;
    }
    case 'TSParameterProperty':
      declarePattern(u, pattern.parameter, source, ctx, meaning);
      return;
    case 'RestElement':
      declarePattern(u, pattern.argument, derivedFrom(source, pattern), ctx, { kind: meaning.kind });
      return;
    case 'ArrayPattern':
      if (source.kind === 'identity') noteRead(u, source.symbol!, source, { ...ctx, where: 'derivation' });
      pattern.elements.forEach((element, i) => {
        if (!element) return;
        const part: TypeExpr = type
          ? type.t === 'tuple'
            ? (type.of[i] ?? UNKNOWN)
            : memberType(type, String(i))
          : UNKNOWN;
        const isRest = element.type === 'RestElement';
        const value = derivedFrom(source, element, isRest ? undefined : String(i));
        const among: Pick<ExprFact, 'entry' | 'lists'> = isRest
          ? { lists: source }
          : { entry: { of: source, at: String(i) } };
        const given = isHeld(source) || source.open ? { ...value, ...among } : value;
        declarePattern(u, element, given, ctx, { kind: meaning.kind, type: part });
      });
      return;
    case 'ObjectPattern': {
      const bag = source.kind === 'identity' ? u.facts.symbols[source.symbol!]! : undefined;
      if (bag?.kind === 'bag' || bag?.kind === 'rest') {
        declareProps(u, pattern, bag, ctx);
        return;
      }
      for (const property of pattern.properties) {
        if (property.type === 'RestElement') {
          if (source.symbol !== undefined)
            noteRead(u, source.symbol, spanOf(property), { ...ctx, where: 'derivation' });
          const without = pattern.properties.flatMap((one) =>
            one.type === 'RestElement' ? [] : (keyName(one) ?? []),
          );
          const others = { ...derivedFrom(source, property), without };
          declarePattern(u, property.argument, others, ctx, { kind: meaning.kind });
          continue;
        }
        const name = keyName(property);
        if (property.computed) u.expr(property.key, ctx);
        const part = name === undefined ? UNKNOWN : memberType(type, name);
        let value = derivedFrom(source, property, name);
        if (source.symbol !== undefined && (source.kind === 'identity' || source.kind === 'member')) {
          const path = [...(source.path ?? []), name ?? ANY_MEMBER];
          noteRead(u, source.symbol, spanOf(property), { ...ctx, where: 'derivation' }, path);
          if (keepsEnds(u, source.symbol) && property.key.type === 'Identifier') {
            u.facts.reads.at(-1)!.ends = path.map((_, i) =>
              i < path.length - 1 ? property.key.start! : property.key.end!,
            );
          }
          value = { kind: 'member', symbol: source.symbol, path, ...spanOf(property) };
        }
        declarePattern(u, property.value as t.Node, value, ctx, { kind: meaning.kind, type: part });
      }
    }
  }
}

/** A name of a pattern, and the way to it; of the rest of an object, the names that are none of it. */
interface NameIn {
  name: t.Identifier;
  path: string[];
  except?: string[];
}

/** The names of a pattern with the way to each. */
export function pathsIn(pattern: t.Node, path: string[] = []): NameIn[] {
  if (pattern.type === 'Identifier') return [{ name: pattern, path }];
  if (pattern.type === 'AssignmentPattern') return pathsIn(pattern.left, path);
  // The rest of a list is a part of it, under other places.
  if (pattern.type === 'RestElement') return pathsIn(pattern.argument, path);
  if (pattern.type === 'ArrayPattern')
    return pattern.elements.flatMap((one, index) =>
      one ? pathsIn(one, one.type === 'RestElement' ? path : [...path, String(index)]) : [],
    );
  if (pattern.type !== 'ObjectPattern') return [];
  const except = pattern.properties.flatMap((one) =>
    one.type === 'RestElement' ? [] : (keyName(one) ?? []),
  );
  return pattern.properties.flatMap((one) => {
    if (one.type === 'RestElement') return pathsIn(one, path).map((rest) => ({ ...rest, except }));
    const key = keyName(one);
    return key === undefined ? [] : pathsIn(one.value, [...path, key]);
  });
}

/** Notes of which parameter of a function each name of a pattern is a part, and the way to it. */
export function notePlaces(u: Unit, param: t.Node, index: number, fn: number): void {
  for (const { name, path, except } of pathsIn(param)) {
    const symbol = name.binding ? u.refs.get(name.binding) : undefined;
    const fact = symbol === undefined ? undefined : u.facts.symbols[symbol]!;
    if (fact?.kind !== 'param' && fact?.kind !== 'loop') continue;
    fact.index = index;
    fact.within = fn;
    if (path.length) fact.path = path;
    if (except) fact.except = except;
    if (param.type === 'RestElement') fact.rest = true;
  }
}

/** Notes what a pattern runs over, so that a tag that is taken from it is known to be one of the entries. */
export function noteLoop(u: Unit, pattern: t.Node, list: t.Node): void {
  for (const { binding } of patternNames(pattern)) if (binding) u.loops.set(binding as Binding, list);
}

/** Notes what a pattern is given once a promise is kept. */
export const notePromised = (u: Unit, pattern: t.Node, promise: t.Node): void =>
  // It runs over one thing.
  noteLoop(u, pattern, { type: 'ArrayExpression', elements: [promise] } as t.ArrayExpression);

const memberType = (type: TypeExpr | undefined, name: string): TypeExpr =>
  type && type.t !== 'unknown' ? { t: 'member', of: type, name } : UNKNOWN;

/** The props as one object, under a name or taken apart. */
export function declareBag(u: Unit, pattern: t.Node, ctx: Ctx): number {
  const named = pattern.type === 'Identifier' ? pattern : undefined;
  const symbol = addSymbol(
    u,
    { name: named?.name ?? 'props', kind: 'bag', ...spanOf(pattern) },
    named?.binding,
  );
  if (pattern.type === 'ObjectPattern') {
    declarePattern(u, pattern, { kind: 'identity', symbol, ...spanOf(pattern) }, ctx, { kind: 'derived' });
  }
  return symbol;
}

/** `{ a, b: c = 1, ...rest }` of the props: each name is the prop itself. */
export function declareProps(u: Unit, pattern: t.ObjectPattern, bag: SymbolFact, ctx: Ctx): void {
  const taken = [...(bag.except ?? [])];
  for (const property of pattern.properties) {
    if (property.type === 'RestElement') {
      const { argument } = property;
      if (argument.type !== 'Identifier' || !argument.binding) continue;
      addSymbol(
        u,
        { name: argument.name, kind: 'rest', except: [...taken], ...spanOf(argument) },
        argument.binding,
      );
      continue;
    }
    const name = keyName(property);
    if (name === undefined) {
      u.facts.openProps = true;
      continue;
    }
    taken.push(name);
    let value = property.value as t.Node;
    let fallback: ExprFact | undefined;
    if (value.type === 'AssignmentPattern') {
      fallback = use(u, u.expr(value.right, ctx), ctx);
      fallback.type ??= widenDefault(typeOf(u, value.right));
      value = value.left;
    }
    if (value.type === 'Identifier' && value.binding) {
      const symbol = propSymbol(u, name, spanOf(property.key), 'destructured', value.name, fallback);
      u.refs.set(value.binding, symbol);
    } else {
      const symbol = propSymbol(u, name, spanOf(property.key), 'destructured', name, fallback);
      declarePattern(u, value, { kind: 'identity', symbol, ...spanOf(property.key) }, ctx, {
        kind: 'derived',
        type: { t: 'sym', s: symbol },
      });
    }
  }
}

const widenDefault = (type: TypeExpr): TypeExpr => (type.t === 'lit' ? type : widen(type));
