/** The class of a component with its markup, or without any, to facts. */
import type { ComponentFacts, Span, TypeParamFact } from '../../model/facts';
import { readClassMembers } from '../script/classes';
import { settleEarly } from '../script/early';
import { handsItselfOn } from '../script/member-reads';
import { readScopes, type Scope } from '../script/scope';
import { takeParams } from '../script/type-params';
import { addWhole, type FileContext, placeRest, SETUP, settleMissing } from '../script/unit';
import { makeClass } from './class';
import { settleUnbound } from './code';
import { razorDialect } from './dialect';
import { settleHeard } from './heard';
import { memberTest, takeOver } from './inherited';
import type { MarkupNode } from './markup';
import { exposeMembers, isParameter, readInject, readMember } from './members';
import type { BaseNode, MemberNode } from './nodes';
import { readNodes } from './template';
import { constraintOf } from './types';
import { type RazorUnit, razorUnit } from './unit';

/** Bases that come with the framework. */
const KNOWN_BASES = /^(ComponentBase|LayoutComponentBase|OwningComponentBase|IComponent)$/;

export const isKnownBase = (name: string): boolean => KNOWN_BASES.test(name);

/** What is said of a component outside of its members. */
export interface Said {
  /** Addresses at which it is shown. */
  pages: Span[];
  /** Classes and interfaces that it extends, without their namespaces. */
  bases: BaseNode[];
  /** What is asked of the app, as it is written: `Ledger Accounts`. */
  injects: Span[];
  /** Its type parameters. */
  params: Set<string>;
  /** What they must be, as it is written. */
  limits: string;
}

/** Reads the class of a component, and its markup, into its facts. */
export function readComponent(
  component: ComponentFacts,
  file: FileContext,
  nodes: MarkupNode[],
  members: MemberNode[],
  said: Said,
): void {
  const injected = said.injects.flatMap(
    ({ start, end }) => /(\w+)\s*$/.exec(file.text.slice(start, end))?.[1] ?? [],
  );
  const isLayout = component.traits.contentPort === 'Body';
  const names = new Set([...members.map((one) => one.name), ...injected, ...(isLayout ? ['Body'] : [])]);
  const base = said.bases.find((one) => !isKnownBase(one.name) && !/^I[A-Z]/.test(one.name));
  if (base) {
    component.mixins = [base.name];
    component.heirOf = base;
  }
  const taken = new Map<string, Span>();
  const made = makeClass(component.name, members, memberTest(names, base && taken), component);
  const u = razorUnit(component, made.node, razorDialect, file, readScopes(made.program));
  u.declared = made.declared;
  u.names = names;
  if (base) u.taken = taken;
  if (handsItselfOn(made.node) || nodes.some((one) => givesItself(file.text, one)))
    component.givesItself = true;
  takeParams(component, typeParamsOf(said));
  u.tellsAbsence = /\b(default|null)!|\b(string|\w+>|\w+\[\])\?/.test(file.text);
  noteHandles(u, nodes);
  noteAddress(u, said, members);
  addWhole(u);
  if (isLayout) takeBody(u);
  for (const one of said.injects) readInject(u, one);
  for (const [name, at] of taken) takeOver(u, name, at);
  // Whoever extends the class declares these.
  for (const one of members) if (one.words.has('abstract')) takeOver(u, one.name, one.nameAt);
  readClassMembers(u, made.node, {
    fieldKind: () => undefined,
    typed: true,
    member: (_unit, name, node) => readMember(u, name, node),
  });
  exposeMembers(u, base !== undefined);
  const scope: Scope = { parent: undefined, owner: u.node, isFunction: true, names: new Map() };
  readNodes(u, nodes, { scope, ctx: SETUP, parent: 0 });
  placeRest(u);
  settleHeard(u);
  settleUnbound(u);
  dropCalled(u);
  settleEarly(u);
  settleMissing(u);
}

/** `Owner.IsAt(this)` in the markup; what is provided so is followed. */
function givesItself(text: string, node: MarkupNode): boolean {
  if (node.type === 'text' || node.type === 'directive') return false;
  if (node.type !== 'element') return /[(,]\s*this\s*[,)]/.test(text.slice(node.start, node.end));
  return (
    node.children.some((child) => givesItself(text, child)) ||
    node.attributes.some(
      ({ value }) => value && /[(,]\s*this\s*[,)]/.test(text.slice(value.start, value.end)),
    )
  );
}

function typeParamsOf({ params, limits }: Said): TypeParamFact[] {
  const texts = new Map(
    limits.split(/\bwhere\b/).flatMap((one): [string, string][] => {
      const [, name, text] = /^\s*(\w+)\s*:\s*(.*\S)\s*$/s.exec(one) ?? [];
      return name === undefined ? [] : [[name, text!]];
    }),
  );
  return [...params].map((name) => {
    const limit = constraintOf(texts.get(name) ?? '', params);
    return { name, asAttribute: true, ...(limit ? { extends: limit } : {}) };
  });
}

/** What a layout is given without declaring it. */
function takeBody(u: RazorUnit): void {
  const at = { start: 0, end: 0 };
  u.facts.ports.push({
    name: 'Body',
    channel: 'slot',
    declared: 'list',
    implied: true,
    type: { t: 'content' },
    ...at,
  });
  const symbol = u.facts.symbols.push({ name: 'Body', kind: 'prop', port: 'Body', ...at }) - 1;
  u.props.set('Body', symbol);
  u.members.set('Body', symbol);
}

function noteHandles(u: RazorUnit, nodes: MarkupNode[]): void {
  const look = (list: MarkupNode[]): void => {
    for (const node of list) {
      if (node.type === 'block') for (const one of node.branches) look(one.children);
      if (node.type !== 'element') continue;
      for (const { name, value } of node.attributes)
        if (name === '@ref' && value)
          u.handles.add(
            u.file.text
              .slice(value.start, value.end)
              .replace(/^@/, '')
              .replace(/^this\./, ''),
          );
      look(node.children);
    }
  };
  look(nodes);
}

/** `@page "/rounds/{Day}"`, and what is taken from the rest of the address. */
function noteAddress(u: RazorUnit, { pages }: Said, members: MemberNode[]): void {
  for (const { start, end } of pages)
    for (const [, name] of u.file.text.slice(start, end).matchAll(/\{\*{0,2}(\w+)/g)) u.inAddress.add(name!);
  for (const one of members)
    if (
      one.attributes.some(({ name }) => /^SupplyParameter/.test(name)) ||
      (pages.length && isParameter(one))
    )
      u.inAddress.add(one.name);
}

/** What is called on what content is given may be a method that others add to its type. */
function dropCalled({ facts, file }: RazorUnit): void {
  for (const read of facts.reads) {
    // What a component has is known; nobody adds methods to one.
    if (facts.symbols[read.symbol]!.kind === 'ref') continue;
    const at = read.ends?.findIndex((end) => /^\s*\(/.test(file.text.slice(end, end + 8))) ?? -1;
    if (at < 0) continue;
    read.path = read.path!.slice(0, at);
    read.ends = read.ends!.slice(0, at);
  }
}
