namespace WornPath.Core.Tests.Reading;

/// <summary>Some of a set now and the others later, some out and the others only slack: each is done to as many as are told, and to no others.</summary>
public class WaysOfCountingTests
{
    [Theory]
    [InlineData("Spin three of the cover bolts out.", "TakeOut 3 of cover bolts")]
    [InlineData("Run three of the cover bolts out.", "TakeOut 3 of cover bolts")]
    [InlineData("Spin out three of the cover bolts.", "TakeOut 3 of cover bolts")]
    [InlineData("Spin three cover bolts out.", "TakeOut 3 of cover bolts")]
    [InlineData("Pull two of the cover bolts.", "TakeOut 2 of cover bolts")]
    [InlineData("Whip three of the cover bolts out.", "TakeOut 3 of cover bolts")]
    [InlineData("Three of the cover bolts come out.", "TakeOut 3 of cover bolts")]
    [InlineData("Three of the four cover bolts can come out now.", "TakeOut 3 of cover bolts")]
    [InlineData("Three of the cover bolts are taken out.", "TakeOut 3 of cover bolts")]
    [InlineData("Of the cover bolts, take out three.", "TakeOut 3 of cover bolts")]
    [InlineData("Of the four cover bolts, three come out.", "TakeOut 3 of cover bolts")]
    [InlineData("Out of the four cover bolts, remove three.", "TakeOut 3 of cover bolts")]
    [InlineData("Take three out of the four cover bolts.", "TakeOut 3 of cover bolts")]
    [InlineData("Take out cover bolts 1 to 3.", "TakeOut 3 of cover bolts")]
    [InlineData("Take out any three of the cover bolts.", "TakeOut 3 of cover bolts")]
    [InlineData("Take out the first three of the cover bolts.", "TakeOut 3 of cover bolts")]
    [InlineData("Take the first three cover bolts out.", "TakeOut 3 of cover bolts")]
    [InlineData("Take out half of the cover bolts.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out half the cover bolts.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out every second cover bolt.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out every other cover bolt.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out one of the cover bolts.", "TakeOut 1 of cover bolts")]
    [InlineData("Take a single cover bolt out.", "TakeOut 1 of cover bolts")]
    [InlineData("Take out just one cover bolt.", "TakeOut 1 of cover bolts")]
    [InlineData("Take out only two of the cover bolts.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out a pair of the cover bolts.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out two opposite cover bolts.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out two diagonally opposite cover bolts.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out two of the cover bolts, diagonally opposite each other.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out a couple of the cover bolts.", "TakeOut 2 of cover bolts")]
    [InlineData("Take out the cover bolts, all four.", "TakeOut cover bolts")]
    [InlineData("Take all four of the cover bolts out.", "TakeOut cover bolts")]
    [InlineData("Take out each of the cover bolts.", "TakeOut cover bolts")]
    [InlineData("Take out every one of the cover bolts.", "TakeOut cover bolts")]
    [InlineData("Take out the whole set of cover bolts.", "TakeOut cover bolts")]
    [InlineData("Take out the lot of the cover bolts.", "TakeOut cover bolts")]
    [InlineData("Take out all of the cover bolts one by one.", "TakeOut cover bolts")]
    [InlineData("Take out the cover bolts one after the other.", "TakeOut cover bolts")]
    [InlineData("Take out all the cover bolts except one.", "TakeOut 3 of cover bolts")]
    [InlineData("Take out all but one of the cover bolts.", "TakeOut 3 of cover bolts")]
    [InlineData("Take out all cover bolts, but leave one in.", "TakeOut 3 of cover bolts")]
    [InlineData("Take out all the cover bolts bar one.", "TakeOut 3 of cover bolts")]
    [InlineData("Take out the cover bolts, leaving one in place.", "TakeOut 3 of cover bolts")]
    [InlineData("Take out the cover bolts apart from the last one.", "TakeOut 3 of cover bolts")]
    [InlineData("Start two of the cover bolts by hand.", "Start 2 of cover bolts")]
    [InlineData("Screw two of the four cover bolts in by hand.", "Start 2 of cover bolts")]
    [InlineData("Two of the cover bolts are started by hand.", "Start 2 of cover bolts")]
    [InlineData("Put two cover bolts in finger tight.", "Start 2 of cover bolts")]
    [InlineData("Loosen two of the cover bolts.", "Loosen 2 of cover bolts")]
    [InlineData("Slacken two of the cover bolts half a turn.", "Loosen 2 of cover bolts")]
    [InlineData("Three of the cover bolts are loosened.", "Loosen 3 of cover bolts")]
    [InlineData("Three cover bolts out, one left in.", "TakeOut 3 of cover bolts")]
    [InlineData("Three cover bolts out, the fourth slack.", "TakeOut 3 of cover bolts; Loosen rest of cover bolts")]
    [InlineData("Take three of the cover bolts out and loosen the fourth.", "TakeOut 3 of cover bolts; Loosen rest of cover bolts")]
    [InlineData("Take three of the cover bolts out and do the fourth last.", "TakeOut 3 of cover bolts; TakeOut rest of cover bolts")]
    [InlineData("Take three of the cover bolts out and, with a hand under the cover, do the fourth.",
        "TakeOut 3 of cover bolts; TakeOut rest of cover bolts")]
    [InlineData("Take three of the cover bolts out, then the last one.", "TakeOut 3 of cover bolts; TakeOut rest of cover bolts")]
    [InlineData("Take three of the cover bolts out. The fourth comes out last.", "TakeOut 3 of cover bolts; TakeOut rest of cover bolts")]
    [InlineData("Take three of the cover bolts out and then the remaining one.", "TakeOut 3 of cover bolts; TakeOut rest of cover bolts")]
    [InlineData("Take three of the cover bolts out and the fourth.", "TakeOut 3 of cover bolts; TakeOut rest of cover bolts")]
    [InlineData("Take three of the cover bolts out and the fourth too.", "TakeOut 3 of cover bolts; TakeOut rest of cover bolts")]
    [InlineData("Take three of the cover bolts out and the fourth as well.", "TakeOut 3 of cover bolts; TakeOut rest of cover bolts")]
    [InlineData("Take three of the cover bolts out and do the same with the last.", "TakeOut 3 of cover bolts; TakeOut rest of cover bolts")]
    public void As_many_as_are_told(string sentence, string expected) => Told(sentence, expected);

    [Theory]
    [InlineData("Front bolts out, rear bolts slackened only.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("Front bolts out, rear ones slackened only.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("Front bolts right out, rear pair slackened only.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("Front pair out, rear pair slack.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("Front pair out, rear pair only loosened.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("Front bolts: out. Rear bolts: slacken.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("Take the front pair out and slacken the rear pair.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("Take the front pair out and slacken the rear.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("Take the front bolts out and just crack the rear ones.", "TakeOut front bolts; BreakLoose rear bolts")]
    [InlineData("The front bolts are taken out, the rear ones merely loosened.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("The front bolts come out; the rear ones are only loosened.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("The front bolts come out; the rear ones stay in.", "TakeOut front bolts")]
    [InlineData("Loosen the rear bolts, but take the front ones out.", "Loosen rear bolts; TakeOut front bolts")]
    [InlineData("Loosen the rear bolts; the front ones come right out.", "Loosen rear bolts; TakeOut front bolts")]
    [InlineData("Whereas the front bolts come out, the rear ones are only loosened.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("While the front bolts come out, the rear ones are only slackened.", "TakeOut front bolts; Loosen rear bolts")]
    [InlineData("Instead of taking the rear bolts out, just loosen them.", "Loosen rear bolts")]
    [InlineData("Do not take the rear bolts out, only loosen them.", "Loosen rear bolts")]
    [InlineData("Rather than removing the rear bolts, loosen them.", "Loosen rear bolts")]
    [InlineData("Loosen, do not remove, the rear bolts.", "Loosen rear bolts")]
    [InlineData("Loosen but do not remove the rear bolts.", "Loosen rear bolts")]
    [InlineData("Loosen the rear bolts without taking them out.", "Loosen rear bolts")]
    [InlineData("The rear bolts need only be loosened.", "Loosen rear bolts")]
    [InlineData("It is enough to loosen the rear bolts.", "Loosen rear bolts")]
    [InlineData("There is no need to take the rear bolts out: loosen them.", "Loosen rear bolts")]
    public void These_and_those(string sentence, string expected) => Told(sentence, expected);

    [Fact]
    public void A_pair_is_called_as_what_was_named_before_it()
    {
        var written = new Written().Steps("Front bolts out, rear pair slackened.");
        written.Sheet.Things.Select(t => t.Name).ShouldBe(["front bolts", "rear bolts"]);
    }

    private static void Told(string sentence, string expected)
    {
        var written = new Written().Part("frame").Part("cover")
            .Joint("cover bolts").Set("cover bolts", "count", "4").Joint("front bolts").Set("front bolts", "count", "2")
            .Joint("rear bolts").Set("rear bolts", "count", "2");
        var goesOn = expected.StartsWith("Start", StringComparison.Ordinal);
        written.Steps(goesOn ? "Take the cover bolts out." : "Wipe the frame.", sentence);
        var step = written.Step(2);
        var said = step.Actions.Where(a => a.Verb is not (Verb.Inspect or Verb.Clean or Verb.Treat or Verb.Place or Verb.TakeAway)).Select(a =>
            $"{a.Verb} {(a.Rest ? "rest of " : a.Some is { } n ? $"{n} of " : "")}{written.Sheet.Find(a.Target ?? "")?.Name}{(a.Branch > 0 ? " if" : "")}".Trim());
        ((step.Questions.Length > 0 ? "asked " : "") + string.Join("; ", said)).Trim().ShouldBe(expected, sentence);
    }
}
