using System.Text.RegularExpressions;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS004: a step goes by a measured or chosen value that no step before measures or chooses.</summary>
public sealed partial class ReferredBeforeMeasured : Rule
{
    public override RuleInfo Info { get; } = new("INS004", Severity.Stop, "Goes by a value not yet measured");

    [GeneratedRegex(@"\b(?:measured|chosen|noted|recorded)\s+(?<what>[\p{L}][\p{L}\d -]{2,60})", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Reference();

    public override IEnumerable<Finding> Find(Walk walk)
    {
        List<string[]> known = [];
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            foreach (Match match in Reference().Matches(step.Text))
            {
                var words = NameIndex.StemsOf(match.Groups["what"].Value);
                if (words.Length == 0 || known.Exists(k => k.Length > 0 && words.Length >= k.Length && words.Take(k.Length).SequenceEqual(k))) continue;
                yield return At(step, i, null, $"“{match.Value.Trim()}” goes by a value that no step before this one measures or chooses. Measure it first, or call it what it is called there{(known.Count > 0 ? $" ({string.Join(", ", known.Select(k => string.Join(' ', k)))})" : "")}.");
                break;
            }

            foreach (var action in step.Actions)
                if (action.Verb is Verb.Measure or Verb.Inspect && (action.Words ?? walk.Whole.Find(action.Target ?? "")?.Name) is { } name) known.Add(NameIndex.StemsOf(name));
            if (step.Table is { } table)
            {
                known.Add(NameIndex.StemsOf(table.Quantity));
                known.Add(NameIndex.StemsOf(table.Chosen));
            }
        }
    }
}
