using WornPath.Core.Fasteners;
using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tightening;

/// <summary>Everything the arithmetic says of one joint: what its value does, with which wrench it is set, in which order and passes.</summary>
public sealed record JointJudgement
{
    /// <summary>The torque the fastener gets, by the house rules; null while there is no value.</summary>
    public Torque? Target { get; init; }

    /// <summary>Preload against proof load; null while thread, class or value is not known, or the value makes no preload.</summary>
    public Preload? Preload { get; init; }

    /// <summary>What the weaker thread bears; null where neither nut class nor hole is known.</summary>
    public Stripping? Stripping { get; init; }

    /// <summary>The value as it was probably meant, where the unit or the point has slipped.</summary>
    public Torque? Meant { get; init; }

    /// <summary>Ratio of the nut factors, treated to dry, where the value was stated for dry threads and the thread is treated; null elsewhere.</summary>
    public double? DryRatio { get; init; }

    /// <summary>True where a house rule has reduced the target by <see cref="DryRatio"/>.</summary>
    public bool IsReduced { get; init; }

    /// <summary>Wrench and setting; null while there is no value or the crib is empty.</summary>
    public WrenchChoice? Wrench { get; init; }

    /// <summary>Passes up to the value, the last round with them; empty while there is no value.</summary>
    public ImmutableArray<Pass> Passes { get; init; } = [];

    /// <summary>Where the fasteners lie, by number; empty while no pattern is given.</summary>
    public ImmutableArray<Spot> Places { get; init; } = [];

    /// <summary>Numbers in the order they are tightened.</summary>
    public ImmutableArray<int> Order { get; init; } = [];

    /// <summary>Degrees between two meetings of slot and hole, where the nut goes on to the next slot.</summary>
    public double? SlotPitch { get; init; }

    /// <summary>Axial play in mm the back-off leaves, where a bearing is adjusted and the thread is known.</summary>
    public double? PlayMm { get; init; }

    private static readonly Memo<Joint, Workshop, JointJudgement> Judged = new(Judge, ReferenceEquals);

    /// <summary>The judgement of a joint in a workshop.</summary>
    public static JointJudgement Of(Joint joint, Workshop workshop) => Judged.Of(joint, workshop);

    /// <summary>Judges a joint, whatever was judged before.</summary>
    public static JointJudgement Judge(Joint joint, Workshop workshop)
    {
        var rules = workshop.Rules;
        var pattern = joint.Pattern?.CheckCount(joint.Count) is null ? joint.Pattern : null;
        var judgement = new JointJudgement
        {
            Stripping = Stripping.Of(joint.Fastener, joint.Into),
            Places = pattern?.Places(joint.Count) ?? [],
            Order = pattern is null ? [] : TighteningOrder.Of(pattern, joint.Count),
        };
        if (joint.Torque is not { } spec) return judgement;
        var factor = rules.NutFactors.Of(joint.Treatment);
        double? ratio = joint.Stated == StatedFor.Dry && factor < rules.NutFactors.AsReceived ? factor / rules.NutFactors.AsReceived : null;
        var reduced = ratio is not null && rules.Treated == TreatedSchool.Reduce;
        var target = spec.TargetBy(rules.Target);
        if (reduced) target = target with { Amount = Math.Round(target.Amount * (decimal)ratio!.Value, 3) };
        var preload = Preload.Of(joint.Fastener, spec, factor, rules.Target, Preload.ScatterOf(joint, rules.Scatter));
        if (reduced && preload is not null) preload = preload with { TargetKn = preload.TargetKn * ratio!.Value };
        var choice = workshop.Crib.IsEmpty ? null : WrenchChoice.For(spec, target, joint.Adapter, workshop);
        var setting = choice?.Setting ?? target;
        var step = choice?.Wrench?.Step ?? Rounding.SettableStep((double)setting.Amount);
        return judgement with
        {
            Target = target,
            Preload = preload,
            Meant = UnitSlip.Meant(joint.Fastener, spec, preload),
            DryRatio = ratio,
            IsReduced = reduced,
            Wrench = choice,
            Passes = Tightening.Passes.Of(joint.Count, pattern?.Shape, setting, step, rules),
            SlotPitch = spec.ToNextSlot ? new SlotAlignment(Fasteners.CastleNut.SlotsOf(joint.Fastener?.Thread), SlotAlignment.OneHole).PitchDegrees : null,
            PlayMm = spec is { Back: { } back } && joint.Fastener?.Thread is { } thread ? SlotAlignment.PlayMm(thread.PitchMm, new Angle(back)) : null,
        };
    }
}
