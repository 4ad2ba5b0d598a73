namespace WornPath.Core.Quantities;

/// <summary>Whether a number read in one unit is one that stands in another.</summary>
public static class ReadAlike
{
    /// <summary>
    /// In the same unit to the last digit; in another, within half the last digit the one that stands states: 71 ft-lb is 96.3 N·m,
    /// and a sheet that says 96 N·m says the same.
    /// </summary>
    /// <param name="stands">The number that stands.</param>
    /// <param name="standsUnit">How many of the common unit one of its unit is.</param>
    /// <param name="read">The number that was read.</param>
    /// <param name="readUnit">How many of the common unit one of its unit is.</param>
    public static bool Near(decimal stands, double standsUnit, decimal read, double readUnit) => standsUnit.Equals(readUnit)
        ? stands == read
        : Math.Abs((double)stands * standsUnit - (double)read * readUnit) <= HalfDigit(stands) * standsUnit * (1 + 1e-9);

    // Half of the last digit a number states: 0.5 of 48, 0.05 of 47.5.
    private static double HalfDigit(decimal number) => 0.5 * Math.Pow(10, -(number / 1.000000000000000000000000000000m).Scale);
}
