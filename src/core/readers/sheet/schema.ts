/** What a sheet may say: checked when one is read, and published as JSON Schema, so that editors complete it. */
import { z } from 'zod';

const name = z.string().regex(/^[A-Za-z_][\w-]*$/, 'a name: letters, digits, dashes and underscores');
const componentName = z.string().regex(/^[A-Z]\w*$/, 'a name that begins with a capital letter');
/** Events and slots are never parts of a way to something, so that theirs may be any words. */
const word = z.string().regex(/^\S+$/, 'a name without spaces');
const propertyName = z.string().regex(/^[^\s.]+$/, 'a name without spaces and dots');
const literal = z.union([z.string(), z.number(), z.boolean(), z.null()]);

export const TYPE_WORDS = ['text', 'number', 'boolean', 'content', 'any'] as const;

export type SheetType =
  | (typeof TYPE_WORDS)[number]
  | (string | number | boolean | null)[]
  | { list: SheetType }
  | { fields: Record<string, SheetType> };

const type: z.ZodType<SheetType> = z
  .lazy(() =>
    z.union([
      z.enum(TYPE_WORDS),
      z.array(literal).min(1),
      z.strictObject({ list: type }),
      z.strictObject({ fields: z.record(z.string(), type) }),
    ]),
  )
  .meta({
    id: 'type',
    description: 'A word, a list of the values that may be taken, or what a list or an object holds.',
  });

export type SheetValue =
  | string
  | number
  | boolean
  | null
  | SheetValue[]
  | { mix: SheetValue[] }
  | { fields: Record<string, SheetValue> }
  | { some: SheetType }
  | { does: SheetAction[] };

export type SheetAction =
  | { set: string; to: SheetValue }
  | { raise: string; with?: SheetValue; and?: SheetValue[] }
  | { call: string; with?: SheetValue; and?: SheetValue[] };

const value: z.ZodType<SheetValue> = z
  .lazy(() =>
    z.union([
      literal,
      z.array(value),
      z.strictObject({ mix: z.array(value).min(1) }),
      z.strictObject({ fields: z.record(z.string(), value) }),
      z.strictObject({ some: type }),
      z.strictObject({ does: z.lazy(() => z.array(action)) }),
    ]),
  )
  .meta({
    id: 'value',
    description:
      'A literal; `$name` or `$name.member` for what bears the name, `$$` for a text that begins with a dollar; a list; the fields of an object; a mix, worked out of several; some value of a type, of which no more is said; or what is done when the value is called.',
  });

const values = z.record(propertyName, value);

const carried = {
  with: value.optional().describe('What it is done with.'),
  and: z.array(value).optional().describe('More that it is done with.'),
};

const action: z.ZodType<SheetAction> = z
  .union([
    z
      .strictObject({ set: z.string(), to: value })
      .describe('Changes a state; `shared.name` one of the whole sheet.'),
    z.strictObject({ raise: word, ...carried }).describe('Raises an event of the component.'),
    z.strictObject({
      call: z.string().regex(/^[\w-]+(\.[^\s.]+)*$/, 'a name, or the way to a member'),
      ...carried,
    }),
  ])
  .meta({ id: 'action' });

const shown = {
  if: value.optional().describe('It is there only while this holds.'),
  each: z.record(name, value).optional().describe('One name, and the list that it stands for an entry of.'),
  key: value.optional().describe('What tells entries of the list apart.'),
};

interface Shown {
  if?: SheetValue;
  each?: Record<string, SheetValue>;
  key?: SheetValue;
}

export interface SheetInstance extends Shown {
  use: string;
  with?: Record<string, SheetValue>;
  both?: Record<string, SheetValue>;
  override?: Record<string, Record<string, SheetValue>>;
  on?: Record<string, SheetAction[]>;
  handle?: string;
  inside?: SheetNode[];
  fill?: Record<string, SheetFill>;
}

export type SheetFill = SheetNode[] | { gives: string[]; tree: SheetNode[] } | SheetValue;

export type SheetNode =
  | SheetInstance
  | (Shown & { slot: string | null; with?: Record<string, SheetValue>; else?: SheetNode[] })
  | (Shown & { text: SheetValue })
  | (Shown & { group: SheetNode[]; provides?: Record<string, SheetValue> })
  | (Shown & { does: SheetAction[] });

const nodes: z.ZodType<SheetNode[]> = z.lazy(() => z.array(node)).meta({ id: 'nodes' });

const fill = z.union([
  z.lazy(() => nodes),
  z.strictObject({
    gives: z.array(name).describe('Names of what the slot gives.'),
    tree: z.lazy(() => nodes),
  }),
  value.describe('Content that somebody else handed over, or a value that is shown.'),
]);

const instance = z
  .strictObject({
    use: componentName.describe('The component that stands here.'),
    with: values.optional().describe('Its properties.'),
    both: values.optional().describe('Properties that are bound both ways: the component may change them.'),
    override: z
      .record(name, values)
      .optional()
      .describe(
        'Properties of instances in the tree of that component, by their handles or names: they count here, in place of what it says itself.',
      ),
    on: z.record(word, z.array(action)).optional().describe('What happens when it raises an event.'),
    handle: name.optional().describe('The handle that it is held by.'),
    inside: z
      .lazy(() => nodes)
      .optional()
      .describe('Content of its default slot.'),
    fill: z.record(word, fill).optional().describe('Content of its other slots.'),
    ...shown,
  })
  .describe('An instance of a component.');

const outlet = z
  .strictObject({
    slot: z
      .union([word, z.null()])
      .describe('The slot that is placed here; `default`, or nothing, for the default one.'),
    with: values.optional().describe('What the content is given.'),
    else: z
      .lazy(() => nodes)
      .optional()
      .describe('What is shown where nobody fills it.'),
    ...shown,
  })
  .describe('A place for content that is handed in.');

const node: z.ZodType<SheetNode> = z
  .union([
    instance,
    outlet,
    z.strictObject({ text: value, ...shown }).describe('A value that is shown.'),
    z
      .strictObject({
        group: z.lazy(() => nodes),
        provides: values.optional().describe('Values for everything in the group, by key.'),
        ...shown,
      })
      .describe('Several together.'),
    z
      .strictObject({ does: z.array(action), ...shown })
      .describe('Something that is no component: what happens when it is used.'),
  ])
  .meta({ id: 'node' });

const property = z.union([
  type,
  z.strictObject({
    type: type.optional(),
    required: z
      .boolean()
      .optional()
      .describe('Whether every instance must say it; so it is without a default.'),
    default: literal.optional(),
  }),
]);

const state = z.strictObject({ type: type.optional(), starts: value.optional() });
const derived = z.strictObject({ from: z.array(value).min(1), type: type.optional() });

const component = z
  .strictObject({
    takes: z.record(propertyName, property).optional().describe('Properties.'),
    keeps: z.record(name, state).optional().describe('State that every instance has for itself.'),
    derives: z.record(name, derived).optional().describe('What is worked out of other values.'),
    handles: z.array(name).optional().describe('Handles that it keeps to instances in its tree.'),
    raises: z
      .record(word, z.union([type, z.null()]))
      .optional()
      .describe('Events, with the type of what they carry.'),
    does: z
      .array(action)
      .optional()
      .describe('What happens in it without an instance that raises anything: a key, a clock, a hand on it.'),
    offers: z
      .record(propertyName, z.union([z.array(action), value]))
      .optional()
      .describe('What may be called through a handle to it: lists of actions; or read, values.'),
    needs: z
      .strictObject({
        heard: z.array(word).optional().describe('Events that every instance must listen for.'),
        filled: z.array(word).optional().describe('Slots that every instance must fill.'),
      })
      .optional()
      .describe('What every instance must do besides giving the properties.'),
    provides: values.optional().describe('Values for everything below, by key.'),
    consumes: z
      .record(
        propertyName,
        z.strictObject({ type: type.optional(), missing: z.enum(['fails', 'ok']).optional() }),
      )
      .optional()
      .describe('Values that somebody above provides, by key; `ok` if it does without.'),
    tree: z.lazy(() => nodes).optional(),
  })
  .meta({ id: 'component' });

export const sheetSchema = z
  .strictObject({
    $schema: z.string().optional(),
    sheet: z.string().optional().describe('The title.'),
    uses: z
      .record(componentName, z.string())
      .optional()
      .describe('Components of other files, sheets or code, by the path from here.'),
    roots: z
      .array(z.union([componentName, instance]))
      .optional()
      .describe('Components that trees start at; as instances, if they are given something.'),
    shared: z
      .record(name, z.union([state, derived]))
      .optional()
      .describe('State of the whole sheet, and what is worked out of it.'),
    provides: values.optional().describe('Values for all of the sheet, by key.'),
    components: z.record(componentName, component),
  })
  .describe('A component tree without code');

export type Sheet = z.infer<typeof sheetSchema>;
export type SheetComponent = z.infer<typeof component>;
export type SheetProperty = z.infer<typeof property>;

/** The published JSON Schema of a sheet. */
export const sheetJsonSchema = (): object =>
  z.toJSONSchema(sheetSchema, { target: 'draft-2020-12', io: 'input' });
