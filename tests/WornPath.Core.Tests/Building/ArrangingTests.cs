using WornPath.Core.Cautions;
using WornPath.Core.Reading;
using WornPath.Core.Workshops;
using WornPath.Core.Building;
using WornPath.Core.Printing;

namespace WornPath.Core.Tests.Building;

/// <summary>What the program does to a whole phase: sorted, mirrored, filled from a block; and the cautions of a step.</summary>
public class ArrangingTests
{
    private static Written Taken(params string[] steps) => new Written().Part("cover").Part("caliper").Part("disc", behind: "caliper").Joint("cover bolts", "22 N·m", holds: "cover").Joint("caliper bolts", "95 N·m", holds: "caliper").Set("caliper", "behind", "cover").Steps(steps);

    [Fact]
    public void A_removal_is_sorted_with_as_few_moves_as_it_takes()
    {
        var sheet = Taken("Remove the disc.", "Clean the pads.", "Remove the caliper.", "Remove the caliper bolts.", "Remove the cover bolts.", "Remove the cover.");
        var sort = RemovalSort.Of(sheet.Walks().Whole, "h1").Value;
        sort.Moves.ShouldContain(m => m.Why.Contains("J2 caliper bolts"));
        sheet.Do(sort.Edit!);
        sheet.Sheet.Steps.Select(s => s.Text).ShouldBe(["Clean the pads.", "Remove the caliper bolts.", "Remove the cover bolts.", "Remove the cover.", "Remove the caliper.", "Remove the disc."]);
        sheet.Findings().Where(f => f.Rule is "ORD001" or "ORD006").ShouldBeEmpty();
        RemovalSort.Of(sheet.Walks().Whole, "h1").Value.Edit.ShouldBeNull("sorted once, nothing moves");
    }

    /// <summary>However the steps of a removal are shuffled, sorting brings them into an order in which nothing comes off too early.</summary>
    [Fact]
    public void Sorted_steps_need_nothing_that_comes_later()
    {
        string[] steps = ["Remove the cover bolts.", "Remove the cover.", "Remove the caliper bolts.", "Remove the caliper.", "Remove the disc."];
        var random = new Random(3);
        for (var round = 0; round < 60; round++)
        {
            var sheet = Taken([.. steps.OrderBy(_ => random.Next())]);
            if (RemovalSort.Of(sheet.Walks().Whole, "h1").Value.Edit is { } edit) sheet.Do(edit);
            sheet.Findings().Where(f => f.Rule is "ORD001" or "ORD006").ShouldBeEmpty();
        }
    }

    [Theory]
    [InlineData("Remove the left guard.", "Remove the right guard.")]
    [InlineData("Left: unplug the lead.", "Right: unplug the lead.")]
    [InlineData("On the right-hand side, hold it at a right angle.", "On the left-hand side, hold it at a right angle.")]
    [InlineData("Fit the LH bracket.", "Fit the RH bracket.")]
    [InlineData("Clean the bright face.", "Clean the bright face.")]
    public void Left_and_right_change_places(string text, string other)
    {
        SideWords.Swap(text).ShouldBe(other);
        SideWords.Swap(other).ShouldBe(text);
    }

    [Fact]
    public void The_other_side_gets_its_own_parts_and_joints_with_the_fields_of_their_twins()
    {
        var sheet = new Written().Part("left guard").Joint("left guard screws", "6 N·m", fastener: "M6×16 8.8 pan head screw, T30", holds: "left guard").Set("left guard screws", "count", "4").Steps("Remove the left guard screws.", "Remove the left guard.", "Clean the frame.");
        var mirror = Mirror.Of(sheet.Sheet, "h1").Value;
        mirror.Things.ShouldBe(["right guard", "right guard screws"]);
        sheet.Do(mirror.Edit!);
        var twin = sheet.Sheet.Joints.Single(j => j.Name == "right guard screws");
        (twin.Count, twin.Torque!.ToString(), twin.Source).ShouldBe((4, "6 N·m", "manual p. 1"));
        sheet.Sheet.Find(twin.Holds.Single())!.Name.ShouldBe("right guard");
        sheet.Sheet.Phases[1].Steps.Select(s => s.Text).ShouldBe(["Remove the right guard screws.", "Remove the right guard.", "Clean the frame."]);
        sheet.Sheet.Steps.SelectMany(s => s.Questions).ShouldBeEmpty();
        Mirror.Of(sheet.Sheet, "h1").IsGood.ShouldBeFalse("once is enough");
    }

    public static TheoryData<string> UsualBlocks => [.. Block.Usual.Select(b => b.Name)];

    [Theory]
    [MemberData(nameof(UsualBlocks))]
    public void Every_usual_block_is_read_without_a_question(string name)
    {
        var block = Block.Usual.Single(b => b.Name == name);
        Block.Check(block).IsGood.ShouldBeTrue();
        var sheet = new Written();
        sheet.Do(block.InsertInto(sheet.Sheet, "h1", null, new Dictionary<string, string>()).Value);
        // A castle nut is one by its pin; nobody but the author knows that of a joint that is new here.
        foreach (var joint in sheet.Sheet.Joints.Where(j => j.Name is "castle nut" or "hub nut").ToList()) sheet.Set(joint.Name, "locking", "cotter pin");
        sheet.Sheet.Steps.SelectMany(s => s.Questions).Select(q => $"{q.Kind} {q.Phrase}").ShouldBeEmpty();
        sheet.Sheet.Steps.Count().ShouldBe(block.Steps.Length);
        sheet.Sheet.Things.Count(t => !t.Assumed).ShouldBe(block.SlotsOf().Length);
    }

    [Fact]
    public void A_usual_warning_goes_only_with_a_reason_and_comes_back()
    {
        var sheet = new Written().Steps("Raise the tractor.");
        var usual = UsualCautions.For(sheet.Step(1), sheet.Sheet, new HashSet<Caution>()).ShouldHaveSingleItem();
        Editor.Apply(sheet.Sheet, new DropCaution(sheet.Step(1).Id, usual.Hazard, "")).Problem!.What.ShouldContain("WARNING");
        sheet.Do(new DropCaution(sheet.Step(1).Id, usual.Hazard, "It stands on a lift with locks."));
        UsualCautions.For(sheet.Step(1), sheet.Sheet, new HashSet<Caution>()).ShouldBeEmpty();
        sheet.Step(1).Dropped.Single().Reason.ShouldContain("lift");
        sheet.Do(new BringCautionBack(sheet.Step(1).Id, usual.Hazard));
        // Written anew, the author's stands in the place of the usual one.
        sheet.Do(new WriteCaution(sheet.Step(1).Id, usual.Hazard, usual with { Avoid = "Use the lift." }));
        UsualCautions.For(sheet.Step(1), sheet.Sheet, new HashSet<Caution>()).ShouldHaveSingleItem().Avoid.ShouldBe("Use the lift.");
        sheet.Step(1).Dropped.Single().Hazard.ShouldBe(usual.Hazard);
        // One more stands beside them, and takes none off.
        sheet.Do(new WriteCaution(sheet.Step(1).Id, "", new Caution(SignalWord.Danger, "Heat.", "It burns.", "Wait.")));
        sheet.Step(1).Cautions.Select(c => c.Hazard).ShouldBe([usual.Hazard, "Heat."]);
        sheet.Step(1).Dropped.Length.ShouldBe(1);
        Editor.Apply(sheet.Sheet, new WriteCaution(sheet.Step(1).Id, "", new Caution(SignalWord.Danger, "Heat.", "", "Wait."))).Problem!.Where.ShouldBe("what it does");
    }

    [Fact]
    public void The_ledger_carries_what_is_put_off_until_it_is_done()
    {
        var sheet = Taken("Loosen the cover bolts.", "Clean the pads.", "Torque the cover bolts to 22 N·m.");
        TorqueLedger.After(sheet.Walk(), 1).ShouldHaveSingleItem().ShouldBe(new OwedTorque("J1", "cover bolts", "22 N·m", 1, 3));
        TorqueLedger.After(sheet.Walk(), 2).ShouldBeEmpty();
        PrintedSheet.Of(sheet.Walk()).Phases.Single().Owed.ShouldBeEmpty();
    }
}
