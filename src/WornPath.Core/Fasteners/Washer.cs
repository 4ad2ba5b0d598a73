using System.Collections.Frozen;

namespace WornPath.Core.Fasteners;

/// <summary>A plain washer of normal series: bore, outside diameter and thickness in mm.</summary>
public readonly record struct Washer(double BoreMm, double OutsideMm, double ThicknessMm)
{
    // ISO 7089. From memory.
    private static readonly FrozenDictionary<decimal, Washer> Rows = new Dictionary<decimal, Washer>
    {
        [3] = new(3.2, 7, 0.5),
        [4] = new(4.3, 9, 0.8),
        [5] = new(5.3, 10, 1),
        [6] = new(6.4, 12, 1.6),
        [8] = new(8.4, 16, 1.6),
        [10] = new(10.5, 20, 2),
        [12] = new(13, 24, 2.5),
        [14] = new(15, 28, 2.5),
        [16] = new(17, 30, 3),
        [18] = new(19, 34, 3),
        [20] = new(21, 37, 3),
        [22] = new(23, 39, 3),
        [24] = new(25, 44, 4),
        [27] = new(28, 50, 4),
        [30] = new(31, 56, 4),
        [33] = new(34, 60, 5),
        [36] = new(37, 66, 5),
    }.ToFrozenDictionary();

    /// <summary>The plain washer of a metric thread; null outside the table.</summary>
    public static Washer? Of(Thread thread) => thread is MetricThread metric && Rows.TryGetValue(metric.Diameter, out var washer) ? washer : null;
}
