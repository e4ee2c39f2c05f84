/** Functions that draw, wherever they stand in what is handed over: in objects and lists, under names, in what helpers give back. */
import { writtenIn } from '../../model/entries';
import type { DrawnFact, ExprFact } from '../../model/facts';
import type { Frame, Frames } from './frames';

export interface DrawingFunction {
  frame: Frame;
  fn: number;
  /** The call site that handed it in, where one alone lies between. */
  site?: number;
}

/** They are looked for so deep. */
const MAX_STEPS = 24;
/** So many at most are found in one value. */
const MOST = 200;
/** Over so many components it is handed on. */
const MAX_OWNERS = 4;

/** The call sites that were passed on the way to where a function stands. */
type Passed = readonly number[];

/** The functions that draw in a value. */
export function functionsThatDraw(frames: Frames, frame: Frame, expr: ExprFact): DrawingFunction[] {
  const found: DrawingFunction[] = [];
  const seen = new Map<Frame, Set<string>>();
  look(frame, expr, [], 0, []);
  return found;

  function add(at: Frame, fn: number, over: Passed): void {
    if (found.some((one) => one.frame === at && one.fn === fn && one.site === over[0])) return;
    found.push({ frame: at, fn, ...(over.length === 1 ? { site: over[0]! } : {}) });
  }

  function look(at: Frame, one: ExprFact, path: string[], depth: number, over: Passed): void {
    if (depth > MAX_STEPS || found.length >= MOST) return;
    const next = (part: ExprFact, rest = path, inside = at) => look(inside, part, rest, depth + 1, over);
    switch (one.kind) {
      case 'literal':
      case 'content':
        return;
      case 'function':
        // What comes from elsewhere may be any function: what only calls something draws nothing by that.
        if (one.fn !== undefined && !path.length && (over.length ? draws(at, one) : one.content?.length))
          add(at, one.fn, over);
        return;
      case 'array':
        for (const element of writtenIn(one)) next(element);
        return;
      case 'object': {
        const [name, ...rest] = path;
        const member = one.members?.findLast((other) => other.name === name);
        if (member) next(member.value, rest);
        else if (name === undefined) for (const { value } of one.members ?? []) next(value);
        if (!member) for (const part of one.spreads ?? []) next(part);
        return;
      }
      case 'identity':
      case 'member':
        symbol(at, one.symbol!, [...(one.path ?? []), ...path], depth, over);
        return;
    }
    const given = one.from ? [one.from] : one.kind === 'call' ? (one.content ?? []).filter(isOfCall) : [];
    const made = given.flatMap(({ call, path: own = [] }) => {
      const inner = at.inner.get(call);
      const { result } = inner?.code.facts ?? {};
      return inner && result ? [{ inner, result, own }] : [];
    });
    for (const { inner, result, own } of made) next(result, [...own, ...path], inner);
    if (one.from) return;
    for (const part of one.gives ?? []) next(part);
    // What a package makes of what it is given may hold that.
    if (one.call !== undefined && !one.path?.length)
      for (const arg of at.code.facts.invokes![one.call]!.args) next(arg, []);
    if (one.component === undefined || one.kind === 'call') return;
    const own = frames.shared.symbolOf(at.code.file, one.component);
    if (own) symbol(frames.of(own.module), own.symbol, path, depth, over);
  }

  /** Whether a value was looked at already: over more than one call site, it does not matter which. */
  function isSeen(at: Frame, index: number, path: string[], over: Passed): boolean {
    let ofFrame = seen.get(at);
    if (!ofFrame) seen.set(at, (ofFrame = new Set()));
    const key = `${index}.${path.join('.')} ${over.length > 1 ? '' : over.join()}`;
    if (ofFrame.has(key)) return true;
    ofFrame.add(key);
    return false;
  }

  function symbol(at: Frame, index: number, path: string[], depth: number, over: Passed): void {
    if (isSeen(at, index, path, over)) return;
    const { kind, init, port, within, index: place, path: own = [] } = at.code.facts.symbols[index]!;
    if (kind === 'param' && within === -1 && place !== undefined && at.caller) {
      const arg = at.args[place];
      if (arg) look(at.caller, arg, [...own, ...path], depth + 1, over);
    } else if (kind === 'prop' && over.length < MAX_OWNERS) {
      for (const { site, value, frame: inside } of frames.handedIn(at.code, port!))
        if (!over.includes(site)) look(inside, value, path, depth + 1, [...over, site]);
    } else if (init && /^(derived|handler|shared)$/.test(kind)) look(at, init, path, depth + 1, over);
    else if (kind === 'shared') {
      const made = frames.shared.symbolOf(at.code.file, port!);
      if (made && made.module !== at.code) symbol(frames.of(made.module), made.symbol, path, depth + 1, over);
    }
  }
}

/** Whether a function has markup of its own, or calls a helper that has; what calls something else only might. */
const draws = ({ inner }: Frame, { content = [] }: ExprFact): boolean =>
  content.some((part) => !isOfCall(part) || inner.has(part.call));

/** What a helper of the project gives back to be drawn. */
const isOfCall = (part: NonNullable<ExprFact['content']>[number]): part is DrawnFact =>
  typeof part !== 'number' && 'call' in part;
