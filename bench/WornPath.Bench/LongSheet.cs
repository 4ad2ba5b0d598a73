using WornPath.Core.Editing;
using WornPath.Core.Sheets;

namespace WornPath.Bench;

/// <summary>A sheet of many steps as a long job has them: covers off and on again, a joint and a part or two for every five steps, a slip here and there.</summary>
internal static class LongSheet
{
    /// <summary>The same for three ways in which vehicles differ: eight combinations, every fifth cover's cleaning for one of them alone.</summary>
    public static Sheet Varied(int steps)
    {
        var sheet = Editor.Apply(Of(steps), new SetField("", "variants", "", "wheels: steel wheels, cast wheels; side: left, right; cab: open station, closed cab")).Value.Sheet;
        foreach (var step in sheet.Steps.Where(s => s.Text.StartsWith("Clean", StringComparison.Ordinal)).Where((_, i) => i % 2 == 0).ToList())
            sheet = Editor.Apply(sheet, new WriteStep(step.Id, step.Text, "Left, cast wheels: c" + step.Text[1..])).Value.Sheet;
        return sheet;
    }

    /// <summary>
    /// As many steps, each some 1,900 characters long: its sentence, and behind it what people write about it, most of it instructions
    /// that are read, too.
    /// </summary>
    public static Sheet OfLongSteps(int steps)
    {
        var plain = Of(steps);
        static Step Longer(Step step) => new()
        {
            Id = step.Id,
            Text = step.Text + string.Concat(Enumerable.Repeat(" Look at the lugs, the face and the threads for cracks, burrs and old sealer, wipe all of it dry with a clean rag and keep what came off in order.", 12)),
        };
        return Editor.ReadUnread(plain with { Phases = [.. plain.Phases.Select(p => p with { Steps = [.. p.Steps.Select(Longer)] })] });
    }

    public static Sheet Of(int steps)
    {
        var sheet = Sheet.Empty;
        void Do(Edit edit) => sheet = Editor.Apply(sheet, edit).Value.Sheet;
        Do(new InsertPhase("h1", null, "Removal"));
        Do(new InsertPhase("h2", "h1", "Refit"));
        var groups = Math.Max(1, steps / 5);
        for (var i = 1; i <= groups; i++)
        {
            Do(new AddThing(ThingKind.Part, $"cover {i}", false));
            Do(new AddThing(ThingKind.Joint, $"cover {i} bolts", false));
            Do(new SetField($"J{i}", "fastener", "", "M8×25 8.8 flange bolt, 13 mm"));
            Do(new SetField($"J{i}", "torque", "", "24 N·m"));
            if (i % 9 != 0) Do(new SetField($"J{i}", "source", "", "Sample manual, 3rd ed., p. 12"));
        }

        // Put together whole, not edit by edit: the reading of the sentences is no part of what is measured.
        var removal = Enumerable.Range(1, groups).SelectMany(i => new[] { $"Remove the four cover {i} bolts and cover {i}. Keep the bolts apart.", $"Inspect cover {i} for cracks at the lugs." });
        var refit = Enumerable.Range(1, groups).Reverse().SelectMany(i => new[] { $"Clean cover {i} and its face.", $"Fit cover {i} and start the cover {i} bolts by hand.", i % 11 == 0 ? $"Snug the cover {i} bolts crosswise." : $"Torque the cover {i} bolts to 24 N·m, crosswise." });
        static Step Step(string text, string id) => new() { Id = id, Text = text };
        return Editor.ReadUnread(sheet with
        {
            Phases =
            [
                sheet.Phases[0] with { Steps = [.. removal.Select((t, i) => Step(t, $"a{i}"))] },
                sheet.Phases[1] with { Steps = [.. refit.Select((t, i) => Step(t, $"b{i}"))] },
            ],
        });
    }
}
