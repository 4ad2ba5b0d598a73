using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ011: a joint gets its final torque while another that holds the same part is not even started.</summary>
public sealed class OthersNotStarted : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ011", Severity.Warn, "Torqued before all are started");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        // Where each is torqued as it is fitted, that is how it is meant.
        if (!walk.Workshop.Rules.KeepsTo(School.WhenToTorque)) return;
        if (joint.Holds.IsEmpty || walk.EventsOf(joint.Id).FirstOrDefault(e => e.Verb == Verb.Torque) is not { } torqued) return;
        List<Joint>? others = null;
        foreach (var part in joint.Holds)
            foreach (var other in walk.HoldersOf(part))
                if (other.Id != joint.Id && others?.Contains(other) != true && ComesLater(walk, other, torqued.Order)) (others ??= []).Add(other);
        if (others is not null)
            found.Add(At(torqued, $"{joint.Label} get their final torque here, and "
                + $"{string.Join(" and ", others.Select(o => o.Label))} of the same part are not started yet: "
                + "the part is pulled to one side. Start all by hand first.",
                others.TrueForAll(o => Fixes.CanStart(walk, o, torqued.StepIndex))
                    ? Fixes.InsertBefore(walk, torqued.StepIndex, "Start all by hand first", [.. others.Select(o => $"Start {Fixes.The(o)} by hand.")])
                    : null));
    }

    private static bool ComesLater(Walk walk, Joint joint, int order)
    {
        if (!walk.BeforeEvent(joint.Id, order).Joint.IsOut) return false;
        foreach (var walked in walk.EventsOf(joint.Id))
            if (walked.Order > order && walked.Verb is Verb.Start or Verb.Snug or Verb.Torque or Verb.TorquePass) return true;
        return false;
    }
}
