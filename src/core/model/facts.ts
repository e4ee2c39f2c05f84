/**
 * What a reader says about one file. The vocabulary knows no framework: where frameworks differ, the
 * difference is a fact of its own (see Traits). Facts are plain data; offsets are UTF-16 code units.
 */
import type {
  AttributeFact,
  ChoiceFact,
  ConsumeFact,
  EmitFact,
  ExprFact,
  FunctionFact,
  ProvideFact,
  ReadFact,
  RenderFact,
  SelectorFact,
  Span,
  SymbolFact,
  Where,
  WriteFact,
} from './code';
import type { PartFact } from './parts';
import type { TypeDecl, TypeExpr } from './types';

export type * from './code';

export type Language =
  'react' | 'vue' | 'svelte' | 'angular' | 'stencil' | 'razor' | 'sheet' | 'html' | 'script';

export interface FileFacts {
  path: string;
  language: Language;
  problem?: Problem;
  /** Pieces of it, or of its parts, that were not understood; all else holds. */
  flaws?: (Problem & { path: string })[];
  /** Other files that its components are written in. */
  parts?: PartFact[];
  imports: ImportFact[];
  exports: ExportFact[];
  types: TypeDecl[];
  values: ValueFact[];
  components: ComponentFacts[];
  /** Module-level names that the file uses otherwise than by rendering or exporting them. */
  mentions: string[];
  /** Names read from the props of elements that somebody else made, `child.props.label`, or from props that are compared. */
  elementReads: string[];
  /** Names that its code reads of other things than the class that they stand in. */
  memberReads?: string[];
  /** Names of events that its code listens for by a call. */
  heardNames?: string[];
  /** Names of events that its code makes for elements of the page: `new CustomEvent('gust')`. */
  madeEvents?: string[];
  /** Methods that raise an event in another component, which they find, under the name that they are given. */
  eventCarriers?: string[];
  /** Texts that its code calls methods of its own instance with, beside something else. */
  carriedTexts?: { method: string; texts: string[] }[];
  /** The file mounts components as roots of a page. */
  mounts: boolean;
  /** Ids that its markup or its code gives to elements. */
  ids: string[];
  /** Modules that its code loads while it runs. */
  loads?: LoadFact[];
  /** Names that it gives to every component of an app; `*` if it may give any. */
  globalNames?: string[];
  /** Members that are assigned to components or values, by the names in the file: `Menu.Item = MenuItem`. */
  statics?: { owner: string; member: string; value: string }[];
  /** Functions that take a component and give back one that renders it with its props. */
  wrappers?: WrapperFact[];
  /** Functions that make a component of what they are given, by their names, with the component that is written in them. */
  makers?: { name: string; component: number }[];
  /** Functions that make contexts, with what provides and consumes them. */
  factories?: FactoryFact[];
  /** What parts of stores do when something of elsewhere is called. */
  answers?: AnswerFact[];
  /** Parts of an app's store that it declares, and tables of functions for such. */
  store?: { parts: StorePartFact[]; tables: StoreTableFact[] };
  /** Components that it registers for the whole app, by the name that tags use. */
  registers?: RegisterFact[];
  /** Its types are known in all files by their names alone; of several, the nearest is meant. */
  ambient?: true;
  /** Names of components that are written in it, too, so that not all of them is known. */
  opens?: string[];
  /** Spaces of names that it declares, and those that it says it uses, where the language has such; the framework's left out. */
  spaces?: string[];
  uses?: string[];
  /** Spaces whose names it writes alone, the framework's left out. */
  sees?: string[];
  /** What it says of spaces holds for all files of its folder. */
  ofFolder?: true;
  /** What it adds to whole apps, by the names in the file; `?` for what has none. */
  plugins?: string[];
  /** It is a page that loads scripts. */
  page?: boolean;
  /** Its component is the page itself, if any tag of it means an element of the project. */
  ownPage?: true;
  /** Values that bring components into scope together. */
  bundles?: BundleFact[];
  silences: SilenceFact[];
}

/** What some markup may place. */
export interface ScopeFact {
  /** Tags with a dash may be elements that somebody else defines. */
  custom?: true;
  /** Components, lists of them and bundles, by their names in the file. */
  names: string[];
  /** More may be in scope, which no name says. */
  open?: boolean;
}

/** A value that brings components into scope together. */
export interface BundleFact {
  /** The value's name in the file. */
  name: string;
  /** Components whose markup has the bundle's scope. */
  declares: ScopeFact;
  /** What they may place besides each other. */
  takes: ScopeFact;
  /** What comes into the scope of others that take it. */
  gives: ScopeFact;
  /** The table of routes that comes with it, or another bundle that has one, by the name in the file. */
  table?: string;
}

/** Something that stands on every tag of a component, and takes only what is handed through. */
export interface HostDirectiveFact {
  /** Its name in the file. */
  name: string;
  /** Names that tags may write, and the ports that these mean; events with their mark. */
  exposes: Record<string, string>;
}

/** A listener that is no attribute of a tag. */
export interface HearsFact extends Span {
  event: string;
  /** The method that is called. */
  symbol: number;
  /** On what: its own tag, if absent. */
  on?: 'window' | 'document' | 'body';
}

export interface OrphanFact extends Span {
  /** The member that is named. */
  name: string;
  /** The port that is declared so. */
  port: string;
  channel: 'prop' | 'event';
  known: string[];
}

/** A handle that is found by what it is put on, and not by a name that is written there. */
export interface QueryFact {
  /** The handle. */
  symbol: number;
  /** The component that is looked for, by its name in the file. */
  component: string;
  /** It is looked for in what call sites nest in the component, not in its own markup. */
  nested?: boolean;
}

/**
 * What is registered for a whole app: one component by a name, all members of a value by their keys (`?` for one without a
 * name), or all files that a pattern of paths means, by their own names.
 */
export type RegisterFact =
  /** `near`: of several, the one that lies nearest is meant. `element`: it is an element of the page, for all markup there. */
  | { name: string; local: string; near?: true; element?: true }
  /** By its own name. */
  | { itself: string }
  | { all: string }
  | { glob: string };

/** When a function is called, or something is told, a part of a store changes, too. */
export interface AnswerFact {
  /** The function, by its name in the file. */
  action?: string;
  /** The key of what is told. */
  key?: string;
  /** What changes the part, by the symbol of the file's own code, or by a name that it imports. */
  does: string;
}

export interface LoadFact {
  from: string;
  /** It is a pattern of paths. */
  glob?: boolean;
}

/** Why a file was not understood, and where. */
export interface Problem {
  message: string;
  line: number;
  column: number;
}

export interface ImportFact extends Span {
  local: string;
  /** The exported name; `default`, or `*` for the whole module. */
  name: string;
  from: string;
  typeOnly?: boolean;
  /** It stands nowhere: a build may bring the name into scope. */
  brought?: true;
  /** store: it is called with a function that picks a part of what the app's store keeps. */
  asks?: 'store';
}

export interface ExportFact extends Span {
  /** The public name; `*` for all names of `from`. */
  name: string;
  local?: string;
  from?: string;
  /** The name in `from`. */
  source?: string;
}

/** A module-level value that other code may use. Where it is state, the file's own code has a symbol for it. */
export interface ValueFact extends Span {
  name: string;
  kind: 'component' | 'alias' | 'context' | 'function' | 'object' | 'value' | 'external';
  /** Index of the component in the file. */
  component?: number;
  /** alias: the name in this file that it stands for, or a module loaded on demand. */
  alias?: string;
  lazy?: { from: string; name: string };
  /**
   * external: the function that made it, by its name in this file, the name of the component that it was given, and
   * the way to it in what was made; without names where they are none. Values that one call made share its place.
   */
  madeBy?: { name?: string; of?: string; path?: string[]; at?: number };
  /** Names of the file that it is chosen among. */
  oneOf?: ChoiceFact[];
  /** function: what it gives back, where that is chosen among names of the file. */
  gives?: ChoiceFact[];
  /** Members by the name in this file that they stand for; those of members by both names, with a dot. */
  members?: Record<string, string>;
  /** object: what it takes the members of besides, by their names in the file. */
  spreads?: string[];
  type?: TypeExpr;
  /** object: options that components take over, read as the component of this index. */
  mixin?: number;
  /** function: it makes a component of the options that it is given, and adds nothing. */
  defines?: true;
  /** context: the value that a consumer gets without a provider. */
  fallback?: ExprFact;
  /** context: the name it is known by, for a key that is a string. */
  key?: string;
}

/** A function that makes keys or components of its own at each call, and what it gives back. */
export interface FactoryFact {
  /** The function's name in the file. */
  name: string;
  /** Names of the keys inside of it. */
  keys: string[];
  /** What stands at which place of the result: a component or a hook of the file, or a key. */
  gives: { path: string[]; component?: number; key?: string }[];
}

export interface WrapperFact {
  /** The function's name in the file. */
  name: string;
  /** Props that it hands over of its own accord. */
  supplies: string[];
  /** Props that it takes for itself. */
  takes: string[];
  /** It comes from elsewhere, and may hand over anything of its own accord. */
  open?: boolean;
  /** The component that it makes, among those of the file, and where that draws the one that it is given. */
  draws?: { component: number; node: number };
}

export interface SilenceFact extends Span {
  rules: string[];
  reason: string;
  /** Offset of the first code after the comment, and of the end of that line. */
  before: number;
  line: number;
}

/** Where a framework differs, as facts about a component. */
export interface Traits {
  /** A callback handed in as a prop is how events are heard. */
  callbackProps: boolean;
  /** `onpick` is such a callback, too. */
  lowerCallbacks?: boolean;
  /** Attributes that the component does not declare land on its outermost element. */
  attributesFallThrough: boolean;
  /** From this version of the framework on, so do listeners, and hear the page's events. */
  listenersFallThroughFrom?: number;
  /** Listeners for events with names of their own are written one by one: no spread carries any. */
  listenersWritten?: boolean;
  /** What a ref to the component reaches. */
  refExposes: 'nothing' | 'listed' | 'everything';
  /** The name of a handle stands for what it holds, and for no box that holds it. */
  handlesHold?: boolean;
  /** From this version of the framework on, a ref is a prop like any other. */
  refIsPropFrom?: number;
  /** An attribute's text runs when the event happens, so a call in it is no early call. */
  statementHandlers: boolean;
  /** A name that stands for an input is the input, and no copy of it. */
  inputsAreNames?: boolean;
  /** Writing to an input is permitted. */
  inputsWritable: boolean;
  /** An input that may be a boolean is false where it is left out. */
  castsBooleans?: boolean;
  /** What is reachable through an input is shared: the owner sees what is written there. */
  inputsShared?: boolean;
  /** Content nested in a call site arrives as this port. */
  contentPort: string;
  /** Any variable of a component counts as state, also one that never changes. */
  plainState?: boolean;
  /** Tags are matched by selectors, among what is in scope. */
  bySelectors?: boolean;
  /** What content may ask for is what stands around it where it is written, and not where it is drawn. */
  contextWritten?: boolean;
  /** Its tag is an element of the page, too, at which the page's events arrive. */
  isElement?: boolean;
  /** Text that is handed to a number or a boolean is made one. */
  convertsText?: boolean;
  /** A function that is handed over is there to hear something. */
  functionsHear?: boolean;
  /** A function is called with as many arguments as it has parameters, or not at all. */
  exactCalls?: boolean;
  /** The port of the event that tells of a change of an input, with `*` for the input's name; `@update:*` if absent. */
  updateEvent?: string;
  /** What the loose code of a file provides, itself or through functions, is there for the whole app. */
  looseProvides?: boolean;
  /** A provided context is compared by identity to decide who is drawn again. */
  contextByIdentity: boolean;
  /** Context may be provided and consumed only while drawing or setting up. */
  contextAtSetup: boolean;
}

/** A value that arrives at a port from outside, as the component's own code would write it. */
export interface FeedFact {
  port: string;
  value: ExprFact;
}

/** A type parameter of a component. */
export interface TypeParamFact {
  name: string;
  /** What it must be, if that is written. */
  extends?: TypeExpr;
  /** Tags may write it as an attribute. */
  asAttribute?: true;
}

export interface ComponentFacts extends Span {
  name: string;
  /** Where the name is written; line 1 of the file if nowhere. */
  nameStart: number;
  nameEnd: number;
  /**
   * helper: a hook, composable or plain function that draws; its state belongs to the caller.
   * module: the loose code of a file, which may mount components or put them into route tables.
   */
  role: 'component' | 'helper' | 'module';
  traits: Traits;
  /** The type of all inputs together, if one is written. */
  propsType?: TypeExpr;
  ports: PortFact[];
  typeParams?: TypeParamFact[];
  /** A router draws it by its address. */
  routed?: boolean;
  /** The props object is used whole, so that any name may be read. */
  openProps: boolean;
  /** An unknown wrapper stands between its call sites and what it takes. */
  wrapped: boolean;
  /** It is handed on as a value, so that it may get props that no call site writes. */
  injected: boolean;
  /** Some of its defaults are not written here, so that any prop may have one. */
  openDefaults?: boolean;
  /** A method of its own brings its state up to date when its props change. */
  renewsState?: boolean;
  /** It stands in a function of the project that makes it anew at each call. */
  copy?: boolean;
  /** It only provides a context that a function of the project made, as the context's own provider does. */
  provider?: boolean;
  /** Names beyond its own that are written on its tag go nowhere. */
  dropsOthers?: true;
  /** Its object is handed to code that may use any member of it. */
  handsItselfOn?: boolean;
  /** It keeps events of the page from those around it. */
  stopsEvents?: boolean;
  /** It adds props to elements that it is given. */
  clones?: boolean;
  /** What it adds to content that it is given under a name. */
  adds?: { port: string; attributes: AttributeFact[] }[];
  symbols: SymbolFact[];
  functions: FunctionFact[];
  reads: ReadFact[];
  writes: WriteFact[];
  emits: EmitFact[];
  provides: ProvideFact[];
  consumes: ConsumeFact[];
  /** Calls that provide or ask for something, where that may be too late. */
  timed?: TimedFact[];
  render: RenderFact[];
  /** helper: what it gives back. */
  result?: ExprFact;
  /** helper: it is a list of these names. */
  list?: string[];
  /** helper: it is set up once, and all its callers get the same. */
  single?: boolean;
  /** Functions and components of modules that it calls by name, hooks among them. */
  calls: PlainCallFact[];
  /** Calls of what values hold: a function that a hook gave back, a member of a context, a method of a store. */
  invokes?: InvokeFact[];
  /** What is reached through a ref to it, by the port that takes the ref. */
  exposes?: ExposesFact[];
  /** Content that is drawn elsewhere on the page, where the place is a constant. */
  portals?: PortalFact[];
  /** What it is handed by what wraps it, where no call site writes it. */
  feeds?: FeedFact[];
  /** Fields of module-level objects that it writes. */
  sharedWrites?: SharedWriteFact[];
  /** module: it keeps nothing itself; its functions call what they are given, or may read or change what other modules keep. */
  handsOn?: 'given' | 'kept';
  /** Its code tells something that parts of stores may answer. */
  tells?: true;
  /** Symbols of what it declares by name beside its props, in the namespace in which these are found, too. */
  namespace?: number[];
  /** What its file imports is found there as well. */
  findsImports?: true;
  /** Other declarations in its own scope under the name of a prop. */
  clashes?: ClashFact[];
  /** It may raise events that no text of it names. */
  openEmits?: boolean;
  /** options to take over: so may whoever takes them over. */
  raisesAny?: true;
  /** It may place slots that no text of it names. */
  openSlots?: boolean;
  /** Objects of options that it takes over, by their names in the file. */
  mixins?: string[];
  /** Tables of inputs that several share, which it takes over as its own, by their names in the file. */
  tables?: string[];
  /** It is such a table itself, and nothing else. */
  isTable?: true;
  /** The prop and the event that a two-way binding without a name means. */
  model?: { prop: string; event: string };
  /** It takes whatever is provided above it, under any key. */
  readsAllContexts?: boolean;
  /** Links to the components around it that are followed further: `$parent.$parent`, with the names on the way. */
  climbs?: (Span & { names: string[] })[];
  /**
   * Names that its template uses, and that nothing in sight declares; `ofBase`: they may be those of members of a base, and
   * are only wrong if they are nearly called as one.
   */
  unknownNames?: (Span & { name: string; known: string[]; orType?: true; ofBase?: true })[];
  /**
   * Name of the class that it extends, where that is no class of the framework; whether type arguments are given to it,
   * and whether it is no class, but options that extend others.
   */
  extends?: Span & { name: string; given?: true; options?: true; args?: TypeExpr[] };
  /** Name of the class that it extends, where what that declares is joined otherwise than by `extends`. */
  heirOf?: Span & { name: string; args?: TypeExpr[] };
  /** The function, not of the framework, that makes it of its options. */
  definedBy?: string;
  /** Which of its class's own type parameters is the type of all inputs together. */
  propsParam?: number;
  /** It stands on every tag in whose scope it is and that one of these matches. */
  selectors?: SelectorFact[];
  /** It gives itself to code that is seen, and that may use whatever members are named there. */
  givesItself?: true;
  /** module: it draws a page in its layout, wherever pages are drawn. */
  framesPage?: true;
  /** Its element takes part in forms, which know it by its name. */
  ofForms?: true;
  /** It has no markup of its own: several may stand on one tag, beside a component. */
  attached?: boolean;
  /** What its markup may place, unless a bundle declares it. */
  scope?: ScopeFact;
  queries?: QueryFact[];
  /** Classes, by their names in the file, of what it looks for in its content. */
  asksContent?: string[];
  /** Events that it hears at its own tag, or on the page. */
  hears?: HearsFact[];
  /** What it draws is closed off from what is around: only some events get out. */
  closed?: boolean;
  /** What stands on its tag together with it. */
  hostDirectives?: HostDirectiveFact[];
  /** Markup applies it to values, by a name: what it makes of them, as a function. */
  filter?: { name: string; type?: TypeExpr };
  /** What the markup applies to values, by its names. */
  filters?: (Span & { name: string })[];
  /** Names under which it hands itself to handles on the tag that it stands on. */
  exportAs?: string[];
  /** Ports that are declared by a text which names no member of the class. */
  orphans?: OrphanFact[];
}

export interface TimedFact extends Span {
  key: string;
  does: 'provides' | 'consumes';
  where: Where;
  fn: number;
  /** It stands after a point at which the set-up waits. */
  awaited?: true;
}

export interface ExposesFact {
  /** The port that takes the ref. */
  port: string;
  members: ExposedFact[];
  /** The object that holds them, where it is written out; otherwise they are known by their names. */
  value?: ExprFact;
  /** It is an element of the page, with all that such have. */
  elements?: boolean;
  /** Members that the framework gives to everything of its kind. */
  always?: string[];
  /** Other members may be there. */
  open?: boolean;
}

export interface ExposedFact extends Span {
  name: string;
  /** It is a function that gives a handle of the component away. */
  handle?: boolean;
}

export interface PortalFact extends Span {
  /** The id that its target must have. */
  id: string;
}

/** A table of functions by name, in the loose code of a file, that belong to a part of an app's store. */
export interface StoreTableFact {
  /** The value that it is; empty for what a file exports together, made up for one that is written in place. */
  name: string;
  /** By the names that they are called by, or keys. */
  functions: { name: string; fn: number }[];
}

/** A part of an app's store: what it keeps, what it derives from that, and the functions that change it. */
export interface StorePartFact {
  /** As for tables. */
  name: string;
  /** It is a whole store, or is put into it while the app runs. */
  root?: true;
  /** The names of its functions are known under its own. */
  namespaced?: true;
  /** What it keeps: a symbol of the file's loose code. */
  state?: number;
  /** Its tables, by their names in the file. */
  tables: { getters: string[]; commit: string[]; dispatch: string[] };
  /** Parts in it, by their names in the file; `from` names a table of parts. */
  parts: ({ as: string; name: string } | { from: string })[];
}

export interface SharedWriteFact extends Span {
  /** The name of the object in the file. */
  name: string;
  path: string[];
  value?: ExprFact;
  /** It is told to whoever hears it, and replaces nothing. */
  told?: true;
  where: Where;
  fn: number;
}

export interface ClashFact extends Span {
  prop: string;
}

export interface PlainCallFact extends Span {
  name: string;
  /** What it is given, where it is called as a hook. */
  args?: ExprFact[];
  /** An object is made of it: `new Fleet()`. */
  made?: boolean;
  /** It is made for the component alone, whoever else keeps one for all. */
  own?: boolean;
  where: Where;
  fn: number;
}

export interface InvokeFact extends Span {
  callee: ExprFact;
  args: ExprFact[];
  where: Where;
  fn: number;
  /** What its result is worked out of, as far as anybody knows who does not know the function: symbols, and other calls. */
  beside?: number[];
  calls?: number[];
  asks?: number[];
  /** Its index in the calls of helpers, where it is one. */
  helper?: number;
  /** From this argument on it is given what lists hold, so that nobody knows the places of what is in them. */
  spread?: number;
}

export type Channel = 'prop' | 'event' | 'slot' | 'context' | 'ref' | 'portal' | 'state' | 'local';

/** An input, event or slot that the component's own code declares or takes. */
export interface PortFact extends Span {
  /**
   * The public name. Where events and slots have names of their own beside those of the props, an event's starts
   * with `@` and a slot's with `#`.
   */
  name: string;
  channel: 'prop' | 'event' | 'slot';
  /** The member of the class that holds it, where that has another name. */
  member?: string;
  /** default: only a default value names it. guess: it is a port only if the written type has it. */
  declared: 'list' | 'destructured' | 'read' | 'outlet' | 'default' | 'guess';
  required?: boolean;
  /** It only tells what becomes of an input, and comes with that: nobody has to listen. */
  implied?: boolean;
  /** The event goes on upwards from the tag; `composed`: out of components that close themselves off, too. */
  rises?: { composed: boolean };
  /** prop: the component may write it. */
  writable?: boolean;
  /** The name of the attribute that stands for it, as names in code are written. */
  attribute?: string;
  /** Its type says that it is always there, though nothing sees to that. */
  expected?: boolean;
  type?: TypeExpr;
  default?: ExprFact;
  /** class: the default comes from an object of defaults beside the component. */
  defaultIn?: 'class';
}
