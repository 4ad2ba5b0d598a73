using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ011: a joint gets its final torque while another that holds the same part is not even started.</summary>
public sealed class OthersNotStarted : Rule
{
    public override RuleInfo Info { get; } = new("TRQ011", Severity.Warn, "Torqued before all are started");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        // Where each is torqued as it is fitted, that is how it is meant.
        if (!walk.Workshop.Rules.KeepsTo(School.WhenToTorque)) yield break;
        foreach (var joint in walk.Sheet.Joints)
        {
            if (joint.Holds.IsEmpty || walk.EventsOf(joint.Id).FirstOrDefault(e => e.Action.Verb == Verb.Torque) is not { } torqued) continue;
            var others = joint.Holds.SelectMany(id => walk.Holders.GetValueOrDefault(id) ?? []).Where(o => o.Id != joint.Id).Distinct()
                .Where(o => walk.BeforeEvent(o.Id, torqued.Order).Joint.IsOut && walk.EventsOf(o.Id).Any(e => e.Order > torqued.Order && e.Action.Verb is Verb.Start or Verb.Snug or Verb.Torque or Verb.TorquePass)).ToList();
            if (others.Count > 0)
                yield return At(torqued, $"{joint.Label} get their final torque here, and {string.Join(" and ", others.Select(o => o.Label))} of the same part are not started yet: the part is pulled to one side. Start all by hand first.", Fixes.InsertBefore(walk, torqued.StepIndex, "Start all by hand first", [.. others.Select(o => $"Start {Fixes.The(o)} by hand.")]));
        }
    }
}
