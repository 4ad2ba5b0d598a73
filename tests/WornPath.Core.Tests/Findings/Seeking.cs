using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using CsCheck;
using WornPath.Core.Tests.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Findings;

/// <summary>
/// Made-up sheets, each a few changes away from a small sheet or a whole job of the tests, and all that is said of them: <c>./mutants --seek</c>
/// looks for one of which a wrong core says something else. Whoever finds one reads it and makes it a case.
/// </summary>
public partial class Seeking
{
    private const int MostChanges = 4;

    // Words that make another sentence of one, as authors write it.
    private static readonly (string From, string To)[] Words =
    [
        ("Remove", "Loosen"), ("Remove", "Take out"), ("Remove", "Hang aside"), ("Fit", "Remove"), ("Fit", "Fit the new"), ("Torque", "Snug"),
        ("Torque", "Loosen"), ("Torque", "Back off"), ("Clean", "Grease"), ("Raise", "Lower"), ("Lower", "Raise"), ("Disconnect", "Connect"), ("Connect", "Disconnect"),
        ("Drain", "Fill"), ("Fill", "Drain"), ("Start", "Torque"), ("Check", "Measure"), ("the two", "one of the"), ("the four", "two of the"), ("the", "the left-hand"),
        ("the", "the other"), (" and ", ", or "), (".", " on both sides."), (".", ", and keep it."), (".", " by hand."), (".", " while somebody holds it."),
        (".", ", then wait 15 minutes."), (".", " again after the first drive."), (".", " with the engine running."), (".", ": at least 9.0 mm."),
    ];

    private static readonly string[] Cells = ["1", "2", "8", "M6×20 8.8", "M12×60 10.9", "M16×1.5×80 12.9", "9 N·m", "45 N·m", "300 N·m",
        "60 N·m + 90°", "20, 40, 60 N·m", "sealer", "medium", "castle nut", "left", "rear", "20 kg", "4 L", "P1", "P2", "J1"];

    [GeneratedRegex(@"\d+")]
    private static partial Regex Number();

    private static readonly Lazy<(string Title, Sheet Sheet, Workshop Workshop)[]> From = new(() =>
    [
        .. OneChange.Sheets().Select(s => (s.Title, s.Written.Sheet, s.Written.Workshop)),
        .. JobText.All.Select(j => (j.Name, j.Sheet, Workshop.Default)),
    ]);

    private static readonly Lazy<string[]> Sentences = new(() => [.. From.Value.SelectMany(f => f.Sheet.Steps).Select(s => s.Text).Distinct()]);

    /// <summary>A sheet of a number is told the same each time; with WORNPATH_SEEK, so many as WORNPATH_SHEETS says are told into that file.</summary>
    [Fact]
    public void Sheets_a_few_changes_away_are_told_the_same_each_time()
    {
        if (Environment.GetEnvironmentVariable("WORNPATH_SEEK") is { } file)
        {
            var many = int.Parse(Environment.GetEnvironmentVariable("WORNPATH_SHEETS") ?? "2000", CultureInfo.InvariantCulture);
            using var told = new StreamWriter(file);
            for (var n = 0; n < many; n++) told.Write(Told(n) + '\f');
            return;
        }

        for (var n = 0; n < 40; n++) Told(n).ShouldBe(Told(n));
    }

    private static string Told(int number)
    {
        var (title, sheet, workshop) = Sheet(number);
        var now = new StringBuilder().Append(number).Append(", from ").AppendLine(title);
        Tell(now, sheet, workshop);
        return now.ToString();
    }

    /// <summary>The sheet of a number: always the same one, a few changes away from one of the tests.</summary>
    internal static (string Title, Sheet Sheet, Workshop Workshop) Sheet(int number)
    {
        var chance = new PCG((uint)number, 7);
        int Any(int below) => (int)chance.Next((uint)below);
        var (title, sheet, workshop) = From.Value[Any(From.Value.Length)];
        for (var left = 1 + Any(MostChanges); left > 0; left--)
            if (Change(sheet, Sentences.Value, Any) is { } edit && OneChange.After(sheet, edit) is { } after) sheet = after;
        return (title, sheet, workshop);
    }

    private static Edit? Change(Sheet sheet, string[] sentences, Func<int, int> any)
    {
        Step[] steps = [.. sheet.Steps];
        Thing[] things = [.. sheet.Things];
        if (steps.Length == 0) return null;
        var step = steps[any(steps.Length)];
        string PhaseOf(Step of) => sheet.Phases.First(p => p.Steps.Contains(of)).Id;
        var behind = steps[any(steps.Length)];
        switch (any(10))
        {
            case 0: return new RemoveStep(step.Id, step.Text);
            case 1: return new MoveStep(step.Id, PhaseOf(behind), any(4) == 0 ? null : behind.Id);
            case 2: return new InsertStep(null, PhaseOf(behind), behind.Id, step.Text);
            case 3: return new InsertStep(null, PhaseOf(behind), behind.Id, sentences[any(sentences.Length)]);
            case 4: return new InsertStep(null, PhaseOf(behind), behind.Id, $"Repeat step {1 + any(steps.Length)} on the other side.");
            case 5:
                var small = step.Text.Length == 0 ? "" : char.ToLowerInvariant(step.Text[0]) + step.Text[1..];
                string[] said = [$"If it is worn, {small}", $"Left: {small}", $"After 20 minutes, {small}",
                    $"WARNING: it may fall. {step.Text}", $"{step.Text} {steps[any(steps.Length)].Text}"];
                return new WriteStep(step.Id, step.Text, said[any(said.Length)]);
            case 6:
                var (word, other) = Words[any(Words.Length)];
                var at = step.Text.IndexOf(word, StringComparison.Ordinal);
                return at < 0 ? null : new WriteStep(step.Id, step.Text, string.Concat(step.Text.AsSpan(0, at), other, step.Text.AsSpan(at + word.Length)));
            case 7:
                var numbers = Number().Matches(step.Text);
                if (numbers.Count == 0) return null;
                var number = numbers[any(numbers.Count)];
                string[] changed = ["1", "2", "10", number.Value + "0", "9"];
                return new WriteStep(step.Id, step.Text, string.Concat(step.Text.AsSpan(0, number.Index),
                    changed[any(changed.Length)], step.Text.AsSpan(number.Index + number.Length)));
            default:
                if (things.Length == 0) return null;
                var thing = things[any(things.Length)];
                var fields = Fields.Of(thing.Kind).Where(f => f.Name != "name").ToList();
                var field = fields[any(fields.Count)];
                string[] choices = [.. field.Choices, "", Cells[any(Cells.Length)]];
                return new SetField(thing.Id, field.Name, field.Get(thing), choices[any(choices.Length)]);
        }
    }

    private static void Tell(StringBuilder now, Sheet sheet, Workshop workshop)
    {
        foreach (var thing in sheet.Things)
            now.Append("  ").Append(thing.Label).Append(": ").AppendJoin("; ", Fields.Of(thing.Kind).Where(f => f.Name != "name" && f.Get(thing).Length > 0)
                .Select(f => $"{f.Label} {f.Get(thing)}")).AppendLine();
        var walks = WalkSet.Run(sheet, workshop);
        foreach (var walk in walks.All.Take(3)) WalkedTests.Tell(now, "  walked", walk);
        foreach (var finding in walks.Findings)
        {
            now.Append("  ").Append(finding.Rule).Append(" at ").Append(finding.StepNumber).Append(": ").AppendLine(finding.Said);
            foreach (var fix in finding.Fixes)
                now.Append("      [").Append(fix.Title).Append("] ").AppendLine(OneChange.After(sheet, fix.Edit) is { } mended
                    ? string.Join(" / ", Delta.Between(sheet, mended).Changes.Select(c => $"{c.Id} {c.Field} {c.To?.After} {c.After}")) : "cannot be done");
        }

        foreach (var step in sheet.Steps)
            foreach (var question in step.Questions)
                now.Append("  ? ").Append(Asking.Of(question, sheet)).Append(" : ")
                    .AppendJoin(" | ", Asking.Answers(question, step, sheet).Select(a => a.Label)).AppendLine();
    }
}
