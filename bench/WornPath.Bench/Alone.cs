using WornPath.Core.Findings;
using WornPath.Core.Workshops;
using WornPath.Web.Drafting;

namespace WornPath.Bench;

/// <summary>One piece of work alone, for as long as a profiler needs to see it.</summary>
internal static class Alone
{
    /// <summary>
    /// Imports a file of so many things, walks a sheet of so many steps for twelve seconds, or holds a draft of so many long steps for
    /// a minute.
    /// </summary>
    public static void Run(string what, int size)
    {
        switch (what)
        {
            case "import":
                Console.WriteLine($"importing {size} things {Opening.Import(size):0} ms");
                break;
            case "walk":
                var sheet = LongSheet.Of(size);
                var clock = System.Diagnostics.Stopwatch.StartNew();
                var rounds = 0;
                for (; clock.Elapsed.TotalSeconds < 12; rounds++) _ = WalkSet.Run(sheet, Workshop.Default).Findings;
                Console.WriteLine($"walk and findings of {size} steps {clock.Elapsed.TotalMilliseconds / rounds:0.000} ms, the mean of {rounds}");
                break;
            default:
                var held = Draft.Walked.Of(LongSheet.OfLongSteps(size), 1, Workshop.Default, Draft.Reviewed.Not);
                Console.WriteLine($"process {Environment.ProcessId} holds a draft of {size} long steps");
                Thread.Sleep(TimeSpan.FromMinutes(1));
                GC.KeepAlive(held);
                break;
        }
    }
}
