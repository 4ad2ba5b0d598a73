using System.Globalization;

namespace WornPath.Core.Quantities;

/// <summary>An angle a fastener or part is turned through, in degrees.</summary>
/// <param name="Degrees">Degrees, 360 to a turn.</param>
public readonly record struct Angle(decimal Degrees)
{
    /// <summary>Degrees in one flat of a hexagon.</summary>
    public const decimal Flat = 60;

    /// <summary>Reads "90°", "90 deg", "1/4 turn", "two flats", "1 flat".</summary>
    public static Outcome<Angle> Parse(string text)
    {
        var words = text.Trim().ToLowerInvariant().Replace("°", " degrees").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var bad = new Problem($"“{NumberText.Excerpt(text.Trim())}” is not an angle.", "Write degrees, flats or turns, such as 90°, 1 flat or 1/4 turn.");
        if (words.Length < 2 || NumberWords.Parse(string.Join(' ', words[..^1])) is not { } number) return bad;
        var degrees = words[^1] switch
        {
            "degrees" or "degree" or "deg" or "deg." => number,
            "flat" or "flats" => number * Flat,
            "turn" or "turns" => number * 360,
            _ => -1m,
        };
        return degrees is > 0 and <= 7200 ? new Angle(degrees) : bad;
    }

    public override string ToString() => Degrees.ToString("0.##", CultureInfo.InvariantCulture) + "°";
}
