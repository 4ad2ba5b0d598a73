namespace WornPath.Core.Tests.Walking;

/// <summary>A part off the vehicle can still be taken apart and put together: what sits on it comes and goes with it.</summary>
public class SubassemblyTests
{
    private static Written Knuckle(params string[] steps) =>
        new Written().Part("knuckle").Part("hub").Part("hub bearing", fate: "replace").Part("snap ring").Steps(steps);

    private static string Place(Walk walk, string id, int step) => walk.AfterStep(id, step - 1).Part.Place.ToString();

    [Theory]
    [InlineData("Lift the knuckle off, with the hub in it.")]
    [InlineData("Take the knuckle off together with the hub.")]
    [InlineData("Carry the knuckle, with the hub in it, to the bench.")]
    [InlineData("Remove the knuckle complete with the hub.")]
    [InlineData("Lift the knuckle out with the hub still in it.")]
    public void What_comes_off_with_a_part_is_on_it_until_it_is_taken_off_for_itself(string off)
    {
        var walk = Knuckle(off, "Press the hub out of the knuckle.", "Press the hub into the knuckle.", "Lift the knuckle on.").Walk();
        (Place(walk, "P1", 1), Place(walk, "P2", 1)).ShouldBe(("OnBench", "Carried"));
        walk.HostAfterStep("P2", 0)!.Id.ShouldBe("P1");
        (Place(walk, "P1", 2), Place(walk, "P2", 2)).ShouldBe(("OnBench", "OnBench"));
        (Place(walk, "P1", 3), Place(walk, "P2", 3)).ShouldBe(("OnBench", "Carried"));
        (Place(walk, "P1", 4), Place(walk, "P2", 4)).ShouldBe(("On", "On"));
    }

    // Said out of order, of nothing, or twice: read all the same, and what is said to come along names what it is on or nothing.
    [Theory]
    [InlineData("The hub comes along with it. Fit the snap ring.")]
    [InlineData("The hub comes away with it.")]
    [InlineData("Lift the knuckle off. Carry the knuckle, with the hub in it, to the bench. Lay it on the trolley.")]
    [InlineData("With the hub in it, lift the knuckle off and the snap ring with it.")]
    [InlineData("Press the hub into the hub. Lift the hub off with the hub in it.")]
    public void Whatever_is_said_of_it_is_read(string said)
    {
        var sheet = Knuckle(said, "Lift the knuckle on.").Sheet;
        foreach (var action in sheet.Steps.SelectMany(s => s.Actions))
        {
            action.Ids.ShouldAllBe(id => sheet.Find(id) != null);
            (action.Host ?? "").ShouldNotBe(action.Target);
        }

        Walker.Run(sheet).Events.Count.ShouldBeGreaterThan(0);
    }

    [Fact]
    public void What_sits_on_a_part_by_the_table_needs_no_words()
    {
        var sheet = Knuckle("Lift the knuckle off.", "Lift the knuckle on.").Set("hub", "sitsOn", "knuckle").Set("snap ring", "sitsOn", "P2");
        var walk = sheet.Walk();
        (Place(walk, "P2", 1), Place(walk, "P4", 1), Place(walk, "P3", 1)).ShouldBe(("Carried", "Carried", "On"));
        (Place(walk, "P2", 2), Place(walk, "P4", 2)).ShouldBe(("On", "On"));
        Bench.After(walk, 0).Off.Select(l => (l.Id, l.Says)).ShouldBe([("P1", "off"), ("P2", "on knuckle"), ("P4", "on hub")]);
        sheet.Findings().ShouldNotContain(f => f.Rule == "CLO003");
    }

    [Fact]
    public void A_part_may_not_sit_on_what_sits_on_it()
    {
        var sheet = Knuckle("Lift the knuckle off.").Set("hub", "sitsOn", "knuckle").Sheet;
        foreach (var (part, host, why) in new[] { ("P1", "hub", "which sits on it"), ("P2", "hub", "itself"), ("P1", "engine", "No part is called") })
        {
            var was = (Part)sheet.Find(part)!;
            Editor.Apply(sheet, new SetField(part, "sitsOn", was.SitsOn ?? "", host)).Problem!.What.ShouldContain(why);
        }
    }

    [Fact]
    public void The_other_side_sits_on_its_own_side()
    {
        var sheet = new Written().Part("left knuckle").Part("left hub").Set("left hub", "sitsOn", "left knuckle").Steps("Lift the left knuckle off.",
            "Press the left hub out.");
        sheet.Do(Core.Building.Mirror.Of(sheet.Sheet, "h1").Value.Edit!);
        var hub = (Part)sheet.Sheet.Things.Single(t => t.Name == "right hub");
        sheet.Sheet.Find(hub.SitsOn!)!.Name.ShouldBe("right knuckle");
    }

    // An undo beside another edit may bring a circle about, and so may a file: nothing runs round in it.
    [Fact]
    public void A_circle_of_what_sits_on_what_is_walked_and_mended()
    {
        var sheet = Knuckle("Lift the knuckle off.", "Lift the knuckle on.").From(s => s with
        {
            Parts = [.. s.Parts.Select(p => p.Id switch { "P1" => p with { SitsOn = "P2" }, "P2" => p with { SitsOn = "P1" }, _ => p })],
        });
        sheet.Walk().AtEnd("P1").Part.Place.ShouldBe(PartPlace.On);
        sheet.Set("snap ring", "sitsOn", "knuckle").Set("knuckle", "sitsOn", "");
        ((Part)sheet.Sheet.Find("P1")!).SitsOn.ShouldBeNull();
    }

    [Fact]
    public void What_is_left_on_an_old_part_goes_with_it()
    {
        string[] steps = ["Lift the knuckle off.", "Throw the knuckle away.", "Lift the new knuckle on."];
        var left = Knuckle(steps).Set("hub", "sitsOn", "knuckle").Set("knuckle", "fate", "replace").Findings().Single(f => f.Rule == "CLO003");
        (left.Thing, left.StepNumber).ShouldBe(("P2", 3));
        left.Message.ShouldContain("goes with the old P1 knuckle");
        var moved = Knuckle(steps[0], "Press the hub out of the old knuckle.", "Press the hub into the new knuckle.", steps[2]).Set("hub", "sitsOn", "knuckle")
            .Set("knuckle", "fate", "replace");
        moved.Findings().ShouldNotContain(f => f.Rule == "CLO003");
    }

    [Fact]
    public void An_old_part_that_comes_back_on_what_it_sits_on_is_not_renewed()
    {
        var kept = Knuckle("Lift the knuckle off.", "Lift the knuckle on.").Set("hub bearing", "sitsOn", "knuckle").Findings().Single(f => f.Rule == "PRT001");
        (kept.Thing, kept.StepNumber).ShouldBe(("P3", 2));
    }

    [Fact]
    public void A_joint_on_the_bench_holds_what_is_on_the_bench()
    {
        var rod = new Written().Part("cylinder").Part("rod").Part("piston").Joint("piston nut", "250 N·m", holds: "piston");
        var apart = rod.Steps("Draw the rod out, with the piston on it.", "Pull the piston off the rod.", "Slide the piston onto the rod.",
            "Start the piston nut by hand and torque it to 250 N·m.", "Push the rod in.");
        apart.Findings().Where(f => f.Rule is "ORD001" or "ORD003").Select(f => (f.Rule, f.StepNumber)).ShouldBe([("ORD001", 2)], "the nut is still on");
    }

    [Fact]
    public void Order_is_kept_within_what_is_on_the_bench()
    {
        Written Job(params string[] steps) => Knuckle(steps).Set("hub bearing", "behind", "snap ring").Set("hub bearing", "sitsOn", "knuckle")
            .Set("snap ring", "sitsOn", "knuckle");
        Job("Lift the knuckle off.", "Press the hub bearing out.", "Take the snap ring out.").Findings()
            .ShouldContain(f => f.Rule == "ORD006" && f.StepNumber == 2);
        Job("Lift the knuckle off.", "Take the snap ring out.", "Press the hub bearing out.", "Fit the snap ring.", "Press the new hub bearing in.")
            .Findings().ShouldContain(f => f.Rule == "ORD002" && f.StepNumber == 4);
        Job("Lift the knuckle off.", "Take the snap ring out.", "Press the hub bearing out.", "Press the new hub bearing in.", "Fit the snap ring.",
            "Lift the knuckle on.")
            .Findings().ShouldNotContain(f => f.Rule.StartsWith("ORD", StringComparison.Ordinal) || f.Rule.StartsWith("CLO", StringComparison.Ordinal));
    }

    [Fact]
    public void A_jack_under_the_arm_loads_the_suspension_in_the_air()
    {
        Written Job(string under) => new Written().Part("control arm").Joint("arm bolt", "90 N·m", holds: "control arm").Set("arm bolt", "condition",
            "suspension loaded")
            .Steps("Raise the front and set it on axle stands.", "Take out the arm bolt. Take the control arm off.",
                "Fit the control arm. Start the arm bolt by hand.",
                under, "Torque the arm bolt to 90 N·m.", "Take the jack away.", "Lower the tractor to the ground.");
        var loaded = Job("Put a jack under the control arm and raise the arm until the spring carries the weight.");
        loaded.Findings().ShouldNotContain(f => f.Rule == "TRQ012");
        var walk = loaded.Walk();
        (walk.AfterStep(Walk.Vehicle, 3).Vehicle.Loaded, walk.AfterStep(Walk.Vehicle, 5).Vehicle.Loaded).ShouldBe((true, false));
        Job("Put a jack under the engine.").Findings().ShouldContain(f => f.Rule == "TRQ012" && f.StepNumber == 5);
    }
}
