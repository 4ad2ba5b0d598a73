using WornPath.Core.Workshops;
using WornPath.Core.Reading;
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
        var corners = CornersOf.Joint(joint, walk.Things);
        if (!walk.VehicleBefore(torqued.Order).State.Vehicle.Standing.Lifts.Any(IsUp)) return;
        var lift = walk.VehicleBefore(torqued.Order).State.Vehicle.Standing.Lifts.First(IsUp);
        var lowered = walk.Events.FirstOrDefault(e => e.Order > torqued.Order && e.Verb is Verb.Lower or Verb.LowerToTouch
            && (e.After.Vehicle.Standing.InTheAir & corners & lift.Corners) == Corners.None);
        var fix = lowered is null || lowered.StepIndex == torqued.StepIndex
            ? Fixes.Lower(walk, torqued.StepIndex, "Lower the vehicle first")
            : Fixes.MoveAfter(walk, torqued.StepIndex, lowered.StepIndex);
        bool IsUp(Lifted up) => (up.Corners & corners) != 0 && up.Height is Height.Raised or Height.OnStands or Height.OnLift;
        found.Add(At(torqued, $"{joint.Label} {joint.Or("gets its", "get their")} final torque here with the vehicle "
            + $"{(lift.Height switch { Height.OnStands => "on stands", Height.OnLift => "on a lift", _ => "raised" })}: the wheel turns under the "
            + "wrench and does not seat.", fix));
    }
}
