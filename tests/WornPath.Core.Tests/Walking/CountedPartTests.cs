using CsCheck;

namespace WornPath.Core.Tests.Walking;

/// <summary>Parts that stand on the sheet as one are counted: two off, one hung aside and the fourth on is one state.</summary>
public class CountedPartTests
{
    private static Written Caps(bool kit = false, string fate = "refit") => new Written().Part("bearing caps", kit, fate).Set("bearing caps", "quantity", "4");

    private static string Off(Written sheet) =>
        string.Join("; ", Core.Walking.Bench.After(sheet.Walk(), sheet.Sheet.Steps.Count() - 1).Off.Select(l => l.Says));

    [Theory]
    [InlineData("2 off, 2 on", "Remove two of the bearing caps.")]
    [InlineData("off", "Remove two of the bearing caps.", "Remove the other two.")]
    [InlineData("off", "Remove all but one of the bearing caps.", "Remove the last bearing cap.")]
    [InlineData("1 off, 3 on", "Remove the bearing caps.", "Fit three of the bearing caps.")]
    [InlineData("", "Remove the bearing caps.", "Fit three of the bearing caps.", "Fit the other bearing cap.")]
    [InlineData("", "Remove two of the bearing caps.", "Fit the bearing caps.")]
    [InlineData("1 off, 1 off, cleaned, 2 on", "Remove two of the bearing caps.", "Clean one of the bearing caps.")]
    [InlineData("off, cleaned", "Remove the bearing caps.", "Clean the bearing caps.")]
    public void The_bench_says_how_many_are_where(string says, params string[] steps) => Off(Caps().Steps(steps)).ShouldBe(says);

    [Fact]
    public void One_of_four_that_stays_off_is_missed()
    {
        var three = Caps().Steps("Remove the bearing caps.", "Clean the bore.", "Fit three of the bearing caps.");
        three.Findings().Single(f => f.Rule == "CLO003").Message.ShouldBe("Of P1 bearing caps, 4 in all, 1 is left off here and never fitted.");
        three.At("CLO003").ShouldBe([3]);
        three.Steps("Fit the last bearing cap.").At("CLO003").ShouldBeEmpty();
        // Of the kit's, one is never fitted.
        Caps(kit: true).Steps("Fit three of the bearing caps.").Findings().Single(f => f.Rule == "CLO003").Message
            .ShouldBe("Of P1 bearing caps, 4 in all, 1 is left in the kit here and never fitted.");
    }

    [Fact]
    public void Its_fix_fits_the_one_that_is_missing()
    {
        var sheet = Caps().Steps("Remove the bearing caps.", "Fit three of the bearing caps.");
        var fix = sheet.Findings().Single(f => f.Rule == "CLO003").Fixes.First();
        Walker.Run(Editor.Apply(sheet.Sheet, fix.Edit).Value.Sheet).AtEnd("P1").Part.Place.ShouldBe(PartPlace.On);
    }

    [Fact]
    public void More_than_there_are_do_not_come_off_or_go_on()
    {
        Caps().Steps("Remove two of the bearing caps.", "Remove two of the bearing caps.", "Remove two of the bearing caps.").At("ORD013").ShouldBe([3]);
        Caps().Steps("Remove two of the bearing caps.", "Fit two of the bearing caps.", "Fit two of the bearing caps.").At("ORD004").ShouldBe([3]);
    }

    [Fact]
    public void An_old_one_among_new_ones_is_found()
    {
        Caps(fate: "replace").Steps("Remove the bearing caps.", "Fit three new bearing caps.", "Fit the other one.").At("PRT001").ShouldBe([3]);
        Caps(fate: "discard").Steps("Remove three of the bearing caps.").At("PRT005").Length.ShouldBe(1);
        Caps(fate: "discard").Steps("Remove three of the bearing caps.", "Remove the last bearing cap.").At("PRT005").ShouldBeEmpty();
    }

    [Fact]
    public void What_still_lies_under_a_cover_is_what_counts()
    {
        var sheet = new Written().Part("cover").Part("bearing caps", behind: "cover").Set("bearing caps", "quantity", "4");
        sheet.Steps("Remove the cover.", "Remove two of the bearing caps.", "Fit the cover.", "Fit the bearing caps.").At("ORD002").ShouldBe([3]);
    }

    [Fact]
    public void The_chart_shows_them_open_until_the_last_is_on()
    {
        var bands = Chart.Of(Caps().Steps("Remove the bearing caps.", "Fit one of the bearing caps.", "Fit the other three.").Walk()).Rows.Single(r => r.Id == "P1").Bands;
        bands.Select(b => b.Says).ShouldBe(["on", "off", "3 off, 1 on", "on again"]);
        bands.Select(b => b.Open).ShouldBe([false, true, true, false]);
    }

    [Fact]
    public void None_is_lost_or_made_and_what_goes_with_its_bearer_keeps_its_count()
    {
        (Verb Verb, PartPlace To)[] done = [(Verb.Remove, PartPlace.OnBench), (Verb.HangAside, PartPlace.Hung), (Verb.Fit, PartPlace.On)];
        var part = new Part { Id = "P1", Name = "caps", Quantity = 7, SitsOn = "P2" };
        var bearer = new Part { Id = "P2", Name = "carrier" };
        Gen.Select(Gen.Int[0, done.Length], Gen.Int[0, 8]).Array[1, 14].Sample(chosen =>
        {
            // 0: all of them; 8: the rest. The last of the verbs takes the bearer off or puts it on.
            var steps = chosen.Select((c, i) => new Step
            {
                Id = $"s{i}",
                Text = "x",
                Actions = [c.Item1 == done.Length ? new StepAction { Verb = i % 2 == 0 ? Verb.Remove : Verb.Fit, Target = "P2" }
                    : new StepAction { Verb = done[c.Item1].Verb, Target = "P1", Some = c.Item2 is 0 or 8 ? null : c.Item2, Rest = c.Item2 == 8 }],
            });
            var walk = Walker.Run(Sheet.Empty with { Parts = [part, bearer], Phases = [new Phase { Id = "h", Name = "Work", Steps = [.. steps] }] });
            for (var n = 0; n < chosen.Length; n++)
            {
                var (before, after) = (walk.AfterStep("P1", n - 1).Part, walk.AfterStep("P1", n).Part);
                if (after.Counts is { } counts)
                {
                    counts.Groups.Sum(g => g.Count).ShouldBe(7);
                    counts.Groups.ShouldAllBe(g => g.Count > 0 && g.State.Counts == null);
                    (after with { Counts = null }).ShouldBe(counts.Groups[0].State);
                }

                // What is on and what is carried change with the bearer alone, and never stand side by side.
                (At(after, PartPlace.On) > 0 && At(after, PartPlace.Carried) > 0).ShouldBeFalse();
                if (chosen[n].Item1 == done.Length) (At(after, PartPlace.On) + At(after, PartPlace.Carried)).ShouldBe(At(before, PartPlace.On) + At(before, PartPlace.Carried));
                else if (done[chosen[n].Item1].Verb == Verb.Remove && chosen[n].Item2 is 0 or 8) At(after, PartPlace.OnBench).ShouldBe(7);
            }
        }, iter: 400);

        static int At(PartState state, PartPlace place) => state.Counts is { } counts ? counts.Groups.Where(g => g.State.Place == place).Sum(g => g.Count)
            : state.Place == place ? 7 : 0;
    }
}
