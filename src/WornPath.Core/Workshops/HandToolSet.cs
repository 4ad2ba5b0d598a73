using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>Hand tools that are always at hand, kept as a set, so that nobody ticks off a socket: "sockets 8–32 mm, T20–T60 bits, screwdrivers".</summary>
/// <param name="Name">Where they lie: "Trolley 1".</param>
/// <param name="Holds">What is in it, with commas between; sizes as a list or from–to.</param>
public sealed partial record HandToolSet(string Name, string Holds)
{
    /// <summary>How many sets a workshop keeps at most.</summary>
    public const int Most = 100;

    /// <summary>What a workshop usually has, to begin from. Common practice, no source.</summary>
    public static readonly HandToolSet Usual = new("Tool trolley",
        "sockets 8–32 mm, deep sockets 10–24 mm, spanners 8–32 mm, hexagon bits 4–14 mm, T20–T60 bits, ratchets or bars 1/4, 3/8, 1/2, 3/4 in, "
        + "screwdrivers, pliers for cotter pins, pliers for retaining rings, punch for staking, paint marker, catch pan");

    // "18 mm", "8–32 mm", "1/4, 3/8, 1/2 in" (the unit stands behind the last), "T20–T60", "E10".
    [GeneratedRegex(@"(?<![\p{L}\d])(?<letter>[TEH]{0,2}|PH|PZ)(?<from>\d+(?:/\d+|[.,]\d+)?)\s*(?:[–-]|to|\.\.)\s*\k<letter>?(?<to>\d+(?:/\d+|[.,]\d+)?)(?:\s*(?<unit>mm|in)\b)?"
        + @"|(?<![\p{L}\d])(?<letter>[TEH]{0,2}|PH|PZ)(?<from>\d+(?:/\d+|[.]\d+)?)(?:\s*(?<unit>mm|in)\b)?", RegexOptions.CultureInvariant)]
    private static partial Regex SizeIn();

    [GeneratedRegex(@"\p{L}+")]
    private static partial Regex Word();

    private sealed record Size(string Series, double From, double To)
    {
        public bool Holds(Size one) => Series == one.Series && From - 1e-9 <= one.From && one.To <= To + 1e-9;
    }

    private sealed record Entry(ImmutableHashSet<string> Words, ImmutableArray<Size> Sizes);

    /// <summary>True where a tool of a tool list ("18 mm socket", "1/2 in ratchet or bar") is in the set.</summary>
    public bool Has(string tool)
    {
        // What it is for belongs to a tool: pliers are none for retaining rings.
        var aim = tool.IndexOf(" for ", StringComparison.Ordinal);
        var (wanted, purpose) = (Read(tool), Read(aim < 0 ? "" : tool[aim..]).Words.Remove("for"));
        return Entries(Holds).Any(e => purpose.IsSubsetOf(e.Words) && (e.Sizes.IsEmpty
            ? e.Words.IsSubsetOf(wanted.Words)
            : e.Words.SetEquals(wanted.Words) && wanted.Sizes.Length > 0 && wanted.Sizes.All(w => e.Sizes.Any(s => s.Holds(w)))));
    }

    /// <summary>The set, or what is wrong with it.</summary>
    public static Outcome<HandToolSet> Check(HandToolSet set)
    {
        var (name, holds) = (Names.Clean(set.Name), Names.Clean(set.Holds));
        if (name.Length is 0 or > 60) return new Problem("A set of hand tools has a name of up to 60 characters.", "Write where it lies, such as Trolley 1.", "set");
        var shown = NumberText.Excerpt(name);
        if (holds.Length is 0 or > 1000)
            return new Problem($"What {shown} holds has 1 to 1000 characters.", "Write it with commas between: sockets 8–32 mm, screwdrivers.", "holds");
        if (Entries(holds).FirstOrDefault(e => e.Words.IsEmpty || e.Sizes.Any(s => s.From > s.To)) is not { } odd) return new HandToolSet(name, holds);
        var what = odd.Words.IsEmpty ? $"One entry of {shown} is a size without a tool." : $"In {shown} a range of sizes runs downwards.";
        return new Problem(what, "Write each as tool and sizes: sockets 8–32 mm.", "holds");
    }

    // A comma parts two tools, or two sizes of one: what has no word belongs to the entry before it.
    private static IEnumerable<Entry> Entries(string holds)
    {
        var entry = "";
        foreach (var piece in holds.Split([',', ';', '\n'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            if (entry.Length > 0 && !Word().IsMatch(SizeIn().Replace(piece, ""))) entry += ", " + piece;
            else
            {
                if (entry.Length > 0) yield return Read(entry);
                entry = piece;
            }
        }

        if (entry.Length > 0) yield return Read(entry);
    }

    private static readonly ImmutableHashSet<string> Fillers = ["or", "and", "set", "of", "a", "full", "mm", "in"];

    private static Entry Read(string text)
    {
        var sizes = ImmutableArray.CreateBuilder<Size>();
        var unit = "";
        // From behind: "1/4, 3/8, 1/2 in" are all inches.
        foreach (var match in SizeIn().Matches(text).Reverse())
        {
            if (match.Groups["unit"] is { Success: true, Value: var own }) unit = own;
            var letter = match.Groups["letter"].Value;
            if (NumberOf(match.Groups["from"].Value) is not { } from) continue;
            sizes.Add(new Size(letter.Length > 0 ? letter : unit, from, match.Groups["to"] is { Success: true, Value: var to } ? NumberOf(to) ?? from : from));
        }

        var words = Word().Matches(SizeIn().Replace(text, " ")).Select(m => Singular(m.Value.ToLowerInvariant()));
        return new Entry([.. words.Where(w => !Fillers.Contains(w))], sizes.ToImmutable());
    }

    private static string Singular(string word) => word is "pliers" or "lens" ? word : word.EndsWith("sses", StringComparison.Ordinal) ? word[..^2]
        : word.EndsWith('s') && !word.EndsWith("ss", StringComparison.Ordinal) ? word[..^1] : word;

    private static double? NumberOf(string text)
    {
        static double? Decimal(string digits) => double.TryParse(digits.Replace(',', '.'), CultureInfo.InvariantCulture, out var number) ? number : null;
        return text.Split('/') is [var over, var under] ? Decimal(over) / (Decimal(under) is > 0 and var parts ? parts : null) : Decimal(text);
    }
}
