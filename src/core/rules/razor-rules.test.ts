/** Razor components, rule by rule: one or two of each, and what is said of them. */
import { describe } from 'vitest';
import { type Case, casesFor } from './testing';
import { RAZOR_MOUNT, razorCode as code } from './classes-testing';

const cases = casesFor(RAZOR_MOUNT, 'App.razor');

const Lamp = '<b>@Tint</b>' + code('[Parameter] public string? Tint { get; set; }');

describe('what is handed in', () => {
  cases(/^prop\//, [
    [
      'unread',
      {
        'App.razor': '<Lamp Tint="a" />',
        'Lamp.razor': '<b></b>' + code('[Parameter] public string? Tint { get; set; }'),
      },
      ['warning prop/unread Lamp.razor:3 Tint'],
    ],
    [
      'never passed',
      { 'App.razor': '<Lamp />', 'Lamp.razor': Lamp },
      ['warning prop/never-passed Lamp.razor:3 Tint'],
    ],
    [
      'required ref type warn',
      {
        'App.razor': '<Lamp />',
        'Lamp.razor': '<b>@Tint</b>' + code('[Parameter] public string Tint { get; set; } = default!;'),
      },
      ['warning prop/missing App.razor:1 Lamp'],
    ],
    [
      'clash bool',
      {
        'App.razor': '<Lamp On="yes" />',
        'Lamp.razor': '<b>@On</b>' + code('[Parameter] public bool On { get; set; }'),
      },
      ['error prop/type-clash App.razor:1 On'],
    ],
    [
      'clash enum',
      {
        'App.razor': '<Lamp Mode="Fats" />',
        'Lamp.razor':
          '<b>@Mode</b>' +
          code('public enum Modes { Fast, Slow }\n[Parameter] public Modes Mode { get; set; }'),
      },
      ['error prop/type-clash App.razor:1 Mode'],
    ],
    [
      'clash expr',
      {
        'App.razor': '<Lamp N="@(\"a\" + x)" />' + code('string x = "b";'),
        'Lamp.razor': '<b>@N</b>' + code('[Parameter] public int N { get; set; }'),
      },
      ['error prop/type-clash App.razor:1 N'],
    ],
    [
      'default clash',
      {
        'App.razor': '<Lamp N="1" />',
        'Lamp.razor': '<b>@N</b>' + code('[Parameter] public int N { get; set; } = "a";'),
      },
      ['error prop/default-clash Lamp.razor:3 "a"'],
    ],
    [
      'overwritten',
      {
        'App.razor': '<Lamp N="1" />',
        'Lamp.razor':
          '<b @onclick="Up">@N</b>' + code('[Parameter] public int N { get; set; }\nvoid Up() { N++; }'),
      },
      ['warning prop/overwritten Lamp.razor:4 N++'],
    ],
    [
      'overwritten list',
      {
        'App.razor': '<Lamp L="@l" />' + code('List<int> l = new();'),
        'Lamp.razor':
          '<b @onclick="Up">@L.Count</b>' +
          code('[Parameter] public List<int> L { get; set; } = new();\nvoid Up() { L.Add(1); }'),
      },
      ['warning prop/overwritten Lamp.razor:4 L.Add(1)'],
    ],
    [
      'stale copy OnInitialized',
      {
        'App.razor': '<Lamp N="1" />',
        'Lamp.razor':
          '<b @onclick="Up">@k</b>' +
          code(
            '[Parameter] public int N { get; set; }\nprivate int k;\nprotected override void OnInitialized() { k = N; }\nvoid Up() { k++; }',
          ),
      },
      ['note prop/stale-copy Lamp.razor:4 k'],
    ],
    [
      'name clash method',
      {
        'App.razor': '<Lamp N="1" />',
        'Lamp.razor': '<b>@N</b>' + code('[Parameter] public int N { get; set; }\nint N() { return 1; }'),
      },
      ['error prop/name-clash Lamp.razor:4 N'],
    ],
    [
      'drilled callback',
      {
        'App.razor': '<Top OnLit="Go" />' + code('void Go(int n) { }'),
        'Top.razor':
          '<Mid OnLit="OnLit" />' + code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
        'Mid.razor':
          '<Lamp OnLit="OnLit" />' + code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
        'Lamp.razor':
          '<b @onclick="() => OnLit.InvokeAsync(1)"></b>' +
          code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
      },
      ['warning prop/drilled Top.razor:3 OnLit'],
    ],
    [
      'drilled value',
      {
        'App.razor': '<Top N="@n" />' + code('int n = 1;'),
        'Top.razor': '<Mid N="@N" />' + code('[Parameter] public int N { get; set; }'),
        'Mid.razor': '<Lamp N="N" />' + code('[Parameter] public int N { get; set; }'),
        'Lamp.razor': '<b>@N</b>' + code('[Parameter] public int N { get; set; }'),
      },
      ['warning prop/drilled Top.razor:3 N'],
    ],
    [
      'partial class',
      {
        'App.razor': '<Lamp Tnit="a" />',
        'Lamp.razor': '<b>@Tint</b>',
        'Lamp.razor.cs': 'public partial class Lamp\n{\n    [Parameter] public string? Tint { get; set; }\n}',
      },
      ['error prop/unknown App.razor:1 Tnit'],
    ],
    [
      'constant',
      { 'App.razor': '<Lamp Tint="a" /><Lamp Tint="a" /><Lamp Tint="a" />', 'Lamp.razor': Lamp },
      ['note prop/constant Lamp.razor:3 Tint'],
    ],
  ]);
});

describe('events', () => {
  cases(/^event\//, [
    [
      'unknown handler',
      { 'App.razor': '<Lamp Tint="a" OnLit="Go" />' + code('void Go() { }'), 'Lamp.razor': Lamp },
      ['error event/unknown App.razor:1 OnLit'],
    ],
    [
      'unheard',
      {
        'App.razor': '<Lamp />',
        'Lamp.razor':
          '<b @onclick="() => OnLit.InvokeAsync(1)"></b>' +
          code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
      },
      ['warning event/unheard Lamp.razor:3 OnLit'],
    ],
    [
      'never emitted',
      {
        'App.razor': '<Lamp OnLit="Go" />' + code('void Go(int n) { }'),
        'Lamp.razor': '<b></b>' + code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
      },
      ['warning event/never-emitted Lamp.razor:3 OnLit'],
    ],
    [
      'broken path',
      {
        'App.razor': '<Mid OnLit="Go" />' + code('void Go(int n) { }'),
        'Mid.razor': '<Lamp />' + code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
        'Lamp.razor':
          '<b @onclick="() => OnLit.InvokeAsync(1)"></b>' +
          code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
      },
      ['error event/broken-path Mid.razor:3 OnLit'],
    ],
    [
      'payload emit',
      {
        'App.razor': '<Lamp OnLit="Go" />' + code('void Go(int n) { }'),
        'Lamp.razor':
          '<b @onclick="@(() => OnLit.InvokeAsync("a"))"></b>' +
          code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
      },
      ['error event/payload-clash Lamp.razor:1 OnLit.InvokeAsync("a")'],
    ],
    [
      'payload handler',
      {
        'App.razor': '<Lamp OnLit="Go" />' + code('void Go(string n) { }'),
        'Lamp.razor':
          '<b @onclick="() => OnLit.InvokeAsync(1)"></b>' +
          code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
      },
      ['error event/payload-clash App.razor:1 Go'],
    ],
    [
      'payload handler too many',
      {
        'App.razor': '<Lamp OnLit="Go" />' + code('void Go(int a, int b) { }'),
        'Lamp.razor':
          '<b @onclick="() => OnLit.InvokeAsync(1)"></b>' +
          code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
      },
      ['error event/payload-clash App.razor:1 Go'],
    ],
    [
      'called early',
      {
        'App.razor': '<Lamp OnLit="@Go()" />' + code('void Go() { }'),
        'Lamp.razor':
          '<b @onclick="() => OnLit.InvokeAsync()"></b>' +
          code('[Parameter] public EventCallback OnLit { get; set; }'),
      },
      ['error event/called-early App.razor:1 Go()'],
    ],
    [
      'relayed',
      {
        'App.razor': '<Top OnLit="Go" />' + code('void Go(int n) { }'),
        'Top.razor':
          '<Mid OnLit="n => OnLit.InvokeAsync(n)" />' +
          code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
        'Mid.razor':
          '<Lamp OnLit="n => OnLit.InvokeAsync(n)" />' +
          code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
        'Lamp.razor':
          '<b @onclick="() => OnLit.InvokeAsync(1)"></b>' +
          code('[Parameter] public EventCallback<int> OnLit { get; set; }'),
      },
      ['warning event/relayed Mid.razor:1 n => OnLit.InvokeAsync(n)'],
    ],
    [
      'unguarded Func',
      {
        'App.razor': '<div><Lamp /><Lamp Done="Go" /></div>' + code('void Go() { }'),
        'Lamp.razor':
          '<b @onclick="Up"></b>' +
          code('[Parameter] public Action? Done { get; set; }\nvoid Up() { Done(); }'),
      },
      ['warning event/unguarded-call Lamp.razor:4 Done()'],
    ],
    [
      'half pair',
      {
        'App.razor': '<div><Lamp Value="1" /><Lamp @bind-Value="k" /></div>' + code('int k = 2;'),
        'Lamp.razor':
          '<b @onclick="() => ValueChanged.InvokeAsync(2)">@Value</b>' +
          code(
            '[Parameter] public int Value { get; set; }\n[Parameter] public EventCallback<int> ValueChanged { get; set; }',
          ),
      },
      ['note event/half-pair App.razor:1 Value'],
    ],
    [
      'bind without changed',
      {
        'App.razor': '<Lamp @bind-Value="k" />' + code('int k = 2;'),
        'Lamp.razor': '<b>@Value</b>' + code('[Parameter] public int Value { get; set; }'),
      },
      ['error event/unknown App.razor:1 Value'],
    ],
  ]);
});

describe('what is provided', () => {
  cases(/^context\//, [
    [
      'no cascading',
      {
        'App.razor': '<Lamp />',
        'Lamp.razor':
          '<b>@T.Name</b>' +
          code(
            '[CascadingParameter] public Theme T { get; set; } = default!;\npublic class Theme { public string Name = ""; }',
          ),
      },
      ['error context/no-provider Lamp.razor:3 T'],
    ],
    [
      'cascading some',
      {
        'App.razor':
          '<div><Lamp /><CascadingValue Value="@t"><Lamp /></CascadingValue></div>' +
          code('Theme t = new();\npublic class Theme { public string Name = ""; }'),
        'Lamp.razor':
          '<b>@T.Name</b>' + code('[CascadingParameter] public Theme T { get; set; } = default!;'),
      },
      ['warning context/no-provider Lamp.razor:3 T'],
    ],
    [
      'cascading name near',
      {
        'App.razor':
          '<CascadingValue Name="thema" Value="@t"><Lamp /></CascadingValue>' + code('string t = "a";'),
        'Lamp.razor':
          '<b>@T.Length</b>' +
          code('[CascadingParameter(Name = "theme")] public string T { get; set; } = default!;'),
      },
      ['error context/no-provider Lamp.razor:3 T'],
    ],
    [
      'cascading unread',
      {
        'App.razor':
          '<CascadingValue Value="@t"><b>x</b></CascadingValue>' +
          code('Theme t = new();\npublic class Theme { public string Name = ""; }'),
      },
      ['warning context/unread App.razor:1 CascadingValue'],
    ],
    [
      'cascading shadowed',
      {
        'App.razor':
          '<CascadingValue Value="@t"><Mid /></CascadingValue>' +
          code('Theme t = new();\npublic class Theme { public string Name = ""; }'),
        'Mid.razor': '<CascadingValue Value="@u"><Lamp /></CascadingValue>' + code('Theme u = new();'),
        'Lamp.razor':
          '<b>@T.Name</b>' + code('[CascadingParameter] public Theme T { get; set; } = default!;'),
      },
      ['note context/shadowed Mid.razor:1 CascadingValue'],
    ],
    [
      'cascading type clash by name',
      {
        'App.razor': '<CascadingValue Name="theme" Value="@t"><Lamp /></CascadingValue>' + code('int t = 1;'),
        'Lamp.razor':
          '<b>@T</b>' + code('[CascadingParameter(Name = "theme")] public string T { get; set; } = "x";'),
      },
      ['error context/type-clash App.razor:1 t'],
    ],
  ]);
});

describe('content', () => {
  cases(/^slot\//, [
    [
      'slot unknown',
      {
        'App.razor': '<Box><Foot>x</Foot></Box>',
        'Box.razor': '<div>@Head</div>' + code('[Parameter] public RenderFragment? Head { get; set; }'),
      },
      ['error slot/unknown App.razor:1 Foot', 'note slot/unfilled Box.razor:1 Head'],
    ],
    [
      'slot no outlet',
      {
        'App.razor': '<Box><p>x</p></Box>',
        'Box.razor': '<div></div>' + code('[Parameter] public RenderFragment? ChildContent { get; set; }'),
      },
      ['error slot/no-outlet App.razor:1 Box'],
    ],
    [
      'slot unfilled',
      {
        'App.razor': '<Box><ChildContent><p>x</p></ChildContent></Box>',
        'Box.razor':
          '<div>@Head @ChildContent</div>' +
          code(
            '[Parameter] public RenderFragment? Head { get; set; }\n[Parameter] public RenderFragment? ChildContent { get; set; }',
          ),
      },
      ['note slot/unfilled Box.razor:1 Head'],
    ],
    [
      'slot double',
      {
        'App.razor': '<Box ChildContent="@f"><p>x</p></Box>' + code('RenderFragment f = b => { };'),
        'Box.razor':
          '<div>@ChildContent</div>' + code('[Parameter] public RenderFragment? ChildContent { get; set; }'),
      },
      ['warning slot/double-content App.razor:1 ChildContent'],
    ],
    [
      'slot context member',
      {
        'App.razor':
          '<Box Items="@l"><Row>@context.Nmae</Row></Box>' +
          code('List<Item> l = new();\npublic class Item { public string Name = ""; }'),
        'Box.razor':
          '@foreach (var i in Items) { @Row(i) }' +
          code(
            '[Parameter] public List<Item> Items { get; set; } = new();\n[Parameter] public RenderFragment<Item> Row { get; set; } = default!;',
          ),
      },
      ['error slot/prop-unknown App.razor:1 Nmae'],
    ],
  ]);
});

describe('handles', () => {
  cases(/^ref\//, [
    [
      'ref unknown member',
      {
        'App.razor': '<Gate @ref="g" /><b @onclick="Go"></b>' + code('Gate? g;\nvoid Go() { g?.Opne(); }'),
        'Gate.razor': '<b></b>' + code('public void Open() { }'),
      },
      ['error ref/unknown-member App.razor:4 Opne'],
    ],
    [
      'ref private member',
      {
        'App.razor': '<Gate @ref="g" /><b @onclick="Go"></b>' + code('Gate? g;\nvoid Go() { g?.Open(); }'),
        'Gate.razor': '<b></b>' + code('void Open() { }'),
      },
      ['error ref/unknown-member App.razor:4 Open'],
    ],
    [
      'ref unattached',
      {
        'App.razor': '<Gate /><b @onclick="Go"></b>' + code('Gate? g;\nvoid Go() { g?.Open(); }'),
        'Gate.razor': '<b></b>' + code('public void Open() { }'),
      },
      ['warning ref/unattached App.razor:3 g'],
    ],
    [
      'ref early',
      {
        'App.razor':
          '<Gate @ref="g" />' +
          code('Gate g = default!;\nprotected override void OnInitialized() { g.Open(); }'),
        'Gate.razor': '<b></b>' + code('public void Open() { }'),
      },
      ['error ref/early-read App.razor:4 g.Open'],
    ],
    [
      'ref unread',
      {
        'App.razor': '<Gate @ref="g" />' + code('Gate? g;'),
        'Gate.razor': '<b></b>' + code('public void Open() { }'),
      },
      ['note ref/unread App.razor:3 g'],
    ],
  ]);
});

describe('places', () => {
  cases(/^portal\//, [
    [
      'state lost',
      {
        'App.razor': '@if (wide) { <aside><Log /></aside> } else { <Log /> }' + code('bool wide = true;'),
        'Log.razor': '<b @onclick="Up">@n</b>' + code('int n = 0;\nvoid Up() { n++; }'),
      },
      ['warning portal/state-lost App.razor:1 Log'],
    ],
    [
      'what is put there at first is put there again',
      {
        'App.razor': '@if (wide) { <aside><Log /></aside> } else { <Log /> }' + code('bool wide = true;'),
        'Log.razor':
          '<b>@n @most</b>' +
          code('int n = 0;\nint most = 3;\nprotected override void OnInitialized() { n = 2; }'),
      },
      [],
    ],
  ]);
});

describe('names in templates', () => {
  cases(/^template\//, [
    [
      'unknown name',
      { 'App.razor': '<b>@wnid</b>' + code('int wind = 1;') },
      ['error template/unknown-name App.razor:1 wnid'],
    ],
  ]);
});

describe('components', () => {
  cases(/^component\//, [
    [
      'unresolved',
      { 'App.razor': '<Lmap Tint="a" /><Lamp Tint="a" />', 'Lamp.razor': Lamp },
      ['error component/unresolved App.razor:1 Lmap'],
    ],
    ['unused', { 'App.razor': '<b></b>', 'Lamp.razor': Lamp }, ['note component/unused Lamp.razor:1 ']],
  ]);
});

describe('state', () => {
  cases(/^state\//, [
    [
      'twin',
      {
        'App.razor': '<b @onclick="() => open = !open">@open</b><Log />' + code('bool open = false;'),
        'Log.razor': '<b @onclick="() => open = !open">@open</b>' + code('bool open = false;'),
      },
      ['note state/twin Log.razor:3 open'],
    ],
    [
      'setup race',
      {
        'App.razor':
          '@inject Fleet F\n<Lamp />' + code('protected override void OnInitialized() { F.Mode = "a"; }'),
        'Lamp.razor':
          '@inject Fleet F\n<b>@F.Mode</b>' +
          code('protected override void OnInitialized() { F.Mode = "b"; }'),
        'Fleet.cs': 'public class Fleet { public string Mode = ""; }',
        'Program.cs':
          'var builder = Host.CreateDefault(args);\nbuilder.RootComponents.Add<App>("#app");\nbuilder.Services.AddScoped<Fleet>();\n',
      },
      ['warning state/setup-race App.razor:4 F.Mode = "a"'],
    ],
  ]);
});

describe('nothing is wrong', () => {
  cases(/^(?!component)/, [
    [
      'inject given',
      {
        'App.razor': '@inject Fleet fleet\n<b>@fleet.N</b>',
        'Fleet.cs': 'public class Fleet { public int N = 1; }',
        'Program.cs':
          'var builder = Host.CreateDefault(args);\nbuilder.RootComponents.Add<App>("#app");\nbuilder.Services.AddScoped<Fleet>();\n',
      },
      [],
    ],
    [
      'dynamic component',
      {
        'App.razor':
          '<DynamicComponent Type="@typeof(Lamp)" Parameters="@p" />' +
          code('Dictionary<string, object> p = new();'),
        'Lamp.razor': Lamp,
      },
      [],
    ],
    ...(
      [
        [
          'that is given what the tag writes',
          `new Dictionary<string, object> { ["Tint"] = 3, ["Wide"] = true }`,
          '',
          ['prop/type-clash App.razor:1 Tint', 'prop/unknown App.razor:1 Wide'],
        ],
        [
          'that is given pairs',
          `new() { { nameof(Lamp.Tint), "a" }, { "Tnit", "b" } }`,
          '',
          ['prop/unknown App.razor:1 Tnit'],
        ],
        [
          'that is given what a field holds',
          'given',
          'Dictionary<string, object> given = new() { ["Wide"] = true };',
          ['prop/missing App.razor:1 Lamp', 'prop/unknown App.razor:3 Wide'],
        ],
        [
          'that is given what a property gives',
          'Given',
          'string a = "a";\nDictionary<string, object> Given => new() { ["Tint"] = a };',
          [],
        ],
        [
          'a field that code fills',
          'given',
          'Dictionary<string, object> given = new() { ["Wide"] = true };\nvoid Go() { given["Tint"] = "a"; }',
          ['prop/unknown App.razor:3 Wide'],
        ],
        [
          'a name that is worked out',
          'new Dictionary<string, object> { [name] = 3 }',
          'string name = "a";',
          [],
        ],
      ] as [string, string, string, string[]][]
    ).map(([shows, given, members, expected]): Case => [
      `dynamic component ${shows}`,
      {
        'App.razor': `<DynamicComponent Type="typeof(Lamp)" Parameters='@(${given})' />` + code(members),
        'Lamp.razor': `<b>@Tint</b>${code('[Parameter, EditorRequired] public string Tint { get; set; } = "";')}`,
      },
      expected.map((one) => `error ${one}`),
    ]),
  ]);
});
