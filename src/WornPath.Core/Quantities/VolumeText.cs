using System.Text.RegularExpressions;

namespace WornPath.Core.Quantities;

/// <summary>An amount of a fluid as written: one number, or the two ends of a range.</summary>
/// <param name="Low">The lower end of a range; null where there is none.</param>
/// <param name="Number">The number, or the upper end.</param>
/// <param name="Litre">Litres of one of its unit.</param>
public readonly record struct Volume(decimal? Low, decimal Number, double Litre)
{
    /// <summary>Litres, of a range its upper end.</summary>
    public double Litres => (double)Number * Litre;

    /// <summary>Whether what was read is this amount (<see cref="ReadAlike.Near"/>).</summary>
    public bool IsRead(Volume read) => ReadAlike.Near(Number, Litre, read.Number, read.Litre)
        && (Low is { } low ? read.Low is { } other && ReadAlike.Near(low, Litre, other, read.Litre) : read.Low is null);
}

/// <summary>Amounts of fluids in a text: "0.9 L", "half a litre", "3.8–4 qt".</summary>
public static partial class VolumeText
{
    // Litres in a unit. A US quart, pint and gallon: NIST SP 811, table B.8.
    private static readonly Dictionary<string, double> Units = new(StringComparer.OrdinalIgnoreCase)
    {
        ["l"] = 1,
        ["litre"] = 1,
        ["litres"] = 1,
        ["liter"] = 1,
        ["liters"] = 1,
        ["ml"] = 0.001,
        ["cc"] = 0.001,
        ["dl"] = 0.1,
        ["qt"] = 0.946353,
        ["quart"] = 0.946353,
        ["quarts"] = 0.946353,
        ["gal"] = 3.785412,
        ["gallon"] = 3.785412,
        ["gallons"] = 3.785412,
        ["pint"] = 0.473176,
        ["pints"] = 0.473176,
    };

    [GeneratedRegex(@"(?:(?<low>\d+(?:[.,]\d+)?)\s*(?:–|-|to)\s*)?(?<n>\b" + NumberWords.Mixed + @"|\d+(?:[.,]\d+)?|\b(?:half\s+an?|" + NumberWords.Pattern
        + @"|an?))\s*(?<u>l|litres?|liters?|ml|cc|dl|qt|quarts?|gal|gallons?|pints?)\b(?<part>" + NumberWords.AndPart + ")?",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Amount();

    /// <summary>The first amount in a text; null where there is none.</summary>
    public static Volume? Find(string text) => All(text).Select(v => (Volume?)v).FirstOrDefault();

    /// <summary>Every amount in a text.</summary>
    public static IEnumerable<Volume> All(string text) => Amount().Matches(text).Select(Read).OfType<Volume>();

    /// <summary>The amounts of a text as they are written there.</summary>
    public static IEnumerable<string> Written(string text) => Amount().Matches(text).Where(m => Read(m) is not null).Select(m => m.Value);

    private static Volume? Read(Match match)
    {
        var words = match.Groups["n"].Value;
        var said = match.Groups["part"] is { Success: true } part ? $"{words}{part.Value}" : words;
        var number = Figures(words) is { } figures && said == words ? figures
            : words.StartsWith("half", StringComparison.OrdinalIgnoreCase) ? 0.5m
            : NumberWords.Parse(said) ?? NumberWords.InWords(words);
        return number is null ? null
            : new Volume(match.Groups["low"] is { Success: true } low ? Figures(low.Value) : null, number.Value, Units[match.Groups["u"].Value]);
    }

    private static decimal? Figures(string text) => NumberText.Parse(text) is { IsGood: true } read ? read.Value : null;
}
