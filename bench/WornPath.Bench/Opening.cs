using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using WornPath.Formats;
using WornPath.Web.Drafting;

namespace WornPath.Bench;

/// <summary>What a long sheet costs to open and to edit, a large file to import, and a held draft in memory.</summary>
internal static class Opening
{
    /// <summary>Medians in milliseconds: opening (reading, walking, all findings, the whole view), an edit of a step (applied, walked, its delta and view), and reading the sheet's JSON alone.</summary>
    public static (double Open, double Edit, double Read) Of(Sheet sheet)
    {
        var json = SheetJson.Write(sheet);
        var held = Draft.Walked.Of(SheetJson.Read(json), 1, Workshop.Default, Draft.Reviewed.Not);
        var step = sheet.Steps.First(s => s.Text.StartsWith("Inspect", StringComparison.Ordinal));
        var look = 0;
        var (open, read) = Measure.InTurn(24, () => SheetViews.Whole(Draft.Walked.Of(SheetFormat.Read(json, SheetFormat.Newest), 1, Workshop.Default, Draft.Reviewed.Not), null, null), () => SheetJson.Read(json));
        var (edit, _) = Measure.InTurn(60, () =>
        {
            var before = held.Sheet.FindStep(step.Id)!.Text;
            var applied = Editor.Apply(held.Sheet, new WriteStep(step.Id, before, $"Inspect cover 1 for cracks at the lugs, look {++look} times.")).Value;
            var next = Draft.Walked.Of(applied.Sheet, held.Seq + 1, held.House, held.Reviewed);
            SheetViews.Changed(held, next, null, null);
            held = next;
        }, () => SheetJson.Read(json));
        return (open, edit, read);
    }

    /// <summary>Milliseconds to import a file of so many things, of four kinds, each named in a step of its own.</summary>
    public static double Import(int things)
    {
        var each = things / 4;
        var sheet = Sheet.Empty with
        {
            Parts = [.. Enumerable.Range(1, each).Select(i => new Part { Id = $"P{i}", Name = $"cover {i}" })],
            Joints = [.. Enumerable.Range(1, each).Select(i => new Joint { Id = $"J{i}", Name = $"cover {i} bolts", Holds = [$"P{i}"] })],
            Connections = [.. Enumerable.Range(1, each).Select(i => new Connection { Id = $"C{i}", Name = $"lamp lead {i}" })],
            Aids = [.. Enumerable.Range(1, each).Select(i => new Aid { Id = $"A{i}", Name = $"rag {i}" })],
            Phases = [new Phase { Id = "h1", Name = "Removal", Steps = [.. Enumerable.Range(1, Math.Min(each, SheetSize.MostSteps)).Select(i => new Step { Id = $"s{i}", Text = $"Remove the cover {i} bolts and cover {i}." })] }],
        };
        var file = ProcedureFileText.Write(new ProcedureFile { Number = "B", Title = "B", Sheet = sheet }).Value;
        ProcedureFileText.Read(file).Value.Sheet.Steps.Count(s => s.Actions.Length == 2).ShouldBe(Math.Min(each, SheetSize.MostSteps));
        var clock = System.Diagnostics.Stopwatch.StartNew();
        _ = ProcedureFileText.Read(file).Value;
        return clock.Elapsed.TotalMilliseconds;
    }

    /// <summary>Bytes a draft holds in memory: its sheet, walk and findings.</summary>
    public static long Memory(Sheet sheet)
    {
        var json = SheetJson.Write(sheet);
        // The last sheet that was worked on is kept by what shares its notes: let that be a small one.
        _ = Draft.Walked.Of(LongSheet.Of(5), 1, Workshop.Default, Draft.Reviewed.Not);
        // What earlier work left behind is gone before anything is counted; what waits for its end goes only in a later round.
        for (var round = 0; round < 4; round++)
        {
            GC.Collect(GC.MaxGeneration, GCCollectionMode.Forced, blocking: true, compacting: true);
            GC.WaitForPendingFinalizers();
        }

        var before = GC.GetTotalMemory(forceFullCollection: true);
        var held = Draft.Walked.Of(SheetJson.Read(json), 1, Workshop.Default, Draft.Reviewed.Not);
        var after = GC.GetTotalMemory(forceFullCollection: true);
        GC.KeepAlive(held);
        return after - before;
    }

    private static void ShouldBe(this int got, int wanted)
    {
        if (got != wanted) throw new InvalidOperationException($"{got} steps were read, not {wanted}.");
    }
}
