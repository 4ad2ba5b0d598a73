namespace WornPath.Core.Tests.Reading;

/// <summary>Sentences as they are said and written in the shop, on a blank sheet: what the last of a row is read as.</summary>
public class ShopTalkTests
{
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
    [InlineData("Take seven of the eight flange bolts out and leave the top one in by a few threads.", "take out 7 of J1 flange bolts; loosen J1 flange bolts")]
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
    [InlineData("Set the new board on the posts, start the nuts and torque them to 4 N·m.", "fit new P1 board; start by hand J1 board nuts; torque J1 board nuts to 4 N·m")]
    [InlineData("Remove the heat shield. | Shield on, four screws at 8 N·m.", "fit P1 heat shield; torque J1 heat shield screws to 8 N·m")]
    public void What_goes_on(string said, string read) => Last(said).ShouldBe(read);

    [Theory]
    [InlineData("Make sure the parking brake is on.", "set L1 parking brake: Make sure the parking brake is on")]
    [InlineData("Take the key out and switch the lights off.", "set L1 ignition: Take the key out; set L2 lights: switch the lights off")]
    [InlineData("Switch on the ignition and look at the lamp, then switch off again.", "set L1 ignition: Switch on the ignition; set L1 ignition: switch off again")]
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
    [InlineData("Undo the crossmember bolts. | Slacken the clutch cover bolts. | Remove the bolts, the cover and the plate.", "take out J2 clutch cover bolts; remove P1 cover; remove P2 plate")]
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

    private static Written Written(string said) => new Written().Steps(said.Split(" | "));

    private static Sheet Sheet(string said) => Written(said).Sheet;

    private static string Last(string said)
    {
        var written = Written(said);
        written.Sheet.Steps.Last().Questions.ShouldBeEmpty();
        return written.Chips(written.Sheet.Steps.Count());
    }
}
