/** Forms of Razor: names that code declares, directives, bindings, content, namespaces. */
import { describe } from 'vitest';
import { casesFor } from './testing';
import { RAZOR_MOUNT, razorCode as code } from './classes-testing';

const cases = casesFor(RAZOR_MOUNT, 'App.razor');

const Show = '<b>@Text</b>' + code('[Parameter] public string? Text { get; set; }');

describe('what is handed in', () => {
  cases(/^prop\//, [
    [
      'required keyword',
      {
        'App.razor': '<Show />',
        'Show.razor': '<b>@Text</b>' + code('[Parameter] public required string Text { get; set; }'),
      },
      ['error prop/missing App.razor:1 Show'],
    ],
    [
      'one that is asked of something else by its name is no less unread',
      {
        'App.razor': '<Show Text="a" Count="1" />',
        'Show.razor':
          '<b>@Text @list.Count</b>' +
          code(
            '[Parameter] public string? Text { get; set; }\n[Parameter] public int Count { get; set; }\nprivate List<int> list = new();',
          ),
      },
      ['warning prop/unread Show.razor:4 Count'],
    ],
    [
      'editor required callback',
      {
        'App.razor': '<Show />',
        'Show.razor':
          '<b @onclick="() => OnHeld.InvokeAsync()"></b>' +
          code('[Parameter, EditorRequired] public EventCallback OnHeld { get; set; }'),
      },
      ['error prop/missing App.razor:1 Show'],
    ],
    [
      'number for string',
      { 'App.razor': '<Show Text="@(3)" />', 'Show.razor': Show },
      ['error prop/type-clash App.razor:1 Text'],
    ],
    [
      'list of other element',
      {
        'App.razor': '<Show L="@l" />' + code('private List<string> l = new();'),
        'Show.razor': '<b>@L.Count</b>' + code('[Parameter] public List<int> L { get; set; } = new();'),
      },
      ['error prop/type-clash App.razor:1 L'],
    ],
  ]);
});

describe('handlers of elements', () => {
  cases(/^event\/called-early/, [
    [
      'one that is called, and one that is made by a call',
      {
        'App.razor':
          '<button @onclick="Turn()"></button><button @onclick="Made(2)"></button><button @onclick="Turn"></button>' +
          code(
            'private int at;\nprivate void Turn() { at++; }\nprivate Action Made(int by) => () => at += by;\nprotected override void OnInitialized() { Console.WriteLine(at); }',
          ),
      },
      ['error event/called-early App.razor:1 Turn()'],
    ],
  ]);
});

describe('what is provided', () => {
  cases(/^context\//, [
    [
      'cascade missing owner',
      {
        'App.razor': '<Tab Title="a" />',
        'Tabs.razor':
          '<CascadingValue Value="this">@ChildContent</CascadingValue>' +
          code(
            '[Parameter] public RenderFragment? ChildContent { get; set; }\npublic void Add(string t) { }',
          ),
        'Tab.razor':
          '<b>@Title</b>' +
          code(
            '[CascadingParameter] public Tabs Owner { get; set; } = default!;\n[Parameter] public string? Title { get; set; }\nprotected override void OnInitialized() { Owner.Add(Title!); }',
          ),
      },
      ['error context/no-provider Tab.razor:3 Owner'],
    ],
  ]);
});

describe('handles', () => {
  cases(/^ref\//, [
    [
      'one that is handed on',
      {
        'App.razor':
          '<Gate @ref="g" /><b @onclick="Go"></b>' +
          code('private Gate? g;\nprivate void Go() { Log.Note(g); g?.Shtu(); }'),
        'Gate.razor': '<b></b>' + code('public void Shut() { }'),
      },
      ['error ref/unknown-member App.razor:4 Shtu'],
    ],
    [
      'reach through',
      {
        'App.razor':
          '<Gate @ref="g" /><b @onclick="Go"></b>' +
          code('private Gate? g;\nprivate void Go() { g?.Bolt?.Shut(); }'),
        'Gate.razor': '<Bolt @ref="Bolt" />' + code('public Bolt? Bolt;'),
        'Bolt.razor': '<b></b>' + code('public void Shut() { }'),
      },
      ['warning ref/reach-through App.razor:4 g?.Bolt?.Shut'],
    ],
  ]);
});

describe('content', () => {
  cases(/^slot\//, [
    [
      'slot relayed',
      {
        'App.razor': '<Outer><Head>x</Head></Outer>',
        'Outer.razor':
          '<Mid><Head>@Head</Head></Mid>' + code('[Parameter] public RenderFragment? Head { get; set; }'),
        'Mid.razor':
          '<Inner><Head>@Head</Head></Inner>' + code('[Parameter] public RenderFragment? Head { get; set; }'),
        'Inner.razor': '<b>@Head</b>' + code('[Parameter] public RenderFragment? Head { get; set; }'),
      },
      ['warning slot/relayed Outer.razor:1 Head'],
    ],
  ]);
});

describe('places', () => {
  cases(/^portal\//, [
    [
      'switch state lost',
      {
        'App.razor':
          '@switch (at) { case 1: <div><Log /></div> break; default: <Log /> break; }' +
          code('private int at = 1;'),
        'Log.razor': '<b @onclick="() => n++">@n</b>' + code('private int n;'),
      },
      ['warning portal/state-lost App.razor:1 Log'],
    ],
  ]);
});

describe('names in templates', () => {
  cases(/^template\//, [
    [
      'ternary name typo',
      {
        'App.razor':
          '<p>@(count > 1 ? "many" : lable)</p>' +
          code(
            'private int count = 1;\nprivate string label = "a";\nprotected override void OnInitialized() { label = count.ToString(); }',
          ),
      },
      ['error template/unknown-name App.razor:1 lable'],
    ],
    [
      'method typo',
      { 'App.razor': '<b @onclick="Sav"></b>' + code('private void Save() { }') },
      ['error template/unknown-name App.razor:1 Sav'],
    ],
    [
      'parameter typo in markup',
      {
        'App.razor': '<Show Text="a" />',
        'Show.razor': '<b>@Txet</b>' + code('[Parameter] public string? Text { get; set; }'),
      },
      ['error template/unknown-name Show.razor:1 Txet'],
    ],
    [
      'partial elsewhere',
      {
        'App.razor': '<p>@Titel</p>',
        'App.razor.cs': 'public partial class App { private string Title = "a"; }',
      },
      ['error template/unknown-name App.razor:1 Titel'],
    ],
  ]);
});

describe('components', () => {
  cases(/^component\//, [
    [
      'own namespace',
      { 'App.razor': '<Lmap />', '_Imports.razor': '@using Farm.Parts', 'Parts/Lamp.razor': '<b></b>' },
      ['error component/unresolved App.razor:1 Lmap', 'note component/unused Parts/Lamp.razor:1 '],
    ],
  ]);
});

describe('nothing is wrong', () => {
  cases(/^(?!component)/, [
    [
      'locals in blocks',
      {
        'App.razor':
          '@{ var total = rows.Count; }\n@foreach (var row in rows) { <Show Text="@row" /> }\n@for (int i = 0; i < total; i++) { <p>@i</p> }\n@if (rows.FirstOrDefault() is string first) { <p>@first</p> }\n@switch (total) { case 1: <p>one</p> break; default: <p>@total</p> break; }' +
          code('private List<string> rows = new();'),
        'Show.razor': Show,
      },
      [],
    ],
    [
      'lambdas and linq',
      {
        'App.razor':
          '@foreach (var x in rows.Where(r => r.Length > 1).OrderBy(r => r).Select((r, n) => new { r, n })) { <Show Text="@x.r" /> }\n<button @onclick="@(e => Go(e.ClientX))"></button><button @onclick="async () => await Save()"></button>' +
          code(
            'private List<string> rows = new();\nprivate double at;\nprivate void Go(double x) { at = x; }\nprivate Task Save() => Task.CompletedTask;\nprotected override void OnInitialized() { Console.WriteLine(at); }',
          ),
        'Show.razor': Show,
      },
      [],
    ],
    [
      'inject & js & nav',
      {
        'App.razor':
          '@inject NavigationManager Nav\n@inject IJSRuntime JS\n@page "/"\n<p>@Nav.Uri</p><button @onclick="Go"></button>' +
          code('private async Task Go() { await JS.InvokeVoidAsync("x"); Nav.NavigateTo("/a"); }'),
      },
      [],
    ],
    [
      'edit form',
      {
        'App.razor':
          '<EditForm Model="@m" OnValidSubmit="Save"><DataAnnotationsValidator /><InputText @bind-Value="m.Name" /><ValidationMessage For="@(() => m.Name)" /></EditForm>' +
          code(
            'private Item m = new();\nprivate void Save() { }\npublic class Item { public string Name { get; set; } = ""; }',
          ),
      },
      [],
    ],
    [
      'typeparam',
      {
        'App.razor':
          '<Pick TItem="string" Items="@l" @bind-Value="v"><Row Context="i">@i</Row></Pick>' +
          code('private List<string> l = new();\nprivate string v = "";'),
        'Pick.razor':
          '@typeparam TItem\n@foreach (var i in Items) { <li @onclick="() => ValueChanged.InvokeAsync(i)">@Row(i) @(Equals(i, Value))</li> }' +
          code(
            '[Parameter] public List<TItem> Items { get; set; } = new();\n[Parameter] public TItem? Value { get; set; }\n[Parameter] public EventCallback<TItem> ValueChanged { get; set; }\n[Parameter] public RenderFragment<TItem> Row { get; set; } = default!;',
          ),
      },
      [],
    ],
    [
      'nullable to non-null',
      {
        'App.razor':
          '<Show Text="@t" />' +
          code('private string? t;\nprotected override void OnInitialized() { t = "a"; }'),
        'Show.razor':
          '<b>@Text</b>' + code('[Parameter, EditorRequired] public string Text { get; set; } = default!;'),
      },
      [],
    ],
    [
      'int from double',
      {
        'App.razor': '<Show N="1.5" />',
        'Show.razor': '<b>@N</b>' + code('[Parameter] public double N { get; set; }'),
      },
      [],
    ],
    [
      'datetime from string',
      {
        'App.razor': '<Show At="today" />',
        'Show.razor': '<b>@At</b>' + code('[Parameter] public DateTime At { get; set; }'),
      },
      [],
    ],
    [
      'callback async handler ok',
      {
        'App.razor':
          '<Row OnPick="Choose" /><Row OnPick="@(async (int n) => await Task.Delay(n))" />' +
          code('private async Task Choose(int n) { await Task.Delay(n); }'),
        'Row.razor':
          '<b @onclick="() => OnPick.InvokeAsync(1)"></b>' +
          code('[Parameter] public EventCallback<int> OnPick { get; set; }'),
      },
      [],
    ],
    [
      'callback without arg ok',
      {
        'App.razor': '<Row OnPick="Choose" />' + code('private void Choose() { }'),
        'Row.razor':
          '<b @onclick="() => OnPick.InvokeAsync(1)"></b>' +
          code('[Parameter] public EventCallback<int> OnPick { get; set; }'),
      },
      [],
    ],
    [
      'HasDelegate is a read',
      {
        'App.razor': '<Row OnPick="Choose" />' + code('private void Choose() { }'),
        'Row.razor':
          '@if (OnPick.HasDelegate) { <b @onclick="OnPick"></b> }' +
          code('[Parameter] public EventCallback OnPick { get; set; }'),
      },
      [],
    ],
    [
      'bind get set',
      {
        'App.razor':
          '<Dial @bind-At:get="level" @bind-At:set="Keep" />' +
          code('private int level;\nprivate void Keep(int n) { level = n; }'),
        'Dial.razor':
          '<input @bind="At" @bind:after="Tell" />' +
          code(
            '[Parameter] public int At { get; set; }\n[Parameter] public EventCallback<int> AtChanged { get; set; }\nprivate Task Tell() => AtChanged.InvokeAsync(At);',
          ),
      },
      [],
    ],
    [
      'state in child of cascade by name',
      {
        'App.razor':
          '<CascadingValue Name="Line" Value="@name" IsFixed="true"><Leaf /></CascadingValue>' +
          code('private string name = "a";'),
        'Leaf.razor':
          '<b>@Line</b>' + code('[CascadingParameter(Name = "Line")] private string? Line { get; set; }'),
      },
      [],
    ],
    [
      'cascade from this',
      {
        'App.razor': '<Tabs><Tab Title="a" /></Tabs>',
        'Tabs.razor':
          '<CascadingValue Value="this">@ChildContent</CascadingValue>' +
          code(
            '[Parameter] public RenderFragment? ChildContent { get; set; }\npublic void Add(string t) { all.Add(t); }\nprivate List<string> all = new();',
          ),
        'Tab.razor':
          '<b>@Title</b>' +
          code(
            '[CascadingParameter] public Tabs Owner { get; set; } = default!;\n[Parameter] public string? Title { get; set; }\nprotected override void OnInitialized() { Owner.Add(Title!); }',
          ),
      },
      [],
    ],
    [
      'ref after render ok',
      {
        'App.razor':
          '<Gate @ref="g" />' +
          code(
            'private Gate g = default!;\nprotected override void OnAfterRender(bool first) { if (first) g.Open(); }',
          ),
        'Gate.razor': '<b></b>' + code('public void Open() { }'),
      },
      [],
    ],
    [
      'ref element ok',
      {
        'App.razor':
          '<input @ref="box" />' +
          code(
            'private ElementReference box;\nprotected override async Task OnAfterRenderAsync(bool first) { await box.FocusAsync(); }',
          ),
      },
      [],
    ],
    [
      'splat unknown',
      {
        'App.razor': '<Field Label="a" maxlength="3" />',
        'Field.razor':
          '<input @attributes="Rest" aria-label="@Label" />' +
          code(
            '[Parameter] public string? Label { get; set; }\n[Parameter(CaptureUnmatchedValues = true)] public IDictionary<string, object>? Rest { get; set; }',
          ),
      },
      [],
    ],
    [
      'static class',
      {
        'App.razor': '<p>@Formats.Short(1) @DateTime.Now @Math.PI</p>',
        'Formats.cs': 'public static class Formats { public static string Short(int n) => n.ToString(); }',
      },
      [],
    ],
    ['imports others', { 'App.razor': '<Grid Data="1" />', '_Imports.razor': '@using Vendor.Controls' }, []],
    [
      'page params not missing',
      {
        'App.razor':
          '<Router AppAssembly="@typeof(App).Assembly"><Found Context="r"><RouteView RouteData="@r" /></Found></Router>',
        'Day.razor':
          '@page "/day/{No}"\n<p>@No</p>' +
          code('[Parameter, EditorRequired] public string No { get; set; } = "";'),
      },
      [],
    ],
  ]);
});
