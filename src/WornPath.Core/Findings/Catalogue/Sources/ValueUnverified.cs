using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC003: a sheet in review with a value that nobody but its author has read from the source.</summary>
public sealed class ValueUnverified : ThingRule<Joint>
{
    /// <summary>The rule's id.</summary>
    public const string Id = "SRC003";

    public override RuleInfo Info { get; } = new(Id, Severity.Stop, "Value unverified");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (walk.Workshop.Checks is not { } checks || joint.Torque is null) return;
        if (StatedOn(walk, joint).FirstOrDefault(v => checks.Last(v).Standing() == ValueStanding.Unverified) is { } value)
            found.Add(AtTorque(walk, joint, $"Nobody but its author has read the value of {joint.Label}{(value.Pass is { } pass ? $" in pass {pass}" : "")} from “{joint.Source}”. A reviewer reads it there and writes it under Review, without looking here."));
    }

    /// <summary>The values of a joint on a walk: its own there, and those of the passes its steps state.</summary>
    internal static IEnumerable<StatedValue> StatedOn(Walk walk, Joint joint) =>
        StatedValue.Of(joint with { Variants = [] }, walk.EventsOf(joint.Id).Where(e => e.Action is { Verb: Verb.TorquePass, Torque: not null }).Select(e => e.Action.Torque!));
}
