using WornPath.Core.Workshops;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TOO003: a joint is torqued, and neither its drive nor anything a table could tell it from is known: no tool can be listed.</summary>
public sealed class NoToolFits : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TOO003", Severity.Hint, "Fastener with no tool");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        // Where nobody has looked at the fastener at all there is nothing to hold against it yet.
        if (joint.Fastener is not { Drive: null } fastener || joint.HeldBy.Length > 0) return;
        if (fastener is { Thread: { } thread, Form: { } form } && DriveSizes.Usual(thread, form).Any()) return;
        if (walk.EventsOf(joint.Id).FirstOrDefault(e => e.Verb is Verb.Torque or Verb.TakeOut or Verb.Loosen) is { } first)
            found.Add(At(first, $"No tool can be told for {joint.Label} ({fastener}): look at its head and write the drive behind the fastener, such as 13 mm or hex socket 6 mm."));
    }
}
