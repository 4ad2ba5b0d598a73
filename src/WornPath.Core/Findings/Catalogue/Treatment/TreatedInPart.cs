using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>THR012: some of a joint's fasteners get what Joints gives to all of them.</summary>
public sealed class TreatedInPart : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("THR012", Severity.Warn, "Treated in part");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Treatment == Sheets.Treatment.None || joint.Count < 2) return;
        List<WalkEvent> put = [.. Applied.To(walk, joint)];
        if (put.Count == 0 || put.Exists(e => e.Action.Some is null)) return;
        var sum = put.Sum(e => e.Action.Some ?? 0);
        if (sum < joint.Count && !put.Exists(e => e.Action.Rest))
            found.Add(At(put[^1], $"{Reading.Sentences.Capital(Applied.What(walk, put[^1]))} goes on {sum} of {joint.Count} {joint.Label}, and Joints gives it to all of them."));
    }
}
