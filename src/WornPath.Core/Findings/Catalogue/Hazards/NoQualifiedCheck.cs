using WornPath.Core.Workshops;
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
        var critical = Natures.LifeCritical(walk.Sheet).Select(t => walk.EventsOf(t.Id).LastOrDefault(e =>
            e.Verb is Verb.Fit or Verb.Torque)).OfType<WalkEvent>().ToList();
        if (critical.MaxBy(e => e.Order) is not { } last) yield break;
        for (var i = last.StepIndex; i < walk.Steps.Count; i++)
            if (Claims.Says(walk.Steps[i], ClaimKind.Qualified)) yield break;
        // What was checked before the last of them is not said again.
        var checkedAt = Enumerable.Range(0, last.StepIndex).LastOrDefault(i => Claims.Says(walk.Steps[i], ClaimKind.Qualified), -1);
        List<Thing> open = [.. critical.Where(e => e.StepIndex > checkedAt).OrderBy(e => e.Order).Select(e => walk.Things[e.Thing!.SheetId]).Distinct()];
        var all = Sentences.Listed([.. open.Select(t => t.Label)]);
        yield return At(last, $"People’s lives hang on {all}, and no step behind has {(open.Count > 1 ? "them" : last.Thing!.Them)} checked by a qualified person "
            + "before the vehicle is used.",
            Fixes.InsertBeforeUse(walk, last.StepIndex, "Have it checked before it is used", TighteningSentence.HaveChecked(open)));
    }
}
