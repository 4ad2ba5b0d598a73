using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ007: the vehicle is raised with nothing that keeps it from rolling, or with the chocks where they do not hold, or not long enough.</summary>
public sealed class ChocksAmiss : Rule
{
    public override RuleInfo Info { get; } = new("HAZ007", Severity.Warn, "Chocks missing or in the wrong place");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        List<Aid> chocks = [.. walk.Sheet.Aids.Where(a => Natures.Is(a, Trait.Chock))];
        foreach (var raised in walk.Doing(Verb.Raise))
        {
            if (raised.After.Vehicle.Height == Height.OnLift || raised.Before.Vehicle.InTheAir) continue;
            List<WalkEvent> set = [.. chocks.Where(c => walk.BeforeEvent(c.Id, raised.Order).InPlace)
                .Select(c => walk.EventsOf(c.Id).Last(e => e.Verb == Verb.Place && e.Order < raised.Order))];
            if (set.Count == 0)
            {
                yield return At(raised.Step, raised.StepIndex, null,
                    "The vehicle is raised here, and no step before chocks the wheels that stay down: it rolls off its jack.",
                    Fixes.And(
                        Fixes.InsertBefore(walk, raised.StepIndex, "Chock the wheels first", $"Chock the {StaysDown(raised.After.Vehicle.Up)}wheels with the chocks."),
                        Fixes.InsertBeforeUse(walk, raised.StepIndex, "Chock the wheels first", "Take the chocks away.")));
                yield break;
            }

            var up = raised.After.Vehicle.Up;
            foreach (var chock in set)
            {
                var at = WhichEnd.Of(chock.Step, chock.Action);
                if (Claims.Says(chock.Step, ClaimKind.SideRaised) || at != Ends.None && up != Ends.None && (at & ~up) == Ends.None && (up & ~at) == Ends.None)
                    yield return At(chock, $"{chock.Thing!.Label} {chock.Thing.Are} set at the wheels that are raised in step {raised.StepIndex + 1}: "
                        + "in the air a wheel holds nothing. Chock those that stay on the ground.");
            }
        }

        foreach (var away in walk.Doing(Verb.TakeAway))
            if (away.Thing is Aid chock && Natures.Is(chock, Trait.Chock) && away.Before.InPlace
                && walk.VehicleBefore(away.Order).State.Vehicle is { InTheAir: true, Height: not Height.OnLift }
                && walk.Doing(Verb.Lower).FirstOrDefault(e => e.Order > away.Order) is { } lowered)
                yield return At(away, $"{chock.Label} {chock.Are} taken away here while the vehicle is still up; it is lowered only in step "
                    + $"{lowered.StepIndex + 1}.",
                    lowered.Step.Id == away.Step.Id ? null : Fixes.MoveAfter(walk, away.StepIndex, lowered.StepIndex));
        // It does not drive away over them.
        foreach (var use in Uses.Of(walk).Where(u => u.Drives))
            if (chocks.Find(c => walk.BeforeEvent(c.Id, use.Order).InPlace) is { } left
                && walk.EventsOf(left.Id).FirstOrDefault(e => e.Order >= use.Order && e.Verb == Verb.TakeAway) is { } later)
            {
                yield return At(use.Step, use.StepIndex, left, $"It is driven here, and {left.Label} {left.Are} taken away only in step {later.StepIndex + 1}.",
                    later.StepIndex == use.StepIndex ? null : Fixes.MoveBefore(walk, later.StepIndex, use.StepIndex));
                yield break;
            }
    }

    // The end that stays on the ground, where it is known.
    private static string StaysDown(Ends up) => up is Ends.Front or Ends.Rear ? WhichEnd.Text(up ^ (Ends.Front | Ends.Rear)) + " " : "";
}
