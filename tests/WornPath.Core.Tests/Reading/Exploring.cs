using CsCheck;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// Properties of made-up texts. <c>./test</c> tries the same texts each time, so that a change is judged by what it changed; with
/// WORNPATH_EXPLORE=seconds, fresh ones are tried as long as that (CONTRIBUTING.md). What that finds becomes a case with a name.
/// </summary>
internal static class Exploring
{
    private static readonly string? Seconds = Environment.GetEnvironmentVariable("WORNPATH_EXPLORE");

    /// <summary>Holds for each of so many values, or for all found within the seconds said.</summary>
    public static void Always<T>(this Gen<T> any, int times, Action<T> holds)
    {
        if (Seconds is not null)
        {
            any.Sample(holds, time: int.Parse(Seconds, System.Globalization.CultureInfo.InvariantCulture));
            return;
        }

        Parallel.For(0, times, n =>
        {
            var value = any.Generate(new PCG((uint)n, 1), null, out _);
            try
            {
                holds(value);
            }
            catch (Exception e)
            {
                throw new ShouldAssertException($"{n}: {(value is string[] many ? string.Join(" / ", many) : value)}\n{e.Message}", e);
            }
        });
    }
}
