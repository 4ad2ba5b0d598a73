using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ012: a joint that is torqued with the suspension loaded, or the tyre touching, gets its value in the air.</summary>
public sealed class ConditionNotMet : Rule
{
    public override RuleInfo Info { get; } = new("TRQ012", Severity.Stop, "Torqued hanging");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            // Wheel fasteners have a rule of their own.
            if (joint.Condition is not (TighteningCondition.SuspensionLoaded or TighteningCondition.TyreTouching) || Natures.HoldsAWheel(joint, walk.Things)) continue;
            if (walk.EventsOf(joint.Id).LastOrDefault(e => e.Action.Verb == Verb.Torque) is not { } torqued || !walk.BeforeEvent(Walk.Vehicle, torqued.Order).Vehicle.InTheAir) continue;
            var lowered = walk.Events.FirstOrDefault(e => e.Order > torqued.Order && e.Action.Verb is Verb.Lower or Verb.LowerToTouch);
            yield return At(torqued, $"{joint.Label} get their value with {(joint.Condition == TighteningCondition.SuspensionLoaded ? "the suspension loaded" : "the tyre touching")}, and the vehicle hangs here: a rubber bush torqued hanging is twisted when it rides.",
                lowered is null || lowered.StepIndex == torqued.StepIndex ? Fixes.InsertBefore(walk, torqued.StepIndex, "Lower the vehicle first", "Lower the vehicle to the ground.") : Fixes.MoveAfter(walk, torqued.Step, lowered.Step));
        }
    }
}
