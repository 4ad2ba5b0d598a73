using WornPath.Core.Fasteners;
using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tightening;

/// <summary>One pass over a pattern.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Percent">Part of the target.</param>
/// <param name="Value">What the wrench is set to.</param>
/// <param name="Says">How it is done: "in the order", or the last round in turn.</param>
public sealed record Pass(int Number, int Percent, Torque Value, string Says);

/// <summary>Passes up to the target by the house rules, rounded to the wrench's step, and the last round at full value.</summary>
public static class Passes
{
    /// <summary>The passes of a joint; a single fastener has one, without a round.</summary>
    public static ImmutableArray<Pass> Of(int count, PatternShape? shape, Torque setting, decimal step, HouseRules rules)
    {
        Torque At(int percent) => percent == 100 ? setting : new Torque(Math.Max(step, Math.Round(setting.Amount * percent / 100 / step, MidpointRounding.AwayFromZero) * step), setting.Unit);
        if (count <= 1) return [new Pass(1, 100, setting, "to the value")];
        // U-bolts pull crooked easily: their legs come up in small steps (common practice, no source).
        ImmutableArray<int> percents = shape == PatternShape.UBolts ? [25, 50, 75, 100] : count <= rules.Few ? rules.FewPasses : rules.ManyPasses;
        var passes = ImmutableArray.CreateBuilder<Pass>();
        foreach (var percent in percents) passes.Add(new Pass(passes.Count + 1, percent, At(percent), "in the order drawn"));
        if (count > 2) passes.Add(new Pass(passes.Count + 1, 100, setting, "once round in turn, until nothing moves"));
        return passes.ToImmutable();
    }
}
