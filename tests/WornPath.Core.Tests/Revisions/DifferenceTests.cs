using System.Collections.Immutable;
using CsCheck;
using WornPath.Core.Revisions;
using WornPath.Core.Tests.Editing;
using WornPath.Core.Walking;

namespace WornPath.Core.Tests.Revisions;

/// <summary>What differs between two revisions, in the trade's words: told whole, told once, and nothing told that does not differ.</summary>
public class DifferenceTests
{
    private static Written Hub() => new Written().Part("caliper").Part("disc").Joint("caliper bolts", "95 N·m", fastener: "M12x1.25x35 10.9", holds: "caliper")
        .Set("caliper bolts", "count", "2").Joint("disc screws", "12 N·m", fastener: "M6x16 8.8", holds: "disc").Thing(ThingKind.Aid, "hub wedge")
        .Steps("Put the hub wedge in place.", "Take out the caliper bolts.", "Hang the caliper aside.", "Take out the disc screws and take the disc off.", "Clean the hub.",
            "Fit the disc and start the disc screws.", "Torque the disc screws to 12 N·m.", "Fit the caliper and start the caliper bolts by hand.",
            "Torque the caliper bolts to 95 N·m.", "Take the hub wedge away.");

    private static Differences Between(Sheet before, Sheet after) => Differences.Between(Walker.Run(before), Walker.Run(after), "A");

    private static Sheet Done(Sheet sheet, params Edit[] edits) => edits.Aggregate(sheet, (s, e) => Editor.Apply(s, e) is var done && done.IsGood ? done.Value.Sheet
        : throw new InvalidOperationException(done.Problem!.ToString()));

    private static string[] Says(Differences differences, DifferenceGroup group) => [.. differences.Lines.Where(l => l.Group == group).Select(l => l.Says)];

    [Fact]
    public void Values_and_what_keeps_a_joint_tight_are_told_of_the_joint_and_marked_at_the_steps_that_use_them()
    {
        var before = Hub().Sheet;
        var after = Done(before, new SetField("J1", "torque", "95 N·m", "105 N·m"), new SetField("J1", "treatment", "none", "threadlocker, medium"),
            new SetField("J1", "reuse", "reuse", "renew"), new WriteStep(Step(before, 9), "Torque the caliper bolts to 95 N·m.", "Torque the caliper bolts to 105 N·m."));
        var told = Between(before, after);
        Says(told, DifferenceGroup.Values)[0].ShouldBe("J1 caliper bolts: torque 95 N·m → 105 N·m; treatment: threadlocker, medium (was none)");
        Says(told, DifferenceGroup.Safety).ShouldContain("J1 caliper bolts: reuse or renew: renew (was reuse)");
        told.Changed.ShouldContain(Step(before, 9));
        told.Changed.ShouldContain(Step(before, 8), "the bolts are started there, and are new ones now");
        told.Changed.ShouldNotContain(Step(before, 7));
        told.Lines[0].Group.ShouldBe(DifferenceGroup.Safety);
    }

    [Fact]
    public void Steps_are_new_gone_and_moved_and_those_that_only_have_another_number_are_not_told()
    {
        var before = Hub().Sheet;
        var after = Done(before, new InsertStep("n1", "h1", Step(before, 1), "Wipe the bench."), new MoveSteps([Step(before, 5)], "h1", Step(before, 6)),
            new RemoveSteps([new SeenStep(Step(before, 10), before.Steps.Last().Text)]));
        var told = Between(before, after);
        Says(told, DifferenceGroup.Doing).ShouldBe(["Step 10 of A is gone: “Take the hub wedge away.”", "Step 2 is new: “Wipe the bench.”",
            "Step 6 of A is step 6 now: “Fit the disc and start the disc screws.”"], ignoreOrder: true);
        told.Steps.Select(s => (s.Before, s.After)).ShouldBe([(null, 2), (6, 6), (10, null)]);
        Says(told, DifferenceGroup.States).ShouldBe(["At the end of Work: hub wedge in place (was not in place)"]);
        Says(told, DifferenceGroup.Parts).ShouldContain("A1 hub wedge: in place from step 1 to the end (was in place from step 1 to 10)");
    }

    [Fact]
    public void What_is_done_is_told_apart_from_words_alone()
    {
        var before = Hub().Sheet;
        var after = Done(before, new WriteStep(Step(before, 2), "Take out the caliper bolts.", "Remove the two caliper bolts."),
            new WriteStep(Step(before, 5), "Clean the hub.", "Clean the hub and take the hub wedge away."));
        var told = Between(before, after);
        Says(told, DifferenceGroup.Wording).ShouldBe(["Step 2: other words, and what is done is the same"]);
        Says(told, DifferenceGroup.Doing).ShouldBe(["Step 5: take away A1 hub wedge"]);
        Says(told, DifferenceGroup.Parts).ShouldBe(["A1 hub wedge: in place from step 1 to 5 (was in place from step 1 to 10)"]);
        (told.Steps[0].Was, told.Steps[0].Now).ShouldBe(("Take out the caliper bolts.", "Remove the two caliper bolts."));
        told.Summary().Last().ShouldBe("Words or pictures of step 2.");
    }

    [Fact]
    public void A_caution_that_goes_is_told_before_all_else()
    {
        var before = Hub().Sheet;
        var raised = Done(before, new WriteStep(Step(before, 1), "Put the hub wedge in place.", "Raise the tractor, set it on stands and put the hub wedge in place."));
        var more = Between(before, raised);
        more.Lines[0].Group.ShouldBe(DifferenceGroup.Safety);
        more.Lines[0].Says.ShouldStartWith("Caution before step 1: WARNING");
        Between(raised, before).Lines[0].Says.ShouldStartWith("Caution no longer called for: WARNING");
    }

    [Fact]
    public void What_an_author_warned_of_is_told_also_where_its_step_comes_or_goes_and_a_phase_that_is_called_otherwise_is_in_the_summary()
    {
        var before = Hub().Sheet;
        var caution = new Caution(SignalWord.Warning, "The disc is hot.", "Burns.", "Let it cool.");
        var after = Done(before, new InsertStep("n1", "h1", Step(before, 4), "Wipe the disc."), new WriteCaution("n1", "", caution), new RenamePhase("h1", "Work", "Front hub"));
        Says(Between(before, after), DifferenceGroup.Safety).ShouldBe(["Step 5: caution added: WARNING, the disc is hot"]);
        Says(Between(after, before), DifferenceGroup.Safety).ShouldBe(["Step 5 of A: caution taken away: WARNING, the disc is hot"]);
        Between(before, after).Summary().ShouldContain("Phase Work is called Front hub");
        Between(before, before).Summary().ShouldBe(["Nothing of what is done, its values or its words."]);
    }

    /// <summary>
    /// Whatever edits lie between: each thing, step and phase that differs is told with its words before and after; and the steps as told, done to the outline of before, come to that of after.
    /// </summary>
    [Fact]
    public void All_that_differs_is_told_and_comes_to_the_later_sheet() => EditTests.Edits.Sample(numbers =>
    {
        var before = EditTests.Start().Sheet;
        var after = before;
        foreach (var (kind, a, b) in numbers)
            if (Editor.Apply(after, EditTests.Any(after, kind, a, b)) is { IsGood: true } applied) after = applied.Value.Sheet;
        var told = Between(before, after);
        var lines = told.Lines.SelectMany(l => new[] { $"step:{l.Step}", $"thing:{l.Thing}", $"phase:{l.Phase}" }).ToHashSet();
        foreach (var change in Delta.Between(before, after).Changes)
        {
            // What is read from the words and the numbers that were given out nobody sees of themselves; what moved is tried below.
            var isSeen = change.Slot switch
            {
                "step" => change.Field is null or "text" or "minutes" or "people" or "source" or "cautions" or "dropped" or "shows",
                "phase" => change.Field is null or "name" && change.Before is not null != (change.After is null),
                "header" or "issued" => false,
                _ => change.Field is not ("nature" or "assumed"),
            };
            if (!isSeen || change.Before is null && change.After is null) continue;
            lines.ShouldContain(change.Slot is "step" or "phase" ? $"{change.Slot}:{change.Id}" : $"thing:{change.Id}", $"{change.Slot} {change.Id} {change.Field}: {change.Before} → {change.After}");
        }

        foreach (var step in told.Steps)
        {
            step.Was.ShouldBe(before.FindStep(step.Id)?.Text ?? "");
            step.Now.ShouldBe(after.FindStep(step.Id)?.Text ?? "");
        }

        // The outline of before, with what is gone taken out and what is new or moved put where it stands.
        var order = before.Steps.Select(s => s.Id).Where(id => !told.Steps.Any(s => s.Id == id && (s.After is null || s.Moved))).ToList();
        foreach (var step in told.Steps.Where(s => s.After is not null && (s.Before is null || s.Moved))) order.Insert(step.After!.Value - 1, step.Id);
        order.ShouldBe(after.Steps.Select(s => s.Id));
        Between(after, SheetJson.Read(SheetJson.Write(after))).IsNone.ShouldBeTrue("the same sheet, read again");
    }, iter: 150);

    private static string Step(Sheet sheet, int number) => sheet.Steps.ElementAt(number - 1).Id;
}
