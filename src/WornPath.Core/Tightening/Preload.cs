using WornPath.Core.Workshops;
using WornPath.Core.Fasteners;
using WornPath.Core.Quantities;

namespace WornPath.Core.Tightening;

/// <summary>What a preload means to the fastener.</summary>
public enum PreloadVerdict
{
    /// <summary>So little that the joint may not hold.</summary>
    TooLittle,

    /// <summary>The fastener bears it.</summary>
    Bears,

    /// <summary>It passes the proof load where friction is low, and is beyond what is usual.</summary>
    MayYield,

    /// <summary>The target itself passes the proof load.</summary>
    Yields,
}

/// <summary>
/// What a torque does to a fastener: the preload it makes, as a part of the proof load, with the band that the scatter of
/// a hand torque wrench leaves.
/// </summary>
/// <param name="TargetKn">Preload at the target, in kN.</param>
/// <param name="ProofKn">Proof load in kN.</param>
/// <param name="NutFactor">The nut factor K it was reckoned with.</param>
/// <param name="Scatter">Scatter of the preload, as a part of it.</param>
public sealed record Preload(double TargetKn, double ProofKn, double NutFactor, double Scatter)
{
    /// <summary>Nut factor of steel as received.</summary>
    public const double DefaultNutFactor = NutFactors.OfSteelAsReceived;

    /// <summary>Scatter of preload under a hand torque wrench on lubricated threads, as a part of it.</summary>
    public const double DefaultScatter = HouseRules.UsualScatter;

    /// <summary>By how much more it scatters on dry threads: ±35 % there (NASA RP-1228, from memory).</summary>
    public const double DryAdds = 0.10;

    /// <summary>By how much more it scatters on dry cadmium: ±30 % there (NASA RP-1228, from memory).</summary>
    public const double CadmiumAdds = 0.05;

    /// <summary>
    /// Above this part of the proof load at the target a value is looked at twice. 75 % is usual for a joint that is taken apart again
    /// (Shigley, from memory): that its scatter may pass the proof load is known there and accepted.
    /// </summary>
    public const double MostUsual = 0.8;

    /// <summary>Below this part of the proof load a joint is asked whether it will hold. Common practice, no source.</summary>
    public const double LeastToHold = 0.25;

    /// <summary>What the band means.</summary>
    public PreloadVerdict Verdict => Utilisation > 1 ? PreloadVerdict.Yields : Utilisation > MostUsual ? PreloadVerdict.MayYield : High < LeastToHold
        ? PreloadVerdict.TooLittle : PreloadVerdict.Bears;

    /// <summary>The scatter of a joint by what is on its threads: that of the house where they are lubricated or wet with a compound, more where they are dry.</summary>
    public static double ScatterOf(Sheets.Joint joint, double house) => joint.Treatment != Sheets.Treatment.None ? house
        : ScatterDry(house, joint.Fastener?.Besides.Contains("cadmium", StringComparison.OrdinalIgnoreCase) is true);

    /// <summary>The scatter on dry threads.</summary>
    public static double ScatterDry(double house, bool onCadmium = false) => Math.Min(0.6, house + (onCadmium ? CadmiumAdds : DryAdds));

    /// <summary>Part of the proof load at the target.</summary>
    public double Utilisation => TargetKn / ProofKn;

    /// <summary>Part of the proof load where friction eats most of the torque.</summary>
    public double Low => Utilisation * (1 - Scatter);

    /// <summary>Part of the proof load where friction eats least.</summary>
    public double High => Utilisation * (1 + Scatter);

    /// <summary>
    /// Short form T = K·F·d (Shigley; NASA RP-1228): F = T / (K·d). Null until thread, class and torque are known.
    /// A torque with an angle after it, or one that sets a bearing's play, is not judged: its preload does not come from it.
    /// </summary>
    public static Preload? Of(Fastener? fastener, TorqueSpec? spec, double nutFactor = DefaultNutFactor, RangeTarget target = RangeTarget.Middle, double scatter = DefaultScatter)
    {
        if (fastener?.Thread is not { } thread || fastener.ProofLoadKn() is not { } proof || spec is not { ThenAngle: null, IsAdjustment: false }) return null;
        return new Preload(ShortFormKn(spec.TargetBy(target).NewtonMetres, thread, nutFactor), proof, nutFactor, scatter);
    }

    /// <summary>Preload in kN by the short form F = T / (K·d), torque in N·m.</summary>
    public static double ShortFormKn(double torque, Thread thread, double nutFactor) => torque / (nutFactor * thread.DiameterMm);

    /// <summary>
    /// Torque in N·m by the long form M = F·(0.16·P + 0.58·d₂·μ_G + (D_Km/2)·μ_K) (VDI 2230; the same as Shigley's eq. 8–26 with
    /// the small terms left out). D_Km, the mean diameter under the head, is 1.25·d (Shigley).
    /// </summary>
    /// <param name="forceKn">Preload in kN.</param>
    /// <param name="thread">The thread.</param>
    /// <param name="inThread">Friction μ_G in the thread.</param>
    /// <param name="underHead">Friction μ_K under the head.</param>
    public static double LongFormTorque(double forceKn, Thread thread, double inThread, double underHead) =>
        forceKn * ((0.16 * thread.PitchMm) + (0.58 * thread.PitchDiameterMm * inThread) + (1.25 * thread.DiameterMm / 2 * underHead));

    /// <summary>Preload in kN by the long form, torque in N·m.</summary>
    public static double LongFormKn(double torque, Thread thread, double inThread, double underHead) => torque / LongFormTorque(1, thread, inThread, underHead);

    /// <summary>The torque in N·m that brings the fastener to a part of its proof load.</summary>
    public static double? TorqueFor(Fastener fastener, double utilisation, double nutFactor = DefaultNutFactor) =>
        fastener is { Thread: { } thread } && fastener.ProofLoadKn() is { } proof ? utilisation * proof * nutFactor * thread.DiameterMm : null;
}
