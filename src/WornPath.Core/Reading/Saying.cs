namespace WornPath.Core.Reading;

/// <summary>One way of saying, with what it means.</summary>
internal sealed class Saying
{
    public const string Number = "9";
    public const string Torque = "V";
    public const string Name = "@";
    public const string Fasteners = "%";
    public const string End = "$";

    /// <summary>Reads a line of the file: words, numbers and noun phrases said, and what they are put as.</summary>
    public Saying(string said, string meant)
    {
        List<string> pieces = [.. said.Split(' ', StringSplitOptions.RemoveEmptyEntries)];
        IsAtBegin = pieces.Remove("^");
        MayLack = [.. pieces.Select(p => p.Length > 1 && p.EndsWith('?'))];
        Said = [.. pieces.Select((p, i) => (MayLack[i] ? p[..^1] : p).Split('|'))];
        Needs = [.. Said.Where((s, i) => !MayLack[i] && s is not [Number or Torque or Name or Fasteners or End])];
        Meant = [.. meant.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(SlotOf)];
        if (MayLack[0] || Said[0] is [Torque or Fasteners or End])
            throw new InvalidOperationException($"“{said}” in sayings.txt begins with what may lack or with a slot nobody looks for: begin with a word, a number or a noun phrase.");
    }

    /// <summary>What is said, piece by piece: one of some words, a number, a noun phrase, the end.</summary>
    public string[][] Said { get; }

    /// <summary>True for a piece that may stand there or not.</summary>
    public bool[] MayLack { get; }

    /// <summary>Words of which one must be in the text at all, a set for each piece.</summary>
    public string[][] Needs { get; }

    /// <summary>True where it is said only where words begin.</summary>
    public bool IsAtBegin { get; }

    /// <summary>What it means: a word alone, or the place of what was said with a word put behind its determiner.</summary>
    public (string Word, int Slot)[] Meant { get; }

    /// <summary>The words it begins with; none where it begins with a number or a noun phrase.</summary>
    public string[] FirstWords => Said[0] is [Number or Name] ? [] : Said[0];

    /// <summary>True where it begins with such a piece.</summary>
    public bool Begins(string piece) => Said[0] is [var one] && one == piece;

    private static (string, int) SlotOf(string piece)
    {
        var slot = piece.IndexOf('$', StringComparison.Ordinal);
        return slot < 0 ? (piece, -1) : (piece[..slot].TrimEnd('+'), piece[slot + 1] - '1');
    }
}
