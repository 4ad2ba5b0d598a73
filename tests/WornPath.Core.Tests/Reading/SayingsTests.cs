namespace WornPath.Core.Tests.Reading;

/// <summary>Ways of saying that mean the same with any verb and thing in them (Trade/sayings.txt), and what only looks like one.</summary>
public class SayingsTests
{
    [Theory]
    [InlineData("Take out two of the cover bolts. Pull the two that are left.", "TakeOut 2 cover bolts; TakeOut rest cover bolts")]
    [InlineData("Take out two of the cover bolts, then the two which are left.", "TakeOut 2 cover bolts; TakeOut rest cover bolts")]
    [InlineData("Take out two of the cover bolts. Now take out the two that remain.", "TakeOut 2 cover bolts; TakeOut rest cover bolts")]
    [InlineData("Take out two of the cover bolts. Hold the cover and take out the bolts that are left.", "TakeOut 2 cover bolts; TakeOut rest cover bolts")]
    [InlineData("Take out two of the cover bolts. Undo the two still in.", "TakeOut 2 cover bolts; TakeOut rest cover bolts")]
    [InlineData("Take out all the cover bolts but the top one.", "TakeOut 3 cover bolts")]
    [InlineData("Take out every one of the cover bolts except the top two.", "TakeOut 2 cover bolts")]
    [InlineData("All that is left is to take the cover off.", "Remove cover")]
    public void What_is_left_of_a_set(string sentence, string expected) => Told(sentence, expected);

    [Theory]
    [InlineData("Swing the cover out of your way.")]
    [InlineData("Move the cover out of its way.")]
    [InlineData("Put the cover to one side.")]
    [InlineData("Move the cover to the side.")]
    [InlineData("Move the cover to one side, clear of the hub.")]
    public void What_is_moved_out_of_the_way_stays_off_the_record(string sentence) => Told(sentence, "");

    [Theory]
    [InlineData("Get it back on the ground.")]
    [InlineData("Put it back on the floor.")]
    [InlineData("Let it back down onto its wheels.")]
    [InlineData("Set her down on her wheels.")]
    public void The_vehicle_comes_down(string sentence) => Told(sentence, "Lower", "Raise the tractor. Set it on stands.");

    [Theory]
    [InlineData("Get the cover bolts started.", "Start cover bolts")]
    [InlineData("Get two of the cover bolts started, then the other two.", "Start 2 cover bolts; Start rest cover bolts")]
    [InlineData("Fit the cover and use two of the bolts to hold it there.", "Fit cover; Start 2 cover bolts")]
    [InlineData("Fit the cover and catch it with two of the bolts.", "Fit cover; Start 2 cover bolts")]
    public void Fasteners_are_started(string sentence, string expected) => Told(sentence, expected, "Remove the cover bolts and the cover.");

    [Theory]
    [InlineData("Make sure the drain plug comes loose.")]
    [InlineData("Check that the drain plug comes loose before you drain anything.")]
    public void Whether_it_comes_loose(string sentence) => Told(sentence, "BreakLoose drain plug");

    [Theory]
    [InlineData("Take the cover off. Likewise the gasket.", "Remove cover; Remove gasket")]
    [InlineData("Take the cover off. The gasket the same way.", "Remove cover; Remove gasket")]
    [InlineData("Take the cover off. The gasket in the same way, one person steady on the frame.", "Remove cover; Remove gasket")]
    [InlineData("Gasket next, then the cover.", "Fit gasket; Fit cover", "Remove the cover bolts, the cover and the gasket. Fit the hub.")]
    [InlineData("Gasket next, then the cover.", "Remove gasket; Remove cover", "Remove the hub.")]
    public void The_same_again(string sentence, string expected, string before = "Wipe the frame.") => Told(sentence, expected, before);

    [Theory]
    [InlineData("Back the cover bolts off the cover.", "TakeOut cover bolts")]
    [InlineData("Back off the cover bolts.", "Loosen cover bolts")]
    [InlineData("Push the cover bolts through a piece of card as they come out.", "TakeOut cover bolts")]
    [InlineData("Use a pry bar to lift the cover off.", "Remove cover")]
    [InlineData("Nobody stands under it.", "")]
    [InlineData("You should be able to slide the cover on with one finger.", "")]
    [InlineData("Turn the drain plug clockwise to loosen it.", "BreakLoose drain plug|Loosen drain plug")]
    [InlineData("Both drain plugs cracked and spun out.", "BreakLoose drain plug; TakeOut drain plug")]
    [InlineData("Hold the hub to stop it turning.", "")]
    [InlineData("Flip the cover over.", "")]
    [InlineData("Drain approximately four litres of oil.", "Drain oil")]
    [InlineData("Right, cover off.", "Remove cover")]
    [InlineData("Right, then left: cover off.", "Remove cover|asked")]
    [InlineData("Scrape both faces.", "")]
    [InlineData("Have a look at what comes out.", "")]
    [InlineData("Push the cover back with your thumb.", "")]
    [InlineData("Push back the cover.", "")]
    [InlineData("One of you holds the cover while the other takes out the cover bolts.", "TakeOut cover bolts")]
    [InlineData("Put it in the book.", "")]
    [InlineData("Grease the cover bolts before torquing them to 25 N·m.", "Torque cover bolts")]
    [InlineData("Grease the cover bolts before torquing them to 25 N·m in the next step.", "")]
    [InlineData("The cover bolts stay in place, but are to be torqued to 25 N·m.", "Torque cover bolts")]
    [InlineData("Run the lower cover down to the mark.", "")]
    public void What_is_told_in_the_shop(string sentence, string expected) => Told(sentence, expected);

    [Theory]
    [InlineData("Start the cover bolts. They want 25 N·m.", "Start cover bolts; Torque cover bolts")]
    [InlineData("Fit the drain plug. It needs 35 N·m, no more.", "Start drain plug; Torque drain plug")]
    [InlineData("Start the cover bolts. They must not move at 25 N·m.", "Start cover bolts; Retorque cover bolts")]
    [InlineData("They want 30 N·m.", "asked Torque cover bolts; Torque drain plug")]
    public void What_they_want(string sentence, string expected) => Told(sentence, expected, "Remove the cover bolts and the drain plug.");

    // A number without a unit is a torque where every torque of the sheet is in one unit; else it is asked.
    [Theory]
    [InlineData("Cover bolts to 30.", true, "Torque cover bolts 30 N·m")]
    [InlineData("Tighten the cover bolts to 30.", true, "Torque cover bolts 30 N·m")]
    [InlineData("Cover bolts 30.", true, "Torque cover bolts 30 N·m")]
    [InlineData("Cover bolts at 30.", true, "Torque cover bolts 30 N·m")]
    [InlineData("Give the cover bolts 30.", true, "Torque cover bolts 30 N·m")]
    [InlineData("The cover bolts get 30 in two rounds.", true, "Torque cover bolts 30 N·m")]
    [InlineData("Tighten the cover bolts to 30.", false, "asked Torque cover bolts")]
    [InlineData("Give the cover bolts 30.", false, "asked")]
    [InlineData("Torque the cover bolts (30).", true, "asked Torque cover bolts")]
    [InlineData("Tighten the cover bolts to 30 %.", true, "asked|Torque cover bolts|")]
    [InlineData("Cover bolts: 4.", true, "asked")]
    [InlineData("Put the lever to 30.", true, "|asked")]
    public void A_number_without_a_unit(string sentence, bool isPlain, string expected)
    {
        var written = new Written().Part("cover").Part("hub").Thing(ThingKind.Joint, "cover bolts").Joint("hub nut", "80 N·m", holds: "hub");
        if (!isPlain) written.Joint("guard screws", "9 lbf·ft");
        written.Steps("Wipe the frame.", sentence);
        var step = written.Step(2);
        var said = string.Join("; ", step.Actions.Where(a => a.Verb == Verb.Torque).Select(a => $"Torque {written.Sheet.Find(a.Target!)!.Name} {a.Torque?.Target}".Trim()));
        var got = ((step.Questions.Length > 0 ? "asked " : "") + said).Trim();
        expected.Split('|').ShouldContain(got, sentence);
    }

    // Which of them come out, where nobody has counted them, is asked and never all of them.
    [Theory]
    [InlineData("Remove all the cover bolts except the top two.")]
    [InlineData("Take out all but one of the cover bolts.")]
    [InlineData("Take out every cover bolt but two.")]
    public void So_many_less_of_how_many_nobody_knows(string sentence)
    {
        var written = new Written().Steps(sentence);
        written.Step(1).Actions.ShouldNotContain(a => a.Verb == Verb.TakeOut && a.Some == null, sentence);
        written.Step(1).Questions.ShouldNotBeEmpty(sentence);
    }

    private static void Told(string sentence, string expected, string before = "Wipe the frame.")
    {
        var written = new Written().Part("cover").Part("gasket").Part("hub").Joint("cover bolts", "25 N·m", holds: "cover").Set("cover bolts", "count", "4")
            .Joint("drain plug", "35 N·m").Thing(ThingKind.Fluid, "oil");
        written.Steps(before, sentence);
        var step = written.Step(2);
        var said = step.Actions.Where(a => Telling.Changes(a) && a.Verb is not (Verb.SetAside or Verb.Seat or Verb.Adjust or Verb.FunctionCheck or Verb.Place))
            .Select(a => $"{a.Verb}{(a.Some is { } some ? $" {some}" : "")}{(a.Rest ? " rest" : "")} {written.Sheet.Find(a.Target ?? "")?.Name}".Trim());
        expected.Split('|').ShouldContain(((step.Questions.Length > 0 ? "asked " : "") + string.Join("; ", said)).Trim(), sentence);
    }
}
