using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC010: steps came with a block of the workshop that reads otherwise now, or is kept no more.</summary>
public sealed class BlockRenewed : Rule
{
    public override RuleInfo Info { get; } = new("SRC010", Severity.Hint, "Former version of a block");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        // Where nobody has written blocks of the house the usual ones hold, and those do not change while a sheet is written.
        if (walk.Workshop.Blocks.IsEmpty) yield break;
        var came = walk.Steps.Select((step, i) => (Step: step, Index: i)).Where(s => s.Step.Block is not null).GroupBy(s => s.Step.Block!);
        foreach (var of in came)
        {
            var kept = walk.Workshop.BlockOf(of.Key);
            if (kept?.Version == of.Key.Version) continue;
            var (step, index) = of.First();
            var here = of.Count() == 1 ? "This step came" : $"{of.Count()} steps from here on came";
            yield return At(step, index, null, $"{here} with version {of.Key.Version} of the block “{of.Key.Name}”, "
                + (kept is null ? "which the workshop keeps no more."
                    : $"which is in version {kept.Version} now: {NumberText.Excerpt(kept.Reads, LongestShown)}"),
                new Fix("They stay as they are here", new Several("steps of their own",
                    [.. of.Select(s => new SetField(s.Step.Id, "block", of.Key.ToString(), ""))])));
        }
    }

    private const int LongestShown = 240;
}
