namespace Quillmoor.Stores.Model;

public enum Wear
{
    None,
    Light,
    Heavy,
}

public record Part(string Code, string Title, double Weight, int Count, Wear Wear);

public class Scale
{
    public string Unit { get; set; } = "kg";
}

public class Stock
{
    public List<Part> Parts { get; } =
    [
        new("G-14", "Grip jaw", 3.2, 12, Wear.None),
        new("S-02", "Sheave liner", 0.8, 40, Wear.Light),
        new("R-40", "Rope clamp", 5.5, 3, Wear.Heavy),
    ];

    public void Take(string code) => Parts.RemoveAll(part => part.Code == code);
}
