using WornPath.Core.Cautions;
using System.Text.Json;
using CsCheck;

namespace WornPath.Core.Tests.Editing;

public class EditTests
{
    internal static string Json(Sheet sheet) => JsonSerializer.Serialize(sheet with { Issued = Sheet.Empty.Issued }, SheetJson.Options);

    internal static Written Start() => new Written().Part("cover").Part("pads").Joint("cover bolts", "22 N·m", holds: "cover").Thing(ThingKind.Aid, "rag")
        .Do(new InsertPhase("h2", "h1", "Refit")).Steps("Remove the cover bolts and the cover.", "Remove the bracket bolts.", "Fit the cover.", "Torque the cover bolts to 22 N·m.");

    // Any edit on the sheet at hand, made from numbers; some cannot be carried out, which is an outcome, too.
    internal static Edit Any(Sheet sheet, int kind, int a, int b)
    {
        var steps = sheet.Steps.ToList();
        var step = steps.Count > 0 ? steps[a % steps.Count] : new Step { Id = "none" };
        if (sheet.Phases.IsEmpty) return new InsertPhase(null, null, $"Phase {b}");
        var phase = sheet.Phases[b % sheet.Phases.Length].Id;
        var things = sheet.Things.ToList();
        if (things.Count == 0) return new AddThing((ThingKind)(a % 7), $"thing {b}", b % 2 == 0);
        var thing = things[a % things.Count];
        var fields = Fields.Of(thing.Kind);
        var field = fields[b % fields.Count];
        string[] texts = ["", "Fit the pads.", "Remove the rag and the cover.", "Torque the cover bolts to 30 N·m.", "Remove the strap.", "Stuff the rag into the bore.", "7", "yes", "22–28 N·m", "P2", "new name", "seat 40 N·m, back 90°, set 8 N·m + next slot", "circle", "cast iron, 12 mm", "60 mm at 45°", "left: 40 N·m; right: 45 N·m", "Left: remove the pads.\nOr, if they sit fast: remove the rag.", "left", "Raise the tractor.", "dry", "2 flats past hand-tight"];
        var text = texts[(a + b) % texts.Length];
        return kind switch
        {
            0 => new InsertStep(null, phase, steps.Count > 0 ? steps[b % steps.Count].Id : null, text),
            1 => new RemoveStep(step.Id, step.Text),
            2 => new MoveStep(step.Id, phase, a % 3 == 0 ? null : steps.Count > 0 ? steps[b % steps.Count].Id : null),
            3 => new WriteStep(step.Id, step.Text, text),
            4 => new SetField(thing.Id, field.Name, field.Get(thing), text),
            5 => new AddThing((ThingKind)(a % 7), $"{text} thing {b}", b % 2 == 0),
            6 => new RemoveThing(thing.Id),
            7 when a % 3 == 0 => new AddFilled(ThingKind.Joint, $"row {b}", [new("count", "4"), new("pattern", "circle"), new("torque", text)]),
            7 => new InsertPhase(null, phase, $"Phase {b}"),
            8 => new RenamePhase(phase, sheet.Phases.Single(p => p.Id == phase).Name, $"Name {a}"),
            9 => new RemovePhase(phase),
            10 when step.Questions.Length > 0 => Asking.Answers(step.Questions[0], step, sheet).ElementAt(b % Asking.Answers(step.Questions[0], step, sheet).Count()).Edit,
            12 => new SetField(step.Id, b % 2 == 0 ? "minutes" : "people", Fields.Step.Single(f => f.Name == (b % 2 == 0 ? "minutes" : "people")).Get(step), a % 3 == 0 ? "" : $"{b + 1}"),
            13 => new SetField("", "variants", Factor.Text(sheet.Header.Variants), a % 3 == 0 ? "" : a % 3 == 1 ? "side: left, right" : "wheels: steel wheels, cast wheels; side: left, right"),
            14 => new WriteCaution(step.Id, step.Cautions.Length > 0 && b % 2 == 0 ? step.Cautions[0].Hazard : "", new Caution((SignalWord)(a % 4), $"Hazard {b}.", "It hurts.", "Stand clear.")),
            15 => new DropCaution(step.Id, step.Cautions.Length > 0 ? step.Cautions[0].Hazard : UsualCautions.Proposed(step, sheet).FirstOrDefault()?.Hazard ?? "none", "It is not so here."),
            16 => new BringCautionBack(step.Id, step.Dropped.Length > 0 ? step.Dropped[0].Hazard : "none"),
            17 => new SetFieldByName(thing.Name, field.Name, text),
            19 => new InsertSteps(phase, steps.Count > 0 ? steps[b % steps.Count].Id : null, [.. texts.Skip(b % 9).Take(a % 5).Select(t => new NewStep(null, t))]),
            20 => new RemoveSteps([.. steps.Skip(b % 3).Take(a % 3).Select(s => new SeenStep(s.Id, s.Text))]),
            21 => new MoveSteps([.. steps.Where((_, i) => i % 3 == b % 3).Select(s => s.Id)], phase, a % 3 == 0 ? null : step.Id),
            22 => new MovePhase(phase, a % 3 == 0 ? null : sheet.Phases[a % sheet.Phases.Length].Id),
            23 => new SplitPhase(step.Id, null, $"From {a}"),
            24 => new JoinPhase(phase),
            25 => AnyFigure(sheet, step, thing, a, b),
            26 => new MoveFigure(sheet.Steps.SelectMany(s => s.Figures).Select(f => f.Id).ElementAtOrDefault(b % 5) ?? "none", step.Id, a % 4),
            27 => new SetKind(thing.Id, (ThingKind)(a % 7)),
            _ => new SetField("", "purpose", sheet.Header.Purpose, text),
        };
    }

    private static PutFigure AnyFigure(Sheet sheet, Step step, Thing thing, int a, int b)
    {
        var balloon = new FigureBalloon(new(a * 100, b * 100), new(b * 300, a * 300), b % 3 == 0 ? null : thing.Id, b % 2 == 0 ? "this" : "", thing is Joint);
        var was = a % 2 == 0 ? step.Figures.FirstOrDefault() : null;
        if (was is not null && b % 4 == 0) return new PutFigure(step.Id, was, null);
        var fresh = was ?? new Figure
        {
            Id = $"f{sheet.Steps.Sum(s => s.Figures.Length)}-{a}",
            Picture = new FigurePicture(new string('b',
            64) + ".png", 800, 600)
        };
        return new PutFigure(step.Id, was, fresh with
        {
            Balloons = fresh.Balloons.Add(balloon),
            Alt = $"view {b}",
            Crop = b % 5 == 0 ? new(0, 0,
            5000, 5000) : fresh.Crop
        });
    }

    internal static readonly Gen<(int, int, int)[]> Edits = Gen.Select(Gen.Int[0, 27], Gen.Int[0, 30], Gen.Int[0, 30]).Array[1, 25];

    [Fact]
    public void Whatever_is_done_can_be_undone_to_the_letter_and_done_again() => Edits.Sample(numbers =>
    {
        var sheet = Start().Sheet;
        var done = new List<(Sheet Before, Delta Delta, Sheet After)>();
        foreach (var (kind, a, b) in numbers)
        {
            var applied = Editor.Apply(sheet, Any(sheet, kind, a, b));
            if (!applied.IsGood) continue;
            done.Add((sheet, applied.Value.Delta, applied.Value.Sheet));
            sheet = applied.Value.Sheet;
            // What came or changed stands on the sheet, and what was taken away does not.
            foreach (var last in applied.Value.Delta.Changes.Where(c => c.Slot is not ("issued" or "header"))
                .GroupBy(c => (c.Slot, c.Id)).Select(g => g.Last()))
                Delta.Stands($"{last.Slot}:{last.Id}", sheet).ShouldBe(last.Field is not null || last.After is not null, $"{last}");
            // Whatever is taken away or becomes something else, no figure is left that names what is not there.
            sheet.Steps.SelectMany(s => s.Figures).SelectMany(f => f.Ids).ShouldAllBe(id => sheet.Find(id) != null);
        }

        foreach (var (before, delta, after) in Enumerable.Reverse(done))
        {
            // Through JSON, as the log keeps it.
            var kept = JsonSerializer.Deserialize<Delta>(JsonSerializer.Serialize(delta, SheetJson.Options), SheetJson.Options)!;
            var back = kept.Inverse().ApplyTo(sheet);
            back.IsGood.ShouldBeTrue(back.Problem?.ToString());
            Json(back.Value).ShouldBe(Json(before));
            Json(kept.ApplyTo(back.Value).Value).ShouldBe(Json(after));
            sheet = back.Value;
        }
    }, iter: 300);

    [Fact]
    public void A_sheet_is_the_same_after_JSON_and_back() => Edits.Sample(numbers =>
    {
        var sheet = Start().Sheet;
        foreach (var (kind, a, b) in numbers)
            if (Editor.Apply(sheet, Any(sheet, kind, a, b)) is { IsGood: true } applied) sheet = applied.Value.Sheet;
        Json(SheetJson.Read(SheetJson.Write(sheet))).ShouldBe(Json(sheet));
    }, iter: 60);

    [Fact]
    public void A_thing_renamed_again_and_again_is_still_found_by_its_last_six_names_and_by_none_of_them_twice()
    {
        var written = new Written().Part("cover 1");
        for (var i = 2; i <= 8; i++) written.Set($"cover {i - 1}", "name", $"cover {i}");
        written.Sheet.Parts.Single().AlsoCalled.ShouldBe(["cover 2", "cover 3", "cover 4", "cover 5", "cover 6", "cover 7"]);
        written.Set("cover 8", "name", "cover 5").Sheet.Parts.Single().AlsoCalled.ShouldBe(["cover 2", "cover 3", "cover 4", "cover 6", "cover 7", "cover 8"]);
        written.Steps("Remove the cover 3.").Chips(1).ShouldBe("remove P1 cover 5");
    }

    [Fact]
    public void Pasted_lines_are_read_as_if_they_had_been_typed_one_after_the_other()
    {
        string[] lines =
        [
            "Raise the front of the tractor and put it on the axle stands.", "Remove the four caliper bolts.", "Hang the caliper aside with the wire hook.",
            "Take off the hub cap.", "Remove it from the bench.", "Undo the hub nut.", "Pull the hub off.", "Fit the new hub.", "Fit the hub nut and torque it to 120 N·m.",
            "Refit the caliper. Torque its bolts to 45 N·m.", "Fit the cap.", "Lower the tractor.",
        ];
        var typed = new Written().Steps(lines).Sheet;
        // The last line stands before: the names it asks about come with those that are pasted in front of it.
        var pasted = new Written().Steps(lines[^1]).Sheet;
        pasted = Editor.Apply(pasted, new InsertSteps("h1", null, [.. lines[..^1].Select((l, i) => new NewStep($"p{i}", l))])).Value.Sheet;
        Says(pasted).ShouldBe(Says(typed));
        // One edit, which one undo takes back.
        var again = Editor.Apply(pasted, new RemoveSteps([.. pasted.Steps.SkipLast(1).Select(s => new SeenStep(s.Id, s.Text))])).Value.Sheet;
        again.Steps.Count().ShouldBe(1);
        var refused = Editor.Apply(pasted, new RemoveSteps([new("p0", lines[0]), new("p1", "Remove the five caliper bolts.")])).Problem!;
        refused.Clash!.Theirs.ShouldBe(lines[1]);
        refused.What.ShouldBe($"Step {pasted.Steps.ToList().FindIndex(s => s.Id == "p1") + 1} was changed a moment ago.");

        static List<string> Says(Sheet sheet) => [.. sheet.Steps.SelectMany(s => s.Actions.Select(a => $"{s.Text}: {Asking.Of(a, sheet)}")
            .Concat(s.Questions.Select(q => $"{s.Text}? {Asking.Of(q, sheet)}")))];
    }

    [Fact]
    public void Phases_move_split_and_join_with_their_steps()
    {
        var sheet = Start().Do(new InsertPhase("h3", "h2", "Handover")).Sheet;
        string[] ids = [.. sheet.Steps.Select(s => s.Id)];
        Sheet Done(Edit edit) => Editor.Apply(sheet, edit).Value.Sheet;
        string Outline(Sheet now) => string.Join("; ", now.Phases.Select(p => $"{p.Name} {string.Join(' ', p.Steps.Select(s => Array.IndexOf(ids, s.Id)))}".Trim()));
        Outline(sheet).ShouldBe("Work 0 1 2 3; Refit; Handover");
        sheet = Done(new SplitPhase(ids[2], "n", "Fit"));
        Outline(sheet).ShouldBe("Work 0 1; Fit 2 3; Refit; Handover");
        sheet = Done(new MovePhase("n", null));
        Outline(sheet).ShouldBe("Fit 2 3; Work 0 1; Refit; Handover");
        Outline(Done(new MovePhase("h3", "n"))).ShouldBe("Fit 2 3; Handover; Work 0 1; Refit");
        Outline(Done(new MovePhase("n", "h2"))).ShouldBe("Work 0 1; Refit; Fit 2 3; Handover");
        Outline(Done(new MovePhase("n", "gone"))).ShouldBe("Work 0 1; Refit; Handover; Fit 2 3", "behind one that is gone: at the end");
        sheet = Done(new MoveSteps([ids[1], ids[3]], "h3", null));
        Outline(sheet).ShouldBe("Fit 2; Work 0; Refit; Handover 1 3");
        sheet = Done(new MoveSteps([ids[2]], "h3", ids[1]));
        Outline(sheet).ShouldBe("Fit; Work 0; Refit; Handover 1 2 3");
        sheet = Done(new JoinPhase("h1"));
        Outline(sheet).ShouldBe("Fit 0; Refit; Handover 1 2 3");
        Editor.Apply(sheet, new JoinPhase("n")).Problem!.What.ShouldContain("first phase");
        Editor.Apply(sheet, new MoveSteps([ids[1], ids[1]], "n", null)).IsGood.ShouldBeFalse();
        Outline(Done(new MoveSteps([ids[1], ids[2]], "h3", ids[2]))).ShouldBe("Fit 0; Refit; Handover 1 2 3", "behind itself: nothing moves");
    }

    [Fact]
    public void Two_who_touch_different_fields_both_have_their_way()
    {
        var sheet = Start();
        var mine = Editor.Apply(sheet.Sheet, new SetField("J1", "torque", "22 N·m", "24 N·m")).Value;
        var theirs = Editor.Apply(mine.Sheet, new SetField("J1", "count", "1", "4")).Value;
        // Mine is undone under theirs.
        var undone = (Joint)mine.Delta.Inverse().ApplyTo(theirs.Sheet).Value.Find("J1")!;
        undone.TighteningText.ShouldBe("22 N·m");
        undone.Count.ShouldBe(4);
    }

    [Fact]
    public void The_second_who_touches_the_same_field_is_told_with_both_values()
    {
        var sheet = Start().Set("cover bolts", "torque", "54 N·m");
        var problem = Editor.Apply(sheet.Sheet, new SetField("J1", "torque", "22 N·m", "45 N·m")).Problem!;
        problem.Clash.ShouldBe(new Clash("54 N·m", "45 N·m"));
        // The same value twice is no quarrel.
        Editor.Apply(sheet.Sheet, new SetField("J1", "torque", "22 N·m", "54 Nm")).IsGood.ShouldBeTrue();
    }

    [Fact]
    public void The_second_who_rewrites_the_same_step_is_told_with_both_texts()
    {
        var sheet = Start();
        var (id, before) = (sheet.Step(3).Id, sheet.Step(3).Text);
        sheet.Do(new WriteStep(id, before, "Fit the cover square."));
        Editor.Apply(sheet.Sheet, new WriteStep(id, before, "Fit the cover last.")).Problem!.Clash.ShouldBe(new Clash("Fit the cover square.", "Fit the cover last."));
    }

    [Fact]
    public void An_undo_over_what_somebody_else_changed_is_refused_and_changes_nothing()
    {
        var sheet = Start();
        var step = sheet.Step(3);
        var mine = Editor.Apply(sheet.Sheet, new WriteStep(step.Id, step.Text, "Fit the cover square.")).Value;
        var theirs = Editor.Apply(mine.Sheet, new WriteStep(step.Id, "Fit the cover square.", "Fit the pads.")).Value;
        mine.Delta.Inverse().ApplyTo(theirs.Sheet).Problem!.Clash!.Theirs.ShouldBe("Fit the pads.");
    }

    [Fact]
    public void A_step_put_in_between_by_another_survives_the_undo_of_a_move()
    {
        var sheet = Start();
        var moved = Editor.Apply(sheet.Sheet, new MoveStep(sheet.Step(1).Id, "h1", sheet.Step(3).Id)).Value;
        var more = Editor.Apply(moved.Sheet, new InsertStep("mine", "h1", sheet.Step(2).Id, "Clean the cover.")).Value;
        moved.Delta.Inverse().ApplyTo(more.Sheet).Value.Steps.Select(s => s.Id).ShouldContain("mine");
    }

    [Theory]
    [InlineData("J1", "torque", "45 bananas", "J1 cover bolts, torque")]
    [InlineData("J1", "torque", "-5 N·m", "cannot be set")]
    [InlineData("J1", "count", "many", "whole number from 1 to 200")]
    [InlineData("J1", "fastener", "M8x5", "does not go with M8")]
    [InlineData("J1", "holds", "engine", "No part is called")]
    [InlineData("J1", "name", "covers", "already the name of P1")]
    [InlineData("J1", "name", "   ", "cannot be empty")]
    [InlineData("J1", "reuse", "perhaps", "Choose one of: reuse, renew")]
    [InlineData("", "difficulty", "9", "from 1 to 5")]
    [InlineData("J9", "torque", "5 N·m", "no longer on the sheet")]
    public void A_field_that_cannot_be_so_says_what_where_and_what_to_do(string id, string field, string text, string says)
    {
        var sheet = new Written().Part("cover").Joint("cover bolts");
        var problem = Editor.Apply(sheet.Sheet, new SetField(id, field, "", text)).Problem!;
        problem.ToString().ShouldContain(says);
        problem.WhatToDo.ShouldNotBeEmpty();
    }

    [Fact]
    public void A_thing_that_steps_use_is_not_deleted_and_the_steps_are_named() =>
        Editor.Apply(Start().Sheet, new RemoveThing("J1")).Problem!.ToString().ShouldContain("steps 1, 4");

    [Fact]
    public void A_hundred_kilobytes_in_one_step_are_refused_with_the_limit() =>
        Editor.Apply(Start().Sheet, new InsertStep(null, "h1", null, new string('x', 100_000))).Problem!.ToString().ShouldContain("100,000 characters are too many");

    [Fact]
    public void A_number_is_never_given_to_a_second_thing()
    {
        var sheet = new Written().Thing(ThingKind.Aid, "rag").Do(new RemoveThing("A1")).Thing(ThingKind.Aid, "wedge");
        sheet.Sheet.Aids.Single().Id.ShouldBe("A2");
    }

    [Fact]
    public void A_group_is_done_whole_or_not_at_all()
    {
        var sheet = Start().Sheet;
        var group = new Several("two", [new AddThing(ThingKind.Part, "lid", false), new RemoveThing("J1")]);
        Editor.Apply(sheet, group).IsGood.ShouldBeFalse();
        sheet.Parts.Length.ShouldBe(2);
    }

    // Two names that are both mended keep a number each.
    [Fact]
    public void Names_of_one_step_that_are_mended_together_keep_their_numbers()
    {
        var sheet = new Written().Steps("Remove the alfa cover and the beta cover.");
        sheet.Sheet.Parts.Select(p => (p.Id, p.Name)).ShouldBe([("P1", "alfa cover"), ("P2", "beta cover")]);
        sheet.Do(new WriteStep("S1", "Remove the alfa cover and the beta cover.", "Remove the gamma cover and the delta cover."));
        sheet.Sheet.Parts.Select(p => (p.Id, p.Name)).ShouldBe([("P1", "gamma cover"), ("P2", "delta cover")]);
        sheet.Step(1).Actions.Select(a => a.Target).ShouldBe(["P1", "P2"]);
    }

    [Theory]
    [InlineData("", "needs a name")]
    [InlineData("   ", "needs a name")]
    public void A_phase_without_a_name_is_refused(string name, string says) =>
        Editor.Apply(new Written().Sheet, new InsertPhase("h9", "h1", name)).Problem!.What.ShouldContain(says);

    // The text first and the table after it: what the cells say is read into the sentences that stand there.
    [Theory]
    [InlineData("pipe joint", "fastener", "union nut", "Undo the union nuts.", "take out J1 pipe joint")]
    [InlineData("side bolts", "becomes", "superseded by J2", "Take out the old bolts.", "take out J1 side bolts")]
    [InlineData("side bolts", "holds", "P1", "Take the wheel and unscrew its bolts.", "take out J1 side bolts")]
    public void A_cell_that_is_filled_later_is_read_into_the_text(string joint, string field, string value, string sentence, string says)
    {
        var sheet = new Written().Part("wheel").Joint(joint, "40 N·m").Joint("cover bolts", "20 N·m").Steps(sentence);
        sheet.Chips(1).ShouldNotContain(says);
        sheet.Set(joint, field, value);
        sheet.Chips(1).ShouldContain(says);
        sheet.Sheet.Things.ShouldNotContain(t => t.Assumed);
        sheet.Step(1).Questions.ShouldBeEmpty();
    }
}
