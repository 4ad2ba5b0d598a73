using System.Globalization;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;

namespace WornPath.Core.Sheets;

/// <summary>What a measured value is held against: a lower end, an upper end, or both, in a unit as written ("mm", "bar").</summary>
/// <param name="Low">The least that is good; null where there is no lower end.</param>
/// <param name="High">The most that is good; null where there is no upper end.</param>
/// <param name="Unit">The unit as written; empty for a bare number.</param>
public sealed partial record Limits(decimal? Low, decimal? High, string Unit)
{
    private const string Number = @"-?\d+(?:[.,]\d+)?";

    [GeneratedRegex($@"(?:(?<least>at least|not less than|no less than|minimum|min\.?|≥)|(?<most>at most|not more than|no more than|maximum|max\.?|less than|up to|≤))\s*(?<n>{Number})\s*(?<u>[^\W\d_][\w·/]*|°C?|%)?|(?:between\s+)?(?<a>{Number})(?:\s*(?:mm|cm|m|in|bar|psi|kPa|MPa|V|Ω|°C?|%|kg|N|L|mL|ml))?\s*(?:–|-|to|and)\s*(?<b>{Number})\s*(?<u2>[^\W\d_][\w·/]*|°C?|%)?|above\s+(?<above>{Number})\s*(?<u3>[^\W\d_][\w·/]*|°C?|%)?|(?<mid>{Number})\s*(?:±|\+/-)\s*(?<tol>{Number})\s*(?<u4>[^\W\d_][\w·/]*|°C?|%)?", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    /// <summary>True where the higher end was written first: read as if it were not, and found.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Backwards { get; init; }

    /// <summary>The decimals the limits are written with: a value between is read no finer.</summary>
    [JsonIgnore]
    public int Decimals => Math.Max(Scale(Low), Scale(High));

    /// <summary>The first limits in a text; null where there are none.</summary>
    public static Limits? Find(string text)
    {
        var match = Pattern().Match(text);
        if (!match.Success) return null;
        string Unit(string group) => match.Groups[group].Value;
        if (match.Groups["least"].Success) return new Limits(Read(match.Groups["n"].Value), null, Unit("u"));
        if (match.Groups["most"].Success) return new Limits(null, Read(match.Groups["n"].Value), Unit("u"));
        if (match.Groups["above"].Success) return new Limits(Read(match.Groups["above"].Value), null, Unit("u3"));
        if (match.Groups["mid"].Success && Read(match.Groups["tol"].Value) is var tol) return new Limits(Read(match.Groups["mid"].Value) - tol, Read(match.Groups["mid"].Value) + tol, Unit("u4"));
        var (a, b) = (Read(match.Groups["a"].Value), Read(match.Groups["b"].Value));
        return new Limits(Math.Min(a, b), Math.Max(a, b), Unit("u2")) { Backwards = a > b };
    }

    public override string ToString()
    {
        string Show(decimal? value) => value?.ToString(CultureInfo.InvariantCulture) ?? "";
        var unit = Unit.Length > 0 ? $" {Unit}" : "";
        return (Low, High) switch
        {
            ({ }, { }) => $"{Show(Low)}–{Show(High)}{unit}",
            ({ }, null) => $"at least {Show(Low)}{unit}",
            _ => $"at most {Show(High)}{unit}",
        };
    }

    private static decimal Read(string digits) => decimal.Parse(digits.Replace(',', '.'), NumberStyles.Number, CultureInfo.InvariantCulture);

    private static int Scale(decimal? value) => value is { } v ? v.Scale : 0;
}
