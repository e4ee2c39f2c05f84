/** What is known of a Svelte component while it is read, beside what every unit keeps. */
import type * as t from '@babel/types';
import type { AttributeFact, ComponentFacts, ImportFact, Span } from '../../model/facts';
import { keyId } from '../../model/keys';
import { newUnit } from '../script/new-unit';
import { portSymbol } from '../script/ports';
import type { Binding, Scope, Scopes } from '../script/scope';
import { addSymbol, settleMissing, type Dialect, type FileContext, type Unit } from '../script/unit';
import { eventPort } from './names';

export interface SvelteUnit extends Unit {
  scopes: Scopes;
  /** What the file imports. */
  imports: ImportFact[];
  /** What call sites write beyond what is declared. */
  others: number | undefined;
  /** Functions that raise an event by its name. */
  dispatchers: Set<number>;
  /** Content that is handed over under a name, by which it may be used as well. */
  handed: { binding: Binding; attribute: AttributeFact }[];
  /** Nodes of snippets that stand where they are drawn, and where they stood before. */
  moved: Map<number, number>;
  /** The function that stands for the parameters of a snippet, by the node of what that draws. */
  drawnBy: Map<number, number>;
  /** Functions that hand an event up under its name. */
  bubblers: Set<number>;
  /** The scope of the script, which the markup stands in. */
  inner: Scope;
  /** Symbols of stores that it makes. */
  stores: Set<number>;
  /** Keys of which it asks whether they are provided. */
  asked: Set<string>;
}

/** Whether the code checks what contexts give; who asks first goes on without. */
export function settleContexts(u: SvelteUnit): void {
  settleMissing(u);
  for (const one of u.facts.consumes) if (u.asked.has(keyId(one.key))) one.missing = 'handled';
}

export function svelteUnit(
  facts: ComponentFacts,
  node: t.Node,
  dialect: Dialect,
  file: FileContext,
  scopes: Scopes,
  imports: ImportFact[],
): SvelteUnit {
  return Object.assign(newUnit(facts, node, dialect, file), {
    scopes,
    imports,
    others: undefined,
    dispatchers: new Set<number>(),
    moved: new Map<number, number>(),
    drawnBy: new Map<number, number>(),
    bubblers: new Set<number>(),
    handed: [],
    stores: new Set<number>(),
    asked: new Set<string>(),
    inner: scopes.of.get(node) ?? scopes.program,
  });
}

export const isSvelteUnit = (u: Unit): u is SvelteUnit => 'dispatchers' in u;

export const eventSymbol = (u: Unit, name: string, at: Span): number =>
  portSymbol(u, eventPort(name), 'event', at);

/** The symbol of what call sites write beyond what the script declares. */
export function othersSymbol(u: SvelteUnit, at: Span): number {
  const except = u.facts.ports.filter((one) => one.channel === 'prop').map((one) => one.name);
  return (u.others ??= addSymbol(u, { name: '$$restProps', kind: 'rest', except, ...at }));
}
