using Microsoft.AspNetCore.Components;

namespace Rota.Standby;

/// <summary>What all boards take.</summary>
public abstract class BoardBase : ComponentBase
{
    [Parameter, EditorRequired] public string Heading { get; set; } = default!;
    [Parameter] public EventCallback<int> OnCalled { get; set; }

    protected Task Call(int crew) => OnCalled.InvokeAsync(crew);
}
