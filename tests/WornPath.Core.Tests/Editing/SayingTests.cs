using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Editing;

/// <summary>The author has the last word on what a clause comes to, and it is kept as long as the clause stands.</summary>
public class SayingTests
{
    private static Sheet Of(params string[] steps)
    {
        var sheet = Do(Sheet.Empty, new InsertPhase("h1", null, "Work"));
        for (var i = 0; i < steps.Length; i++) sheet = Do(sheet, new InsertStep($"s{i + 1}", "h1", i == 0 ? null : $"s{i}", steps[i]));
        return sheet;
    }

    private static Sheet Do(Sheet sheet, Edit edit) => Editor.Apply(sheet, edit).Value.Sheet;

    private static string[] Chips(Sheet sheet, string step) => [.. sheet.FindStep(step)!.Actions.Select(a => Asking.Of(a, sheet))];

    private static Mending Chip(Sheet sheet, string step, int chip) => Mending.Of(sheet, sheet.FindStep(step)!, chip)!;

    private static Sheet Say(Sheet sheet, string step, int chip, Func<Saying, Saying?> other) =>
        Chip(sheet, step, chip) is var m ? Do(sheet, new SayAction(step, m.Words, m.Place, m.Before, other(m.Now!))) : sheet;

    [Fact]
    public void What_is_done_to_what_how_many_value_condition_and_with_what_are_said_otherwise_one_by_one()
    {
        var sheet = Of("Take out the four cover bolts with the long driver, lift the cover off and torque the pump bolts to 24 N·m.");
        Chips(sheet, "s1").ShouldBe(["take out J1 cover bolts", "remove P1 cover", "torque J2 pump bolts to 24 N·m"]);
        sheet = Say(sheet, "s1", 0, now => now with { Some = 2 });
        sheet = Say(sheet, "s1", 1, now => now with { Verb = Verb.Inspect });
        sheet = Say(sheet, "s1", 2, now => now with { Torque = "30 Nm", If = "the pump was open" });
        Chips(sheet, "s1").ShouldBe(["take out 2 of J1 cover bolts", "inspect P1 cover", "torque J2 pump bolts to 30 N·m, the pump was open"]);
        sheet = Say(sheet, "s1", 2, now => now with { Target = "J1", If = "" });
        Chips(sheet, "s1")[2].ShouldBe("torque J1 cover bolts to 30 N·m");
        // The walk believes the author, and the text that says 24 N·m is held against it as before.
        Walker.Run(sheet, Workshop.Default).Events.Select(e => e.Action.Target).ShouldBe(["J1", "P1", "J1"]);
    }

    [Fact]
    public void What_the_author_says_is_torqued_gives_a_joint_without_a_value_its_value_and_no_other()
    {
        var sheet = Of("Snug the cover bolts.", "Torque the pump bolts to 24 N·m.");
        sheet = Say(sheet, "s1", 0, now => now with { Verb = Verb.Torque, Torque = "30 Nm" });
        Chips(sheet, "s1").ShouldBe(["torque J1 cover bolts to 30 N·m"]);
        ((Joint)sheet.Find("J1")!).TighteningText.ShouldBe("30 N·m");
        // One that has a value keeps it; the rules hold the two against each other.
        var other = Say(sheet, "s1", 0, now => now with { Torque = "35 Nm" });
        ((Joint)other.Find("J1")!).TighteningText.ShouldBe("30 N·m");
        // What is only snug has no value to give.
        ((Joint)Say(Of("Snug the cover bolts."), "s1", 0, now => now with { Some = 2 }).Find("J1")!).TighteningText.ShouldBeEmpty();
    }

    [Fact]
    public void A_torque_the_author_makes_a_pass_is_the_first_and_one_that_is_no_pass_has_no_number()
    {
        var sheet = Do(Of("Torque the pump bolts to 24 N·m."), new AddThing(ThingKind.Joint, "other bolts", false));
        var pass = Say(sheet, "s1", 0, now => now with { Verb = Verb.TorquePass });
        pass.FindStep("s1")!.Actions.ShouldHaveSingleItem().Pass.ShouldBe(1);
        Say(pass, "s1", 0, now => now with { Verb = Verb.Torque }).FindStep("s1")!.Actions.ShouldHaveSingleItem().Pass.ShouldBeNull();
        Say(sheet, "s1", 0, now => now with { New = true }).FindStep("s1")!.Actions.ShouldHaveSingleItem().Pass.ShouldBeNull();
    }

    [Fact]
    public void The_word_holds_while_the_clause_stands_whatever_is_written_beside_it_and_is_told_of_when_the_clause_is_gone()
    {
        var sheet = Say(Of("Knock the pin out and lift the cover off."), "s1", 1, _ => null);
        Chips(sheet, "s1").ShouldBe(["remove P1 pin"]);
        var text = sheet.FindStep("s1")!.Text;
        foreach (var next in new[] { "Wait. " + text, "First knock the pin out and lift the cover off.",
            "Knock the pin out and lift the cover off. Clean the cover.", "Knock the pin out, then lift the cover off." })
        {
            sheet = Do(sheet, new WriteStep("s1", sheet.FindStep("s1")!.Text, next));
            Chips(sheet, "s1").ShouldNotContain(c => c.StartsWith("remove P2", StringComparison.Ordinal), next);
            Mending.Lost(sheet, sheet.FindStep("s1")!).ShouldBeEmpty(next);
        }

        sheet = Do(sheet, new WriteStep("s1", sheet.FindStep("s1")!.Text, "Knock the pin out and lift the cover right off."));
        Chips(sheet, "s1").ShouldContain(c => c.StartsWith("remove", StringComparison.Ordinal) && c.EndsWith("cover", StringComparison.Ordinal));
        Mending.Lost(sheet, sheet.FindStep("s1")!).ShouldBe(["lift the cover off"]);
        sheet = Do(sheet, new Unsay("s1", "lift the cover off"));
        sheet.FindStep("s1")!.Said.ShouldBeEmpty();
    }

    [Fact]
    public void A_thing_the_author_spoke_of_is_kept_and_where_it_is_gone_all_the_same_its_word_is_told_of_and_the_sentence_read_by_itself()
    {
        var sheet = Do(Of("Knock the pin out and lift the cover off."), new AddThing(ThingKind.Part, "hose bracket", false));
        var bracket = sheet.Things.Single(t => t.Name == "hose bracket");
        sheet = Say(sheet, "s1", 1, now => now with { Target = bracket.Id });
        Chips(sheet, "s1")[1].ShouldBe($"remove {bracket.Id} hose bracket");
        Editor.Apply(sheet, new RemoveThing(bracket.Id)).Problem!.What.ShouldContain("is used by step 1");
        sheet = sheet with { Parts = [.. sheet.Parts.Where(p => p.Id != bracket.Id)] };
        sheet = Do(sheet, new WriteStep("s1", sheet.FindStep("s1")!.Text, "Knock the pin out and lift the cover off. Wipe it."));
        Chips(sheet, "s1")[1].ShouldEndWith("cover");
        Mending.Lost(sheet, sheet.FindStep("s1")!).ShouldBe(["lift the cover off"]);
    }

    [Fact]
    public void What_was_not_understood_is_said_in_full_and_its_thing_need_not_be_on_the_sheet()
    {
        var sheet = Of("Frobnicate the hose bracket.");
        var question = sheet.FindStep("s1")!.Questions.ShouldHaveSingleItem();
        Asking.Answers(question, sheet.FindStep("s1")!, sheet)
            .Select(a => a.Label).ShouldBe(["Remove hose bracket, a new part", "Fit hose bracket, a new part", "Just words"]);
        sheet = Do(sheet, Asking.Answers(question, sheet.FindStep("s1")!, sheet).First().Edit);
        Chips(sheet, "s1").ShouldBe(["remove P1 hose bracket"]);
        sheet.FindStep("s1")!.ShouldSatisfyAllConditions(s => s.Questions.ShouldBeEmpty(), s => s.Residue.ShouldBeEmpty(),
            s => s.Actions[0].IsSaid.ShouldBeTrue());
        // Later sentences speak of it; another kind of thing keeps what was said of it.
        sheet = Do(sheet, new InsertStep("s2", "h1", "s1", "Put it back."));
        Chips(sheet, "s2").ShouldBe(["fit P1 hose bracket"]);
        Chips(Do(sheet, new SetKind("P1", ThingKind.Connection)), "s1").ShouldBe(["remove C1 hose bracket"]);
    }

    [Fact]
    public void What_is_missing_is_added_from_the_words()
    {
        var sheet = Of("Take out the two strap bolts. Mind the spring.");
        var more = Mending.More(sheet, sheet.FindStep("s1")!, null);
        (more.IsSaid, more.Now, more.Before).ShouldBe((false, null, ""));
        more.Words.ShouldBe("Mind the spring");
        sheet = Do(sheet, new SayAction("s1", more.Words, more.Place, "", new Saying { Verb = Verb.Remove, NewName = "spring", NewKind = ThingKind.Part }));
        Chips(sheet, "s1").ShouldBe(["take out J1 strap bolts", "remove P1 spring"]);
    }

    [Theory]
    [InlineData(Verb.Drain, "J1", "", "nothing that is done to a joint")]
    [InlineData(Verb.Torque, "J1", "many bananas", "cannot be read as a torque")]
    [InlineData(Verb.Torque, "J9", "", "no longer on the sheet")]
    public void What_cannot_be_said_is_refused_with_what_to_do(Verb verb, string target, string torque, string why)
    {
        var sheet = Of("Take out the two strap bolts.");
        var m = Chip(sheet, "s1", 0);
        Editor.Apply(sheet, new SayAction("s1", m.Words, 0, m.Before,
            m.Now! with { Verb = verb, Target = target, Torque = torque })).Problem!.What.ShouldContain(why);
        Editor.Apply(sheet, new SayAction("s1", m.Words, 0, "lift it", null)).Problem!.What.ShouldContain("read otherwise");
        Editor.Apply(sheet, new SayAction("s1", "other words", 0, "", null)).Problem!.What.ShouldContain("do not stand");
    }

    // Over the sentences of whole jobs: whatever is struck out is gone and nothing else changes, in its sentence or in another; taken back, all is as it was.
    [Fact]
    public void Striking_out_anything_takes_that_alone_and_taking_the_word_back_brings_the_reading_again()
    {
        var sheet = Of("Chock the rear wheels and raise the front.", "Crack the wheel nuts loose, then zip them off and pull the wheel.",
            "Take out the two caliper bolts, lift the caliper off and hang it from the spring with wire.",
            "Pull the cotter pin, undo the castle nut and pop the ball joint.", "If the disc is scored, fit a new one.",
            "Fit the caliper, run the bolts in by hand and torque them to 95 N·m.",
            "Drain the oil, then put the plug back and tighten it to 30 N·m.");
        var struck = 0;
        foreach (var step in sheet.Steps)
        {
            for (var i = 0; i < step.Actions.Length; i++)
            {
                var m = Chip(sheet, step.Id, i);
                var after = Do(sheet, new SayAction(step.Id, m.Words, m.Place, m.Before, null));
                Chips(after, step.Id).ShouldBe(Chips(sheet, step.Id).Where((_, at) => at != i), $"{step.Text}: {m.Before}");
                after.FindStep(step.Id)!.Actions.ShouldAllBe(a => a.Branch == 0 || a.Branch <= after.FindStep(step.Id)!.Branches.Length);
                // What was struck out may come back under another number.
                Chips(Do(after, new Unsay(step.Id, m.Words)), step.Id).Select(Bare).ShouldBe(Chips(sheet, step.Id).Select(Bare));
                Editor.Apply(sheet, new SayAction(step.Id, m.Words, m.Place, m.Before, null)).Value.Delta
                    .Inverse().ApplyTo(after).Value.FindStep(step.Id)!.Said.ShouldBeEmpty();
                struck++;
            }
        }

        struck.ShouldBeGreaterThan(17);

        static string Bare(string chip) => System.Text.RegularExpressions.Regex.Replace(chip, "[A-Z][0-9]+ ", "");
    }

    // Whatever was answered: taken back, the sheet is as it was asked.
    [Theory]
    [InlineData("Frob the gland.")]
    [InlineData("Frob the two strap bolts.")]
    [InlineData("Frob the pump and frob the seal.")]
    [InlineData("Torque the thing to 24.")]
    public void An_answer_is_taken_back_whole(string text)
    {
        var asked = Of("Remove the pump.", text);
        var step = asked.FindStep("s2")!;
        step.Questions.ShouldNotBeEmpty();
        foreach (var question in step.Questions)
            foreach (var (label, answer) in Asking.Answers(question, step, asked))
            {
                var answered = Do(asked, answer);
                Edit back = answer switch
                {
                    SayAction said => new Unsay("s2", said.Words),
                    SettleQuestion or SettleAsNew => new AskAgain("s2", question.Phrase),
                    _ => throw new ShouldAssertException($"{label}: how is it taken back?"),
                };
                var after = Do(answered, back);
                after.Things.Select(t => t.Label).ShouldBe(asked.Things.Select(t => t.Label), label);
                after.FindStep("s2")!.Questions.Select(q => q.Phrase).ShouldBe(step.Questions.Select(q => q.Phrase), label);
                // What somebody has written on since is hers.
                if (answered.Things.Except(asked.Things).FirstOrDefault(t => asked.Find(t.Id) is null) is not { } added) continue;
                if ((added.Kind switch { ThingKind.Joint => "tell", ThingKind.Part => "note", _ => null }) is not { } cell) continue;
                Do(Do(answered, new SetField(added.Id, cell, "", "long, from the front")), back).Find(added.Id).ShouldNotBeNull(label);
            }
    }
}
