using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>ORD017: a part goes on over a joint that is not finished: its torque or its pin comes only behind it.</summary>
public sealed class ClosedOverUnfinished : ThingRule<Part>
{
    public override RuleInfo Info { get; } = new("ORD017", Severity.Warn, "Closed over what is not finished");

    protected internal override void Find(Walk walk, Part cover, Found found)
    {
        if (!found.Kept(this, () => Covered(walk)).TryGetValue(cover.Id, out var under)) return;
        foreach (var fitted in walk.EventsOf(cover.Id).Where(e => e.Verb == Verb.Fit))
            foreach (var joint in under)
            {
                var state = walk.BeforeEvent(joint.Id, fitted.Order).Joint;
                var unpinned = joint.Locking == Locking.CotterPin && !state.PinIn;
                if (!state.WasOut || state.IsOut || !(state.IsSlack || unpinned)) continue;
                if (walk.EventsOf(joint.Id).FirstOrDefault(e => e.Order > fitted.Order
                    && e.Verb is Verb.Torque or Verb.InsertPin) is not { } finished) continue;
                found.Add(At(fitted, $"{cover.Label} goes on here over {joint.Label}, which {joint.Are} {Bench.Says(joint, state)} "
                    + $"and {joint.Or("gets", "get")} "
                    + $"{(finished.Verb == Verb.Torque ? "the final torque" : "its pin")} only in step {finished.StepIndex + 1}."));
                return;
            }
    }

    private const int Deepest = 6;

    // By what covers them, the joints that hold what is behind it, or behind what is. What is torqued on the ground or with the suspension loaded
    // is reached past what covers it.
    private static Dictionary<string, List<Joint>> Covered(Walk walk)
    {
        var covered = new Dictionary<string, List<Joint>>();
        foreach (var joint in walk.Sheet.Joints)
        {
            if (joint.Condition is TighteningCondition.TyreTouching or TighteningCondition.SuspensionLoaded) continue;
            HashSet<string> over = [];
            List<string> now = [.. joint.Holds];
            for (var depth = 0; depth < Deepest && now.Count > 0; depth++)
                now = [.. now.SelectMany(id => walk.Things.GetValueOrDefault(id) is Part part ? part.Behind : []).Where(over.Add)];
            foreach (var id in over.Where(id => !joint.Holds.Contains(id)))
            {
                if (!covered.TryGetValue(id, out var list)) covered[id] = list = [];
                list.Add(joint);
            }
        }

        return covered;
    }
}
