using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD012: a fastener goes in while a part it holds is off, and the part comes on only later: it has to come out again.</summary>
public sealed class StartedBeforeItsPart : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("ORD012", Severity.Stop, "Fastener in before its part");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        foreach (var started in walk.EventsOf(joint.Id).Where(e => e.Verb is Verb.Start or Verb.Snug && e.Acted.AnyOut))
            foreach (var id in joint.Holds)
            {
                if (walk.BeforeEvent(id, started.Order).Part.IsMounted
                    || walk.EventsOf(id).FirstOrDefault(e => e.Order > started.Order && e.Verb == Verb.Fit) is not { } fitted) continue;
                // In one step the words may stand in any order; what is torqued before the part is on is ORD003's.
                if (fitted.StepIndex == started.StepIndex || walk.IsOutBetween(joint, started, fitted)
                    || walk.EventsOf(joint.Id).Any(e => e.Order > started.Order && e.Verb == Verb.Torque && e.Order < fitted.Order)) continue;
                found.Add(At(started, $"{joint.Label} {joint.Or("goes", "go")} in here, and what {joint.Or("it holds", "they hold")} is fitted only in step "
                    + $"{fitted.StepIndex + 1}: {fitted.Thing!.Label}. It would have to come out again.",
                    Fixes.MoveBefore(walk, fitted.StepIndex, started.StepIndex)));
                return;
            }
    }
}
