using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO009: a fluid was drained or filled, and is not filled, or its level not checked, when all is done.</summary>
public sealed class FluidNotChecked : Rule
{
    public override RuleInfo Info { get; } = new("CLO009", Severity.Stop, "Fluid not filled or level not checked");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var fluid in walk.Sheet.Fluids)
        {
            var end = walk.AtEnd(fluid.Id);
            if (end.Fluid != FluidState.Drained && end.LevelChecked) continue;
            var last = walk.EventsOf(fluid.Id).Last(e => e.Verb is Verb.Drain or Verb.Fill);
            var check = $"Check the level of {Fixes.The(fluid)}.";
            yield return end.Fluid == FluidState.Drained
                ? At(last, $"{fluid.Label} is drained here and never filled.", Fixes.PutRight(walk, fluid, last.StepIndex, $"Fill {fluid.Id} and check its level", $"Fill {Fixes.The(fluid)}.", check))
                : At(last, $"{fluid.Label} is filled here and its level is not checked.", Fixes.InsertAfter(walk, last.StepIndex, "Check the level", check));
        }
    }
}
