using System.Globalization;

namespace WornPath.Core.Quantities;

/// <summary>An angle a fastener or part is turned through, in degrees.</summary>
/// <param name="Degrees">Degrees, 360 to a turn.</param>
public readonly record struct Angle(decimal Degrees)
{
    /// <summary>Degrees in one flat of a hexagon.</summary>
    public const decimal Flat = 60;

    /// <summary>Reads "90°", "90 deg", "1/4 turn", "two flats", "one and a half turns", "a turn and a half".</summary>
    public static Outcome<Angle> Parse(string text)
    {
        string[] words = [.. NumberWords.UnitLast(text.Trim().ToLowerInvariant()).Replace("°", " degrees").Split(' ', StringSplitOptions.RemoveEmptyEntries).Where(w =>
            w is not ("full" or "complete" or "whole"))];
        var bad = new Problem($"“{NumberText.Excerpt(text.Trim())}” is not an angle.", "Write degrees, flats or turns, such as 90°, 1 flat or 1/4 turn.");
        if (words.Length < 2 || AmountOf(string.Join(' ', words[..^1])) is not { } number) return bad;
        var degrees = words[^1] switch
        {
            "degrees" or "degree" or "deg" or "deg." => number,
            "flat" or "flats" => number * Flat,
            "turn" or "turns" => number * 360,
            _ => -1m,
        };
        return degrees is > 0 and <= 7200 ? new Angle(Math.Round(degrees, 2)) : bad;
    }

    // "a third of a", "another sixth of a", "three quarters of a": parts of a turn as they are said.
    private static decimal? AmountOf(string words)
    {
        var bare = words.Replace("another", "a", StringComparison.Ordinal).Replace("a further ", "a ", StringComparison.Ordinal).Replace("one ", "a ",
            StringComparison.Ordinal).Replace('-', ' ');
        if (bare.EndsWith(" of a", StringComparison.Ordinal)) bare = bare[..^5];
        if (bare.StartsWith("a three", StringComparison.Ordinal)) bare = bare[2..];
        return bare switch
        {
            "half" or "a half" or "half a" => 0.5m,
            "third" or "a third" => 1m / 3,
            "two thirds" => 2m / 3,
            "quarter" or "a quarter" => 0.25m,
            "three quarters" or "three quarter" => 0.75m,
            "fifth" or "a fifth" => 0.2m,
            "sixth" or "a sixth" => 1m / 6,
            "eighth" or "an eighth" or "a eighth" => 0.125m,
            "twelfth" or "a twelfth" => 1m / 12,
            _ => NumberWords.Parse(words == "another" ? "one" : words),
        };
    }

    public override string ToString() => Degrees.ToString("0.##", CultureInfo.InvariantCulture) + "°";
}
