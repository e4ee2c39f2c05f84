/** What is known of a Svelte component while it is read, beside what every unit keeps. */
import type * as t from '@babel/types';
import type { ComponentFacts, Span } from '../../model/facts';
import { newUnit } from '../script/new-unit';
import type { Scope, Scopes } from '../script/scope';
import { addSymbol, type Ctx, type Dialect, type FileContext, type Unit } from '../script/unit';
import { eventPort } from './names';

export const SETUP: Ctx = { where: 'derivation', fn: -1 };

export interface SvelteUnit extends Unit {
  scopes: Scopes;
  /** Functions that raise an event by its name. */
  dispatchers: Set<number>;
  /** The scope of the script, which the markup stands in. */
  inner: Scope;
}

export function svelteUnit(
  facts: ComponentFacts,
  node: t.Node,
  dialect: Dialect,
  file: FileContext,
  scopes: Scopes,
): SvelteUnit {
  return Object.assign(newUnit(facts, node, dialect, file), {
    scopes,
    dispatchers: new Set<number>(),
    inner: scopes.of.get(node) ?? scopes.program,
  });
}

export const isSvelteUnit = (u: Unit): u is SvelteUnit => 'dispatchers' in u;

/** The symbol of an event or a slot, which have names of their own; it is noted as a port at the first use. */
export function portSymbol(u: Unit, port: string, channel: 'event' | 'slot', at: Span): number {
  const known = u.props.get(port);
  if (known !== undefined) return known;
  const symbol = addSymbol(u, { name: port.slice(1), kind: 'prop', port, start: at.start, end: at.end });
  u.props.set(port, symbol);
  if (!u.facts.ports.some((one) => one.name === port)) {
    const declared = channel === 'slot' ? 'outlet' : 'read';
    u.facts.ports.push({ name: port, channel, declared, start: at.start, end: at.end });
  }
  return symbol;
}

export const eventSymbol = (u: Unit, name: string, at: Span): number =>
  portSymbol(u, eventPort(name), 'event', at);
