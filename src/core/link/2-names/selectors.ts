/** Which tags a selector matches. */
import type { RenderFact, SelectorFact, TaggedFact } from '../../model/facts';

/** A tag as selectors see it; bindings and listeners count by their names. */
export function tagged({ tag, attributes }: Pick<RenderFact, 'tag' | 'attributes'>): TaggedFact {
  const found: TaggedFact = { tag: tag?.name ?? '', attributes: [], classes: [] };
  for (const { name, value } of attributes) {
    const text = value.type?.t === 'lit' && typeof value.type.v === 'string' ? value.type.v : undefined;
    found.attributes.push({
      name: name.replace(/^@(?=.)/, ''),
      ...(text === undefined ? {} : { value: text }),
    });
    if (name === 'class') found.classes.push(...(text?.split(/\s+/) ?? []));
  }
  return found;
}

/** Whether a tag is like one selector. */
export const matches = (of: TaggedFact, { tag, attributes, classes, not }: SelectorFact): boolean =>
  (tag === undefined || tag === '*' || tag === of.tag) &&
  attributes.every(({ name, value }) =>
    of.attributes.some((one) => one.name === name && (value === undefined || one.value === value)),
  ) &&
  classes.every((one) => of.classes.includes(one)) &&
  !not.some((one) => matches(of, one));
