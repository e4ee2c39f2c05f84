/** What content is made of, of all that is handed to who draws it: the entries of a list, or what says by its name that it is data. */
import type { ExprFact } from '../../model/facts';
import { groupBy } from '../../model/group-by';
import type { Shape } from '../../types/shape';
import type { Frame } from './frames';
import type { Linked } from '../linked';

/** A value under the name by which it is handed over. */
export interface Named {
  name: string;
  value: ExprFact;
}

/** What a value is good for: its entries, its members, or, as its type is unknown, nobody knows what. */
type Stuff = 'list' | 'thing' | 'unknown' | 'plain' | 'none';

/** Names for what content is drawn for, one by one. */
const DATA =
  /^(data|items?|rows?|options?|list|values?|nodes|entries|records|collection|sources?|dataSource|each|of|modelValue)$|Of$/i;
/** Names for what content asks: where nothing is known of a value, its name has to say so. */
const ASKED =
  /^(control|form|store|state|model|initial\w*|default\w*|schema|quer(y|ies)|resource|promise|resolve|table|context|selection|selected|record|object|to|href|src|url)$/i;

/** Names for what content is told of how it stands with who draws it: none of that is data. */
const STANDING =
  /^(open(ed)?|close|toggle|active|selected|checked|indeterminate|disabled|hover(ed)?|focus(ed)?|pressed|expanded|visible|loading|pending|dragging|valid|invalid|index|\$index|rowIndex|props|attrs|ref|(is|on)\p{Lu}\w*)$/u;

/** Whether a member of what content is given may be data. */
export const mayBeData = (member: string | undefined): boolean =>
  member === undefined || !STANDING.test(member);

/** Whether a name says that what is handed over by it is more than how something looks. */
export const isData = (name: string): boolean => DATA.test(name) || ASKED.test(name);

/** What of the values that are handed over a member of what content is given may be made of. */
export function stuffFor(
  project: Linked,
  frame: Frame,
  given: readonly Named[],
  member: string | undefined,
): Named[] {
  const named = member === undefined ? [] : given.filter(({ name }) => name === member);
  if (named.length) return named;
  const kinds = groupBy(given, ({ value }) => stuffOf(project, frame, value));
  const lists = kinds.get('list') ?? [];
  const told = [
    ...(kinds.get('thing') ?? []),
    ...(kinds.get('unknown') ?? []).filter(({ name }) => isData(name)),
  ];
  const all = lists.length ? lists : told;
  const data = [...lists, ...told].filter(({ name }) => DATA.test(name));
  return data.length ? data : all;
}

/** Whether a value may hold more than a number, a text or a sign. */
export const isMore = (project: Linked, frame: Frame, value: ExprFact): boolean =>
  stuffOf(project, frame, value) !== 'plain';

function stuffOf(project: Linked, { code }: Frame, { kind, type }: ExprFact): Stuff {
  if (kind === 'array') return 'list';
  if (kind === 'literal') return 'plain';
  if (kind === 'function' || kind === 'content') return 'none';
  if (kind === 'object') return 'thing';
  if (!type) return 'unknown';
  return stuffIn(project.types.resolve({ type, file: code.file, component: code.id }));
}

function stuffIn(shape: Shape): Stuff {
  switch (shape.k) {
    case 'array':
      return 'list';
    case 'prim':
    case 'lit':
      return 'plain';
    case 'fn':
    case 'handler':
    case 'content':
      return 'none';
    case 'union': {
      const parts = new Set(shape.of.map(stuffIn));
      return (['list', 'thing', 'unknown', 'none'] as const).find((one) => parts.has(one)) ?? 'plain';
    }
    case 'object':
      return 'thing';
    default:
      return 'unknown';
  }
}
