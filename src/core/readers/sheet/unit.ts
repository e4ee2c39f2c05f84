/** A component of a sheet while it is read: its names, and what they stand for. */
import type { ComponentFacts, ExprFact, Span, SymbolFact, Traits, Where } from '../../model/facts';
import { lit, type TypeExpr, UNKNOWN } from '../../model/types';
import { emptyFacts } from '../script/unit';
import type { Part } from './document';

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

  constructor(
    readonly facts: ComponentFacts,
    /** Names of the sheet's own state, with their types. */
    private readonly shared: ReadonlyMap<string, TypeExpr>,
    /** Components of the sheet, and those that it uses. */
    private readonly components: ReadonlySet<string> = new Set(),
  ) {}

  isComponent(name: string): boolean {
    return this.components.has(name);
  }

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
    if (first !== 'shared' || name === undefined || !this.shared.has(name)) return undefined;
    const key = `shared.${name}`;
    const symbol =
      this.names.get(key) ??
      this.add({ name: key, kind: 'shared', port: name, type: this.shared.get(name)!, ...span });
    return { symbol, rest: others };
  }

  /** What may be meant where a name is not known. */
  known(ctx: Ctx): string[] {
    return [
      ...ctx.local.keys(),
      ...this.names.keys(),
      ...[...this.shared.keys()].map((name) => `shared.${name}`),
    ];
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
    const parts = (part.get('mix')?.items ?? []).map((one) => this.value(one, ctx, true));
    return { kind: 'computed', uses: usesOf(parts), ...span };
  }

  private binding(text: string, span: Span, ctx: Ctx, reads: boolean): ExprFact {
    const path = text.slice(1).split('.');
    const found = this.find(path, ctx, span);
    if (!found) {
      (this.facts.unknownNames ??= []).push({ name: path[0]!, known: this.known(ctx), ...span });
      return { kind: 'computed', ...span };
    }
    const { symbol, rest } = found;
    if (reads || rest.length)
      this.facts.reads.push({
        symbol,
        ...(rest.length ? { path: rest } : {}),
        where: ctx.where,
        fn: ctx.fn,
        ...span,
      });
    const whole: TypeExpr = { t: 'sym', s: symbol };
    const type = rest.reduce<TypeExpr>((of, name) => ({ t: 'member', of, name }), whole);
    return rest.length
      ? { kind: 'member', symbol, path: rest, type, ...span }
      : { kind: 'identity', symbol, type, ...span };
  }
}

const usesOf = (parts: ExprFact[]): number[] => [
  ...new Set(
    parts.flatMap((one) => [...(one.symbol === undefined ? [] : [one.symbol]), ...(one.uses ?? [])]),
  ),
];

function listType(elements: ExprFact[]): TypeExpr {
  const each = elements.map((one) => one.type ?? UNKNOWN);
  return { t: 'array', of: each.length ? { t: 'union', of: each } : UNKNOWN, each };
}
