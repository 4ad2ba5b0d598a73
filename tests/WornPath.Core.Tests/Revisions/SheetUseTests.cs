using System.Text.RegularExpressions;
using WornPath.Core.Revisions;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Revisions;

/// <summary>What a sheet has in common with others: found by the same name on each.</summary>
public sealed class SheetUseTests
{
    private static SheetUse[] Of(Written written, UseKind kind) => [.. SheetUse.Of(written.Sheet).Where(u => u.Kind == kind)];

    [Fact]
    public void A_fastener_with_its_value_a_part_a_tool_and_a_page_are_each_told_once_with_where_they_stand()
    {
        var written = new Written().Part("cover").Part("Cover plate")
            .Joint("upper bolts", "95 N·m", "Sample manual, 3rd ed., p. 41", "M12×1.25×40 10.9 bolt, 17 mm", holds: "cover")
            .Joint("lower bolts", "95 N·m", "sample manual, 3rd ed., p. 44", "M12×1.25×40 10.9 bolt, 17 mm", holds: "cover")
            .Steps("Remove the upper bolts.", "Remove the lower bolts.", "Remove the cover with a pry bar.", "Fit the cover.",
                "Torque the upper bolts.", "Torque the lower bolts.");
        Of(written, UseKind.Joint).ShouldBe([new SheetUse(UseKind.Joint, "M12×1.25×40 10.9 bolt, 17 mm, 95 N·m", written.Step(1).Id, "J1 upper bolts; J2 lower bolts")]);
        Of(written, UseKind.Document).Select(u => (u.Name, u.Says)).ShouldBe([("Sample manual", "J1 upper bolts; J2 lower bolts")]);
        Of(written, UseKind.Source).Select(u => (u.Name, u.At)).ShouldBe(
            [("Sample manual, 3rd ed., p. 41", written.Step(1).Id), ("sample manual, 3rd ed., p. 44", written.Step(2).Id)]);
        Of(written, UseKind.Part).Select(u => (u.Name, u.At, u.Says)).ShouldBe([("cover", written.Step(3).Id, "P1, steps 3 and 4"), ("Cover plate", "", "P2, in no step")]);
        Of(written, UseKind.Tool).Select(u => u.Name).ShouldContain("17 mm socket");
        Of(written, UseKind.Tool).Single(u => u.Name == "pry bar").Says.ShouldContain("step 3");
    }

    [Fact]
    public void Values_stand_with_their_fasteners_alone_so_that_they_can_be_kept_from_who_has_to_read_them()
    {
        foreach (var file in Directory.EnumerateFiles(Path.Combine(Repository.Root, "demo"), "*.json"))
        {
            var sheet = System.Text.Json.JsonDocument.Parse(File.ReadAllText(file)).RootElement.GetProperty("sheet").GetRawText();
            var uses = SheetUse.Of(SheetJson.Read(System.Text.Encoding.UTF8.GetBytes(sheet)));
            uses.Where(u => u.Kind != UseKind.Joint).ShouldAllBe(u => !Regex.IsMatch(u.Name + u.Says, @"\d\s?(N·m|lbf|kgf)"));
            uses.Where(u => u.Kind == UseKind.Joint).Count(u => u.Name.Contains("N·m") || u.Name.Contains("lbf")).ShouldBeGreaterThan(1, file);
            uses.GroupBy(u => (u.Kind, u.Name.ToUpperInvariant())).ShouldAllBe(g => g.Count() == 1);
        }
    }

    [Fact]
    public void Of_two_documents_the_one_that_says_more_is_cited_and_an_edition_before_the_one_in_force_is_a_former_one()
    {
        SourceDocument[] kept = [new("Manual", "2nd ed."), new("Manual T28", "rev. C")];
        SourceDocument.Cited(kept, "Manual T28, rev. B, p. 4")!.ShouldBe(kept[1]);
        SourceDocument.Cited(kept, "Manual T280, rev. B").ShouldBe(kept[0]);
        SourceDocument.Cited(kept, "The sheet of the kit").ShouldBeNull();
        kept[1].FormerIn("Manual T28, rev. B, p. 4")!.Value.Text.ShouldBe("rev. B");
        kept[1].FormerIn("Manual T28, rev. C, p. 4").ShouldBeNull();
        kept[1].FormerIn("Manual T28, p. 4").ShouldBeNull("it says no edition");
        kept[1].FormerIn("Manual T28, 1st ed.").ShouldBeNull("a number tells nothing of a letter");
    }
}
