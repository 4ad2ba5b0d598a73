using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;

namespace WornPath.Core.Tightening;

/// <summary>
/// What a torque does to a fastener: the preload it makes, as a part of the proof load, with the band that the scatter of
/// a hand torque wrench leaves.
/// </summary>
/// <param name="TargetKn">Preload at the target, in kN.</param>
/// <param name="ProofKn">Proof load in kN.</param>
public sealed record Preload(double TargetKn, double ProofKn)
{
    /// <summary>Nut factor of zinc-plated or as-received steel. Shigley's Mechanical Engineering Design, table 8–15, from memory.</summary>
    public const double DefaultNutFactor = 0.20;

    /// <summary>Scatter of preload under a hand torque wrench, as a part of it: ±25 %. NASA RP-1228, table of torque accuracy, from memory.</summary>
    public const double Scatter = 0.25;

    /// <summary>Part of the proof load at the target.</summary>
    public double Utilisation => TargetKn / ProofKn;

    /// <summary>Part of the proof load where friction eats most of the torque.</summary>
    public double Low => Utilisation * (1 - Scatter);

    /// <summary>Part of the proof load where friction eats least.</summary>
    public double High => Utilisation * (1 + Scatter);

    /// <summary>
    /// Short form T = K·F·d (Shigley; NASA RP-1228): F = T / (K·d). Null until thread, class and torque are known.
    /// A torque with an angle after it is not judged: its preload comes from the angle.
    /// </summary>
    public static Preload? Of(Fastener? fastener, TorqueSpec? spec, double nutFactor = DefaultNutFactor)
    {
        if (fastener?.Thread is not { } thread || fastener.ProofLoadKn() is not { } proof || spec is not { ThenAngle: null }) return null;
        return new Preload(spec.Target.NewtonMetres / (nutFactor * thread.DiameterMm), proof);
    }

    /// <summary>The torque in N·m that brings the fastener to a part of its proof load.</summary>
    public static double? TorqueFor(Fastener fastener, double utilisation, double nutFactor = DefaultNutFactor) =>
        fastener is { Thread: { } thread } && fastener.ProofLoadKn() is { } proof ? utilisation * proof * nutFactor * thread.DiameterMm : null;
}
