namespace Depot.Access;

public class Shift
{
    public string Name { get; init; } = "early";
}
