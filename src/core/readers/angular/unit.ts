/** What is known of one of Angular's classes while it is read, beside what every unit keeps. */
import type { TmplAstReference } from '@angular/compiler';
import type * as t from '@babel/types';
import type { AttributeFact, ComponentFacts, ExprFact, FileFacts, MemberFact, Span } from '../../model/facts';
import { newUnit } from '../script/new-unit';
import type { Scope, Scopes } from '../script/scope';
import type { Chain, OwnUnit } from '../script/own';
import { addSymbol, type Dialect, type FileContext, settleMissing, spanOf, type Unit } from '../script/unit';
import { settleEarly } from '../script/early';
import { FORM, madeOf, SUBJECT } from './made';
import type { AngularNames } from './names';

/** What all units of a file share. */
export interface AngularFile {
  file: FileContext;
  facts: FileFacts;
  program: t.Program;
  scopes: Scopes;
  names: AngularNames;
  dialect: Dialect;
  /** Names that templates read of other things than the class, or of its bases. */
  markupReads: Set<string>;
  /** Functions that are read with the loose code. */
  plain: Set<t.Node>;
  /** Code in which names of classes are no plain mention: decorators, lists, what is asked for, routes. */
  said: Span[];
}

export interface AngularUnit extends OwnUnit {
  angular: AngularFile;
  /** Symbols that are read by being called. */
  signals: Set<number>;
  /** Symbols of inputs that tell their owner of what is written to them, by the port that does. */
  models: Map<number, string>;
  /** Handles that are found by the name of a template reference. */
  wanted: Map<string, number[]>;
  /** Names of what is looked for in the content, by the symbol of the member. */
  lookedFor: Map<number, string>;
  /** Some base of the class is not here, so that members may be there which no text names. */
  openMembers: boolean;
  /** Members that the host shows. */
  bound: Set<string>;
  /** Members that a base declares. */
  inherited: Set<string>;
  /** Members that only the class itself may use. */
  hidden: Set<string>;
  /** The code that is read runs where asking for what is provided is allowed. */
  inContext: number;
  /** Symbols of what tags of the template are known by. */
  references: Map<TmplAstReference, number>;
  /** What code hands over to components that it makes, by where it makes them. */
  handed: { to: Span; attribute: AttributeFact }[];
  /** Values that are stamped as templates, with the contexts that they get. */
  stamps: { symbol: number; given: ExprFact }[];
  /** Where its template stands. */
  markup: Span | undefined;
  /** Names of the class that its template uses. */
  used: { name: string; start: number; end: number; scope: Scope }[];
  /** What tells of changes of inputs. */
  changes?: number;
  /** Places where something is asked for in a method, with the function around. */
  askedIn: { consume: number; fn: number }[];
}

export function angularUnit(angular: AngularFile, facts: ComponentFacts, node: t.Node): AngularUnit {
  const u: AngularUnit = Object.assign(newUnit(facts, node, angular.dialect, angular.file), {
    angular,
    signals: new Set<number>(),
    models: new Map<number, string>(),
    wanted: new Map<string, number[]>(),
    lookedFor: new Map<number, string>(),
    openMembers: false,
    bound: new Set<string>(),
    inherited: new Set<string>(),
    hidden: new Set<string>(),
    inContext: 0,
    references: new Map<TmplAstReference, number>(),
    handed: [],
    stamps: [],
    markup: undefined,
    used: [],
    askedIn: [],
    inheritedMember: (name: string, at: Chain) => inheritedMember(u, name, at),
  });
  return u;
}

/** The symbol of a member that a base declares: which one that is, is known when files are linked. */
function inheritedMember(u: AngularUnit, name: string, node: Chain): number | undefined {
  if (!u.facts.mixins?.length) return undefined;
  const symbol = addSymbol(u, { name, kind: 'inherited', port: name, ...spanOf(node.property) });
  u.members.set(name, symbol);
  u.inherited.add(name);
  return symbol;
}

export const isAngularUnit = (u: Unit): u is AngularUnit => 'angular' in u;

/** Settles what is only known when all of a unit is read. */
export function closeUnit(u: AngularUnit): void {
  settleChanges(u);
  settleEarly(u);
  settleMissing(u);
  settleTimes(u);
  settleAsked(u);
  settleBoxes(u);
}

/** What is kept in a signal, a subject or a form is set by whoever that is handed to. */
function settleBoxes(u: AngularUnit): void {
  for (const [index, symbol] of u.facts.symbols.entries()) {
    if (symbol.kind !== 'state') continue;
    const made = madeOf(u, index);
    if (u.signals.has(index) || SUBJECT.test(made)) symbol.boxed = 'value';
    else if (FORM.test(made)) symbol.boxed = /Control$/.test(made) ? 'value' : 'fields';
  }
}

/** `changes.wind.currentValue` is the input. */
function settleChanges({ facts, members, changes }: AngularUnit): void {
  if (changes === undefined) return;
  const { start, end } = facts.symbols[changes]!;
  const at = { start, end };
  const inputs = [...members].filter(([, symbol]) => facts.symbols[symbol]!.kind === 'prop');
  facts.symbols[changes]!.init = {
    kind: 'object',
    open: true,
    ...at,
    members: inputs.map(([name, symbol]): MemberFact => {
      const value: ExprFact = { kind: 'identity', symbol, ...at };
      const states = ['currentValue', 'previousValue'].map((one) => ({ name: one, value, ...at }));
      return { name, value: { kind: 'object', open: true, members: states, ...at }, ...at };
    }),
  };
}

/** What forms call, with what their control shall hold: writing that is no writing of one's own. */
const ASKED = /^(writeValue|setDisabledState|registerOn(Change|Touched|ValidatorChange))$/;

function settleAsked({ facts, members }: AngularUnit): void {
  const { functions, symbols, writes } = facts;
  const asked = new Set<number>();
  for (const [name, symbol] of members) {
    const { fn } = symbols[symbol]!;
    if (ASKED.test(name) && fn !== undefined) asked.add(fn);
  }
  if (!asked.size) return;
  for (const write of writes) {
    let at = write.fn;
    while (at >= 0 && functions[at]!.parent >= 0) at = functions[at]!.parent;
    if (asked.has(at)) delete write.through;
  }
}

/** What is asked for in a method that runs while the object is made is asked for in time. */
function settleTimes({ facts, askedIn }: AngularUnit): void {
  const { functions, symbols, consumes, invokes = [] } = facts;
  const early = new Set<number>();
  const note = (symbol: number | undefined): void => {
    const fn = symbol === undefined ? undefined : symbols[symbol]!.fn;
    if (fn === undefined || early.has(fn)) return;
    early.add(fn);
    for (const inner of functions[fn]!.calls) note(inner);
  };
  for (const { fn, callee } of invokes) if (fn === -1) note(callee.symbol);
  for (const { consume, fn } of askedIn) {
    let outer = fn;
    while (functions[outer]!.parent >= 0) outer = functions[outer]!.parent;
    if (!early.has(outer)) consumes[consume]!.late = true;
  }
}
