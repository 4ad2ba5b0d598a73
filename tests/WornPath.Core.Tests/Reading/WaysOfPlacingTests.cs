namespace WornPath.Core.Tests.Reading;

/// <summary>
/// Where something comes from or goes to, how far and which way round is no further thing that is done: the same part comes off or goes on, and nothing
/// else of the sheet moves with it.
/// </summary>
public class WaysOfPlacingTests
{
    [Theory]
    [InlineData("Pull the bearing off the shaft.")]
    [InlineData("Pull the bearing off the shaft with the puller.")]
    [InlineData("Pull the bearing from the shaft.")]
    [InlineData("Draw the bearing off the end of the shaft.")]
    [InlineData("Draw the bearing out of the housing.")]
    [InlineData("Slide the bearing off the shaft towards the front.")]
    [InlineData("Slide the bearing forward off the shaft.")]
    [InlineData("Slide the bearing along the shaft and off.")]
    [InlineData("Lift the bearing up and out of the housing.")]
    [InlineData("Lift the bearing straight up and out.")]
    [InlineData("Lift the bearing out between the shaft and the cover.")]
    [InlineData("Tilt the bearing and lift it out past the cover.")]
    [InlineData("Turn the bearing sideways and take it out through the opening.")]
    [InlineData("Work the bearing out of the housing a little at a time.")]
    [InlineData("Work the bearing off the shaft, first one side, then the other.")]
    [InlineData("Tap the bearing out of the housing from behind.")]
    [InlineData("Tap the bearing out of the housing with a drift against its outer ring.")]
    [InlineData("Drive the bearing out of the housing from the inside.")]
    [InlineData("Press the bearing out of the housing towards the cover side.")]
    [InlineData("Prise the bearing out of the housing with two levers, without marking the shaft.")]
    [InlineData("Remove the bearing from the shaft, supporting the housing with your hand.")]
    [InlineData("Remove the bearing from between the cover and the housing.")]
    [InlineData("Remove the bearing from behind the cover.")]
    [InlineData("Take the bearing off the shaft as far as the cover allows, then out at the bottom.")]
    [InlineData("Take the bearing out through the hole in the cover.")]
    [InlineData("Ease the bearing off the shaft, taking care not to damage the seal.")]
    [InlineData("Ease the bearing off the shaft until it is clear of the housing.")]
    [InlineData("From the rear, draw the bearing out of the housing.")]
    [InlineData("The bearing is pulled off the shaft.")]
    [InlineData("The bearing is driven out of the housing from behind.")]
    [InlineData("The bearing can be lifted out of the housing.")]
    [InlineData("The bearing comes off the shaft by hand.")]
    [InlineData("Bearing off the shaft.")]
    [InlineData("Bearing out of the housing.")]
    [InlineData("Bearing out past the cover.")]
    public void It_comes_off(string sentence) => Told(sentence, "Remove bearing", isOff: false);

    [Theory]
    [InlineData("Slide the bearing onto the shaft.")]
    [InlineData("Slide the bearing onto the shaft until it touches the seal.")]
    [InlineData("Slide the bearing over the shaft with its mark towards the cover.")]
    [InlineData("Push the bearing into the housing until it seats.")]
    [InlineData("Push the bearing home in the housing.")]
    [InlineData("Push the bearing onto the shaft as far as it will go.")]
    [InlineData("Press the bearing into the housing, its closed side outwards.")]
    [InlineData("Press the bearing square into the housing with the old one as a tool.")]
    [InlineData("Tap the bearing into the housing until it is flush with the edge.")]
    [InlineData("Tap the bearing home against the shoulder of the shaft.")]
    [InlineData("Drive the bearing into the housing to a depth of 5 mm.")]
    [InlineData("Drive the bearing onto the shaft with a tube on its inner ring.")]
    [InlineData("Fit the bearing to the shaft with its lettering facing the cover.")]
    [InlineData("Fit the bearing to the shaft, lettering outwards.")]
    [InlineData("Fit the bearing (lettering outwards) to the shaft.")]
    [InlineData("Fit the bearing so that its lettering can be read.")]
    [InlineData("Fit the bearing in the housing so that it is flush with the cover face.")]
    [InlineData("Fit the bearing between the seal and the cover.")]
    [InlineData("Fit the bearing behind the cover.")]
    [InlineData("Place the bearing in the housing, narrow side down.")]
    [InlineData("Put the bearing back into the housing the way it came out.")]
    [InlineData("Put the bearing in the housing the same way round as before.")]
    [InlineData("Set the bearing into the housing and turn it until it drops in.")]
    [InlineData("Insert the bearing into the housing from below.")]
    [InlineData("Insert the bearing through the opening of the cover into the housing.")]
    [InlineData("Install the bearing on the shaft up against the seal.")]
    [InlineData("Work the bearing onto the shaft, turning it back and forth.")]
    [InlineData("With the tube, drive the bearing onto the shaft.")]
    [InlineData("From below, insert the bearing into the housing.")]
    [InlineData("The bearing is pressed into the housing flush.")]
    [InlineData("The bearing goes onto the shaft with its mark outwards.")]
    [InlineData("The bearing is slid onto the shaft up to the seal.")]
    [InlineData("Bearing onto the shaft.")]
    [InlineData("Bearing into the housing, mark outwards.")]
    [InlineData("Bearing on, lettering out, up to the shoulder.")]
    [InlineData("Bearing in flush.")]
    public void It_goes_on(string sentence) => Told(sentence, "Fit bearing", isOff: true);

    private static void Told(string sentence, string expected, bool isOff)
    {
        var written = new Written().Part("shaft").Part("housing").Part("cover").Part("seal").Part("bearing");
        written.Steps(isOff ? "Remove the bearing." : "Wipe the frame.", sentence);
        var step = written.Step(2);
        var said = step.Actions.Where(a => a.Verb is not (Verb.Inspect or Verb.Clean or Verb.Treat or Verb.Place or Verb.TakeAway or Verb.Seat or Verb.Adjust))
            .Select(a => $"{a.Verb} {written.Sheet.Find(a.Target ?? "")?.Name}{(a.Branch > 0 ? " if" : "")}".Trim());
        ((step.Questions.Length > 0 ? "asked " : "") + string.Join("; ", said)).Trim().ShouldBe(expected, sentence);
    }
}
