/** Two components, or two call sites of one, row by row: what differs first. */
import type { Cell, ComponentView, PortView } from '../../../api/component-schemas';

export interface Row<T> {
  name: string;
  channel: PortView['channel'];
  one?: T;
  other?: T;
  /** In what they differ; empty where they are alike. */
  differs: string[];
  /** The type of one of them is not known, so that they may differ in that. */
  unsure?: true;
}

const isKnown = ({ type }: { type: string }): boolean => type !== '' && type !== 'unknown';
const differInType = (a: { type: string }, b: { type: string }): boolean =>
  isKnown(a) && isKnown(b) && a.type !== b.type;

/** Interfaces side by side. */
export function portRows(one: ComponentView, other: ComponentView): Row<PortView>[] {
  return inOrder(
    rowsOf(
      one.ports.map((port) => [`${port.channel}:${port.name}`, port.channel, port.name, port]),
      other.ports.map((port) => [`${port.channel}:${port.name}`, port.channel, port.name, port]),
      (a, b) =>
        [
          differInType(a, b) && 'type',
          a.required !== b.required && 'required',
          a.default !== b.default && 'default',
        ].filter((what) => what !== false),
    ),
  );
}

/** What two call sites of a component hand over, side by side. */
export function cellRows(view: ComponentView, one: number, other: number): Row<Cell>[] {
  const channels = new Map(view.ports.map((port) => [port.name, port.channel]));
  const of = (at: number) =>
    Object.entries(view.sites[at]?.cells ?? {})
      .filter(([, cell]) => cell.how !== 'left out')
      .map(([name, cell]) => [name, channels.get(name) ?? ('prop' as const), name, cell] as const);
  return inOrder(
    rowsOf(of(one), of(other), (a, b) =>
      [a.text !== b.text && 'value', differInType(a, b) && 'type', a.how !== b.how && 'connection'].filter(
        (what) => what !== false,
      ),
    ),
  );
}

type Entry<T> = readonly [key: string, channel: PortView['channel'], name: string, value: T];

function rowsOf<T extends { type: string }>(
  ones: readonly Entry<T>[],
  others: readonly Entry<T>[],
  differ: (one: T, other: T) => string[],
): Row<T>[] {
  const theirs = new Map(others.map((entry) => [entry[0], entry[3]]));
  const ours = new Set(ones.map(([key]) => key));
  return [
    ...ones.map(([key, channel, name, one]): Row<T> => {
      const other = theirs.get(key);
      return other === undefined
        ? { channel, name, one, differs: [] }
        : {
            channel,
            name,
            one,
            other,
            differs: differ(one, other),
            ...(isKnown(one) && isKnown(other) ? {} : { unsure: true }),
          };
    }),
    ...others
      .filter(([key]) => !ours.has(key))
      .map(([, channel, name, other]): Row<T> => ({ channel, name, other, differs: [] })),
  ];
}

const rank = <T>({ one, other, differs }: Row<T>): number =>
  one === undefined ? 2 : other === undefined ? 1 : differs.length ? 0 : 3;

const inOrder = <T>(rows: Row<T>[]): Row<T>[] => rows.sort((a, b) => rank(a) - rank(b));

/** Names in both lists, and in one of them alone. */
export function shared(one: string[], other: string[]): { both: string[]; one: string[]; other: string[] } {
  const [ours, theirs] = [new Set(one), new Set(other)];
  return {
    both: [...ours].filter((name) => theirs.has(name)),
    one: [...ours].filter((name) => !theirs.has(name)),
    other: [...theirs].filter((name) => !ours.has(name)),
  };
}
