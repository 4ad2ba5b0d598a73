namespace WornPath.Core.Tests.Editing;

/// <summary>Words that tell to do something and came to nothing are shown; what was taken for something is not.</summary>
public class PlainWordsTests
{
    private static Written Start(string sentence) => new Written().Part("cover").Joint("cover bolts", "22 N·m", holds: "cover")
        .Set("cover bolts", "count", "4").Thing(ThingKind.Tool, "puller").Steps(sentence);

    private static string Of(string sentence)
    {
        var written = Start(sentence);
        return string.Join(" · ", PlainWords.Of(written.Sheet, written.Step(1)));
    }

    [Theory]
    [InlineData("Remove the cover and let the spring return gently.", "let the spring return gently")]
    [InlineData("Make sure that no rag is left inside; fit the cover.", "Make sure that no rag is left inside")]
    [InlineData("Right, cover off, then heat it cherry red.", "heat it cherry red")]
    [InlineData("Take out the bolts, wiggle them, first the one, then the other, and lift the cover off.", "wiggle them, first the one, then the other")]
    [InlineData("Undo the four cover bolts and take the cover off.", "")]
    [InlineData("Do not pry at the gasket face.", "")]
    [InlineData("If the cover sticks, tap it with a mallet.", "tap it with a mallet")]
    [InlineData("Have a helper hold the cover.", "")]
    [InlineData("Use a puller.", "")]
    [InlineData("The cover is heavy.", "")]
    [InlineData("Fit the flange.", "")]
    [InlineData("", "")]
    public void Words_that_came_to_nothing_are_shown(string sentence, string plain) => Of(sentence).ShouldBe(plain);

    [Fact]
    public void Said_to_be_just_words_they_are_shown_no_more_until_they_change()
    {
        var written = Start("Remove the cover and let the spring return gently.");
        written.Do(PlainWords.Settle(written.Step(1), "let the spring return gently"));
        PlainWords.Of(written.Sheet, written.Step(1)).ShouldBeEmpty();
        written.Chips(1).ShouldBe("remove P1 cover");
        written.Do(new WriteStep(written.Step(1).Id, written.Step(1).Text, "Remove the cover and let the long spring return gently."));
        PlainWords.Of(written.Sheet, written.Step(1)).ShouldBe(["let the long spring return gently"]);
    }

    [Fact]
    public void What_the_author_says_of_them_takes_them_off_the_list()
    {
        var written = Start("Remove the cover and let the spring return gently.").Part("spring");
        var spring = written.Sheet.Parts.Single(p => p.Name == "spring").Id;
        written.Do(new SayAction(written.Step(1).Id, "let the spring return gently", 0, "", new Saying { Verb = Verb.Remove, Target = spring }));
        PlainWords.Of(written.Sheet, written.Step(1)).ShouldBeEmpty();
        written.Chips(1).ShouldContain("spring");
    }
}
