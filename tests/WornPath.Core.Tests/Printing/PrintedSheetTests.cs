using WornPath.Core.Printing;

namespace WornPath.Core.Tests.Printing;

public class PrintedSheetTests
{
    private static PrintedSheet Printed() => PrintedSheet.Of(new Written()
        .Part("front wheel").Part("oil seal", fate: "replace").Thing(ThingKind.Tool, "seal driver").Thing(ThingKind.Aid, "rag").Thing(ThingKind.Aid, "wedge")
        .Joint("wheel nuts", "130 N·m", fastener: "M14x1.5 10.9 nut, 24 mm").Joint("hub nut", "22–28 N·m", fastener: "M24x1.5 castle nut, 36 mm", locking: "cotter pin").Joint("idle bolts", "9 N·m", fastener: "M6 8.8 bolt, 10 mm")
        .Set("wheel nuts", "count", "5")
        .Steps("Raise the tractor.", "Support the tractor on stands.", "Remove the wheel nuts and the front wheel.", "Stuff the rag into the bore.", "Torque the hub nut to 25 N·m.", "Raise the tractor again.", "Fit the oil seal with the seal driver.").Walk());

    [Fact]
    public void A_caution_stands_before_the_first_step_it_is_for_and_only_there()
    {
        var steps = Printed().Phases.Single().Steps;
        steps[0].Cautions.ShouldHaveSingleItem().Signal.ShouldBe(SignalWord.Warning);
        steps.Skip(1).ShouldAllBe(s => s.Cautions.IsEmpty);
    }

    [Fact]
    public void The_torque_table_shows_both_units_and_the_steps()
    {
        var row = Printed().Torques.Single(t => t.Id == "J2");
        (row.Value, row.Counterpart, row.After).ShouldBe(("22–28 N·m", "16.4–20.6 lbf·ft", "new cotter pin"));
        row.Steps.ShouldBe([5]);
    }

    [Fact]
    public void A_step_tells_which_joints_are_brought_to_a_value_at_it()
    {
        var steps = Printed().Phases.Single().Steps;
        steps.Single(s => s.Number == 5).Tightens.ShouldBe([new("J2", "22–28 N·m", null)]);
        steps.Where(s => s.Number != 5).ShouldAllBe(s => s.Tightens.IsEmpty);
        // At a first pass the wrench is set to the pass, not to the full value.
        PrintedSheet.Of(new Written().Joint("cap screws", "40 N·m").Set("cap screws", "count", "4")
                .Steps("Torque the cap screws to 20 N·m in the first pass, crosswise.", "Torque the cap screws to 40 N·m, crosswise.").Walk())
            .Phases.Single().Steps.Select(s => s.Tightens.Single()).ShouldBe([new("J1", "20 N·m", 1), new("J1", "40 N·m", null)]);
    }

    [Fact]
    public void What_is_done_after_the_job_stands_together_with_when_and_to_which_value()
    {
        var sheet = PrintedSheet.Of(new Written().Joint("wheel nuts", "130 N·m").Set("wheel nuts", "count", "5").Joint("tie bolt", "20 N·m")
            .Steps("Torque the wheel nuts to 130 N·m.", "Torque the tie bolt.", "Retorque the wheel nuts after the first 50 km.",
                "Retorque the wheel nuts and the tie bolt after 10 hours.").Walk());
        sheet.Later.Select(l => (l.Joint, l.Value, l.Step)).ShouldBe([("J1", "130 N·m", 3), ("J1", "130 N·m", 4), ("J2", "20 N·m", 4)]);
        sheet.Later[0].When.ShouldContain("first 50 km");
        sheet.Later[0].What.ShouldEndWith("5 × wheel nuts");
        Printed().Later.ShouldBeEmpty();
    }

    [Fact]
    public void What_is_only_snugged_is_owed_until_the_step_that_does_it()
    {
        var phase = PrintedSheet.Of(new Written().Joint("hose fittings", "snug").Do(new InsertPhase("h2", "h1", "Refit"))
            .Steps("Slacken the hose fittings.").Do(new InsertStep(null, "h2", null, "Snug the hose fittings.")).Walk()).Phases[0];
        phase.Owed.ShouldHaveSingleItem().Due.ShouldBe(2);
    }

    [Fact]
    public void Tools_are_those_the_used_fasteners_need_with_the_joints_they_are_for()
    {
        var tools = Printed().Tools.Select(t => (t.What, string.Join(", ", t.For))).ToList();
        tools.ShouldContain(("24 mm socket", "J1"));
        tools.ShouldContain(("36 mm socket", "J2"));
        tools.ShouldContain(("seal driver", ""));
        tools.ShouldNotContain(t => t.What.StartsWith("10 mm"), "no step uses J3");
        tools.ShouldContain(t => t.What == "rag");
        tools.ShouldNotContain(t => t.What == "wedge");
    }

    [Fact]
    public void Parts_are_those_to_have_in_hand_pins_and_replacements_among_them()
    {
        var parts = Printed().Parts.Select(p => p.What).ToList();
        parts.ShouldBe(["oil seal", "cotter pin for the hub nut, 5 mm"]);
    }
}
