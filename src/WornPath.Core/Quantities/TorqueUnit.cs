using System.Text.Json.Serialization;

namespace WornPath.Core.Quantities;

/// <summary>The units a torque is stated in on a procedure.</summary>
public enum TorqueUnit
{
    /// <summary>N·m, the SI unit.</summary>
    [JsonStringEnumMemberName("N·m")]
    NewtonMetre,

    /// <summary>lbf·ft.</summary>
    [JsonStringEnumMemberName("lbf·ft")]
    PoundForceFoot,

    /// <summary>lbf·in.</summary>
    [JsonStringEnumMemberName("lbf·in")]
    PoundForceInch,

    /// <summary>kgf·m.</summary>
    [JsonStringEnumMemberName("kgf·m")]
    KilogramForceMetre,

    /// <summary>kgf·cm.</summary>
    [JsonStringEnumMemberName("kgf·cm")]
    KilogramForceCentimetre,
}

/// <summary>Symbols and conversion factors of <see cref="TorqueUnit"/>.</summary>
public static class TorqueUnits
{
    /// <summary>
    /// Newton metres in one of the unit. NIST SP 811 (2008), appendix B.8: pound-force foot 1.355 818 E+00,
    /// pound-force inch 1.129 848 E−01, kilogram-force meter 9.806 65 E+00 (exact). The longer digits follow from
    /// 1 lb = 0.453 592 37 kg, g = 9.806 65 m/s², 1 ft = 0.3048 m, all exact.
    /// </summary>
    public static double InNewtonMetres(this TorqueUnit unit) => unit switch
    {
        TorqueUnit.NewtonMetre => 1,
        TorqueUnit.PoundForceFoot => 0.45359237 * 9.80665 * 0.3048,
        TorqueUnit.PoundForceInch => 0.45359237 * 9.80665 * 0.0254,
        TorqueUnit.KilogramForceMetre => 9.80665,
        TorqueUnit.KilogramForceCentimetre => 0.0980665,
        _ => throw new ArgumentOutOfRangeException(nameof(unit)),
    };

    /// <summary>The printed symbol.</summary>
    public static string Symbol(this TorqueUnit unit) => unit switch
    {
        TorqueUnit.NewtonMetre => "N·m",
        TorqueUnit.PoundForceFoot => "lbf·ft",
        TorqueUnit.PoundForceInch => "lbf·in",
        TorqueUnit.KilogramForceMetre => "kgf·m",
        TorqueUnit.KilogramForceCentimetre => "kgf·cm",
        _ => throw new ArgumentOutOfRangeException(nameof(unit)),
    };

    /// <summary>The unit a reader of the other system wants beside this one: lbf·ft for metric values (lbf·in under 20 N·m), N·m for the rest.</summary>
    public static TorqueUnit Counterpart(this TorqueUnit unit, double newtonMetres) => unit switch
    {
        TorqueUnit.NewtonMetre => newtonMetres < 20 ? TorqueUnit.PoundForceInch : TorqueUnit.PoundForceFoot,
        _ => TorqueUnit.NewtonMetre,
    };
}
