using WornPath.Core.Building;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ003: brakes, steering, a roll-over or towing structure was worked on, and nobody qualified checks it before it is used.</summary>
public sealed class NoQualifiedCheck : Rule
{
    public override RuleInfo Info { get; } = new("HAZ003", Severity.Warn, "Safety-critical work without a qualified check");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        WalkEvent? last = null;
        foreach (var thing in Natures.LifeCritical(walk.Sheet))
            if (walk.EventsOf(thing.Id).LastOrDefault(e => e.Verb is Verb.Fit or Verb.Torque) is { } done && (last is null || done.Order > last.Order)) last = done;
        if (last is null) yield break;
        for (var i = last.StepIndex; i < walk.Steps.Count; i++)
            if (Claims.Says(walk.Steps[i], ClaimKind.Qualified)) yield break;
        yield return At(last, $"People’s lives hang on {last.Thing!.Label}, and no step behind has it checked by a qualified person before the vehicle is used.", Fixes.InsertAtEnd(walk, "Have it checked at the end", TighteningSentence.HaveChecked(last.Thing)));
    }
}
