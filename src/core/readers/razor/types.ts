/** Types of C# as type expressions. */
import { prim, type TypeExpr, UNKNOWN, union } from '../../model/types';

const PRIMITIVES: Record<string, TypeExpr> = {
  string: prim('string'),
  String: prim('string'),
  char: prim('string'),
  bool: prim('boolean'),
  Boolean: prim('boolean'),
  object: { t: 'any' },
  dynamic: { t: 'any' },
  void: prim('void'),
};
for (const one of 'int long short byte uint ulong ushort sbyte nint double float decimal Int32 Int64 Double Decimal Single'.split(
  ' ',
))
  PRIMITIVES[one] = prim('number');

const LISTS =
  /^(List|IList|IReadOnlyList|IEnumerable|ICollection|IReadOnlyCollection|HashSet|ISet|Queue|Stack|ImmutableList|ImmutableArray|ObservableCollection|IAsyncEnumerable|IQueryable|Collection)$/;

/** Whether a value of the type is there without anybody saying so. */
export const isValueType = (text: string): boolean =>
  /^(int|long|short|byte|uint|ulong|ushort|sbyte|nint|double|float|decimal|bool|char|DateTime|DateOnly|TimeOnly|TimeSpan|DateTimeOffset|Guid|EventCallback(<.*>)?)$/.test(
    text,
  ) || text.startsWith('(');

/** Whether the type certainly is one of references that may not be absent. */
export const isReference = (text: string): boolean => {
  const bare = text.trim();
  if (bare.endsWith('?')) return false;
  if (bare.endsWith('[]') || /^(string|String|object)$/.test(bare)) return true;
  const head = /^([\w.]+)\s*</.exec(bare)?.[1];
  const short = head ?? bare;
  if (/^(RenderFragment|Func|Action|Dictionary|IDictionary|IReadOnlyDictionary|Expression)$/.test(short))
    return true;
  return head !== undefined && LISTS.test(head) && !/^Immutable/.test(head);
};

/** Reads a type as it is written; what is not understood is unknown. */
export function typeOfText(text: string, params: ReadonlySet<string> = new Set(), depth = 0): TypeExpr {
  const bare = text.replace(/\s+/g, ' ').trim();
  if (!bare || depth > 12) return UNKNOWN;
  if (bare.endsWith('?'))
    return union([typeOfText(bare.slice(0, -1), params, depth + 1), { t: 'lit', v: null }]);
  if (bare.endsWith('[]')) return { t: 'array', of: typeOfText(bare.slice(0, -2), params, depth + 1) };
  const [, head, inside] = /^([\w.]+)\s*(?:<(.*)>)?$/s.exec(bare) ?? [];
  if (head === undefined) return UNKNOWN;
  const short = head.slice(head.lastIndexOf('.') + 1);
  if (params.has(short)) return { t: 'ref', name: short };
  const args = inside === undefined ? [] : splitArguments(inside);
  const arg = (index: number): TypeExpr => typeOfText(args[index] ?? '', params, depth + 1);
  if (Object.hasOwn(PRIMITIVES, short) && !args.length) return PRIMITIVES[short]!;
  if (LISTS.test(short)) return { t: 'array', of: arg(0) };
  switch (short) {
    case 'EventCallback':
    case 'Action':
      return {
        t: 'fn',
        params: args.map((_, index) => ({ name: `value${index || ''}`, type: arg(index) })),
        returns: UNKNOWN,
      };
    case 'Func':
      return {
        t: 'fn',
        params: args.slice(0, -1).map((_, index) => ({ name: `value${index || ''}`, type: arg(index) })),
        returns: arg(args.length - 1),
      };
    case 'RenderFragment':
      return args.length
        ? { t: 'fn', params: [{ name: 'context', type: arg(0) }], returns: { t: 'content' } }
        : { t: 'content' };
    case 'Task':
    case 'ValueTask':
      return args.length ? arg(0) : prim('void');
    case 'Nullable':
      return union([arg(0), { t: 'lit', v: null }]);
    default:
      return { t: 'ref', name: short, ...(args.length ? { args: args.map((_, index) => arg(index)) } : {}) };
  }
}

/** Kinds of types that a parameter may be held to, which say nothing of its members. */
const KINDS = /^(class|struct|notnull|unmanaged|default|new\s*\(.*)\??$/;

/** What a parameter must be: `class, IRow, new()`. */
export function constraintOf(text: string, params: ReadonlySet<string>): TypeExpr | undefined {
  const of = splitArguments(text)
    .filter((one) => !KINDS.test(one))
    .map((one) => typeOfText(one, params));
  return of.length > 1 ? { t: 'all', of } : of[0];
}

export function splitArguments(text: string): string[] {
  const found: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    const char = text[i]!;
    if (/[<([]/.test(char)) depth++;
    else if (/[>)\]]/.test(char)) depth--;
    else if (char === ',' && depth === 0) {
      found.push(text.slice(from, i).trim());
      from = i + 1;
    }
  }
  found.push(text.slice(from).trim());
  return found.filter(Boolean);
}
