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

    private static Written Frame() => new Written().Part("covers").Set("covers", "quantity", "2").Part("base plates", kit: true).Set("base plates",
        "quantity", "2")
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

    private static Written Lamps() => new Written().Part("trim strip").Part("rear bumper").Part("tail lamps").Set("tail lamps", "quantity", "2")
        .Part("side plates", kit: true).Set("side plates", "quantity", "2").Part("hitch bar", kit: true).Part("lever", kit: true)
        .Joint("trim screws", "2 N·m", holds: "trim strip").Set("trim screws", "count", "4")
        .Joint("bumper bolts", "45 N·m", holds: "rear bumper").Set("bumper bolts", "count", "6")
        .Joint("lamp screws", "3 N·m", holds: "tail lamps").Set("lamp screws", "count", "4")
        .Joint("plate bolts", "110 N·m", kit: true, holds: "side plates").Set("plate bolts", "count", "8")
        .Joint("cross bolts", "79 N·m", kit: true, holds: "hitch bar").Set("cross bolts", "count", "4").Set("cross bolts", "stack", "plain washer, nut 19 mm")
        .Thing(ThingKind.Connection, "left lamp plug").Set("left lamp plug", "goesTo", "left tail lamp")
        .Thing(ThingKind.Connection, "right lamp plug").Set("right lamp plug", "goesTo", "right tail lamp")
        .Thing(ThingKind.Connection, "tank line").Thing(ThingKind.Aid, "plastic caps");

    [Theory]
    [InlineData("Remove the two screws of each tail lamp, pull the lamps straight back and unplug them.",
        "take out J3 lamp screws; remove P3 tail lamps; disconnect C1 left lamp plug; disconnect C2 right lamp plug")]
    [InlineData("Pry the trim strip off. | While a second person supports the bumper, remove its six bolts.", "take out J2 bumper bolts")]
    [InlineData("Torque the cross bolts to 79 N·m. | Slide the side plates into the rails and insert four bolts per side.",
        "fit P4 side plates; start by hand J4 plate bolts")]
    [InlineData("Lift the hitch bar up and fix it with the four cross bolts, washers and nuts.", "fit P5 hitch bar; start by hand J5 cross bolts")]
    [InlineData("Unplug the tail lamps and take them off. | Plug the tail lamps in, push them home and tighten the screws to 3 N·m.",
        "connect C1 left lamp plug; connect C2 right lamp plug; fit P3 tail lamps; torque J3 lamp screws to 3 N·m")]
    [InlineData("Disconnect the tank line and close it with plastic caps. | Uncap the tank line and connect it.",
        "take away A1 plastic caps; connect C3 tank line")]
    [InlineData("Attach the hitch bar by means of its four bolts.", "fit P5 hitch bar; start by hand J5 cross bolts")]
    [InlineData("Read the whole sheet once.", "")]
    [InlineData("Peel the stickers off the holes in each rail.", "")]
    public void What_belongs_to_what_tells_which(string steps, string read) => Last(Lamps().Steps(steps.Split(" | "))).ShouldBe(read);

    private static Written Fuel() => new Written().Part("side panel").Part("injector lines", kit: true).Set("injector lines", "quantity",
        "3").Part("fuel filter", kit: true)
        .Part("belt guard").Part("alternator", kit: true)
        .Joint("panel screws", "9 N·m", holds: "side panel").Set("panel screws", "count", "4")
        .Joint("injector line nuts", "28 N·m", fastener: "M14×1.5 union nut, 17 mm", holds: "injector lines").Set("injector line nuts", "count", "6")
        .Joint("guard bolts", "9 N·m", holds: "belt guard").Set("guard bolts", "count", "3")
        .Joint("pivot bolt", "48 N·m", holds: "alternator").Joint("B+ nut", "6 N·m")
        .Thing(ThingKind.Connection, "intake hose").Thing(ThingKind.Connection, "fuel supply hose").Thing(ThingKind.Connection,
            "earth cable").Thing(ThingKind.Connection, "B+ cable")
        .Thing(ThingKind.Consumable, "clean diesel").Thing(ThingKind.Control, "fuel tap").Joint("intake hose clamp");

    [Theory]
    [InlineData("Side panel first: four screws and it hinges off.", "take out J1 panel screws; remove P1 side panel")]
    [InlineData("Slacken the clamp of the intake hose and work the hose off.", "loosen J6 intake hose clamp; disconnect C1 intake hose")]
    [InlineData("Crack all six union nuts.", "break loose J2 injector line nuts")]
    [InlineData("Pull the intake hose off. | Hose back on and clamp it.", "connect C1 intake hose; snug J6 intake hose clamp")]
    [InlineData("Fill the new filter with clean diesel and spin it on; three quarters of a turn after it touches.", "fit P3 fuel filter")]
    [InlineData("Crank until it spits.", "")]
    [InlineData("Guard off: three bolts.", "take out J3 guard bolts; remove P4 belt guard")]
    [InlineData("Earth cable off. | B+ nut off, cable off.", "take out J5 B+ nut; disconnect C4 B+ cable")]
    [InlineData("B+ nut off, cable off. | B+ cable on, nut 6 N·m.", "connect C4 B+ cable; start by hand J5 B+ nut; torque J5 B+ nut to 6 N·m")]
    [InlineData("Pivot bolt out, alternator out. | New alternator in, pivot bolt loose.", "fit new P5 alternator; start by hand J4 pivot bolt")]
    [InlineData("Shut the fuel tap. | Open the tap.", "set L1 fuel tap: Open the tap")]
    public void What_was_named_and_what_is_off_tells_which(string steps, string read) => Last(Fuel().Steps(steps.Split(" | "))).ShouldBe(read);

    private static Written Gaskets() => new Written().Part("exhaust pipe").Part("manifold").Part("manifold gasket", kit: true).Part("pipe gasket",
        kit: true).Part("air duct")
        .Part("skid plate").Part("winch plate", kit: true).Part("solenoid box", kit: true)
        .Joint("pipe nuts", "23 N·m", holds: "exhaust pipe").Set("pipe nuts", "count", "3")
        .Joint("manifold nuts", "27 N·m", holds: "manifold").Set("manifold nuts", "count", "6")
        .Joint("skid plate bolts", "40 N·m", holds: "skid plate").Set("skid plate bolts", "count", "6")
        .Joint("plate bolts", "170 N·m", kit: true, holds: "winch plate").Set("plate bolts", "count", "4")
        .Joint("box screws", "9 N·m", kit: true, holds: "solenoid box").Set("box screws", "count", "2")
        .Joint("winch bolts", "30 lbf·ft", kit: true)
        .Thing(ThingKind.Aid, "floor jack")
        .Thing(ThingKind.Connection, "winch red cable", kit: true).Thing(ThingKind.Connection, "winch black cable", kit: true).Thing(ThingKind.Connection,
            "remote plug", kit: true);

    [Theory]
    [InlineData("Remove the three nuts between pipe and manifold, lower the pipe and recover the gasket.",
        "take out J1 pipe nuts; remove P1 exhaust pipe; remove P4 pipe gasket")]
    [InlineData("Slide a new gasket over the studs, bead towards the manifold.", "fit new P3 manifold gasket")]
    [InlineData("With the floor jack under the skid plate, take out its six bolts and let it down.",
        "put in place A1 floor jack; take out J3 skid plate bolts; remove P6 skid plate")]
    [InlineData("Put the floor jack under the skid plate. | Lower the jack and roll it away.", "take away A1 floor jack")]
    [InlineData("Lift the winch plate into the frame; get all four bolts started.", "fit P7 winch plate; start by hand J4 plate bolts")]
    [InlineData("Mount the solenoid box with the two socket screws, 9 N·m.", "fit P8 solenoid box; start by hand J5 box screws; torque J5 box screws to 9 N·m")]
    [InlineData("Run the red cable from the winch to the box and the black one to the battery.", "connect C1 winch red cable; connect C2 winch black cable")]
    [InlineData("Plug in the remote.", "connect C3 remote plug")]
    [InlineData("Torque the plate bolts and the winch bolts to 170 N·m and 30 ft-lb.", "torque J4 plate bolts to 170 N·m; torque J6 winch bolts to 30 lbf·ft")]
    [InlineData("Put a few drops of oil on the plate bolts.", "apply J4 plate bolts with K1 oil")]
    [InlineData("Loosen the clamp of the air duct and move the duct aside.", "loosen J7 air duct clamp; set aside P5 air duct")]
    [InlineData("Put the truck on level ground in first gear.", "set L1 gear: Put the truck on level ground in first gear")]
    public void What_the_step_speaks_of_tells_which(string steps, string read) => Last(Gaskets().Steps(steps.Split(" | "))).ShouldBe(read);

    // What comes with the kit and is taken off first stands for the old one; the new one goes on unless the words say the old.
    [Fact]
    public void What_the_kit_replaces_is_on_the_vehicle_until_it_comes_off()
    {
        Written Pump(params string[] steps) => new Written().Part("pump", kit: true).Joint("pump bolts", "24 N·m", fastener: "M8×35 8.8 bolt, 13 mm",
            holds: "pump",
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

    // The same on the other side: each side's old one comes off, and each gets a new one.
    [Fact]
    public void What_the_kit_replaces_is_on_both_sides()
    {
        var sheet = new Written().Part("shock", kit: true).Joint("shock nut", "60 N·m", holds: "shock").Steps("Remove the shock nut and the shock.",
            "Fit the shock. Start the shock nut by hand and torque it to 60 N·m.", "Repeat steps 1 and 2 on the other side.");
        var walk = Walker.Run(sheet.Sheet);
        foreach (var id in (string[])["P1", "P1" + Core.Sheets.Thing.SecondMark])
        {
            walk.AtBeginning(id).Part.Place.ShouldBe(PartPlace.On);
            walk.AtEnd(id).Part.IsNew.ShouldBeTrue();
        }

        sheet.At("PRT001").ShouldBeEmpty();
        sheet.At("ORD013").ShouldBeEmpty();
    }

    // Two of one name's head: the one in hand, the one said in full, the one that is off; where nothing tells, it is asked.
    [Theory]
    [InlineData("Pull the upper hose off. | Push the hose back on.", "connect C1 upper hose")]
    [InlineData("Slacken the clamp of the lower hose and pull the hose off.", "loosen J1 lower hose clamp; disconnect C2 lower hose")]
    [InlineData("Pull the upper and the lower hose off. | Push the hoses back on.", "connect C1 upper hose; connect C2 lower hose")]
    [InlineData("Pull the hoses off.", "disconnect C1 upper hose; disconnect C2 lower hose; disconnect C3 bypass hose")]
    [InlineData("Pull all three hoses off.", "disconnect C1 upper hose; disconnect C2 lower hose; disconnect C3 bypass hose")]
    public void Hoses_of_one_head(string steps, string read) => Last(Hoses().Steps(steps.Split(" | "))).ShouldBe(read);

    [Theory]
    [InlineData("Pull the hose off.")]
    [InlineData("Pull the upper and the lower hose off. | Push the hose back on.")]
    public void Where_nothing_tells_it_is_asked_or_the_last_is_meant(string steps)
    {
        var sheet = Hoses().Steps(steps.Split(" | "));
        var last = sheet.Sheet.Steps.Last();
        (last.Questions.Length > 0 || last.Actions is [{ Target: "C2" }]).ShouldBeTrue(sheet.Chips(sheet.Sheet.Steps.Count()));
    }

    private static Written Hoses() => new Written().Thing(ThingKind.Connection, "upper hose").Thing(ThingKind.Connection,
        "lower hose").Thing(ThingKind.Connection, "bypass hose");

    // So many fasteners, and nothing is said to be done to them: asked, and not passed over.
    [Theory]
    [InlineData("Six countersunk screws, and they've been locked in, so warm them first.", true)]
    [InlineData("Five screws down the side panel; the bottom ones are always rusted.", true)]
    [InlineData("Six countersunk screws: take them out.", false)]
    [InlineData("Six countersunk screws out.", false)]
    [InlineData("Note: six countersunk screws, all of one length.", false)]
    [InlineData("The carrier sits on six countersunk screws.", false)]
    public void Counted_fasteners_of_which_nothing_is_said_are_asked_about(string sentence, bool asked) =>
        (new Written().Part("carrier").Steps(sentence).Step(1).Questions.Length > 0).ShouldBe(asked);
}
