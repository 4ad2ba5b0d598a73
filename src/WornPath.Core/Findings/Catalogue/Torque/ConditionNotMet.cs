using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ012: a joint that is torqued with the suspension loaded, or the tyre touching, gets its value in the air.</summary>
public sealed class ConditionNotMet : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ012", Severity.Stop, "Torqued hanging");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        // Wheel fasteners have a rule of their own.
        if (joint.Condition is not (TighteningCondition.SuspensionLoaded or TighteningCondition.TyreTouching) || Natures.HoldsAWheel(joint, walk.Things)) return;
        if (walk.EventsOf(joint.Id).LastOrDefault(e => e.Verb == Verb.Torque) is not { } torqued || walk.BeforeEvent(Walk.Vehicle, torqued.Order).Vehicle is not { InTheAir: true } hanging
            || hanging.Loaded && joint.Condition == TighteningCondition.SuspensionLoaded) return;
        var lowered = walk.Events.FirstOrDefault(e => e.Order > torqued.Order && e.Verb is Verb.Lower or Verb.LowerToTouch);
        var how = joint.Condition == TighteningCondition.SuspensionLoaded ? "the suspension loaded" : "the tyre touching";
        found.Add(At(torqued, $"{joint.Label} {joint.Or("gets its", "get their")} value with {how}, and the vehicle hangs here: a rubber bush torqued hanging is twisted when it rides.",
            lowered is null || lowered.StepIndex == torqued.StepIndex ? Fixes.Lower(walk, torqued.StepIndex, "Lower the vehicle first")
                : Fixes.MoveAfter(walk, torqued.StepIndex, lowered.StepIndex)));
    }
}
