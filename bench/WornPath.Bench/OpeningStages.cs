using WornPath.Core.Cautions;
using WornPath.Core.Findings;
using System.Diagnostics;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;
using WornPath.Web.Drafting;

namespace WornPath.Bench;

/// <summary>
/// What opening a sheet is made of: time and memory of each stage, one after the other on a sheet that was just read, for who looks
/// for what is slow.
/// </summary>
internal static class OpeningStages
{
    private const int Rounds = 15;
    private const int WarmUp = 5;

    public static void Print(Sheet sheet)
    {
        var json = SheetJson.Write(sheet);
        var sums = new Dictionary<string, (double Ms, long Bytes)>();
        for (var round = -WarmUp; round < Rounds; round++)
        {
            if (round == 0) sums.Clear();
            var now = Stage("reading its JSON", () => SheetFormat.Read(json, SheetFormat.Newest));
            var walk = Stage("the walk", () => Walker.Run(now, Workshop.Default));
            Stage("what steps say", () => now.Steps.Aggregate(Ends.None, (ends, step) => ends | WhichEnd.Of(step, new StepAction { Verb = Verb.Raise })));
            Stage("what names tell", () => now.Things.Count(t => Natures.Is(t, Trait.Nut)));
            Stage("joints judged", () => now.Joints.Count(j => JointJudgement.Of(j, Workshop.Default).Preload is not null));
            Stage("findings, the walk again", () => WalkSet.Run(now, Workshop.Default));
            Stage("cautions", () => new HashSet<Caution>() is var given ? now.Steps.Sum(s => UsualCautions.For(s, now, given).Length) : 0);
            Stage("chips", () => now.Steps.Sum(s => s.Actions.Sum(a => Asking.Of(a, now).Length)));
            Stage("cells", () => now.Things.Sum(t => Fields.Of(t.Kind).ToDictionary(f => f.Name, f => f.Get(t)).Count));
            var walked = Draft.Walked.Of(now, 1, Workshop.Default, Draft.Reviewed.Not);
            Stage("the view, all that known", () => SheetViews.Whole(walked, null, null));
        }

        Console.WriteLine($"{sheet.Steps.Count()} steps, {sheet.Things.Count()} things, "
            + $"{sheet.Joints.Length} joints, {sheet.Steps.Sum(s => s.Actions.Length)} actions");
        foreach (var (name, (ms, bytes)) in sums) Console.WriteLine($"{name,-26} {ms / Rounds,7:0.0} ms {bytes / Rounds / 1024.0,9:N0} kB");

        T Stage<T>(string name, Func<T> work)
        {
            var bytes = GC.GetAllocatedBytesForCurrentThread();
            var clock = Stopwatch.StartNew();
            var made = work();
            var (ms, all) = sums.GetValueOrDefault(name);
            sums[name] = (ms + clock.Elapsed.TotalMilliseconds, all + GC.GetAllocatedBytesForCurrentThread() - bytes);
            return made;
        }
    }
}
