using System.Text;

namespace WornPath.Core.Tests.Findings;

/// <summary>What is found of each slip, and of what is right, after one change more.</summary>
public class NearTests
{
    /// <summary>
    /// What is found of each slip, and of what is right, after one change more: a step left out, two in the other order, one only in a case, a
    /// cell empty. Read and approved (<see cref="Approval"/>); what makes no difference stands in one line.
    /// </summary>
    [Fact]
    public void What_is_found_one_change_away_is_as_it_was_read_and_approved()
    {
        var now = new StringBuilder();
        foreach (var (title, written) in OneChange.Sheets())
        {
            var numbers = OneChange.NumbersOf(written.Sheet);
            string Found(Sheet sheet) => OneChange.Listed(WalkSet.Run(sheet, written.Workshop).Findings, numbers);
            OneChange.Tell(now, title, written.Sheet);
            var asItIs = Found(written.Sheet);
            now.Append("  as it is: ").AppendLine(asItIs);
            foreach (var group in Near(written.Sheet).Select(n => (n.What, Found: Found(n.Sheet))).GroupBy(n => n.Found))
                now.Append("  ").Append(string.Join("; ", group.Select(n => n.What))).Append(": ").AppendLine(group.Key == asItIs ? "the same" : group.Key);
        }

        Approval.ShouldBeAsApproved(now.ToString(), "near.txt");
    }

    // Each sheet one change away that the editor allows.
    private static IEnumerable<(string What, Sheet Sheet)> Near(Sheet sheet)
    {
        var steps = sheet.Steps.ToList();
        for (var i = 0; i < steps.Count; i++)
        {
            if (steps.Count > 1 && OneChange.After(sheet, new RemoveStep(steps[i].Id, steps[i].Text)) is { } without)
                yield return ($"without {i + 1}", without);
            if (i > 0 && OneChange.After(sheet, new MoveStep(steps[i - 1].Id, "h1", steps[i].Id)) is { } turned) yield return ($"{i + 1} before {i}", turned);
            if (steps[i].Text.Length > 0
                && OneChange.After(sheet, new WriteStep(steps[i].Id, steps[i].Text, $"If it is worn, {Small(steps[i].Text)}")) is { } ifWorn)
                yield return ($"{i + 1} if it is worn", ifWorn);
        }

        foreach (var thing in sheet.Things)
            foreach (var field in Fields.Of(thing.Kind).Where(f => f.Name != "name" && f.Get(thing).Length > 0))
                if (OneChange.After(sheet, new SetField(thing.Id, field.Name, field.Get(thing), "")) is { } empty
                    && field.Get(empty.Find(thing.Id)!) != field.Get(thing))
                    yield return ($"{thing.Id} without {field.Label}", empty);
    }

    private static string Small(string text) => char.ToLowerInvariant(text[0]) + text[1..];
}
