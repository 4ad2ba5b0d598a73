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
        // The last time it goes in: what comes off again in between is taken out again, too.
        if (walk.EventsOf(joint.Id).LastOrDefault(e => e.Verb is Verb.Start or Verb.Snug && e.Acted.AnyOut) is not { } started) return;
        foreach (var id in joint.Holds)
        {
            if (walk.BeforeEvent(id, started.Order).Part.IsMounted || walk.EventsOf(id).FirstOrDefault(e => e.Order > started.Order && e.Verb == Verb.Fit) is not { } fitted) continue;
            // A loosened stack may take a plate between: then it is not out. In one step the words may stand in any order.
            if (fitted.StepIndex == started.StepIndex || walk.EventsOf(joint.Id).Any(e => e.Order > started.Order && e.Verb == Verb.Torque && e.Order < fitted.Order)) continue;
            found.Add(At(started, $"{joint.Label} {joint.Or("goes", "go")} in here, and what {joint.Or("it holds", "they hold")} is fitted only in step {fitted.StepIndex + 1}: {fitted.Thing!.Label}. It would have to come out again.", Fixes.MoveBefore(walk, fitted.Step, started.Step)));
            break;
        }
    }
}
