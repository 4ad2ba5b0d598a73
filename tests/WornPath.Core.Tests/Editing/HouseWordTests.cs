namespace WornPath.Core.Tests.Editing;

/// <summary>The workshop teaches: a noun or a verb settled once is known in every sentence, also in those written before.</summary>
public class HouseWordTests
{
    private static Sheet Do(Sheet sheet, Edit edit) => Editor.Apply(sheet, edit).Value.Sheet;

    private static Sheet Of(params string[] steps)
    {
        var sheet = Do(Sheet.Empty, new InsertPhase("h1", null, "Work"));
        for (var i = 0; i < steps.Length; i++) sheet = Do(sheet, new InsertStep($"s{i + 1}", "h1", i == 0 ? null : $"s{i}", steps[i]));
        return sheet;
    }

    private static string[] Chips(Sheet sheet) => [.. sheet.Steps.SelectMany(s => s.Actions).Select(a => Asking.Of(a, sheet))];

    private static LearnWords Learn(params HouseWord[] words) => new([.. words]);

    [Fact]
    public void A_verb_that_was_taught_is_read_in_the_steps_before_and_behind_and_in_all_its_forms()
    {
        var sheet = Of("Frob the two cover bolts.", "Lift the cover off.");
        sheet.FindStep("s1")!.Questions.ShouldNotBeEmpty();
        sheet = Do(sheet, Learn(new HouseWord("Frob", null, Verb.Remove)));
        Chips(sheet).ShouldBe(["take out J1 cover bolts", "remove P1 cover"]);
        sheet = Do(sheet, new InsertStep("s3", "h1", "s2", "Frob the gasket and bin it."));
        Chips(sheet)[2..].ShouldBe(["remove P2 gasket", "discard P2 gasket"]);
        // Forgotten, it is asked about again.
        Do(sheet, new ForgetWord("frob")).FindStep("s1")!.Questions.ShouldNotBeEmpty();
    }

    [Fact]
    public void A_word_of_the_trade_means_what_the_workshop_says_with_its_particle_wherever_that_stands()
    {
        var sheet = Of("Pinch the clamp bolt up.", "Pinch up the cover bolts.");
        sheet = Do(sheet, Learn(new HouseWord("pinch up", null, Verb.Loosen)));
        Chips(sheet).ShouldBe(["loosen J1 clamp bolt", "loosen J2 cover bolts"]);
    }

    [Fact]
    public void A_noun_that_was_taught_is_of_its_kind_where_it_is_met_and_not_asked_about()
    {
        Chips(Of("Take the wizzle off.")).ShouldBe(["remove P1 wizzle"]);
        var sheet = Do(Of(), Learn(new HouseWord("wizzle", ThingKind.Connection, null)));
        sheet = Do(sheet, new InsertStep("s1", "h1", null, "Take the left wizzle off."));
        Chips(sheet).ShouldBe(["disconnect C1 left wizzle"]);
        sheet.FindStep("s1")!.Questions.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("", ThingKind.Part, null, "is no word")]
    [InlineData("a<b", ThingKind.Part, null, "is no word")]
    [InlineData("frob", null, null, "neither said")]
    [InlineData("frob", ThingKind.Part, Verb.Remove, "neither said")]
    [InlineData("frob", null, Verb.Raise, "cannot be what a word always means")]
    public void What_cannot_be_taught_says_why(string word, ThingKind? kind, Verb? verb, string why) =>
        Editor.Apply(Of(), Learn(new HouseWord(word, kind, verb))).Problem!.What.ShouldContain(why);
}
