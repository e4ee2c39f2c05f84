namespace Rota.Shared;

public class CrewMember
{
    public string Name { get; set; } = "";
    public int Hours { get; set; }
}
