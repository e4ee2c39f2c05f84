/** Names that are no values of their own, and expressions with nothing to follow in them. */
import { ANY_MEMBER } from '../../model/code';
import type { ExprFact, SymbolFact } from '../../model/facts';
import type { Callables } from './callables';
import type { Frame, Part } from './frames';
import type { Linked } from '../linked';
import { into } from './expressions';
import type { Values } from './values';

const symbolOf = (frame: Frame, index: number): SymbolFact => frame.code.facts.symbols[index]!;

export class Parts {
  constructor(
    private readonly project: Linked,
    private readonly values: Values,
    private readonly callables: Callables,
  ) {}

  /** Whether a symbol only names a part of another node, or a function, and is no value of its own. */
  aliasOf(frame: Frame, symbol: SymbolFact): Part | 'none' | undefined {
    const { init } = symbol;
    if (symbol.kind !== 'derived' || !init) return undefined;
    const ofHelper =
      init.from &&
      (frame.inner.has(init.from.call) || this.values.storesAt(frame, init.from.call).length > 0);
    const ofMember =
      (init.kind === 'member' || init.kind === 'identity') &&
      (symbolOf(frame, init.symbol!).store !== undefined ||
        (init.kind === 'member' && this.isOfContext(frame, init.symbol!)));
    if (!ofHelper && !ofMember) return undefined;
    const store = this.storeGiven(frame, init);
    if (store) return store;
    const all = this.values.sources(frame, init).filter((one) => !one.decides);
    const [only, ...others] = all;
    const isPart = only && !others.length && only.exact && !only.put.length;
    // What a component takes of a store is where the value arrives in it.
    if (isPart && only.take.length && frame.code === frame.owner && this.isOfModule(only.node))
      return undefined;
    if (isPart) return { node: only.node, path: only.take };
    // What a helper gives as an object is taken apart wherever one of its members is used; a list of any length is not.
    if (all.some(({ put: [name] }) => name !== undefined && name !== ANY_MEMBER)) return 'none';
    if (only || others.length) return undefined;
    return this.callables.of(frame, init).length || !ofHelper ? 'none' : undefined;
  }

  private isOfModule(node: number): boolean {
    const { component, channel } = this.project.flow.nodes[node]!;
    return channel === 'state' && this.project.components[component]!.facts.role === 'module';
  }

  /** The app's store, where that is what a helper gives back. */
  private storeGiven(frame: Frame, { from }: ExprFact): Part | undefined {
    const inner = from && frame.inner.get(from.call);
    const { kind, symbol } = inner?.code.facts.result ?? {};
    if (!inner || kind !== 'identity' || symbolOf(inner, symbol!).store === undefined) return undefined;
    return { node: -1, path: from.path, whole: { frame: inner, symbol: symbol! } };
  }

  /** A symbol for what a context holds, or for what a helper gave of one. */
  private isOfContext(frame: Frame, index: number): boolean {
    const node = frame.nodeOf[index]!;
    return node >= 0 && this.project.flow.nodes[node]!.channel === 'context';
  }

  /**
   * Whether there is nothing to follow in an expression, or in the member of it that a path leads to: it is a literal, or
   * what code outside of the project made.
   */
  isPlain(frame: Frame, expr: ExprFact, want: string[] = [], depth = 0): boolean {
    if (depth > 6) return true;
    const next = (part: ExprFact, path: string[]) => this.isPlain(frame, part, path, depth + 1);
    if (/^(literal|content)$/.test(expr.kind)) return true;
    if (expr.kind === 'object') {
      const member = expr.members?.find((one) => one.name === want[0]);
      if (member) return next(member.value, want.slice(1));
      return expr.spreads ? expr.spreads.every((one) => next(one, want)) : want.length > 0;
    }
    if (expr.gives) return expr.gives.every((one) => next(one, want));
    if (expr.from) {
      const call = frame.code.facts.calls[expr.from.call];
      const inner = frame.inner.get(expr.from.call);
      if (inner) {
        const { result } = inner.code.facts;
        return !result || this.isPlain(inner, result, into(expr.from.path, want), depth + 1);
      }
      return !call || this.isElsewhere(frame, call.name);
    }
    if (expr.component !== undefined) return this.isElsewhere(frame, expr.component);
    const symbols = expr.symbol === undefined ? (expr.uses ?? []) : [expr.symbol];
    if (!symbols.length) return expr.kind === 'computed' || expr.kind === 'call';
    return symbols.every((index) => {
      const { kind, init } = frame.code.facts.symbols[index]!;
      return (
        kind === 'module' ||
        kind === 'param' ||
        kind === 'loop' ||
        (kind === 'derived' && (!init || next(init, [])))
      );
    });
  }

  private isElsewhere(frame: Frame, name: string): boolean {
    const target = this.project.lookup(frame.code.file, name);
    return target.kind === 'unbound' || (target.kind === 'outside' && target.why === 'package');
  }
}
