using System.Globalization;
using WornPath.Core.Quantities;

namespace WornPath.Core.Workshops;

/// <summary>A torque tool of the crib.</summary>
public sealed record Wrench
{
    /// <summary>What the shop calls it: its number or the mark on its handle.</summary>
    public required string Name { get; init; }

    /// <summary>Lowest value on its scale, in <see cref="Unit"/>.</summary>
    public required decimal Min { get; init; }

    /// <summary>Highest value on its scale.</summary>
    public required decimal Max { get; init; }

    public required TorqueUnit Unit { get; init; }

    /// <summary>Step it is set in.</summary>
    public required decimal Step { get; init; }

    /// <summary>Square drive: "1/4 in", "3/8 in", "1/2 in", "3/4 in", "1 in".</summary>
    public required string Drive { get; init; }

    /// <summary>Permissible deviation in percent of the reading; null: as ISO 6789-1 has it for most types and classes of wrench, ±6 % up to 10 N·m and ±4 % above (from memory; some classes are allowed ±6 % throughout: write it then).</summary>
    public decimal? AccuracyPercent { get; init; }

    /// <summary>From the middle of the grip to the middle of the square, in mm: for adapters. Null while not measured.</summary>
    public decimal? LengthMm { get; init; }

    /// <summary>Day of the last calibration; null while not known.</summary>
    public DateOnly? Calibrated { get; init; }

    /// <summary>Cycles since then.</summary>
    public int Cycles { get; init; }

    /// <summary>The lowest value it may be used for: its scale, but never under 20 % of its highest (ISO 6789-1, from memory).</summary>
    public decimal UsableFrom => Math.Max(Min, Max * 0.2m);

    /// <summary>Highest value in N·m.</summary>
    public double MaxNewtonMetres => new Torque(Max, Unit).NewtonMetres;

    /// <summary>Permissible deviation as a part of a reading.</summary>
    public double Deviation(Torque reading) => (double)(AccuracyPercent ?? (reading.NewtonMetres <= 10 ? 6 : 4)) / 100;

    /// <summary>The nearest setting to a torque.</summary>
    public Torque Setting(Torque torque) => new(Math.Round((decimal)Math.Round(torque.In(Unit), 9) / Step, MidpointRounding.AwayFromZero) * Step, Unit);

    /// <summary>Why it cannot be used on a day by its calibration; null where it can.</summary>
    public string? OverdueOn(DateOnly day, HouseRules rules)
    {
        if (Cycles >= rules.CalibrationCycles) return $"{Name} has {Cycles.ToString("N0", CultureInfo.InvariantCulture)} cycles since its calibration ({rules.CalibrationCycles.ToString("N0", CultureInfo.InvariantCulture)} at most)";
        return DueOn(rules) is { } due && due < day ? $"{Name} was due for calibration on {Days.Written(due)}" : null;
    }

    /// <summary>The day it is due for calibration; null while the last is not known.</summary>
    public DateOnly? DueOn(HouseRules rules) => Calibrated?.AddMonths(rules.CalibrationMonths);

    /// <summary>A wrench, or what cannot be meant about it.</summary>
    public static Outcome<Wrench> Check(Wrench wrench)
    {
        if (wrench.Name.Trim().Length is 0 or > 60) return new Problem("The wrench has no name, or one of more than 60 characters.", "Write the number on its handle.", "name");
        if (wrench.Min < 0 || wrench.Max <= 0) return new Problem("A wrench reads from something above zero.", "Write the ends of its scale.", "range");
        if (wrench.Min >= wrench.Max) return new Problem($"The range runs from {wrench.Min:0.##} down to {wrench.Max:0.##}.", "Write the low end of the scale first.", "range");
        if (wrench.MaxNewtonMetres > TorqueSpec.LargestByHand) return new Problem($"{wrench.Max:0.##} {wrench.Unit.Symbol()} is beyond any hand torque wrench.", "Check the number and the unit.", "range");
        if (wrench.Step <= 0 || wrench.Step > wrench.Max - wrench.Min) return new Problem($"A step of {wrench.Step:0.###} does not fit the scale.", "Write the smallest step it is set in, such as 1.", "step");
        if (!Drives.Contains(wrench.Drive)) return new Problem($"“{NumberText.Excerpt(wrench.Drive)}” is no square drive.", $"Write one of {string.Join(", ", Drives)}.", "drive");
        if (wrench.AccuracyPercent is <= 0 or > 20) return new Problem($"An accuracy of {wrench.AccuracyPercent:0.##} % cannot be meant.", "Write a number above 0 and up to 20, or leave it out.", "accuracy");
        if (wrench.LengthMm is < 50 or > 2000) return new Problem($"A length of {wrench.LengthMm:0} mm cannot be meant.", "Measure from the middle of the grip to the middle of the square, 50 to 2000 mm.", "length");
        return wrench.Cycles is < 0 or > 10_000_000 ? new Problem($"{wrench.Cycles} cycles cannot be meant.", "Write how often it clicked since its calibration.", "cycles") : wrench;
    }

    /// <summary>Square drives, smallest first (ISO 1174-1).</summary>
    public static readonly IReadOnlyList<string> Drives = ["1/4 in", "3/8 in", "1/2 in", "3/4 in", "1 in"];

    /// <summary>The square a torque is usually turned with. Common practice, no source.</summary>
    public static string UsualDrive(double newtonMetres) => newtonMetres switch
    {
        <= 20 => Drives[0],
        <= 90 => Drives[1],
        <= 340 => Drives[2],
        <= 1000 => Drives[3],
        _ => Drives[4],
    };
}
