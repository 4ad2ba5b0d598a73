using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>AGR006: a step says the torque of a joint without the angle behind it, and no step turns it on.</summary>
public sealed class AngleLeftOut : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("AGR006", Severity.Warn, "Torque said without its angle");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Torque is not { ThenAngle: { } angle }) return;
        var events = walk.EventsOf(joint.Id);
        if (events.LastOrDefault(e => e.Verb == Verb.Torque) is not { Action.Torque: { ThenAngle: null } said } torqued
            || events.Any(e => e.Order > torqued.Order && e.Verb == Verb.TurnOn)) return;
        found.Add(At(torqued, $"{joint.Label} {joint.Or("gets", "get")} {said} here, and Joints has {angle:0.#}° behind it, which no step turns. "
            + "Whoever follows the step stops short.",
            Fixes.InsertAfter(walk, torqued.StepIndex, $"Turn {joint.Id} on", $"Turn {Fixes.The(joint)} on by {angle:0.#}°.")));
    }
}
