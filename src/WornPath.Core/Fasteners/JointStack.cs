using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;

namespace WornPath.Core.Fasteners;

/// <summary>A stack stands in JSON as its text.</summary>
public sealed class JointStackJsonConverter() : TextJsonConverter<JointStack>(JointStack.Parse);

/// <summary>One piece of a joint besides the fastener that is turned.</summary>
/// <param name="Name">As its author calls it, in the singular: "copper washer".</param>
/// <param name="Count">So many on each fastener.</param>
/// <param name="Size">Across its flats, or its thickness, as written: "17 mm"; empty where that is not said.</param>
/// <param name="IsNew">True where a new one goes in each time.</param>
/// <param name="IsTurned">True for a nut that is turned, while the head is held.</param>
public sealed record StackPiece(string Name, int Count, string Size, bool IsNew, bool IsTurned)
{
    /// <summary>True for a nut, of whatever form.</summary>
    public bool IsNut => Name.EndsWith("nut", StringComparison.Ordinal);

    /// <summary>Its name for so many.</summary>
    public string NameFor(int count) => count == 1 ? Name : Name.EndsWith("sh", StringComparison.Ordinal) ? Name + "es" : Name + "s";

    public override string ToString()
    {
        var text = new StringBuilder();
        if (Count > 1) text.Append(CultureInfo.InvariantCulture, $"{Count} ");
        if (IsTurned) text.Append("turned ");
        text.Append(NameFor(Count));
        if (Size.Length > 0) text.Append(' ').Append(Size);
        if (IsNew) text.Append(" (new)");
        return text.ToString();
    }
}

/// <summary>
/// What a joint is made of besides the fastener itself, from under its head to the far end: "spring washer, plain washer, nut 17 mm".
/// Equal where the pieces are.
/// </summary>
[JsonConverter(typeof(JointStackJsonConverter))]
public sealed partial class JointStack : IEquatable<JointStack>
{
    private const int MostPieces = 12;

    // A washer by what tells it, where the word itself is said once: "flat + split washer".
    private static readonly string[] Washers = ["copper", "crush", "sealing", "bonded", "aluminium", "aluminum", "fibre", "fiber", "spring", "split", "lock",
        "locking",
        "toothed", "star", "serrated", "cone", "conical", "cup", "disc", "stepped", "shouldered", "plain", "flat"];

    private static readonly string[] Heads = ["washer", "seal", "spacer", "shim", "sleeve", "bush", "bushing", "tube", "stud", "nut"];

    [GeneratedRegex(@"\d+(?:[.,]\d+)?\s*mm\b|(?:\d+\s+)?\d+/\d+\s*in\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Size();

    [GeneratedRegex(@"^(?<n>\d{1,2})\s*[x×]?\s+|\s*[x×]\s*(?<n>\d{1,2})\b|^(?<n>\d{1,2})\s*[x×]\s*", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Count();

    [GeneratedRegex(@"[,;+→]|(?<!\d)/(?!\d)|\bthen\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Between();

    [GeneratedRegex(@"\s*(mm|in)$", RegexOptions.CultureInvariant)]
    private static partial Regex Unit();

    private JointStack(ImmutableArray<StackPiece> pieces) => Pieces = pieces;

    /// <summary>The pieces, from the head on.</summary>
    public ImmutableArray<StackPiece> Pieces { get; }

    /// <summary>The nut at the far end; null where there is none.</summary>
    public StackPiece? Nut => Pieces.LastOrDefault(p => p.IsNut);

    /// <summary>The pieces that are renewed each time.</summary>
    public IEnumerable<StackPiece> Renewed => Pieces.Where(p => p.IsNew);

    /// <summary>Reads "2 copper washers (new)", "spring washer, plain washer, held 17 mm nut", "flat + split washer".</summary>
    public static Outcome<JointStack> Parse(string text)
    {
        var pieces = ImmutableArray.CreateBuilder<StackPiece>();
        // A stroke parts pieces, but not the inches of a size.
        foreach (var said in Between().Split(text).Select(p => p.Trim()).Where(p => p.Length > 0))
        {
            // "Copper washer, renew", "nut 17 mm, held": said of the piece before.
            if (pieces.Count > 0 && said.ToLowerInvariant() is var more
                && (more is "held" or "turned" && pieces[^1].IsNut || IsNewWord(more)))
            {
                pieces[^1] = pieces[^1] with { IsNew = pieces[^1].IsNew || IsNewWord(more), IsTurned = more == "turned" };
                continue;
            }

            var piece = ParsePiece(said);
            if (!piece.IsGood) return piece.Problem;
            pieces.Add(piece.Value);
        }

        return pieces.Count is > 0 and <= MostPieces ? new JointStack(pieces.ToImmutable())
            : new Problem(pieces.Count == 0 ? "Nothing is named." : $"{pieces.Count} pieces are too many ({MostPieces}).",
                "Write them from the head on, such as spring washer, plain washer, nut 17 mm.");
    }

    private static bool IsNewWord(string word) => word is "new" or "renew" or "renewed" or "renew each time" or "new each time" or "(new)";

    private static Outcome<StackPiece> ParsePiece(string said)
    {
        var rest = " " + said.ToLowerInvariant() + " ";
        var size = Size().Match(rest);
        if (size.Success) rest = rest.Remove(size.Index, size.Length);
        rest = rest.Trim();
        var count = Count().Match(rest);
        if (count.Success) rest = rest.Remove(count.Index, count.Length);
        var words = rest.Split([' ', '(', ')', '-'], StringSplitOptions.RemoveEmptyEntries).ToList();
        var isNew = words.RemoveAll(w => w is "new" or "renew" or "renewed" or "each" or "time") > 0;
        var isTurned = words.RemoveAll(w => w == "turned") > 0;
        words.RemoveAll(w => w is "held" or "a" or "an" or "the" or "and" or "then" or "of");
        var n = count.Success ? int.Parse(count.Groups["n"].Value, CultureInfo.InvariantCulture) : 1;
        if (words.Count == 0 || n is < 1 or > 40) return Wrong(said);
        // "Flat + split washer": the washer is said once.
        if (Washers.Contains(words[^1])) words.Add("washer");
        if (Array.Find(Heads, h => words[^1] == h || words[^1] == h + "s" || words[^1] == h + "es") is not { } head || words.Count > 4) return Wrong(said);
        words[^1] = head;
        var piece = new StackPiece(string.Join(' ', words), n, size.Success
            ? Unit().Replace(size.Value.Trim().ToLowerInvariant(), " $1") : "", isNew, isTurned);
        return isTurned && !piece.IsNut ? new Problem($"“{NumberText.Excerpt(said)}” is not turned.", "Only a nut is: turned nut 17 mm.") : piece;
    }

    private static Problem Wrong(string said) => new($"“{NumberText.Excerpt(said)}” is nothing that lies under a head.",
        "Write washers, spacers, sleeves, studs and nuts from the head on, such as spring washer, plain washer, nut 17 mm; (new) behind what is renewed.");

    public bool Equals(JointStack? other) => other is not null && Pieces.SequenceEqual(other.Pieces);

    public override bool Equals(object? obj) => Equals(obj as JointStack);

    public override int GetHashCode() => Pieces.Aggregate(0, HashCode.Combine);

    public override string ToString() => string.Join(", ", Pieces);
}
