var builder = WebAssemblyHostBuilder.CreateDefault(args);
builder.RootComponents.Add<App>("#app");
builder.Services.AddScoped<DialogService>();
builder.Services.AddScoped<ISpareStore, SpareStore>();
await builder.Build().RunAsync();
