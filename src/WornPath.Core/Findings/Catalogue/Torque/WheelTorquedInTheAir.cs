using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ002: wheel fasteners get their final torque while no tyre bears on the ground.</summary>
public sealed class WheelTorquedInTheAir : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ002", Severity.Stop, "Wheel fasteners torqued in the air");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (!Natures.HoldsAWheel(joint, walk.Things)) return;
        var torqued = walk.EventsOf(joint.Id).LastOrDefault(e => e.Verb == Verb.Torque);
        if (torqued is null) return;
        var height = walk.BeforeEvent(Walk.Vehicle, torqued.Order).Vehicle;
        if (!height.InTheAir) return;
        var lowered = walk.Events.FirstOrDefault(e => e.Order > torqued.Order && e.Verb is Verb.Lower or Verb.LowerToTouch);
        var fix = lowered is null || lowered.StepIndex == torqued.StepIndex
            ? Fixes.InsertBefore(walk, torqued.StepIndex, "Lower the vehicle first", "Lower the vehicle to the ground.")
            : Fixes.MoveAfter(walk, torqued.Step, lowered.Step);
        found.Add(At(torqued, $"{joint.Label} {(joint.Count > 1 ? "get their" : "gets its")} final torque here with the vehicle "
            + $"{(height.Height switch { Height.OnStands => "on stands", Height.OnLift => "on a lift", _ => "raised" })}: the wheel turns under the "
            + "wrench and does not seat.", fix));
    }
}
