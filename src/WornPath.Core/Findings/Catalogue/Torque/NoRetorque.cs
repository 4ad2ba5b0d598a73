using WornPath.Core.Workshops;
using WornPath.Core.Building;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ017: wheel fasteners were undone, and nothing says when they are torqued again after the first use.</summary>
public sealed class NoRetorque : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ017", Severity.Warn, "No retorque of the wheel fasteners");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (!Natures.HoldsAWheel(joint, walk.Things) || walk.EventsOf(joint.Id).LastOrDefault(e => e.Verb == Verb.Torque) is not { } torqued) return;
        if (walk.EventsOf(joint.Id).Any(e => e.Verb == Verb.Retorque)) return;
        for (var i = torqued.StepIndex; i < walk.Steps.Count; i++)
            // "Have the wheel checked before it is towed" is no retorque.
            if (Claims.Says(walk.Steps[i], ClaimKind.Again) && Claims.Says(walk.Steps[i], ClaimKind.AfterUse) && Names(walk.Steps[i], joint)) return;
        found.Add(At(torqued, $"{joint.Label} settle in the first use, and nothing says when they are torqued again.", Fixes.InsertAtEnd(walk, "Retorque after the first use", TighteningSentence.Again(joint, walk.Workshop.Rules))));
    }

    // By name, or as the wheel nuts of all wheels.
    private static bool Names(Step step, Joint joint) => step.Text.Contains(joint.Name, StringComparison.OrdinalIgnoreCase)
        || step.Text.Contains("wheel", StringComparison.OrdinalIgnoreCase) || step.Actions.Any(a => a.Target == joint.Id && a.Verb != Verb.Torque);
}
