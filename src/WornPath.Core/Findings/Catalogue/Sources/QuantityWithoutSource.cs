using WornPath.Core.Workshops;
using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC006: the amount of a fluid, or limits a step measures against, with no word of where they were taken from: nobody can read them a second time.</summary>
public sealed class QuantityWithoutSource : Rule
{
    public override RuleInfo Info { get; } = new("SRC006", Severity.Hint, "Limits or amount without a source");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var fluid in walk.Sheet.Fluids)
            if (!fluid.IsSecond && fluid.Source is null && VolumeText.Find(fluid.Capacity) is not null)
                yield return At(null, -1, fluid, $"{fluid.Label}: {fluid.Capacity} has no source. Write the document, edition and page it was taken from in Joints; "
                    + "then a second person reads it there.",
                    [.. CitedSources.Of(walk, source => new SetField(fluid.SheetId, "source", "", source))]);
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            if (step.Source is not null || (step.Table is null && step.Actions.All(a => a.Limits is null))) continue;
            var limits = step.Actions.Select(a => a.Limits).FirstOrDefault(l => l is not null)?.ToString() ?? $"the limits of {step.Table!.Quantity}";
            yield return At(step, i, null, $"Here {limits} {(step.Table is null ? "has" : "have")} no source. Write the document, edition and page "
                + "behind “source” under the step; then a second person reads it there.",
                [.. CitedSources.Of(walk, source => new SetField(step.Id, "source", "", source))]);
        }
    }
}
