namespace WornPath.Core.Tests.Reading;

/// <summary>Sentences as the shop speaks them, on a blank sheet: names are assumed, the way tells off from on, values find their joint.</summary>
public class SpokenTests
{
    [Theory]
    [InlineData("Torque the caliper bolts to 70 ft-lb. Fit the cover.", "torque J1 caliper bolts to 70 lbf·ft; fit P1 cover")]
    [InlineData("Secure the loom with zip ties every 20 cm.", "connect C1 loom")]
    [InlineData("Raise the left side.", "raise")]
    [InlineData("Jack up the left front wheel.", "raise")]
    [InlineData("Jack up the wheel and take it off.", "raise; remove P1 wheel")]
    [InlineData("Raise the loader arms. Lower the loader arms to the ground.",
        "set L1 loader arms: Raise the loader arms; set L1 loader arms: Lower the loader arms to the ground")]
    [InlineData("Raise the front axle and set it on stands. Raise the rear axle.", "raise; put in place A1 axle stands; on stands; raise")]
    [InlineData("Raise the front end. Lower the left front wheel to the ground.", "raise; lower")]
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
    [InlineData("The eight cover bolts are released, and the cover is lifted off.", "take out J1 cover bolts; remove P1 cover")]
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

    // Rows of sentences: what the last of them is read as.
    [Theory]
    [InlineData("Remove and discard the gasket.", "remove P1 gasket; discard P1 gasket")]
    [InlineData("Refit the fan and belt.", "fit P1 fan; fit P2 belt")]
    [InlineData("Unclip the lid and lift the element out.", "remove P1 lid; remove P2 element")]
    [InlineData("Slacken the clamp on the intake hose and work the hose off the stub.", "loosen J1 intake hose clamp; disconnect C1 intake hose")]
    [InlineData("Remove the alternator, complete with its bracket.", "remove P1 alternator; remove P2 bracket")]
    [InlineData("Whip the three nuts off and pull the spindle housing.", "take out J1 spindle housing nuts; remove P1 spindle housing")]
    [InlineData("Unbolt the hose bracket.", "take out J1 hose bracket bolts; remove P1 hose bracket")]
    [InlineData("Twist the hose back and forth and pull it off.", "disconnect C1 hose")]
    [InlineData("Zip the two nuts off the U-bolt and knock it loose.", "take out J1 U-bolt nuts; break loose P1 U-bolt")]
    [InlineData("The cluster is held by three screws; remove these and lift it out.", "take out J1 cluster screws; remove P1 cluster")]
    [InlineData("Note which way round the bush sits, then press it out.", "remove P1 bush")]
    [InlineData("Drag link next: both nuts off, then lift it away.", "take out J1 drag link nuts; remove P1 drag link")]
    [InlineData("Renew the pivot bolt and its nut.", "take out J1 pivot bolt; start by hand new J1 pivot bolt; take out J1 pivot bolt; start by hand new J1 pivot bolt")]
    [InlineData("Take seven of the eight flange bolts out and leave the top one in by a few threads.",
        "take out 7 of J1 flange bolts; loosen 1 of J1 flange bolts")]
    [InlineData("Unscrew the four screws from the cover and put them in a tray.", "take out J1 cover screws; set aside J1 cover screws")]
    public void What_comes_off(string said, string read) => Last(said).ShouldBe(read);

    [Theory]
    [InlineData("Offer up the new plate with the hub facing the gearbox and hold it with an alignment tool.", "fit new P1 plate")]
    [InlineData("Hang the spacer and the blade, sail side up, on a new bolt.", "fit P1 spacer; fit P2 blade; start by hand new J1 blade bolt")]
    [InlineData("Put the element in, spring end down.", "fit P1 element")]
    [InlineData("Fit the battery, posts to the rear.", "fit P1 battery")]
    [InlineData("Get both bracket bolts started.", "start by hand J1 bracket bolts")]
    [InlineData("Run the cover screws in and hit them with 35 foot-pounds.", "start by hand J1 cover screws; torque J1 cover screws to 35 lbf·ft")]
    [InlineData("Don't forget to fit the washer.", "fit P1 washer")]
    [InlineData("Wrap the joint in sealing tape.", "apply joint with K1 sealing tape")]
    [InlineData("Set the new board on the posts, start the nuts and torque them to 4 N·m.",
        "fit new P1 board; start by hand J1 board nuts; torque J1 board nuts to 4 N·m")]
    [InlineData("Remove the heat shield. | Shield on, four screws at 8 N·m.", "fit P1 heat shield; start by hand J1 heat shield screws; torque J1 heat shield screws to 8 N·m")]
    public void What_goes_on(string said, string read) => Last(said).ShouldBe(read);

    [Theory]
    [InlineData("Make sure the parking brake is on.", "set L1 parking brake: Make sure the parking brake is on")]
    [InlineData("Take the key out and switch the lights off.", "set L1 ignition: Take the key out; set L2 lights: switch the lights off")]
    [InlineData("Switch on the ignition and look at the lamp, then switch off again.",
        "set L1 ignition: Switch on the ignition; set L1 ignition: switch off again")]
    [InlineData("Wind the jockey wheel down until it carries the drawbar.", "set L1 jockey wheel: Wind the jockey wheel down")]
    [InlineData("Point the wheels dead ahead.", "set L1 steering: Point the wheels dead ahead")]
    [InlineData("Roll a floor jack in under the gearbox.", "put in place A1 floor jack")]
    [InlineData("Hang the caliper from the spring with a length of wire.", "put in place A1 wire; hang aside P1 caliper with A1 wire")]
    [InlineData("Put a two-leg puller on it rather than hammer the shaft.", "put in place T1 two-leg puller")]
    [InlineData("Top up the rear axle.", "fill F1 rear axle oil")]
    public void What_is_set_placed_and_filled(string said, string read) => Last(said).ShouldBe(read);

    [Theory]
    [InlineData("See that the oil stands between the marks, topping it up if it does not.", "check level F1 oil; fill F1 oil", "it does not")]
    [InlineData("Stuck? Don't pry on the rim; draw the pulley off with a puller.", "remove P1 pulley", "Stuck")]
    [InlineData("Top up the oil as needed.", "fill F1 oil", "needed")]
    [InlineData("Inspect the plates. Any that are worn must be replaced.", "inspect plates; remove P1 plates; fit new P1 plates", "Any that are worn")]
    [InlineData("Take out the jack where one was used.", "take away A1 jack", "one was used")]
    [InlineData("Leak at the union: shut down and tighten the union a further 15°.", "set L1 ignition: shut down; turn on J1 union 15°", "Leak at the union")]
    [InlineData("Fit the hub bolts. | A wet one gets another 15°.", "turn on J1 hub bolts 15°", "wet one")]
    public void What_is_done_only_then(string said, string read, string sign)
    {
        var step = Sheet(said).Steps.Last();
        Last(said).ShouldBe(read);
        step.Branches.Select(b => b.Sign).ShouldBe([sign]);
        step.Actions[^1].Branch.ShouldBe(1);
    }

    [Theory]
    [InlineData("Undo the crossmember bolts. | Slacken the clutch cover bolts. | Remove the bolts, the cover and the plate.",
        "take out J2 clutch cover bolts; remove P1 cover; remove P2 plate")]
    [InlineData("The two top bolts are easiest reached with a long extension. | Undo them.", "take out J1 top bolts")]
    [InlineData("Disconnect the negative lead. | Then the positive.", "disconnect C2 positive lead")]
    [InlineData("Undo the outer axle nut and the inner axle nut. | Bend one tab over each nut.", "lock J1 outer axle nut; lock J2 inner axle nut")]
    [InlineData("Fit four bolts and snug them. | Fit two screws. | Torque all six to 20 N·m.", "torque J1 bolts to 20 N·m; torque J2 screws to 20 N·m")]
    [InlineData("Fit the stud bolts. | Spin a nut onto each stud bolt.", "start by hand J1 stud bolts")]
    public void What_was_spoken_of_before(string said, string read) => Last(said).ShouldBe(read);

    [Fact]
    public void What_is_done_later_says_when_and_is_no_branch()
    {
        var step = Sheet("Fit the wheel nuts. | After fifty miles, retorque the wheel nuts to 110 N·m.").Steps.Last();
        step.Branches.ShouldBeEmpty();
        step.Actions.ShouldHaveSingleItem().If.ShouldBe("After fifty miles");
    }

    [Theory]
    [InlineData("Put the plug in with a new copper washer, 30 pounds.")]
    [InlineData("Pegs back up into the hangers.")]
    public void What_could_be_anything_is_asked(string said) => Sheet(said).Steps.Last().Questions.ShouldNotBeEmpty();

    // --- fasteners by their size
    [Theory]
    [InlineData("Install two 3/8-16 x 1-1/4 in. bolts.", "start by hand J1 3/8 bolts", "3/8-16 UNC")]
    [InlineData("Install the four M8 x 25 mm bolts with washers.", "start by hand J1 M8 bolts", "M8")]
    [InlineData("Insert (2) M10x1.5x40 bolts.", "start by hand J1 M10 bolts", "M10")]
    [InlineData("Bolt the bracket on using 1/4-20 x 3/4\" bolts.", "fit P1 bracket; start by hand J1 bracket bolts", "1/4-20")]
    [InlineData("Fit new M12 10.9 flange bolts.", "start by hand new J1 flange bolts", "M12")]
    [InlineData("Fasten the plate with three M6 x 16 socket head cap screws, 10 N·m.",
        "fit P1 plate; start by hand J1 socket head cap screws; torque J1 socket head cap screws to 10 N·m", "M6")]
    public void A_size_is_read_whole_and_reaches_the_table(string said, string read, string thread)
    {
        Last(said).ShouldBe(read);
        Sheet(said).Joints.Single().Fastener!.Thread!.ToString()!.ShouldStartWith(thread.Split(' ')[0]);
    }

    // --- what comes with them lies under their heads and on their ends
    [Theory]
    [InlineData("Install the four M8 x 25 mm bolts with washers.", "washer")]
    [InlineData("Attach the bracket to the frame using the supplied M10 bolts, flat washers and lock nuts.", "flat washer, lock nut")]
    [InlineData("Fit the plate with two M8 bolts, four washers and two nuts.", "2 washers, nut")]
    [InlineData("Secure the step with four bolts and large washers.", "large washer")]
    public void Washers_and_nuts_named_with_bolts_are_their_stack(string said, string stack)
    {
        var sheet = Sheet(said);
        sheet.Joints.ShouldHaveSingleItem().Stack?.ToString().ShouldBe(stack);
        sheet.Parts.ShouldNotContain(p => p.Name.Contains("washer") || p.Name.Contains("nut"));
    }

    [Theory]
    [InlineData("Fit two M10 x 40 bolts. | Fit four M8 x 25 bolts. | Torque the M10 bolts to 45 N·m and the M8 bolts to 22 N·m.",
        "torque J1 M10 bolts to 45 N·m; torque J2 M8 bolts to 22 N·m")]
    [InlineData("Take out the six skid plate bolts. | Remove the 15 mm bolt at the top of the shock.", "take out J2 shock bolt")]
    [InlineData("Remove the (6) 10 mm bolts holding the skid plate.", "take out J1 skid plate bolts")]
    [InlineData("Fit the bolts (item 4) and the nuts (see figure 2) finger-tight.", "start by hand J1 bolts; start by hand J2 nuts")]
    public void A_size_tells_fasteners_apart(string said, string read) => Last(said).ShouldBe(read);

    [Theory]
    [InlineData("1) Remove the cover.")]
    [InlineData("2. Remove the cover.")]
    [InlineData("b) Remove the cover.")]
    [InlineData("(3) Remove the cover.")]
    [InlineData("Step 4: Remove the cover.")]
    [InlineData("• Remove the cover.")]
    [InlineData("- Remove the cover.")]
    public void The_number_of_a_line_is_none_of_its_words(string said) => Last(said).ShouldBe("remove P1 cover");

    // --- what has leads
    [Theory]
    [InlineData("Disconnect the battery.", "disconnect C1 battery leads")]
    [InlineData("Unplug the alternator.", "disconnect C1 alternator plug")]
    [InlineData("Disconnect the battery. | Remove the battery.", "remove P1 battery")]
    [InlineData("Disconnect the battery. | Remove the battery. | Fit the battery. | Reconnect the battery.", "connect C1 battery leads")]
    [InlineData("Disconnect the negative battery cable. | Reconnect the battery.", "connect C1 negative battery cable")]
    [InlineData("Refit the alternator and plug it in.", "fit P1 alternator; connect C1 alternator plug")]
    [InlineData("Disconnect the fuel pump.", "remove P1 fuel pump")]
    [InlineData("Plug the switch into the harness and snap it into the panel.", "connect C1 switch plug")]
    [InlineData("Mount the switch in the panel.", "fit P1 switch")]
    [InlineData("Unclip the wiring from the back of the panel.", "disconnect C1 wiring")]
    public void What_has_leads_is_disconnected_by_them(string said, string read) => Last(said).ShouldBe(read);

    // --- as makers of parts write
    [Theory]
    [InlineData("Install the winch using the supplied bolts.", "fit P1 winch; start by hand J1 winch bolts")]
    [InlineData("Install the mirror with the bolts provided.", "fit P1 mirror; start by hand J1 mirror bolts")]
    [InlineData("Fit the cover with the screws included in the kit.", "fit P1 cover; start by hand J1 cover screws")]
    [InlineData("Attach the air line to the compressor and the other end to the tank fitting.", "connect C1 air line")]
    [InlineData("Lower the axle just enough to remove the coil springs.", "lower; remove P1 coil springs")]
    [InlineData("Remove the headlight by pulling it forward and unplugging the connector.", "disconnect C1 connector; remove P1 headlight")]
    [InlineData("Remove the seat by lifting the front edge and sliding it forward.", "remove P1 seat")]
    [InlineData("Locate the fuse box under the dash and remove its cover.", "remove P1 cover")]
    [InlineData("Mark and remove the driveshaft.", "mark driveshaft; remove P1 driveshaft")]
    [InlineData("Label and disconnect the hydraulic lines.", "mark hydraulic lines; disconnect C1 hydraulic lines")]
    [InlineData("Cut and remove the zip ties.", "disconnect C1 zip ties")]
    [InlineData("Transfer the pulley to the new alternator.", "remove P1 pulley; fit P1 pulley")]
    [InlineData("Secure the harness every 6 in. with zip ties.", "connect C1 harness")]
    [InlineData("Feed the harness through the grommet and route it along the frame rail.", "connect C1 harness")]
    [InlineData("Fit the shaft. | Secure with a new snap ring.", "fit new P2 snap ring")]
    [InlineData("Slide the hub onto the spindle, being careful not to damage the seal.", "fit P1 hub")]
    [InlineData("Remove all traces of the old gasket from the flange.", "clean flange")]
    [InlineData("Remove any rust from the hub.", "clean hub")]
    [InlineData("Drill out the rivets.", "take out J1 rivets")]
    [InlineData("Raise the rear wheels off the ground.", "raise")]
    [InlineData("Remove the piston nut; it is secured with thread locker.", "take out J1 piston nut")]
    [InlineData("Spin the nut on but leave it loose.", "start by hand J1 nut")]
    [InlineData("Two bolts hold the cylinder on; take them out.", "take out J1 cylinder bolts")]
    [InlineData("Throw the wheel on and run the nuts down.", "fit P1 wheel; start by hand J1 wheel nuts")]
    [InlineData("Throw the old gasket away.", "discard P1 gasket")]
    [InlineData("Pull the cable tight and tighten the pinch bolt.", "torque J1 pinch bolt")]
    [InlineData("Jam the nut against the tube.", "snug J1 tube nut")]
    [InlineData("Tighten the nuts evenly in two or three steps to 30 N·m.", "torque J1 nuts to 30 N·m")]
    [InlineData("Start the cover bolts. | Tighten the bolts in the sequence shown to 10 N·m.", "torque J1 cover bolts to 10 N·m")]
    [InlineData("Fit the loom bolts. | Fit the cover bolts. | Tighten each bolt to 18 N·m.", "torque J2 cover bolts to 18 N·m")]
    public void As_makers_of_parts_write(string said, string read) => Last(said).ShouldBe(read);

    [Theory]
    [InlineData("Check the shaft for scoring; replace if worn beyond 24.90 mm.", "inspect shaft; remove P1 shaft; fit new P1 shaft", "worn beyond 24.90 mm")]
    [InlineData("Inspect the boots and replace as needed.", "inspect boots; remove P1 boots; fit new P1 boots", "needed")]
    [InlineData("Remove the hood. | If equipped with a skid plate, remove it now.", "remove P2 skid plate", "equipped with a skid plate")]
    [InlineData("Fit the pipe. | Fit the two upper hoses. | Fit the pipe. | If the hose is soft, replace it.",
        "disconnect C1 upper hoses; connect new C1 upper hoses", "the hose is soft")]
    [InlineData("Fit the nut. | Tighten it, provided that the slot lines up.", "torque J1 nut", "the slot lines up")]
    public void What_is_done_under_a_condition_right_behind_it(string said, string read, string sign)
    {
        Last(said).ShouldBe(read);
        Sheet(said).Steps.Last().Branches.Select(b => b.Sign).ShouldBe([sign]);
        Sheet(said).Steps.Last().Actions[^1].Branch.ShouldBe(1);
    }

    // --- shop notes, as short as they are written
    [Theory]
    [InlineData("Drum off, outer brg, washer.", "remove P1 drum; remove P2 outer bearing; remove P3 washer")]
    [InlineData("Pull cyl. bolts, cyl. off.", "take out J1 cylinder bolts; remove P1 cylinder")]
    [InlineData("Handbrake off, chocks fore and aft of the good wheel.", "set L1 parking brake: Handbrake off; put in place A1 chocks")]
    [InlineData("Take the inner bearing out. | Inner brg in drum.", "fit P1 inner bearing")]
    [InlineData("Pull the seal out. | Last bolt out, old seal in the scrap.", "take out the rest of J1 bolt; discard P1 seal")]
    [InlineData("Jack it up, stand under the subframe.", "raise; on stands")]
    [InlineData("Raise the front end. | Slip a stand under.", "put in place A1 stand; on stands")]
    [InlineData("Old seal out of drum - hook it.", "remove P1 seal")]
    [InlineData("Reconnect the stabilizer link; new nut, 55 ft-lb.", "fit P1 stabilizer link; start by hand new J1 stabilizer link nut; torque J1 stabilizer link nut to 55 lbf·ft")]
    [InlineData("Fit the wheel with its five nuts. | Nuts 110 Nm. Again after 30 km.", "torque J1 wheel nuts to 110 N·m; retorque J1 wheel nuts to 110 N·m, after 30 km")]
    [InlineData("Bell housing bolts: crack all ten first, then take out eight.", "break loose J1 bell housing bolts; take out 8 of J1 bell housing bolts")]
    [InlineData("Undo the four rail bolts. | All four back in, snug two and torque the other two to 40 Nm.",
        "start by hand J1 rail bolts; snug 2 of J1 rail bolts; torque the rest of J1 rail bolts to 40 N·m")]
    [InlineData("Union in by hand 3 turns, then 16 Nm.", "start by hand J1 union; torque J1 union to 16 N·m")]
    [InlineData("New gasket, new pump, screws in with a drop of medium threadlocker, 8 Nm each.",
        "fit new P1 gasket; fit new P2 pump; start by hand J1 pump screws; apply J1 pump screws with K1 medium threadlocker; torque J1 pump screws to 8 N·m")]
    [InlineData("The pump is held by two M6 screws; out they come, and the pump slides off.", "take out J1 pump screws; remove P1 pump")]
    [InlineData("Take the four screws out of the dash panel and ease the panel toward you.", "take out J1 dash panel screws; remove P1 dash panel")]
    [InlineData("Take out the pump screws. | Pull the plug off the pump and the two hoses with it, marking which is which.", "take out J2 pump plug; disconnect C1 hoses")]
    [InlineData("Turn the fuel off at the tap.", "set L1 fuel tap: Turn the fuel off at the tap")]
    [InlineData("Drain about ten litres out of the transmission.", "drain F1 transmission oil")]
    [InlineData("Take the two bracket bolts out. | Fit the bracket. | Do up the bracket first, 70 Nm.", "torque J1 bracket bolts to 70 N·m")]
    [InlineData("Fit the two pivot bolts. | Then do up the pivots, 25 Nm and no more.", "torque J1 pivot bolts to 25 N·m")]
    [InlineData("Run the seat fully forward and fully back three times.", "check function seat")]
    [InlineData("Let the hose bundle hang.", "hang aside P1 hose bundle")]
    [InlineData("Ensure that the mating faces are clean and free of paint.", "")]
    [InlineData("The blade carrier is removed by undoing its centre bolt.", "take out J1 centre bolt; remove P1 blade carrier")]
    [InlineData("Undo the four guard bolts and take the guard off. | Refit the guard using the original hardware.", "fit P1 guard; start by hand J1 guard bolts")]
    [InlineData("Swap the two plugs over.", "")]
    [InlineData("Wind the castle nut off. | Outer bearing in, washer, nut up by hand.", "fit P1 outer bearing; fit P2 washer; start by hand J1 castle nut")]
    [InlineData("Hold the stud with a 6 mm hex key while removing the nut with an 18 mm wrench.", "take out J1 nut")]
    [InlineData("Finish removing the wheel nuts and pull both front wheels.", "take out J1 wheel nuts; remove P1 front wheels")]
    [InlineData("Fit the link and its jam nut. | Lock the link by tightening its jam nut to 30 ft-lb.", "torque J1 jam nut to 30 lbf·ft")]
    [InlineData("Both bushes are inspected and, if worn beyond 30.4 mm, pressed out and replaced.", "inspect bushes; remove P1 bushes; fit new P1 bushes")]
    [InlineData("Both hinge pins are greased and fitted.", "apply hinge pins; fit P1 hinge pins")]
    [InlineData("Spin the bowl on and give it an eighth more.", "fit P1 bowl")]
    [InlineData("Fit the four cover bolts. | Take out two of the cover bolts. | Take out the third and leave the last one finger-tight.",
        "take out 1 of J1 cover bolts; loosen the rest of J1 cover bolts")]
    [InlineData("Housing back over it, two bolts, and they only get ten newton metres.",
        "fit P1 housing; start by hand J1 housing bolts; torque J1 housing bolts to 10 N·m")]
    [InlineData("Take the fan off. | Fan on the spigot, four bolts, nine newton metres.", "fit P1 fan; start by hand J1 fan bolts; torque J1 fan bolts to 9 N·m")]
    [InlineData("Torque the wheel nuts to a hundred and twenty foot-pounds.", "torque J1 wheel nuts to 120 lbf·ft")]
    [InlineData("Hub off the stub with both thumbs holding the bearing in.", "remove P1 hub")]
    public void Shop_notes(string said, string read) => Last(said).ShouldBe(read);

    // Nothing has come off before: the way alone tells.
    [Theory]
    [InlineData("Lift the wheel on.", "fit P1 wheel")]
    [InlineData("Lift the wheel on, on the left-hand side.", "fit P1 wheel on the left-hand side")]
    [InlineData("Lift the cover on with a helper.", "fit P1 cover")]
    [InlineData("Lift the cover.", "remove P1 cover")]
    [InlineData("Lift the gearbox on the bench.", "remove P1 gearbox")]
    public void Lifted_on(string said, string read) => Last(said).ShouldBe(read);

    // What was last done to one of a kind, done to another.
    [Theory]
    [InlineData("Take out the upper link nut. | Repeat for the lower nut.", "take out J2 lower nut")]
    [InlineData("Loosen the clamp and pull the top hose off. | Do the bottom hose the same way.", "disconnect C2 bottom hose")]
    [InlineData("Torque the upper bracket bolt to 40 N·m. | Same for the lower bracket bolt.", "torque J2 lower bracket bolt to 40 N·m")]
    [InlineData("Unplug the fan connector; do the same with the sensor connector.", "disconnect C1 fan connector; disconnect C2 sensor connector")]
    [InlineData("Take out the valve cap. | Repeat the procedure for the remaining valves.", "repeat Repeat the procedure for the remaining valves")]
    public void The_same_for_another(string said, string read) => Last(said).ShouldBe(read);

    // What is a tool and nothing else is used wherever it is named, and not where it is told off.
    [Theory]
    [InlineData("Give each nipple two shots from the grease gun.", "grease gun")]
    [InlineData("Two strokes of the grease gun at the spindle.", "grease gun")]
    [InlineData("Multimeter across the posts: 12.4 V.", "multimeter")]
    [InlineData("Wire-brush the casting.", "wire brush")]
    [InlineData("Chalk an arrow on the belt.", "chalk")]
    [InlineData("Relieve the collar with a small chisel.", "small chisel")]
    [InlineData("Take the cover off without a chisel.", "")]
    [InlineData("Do not use a hammer.", "")]
    [InlineData("Note: the dealer has a slide hammer.", "")]
    public void Tools_named(string said, string tools)
    {
        var sheet = Sheet(said);
        string.Join(", ", sheet.Steps.Last().Uses.Select(id => sheet.Find(id)!.Name)).ShouldBe(tools);
    }

    // The side, as a place and as part of a name, where a sheet does something on both.
    [Theory]
    [InlineData("Fit the right-hand wheel.", "fit P1 wheel on the right-hand side")]
    [InlineData("Fit the other wheel.", "fit P1 wheel on the other side")]
    [InlineData("Fit the opposite wheel.", "fit P1 wheel on the other side")]
    [InlineData("Fit the wheel on the left.", "fit P1 wheel on the left-hand side")]
    [InlineData("On the left-hand side, fit the wheel.", "fit P1 wheel on the left-hand side")]
    [InlineData("Right: fit the wheel. Clean the wheel.", "fit P1 wheel on the right-hand side; clean P1 wheel on the right-hand side")]
    [InlineData("Fit both wheels.", "fit P1 wheel")]
    [InlineData("The right-hand side is done in the same way.", "repeat what stands before on the right-hand side")]
    [InlineData("Steps 1 to 2 are repeated on the left.", "repeat steps 1–2 on the left-hand side")]
    [InlineData("Go through steps 1 and 2 again for the other side.", "repeat steps 1, 2 on the other side")]
    [InlineData("Repeat step 1 on the right, and mind the valve.", "repeat step 1 on the right-hand side")]
    [InlineData("The other wheel gets the same treatment.", "repeat what stands before on the other side")]
    public void A_side(string said, string read) => Last($"Lift the wheel off. | Repeat step 1 on the other side. | {said}").ShouldBe(read);

    // More than there are is not understood of those that are there.
    [Theory]
    [InlineData("Fit the wheel with its five nuts. | Crack all eight.")]
    [InlineData("Take the belt off. | Likewise the guard on the left.")]
    [InlineData("Earth lead under the stud.")]
    [InlineData("Take the plug out and let about six litres run off.")]
    public void What_may_be_meant_otherwise_is_asked(string said) => Sheet(said).Steps.Last().Questions.ShouldNotBeEmpty();

    private static Written Written(string said) => new Written().Steps(said.Split(" | "));

    private static Sheet Sheet(string said) => Written(said).Sheet;

    private static string Last(string said)
    {
        var written = Written(said);
        written.Sheet.Steps.Last().Questions.ShouldBeEmpty();
        return written.Chips(written.Sheet.Steps.Count());
    }
}
