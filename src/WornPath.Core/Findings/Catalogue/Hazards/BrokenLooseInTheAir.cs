using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>HAZ009: wheel fasteners are loosened for the first time with the wheel off the ground.</summary>
public sealed class BrokenLooseInTheAir : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("HAZ009", Severity.Warn, "Wheel fasteners broken loose in the air");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (!Natures.HoldsAWheel(joint, walk.Things)) return;
        if (walk.EventsOf(joint.Id).FirstOrDefault(e =>
            e.Verb is Verb.BreakLoose or Verb.Loosen or Verb.TakeOut) is not { Acted.Stage: JointStage.Tight } first) return;
        var corners = CornersOf.Joint(joint, walk.Things);
        if ((walk.VehicleBefore(first.Order).State.Vehicle.Standing.InTheAir & corners) == Corners.None) return;
        // Raised by another sentence than the first, the loosening goes before it.
        var raised = walk.Doing(Verb.Raise).LastOrDefault(e => e.Order < first.Order && (e.After.Vehicle.Standing.InTheAir & corners) != Corners.None);
        found.Add(At(first, $"{joint.Label} {joint.Are} loosened here for the first time with the wheel off the ground: it turns with the wrench, and "
            + "the pull can bring the vehicle off its stands. Break them loose before it is raised.",
            first.Verb != Verb.TakeOut ? raised is null || raised.Step.Id == first.Step.Id ? null : Fixes.MoveBefore(walk, first.StepIndex, raised.StepIndex)
            : raised is null ? null : Fixes.InsertBefore(walk, raised.StepIndex, "Break them loose on the ground", $"Break {Fixes.The(joint)} loose.")));
    }
}
