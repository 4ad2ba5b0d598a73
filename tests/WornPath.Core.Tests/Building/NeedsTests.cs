using System.Collections.Immutable;
using WornPath.Core.Building;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Building;

/// <summary>The one list behind Ready, the pick list and the printed sheet.</summary>
public class NeedsTests
{
    private static string[] Parts(Written sheet) => [.. Needs.Parts(sheet.Walk()).Select(n => $"{n.Key} {n.Amount} {n.Note}{(n.Optional ? " optional" : "")}")];

    [Theory]
    [InlineData(false, "refit", new string[0])]
    [InlineData(false, "replace", new[] { "part:P1 1 in place of the old one" })]
    [InlineData(false, "discard", new string[0])]
    [InlineData(true, "refit", new[] { "part:P1 1 kit" })]
    public void A_part_is_needed_where_the_old_one_does_not_go_on_again(bool kit, string fate, string[] needs) => Parts(new Written().Part("guard", kit, fate).Steps("Clean the guard.")).ShouldBe(needs);

    [Fact]
    public void Hardware_is_listed_where_a_step_uses_it_new_or_from_the_kit()
    {
        var sheet = new Written().Joint("cover bolts", "22 N·m", fastener: "M8×25 8.8 bolt, 13 mm").Joint("axle nut", "220 N·m", reuse: "renew").Joint("bracket bolts", "95 N·m", kit: true).Joint("hub nut", "80 N·m", fastener: "M24×1.5 castle nut, 36 mm", locking: "cotter pin").Joint("spare bolts", kit: true)
            .Set("bracket bolts", "count", "8").Steps("Remove the cover bolts, the axle nut and the hub nut.", "Torque the bracket bolts to 95 N·m.");
        Parts(sheet).ShouldBe(["joint:J2 1 new each time", "joint:J3 8 kit", "pin:J4 1 new each time"]);
    }

    [Fact]
    public void Spares_are_advised_and_say_how_long_they_take()
    {
        var sheet = new Written().Part("oil seal", fate: "replace").Set("oil seal", "spares", "2").Set("oil seal", "leadDays", "6").Steps("Remove the oil seal.", "Fit the new oil seal.");
        var needs = Needs.Parts(sheet.Walk()).ToList();
        needs.Select(n => (n.Key, n.Amount, n.LeadDays, n.Optional)).ShouldBe([("part:P1", "1", 6, false), ("spare:P1", "2", 6, true)]);
        needs[0].Steps.ShouldBe([1, 2]);
    }

    [Theory]
    [InlineData("threadlocker, medium", "threadlocker, medium about 0.6 mL; threadlocker, high about 0.3 mL")]
    [InlineData("high-strength threadlocker", "high-strength threadlocker about 0.3 mL; threadlocker, medium about 0.6 mL")]
    [InlineData("threadlocker, yellow", "threadlocker, yellow about 1 mL")]
    public void A_compound_is_for_the_joints_that_get_its_strength(string listed, string needs)
    {
        var sheet = new Written().Joint("bracket bolts", "95 N·m", fastener: "M16 10.9 bolt").Set("bracket bolts", "count", "4").Set("bracket bolts", "treatment",
                "threadlocker, medium")
            .Joint("hub bolts", "95 N·m", fastener: "M16 10.9 bolt").Set("hub bolts", "count", "2").Set("hub bolts", "treatment", "threadlocker, high")
            .Thing(ThingKind.Consumable, listed).Steps("Torque the bracket bolts to 95 N·m. Torque the hub bolts to 95 N·m.");
        string.Join("; ", Needs.Consumables(sheet.Walk()).Select(n => $"{n.What} {n.Amount}")).ShouldBe(needs);
    }

    [Fact]
    public void A_compound_on_the_list_is_not_listed_twice_and_one_that_is_not_gets_its_amount()
    {
        var sheet = new Written().Joint("bracket bolts", "95 N·m", fastener: "M12 10.9 bolt, 18 mm").Set("bracket bolts", "count", "4").Set("bracket bolts", "treatment", "threadlocker, medium").Steps("Torque the bracket bolts to 95 N·m.");
        // Four threads of 12 mm, wetted over 12 mm with 0.1 mm, and as much again runs off: 4 · 2 · π · 12 · 12 · 0.1 mm³.
        Needs.Consumables(sheet.Walk()).ShouldHaveSingleItem().Amount.ShouldBe("about 0.4 mL");
        sheet.Thing(ThingKind.Consumable, "medium threadlocker").Set("medium threadlocker", "amount", "1 bottle");
        Needs.Consumables(sheet.Walk()).ShouldHaveSingleItem().Amount.ShouldBe("1 bottle");
    }

    [Fact]
    public void A_fluid_is_needed_where_it_is_filled()
    {
        var sheet = new Written().Thing(ThingKind.Fluid, "gear oil").Set("gear oil", "capacity", "0.9 L").Set("gear oil", "fillTo", "the upper line").Steps("Check the level of the gear oil.");
        Needs.Consumables(sheet.Walk()).ShouldBeEmpty();
        sheet.Steps("Fill the gear oil.");
        Needs.Consumables(sheet.Walk()).ShouldHaveSingleItem().ShouldSatisfyAllConditions(n => n.Amount.ShouldBe("0.9 L"), n => n.Note.ShouldBe("fill to the upper line"));
    }

    [Fact]
    public void A_wrench_of_the_crib_is_in_hand_and_one_it_lacks_is_not()
    {
        var crib = ImmutableArray.Create(new Wrench { Name = "TW-2", Min = 10, Max = 60, Unit = TorqueUnit.NewtonMetre, Step = 0.5m, Drive = "3/8 in" });
        var sheet = new Written().Joint("cover bolts", "22 N·m", fastener: "M8×25 8.8 bolt, 13 mm").Joint("frame bolts", "320 N·m", fastener: "M20 10.9 bolt, 30 mm").Thing(ThingKind.Tool, "slide hammer").Set("slide hammer", "alternative", "two M12 screws")
            .Steps("Torque the cover bolts to 22 N·m.", "Torque the frame bolts to 320 N·m.", "Pull it with the slide hammer.").In(new Workshop { Crib = crib });
        var tools = Needs.Tools(sheet.Walk()).ToList();
        tools.Single(t => t.What.Contains("TW-2")).InHand.ShouldBeTrue();
        tools.Single(t => t.What.Contains("320 N·m")).InHand.ShouldBeFalse();
        tools.Single(t => t.What == "slide hammer").Note.ShouldContain("or two M12 screws");
        tools.Where(t => !t.What.StartsWith("torque wrench", StringComparison.Ordinal)).ShouldAllBe(t => !t.InCrib, "the crib knows torque tools alone");
    }
}
