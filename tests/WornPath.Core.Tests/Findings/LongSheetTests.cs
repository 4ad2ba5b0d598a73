using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Findings;

/// <summary>A long sheet is judged on all cores at once, and says what each rule says of it by itself.</summary>
public class LongSheetTests
{
    private static readonly string[] Said =
    [
        "Remove the {0} bolts and clean the cover {0}.", "You should torque the {0} bolts to 22 N·m.", "Tighten the {0} bolts good and tight.",
        "Loosen the {0} bolts with a 15 mm socket.", "Measure the cover {0}: at least 9.0 mm.", "Fit the left cover {0} when the engine is cold.",
        "Torque the {0} bolts to 95 N·m with the suspension loaded.", "Insert a new split pin in the {0} nut.", "Wipe the cover {0}.",
    ];

    // Steps as a file carries them: written one by one, six hundred would take long.
    private static Sheet Long(int steps)
    {
        var one = new Written();
        for (var i = 1; i <= 6; i++) one.Part($"cover {i}").Joint($"{i} bolts", "22 N·m", fastener: "M8 8.8 bolt, 13 mm").Joint($"{i} nut", "80 N·m", locking: "cotter pin");
        var read = one.Steps([.. Enumerable.Range(1, 6).SelectMany(i => Said.Select(s => string.Format(System.Globalization.CultureInfo.InvariantCulture, s, i)))]).Sheet;
        var all = read.Steps.ToList();
        return read with { Phases = [read.Phases[0] with { Steps = [.. Enumerable.Range(0, steps).Select(i => all[i % all.Count] with { Id = $"n{i}" })] }] };
    }

    [Theory]
    [InlineData(120)]
    [InlineData(620)]
    public void What_all_rules_find_together_is_what_each_finds_alone(int steps)
    {
        var together = Rules.Find(Walker.Run(Long(steps), new Workshop())).Select(f => (f.Rule, f.Step, f.Thing, f.Fixes.Length)).Order().ToList();
        // Of a sheet that nobody has looked at, each rule by itself.
        var walk = Walker.Run(Long(steps), new Workshop());
        var alone = Rules.All.SelectMany(r => r.Find(walk)).Select(f => (f.Rule, f.Step, f.Thing, f.Fixes.Length)).Order().ToList();
        together.ShouldBe(alone);
        together.Select(f => f.Rule).Distinct().Count().ShouldBeGreaterThan(8);
    }

    [Fact]
    public void A_step_with_another_text_is_looked_at_anew()
    {
        var sheet = Long(620);
        _ = Rules.Find(Walker.Run(sheet, new Workshop()));
        var other = sheet.Phases[0].Steps[600] with { Text = "Tighten it good and tight, this one." };
        var after = sheet with { Phases = [sheet.Phases[0] with { Steps = sheet.Phases[0].Steps.SetItem(600, other) }] };
        Rules.Find(Walker.Run(after, new Workshop())).Where(f => f.Step == other.Id).Select(f => f.Rule).ShouldContain("WRD002");
    }
}
