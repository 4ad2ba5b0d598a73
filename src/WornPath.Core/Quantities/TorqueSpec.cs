using System.Globalization;
using System.Text.Json.Serialization;

namespace WornPath.Core.Quantities;

/// <summary>Specifications stand in JSON as their printed text.</summary>
public sealed class TorqueSpecJsonConverter() : TextJsonConverter<TorqueSpec>(text => TorqueText.Parse(text));

/// <summary>
/// What a joint is tightened to: one value, or a range; and, where asked, an angle after it.
/// The numbers are kept as entered, in the unit entered.
/// </summary>
[JsonConverter(typeof(TorqueSpecJsonConverter))]
public sealed record TorqueSpec
{
    /// <summary>The largest torque a hand procedure is taken to mean, in N·m. Common practice, no source: above it a multiplier or a hydraulic tool is needed.</summary>
    public const double LargestByHand = 3000;

    /// <summary>The smallest torque a joint is tightened to, in N·m. Common practice, no source.</summary>
    public const double Smallest = 0.05;

    private TorqueSpec(decimal low, decimal high, TorqueUnit unit, decimal? thenAngle)
    {
        Low = low;
        High = high;
        Unit = unit;
        ThenAngle = thenAngle;
    }

    /// <summary>The low end; equal to <see cref="High"/> for a single value.</summary>
    public decimal Low { get; }

    /// <summary>The high end.</summary>
    public decimal High { get; }

    /// <summary>The unit of both ends.</summary>
    public TorqueUnit Unit { get; }

    /// <summary>Degrees turned after the torque is reached; null where the torque is the whole of it.</summary>
    public decimal? ThenAngle { get; }

    /// <summary>True where low and high differ.</summary>
    public bool IsRange => Low != High;

    /// <summary>The value the wrench is set to: the middle of a range (the default house rule: equal room for wrench error on both sides).</summary>
    public Torque Target => new(IsRange ? (Low + High) / 2 : Low, Unit);

    /// <summary>A specification, or why there is none.</summary>
    public static Outcome<TorqueSpec> Create(decimal low, decimal high, TorqueUnit unit, decimal? thenAngle = null)
    {
        if (low <= 0 || high <= 0)
            return new Problem($"A torque of {Show(low <= 0 ? low : high)} {unit.Symbol()} cannot be set.", "Write a value above zero, such as 45 N·m.");
        if (low > high)
            return new Problem($"The low end {Show(low)} is above the high end {Show(high)}.", "Write the smaller number first.");
        if (high > 1_000_000m || (double)high * unit.InNewtonMetres() > LargestByHand)
            return new Problem($"{Show(high)} {unit.Symbol()} is beyond any hand torque wrench ({LargestByHand:0} N·m).", "Check the number and the unit.");
        if ((double)low * unit.InNewtonMetres() < Smallest)
            return new Problem($"{Show(low)} {unit.Symbol()} is too small to be set.", "Check the number and the unit.");
        if (thenAngle is <= 0 or > 720)
            return new Problem($"An angle of {Show(thenAngle.Value)}° cannot be meant.", "Write an angle between 1° and 720°, such as 90°.");
        return new TorqueSpec(low, high, unit, thenAngle);
    }

    /// <summary>The specification for show in another unit: each end rounded to a settable step, a range never made wider than it was.</summary>
    public string ShownIn(TorqueUnit unit)
    {
        if (unit == Unit) return ToString();
        var from = new Torque(Low, Unit).In(unit);
        var to = new Torque(High, Unit).In(unit);
        var low = IsRange ? Rounding.UpToSettable(from) : Rounding.ToSettable(from);
        var high = IsRange ? Rounding.DownToSettable(to) : low;
        // A range narrower than one step of the wrench: show its middle with one digit more than can be set.
        if (low > high) return Format((decimal)Math.Round((from + to) / 2, 2), (decimal)Math.Round((from + to) / 2, 2), unit, ThenAngle);
        return Format(low, high, unit, ThenAngle);
    }

    /// <summary>The specification in its unit's counterpart (see <see cref="TorqueUnits.Counterpart"/>).</summary>
    public string ShownInCounterpart() => ShownIn(Unit.Counterpart(Target.NewtonMetres));

    public override string ToString() => Format(Low, High, Unit, ThenAngle);

    private static string Format(decimal low, decimal high, TorqueUnit unit, decimal? angle)
    {
        var value = low == high ? Show(low) : $"{Show(low)}–{Show(high)}";
        return angle is null ? $"{value} {unit.Symbol()}" : $"{value} {unit.Symbol()} + {Show(angle.Value)}°";
    }

    private static string Show(decimal number) => number.ToString("0.######", CultureInfo.InvariantCulture);
}
