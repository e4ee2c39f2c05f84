/** Everything that crosses the wire. Types are inferred from the schemas. */
import { z } from 'zod';
import { channelSchema, countsSchema, levelSchema, roleSchema, spotSchema } from './shared-schemas';

const stepSchema = spotSchema.extend({
  component: z.string(),
  name: z.string(),
  what: z.string(),
  role: roleSchema,
  code: z.string(),
});

export const verdictSchema = z.enum(['accepted', 'false alarm']);

export const decisionSchema = z.object({ verdict: verdictSchema, reason: z.string(), at: z.string() });

export const findingSchema = z.object({
  rule: z.string(),
  level: levelSchema,
  message: z.string(),
  subject: z.string(),
  strand: z.string().optional(),
  component: z.string(),
  site: z.object({ ref: z.string(), at: z.number() }).optional(),
  place: spotSchema.extend({ code: z.string() }),
  trail: z.array(stepSchema),
  suggestion: z.string().optional(),
  /** Where the repair is mechanical: the text that takes the place of what stands there. */
  edit: spotSchema.extend({ text: z.string() }).optional(),
  fingerprint: z.string(),
  silenced: z.string().optional(),
  beside: z.literal(true).optional(),
  /** It is not in the audit that was kept last: the folder has changed since. */
  fresh: z.literal(true).optional(),
  decision: decisionSchema.optional(),
});

/** A finding as lists have it: the places that prove it are fetched with the one that is looked at. */
export const findingRowSchema = findingSchema.omit({ trail: true });

const fingerprintsSchema = z.array(z.string().min(1).max(200)).min(1).max(5000);

export const decideSchema = z.object({
  fingerprints: fingerprintsSchema,
  verdict: verdictSchema,
  reason: z.string().trim().min(1, 'say why in a few words').max(1000),
});

export const undecideSchema = z.object({ fingerprints: fingerprintsSchema });

export const comparisonSchema = z.object({
  new: z.array(findingSchema),
  gone: z.array(findingSchema),
  remaining: z.number(),
});

const tallySchema = z.object({ written: z.number(), joined: z.number() });

const gapKindSchema = z.enum(['tag', 'import', 'context', 'result', 'handler', 'binding']);

export const joinedSchema = z.object({
  tallies: z.record(gapKindSchema, tallySchema),
  /** Tags of components from packages; tags that render what they were handed. */
  foreign: z.number(),
  handed: z.number(),
});

const gapSchema = spotSchema.extend({
  kind: gapKindSchema,
  name: z.string(),
  why: z.string(),
  reason: z.string(),
  from: z.string().optional(),
  code: z.string(),
});

export const joinedViewSchema = joinedSchema.extend({ gaps: z.array(gapSchema) });

export const auditSchema = z.object({
  id: z.number(),
  finishedAt: z.string(),
  milliseconds: z.number(),
  files: z.number(),
  components: z.number(),
  languages: z.record(z.string(), z.number()),
  counts: countsSchema,
  problems: z.array(
    z.object({ file: z.string(), line: z.number(), column: z.number(), message: z.string() }),
  ),
  skipped: z.array(z.object({ path: z.string(), reason: z.string() })),
  joined: joinedSchema.optional(),
});

export const projectSchema = z.object({
  id: z.string(),
  name: z.string(),
  root: z.string(),
  audit: auditSchema.optional(),
  before: countsSchema.optional(),
});

export const openSchema = z.object({
  path: z.string().trim().min(1, 'the path of a folder').max(4096),
});

export const progressSchema = z.object({
  stage: z.enum([
    'finding',
    'reading',
    'linking',
    'keeping',
    'done',
    'failed',
    'cancelled',
    'interrupted',
    'idle',
  ]),
  found: z.number(),
  read: z.number(),
  message: z.string().optional(),
});

const markSchema = z.object({
  /** The row of the tree, and the place on the chart of what is shown for it. */
  row: z.number(),
  at: z.number(),
  component: z.string(),
  role: roleSchema,
  name: z.string(),
  ref: z.string(),
});

export const laneSchema = z.object({
  id: z.string(),
  title: z.string(),
  ref: z.string(),
  refs: z.array(z.string()),
  hops: z.array(z.string()),
  channel: channelSchema,
  level: levelSchema.optional(),
  findings: z.array(z.string()),
  marks: z.array(markSchema),
  /** So many marks further down are left out. */
  more: z.number().optional(),
  /** From one place on the chart to another. */
  segments: z.array(z.object({ from: z.number(), to: z.number(), broken: z.boolean().optional() })),
  pinned: z.boolean().optional(),
});

export const rowSchema = z.object({
  /** Index in the whole tree. */
  index: z.number(),
  name: z.string(),
  /** The component, and which of its call sites this is; -1 for a root. */
  ref: z.string(),
  at: z.number(),
  depth: z.number(),
  /** Rows below it that belong to it, and how many of them are folded away. */
  span: z.number(),
  hidden: z.number(),
  /** Which of how many rows under the same row it is, counted from 1. */
  place: z.number(),
  count: z.number(),
  /** It bears the words that were asked for. */
  named: z.literal(true).optional(),
  /** Conditions and lists as they are written. */
  when: z.string().optional(),
  each: z.string().optional(),
  again: z.enum(['repeated', 'recursive']).optional(),
  /** Where the component is declared, and where it is rendered here. */
  file: z.string(),
  line: z.number(),
  site: z.object({ file: z.string(), line: z.number() }).optional(),
});

/** Rows that no shown strand touches, in one line. */
export const gapRowSchema = z.object({
  from: z.number(),
  to: z.number(),
  depth: z.number(),
  left: z.number(),
});

/** Rows of the chart from one place on. */
export const rowWindowSchema = z.object({
  from: z.number(),
  rows: z.array(z.union([rowSchema, gapRowSchema])),
  /** The names of what stands above the first of them, from the root down. */
  above: z.array(z.string()),
});

const listOf = <T extends z.ZodType>(one: T, most: number) =>
  z.preprocess(
    (value) => (value === undefined ? [] : Array.isArray(value) ? value : [value]),
    z.array(one).max(most),
  );
const flag = z.preprocess((value) => value !== undefined && value !== '', z.boolean());
const stretch = z
  .string()
  .regex(/^\d{1,7}-\d{1,7}$/)
  .transform((text) => text.split('-').map(Number) as [number, number]);

/** What a rigging is asked to show, as it stands in the address. */
export const riggingAskSchema = z.object({
  pin: listOf(z.string().max(500), 20),
  component: z.string().max(1000).optional(),
  find: z.string().max(200).optional(),
  channel: listOf(channelSchema, 10),
  level: listOf(levelSchema, 3),
  rule: z.string().max(100).optional(),
  folder: z.string().max(1000).optional(),
  beside: flag,
  whole: flag,
  fold: listOf(z.coerce.number().int().min(0), 2000),
  open: listOf(stretch, 2000),
});

export const riggingSchema = z.object({
  /** How many rows are shown, and how many there are. */
  shown: z.number(),
  rows: z.number(),
  /** There are trees of tests, stories and examples, shown or not. */
  hasAside: z.boolean(),
  /** The longest lanes, and how many there are in all. */
  lanes: z.array(laneSchema),
  strands: z.number(),
  /** Ports that bear what was asked for by words. */
  found: z.number(),
  complete: z.boolean(),
  /** The rows that are looked at first. */
  window: rowWindowSchema,
});

const hopSchema = z.object({
  ref: z.string(),
  component: z.string(),
  name: z.string(),
  type: z.string(),
  role: roleSchema,
  channel: channelSchema,
  place: spotSchema,
  reads: z.array(spotSchema),
  /** Values that call sites write down for it, and how many more do; `at` is the number of the call site. */
  written: z.array(z.object({ text: z.string(), at: z.number(), component: z.string(), place: spotSchema })),
  moreWritten: z.number(),
  /** It goes on beyond what is shown. */
  more: z.boolean(),
});

const routeSchema = z.object({
  from: z.string(),
  to: z.string(),
  how: z.string(),
  /** The value itself, what is made of it, or only that something is called. */
  carries: z.enum(['itself', 'made', 'call']),
  /** What was handed in is changed there, for whoever handed it in. */
  inPlace: z.literal(true).optional(),
  place: spotSchema,
});

/** How far a strand is followed: the value itself, one step beyond it, or all of it. */
const reachSchema = z.enum(['itself', 'step', 'far']);

/** What is asked of a strand; without a reach, as far as can be read at once, and never short of `hop`. */
export const strandAskSchema = z.object({
  ref: z.string().min(1).max(500),
  reach: reachSchema.optional(),
  hop: z.string().max(500).optional(),
});

export const strandSchema = z.object({
  of: z.string(),
  hops: z.array(hopSchema),
  routes: z.array(routeSchema),
  origins: z.array(z.string()),
  ends: z.array(z.string()),
  /** How far these go. */
  reach: reachSchema,
  /** How far it can be followed, the nearest first, with the number of hops; the last is all of it. */
  parts: z.array(z.object({ reach: reachSchema, hops: z.number() })).min(1),
  /** Where all of it goes on, but was ended for its length. */
  cut: z.array(z.string()),
  /** What is not known of the components that it passes. */
  silences: z.array(
    z.object({ why: z.string(), components: z.array(z.object({ ref: z.string(), name: z.string() })) }),
  ),
});

export const hitSchema = z.object({
  kind: z.enum(['component', 'port', 'finding', 'file', 'rule']),
  /** Component name, port reference, fingerprint, path or name of the rule. */
  ref: z.string(),
  title: z.string(),
  detail: z.string(),
});

const exampleSchema = z.object({
  language: z.string(),
  before: z.record(z.string(), z.string()),
  after: z.record(z.string(), z.string()),
});

/** A rule with all that its page says. */
export const ruleSchema = z.object({
  name: z.string(),
  level: levelSchema,
  summary: z.string(),
  means: z.string(),
  costs: z.string(),
  sure: z.string(),
  examples: z.array(exampleSchema),
});

export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string().optional(),
  /** References that may be meant. */
  choices: z.array(z.string()).optional(),
});

export type RuleView = z.infer<typeof ruleSchema>;
export type GapKind = z.infer<typeof gapKindSchema>;
export type Gap = z.infer<typeof gapSchema>;
export type JoinedView = z.infer<typeof joinedViewSchema>;
export type Verdict = z.infer<typeof verdictSchema>;
export type DecideInput = z.infer<typeof decideSchema>;
export type Decision = z.infer<typeof decisionSchema>;
export type Comparison = z.infer<typeof comparisonSchema>;
export type Finding = z.infer<typeof findingSchema>;
export type FindingRow = z.infer<typeof findingRowSchema>;
export type AuditSummary = z.infer<typeof auditSchema>;
export type ProjectSummary = z.infer<typeof projectSchema>;
/** A step of one of the projects, as the server tells it to whoever listens. */
const brokenSchema = z.object({
  file: z.string(),
  line: z.number(),
  column: z.number(),
  message: z.string(),
});

/** What the folder holds now, where that is another thing than what was kept. */
const aheadSchema = z.object({
  /** When it was last brought up to date. */
  at: z.string(),
  /** So many files are others than in the audit that was kept; the first of them by path. */
  files: z.number(),
  paths: z.array(z.string()),
  fresh: z.number(),
  gone: z.number(),
  /** Files that cannot be understood at the moment: what was known of them is shown. */
  broken: z.array(brokenSchema),
});

export const liveSchema = z.object({
  /** Grows with every change of what is shown. */
  serial: z.number(),
  watching: z.boolean(),
  /** Why it is not watched. */
  reason: z.string().optional(),
  ahead: aheadSchema.optional(),
});

export const liveStepSchema = z.object({ id: z.string(), live: liveSchema });

export const projectStepSchema = progressSchema.extend({ id: z.string() });

export type Progress = z.infer<typeof progressSchema>;
export type Ahead = z.infer<typeof aheadSchema>;
export type Live = z.infer<typeof liveSchema>;
export type RiggingView = z.infer<typeof riggingSchema>;
export type RiggingAsk = z.output<typeof riggingAskSchema>;
export type RowWindow = z.infer<typeof rowWindowSchema>;
export type RiggingRow = z.infer<typeof rowSchema>;
export type GapRow = z.infer<typeof gapRowSchema>;
export type LaneView = z.infer<typeof laneSchema>;
export type StrandView = z.infer<typeof strandSchema>;
export type StrandAsk = z.infer<typeof strandAskSchema>;
export type Reach = z.infer<typeof reachSchema>;
export type HopView = z.infer<typeof hopSchema>;
export type Spot = z.infer<typeof spotSchema>;
export type Hit = z.infer<typeof hitSchema>;
export type Level = z.infer<typeof levelSchema>;
export type Channel = z.infer<typeof channelSchema>;
export type Role = z.infer<typeof roleSchema>;
export type Counts = z.infer<typeof countsSchema>;
export type Problem = z.infer<typeof problemSchema>;
