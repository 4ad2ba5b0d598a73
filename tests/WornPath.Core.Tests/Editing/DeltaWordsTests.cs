using WornPath.Core.Editing;

namespace WornPath.Core.Tests.Editing;

/// <summary>What the record says an edit changed: words and values before and after, and nothing of what is read from them.</summary>
public class DeltaWordsTests
{
    private static string After(Written written, Edit edit)
    {
        var before = written.Sheet;
        return DeltaWords.Of(Delta.Between(before, written.Do(edit).Sheet));
    }

    [Fact]
    public void A_text_a_value_a_new_step_and_one_that_went_are_told_as_they_stood()
    {
        var written = new Written().Joint("tray bolts", "25 N·m").Part("tray cover").Steps("Remove the tray bolts.");
        var id = written.Step(1).Id;
        After(written, new WriteStep(id, "Remove the tray bolts.", "Loosen the tray bolts.")).ShouldBe("“Remove the tray bolts.” → “Loosen the tray bolts.”");
        After(written, new SetField("J1", "torque", "25 N·m", "30 N·m")).ShouldBe("J1 torque “25 N·m” → “30 N·m”");
        After(written, new InsertStep(null, "h1", id, "Lift the zorch off.")).ShouldContain("“Lift the zorch off.”");
        After(written, new RemoveStep(written.Step(2).Id, "Lift the zorch off.")).ShouldContain("gone: “Lift the zorch off.”");
        After(written, new MoveStep(id, "h1", null)).ShouldBe("");
    }

    [Fact]
    public void What_is_long_is_cut_between_characters_and_many_changes_are_not_listed_without_end()
    {
        var written = new Written().Steps("Wipe it.");
        var id = written.Step(1).Id;
        var words = After(written, new WriteStep(id, "Wipe it.", new string('x', 159) + "😀" + new string('y', 50)));
        words.ShouldEndWith("x…”");
        words.ShouldAllBe(c => !char.IsSurrogate(c));
        var many = new Delta([.. Enumerable.Range(0, 50).Select(i => new Change("part", $"P{i}", "name", null,
            System.Text.Json.JsonSerializer.SerializeToElement($"n{i}")))]);
        DeltaWords.Of(many).ShouldBe("P0 name “n0”; P1 name “n1”; P2 name “n2”; P3 name “n3”; …");
    }
}
