namespace WornPath.Core.Tests.Reading;

/// <summary>Sentences on a sheet whose things are written down: what is meant goes by what holds what, what is off, and what comes with the kit.</summary>
public class OnASheetTests
{
    private static string Last(Written sheet)
    {
        sheet.Sheet.Steps.Last().Questions.ShouldBeEmpty();
        return sheet.Chips(sheet.Sheet.Steps.Count());
    }

    private static Written Axle() => new Written().Part("wheel").Part("spring", kit: true).Part("spring seat").Part("shackle bushes", kit: true)
        .Joint("wheel nuts", "270 N·m", holds: "wheel").Set("wheel nuts", "count", "6")
        .Joint("U-bolts", kit: true).Joint("U-bolt nuts", "170 N·m", kit: true, holds: "spring seat").Set("U-bolt nuts", "count", "4")
        .Joint("eye bolt", "300 N·m", holds: "spring").Set("eye bolt", "stack", "plain washer, nut 30 mm")
        .Joint("shackle bolts", "130 N·m").Set("shackle bolts", "count", "2").Set("shackle bolts", "stack", "nut 24 mm")
        .Thing(ThingKind.Aid, "axle stands").Thing(ThingKind.Aid, "trolley jack");

    [Theory]
    [InlineData("Hold the spring while a helper draws the eye bolt out.", "take out J4 eye bolt")]
    [InlineData("Drive the worn shackle bushes out of the hanger.", "remove P4 shackle bushes")]
    [InlineData("Knock the U-bolts out. | Scrap the U-bolts and their nuts.", "discard J2 U-bolts; discard J3 U-bolt nuts")]
    [InlineData("Torque the U-bolt nuts to 170 N·m. | Hang the wheel and spin the nuts on by hand.", "fit P1 wheel; start by hand J1 wheel nuts")]
    [InlineData("Slip the eye bolt through. Put its washer and nut on finger-tight.", "start by hand J4 eye bolt")]
    [InlineData("Start the U-bolt nuts by hand. | Fit both shackle bolts, nuts finger-tight.", "start by hand J5 shackle bolts")]
    [InlineData("Spin the shackle nuts on.", "start by hand J5 shackle bolts")]
    [InlineData("Hang the wheel, grease the studs and start the nuts by hand.", "fit P1 wheel; apply J1 wheel nuts; start by hand J1 wheel nuts")]
    [InlineData("Raise the trailer and set axle stands under the frame. | Let the axle down an inch on the trolley jack.", "put in place A2 trolley jack")]
    [InlineData("With the trailer standing on its wheels and empty, torque the eye bolt to 300 N·m.", "torque J4 eye bolt to 300 N·m")]
    public void What_holds_what_tells_which(string steps, string read) => Last(Axle().Steps(steps.Split(" | "))).ShouldBe(read);

    private static Written Frame() => new Written().Part("covers").Set("covers", "quantity", "2").Part("base plates", kit: true).Set("base plates", "quantity", "2")
        .Part("frame", kit: true).Part("fan shroud").Part("upper cap").Part("lower cap")
        .Joint("cover bolts", "40 N·m", holds: "covers").Set("cover bolts", "count", "8")
        .Joint("base bolts", "260 N·m", kit: true, holds: "base plates").Set("base bolts", "count", "8")
        .Joint("post bolts", "170 N·m", kit: true, holds: "frame").Set("post bolts", "count", "4")
        .Joint("shroud screws", "8 N·m", holds: "fan shroud").Set("shroud screws", "count", "4");

    [Theory]
    [InlineData("Unbolt both covers, four bolts each, and set them on a blanket.", "take out J1 cover bolts; remove P1 covers; set aside P1 covers")]
    [InlineData("Hold each base plate against the housing and run its four base bolts in by hand.", "fit P2 base plates; start by hand J2 base bolts")]
    [InlineData("Lower the frame between the plates and put the post bolts through.", "fit P3 frame; start by hand J3 post bolts")]
    [InlineData("Torque the post bolts to 170 N·m. | Offer the covers up, catch all eight bolts by hand and run them down to 40 N·m.",
        "fit P1 covers; start by hand J1 cover bolts; torque J1 cover bolts to 40 N·m")]
    [InlineData("Undo the shroud screws and lift the fan shroud over the fan.", "take out J4 shroud screws; remove P4 fan shroud")]
    [InlineData("Pull the upper and the lower cap off.", "remove P5 upper cap; remove P6 lower cap")]
    [InlineData("Pull the two caps off.", "remove P5 upper cap; remove P6 lower cap")]
    [InlineData("Pull the upper cap off. | Put the caps on.", "fit P5 upper cap")]
    [InlineData("Put the covers on. Bolts finger-tight.", "fit P1 covers; start by hand J1 cover bolts")]
    public void What_is_off_and_how_many_there_are_tells_which(string steps, string read) => Last(Frame().Steps(steps.Split(" | "))).ShouldBe(read);

    // What comes with the kit and is taken off first stands for the old one; the new one goes on unless the words say the old.
    [Fact]
    public void What_the_kit_replaces_is_on_the_vehicle_until_it_comes_off()
    {
        Written Pump(params string[] steps) => new Written().Part("pump", kit: true).Joint("pump bolts", "24 N·m", fastener: "M8×35 8.8 bolt, 13 mm", holds: "pump",
            kit: true, reuse: "renew").Steps([.. steps, "Torque the pump bolts to 24 N·m."]);
        var walk = Walker.Run(Pump("Take out the pump bolts and lift the pump off.", "Set the pump on and start the pump bolts by hand.").Sheet);
        walk.AtBeginning("P1").Part.Place.ShouldBe(PartPlace.On);
        walk.AtBeginning("J1").Joint.Stage.ShouldBe(JointStage.Tight);
        walk.AfterStep("P1", 0).Part.ShouldBe(new PartState(PartPlace.OnBench, true, false, false, false));
        walk.AtEnd("P1").Part.IsNew.ShouldBeTrue();
        Pump("Take out the pump bolts and lift the pump off.", "Set the pump on and start the pump bolts by hand.").At("PRT001").ShouldBeEmpty();
        Pump("Take out the pump bolts and lift the pump off.", "Set the old pump on and start the pump bolts by hand.").At("PRT001").ShouldBe([2]);
        // What is fitted first was in the box.
        Walker.Run(Pump("Set the pump on and start the pump bolts by hand.").Sheet).AtBeginning("P1").Part.Place.ShouldBe(PartPlace.InBox);
    }
}
