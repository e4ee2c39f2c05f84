namespace Depot;

public enum Shelf { Upper, Lower, Yard }

public record Spare(string Code, string Title, int Count, Shelf Shelf);

public record LogEntry(int Number, string Text, DateTime At);

public class Hire
{
    public string Borrower { get; set; } = "";
    public int Days { get; set; } = 1;
    public DateOnly From { get; set; }
    public Shelf Shelf { get; set; }
}
