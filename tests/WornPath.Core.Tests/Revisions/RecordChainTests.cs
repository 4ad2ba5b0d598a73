using WornPath.Core.Revisions;

namespace WornPath.Core.Tests.Revisions;

/// <summary>A record that was changed, cut or added to does not hold; one that was not does.</summary>
public class RecordChainTests
{
    private static List<RecordLine> Made(int lines, Random random)
    {
        List<RecordLine> record = [];
        for (var i = 1; i <= lines; i++)
        {
            // Clocks jump: the order is that of the lines.
            var at = new DateTime(2026, 11, 29, 0, 0, 0, DateTimeKind.Utc).AddSeconds(random.Next(-90_000, 90_000));
            var line = new RecordLine(i, random.Next(2) == 0 ? "A" : "B", random.Next(2) == 0 ? "edit" : "sent", $"p{random.Next(3)}", at,
                $"Step {random.Next(40)}: “Torque to 25 N·m”", random.Next(2) == 0 ? RecordChain.Hash([(byte)i]) : "", "");
            record.Add(line with { Hash = RecordChain.HashOf(record.Count > 0 ? record[^1].Hash : RecordChain.Start, line) });
        }

        return record;
    }

    [Fact]
    public void Every_change_of_any_line_and_every_line_put_in_or_taken_out_shows()
    {
        var random = new Random(3);
        for (var round = 0; round < 200; round++)
        {
            var whole = Made(random.Next(2, 30), random);
            RecordChain.Check(whole).ShouldBeNull();
            var at = random.Next(whole.Count);
            var line = whole[at];
            Broken([.. whole.Select(l => l == line ? l with { By = l.By + "x" } : l)]).ShouldBe(at + 1);
            Broken([.. whole.Select(l => l == line ? l with { At = l.At.AddTicks(1) } : l)]).ShouldBe(at + 1);
            Broken([.. whole.Select(l => l == line ? l with { Text = l.Text.Replace("25", "52", StringComparison.Ordinal) } : l)]).ShouldBe(at + 1);
            Broken([.. whole.Select(l => l == line ? l with { Delta = l.Delta + "0" } : l)]).ShouldBe(at + 1);
            Broken([.. whole.Select(l => l == line ? l with { Revision = "C" } : l)]).ShouldBe(at + 1);
            // Written anew with its own link: the next does not hold, or the record's last link is another than was signed.
            var forged = line with { Text = "something else" };
            forged = forged with { Hash = RecordChain.HashOf(at > 0 ? whole[at - 1].Hash : RecordChain.Start, forged) };
            List<RecordLine> changed = [.. whole.Select(l => l == line ? forged : l)];
            if (at < whole.Count - 1) Broken(changed).ShouldBe(at + 2);
            else changed[^1].Hash.ShouldNotBe(whole[^1].Hash);
            if (at < whole.Count - 1) Broken([.. whole.Where(l => l != line)]).ShouldBe(at + 1);
            Broken([.. whole.Take(at + 1), line, .. whole.Skip(at + 1)]).ShouldBe(at + 2);
        }
    }

    private static int? Broken(List<RecordLine> record)
    {
        if (RecordChain.Check(record) is not { } problem) return null;
        return int.Parse(problem.What.Split(' ')[1], System.Globalization.CultureInfo.InvariantCulture);
    }
}
