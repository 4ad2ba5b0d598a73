namespace WornPath.Core.Tests.Walking;

/// <summary>Every combination of variants, sides and branches is walked; findings say for which.</summary>
public class CombinationTests
{
    [Fact]
    public void Every_combination_up_to_64_is_walked_once()
    {
        var sheet = new Written().Header("variants", "a: a1, a2, a3; b: b1, b2; c: c1, c2").Part("disc").Steps("Remove the disc.\nOr, if it sits fast: remove the disc.\nIf it is worn: fit the disc.");
        var all = Combinations.Of(sheet.Sheet);
        all.Length.ShouldBe(3 * 2 * 2 * 3);
        all.Select(c => c.Key).ShouldBeUnique();
        all[0].Key.ShouldBe("a1|b1|c1");
        foreach (var one in all) Combination.Parse(sheet.Sheet, one.Key).Key.ShouldBe(one.Key);
    }

    /// <summary>Beyond 64 every two options of every two factors stand together in some walk, and there are few of them.</summary>
    [Theory]
    [InlineData(8, 2)]
    [InlineData(8, 3)]
    [InlineData(4, 12)]
    [InlineData(8, 12)]
    public void Beyond_64_every_pair_is_walked(int factors, int options)
    {
        var levels = Enumerable.Repeat(options, factors).ToArray();
        var rows = Combinations.Pairs(levels);
        for (var a = 0; a < factors; a++)
            for (var b = a + 1; b < factors; b++)
                rows.Select(r => (r[a], r[b])).Distinct().Count().ShouldBe(options * options);
        rows[0].ShouldAllBe(level => level == 0);
        // No covering array has fewer rows than the pairs of two columns; greedy ones stay within a few times that.
        rows.Count.ShouldBeInRange(options * options, options * options * 3);
    }

    [Fact]
    public void A_finding_says_for_which_it_holds()
    {
        var sheet = new Written().Header("variants", "wheels: steel wheels, cast wheels; side: left, right").Part("cover").Joint("cover bolts", "22 N·m", holds: "cover")
            .Steps("Remove the cover bolts.", "Remove the cover.", "Fit the cover with the cover bolts.", "Left: torque the cover bolts to 22 N·m.");
        var found = sheet.Findings().Where(f => f.Rule == "CLO002").ToList();
        found.ShouldHaveSingleItem().For.ShouldBe("right");
    }

    [Fact]
    public void What_is_left_open_on_plan_B_alone_is_found_there()
    {
        var sheet = new Written().Part("disc").Thing(ThingKind.Aid, "wedge").Steps("Remove the disc.\nOr, if it will not move: place the wedge. Remove the disc.", "Fit the disc.");
        var found = sheet.Findings().Single(f => f.Rule == "CLO004");
        (found.StepNumber, found.For).ShouldBe((1, "step 1 if it will not move"));
        sheet.Walks().All.Length.ShouldBe(2);
    }

    [Fact]
    public void Values_and_parts_of_a_variant_are_there_on_it_alone()
    {
        var sheet = new Written().Header("variants", "wheels: steel wheels, cast wheels").Joint("wheel nuts", "130 N·m", fastener: "M14x1.5 10.9 nut").Part("spacer", kit: true).Set("spacer", "only", "cast wheels")
            .Steps("With cast wheels: fit the spacer.", "Torque the wheel nuts to 130 N·m.").Set("wheel nuts", "variants", "cast wheels: 450 N·m");
        sheet.Findings().Where(f => f.Rule == "TRQ003").Select(f => f.For).ShouldBe(["cast wheels"]);
        sheet.Walks().As("cast wheels").AtEnd("P1").Part.Place.ShouldBe(PartPlace.On);
        sheet.Walks().As("steel wheels").Things.ShouldNotContainKey("P1");
        ((Joint)sheet.Walks().As("cast wheels").Things["J1"]).Torque!.ToString().ShouldBe("450 N·m");
    }

    [Fact]
    public void The_refit_of_what_one_side_alone_had_is_for_that_side()
    {
        var sheet = new Written().Header("variants", "side: left, right").Thing(ThingKind.Connection, "sensor lead").Set("sensor lead", "only", "left").Part("disc").Steps("Left: unplug the sensor lead.", "Remove the disc.");
        Core.Building.ReverseBuilder.Propose(sheet.Walks().Whole, "h1").ShouldBe(["Fit the disc.", "Left: connect the sensor lead."]);
    }
}
