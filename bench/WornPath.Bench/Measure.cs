using System.Diagnostics;

namespace WornPath.Bench;

/// <summary>Times of a piece of work, taken alternately with what it is held against, so that both see the same machine.</summary>
internal static class Measure
{
    /// <summary>Medians in milliseconds of two pieces of work, done in turn.</summary>
    public static (double A, double B) InTurn(int rounds, Action a, Action b)
    {
        for (var i = 0; i < rounds / 4; i++)
        {
            a();
            b();
        }

        List<double> first = [], second = [];
        for (var i = 0; i < rounds; i++)
        {
            first.Add(Once(a));
            second.Add(Once(b));
        }

        return (Median(first), Median(second));
    }

    private static double Once(Action work)
    {
        var clock = Stopwatch.StartNew();
        work();
        return clock.Elapsed.TotalMilliseconds;
    }

    private static double Median(List<double> times)
    {
        times.Sort();
        return times[times.Count / 2];
    }
}
