using WornPath.Core.Workshops;
using System.Globalization;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FLO005: a step fills in another amount than the fluid's capacity, or to another level than it is filled to.</summary>
public sealed partial class OtherAmount : Rule
{
    public override RuleInfo Info { get; } = new("FLO005", Severity.Warn, "Another amount than the capacity");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var fluid in walk.Sheet.Fluids)
        {
            if (LevelIn(fluid.FillTo) is { } level && walk.EventsOf(fluid.Id).FirstOrDefault(e => e.Verb is Verb.Fill or Verb.CheckLevel
                && LevelIn(e.Step.Text) is { } other && !level.IsAlike(other)) is { } filled)
                yield return At(filled, $"{fluid.Label}: filled to another level here, and the sheet says {fluid.FillTo}. One of the two is wrong.");
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

    // "2 cm below the neck": so far above or below something.
    private sealed record Level(decimal Mm, bool Above)
    {
        public bool IsAlike(Level other) => Mm == other.Mm || Above != other.Above;
    }

    private static Level? LevelIn(string text)
    {
        var match = LevelText().Match(text);
        if (!match.Success) return null;
        var number = decimal.Parse(match.Groups["n"].Value.Replace(',', '.'), CultureInfo.InvariantCulture);
        var mm = match.Groups["u"].Value switch { "cm" => 10m, "in" or "inch" or "inches" => 25.4m, _ => 1m };
        return new Level(number * mm, match.Groups["w"].Value == "above");
    }

    [GeneratedRegex(@"(?<n>\d+(?:[.,]\d+)?)\s*(?<u>mm|cm|in|inch|inches)\s+(?<w>below|above|under|from)\b", RegexOptions.CultureInvariant)]
    private static partial Regex LevelText();

    private static double? LitresIn(string text) => VolumeText.Find(text)?.Litres;
}
