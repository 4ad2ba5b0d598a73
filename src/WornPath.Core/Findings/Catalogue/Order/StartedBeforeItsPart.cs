using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD012: a fastener goes in while a part it holds is off, and the part comes on only later: it has to come out again.</summary>
public sealed class StartedBeforeItsPart : Rule
{
    public override RuleInfo Info { get; } = new("ORD012", Severity.Stop, "Fastener in before its part");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var joint in walk.Sheet.Joints)
        {
            // The last time it goes in: what comes off again in between is taken out again, too.
            if (walk.EventsOf(joint.Id).LastOrDefault(e => e.Action.Verb is Verb.Start or Verb.Snug && e.Before.Joint.IsOut) is not { } started) continue;
            foreach (var id in joint.Holds)
            {
                if (walk.BeforeEvent(id, started.Order).Part.Place == PartPlace.On || walk.EventsOf(id).FirstOrDefault(e => e.Order > started.Order && e.Action.Verb == Verb.Fit) is not { } fitted) continue;
                // A loosened stack may take a plate between: then it is not out. In one step the words may stand in any order.
                if (fitted.StepIndex == started.StepIndex || walk.EventsOf(joint.Id).Any(e => e.Order > started.Order && e.Action.Verb == Verb.Torque && e.Order < fitted.Order)) continue;
                yield return At(started, $"{joint.Label} {(joint.Count > 1 ? "go" : "goes")} in here, and what {(joint.Count > 1 ? "they hold" : "it holds")} is fitted only in step {fitted.StepIndex + 1}: {fitted.Thing!.Label}. It would have to come out again.", Fixes.MoveBefore(walk, fitted.Step, started.Step));
                break;
            }
        }
    }
}
