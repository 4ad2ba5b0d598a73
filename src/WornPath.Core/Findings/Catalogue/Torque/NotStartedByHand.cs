using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ014: a fastener goes from out to its final torque, and nothing says that it is started by hand.</summary>
public sealed class NotStartedByHand : Rule
{
    public override RuleInfo Info { get; } = new("TRQ014", Severity.Warn, "Not started by hand");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            if (walk.EventsOf(joint.Id).FirstOrDefault(e => e.Action.Verb is Verb.Torque or Verb.TorquePass or Verb.Snug) is not { Before.Joint.IsOut: true } turned) continue;
            yield return At(turned, $"{joint.Label} {(joint.Count > 1 ? "are" : "is")} out, and turned with a wrench here: a thread that is crossed is felt by hand and cut by a wrench.", Fixes.InsertBefore(walk, turned.StepIndex, $"Start {joint.Id} by hand first", $"Start {Fixes.The(joint)} by hand."));
        }
    }
}
