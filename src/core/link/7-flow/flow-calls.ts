/** The flow through calls: what events are raised with, and what functions are handed. */
import type { ExprFact, Span } from '../../model/facts';
import type { Flow, FlowEdge, FlowNode, Place } from '../../model/project';
import type { EdgeOf, FlowGraph } from './flow-graph';
import type { Frame } from '../6-values/frames';
import { given, RAISED } from './raised';
import { named } from '../6-values/effects';
import { into } from '../6-values/expressions';
import { argumentsOf } from '../6-values/handings';
import type { Source } from '../6-values/values';

/** What a call is made with, on its way to what is called. */
interface Argument {
  frame: Frame;
  arg: ExprFact;
  /** The member of it that arrives. */
  want: string[];
  to: number;
  at: Place;
  edge: EdgeOf;
}

export class CallFlow {
  private readonly flow: Flow;

  constructor(private readonly builder: FlowGraph) {
    this.flow = builder.flow;
  }

  /** What a call is made with, or a member of it, into the node that stands for being called. */
  private addGiven(
    frame: Frame,
    arg: ExprFact,
    to: number,
    at: Place,
    edge: EdgeOf,
    want: string[] = [],
  ): void {
    const argument: Argument = { frame, arg, want, to, at, edge };
    if (arg.kind === 'function') this.functions.push(argument);
    else if (this.flow.nodes[to]!.channel === 'prop') this.asked.push(argument);
    else this.addArgument(argument);
  }

  /** Functions that calls are made with: whoever writes state with one keeps what it gives back. */
  private readonly functions: Argument[] = [];

  /** Calls of functions that were handed in: some raise something, others are asked for what they give back. */
  private readonly asked: Argument[] = [];
  addAsked(): void {
    const raises = this.whetherItReaches(({ channel }) => channel !== 'prop');
    for (const one of this.asked) if (raises(one.to)) this.addArgument(one);
    const keeps = this.whetherItReaches(({ channel }, { how }) => channel === 'state' && how === 'write');
    for (const { frame, arg, to, at, edge } of this.functions)
      if (keeps(to))
        for (const { node, take, without } of this.builder.values.kept(frame, arg))
          this.builder.addEdge(node, to, at, { ...edge, take, ...(without ? { without } : {}) });
  }

  /** Whether what is handed in at a node leaves over call sites for one of some kind. */
  private whetherItReaches(isOne: (node: FlowNode, edge: FlowEdge) => boolean): (node: number) => boolean {
    const known = new Map<number, boolean>();
    const reaches = (node: number): boolean => {
      let found = known.get(node);
      if (found !== undefined) return found;
      known.set(node, false);
      found = this.flow.out[node]!.some((index) => {
        const edge = this.flow.edges[index]!;
        const target = this.flow.nodes[edge.to]!;
        return (
          edge.way === 'out' && (isOne(target, edge) || (target.channel !== 'state' && reaches(edge.to)))
        );
      });
      known.set(node, found);
      return found;
    };
    return reaches;
  }

  private addArgument({ frame, arg, want, to, at, edge }: Argument): void {
    this.builder.addSources(this.builder.values.sources(frame, arg, want), to, at, edge);
  }

  /** What a frame calls: events that it raises, and functions that write what is kept elsewhere. */
  add(frame: Frame): void {
    this.addInvokes(frame);
    this.addRaised(frame);
  }

  /** What events are raised with. */
  private addRaised(frame: Frame): void {
    const { code, nodeOf, taken } = frame;
    const at = ({ start, end }: Span): Place => ({ file: code.file, start, end });
    for (const emit of code.facts.emits) {
      const to = emit.symbol >= 0 ? nodeOf[emit.symbol]! : (code.ports.get(emit.event)?.node ?? -1);
      // What content is given arrives at its parameters, in who wrote it.
      if (to < 0 || (code !== frame.owner && !taken) || this.flow.nodes[to]!.channel === 'slot') continue;
      emit.args.forEach((arg, index) => {
        this.addGiven(frame, arg, to, at(emit), { how: 'emit', put: [given(index)] });
      });
    }
  }

  private addInvokes(frame: Frame): void {
    const { facts, file } = frame.code;
    for (const invoke of facts.invokes ?? []) {
      const { callee, args, start, end } = invoke;
      // What a component hands to a helper may be called there.
      if (frame.code !== frame.owner && (callee.kind === 'identity' || callee.kind === 'member'))
        for (const one of this.builder.callables.of(frame, callee))
          if (one.kind === 'port') this.builder.calledInHelpers.add(one.port);
      // Most calls hand over nothing that is kept anywhere.
      if (!args.some((one) => this.builder.values.kept(frame, one).length)) continue;
      const place = { file, start, end };
      const handle = this.builder.effects.throughHandle(frame, callee);
      if (handle) {
        args.forEach((arg, index) => {
          this.addGiven(frame, arg, handle.node, place, { how: 'call', put: [...handle.put, given(index)] });
        });
        continue;
      }
      const names = this.builder.values.results.names(frame, args);
      for (const callable of this.builder.callables.of(frame, callee)) {
        for (const effect of this.builder.effects.ofCall(frame, callable, args, place)) {
          const { how, node, put, params } = named(effect, names);
          const at = this.builder.effects.isToldName(frame, callable) ? effect.place : place;
          for (const held of params) {
            const { to, put: within, made } = held;
            for (const { arg, take } of argumentsOf(invoke, held)) {
              if (how !== 'write') {
                const over = { how, put: [...put, given(to), ...within], made };
                this.addGiven(frame, arg, node, at, over, take);
                continue;
              }
              const { values } = this.builder;
              const sources =
                callable.kind === 'setter' ? values.kept(frame, arg) : values.sources(frame, arg, take);
              this.builder.addSources(sources, node, at, { how, put: into(put, within), made });
            }
          }
        }
      }
    }
  }

  /** What calling a member of a context sets off, where it is called or put on an element as its listener. */
  addOfContexts(frame: Frame): void {
    const { facts, file } = frame.code;
    const called: { callee: ExprFact; at: Span; args: ExprFact[] }[] = (facts.invokes ?? []).map(
      ({ callee, args, start, end }) => ({ callee, at: { start, end }, args }),
    );
    for (const { kind, attributes } of facts.render)
      if (kind === 'element')
        for (const { value } of attributes)
          if (value.kind === 'identity' || value.kind === 'member')
            called.push({ callee: value, at: value, args: [] });
    for (const { callee, at, args } of called) {
      const from = this.builder.values.sources(frame, callee).filter((one) => this.isConsumed(one));
      if (!from.length) continue;
      const place = { file, start: at.start, end: at.end };
      for (const callable of this.builder.callables.of(frame, callee))
        for (const { node, how, put } of callable.kind === 'emitter'
          ? this.builder.effects.ofCall(frame, callable, args, place)
          : this.builder.effects.of(callable, place))
          for (const one of from)
            this.builder.addEdge(one.node, node, place, {
              how: 'call',
              take: one.take,
              put: how === 'write' ? put : [...put, RAISED],
            });
    }
  }

  private isConsumed({ node }: Source): boolean {
    const { channel, provides } = this.flow.nodes[node]!;
    return channel === 'context' && !provides;
  }
}
