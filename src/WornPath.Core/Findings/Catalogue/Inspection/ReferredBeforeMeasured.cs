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

    private static readonly StepMemo<int, (string Said, string What)[]> References = new((step, _) => [.. Reference().Matches(step.Text).Select(m => (m.Value.Trim(), m.Groups["what"].Value))]);

    public override IEnumerable<Finding> Find(Walk walk)
    {
        // Most sheets go by no measured value: nothing is collected for them.
        var any = false;
        for (var i = 0; i < walk.Steps.Count && !any; i++) any = References.Of(walk, i, 0).Length > 0;
        if (!any) yield break;
        List<string[]> known = [];
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            foreach (var (said, what) in References.Of(walk, i, 0))
            {
                var words = NameIndex.StemsOf(what);
                if (words.Length == 0 || known.Exists(k => k.Length > 0 && words.Length >= k.Length && words.Take(k.Length).SequenceEqual(k))) continue;
                yield return At(step, i, null, $"“{said}” goes by a value that no step before this one measures or chooses. Measure it first, or call it what it is called there{(known.Count > 0 ? $" ({string.Join(", ", known.Select(k => string.Join(' ', k)))})" : "")}.");
                break;
            }

            foreach (var action in step.Actions)
                if (action.Verb is Verb.Measure or Verb.Inspect && (action.Words ?? walk.Things.GetValueOrDefault(action.Target ?? "")?.Name) is { } name) known.Add(NameIndex.StemsOf(name));
            if (step.Table is { } table)
            {
                known.Add(NameIndex.StemsOf(table.Quantity));
                known.Add(NameIndex.StemsOf(table.Chosen));
            }
        }
    }
}
