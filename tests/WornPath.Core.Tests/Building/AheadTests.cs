using WornPath.Core.Building;
using WornPath.Core.Reading;
using WornPath.Core.Walking;

namespace WornPath.Core.Tests.Building;

public class AheadTests
{
    private static Written Wheel() => new Written().Part("front wheel").Part("guard", behind: "front wheel").Joint("wheel nuts", "130 N·m", holds: "front wheel")
        .Joint("guard bolts", "22 N·m", source: "MD-12 p. 4", holds: "guard").Set("wheel nuts", "count", "5");

    private static Ahead After(Written sheet, string id = "none") => Ahead.Of(sheet.Walk(), id);

    // The next step at each step of a job, had it been written so far only.
    private static string NextAfter(params string[] written) => After(Wheel().Steps(written)).Next;

    [Fact]
    public void The_next_step_follows_from_how_things_stand()
    {
        NextAfter().ShouldBe("", "nothing is known of the job yet");
        NextAfter("Break the wheel nuts loose.").ShouldBe("Remove the wheel nuts.");
        NextAfter("Remove the wheel nuts.").ShouldBe("Remove the front wheel.");
        NextAfter("Remove the wheel nuts and the front wheel.").ShouldBe("", "it is not put back at once");
        NextAfter("Remove the wheel nuts and the front wheel.", "Break one of the guard bolts loose.", "Remove the guard bolts.").ShouldBe("Remove the guard.");
        NextAfter("Remove the guard bolts and the guard.", "Fit the guard and start the guard bolts by hand.").ShouldBe("Torque the guard bolts to 22 N·m.");
    }

    [Fact]
    public void In_the_refit_what_came_off_goes_on_and_what_is_written_behind_is_not_offered()
    {
        var sheet = Wheel().Steps("Remove the guard bolts.", "Remove the guard.").Do(new InsertPhase("h2", "h1", "Refit")).Do(new InsertStep("n1", "h2", null, ""));
        After(sheet, "n1").Next.ShouldBe("Fit the guard.");
        // Without it the work goes on as it went: the nuts of nothing else are told.
        sheet.Do(new InsertStep("n2", "h2", "n1", "Fit the guard."));
        After(sheet, "n1").Steps.ShouldNotContain("Fit the guard.");
        After(sheet).Next.ShouldBe("Start the guard bolts by hand.");
    }

    [Fact]
    public void A_wheel_that_is_snug_in_the_air_is_not_offered_its_torque_before_the_ground()
    {
        string[] inTheAir = ["Loosen the wheel nuts half a turn.", "Raise the tractor.", "Remove the wheel nuts and the front wheel.", "Fit the front wheel, start the wheel nuts by hand and snug them."];
        NextAfter(inTheAir).ShouldBe("Lower the vehicle to the ground.");
        NextAfter([.. inTheAir, "Lower the vehicle to the ground."]).ShouldBe("Torque the wheel nuts to 130 N·m.");
    }

    // Whatever is offered is read without a question, changes what it says it does, and so is not offered again.
    [Fact]
    public void A_job_can_be_written_by_taking_what_is_offered()
    {
        var sheet = Wheel().Steps("Loosen the wheel nuts half a turn.", "Raise the tractor.", "Remove the wheel nuts and the front wheel.", "Remove the guard bolts.", "Remove the guard.");
        sheet.Do(new InsertPhase("h2", "h1", "Refit"));
        var taken = new List<string>();
        for (var i = 0; i < 20; i++)
        {
            var id = $"t{i}";
            sheet.Do(new InsertStep(id, "h2", i == 0 ? null : $"t{i - 1}", ""));
            if (After(sheet, id).Next is not { Length: > 0 } next) break;
            sheet.Do(new WriteStep(id, "", next));
            taken.Add(next);
        }

        taken.ShouldBeUnique();
        taken.Count.ShouldBeInRange(7, 12);
        sheet.Sheet.Steps.SelectMany(s => s.Questions).ShouldBeEmpty();
        Bench.After(sheet.Walk(), sheet.Sheet.Steps.Count() - 1).ShouldSatisfyAllConditions(b => b.Off.ShouldBeEmpty(), b => b.Slack.ShouldBeEmpty());
    }

    [Fact]
    public void Names_values_with_their_source_and_words_written_before_are_offered_those_at_hand_first()
    {
        var ahead = After(Wheel().Steps("Remove the guard bolts.", "Inspect the splines for corrosion."));
        ahead.Phrases.First(p => p.Text.StartsWith('g')).Text.ShouldBe("guard bolts", "they were done last");
        ahead.Phrases.ShouldContain(new AheadPhrase("22 N·m", 0, "guard bolts to ", "MD-12 p. 4"));
        ahead.Phrases.ShouldContain(p => p.Text == "corrosion" && p.From > 2);
        // What is being written is no word of the sheet yet.
        var sheet = new Written().Steps("Clean the bore.").Do(new InsertStep("n1", "h1", null, "Check the splin"));
        After(sheet, "n1").Phrases.ShouldNotContain(p => p.Text == "splin");
    }

    [Fact]
    public void The_usual_words_are_those_of_the_trade() => UsualWords.All.ShouldSatisfyAllConditions(
        words => words.ShouldContain("gasket"), words => words.ShouldContain("tighten"), words => words.ShouldContain("ball joint"), words => words.ShouldContain("underneath"),
        words => words.ShouldBeUnique(), words => words.Length.ShouldBeInRange(500, 2500), words => words.ShouldAllBe(w => w.Trim().Length >= 5));
}
