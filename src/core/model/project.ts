/** The linked project: what the rules, the trace and the splices read. */
import type {
  AttributeFact,
  Channel,
  ComponentFacts,
  ExprFact,
  FileFacts,
  RenderFact,
  Span,
  WrapperFact,
} from './facts';
import type { Moves } from './moves';
import type { TypeExpr } from './types';

/** A type with the place whose names it uses. */
export interface Lazy {
  type: TypeExpr;
  file: number;
  /** For types of a component's symbols. */
  component?: number;
  /** Meanings of type parameters. */
  args?: Map<string, Lazy>;
}

/** Offsets count through all texts of the file's unit; `located` says which file that is. */
export interface Place extends Span {
  file: number;
}

export interface Port {
  component: number;
  name: string;
  channel: 'prop' | 'event' | 'slot';
  /** The member of the class that holds it, where that has another name. */
  member?: string;
  /** The declared name; without a declaration, where the name is first used. */
  place: Place;
  /** It is part of a written declaration (type, list or destructuring), not only read. */
  declared: boolean;
  /** Where the type says its name, be it the type of several components. */
  declaredAt?: Place;
  /** Its type leaves open whether there is such a name: it is handed on by a spread, and nothing is said of it. */
  carried?: true;
  /** The declaration is a type that several components take their props from. */
  shared: boolean;
  /** It comes from a base type that other components take over too. */
  inherited: boolean;
  required: boolean;
  /** Its type says that it is always there, whatever default it has. */
  requiredByType: boolean;
  /** event: it goes on upwards from the tag. */
  rises?: { composed: boolean };
  /** prop: the component may write it. */
  writable?: boolean;
  /** Its type says so, and nothing sees to it. */
  expected?: boolean;
  /** It only tells what becomes of an input, and comes with that. */
  implied?: boolean;
  /** class: its default is an object of defaults beside the component. */
  defaultIn?: 'class';
  typed: boolean;
  type?: Lazy;
  /** Written in a file of its own, where it is taken over; without a text, where nobody wrote it. */
  default?: ExprFact & { file: number };
  symbol: number;
  node: number;
}

/** What the markup of a component may place by selectors. */
export interface MarkupScope {
  components: Component[];
  /** What it may apply to values, by the name that it does so. */
  filters: Map<string, Component>;
  /** Names that what comes from packages takes on tags; with a `|` before them, what it applies to values. */
  taken: Set<string>;
  /** Anything may be in scope. */
  open: boolean;
  /** Tags with a dash may be elements that somebody else defines. */
  custom: boolean;
}

export interface Component {
  id: number;
  file: number;
  name: string;
  facts: ComponentFacts;
  ports: Map<string, Port>;
  /** Names beyond the ports may be taken: an unknown base type, a rest, the props used whole. */
  open: boolean;
  /** Some written type of the props could not be resolved, so that required names may be missing. */
  unresolved: boolean;
  /** The alternatives of its props type, where that is a union: what each name must be, and whether it must be there. */
  variants?: Map<string, { required: boolean; type: Lazy }>[];
  /** Call sites of this component, by index in `sites`. */
  calledAt: number[];
  /** Call sites in this component's render. */
  sites: number[];
  /** The same by render node: several where the tag is chosen among components. */
  siteAt: Map<number, number[]>;
  /** Call sites that draw this component because it was handed in there, and those in this component's render, by node. */
  handedAt: number[];
  handedSites: Map<number, number[]>;
  /** What functions and hooks of the project draw here, by render node. */
  drawn: Map<number, Drawn[]>;
  /** Props may be handed in where no call site is written. */
  unknownSites: boolean;
  /** The settings say that it starts a tree. */
  root?: boolean;
  /** Somebody renders it, mentions it, or may from outside. */
  used: boolean;
  /** Values handed on as they are, to components known or not. */
  passes: Pass[];
  /** Props handed on whole. */
  spreads: Spread[];
  /** What it takes over as its own, the one that wins first. */
  mixins: Component[];
  /** Something that it takes over is not of the project. */
  openBase?: boolean;
  /** Something that stands on its tag with it is not of the project. */
  openHost?: boolean;
  /** Members that others may use of what its class makes. */
  reached?: Set<string>;
  /** What its markup may place, where that is found by selectors. */
  markup?: MarkupScope;
  /** Tags of such markup that nothing of the project answers to, and something of a package may. */
  foreignTags?: Set<number>;
  /** Node of the flow graph by symbol, or -1. */
  nodeOf: Int32Array;
}

/** What a function or hook of the project draws at a node of who uses it. */
export interface Drawn {
  helper: Component;
  /** The outermost nodes of it, in the helper's render. */
  nodes: number[];
  /** It is handed on, to be drawn where what stands at the node places this slot of its own. */
  slot?: string;
}

/** A symbol given to a component as it is. */
export interface Pass {
  symbol: number;
  node: number;
  attribute: number;
  /** The call site, or -1 where the component is not known. */
  site: number;
}

export interface Spread {
  except: string[];
  node: number;
  attribute: number;
  site: number;
  /** Spread onto a plain element, where every name is used. */
  element: boolean;
}

/** What stands between call sites and the component that they reach. */
export interface Wrapper extends Omit<WrapperFact, 'draws'> {
  /** The components of the project that do, the outermost first, and where each draws what it was given. */
  by?: { component: number; node: number }[];
}

export interface Site {
  id: number;
  owner: number;
  target: number;
  /** Index in the owner's render nodes. */
  node: number;
  fact: RenderFact;
  file: number;
  /** The component is reached through what a wrapper of the project made of it. */
  wrapper?: Wrapper;
  /** Something else may be drawn in its place, which nobody here knows. */
  open?: boolean;
  /** It is a default: other code may well hand in something else each time. */
  spare?: boolean;
  /** It stands on the tag together with others there, and not in their place. */
  together?: boolean;
  /** It came with a component: names on the tag that it takes. */
  exposes?: string[];
  /** The component is what these call sites of the owner hand in there. */
  handedBy?: number[];
  /** It stands in a wrapper: what it draws is what this call site reaches through that. */
  behind?: number;
}

export type How =
  | 'pass'
  | 'rename'
  | 'transform'
  | 'write'
  | 'emit'
  | 'listen'
  | 'provide'
  | 'consume'
  | 'fill'
  | 'attach'
  | 'call';

/** A port or a value of a component: one node of the flow graph. */
export interface FlowNode {
  id: number;
  component: number;
  channel: Channel;
  name: string;
  /** Symbol in the component's facts, or -1. */
  symbol: number;
  /** context: the key is provided here, not consumed. */
  provides?: boolean;
  /** context: the members that the consumer uses; absent where it uses the whole. */
  members?: string[];
  port?: Port;
  place: Place;
}

export interface FlowEdge {
  from: number;
  to: number;
  how: How;
  /** The call site that it crosses, or -1 inside a component. */
  site: number;
  /** Tells the uses of a call site apart that stands in a function of the project; by the site alone elsewhere. */
  call?: number | undefined;
  /** Over that call site: down into what is rendered, or out to the owner. */
  way?: 'in' | 'out' | undefined;
  /** The member of the source that is taken, and the member of the target that it becomes. */
  take?: string[] | undefined;
  put?: string[] | undefined;
  /** Members that it leaves behind. */
  without?: string[] | undefined;
  /** It carries what is worked out of the source, and not what that holds. */
  made?: boolean | undefined;
  /** Nobody carries it: what was handed in is changed, and whoever handed it in has the same thing. */
  inPlace?: boolean | undefined;
  /** The attribute that carries it, for call sites; -1 for a spread or none. */
  attribute: number;
  place: Place;
}

/** What the flow was asked to follow, and could not. */
export interface Gap {
  kind: 'context' | 'result' | 'handler' | 'binding';
  place: Place;
  /** What it names, as written. */
  name: string;
}

export interface Tally {
  written: number;
  joined: number;
}

export interface Flow {
  nodes: FlowNode[];
  edges: FlowEdge[];
  /** How much of what is written was followed, by kind, and what was not. */
  tallies: Record<Gap['kind'], Tally>;
  gaps: Gap[];
  /** Names in code that stand for a node, beside its own symbol: in helpers, and of what these give back. */
  names: Map<number, { code: number; symbol: number }[]>;
  /** Call sites of what is handed in, and those of the owner that hand it in: whoever came by another does not go on there. */
  handedBy: Map<number, number[]>;
  /** Edges by node, as indexes. */
  out: number[][];
  into: number[][];
}

export interface Package {
  dir: string;
  name: string | undefined;
  private: boolean;
  /** Files that the package offers to others, by index; undefined if it offers some that are not here. */
  entries: number[] | undefined;
  /** Other packages it needs, with the version ranges written. */
  needs: Map<string, string>;
}

export interface ProjectFile {
  index: number;
  path: string;
  facts: FileFacts;
  pkg: Package | undefined;
  /** Other files that its components are written in, by index, with the offset at which each begins. */
  parts?: { file: number; base: number }[];
  /** Where its places are by now, if its text changed since it was linked and says the same. */
  moved?: Moves;
  /** The major version of its language's framework that its package needs. */
  version: FrameworkVersion | undefined;
  /** It sees a class of whose members others use what it names. */
  seesClasses?: boolean;
  /** A build may bring names into scope that nothing in the file declares. */
  bringsNames: boolean;
  /** A test, a story, an example: code that shows other code. */
  aside: boolean;
  /** A test, a spec, a story or a mock, by the settings: what lies in it is a note. */
  beside: boolean;
}

export interface FrameworkVersion {
  /** The least that does. */
  least: number;
  /** No other does. */
  only: boolean;
}

/** What a spread hands over: known names, or anything. */
export interface Handed {
  /** Written attributes by name; the last one counts. */
  attributes: Map<string, AttributeFact>;
  /** Names that spreads hand over. */
  spread: Set<string>;
  /** A spread may hand over names that nobody knows. */
  unknown: boolean;
}

export interface Project {
  files: ProjectFile[];
  components: Component[];
  /** Those that are written come first, then those of what is handed in. */
  sites: Site[];
  /** Call sites that are written: the rules judge these. */
  written: Site[];
  flow: Flow;
  packages: Package[];
  /** Looks up what a tag or value name means in a file. */
  lookup(file: number, name: string): Target;
  /** Names that are read from the props of elements: whoever takes them is read from outside. */
  elementReads: Set<string>;
  /** Names of events that code listens for by calls. */
  heardNames: Set<string>;
  /** Names of events that code makes for elements, without dashes and case: they rise like those of the page. */
  madeEvents: Set<string>;
  /** Whether anything in the project starts a component tree. */
  hasRoots: boolean;
  handed(site: Site): Handed;
}

/**
 * Why a name leads to nothing of the project.
 * package: it comes from a package outside. import: no file answers what is imported. broken: the file that it leads
 * into was not understood. member: nobody is seen to give the member. made: it is made in a way that is not followed.
 * circle: it stands for itself.
 */
export type Loss = 'package' | 'import' | 'broken' | 'member' | 'made' | 'circle';

/** What a name in a file turns out to be. */
export type Target =
  | { kind: 'component'; component: number; wrapper?: Wrapper }
  /** One of several; which one, the code decides while it runs. */
  | { kind: 'several'; of: Target[] }
  | { kind: 'value'; file: number; value: FileFacts['values'][number] }
  | { kind: 'module'; file: number }
  /** It comes from outside the project, or cannot be followed. */
  | { kind: 'outside'; why: Loss; from?: string; asks?: 'store' }
  /** A file of the project is asked for a name that it does not export. */
  | { kind: 'absent'; file: number; name: string }
  /** Nothing in the file bears the name. */
  | { kind: 'unbound' };
