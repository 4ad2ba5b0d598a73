using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ001: work goes on while the vehicle is raised and not on stands.</summary>
public sealed class UnderWhileRaised : Rule
{
    public override RuleInfo Info { get; } = new("HAZ001", Severity.Stop, "Work while raised and not on stands");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        if (!walk.MomentsOf(Walk.Vehicle).Any(m => m.State.Vehicle.Height == Height.Raised)) yield break;
        WalkEvent? raised = null;
        var told = false;
        foreach (var walked in walk.Events)
        {
            if (walked.Verb == Verb.Raise || walked is { Verb: Verb.TakeAway, Thing: Aid aid } && Natures.Is(aid, Trait.Stand)) raised = walked;
            if (walk.VehicleBefore(walked.Order).State.Vehicle.Height != Height.Raised)
            {
                told = false;
                continue;
            }

            // Once for each time it is raised, or its stands come away: the one fix mends all that follows.
            if (told || raised is null || walked.Thing is not { Kind: ThingKind.Joint or ThingKind.Part or ThingKind.Connection or ThingKind.Fluid } thing) continue;
            told = true;
            yield return At(walked.Step, walked.StepIndex, null,
                $"Work on {thing.Label} begins here while the vehicle is raised (step {raised.StepIndex + 1}) and not on stands. A jack lifts; it does not hold.",
                raised.Verb == Verb.Raise ? OnStands(walk, raised) : null);
        }
    }

    // Onto the stands behind the raising, and off them before it is lowered.
    private static Fix? OnStands(Walk walk, WalkEvent raised)
    {
        var stands = walk.Sheet.Aids.FirstOrDefault(a => Natures.Is(a, Trait.Stand))?.Name ?? "axle stands";
        const string Title = "Set it on stands first";
        var lowered = walk.Events.FirstOrDefault(e => e.Order > raised.Order && e.Verb is Verb.Lower or Verb.LowerToTouch);
        // Up and down in one step: there is no place between.
        if (lowered?.StepIndex == raised.StepIndex) return null;
        return Fixes.And(
            Fixes.InsertAfter(walk, raised.StepIndex, Title, $"Support the vehicle on the {stands}."),
            lowered is null ? Fixes.InsertAtEnd(walk, Title, $"Take away the {stands}.", "Lower the vehicle to the ground.")
                : Fixes.InsertBefore(walk, lowered.StepIndex, Title, $"Take away the {stands}."));
    }
}
