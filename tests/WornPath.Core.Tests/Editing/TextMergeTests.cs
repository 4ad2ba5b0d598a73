using CsCheck;

namespace WornPath.Core.Tests.Editing;

/// <summary>Two who write in one step at once: each one's sentences stand in the end, or both are asked.</summary>
public class TextMergeTests
{
    private static readonly string[] Names = ["cover", "gasket", "frame", "bolts", "hose", "seal", "shaft", "pin"];

    private static readonly Gen<string> Words = Gen.Select(Gen.Int[0, Names.Length - 1], Gen.Int[1, 99]).Select((n, i) => $"Wipe the {Names[n]} {i} times.");

    // What one of two does to a sentence: nothing, other words, gone, another one behind it.
    private enum Did
    {
        Nothing,
        Changed,
        Gone,
        Added,
    }

    private sealed record Line(string Words, Did Did, bool ByMe, string Other);

    private static readonly Gen<Line[]> Lines = Gen.Select(Words, Gen.Int[0, 9].Select(d => d switch
    {
        7 => Did.Changed,
        8 => Did.Gone,
        9 => Did.Added,
        _ => Did.Nothing
    }),
        Gen.Bool, Words).Select((words, did, byMe, other) => new Line(words, did, byMe, other)).Array[1, 12]
        .Where(lines => lines.SelectMany(l => (string[])[l.Words, l.Other]).Distinct().Count() == 2 * lines.Length);

    private static string TextOf(IEnumerable<Line> lines, Func<Line, bool> done) => string.Join(' ', lines.SelectMany(l => (string[])(!done(l)
        ? [l.Words] : l.Did switch
        {
            Did.Changed => [l.Other],
            Did.Gone => [],
            Did.Added => [l.Words, l.Other],
            _ => [l.Words],
        })));

    [Theory]
    [InlineData("| 1 mm | A |\nClean the hub.", "| 1 mm | B |\nClean the hub.", "| 1 mm | A |\nClean the hub twice.", "| 1 mm | B |\nClean the hub twice.")]
    [InlineData("Clean the hub.\n| 1 mm | A |", "Clean the hub.\n| 1 mm | B |", "Clean the hub twice.\n| 1 mm | A |", "Clean the hub twice.\n| 1 mm | B |")]
    [InlineData("Clean the hub.", "Clean the hub.\n| 1 mm | B |", "Look. Clean the hub.", "Look. Clean the hub.\n| 1 mm | B |")]
    public void A_row_of_a_table_stays_wherever_it_stands(string before, string theirs, string yours, string both) =>
        TextMerge.Of(before, theirs, yours).ShouldBe(both);

    [Fact]
    public void What_each_wrote_stands_in_the_end() => Lines.Sample(lines =>
    {
        var merged = TextMerge.Of(TextOf(lines, _ => false), TextOf(lines, l => !l.ByMe), TextOf(lines, l => l.ByMe));
        // Only where the two met at one place is it asked.
        if (merged is null) lines.Where(l => l.Did != Did.Nothing).Select(l => l.ByMe).Distinct().Count().ShouldBe(2);
        else merged.ShouldBe(TextOf(lines, _ => true));
    }, iter: 3000);

    [Fact]
    public void A_sentence_between_them_is_enough() => Lines.Sample(lines =>
    {
        List<Line> apart = [];
        foreach (var line in lines)
        {
            if (apart.Count > 0) apart.Add(new Line($"Look at line {apart.Count}.", Did.Nothing, false, ""));
            apart.Add(line);
        }

        TextMerge.Of(TextOf(apart, _ => false), TextOf(apart, l => !l.ByMe), TextOf(apart, l => l.ByMe)).ShouldBe(TextOf(apart, _ => true));
    }, iter: 2000);

    [Fact]
    public void Who_changed_nothing_takes_nothing_back() => Gen.Select(Words.Array[1, 8], Words.Array[0, 8]).Sample((before, after) =>
    {
        var (was, now) = (string.Join(' ', before), string.Join(' ', after));
        TextMerge.Of(was, was, now).ShouldBe(now);
        TextMerge.Of(was, now, was).ShouldBe(now);
        TextMerge.Of(was, now, now).ShouldBe(now);
    });

    [Theory]
    [InlineData("Lift the cover off. Wipe it.", "Lift the cover off. Wipe it dry.", "Lift the lid off. Wipe it.", "Lift the lid off. Wipe it dry.")]
    [InlineData("Lift the cover off.", "Lift the lid off.", "Lift the guard off.", null)]
    [InlineData("Lift the cover off.", "Lift the cover off. Wipe it.", "Lift the cover off. Keep the bolts.", "Lift the cover off. Wipe it. Keep the bolts.")]
    [InlineData("Lift the cover off. Wipe it.", "Lift the cover off.", "Lift the cover off. Wipe it dry.", null)]
    [InlineData("Wipe it; lift it off.\nKeep the bolts.", "Wipe it dry; lift it off.\nKeep the bolts.", "Wipe it; lift it off.\nKeep all bolts.", "Wipe it dry; lift it off.\nKeep all bolts.")]
    [InlineData("Measure:\n| a | b |\n| 1 | 2 |\nWrite it down.", "Measure:\n| a | b |\n| 1 | 3 |\nWrite it down.", "Measure:\n| a | b |\n| 1 | 2 |\nWrite it on the tag.",
        "Measure:\n| a | b |\n| 1 | 3 |\nWrite it on the tag.")]
    [InlineData("", "Lift it off.", "Wipe it.", "Lift it off. Wipe it.")]
    [InlineData("Lift it off. Wipe it.", "", "Lift it off. Wipe it dry.", null)]
    [InlineData("Torque it to 12.5 N·m. Wipe it.", "Torque it to 12.6 N·m. Wipe it.", "Torque it to 12.5 N·m. Wipe it dry.", "Torque it to 12.6 N·m. Wipe it dry.")]
    public void By_example(string before, string theirs, string yours, string? both) => TextMerge.Of(before, theirs, yours).ShouldBe(both);

    [Fact]
    public void It_goes_through_the_editor_and_only_what_it_brought_is_undone()
    {
        var sheet = new Written().Part("cover").Steps("Lift the cover off. Wipe it.");
        var (id, before) = (sheet.Step(1).Id, sheet.Step(1).Text);
        sheet.Do(new WriteStep(id, before, "Lift the cover off. Wipe it dry."));
        var mine = Editor.Apply(sheet.Sheet, new WriteStep(id, before, "Lift the cover off with both hands. Wipe it.")).Value;
        mine.Sheet.FindStep(id)!.Text.ShouldBe("Lift the cover off with both hands. Wipe it dry.");
        mine.Delta.Inverse().ApplyTo(mine.Sheet).Value.FindStep(id)!.Text.ShouldBe("Lift the cover off. Wipe it dry.");
    }
}
