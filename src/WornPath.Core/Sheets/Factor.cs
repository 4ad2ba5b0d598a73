using System.Collections.Immutable;
using WornPath.Core.Quantities;

namespace WornPath.Core.Sheets;

/// <summary>A way in which the vehicles of one procedure differ, and what each can be: "wheels: steel wheels, cast wheels", "side: left, right".</summary>
/// <param name="Name">What differs.</param>
/// <param name="Options">What it can be; the first is the one walked when nobody has chosen.</param>
public sealed record Factor(string Name, ImmutableArray<string> Options)
{
    /// <summary>The most factors of a sheet.</summary>
    public const int Most = 8;

    /// <summary>The most options of a factor.</summary>
    public const int MostOptions = 12;

    /// <summary>Factors as a cell shows them.</summary>
    public static string Text(ImmutableArray<Factor> factors) => string.Join("; ", factors.Select(f => $"{f.Name}: {string.Join(", ", f.Options)}"));

    /// <summary>Reads "wheels: steel wheels, cast wheels; side: left, right".</summary>
    public static Outcome<ImmutableArray<Factor>> Parse(string text)
    {
        const string Such = "Write what differs, a colon and its options, such as wheels: steel wheels, cast wheels; side: left, right.";
        var factors = ImmutableArray.CreateBuilder<Factor>();
        foreach (var part in text.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var colon = part.IndexOf(':');
            if (colon <= 0) return new Problem($"“{NumberText.Excerpt(part)}” names no options.", Such);
            var name = Names.Clean(part[..colon]);
            var options = part[(colon + 1)..].Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(Names.Clean).ToImmutableArray();
            if (options.Length is < 2 or > MostOptions) return new Problem($"“{NumberText.Excerpt(name)}” has {options.Length} option{(options.Length == 1 ? "" : "s")}.", $"Give it from 2 to {MostOptions}. {Such}");
            if (options.FirstOrDefault(o => o.Length > Names.Longest) is { } wide) return new Problem($"“{NumberText.Excerpt(wide)}” is too long for an option.", $"Keep it to {Names.Longest} characters.");
            if (factors.Any(f => f.Name.Equals(name, StringComparison.OrdinalIgnoreCase))) return new Problem($"“{NumberText.Excerpt(name)}” stands twice.", "Put its options together.");
            factors.Add(new Factor(name, options));
        }

        if (factors.Count > Most) return new Problem($"{factors.Count} ways to differ are too many.", $"Keep to {Most}; split the procedure where it has more.");
        var twice = factors.SelectMany(f => f.Options).GroupBy(o => o, StringComparer.OrdinalIgnoreCase).FirstOrDefault(g => g.Count() > 1);
        return twice is null ? factors.ToImmutable() : new Problem($"“{NumberText.Excerpt(twice.Key)}” is an option twice.", "Give each option a name of its own, for a step names it alone.");
    }
}
