/** A component of a sheet while it is read: its names, and what they stand for. */
import { ANY_MEMBER } from '../../model/code';
import type { ComponentFacts, ExprFact, Span, SymbolFact, Traits, Where } from '../../model/facts';
import { lit, type TypeExpr, UNKNOWN } from '../../model/types';
import { emptyFacts } from '../script/unit';
import type { Fault, Part } from './document';
import type { Scope } from './scope';
import { typeOf } from './types';

const TRAITS: Traits = {
  callbackProps: false,
  attributesFallThrough: false,
  refExposes: 'listed',
  statementHandlers: true,
  inputsAreNames: true,
  inputsWritable: false,
  contentPort: '#default',
  updateEvent: '@*-changed',
  contextByIdentity: false,
  contextAtSetup: true,
};

export const emptyComponent = (name: string, nameSpan: Span, span: Span): ComponentFacts =>
  emptyFacts(name, span, nameSpan, TRAITS);

/** Where an expression stands: what it is for, the function that it runs in, and names that are there only here. */
export interface Ctx {
  where: Where;
  fn: number;
  local: ReadonlyMap<string, number>;
}

export const OUTSIDE: Ctx = { where: 'text', fn: -1, local: new Map() };

export class Unit {
  /** Symbols by name: properties, states, what is derived or consumed, handles. */
  private readonly names = new Map<string, number>();

  /** What is said of something that this sheet cannot say it of. */
  readonly flaws: Fault[] = [];

  constructor(
    readonly facts: ComponentFacts,
    readonly scope: Scope,
    /** Adds a function that does what a list of actions says; gives back its index. */
    private readonly acts: (u: Unit, actions: Part, local: Ctx['local']) => number,
  ) {}

  /** Adds a symbol, and its name if it is there for the whole component. */
  add(symbol: SymbolFact, isLocal = false): number {
    const index = this.facts.symbols.push(symbol) - 1;
    if (!isLocal) this.names.set(symbol.name, index);
    return index;
  }

  /** The symbol of a name; of the sheet's own state, `shared` and the name. Undefined if nothing bears it. */
  find(path: string[], { local }: Ctx, span: Span): { symbol: number; rest: string[] } | undefined {
    const [first = '', ...rest] = path;
    const known = local.get(first) ?? this.names.get(first);
    if (known !== undefined) return { symbol: known, rest };
    const [name, ...others] = rest;
    if (first === 'slots' && name !== undefined) return { symbol: this.slot(name, span), rest: others };
    if (first === 'events' && name !== undefined) {
      const event = this.portSymbol(`@${name}`);
      return event < 0 ? undefined : { symbol: event, rest: others };
    }
    if (first !== 'shared' || name === undefined || !this.scope.shared.has(name)) return undefined;
    const key = `shared.${name}`;
    const symbol =
      this.names.get(key) ??
      this.add({ name: key, kind: 'shared', port: name, type: this.scope.shared.get(name)!, ...span });
    return { symbol, rest: others };
  }

  /** What may be meant where a name is not known. */
  known(ctx: Ctx): string[] {
    return [
      ...ctx.local.keys(),
      ...this.names.keys(),
      ...[...this.scope.shared.keys()].map((name) => `shared.${name}`),
    ];
  }

  /** The symbol of a port; -1 for none. */
  portSymbol(name: string): number {
    return this.facts.symbols.findIndex((one) => one.port === name);
  }

  /** The symbol of a slot, which is declared by being spoken of. */
  slot(name: string | null | undefined, span: Span): number {
    const port = slotName(name);
    const known = this.portSymbol(port);
    if (known >= 0) return known;
    this.facts.ports.push({ name: port, channel: 'slot', declared: 'outlet', ...span });
    return this.add({ name: port, kind: 'prop', port, ...span }, true);
  }

  /** Its own state is the sheet's, for whoever speaks of it so. */
  shareNames(names: Iterable<string>): void {
    for (const name of names) this.names.set(`shared.${name}`, this.names.get(name)!);
  }

  kindOf(symbol: number): SymbolFact['kind'] {
    return this.facts.symbols[symbol]!.kind;
  }

  /** A value, with the reads that it makes; handing a value on as it is is no read of it, unless it `reads`. */
  value(part: Part, ctx: Ctx, reads: boolean): ExprFact {
    const { span } = part;
    const { scalar } = part;
    if (typeof scalar === 'string' && scalar.startsWith('$') && !scalar.startsWith('$$'))
      return this.binding(scalar, span, ctx, reads);
    if (scalar !== undefined) {
      const text = typeof scalar === 'string' ? scalar.replace(/^\$\$/, '$') : scalar;
      return { kind: 'literal', type: lit(text), ...span };
    }
    if (part.isList) {
      const elements = part.items.map((one) => this.value(one, ctx, true));
      return { kind: 'array', elements, uses: usesOf(elements), type: listType(elements), ...span };
    }
    const some = part.get('some');
    if (some) return { kind: 'computed', type: typeOf(some), ...span };
    const does = part.get('does');
    if (does) return { kind: 'function', fn: this.acts(this, does, ctx.local), uses: [], ...span };
    const fields = part.get('fields');
    if (fields) return this.object(fields, ctx, span);
    const parts = (part.get('mix')?.items ?? []).map((one) => this.value(one, ctx, true));
    return workedOut(parts, span);
  }

  /** An entry of a list at the end of a way, or a member of one; `at` is where the way says so first. */
  private entry(symbol: number, way: string[], at: number, span: Span): ExprFact {
    const before = way.slice(0, at);
    const of: ExprFact = before.length
      ? { kind: 'member', symbol, path: before, ...span }
      : { kind: 'identity', symbol, ...span };
    const path = way.slice(at + 1).map((name) => (name === ANY_ENTRY ? ANY_MEMBER : name));
    return { kind: 'computed', uses: [symbol], entry: { of }, path, ...span };
  }

  private object(fields: Part, ctx: Ctx, span: Span): ExprFact {
    const members = fields.entries.map(({ key, keySpan, value }) => ({
      name: key,
      value: this.value(value, ctx, true),
      ...keySpan,
    }));
    const type: TypeExpr = {
      t: 'object',
      exact: true,
      members: members.map(({ name, value, start, end }) => ({
        name,
        type: value.type ?? UNKNOWN,
        start,
        end,
      })),
    };
    return { kind: 'object', members, uses: usesOf(members.map((one) => one.value)), type, ...span };
  }

  private binding(text: string, span: Span, ctx: Ctx, reads: boolean): ExprFact {
    const path = text.slice(1).split('.');
    const found = this.find(path, ctx, span);
    if (!found) {
      (this.facts.unknownNames ??= []).push({ name: path[0]!, known: this.known(ctx), ...span });
      return { kind: 'computed', ...span };
    }
    const { symbol } = found;
    const isHandle = this.kindOf(symbol) === 'ref';
    const rest = isHandle ? [HELD, ...found.rest] : found.rest;
    const entry = rest.indexOf(ANY_ENTRY);
    const way = entry < 0 ? rest : rest.slice(0, entry);
    if (reads || rest.length)
      this.facts.reads.push({
        symbol,
        ...(way.length ? { path: way } : {}),
        // A handle is asked at that moment, and gives nothing where there is no instance.
        ...(isHandle ? { ends: endsOf(rest, span), soft: true } : {}),
        where: ctx.where,
        fn: ctx.fn,
        ...span,
      });
    if (isHandle) return { kind: 'member', symbol, path: rest, ...span };
    if (entry >= 0) return this.entry(symbol, rest, entry, span);
    const whole: TypeExpr = { t: 'sym', s: symbol };
    const type = rest.reduce<TypeExpr>((of, name) => ({ t: 'member', of, name }), whole);
    return rest.length
      ? { kind: 'member', symbol, path: rest, type, ...span }
      : { kind: 'identity', symbol, type, ...span };
  }
}

/** In the way to a value: an entry of a list, whichever. */
export const ANY_ENTRY = '*';

export const slotName = (name: string | null | undefined): string => `#${name ?? 'default'}`;

/** What a handle holds is its member of this name. */
export const HELD = 'current';

/** Where the names of a way end whose text ends where the span does; the first of it stands nowhere. */
export const endsOf = (path: string[], { start, end }: Span): number[] => {
  const ends: number[] = [];
  let at = end;
  for (const name of [...path].reverse()) {
    ends.unshift(Math.max(at, start));
    at -= name.length + 1;
  }
  return ends;
};

/** Something worked out of several values: of the members of these that are named, where such are. */
export function workedOut(parts: ExprFact[], span: Span): ExprFact {
  const uses = usesOf(parts);
  // None of them arrives as it is.
  const worked: ExprFact = { kind: 'computed', ...span };
  const isPart = ({ kind, path, entry }: ExprFact): boolean =>
    entry !== undefined || path !== undefined || kind === 'object' || kind === 'array';
  const gives = parts.some(isPart) ? { gives: [...parts, worked] } : {};
  return { kind: 'computed', uses, ...gives, ...span };
}

export const usesOf = (parts: ExprFact[]): number[] => [
  ...new Set(
    parts.flatMap((one) => [...(one.symbol === undefined ? [] : [one.symbol]), ...(one.uses ?? [])]),
  ),
];

function listType(elements: ExprFact[]): TypeExpr {
  const each = elements.map((one) => one.type ?? UNKNOWN);
  return { t: 'array', of: each.length ? { t: 'union', of: each } : UNKNOWN, each };
}
