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
        foreach (var torqued in walk.EventsOf(joint.Id).Where(e => e.Verb == Verb.Torque))
        {
            var any = false;
            foreach (var id in joint.Holds)
            {
                // A part that is never fitted is CLO003's; a fastener that comes out again in between was only tried.
                if (walk.BeforeEvent(id, torqued.Order).Part.IsMounted
                    || walk.EventsOf(id).FirstOrDefault(e => e.Order > torqued.Order && e.Verb == Verb.Fit) is not { } fitted
                    || walk.IsOutBetween(joint, torqued, fitted)) continue;
                any = true;
                found.Add(At(torqued, $"{joint.Label} {joint.Or("gets its", "get their")} final torque here, but what {joint.Or("it holds", "they hold")} "
                    + $"is fitted only in step {fitted.StepIndex + 1}: {fitted.Thing!.Label}.",
                    fitted.StepIndex == torqued.StepIndex ? null : Fixes.MoveBefore(walk, fitted.StepIndex, GoesIn(walk, joint, id, torqued))));
            }

            if (any) return;
        }
    }

    // The step it goes in at while the part is off, before it is torqued over nothing.
    private static int GoesIn(Walk walk, Joint joint, string part, WalkEvent torqued) => walk.EventsOf(joint.Id).First(e => e == torqued
        || e.Verb is Verb.Start or Verb.Snug or Verb.TorquePass && !walk.BeforeEvent(part, e.Order).Part.IsMounted
            && !walk.IsOutBetween(joint, e, torqued)).StepIndex;
}
