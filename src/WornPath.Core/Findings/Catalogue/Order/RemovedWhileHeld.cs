using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD001: a part comes off while a joint that holds it is in.</summary>
public sealed class RemovedWhileHeld : Rule
{
    public override RuleInfo Info { get; } = new("ORD001", Severity.Stop, "Part removed while a joint holds it");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        foreach (var walked in walk.Doing(Verb.Remove, Verb.HangAside))
        {
            if (walked.Thing is not Part part || walked.Action.Verb is not (Verb.Remove or Verb.HangAside) || walked.Before.Part.Place != PartPlace.On) continue;
            foreach (var joint in walk.Holders.GetValueOrDefault(part.Id, []))
            {
                if (walk.BeforeEvent(joint.Id, walked.Order).Joint.IsOut) continue;
                var later = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Order > walked.Order && e.Action.Verb == Verb.TakeOut);
                var fix = later is not null && later.StepIndex != walked.StepIndex
                    ? Fixes.MoveBefore(walk, later.Step, walked.Step)
                    : Fixes.InsertBefore(walk, walked.StepIndex, $"Remove {joint.Id} first", $"Remove {Fixes.The(joint)}.");
                yield return At(walked, $"Taken off while {joint.Label} still {(joint.Count > 1 ? "hold" : "holds")} it: {part.Label}.", fix);
            }
        }
    }
}
