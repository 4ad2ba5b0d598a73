using WornPath.Core.Building;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Building;

public class ToolListTests
{
    private static readonly Workshop Shop = new()
    {
        Crib =
        [
            new Wrench { Name = "TW-1", Min = 2, Max = 12, Unit = TorqueUnit.NewtonMetre, Step = 0.1m, Drive = "1/4 in", LengthMm = 180 },
            new Wrench { Name = "TW-2", Min = 10, Max = 60, Unit = TorqueUnit.NewtonMetre, Step = 0.5m, Drive = "3/8 in", LengthMm = 300 },
        ],
        Today = new DateOnly(2026, 6, 1),
    };

    private static ToolLine[] Tools(Written sheet) => [.. ToolList.Of(sheet.In(Shop).Walk(), Shop)];

    [Fact]
    public void The_same_tool_for_two_joints_is_one_line_with_all_its_steps()
    {
        var tools = Tools(new Written().Joint("upper bolts", "24 N·m", fastener: "M8 8.8 bolt, 13 mm").Joint("lower bolts", "22 N·m", fastener: "M8 8.8 bolt, 13 mm")
            .Steps("Loosen the upper bolts.", "Loosen the lower bolts.", "Torque the upper bolts to 24 N·m.", "Torque the lower bolts to 22 N·m."));
        var socket = tools.Single(t => t.What == "13 mm socket");
        socket.For.ShouldBe(["J1", "J2"]);
        socket.Steps.ShouldBe([1, 2, 3, 4]);
        tools.Single(t => t.What.StartsWith("torque wrench TW-2")).Steps.ShouldBe([3, 4]);
        tools.Select(t => t.What).ShouldBeUnique();
    }

    [Fact]
    public void Nothing_is_listed_that_no_step_uses()
    {
        var sheet = new Written().Joint("idle bolts", "24 N·m", fastener: "M8 8.8 bolt, 13 mm").Thing(ThingKind.Tool, "seal driver").Part("oil seal").Steps("Inspect the idle bolts.");
        Tools(sheet).ShouldBeEmpty();
        Tools(sheet.Do(new InsertStep(null, "h1", null, "Drive the oil seal out with the seal driver."))).Select(t => t.What).ShouldBe(["seal driver"]);
    }

    [Theory]
    [InlineData("M8 8.8 cap screw", "22 N·m", "6 mm hexagon bit")]
    [InlineData("M8 8.8 flange bolt", "22 N·m", "13 mm socket")]
    [InlineData("M5 8.8 pan head screw", "5 N·m", "T25 bit")]
    [InlineData("3/8-16 UNC grade 8 bolt", "33 N·m", "9/16 in socket")]
    public void A_size_nobody_wrote_comes_from_the_table_and_says_so(string fastener, string torque, string tool)
    {
        var line = Tools(new Written().Joint("cover screws", torque, fastener: fastener).Steps("Loosen the cover screws.", $"Torque the cover screws to {torque}.")).Single(t => t.What == tool);
        line.Note.ShouldContain("by the table");
    }

    [Theory]
    [InlineData("M12×60 10.9 bolt with nut 10, 18 mm", "", "", "18 mm spanner")]
    [InlineData("M12 10.9 bolt, 18 mm", "heldBy", "pedal held down", "pedal held down")]
    [InlineData("M12 10.9 bolt, 18 mm", "adapter", "60 mm at 45°", "18 mm crow-foot, 60 mm at 45°")]
    [InlineData("M12 10.9 bolt, 12-point 12 mm", "", "", "12 mm twelve-point socket")]
    [InlineData("M12 10.9 bolt, E16", "", "", "E16 socket")]
    [InlineData("M12 nut, 18 mm", "name", "stud nuts", "18 mm deep socket")]
    public void What_the_fastener_and_its_place_imply_is_on_the_list(string fastener, string field, string value, string tool)
    {
        var sheet = new Written().Joint("arm bolts", "50 N·m", fastener: fastener);
        if (field.Length > 0) sheet.Set("arm bolts", field, value);
        var name = field == "name" ? value : "arm bolts";
        Tools(sheet.Steps($"Loosen the {name}.", $"Torque the {name} to 50 N·m.")).Select(t => t.What).ShouldContain(tool);
    }

    // What is turned is the nut: nothing else is held with a spanner of its size.
    [Fact]
    public void A_nut_of_a_class_is_not_held_against_itself() => Tools(new Written().Joint("flange nut", "210 N·m", fastener: "M24×1.5 nut of class 10, 36 mm")
        .Steps("Loosen the flange nut.", "Torque the flange nut to 210 N·m.")).Select(t => t.What).ShouldNotContain("36 mm spanner");

    [Fact]
    public void Actions_bring_their_tools()
    {
        var tools = Tools(new Written().Part("snap ring").Joint("hub nut", "40 N·m + 90°", fastener: "M24x1.5 castle nut, 36 mm", locking: "cotter pin").Thing(ThingKind.Fluid, "gear oil").Thing(ThingKind.Aid, "wedge")
            .Steps("Raise the tractor.", "Support the tractor on stands.", "Drain the gear oil.", "Pull the cotter pin from the hub nut and remove the hub nut.", "Remove the snap ring.", "Put the wedge under the axle.", "Torque the hub nut to 40 N·m + 90°.", "Mark the hub nut.")).ToDictionary(t => t.What);
        tools.Keys.ShouldBeSubsetOf(["torque wrench TW-2, 3/8 in", "36 mm socket", "3/8 in ratchet or bar", "angle gauge, or a mark on the flats", "pliers for cotter pins", "pliers for retaining rings", "paint marker", "jack", "axle stands", "catch pan", "wedge"]);
        tools.Count.ShouldBe(11);
        tools["pliers for cotter pins"].Note.ShouldBe("pin 5 mm");
        tools["wedge"].Note.ShouldContain("must come away");
    }

    [Fact]
    public void What_the_crib_lacks_is_marked_and_an_empty_crib_lacks_nothing()
    {
        var sheet = new Written().Joint("hitch bolts", "320 N·m", fastener: "M20 8.8 bolt, 30 mm").Steps("Torque the hitch bolts to 320 N·m.");
        Tools(sheet).Where(t => t.Lacking).Select(t => t.What).ShouldBe(["torque wrench for 320 N·m, 1/2 in"]);
        ToolList.Of(sheet.In(Workshop.Default).Walk(), Workshop.Default).ShouldAllBe(t => !t.Lacking);
    }

    [Fact]
    public void Sockets_stand_in_the_order_of_their_sizes()
    {
        var sheet = new Written();
        foreach (var (size, i) in new[] { 17, 8, 24, 10, 13 }.Select((s, i) => (s, i))) sheet.Joint($"cover {i} bolts", "9 N·m", fastener: $"bolt, {size} mm").Steps($"Loosen the cover {i} bolts.");
        Tools(sheet).Where(t => t.What.EndsWith("socket")).Select(t => t.What).ShouldBe(["8 mm socket", "10 mm socket", "13 mm socket", "17 mm socket", "24 mm socket"]);
    }
}
