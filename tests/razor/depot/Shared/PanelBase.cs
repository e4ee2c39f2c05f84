using Microsoft.AspNetCore.Components;

namespace Depot.Shared;

public abstract class PanelBase : ComponentBase
{
    [Parameter, EditorRequired] public string Heading { get; set; } = default!;
    [Parameter] public bool Folded { get; set; }
    [Parameter] public EventCallback<bool> FoldedChanged { get; set; }
    [Parameter] public RenderFragment? ChildContent { get; set; }

    protected string FoldMark => Folded ? "+" : "-";

    protected Task Fold() => FoldedChanged.InvokeAsync(!Folded);
}
