namespace WornPath.Core.Quantities;

/// <summary>Rounding of converted values for show. Common practice, no source: a hand wrench is set in steps of about one per cent of its reading.</summary>
public static class Rounding
{
    /// <summary>The step a click wrench is set in around a reading: 0.1 below 10, 0.5 below 30, 1 below 200, 5 above.</summary>
    public static decimal SettableStep(double reading) => Math.Abs(reading) switch
    {
        < 10 => 0.1m,
        < 30 => 0.5m,
        < 200 => 1m,
        _ => 5m,
    };

    /// <summary>The nearest settable reading.</summary>
    public static decimal ToSettable(double reading) => Round(reading, Math.Round);

    /// <summary>The next settable reading at or above: for the low end of a converted range, so that it never becomes wider.</summary>
    public static decimal UpToSettable(double reading) => Round(reading, Math.Ceiling);

    /// <summary>The next settable reading at or below: for the high end of a converted range.</summary>
    public static decimal DownToSettable(double reading) => Round(reading, Math.Floor);

    private static decimal Round(double reading, Func<decimal, decimal> round)
    {
        var step = SettableStep(reading);
        // Twelve digits: below that a reading is the noise of its conversion.
        return round(Math.Round((decimal)reading, 12) / step) * step;
    }
}
