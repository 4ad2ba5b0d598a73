namespace WornPath.Core.Tests.Reading;

/// <summary>
/// Levers, switches, taps, keys: however it is told, the control is set and nothing else is moved, switched on or taken off with it; what only tells how it
/// stands or must stand asks or claims, and never sets another.
/// </summary>
public class WaysOfSettingTests
{
    [Theory]
    [InlineData("Set the lever to float.", "lever")]
    [InlineData("Put the lever in float.", "lever")]
    [InlineData("Put the lever into the float position.", "lever")]
    [InlineData("Move the lever to float.", "lever")]
    [InlineData("Push the lever to float.", "lever")]
    [InlineData("Push the lever forward to float.", "lever")]
    [InlineData("Push the lever all the way forward.", "lever")]
    [InlineData("Pull the lever back.", "lever")]
    [InlineData("Pull the lever all the way back.", "lever")]
    [InlineData("Pull the lever up.", "lever")]
    [InlineData("Shift the lever into float.", "lever")]
    [InlineData("Swing the lever to the left.", "lever")]
    [InlineData("Turn the lever to float.", "lever")]
    [InlineData("Flip the lever over.", "lever")]
    [InlineData("Throw the lever to float.", "lever")]
    [InlineData("Bring the lever to float.", "lever")]
    [InlineData("Place the lever in float.", "lever")]
    [InlineData("Leave the lever in float.", "lever")]
    [InlineData("Return the lever to neutral.", "lever")]
    [InlineData("Lock the lever in float.", "lever")]
    [InlineData("Hold the lever in float.", "lever")]
    [InlineData("The lever is set to float.", "lever")]
    [InlineData("The lever goes to float.", "lever")]
    [InlineData("The lever is put in float.", "lever")]
    [InlineData("The lever is moved to float.", "lever")]
    [InlineData("Lever to float.", "lever")]
    [InlineData("Lever in float.", "lever")]
    [InlineData("Lever: float.", "lever")]
    [InlineData("Lever forward.", "lever")]
    [InlineData("Lever fully back.", "lever")]
    [InlineData("Select float with the lever.", "lever")]
    [InlineData("Make sure the lever is in float.", "lever")]
    [InlineData("Close the fuel tap.", "fuel tap")]
    [InlineData("Shut the fuel tap.", "fuel tap")]
    [InlineData("Shut off the fuel tap.", "fuel tap")]
    [InlineData("Turn the fuel tap off.", "fuel tap")]
    [InlineData("Turn off the fuel tap.", "fuel tap")]
    [InlineData("Open the fuel tap.", "fuel tap")]
    [InlineData("Turn the fuel tap on.", "fuel tap")]
    [InlineData("Turn the fuel tap a quarter turn to close it.", "fuel tap")]
    [InlineData("Crack the fuel tap open.", "fuel tap")]
    [InlineData("Screw the fuel tap shut.", "fuel tap")]
    [InlineData("The fuel tap is closed.", "fuel tap")]
    [InlineData("Fuel tap off.", "fuel tap")]
    [InlineData("Fuel tap closed.", "fuel tap")]
    [InlineData("Fuel tap: off.", "fuel tap")]
    [InlineData("Off with the fuel tap.", "fuel tap")]
    [InlineData("Switch the work light on.", "work light")]
    [InlineData("Switch on the work light.", "work light")]
    [InlineData("Switch the work light off.", "work light")]
    [InlineData("Turn the work light on.", "work light")]
    [InlineData("Turn off the work light.", "work light")]
    [InlineData("Put the work light on.", "work light")]
    [InlineData("Put the work light out.", "work light")]
    [InlineData("Work light on.", "work light")]
    [InlineData("Work light off.", "work light")]
    [InlineData("Apply the parking brake.", "parking brake")]
    [InlineData("Set the parking brake.", "parking brake")]
    [InlineData("Put the parking brake on.", "parking brake")]
    [InlineData("Pull the parking brake on.", "parking brake")]
    [InlineData("Pull up the parking brake.", "parking brake")]
    [InlineData("Engage the parking brake.", "parking brake")]
    [InlineData("Release the parking brake.", "parking brake")]
    [InlineData("Let the parking brake off.", "parking brake")]
    [InlineData("Take the parking brake off.", "parking brake")]
    [InlineData("Parking brake on.", "parking brake")]
    [InlineData("Parking brake off.", "parking brake")]
    [InlineData("The parking brake is applied.", "parking brake")]
    [InlineData("The parking brake must be on.", "parking brake")]
    [InlineData("The parking brake has to be on.", "parking brake")]
    [InlineData("Make sure the parking brake is applied.", "parking brake")]
    [InlineData("Park on level ground with the parking brake on.", "parking brake")]
    public void It_is_set(string sentence, string control) => Told(sentence, $"Set {control}");

    [Theory]
    [InlineData("The lever is on the left.")]
    [InlineData("The lever is stiff.")]
    [InlineData("The lever has three positions.")]
    [InlineData("Do not touch the lever.")]
    [InlineData("Do not move the lever.")]
    [InlineData("Mind the lever.")]
    [InlineData("Keep your hand off the lever.")]
    [InlineData("Nobody touches the lever.")]
    [InlineData("The fuel tap is behind the cover.")]
    [InlineData("The fuel tap drips.")]
    [InlineData("Lever the cover off with two levers.")]
    [InlineData("Prise the cover off with a lever.")]
    public void None_is_set(string sentence)
    {
        var said = Said(sentence);
        said.ShouldNotContain("Set", Case.Sensitive, sentence);
        said.ShouldNotContain("lever", Case.Sensitive, sentence);
    }

    private static void Told(string sentence, string expected) => Said(sentence).ShouldBe(expected, sentence);

    private static string Said(string sentence)
    {
        var written = new Written().Part("frame").Part("cover").Thing(ThingKind.Control, "lever").Thing(ThingKind.Control, "fuel tap")
            .Thing(ThingKind.Control, "work light").Thing(ThingKind.Control, "parking brake");
        written.Steps("Wipe the frame.", sentence);
        var step = written.Step(2);
        var said = step.Actions.Where(a => a.Verb is not (Verb.Inspect or Verb.Clean or Verb.Treat or Verb.Place or Verb.TakeAway or Verb.Seat or Verb.Adjust
                or Verb.Wait)).Select(a => $"{a.Verb} {written.Sheet.Find(a.Target ?? "")?.Name}{(a.Branch > 0 ? " if" : "")}".Trim());
        return ((step.Questions.Length > 0 ? "asked " : "") + string.Join("; ", said)).Trim();
    }
}
