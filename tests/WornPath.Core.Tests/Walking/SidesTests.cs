using WornPath.Core.Workshops;
using System.Collections.Immutable;
using WornPath.Core.Building;
using WornPath.Core.Printing;

namespace WornPath.Core.Tests.Walking;

/// <summary>What is written once and repeated on the other side is walked for both, each with states of its own.</summary>
public class SidesTests
{
    private static Written Hub(params string[] steps) => new Written().Part("wheel").Joint("wheel nuts", "130 N·m", holds: "wheel", fastener: "M12×1.5 10.9 nut, 19 mm")
        .Part("seal", fate: "replace").Set("wheel nuts", "count", "5").Steps(steps);

    private static string Ends(Walk walk, string id) => walk.AtEnd(id) is var end && walk.Things[id] is Joint ? end.Joint.Stage.ToString() : end.Part.Place.ToString();

    private static ImmutableArray<string> Verbs(Walk walk, string id) => [.. walk.EventsOf(id).Select(e => $"{e.StepIndex + 1} {e.Verb}")];

    [Fact]
    public void Steps_in_which_nothing_is_done_can_be_repeated_on_the_other_side_and_nothing_comes_of_it()
    {
        var sheet = Hub("Note: the hub is heavy.", "Lift the left-hand wheel off.", "Repeat step 1 on the right-hand side.");
        sheet.Walk().Events.Where(e => e.Verb == Verb.Remove).ShouldHaveSingleItem().StepIndex.ShouldBe(1);
    }

    [Theory]
    [InlineData("Repeat steps 1 and 2 on the right-hand side.", "right-hand wheel")]
    [InlineData("Do the other side the same way.", "other wheel")]
    [InlineData("Repeat on the left.", "left-hand wheel")]
    [InlineData("Steps 1 to 2 are repeated on the opposite side.", "other wheel")]
    [InlineData("Same again on the right.", "right-hand wheel")]
    [InlineData("Then carry out steps 1 and 2 on the other side as well.", "other wheel")]
    public void What_a_step_repeats_is_done_to_a_second_one(string repeat, string name)
    {
        var walk = Hub("Remove the wheel nuts.", "Lift the wheel off.", repeat).Walk();
        walk.Things["P1~"].Name.ShouldBe(name);
        walk.Things["P1~"].Label.ShouldBe($"P1 {name}");
        (Ends(walk, "P1"), Ends(walk, "P1~"), Ends(walk, "J1"), Ends(walk, "J1~")).ShouldBe(("OnBench", "OnBench", "Out", "Out"));
        Verbs(walk, "P1").ShouldBe(["2 Remove"]);
        Verbs(walk, "P1~").ShouldBe(["3 Remove"]);
        ((Joint)walk.Things["J1~"]).Holds.ShouldBe(["P1~"]);
        walk.Written.Things.ShouldNotContain(t => t.IsSecond);
        walk.Things.ContainsKey("P2~").ShouldBeFalse("nothing was done to the seal");
    }

    [Fact]
    public void What_is_said_of_no_side_is_done_on_both_and_what_names_one_on_that()
    {
        var walk = Hub("Break the wheel nuts loose.", "Remove the wheel nuts. Lift the wheel off.", "Repeat step 2 on the right-hand side.",
            "Lift the right-hand wheel on.", "Start the wheel nuts by hand on the right.", "Lift the wheel on, on the left-hand side.").Walk();
        Verbs(walk, "J1").ShouldBe(["1 BreakLoose", "2 TakeOut"]);
        Verbs(walk, "J1~").ShouldBe(["1 BreakLoose", "3 TakeOut", "5 Start"]);
        Verbs(walk, "P1").ShouldBe(["2 Remove", "6 Fit"]);
        Verbs(walk, "P1~").ShouldBe(["3 Remove", "4 Fit"]);
    }

    [Fact]
    public void A_lead_at_the_head_of_a_sentence_or_a_line_holds_for_it()
    {
        var walk = Hub("Lift the wheel off.", "Repeat step 1 on the right-hand side.", "On the right-hand side, lift the wheel on. Start the wheel nuts by hand.",
            "Left: lift the wheel on. Snug the wheel nuts.").Walk();
        Verbs(walk, "P1~").ShouldBe(["2 Remove", "3 Fit"]);
        Verbs(walk, "P1").ShouldBe(["1 Remove", "4 Fit"]);
        walk.Sheet.Steps.ElementAt(3).Actions.ShouldAllBe(a => a.Side == Side.Left);
    }

    [Fact]
    public void An_omission_on_one_side_is_found_on_that_side_and_one_on_both_is_said_once()
    {
        var one = Hub("Lift the wheel off.", "Repeat step 1 on the right-hand side.", "Lift the left-hand wheel on.").Findings();
        var found = one.Single(f => f.Rule == "CLO003");
        (found.Thing, found.Side, found.StepNumber).ShouldBe(("P1", Side.Other, 2));
        found.Message.ShouldContain("P1 right-hand wheel");
        var other = Hub("Lift the wheel off.", "Repeat step 1 on the right-hand side.", "Lift the right-hand wheel on.").Findings().Single(f => f.Rule == "CLO003");
        (other.Thing, other.Side, other.StepNumber, other.For).ShouldBe(("P1", null, 1, "the left-hand side"));
        var both = Hub("Lift the wheel off.", "Repeat step 1 on the right-hand side.").Findings().Where(f => f.Rule == "CLO003").ToList();
        both.Select(f => (f.Thing, f.Side, f.StepNumber, f.For)).ShouldBe([("P1", null, 1, "")]);
        found.Key.ShouldNotBe(both[0].Key);
        // Both fixes put right what they are for, on the side it is for.
        foreach (var (sheet, fix) in new[] { (Hub("Lift the wheel off.", "Repeat step 1 on the right-hand side.", "Lift the left-hand wheel on."), found.Fixes[0]),
            (Hub("Lift the wheel off.", "Repeat step 1 on the right-hand side.", "Lift the right-hand wheel on."), other.Fixes[0]) })
            sheet.Do(fix.Edit).Findings().Where(f => f.Rule is "CLO003" or "ORD004").ShouldBeEmpty(fix.Title);
    }

    [Fact]
    public void What_is_done_wrong_on_the_one_side_is_said_of_the_step_and_of_no_side()
    {
        var twice = Hub("Lift the wheel off.", "Repeat step 1 on the right-hand side.", "Lift the left-hand wheel on.", "Lift the right-hand wheel on.",
            "Lift the left-hand wheel on.").Findings().Single(f => f.Rule == "ORD004");
        (twice.Thing, twice.StepNumber, twice.For).ShouldBe(("P1", 5, ""));
    }

    [Fact]
    public void A_gasket_lies_under_what_it_is_named_after_on_its_own_side()
    {
        var sheet = new Written().Part("manifold").Part("manifold gasket", fate: "replace").Joint("manifold nuts", "27 N·m", holds: "manifold").Steps(
            "Remove the manifold nuts, the manifold and the manifold gasket.", "Fit the manifold.", "Fit the new manifold gasket.",
            "Start the manifold nuts by hand.", "Torque the manifold nuts to 27 N·m.", "Repeat steps 1 to 5 on the right-hand side.");
        sheet.At("ORD002").ShouldBe([2]);
        sheet.Findings().Single(f => f.Rule == "ORD002").For.ShouldBe("");
    }

    [Fact]
    public void The_vehicle_is_raised_again_only_where_the_whole_round_is_repeated()
    {
        const string raise = "Raise the front and set it on axle stands.", lower = "Lower the tractor to the ground.";
        var round = Hub(raise, "Lift the wheel off.", "Lift the wheel on.", lower, "Repeat on the other side.").Walk();
        round.EventsOf(Walk.Vehicle).Select(e => (e.StepIndex + 1, e.Verb)).ShouldContain((5, Verb.Raise));
        round.AtEnd(Walk.Vehicle).Vehicle.Height.ShouldBe(Height.OnGround);
        var up = Hub(raise, "Lift the wheel off.", "Repeat on the other side.", "Lift the wheels on.", lower).Walk();
        up.EventsOf(Walk.Vehicle).Count(e => e.Verb == Verb.Raise).ShouldBe(1);
        Verbs(up, "P1~").ShouldBe(["3 Remove", "4 Fit"]);
    }

    [Fact]
    public void A_second_repeat_in_a_phase_begins_where_the_first_ended()
    {
        var walk = Hub("Lift the wheel off.", "Repeat on the right-hand side.", "Lift the wheel on.", "Repeat on the right-hand side.").Walk();
        Verbs(walk, "P1").ShouldBe(["1 Remove", "3 Fit"]);
        Verbs(walk, "P1~").ShouldBe(["2 Remove", "4 Fit"]);
    }

    [Fact]
    public void What_a_vehicle_has_once_stays_one()
    {
        var walk = new Written().Part("wheel").Thing(ThingKind.Connection, "battery lead").Thing(ThingKind.Fluid, "brake fluid")
            .Steps("Disconnect the battery lead. Lift the wheel off.", "Do the same on the other side.").Walk();
        walk.Things.Keys.Where(k => k.EndsWith('~')).ShouldBe(["P1~"]);
    }

    [Fact]
    public void Numbers_in_a_repeat_follow_when_steps_come_go_and_move_and_undo_brings_them_back()
    {
        var sheet = Hub("Break the wheel nuts loose.", "Remove the wheel nuts.", "Lift the wheel off.", "Repeat steps 2 to 3 on the other side.");
        string Last() => sheet.Sheet.Steps.Last().Text;
        var before = sheet.Sheet;
        sheet.Do(new InsertStep(null, "h1", "S2", "Mark the wheel."));
        Last().ShouldBe("Repeat steps 2 to 4 on the other side.");
        sheet.Do(new InsertStep(null, "h1", null, "Chock the rear wheels."));
        Last().ShouldBe("Repeat steps 3 to 5 on the other side.");
        sheet.Do(new RemoveStep("S3", "Lift the wheel off."));
        Last().ShouldBe("Repeat steps 3 to 4 on the other side.");
        sheet.Do(new MoveStep("S1", "h1", "S2"));
        Last().ShouldBe("Repeat steps 2 to 4 on the other side.", "what is moved into the stretch is repeated with it");
        sheet.Sheet.Steps.Last().Actions.Single().Steps!.ToString().ShouldBe("2–4");
        var applied = Editor.Apply(before, new InsertStep("x", "h1", null, "Read all of it first.")).Value;
        applied.Sheet.Steps.Last().Text.ShouldBe("Repeat steps 3 to 4 on the other side.");
        applied.Delta.Inverse().ApplyTo(applied.Sheet).Value.Steps.Select(s => s.Text).ShouldBe(before.Steps.Select(s => s.Text));
        // What the author writes in the same breath is the author's.
        Editor.Apply(before, new Several("both", [new InsertStep("x", "h1", null, "Read all of it first."),
            new WriteStep("S4", before.Steps.Last().Text, "Repeat steps 2 to 3 on the left.")])).Value.Sheet.Steps.Last().Text.ShouldBe("Repeat steps 2 to 3 on the left.");
    }

    // Any order of inserting, removing and moving leaves the words about steps that were in the stretch.
    [Fact]
    public void Numbers_always_name_steps_of_the_stretch_they_named()
    {
        var random = new Random(11);
        for (var round = 0; round < 60; round++)
        {
            var sheet = Hub([.. Enumerable.Range(1, 9).Select(i => $"Clean the wheel {i} times."), "Repeat steps 4 to 6 on the other side."]);
            List<string> stretch = ["S4", "S5", "S6"];
            for (var edit = 0; edit < 6; edit++)
            {
                var steps = sheet.Sheet.Steps.Select(s => s.Id).ToList();
                var last = steps[^1];
                var others = steps.Where(id => id != "S10" && !stretch.Contains(id)).ToList();
                if (random.Next(2) == 0) sheet.Do(new InsertStep(null, "h1", random.Next(3) == 0 ? null : others[random.Next(others.Count)], "Look at the wheel."));
                else sheet.Do(new RemoveStep(others[0], sheet.Sheet.FindStep(others[0])!.Text));
                var now = sheet.Sheet.FindStep("S10")!.Actions.Single().Steps!.Ranges.Single();
                sheet.Sheet.Steps.Skip(now.First - 1).Take(now.Last - now.First + 1).Select(s => s.Id).ShouldBe(stretch);
                last.ShouldBe("S10");
            }
        }
    }

    [Fact]
    public void Ready_time_and_print_count_both_sides_and_the_sheet_has_each_row_once()
    {
        var once = Hub("Remove the wheel nuts. Lift the wheel off.", "Lift out the seal. Fit the new seal.");
        var twice = Hub("Remove the wheel nuts. Lift the wheel off.", "Lift out the seal. Fit the new seal.", "Repeat steps 1 and 2 on the right-hand side.");
        Needs.Parts(twice.Walk()).Single(i => i.Key == "part:P2").Amount.ShouldBe("2");
        Needs.Parts(once.Walk()).Single(i => i.Key == "part:P2").Amount.ShouldBe("1");
        Needs.Parts(twice.Walk()).Single(i => i.Key == "part:P2").Steps.ShouldBe([2, 3]);
        var (alone, both) = (TimePlan.Of(once.Walk()).HandsOnMinutes, TimePlan.Of(twice.Walk()).HandsOnMinutes);
        both.ShouldBe(2 * alone, 0.6);
        PrintedSheet.Of(twice.Walk()).Torques.Select(t => (t.Id, t.Note, string.Join(' ', t.Steps))).ShouldBe([("J1", "on each side", "1 3")]);
        ToolList.Of(twice.Walk(), twice.Workshop).SelectMany(t => t.For).ShouldAllBe(id => id == "J1");
    }

    [Fact]
    public void A_refit_of_what_was_repeated_says_so_and_is_clean()
    {
        var removal = new Written().Part("wheel").Joint("wheel nuts", "130 N·m", holds: "wheel", fastener: "M12×1.5 10.9 nut, 19 mm").Set("wheel nuts", "count", "5")
            .Set("wheel nuts", "pattern", "circle").Thing(ThingKind.Aid, "chocks").Thing(ThingKind.Aid, "axle stands")
            .Steps("Chock the front wheels.", "Break the wheel nuts loose.", "Raise the rear and set it on axle stands.", "Remove the wheel nuts. Lift the wheel off.",
                "Repeat step 4 on the right-hand side.");
        var edit = ReverseBuilder.EditFor(removal.Walks().Whole, "h1")!;
        var built = removal.Do(edit);
        built.Sheet.Phases[1].Steps.Select(s => s.Text).ShouldContain("Repeat on the right-hand side.");
        built.Findings().Where(f => f.Severity == Severity.Stop || f.Rule.StartsWith("ORD", StringComparison.Ordinal)).Select(f => $"{f.StepNumber} {f.Rule} {f.Message}").ShouldBeEmpty();
        built.Walk().AtEnd("P1~").Part.Place.ShouldBe(PartPlace.On);
    }

    // A step that repeats what it says itself, and steps that repeat steps that repeat: each is done once more, and no more.
    [Fact]
    public void What_repeats_is_not_repeated_itself()
    {
        var own = Hub("Lift the wheel off, then repeat on the other side.").Walk();
        Verbs(own, "P1~").ShouldBe(["1 Remove"]);
        TimePlan.Of(own).HandsOnMinutes.ShouldBe(5, 0.6);
        string[] chain = ["Lift the wheel off.", .. Enumerable.Range(1, 40).Select(n => $"Repeat steps 1 to {n} on the other side.")];
        var walk = Hub(chain).Walk();
        Verbs(walk, "P1~").Length.ShouldBe(40);
        TimePlan.Of(walk).HandsOnMinutes.ShouldBeLessThan(41 * 5);
        // Repeats of everything, over and over: walked as far as any job goes, and said.
        var many = Hub([.. Enumerable.Repeat("Lift the wheel off. Lift the wheel on.", 60), .. Enumerable.Range(1, 190).Select(_ => "Repeat steps 1 to 60 on the other side.")]);
        many.Walk().Events.Count.ShouldBeLessThan(25_000);
        many.At("ORD019").Length.ShouldBe(1);
    }

    [Fact]
    public void Bench_and_chart_show_the_one_and_the_other()
    {
        var walk = Hub("Lift the wheel off.", "Repeat step 1 on the right-hand side.", "Lift the left-hand wheel on.").Walk();
        Bench.After(walk, 2).Off.Select(l => (l.Name, l.Since)).ShouldBe([("right-hand wheel", 2)]);
        Chart.Of(walk).Rows.Where(r => r.Name.EndsWith("wheel", StringComparison.Ordinal)).Select(r => (r.Name, r.OpenAtEnd))
            .ShouldBe([("left-hand wheel", false), ("right-hand wheel", true)]);
    }

    [Theory]
    [InlineData("6, 7, 9–17")]
    [InlineData("3")]
    public void Step_numbers_are_read_as_they_are_written(string text) => StepNumbers.Parse(text).Value.ToString().ShouldBe(text);

    [Theory]
    [InlineData("")]
    [InlineData("9–6")]
    [InlineData("0")]
    [InlineData("4001")]
    [InlineData("6–7–8")]
    [InlineData("six")]
    public void What_names_no_steps_is_refused(string text) => StepNumbers.Parse(text).IsGood.ShouldBeFalse();
}
