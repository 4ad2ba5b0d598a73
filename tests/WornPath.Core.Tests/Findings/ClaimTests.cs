namespace WornPath.Core.Tests.Findings;

/// <summary>
/// What a rule takes for said: only what the words say and do not deny. Each rule is set off by a sheet that lacks something, and
/// one sentence more either says it or only sounds like it. Common practice, no source.
/// </summary>
public class ClaimTests
{
    private static Written Hub(string said) => new Written().Part("hub").Joint("hub nut", "68 N·m").Set("hub nut", "condition", "turning").Steps("Loosen the hub nut.", $"Torque the hub nut to 68 N·m{said}");

    private static Written Brakes(string said) => new Written().Part("caliper").Joint("caliper bolts", "95 N·m", holds: "caliper")
        .Steps("Remove the caliper bolts and the caliper.", "Fit the caliper with the caliper bolts.", "Torque the caliper bolts to 95 N·m.", said);

    private static Written Locked(string said) => new Written().Joint("bracket bolts", "95 N·m").Set("bracket bolts", "treatment", "threadlocker, medium")
        .Steps("Apply medium threadlocker to the bracket bolts.", "Torque the bracket bolts to 95 N·m.", said);

    private static Written Line(string said) => new Written().Thing(ThingKind.Connection, "hydraulic supply hose").Part("relief valve")
        .Steps(said, "Disconnect the hydraulic supply hose.", "Connect the hydraulic supply hose.");

    private static Written Arm(string said) => new Written().Part("loader arm").Set("loader arm", "mass", "68").Steps($"Remove the loader arm{said}", "Fit the loader arm with a helper.");

    private static Written Twice(string said) => new Written().Joint("cover bolts", "22 N·m").Steps("Torque the cover bolts to 22 N·m.", said);

    private static Written Disc(string said) => new Written().Part("disc").Steps($"Measure the disc: at least 9.0 mm. {said}");

    private static Written Suspension(string said) => new Written().Joint("arm bolts", "95 N·m").Steps("Loosen the arm bolts.", $"Torque the arm bolts to 95 N·m{said}");

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
        Core.Printing.UsualCautions.Proposed(sheet.Steps.Single(), sheet).Count.ShouldBe(given ? 1 : 0);
    }
}
