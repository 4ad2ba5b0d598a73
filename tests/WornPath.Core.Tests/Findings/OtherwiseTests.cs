using System.Text;

namespace WornPath.Core.Tests.Findings;

/// <summary>What is found where a sheet is otherwise in one thing.</summary>
public class OtherwiseTests
{
    /// <summary>
    /// What else is found, and what no more (+ and −), when a cell says another of its choices, a step is said twice, or stands first or last.
    /// Read and approved (<see cref="Approval"/>); what makes no difference is not listed.
    /// </summary>
    [Fact]
    public void What_is_found_where_it_is_otherwise_is_as_it_was_read_and_approved()
    {
        var now = new StringBuilder();
        foreach (var (title, written) in OneChange.Sheets())
        {
            var numbers = OneChange.NumbersOf(written.Sheet);
            List<string> Found(Sheet sheet) => OneChange.Each(WalkSet.Run(sheet, written.Workshop).Findings, numbers);
            var asItIs = Found(written.Sheet);
            var lines = Otherwise(written.Sheet).Select(o => (o.What, Found: OneChange.Beside(asItIs, Found(o.Sheet)))).Where(o => o.Found != OneChange.Same)
                .GroupBy(o => o.Found).Select(g => $"  {string.Join("; ", g.Select(o => o.What))}: {g.Key}").ToList();
            if (lines.Count == 0) continue;
            OneChange.Tell(now, title, written.Sheet);
            foreach (var line in lines) now.AppendLine(line);
        }

        Approval.ShouldBeAsApproved(now.ToString(), "otherwise.txt");
    }

    private static IEnumerable<(string What, Sheet Sheet)> Otherwise(Sheet sheet)
    {
        foreach (var thing in sheet.Things)
            foreach (var field in Fields.Of(thing.Kind))
                foreach (var choice in field.Choices.Where(c => c != field.Get(thing)))
                    if (OneChange.After(sheet, new SetField(thing.Id, field.Name, field.Get(thing), choice)) is { } chosen)
                        yield return ($"{thing.Id} {field.Label} {choice}", chosen);
        var steps = sheet.Steps.ToList();
        for (var i = 0; i < steps.Count; i++)
        {
            var phase = sheet.Phases.First(p => p.Steps.Any(s => s.Id == steps[i].Id)).Id;
            if (OneChange.After(sheet, new InsertStep("twice", phase, steps[i].Id, steps[i].Text)) is { } twice) yield return ($"{i + 1} twice", twice);
            if (i + 1 < steps.Count && OneChange.After(sheet, new InsertStep("twice", phase, steps[^1].Id, steps[i].Text)) is { } again)
                yield return ($"{i + 1} again at the end", again);
            if (i > 1 && OneChange.After(sheet, new MoveStep(steps[i].Id, phase, null)) is { } first) yield return ($"{i + 1} first", first);
            if (i + 2 < steps.Count && OneChange.After(sheet, new MoveStep(steps[i].Id, phase, steps[^1].Id)) is { } last) yield return ($"{i + 1} last", last);
        }
    }
}
