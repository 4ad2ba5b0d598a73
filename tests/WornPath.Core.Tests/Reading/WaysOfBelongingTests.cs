namespace WornPath.Core.Tests.Reading;

/// <summary>
/// Names near by first: fasteners told bare belong to the part told beside them, and where the sheet does not have those yet they are new, and never
/// another part's.
/// </summary>
public class WaysOfBelongingTests
{
    [Theory]
    [InlineData("Undo the bolts of the pump.", "TakeOut pump bolts")]
    [InlineData("Take the seven bolts out of the pump.", "TakeOut pump bolts")]
    [InlineData("The pump is held by seven bolts: take them out and pull it off.", "TakeOut pump bolts; Remove pump")]
    [InlineData("Seven bolts hold the pump: take them out.", "TakeOut pump bolts")]
    [InlineData("Hold the pump while taking out the bolts.", "TakeOut pump bolts")]
    [InlineData("Hold the stud of the pump with a hex key while removing the nut.", "TakeOut pump nut")]
    [InlineData("Take the nut off the pump and pull it off.", "TakeOut pump nut; Remove pump")]
    [InlineData("Undo the pump's nut and slide the pump off its studs.", "TakeOut pump nut; Remove pump")]
    [InlineData("Undo the bolts and lift the pump off.", "TakeOut pump bolts; Remove pump")]
    [InlineData("Undo the screws and lift the pump off.", "TakeOut pump screws; Remove pump")]
    [InlineData("Undo the nuts and take the pump off.", "TakeOut pump nuts; Remove pump")]
    [InlineData("Take out the bolts, then the pump.", "TakeOut pump bolts; Remove pump")]
    [InlineData("Remove the bolts and the pump.", "TakeOut pump bolts; Remove pump")]
    [InlineData("Remove the seven bolts and pull the pump off.", "TakeOut pump bolts; Remove pump")]
    [InlineData("Support the pump and take its bolts out.", "TakeOut pump bolts")]
    [InlineData("Support the pump and take the bolts out.", "TakeOut pump bolts")]
    [InlineData("With the bolts out, pull the pump off.", "TakeOut pump bolts; Remove pump")]
    [InlineData("Pump: seven bolts, pull it off.", "TakeOut pump bolts; Remove pump")]
    [InlineData("Pump: undo seven bolts, pull it off.", "TakeOut pump bolts; Remove pump")]
    [InlineData("Seven bolts out, pump off.", "TakeOut pump bolts; Remove pump")]
    [InlineData("Two bolts at the top of the pump: take them out.", "TakeOut pump bolts")]
    [InlineData("Reach behind the pump and undo the two bolts.", "TakeOut pump bolts")]
    [InlineData("Behind the pump are two bolts: undo them.", "TakeOut pump bolts")]
    [InlineData("Turn the pump over and undo the two bolts.", "TakeOut pump bolts")]
    [InlineData("On the pump, undo the nut.", "TakeOut pump nut")]
    [InlineData("At the pump, take out the two bolts.", "TakeOut pump bolts")]
    [InlineData("From the pump take out the two bolts.", "TakeOut pump bolts")]
    [InlineData("Loosen the bolts and tilt the pump.", "Loosen pump bolts")]
    [InlineData("Slacken the two bolts on the underside of the pump.", "Loosen pump bolts")]
    [InlineData("Slacken the bolts until the pump can be moved.", "Loosen pump bolts")]
    [InlineData("Slacken the bolts so that the pump can slide.", "Loosen pump bolts")]
    [InlineData("Crack the nuts of the pump.", "BreakLoose pump nuts")]
    [InlineData("Break the pump bolts loose.", "BreakLoose pump bolts")]
    public void Its_own_that_are_new(string sentence, string expected) => Told(sentence, expected);

    [Theory]
    [InlineData("Undo the bolts and lift the cover off.", "TakeOut cover bolts; Remove cover")]
    [InlineData("Undo the nuts and lift the guard off.", "TakeOut guard nuts; Remove guard")]
    [InlineData("Undo the screw and lift the lamp off.", "TakeOut lamp screw; Remove lamp")]
    [InlineData("Remove the screw and the lamp.", "TakeOut lamp screw; Remove lamp")]
    [InlineData("Remove the nuts and the guard.", "TakeOut guard nuts; Remove guard")]
    [InlineData("Undo the lamp's screw, then the cover's bolts.", "TakeOut lamp screw; TakeOut cover bolts")]
    [InlineData("Undo the bolts of the cover and the nuts of the guard.", "TakeOut cover bolts; TakeOut guard nuts")]
    [InlineData("Undo the bolts of the cover, the nuts of the guard and the screw of the lamp.", "TakeOut cover bolts; TakeOut guard nuts; TakeOut lamp screw")]
    [InlineData("Take the cover's bolts out and the guard's nuts off.", "TakeOut cover bolts; TakeOut guard nuts")]
    [InlineData("Undo the bolts.", "TakeOut cover bolts")]
    [InlineData("Undo the nuts.", "TakeOut guard nuts")]
    [InlineData("Undo the screw.", "TakeOut lamp screw")]
    [InlineData("Hold the lamp while taking out the screw.", "TakeOut lamp screw")]
    [InlineData("Hold the guard while taking the nuts off.", "TakeOut guard nuts")]
    [InlineData("Hold the cover and take out its bolts.", "TakeOut cover bolts")]
    [InlineData("Lift the lamp off after taking out its screw.", "TakeOut lamp screw; Remove lamp")]
    [InlineData("Take the screw out, then the lamp off.", "TakeOut lamp screw; Remove lamp")]
    [InlineData("Remove the lamp, then undo the nuts and remove the guard.", "Remove lamp; TakeOut guard nuts; Remove guard")]
    [InlineData("Undo the screw, lift off the lamp, undo the nuts and lift off the guard.", "TakeOut lamp screw; Remove lamp; TakeOut guard nuts; Remove guard")]
    [InlineData("Undo its screw and the lamp comes off.", "TakeOut lamp screw; Remove lamp")]
    [InlineData("Two nuts and the guard is off.", "TakeOut guard nuts; Remove guard")]
    [InlineData("One screw and the lamp is off.", "TakeOut lamp screw; Remove lamp")]
    [InlineData("The guard comes off with two nuts.", "TakeOut guard nuts; Remove guard")]
    [InlineData("Undo the fasteners of the guard.", "TakeOut guard nuts")]
    [InlineData("Undo the guard's fasteners and lift it off.", "TakeOut guard nuts; Remove guard")]
    [InlineData("The guard's two nuts come off, then the lamp's screw comes out.", "TakeOut guard nuts; TakeOut lamp screw")]
    [InlineData("Free the guard by undoing its nuts.", "TakeOut guard nuts; BreakLoose guard")]
    [InlineData("Undo the two nuts that hold the guard and the four bolts that hold the cover.", "TakeOut guard nuts; TakeOut cover bolts")]
    public void Its_own_that_are_known(string sentence, string expected) => Told(sentence, expected);

    [Theory]
    [InlineData("Fit the pump and run its bolts in by hand.", "Fit pump; Start pump bolts")]
    [InlineData("Fit the pump and run the bolts in by hand.", "Fit pump; Start pump bolts")]
    [InlineData("Fit the pump and start the nuts.", "Fit pump; Start pump nuts")]
    [InlineData("Fit the pump and its bolts.", "Fit pump; Start pump bolts")]
    [InlineData("Fit the pump with its seven bolts.", "Fit pump; Start pump bolts")]
    [InlineData("Fit the pump and torque its bolts to 40 N·m.", "Fit pump; Torque pump bolts")]
    [InlineData("Fit the pump and torque the bolts to 40 N·m.", "Fit pump; Torque pump bolts")]
    [InlineData("Pump on, seven bolts, 40 N·m.", "Fit pump; Start pump bolts; Torque pump bolts")]
    [InlineData("Fit the guard and start the nuts.", "Fit guard; Start guard nuts")]
    [InlineData("Fit the lamp and start the screw.", "Fit lamp; Start lamp screw")]
    [InlineData("Fit the lamp and its screw.", "Fit lamp; Start lamp screw")]
    [InlineData("Fit the guard and its nuts, then the lamp and its screw.", "Fit guard; Start guard nuts; Fit lamp; Start lamp screw")]
    [InlineData("Fit the cover and torque the bolts to 25 N·m.", "Fit cover; Start cover bolts; Torque cover bolts")]
    [InlineData("Offer up the pump and put the bolts in.", "Fit pump; Start pump bolts")]
    [InlineData("Hang the pump on its studs and run the nuts on.", "Fit pump; Start pump nuts")]
    [InlineData("Slide the pump onto its studs and start the nuts.", "Fit pump; Start pump nuts")]
    [InlineData("Set the pump in place and tighten the bolts to 40 N·m.", "Fit pump; Torque pump bolts")]
    [InlineData("With the pump in place, start the bolts.", "Fit pump; Start pump bolts")]
    public void Its_own_as_it_goes_on(string sentence, string expected) => Told(sentence, expected, isOff: true);

    [Theory]
    [InlineData("Fit the pump.", "Start the nuts.", "Start pump nuts")]
    [InlineData("Fit the pump.", "Run the bolts in by hand.", "Start pump bolts")]
    [InlineData("Set the pump in place.", "Start the bolts.", "Start pump bolts")]
    [InlineData("Slide the pump onto the frame.", "Put the nuts on, finger-tight.", "Start pump nuts")]
    [InlineData("Fit the guard.", "Start the nuts.", "Start guard nuts")]
    [InlineData("Fit the cover.", "Run the bolts in by hand.", "Start cover bolts")]
    [InlineData("Remove the pump.", "Undo the nuts.", "TakeOut guard nuts")]
    [InlineData("Wipe the pump.", "Undo the bolts.", "TakeOut cover bolts")]
    [InlineData("Slacken the cover bolts.", "Support the pump and take the bolts out.", "TakeOut cover bolts")]
    [InlineData("Undo the cover bolts.", "Fit the pump, then put the bolts back in.", "Fit pump; Start cover bolts")]
    public void What_was_just_done_tells_whose_they_are(string before, string sentence, string expected) => Told(sentence, expected, before: before);

    private static void Told(string sentence, string expected, bool isOff = false, string before = "Wipe the frame.")
    {
        var written = new Written().Part("frame").Part("pump").Part("cover").Part("lamp").Part("guard")
            .Joint("cover bolts", "25 N·m", holds: "cover").Set("cover bolts", "count", "4")
            .Joint("lamp screw", holds: "lamp").Set("lamp screw", "count", "1")
            .Joint("guard nuts", holds: "guard").Set("guard nuts", "count", "2");
        written.Steps(isOff ? "Remove the cover bolts, the cover, the lamp screw, the lamp, the guard nuts, the guard and the pump."
            : "Wipe the floor.", before, sentence);
        Telling.Said(written, 3).ShouldBe(expected, sentence);
    }
}
