using WornPath.Core.Workshops;
using WornPath.Core.Sheets;
using WornPath.Core.Editing;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC001: a torque with no word of where it was taken from.</summary>
public sealed class ValueWithoutSource : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("SRC001", Severity.Stop, "Value without a source");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Torque is null || !string.IsNullOrWhiteSpace(joint.Source)) return;
        var torqued = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Verb == Verb.Torque);
        // What comes out for good is not torqued.
        if (torqued is null && joint.Becomes != JointFate.Refit) return;
        found.Add(At(torqued?.Step, torqued?.StepIndex ?? -1, joint, $"{joint.Label}: {joint.Torque} has no source. Write the document, edition and page it was taken from in Joints.",
            [.. CitedSources.Of(walk, source => new SetField(joint.SheetId, "source", joint.Source, source))]));
    }
}
