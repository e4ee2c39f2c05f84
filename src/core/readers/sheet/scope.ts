/** What all components of a sheet know of each other. */
import type { TypeExpr } from '../../model/types';
import { UNKNOWN } from '../../model/types';
import type { Entry, Part } from './document';
import { typeOf } from './types';

/** An instance within a component, and a property of it, that instances of the component say something else of. */
export interface Overridden {
  part: string;
  property: string;
  /** What the property is called where the component itself is used. */
  name: string;
}

export const overriddenName = (part: string, property: string): string => `${part}.${property}`;

export class Scope {
  /** State of the sheet, with its types. */
  readonly shared = new Map<string, TypeExpr>();
  /** Components that may be used: of the sheet, and of other files. */
  readonly components: ReadonlySet<string>;
  private readonly own: Map<string, Part>;
  private readonly overridden = new Map<string, Map<string, Overridden>>();

  constructor(root: Part) {
    const components = root.get('components')?.entries ?? [];
    this.own = new Map(components.map(({ key, value }) => [key, value]));
    this.components = new Set([
      ...this.own.keys(),
      ...(root.get('uses')?.entries ?? []).map((one) => one.key),
    ]);
    for (const { value } of components) for (const node of instancesIn(value.get('tree'))) this.note(node);
    for (const node of root.get('roots')?.items ?? []) if (node.entry('use')) this.note(node);
  }

  private note(node: Part): void {
    const use = node.get('use')?.text;
    if (use === undefined) return;
    for (const { part, property } of overridesOf(node)) {
      const name = overriddenName(part.key, property.key);
      const known = this.overridden.get(use) ?? new Map<string, Overridden>();
      this.overridden.set(use, known.set(name, { part: part.key, property: property.key, name }));
    }
  }

  /** Whether a component is written in this sheet. */
  isOwn(component: string): boolean {
    return this.own.has(component);
  }

  /** What instances of a component say otherwise than it says itself, as far as its tree has such. */
  overridesWithin(component: string): (Overridden & { type: TypeExpr })[] {
    const known = this.overridden.get(component);
    if (!known) return [];
    const instances = [...instancesIn(this.own.get(component)?.get('tree'))];
    return [...known.values()].flatMap((one) => {
      const instance = instances.find((node) => isCalled(node, one.part));
      const use = instance?.get('use')?.text ?? '';
      const takes = this.own.get(use)?.get('takes')?.get(one.property);
      // What is no property of it, nobody takes.
      if (!instance || (this.isOwn(use) && !takes)) return [];
      return [{ ...one, type: propertyType(takes) }];
    });
  }
}

/** Whether an instance is meant by a name: that of its handle, or of its component. */
export const isCalled = (node: Part, name: string): boolean =>
  node.get('handle')?.text === name || node.get('use')?.text === name;

/** What an instance says of instances within its component. */
export const overridesOf = (node: Part): { part: Entry; property: Entry }[] =>
  (node.get('override')?.entries ?? []).flatMap((part) =>
    part.value.entries.map((property) => ({ part, property })),
  );

/** A property is written as its type alone, or as more of which that is a part. */
export const isLongProperty = (value: Part): boolean =>
  ['type', 'required', 'default'].some((one) => value.entry(one)) ||
  (value.scalar === undefined && !value.isList && !value.entries.length);

function propertyType(value: Part | undefined): TypeExpr {
  if (!value) return UNKNOWN;
  return typeOf(isLongProperty(value) ? value.get('type') : value);
}

/** Every instance in a tree, however deep. */
function* instancesIn(nodes: Part | undefined): Iterable<Part> {
  for (const node of nodes?.items ?? []) {
    if (node.entry('use')) yield node;
    for (const inner of ['inside', 'group', 'else']) yield* instancesIn(node.get(inner));
    for (const { value } of node.get('fill')?.entries ?? [])
      yield* instancesIn(value.entry('gives') ? value.get('tree') : value);
  }
}
