using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD002: a part goes on while another that belongs under it is still off.</summary>
public sealed class FittedBeforeWhatGoesUnder : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("ORD002", Severity.Stop, "Part fitted before what goes under it");

    protected internal override void Find(Walk walk, Part under, Found found)
    {
        if (under.Behind.IsEmpty && !Covers.IsGasket(under)) return;
        var fitted = walk.EventsOf(under.Id).LastOrDefault(e => e.Verb == Verb.Fit);
        if (fitted is null) return;
        foreach (var (cover, past) in Covers.Of(walk, under))
        {
            var id = cover.Id;
            // The last time the cover goes on before the part under it does, while that part is off and the cover stays on.
            var early = walk.EventsOf(id).LastOrDefault(e => e.Verb == Verb.Fit && e.Order < fitted.Order);
            if (!walk.BeforeEvent(id, fitted.Order).Part.IsMounted || walk.BeforeEvent(under.Id, early?.Order ?? fitted.Order).Part.IsMounted) continue;
            // Past a cover that is off itself, that is the one to wait for.
            // "Slide the gland onto the rod and push the rod in": what sits on it goes in with it.
            if (walk.HostAt(id, fitted.Order) == under.Id
                || past is not null && (early is null || !walk.BeforeEvent(past.Id, early.Order).Part.IsMounted)) continue;
            if (early is null)
            {
                found.Add(At(fitted, $"{under.Label} is fitted here, and {cover.Label}, which {cover.Or("goes", "go")} over {under.Them}, {cover.Or("has", "have")} never come off. Write where {cover.It} {cover.Or("does", "do")}."));
                continue;
            }

            // "Push the spring over the new damper": the one is there when the other goes on.
            if (early.Step.Id == fitted.Step.Id && early.Action.In.Length > 0 && early.Action.In == fitted.Action.In
                && !Claims.Says(early.Step, early.Action, ClaimKind.Then)) continue;
            var fix = fitted.StepIndex == early.StepIndex ? null
                : CanGoBefore(walk, under, fitted, early) ? Fixes.MoveBefore(walk, fitted.StepIndex, early.StepIndex)
                : CanWait(walk, cover, early, fitted) ? Fixes.MoveAfter(walk, early.StepIndex, fitted.StepIndex) : null;
            found.Add(At(early, $"{cover.Label} is fitted here, but what goes under {cover.Them} is fitted only in step {fitted.StepIndex + 1}: {under.Label}.", fix));
        }
    }

    // What goes under it is on by then, the old one out, and nothing else of the step stands in the way.
    private static bool CanGoBefore(Walk walk, Part part, WalkEvent fitted, WalkEvent early) =>
        !walk.BeforeEvent(part.Id, early.Order).Part.IsMounted
        && walk.Sheet.Parts.All(p => !p.Behind.Contains(part.Id) || walk.BeforeEvent(p.Id, early.Order).Part.IsMounted)
        && !Fixes.IsWorkedOnBetween(walk, fitted.Step, early.StepIndex, fitted.StepIndex);

    // Nothing that goes over it is on before the other is.
    private static bool CanWait(Walk walk, Part cover, WalkEvent early, WalkEvent fitted) =>
        Covers.Of(walk, cover).All(c => walk.EventsOf(c.Cover.Id).All(e => e.Verb != Verb.Fit || e.Order < early.Order || e.Order > fitted.Order))
        && !Fixes.IsWorkedOnBetween(walk, early.Step, early.StepIndex, fitted.StepIndex);
}
