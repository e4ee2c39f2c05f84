/** The catalogue, a component's page, and one call site face to face. */
import { z } from 'zod';
import { channelSchema, countsSchema, spotSchema } from './shared-schemas';

const namedSchema = z.object({ ref: z.string(), name: z.string() });

/** What a project is, before anything is chosen: its roots, its folders, and what the audit does not know. */
export const overviewSchema = z.object({
  /** Where trees start, those that carry most first, and how many there are in all. */
  roots: z.array(namedSchema.extend({ components: z.number() })),
  rootCount: z.number(),
  /** Folders that hold components; in a small project, files. */
  folders: z.array(z.object({ path: z.string(), components: z.number() })),
  /** Imports that lead nowhere, by what they ask for, the most frequent first. */
  lost: z.array(z.object({ from: z.string(), count: z.number() })),
  /** What is not joined for other reasons. */
  gaps: z.array(z.object({ reason: z.string(), kind: z.string(), count: z.number() })),
  /** What is not known of components, and what is therefore not reported. */
  silences: z.array(
    z.object({ why: z.string(), so: z.string(), count: z.number(), some: z.array(namedSchema) }),
  ),
});

export const catalogueRowSchema = z.object({
  ref: z.string(),
  name: z.string(),
  file: z.string(),
  line: z.number(),
  language: z.string(),
  ports: z.number(),
  required: z.number(),
  callSites: z.number(),
  reads: z.number(),
  passes: z.number(),
  state: z.number(),
  /** Rows from the root of its tree, where it stands highest; -1 where nothing renders it. */
  depth: z.number(),
  counts: countsSchema,
});

/** How one call site and one port meet. */
export const joinSchema = z.enum([
  'joined',
  'spread',
  'default',
  'left out',
  'missing',
  'clash',
  'not taken',
  'ignored',
  'unheard',
  'unknown',
]);

export const cellSchema = z.object({
  text: z.string(),
  type: z.string(),
  how: joinSchema,
  /** Unlike what the other call sites hand over. */
  odd: z.boolean(),
});

export const portViewSchema = z.object({
  ref: z.string(),
  name: z.string(),
  channel: channelSchema,
  type: z.string(),
  required: z.boolean(),
  default: z.string().optional(),
  spot: spotSchema,
  does: z.string(),
  places: z.array(spotSchema),
});

export const siteViewSchema = z.object({
  /** Counts the call sites of the component from 0. */
  at: z.number(),
  owner: z.string(),
  ownerRef: z.string(),
  /** It stands in a test, a story or an example. */
  aside: z.literal(true).optional(),
  spot: spotSchema,
  when: z.string().optional(),
  each: z.string().optional(),
  /** By port name; a name that is not there is left out, or its default is used. */
  cells: z.record(z.string(), cellSchema),
  findings: z.array(z.string()),
});

const insideNodeSchema = z.object({
  id: z.number(),
  side: z.enum(['in', 'inside', 'out']),
  channel: channelSchema,
  name: z.string(),
  /** For what goes out: the component that takes it. */
  to: z.string().optional(),
  /** It is derived, and neither shown nor made anything else of. */
  idle: z.literal(true).optional(),
  ref: z.string(),
  spot: spotSchema,
});

/** Everything that renders a component, at whatever distance. */
export const aboveSchema = z.object({
  /** The component itself is the first. */
  nodes: z.array(
    namedSchema.extend({
      id: z.number(),
      file: z.string(),
      /** It stands in a test, a story or an example. */
      aside: z.literal(true).optional(),
      /** Keys that the component consumes and this one provides. */
      provides: z.array(z.string()),
    }),
  ),
  /** From who renders to who is rendered, how many times, and the keys that nobody provides on a path over it. */
  links: z.array(
    z.object({ from: z.number(), to: z.number(), times: z.number(), without: z.array(z.string()) }),
  ),
  /** So many more are further away. */
  more: z.number(),
});

export const componentViewSchema = z.object({
  ref: z.string(),
  name: z.string(),
  file: z.string(),
  spot: spotSchema,
  language: z.string(),
  /** Others may render it besides the written call sites. */
  elsewhere: z.boolean(),
  /** What is not known of it, and what is therefore not reported. */
  silences: z.array(z.object({ why: z.string(), so: z.string() })),
  ports: z.array(portViewSchema),
  sites: z.array(siteViewSchema),
  /** Names that call sites hand over and the component does not take. */
  strays: z.array(z.string()),
  inside: z.object({
    nodes: z.array(insideNodeSchema),
    links: z.array(z.object({ from: z.number(), to: z.number(), how: z.string() })),
  }),
  consumes: z.array(
    z.object({
      key: z.string(),
      ref: z.string(),
      spot: spotSchema,
      state: z.enum(['on all paths', 'on some paths', 'on no path', 'by default']),
      providers: z.array(z.object({ component: z.string(), spot: spotSchema })),
    }),
  ),
  holders: z.array(z.object({ component: z.string(), handle: z.string(), spot: spotSchema })),
  above: aboveSchema,
  /** Components that nobody would need without it. */
  alone: z.array(namedSchema),
  renders: z.array(
    z.object({ ref: z.string(), name: z.string(), count: z.number(), handed: z.boolean().optional() }),
  ),
  /** Components that draw it because it was handed in, and where that is done. */
  handed: z.array(
    z.object({
      owner: z.string(),
      ownerRef: z.string(),
      spot: spotSchema,
      by: z.array(z.object({ component: z.string(), ref: z.string(), spot: spotSchema })),
    }),
  ),
});

const likeSchema = namedSchema.extend({ file: z.string(), ports: z.number() });

/** Components whose interfaces are alike. */
export const alikeSchema = z.array(
  z.object({
    one: likeSchema,
    other: likeSchema,
    /** How much of what either takes both take, from 0 to 1. */
    share: z.number(),
    /** Ports of the same channel and name. */
    same: z.number(),
  }),
);

export const jointRowSchema = z.object({
  name: z.string(),
  channel: channelSchema,
  direction: z.enum(['down', 'up', 'across']),
  how: joinSchema,
  /** What the owner hands over, hears with, or has to do with it. */
  owner: z.object({ text: z.string(), type: z.string(), spot: spotSchema.optional() }),
  child: z.object({
    type: z.string(),
    required: z.boolean(),
    default: z.string().optional(),
    does: z.string(),
    spots: z.array(spotSchema),
  }),
  ref: z.string(),
  findings: z.array(z.string()),
});

export const jointSchema = z.object({
  child: z.object({ ref: z.string(), name: z.string(), spot: spotSchema }),
  owner: z.object({ ref: z.string(), name: z.string(), spot: spotSchema }),
  site: spotSchema,
  at: z.number(),
  count: z.number(),
  when: z.string().optional(),
  each: z.string().optional(),
  rows: z.array(jointRowSchema),
  silences: z.array(z.object({ why: z.string(), so: z.string() })),
});

export type CatalogueRow = z.infer<typeof catalogueRowSchema>;
export type Join = z.infer<typeof joinSchema>;
export type Cell = z.infer<typeof cellSchema>;
export type PortView = z.infer<typeof portViewSchema>;
export type SiteView = z.infer<typeof siteViewSchema>;
export type Alike = z.infer<typeof alikeSchema>;
export type AboveView = z.infer<typeof aboveSchema>;
export type ComponentView = z.infer<typeof componentViewSchema>;
export type JointRow = z.infer<typeof jointRowSchema>;
export type JointView = z.infer<typeof jointSchema>;
export type Overview = z.infer<typeof overviewSchema>;
