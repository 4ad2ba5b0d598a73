using System.Collections.Immutable;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC008: a joint has a value of the workshop's library in a version that is not the one kept now, or one that is kept no more.</summary>
public sealed class KeptValueRenewed : ThingRule<Joint>
{
    internal static readonly Memo<Joint, ImmutableArray<KeptValue>, KeptValue?> Meant =
        new((j, values) => j.Kept is { } from ? KeptValue.Called(values, from) : null);

    public override RuleInfo Info { get; } = new("SRC008", Severity.Warn, "Former version of a kept value");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        // Where nobody has filled the library nothing is held against it.
        if (joint.Kept is not { } from || joint.IsSecond || walk.Workshop.Values.IsEmpty || walk.Whole.Find(joint.SheetId) is not Joint written) return;
        if (Meant.Of(written, walk.Workshop.Values) is not { } kept)
            found.Add(AtTorque(walk, joint,
                $"{joint.Label} {joint.Or("has", "have")} the value “{from.Name}”, which the workshop keeps no more. Look it up in its source.",
                LetGo(written)));
        else if (kept.Version != from.Version)
            found.Add(AtTorque(walk, joint,
                $"{joint.Label} {joint.Or("has", "have")} “{from.Name}” in version {from.Version}; the workshop keeps version {kept.Version}: {kept.Says}.",
                new Fix($"Take version {kept.Version}: {kept.Says}", kept.Take(written)), LetGo(written)));
    }

    internal static Fix LetGo(Joint written) => new("Its value is this sheet’s own", KeptValue.LetGo(written));
}
