using WornPath.Core.Reading;
using WornPath.Core.Editing;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>PRT004: a prevailing-torque nut, or an axle nut, goes on again against the school of the house.</summary>
public sealed class LockNutReused : ThingRule<Joint>
{
    public override RuleInfo Info { get; } = new("PRT004", Severity.Warn, "One-time nut used again");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Reuse == ReuseRule.Renew) return;
        var insert = joint.Fastener?.Form == FastenerForm.LockNut;
        var axle = Natures.Is(joint, Trait.AxleNut);
        if (!insert && !axle) return;
        // A castle nut is held by its pin, and one that sets a bearing's play is not yielded: neither is spoilt by coming off.
        if (!insert && (joint.Locking == Locking.CotterPin || joint.Fastener?.Form == FastenerForm.CastleNut || joint.Torque is { IsAdjustment: true })) return;
        var school = insert ? School.OneTimeNut : School.AxleNut;
        if (!walk.Workshop.Rules.KeepsTo(school) && Tightening.TreatmentAdvice.IsLocker(joint.Treatment)) return;
        if (walk.EventsOf(joint.Id).FirstOrDefault(e => e.Action is { Verb: Verb.Start, New: false } && e.Acted is { AnyOut: true, WasOut: true }) is not { } again) return;
        var way = walk.Workshop.Rules.Chosen(school);
        found.Add(At(again, $"{joint.Label} {joint.Or("goes", "go")} on again here. The house rule: {way.Practice} {way.Why}",
            walk.Workshop.Rules.KeepsTo(school) ? Fixes.And(new Fix($"Renew {joint.Id} each time",
                new SetField(joint.Id, "reuse", EnumWord.Of(ReuseRule.Reuse), EnumWord.Of(ReuseRule.Renew))), Fixes.SayNew(again))
            : new Fix($"Medium threadlocker on {joint.Id}",
                new SetField(joint.Id, "treatment", EnumWord.Of(joint.Treatment), EnumWord.Of(Sheets.Treatment.ThreadlockerMedium)))));
    }
}
