/** Markup and C# are read to their end, whatever stands in them, in a time that grows with their length. */
import { describe, expect, test } from 'vitest';
import { CSharp } from './csharp';
import { readCSharpFile } from './csharp-file';
import { readRazorFile } from './file';
import { type MarkupNode, RazorMarkup } from './markup';
import type { MemberNode } from './nodes';

const shown = (text: string, nodes: MarkupNode[]): string =>
  nodes
    .map((node): string => {
      switch (node.type) {
        case 'element':
          return `${node.name}${node.attributes.map((one) => ` ${one.name}${one.value ? `=${text.slice(one.value.start, one.value.end)}` : ''}`).join('')}(${shown(text, node.children)})`;
        case 'code':
          return `@${text.slice(node.code.start, node.code.end)}`;
        case 'block':
          return `${node.word}{${node.branches.map((one) => `${one.head ? `[${text.slice(one.head.start, one.head.end)}]` : ''}${shown(text, one.children)}`).join('|')}}`;
        case 'directive':
          return `#${node.word}:${text.slice(node.rest.start, node.rest.end).trim()}`;
        default:
          return text.slice(node.start, node.end).trim();
      }
    })
    .join(' ');

describe('markup', () => {
  test.each([
    [
      '<p>@Name is @(a + ")") <br>@Rows[0].Get(")")!.Text.</p>',
      'p(@Name is @a + ")" br() @Rows[0].Get(")")!.Text .)',
    ],
    [
      '<A B="@x" C=\'@(y ? "1" : "2")\' D=@z @onclick="@(() => Go("a"))" E />',
      'A B=@x C=@(y ? "1" : "2") D=@z @onclick=@(() => Go("a")) E()',
    ],
    [
      '@if (a > b) { <A /> } else if (c) { <B /> } else { var x = 1; <C /> }',
      'if{[a > b]A()|[c]B()|var x = 1; C()}',
    ],
    [
      '@foreach (var x in Rows.Where(r => r.On)) { if (x.Ok) { <A /> } }',
      'foreach{[var x in Rows.Where(r => r.On)]if{[x.Ok]A()}}',
    ],
    ['@switch (x) { case 1: <A /> break; default: <B /> break; }', 'switch{[x]A() break; B() break;}'],
    ['@page "/a"\n@inject Log Log\n<A />', '#page:"/a" #inject:Log Log A()'],
    ['a@b.example @@c @* <A /> *@<!-- <B /> --><style>a > b { c: @d }</style>', 'a b.example c style()'],
    ['<div><p>a</div><A>b', 'div(p(a)) A(b)'],
    [
      '@code { string a = "}"; /* } */ char b = \'}\'; string c = @"""}"; string d = $"{e["}"]}"; }<A />',
      '#code:string a = "}"; /* } */ char b = \'}\'; string c = @"""}"; string d = $"{e["}"]}"; A()',
    ],
  ])('%s', (text, expected) => {
    expect(shown(text, new RazorMarkup(text).whole())).toBe(expected);
  });
});

const memberText = ({ kind, name, typeText, attributes, value, fn }: MemberNode): string =>
  `${attributes.map((one) => `[${one.name}] `).join('')}${kind} ${typeText} ${name}${value ? ` = ${value.type}` : ''}${fn ? ` ${fn.kind}(${fn.params.map((one) => (one as { name: string }).name).join()})` : ''}`;

describe('members', () => {
  test.each([
    [
      '[Parameter, EditorRequired] public List<int?> Rows { get; set; } = default!;',
      '[Parameter] [EditorRequired] property List<int?> Rows = NullLiteral',
    ],
    [
      'private readonly string[] names = { "a", "b" }; int x;',
      'field string[] names = ArrayExpression; field int x',
    ],
    ['public (int A, string B) Pair => (1, "x");', 'property (int A, string B) Pair get()'],
    [
      'private int level; public int Level { get => level; set { level = value; } }',
      'field int level; property int Level get()',
    ],
    [
      'private async Task<int> Go<T>(T one, [Name] int two = 3, params string[] more) where T : class { return 1; }',
      'method Task<int> Go method(one,two,more)',
    ],
    [
      '[Inject] private ILog Log { get; init; } = null!; record Inner(int A) { int b; } bool c;',
      '[Inject] property ILog Log = NullLiteral; field bool c',
    ],
    [
      '#if DEBUG\nint a;\n#endif\n/// <summary>}</summary>\nint b = 1, c;',
      'field int a; field int b = NumericLiteral',
    ],
    [
      'string s = $"{a:0.0} {{x}} {(b ? "1" : "2")}"; string r = """\n "}" \n"""; int z;',
      'field string s = TemplateLiteral; field string r = StringLiteral; field int z',
    ],
    [
      'Func<int, Task> f = async n => { await Go(n); }; event Action? Turned; int z;',
      'field Func<int, Task> f = ArrowFunctionExpression; field Action? Turned; field int z',
    ],
  ])('%s', (text, expected) => {
    expect(CSharp.members(text, 0, text.length, new Set()).map(memberText).join('; ')).toBe(expected);
  });
});

const WHOLE = `@page "/a/{Day:int}"
@inherits LayoutComponentBase
@inject Line Line
@typeparam TItem where TItem : class
<CascadingValue Name="House" Value="@house"><A @bind-Value="x" @ref="a" Context="c">@c.D<B>@context</B></A></CascadingValue>
@for (var i = 0; i < 3; i++) { <i @key="i">@Rows[i]?.Name!.Get<int>(out var z)</i> }
@code {
  [Parameter, EditorRequired] public RenderFragment<TItem> Row { get; set; } = default!;
  private A? a; private readonly List<int> rows = new() { 1, 2 }; int[] more = { 1 };
  protected override async Task OnParametersSetAsync() { foreach (var (k, v) in map) { try { await Go(k); } catch (Exception e) when (e is { Message: "x" }) { } } }
  string Text(int n) => n switch { > 3 and < 9 => $"{n:0} \\" {{}}", _ => @"c:\\""" };
}`;

test('a file that is cut off anywhere, or lacks any piece, is read to its end', () => {
  let read = 0;
  for (let at = 0; at < WHOLE.length; at++)
    for (const text of [WHOLE.slice(0, at), WHOLE.slice(at), WHOLE.slice(0, at) + WHOLE.slice(at + 7)]) {
      expect(readRazorFile('A.razor', text, () => undefined).problem).toBeUndefined();
      expect(readCSharpFile('A.cs', text).problem).toBeUndefined();
      read++;
    }
  expect(read).toBe(WHOLE.length * 3);
});

test('a file whose pieces stand in any order is read to its end', () => {
  // Numbers that look random, and are the same each time.
  let seed = 7;
  const next = (most: number): number => (seed = (seed * 16807) % 2147483647) % most;
  const given = `${WHOLE}<DynamicComponent Type="typeof(A)" Parameters='@(new() { ["B"] = x, { "C", y } })' />`;
  for (let turn = 0; turn < 300; turn++) {
    const pieces: string[] = [];
    for (let at = 0; at < given.length;) {
      const length = 1 + next(turn % 2 ? 6 : 60);
      pieces.splice(next(pieces.length + 1), 0, given.slice(at, at + length));
      at += length;
    }
    const text = pieces.join('');
    expect(text).toHaveLength(given.length);
    expect(readRazorFile('A.razor', text, () => undefined).problem).toBeUndefined();
    expect(readCSharpFile('A.cs', text).problem).toBeUndefined();
  }
});

test.each([
  ['tags in tags', (n: number) => '<A>'.repeat(n)],
  ['blocks in blocks', (n: number) => '@if (a) { <A> '.repeat(n)],
  ['brackets', (n: number) => `@(${'('.repeat(n)}`],
  ['lambdas', (n: number) => `@code { int a = ${'x => '.repeat(n)}1; }`],
  ['types', (n: number) => `@code { ${'List<'.repeat(n)} a; }`],
  ['quotes', (n: number) => `<A B="@(${'"@("'.repeat(n)}`],
  ['many members', (n: number) => `@code { ${'[Parameter] public int A { get; set; } '.repeat(n)} }`],
])('a time that grows with the length: %s', (_, make) => {
  const time = (n: number): number => {
    const text = make(n);
    const from = performance.now();
    readRazorFile('A.razor', text, () => undefined);
    return performance.now() - from;
  };
  time(200);
  const best = (n: number) => Math.min(...Array.from({ length: 7 }, () => time(n)));
  expect(best(8000) / Math.max(best(1000), 0.5)).toBeLessThan(40);
});
