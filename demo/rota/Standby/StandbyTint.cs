namespace Rota.Standby;

/// <summary>How loud the standby boards are.</summary>
public class StandbyTint
{
    public string Name { get; set; } = "quiet";
}
