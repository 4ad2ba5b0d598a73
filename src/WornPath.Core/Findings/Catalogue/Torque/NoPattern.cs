using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Editing;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ010: four fasteners or more are torqued, and nobody has said in which order.</summary>
public sealed class NoPattern : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ010", Severity.Warn, "No pattern at four or more");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint is not { Count: >= 4, Pattern: null, Torque: not null } || Natures.Is(joint, Trait.OwnClamp)
            || !walk.EventsOf(joint.Id).Any(e => e.Verb == Verb.Torque)) return;
        // Each union holds for itself; and so many covers have so many fasteners each.
        if (joint.Fastener?.Form == FastenerForm.Fitting || joint.Holds is [var only]
            && walk.Things.GetValueOrDefault(only) is Part { Quantity: > 1 and var parts } && joint.Count / parts < 4) return;
        found.Add(AtTorque(walk, joint, $"{joint.Label}: there are {joint.Count}, and nothing says in which order they are torqued. "
            + "Say in Joints how they lie; the order follows.",
            new Fix("They lie in a circle", new SetField(joint.Id, "pattern", "", "circle")), joint.Count % 2 == 0 ? new Fix($"They lie in two rows of {joint.Count / 2}", new SetField(joint.Id, "pattern", "", $"grid 2×{joint.Count / 2}")) : null));
    }
}
