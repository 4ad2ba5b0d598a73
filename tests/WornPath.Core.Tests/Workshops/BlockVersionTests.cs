using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Workshops;

public class BlockVersionTests
{
    private static readonly Block CoverOff = new("Cover off", ["Remove the {joint: cover bolts}.", "Take the {part: cover} off."]);

    private static Written With(Block block)
    {
        var written = new Written().Joint("cover bolts", "20 N·m").Part("cover");
        return written.Do(block.InsertInto(written.Sheet, "h1", null, new Dictionary<string, string> { ["cover bolts"] = "J1", ["cover"] = "P1" }).Value);
    }

    [Fact]
    public void Steps_say_which_block_they_came_with_whatever_becomes_of_their_words()
    {
        var written = With(CoverOff);
        written.Sheet.Steps.Select(s => s.Block).ShouldBe([CoverOff.From, CoverOff.From]);
        var step = written.Step(1);
        written.Do(new WriteStep(step.Id, step.Text, "Remove the two cover bolts and keep them."));
        written.Step(1).Block.ShouldBe(CoverOff.From);
        SheetUse.Of(written.Sheet).Where(u => u.Kind == UseKind.Block).Select(u => (u.Name, u.Says)).ShouldBe([("Cover off, v1", "steps 1 and 2")]);
        var back = SheetJson.Read(SheetJson.Write(written.Sheet));
        back.Steps.Select(s => s.Block).ShouldBe([CoverOff.From, CoverOff.From]);
    }

    [Fact]
    public void A_block_that_is_written_anew_is_another_version_and_one_of_a_usual_ones_name_is_its_next()
    {
        var usual = Block.Usual.Single(b => b.Name == "wheel off");
        var own = Block.Numbered([.. new Workshop().AllBlocks], [usual with { Steps = ["Roll the {part: wheel} off."] }, CoverOff]);
        own.Select(b => b.Version).ShouldBe([2, 1]);
        var workshop = new Workshop { Blocks = own };
        // Kept again as it is: nothing of it is another. Back to the usual words: another again.
        Block.Numbered([.. workshop.AllBlocks], own).Select(b => b.Version).ShouldBe([2, 1]);
        Block.Numbered([.. workshop.AllBlocks], [usual]).Single().Version.ShouldBe(3);
        Block.Check(own[0]).Value.Steps.ShouldBe(own[0].Steps);
    }

    [Fact]
    public void What_a_block_reads_now_is_told_once_where_its_steps_begin_and_one_edit_settles_it()
    {
        var written = With(CoverOff).Steps("Clean the face.");
        written.In(new Workshop { Blocks = [CoverOff with { Steps = ["Mark the {part: cover}.", .. CoverOff.Steps], Version = 2 }] });
        var finding = written.Findings().Where(f => f.Rule == "SRC010").ShouldHaveSingleItem();
        finding.Message.ShouldBe("2 steps from here on came with version 1 of the block “Cover off”, which is in version 2 now: Mark the cover. Remove the cover bolts. Take the cover off.");
        written.Do(finding.Fixes.Single().Edit);
        written.Sheet.Steps.ShouldAllBe(s => s.Block == null);
        written.At("SRC010").ShouldBeEmpty();
        // A sheet that was put together from the blocks as they are says nothing.
        With(CoverOff).In(new Workshop { Blocks = [CoverOff] }).At("SRC010").ShouldBeEmpty();
    }
}
