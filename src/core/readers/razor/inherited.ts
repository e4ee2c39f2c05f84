/** Members that a class takes over from its base: names of its code that nothing in sight declares. */
import type { Span } from '../../model/facts';
import { addSymbol } from '../script/unit';
import { bindingOf, type Scope } from '../script/scope';
import type { RazorUnit } from './unit';

/** Whether a name that stands at a place is that of a member. */
export type IsMember = (name: string, at: Span) => boolean;

/** What the framework and the language have names for. */
export const KNOWN =
  /^(_|context|value|builder|__builder|nameof|typeof|default|undefined|StateHasChanged|InvokeAsync|ShouldRender|RendererInfo|AssignedRenderMode|Assets)$/;

/** Types that everybody knows, and what is no member where it stands alone. */
const COMMON = new Set(
  (
    'base this int long short byte float double decimal bool char string object var ' +
    'Math MathF String Int32 Int64 Double Decimal Boolean Char Byte Single Object Convert Console Enumerable Guid Task ValueTask ' +
    'TimeSpan DateTime DateTimeOffset DateOnly TimeOnly Path File Directory Environment JsonSerializer Regex CultureInfo Enum ' +
    'Array Activator GC Thread Interlocked Encoding Uri StringComparison StringComparer EventCallback Random Stopwatch Debug ' +
    'BindConverter CancellationToken'
  ).split(' '),
);

/** Tells members of a class. Names that may be those of a base are noted in `taken`, where the class has a base. */
export function memberTest(names: ReadonlySet<string>, taken: Map<string, Span> | undefined): IsMember {
  return (name, at) => {
    if (names.has(name)) return true;
    if (!taken || !/^[\p{L}_]/u.test(name) || KNOWN.test(name) || COMMON.has(name)) return false;
    if (!taken.has(name)) taken.set(name, { start: at.start, end: at.end });
    return true;
  };
}

/** The same for code of the markup, where names around hide members. */
export function memberIn(u: RazorUnit, scope: Scope): IsMember {
  const isMember = memberTest(u.names, u.taken);
  return (name, at) => {
    if (bindingOf(name, scope) || !isMember(name, at)) return false;
    if (u.names.has(name)) return true;
    takeOver(u, name, at);
    u.unbound.push({ name, start: at.start, end: at.end, ofBase: true });
    return true;
  };
}

/** The symbol of a member that a base may declare: which one that is, is known when files are linked. */
export function takeOver(u: RazorUnit, name: string, { start, end }: Span): void {
  if (u.members.has(name)) return;
  u.members.set(name, addSymbol(u, { name, kind: 'inherited', port: name, start, end }));
}
