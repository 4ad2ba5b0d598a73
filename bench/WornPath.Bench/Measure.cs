using System.Diagnostics;

namespace WornPath.Bench;

/// <summary>Times of a piece of work, taken alternately with what it is held against, so that both see the same machine.</summary>
internal static class Measure
{
    /// <summary>Medians in milliseconds of two pieces of work, done in turn.</summary>
    public static (double A, double B) InTurn(int rounds, Action a, Action b)
    {
        var (first, second) = AllInTurn(rounds, a, b);
        return (Median(first), Median(second));
    }

    /// <summary>
    /// Medians and fastest times. Other guests of a shared machine only ever add, and they add more to what does not fit the
    /// cores' own caches: the fastest round is nearest to what the code itself costs.
    /// </summary>
    public static (double A, double B, double FastestA, double FastestB) FastestInTurn(int rounds, Action a, Action b)
    {
        var (first, second) = AllInTurn(rounds, a, b);
        return (Median(first), Median(second), first.Min(), second.Min());
    }

    private static (List<double> A, List<double> B) AllInTurn(int rounds, Action a, Action b)
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

        return (first, second);
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
