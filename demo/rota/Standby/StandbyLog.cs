namespace Rota.Standby;

/// <summary>What the standby crews do, for the whole app.</summary>
public class StandbyLog
{
    public string Mode = "";
}
