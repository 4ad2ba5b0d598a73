using System.Globalization;
using System.Text;
using WornPath.Core.Building;
using WornPath.Core.Tests.Findings;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Walking;

/// <summary>Small sheets and whole jobs, walked: what the bench, the chart and the ready list say of each was read and approved.</summary>
public class WalkedTests
{
    [Fact]
    public void What_the_walk_says_of_small_sheets_is_as_it_was_read_and_approved()
    {
        var now = new StringBuilder();
        foreach (var (title, written) in OneChange.Sheets())
            foreach (var walk in written.Walks().All) Tell(now, title, walk);
        Approval.ShouldBeAsApproved(now.ToString(), "walked.txt");
    }

    [Fact]
    public void What_the_walk_says_of_whole_jobs_is_as_it_was_read_and_approved()
    {
        var now = new StringBuilder();
        foreach (var job in JobText.All) Tell(now, job.Name, WalkSet.Run(job.Sheet, Workshop.Default).First);
        Approval.ShouldBeAsApproved(now.ToString(), "jobs.txt");
    }

    /// <summary>A walk step by step, what was done to each thing, what is needed and how long it takes.</summary>
    internal static void Tell(StringBuilder now, string title, Walk walk)
    {
        now.Append(title).AppendLine(walk.Combination.Key.Length == 0 ? "" : $" ({walk.Combination.Key})");
        var before = "";
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            now.Append("  ").Append(i + 1).Append(' ').AppendLine(walk.Steps[i].Text.ReplaceLineEndings(" / "));
            var bench = Bench.After(walk, i);
            foreach (var (name, lines) in (ReadOnlySpan<(string, IEnumerable<BenchLine>)>)[("off", bench.Off), ("slack", bench.Slack),
                ("temporary", bench.Temporary), ("open", bench.Open), ("vehicle", bench.Vehicle), ("done", bench.Done)])
                if (string.Join(", ", lines.Where(l => l.Changed).Select(l => $"{l.Id} {l.Name} {l.Says}{Drawn(l.Glyph)}")) is { Length: > 0 } said)
                    now.Append("      ").Append(name).Append(": ").AppendLine(said);
            if (Ahead.Of(walk, walk.Steps[i].Id).Next is { Length: > 0 } next && next != before) now.Append("      before it: ").AppendLine(before = next);
        }

        foreach (var row in Chart.Of(walk).Rows.Where(r => r.Bands.Length > 1 || r.OpenAtEnd || r.Touched.Length > 0))
            now.Append("    ").Append(row.Id).Append(": ").Append(string.Join(", ", row.Bands.Select(b => $"{b.From}–{b.To} {b.Says}{(b.Open ? " (open)" : "")}")))
                .Append(row.OpenAtEnd ? "; open at the end" : "").Append("; touched ").AppendLine(string.Join(' ', row.Touched));
        var ready = Readiness.Of(walk, new HashSet<string>());
        foreach (var item in ready.Items)
            now.Append("    needs ").Append(item.Amount).Append(' ').Append(item.What).Append(item.Optional ? " (spare)" : "")
                .Append(item.Note.Length > 0 ? $", {item.Note}" : "")
                .AppendLine(item.Steps.Length > 0 ? $", in {string.Join(' ', item.Steps)}" : "");
        now.AppendLine(CultureInfo.InvariantCulture,
            $"    {ready.Plan.HandsOnMinutes:0.#} min of work, {ready.Plan.ElapsedMinutes:0.#} min in all, {ready.People} people");
    }

    private static string Drawn(Glyph? glyph) => glyph is null ? ""
        : $" [{glyph.Stage}{(glyph.Of > 0 ? $" {glyph.Pass} of {glyph.Of}" : "")}{(glyph.Some ? ", some" : "")}]";
}
