/** Ways in which values move through Razor components. */
import { type Idiom, idioms } from './reaching';

const app = (files: Record<string, string>) => ({
  'Leaf.razor': `<b>@X</b>\n@code { [Parameter] public string X { get; set; } }`,
  'Btn.razor': `<b @onclick="Go"></b>\n@code { [Parameter] public string V { get; set; } [Parameter] public EventCallback<string> Save { get; set; } async Task Go() { await Save.InvokeAsync(V); } }`,
  ...files,
});

const LIST: Idiom[] = [
  {
    what: 'callback method',
    sources: app({
      'App.razor': `<Btn V="@seed" Save="Put" /><Leaf X="@kept" />\n@code { string seed = "a"; string kept = ""; void Put(string v) { kept = v; } }`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'callback lambda',
    sources: app({
      'App.razor': `<Btn V="@seed" Save="@(v => kept = v)" /><Leaf X="@kept" />\n@code { string seed = "a"; string kept = ""; }`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'lambda method',
    sources: app({
      'App.razor': `<Btn V="@seed" Save="@(v => Put(v))" /><Leaf X="@kept" />\n@code { string seed = "a"; string kept = ""; void Put(string v) { kept = v; } }`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'bind',
    sources: app({
      'F.razor': `<b @onclick="Go"></b>\n@code { [Parameter] public string Value { get; set; } [Parameter] public EventCallback<string> ValueChanged { get; set; } string t = "x"; Task Go() => ValueChanged.InvokeAsync(t); }`,
      'App.razor': `<F @bind-Value="seed" /><Leaf X="@seed" />\n@code { string seed = "a"; }`,
    }),
    from: 'F:state:t',
    to: ['App:state:seed', 'Leaf:prop:X'],
  },
  {
    what: 'onparametersset',
    sources: app({
      'Mid.razor': `<Leaf X="@kept" />\n@code { [Parameter] public string V { get; set; } string kept; protected override void OnParametersSet() { kept = V + "!"; } }`,
      'App.razor': `<Mid V="@seed" />\n@code { string seed = "a"; }`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'computed',
    sources: app({ 'App.razor': `<Leaf X="@Up" />\n@code { string seed = "a"; string Up => seed + "!"; }` }),
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'cascading',
    sources: app({
      'Deep.razor': `<Leaf X="@T" />\n@code { [CascadingParameter] public string T { get; set; } }`,
      'App.razor': `<CascadingValue Value="@seed"><Deep /></CascadingValue>\n@code { string seed = "a"; }`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'fragment context',
    sources: app({
      'L.razor': `@foreach (var i in Items) { @Row(i) }\n@code { [Parameter] public List<string> Items { get; set; } [Parameter] public RenderFragment<string> Row { get; set; } }`,
      'App.razor': `<L Items="@seed"><Row Context="one"><Leaf X="@one" /></Row></L>\n@code { List<string> seed = new(); }`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'ref method',
    sources: app({
      'Dlg.razor': `<Leaf X="@t" />\n@code { string t; public void Open(string v) { t = v; } }`,
      'App.razor': `<Dlg @ref="dlg" /><b @onclick="Go"></b>\n@code { string seed = "a"; Dlg dlg; void Go() { dlg.Open(seed); } }`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'list add',
    sources: app({
      'App.razor': `<Btn V="@seed" Save="@(v => list.Add(v))" />@foreach (var o in list) { <Leaf X="@o" /> }\n@code { string seed = "a"; List<string> list = new(); }`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'await service',
    sources: app({
      'App.razor': `@inject HttpClient Http\n<Leaf X="@d" />\n@code { [Parameter] public string Seed { get; set; } string d; protected override async Task OnInitializedAsync() { d = await Http.GetStringAsync("/x/" + Seed); } }`,
    }),
    from: 'App:prop:Seed',
    to: ['Leaf:prop:X'],
  },
];

idioms(LIST);
