using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC009: a joint says that it has a value of the workshop's library, and has another.</summary>
public sealed class NotTheKeptValue : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("SRC009", Severity.Warn, "Not the kept value");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Kept is not { } from || joint.IsSecond || walk.Workshop.Values.IsEmpty || walk.Whole.Find(joint.SheetId) is not Joint written
            || KeptValueRenewed.Meant.Of(written, walk.Workshop.Values) is not { } kept || kept.Version != from.Version || kept.IsOn(written)) return;
        found.Add(AtTorque(walk, joint,
            $"{joint.Label} {joint.Or("has", "have")} “{from}”, which is {kept.Says}; what stands beside it is {kept.Unlike(written)}.",
            new Fix($"Take {kept.Says}", kept.Take(written)), KeptValueRenewed.LetGo(written)));
    }
}
