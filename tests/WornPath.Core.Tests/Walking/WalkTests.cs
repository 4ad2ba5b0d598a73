using CsCheck;

namespace WornPath.Core.Tests.Walking;

public class WalkTests
{
    [Fact]
    public void A_joint_goes_through_its_states_in_the_order_of_the_trade()
    {
        var sheet = new Written().Joint("hub nut", "80 N·m", locking: "cotter pin").Steps(
            "Break the hub nut loose.", "Loosen the hub nut.", "Remove the hub nut.", "Start the hub nut by hand.", "Snug the hub nut.",
            "Torque the hub nut to 40 N·m in the first pass.", "Torque the hub nut to 80 N·m.", "Turn the hub nut on to the next slot.", "Insert a new cotter pin in the hub nut.", "Mark the hub nut.");
        var walk = sheet.Walk();
        Enumerable.Range(-1, 11).Select(i => walk.AfterStep("J1", i).Joint.Stage).ShouldBe(
            [JointStage.Tight, JointStage.BrokenLoose, JointStage.BackedOut, JointStage.Out, JointStage.Started, JointStage.Snug, JointStage.Pass, JointStage.Torqued, JointStage.Aligned, JointStage.Locked, JointStage.Marked]);
        walk.AtEnd("J1").Joint.Renewed.ShouldBeTrue();
    }

    [Fact]
    public void Parts_connections_fluids_and_aids_go_and_come()
    {
        var sheet = new Written().Part("cover").Thing(ThingKind.Connection, "lead").Thing(ThingKind.Fluid, "oil").Thing(ThingKind.Aid, "rag").Steps(
            "Remove the cover.", "Unplug the lead.", "Drain the oil.", "Stuff the rag into the bore.", "Clean the cover.", "Take away the rag.", "Fill the oil.", "Check the level of the oil.", "Connect the lead.", "Fit the cover.");
        var walk = sheet.Walk();
        walk.AfterStep("P1", 0).Part.Place.ShouldBe(PartPlace.OnBench);
        walk.AfterStep("C1", 1).Connected.ShouldBeFalse();
        walk.AfterStep("F1", 2).Fluid.ShouldBe(FluidState.Drained);
        walk.AfterStep("A1", 3).InPlace.ShouldBeTrue();
        walk.AfterStep("P1", 4).Part.Cleaned.ShouldBeTrue();
        walk.AfterStep("F1", 6).LevelChecked.ShouldBeFalse();
        walk.AtEnd("P1").Part.Place.ShouldBe(PartPlace.On);
        walk.AtEnd("C1").Connected.ShouldBeTrue();
        walk.AtEnd("F1").LevelChecked.ShouldBeTrue();
        walk.AtEnd("A1").InPlace.ShouldBeFalse();
        sheet.Findings().ShouldBeEmpty();
    }

    [Fact]
    public void The_vehicle_goes_up_and_comes_down_and_its_pedal_goes_soft()
    {
        var sheet = new Written().Part("caliper").Joint("caliper bolts", "95 N·m", holds: "caliper").Steps(
            "Raise the tractor.", "Support the tractor on stands.", "Remove the caliper bolts and the caliper.", "Fit the caliper with the caliper bolts.", "Torque the caliper bolts to 95 N·m.",
            "Lower the tractor until the tyres just touch.", "Lower the tractor to the ground.", "Pump the brake pedal.");
        var walk = sheet.Walk();
        Enumerable.Range(0, 8).Select(i => walk.AfterStep(Walk.Vehicle, i).Vehicle.Height).ShouldBe(
            [Height.Raised, Height.OnStands, Height.OnStands, Height.OnStands, Height.OnStands, Height.TyresTouching, Height.OnGround, Height.OnGround]);
        walk.AfterStep(Walk.Vehicle, 2).Vehicle.PedalSoft.ShouldBeTrue();
        walk.AtEnd(Walk.Vehicle).Vehicle.PedalSoft.ShouldBeFalse();
    }

    [Fact]
    public void The_bench_shows_what_is_off_slack_temporary_and_open_and_since_when()
    {
        var sheet = new Written().Part("cover").Joint("cover bolts", "22 N·m", holds: "cover").Joint("strap bolts", "22 N·m").Thing(ThingKind.Connection, "lead").Thing(ThingKind.Aid, "rag").Steps(
            "Loosen the strap bolts.", "Remove the cover bolts and the cover.", "Unplug the lead and stuff the rag into the hole.");
        var bench = Core.Walking.Bench.After(sheet.Walk(), 2);
        bench.Off.Select(l => (l.Id, l.Says, l.Since)).ShouldBe([("P1", "off", 2), ("J1", "out", 2)]);
        bench.Slack.Select(l => (l.Id, l.Since)).ShouldBe([("J2", (int?)1)]);
        bench.Temporary.Select(l => (l.Id, l.Changed)).ShouldBe([("A1", true)]);
        bench.Open.Select(l => l.Id).ShouldBe(["C1"]);
        Core.Walking.Bench.After(sheet.Walk(), -1).Off.ShouldBeEmpty();
    }

    [Fact]
    public void The_state_after_any_step_is_what_walking_only_so_far_gives()
    {
        string[] sentences = ["Loosen the a bolts.", "Remove the a bolts.", "Start the a bolts by hand.", "Snug the a bolts.", "Torque the a bolts to 20 N·m.", "Remove the b cover.", "Fit the b cover.", "Raise the tractor.", "Lower the tractor.", "Support the tractor on stands.", "Place the c wedge.", "Take away the c wedge."];
        Gen.Int[0, sentences.Length - 1].Array[1, 25].Sample(chosen =>
        {
            var sheet = new Written().Joint("a bolts", "20 N·m").Part("b cover").Thing(ThingKind.Aid, "c wedge").Steps([.. chosen.Select(c => sentences[c])]);
            var whole = sheet.Walk();
            for (var n = 0; n < chosen.Length; n++)
            {
                var cut = Walker.Run(sheet.Sheet with { Phases = [sheet.Sheet.Phases[0] with { Steps = [.. sheet.Sheet.Steps.Take(n + 1)] }] });
                foreach (var id in (string[])["J1", "P1", "A1", Walk.Vehicle]) whole.AfterStep(id, n).ShouldBe(cut.AtEnd(id));
            }
        }, iter: 40);
    }
}
