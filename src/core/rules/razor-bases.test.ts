/** Razor components that extend classes of the project: what they take over, and what is said of it. */
import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { casesFor, type Sources } from './testing';
import { RAZOR_MOUNT, razorCode as code } from './classes-testing';

const cases = casesFor(RAZOR_MOUNT, 'App.razor');

const BASE = `using Microsoft.AspNetCore.Components;
namespace Line.Shared;
public abstract class BoardBase : ComponentBase {
  [Parameter, EditorRequired] public string Title { get; set; } = default!;
  [Parameter] public int Rows { get; set; } = 3;
  [Parameter] public EventCallback<string> OnPicked { get; set; }
  [Parameter] public RenderFragment? ChildContent { get; set; }
  protected List<string> picked = new();
  protected Task Pick(string name) { picked.Add(name); return OnPicked.InvokeAsync(name); }
}
`;

const Board = `@inherits BoardBase
<h2>@Title</h2><p>@picked.Count of @Rows</p><button @onclick='() => Pick("a")'></button>@ChildContent`;

const app = (tag: string, more = '', board = Board): Sources => ({
  'App.razor': tag + code(more),
  'Shared/Board.razor': board,
  'Shared/BoardBase.cs': BASE,
});

describe('what a base in C# declares', () => {
  cases(/^(?!component\/inherits|slot\/unfilled)/, [
    [
      'is taken, raised, placed and shown by who extends it',
      app(
        '<Board Title="a" Rows="4" OnPicked="Note">text</Board><p>@last</p>',
        'private string last = "";\nprivate void Note(string name) { last = name; }',
      ),
      [],
    ],
    [
      'is missing',
      app('<Board OnPicked="Note" />', 'private void Note(string name) { }'),
      ['error prop/missing App.razor:1 Board'],
    ],
    [
      'is all that there is',
      app('<Board Title="a" Row="4" OnPicked="Note" />', 'private void Note(string name) { }'),
      ['error prop/unknown App.razor:1 Row'],
    ],
    [
      'has types',
      app('<Board Title="a" Rows="many" OnPicked="Note" />', 'private void Note(string name) { }'),
      ['error prop/type-clash App.razor:1 Rows'],
    ],
    [
      'has events with payloads',
      app(
        '<Board Title="a" OnPicked="Note" />',
        'private int at;\nprivate void Note(int one) { at = one; }\nprotected override void OnInitialized() { Console.WriteLine(at); }',
      ),
      ['error event/payload-clash App.razor:1 Note'],
    ],
    [
      'is read by nobody',
      app(
        '<Board Title="a" OnPicked="Note" />',
        'private void Note(string name) { }',
        Board.replace(' of @Rows', ''),
      ),
      ['warning prop/unread Shared/BoardBase.cs:5 Rows'],
    ],
    [
      'has no place for content that an heir leaves out',
      app(
        '<Board Title="a" OnPicked="Note">text</Board>',
        'private void Note(string name) { }',
        Board.replace('@ChildContent', ''),
      ),
      ['error slot/no-outlet App.razor:1 Board'],
    ],
    [
      'comes by a base of the base, in another folder',
      {
        ...app(
          '<Board Titel="a" Title="b" OnPicked="Note" />',
          'private void Note(string name) { }',
          Board.replace('BoardBase', 'Line.Wide.WideBase'),
        ),
        'Wide/WideBase.cs':
          'namespace Line.Wide;\npublic class WideBase : Line.Shared.BoardBase { protected int width = 2; }',
      },
      ['error prop/unknown App.razor:1 Titel'],
    ],
    [
      'stands on the class beside the markup',
      {
        ...app(
          '<Board Titel="a" Title="b" OnPicked="Note" />',
          'private void Note(string name) { }',
          Board.replace('@inherits BoardBase\n', ''),
        ),
        'Shared/Board.razor.cs': 'namespace Line.Shared;\npublic partial class Board : BoardBase { }',
      },
      ['error prop/unknown App.razor:1 Titel'],
    ],
    [
      'is generic',
      {
        'App.razor': '<Grid Items="@names" Itmes="@names" />' + code('private List<string> names = new();'),
        'Grid.razor': '@inherits GridBase<string>\n@foreach (var one in Items) { <p>@one</p> }',
        'GridBase.cs':
          'public class GridBase<TItem> : ComponentBase { [Parameter] public List<TItem> Items { get; set; } = new(); }',
      },
      ['error prop/unknown App.razor:1 Itmes'],
    ],
  ]);
});

describe('names of the markup', () => {
  cases(/^template\//, [
    [
      'one that is nearly that of a member of the base',
      {
        'App.razor': '@inherits AppBase\n<p>@Titel @Title @Shown()</p>',
        'AppBase.cs':
          'public class AppBase : ComponentBase { protected string Title = "a"; protected string Shown() => Title; }',
      },
      ['error template/unknown-name App.razor:2 Titel'],
    ],
    [
      'one that is like none, and may be of a type',
      {
        'App.razor': '@inherits AppBase\n<p>@Clock.Now</p>',
        'AppBase.cs': 'public class AppBase : ComponentBase { protected string Title = "a"; }',
      },
      [],
    ],
  ]);
});

describe('nothing is said', () => {
  cases(/^(?!component\/inherits|slot\/unfilled)/, [
    [
      'where a base takes all that is left over, right above or further up',
      {
        'App.razor': '<p><Board Title="a" class="b" Any="2" /><Wide Title="a" Other="3" /></p>',
        'Board.razor': '@inherits OwnBase\n<p @attributes="Others">@Title</p>',
        'Wide.razor': '@inherits MidBase\n<p @attributes="@Others">@Title</p>',
        'MidBase.cs': 'public class MidBase : OwnBase { protected int width = 2; }',
        'OwnBase.cs':
          'public class OwnBase : ComponentBase {\n[Parameter] public string? Title { get; set; }\n[Parameter(CaptureUnmatchedValues = true)] public Dictionary<string, object>? Others { get; set; }\n}',
      },
      [],
    ],
    [
      'of what a base asks for, and of content by names that it takes',
      {
        'App.razor':
          '<CascadingValue Value="@tint"><Board Lines="@lines"><Line Context="one">@one.Length</Line><Empty>none</Empty></Board></CascadingValue>' +
          code('private Tint tint = new();\nprivate List<string> lines = new();'),
        'Board.razor':
          '@typeparam TLine\n@inherits OwnBase<TLine>\n<h2>@Tint.Name</h2>@if (Lines.Count == 0) { @Empty } else { @foreach (var one in Lines) { @Line(one) } }',
        'OwnBase.cs':
          'public class Tint { public string Name { get; set; } = "a"; }\npublic class OwnBase<TLine> : ComponentBase {\n[CascadingParameter] public Tint Tint { get; set; } = default!;\n[Parameter] public List<TLine> Lines { get; set; } = new();\n[Parameter] public RenderFragment<TLine>? Line { get; set; }\n[Parameter] public RenderFragment? Empty { get; set; }\n}',
      },
      [],
    ],
    [
      'of what stands in texts, patterns and code beside the markup',
      {
        'App.razor':
          '<Board Title="a" Kind="Kind.Wide" Count="3" OnDone="Go" />' +
          code('private int n;\nprivate void Go(int x) { n = x; }\nprivate string Shown => n.ToString();'),
        'Board.razor':
          '@inherits OwnBase\n<h2 class="@Css">@($"{Title}: {Count}") @nameof(Kind)</h2>@switch (Kind) { case Kind.Wide: <b>w</b> break; default: <b>n</b> break; }',
        'Board.razor.cs':
          'public partial class Board {\nprivate string Css => Kind switch { Kind.Wide => "w", _ => "n" };\nprotected override async Task OnParametersSetAsync() { await base.OnParametersSetAsync(); if (Count > 2) await Done(Count); }\n}',
        'OwnBase.cs':
          'public enum Kind { Wide, Narrow }\npublic abstract class OwnBase : ComponentBase {\n[Parameter] public string? Title { get; set; }\n[Parameter] public Kind Kind { get; set; }\n[Parameter] public int Count { get; set; }\n[Parameter] public EventCallback<int> OnDone { get; set; }\nprotected async Task Done(int n) { if (OnDone.HasDelegate) await OnDone.InvokeAsync(n); }\n}',
      },
      [],
    ],
    [
      'where the base is of a package',
      { 'App.razor': '<Board Any="a">text</Board>', 'Board.razor': '@inherits PackBase\n<p>@Title @Any</p>' },
      [],
    ],
    [
      'where a further base is of a package',
      {
        'App.razor': '<Board Any="a" />',
        'Board.razor': '@inherits OwnBase\n<p>@Title</p>',
        'OwnBase.cs': 'public class OwnBase : PackBase { [Parameter] public string? Title { get; set; } }',
      },
      [],
    ],
    [
      'where two bases of one name are as near',
      {
        'App.razor': '<Board Any="a" />',
        'Board.razor': '@inherits OwnBase\n<p>@Title</p>',
        'a/OwnBase.cs':
          'public class OwnBase : ComponentBase { [Parameter] public string? Title { get; set; } }',
        'b/OwnBase.cs':
          'public class OwnBase : ComponentBase { [Parameter] public string? Any { get; set; } }',
      },
      [],
    ],
    [
      'of what only heirs and only bases use of each other',
      {
        'App.razor': '<Board Title="a" />',
        'Board.razor':
          '@inherits OwnBase\n<p>@Shown</p>' +
          code('protected override string Mark() => "a" + Extra;\nprivate string Extra => "b";'),
        'OwnBase.cs':
          'public abstract class OwnBase : ComponentBase {\n[Parameter] public string? Title { get; set; }\nprotected string Shown => Title + Mark();\nprotected abstract string Mark();\n}',
      },
      [],
    ],
    [
      'of types and locals that bear no name of a member',
      {
        'App.razor': '<Board Title="a" Side="Side.Left" />',
        'Board.razor':
          '@inherits OwnBase\n@{ var total = Math.Max(1, Title.Length); }\n<p class="@(Side == Side.Left ? "left" : "right")">@total @(new { total }.total)</p>@foreach (var (name, at) in Pairs()) { <b>@name @at</b> }' +
          code(
            'private IEnumerable<(string, int)> Pairs() { foreach (var one in Title.Split(",")) { if (int.TryParse(one, out var n)) yield return (one, n); } }',
          ),
        'OwnBase.cs':
          'public enum Side { Left, Right }\npublic class OwnBase : ComponentBase {\n[Parameter] public string Title { get; set; } = "";\n[Parameter] public Side Side { get; set; }\n}',
      },
      [],
    ],
    [
      'of a layout with a base of its own',
      {
        'App.razor':
          '<Router AppAssembly="@typeof(App).Assembly"><Found Context="data"><RouteView RouteData="@data" DefaultLayout="@typeof(Frame)" /></Found></Router>',
        'Frame.razor': '@inherits FrameBase\n<main>@Body</main>',
        'FrameBase.cs': 'public class FrameBase : LayoutComponentBase { protected bool open; }',
        'Start.razor': '@page "/"\n<p>a</p>',
      },
      [],
    ],
    [
      'of classes that draw by code',
      {
        'App.razor': '<Lamp Tint="red">text</Lamp>',
        'Lamp.cs':
          'public class Lamp : ComponentBase {\n[Parameter] public string? Tint { get; set; }\n[Parameter] public RenderFragment? ChildContent { get; set; }\nprotected override void BuildRenderTree(RenderTreeBuilder builder) { builder.OpenElement(0, "b"); builder.AddAttribute(1, "class", Tint); builder.AddContent(2, ChildContent); builder.CloseElement(); }\n}',
      },
      [],
    ],
    [
      'of classes that are no components',
      {
        'App.razor': '<p></p>',
        'Dog.cs':
          'public class HoldForm : FormModel { public string Name { get; set; } = ""; }\npublic class Api : ControllerBase { [Inject] public Log Log { get; set; } }',
      },
      [],
    ],
  ]);
});

describe('components that extend others', () => {
  cases(/^component\//, [
    [
      'are told of at the name of the base',
      app('<Board Title="a" OnPicked="Note" />', 'private void Note(string name) { }'),
      ['note component/inherits Shared/Board.razor:1 BoardBase'],
    ],
    [
      'may extend one with markup',
      {
        'App.razor': '<Wide Title="a" />',
        'Wide.razor': '@inherits Narrow\n<p>@Title</p>',
        'Narrow.razor': '<b>@Title</b>' + code('[Parameter] public string? Title { get; set; }'),
      },
      ['note component/inherits Wide.razor:1 Narrow'],
    ],
    [
      'a class that draws by code and that nothing draws',
      {
        'App.razor': '<p></p>',
        'Lamp.cs':
          'public class Lamp : ComponentBase { protected override void BuildRenderTree(RenderTreeBuilder builder) { } }',
      },
      ['note component/unused Lamp.cs:1 Lamp'],
    ],
  ]);
});

test('strands run through the members of a base', () => {
  const audit = auditSources({
    ...RAZOR_MOUNT,
    ...app(
      '<Board Title="@head" OnPicked="Note" /><p>@last</p>',
      'private string head = "a";\nprivate string last = "";\nprivate void Note(string name) { last = name; }',
    ),
  });
  const named = (ref: string): string[] => {
    const trace = audit.trace(ref);
    if ('similar' in trace) throw new Error(`${ref} is not found`);
    return trace.hops.map((one) => one.ref);
  };
  expect(named('App:state:head')).toContain('Board:prop:Title');
  expect(named('Board:event:OnPicked')).toContain('App:state:last');
  expect(named('BoardBase:event:OnPicked')).toContain('App:state:last');
});
