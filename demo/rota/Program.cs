using Microsoft.AspNetCore.Components.WebAssembly.Hosting;
using Rota;

var builder = WebAssemblyHostBuilder.CreateDefault(args);
builder.RootComponents.Add<App>("#app");
builder.Services.AddScoped<Standby.StandbyLog>();
await builder.Build().RunAsync();
