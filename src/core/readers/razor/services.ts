/** Services: classes of C# whose objects an app keeps for all that ask for them. */
import type { ComponentFacts, FileFacts, Span } from '../../model/facts';
import { type ClassMember, readClassHelper } from '../script/classes';
import { settleEarly } from '../script/early';
import { readScopes } from '../script/scope';
import { addSymbol, emptyFacts, fileContext, SETUP, spanOf } from '../script/unit';
import { addClass, makeClass } from './class';
import { settleUnbound } from './code';
import { razorDialect } from './dialect';
import { serviceKey } from './members';
import { razorTraits, razorTypes, shortName } from './names';
import type { ClassNode, MemberNode } from './nodes';
import { settleHeard } from './heard';
import { type RazorUnit, razorUnit } from './unit';

/** Reads the classes of a file that keep something and do something with it; gives back their names. */
export function readServices(facts: FileFacts, path: string, text: string, classes: ClassNode[]): string[] {
  const services = classes.filter(isService);
  for (const one of services) {
    const span = { start: one.start, end: one.end };
    const component = emptyFacts(one.name, span, one.nameAt, razorTraits(false));
    component.role = 'helper';
    component.single = true;
    const file = fileContext(path, text, razorTypes(new Set(one.params)));
    const names = new Set(one.members.map(({ name }) => name));
    const made = makeClass(one.name, one.members, (name) => names.has(name), span);
    const u = razorUnit(component, made.node, razorDialect, file, readScopes(made.program));
    u.declared = made.declared;
    u.names = names;
    readClassHelper(u, made.node, {
      fieldKind: () => undefined,
      typed: true,
      member: (_unit, member, node) => (member === one.name ? readConstructor(u, node) : undefined),
    });
    settleGiven(u);
    settleHeard(u);
    settleUnbound(u);
    settleEarly(u);
    addClass(facts, one, component);
  }
  return services.map(({ name }) => name);
}

/** `public Ledger(Log log) { _log = log; }`: what a service is made with, the app gives it. */
function readConstructor(u: RazorUnit, node: ClassMember): (() => void) | undefined {
  if (node.type !== 'ClassMethod') return undefined;
  for (const param of node.params) {
    if (param.type !== 'Identifier') continue;
    const at = spanOf(param);
    const symbol = addSymbol(u, { name: param.name, kind: 'injected', ...at }, param.binding);
    const { typeText = '' } = param as { typeText?: string };
    u.facts.consumes.push({
      key: serviceKey(typeText),
      symbol,
      where: 'setup',
      fn: -1,
      missing: 'handled',
      ...at,
    });
  }
  return () => u.statements(node.body.body, SETUP);
}

/** What is put into a member once, where the object is made, is what the member stands for. */
function settleGiven({ facts, declared }: RazorUnit): void {
  const fixed = new Set(
    [...declared.values()].filter((one) => one.words.has('readonly')).map(({ name }) => name),
  );
  facts.writes = facts.writes.filter(({ symbol, path, value, fn, through }) => {
    const fact = facts.symbols[symbol]!;
    if (fn !== -1 || path || through?.method || !value || fact.kind !== 'state' || !fixed.has(fact.name))
      return true;
    Object.assign(fact, { kind: 'derived', init: value });
    return false;
  });
}

/** It has a member that its own methods may change, and no base but interfaces: controllers and pages are no services. */
function isService({ kind, bases, members, params }: ClassNode): boolean {
  if (kind !== 'class' || params.length || !bases.every((one) => /^I[A-Z]/.test(shortName(one.name))))
    return false;
  const isOwn = ({ words }: MemberNode): boolean => !words.has('static') && !words.has('const');
  const keeps = members.some((one) => one.kind !== 'method' && !one.fn && isOwn(one));
  return keeps && members.some((one) => one.kind === 'method' && isOwn(one));
}

/** `services.AddScoped<ILedger, Ledger>()` */
const REGISTERED = /\bAdd(?:Scoped|Singleton|Transient)\s*<\s*([\w.]+)\s*,\s*([\w.]+)\s*>/g;

/** Each service provides itself; what is registered under another type is what is provided under its own. */
export function provideServices(component: ComponentFacts, text: string, services: string[]): void {
  const provide = (name: string, at: Span, value: ComponentFacts['provides'][number]['value']): void => {
    if (!component.render.length) component.render.push({ kind: 'group', parent: -1, attributes: [], ...at });
    component.provides.push({
      key: serviceKey(name),
      keyStart: at.start,
      keyEnd: at.end,
      node: 0,
      where: 'setup',
      itself: true,
      implied: true,
      ...(value ? { value } : {}),
      ...at,
    });
  };
  for (const name of services) {
    const start = text.search(new RegExp(`\\bclass\\s+${name}\\b`));
    const at = { start, end: start + 'class'.length };
    const from = { call: component.calls.length, path: [] };
    component.calls.push({ name, args: [], made: true, where: 'provide', fn: -1, ...at });
    provide(name, at, { kind: 'call', from, ...at });
  }
  for (const found of text.matchAll(REGISTERED)) {
    const [all, wanted, made] = found as unknown as [string, string, string];
    const at = { start: found.index, end: found.index + all.length };
    const key = serviceKey(shortName(made));
    const symbol = component.symbols.push({ name: shortName(made), kind: 'injected', ...at }) - 1;
    component.consumes.push({ key, symbol, where: 'setup', fn: -1, missing: 'handled', ...at });
    provide(shortName(wanted), at, { kind: 'identity', symbol, ...at });
  }
}
