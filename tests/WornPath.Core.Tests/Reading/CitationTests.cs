using CsCheck;

namespace WornPath.Core.Tests.Reading;

public class CitationTests
{
    [Theory]
    [InlineData("Service manual T28, 3rd ed., p. 41", "Service manual T28", "3rd ed.")]
    [InlineData("service manual T28 (second edition), table 4", "service manual T28", "second edition")]
    [InlineData("Kit sheet LB-1 rev. C", "Kit sheet LB-1", "rev. C")]
    [InlineData("Kit sheet LB-1, issue 2, page 3", "Kit sheet LB-1", "issue 2")]
    [InlineData("Fastener handbook, 2019 edition", "Fastener handbook", "2019 edition")]
    [InlineData("Kit sheet RV-2, p. 4", "Kit sheet RV-2", null)]
    [InlineData("Reviewed by the 2 editors, p. 4", "Reviewed by the 2 editors", null)]
    [InlineData("", "", null)]
    public void A_source_is_told_apart(string source, string document, string? edition)
    {
        var cited = Citation.Of(source);
        cited.Document.ShouldBe(document);
        cited.Edition?.Text.ShouldBe(edition);
        (cited.Edition is null).ShouldBe(edition is null);
    }

    [Theory]
    [InlineData("2nd ed.", "3rd ed.", true)]
    [InlineData("ed. 2", "tenth edition", true)]
    [InlineData("rev. B", "revision C", true)]
    [InlineData("rev. 2.9", "rev. 2.10", true)]
    [InlineData("2015 edition", "2019 edition", true)]
    // Which of two came first is not told by a letter and a number, nor by a count and a year.
    [InlineData("rev. B", "rev. 3", false)]
    [InlineData("3rd ed.", "2019 edition", false)]
    public void An_edition_is_before_a_later_one(string one, string other, bool before)
    {
        Citation.EditionOf(one)!.Value.IsBefore(Citation.EditionOf(other)!.Value).ShouldBe(before);
        Citation.EditionOf(other)!.Value.IsBefore(Citation.EditionOf(one)!.Value).ShouldBeFalse();
    }

    /// <summary>However an edition is written, it is the same one.</summary>
    [Fact]
    public void The_ways_of_writing_an_edition_mean_the_same() => Gen.Int[1, 60].Sample(n =>
    {
        var ending = (n % 100) is >= 11 and <= 13 ? "th" : (n % 10) switch { 1 => "st", 2 => "nd", 3 => "rd", _ => "th" };
        foreach (var way in (string[])[$"{n}{ending} ed.", $"{n}{ending} edition", $"ed. {n}", $"Edition {n}", $"issue {n}", $"rev {n}", $"revision no. {n}"])
        {
            Citation.EditionOf($"Manual, {way}, p. 3")!.Value.Rank.ShouldBe(n, way);
            Citation.Of($"Manual, {way}, p. 3").Document.ShouldBe("Manual", way);
        }
    });

    [Fact]
    public void Any_text_is_told_apart_without_a_fault() => Gen.String.Sample(text => Citation.Of(text).Document.Length.ShouldBeLessThanOrEqualTo(text.Length));
}
