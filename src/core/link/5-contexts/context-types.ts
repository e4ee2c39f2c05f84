/** What is known of contexts: keys, who provides them, who consumes them, and what stands below whom. */
import type { ConsumeFact, ExprFact, ProvideFact, Span, ValueFact, Where } from '../../model/facts';
import type { Lazy, Place, Site } from '../../model/project';

export interface ContextKey {
  id: string;
  name: string;
  file: number;
  value: ValueFact;
  /** It is a component, or a class of which components get an object. */
  component?: number;
}

export interface Provider {
  component: number;
  node: number;
  key: ContextKey;
  place: Place;
  /** The file of the code that names the key, where that is another's than the component's. */
  writtenIn?: number;
  value: ExprFact | undefined;
  at?: ProvideFact['at'];
  /** One of many that arrive as a list. */
  many?: true;
  /** What it provides is the component, with all of its members. */
  itself?: true;
  /** Nobody wrote it down as provided, or has to ask for it. */
  implicit?: true;
  /** A helper provides it: the calls that lead to it, each by its index in the caller, and the value in its code. */
  inside?: { calls: number[]; value: ExprFact };
}

export interface Consumer {
  component: number;
  key: ContextKey;
  /** The consuming call in the component that is rendered. */
  place: Place;
  missing: ConsumeFact['missing'];
  where: Where | 'setup';
  /** How far it looks, where that is not all the way up. */
  from?: ConsumeFact['from'];
  /** What it says that it gets. */
  type?: Lazy;
}

/** A key that is imported by a name which its file does not export. */
export interface AbsentKey {
  component: number;
  name: string;
  place: Place;
  /** The file that lacks it. */
  file: number;
}

export interface Contexts {
  keys: ContextKey[];
  providers: Provider[];
  consumers: Consumer[];
  absent: AbsentKey[];
  /** Asked for by things that are there for everybody, and not provided for everybody; `provided` by some component. */
  unserved: (Consumer & { provided: boolean })[];
  /** What may be rendered below a provider, and not below another one of its key. */
  below(provider: Provider): Below;
  /** Whether some path from a root to the component provides the key, where a consumer in it looks. */
  providedSomewhere(component: number, key: ContextKey, from?: ConsumeFact['from']): boolean;
  /**
   * Call sites from a root down to the component along which nobody provides the key where a consumer in it looks; undefined
   * if none is known.
   */
  barePath(component: number, key: ContextKey, from?: ConsumeFact['from']): number[] | undefined;
  /** A consumer of the key goes on without a provider: any default but nothing is usable, one not written out may be. */
  hasDefault(key: ContextKey): boolean;
  /** The call that mounts what a call site stands in as a root of its own. */
  mountOf(site: Site): Span | undefined;
  /** The component may be rendered where nobody can see. */
  mayBeElsewhere(component: number): boolean;
  /** Whether something above a place in a component's render provides the key, on some path. */
  isBelowProvider(component: number, node: number, key: ContextKey): boolean;
}

export interface Below {
  components: Set<number>;
  /** Something that nobody here knows is rendered there, and may render more. */
  open: boolean;
}
