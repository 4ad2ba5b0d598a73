using System.Collections.Immutable;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Workshops;

public class SourcePageTests
{
    private static readonly SourceDocument[] Documents = [new("Service manual T28", "3rd ed."), new("Kit sheet WS-4", "rev. B")];

    private static FigurePicture Picture(int of) => new(new string('a', 63) + of + ".png", 10, 10);

    private static SourcePage Page(string source, int of = 1) => SourcePage.Check(source, Picture(of), Documents).Value;

    [Theory]
    [InlineData("Service manual T28, 3rd ed., p. 41", "service manual t28, 3rd edition, page 41")]
    [InlineData("Service manual T28, 3rd ed., p. 41", "Service manual T28 3rd ed. p.41, table 3")]
    [InlineData("Service manual T28, 3rd ed., pp. 41–42", "Service manual T28, third edition, pages 41-42")]
    [InlineData("Kit sheet WS-4, rev. B, table 3", "Kit sheet WS-4 (rev. b) tab. 3")]
    [InlineData("Kit sheet WS-4, rev. B, p. 2-14", "Kit sheet WS-4, rev. B, p 2-14")]
    public void A_page_is_found_however_its_source_is_cited(string kept, string cited) => SourcePage.For([Page(kept)], cited).ShouldNotBeNull();

    [Theory]
    [InlineData("Service manual T28, 2nd ed., p. 41")]
    [InlineData("Service manual T28, 3rd ed., p. 42")]
    [InlineData("Service manual T28, 3rd ed., p. 4")]
    [InlineData("Service manual T28, 3rd ed., table 41")]
    [InlineData("Service manual T28, rev. C, p. 41")]
    [InlineData("Service manual T280, 3rd ed., p. 41")]
    [InlineData("Service manual T28, p. 41")]
    [InlineData("Service manual T28, 3rd ed.")]
    [InlineData("")]
    public void Another_page_edition_or_document_is_never_shown_in_its_place(string cited) =>
        SourcePage.For([Page("Service manual T28, 3rd ed., p. 41")], cited).ShouldBeNull();

    [Theory]
    [InlineData("Leaflet, 1st ed., p. 3", "cites no document")]
    [InlineData("Service manual T28, p. 41", "names no edition")]
    [InlineData("Service manual T28, 3rd ed.", "names no page")]
    [InlineData("", "cites no document")]
    public void What_could_not_be_found_again_is_refused(string source, string says) =>
        SourcePage.Check(source, Picture(1), Documents).Problem.ShouldNotBeNull().What.ShouldContain(says);

    [Fact]
    public void A_page_that_is_kept_again_takes_the_place_of_the_one_there_was()
    {
        ImmutableArray<SourcePage> pages = [Page("Service manual T28, 3rd ed., p. 41"), Page("Service manual T28, 3rd ed., p. 42", 2)];
        var again = SourcePage.With(pages, Page("Service manual T28, 3rd edition, page 41", 3));
        again.Select(p => p.Picture).ShouldBe([Picture(2), Picture(3)]);
        SourcePage.Without(again, "Service manual T28, 3rd ed., p. 41").ShouldHaveSingleItem().Picture.ShouldBe(Picture(2));
    }

    [Theory]
    [InlineData("2026", true)]
    [InlineData("2026-03", true)]
    [InlineData("2026-03-14", true)]
    [InlineData("", true)]
    [InlineData("2026-13", false)]
    [InlineData("March", false)]
    [InlineData("0026", false)]
    public void An_edition_bears_a_day_a_month_or_a_year(string dated, bool good) =>
        SourceDocument.Check(new SourceDocument("Service manual T28", "3rd ed.") { Dated = dated }).IsGood.ShouldBe(good);
}
