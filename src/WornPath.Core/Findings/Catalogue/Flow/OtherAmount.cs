using WornPath.Core.Workshops;
using System.Globalization;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FLO005: a step fills in another amount than the fluid's capacity.</summary>
public sealed partial class OtherAmount : Rule
{
    public override RuleInfo Info { get; } = new("FLO005", Severity.Warn, "Another amount than the capacity");

    // Litres in a unit. A US quart and gallon: NIST SP 811, table B.8.
    private static readonly Dictionary<string, double> Litres = new(StringComparer.OrdinalIgnoreCase)
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

    [GeneratedRegex(@"(?<n>\d+(?:[.,]\d+)?|\b(?:half\s+an?|" + NumberWords.Pattern + @"|an?))(?<half>\s+and\s+a\s+half)?\s*(?<u>l|litres?|liters?|ml|cc|dl|qt|quarts?|gal|gallons?|pints?)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Amount();

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var fluid in walk.Sheet.Fluids)
        {
            if (LitresIn(fluid.Capacity) is not { } capacity) continue;
            // Filled in portions, their sum counts.
            List<(WalkEvent Event, double Litres)> said = [.. walk.EventsOf(fluid.Id).Where(e => e.Verb == Verb.Fill).Select(e =>
                (e, LitresIn(e.Action.In.Length > 0 ? e.Action.In.Of(e.Step.Text) : e.Step.Text) ?? 0))];
            if (said.Count == 0 || said[0].Litres == 0) continue;
            // What is topped up behind it is little.
            var toppedUp = said.Exists(s => s.Litres == 0);
            said.RemoveAll(s => s.Litres == 0);
            var sum = said.Sum(s => s.Litres);
            if (Math.Abs(sum - capacity) <= (toppedUp ? 0.2 : 0.05) * capacity) continue;
            // Drained in part, a part goes in again.
            if (sum < capacity && walk.EventsOf(fluid.Id).Any(e => e.Verb == Verb.Drain
                && LitresIn(e.Action.In.Length > 0 ? e.Action.In.Of(e.Step.Text) : "") is not null)) continue;
            yield return At(said[^1].Event, string.Create(CultureInfo.InvariantCulture,
                $"{fluid.Label}: {sum:0.##} L go in here, and the sheet says {fluid.Capacity}. One of the two is wrong."));
        }
    }

    private static double? LitresIn(string text)
    {
        if (Amount().Match(text) is not { Success: true } match) return null;
        var words = match.Groups["n"].Value;
        decimal? number = NumberText.Parse(words) is { IsGood: true } figures ? figures.Value : words.StartsWith("half", StringComparison.OrdinalIgnoreCase)
            ? 0.5m
            : NumberWords.InWords(words);
        return number is null ? null : (double)(number.Value + (match.Groups["half"].Success ? 0.5m : 0)) * Litres[match.Groups["u"].Value];
    }
}
