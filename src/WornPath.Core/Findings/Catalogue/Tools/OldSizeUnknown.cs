using WornPath.Core.Workshops;
using WornPath.Core.Fasteners;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>TOO005: an old fastener that another takes the place of is undone, and only the new one's tool is known: the job stops at the first bolt.</summary>
public sealed class OldSizeUnknown : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("TOO005", Severity.Warn, "Old fastener with no tool");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint is not { Becomes: JointFate.Superseded, SupersededBy: { } by } || walk.Things.GetValueOrDefault(by) is not Joint taker) return;
        if (SizeOf(joint) is not null || SizeOf(taker) is not { } size) return;
        if (walk.EventsOf(joint.Id).FirstOrDefault(e => e.Verb is Verb.BreakLoose or Verb.Loosen or Verb.TakeOut) is not { } undone
            || Claims.Says(undone.Step, ClaimKind.ToolSize) || Natures.Is(joint, Trait.PushedIn)) return;
        found.Add(At(undone, $"{joint.Label} {joint.Or("comes", "come")} out here, and nobody has said with what: "
            + $"{taker.Label} takes "
            + $"{size}, and the old {joint.Or("head", "heads")} may be another size. "
            + $"Look at {joint.Them} and write the size behind the fastener."));
    }

    // What turns it: its drive, its nut, or what heads of its thread and form usually have.
    private static string? SizeOf(Joint joint) => joint.HeldBy.Length > 0 ? joint.HeldBy : joint.Fastener?.Drive?.ToString()
        ?? (joint.Stack?.Nut?.Size is { Length: > 0 } nut ? nut
        : joint.Fastener is { Thread: { } thread, Form: { } form } && DriveSizes.Usual(thread, form) is [var likeliest, ..] ? likeliest.ToString() : null);
}
