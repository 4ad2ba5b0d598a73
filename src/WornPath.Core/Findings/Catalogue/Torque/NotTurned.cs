using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ013: a joint that is torqued while the bearing turns, in a step that does not say to turn it.</summary>
public sealed class NotTurned : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ013", Severity.Warn, "Seated without turning");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Condition != TighteningCondition.Turning) return;
        var torqued = walk.EventsOf(joint.Id).Where(e => e.Verb is Verb.Torque or Verb.TorquePass).ToList();
        if (torqued.Count > 0 && !torqued.Any(e => Claims.Says(e.Step, ClaimKind.Turning) || Claims.Says(e.Step, ClaimKind.WhileTurning)))
            found.Add(At(torqued[0], $"{joint.Label} is torqued while {joint.Its} bearing turns, and no step says to turn it: rollers that do not roll do not find their place. Write it with the torque: “while you turn the hub”."));
    }
}
