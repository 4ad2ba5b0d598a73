using System.Globalization;

namespace WornPath.Core.Quantities;

/// <summary>Days as they are written for people, everywhere the same: 25 Nov 2026.</summary>
public static class Days
{
    /// <summary>A day.</summary>
    public static string Written(DateOnly day) => day.ToString("d MMM yyyy", CultureInfo.InvariantCulture);

    /// <summary>The day of a time.</summary>
    public static string Written(DateTime at) => Written(DateOnly.FromDateTime(at));
}
