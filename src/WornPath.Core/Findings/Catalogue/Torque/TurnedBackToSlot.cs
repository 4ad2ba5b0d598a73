using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ021: a castle nut is turned back to find its slot.</summary>
public sealed class TurnedBackToSlot : Rule
{
    public override RuleInfo Info { get; } = new("TRQ021", Severity.Stop, "Turned back to the slot");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var aligned in walk.Events)
            if (aligned is { Verb: Verb.Align or Verb.BackOff or Verb.Loosen, Thing: Joint joint } && Claims.Says(aligned.Step, ClaimKind.BackToSlot)
                && joint.Torque is not { IsAdjustment: true })
                yield return At(aligned, $"{joint.Label} is turned back to {joint.Its} slot here: {joint.It} {joint.Are} under {joint.Its} torque then. Turn {joint.Them} on to the next slot, "
                    + "never back.");
    }
}
