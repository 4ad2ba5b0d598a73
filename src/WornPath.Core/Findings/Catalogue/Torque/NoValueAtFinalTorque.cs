using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TRQ001: a joint is torqued to its final value and nobody has given it one.</summary>
public sealed class NoValueAtFinalTorque : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TRQ001", Severity.Stop, "No value at the final torque");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Torque is not null || joint.Untorqued is not null || joint.Fastener is null && Natures.Is(joint, Trait.OwnClamp)) return;
        // Values for some variants and none for this one: FIT004 says so.
        if (joint.Variants.Length > 0 && walk.Whole.Header.Variants.Length > 0) return;
        var torqued = walk.EventsOf(joint.Id).FirstOrDefault(e => e.Verb == Verb.Torque);
        if (torqued is not null)
            found.Add(At(torqued, $"{joint.Label} {joint.Are} torqued here, and no value is given. Write it in this step or in Joints, with its source.",
                [.. Kept(walk, joint)]));
    }

    private const int MostOffered = 3;

    // What the workshop keeps under this name.
    private static IEnumerable<Fix> Kept(Walk walk, Joint joint) => walk.Workshop.Values.IsEmpty || walk.Whole.Find(joint.SheetId) is not Joint written ? []
        : KeptValue.For(walk.Workshop.Values, written, walk.Sheet.Header).Take(MostOffered)
            .Select(v => new Fix($"Take “{v.Name}”: {v.Says}", v.Take(written)));
}
