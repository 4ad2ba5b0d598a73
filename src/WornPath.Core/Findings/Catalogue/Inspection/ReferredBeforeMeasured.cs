using System.Text.RegularExpressions;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS004: a step goes by a measured or chosen value that no step before measures or chooses.</summary>
public sealed partial class ReferredBeforeMeasured : StepRule
{
    public override RuleInfo Info { get; } = new("INS004", Severity.Stop, "Goes by a value not yet measured");

    [GeneratedRegex(@"\b(?:measured|chosen|noted|recorded)\s+(?<what>[\p{L}][\p{L}\d -]{2,60})", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Reference();

    private static readonly Memo<Step, (string Said, string What)[]> References = new(step => [.. Reference().Matches(step.Text).Select(m => (m.Value.Trim(), m.Groups["what"].Value))]);

    private sealed record Known(int StepIndex, string[] Stems);

    protected internal override bool Concerns(Step step, HouseRules rules) => References.Of(step).Length > 0;

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        // Most sheets go by no measured value: nothing is collected for them.
        var known = found.Kept(this, () => AllOf(walk)).Where(k => k.StepIndex < stepIndex);
        foreach (var (said, what) in References.Of(walk.Steps[stepIndex]))
        {
            var words = NameIndex.StemsOf(what);
            if (words.Length == 0 || known.Any(k => words.AsSpan().StartsWith(k.Stems))) continue;
            found.Add(At(walk.Steps[stepIndex], stepIndex, null, $"“{said}” goes by a value that no step before this one measures or chooses. Measure it first, or call it what it is called there{(known.Any() ? $" ({string.Join(", ", known.Select(k => string.Join(' ', k.Stems)))})" : "")}."));
            return;
        }
    }

    // All that is measured on the walk or chosen by a table, in the order of the steps.
    private static List<Known> AllOf(Walk walk) =>
    [
        .. walk.Steps.SelectMany((step, i) => step.Actions.Where(a => a.Verb is Verb.Measure or Verb.Inspect).Select(a => a.Words ?? walk.Things.GetValueOrDefault(a.Target ?? "")?.Name)
            .Concat(step.Table is { } table ? [table.Quantity, table.Chosen] : [])
            .OfType<string>().Select(name => new Known(i, NameIndex.StemsOf(name)))).Where(k => k.Stems.Length > 0),
    ];
}
