using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD003: a joint gets its final torque while a part it holds is off, and the part comes on only later.</summary>
public sealed class TightenedOverNothing : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("ORD003", Severity.Stop, "Joint torqued before its part is on");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        var torqued = walk.EventsOf(joint.Id).LastOrDefault(e => e.Verb == Verb.Torque);
        if (torqued is null) return;
        foreach (var id in joint.Holds)
        {
            // A part that is never fitted is CLO003's.
            if (walk.BeforeEvent(id, torqued.Order).Part.IsMounted) continue;
            var fitted = walk.EventsOf(id).FirstOrDefault(e => e.Order > torqued.Order && e.Verb == Verb.Fit);
            if (fitted is null) continue;
            found.Add(At(torqued, $"{joint.Label} {joint.Or("gets its", "get their")} final torque here, but what {joint.Or("it holds", "they hold")} is fitted only in step {fitted.StepIndex + 1}: {fitted.Thing!.Label}.",
                fitted.StepIndex == torqued.StepIndex ? null : Fixes.MoveBefore(walk, fitted.Step, torqued.Step)));
        }
    }
}
