namespace WornPath.Core.Tests.Reading;

/// <summary>Words as shop notes shorten them are the words themselves, whoever wrote which first.</summary>
public class ShortWordTests
{
    // The list as a stranger reads it, and not as the program does.
    public static TheoryData<string, string> Shorts()
    {
        var data = new TheoryData<string, string>();
        foreach (var line in File.ReadLines(Path.Combine(Repository.Root, "src/WornPath.Core/Reading/Trade/short.txt")).Where(l => l.Length > 0 && l[0] != '#'))
            foreach (var way in line.Split(" = ")[1].Split(' '))
                data.Add(line.Split(" = ")[0], way);
        return data;
    }

    [Theory]
    [MemberData(nameof(Shorts))]
    public void A_step_in_short_says_what_it_says_in_full(string word, string way)
    {
        // Each in sentences where a mechanic may shorten any of their words.
        string[] sentences =
        [
            $"Remove the old {word} and lift the guard off.", $"Take the pump {word} out.", $"Undo the two {word} bolts.",
            $"{char.ToUpperInvariant(word[0])}{word[1..]} the wheel nuts to 130 N·m.",
        ];
        foreach (var sentence in sentences)
        {
            var shortened = sentence.Replace(word, way, StringComparison.Ordinal).Replace($"{char.ToUpperInvariant(word[0])}{word[1..]}", way,
                StringComparison.Ordinal);
            var (full, brief) = (new Written().Steps(sentence), new Written().Steps(shortened));
            // A position stands in the writer's words: what is done, and to what.
            brief.Step(1).Actions.Select(a => (a.Verb, a.Target, a.With)).ShouldBe(full.Step(1).Actions.Select(a => (a.Verb, a.Target, a.With)), shortened);
            brief.Sheet.Things.Select(t => t.Name).ShouldBe(full.Sheet.Things.Select(t => t.Name), shortened);
        }
    }

    [Theory]
    [InlineData("Pull the inner bearing.", "Inner brg in drum.")]
    [InlineData("Pull the inner brg.", "Inner bearing in drum.")]
    public void One_name_is_met_by_the_other(string off, string on)
    {
        var sheet = new Written().Steps(off, on);
        sheet.Sheet.Parts.Select(p => p.Name).ShouldBe(["inner bearing"]);
        sheet.Chips(2).ShouldBe("fit P1 inner bearing");
    }

    [Fact]
    public void A_full_stop_behind_a_short_word_ends_no_sentence()
    {
        var sheet = new Written().Steps("Take the cyl. bolts out and the brg. off.", "Cyl. off. Hub off.");
        sheet.Chips(1).ShouldBe("take out J1 cylinder bolts; remove P1 bearing");
        sheet.Chips(2).ShouldBe("remove P2 cylinder; remove P3 hub");
    }

    // A name that was stored in short before the program knew the word stays as it is, and is found by either.
    [Fact]
    public void A_stored_name_in_short_is_found_by_the_word()
    {
        var sheet = new Written().Part("outer brg").Steps("Remove the outer bearing.", "Fit the outer brg.");
        sheet.Sheet.Parts.Select(p => p.Name).ShouldBe(["outer brg"]);
        sheet.Sheet.Steps.Select((_, i) => sheet.Chips(i + 1)).ShouldBe(["remove P1 outer brg", "fit P1 outer brg"]);
    }

    // The step is read again when the word it shortens becomes a name.
    [Fact]
    public void A_step_in_short_is_read_again_when_its_word_becomes_a_name()
    {
        var sheet = new Written().Steps("Frob the idler brkt.").Do(new AddThing(ThingKind.Part, "idler bracket", false));
        var asked = sheet.Step(1).Questions.ShouldHaveSingleItem();
        Asking.Answers(asked, sheet.Step(1), sheet.Sheet).Select(a => a.Label).ShouldContain(l => l.Contains("P1 idler bracket"));
    }
}
