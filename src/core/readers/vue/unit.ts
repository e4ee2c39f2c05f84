/** What is known of a Vue component while it is read, beside what every unit keeps. */
import type * as t from '@babel/types';
import type { ComponentFacts, ImportFact, PortFact, Span } from '../../model/facts';
import type { MarkupDialect } from '../script/jsx';
import { newUnit } from '../script/new-unit';
import { portSymbol } from '../script/ports';
import type { Binding, Scope, Scopes } from '../script/scope';
import { addSymbol, type Dialect, type FileContext, type Unit } from '../script/unit';
import { eventPort } from './names';

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
  /** The name that its options give it, by which it may draw itself. */
  ownName: string | undefined;
  /** Attributes and listeners that nobody declares, handed on together. */
  attrs: number | undefined;
  /** What it draws is written in a template. */
  hasTemplate: boolean;
  /** Where undeclared attributes do not land on the root. */
  keepsAttributes: boolean;
  /** Names for the slots of the component. */
  slotBags: Map<number, Binding>;
  /** The parameter by which a render function creates elements. */
  creator: Binding | undefined;
  /** A tag is chosen when the code runs. */
  dynamicTags: boolean;
  /** Code in which names of components stand for tags: registrations, and choices between them. */
  tagNames: Span[];
  /** Parameters that stand for the instance: the state that a getter of a store is given. */
  selves: Set<Binding>;
  /** Components by the names that the component registers them under. */
  registered: Map<string, string>;
  /** Others take it over, and have members that it may use. */
  takenOver: boolean;
  /** Symbols for the app's store, and for what ways lead to in it. */
  asked: Map<string, number>;
  /** What the file imports. */
  imports: ImportFact[];
}

export function vueUnit(
  facts: ComponentFacts,
  node: t.Node,
  dialect: Dialect,
  markup: MarkupDialect,
  file: FileContext,
  scopes: Scopes,
  imports: ImportFact[],
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
    ownName: undefined,
    attrs: undefined,
    keepsAttributes: false,
    hasTemplate: false,
    dynamicTags: false,
    slotBags: new Map<number, Binding>(),
    creator: undefined,
    tagNames: [],
    selves: new Set<Binding>(),
    registered: new Map<string, string>(),
    takenOver: false,
    asked: new Map<string, number>(),
    imports,
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
export const eventSymbol = (u: Unit, name: string, at: Span): number =>
  portSymbol(u, eventPort(name), 'event', at);

/** The symbol of everything that is handed in and not declared. */
export function attrsSymbol(u: VueUnit, { start, end }: Span): number {
  return (u.attrs ??= addSymbol(u, { name: '$attrs', kind: 'rest', except: [], start, end }));
}

/**
 * The symbol of a member that is declared nowhere, in a component that takes others over or is taken over: which member
 * that is, is known when files are linked.
 */
export function inheritedMember(u: VueUnit, name: string, { start, end }: Span): number | undefined {
  if (!(u.takenOver || u.facts.mixins?.length || u.facts.tables?.length) || /^[$_]/.test(name))
    return undefined;
  const symbol = addSymbol(u, { name, kind: 'inherited', port: name, start, end });
  u.members.set(name, symbol);
  return symbol;
}

/** A name that a template may use, made for a member that no declaration binds. */
export function nameFor(u: VueUnit, name: string, symbol: number, scope: Scope): Binding {
  const id = { type: 'Identifier', name, start: 0, end: 0 } as t.Identifier;
  const binding: Binding = { name, kind: 'const', scope, id, node: id, uses: [], reassigned: false };
  u.names.set(name, binding);
  u.refs.set(binding, symbol);
  return binding;
}

/** Nothing is known of what it draws: any name may be read, raised or placed there. */
export function makeOpen(u: VueUnit): void {
  u.facts.openProps = true;
  u.facts.openEmits = true;
  u.facts.openSlots = true;
  u.openScope = true;
  u.openRefs = true;
}

/** Keeps what shares a namespace with the props; what comes from elsewhere is declared there. */
export function noteNamespace({ facts }: VueUnit, symbols: number[]): void {
  const own = symbols.filter((one) =>
    /^(state|derived|handler|injected|ref)$/.test(facts.symbols[one]!.kind),
  );
  if (own.length) facts.namespace = own;
}
