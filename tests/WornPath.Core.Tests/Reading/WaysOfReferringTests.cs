namespace WornPath.Core.Tests.Reading;

/// <summary>
/// It, they, them, these, both, the part, the latter: what stands for a name stands for the one a mechanic would take it for, within a sentence and
/// over several.
/// </summary>
public class WaysOfReferringTests
{
    [Theory]
    // One thing after the other is done to it.
    [InlineData("Lift the cover off, clean it and set it aside.", "Remove cover; SetAside cover")]
    [InlineData("Lift the cover off. Clean it. Set it aside.", "Remove cover; SetAside cover")]
    [InlineData("Lift off the cover and set it aside.", "Remove cover; SetAside cover")]
    [InlineData("Undo the cover bolts and put them aside.", "TakeOut cover bolts; SetAside cover bolts")]
    [InlineData("Undo the cover bolts and keep them.", "TakeOut cover bolts")]
    [InlineData("Undo the cover bolts; they are used again.", "TakeOut cover bolts")]
    [InlineData("Undo the cover bolts and discard them.", "TakeOut cover bolts; Discard cover bolts")]
    [InlineData("Take the gasket off and throw it away.", "Remove gasket; Discard gasket")]
    [InlineData("Take the gasket off. It is not used again.", "Remove gasket")]
    [InlineData("Remove the bearing, inspect it and refit it.", "Remove bearing; Fit bearing")]
    [InlineData("Remove the bearing. If it is worn, replace it.", "Remove bearing; Fit bearing 1")]
    [InlineData("Loosen the hub nut, then take it off.", "Loosen hub nut; TakeOut hub nut")]
    [InlineData("Loosen the cover bolts, then take them out.", "Loosen cover bolts; TakeOut cover bolts")]
    [InlineData("Loosen the cover bolts. Do not take them out yet.", "Loosen cover bolts")]
    [InlineData("Loosen the cover bolts but leave them in.", "Loosen cover bolts")]
    [InlineData("Loosen the cover bolts and leave them in place.", "Loosen cover bolts")]
    // Two, and the fitting one of them.
    [InlineData("Undo the cover bolts and the cover, and set it aside.", "TakeOut cover bolts; Remove cover; SetAside cover")]
    [InlineData("Undo the cover bolts, lift the cover off and set it aside.", "TakeOut cover bolts; Remove cover; SetAside cover")]
    [InlineData("Undo the cover bolts, lift the cover off and put them back into it.", "TakeOut cover bolts; Remove cover; Start cover bolts")]
    [InlineData("Lift the cover off its bolts and lay it down.", "Remove cover; SetAside cover")]
    [InlineData("Take the hub nut off and pull the bearing; clean both.", "TakeOut hub nut; Remove bearing")]
    [InlineData("Remove the gasket and the bearing. Discard both.", "Remove gasket; Remove bearing; Discard gasket; Discard bearing")]
    [InlineData("Remove the gasket and the bearing and discard them.", "Remove gasket; Remove bearing; Discard gasket; Discard bearing")]
    [InlineData("Remove the gasket and the bearing, and discard the gasket.", "Remove gasket; Remove bearing; Discard gasket")]
    [InlineData("Remove the gasket and the bearing; discard the former.", "Remove gasket; Remove bearing; Discard gasket")]
    [InlineData("Remove the gasket and the bearing; discard the latter.", "Remove gasket; Remove bearing; Discard bearing")]
    [InlineData("Remove the bearing together with the gasket and discard the latter.", "Carry gasket; Remove bearing; Discard gasket")]
    [InlineData("Remove the cover bolts, which are then discarded.", "TakeOut cover bolts; Discard cover bolts")]
    [InlineData("Remove the gasket, which is discarded.", "Remove gasket; Discard gasket")]
    [InlineData("Remove the cover, then its gasket.", "Remove cover; Remove gasket")]
    [InlineData("Remove the cover and its gasket.", "Remove cover; Remove gasket")]
    [InlineData("Remove the cover and its four bolts.", "TakeOut cover bolts; Remove cover")]
    [InlineData("Undo the four bolts of the cover and take it off.", "TakeOut cover bolts; Remove cover")]
    [InlineData("Undo its four bolts and take the cover off.", "TakeOut cover bolts; Remove cover")]
    [InlineData("Once its bolts are out, lift the cover off.", "TakeOut cover bolts; Remove cover")]
    [InlineData("With its bolts removed, lift the cover off.", "TakeOut cover bolts; Remove cover")]
    [InlineData("After undoing its bolts, lift off the cover.", "TakeOut cover bolts; Remove cover")]
    [InlineData("Before you lift off the cover, undo its bolts.", "TakeOut cover bolts")]
    [InlineData("The cover has four bolts. Undo them and lift it off.", "TakeOut cover bolts; Remove cover")]
    [InlineData("The cover is held by four bolts. Undo these and lift it off.", "TakeOut cover bolts; Remove cover")]
    [InlineData("Four bolts hold the cover; undo them, then lift it off.", "TakeOut cover bolts; Remove cover")]
    [InlineData("There are four bolts on the cover. Take them out, then take it off.", "TakeOut cover bolts; Remove cover")]
    [InlineData("Behind the cover is the bearing. Pull it out.", "Remove bearing")]
    [InlineData("The bearing sits behind the cover. Pull it out.", "Remove bearing")]
    [InlineData("Locate the hub nut. Undo it.", "TakeOut hub nut")]
    [InlineData("Find the cover bolts and undo them.", "TakeOut cover bolts")]
    [InlineData("Clean the hub nut and undo it.", "TakeOut hub nut")]
    [InlineData("Hold the shaft with a wrench and undo the hub nut; take it off.", "TakeOut hub nut")]
    [InlineData("Hold the cover with one hand and undo its bolts with the other.", "TakeOut cover bolts")]
    [InlineData("Slide the bearing off the shaft and put it into a clean bag.", "Remove bearing; SetAside bearing")]
    [InlineData("Slide the bearing off the shaft. Wrap it in a rag.", "Remove bearing")]
    // Back together.
    [InlineData("Clean the cover and put it back on.", "Fit cover", true)]
    [InlineData("Clean the cover, put it back and start its bolts by hand.", "Fit cover; Start cover bolts", true)]
    [InlineData("Take the bearing, oil it and slide it onto the shaft.", "Fit bearing", true)]
    [InlineData("Oil the bearing. Slide it onto the shaft, then screw the hub nut on by hand.", "Fit bearing; Start hub nut", true)]
    [InlineData("Put the cover on, start its bolts and torque them to 25 N·m.", "Fit cover; Start cover bolts; Torque cover bolts", true)]
    [InlineData("Put the cover on. Start the bolts by hand and torque them crosswise to 25 N·m.",
        "Fit cover; Start cover bolts; Torque cover bolts", true)]
    [InlineData("Fit the cover with its four bolts and torque these to 25 N·m.", "Fit cover; Start cover bolts; Torque cover bolts", true)]
    [InlineData("Screw the hub nut on and torque it to 80 N·m.", "Start hub nut; Torque hub nut", true)]
    [InlineData("Start all four bolts by hand, then torque them to 25 N·m.", "Start cover bolts; Torque cover bolts", true)]
    public void What_stands_for_a_name(string sentence, string expected, bool isOff = false)
    {
        var written = new Written().Part("shaft").Part("cover").Part("gasket").Part("bearing").Joint("cover bolts",
            "25 N·m").Set("cover bolts", "count", "4")
            .Joint("hub nut", "80 N·m");
        written.Set("cover bolts", "holds", written.Sheet.Parts.Single(p => p.Name == "cover").Id);
        if (isOff) written.Steps("Take the cover bolts out and remove the cover and the gasket. Take the hub nut off and remove the bearing.");
        written.Steps("Wipe the frame.", sentence);
        var step = written.Sheet.Steps.Last();
        var said = step.Actions.Where(a => a.Verb is not (Verb.Inspect or Verb.Clean or Verb.Treat or Verb.Place or Verb.TakeAway or Verb.Measure))
            .Select(a => $"{a.Verb} {written.Sheet.Find(a.Target ?? "")?.Name}{(a.Branch > 0 ? " " + a.Branch : "")}".Trim()).ToList();
        ((step.Questions.Length > 0 ? "asked " : "") + string.Join("; ", said)).Trim().ShouldBe(expected, sentence);
    }
}
