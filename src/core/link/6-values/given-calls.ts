/** Functions that call what they are given: `function pick(rows, onPick) { onPick(rows[0]); }`. */
import type { ExprFact } from '../../model/facts';
import type { Callables } from './callables';
import type { Frame } from './frames';
import { reachedFunctions } from './functions';
import type { Handing } from './handings';
import type { Results } from './results';

/** A call of a parameter, or of a member of it. */
interface GivenCall {
  /** The place of the parameter among those of the function. */
  param: number;
  path: string[];
  /** What it is called with, from the parameters of the function. */
  args: Handing[];
  /** The call as it is written, and where. */
  written: { frame: Frame; args: ExprFact[] };
}

const MAX_DEPTH = 4;
const NONE: GivenCall[] = [];

export class GivenCalls {
  private readonly known = new Map<Frame, Map<number, GivenCall[]>>();

  constructor(
    private readonly callables: Callables,
    private readonly results: Results,
  ) {}

  /** The calls of its parameters that a function makes, itself or by handing them on to others. */
  of(frame: Frame, fn: number, depth = 0): GivenCall[] {
    let known = this.known.get(frame);
    if (!known) this.known.set(frame, (known = new Map()));
    const found = known.get(fn);
    if (found) return found;
    const { functions, invokes } = frame.code.facts;
    if (depth > MAX_DEPTH || !invokes || !functions[fn]!.params.length) return NONE;
    known.set(fn, NONE);
    const calls = this.collect(frame, fn, depth);
    known.set(fn, calls);
    return calls;
  }

  private collect(frame: Frame, fn: number, depth: number): GivenCall[] {
    const { code } = frame;
    const within = reachedFunctions(code, fn);
    return (code.facts.invokes ?? []).flatMap(({ fn: inside, callee, args }): GivenCall[] => {
      if (!within.has(inside)) return NONE;
      const own = paramAt(frame, fn, callee, []);
      if (own) return [{ ...own, args: this.results.handings(frame, fn, args), written: { frame, args } }];
      if (!args.some((one) => holdsParam(frame, fn, one))) return NONE;
      return this.callables.of(frame, callee).flatMap((one) =>
        one.kind === 'function'
          ? this.of(one.frame, one.fn, depth + 1).flatMap((call) => {
              const arg = args[call.param - (one.skip ?? 0)];
              const param = arg && paramAt(frame, fn, arg, call.path);
              return param
                ? [{ ...call, ...param, args: this.results.handedThrough(frame, fn, args, call.args) }]
                : NONE;
            })
          : NONE,
      );
    });
  }
}

const holdsParam = (frame: Frame, fn: number, expr: ExprFact): boolean =>
  paramAt(frame, fn, expr, []) !== undefined ||
  (expr.members ?? []).some(({ value }) => holdsParam(frame, fn, value));

/** The parameter of a function that an expression, or a member of it, is or is a member of. */
function paramAt(
  frame: Frame,
  fn: number,
  { kind, symbol, path = [], members }: ExprFact,
  want: string[],
): Pick<GivenCall, 'param' | 'path'> | undefined {
  if (kind === 'object') {
    const [name, ...rest] = want;
    const member = members?.findLast((one) => one.name === name);
    return member && paramAt(frame, fn, member.value, rest);
  }
  const { code } = frame;
  if ((kind !== 'identity' && kind !== 'member') || symbol === undefined) return undefined;
  const own = code.facts.symbols[symbol]!;
  if (own.kind !== 'param' || own.within !== fn || own.index === undefined) return undefined;
  return { param: own.index, path: [...(own.path ?? []), ...path, ...want] };
}
