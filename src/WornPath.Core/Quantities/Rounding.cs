namespace WornPath.Core.Quantities;

/// <summary>Rounding of converted values for show. Common practice, no source: a hand wrench is set in steps of about two per cent of its reading, or less.</summary>
public static class Rounding
{
    /// <summary>
    /// The step a reading is shown in: the largest of 1, 2, 5 and their tenths and tens that is at most two per cent of it, so that what is shown is
    /// never off by more than one per cent; at most 5.
    /// </summary>
    public static decimal SettableStep(double reading)
    {
        var most = Math.Abs(reading) * 0.02;
        var step = 0.001m;
        foreach (var next in Steps)
            if ((double)next <= most) step = next;
        return step;
    }

    private static readonly decimal[] Steps = [0.001m, 0.002m, 0.005m, 0.01m, 0.02m, 0.05m, 0.1m, 0.2m, 0.5m, 1, 2, 5];

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
