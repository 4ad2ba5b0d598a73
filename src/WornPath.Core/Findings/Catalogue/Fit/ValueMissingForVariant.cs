using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>FIT004: a joint has values for some variants and none for the one that is walked.</summary>
public sealed class ValueMissingForVariant : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("FIT004", Severity.Stop, "Value missing for a variant");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (walk.Whole.Header.Variants.IsEmpty) return;
        if (joint is { Torque: null, Untorqued: null, Variants.Length: > 0 } && walk.EventsOf(joint.Id).Any(e => e.Action is { Verb: Verb.Torque, Torque: null }))
            found.Add(AtTorque(walk, joint, $"{joint.Label} has values for {string.Join(" and ", joint.Variants.Select(v => v.When))} and none for what is left. Give the others a value, or the joint one that holds where no other does."));
    }
}
