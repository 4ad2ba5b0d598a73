using System.Diagnostics;
using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Bench;

/// <summary>How long many pasted lines take: as one edit, and, for comparison, one edit each.</summary>
internal static class Pasting
{
    public static void Print(int lines)
    {
        string[] text = [.. LongSheet.Of(lines).Steps.Select(s => s.Text).Take(lines)];
        var blank = Editor.Apply(Sheet.Empty, new InsertPhase("h", null, "Work")).Value.Sheet;
        var watch = Stopwatch.StartNew();
        var pasted = Editor.Apply(blank, new InsertSteps("h", null, [.. text.Select(t => new NewStep(null, t))])).Value.Sheet;
        var one = watch.Elapsed;
        watch.Restart();
        var findings = WalkSet.Run(pasted, Workshop.Default).Findings.Length;
        var judged = watch.Elapsed;
        Console.WriteLine($"{lines:N0} lines as one edit {one.TotalMilliseconds:N0} ms, walk and {findings:N0} findings {judged.TotalMilliseconds:N0} ms");
        if (lines > 200) return;
        watch.Restart();
        var sheet = blank;
        foreach (var line in text) sheet = Editor.Apply(sheet, new InsertStep(null, "h", sheet.Steps.LastOrDefault()?.Id, line)).Value.Sheet;
        Console.WriteLine($"{lines:N0} lines as {lines:N0} edits {watch.Elapsed.TotalMilliseconds:N0} ms, without the way to the server and its disk");
    }
}
