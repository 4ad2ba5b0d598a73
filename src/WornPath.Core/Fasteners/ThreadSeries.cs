using System.Collections.Frozen;

namespace WornPath.Core.Fasteners;

/// <summary>The thread series offered: ISO 261/262 coarse and the usual fine ones M2.5–M64, UNC and UNF #4 to 1 1/2 in (ASME B1.1).</summary>
public static class ThreadSeries
{
    /// <summary>One inch size: its diameter in inches and threads per inch of both series (0 where the series has none).</summary>
    public readonly record struct InchSize(decimal Diameter, int Coarse, int Fine);

    // First the coarse pitch, then the fine ones (ISO 261, preferred sizes and the trade's usual fine pitches).
    private static readonly FrozenDictionary<decimal, decimal[]> Metric = new Dictionary<decimal, decimal[]>
    {
        [2.5m] = [0.45m, 0.35m],
        [3] = [0.5m, 0.35m],
        [3.5m] = [0.6m],
        [4] = [0.7m, 0.5m],
        [5] = [0.8m, 0.5m],
        [6] = [1, 0.75m],
        [7] = [1, 0.75m],
        [8] = [1.25m, 1],
        [10] = [1.5m, 1.25m, 1],
        [12] = [1.75m, 1.5m, 1.25m],
        [14] = [2, 1.5m],
        [16] = [2, 1.5m],
        [18] = [2.5m, 2, 1.5m],
        [20] = [2.5m, 2, 1.5m],
        [22] = [2.5m, 2, 1.5m],
        [24] = [3, 2, 1.5m],
        [27] = [3, 2, 1.5m],
        [30] = [3.5m, 2, 1.5m],
        [33] = [3.5m, 2, 1.5m],
        [36] = [4, 3, 2, 1.5m],
        [39] = [4, 3, 2, 1.5m],
        [42] = [4.5m, 3, 2, 1.5m],
        [45] = [4.5m, 3, 2, 1.5m],
        [48] = [5, 3, 2, 1.5m],
        [52] = [5, 4, 3, 2, 1.5m],
        [56] = [5.5m, 4, 3, 2, 1.5m],
        [60] = [5.5m, 4, 3, 2, 1.5m],
        [64] = [6, 4, 3, 2, 1.5m],
    }.ToFrozenDictionary();

    private static readonly FrozenDictionary<string, InchSize> Inches = new Dictionary<string, InchSize>
    {
        ["#4"] = new(0.112m, 40, 48),
        ["#5"] = new(0.125m, 40, 44),
        ["#6"] = new(0.138m, 32, 40),
        ["#8"] = new(0.164m, 32, 36),
        ["#10"] = new(0.190m, 24, 32),
        ["#12"] = new(0.216m, 24, 28),
        ["1/4"] = new(0.25m, 20, 28),
        ["5/16"] = new(0.3125m, 18, 24),
        ["3/8"] = new(0.375m, 16, 24),
        ["7/16"] = new(0.4375m, 14, 20),
        ["1/2"] = new(0.5m, 13, 20),
        ["9/16"] = new(0.5625m, 12, 18),
        ["5/8"] = new(0.625m, 11, 18),
        ["3/4"] = new(0.75m, 10, 16),
        ["7/8"] = new(0.875m, 9, 14),
        ["1"] = new(1, 8, 12),
        ["1 1/8"] = new(1.125m, 7, 12),
        ["1 1/4"] = new(1.25m, 7, 12),
        ["1 3/8"] = new(1.375m, 6, 12),
        ["1 1/2"] = new(1.5m, 6, 12),
    }.ToFrozenDictionary();

    /// <summary>The metric diameters of the series, in mm, smallest first.</summary>
    public static IEnumerable<decimal> MetricDiameters => Metric.Keys.Order();

    /// <summary>The inch sizes of the series.</summary>
    public static IEnumerable<string> InchSizes => Inches.OrderBy(i => i.Value.Diameter).Select(i => i.Key);

    /// <summary>The pitches usual for a diameter, coarse first; empty for a diameter outside the series.</summary>
    public static IReadOnlyList<decimal> MetricPitches(decimal diameter) => Metric.TryGetValue(diameter, out var pitches) ? pitches : [];

    /// <summary>The coarse pitch in mm, or null for a diameter outside the series.</summary>
    public static decimal? CoarsePitch(decimal diameter) => Metric.TryGetValue(diameter, out var pitches) ? pitches[0] : null;

    /// <summary>An inch size by its name, or null.</summary>
    public static InchSize? Inch(string size) => Inches.TryGetValue(size, out var row) ? row : null;
}
