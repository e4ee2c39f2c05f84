using Microsoft.AspNetCore.Components;

namespace Rota.Shared;

public partial class SwapPanel
{
    [Parameter] public bool Open { get; set; }
    [Parameter] public string? Reason { get; set; }

    public void OpenNow()
    {
        Open = true;
        StateHasChanged();
    }
}
