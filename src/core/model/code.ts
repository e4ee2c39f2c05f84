/** Facts about the code of a component: its symbols, expressions and functions, and what it draws. */
import type { TypeExpr } from './types';

export interface Span {
  start: number;
  end: number;
}

export interface SymbolFact extends Span {
  name: string;
  kind:
    | 'prop'
    | 'bag'
    | 'rest'
    | 'state'
    | 'setter'
    | 'derived'
    | 'handler'
    | 'loop'
    | 'param'
    | 'injected'
    | 'ref'
    | 'shared'
    /** A member of what the component takes over, by its name. */
    | 'inherited'
    /** A name of a component or helper that this one is declared in. */
    | 'captured'
    | 'module';
  /** prop: the public name of the port. shared: a value of a module, by its name in the file. inherited: the member. */
  port?: string;
  /** captured: whose name it is, by its index among the components of the file, and which of its symbols. */
  outer?: { component: number; symbol: number };
  /** shared: it is the app's store, or what a way leads to in it. */
  store?: StoreAsk;
  /** setter: its state. loop: what it runs over. */
  of?: number;
  /** setter: its state may become anything, whatever it starts with. */
  untyped?: true;
  /** setter: it writes the members that it is given, and leaves the others. */
  merges?: boolean;
  /** setter: the function that works out what comes next, from what there is and what the setter is given. */
  by?: ExprFact;
  /** rest, param: the names that were taken out before. */
  except?: string[];
  /** The value it starts from, or is derived from. */
  init?: ExprFact;
  type?: TypeExpr;
  /** handler: index of its function. */
  fn?: number;
  /**
   * module: what stands there, or in the member that the way leads to, raises the event of the component with whose name it
   * is called, and with what that carries.
   */
  raises?: string[];
  /** param: the function whose parameter it is a part of, -1 for the component's own, and the way to it. */
  within?: number;
  path?: string[];
  /** param: it is given all that comes from its place on. */
  rest?: true;
  /** ref: it starts empty, to be filled by what it is attached to. */
  empty?: boolean;
  /** ref: it is filled when the functions run that the framework calls first. */
  soon?: true;
  /** ref: the tag that it is put on declares it, and it is known around that tag alone. */
  ofTag?: true;
  /** ref: it is one only if this is a component. */
  handleOf?: string;
  /** The same at every render: memoised, or kept outside. */
  stable?: boolean;
  /** Of a module: a function brings it up to date that has this name in the file. */
  keptBy?: string;
  /** loop, param: place in the parameter list. */
  index?: number;
  /** In the loose code of a module: a function of it declares it, so that each call has its own. */
  inner?: true;
  /**
   * state: it is kept in something that is handed over as such, and set by whoever has that: one value in a store or a signal,
   * the fields of a form.
   */
  boxed?: 'value' | 'fields';
}

/** What is asked of the app's store: its states, what is derived from them, and what changes them. */
export interface StoreAsk {
  /** The way into it: `state`, `getters`, `commit` or `dispatch`, and what follows. */
  path: string[];
  /** The table of functions that asks, where names are those of the part that has the table. */
  of?: string;
  /** What changes it is called with what it is given, and not with its own name before that. */
  bare?: true;
}

export type Where =
  'text' | 'attribute' | 'condition' | 'handler' | 'effect' | 'derivation' | 'emit' | 'provide' | 'argument';

/** An expression, as far as the audit needs it. */
export interface ExprFact extends Span {
  kind: 'identity' | 'member' | 'literal' | 'function' | 'object' | 'array' | 'content' | 'call' | 'computed';
  /** identity, member, call: the symbol it is, starts from, or calls. */
  symbol?: number;
  path?: string[];
  /** Symbols whose values flow into it. */
  uses?: number[];
  /** Which of the calls that the code makes it is the result of, by its index in `invokes`, or the member of that at `path`. */
  call?: number;
  /** Calls that it is worked out of, by their index in `invokes`. */
  calls?: number[];
  /** Calls in functions that it is worked out by, for each of several: what they give back of what is kept is a part of it. */
  asks?: number[];
  /** Of what it uses, what flows into it beside the results of its calls; absent where there are none: then all of it does. */
  beside?: number[];
  type?: TypeExpr;
  /** function: index in the component's functions. */
  fn?: number;
  /** call: what is called, where that is a value which holds a function. */
  callee?: ExprFact;
  /** call: functions that what it gives calls in its own time: `debounce(save)`. */
  wraps?: ExprFact[];
  /** Of the arguments of what it wraps, so many come first and are given already: `save.bind(null, id)`. */
  bound?: number;
  /** computed: the function that is called with what is written to it. */
  sets?: number;
  /**
   * object: members that are known; `open` if there are others, `spreads` where these come from. An array is open if others
   * are spread into it, so that the place of an element is not known; these are no elements then.
   */
  members?: MemberFact[];
  open?: boolean;
  spreads?: ExprFact[];
  /** object: values under names that the code works out, each with what gives its name, where that is a value itself. */
  others?: (ExprFact & { under?: ExprFact })[];
  /** computed: the member of a value whose name a parameter gives: `form[key]`. */
  picks?: { of: ExprFact; under: ExprFact };
  /** computed: it is an entry of this list, or each in turn. */
  entryOf?: ExprFact;
  /** computed: the same, or a member of an entry (`path`); `at` which one, where the code says so. */
  entry?: { of: ExprFact; at?: string };
  /** computed: a list of entries of this one. */
  lists?: ExprFact;
  /** computed: a list with one for each that something else holds: what this function gives back. */
  each?: number;
  /** identity, member: it is what a store of that name holds, or a member of that: `$wind`. */
  ofStore?: true;
  /** literal: the text, where that may be a name. */
  text?: string;
  /** object: the key under which it tells something, as its `type` says: `{ type: 'raise', by: 4 }`. */
  told?: string;
  /** What a function gives back only where it is told something under one of these keys. */
  onlyFor?: string[];
  /** Members that were taken out of it before: the rest of an object. */
  without?: string[];
  /** It is one of these: the arms of a condition, or what a function gives back that it is worked out by. */
  gives?: ExprFact[];
  /** What it draws where it is placed: the outermost render nodes, and what calls may draw. */
  content?: (number | DrawnFact | ShownFact)[];
  /** member: it is called without anything, so that it is the value itself, or what a function there gives back. */
  called?: boolean;
  /** It is the same each time as long as what it depends on is. */
  stable?: true;
  /** call: it gives a list that is made anew. */
  fresh?: 'array';
  /** array: its elements, where they matter. */
  elements?: ExprFact[];
  /** What a helper gave back, or a part of it: the call, by its index, and the way to the part. */
  from?: { call: number; path: string[] };
  /** A component handed over as a value, by its name in the file. */
  component?: string;
}

/** What a function or hook of the project gives back to be drawn: the call, by its index, and the way to the part. */
export interface DrawnFact {
  call: number;
  path?: string[];
}

/** What the component was handed is called, and may give back something to be drawn: the call, by its index in `emits`. */
export interface ShownFact {
  emit: number;
}

export interface MemberFact extends Span {
  name: string;
  value: ExprFact;
}

export interface FunctionFact extends Span {
  /** The function that it is written in, or -1. */
  parent: number;
  where: 'handler' | 'effect' | 'derivation';
  params: number[];
  /** Symbols that it calls: handlers, setters, callbacks. */
  calls: number[];
  /** Names that its first parameter is taken apart into; `rest` if it takes the others too. */
  takes?: { names: (Span & { name: string })[]; rest: boolean };
  /** What it gives back: one of these. */
  gives?: ExprFact[];
  /** It takes what it is given as a list, whatever its parameters: `arguments`. */
  takesAll?: true;
  /** What it is called with by its name, call by call. */
  given?: ExprFact[][];
  /** What it is called with reaches its first parameter as this member of an object. */
  boxed?: string[];
  /** The framework calls it once, before the component is first drawn. */
  first?: true;
  /** It runs whenever this input is handed in; `true`: whenever any is. */
  onInput?: string | true;
  /** It only calls this symbol, with its own parameters as they are (or with other arguments: `bound`). */
  sole?: { symbol: number; bound: boolean };
}

export interface ReadFact extends Span {
  symbol: number;
  path?: string[];
  /** Where each name of the path ends, for handles and parameters. */
  ends?: number[];
  /** Read so that an absent value does no harm: `x?.y`. */
  soft?: boolean;
  where: Where;
  fn: number;
  /** Of what draws something: the arms of conditions that it is placed in. */
  arms?: string[];
}

/** A key that the code gives by a name of the file begins so: what the name stands for is known when files are linked. */
export const NAMED_KEY = '=';

/** What a function brings up to date is known by the function's name, and this. */
export const KEPT_BY = '#kept';

/** What is called where something is told to whoever answers it by its key: `{ type: 'line/hold', by: 4 }`. */
export const TOLD = '#on:';

/** In the way to what is written: a member whose name the code works out. */
export const ANY_MEMBER = '[]';

export interface WriteFact extends Span {
  symbol: number;
  path?: string[];
  value?: ExprFact;
  where: Where;
  fn: number;
  /** What gives the last name of the path, where the code works that out. */
  under?: ExprFact;
  /** The setter that it is written by, where that has a function to work it out. */
  setter?: number;
  /** Something reachable through the symbol is changed, not a copy of it; `method` names what changes it. */
  through?: { method?: string };
  /**
   * What is written is held by what the symbol stands for: surely, where the code says what that holds (`$wind = 3`); by a
   * method that a store has, only if it is one (`wind.set(3)`).
   */
  held?: 'surely' | 'maybe';
}

export interface EmitFact extends Span {
  /** The callback prop that is called, or -1 where the event is only a name. */
  symbol: number;
  event: string;
  args: ExprFact[];
  fn: number;
  guarded: boolean;
  /** Nothing is done with what it gives back. */
  idle?: true;
  /** called here, given to a plain element as its listener, or handed to code that may call it */
  how: 'called' | 'listener' | 'handed';
}

/** The key of a value that is provided: a value of its own, a text, or the type of what is provided. */
export type KeyFact =
  /** By its name in the file: what was made as a key, or a class. */
  | { name: string }
  /** It means the same in all files of a package. */
  | { text: string }
  /**
   * Whoever asks for this type gets it; `shown` is the type as people read it. What an app makes of a class for all is asked
   * for otherwise than what is provided further up.
   */
  | { type: TypeExpr; shown: string; service?: true };

export interface ProvideFact extends Span {
  key: KeyFact;
  keyStart: number;
  keyEnd: number;
  value?: ExprFact;
  node: number;
  where: Where | 'setup';
  /** It is there for the component itself, too; `host`: and for what stands on the same tag or is nested in it. */
  at?: 'host' | 'view';
  /** What is provided says so itself, for all. */
  itself?: true;
  /** Nobody has to ask for it. */
  implied?: true;
  /** What is provided is the component, with all of its members. */
  self?: true;
  /** One of many that are provided under the key, all of which arrive as a list. */
  many?: true;
}

export interface ConsumeFact extends Span {
  key: KeyFact;
  symbol: number;
  where: Where | 'setup';
  fn: number;
  /** When set-up is over, for sure. */
  late?: boolean;
  /** own: only what is provided at the same tag counts; above: only what is provided further up. */
  from?: 'own' | 'above';
  /** throws: a missing value is refused; handled: the code goes on without one; bare: neither. */
  missing: 'throws' | 'handled' | 'bare';
}

/** One of several things that a value may be. */
export interface ChoiceFact {
  /** The name of the module, or of a member of one. */
  name: string;
  /** It is not what bears the name, but any member of it, or what it gives back when called. */
  of?: 'members' | 'result';
  /** The way from there to the value. */
  path?: string[];
  /** It may be registered for the whole app under this name. */
  global?: string;
  /** It counts only where nothing else is handed in. */
  spare?: boolean;
  /** The name is an export of this module, which is loaded while the app runs. */
  loads?: string;
}

/** What a tag names. */
export interface TagFact extends Span {
  /** As written: `FareCard`, `Menu.Item`, `div`. */
  name: string;
  /** A value of the component itself (dynamic tag), if it is no module-level name. */
  symbol?: number;
  /** A component declared inside another function of the file: its index in the file. */
  component?: number;
  /** What holds the component, where that is more than the symbol. */
  held?: ExprFact;
  /** No binding of that name is in sight. */
  unbound?: boolean;
  /** It is what a function around the component was given or keeps. */
  outer?: boolean;
  /** What the tag is chosen among; all of it is given the same. */
  choices?: ChoiceFact[];
  /** It may be something else, too: of the choices, not all are known. */
  openChoice?: boolean;
  /** It may be (or is, where there are no choices) a plain element. */
  plain?: boolean;
  /** It may be registered for the whole app under this name. */
  global?: string;
  /** What is written before that name: the space in which it lies, or the end of that. */
  space?: string;
  /** It is one only if a component of the project bears the name: a type in code that may be anything. */
  guess?: true;
  /** It is any of what is registered for the whole app under this name. */
  each?: string;
}

/** What selectors look at on a tag: what is written on it, with the value where that is a text. */
export interface TaggedFact {
  tag: string;
  attributes: { name: string; value?: string }[];
  classes: string[];
}

/** What a tag must be like for a component to stand on it, or for content to fill a slot. */
export interface SelectorFact {
  tag?: string;
  /** Attributes that must be there, with the value that they must have, if any. */
  attributes: { name: string; value?: string }[];
  classes: string[];
  /** It must be like none of these. */
  not: SelectorFact[];
}

export interface RenderFact extends Span {
  /** group: what the class that is extended draws. */
  inherited?: true;
  kind: 'site' | 'element' | 'outlet' | 'group';
  /** The node in whose content it stands, or -1. */
  parent: number;
  /** It is handed to code that may draw it anywhere. */
  loose?: boolean;
  /** It stands in an object or a list, in which whoever gets that may find it, and hand it more. */
  among?: true;
  /** The function, by its name in the file, that is given an object in which it stands. */
  givenTo?: string;
  /** Which slot of the parent it fills; absent for plain nesting. */
  slot?: string;
  tag?: TagFact;
  attributes: AttributeFact[];
  /** Types that are written on the tag, each for a type parameter by its name or its place. */
  typeArgs?: { for: string | number; type: TypeExpr }[];
  /** group: what is drawn here was given back by a function or hook of the project. */
  drawn?: DrawnFact;
  /** outlet: the slot's public name. */
  outlet?: string;
  /** outlet: it takes only content that is like one of these. */
  takes?: SelectorFact[];
  /** outlet: what it is for outlets of others, in whose tag it stands. */
  marks?: TaggedFact;
  /** As content, it counts as something else than what it is: where that is written, and the slot that is meant. */
  standsAs?: TaggedFact & Span & { slot: string };
  outletSymbol?: number;
  /** Something else is shown where nothing fills it. */
  fallback?: boolean;
  /** The call that mounts it as the root of a tree of its own. */
  mounted?: Span;
  /** The condition that it stands under. */
  when?: Span;
  /** Call sites and outlets: the arms of conditions that they stand in, as condition and arm. */
  arms?: string[];
  /** It is drawn by a table of routes, by its name in the file, in the place that the node of the route around leaves. */
  route?: { table: string; below?: number };
  /** A table of routes is drawn here, by the name in the file of what holds it. */
  drawsTable?: string;
  /** It is drawn where what is mounted leaves room for routes, and not where it is written. */
  forApp?: true;
  /** What the routes below draw is placed here. */
  placesRoutes?: true;
  /** group: what is in it is drawn elsewhere on the page. */
  portal?: true;
  /** group: what is taken out of it is kept for when it comes again. */
  keeps?: true;
  /** The list that it is repeated for. */
  each?: Span;
  /** Content is nested in it. */
  nested?: boolean;
  /** It is no component if the one around it takes content of this name: it fills that, then. */
  orSlot?: true;
  /** It is an outlet if a base of the class takes content by that name, and only shows a value otherwise. */
  ifSlot?: true;
  /** Names by which the component around may look for it in its content, as slots. */
  knownAs?: (Span & { slot: string })[];
  /** Handles on what stands on it under a name that this hands itself out by. */
  exported?: (Span & { as: string; symbol: number })[];
  /** The only thing nested in it, where that is an expression (a render function, say). */
  only?: ExprFact;
  /** The tag is a variable or prop that holds a component, written in lower case and so a plain element. */
  lowercase?: LoweredFact;
}

export interface LoweredFact {
  /** The variable or prop, where the component's own code declares it. */
  symbol?: number;
  /** What it holds, by the names of the file. */
  choices?: ChoiceFact[];
  /** Names that the tag is given. */
  given: string[];
}

export type Spelling = 'dashed' | 'listener';

export interface AttributeFact extends Span {
  name: string;
  nameStart: number;
  nameEnd: number;
  mode: 'value' | 'spread' | 'listen' | 'two-way' | 'ref' | 'key';
  value: ExprFact;
  /** The value is a call whose result is handed over. */
  called?: CalledFact;
  /** What it is to a child that takes a text there: `value` is what it is as code. */
  text?: ExprFact;
  /** It is written as an attribute of the page, which nobody has to take. */
  plain?: boolean;
  /** How its name is written, where that is not the port's: `wind-speed` for `windSpeed`, `onLampLit` for `lampLit`. */
  spelled?: Spelling;
  /** The event that a two-way binding listens to, where that is not the one that is told from its name. */
  event?: string;
  /** What is handed over is used by name where it is written, so that handing it over may be by the way. */
  local?: boolean;
}

/** A call in the place of a handler: what is called, as far as it is known. */
export interface CalledFact {
  symbol?: number;
  module?: string;
  fn?: number;
}
