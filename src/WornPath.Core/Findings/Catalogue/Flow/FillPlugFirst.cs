using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FLO004: the drain plug comes out before anybody knows that the fill plug does.</summary>
public sealed class FillPlugFirst : Rule
{
    public override RuleInfo Info { get; } = new("FLO004", Severity.Warn, "Drain plug out before the fill plug");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        var drain = walk.Doing(Verb.TakeOut).FirstOrDefault(e => e.Thing is Joint && Natures.Is(e.Thing, Trait.DrainPlug));
        var fill = walk.Doing(Verb.TakeOut).FirstOrDefault(e => e.Thing is Joint && Natures.Is(e.Thing, Trait.FillPlug));
        if (drain is null || fill is null || fill.Order < drain.Order) yield break;
        yield return At(drain, $"{drain.Thing!.Label} comes out here, and {fill.Thing!.Label} only "
            + $"{(fill.StepIndex > drain.StepIndex ? $"in step {fill.StepIndex + 1}" : "behind it")}: where the fill plug is seized, the vehicle "
            + "stands empty. Open the fill plug first.",
            fill.Step.Id == drain.Step.Id ? null : Fixes.MoveBefore(walk, fill.StepIndex, drain.StepIndex));
    }
}
