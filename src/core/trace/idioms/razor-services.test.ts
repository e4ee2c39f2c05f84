/** Services of Razor: classes whose objects an app keeps for all, followed through what they keep, raise and are made with. */
import { expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { type Idiom, idioms } from './reaching';

const LEAF = { 'Leaf.razor': `<b>@X</b>\n@code { [Parameter] public string X { get; set; } = ""; }` };

const LIST: Idiom[] = [
  {
    what: 'service: getter property',
    sources: {
      ...LEAF,
      'Kept.cs': `public class Kept { private string held = ""; public string Held => held; public void Put(string v) { held = v; } }`,
      'App.razor': `@inject Kept Kept\n<button @onclick="Go" /><Leaf X="@Kept.Held" />\n@code { private string seed = "a"; void Go() { seed = "b"; Kept.Put(seed); } }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'service: interface',
    sources: {
      ...LEAF,
      'Program.cs': `builder.Services.AddScoped<IKept, Kept>();`,
      'IKept.cs': `public interface IKept { string Held { get; } void Put(string v); }`,
      'Kept.cs': `public class Kept : IKept { public string Held { get; private set; } = ""; public void Put(string v) { Held = v; } }`,
      'App.razor': `@inject IKept Kept\n<button @onclick="Go" /><Leaf X="@Kept.Held" />\n@code { private string seed = "a"; void Go() { seed = "b"; Kept.Put(seed); } }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'service: other component reads',
    sources: {
      ...LEAF,
      'Kept.cs': `namespace A.Services; public class Kept { public string Held { get; private set; } = ""; public event Action? OnChange; public void Put(string v) { Held = v; OnChange?.Invoke(); } }`,
      'App.razor': `@inject Kept Kept\n<button @onclick="Go" /><Rd />\n@code { private string seed = "a"; void Go() { seed = "b"; Kept.Put(seed); } }`,
      'Rd.razor': `@implements IDisposable\n<Leaf X="@S.Held" />\n@code { [Inject] private Kept S { get; set; } = default!; protected override void OnInitialized() { S.OnChange += StateHasChanged; } public void Dispose() { S.OnChange -= StateHasChanged; } }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'service: event payload',
    sources: {
      ...LEAF,
      'Kept.cs': `public class Kept { private int n; public event Action<string>? OnPick; public void Pick(string v) { n++; OnPick?.Invoke(v); } }`,
      'App.razor': `@inject Kept Kept\n<button @onclick="Go" /><Rd />\n@code { private string seed = "a"; void Go() { seed = "b"; Kept.Pick(seed); } }`,
      'Rd.razor': `@inject Kept S\n<Leaf X="@picked" />\n@code { private string picked = ""; protected override void OnInitialized() { S.OnPick += Handle; } void Handle(string v) { picked = v; } }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'service: ctor dependency',
    sources: {
      ...LEAF,
      'Log.cs': `public class Log { public string Last { get; private set; } = ""; public void Add(string v) { Last = v; } }`,
      'Kept.cs': `public class Kept { private readonly Log _log; private int n; public Kept(Log log) { _log = log; } public void Put(string v) { n++; _log.Add(v); } }`,
      'App.razor': `@inject Kept Kept\n@inject Log Log\n<button @onclick="Go" /><Leaf X="@Log.Last" />\n@code { private string seed = "a"; void Go() { seed = "b"; Kept.Put(seed); } }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'service: list add',
    sources: {
      ...LEAF,
      'Kept.cs': `public class Kept { private readonly List<string> all = new(); public IReadOnlyList<string> All => all; public void Put(string v) { all.Add(v); } }`,
      'App.razor': `@inject Kept Kept\n<button @onclick="Go" />@foreach (var k in Kept.All) { <Leaf X="@k" /> }\n@code { private string seed = "a"; void Go() { seed = "b"; Kept.Put(seed); } }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'service: set property',
    sources: {
      ...LEAF,
      'Kept.cs': `public class Kept { public string Held { get; set; } = ""; public void Clear() { Held = ""; } }`,
      'App.razor': `@inject Kept Kept\n<button @onclick="Go" /><Leaf X="@Kept.Held" />\n@code { private string seed = "a"; void Go() { seed = "b"; Kept.Held = seed; } }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'service: async method result',
    sources: {
      ...LEAF,
      'Kept.cs': `public class Kept { private string held = ""; public void Put(string v) { held = v; } public async Task<string> GetAsync() { await Task.Delay(1); return held; } }`,
      'App.razor': `@inject Kept Kept\n<button @onclick="Go" /><Leaf X="@got" />\n@code { private string seed = "a"; private string got = ""; async Task Go() { seed = "b"; Kept.Put(seed); got = await Kept.GetAsync(); } }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'service: bind to service',
    sources: {
      ...LEAF,
      'Kept.cs': `public class Kept { public string Held { get; set; } = ""; public void Clear() { Held = ""; } }`,
      'App.razor': `@inject Kept Kept\n<input @bind="Kept.Held" /><Leaf X="@Kept.Held" />\n@code { }`,
    },
    from: 'Kept.cs>Kept:state:Held',
    to: ['Leaf:prop:X'],
  },
  {
    what: 'service: state container cascaded',
    sources: {
      ...LEAF,
      'Store.razor': `<CascadingValue Value="this">@ChildContent</CascadingValue>\n@code { [Parameter] public RenderFragment? ChildContent { get; set; } public string Held { get; private set; } = ""; public void Put(string v) { Held = v; StateHasChanged(); } }`,
      'App.razor': `<Store><Wr /><Rd /></Store>`,
      'Wr.razor': `<button @onclick="Go" />\n@code { [CascadingParameter] public Store S { get; set; } = default!; private string seed = "a"; void Go() { seed = "b"; S.Put(seed); } }`,
      'Rd.razor': `<Leaf X="@S.Held" />\n@code { [CascadingParameter] public Store S { get; set; } = default!; }`,
    },
    from: 'Wr:state:seed',
    to: ['Leaf:prop:X'],
  },
];

idioms(LIST);

test('a class that nobody asks for, and one that is asked for otherwise, are no matter', () => {
  const { result } = auditSources({
    'Program.cs': 'builder.RootComponents.Add<App>("#app");',
    'Ledger.cs': 'public class Ledger { private int n; public void Add() { n++; } }',
    'Theme.cs': 'public class Theme { public int Tone { get; set; } public void Next() { Tone++; } }',
    'App.razor': '<Panel />',
    'Panel.razor':
      '<b>@Theme.Tone</b>\n@code { [CascadingParameter] public Theme Theme { get; set; } = default!; }',
  });
  // What is made for all is nothing that is provided further up.
  expect(result.findings.map(({ rule, component }) => `${rule} ${component}`)).toEqual([
    'context/no-provider Panel',
  ]);
});
