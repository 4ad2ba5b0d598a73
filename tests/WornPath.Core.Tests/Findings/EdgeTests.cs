namespace WornPath.Core.Tests.Findings;

/// <summary>Edges of rules and of what their fixes write that no other case stands on: each was found by a mutant that lived.</summary>
public class EdgeTests
{
    private static Sheet Fixed(Written sheet, string rule, string title)
    {
        var fix = sheet.Findings().First(f => f.Rule == rule && f.Fixes.Any(x => x.Title == title)).Fixes.First(x => x.Title == title);
        return Editor.Apply(sheet.Sheet, fix.Edit).Value.Sheet;
    }

    private static string[] Texts(Sheet sheet) => [.. sheet.Steps.Select(s => s.Text)];

    [Theory]
    [InlineData("", new[] { 1 })]
    [InlineData("Loosen the pipe clamp.", new int[0])]
    public void A_clamp_holds_while_it_is_tight_and_lets_go_when_it_is_slack(string before, int[] found) =>
        new Written().Part("tail pipe").Joint("pipe clamp", "30 N·m", holds: "tail pipe")
            .Steps([.. before.Length > 0 ? [before] : Array.Empty<string>(), "Pull the tail pipe off.", "Push the tail pipe on. Torque the pipe clamp to 30 N·m."])
            .At("ORD001").ShouldBe(found);

    [Fact]
    public void A_caliper_that_is_hung_up_is_taken_off_its_hook_where_it_goes_on_and_not_where_it_is_cleaned() =>
        Texts(Fixed(new Written().Part("caliper").Joint("caliper bolts", "90 N·m", holds: "caliper").Thing(ThingKind.Aid, "wire hook")
            .Steps("Remove the caliper bolts and the caliper.", "Clean the caliper.", "Fit the caliper. Start the caliper bolts by hand.",
                "Torque the caliper bolts to 90 N·m."), "HAZ013", "Hang it up"))
            .ShouldBe(["Remove the caliper bolts and the caliper.", "Hang the caliper from the frame with a wire hook so that its hose is not pulled.",
                "Clean the caliper.", "Take the caliper off the wire hook. Remove the wire hook.", "Fit the caliper. Start the caliper bolts by hand.",
                "Torque the caliper bolts to 90 N·m."]);

    [Fact]
    public void Stands_go_away_before_the_lowering_behind_the_work_and_not_before_one_that_came_earlier() =>
        Texts(Fixed(new Written().Part("cover").Joint("cover bolts", "22 N·m", holds: "cover").Thing(ThingKind.Aid, "axle stands")
            .Steps("Raise the tractor.", "Lower the tractor.", "Raise the tractor.", "Remove the cover bolts and the cover.",
                "Fit the cover. Start the cover bolts by hand. Torque the cover bolts to 22 N·m.", "Lower the tractor."), "HAZ001", "Set it on stands first"))
            .ShouldBe(["Raise the tractor.", "Lower the tractor.", "Raise the tractor.", "Support the vehicle on the axle stands.",
                "Remove the cover bolts and the cover.", "Fit the cover. Start the cover bolts by hand. Torque the cover bolts to 22 N·m.",
                "Take away the axle stands.", "Lower the tractor."]);

    [Fact]
    public void Passes_begin_anew_where_the_bolts_were_out_between() =>
        new Written().Part("cover").Joint("cover bolts", "40 N·m", holds: "cover")
            .Steps("Remove the cover bolts and the cover.", "Fit the cover. Start the cover bolts by hand.", "Torque the cover bolts to 30 N·m in the first pass.",
                "Take the cover bolts out again.", "Start the cover bolts by hand.", "Torque the cover bolts to 20 N·m in the first pass.",
                "Torque the cover bolts to 40 N·m.")
            .At("TRQ015").ShouldBeEmpty();

    [Fact]
    public void A_new_part_of_the_kit_is_on_its_list_and_one_of_the_vehicle_that_goes_back_is_not() =>
        new Written().Part("cover", kit: true).Part("flange").Steps("Fit the new cover.", "Remove the flange.", "Fit the new flange.")
            .At("PRT003").ShouldBe([3]);

    [Fact]
    public void A_caution_written_anew_leaves_the_reason_why_another_was_taken_off()
    {
        var sheet = new Written().Steps("Clean the cover.").From(s => s with
        {
            Phases = [.. s.Phases.Select(p => p with
            {
                Steps = [.. p.Steps.Select(one => one with { Dropped = [new DroppedCaution("hot parts", "cold by then"), new DroppedCaution("dust", "wet by then")] })],
            })],
        }).Sheet;
        var caution = new Caution(SignalWord.Notice, "dust in the eyes", "It hurts.", "Wear glasses.");
        Editor.Apply(sheet, new WriteCaution(sheet.Steps.Single().Id, "dust", caution)).Value.Sheet.Steps.Single().Dropped
            .ShouldBe([new DroppedCaution("hot parts", "cold by then"), new DroppedCaution("dust", "written anew by the author")]);
    }
}
