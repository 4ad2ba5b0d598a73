namespace WornPath.Core.Tests.Reading;

/// <summary>Sentences as the shop speaks them, on a blank sheet: names are assumed, the way tells off from on, values find their joint.</summary>
public class SpokenTests
{
    [Theory]
    [InlineData("Torque the caliper bolts to 70 ft-lb. Fit the cover.", "torque J1 caliper bolts to 70 lbf·ft; fit P1 cover")]
    [InlineData("Torque the lower arm bolt to 190 ft-lb and the upper arm bolt to 156 ft-lb.", "torque J1 lower arm bolt to 190 lbf·ft; torque J2 upper arm bolt to 156 lbf·ft")]
    [InlineData("Torque the caliper bolts to 95 N·m and the wheel nuts to 130 N·m.", "torque J1 caliper bolts to 95 N·m; torque J2 wheel nuts to 130 N·m")]
    [InlineData("Torque the wheel nuts to 40 ft-lb and then 90 degrees.", "torque J1 wheel nuts to 40 lbf·ft; turn on J1 wheel nuts 90°")]
    [InlineData("Torque the caliper bolts to 95 N·m, then turn them another 60°.", "torque J1 caliper bolts to 95 N·m; turn on J1 caliper bolts 60°")]
    [InlineData("Turn the hub nut 1/4 turn past snug.", "turn on J1 hub nut 90°")]
    [InlineData("Torque the axle nut to 95 ± 5 N·m.", "torque J1 axle nut to 95 ± 5 N·m")]
    [InlineData("Torque the stub bolts to between 120 and 160 N·m.", "torque J1 stub bolts to 120–160 N·m")]
    [InlineData("Torque the cover bolts in a star, 60 N·m first and then 110.", "torque J1 cover bolts to 60 N·m, then 110 N·m")]
    [InlineData("Caliper bolts: 95 N·m (70 lb-ft), plus 30 degrees.", "torque J1 caliper bolts to 95 N·m; turn on J1 caliper bolts 30°")]
    [InlineData("Crack the 35 mm axle nut loose.", "break loose J1 axle nut")]
    [InlineData("Screw the cover bolts out by hand.", "take out J1 cover bolts")]
    [InlineData("Thread the hub nut off.", "take out J1 hub nut")]
    [InlineData("Tighten the wheel nuts to 130 N·m with a hand torque wrench.", "torque J1 wheel nuts to 130 N·m")]
    [InlineData("Draw the cover bolts up evenly.", "snug J1 cover bolts")]
    [InlineData("Pull the wheel nuts down tight.", "snug J1 wheel nuts")]
    [InlineData("Push the tie rod end out.", "remove P1 tie rod end")]
    [InlineData("Push the axle out of the hub.", "remove P1 axle")]
    [InlineData("Draw the seal in.", "fit P1 seal")]
    [InlineData("Press the bearing out and the new one in.", "remove P1 bearing; fit new P1 bearing")]
    [InlineData("Hang the wheel on its studs.", "fit P1 wheel")]
    [InlineData("Chock the rear wheels.", "put in place A1 wheel chocks")]
    [InlineData("Lower the caliper over the disc.", "fit P1 caliper")]
    [InlineData("Run out the drain plug.", "take out J1 drain plug")]
    [InlineData("Zip off the six cover screws.", "take out J1 cover screws")]
    [InlineData("Walk out the pump.", "remove P1 pump")]
    [InlineData("Peel off the gasket.", "remove P1 gasket")]
    [InlineData("Offer up the bracket.", "fit P1 bracket")]
    [InlineData("Lift the pump into place.", "fit P1 pump")]
    [InlineData("Stab the shaft through the hub.", "fit P1 shaft")]
    [InlineData("Tap home the dowel.", "fit P1 dowel")]
    [InlineData("Drive in the new bush.", "fit new P1 bush")]
    [InlineData("Bolt back up the bracket.", "fit P1 bracket; start by hand J1 bracket bolts")]
    [InlineData("Jam a rag in the port.", "put in place A1 rag")]
    [InlineData("Use the puller to remove the bearing.", "remove P1 bearing")]
    [InlineData("Make sure to torque the flange nuts to 20 N·m.", "torque J1 flange nuts to 20 N·m")]
    [InlineData("Four bolts and a plate: cover bolts in, finger-tight, 30 N·m.", "start by hand J1 cover bolts; torque J1 cover bolts to 30 N·m")]
    [InlineData("Pull the cotter and wind off the castle nut.", "pull pin J1 castle nut; take out J1 castle nut")]
    [InlineData("The eight cover bolts are released, and the cover is lifted off.", "loosen J1 cover bolts; remove P1 cover")]
    [InlineData("Two persons lift the pump down onto the bench.", "remove P1 pump")]
    public void What_is_said_is_done(string said, string read)
    {
        var sheet = new Written().Steps(said);
        sheet.Chips(1).ShouldBe(read);
        sheet.Step(1).Questions.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("If it is scored, replace the knuckle.", "it is scored")]
    [InlineData("If the hose will not budge, pull the hose off.", "the hose will not budge")]
    [InlineData("Too low? Take the shim out.", "Too low")]
    [InlineData("Should the pin stick, drive the pin out.", "Should the pin stick")]
    public void What_stands_under_a_condition_is_done_under_it_alone(string said, string sign)
    {
        var step = new Written().Steps(said).Step(1);
        step.Actions.ShouldNotBeEmpty();
        step.Branches.ShouldHaveSingleItem().Sign.ShouldBe(sign);
        step.Actions.ShouldAllBe(a => a.Branch == 1);
    }

    [Theory]
    [InlineData("No qualified person is needed.")]
    [InlineData("Do not turn the hub.")]
    [InlineData("Keep the lead secured.")]
    [InlineData("Never pry against the bare rail.")]
    [InlineData("It saves the threads.")]
    [InlineData("Let it never be the tube, which dents at a touch.")]
    public void What_is_only_said_changes_nothing_and_asks_nothing(string said)
    {
        var sheet = new Written().Steps(said);
        sheet.Chips(1).ShouldBe("");
        sheet.Step(1).Questions.ShouldBeEmpty();
        sheet.Sheet.Things.ShouldBeEmpty();
    }

    [Fact]
    public void It_them_and_the_rest_mean_what_was_in_hand_and_near_comes_before_far()
    {
        var sheet = new Written().Steps(
            "Crack the five wheel nuts of the left front wheel.",
            "Spin the nuts off, draw the wheel off and roll it aside.",
            "Take two of the three post bolts out.",
            "Take out the rest.",
            "Lift the post off and set it aside.");
        sheet.Chips(2).ShouldStartWith("take out J1 wheel nuts; remove P1 ");
        sheet.Chips(3).ShouldBe("take out 2 of J2 post bolts");
        sheet.Chips(4).ShouldBe("take out the rest of J2 post bolts");
        sheet.Chips(5).ShouldBe("remove P2 post; set aside P2 post");
    }

    [Fact]
    public void Tools_cleaners_and_hands_that_are_named_are_known_without_a_question()
    {
        var sheet = new Written().Steps("With a helper, zip the cover bolts out with an impact wrench.", "Wipe the face with brake cleaner.");
        sheet.Sheet.Tools.ShouldHaveSingleItem().Name.ShouldBe("impact wrench");
        sheet.Sheet.Consumables.ShouldHaveSingleItem().Name.ShouldBe("brake cleaner");
        sheet.Step(1).Hands.ShouldBe(2);
        sheet.Step(1).Uses.ShouldBe(["T1"]);
    }

    [Theory]
    [InlineData("remove ")]
    [InlineData("the bolt of ")]
    [InlineData("and, ")]
    [InlineData("if ")]
    [InlineData("95 N·m ")]
    [InlineData("two of ")]
    [InlineData("(")]
    public void Any_length_of_the_same_is_read_to_its_end(string piece)
    {
        // Not timed: what grew with the square of the length, or worse, did not come to an end here.
        var sheet = new Written().Steps(string.Concat(Enumerable.Repeat(piece, 3900 / piece.Length)));
        sheet.Step(1).Text.Length.ShouldBeGreaterThan(3800);
    }
}
