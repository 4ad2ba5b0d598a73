using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Building;

namespace WornPath.Core.Tests.Walking;

/// <summary>What the walk knows beside joints and parts: what the vehicle stands on and which end is up, controls, what is exchanged where it lies.</summary>
public class FacetTests
{
    private static VehicleState Vehicle(Written sheet, int step) => sheet.Walk().AfterStep(Walk.Vehicle, step - 1).Vehicle;

    [Theory]
    [InlineData("Raise the front axle.", Height.Raised, Ends.Front)]
    [InlineData("Raise the rear axle and set it on stands.", Height.OnStands, Ends.Rear)]
    [InlineData("Raise the back end.", Height.Raised, Ends.Rear)]
    [InlineData("Raise the left rear corner.", Height.Raised, Ends.Left | Ends.Rear)]
    [InlineData("Raise the tractor on the lift.", Height.OnLift, Ends.None)]
    [InlineData("Raise the tractor.", Height.Raised, Ends.None)]
    public void The_vehicle_stands_as_the_words_say_and_the_end_that_is_named_is_up(string sentence, Height height, Ends up)
    {
        var state = Vehicle(new Written().Steps(sentence), 1);
        (state.Height, state.Up, state.PedalSoft).ShouldBe((height, up, false));
    }

    // Each end has its own height: what one is raised, set on stands and lowered as does not move the other.
    [Theory]
    [InlineData("front on stands", "Raise the front axle and set it on stands.")]
    [InlineData("rear raised, not on stands; front on stands", "Raise the front axle and set it on stands.", "Raise the rear axle.")]
    [InlineData("front on stands; rear on stands", "Raise the front axle and set it on stands.", "Raise the rear axle.", "Set the rear axle on stands.")]
    [InlineData("front on stands; rear on stands", "Raise the front axle and set it on stands.", "Raise the rear axle.", "Support it on stands.")]
    [InlineData("front on stands", "Raise the front axle and set it on stands.", "Raise the rear axle.", "Lower the rear axle to the ground.")]
    [InlineData("front on stands; rear tyres just touching", "Raise the front end and set it on stands.", "Raise the rear end.",
        "Lower the rear end until the tyres just touch.")]
    [InlineData("on the ground", "Raise the front axle and set it on stands.", "Raise the rear axle.", "Lower the tractor to the ground.")]
    [InlineData("front raised, not on stands", "Raise the front axle and set it on stands.", "Raise the front end again.")]
    [InlineData("front raised, not on stands", "Raise the front axle and set it on stands.", "Jack the tractor up again.")]
    [InlineData("left front raised, not on stands", "Raise the left front corner.")]
    [InlineData("on the ground", "Raise the left side.", "Lower the left front wheel to the ground.")]
    [InlineData("right raised, not on stands", "Raise the left side.", "Lower it to the ground.", "Raise the right side.")]
    [InlineData("raised, not on stands", "Raise the tractor.", "Raise the front axle a little more.")]
    public void Each_end_stands_as_the_words_say_of_it(string says, params string[] steps) =>
        Bench.After(new Written().Steps(steps).Walk(), steps.Length - 1).Vehicle[0].Says.ShouldBe(says);

    [Fact]
    public void A_wheel_is_judged_by_its_own_end()
    {
        string[] start = ["Chock the wheels.", "Break the front wheel nuts loose.", "Raise the front axle and set it on the front stands.",
            "Raise the rear axle and set it on the rear stands.", "Remove the front wheel nuts and the front wheel.", "Fit the front wheel. Snug the front wheel nuts."];
        Written Sheet(params string[] end) => new Written().Part("front wheel").Joint("front wheel nuts", "150 N·m", holds: "P1")
            .Thing(ThingKind.Aid, "front stands").Thing(ThingKind.Aid, "rear stands")
            .Steps([.. start, .. end]);
        var apart = Sheet("Take the front stands away.", "Lower the front axle to the ground.", "Torque the front wheel nuts.", "Take the rear stands away.",
            "Lower the rear axle to the ground.");
        apart.At("TRQ002").ShouldBeEmpty();
        apart.At("HAZ008").ShouldBeEmpty();
        apart.At("CLO007").ShouldBeEmpty();
        var wrongEnd = Sheet("Take the rear stands away.", "Lower the rear axle to the ground.", "Torque the front wheel nuts.");
        wrongEnd.At("TRQ002").ShouldBe([9]);
        wrongEnd.Findings().Single(f => f.Rule == "CLO007").Message.ShouldStartWith("The vehicle's front is set on stands here");
        wrongEnd.At("CLO007").ShouldBe([3]);
        Sheet("Lower the front axle to the ground.").At("HAZ008").ShouldBe([7]);
        // Loosened for the first time in the air, and with the other end in the air.
        new Written().Joint("front wheel nuts", "150 N·m").Steps("Raise the rear axle.", "Loosen the front wheel nuts.").At("HAZ009").ShouldBeEmpty();
        new Written().Joint("front wheel nuts", "150 N·m").Steps("Raise the front axle.", "Loosen the front wheel nuts.").At("HAZ009").ShouldBe([2]);
    }

    [Fact]
    public void What_went_up_on_one_side_goes_up_on_the_other_when_it_is_repeated()
    {
        var sheet = new Written().Joint("axle nut", "90 N·m").Steps("Raise the left side.", "Loosen the axle nut on the left.", "Lower the tractor.",
            "Repeat steps 1 to 3 on the right-hand side.");
        sheet.Walk().Doing(Verb.Raise).Select(e => e.After.Vehicle.Up).ShouldBe([Ends.Left, Ends.Right]);
    }

    [Theory]
    [InlineData("right side")]
    [InlineData("right rear corner")]
    [InlineData("rear end")]
    public void What_a_refit_says_of_an_end_is_read(string end)
    {
        var sheet = new Written().Part("hitch").Steps("Raise the left front corner.", $"Raise the {end}.", "Remove the hitch.");
        sheet.Do(ReverseBuilder.EditFor(sheet.Walk(), sheet.Sheet.Phases[0].Id)!);
        sheet.Sheet.Steps.Select(s => s.Text).ShouldContain($"Lower the {end} to the ground.");
        sheet.At("CLO007").ShouldBeEmpty();
        Bench.After(sheet.Walk(), 4).Vehicle[0].Says.ShouldBe("left front raised, not on stands");
    }

    [Fact]
    public void A_refit_lowers_each_end_where_it_was_raised()
    {
        var sheet = new Written().Part("hitch").Part("step").Steps("Raise the front axle.", "Remove the step.", "Raise the rear axle.", "Remove the hitch.");
        ReverseBuilder.Propose(sheet.Walk(), sheet.Sheet.Phases[0].Id).ShouldBe(["Fit the hitch.", "Lower the rear end to the ground.", "Fit the step.",
            "Lower the vehicle to the ground."]);
    }

    [Fact]
    public void Without_its_stands_it_is_held_by_what_raised_it_and_on_the_ground_no_end_is_up()
    {
        var sheet = new Written().Steps("Raise the front axle and set it on axle stands.", "Take the axle stands away.", "Lower the tractor to the ground.");
        new[] { 1, 2, 3 }.Select(n => Vehicle(sheet, n).Height).ShouldBe([Height.OnStands, Height.Raised, Height.OnGround]);
        Vehicle(sheet, 2).Up.ShouldBe(Ends.Front);
        Vehicle(sheet, 3).Up.ShouldBe(Ends.None);
        Bench.After(sheet.Walk(), 1).Vehicle[0].Says.ShouldBe("front raised, not on stands");
    }

    [Fact]
    public void Once_on_the_lift_what_is_raised_is_raised_by_it_and_its_arms_are_no_stands()
    {
        var sheet = Wheel().Steps("Drive onto the two-post lift.", "Loosen the wheel nuts.", "Raise the tractor until the wheels hang.", "Remove the wheel nuts and the front wheel.");
        Vehicle(sheet, 3).Height.ShouldBe(Height.OnLift);
        sheet.At("HAZ001").ShouldBeEmpty();
        Chart.Of(sheet.Walk()).Rows[0].Bands[^1].Mark.ShouldBe("lift");
    }

    [Fact]
    public void Work_after_the_stands_came_away_is_work_on_the_jack()
    {
        Wheel().Steps("Chock the rear wheels.", "Raise the front axle and set it on axle stands.", "Take the axle stands away.", "Loosen the wheel nuts.")
            .At("HAZ001").ShouldBe([4]);
    }

    [Theory]
    [InlineData("Set the parking brake.", ControlState.Engaged)]
    [InlineData("Pull the parking brake on.", ControlState.Engaged)]
    [InlineData("Let the parking brake off.", ControlState.Released)]
    [InlineData("Release the parking brake.", ControlState.Released)]
    [InlineData("Put the gear lever in neutral.", ControlState.Released)]
    [InlineData("Put the gear lever in first.", ControlState.Engaged)]
    [InlineData("Switch off the ignition.", ControlState.Released)]
    public void A_control_holds_or_lets_go_as_the_words_say(string sentence, ControlState state)
    {
        var walk = new Written().Steps(sentence).Walk();
        var control = walk.Sheet.Controls.ShouldHaveSingleItem();
        walk.AtBeginning(control.Id).Control.ShouldBe(ControlState.AsFound);
        walk.AtEnd(control.Id).Control.ShouldBe(state);
        Bench.After(walk, 0).Vehicle.Select(l => l.Id).ShouldContain(control.Id);
    }

    [Fact]
    public void What_is_replaced_where_it_lies_neither_comes_off_nor_goes_on_and_is_new()
    {
        var walk = new Written().Part("disc").Steps("Remove the disc.", "Measure the disc: at least 10 mm.\nIf the disc is thinner, replace the disc.", "Fit the disc.").Walk();
        var renewed = walk.EventsOf("P1").Single(e => e.Verb == Verb.Renew);
        renewed.Before.Part.Place.ShouldBe(PartPlace.OnBench);
        renewed.After.Part.ShouldBe(renewed.Before.Part with { IsNew = true, Inspected = false });
        walk.AtEnd("P1").Part.ShouldBe(new PartState(PartPlace.On, true, true, false, false));
    }

    [Fact]
    public void What_is_on_and_replaced_comes_off_and_goes_on()
    {
        var walk = new Written().Part("disc").Steps("Replace the disc.").Walk();
        walk.EventsOf("P1").Select(e => e.Verb).ShouldBe([Verb.Remove, Verb.Fit]);
    }

    [Theory]
    [InlineData("22 N·m", JointStage.Started)]
    [InlineData("", JointStage.Tight)]
    public void A_fastener_that_is_replaced_asks_for_the_torque_it_has(string torque, JointStage stage)
    {
        var state = new Written().Joint("cover bolt", torque).Steps("Replace the cover bolt.").Walk().AtEnd("J1").Joint;
        state.Stage.ShouldBe(stage);
        state.Renewed.ShouldBeTrue();
    }

    [Fact]
    public void What_is_thrown_away_is_off_and_what_lies_on_the_bench_stays_there()
    {
        var walk = new Written().Part("damper").Part("spring").Steps("Discard the damper.", "Remove the spring.", "Discard the spring.").Walk();
        walk.AtEnd("P1").Part.ShouldBe(new PartState(PartPlace.OnBench, true, false, false, false));
        walk.AtEnd("P2").Part.Place.ShouldBe(PartPlace.OnBench);
        walk.EventsOf("P2")[^1].After.ShouldBe(walk.EventsOf("P2")[^1].Before);
    }

    [Theory]
    [InlineData("refit", true)]
    [InlineData("discard", false)]
    [InlineData("left off", false)]
    [InlineData("superseded by J2", false)]
    public void A_fastener_that_does_not_go_back_is_not_left_open(string becomes, bool open)
    {
        var sheet = new Written().Joint("short bolts", "22 N·m").Joint("long bolts", "24 N·m").Set("short bolts", "becomes", becomes).Steps("Remove the short bolts.");
        Openness.IsOpen(sheet.Walk(), sheet.Sheet.Joints[0], sheet.Walk().AtEnd("J1")).ShouldBe(open);
        Fields.Of(ThingKind.Joint).Single(f => f.Name == "becomes").Get(sheet.Sheet.Joints[0]).ShouldBe(becomes);
        sheet.At("CLO001").Length.ShouldBe(open ? 1 : 0);
    }

    [Theory]
    [InlineData("superseded by J9", "No joint is called")]
    [InlineData("superseded by J1", "cannot take its own place")]
    [InlineData("lost", "is nothing that becomes of a fastener")]
    public void What_becomes_of_a_fastener_is_one_of_four_things(string becomes, string says)
    {
        var sheet = new Written().Joint("short bolts").Sheet;
        Editor.Apply(sheet, new SetField("J1", "becomes", "refit", becomes)).Problem!.ToString().ShouldContain(says);
    }

    [Fact]
    public void The_joint_that_takes_anothers_place_is_not_removed_under_it()
    {
        var sheet = new Written().Joint("short bolts").Joint("long bolts").Set("short bolts", "becomes", "superseded by J2").Sheet;
        Editor.Apply(sheet, new RemoveThing("J2")).Problem!.ToString().ShouldContain("takes the place of J1 short bolts");
    }

    // Each trait is known by a name of it alone, by one that ends with it, and in the plural; and a name that has nothing of it tells nothing.
    [Theory]
    [InlineData("left axle stands", Trait.Stand, true)]
    [InlineData("work bench", Trait.Stand, false)]
    [InlineData("rear wheel chocks", Trait.Chock, true)]
    [InlineData("wheel", Trait.RoadWheel, true)]
    [InlineData("flywheel", Trait.RoadWheel, false)]
    [InlineData("wheel bearing", Trait.RoadWheel, false)]
    [InlineData("wheel bearing", Trait.Bearing, true)]
    [InlineData("caliper carrier", Trait.Caliper, false)]
    [InlineData("oil drain plug", Trait.DrainPlug, true)]
    [InlineData("power steering pump", Trait.Guides, true)]
    [InlineData("upper ball joints", Trait.Guides, true)]
    [InlineData("brake hose bracket", Trait.BrakeLine, false)]
    [InlineData("brake hose", Trait.BrakeLine, true)]
    [InlineData("cover", Trait.Heavy, false)]
    [InlineData("coil spring", Trait.CoilSpring, true)]
    [InlineData("return spring", Trait.CoilSpring, false)]
    public void A_name_tells_what_a_thing_is_to_the_work(string name, Trait trait, bool tells)
    {
        Natures.Is(name, trait).ShouldBe(tells);
        Natures.Is(new Part { Id = "P1", Name = name }, trait).ShouldBe(tells);
    }

    [Fact]
    public void Every_trait_has_a_name_that_tells_it() =>
        Enum.GetValues<Trait>().Where(t => !File.ReadLines(Path.Combine(Repository.Root, "src/WornPath.Core/Reading/Trade/traits.txt"))
            .Where(l => l.StartsWith(t + " = ", StringComparison.Ordinal)).SelectMany(l => l[(l.IndexOf('=') + 2)..].Split(", "))
            .Select(n => n.TrimStart('*')).DefaultIfEmpty("").All(n => Natures.Is(n, t))).ShouldBeEmpty();

    // What is put right goes behind what must be done before and in front of what needs it.
    [Theory]
    [InlineData("gasket", 3)]
    [InlineData("cover", 4)]
    public void What_is_left_off_goes_back_before_what_needs_it(string forgotten, int before)
    {
        var sheet = new Written().Part("cover").Part("gasket", behind: "cover").Joint("cover bolts", "22 N·m", holds: "cover")
            .Steps("Remove the cover bolts and the cover.", "Remove the gasket.", forgotten == "gasket" ? "Fit the cover." : "Fit the gasket.", "Start the cover bolts by hand.", "Torque the cover bolts to 22 N·m.");
        var fix = sheet.Findings().First(f => f.Rule == "CLO003").Fixes[0];
        sheet.Do(fix.Edit);
        sheet.Sheet.Steps.ElementAt(before - 1).Text.ShouldBe($"Fit the {forgotten}.");
        sheet.Findings().Where(f => f.Severity == Severity.Stop).ShouldBeEmpty();
    }

    private static Written Wheel() => new Written().Part("front wheel").Joint("wheel nuts", "130 N·m", holds: "front wheel");

    private static Written Locked(string by, params string[] steps) => new Written().Part("flange").Joint("flange nut", "210 N·m", holds: "flange", locking: by).Steps(steps);

    [Theory]
    [InlineData("lock plate", "Straighten the tab of the lock plate.", "Bend a new lock plate over against the flange nut.")]
    [InlineData("lock plate", "Flatten the tab washer.", "Knock the tab of the new lock plate up against a flat of the flange nut.")]
    [InlineData("locking wire", "Cut the locking wire.", "Wire the flange nut with new locking wire.")]
    [InlineData("locking wire", "Snip the lockwire off.", "Lock the flange nut with wire.")]
    public void A_lock_is_undone_before_and_done_after_and_what_is_left_of_it_is_open(string by, string undo, string redo)
    {
        var walk = Locked(by, undo, "Remove the flange nut and the flange.", "Fit the flange. Start the flange nut by hand.", "Torque the flange nut to 210 N·m.", redo).Walk();
        walk.AtBeginning("J1").Joint.Lock.ShouldBe(LockState.On);
        Enumerable.Range(0, 5).Select(i => walk.AfterStep("J1", i).Joint.Lock).ShouldBe([LockState.Off, LockState.Off, LockState.Off, LockState.Off, LockState.On]);
        Bench.After(walk, 3).Done.Single(l => l.Id == "J1").Says.ShouldBe("torqued, not locked");
        Openness.IsOpen(walk, walk.Things["J1"], walk.AfterStep("J1", 3)).ShouldBeTrue();
        Openness.IsOpen(walk, walk.Things["J1"], walk.AtEnd("J1")).ShouldBeFalse();
    }

    // The mark is one thing and the lock another: in either order both are there.
    [Theory]
    [InlineData("Mark the flange nut.", "Lock the flange nut with a new lock plate.")]
    [InlineData("Lock the flange nut with a new lock plate.", "Mark the flange nut.")]
    public void A_mark_and_a_lock_go_on_in_either_order(string first, string second)
    {
        var sheet = Locked("lock plate", "Flatten the tab washer.", "Remove the flange nut.", "Start the flange nut by hand.", "Torque the flange nut to 210 N·m.", first, second)
            .Set("flange nut", "mark", "yes");
        sheet.At("CLO008").ShouldBeEmpty();
        sheet.Walk().AtEnd("J1").Joint.ShouldBe(sheet.Walk().AtEnd("J1").Joint with { Lock = LockState.On, Stage = JointStage.Marked });
    }

    [Fact]
    public void A_refit_locks_what_was_unlocked_and_the_lock_is_in_hand()
    {
        var sheet = Locked("lock plate", "Flatten the tab washer.", "Remove the flange nut and the flange.");
        Core.Building.ReverseBuilder.Propose(sheet.Walks().Whole, "h1").ShouldContain(s => s.Contains("Lock the flange nut with a new lock plate.", StringComparison.Ordinal));
        Core.Building.Needs.Parts(sheet.Walk()).ShouldContain(i => i.What == "lock plate for the flange nut");
        sheet.Do(Core.Building.ReverseBuilder.EditFor(sheet.Walks().Whole, "h1")!).Findings().Where(f => f.Severity == Severity.Stop).ShouldBeEmpty();
    }
}
