using WornPath.Core.Workshops;
using WornPath.Core.Building;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>CLO001: a joint is taken out, or comes with the kit and is handled, and is out when all is done.</summary>
public sealed class JointLeftOut : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("CLO001", Severity.Stop, "Joint left out");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (!walk.AtEnd(joint.Id).Joint.IsOut || joint.Becomes != JointFate.Refit) return;
        var events = walk.EventsOf(joint.Id);
        // With all its parts discarded or kept as spares there is nothing left to hold.
        if (joint.Holds.Length > 0 && joint.Holds.All(id => walk.Things.GetValueOrDefault(id) is Part { Fate: Fate.Discard or Fate.Spare })) return;
        if (events.Count == 0)
        {
            if (joint.Origin != Origin.Vehicle && !walk.IsForABranch(joint))
                found.Add(At(null, -1, joint, $"{joint.Label} comes with the kit and no step fits {joint.Them}.", Refit(walk, joint, -1)));
            return;
        }

        var last = LastOut(events);
        var says = last.Verb == Verb.TakeOut ? "taken out here and never put back" : $"out here, and no step puts {joint.Them} in";
        found.Add(At(last, $"{joint.Label} {joint.Are} {says}.",
            [Refit(walk, joint, last.StepIndex), .. RefitChoice.StaysOut(walk, joint).Select(w => new Fix(w.Says, w.Edit))]));
    }

    private static WalkEvent LastOut(IReadOnlyList<WalkEvent> events)
    {
        for (var i = events.Count - 1; i >= 0; i--)
            if (events[i].Verb == Verb.TakeOut) return events[i];
        return events[^1];
    }

    private static Fix? Refit(Walk walk, Joint joint, int after)
    {
        var renew = joint.Reuse == ReuseRule.Renew ? "new " : "";
        var start = $"Start the {renew}{joint.Name} by hand.";
        return Fixes.PutRight(walk, joint, after, $"Start and tighten {joint.Id}", [start, TighteningSentence.Of(joint), .. TighteningSentence.Behind(joint)]);
    }
}
