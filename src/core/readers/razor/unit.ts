/** What is known of a component while it is read, beside what every unit keeps. */
import type * as t from '@babel/types';
import type { ComponentFacts, ExprFact, Span } from '../../model/facts';
import { newUnit } from '../script/new-unit';
import type { OwnUnit } from '../script/own';
import type { Scopes } from '../script/scope';
import type { Dialect, FileContext } from '../script/unit';
import type { At } from '../script/slots';
import type { MarkupNode } from './markup';
import type { MemberNode } from './nodes';

/** Reads nodes of markup into a render. */
export type ReadNodes = (u: RazorUnit, nodes: MarkupNode[], at: At) => void;

export interface RazorUnit extends OwnUnit {
  scopes: Scopes;
  /** What C# says of members. */
  declared: Map<t.Node, MemberNode>;
  /** Names of all members. */
  names: Set<string>;
  /** Names that may be those of members of its base, with where they stand first; undefined without a base. */
  taken?: Map<string, Span>;
  /** What is added to events, with what these are raised with. */
  heard: { handler: number | undefined; fn: number | undefined; given: ExprFact[] }[];
  /** Names in the markup that nothing around declares. */
  unbound: (Span & { name: string; orType?: true; ofBase?: true })[];
  /** Names of members that tags put handles into. */
  handles: Set<string>;
  /** Symbols of callbacks that may be called though nobody hands any in. */
  callbacks: Set<number>;
  /** Parameters that the address of the page gives. */
  inAddress: Set<string>;
  /** Its code is written with absent values in mind, so that types say what may be absent. */
  tellsAbsence: boolean;
}

export function razorUnit(
  facts: ComponentFacts,
  node: t.Node,
  dialect: Dialect,
  file: FileContext,
  scopes: Scopes,
): RazorUnit {
  return Object.assign(newUnit(facts, node, dialect, file), {
    scopes,
    declared: new Map<t.Node, MemberNode>(),
    names: new Set<string>(),
    unbound: [],
    heard: [],
    handles: new Set<string>(),
    callbacks: new Set<number>(),
    inAddress: new Set<string>(),
    tellsAbsence: false,
  });
}

export const isRazorUnit = (u: object): u is RazorUnit => 'inAddress' in u;
