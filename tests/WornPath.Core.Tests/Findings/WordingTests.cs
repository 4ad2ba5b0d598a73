namespace WornPath.Core.Tests.Findings;

/// <summary>What the rules of wording find in a sentence, and how they would write it: only where it is safe.</summary>
public class WordingTests
{
    private static Written Hub() => new Written().Part("cover").Part("hub").Joint("cover bolts", "22 N·m", holds: "cover").Joint("hub nut", "80 N·m", locking: "cotter pin").Thing(ThingKind.Aid, "rag").Thing(ThingKind.Connection, "lamp lead");

    [Theory]
    [InlineData("WRD004", "Remove the cover bolts and clean the cover.", "Remove the cover bolts. Clean the cover.")]
    [InlineData("WRD004", "Remove the cover bolts, then remove the cover.", "Remove the cover bolts. Remove the cover.")]
    [InlineData("WRD004", "Remove the cover and then clean it.", "Remove the cover. Clean it.")]
    [InlineData("WRD004", "Torque the cover bolts to 22.5 N·m and clean the hub.", "Torque the cover bolts to 22.5 N·m. Clean the hub.")]
    [InlineData("WRD004", "Clean the hub; remove the cover and wipe it.", "Clean the hub; remove the cover. Wipe it.")]
    [InlineData("WRD004", "Remove the cover And Then wipe it.", "Remove the cover. Wipe it.")]
    [InlineData("WRD004", "Unplug the lamp lead and hang it aside.", "Unplug the lamp lead. Hang it aside.")]
    [InlineData("WRD005", "You should remove the cover bolts.", "Remove the cover bolts.")]
    [InlineData("WRD005", "Now you can remove the cover.", "Remove the cover.")]
    [InlineData("WRD005", "Please clean the cover.", "Clean the cover.")]
    [InlineData("WRD005", "Go ahead and remove the cover.", "Remove the cover.")]
    [InlineData("WRD005", "Then, next, you’ll see. Next, clean the cover.", "Then, next, you’ll see. Clean the cover.")]
    [InlineData("WRD005", "You'll need to remove the cover.", "Need to remove the cover.")]
    [InlineData("WRD005", "Next, clean the cover.", "Clean the cover.")]
    [InlineData("WRD005", "Then remove the cover.", "Remove the cover.")]
    [InlineData("WRD005", "We want to clean the hub.", "Clean the hub.")]
    [InlineData("WRD005", "One must remove the cover.", "Remove the cover.")]
    [InlineData("WRD005", "So you have to clean the hub.", "Clean the hub.")]
    [InlineData("WRD005", "The cover bolts are removed.", "Remove the cover bolts.")]
    [InlineData("WRD005", "The cover must be cleaned with a rag.", "Clean the cover with a rag.")]
    [InlineData("WRD005", "The lamp lead needs to be disconnected.", "Disconnect the lamp lead.")]
    [InlineData("WRD006", "Torque the cover bolts to 22 N·m when the engine is cold.", "When the engine is cold, torque the cover bolts to 22 N·m.")]
    [InlineData("WRD006", "Remove the cover once the bolts are out.", "Once the bolts are out, remove the cover.")]
    [InlineData("WRD006", "Renew the hub nut only if it is worn.", "Only if it is worn, renew the hub nut.")]
    [InlineData("WRD008", "Insert a new split pin in the hub nut.", "Insert a new cotter pin in the hub nut.")]
    [InlineData("WRD008", "Clean all circlips.", "Clean all retaining rings.")]
    [InlineData("WRD008", "SPLIT PIN out, then the nut.", "Cotter pin out, then the nut.")]
    [InlineData("WRD008", "Split pins are never used twice.", "Cotter pins are never used twice.")]
    [InlineData("WRD001", "Tighten the cover bolts good and tight.", "Tighten the cover bolts to 22 N·m.")]
    [InlineData("WRD001", "Tighten the cover bolts. Tighten them securely.", "Tighten the cover bolts. Tighten them to 22 N·m.")]
    [InlineData("WRD003", "Remove the cover bolts from the front of the housing beside the lamp and then clean the face of the cover all around.", "Remove the cover bolts from the front of the housing beside the lamp. Clean the face of the cover all around.")]
    public void A_safe_rewrite_is_offered_and_mends_it(string rule, string text, string better)
    {
        var sheet = Hub().Steps(text);
        var finding = sheet.Findings().First(f => f.Rule == rule);
        sheet.Do(finding.Fixes[0].Edit);
        sheet.Step(1).Text.ShouldBe(better, StringCompareShould.IgnoreCase);
        sheet.At(rule).ShouldBeEmpty();
    }

    [Theory]
    [InlineData("WRD004", "Remove the cover bolts and the cover.")]
    [InlineData("WRD004", "Clean the nut and bolt.")]
    [InlineData("WRD004", "If the cover sticks, tap it and lift it.")]
    [InlineData("WRD004", "Fit the cover with washers and new bolts.")]
    [InlineData("WRD004", "| Remove the cover and wipe it | 2 mm |")]
    [InlineData("WRD004", "Remove the nut-and-bolt set.")]
    [InlineData("WRD008", "Clean the splitpin hole.")]
    [InlineData("WRD006", "Clean the hub, whenever it is wet.")]
    [InlineData("WRD005", "Remove the cover bolts.")]
    [InlineData("WRD005", "Do not reuse the pin.")]
    [InlineData("WRD005", "With the wheel on the ground, torque the cover bolts to 22 N·m.")]
    [InlineData("WRD006", "Check if the cover is cracked.")]
    [InlineData("WRD006", "When the engine is cold, remove the cover.")]
    [InlineData("WRD006", "Turn the hub until it binds.")]
    [InlineData("WRD007", "Hold it at a right angle.")]
    [InlineData("WRD007", "Remove what is left over.")]
    [InlineData("WRD008", "Insert a new cotter pin in the hub nut.")]
    [InlineData("WRD001", "Snug the cover bolts.")]
    [InlineData("WRD002", "Remove this cover.")]
    public void What_is_well_said_is_left_alone(string rule, string text) => Hub().Steps(text).At(rule).ShouldBeEmpty();

    [Fact]
    public void A_value_that_differs_by_variant_is_not_put_for_vague_words()
    {
        var sheet = Hub().Header("variants", "side: left, right").Set("cover bolts", "variants", "left: 24 N·m").Steps("Tighten the cover bolts good and tight.");
        sheet.Findings().First(f => f.Rule == "WRD001").Fixes.ShouldBeEmpty();
    }

    [Fact]
    public void A_workshop_s_own_words_are_found_and_kept_apart_from_another_s()
    {
        var own = new WornPath.Core.Workshops.Workshop { Rules = new WornPath.Core.Workshops.HouseRules { Terms = [new("cover", "lid")] } };
        var sheet = Hub().Steps("Clean the cover.");
        sheet.At("WRD008").ShouldBeEmpty();
        sheet.In(own).At("WRD008").ShouldBe([1]);
        sheet.In(WornPath.Core.Workshops.Workshop.Default).At("WRD008").ShouldBeEmpty("what was noted for one workshop does not hold in another");
    }
}
