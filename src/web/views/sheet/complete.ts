/** What may be written at a place of a sheet: by its schema, and by the names that the sheet declares. */
import {
  componentAt,
  componentsIn,
  declaredIn,
  ENTRY,
  namesIn,
  type Outline,
  outlineOf,
  type Step,
} from './outline';

/** As much of JSON Schema as a sheet's has. */
export interface Schema {
  $ref?: string;
  $defs?: Record<string, Schema>;
  description?: string;
  type?: string;
  enum?: unknown[];
  const?: unknown;
  anyOf?: Schema[];
  oneOf?: Schema[];
  items?: Schema;
  properties?: Record<string, Schema>;
  additionalProperties?: Schema | boolean;
}

export interface Offer {
  label: string;
  detail?: string;
  /** What is written in its place. */
  text: string;
}

export interface Offers {
  /** How much of what is written already is replaced. */
  word: string;
  offers: Offer[];
}

/** What fits at the end of `before`; `after` is the rest of the sheet, whose names count, too. */
export function offersAt(schema: Schema, before: string, after: string): Offers {
  const here = outlineOf(before);
  const names: Outline = { ...here, mentions: outlineOf(before + after).mentions };
  const { path, isKey, word } = here;
  const found = isKey
    ? [...keysAt(schema, path), ...namedKeys(names, path, before)]
    : [...valuesAt(schema, path), ...namedValues(names, path, word)];
  const offers = new Map(found.map((one) => [one.label, one]));
  return { word, offers: [...offers.values()].filter((one) => one.label.startsWith(word)) };
}

/** The schemas that what stands under some steps may have. */
function schemasAt(root: Schema, path: Step[]): Schema[] {
  let now = expanded(root, root);
  for (const step of path)
    now = now.flatMap((one) => {
      const next =
        step === ENTRY
          ? one.items
          : (one.properties?.[step] ??
            (typeof one.additionalProperties === 'object' ? one.additionalProperties : undefined));
      return next ? expanded(root, next) : [];
    });
  return now;
}

function expanded(root: Schema, schema: Schema): Schema[] {
  const found = new Set<Schema>();
  const add = (one: Schema): void => {
    const name = one.$ref?.split('/').at(-1);
    const meant = name === undefined ? one : root.$defs?.[name];
    if (!meant || found.has(meant)) return;
    found.add(meant);
    for (const other of meant.anyOf ?? meant.oneOf ?? []) add(other);
  };
  add(schema);
  return [...found];
}

const keysAt = (root: Schema, path: Step[]): Offer[] =>
  schemasAt(root, path).flatMap((one) =>
    Object.entries(one.properties ?? {}).map(([label, { description }]) => ({
      label,
      text: `${label}: `,
      ...(description ? { detail: description } : {}),
    })),
  );

const valuesAt = (root: Schema, path: Step[]): Offer[] =>
  schemasAt(root, path).flatMap((one) => {
    const values = one.const === undefined ? (one.enum ?? []) : [one.const];
    const words = one.type === 'boolean' ? [true, false] : values;
    return words.map((value) => ({ label: String(value), text: String(value) }));
  });

/** Properties, events and slots of the component that an instance is of. */
function namedKeys(names: Outline, path: Step[], before: string): Offer[] {
  const used = usedAt(before, path.length);
  const offer = (detail: string) => (label: string) => ({ label, text: `${label}: `, detail });
  if (used === undefined) return [];
  if (path.at(-1) === 'with' || path.at(-1) === 'both')
    return declaredIn(names, used, 'takes').map(offer(`a property of ${used}`));
  if (path.at(-1) === 'on') return declaredIn(names, used, 'raises').map(offer(`an event of ${used}`));
  return [];
}

function namedValues(names: Outline, path: Step[], word: string): Offer[] {
  const component = componentAt(path);
  const list = (labels: string[], detail: string) => labels.map((label) => ({ label, text: label, detail }));
  const last = path.at(-1);
  if (last === 'use' || (path[0] === 'roots' && last === ENTRY))
    return list(componentsIn(names), 'a component');
  if (component === undefined) return [];
  if (last === 'raise') return list(declaredIn(names, component, 'raises'), `an event of ${component}`);
  if (last === 'set')
    return list(
      namesIn(names, component).filter((one) => one.startsWith('shared.') || declares(names, component, one)),
      'a state',
    );
  if (!word.startsWith('$')) return [];
  const event = path.includes('on') || path.includes('offers') || path.includes('does') ? ['event'] : [];
  return list(
    [...event, ...namesIn(names, component)].map((one) => `$${one}`),
    `a value of ${component}`,
  );
}

const declares = (names: Outline, component: string, state: string): boolean =>
  declaredIn(names, component, 'keeps').includes(state);

/** The component of the instance that a text ends in: the last that is used before it, and no further out. */
function usedAt(text: string, depth: number): string | undefined {
  const { mentions } = outlineOf(text);
  return mentions.findLast(({ path, isKey }) => !isKey && path.at(-1) === 'use' && path.length <= depth)
    ?.text;
}
