using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>INS004: a step goes by a measured or chosen value that no step before measures or chooses.</summary>
public sealed class ReferredBeforeMeasured : StepRule
{
    public override RuleInfo Info { get; } = new("INS004", Severity.Stop, "Goes by a value not yet measured");

    // What is said of a measured value, and what it is of.
    private static IEnumerable<(string Said, string What)> References(Step step) =>
        Claims.All(step, ClaimKind.GoesBy).Select(c => (Said: c.At.Of(step.Text), What: What(step.Text, c.At.End)))
            .Where(r => r.What.Length > 2).Select(r => ($"{r.Said} {r.What}", r.What));

    private sealed record Known(int StepIndex, string[] Stems);

    protected internal override bool Concerns(Step step, HouseRules rules) => Claims.Says(step, ClaimKind.GoesBy) && References(step).Any();

    protected internal override void Find(Walk walk, int stepIndex, Found found)
    {
        // Most sheets go by no measured value: nothing is collected for them.
        var known = found.Kept(this, () => AllOf(walk)).Where(k => k.StepIndex < stepIndex);
        foreach (var (said, what) in References(walk.Steps[stepIndex]))
        {
            var words = NameIndex.StemsOf(what);
            if (words.Length == 0 || known.Any(k => words.AsSpan().StartsWith(k.Stems))) continue;
            found.Add(At(walk.Steps[stepIndex], stepIndex, null, $"“{said}” goes by a value that no step before this one measures or chooses. Measure it first, or call it what it is called there{(known.Any() ? $" ({string.Join(", ", known.Select(k => string.Join(' ', k.Stems)))})" : "")}."));
            return;
        }
    }

    // The words that follow, without a mark between them.
    private static string What(string text, int from)
    {
        var end = from;
        while (end < text.Length && (char.IsLetterOrDigit(text[end]) || text[end] is ' ' or '-')) end++;
        return text[from..end].Trim();
    }

    // All that is measured on the walk or chosen by a table, in the order of the steps.
    private static List<Known> AllOf(Walk walk) =>
    [
        .. walk.Steps.SelectMany((step, i) => step.Actions.Where(a => a.Verb is Verb.Measure or Verb.Inspect).Select(a => a.Words ?? walk.Things.GetValueOrDefault(a.Target ?? "")?.Name)
            .Concat(step.Table is { } table ? [table.Quantity, table.Chosen] : [])
            .OfType<string>().Select(name => new Known(i, NameIndex.StemsOf(name)))).Where(k => k.Stems.Length > 0),
    ];
}
