namespace WornPath.Core.Tests.Reading;

/// <summary>Variants, plan B, what follows a failed check, notes beside a step, and tables: read from the writer's lines.</summary>
public class PassageTests
{
    private static Written Wheels() => new Written().Header("variants", "wheels: steel wheels, cast wheels; side: left, right").Joint("wheel nuts", "130 N·m").Thing(ThingKind.Connection, "sensor lead").Part("disc");

    [Theory]
    [InlineData("Left: unplug the sensor lead.", "left: disconnect C1 sensor lead")]
    [InlineData("On the left side, unplug the sensor lead.", "left: disconnect C1 sensor lead")]
    [InlineData("Left only: unplug the sensor lead.", "left: disconnect C1 sensor lead")]
    [InlineData("Left, cast wheels: unplug the sensor lead.", "left, cast wheels: disconnect C1 sensor lead")]
    [InlineData("Remove the disc. With cast wheels, unplug the sensor lead.", "remove P1 disc; cast wheels: disconnect C1 sensor lead")]
    [InlineData("Unplug the sensor lead, left.", "disconnect C1 sensor lead")]
    public void A_sentence_that_opens_with_variants_or_sides_holds_for_those(string text, string chips) => Wheels().Steps(text).Chips(1).ShouldBe(chips);

    [Fact]
    public void A_value_said_for_a_variant_becomes_the_joints_value_there_and_follows_its_sentence()
    {
        var sheet = Wheels().Steps("Torque the wheel nuts to 130 N·m.", "With cast wheels: torque the wheel nuts to 150 N·m.");
        var joint = sheet.Sheet.Joints[0];
        joint.Torque!.ToString().ShouldBe("130 N·m");
        joint.Variants.ShouldHaveSingleItem().ToString().ShouldContain("150 N·m");
        sheet.Do(new WriteStep(sheet.Step(2).Id, sheet.Step(2).Text, "With cast wheels: torque the wheel nuts to 155 N·m."));
        sheet.Sheet.Joints[0].Variants.ShouldHaveSingleItem().Torque.ToString().ShouldBe("155 N·m");
        sheet.Step(2).Questions.ShouldBeEmpty();
    }

    [Fact]
    public void A_variant_taken_out_of_the_header_leaves_its_sentences_read_anew()
    {
        var sheet = Wheels().Steps("Left: unplug the sensor lead.");
        sheet.Header("variants", "wheels: steel wheels, cast wheels");
        sheet.Chips(1).ShouldBe("disconnect C1 sensor lead on the left-hand side");
        sheet.Header("variants", "side: left, right");
        sheet.Chips(1).ShouldBe("left: disconnect C1 sensor lead");
    }

    // The colon belongs to what is told behind the comma, and the sign ends there.
    [Theory]
    [InlineData("If the disc is worn, measure it: at least 9.0 mm.", "measure P1 disc, at least 9.0 mm [the disc is worn]")]
    [InlineData("If there is play, measure the disc: at least 9.0 mm.", "measure P1 disc, at least 9.0 mm [there is play]")]
    [InlineData("Should there be play, measure the disc: at least 9.0 mm.", "measure P1 disc, at least 9.0 mm [Should there be play]")]
    [InlineData("If the disc is scored, blue or cracked: remove the disc.", "remove P1 disc [the disc is scored, blue or cracked]")]
    public void What_is_measured_only_in_a_case_keeps_its_limits(string text, string chips)
    {
        var sheet = Wheels().Steps(text);
        WithSigns(sheet).ShouldBe(chips);
    }

    private static string WithSigns(Written sheet) => string.Join("; ", sheet.Step(1).Actions.Select(a =>
        Asking.Of(a, sheet.Sheet) + (a.Branch > 0 ? $" [{sheet.Step(1).Branches[a.Branch - 1].Sign}]" : "")));

    [Theory]
    [InlineData("If the disc is dry: leave it. If it leaks: remove the disc.", "remove P1 disc [it leaks]")]
    [InlineData("If the disc is dry: leave it. If it leaks, remove the disc.", "remove P1 disc [it leaks]")]
    [InlineData("If the disc is thin: remove the disc. Otherwise, if the lead is torn: unplug the sensor lead.",
        "remove P1 disc [the disc is thin]; disconnect C1 sensor lead [the lead is torn]")]
    [InlineData("If the disc is thin: unplug the sensor lead. Remove the disc.",
        "disconnect C1 sensor lead [the disc is thin]; remove P1 disc [the disc is thin]")]
    public void Several_signs_of_one_line_are_a_case_each(string text, string chips)
    {
        var sheet = Wheels().Steps(text);
        WithSigns(sheet).ShouldBe(chips);
    }

    [Fact]
    public void A_line_with_a_sign_is_a_branch_and_a_note_is_only_said()
    {
        var sheet = Wheels().Steps("Remove the disc by hand.\nOr, if it will not move: heat the hub. Remove the disc.\nIf the lead is torn: unplug the sensor lead.\nShould a bolt snap: remove the disc and drill the bolt.");
        var step = sheet.Step(1);
        step.Branches.Select(b => (b.Sign, b.Instead)).ShouldBe([("it will not move", true), ("the lead is torn", false)]);
        step.Actions.Select(a => (a.Branch, a.Verb)).ShouldBe([(0, Verb.Remove), (1, Verb.Remove), (2, Verb.Disconnect)]);
        step.Questions.ShouldBeEmpty();
    }

    [Fact]
    public void A_table_turns_a_measured_value_into_a_choice()
    {
        var sheet = new Written().Steps("Measure the drawbar height.\n| drawbar height | pin hole |\n|---|---|\n| 380–410 mm | A |\n| 411 to 440 | B |\n| above 440 mm | C |");
        var table = sheet.Step(1).Table!;
        (table.Quantity, table.Chosen).ShouldBe(("drawbar height", "pin hole"));
        table.For(410)!.Choice.ShouldBe("A");
        table.For(411)!.Choice.ShouldBe("B");
        table.For(500)!.Choice.ShouldBe("C");
        table.For(379).ShouldBeNull();
        table.Rows.Select(r => r.Within.Unit).Distinct().ShouldBe(["mm"]);
        // 440 mm is B's, and "above 440" claims it, too.
        table.Faults().ShouldHaveSingleItem().ShouldContain("440");
        sheet.Step(1).Questions.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("at least 9.0 mm", "at least 9.0 mm")]
    [InlineData("not more than 0,05 mm of runout", "at most 0.05 mm")]
    [InlineData("between 380 and 410 mm", "380–410 mm")]
    [InlineData("2.1 to 2.3 bar", "2.1–2.3 bar")]
    [InlineData("no scoring", null)]
    public void Limits_are_read_from_words(string text, string? limits) => Limits.Find(text)?.ToString().ShouldBe(limits);

    /// <summary>Verbs that mean something with a companion alone: without it they are words like others.</summary>
    [Theory]
    [InlineData("break crack take knock drive drift tap lift slide lever press ease draw work get hang tie set lay move swing bleed-off rest let feel test put start run spin nip fit hook push bend clip couple top pump")]
    public void No_verb_alone_stops_the_reading(string verbs)
    {
        foreach (var verb in verbs.Split(' ')) Wheels().Steps($"{verb} it with an extractor.", $"{verb}.", $"Do not {verb} the disc.").Sheet.Steps.Count().ShouldBe(3);
    }

    [Theory]
    [InlineData("wheels")]
    [InlineData("wheels: steel wheels")]
    [InlineData("wheels: steel, cast; rims: steel, alloy")]
    [InlineData("wheels: a, b; wheels: c, d")]
    public void A_bad_cell_of_variants_says_why(string text)
    {
        var refused = Editor.Apply(Sheet.Empty, new SetField("", "variants", "", text));
        refused.IsGood.ShouldBeFalse();
        refused.Problem.WhatToDo.ShouldNotBeEmpty();
    }
}
