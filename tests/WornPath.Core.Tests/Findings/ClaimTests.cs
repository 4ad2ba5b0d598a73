using WornPath.Core.Cautions;
namespace WornPath.Core.Tests.Findings;

/// <summary>
/// What a rule takes for said: only what the words say and do not deny. Each rule is set off by a sheet that lacks something, and
/// one sentence more either says it or only sounds like it. Common practice, no source.
/// </summary>
public class ClaimTests
{
    private static Written Hub(string said) =>
        new Written().Part("hub").Joint("hub nut", "68 N·m").Set("hub nut", "condition", "turning")
        .Steps("Loosen the hub nut.", $"Torque the hub nut to 68 N·m{said}");

    private static Written Brakes(string said) => new Written().Part("caliper").Joint("caliper bolts", "95 N·m", holds: "caliper")
        .Steps("Remove the caliper bolts and the caliper.", "Fit the caliper with the caliper bolts.", "Torque the caliper bolts to 95 N·m.", said);

    private static Written Locked(string said) => new Written().Joint("bracket bolts", "95 N·m").Set("bracket bolts", "treatment", "threadlocker, medium")
        .Steps("Apply medium threadlocker to the bracket bolts.", "Torque the bracket bolts to 95 N·m.", said);

    private static Written Line(string said) => new Written().Thing(ThingKind.Connection, "hydraulic supply hose").Part("relief valve")
        .Steps(said, "Disconnect the hydraulic supply hose.", "Connect the hydraulic supply hose.");

    private static Written Arm(string said) =>
        new Written().Part("loader arm").Set("loader arm", "mass", "68")
        .Steps($"Remove the loader arm{said}", "Fit the loader arm with a helper.");

    private static Written Twice(string said) => new Written().Joint("cover bolts", "22 N·m").Steps("Torque the cover bolts to 22 N·m.", said);

    private static Written Disc(string said) => new Written().Part("disc").Steps($"Measure the disc: at least 9.0 mm. {said}");

    private static Written Suspension(string said) =>
        new Written().Joint("arm bolts", "95 N·m")
        .Steps("Loosen the arm bolts.", $"Torque the arm bolts to 95 N·m{said}");

    private static readonly Dictionary<string, Func<string, Written>> Sheets = new()
    {
        ["TRQ013"] = Hub,
        ["HAZ003"] = Brakes,
        ["THR009"] = Locked,
        ["HAZ004"] = Line,
        ["HAZ002"] = Arm,
        ["TRQ016"] = Twice,
        ["INS002"] = Disc,
        ["AGR005"] = Suspension,
    };

    [Theory]
    [InlineData("TRQ013", " while you turn the hub.")]
    [InlineData("TRQ013", " while turning the hub.")]
    [InlineData("TRQ013", ", spinning the wheel slowly.")]
    [InlineData("TRQ013", ". Keep the bearing turning as you do it.")]
    [InlineData("TRQ013", " as you rotate it.")]
    [InlineData("HAZ003", "Have a qualified person check the brakes.")]
    [InlineData("HAZ003", "Do not drive it before a licensed mechanic has looked at the caliper.")]
    [InlineData("THR009", "Do not drive until the threadlocker has cured.")]
    [InlineData("THR009", "Let the threadlocker cure 24 hours.")]
    [InlineData("THR009", "Allow the compound to set overnight.")]
    [InlineData("HAZ004", "Stop the engine and relieve the pressure.")]
    [InlineData("HAZ004", "Move every lever both ways.")]
    [InlineData("HAZ004", "With the engine off, let the pressure out of the line.")]
    [InlineData("HAZ002", " with the hoist.")]
    [InlineData("HAZ002", "; two people lift it.")]
    [InlineData("TRQ016", "Torque the cover bolts to 22 N·m again, once round.")]
    [InlineData("INS002", "Otherwise stop.")]
    [InlineData("INS002", "Replace a disc that is thinner.")]
    public void What_is_said_is_taken(string rule, string said) =>
        Sheets[rule](said).Findings().Where(f => f.Rule == rule).Select(f => f.Message).ShouldBeEmpty();

    [Theory]
    [InlineData("TRQ013", ". Do not turn the hub.")]
    [InlineData("TRQ013", ", then give it a quarter turn.")]
    [InlineData("TRQ013", " without turning the wheel.")]
    [InlineData("TRQ013", ". The hub nut turns easily.")]
    [InlineData("HAZ003", "No qualified person is needed.")]
    [InlineData("HAZ003", "A second person is not needed.")]
    [InlineData("THR009", "Keep the lead secured.")]
    [InlineData("THR009", "Procure a new bracket.")]
    [InlineData("HAZ004", "Inspect the relief valve.")]
    [InlineData("HAZ004", "Do not relieve the pressure.")]
    [InlineData("HAZ002", " without a hoist.")]
    [InlineData("HAZ002", "; never use a jack for it.")]
    [InlineData("TRQ016", "Torque the cover bolts to 22 N·m.")]
    [InlineData("INS002", "Do not replace it yet.")]
    public void What_is_denied_or_only_sounds_like_it_is_not(string rule, string said) =>
        Sheets[rule](said).Findings().Where(f => f.Rule == rule).ShouldNotBeEmpty();

    [Theory]
    [InlineData(" with the suspension loaded.", "“with the suspension loaded”")]
    [InlineData(" while the wheels are just touching.", "“while the wheels are just touching”")]
    [InlineData(" at ride height.", "“at ride height”")]
    [InlineData(", never with the suspension loaded.", null)]
    public void A_condition_that_is_said_is_held_against_the_joint(string said, string? words)
    {
        var found = Suspension(said).Findings().Where(f => f.Rule == "AGR005").Select(f => f.Message).ToList();
        if (words is null) found.ShouldBeEmpty();
        else found.ShouldHaveSingleItem().ShouldContain(words);
    }

    // Every tool that is not in every box is asked for where it is not on the list, under its whole name and once.
    [Theory]
    [InlineData("Draw it off with a bearing puller.", "bearing puller")]
    [InlineData("Draw it off with a puller.", "puller")]
    [InlineData("Use a ball joint puller.", "ball joint puller")]
    [InlineData("Pull it with a three-jaw puller, or another three-jaw puller.", "three-jaw puller")]
    [InlineData("Warm it with a heat gun.", "heat gun")]
    [InlineData("Press it out in a hydraulic press.", "hydraulic press")]
    [InlineData("Drive it in with a seal driver.", "seal driver")]
    [InlineData("Set it with a dial indicator.", "dial indicator")]
    [InlineData("Chase it with a thread chaser.", "thread chaser")]
    [InlineData("Use the slide hammer.", "slide hammer")]
    public void A_tool_that_is_not_in_every_box_is_asked_for(string said, string tool)
    {
        // As the author left it: nothing on the list of tools.
        var sheet = new Written().Part("bearing").Steps($"Remove the bearing. {said}").From(s => s with { Tools = [], Aids = [] });
        sheet.Findings().Where(f => f.Rule == "TOO002").Select(f => f.Message).ShouldHaveSingleItem().ShouldStartWith($"The {tool} is used here");
    }

    [Theory]
    [InlineData("Measure the play. Set the gap to the measured play.", false)]
    [InlineData("Set the gap to the measured play.", true)]
    [InlineData("Use the noted end float.", true)]
    [InlineData("Fit it as measured.", false)]
    public void What_goes_by_a_measured_value_wants_it_measured(string said, bool found)
    {
        var sheet = new Written().Part("pin").Steps([.. said.Split(". ").Select(s => s.TrimEnd('.') + ".")]);
        sheet.Findings().Any(f => f.Rule == "INS004").ShouldBe(found);
    }

    [Theory]
    [InlineData("Fit the left hand lamp.", true)]
    [InlineData("Fit the lamp on the right.", true)]
    [InlineData("Left: fit the lamp.", true)]
    [InlineData("Hold it at the right angle.", false)]
    [InlineData("Fit what is left.", false)]
    [InlineData("Left is as seen from the driver's seat. Fit the left hand lamp.", false)]
    public void Left_and_right_want_to_be_told_from_where(string said, bool found) =>
        new Written().Part("lamp").Steps(said).Findings().Any(f => f.Rule == "WRD007").ShouldBe(found);

    [Theory]
    [InlineData("Caution: it was hot when you removed the cover.", true)]
    [InlineData("Warning! You should have disconnected the battery.", true)]
    [InlineData("Caution: the cover is hot.", false)]
    [InlineData("Be quick, as above.", false)]
    public void A_warning_of_what_is_done_already_comes_late(string said, bool found) =>
        new Written().Part("cover").Steps("Clean the cover.", said).Findings().Any(f => f.Rule == "HAZ005").ShouldBe(found);

    // The same words in front of it and behind it, in the same clause or the next.
    [Theory]
    [InlineData("Do not spin the hub.", true)]
    [InlineData("Never spin the hub.", true)]
    [InlineData("Torque it without spinning the hub.", true)]
    [InlineData("Don’t spin the hub.", true)]
    [InlineData("The hub is spinning.", false)]
    [InlineData("Do not stop, spin the hub.", false)]
    [InlineData("Do not look away but spin the hub.", false)]
    [InlineData("Do not stop until you spin the hub.", false)]
    [InlineData("It is not hot: spin the hub.", false)]
    public void A_denial_reaches_to_the_end_of_its_clause(string said, bool found) => Hub($". {said}").Findings().Any(f => f.Rule == "TRQ013").ShouldBe(found);

    [Fact]
    public void Oil_in_place_of_threadlocker_is_another_treatment()
    {
        var found = new Written().Joint("bracket bolts", "95 N·m").Set("bracket bolts", "treatment", "threadlocker, medium")
            .Steps("Oil them lightly: the bracket bolts.", "Oil the bracket bolts.", "Torque the bracket bolts to 95 N·m.").Findings();
        found.Where(f => f.Rule == "AGR004").ShouldNotBeEmpty();
        found.Where(f => f.Rule == "THR008").ShouldNotBeEmpty();
    }

    // The usual caution comes with what is done, not with the word.
    [Theory]
    [InlineData("Heat the housing with a heat gun.", true)]
    [InlineData("Fit the seal without heating it; never use a torch.", false)]
    [InlineData("Wipe the disc with brake cleaner.", true)]
    [InlineData("Do not use a solvent on the seal.", false)]
    [InlineData("Drive it home with a brass drift.", true)]
    [InlineData("Do not hit it with a hammer.", false)]
    public void A_usual_caution_is_given_for_what_is_said(string text, bool given)
    {
        var sheet = new Written().Part("housing").Part("seal").Part("disc").Steps(text).Sheet;
        UsualCautions.Proposed(sheet.Steps.Single(), sheet).Count.ShouldBe(given ? 1 : 0);
    }
}
