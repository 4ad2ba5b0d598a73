using CsCheck;

namespace WornPath.Core.Tests.Walking;

/// <summary>The fasteners of a joint are counted: two out and the third hand-tight is one state.</summary>
public class CountedFastenerTests
{
    private static Written Cover() => new Written().Part("cover").Joint("cover bolts", "22 N·m", holds: "cover").Set("cover bolts", "count", "4");

    private static string Bench(Written sheet) =>
        string.Join("; ", Core.Walking.Bench.After(sheet.Walk(), sheet.Sheet.Steps.Count() - 1) is var bench ? bench.Off.Concat(bench.Slack).Concat(bench.Done).Where(l => l.Id == "J1").Select(l => l.Says) : []);

    [Theory]
    [InlineData("2 out, 2 tight", "Take out two of the cover bolts.")]
    [InlineData("3 out, 1 tight", "Take out three of the four cover bolts.")]
    [InlineData("out", "Take out two of the cover bolts.", "Take out the other two.")]
    [InlineData("out", "Take out all but one of the cover bolts.", "Remove the last cover bolt.")]
    // Of those that are loose two come out, and not of those that are tight.
    [InlineData("2 out, 2 tight", "Break two of the cover bolts loose.", "Take out two of the cover bolts.")]
    [InlineData("1 out, 3 broken loose", "Break the cover bolts loose.", "Take out one of the cover bolts.")]
    [InlineData("2 hand-tight, 2 torqued", "Take out the cover bolts.", "Start the cover bolts by hand.", "Torque two of the cover bolts to 22 N·m.")]
    [InlineData("torqued", "Take out the cover bolts.", "Start the cover bolts by hand.", "Torque two of the cover bolts to 22 N·m.", "Torque the other two to 22 N·m.")]
    [InlineData("2 out, 1 hand-tight, 1 torqued", "Take out the cover bolts.", "Start two of the cover bolts by hand.", "Torque one of the cover bolts to 22 N·m.")]
    public void The_bench_says_how_many_are_in_which_state(string says, params string[] steps) =>
        Bench(Cover().Steps(steps)).Split(", never")[0].Split(", torque in")[0].ShouldBe(says);

    [Fact]
    public void A_sheet_that_tightens_two_of_four_does_not_pass()
    {
        string[] steps = ["Take out the cover bolts.", "Remove the cover.", "Fit the cover.", "Start the cover bolts by hand.", "Torque two of the cover bolts to 22 N·m."];
        var half = Cover().Steps(steps);
        half.Findings().Single(f => f.Rule == "CLO002").Message.ShouldBe("Of J1 cover bolts, 4 in all, 2 are left hand-tight here and never tightened to 22 N·m.");
        half.At("CLO002").ShouldBe([5]);
        half.Steps("Torque the remaining cover bolts to 22 N·m.").At("CLO002").ShouldBeEmpty();
    }

    [Fact]
    public void One_bolt_left_in_holds_the_part_and_one_left_out_is_missed()
    {
        var held = Cover().Steps("Take out three of the cover bolts.", "Remove the cover.");
        held.Findings().Single(f => f.Rule == "ORD001").Message.ShouldBe("Taken off while 1 of 4 J1 cover bolts still holds it: P1 cover.");
        var missing = Cover().Steps("Take out the cover bolts.", "Start three of the cover bolts by hand.", "Torque three of the cover bolts to 22 N·m.");
        missing.Findings().Single(f => f.Rule == "CLO002").Message.ShouldBe("Of J1 cover bolts, 4 in all, 1 is left out here and never tightened to 22 N·m.");
        missing.At("CLO001").ShouldBeEmpty();
    }

    [Fact]
    public void What_is_put_on_some_of_them_is_not_on_the_others()
    {
        // Two go in new, two old: the old ones are found.
        var renewed = new Written().Joint("cover bolts", "22 N·m", reuse: "renew").Set("cover bolts", "count", "4")
            .Steps("Take out the cover bolts.", "Start two of the new cover bolts by hand.", "Start the other two by hand.");
        renewed.At("PRT001").ShouldBe([3]);
        // Torqued from out, the other two of them.
        Cover().Steps("Take out the cover bolts.", "Start two of the cover bolts by hand.", "Torque the cover bolts to 22 N·m.").At("TRQ014").ShouldBe([3]);
    }

    [Fact]
    public void The_chart_draws_the_state_of_those_furthest_from_done_and_says_all()
    {
        var sheet = Cover().Steps("Take out two of the cover bolts.", "Take out the other two.", "Start the cover bolts by hand.",
            "Torque three of the cover bolts to 22 N·m.");
        var bands = Chart.Of(sheet.Walk()).Rows.Single(r => r.Id == "J1").Bands;
        bands.Select(b => b.Says).ShouldBe(["tight", "2 out, 2 tight", "out", "hand-tight", "1 hand-tight, 3 torqued"]);
        bands.Select(b => b.Glyph!.Some).ShouldBe([false, true, false, false, true]);
        bands.Select(b => b.Glyph!.Stage).ShouldBe([JointStage.Tight, JointStage.Out, JointStage.Out, JointStage.Started, JointStage.Started]);
        bands[^1].Open.ShouldBeTrue();
    }

    [Fact]
    public void What_is_owed_a_torque_is_due_where_the_last_of_them_gets_it()
    {
        var sheet = Cover().Steps("Take out the cover bolts.", "Start the cover bolts by hand.", "Torque two of the cover bolts to 22 N·m.",
            "Clean the cover.", "Torque the other two to 22 N·m.");
        TorqueLedger.After(sheet.Walk(), 2).ShouldHaveSingleItem().Due.ShouldBe(5);
        TorqueLedger.After(sheet.Walk(), 4).ShouldBeEmpty();
    }

    [Fact]
    public void A_refit_puts_back_those_that_came_out_though_one_stayed_in()
    {
        var sheet = Cover().Steps("Take out three of the cover bolts.");
        string.Join(' ', Core.Building.ReverseBuilder.Propose(sheet.Walk(), "h1")).ShouldContain("Start the cover bolts by hand.");
    }

    [Fact]
    public void As_many_as_there_are_or_more_are_all_of_them()
    {
        Bench(Cover().Steps("Take out four of the cover bolts.")).ShouldBe("out");
        // The rest of what is all out: a slip, and found.
        Cover().Steps("Take out the cover bolts.", "Take out the remaining cover bolts.").At("ORD005").ShouldBe([2]);
    }

    [Fact]
    public void What_the_words_count_is_walked_after_a_file_and_an_undo()
    {
        var sheet = Cover().Steps("Take out two of the cover bolts.");
        var back = SheetJson.Read(SheetJson.Write(sheet.Sheet));
        Walker.Run(back).AtEnd("J1").ShouldBe(sheet.Walk().AtEnd("J1"));
        var applied = Editor.Apply(sheet.Sheet, new WriteStep(sheet.Step(1).Id, sheet.Step(1).Text, "Take out the cover bolts.")).Value;
        Walker.Run(applied.Sheet).AtEnd("J1").Joint.IsOut.ShouldBeTrue();
        Walker.Run(applied.Delta.Inverse().ApplyTo(applied.Sheet).Value).AtEnd("J1").ShouldBe(sheet.Walk().AtEnd("J1"));
    }

    [Fact]
    public void None_is_lost_or_made_and_what_is_done_to_all_leaves_them_alike()
    {
        (Verb Verb, string Name)[] done = [(Verb.BreakLoose, "broken loose"), (Verb.TakeOut, "out"), (Verb.Start, "hand-tight"), (Verb.Snug, "snug"), (Verb.Torque, "torqued")];
        var joint = new Joint { Id = "J1", Name = "cover bolts", Count = 7 };
        Gen.Select(Gen.Int[0, done.Length - 1], Gen.Int[0, 8]).Array[1, 14].Sample(chosen =>
        {
            // 0: all of them; 8: the rest.
            var steps = chosen.Select((c, i) => new Step
            {
                Id = $"s{i}",
                Text = "x",
                Actions = [new StepAction { Verb = done[c.Item1].Verb, Target = "J1", Some = c.Item2 is 0 or 8 ? null : c.Item2, Rest = c.Item2 == 8 }],
            });
            var walk = Walker.Run(Sheet.Empty with { Joints = [joint], Phases = [new Phase { Id = "h", Name = "Work", Steps = [.. steps] }] });
            for (var n = 0; n < chosen.Length; n++)
            {
                var (before, after) = (walk.AfterStep("J1", n - 1).Joint, walk.AfterStep("J1", n).Joint);
                if (after.Counts is { } counts)
                {
                    counts.Groups.Sum(g => g.Count).ShouldBe(7);
                    counts.Groups.Select(g => g.State).Distinct().Count().ShouldBe(counts.Groups.Count);
                    counts.Groups.ShouldAllBe(g => g.Count > 0 && g.State.Counts == null);
                    (after with { Counts = null }).ShouldBe(counts.Groups[0].State);
                }

                // So many of them: as many as are named have moved there, or were all that could.
                var (verb, many) = (done[chosen[n].Item1].Verb, chosen[n].Item2);
                if (verb == Verb.TakeOut) Out(after).ShouldBe(many is 0 or 8 ? 7 : Out(before) == 7 ? 7 : Math.Min(7, Out(before) + many));
                if (verb == Verb.Torque) At(after, JointStage.Torqued).ShouldBeGreaterThanOrEqualTo(many is 0 or 8 ? 7 - At(before, JointStage.Tight) : 0);
            }
        }, iter: 400);

        static int Out(JointState state) => At(state, JointStage.Out);
        static int At(JointState state, JointStage stage) => state.Counts is { } counts ? counts.Groups.Where(g => g.State.Stage == stage).Sum(g => g.Count) : state.Stage == stage ? 7 : 0;
    }
}
