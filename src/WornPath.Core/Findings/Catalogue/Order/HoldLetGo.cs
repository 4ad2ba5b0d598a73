using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD010: the aid that holds a joint from turning is taken away before the joint gets its torque.</summary>
public sealed class HoldLetGo : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("ORD010", Severity.Stop, "Hold let go too early");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.HeldBy.Length == 0 || walk.Sheet.Aids.FirstOrDefault(a => joint.HeldBy.Contains(a.Name, StringComparison.OrdinalIgnoreCase)) is not { } aid) return;
        foreach (var walked in walk.EventsOf(joint.Id))
        {
            if (!NeedsHold(walked) || walk.BeforeEvent(aid.Id, walked.Order).InPlace) continue;
            if (walk.EventsOf(aid.Id).LastOrDefault(e => e.Order < walked.Order && e.Verb == Verb.TakeAway) is { } away)
                found.Add(At(walked, $"{joint.Label} is held by {aid.Label}, which step {away.StepIndex + 1} took away. Torque it first, or leave the hold in.",
                    away.Step.Id == walked.Step.Id ? null : Fixes.MoveAfter(walk, away.StepIndex, walked.StepIndex)));
            else
                found.Add(At(walked, $"{joint.Label} is held by {aid.Label}, which no step before has put in place.",
                    Fixes.And(Fixes.InsertBefore(walk, walked.StepIndex, $"Put {aid.Id} in place", $"Put the {aid.Name} in place."),
                        walk.EventsOf(aid.Id).Any(e => e.Order > walked.Order && e.Verb == Verb.TakeAway) ? null
                            : Fixes.InsertAfter(walk, walk.EventsOf(joint.Id).Last(NeedsHold).StepIndex, "Take it away", $"Take the {aid.Name} away."))));
        }
    }

    private static bool NeedsHold(WalkEvent walked) => walked.Verb is Verb.Torque or Verb.BreakLoose;
}
