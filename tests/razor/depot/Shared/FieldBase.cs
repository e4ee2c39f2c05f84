using Microsoft.AspNetCore.Components;

namespace Depot.Shared;

public abstract class FieldBase<TValue> : ComponentBase
{
    [Parameter, EditorRequired] public string Label { get; set; } = default!;
    [Parameter] public TValue? Value { get; set; }
    [Parameter] public EventCallback<TValue> ValueChanged { get; set; }
    [Parameter] public string? Hint { get; set; }

    protected Task Set(TValue value) => ValueChanged.InvokeAsync(value);
}
