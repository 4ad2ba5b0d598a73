using System.Globalization;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;

namespace WornPath.Core.Sheets;

/// <summary>What a measured value is held against: a lower end, an upper end, or both, in a unit as written ("mm", "bar").</summary>
/// <param name="Low">The least that is good; null where there is no lower end.</param>
/// <param name="High">The most that is good; null where there is no upper end.</param>
/// <param name="Unit">The unit as written; empty for a bare number.</param>
public sealed partial record Limits(decimal? Low, decimal? High, string Unit)
{
    private const string Number = @"-?\d+(?:[.,]\d+)?";

    private const string UnitText = @"[^\W\d_][\w·/]*|°C?|%";

    private const string Upright = @"mm|µm|cm|m|in|bar|psi|kPa|MPa|V|Ω|°C?|%|kg|N|L|mL|ml";

    // "At least 9", "it must not be less than 9", "the minimum is 9"; "at most 9", "must not exceed 9"; "9 or more"; "1 to 2"; "5 ± 1".
    [GeneratedRegex($@"(?:(?<least>at least|(?:not|no)\s+(?:be\s+)?(?:less|thinner|smaller|shorter|lower|lighter|narrower)\s+than|not\s+(?:be\s+)?(?:below|under)|(?:more|greater|thicker|larger|longer|higher)\s+than|min(?:imum|\.)?(?:(?:\s+\p{{L}}+){{0,7}}?(?:\s+is|\s+of|\s*:))?|≥)|(?<most>at most|(?:not|no)\s+(?:be\s+)?(?:more|greater|larger|thicker|longer|higher|wider)\s+than|not\s+(?:be\s+)?(?:over|above|exceed(?:ing)?)|max(?:imum|\.)?(?:(?:\s+\p{{L}}+){{0,7}}?(?:\s+is|\s+of|\s*:))?|(?:less|thinner|smaller|shorter|lower)\s+than|up to|within(?=\s+[\d.,]+\s*(?:mm|µm|cm|in)\s+of\s+(?:each\s+other|one\s+another)\b)|≤))\s*(?<n>{Number})\s*(?<u>{UnitText})?"
        + $@"|(?:between\s+)?(?<a>{Number})(?:\s*(?:{Upright}))?\s*(?:–|-|to|and)\s*(?<b>{Number})\s*(?<u2>{UnitText})?"
        + $@"|(?<orMore>{Number})\s*(?<u5>{Upright})\s+(?:or\s+(?:more|above|over|better)|at\s+least|min(?:imum|\.)?)(?![\w.]*\s*\d)|(?<orLess>{Number})\s*(?<u6>{Upright})\s+(?:or\s+(?:less|below|under)|at\s+most|max(?:imum|\.)?)(?![\w.]*\s*\d)"
        + $@"|above\s+(?<above>{Number})\s*(?<u3>{UnitText})?|(?:below|under)\s+(?<below>{Number})\s*(?<u7>{Upright})\b|(?<mid>{Number})\s*(?:±|\+/-)\s*(?<tol>{Number})\s*(?<u4>{UnitText})?", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    private static readonly HashSet<string> NoUnits = new(StringComparer.OrdinalIgnoreCase)
    {
        "at", "on", "of", "to", "for", "when", "where", "while", "with", "and", "or", "by", "from", "before", "after", "between", "across", "if", "then",
    };

    /// <summary>True where the higher end was written first: read as if it were not, and found.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Backwards { get; init; }

    /// <summary>The decimals the limits are written with: a value between is read no finer.</summary>
    [JsonIgnore]
    public int Decimals => Math.Max(Scale(Low), Scale(High));

    // How many of its kind's common unit one of a unit is. 1 psi = 6.894757 kPa, 1 in = 25.4 mm: NIST SP 811, appendix B.8.
    private static readonly Dictionary<string, (string Kind, double Factor)> Units = new(StringComparer.OrdinalIgnoreCase)
    {
        ["mm"] = ("length", 1),
        ["cm"] = ("length", 10),
        ["m"] = ("length", 1000),
        ["µm"] = ("length", 0.001),
        ["in"] = ("length", 25.4),
        ["inch"] = ("length", 25.4),
        ["inches"] = ("length", 25.4),
        ["kPa"] = ("pressure", 1),
        ["bar"] = ("pressure", 100),
        ["MPa"] = ("pressure", 1000),
        ["psi"] = ("pressure", 6.894757),
        ["g"] = ("mass", 0.001),
        ["kg"] = ("mass", 1),
    };

    /// <summary>Whether limits that were read are these, in their unit or in another of its kind (<see cref="ReadAlike.Near"/>).</summary>
    public bool IsRead(Limits read)
    {
        var (own, other) = (Units.GetValueOrDefault(Unit), Units.GetValueOrDefault(read.Unit));
        var alike = string.Equals(Unit, read.Unit, StringComparison.OrdinalIgnoreCase);
        if (!alike && (own.Kind is null || own.Kind != other.Kind)) return false;
        bool Near(decimal? stands, decimal? end) => stands is { } a && end is { } b ? ReadAlike.Near(a, alike ? 1 : own.Factor, b, alike ? 1 : other.Factor) : stands is null && end is null;
        return Near(Low, read.Low) && Near(High, read.High);
    }

    /// <summary>Every limits of a text as they are written there.</summary>
    public static IEnumerable<string> Written(string text) => Pattern().Matches(text).Select(m => m.Value.Trim());

    /// <summary>The first limits in a text; null where there are none.</summary>
    public static Limits? Find(string text)
    {
        var match = Pattern().Match(text);
        if (!match.Success) return null;
        // "No less than 12.0 at the plugs": no unit.
        string Unit(string group) => match.Groups[group].Value is var unit && NoUnits.Contains(unit) ? "" : unit;
        if (match.Groups["least"].Success) return new Limits(Read(match.Groups["n"].Value), null, Unit("u"));
        if (match.Groups["most"].Success) return new Limits(null, Read(match.Groups["n"].Value), Unit("u"));
        if (match.Groups["orMore"].Success) return new Limits(Read(match.Groups["orMore"].Value), null, Unit("u5"));
        if (match.Groups["orLess"].Success) return new Limits(null, Read(match.Groups["orLess"].Value), Unit("u6"));
        if (match.Groups["below"].Success) return new Limits(null, Read(match.Groups["below"].Value), Unit("u7"));
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
