using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ008: the vehicle comes down onto stands that are still under it, or onto a wheel that is off or on hand-started fasteners.</summary>
public sealed class LoweredTooSoon : Rule
{
    public override RuleInfo Info { get; } = new("HAZ008", Severity.Stop, "Lowered too soon");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        // An implement that comes down on what was put under it.
        foreach (var set in walk.Doing(Verb.Set))
            if (set.Thing is Control control && Natures.Is(control, Trait.Implement) && Trade.Says(set.Action.Position ?? "", Trade.Lowers)
                && !Claims.Says(set.Step, set.Action, ClaimKind.Onto)
                && walk.Sheet.Aids.FirstOrDefault(a => Natures.Is(a, Trait.Under) && !Natures.Is(a, Trait.Chock)
                    && walk.BeforeEvent(a.Id, set.Order).InPlace && walk.EventsOf(a.Id).Any(e => e.Order > set.Order && e.Verb == Verb.TakeAway)) is { } under)
                yield return At(set, $"{control.Label} is lowered here while {under.Label} {under.Are} still under it. Take "
                    + $"{under.Them} away first.");

        foreach (var lowered in walk.Events)
        {
            if (lowered.Verb is not (Verb.Lower or Verb.LowerToTouch) || !lowered.Before.Vehicle.InTheAir) continue;
            var corners = lowered.Before.Vehicle.Standing.InTheAir & ~lowered.After.Vehicle.Standing.InTheAir;
            foreach (var stand in walk.Sheet.Aids.Where(a => Natures.Is(a, Trait.Stand) && walk.BeforeEvent(a.Id, lowered.Order).InPlace))
            {
                // The stands of another end stay under that.
                if (lowered.After.Vehicle.InTheAir && (At(walk, stand, lowered.Order) & corners) == Corners.None) continue;
                var away = walk.EventsOf(stand.Id).FirstOrDefault(e => e.Verb == Verb.TakeAway && e.Order > lowered.Order);
                yield return At(lowered.Step, lowered.StepIndex, stand,
                    $"The vehicle is lowered here while {stand.Label} {stand.Are} still under it. Raise it a little and take them away first.",
                    away is null ? PlacedIn(walk, stand, lowered) ? null
                        : Fixes.InsertBefore(walk, lowered.StepIndex, "Take them away first", $"Take away {Fixes.The(stand)}.")
                    : away.Step.Id == lowered.Step.Id ? null : Fixes.MoveBefore(walk, away.StepIndex, lowered.StepIndex));
            }

            foreach (var joint in walk.Sheet.Joints)
            {
                if (!Natures.HoldsAWheel(joint, walk.Things) || (CornersOf.Joint(joint, walk.Things) & corners) == Corners.None) continue;
                var state = walk.BeforeEvent(joint.Id, lowered.Order).Joint;
                if (state is { WasOut: false, AnyOut: true } || !(state.AnyOut || state.Stage == JointStage.Started)) continue;
                yield return At(lowered.Step, lowered.StepIndex, joint,
                    $"The vehicle is lowered here while {joint.Label} {joint.Are} {(state.AnyOut ? "out" : "only started by hand")}: the wheel takes "
                    + "the weight and does not sit. Snug them first.",
                    state.AnyOut ? null : Fixes.InsertBefore(walk, WhileOnStands(walk, joint, lowered), $"Snug {joint.Id} first", $"Snug {Fixes.The(joint)}."));
            }
        }
    }

    private static bool PlacedIn(Walk walk, Aid stand, WalkEvent lowered) =>
        walk.EventsOf(stand.Id).Any(e => e.Verb == Verb.Place && e.StepIndex == lowered.StepIndex);

    // Where the fasteners are snugged: before the stands that were there when they went in go away for the lowering.
    private static int WhileOnStands(Walk walk, Joint joint, WalkEvent lowered)
    {
        var last = walk.EventsOf(joint.Id).Last(e => e.Order < lowered.Order);
        return walk.Doing(Verb.TakeAway).Where(e => e.StepIndex > last.StepIndex && e.Order < lowered.Order && Natures.Is(e.Thing, Trait.Stand))
            .Select(e => e.StepIndex).DefaultIfEmpty(lowered.StepIndex).Min();
    }

    // The corners stands are under, by their name or where they were set; none where nobody said.
    private static Corners At(Walk walk, Aid stand, int order) => StandsAt.Of(walk.Events, stand, order) is not Ends.None and var ends
        ? CornersOf.Ends(ends) : Corners.None;
}
