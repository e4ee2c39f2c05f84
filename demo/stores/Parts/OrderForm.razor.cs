using Microsoft.AspNetCore.Components;

namespace Quillmoor.Stores.Parts;

public partial class OrderForm
{
    [Parameter] public int Amount { get; set; }

    [Parameter] public EventCallback<int> AmountChanged { get; set; }

    [Parameter] public string? Unit { get; set; }

    [Parameter] public Action<int>? Sent { get; set; }

    private static int Parse(object? value) => int.TryParse(value?.ToString(), out var amount) ? amount : 0;

    private void Send()
    {
        Sent(Amount);
    }
}
