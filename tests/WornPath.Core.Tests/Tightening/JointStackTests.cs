using WornPath.Core.Fasteners;
using WornPath.Core.Building;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Tightening;

/// <summary>What a joint is made of: written as it is said, listed, asked for when it is renewed.</summary>
public class JointStackTests
{
    [Theory]
    [InlineData("spring washer, plain washer", "spring washer, plain washer")]
    [InlineData("2 copper washers (new)", "2 copper washers (new)")]
    [InlineData("2 new copper washers", "2 copper washers (new)")]
    [InlineData("copper washer, renew", "copper washer (new)")]
    [InlineData("crush washer x2, renewed", "2 crush washers (new)")]
    [InlineData("flat + split washer", "flat washer, split washer")]
    [InlineData("Plain washer; held 17 mm nut", "plain washer, nut 17 mm")]
    [InlineData("washer, 17mm nut", "washer, nut 17 mm")]
    [InlineData("nut 9/16 in, held", "nut 9/16 in")]
    [InlineData("turned nut 19 mm", "turned nut 19 mm")]
    [InlineData("stud, washer, lock nut 13 mm (new)", "stud, washer, lock nut 13 mm (new)")]
    [InlineData("2 bushes", "2 bushes")]
    [InlineData("3 × cone washer", "3 cone washers")]
    [InlineData("bonded seal (new each time)", "bonded seal (new)")]
    [InlineData("3 spacers 5 mm then a flat washer", "3 spacers 5 mm, flat washer")]
    public void Is_read_as_it_is_said_and_comes_back_as_it_is_kept(string said, string kept)
    {
        var read = JointStack.Parse(said);
        read.IsGood.ShouldBeTrue(read.Problem?.ToString());
        read.Value.ToString().ShouldBe(kept);
        JointStack.Parse(kept).Value.ShouldBe(read.Value);
    }

    [Theory]
    [InlineData("gasket")]
    [InlineData("turned washer")]
    [InlineData("0 washers")]
    [InlineData("a washer on each side of the arm")]
    [InlineData(",")]
    public void What_it_is_not_is_refused_with_what_to_write(string said)
    {
        var read = JointStack.Parse(said);
        read.IsGood.ShouldBeFalse();
        read.Problem!.ToString().ShouldContain("nut 17 mm");
    }

    private static Written Banjo(params string[] steps) => new Written().Part("brake hose").Joint("banjo bolt", "24 N·m", holds: "brake hose",
        fastener: "M10×1 bolt, 14 mm")
        .Set("banjo bolt", "stack", "2 copper washers (new)").Steps(steps);

    [Theory]
    [InlineData("Start the banjo bolt by hand with two new copper washers.")]
    [InlineData("Put new copper washers on the banjo bolt. Start the banjo bolt by hand.")]
    [InlineData("Fit new washers to the banjo bolt and start it by hand.")]
    [InlineData("Start the banjo bolt by hand. Use new copper washers.")]
    public void What_is_renewed_with_a_joint_is_said_and_is_no_part_of_its_own(string start)
    {
        var sheet = Banjo("Take out the banjo bolt.", start, "Torque the banjo bolt to 24 N·m.");
        sheet.Findings().ShouldNotContain(f => f.Rule == "PRT001" || f.Rule == "RED001");
        sheet.Sheet.Parts.Select(p => p.Name).ShouldBe(["brake hose"]);
        sheet.Sheet.Steps.ElementAt(1).Actions.ShouldContain(a => a.Verb == Verb.Renew && a.Target == "J1" && a.Words!.Contains("washer"));
        sheet.Walk().AtEnd("J1").Joint.Renewed.ShouldBeFalse("the bolt is the old one");
    }

    [Fact]
    public void What_is_renewed_and_not_said_is_found_and_its_fix_says_it()
    {
        var sheet = Banjo("Take out the banjo bolt.", "Start the banjo bolt by hand.", "Torque the banjo bolt to 24 N·m.");
        var found = sheet.Findings().Single(f => f.Rule == "PRT001");
        (found.Thing, found.StepNumber).ShouldBe(("J1", 2));
        found.Message.ShouldContain("copper washers");
        sheet.Do(found.Fixes[0].Edit).Findings().ShouldNotContain(f => f.Rule == "PRT001");
        // The old ones out of the way are no part that must come back.
        Banjo("Take out the banjo bolt and its copper washers.").Sheet.Parts.Length.ShouldBe(1);
    }

    [Fact]
    public void It_is_counted_to_what_must_be_in_hand_and_gives_the_tool_that_holds()
    {
        var sheet = new Written().Part("arm").Joint("arm bolts", "80 N·m", holds: "arm", fastener: "M12×60 8.8 bolt, 18 mm").Set("arm bolts", "count", "2")
            .Set("arm bolts", "stack", "2 plain washers, 19 mm lock nut (new)").Steps("Take out the arm bolts.",
                "Start the arm bolts by hand with new lock nuts.", "Torque the arm bolts to 80 N·m.");
        var walk = sheet.Walk();
        Needs.Parts(walk).Where(i => i.Key.StartsWith("stack:", StringComparison.Ordinal)).Select(i => (i.What, i.Amount))
            .ShouldBe([("lock nuts 19 mm for the arm bolts", "2")]);
        ToolList.Of(walk, Workshop.Default).Select(t => t.What).ShouldContain("19 mm spanner");
        sheet.Set("arm bolts", "stack", "turned nut 19 mm");
        var turned = ToolList.Of(sheet.Walk(), Workshop.Default).Select(t => t.What).ToList();
        turned.ShouldContain("19 mm socket");
        turned.ShouldContain("18 mm spanner");
        turned.ShouldNotContain("18 mm socket");
    }
}
