using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ001: a joint is torqued to its final value and nobody has given it one.</summary>
public sealed class NoValueAtFinalTorque : Rule
{
    public override RuleInfo Info { get; } = new("TRQ001", Severity.Stop, "No value at the final torque");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            if (joint.Torque is not null || joint.Untorqued is not null) continue;
            // Values for some variants and none for this one: FIT004 says so.
            if (joint.Variants.Length > 0 && walk.Whole.Header.Variants.Length > 0) continue;
            var torqued = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Action.Verb == Verb.Torque);
            if (torqued is not null)
                yield return At(torqued, $"{joint.Label} {(joint.Count > 1 ? "are" : "is")} torqued here, and no value is given. Write it in this step or in Joints, with its source.");
        }
    }
}
