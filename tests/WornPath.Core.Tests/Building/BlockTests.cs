using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Building;

public class BlockTests
{
    private static readonly Block Wheel = new("wheel off", ["Remove the {joint: wheel nuts} and the {part: wheel}.", "Set the {part: wheel} aside."]);

    private static Written Tractor() => new Written().Part("front wheel").Joint("front lug nuts", "130 N·m", holds: "front wheel").Joint("hub nut", "80 N·m", locking: "cotter pin").Thing(ThingKind.Aid, "big chocks");

    [Fact]
    public void A_slot_is_asked_once_and_found_by_name_nature_or_neighbour()
    {
        Wheel.SlotsOf().Select(s => s.Name).ShouldBe(["wheel nuts", "wheel"]);
        var sheet = Tractor().Sheet;
        Wheel.Likely(new BlockSlot(ThingKind.Part, "wheel"), sheet)!.Id.ShouldBe("P1", "a road wheel by its nature");
        Wheel.Likely(new BlockSlot(ThingKind.Joint, "wheel nuts"), sheet)!.Id.ShouldBe("J1", "what holds the wheel");
        Wheel.Likely(new BlockSlot(ThingKind.Joint, "castle nut"), sheet)!.Id.ShouldBe("J2", "what has a cotter pin");
        Wheel.Likely(new BlockSlot(ThingKind.Part, "gearbox"), sheet).ShouldBeNull();
    }

    [Fact]
    public void Its_words_and_slots_put_together_are_the_block()
    {
        foreach (var block in Block.Usual.Append(Wheel))
            block.Cut().Select(s => string.Concat(s.Select(w => w.IsSlot ? "{}" : w.Text))).ShouldBe(block.Steps.Select(s => System.Text.RegularExpressions.Regex.Replace(s, @"\{[^}]*\}", "{}")));
    }

    [Fact]
    public void It_goes_behind_a_step_in_its_order_with_new_things_where_none_is_chosen()
    {
        var sheet = Tractor().Steps("Raise the tractor.", "Clean the hub.");
        sheet.Do(Wheel.InsertInto(sheet.Sheet, "h1", sheet.Step(1).Id, new Dictionary<string, string> { ["wheel"] = "P1" }).Value);
        sheet.Sheet.Steps.Select(s => s.Text).ShouldBe(["Raise the tractor.", "Remove the wheel nuts and the front wheel.", "Set the front wheel aside.", "Clean the hub."]);
        sheet.Sheet.Joints.ShouldContain(j => j.Name == "wheel nuts");
        sheet.Sheet.Steps.SelectMany(s => s.Questions).ShouldBeEmpty();
    }

    [Theory]
    [InlineData("wheel", "J1", "asks for a part")]
    [InlineData("wheel nuts", "hub nut", null)]
    [InlineData("wheel nuts", "P1", "asks for a joint")]
    public void A_thing_of_another_kind_is_refused_by_name(string slot, string choice, string? says)
    {
        var made = Wheel.InsertInto(Tractor().Sheet, "h1", null, new Dictionary<string, string> { [slot] = choice, [slot == "wheel" ? "wheel nuts" : "wheel"] = slot == "wheel" ? "J1" : "P1" });
        if (says is null) made.IsGood.ShouldBeTrue();
        else made.Problem!.ToString().ShouldContain(says);
    }

    [Theory]
    [InlineData("", "Clean it.", "needs a name")]
    [InlineData("empty", "", "has 0 steps")]
    [InlineData("open", "Remove the {joint: wheel nuts.", "braces")]
    [InlineData("kind", "Remove the {wheel: nuts}.", "braces")]
    [InlineData("bare", "Remove the } nuts.", "braces")]
    public void What_is_no_block_says_why(string name, string step, string says) => Block.Check(new Block(name, [step])).Problem!.ToString().ShouldContain(says);

    [Fact]
    public void A_block_of_the_house_stands_in_the_place_of_the_usual_one()
    {
        var shop = new WornPath.Core.Workshops.Workshop { Blocks = [new Block("Wheel off", ["Mark the {part: wheel}."]), new Block("hood open", ["Open the hood."])] };
        var names = shop.AllBlocks.Select(b => b.Name).ToList();
        names.Count.ShouldBe(Block.Usual.Length + 1);
        names[^1].ShouldBe("hood open");
        shop.AllBlocks.Single(b => b.Name.Equals("wheel off", StringComparison.OrdinalIgnoreCase)).Steps.ShouldBe(["Mark the {part: wheel}."]);
    }
}
