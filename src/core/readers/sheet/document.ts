/** The text of a sheet as a document whose every part knows where it stands. */
import type { Document, Node, Pair, YAMLMap } from 'yaml';
import type { Span } from '../../model/facts';
import { distance } from '../../model/names';
import { yamlParser } from '../on-demand';
import { sheetSchema } from './schema';

/** Something that is wrong with a sheet, and where. */
export interface Fault {
  message: string;
  at: number;
}

/** An entry of a mapping. */
export interface Entry {
  key: string;
  keySpan: Span;
  value: Part;
}

/** A part of a sheet. What it is not, it gives as nothing: what is wrong was said when it was checked. */
export class Part {
  constructor(
    private readonly node: unknown,
    private readonly around: Span,
  ) {}

  /** Where it is written; where what holds it is, if nothing is written. */
  get span(): Span {
    const range = (this.node as Node | null | undefined)?.range;
    return range ? { start: range[0], end: Math.max(range[0], range[1]) } : this.around;
  }

  /** Its entries, in their order. */
  get entries(): Entry[] {
    const { isMap, isScalar } = yamlParser();
    if (!isMap(this.node)) return [];
    return this.node.items.flatMap((pair): Entry[] => {
      const { key, value } = pair as Pair<unknown, unknown>;
      if (!isScalar(key) || !key.range) return [];
      const keySpan = { start: key.range[0], end: key.range[1] };
      return [{ key: String(key.value), keySpan, value: new Part(value, keySpan) }];
    });
  }

  get items(): Part[] {
    const { isSeq } = yamlParser();
    return isSeq(this.node) ? this.node.items.map((item) => new Part(item, this.span)) : [];
  }

  get isList(): boolean {
    return yamlParser().isSeq(this.node);
  }

  /** The text, number, boolean or nothing that it is; undefined for what has parts of its own. */
  get scalar(): string | number | boolean | null | undefined {
    if (this.node === null || this.node === undefined) return null;
    if (!yamlParser().isScalar(this.node)) return undefined;
    const { value } = this.node;
    return value === null || /^(string|number|boolean)$/.test(typeof value)
      ? (value as string | number | boolean | null)
      : String(value);
  }

  get text(): string | undefined {
    return typeof this.scalar === 'string' ? this.scalar : undefined;
  }

  /** The entry of a key. */
  entry(key: string): Entry | undefined {
    return this.entries.find((one) => one.key === key);
  }

  get(key: string): Part | undefined {
    return this.entry(key)?.value;
  }
}

/** A sheet that was read, with all that is wrong with it. Nothing is thrown for what a text holds. */
export function readDocument(text: string): { root: Part; faults: Fault[] } {
  const { parseDocument } = yamlParser();
  const document = parseDocument(text, { uniqueKeys: true, strict: true, logLevel: 'silent' });
  const root = new Part(document.contents, { start: 0, end: text.length });
  if (document.errors.length)
    return {
      root,
      faults: document.errors.map((one) => ({ message: firstLine(one.message), at: one.pos[0] })),
    };
  let plain: unknown;
  try {
    plain = document.toJS({ maxAliasCount: 0 });
  } catch {
    return {
      root,
      faults: [{ message: 'anchors and aliases are not read; write the part out', at: aliasIn(text) }],
    };
  }
  const checked = sheetSchema.safeParse(plain);
  return { root, faults: checked.success ? [] : new Faults(document, plain).of(checked.error.issues) };
}

const firstLine = (message: string): string => message.split(/ at line |\n/)[0]!;

const aliasIn = (text: string): number => Math.max(0, text.search(/[*&]\w/));

interface Issue {
  code?: string | undefined;
  path: PropertyKey[];
  message: string;
  keys?: string[];
  /** What is wrong with a key. */
  issues?: { message: string }[];
  errors?: Issue[][];
}

/** What keeps a sheet from being one, by its places in the text. */
class Faults {
  constructor(
    private readonly document: Document,
    private readonly plain: unknown,
  ) {}

  of(issues: readonly unknown[], base: PropertyKey[] = []): Fault[] {
    return (issues as Issue[]).flatMap((issue): Fault[] => {
      const path = [...base, ...issue.path];
      if (issue.code === 'invalid_union' && issue.errors?.length) return this.meantBy(issue.errors, path);
      if (issue.code === 'unrecognized_keys')
        return (issue.keys ?? []).map((key) => ({
          message: `there is no key ${key} here${nearKey(key)}`,
          at: placeOf(this.document, [...path, key], true),
        }));
      const message = issue.issues?.[0]?.message ?? issue.message;
      return [{ message: `${whereOf(path)}: ${message}`, at: placeOf(this.document, path) }];
    });
  }

  /** Of several forms that a part may have, what keeps it from being the one that it is nearest to. */
  private meantBy(forms: Issue[][], path: PropertyKey[]): Fault[] {
    const value = path.reduce<unknown>(
      (of, key) => (of as Record<PropertyKey, unknown> | undefined)?.[key],
      this.plain,
    );
    const has = (key: PropertyKey) => typeof value === 'object' && value !== null && key in value;
    const leftOut = (form: Issue[]) => form.filter((one) => one.path.length === 1 && !has(one.path[0]!));
    const isOther = (form: Issue[]) =>
      form.some((one) => one.path.length === 0 && one.code !== 'unrecognized_keys');
    const [best] = forms
      .filter((form) => !isOther(form))
      .sort((a, b) => leftOut(a).length - leftOut(b).length || a.length - b.length);
    const at = placeOf(this.document, path);
    if (!best) return [{ message: `${whereOf(path)} is none of what may stand here`, at }];
    const told = leftOut(best).length ? best.filter((one) => one.code === 'unrecognized_keys') : best;
    if (told.length) return this.of(told, path);
    const needs = forms.flatMap((form) => leftOut(form).map((one) => String(one.path[0])));
    return [{ message: `${whereOf(path)} needs one of ${[...new Set(needs)].join(', ')}`, at }];
  }
}

const whereOf = (path: PropertyKey[]): string => path.map(String).join('.') || 'the sheet';

const KEYS = (
  'sheet uses roots shared components takes keeps derives handles raises offers provides consumes tree use with both ' +
  'on handle inside fill if each key slot else text group type required default starts from gives missing set to raise call does some override needs heard filled and'
).split(' ');

function nearKey(key: string): string {
  const [best] = KEYS.map((one) => ({ one, far: distance(one, key.toLowerCase(), 3) })).sort(
    (a, b) => a.far - b.far,
  );
  return best && best.far <= 2 ? `; is ${best.one} meant?` : '';
}

/** Where a path of keys leads to in the text; as far as it leads. */
function placeOf(document: Document, path: PropertyKey[], atKey = false): number {
  const { isMap, isScalar } = yamlParser();
  let node = document.contents as Node | null;
  let at = node?.range?.[0] ?? 0;
  for (const [index, key] of path.entries()) {
    if (isMap(node)) {
      const pair = (node as YAMLMap).items.find(
        (one) => isScalar(one.key) && String(one.key.value) === String(key),
      );
      const keyNode = pair?.key as Node | undefined;
      if (keyNode?.range && (atKey || index < path.length)) at = keyNode.range[0];
      node = (pair?.value ?? null) as Node | null;
    } else {
      node = ((node as { get?(key: unknown, keep: boolean): unknown } | null)?.get?.(key, true) ??
        null) as Node | null;
      at = node?.range?.[0] ?? at;
    }
    if (!node) break;
  }
  return at;
}
