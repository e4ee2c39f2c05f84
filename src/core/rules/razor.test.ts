/** Every rule that can occur in Razor components: what must be found, and near misses. */
import { describe } from 'vitest';
import { casesFor, type Sources } from './testing';

const MOUNT: Sources = {
  'Program.cs': 'var builder = Host.CreateDefault(args);\nbuilder.RootComponents.Add<App>("#app");\n',
};
const cases = casesFor(MOUNT, 'App.razor');

const LAMP = `<b>@Tint @Level @(Wide ? "wide" : null)</b>

@code {
    [Parameter, EditorRequired] public string Tint { get; set; } = default!;
    [Parameter] public int Level { get; set; } = 1;
    [Parameter] public bool Wide { get; set; }
}
`;
const withLamp = (app: string): Sources => ({ 'App.razor': app, 'Lamp.razor': LAMP });

describe('props', () => {
  cases(/^prop\//, [
    ['all is passed', withLamp('<Lamp Tint="red" Level="2" Wide />'), []],
    [
      'a required one is missing',
      withLamp('<Lamp Level="2" Wide />'),
      ['error prop/missing App.razor:1 Lamp'],
    ],
    [
      'a name that nobody takes',
      withLamp('<Lamp Tint="red" Levle="2" Level="1" Wide />'),
      ['error prop/unknown App.razor:1 Levle'],
    ],
    [
      'nothing falls through, not even what elements have',
      withLamp('<Lamp Tint="red" Level="2" Wide class="big" />'),
      ['error prop/unknown App.razor:1 class'],
    ],
    [
      'what nobody declares is captured',
      {
        'App.razor': '<Field Label="Depth" maxlength="6" data-scale="b" />',
        'Field.razor':
          '<label>@Label <input @attributes="Rest" /></label>\n@code {\n [Parameter] public string? Label { get; set; }\n [Parameter(CaptureUnmatchedValues = true)] public Dictionary<string, object>? Rest { get; set; }\n}',
      },
      [],
    ],
    [
      'a text that is no number',
      withLamp('<Lamp Tint="red" Level="two" Wide />'),
      ['error prop/type-clash App.razor:1 Level'],
    ],
    [
      'a text where a text is taken, whatever members there are',
      withLamp('<Lamp Tint="shade" Level="shade" Wide />\n@code { private int shade = 3; }'),
      [],
    ],
    [
      'a member of another type',
      withLamp('<Lamp Tint="red" Level="@name" Wide />\n@code { private string name = "x"; }'),
      ['error prop/type-clash App.razor:1 Level'],
    ],
    [
      'code in brackets, in a mixed text, awaited',
      withLamp(
        '<p><Lamp Tint="@(dark ? "red" : "blue")" Level="@(1 + 2)" Wide="@dark" /><Lamp Tint="t-@shade" Level="@await Count()" Wide="!dark" /></p>\n@code { private bool dark; private string shade = "a"; private Task<int> Count() => Task.FromResult(3); }',
      ),
      [],
    ],
    [
      'never read, never passed',
      {
        'App.razor': '<p><Sign Text="a" Size="2" /><Sign Text="b" Size="3" /></p>',
        'Sign.razor':
          '<b>@Text</b>\n<i>@if (Frame is not null) { @Frame }</i>\n@code {\n [Parameter] public string? Text { get; set; }\n [Parameter] public int Size { get; set; }\n [Parameter] public string? Frame { get; set; }\n}',
      },
      ['warning prop/unread Sign.razor:5 Size', 'warning prop/never-passed Sign.razor:6 Frame'],
    ],
    [
      'a reference that nobody sees to',
      {
        'App.razor': '<Sign />',
        'Sign.razor':
          '<b>@Text @Note @Size</b>\n@code {\n [Parameter] public string Text { get; set; } = default!;\n [Parameter] public string? Note { get; set; }\n [Parameter] public int Size { get; set; }\n}',
      },
      [
        'warning prop/missing App.razor:1 Sign',
        'warning prop/never-passed Sign.razor:4 Note',
        'warning prop/never-passed Sign.razor:5 Size',
      ],
    ],
    [
      'a method with the name of a parameter',
      {
        'App.razor': '<Sign Lit />',
        'Sign.razor':
          '<b class="@Lit">x</b>\n@code {\n [Parameter] public bool Lit { get; set; }\n private bool Lit() => true;\n}',
      },
      ['error prop/name-clash Sign.razor:4 Lit'],
    ],
    ...['new()', 'new List<int>()', '[]', 'Array.Empty<int>()'].map(
      (empty): [string, Record<string, string>, string[]] => [
        `required, with ${empty} to keep the compiler quiet`,
        {
          'App.razor': '<Sign Sizes="@(new List<int>())" />',
          'Sign.razor': `<b>@Sizes</b>\n@code {\n [Parameter, EditorRequired] public List<int> Sizes { get; set; } = ${empty};\n}`,
        },
        [],
      ],
    ),
    [
      'required, with a default',
      {
        'App.razor': '<Sign Size="2" />',
        'Sign.razor':
          '<b>@Size</b>\n@code {\n [Parameter, EditorRequired]\n public int Size { get; set; } = 12;\n}',
      },
      ['warning prop/default-clash Sign.razor:4 12'],
    ],
    [
      'an enumeration, a list, what a generic one takes',
      {
        'App.razor':
          '<Rack Items="@(new[] { 1, 2 })" Kind="Kind.Wide" TItem="int" />\n<Rack Items="names" Kind="@kind" />\n@code { private List<string> names = new() { "a" }; private Kind kind = Kind.Slim; }',
        'Rack.razor':
          '@typeparam TItem\n@foreach (var one in Items) { <b>@one @Kind</b> }\n@code {\n [Parameter, EditorRequired] public IEnumerable<TItem> Items { get; set; } = default!;\n [Parameter] public Kind Kind { get; set; }\n}',
        'Kind.cs': 'namespace Line;\npublic enum Kind { Slim, Wide }',
      },
      [],
    ],
    [
      'code in a file beside it',
      {
        'App.razor': '<Sign Text="a" Widht="2" />',
        'Sign.razor': '<b>@Text @Width</b>',
        'Sign.razor.cs':
          'namespace Line;\npublic partial class Sign : ComponentBase\n{\n    [Parameter] public string? Text { get; set; }\n    [Parameter] public int Width { get; set; }\n}',
      },
      ['error prop/unknown App.razor:1 Widht'],
    ],
    [
      'a base of which nothing is known',
      {
        'App.razor': '<Sign Text="a" Other="2" />',
        'Sign.razor':
          '@inherits SignBase\n<b>@Text</b>\n@code { [Parameter] public string? Text { get; set; } }',
      },
      [],
    ],
    [
      'what a two-way binding hands over',
      {
        'App.razor':
          '<Dial @bind-Level="level" @bind-Level:after="Log" />\n<b>@level</b>\n@code { private int level; private void Log() { } }',
        'Dial.razor':
          '<input value="@Level" @onchange="e => LevelChanged.InvokeAsync(3)" />\n@code {\n [Parameter] public int Level { get; set; }\n [Parameter] public EventCallback<int> LevelChanged { get; set; }\n}',
      },
      [],
    ],
    [
      'a page takes what its address gives',
      {
        'App.razor':
          '<Router AppAssembly="@typeof(App).Assembly"><Found Context="data"><RouteView RouteData="@data" DefaultLayout="@typeof(Frame)" /></Found></Router>',
        'Frame.razor': '@inherits LayoutComponentBase\n<main>@Body</main>',
        'Round.razor':
          '@page "/rounds/{Day:int}"\n<h1>@Day @Lane</h1>\n@code {\n [Parameter] public int Day { get; set; }\n [SupplyParameterFromQuery] public string? Lane { get; set; }\n}',
      },
      [],
    ],
  ]);
});

const dial = (members: string, markup = '') => `${markup}\n@code {\n${members}\n}`;
const withDial = (app: string, members: string, markup?: string): Sources => ({
  'App.razor': app,
  'Dial.razor': dial(members, markup),
});
const TURNED = ' [Parameter] public EventCallback<int> OnTurned { get; set; }';

describe('events', () => {
  cases(/^event\//, [
    [
      'raised and heard: a method, a lambda, without a mark',
      withDial(
        '<p><Dial OnTurned="Note" /><Dial OnTurned="@(n => last = n)" /><Dial OnTurned="@Note" /></p>@last\n@code { private int last; private void Note(int n) => last = n; }',
        `${TURNED}\n private Task Turn() => OnTurned.InvokeAsync(3);`,
        '<button @onclick="Turn">x</button>',
      ),
      [],
    ],
    [
      'never raised',
      withDial('<Dial OnTurned="Note" />\n@code { private void Note(int n) { } }', TURNED, '<b>x</b>'),
      ['warning event/never-emitted Dial.razor:3 OnTurned'],
    ],
    [
      'raised as the listener of an element',
      withDial(
        '<Dial OnTurned="Note" />\n@code { private void Note() { } }',
        ' [Parameter] public EventCallback OnTurned { get; set; }',
        '<button @onclick="OnTurned">x</button>',
      ),
      [],
    ],
    [
      'nobody listens',
      withDial('<Dial />', TURNED, '<button @onclick="() => OnTurned.InvokeAsync(3)">x</button>'),
      ['warning event/unheard Dial.razor:3 OnTurned'],
    ],
    [
      'a listener for what nobody raises',
      withDial(
        '<Dial OnTurned="Note" OnTunred="Note" />\n@code { private void Note(int n) { } }',
        TURNED,
        '<button @onclick="() => OnTurned.InvokeAsync(3)">x</button>',
      ),
      ['error event/unknown App.razor:1 OnTunred'],
    ],
    [
      'raised with another type, heard with another type',
      withDial(
        '<Dial OnTurned="Note" />\n@code { private void Note(string n) { } }',
        TURNED,
        '<button @onclick="@(() => OnTurned.InvokeAsync("far"))">x</button>',
      ),
      [
        'error event/payload-clash App.razor:1 Note',
        'error event/payload-clash Dial.razor:1 OnTurned.InvokeAsync("far")',
      ],
    ],
    [
      'a plain delegate is called whether it is there or not',
      withDial(
        '<p><Dial /><Dial Turned="@(n => last = n)" /></p>@last\n@code { private int last; }',
        ' [Parameter] public Action<int>? Turned { get; set; }\n private void Turn() { Turned(3); }',
        '<button @onclick="Turn">x</button>',
      ),
      ['warning event/unguarded-call Dial.razor:4 Turned(3)'],
    ],
    [
      'a plain delegate is called with care',
      withDial(
        '<p><Dial /><Dial Turned="@(n => last = n)" /></p>@last\n@code { private int last; }',
        ' [Parameter] public Action<int>? Turned { get; set; }\n private void Turn() { Turned?.Invoke(3); }',
        '<button @onclick="Turn">x</button>',
      ),
      [],
    ],
  ]);
});

const CLIMATE: Sources = {
  'Climate.cs':
    'namespace Line;\npublic class Climate { public int Humidity { get; set; } }\npublic class Vents { public int Percent { get; set; } }',
  'Strip.razor':
    '<b>@Now.Humidity</b>\n@code { [CascadingParameter] public Climate Now { get; set; } = default!; }',
};

describe('contexts', () => {
  cases(/^context\//, [
    [
      'by type: provided around it',
      {
        ...CLIMATE,
        'App.razor':
          '<CascadingValue Value="@climate"><Strip /></CascadingValue>\n@code { private Climate climate = new(); }',
      },
      [],
    ],
    [
      'another type is provided',
      {
        ...CLIMATE,
        'App.razor':
          '<CascadingValue Value="@vents"><Strip /></CascadingValue>\n@code { private Vents vents = new(); }',
      },
      ['warning context/unread App.razor:1 CascadingValue', 'error context/no-provider Strip.razor:2 Now'],
    ],
    [
      'what may be absent is no fault',
      {
        'App.razor': '<Strip />',
        'Strip.razor':
          '<b>@House</b>\n@code { [CascadingParameter(Name = "House")] public string? House { get; set; } }',
      },
      [],
    ],
    [
      'a component that is drawn by its type stands where the tag does, and may be given anything',
      {
        'App.razor':
          '<CascadingValue Name="House" Value="@name"><DynamicComponent Type="@typeof(Strip)" Parameters="@given" /></CascadingValue><DynamicComponent Type="@typeof(Bare)" />\n' +
          '@code { private string name = "a"; private Dictionary<string, object> given = new(); }',
        'Strip.razor':
          '<b>@House @Tone</b>\n@code { [CascadingParameter(Name = "House")] public string House { get; set; } = ""; [Parameter, EditorRequired] public string Tone { get; set; } = ""; }',
        'Bare.razor':
          '<b>@House</b>\n@code { [CascadingParameter(Name = "House")] public string House { get; set; } = default!; }',
      },
      ['error context/no-provider Bare.razor:2 House'],
    ],
    [
      'by name: another name, another type',
      {
        'App.razor':
          '<CascadingValue Name="House" Value="@name"><CascadingValue Name="Level" Value="@name"><Strip /></CascadingValue></CascadingValue>\n@code { private string name = "a"; }',
        'Strip.razor':
          '<b>@House @Level</b>\n@code {\n [CascadingParameter(Name = "Huose")] public string House { get; set; } = default!;\n [CascadingParameter(Name = "Level")] public int Level { get; set; }\n}',
      },
      ['error context/type-clash App.razor:1 name', 'error context/no-provider Strip.razor:3 House'],
    ],
    [
      'a page stands in its layout',
      {
        ...CLIMATE,
        'App.razor':
          '<Router AppAssembly="@typeof(App).Assembly"><Found Context="data"><RouteView RouteData="@data" DefaultLayout="@typeof(Frame)" /></Found></Router>',
        'Frame.razor':
          '@inherits LayoutComponentBase\n<CascadingValue Value="@climate"><main>@Body</main></CascadingValue>\n@code { private Climate climate = new(); }',
        'Bare.razor': '@inherits LayoutComponentBase\n<main>@Body</main>',
        'One.razor': '@page "/one"\n<Strip />',
      },
      [],
    ],
    [
      'a page that chose another layout',
      {
        ...CLIMATE,
        'App.razor':
          '<Router AppAssembly="@typeof(App).Assembly"><Found Context="data"><RouteView RouteData="@data" DefaultLayout="@typeof(Frame)" /></Found></Router>',
        'Frame.razor':
          '@inherits LayoutComponentBase\n<CascadingValue Value="@climate"><main>@Body</main></CascadingValue>\n@code { private Climate climate = new(); }',
        'Bare.razor': '@inherits LayoutComponentBase\n<main>@Body</main>',
        'One.razor': '@page "/one"\n<Strip />',
        'inner/_Imports.razor': '@layout Bare\n',
        'inner/Two.razor': '@page "/two"\n<Strip />',
      },
      ['warning context/no-provider Strip.razor:2 Now'],
    ],
    [
      'services may be registered in ways that no text shows',
      { ...CLIMATE, 'App.razor': '@inject Climate Air\n<b>@Air.Humidity</b>' },
      [],
    ],
  ]);
});

const SHEET = `<article>@Heading @ChildContent @if (Foot is not null) { <i>@Foot</i> }</article>
@code {
    [Parameter] public RenderFragment? Heading { get; set; }
    [Parameter] public RenderFragment? ChildContent { get; set; }
    [Parameter] public RenderFragment? Foot { get; set; }
}`;
const LIST = `@foreach (var one in Items) { <li>@Row(one)</li> }
@code {
    [Parameter, EditorRequired] public List<Mark> Items { get; set; } = default!;
    [Parameter, EditorRequired] public RenderFragment<Mark> Row { get; set; } = default!;
}`;
const MARK = 'public record Mark(string Code, int Year);';
const marks = 'private List<Mark> marks = new();';

describe('slots', () => {
  cases(/^slot\//, [
    [
      'named content beside plain content',
      {
        'App.razor': '<Sheet><Heading>a</Heading><ChildContent><p>b</p></ChildContent><Foot>c</Foot></Sheet>',
        'Sheet.razor': SHEET,
      },
      [],
    ],
    [
      'content of a name that nobody takes',
      {
        'App.razor': '<p><Sheet><Heading>a</Heading><Fott>b</Fott></Sheet><Sheet><Foot>c</Foot></Sheet></p>',
        'Sheet.razor': SHEET,
      },
      ['error slot/unknown App.razor:1 Fott', 'note slot/unfilled Sheet.razor:1 ChildContent'],
    ],
    [
      'a component in plain content is no name',
      {
        'App.razor': '<p><Sheet><Lamp /></Sheet><Sheet><Heading>a</Heading><Foot>b</Foot></Sheet></p>',
        'Sheet.razor': SHEET,
        'Lamp.razor': '<b>x</b>',
      },
      [],
    ],
    [
      'content where none is drawn',
      { 'App.razor': '<Lamp>x</Lamp>', 'Lamp.razor': '<b>x</b>' },
      ['error slot/no-outlet App.razor:1 Lamp'],
    ],
    [
      'content twice',
      {
        'App.razor':
          '<Sheet Heading="@note" Foot="@note" ChildContent="@note"><p>b</p></Sheet>\n@code { private RenderFragment note = @<p>x</p>; }',
        'Sheet.razor': SHEET,
      },
      ['warning slot/double-content App.razor:1 ChildContent'],
    ],
    [
      'a member that the content is not given, by its usual name and by another',
      {
        'App.razor': `<ul><Rail Items="marks"><Row>@context.Code @context.Yaer</Row></Rail><Rail Items="marks"><Row Context="mark">@mark.Year @mark.Kode</Row></Rail></ul>\n@code { ${marks} }`,
        'Rail.razor': LIST,
        'Mark.cs': MARK,
      },
      ['error slot/prop-unknown App.razor:1 Yaer', 'error slot/prop-unknown App.razor:1 Kode'],
    ],
    [
      'a method that others may have added',
      {
        'App.razor': `<Rail Items="marks"><Row>@context.Shorten() @context.Code.Trim()</Row></Rail>\n@code { ${marks} }`,
        'Rail.razor': LIST,
        'Mark.cs': MARK,
      },
      [],
    ],
  ]);
});

describe('code and markup as people write them', () => {
  cases(/./, [
    [
      'blocks, comments, texts with marks in them, code between markup',
      {
        'App.razor': `@using System.Text
@* <Lamp /> *@
<!-- <Lamp Bad="1" /> -->
@{
    var shade = "red";
    string Loud(string s) => s.ToUpper();
}
<p>mail@@line.example and you@line.example</p>
@switch (mode)
{
    case 1:
        <Lamp Tint="@shade" Level="1" Wide />
        break;
    default:
        <Lamp Tint="@($"{shade}-{mode:00}")" Level="2" Wide />
        break;
}
@for (var i = 0; i < 3; i++)
{
    var at = i;
    <Lamp Tint="@Loud(shade)" Level="@at" Wide="@(at > 1)" />
}
@try
{
    <Lamp Tint='@(@"c:\\x")' Level="@(mode switch { 1 => 2, _ => 3 })" Wide />
}
catch (Exception)
{
    <b>no</b>
}
<button @onclick="@(() => { mode++; })" @onclick:preventDefault disabled="@(mode is > 3 and < 9)">next</button>
@code {
    #region state
    private int mode { get; set; }
    #endregion
}`,
        'Lamp.razor': LAMP,
      },
      [],
    ],
    [
      'a handle on a component',
      {
        'App.razor':
          '<Lamp @ref="lamp" Tint="a" Level="2" Wide />\n<button @onclick="() => lamp?.ToString()">x</button>\n@code { private Lamp? lamp; }',
        'Lamp.razor': LAMP,
      },
      [],
    ],
    [
      'opened by code elsewhere',
      {
        'App.razor':
          '<button @onclick="Open">x</button>\n@code { private void Open() => Dialogs.Show<HoldDialog>("Hold"); }',
        'HoldDialog.razor': '<b>@Reason</b>\n@code { [Parameter] public string? Reason { get; set; } }',
        'Dialogs.cs': 'static class Dialogs { public static void Go() => Dialogs.Show<HoldDialog>("x"); }',
      },
      [],
    ],
    [
      'what is written in pieces that nothing else says',
      {
        'App.razor': '<p><Sign Text="a" Note="b" Size="2" Kind="1" Form="x" Limit="3" /></p>',
        'Sign.razor':
          '<b>@Shown</b>\n@code {\n [Parameter] public string? Text { get; set; }\n [Parameter] public string? Note { get; set; }\n [Parameter] public int Size { get; set; }\n [Parameter] public int Kind { get; set; }\n [Parameter] public string? Form { get; set; }\n [Parameter] public int Limit { get; set; }\n private RenderFragment Drawn => @<i>@Text</i>;\n private string Shown => nameof(Note) + new int[Size].Length + (3 switch { var n when n > Limit => 1, _ => 2 }) + (Kind is 3 ? "" : Form!.Trim());\n}',
      },
      [],
    ],
    [
      'a tag in code draws the component',
      {
        'App.razor': '@Drawn\n@code { private RenderFragment Drawn => @<Sign Text="a" />; }',
        'Sign.razor':
          '<b>@Text @Note</b>\n@code { [Parameter] public string? Text { get; set; } [Parameter] public string? Note { get; set; } }',
      },
      [],
    ],
    [
      'a part of the class in a file with another name',
      {
        'App.razor': '<Sign Text="a" Size="2" />',
        'Sign.razor': '<b>x</b>\n@code { [Parameter] public string? Text { get; set; } }',
        'Sign.More.cs':
          'public partial class Sign { [Parameter] public int Size { get; set; } string Both => Text + Size; }',
      },
      [],
    ],
    [
      'the component hands itself to those in it',
      {
        'App.razor': '<p><Tabs><Tab Name="a" /></Tabs></p>',
        'Tabs.razor':
          '<CascadingValue Value="this" IsFixed="true">@ChildContent</CascadingValue>\n@code { [Parameter] public RenderFragment? ChildContent { get; set; } internal void Join(Tab tab) { } }',
        'Tab.razor':
          '<b>@Name</b>\n@code { [CascadingParameter] public Tabs Parent { get; set; } = default!;\n [Parameter] public string? Name { get; set; }\n protected override void OnInitialized() => Parent.Join(this); }',
      },
      [],
    ],
    [
      'and stands outside of it once',
      {
        'App.razor': '<p><Tabs><Tab Name="a" /></Tabs><Tab Name="b" /></p>',
        'Tabs.razor':
          '<CascadingValue Value="this" IsFixed="true">@ChildContent</CascadingValue>\n@code { [Parameter] public RenderFragment? ChildContent { get; set; } internal void Join(Tab tab) { } }',
        'Tab.razor':
          '<b>@Name</b>\n@code { [CascadingParameter] public Tabs Parent { get; set; } = default!;\n [Parameter] public string? Name { get; set; }\n protected override void OnInitialized() => Parent.Join(this); }',
      },
      ['warning context/no-provider Tab.razor:2 Parent'],
    ],
    [
      'provided for all by the start of the app',
      {
        'App.razor': '<Strip />',
        'Strip.razor':
          '<b>@House @Now.Humidity</b>\n@code {\n [CascadingParameter(Name = "House")] public string House { get; set; } = default!;\n [CascadingParameter] public Climate Now { get; set; } = default!; }',
        'Climate.cs': 'public class Climate { public int Humidity { get; set; } }',
        'Start.cs':
          'services.AddCascadingValue("House", sp => "a");\nservices.AddCascadingValue(sp => new Climate());',
      },
      [],
    ],
  ]);
});

describe('what others may draw', () => {
  cases(/^prop\//, [
    [
      'a library beside the app',
      {
        'app/Program.cs': 'builder.RootComponents.Add<App>("#app");',
        'Program.cs': 'class Nothing { }',
        'app/App.razor': '<Sign Text="a" />',
        'kit/Sign.razor':
          '<b>@Text @Note</b>\n@code { [Parameter] public string? Text { get; set; }\n [Parameter] public string? Note { get; set; } }',
      },
      [],
    ],
    [
      'of two with one name, the nearest is meant',
      {
        'Program.cs': 'builder.RootComponents.Add<App>("#app");',
        'one/App.razor': '<Sign Text="a" Note="b" />',
        'one/Sign.razor': '<b>@Text</b>\n@code { [Parameter] public string? Text { get; set; } }',
        'two/Sign.razor': '<b>@Note</b>\n@code { [Parameter] public string? Note { get; set; } }',
      },
      ['error prop/unknown one/App.razor:1 Note'],
    ],
    [
      'put on a page of another kind',
      {
        'Program.cs': 'class Nothing { }',
        'Pages/Host.cshtml': '<component type="typeof(App)" render-mode="Server" />',
        'App.razor': '<Sign Text="a" Size="2" />',
        'Sign.razor': '<b>@Text</b>\n@code { [Parameter] public string? Text { get; set; } }',
      },
      ['error prop/unknown App.razor:1 Size'],
    ],
  ]);
});

describe('components that come with the framework', () => {
  cases(/unresolved/, [
    [
      'are found by their names alone',
      {
        'App.razor':
          '<PageTitle>a</PageTitle>\n<HeadOutlet />\n<EditForm Model="this"><InputText @bind-Value="Name" /></EditForm>\n@code { string Name = "a"; }',
      },
      [],
    ],
  ]);
});
