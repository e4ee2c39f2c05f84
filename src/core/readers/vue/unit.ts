/** What is known of a Vue component while it is read, beside what every unit keeps. */
import type * as t from '@babel/types';
import type { ComponentFacts, ExprFact, PortFact, Span } from '../../model/facts';
import type { MarkupDialect } from '../script/jsx';
import { newUnit } from '../script/new-unit';
import type { Binding, Scope, Scopes } from '../script/scope';
import { addSymbol, type Ctx, type Dialect, type FileContext, type Unit } from '../script/unit';
import { camel, eventPort } from './names';

export const SETUP: Ctx = { where: 'derivation', fn: -1 };

export interface VueUnit extends Unit {
  scopes: Scopes;
  /** Symbols whose value is reached by `.value` in scripts, and as they are in templates. */
  boxes: Set<number>;
  /** Functions that raise an event by its name. */
  emitters: Set<number>;
  /** Symbols that stand for a prop and its update together. */
  models: Map<number, string>;
  /** Names that the template attaches handles by. */
  handles: Map<string, number>;
  /** Names that the template may use, besides what the script binds. */
  names: Map<string, Binding>;
  /** Its handles may be read where no text names them. */
  openRefs: boolean;
  /** It is set up by a script of its own, in which every name of the template must be declared. */
  isSetup: boolean;
  /** Names that the template uses and that are known. */
  usedNames: Set<string>;
  /** Other names may be in the template's scope. */
  openScope: boolean;
  /** Attributes and listeners that nobody declares, handed on together. */
  attrs: number | undefined;
  /** Where undeclared attributes do not land on the root. */
  keepsAttributes: boolean;
  /** A tag is chosen when the code runs. */
  dynamicTags: boolean;
  /** Where the component registers others. */
  registrations: Span | undefined;
  /** Components by the names that the component registers them under. */
  registered: Map<string, string>;
}

export function vueUnit(
  facts: ComponentFacts,
  node: t.Node,
  dialect: Dialect,
  markup: MarkupDialect,
  file: FileContext,
  scopes: Scopes,
): VueUnit {
  return Object.assign(newUnit(facts, node, dialect, file, markup), {
    scopes,
    boxes: new Set<number>(),
    emitters: new Set<number>(),
    models: new Map<number, string>(),
    handles: new Map<string, number>(),
    names: new Map<string, Binding>(),
    isSetup: false,
    usedNames: new Set<string>(),
    openRefs: false,
    openScope: false,
    attrs: undefined,
    keepsAttributes: false,
    dynamicTags: false,
    registrations: undefined,
    registered: new Map<string, string>(),
  });
}

/** Whether the unit is one of Vue's. */
export const isVueUnit = (u: Unit): u is VueUnit => 'boxes' in u;

/** Declares a port, or adds to what is known of it. */
export function declarePort(u: Unit, port: PortFact): void {
  const known = u.facts.ports.find((one) => one.name === port.name);
  if (!known) {
    u.facts.ports.push(port);
    return;
  }
  const { start, end, declared } = known;
  Object.assign(known, port, known.declared === 'list' ? { start, end, declared } : {});
}

/** The symbol of an event: raising it is calling what listens. An event that nobody declares is noted as read. */
export function eventSymbol(u: Unit, name: string, at: Span): number {
  const port = eventPort(name);
  const known = u.props.get(port);
  if (known !== undefined) return known;
  const symbol = addSymbol(u, { name: camel(name), kind: 'prop', port, start: at.start, end: at.end });
  u.props.set(port, symbol);
  if (!u.facts.ports.some((one) => one.name === port)) {
    u.facts.ports.push({ name: port, channel: 'event', declared: 'read', start: at.start, end: at.end });
  }
  return symbol;
}

/** The event that a call raises by its name, with what it hands over. */
export function raise(
  u: Unit,
  name: t.StringLiteral,
  args: t.Node[],
  at: t.Node,
  ctx: Ctx,
  readArg: (node: t.Node) => ExprFact,
): ExprFact {
  const symbol = eventSymbol(u, name.value, { start: name.start!, end: name.end! });
  u.facts.emits.push({
    symbol,
    event: eventPort(name.value),
    args: args.map(readArg),
    fn: ctx.fn,
    guarded: true,
    how: 'called',
    start: at.start!,
    end: at.end!,
  });
  if (ctx.fn >= 0) {
    const { calls } = u.facts.functions[ctx.fn]!;
    if (!calls.includes(symbol)) calls.push(symbol);
  }
  return { kind: 'call', symbol, start: at.start!, end: at.end! };
}

/** The symbol of everything that is handed in and not declared. */
export function attrsSymbol(u: VueUnit, at: Span): number {
  return (u.attrs ??= addSymbol(u, {
    name: '$attrs',
    kind: 'rest',
    except: [],
    start: at.start,
    end: at.end,
  }));
}

/** A name that a template may use, made for a member that no declaration binds. */
export function nameFor(u: VueUnit, name: string, symbol: number, scope: Scope): Binding {
  const id = { type: 'Identifier', name, start: 0, end: 0 } as t.Identifier;
  const binding: Binding = { name, kind: 'const', scope, id, node: id, uses: [], reassigned: false };
  u.names.set(name, binding);
  u.refs.set(binding, symbol);
  return binding;
}
