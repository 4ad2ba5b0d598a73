using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ002: wheel fasteners get their final torque while no tyre bears on the ground.</summary>
public sealed class WheelTorquedInTheAir : Rule
{
    public override RuleInfo Info { get; } = new("TRQ002", Severity.Stop, "Wheel fasteners torqued in the air");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            if (!Natures.HoldsAWheel(joint, walk.Things)) continue;
            var torqued = walk.EventsOf(joint.Id).LastOrDefault(e => e.Action.Verb == Verb.Torque);
            if (torqued is null) continue;
            var height = walk.BeforeEvent(Walk.Vehicle, torqued.Order).Vehicle;
            if (!height.InTheAir) continue;
            var lowered = walk.Events.FirstOrDefault(e => e.Order > torqued.Order && e.Action.Verb is Verb.Lower or Verb.LowerToTouch);
            var fix = lowered is null || lowered.StepIndex == torqued.StepIndex
                ? Fixes.InsertBefore(walk, torqued.StepIndex, "Lower the vehicle first", "Lower the vehicle to the ground.")
                : Fixes.MoveAfter(walk, torqued.Step, lowered.Step);
            yield return At(torqued, $"{joint.Label} {(joint.Count > 1 ? "get their" : "gets its")} final torque here with the vehicle {(height.Height == Height.OnStands ? "on stands" : "raised")}: the wheel turns under the wrench and does not seat.", fix);
        }
    }
}
