/** What happens when an event comes, or when something is called. */
import type { Span } from '../../model/facts';
import type { Part } from './document';
import { type Ctx, endsOf, HELD, type Unit } from './unit';

/** What an event carries: the first, the second and the third. */
const CARRIED = ['event', 'event2', 'event3'];

/** Adds a function that does what a list of actions says; gives back its index. */
export function addActions(u: Unit, actions: Part, local: Ctx['local']): number {
  const { span } = actions;
  const fn = u.facts.functions.push({ parent: -1, where: 'handler', params: [], calls: [], ...span }) - 1;
  // What the event carries, if somebody asks for it.
  const names = new Map(local);
  for (const [index, name] of CARRIED.entries()) {
    const symbol = u.add({ name, kind: 'param', within: fn, index, ...span }, true);
    u.facts.functions[fn]!.params.push(symbol);
    names.set(name, symbol);
  }
  const ctx: Ctx = { where: 'handler', fn, local: names };
  for (const action of actions.items) addAction(u, action, ctx);
  const [only, more] = actions.items;
  const raised = only && !more ? only.get('raise')?.text : undefined;
  // It hands the event on, with what that carries or with something else.
  if (raised !== undefined) {
    const payload = only!.get('with');
    const bound = payload !== undefined && payload.text !== '$event';
    const symbol = u.portSymbol(`@${raised}`);
    if (symbol >= 0) u.facts.functions[fn]!.sole = { symbol, bound };
  }
  return fn;
}

function addAction(u: Unit, action: Part, ctx: Ctx): void {
  const set = action.get('set');
  const raise = action.get('raise');
  const call = action.get('call');
  if (set?.text !== undefined) addSet(u, set.text, set.span, action.get('to'), ctx);
  else if (raise?.text !== undefined) addRaise(u, raise.text, raise.span, carried(action), ctx);
  else if (call?.text !== undefined) addCall(u, call.text, call.span, carried(action), ctx);
}

/** What something is raised or called with. */
const carried = (action: Part): Part[] => {
  const first = action.get('with');
  const more = action.get('and')?.items ?? [];
  return first ? [first, ...more] : more;
};

function addSet(u: Unit, name: string, span: Span, to: Part | undefined, ctx: Ctx): void {
  const path = name.replace(/^\$/, '').split('.');
  const value = to && u.value(to, ctx, true);
  const found = u.find(path, ctx, span);
  if (!found) {
    (u.facts.unknownNames ??= []).push({ name: path[0]!, known: u.known(ctx), ...span });
    return;
  }
  const { symbol } = found;
  const { kind, port } = u.facts.symbols[symbol]!;
  const rest = kind === 'ref' ? [HELD, ...found.rest] : found.rest;
  const { where, fn } = ctx;
  if (kind === 'shared' && port !== undefined)
    (u.facts.sharedWrites ??= []).push({
      name: port,
      path: rest,
      ...(value ? { value } : {}),
      where,
      fn,
      ...span,
    });
  u.facts.writes.push({
    symbol,
    ...(rest.length ? { path: rest, through: {} } : {}),
    ...(value ? { value } : {}),
    where,
    fn,
    ...span,
  });
}

function addRaise(u: Unit, name: string, span: Span, payload: Part[], ctx: Ctx): void {
  const event = `@${name}`;
  const port = u.portSymbol(event);
  if (port >= 0) u.facts.functions[ctx.fn]!.calls.push(port);
  const args = payload.map((one) => u.value(one, { ...ctx, where: 'emit' }, true));
  u.facts.emits.push({ symbol: port, event, args, fn: ctx.fn, guarded: true, how: 'called', ...span });
}

/** What a name holds is called, or a member of that: of what a handle holds, or of a value that somebody handed over. */
function addCall(u: Unit, text: string, span: Span, argument: Part[], ctx: Ctx): void {
  const way = text.split('.');
  const found = u.find(way, ctx, span);
  const args = argument.map((one) => u.value(one, { ...ctx, where: 'argument' }, true));
  if (!found) {
    (u.facts.unknownNames ??= []).push({ name: way[0]!, known: u.known(ctx), ...span });
    return;
  }
  const { symbol } = found;
  const { kind, port } = u.facts.symbols[symbol]!;
  if (kind === 'prop' && port !== undefined && !found.rest.length) {
    // A property that is something to call: what is done by whoever hands it over.
    u.facts.functions[ctx.fn]!.calls.push(symbol);
    u.facts.emits.push({ symbol, event: port, args, fn: ctx.fn, guarded: true, how: 'called', ...span });
    return;
  }
  const isHandle = kind === 'ref';
  const path = isHandle ? [HELD, ...found.rest] : found.rest;
  u.facts.reads.push({
    symbol,
    ...(path.length ? { path, ends: endsOf(path, span) } : {}),
    // A handle is asked at the moment of the call, and does nothing where there is no instance.
    ...(isHandle ? { soft: true } : {}),
    where: 'handler',
    fn: ctx.fn,
    ...span,
  });
  (u.facts.invokes ??= []).push({
    callee: { kind: path.length ? 'member' : 'identity', symbol, ...(path.length ? { path } : {}), ...span },
    args,
    where: 'handler',
    fn: ctx.fn,
    ...span,
  });
}
