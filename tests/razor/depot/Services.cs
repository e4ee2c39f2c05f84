namespace Depot;

public interface ISpareStore
{
    Task<List<Spare>> All();
}

public class SpareStore : ISpareStore
{
    private readonly List<Spare> spares = new();
    public event Action<string>? Taken;

    public Task<List<Spare>> All() => Task.FromResult(spares);

    public void Take(string code)
    {
        spares.RemoveAll(one => one.Code == code);
        Taken?.Invoke(code);
    }
}

public class DialogService
{
    public event Action<string>? Opened;
    private string last = "";
    public string Last => last;

    public void Open(string title)
    {
        last = title;
        Opened?.Invoke(title);
    }
}
