using System.Text.RegularExpressions;

namespace WornPath.Core.Quantities;

/// <summary>Numbers as they are written in a cell that asks for one: with their unit, in words, with what shops put about them.</summary>
public static partial class AmountText
{
    /// <summary>Kilograms to one of a unit of mass. The international pound is exact (NIST SP 811, 2008, appendix B).</summary>
    private static readonly Dictionary<string, decimal> Masses = new(StringComparer.OrdinalIgnoreCase)
    {
        ["kg"] = 1,
        ["kilo"] = 1,
        ["kilos"] = 1,
        ["kgs"] = 1,
        ["g"] = 0.001m,
        ["t"] = 1000,
        ["tonne"] = 1000,
        ["tonnes"] = 1000,
        ["lb"] = 0.45359237m,
        ["lbs"] = 0.45359237m,
        ["pound"] = 0.45359237m,
        ["pounds"] = 0.45359237m,
    };

    private static readonly Dictionary<string, decimal> Days = new(StringComparer.OrdinalIgnoreCase)
    {
        ["d"] = 1,
        ["day"] = 1,
        ["days"] = 1,
        ["wk"] = 7,
        ["wks"] = 7,
        ["week"] = 7,
        ["weeks"] = 7,
    };

    private static readonly Dictionary<string, decimal> Minutes = new(StringComparer.OrdinalIgnoreCase)
    {
        ["min"] = 1,
        ["mins"] = 1,
        ["minute"] = 1,
        ["minutes"] = 1,
        ["h"] = 60,
        ["hr"] = 60,
        ["hrs"] = 60,
        ["hour"] = 60,
        ["hours"] = 60,
    };

    private static readonly Dictionary<string, decimal> Pieces = new(StringComparer.OrdinalIgnoreCase)
    {
        ["x"] = 1,
        ["×"] = 1,
        ["off"] = 1,
        ["pc"] = 1,
        ["pcs"] = 1,
        ["pieces"] = 1,
        ["each"] = 1,
        ["ea"] = 1,
        ["pair"] = 2,
        ["pairs"] = 2,
        ["set"] = 1,
    };

    [GeneratedRegex(@"^(?:about|approx\.?|approximately|ca\.?|~)?\s*(?<n>.+?)\s*(?<unit>[A-Za-z×]+)?\.?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Pattern();

    [GeneratedRegex(@"^[x×]\s*(?=\d)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Times();

    /// <summary>A mass in kilograms: "22", "22 kg", "48 lb", "about 1.5 t".</summary>
    public static decimal? Mass(string text) => Read(text, Masses) is { } kilograms ? Math.Round(kilograms, 3) : null;

    /// <summary>Days: "3", "3 days", "2 weeks".</summary>
    public static decimal? DayCount(string text) => Read(text, Days);

    /// <summary>Minutes: "20", "20 min", "1.5 h".</summary>
    public static decimal? MinuteCount(string text) => Read(text, Minutes);

    /// <summary>How many: "4", "four", "4x", "4 off", "a pair".</summary>
    public static decimal? Count(string text) => Read(Times().Replace(text.Trim(), ""), Pieces);

    private static decimal? Read(string text, Dictionary<string, decimal> units)
    {
        if (Pattern().Match(text.Trim()) is not { Success: true } match) return null;
        var unit = match.Groups["unit"];
        if (unit.Success && units.TryGetValue(unit.Value, out var factor)) return Number(match.Groups["n"].Value) * factor;
        // "Four" is all number.
        return Number(unit.Success ? match.Groups["n"].Value + text.Trim()[unit.Index..] : match.Groups["n"].Value);
    }

    private static decimal? Number(string text) => text.Trim() is var n && n is "a" or "an" ? 1
        : NumberText.Parse(n) is { IsGood: true } read ? read.Value : NumberWords.InWords(n) is > 0 and var words ? words : null;
}
