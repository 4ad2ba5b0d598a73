using CsCheck;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Tests.Editing;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Revisions;

/// <summary>A comment follows what it is about through edits; what is gone is shown as it was.</summary>
public class CommentTests
{
    private static readonly string[] Words = ["take", "the", "four", "bolts", "out", "cover", "off", "and", "hose", "aside", "crosswise", "then"];

    private static readonly Gen<string[]> Sentence = Gen.Int[0, Words.Length - 1].Select(i => Words[i]).Array[3, 14];

    [Fact]
    public void Words_are_found_again_wherever_something_is_written_before_or_behind_them() =>
        (from words in Sentence
         from at in Gen.Int[0, words.Length - 1]
         from many in Gen.Int[1, 4]
         from more in Sentence
         from less in Gen.Int[0, 3]
         select (words, at, Math.Min(many, words.Length - at), more, less)).Sample(c =>
         {
             var (words, from, many, more, less) = c;
             var then = string.Join(' ', words);
             var start = string.Join(' ', words[..from]) is { Length: > 0 } lead ? lead.Length + 1 : 0;
             var at = new Span(start, string.Join(' ', words[from..(from + many)]).Length);
             // Written on at the end, some words before them taken out, a sentence put in front: each by itself leaves them as they are.
             Following.Of(then, at, then + " " + string.Join(' ', more)).ShouldBe(at);
             var front = string.Join(' ', more) + ". ";
             Following.Of(then, at, front + then)!.Value.Of(front + then).ShouldBe(at.Of(then));
             var shorter = string.Join(' ', words[Math.Min(less, from)..]);
             Following.Of(then, at, shorter)!.Value.Of(shorter).ShouldBe(at.Of(then));
         }, iter: 3000);

    [Theory]
    [InlineData("Take the cover off.", "cover", "Take the guard off.", "guard")]
    [InlineData("Take the cover off.", "the cover", "Take the tray cover off.", "the tray cover")]
    [InlineData("Take the bolts out and lift the cover off.", "the bolts", "Lift the cover off.", null)]
    [InlineData("Bolts out. Cover off. Bolts in.", "Bolts in", "Bolts in. Bolts out. Cover off.", "Bolts in")]
    [InlineData("Bolts out, left. Bolts out, right.", "Bolts out|2", "Wipe it. Bolts out, left. Bolts out, right.", "Bolts out|2")]
    [InlineData("Torque to 25 N·m.", "25 N·m", "Torque to 30 N·m, crosswise.", "30 N·m, crosswise")]
    [InlineData("Torque to 25 N·m.", "25 N·m", "", null)]
    public void What_is_written_within_them_is_part_of_them(string then, string words, string now, string? expected)
    {
        static Span At(string text, string words) => words.Split('|') is [var said, "2"]
            ? new Span(text.LastIndexOf(said, StringComparison.Ordinal), said.Length) : new Span(text.IndexOf(words, StringComparison.Ordinal), words.Length);
        var found = Following.Of(then, At(then, words), now);
        found.ShouldBe(expected is null ? null : At(now, expected));
    }

    [Fact]
    public void A_comment_is_at_what_it_is_about_after_every_run_of_edits() => EditTests.Edits.Sample(numbers =>
    {
        var sheet = EditTests.Start().Sheet;
        var findings = WalkSet.Run(sheet, Workshop.Default).Findings;
        CommentAnchor Made(AnchorKind kind, string id, Span at = default) => CommentAnchor.In(sheet, findings, kind, id, at).Value!;
        var anchors = sheet.Steps.Select(s => Made(AnchorKind.Step, s.Id))
            .Concat(sheet.Things.Select(t => Made(AnchorKind.Thing, t.Id))).Concat(sheet.Joints.Select(j => Made(AnchorKind.Value, j.Id)))
            .Concat(sheet.Steps.Where(s => s.Text.Length > 8).Select(s => Made(AnchorKind.Words, s.Id, new Span(2, 5))))
            .Concat(findings.Select(f => Made(AnchorKind.Finding, f.WaiverKey))).ToList();
        foreach (var anchor in anchors) anchor.On(sheet, findings).Is.ShouldBe(PlaceIs.There);
        var now = sheet;
        foreach (var (kind, a, b) in numbers)
            if (Editor.Apply(now, EditTests.Any(now, kind, a, b)) is { IsGood: true } applied) now = applied.Value.Sheet;
        var steps = now.Steps.ToList();
        var found = WalkSet.Run(now, Workshop.Default).Findings;
        foreach (var anchor in anchors)
        {
            var place = anchor.On(now, found);
            var index = steps.FindIndex(s => s.Id == anchor.Id);
            var gone = anchor.Kind switch
            {
                AnchorKind.Step or AnchorKind.Words => index < 0,
                AnchorKind.Finding => found.All(f => f.WaiverKey != anchor.Id),
                _ => now.Find(anchor.Id) is null,
            };
            (place.Is == PlaceIs.Gone).ShouldBe(gone, $"{anchor.Kind} {anchor.Id}");
            if (gone) place.Then.ShouldBe(anchor.Kind == AnchorKind.Words ? anchor.At.Of(anchor.Then) : anchor.Then, "it is shown as it was");
            if (anchor.Kind is AnchorKind.Step or AnchorKind.Words) place.StepNumber.ShouldBe(gone ? null : index + 1);
            if (place.At is { } at) at.Of(steps[index].Text).ShouldNotBeNullOrWhiteSpace();
        }
    }, iter: 100);

    [Theory]
    [InlineData("@Ines, is that right?", "ines")]
    [InlineData("Ask @Ines Vale or @odo.", "vale odo")]
    [InlineData("@Inesa is another, and so is ines.", "")]
    [InlineData("@Ines @Ines", "ines")]
    public void Who_is_spoken_to_by_name_is_found(string text, string expected) =>
        string.Join(' ', Commenting.Mentioned(text, [("ines", "Ines"), ("vale", "Ines Vale"), ("odo", "Odo")])).ShouldBe(expected);

    [Fact]
    public void A_suggestion_changes_a_text_a_value_or_an_order_and_says_something_new()
    {
        var sheet = EditTests.Start().Sheet;
        var step = sheet.Steps.First(t => t.Text.Length > 0);
        Commenting.Suggest(sheet, new WriteStep(step.Id, step.Text, step.Text + " Chock the wheels.")).IsGood.ShouldBeTrue();
        Commenting.Suggest(sheet, new WriteStep(step.Id, step.Text, step.Text)).Problem!.What.ShouldBe("It says what stands there already.");
        Commenting.Suggest(sheet, new RemoveThing("J1")).Problem!.What.ShouldBe("This cannot be suggested.");
        Commenting.Suggest(sheet, new WriteStep(step.Id, "something else", "A text.")).IsGood.ShouldBeFalse("it is not what stands there");
    }
}
