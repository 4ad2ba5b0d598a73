using System.Collections.Immutable;
using WornPath.Core.Printing;

namespace WornPath.Core.Tests.Editing;

/// <summary>Figures as they are edited: what they name goes along with it, and nothing of them is lost.</summary>
public class FiguringTests
{
    private static readonly FigurePicture Photo = new(new string('a', 64) + ".jpg", 1600, 1200);

    private static FigureBalloon Balloon(string? thing, string says = "", bool value = false) => new(new(1000, 1000), new(5000, 5000), thing, says, value);

    private static Figure Of(string id, params FigureBalloon[] balloons) => new()
    {
        Id = id,
        Picture = Photo,
        Alt = "The hub from outside.",
        Balloons = [.. balloons]
    };

    private static Written Start() => new Written().Part("cover").Joint("cover bolts", "22 N·m", holds: "cover").Set("cover bolts", "count", "4")
        .Set("cover bolts", "pattern", "circle").Steps("Remove the cover bolts and the cover.", "Fit the cover with the cover bolts.",
            "Torque the cover bolts to 22 N·m.");

    private static Written With(Figure figure, int step = 3)
    {
        var written = Start();
        return written.Do(new PutFigure(written.Step(step).Id, null, figure));
    }

    private static ImmutableArray<PrintedFigure> Printed(Written written) =>
        [.. PrintedSheet.Of(written.Walk()).Phases.SelectMany(p => p.Steps).SelectMany(s => s.Figures)];

    private static Problem Refused(Written written, Edit edit) => Editor.Apply(written.Sheet, edit).Problem.ShouldNotBeNull();

    [Fact]
    public void A_balloon_says_the_name_and_the_value_of_today()
    {
        var written = With(Of("f1", Balloon("J1", "inside", value: true), Balloon("P1"), Balloon(null, "pilot")));
        Printed(written).ShouldHaveSingleItem().Balloons.Select(b => (b.Number, b.Says, b.Value))
            .ShouldBe([(1, "J1 cover bolts, inside", "22 N·m"), (2, "P1 cover", ""), (3, "pilot", "")]);
        written.Set("cover bolts", "name", "lid bolts").Set("lid bolts", "torque", "24 N·m");
        Printed(written)[0].Balloons[0].ShouldBe(new PrintedBalloon(1, new(1000, 1000), new(5000, 5000), "J1 lid bolts, inside", "24 N·m"));
    }

    [Fact]
    public void Figures_are_numbered_through_the_sheet_and_go_with_their_steps()
    {
        var written = With(Of("f1"));
        var (first, last) = (written.Step(1).Id, written.Step(3).Id);
        written.Do(new PutFigure(first, null, Of("f2") with { Caption = "first" }));
        Printed(written).Select(f => (f.Number, f.Caption)).ShouldBe([(1, "first"), (2, "")]);
        written.Do(new MoveStep(last, "h1", null));
        Printed(written).Select(f => (f.Number, f.Caption)).ShouldBe([(1, ""), (2, "first")]);
        written.Do(new MoveFigure("f2", last, 0));
        written.Sheet.FindStep(last)!.Figures.Select(f => f.Id).ShouldBe(["f2", "f1"]);
        written.Sheet.FindStep(first)!.Shows.ShouldBeNull("what shows nothing says nothing of it: an old file is as it was");
    }

    [Fact]
    public void What_a_figure_names_is_not_taken_away_and_takes_the_figure_along_to_another_kind()
    {
        var written = Start().Part("pilot ring");
        written.Do(new PutFigure(written.Step(1).Id, null, Of("f1", Balloon("P2"))));
        Refused(written, new RemoveThing("P2")).What.ShouldBe("P2 pilot ring is used by step 1.");
        written.Do(new SetKind("P2", ThingKind.Aid));
        written.Step(1).Figures[0].Balloons[0].Thing.ShouldBe("A1");
        // A joint that becomes a part has no torque to say, and no pattern to draw.
        var joint = With(Of("f1", Balloon("J1", value: true)));
        joint.Do(new PutFigure(joint.Step(2).Id, null, new Figure { Id = "f2", Pattern = "J1" }));
        joint.Do(new SetKind("J1", ThingKind.Part));
        joint.Sheet.Steps.SelectMany(s => s.Figures).ShouldHaveSingleItem().Balloons.ShouldBe([Balloon("P2")]);
    }

    [Fact]
    public void What_only_a_sentence_named_stays_while_a_balloon_shows_it()
    {
        var written = Start().Steps("Remove the strap.");
        var strap = written.Sheet.Parts.Single(p => p.Name == "strap");
        strap.Assumed.ShouldBeTrue();
        written.Do(new PutFigure(written.Step(1).Id, null, Of("f1", Balloon(strap.Id))));
        written.Do(new WriteStep(written.Step(4).Id, "Remove the strap.", "Clean the face."));
        written.Sheet.Find(strap.Id).ShouldNotBeNull();
        // The same where the balloon is in the step that is written anew.
        written.Do(new MoveFigure("f1", written.Step(4).Id, 0)).Do(new WriteStep(written.Step(4).Id, "Clean the face.", "Clean the strap."));
        written.Step(4).Actions.Select(a => a.Target).ShouldBe([strap.Id]);
        written.Do(new WriteStep(written.Step(4).Id, "Clean the strap.", "Clean the face."));
        written.Sheet.Find(strap.Id).ShouldNotBeNull();
        written.Do(new PutFigure(written.Step(4).Id, written.Step(4).Figures[0], null));
    }

    [Fact]
    public void Two_who_change_the_same_figure_are_told_and_the_same_change_twice_is_done_once()
    {
        var (before, hers) = (Of("f1"), Of("f1", Balloon("J1")));
        var written = With(before);
        var step = written.Step(3).Id;
        written.Do(new PutFigure(step, before, hers)).Do(new PutFigure(step, before, hers));
        Refused(written, new PutFigure(step, before, Of("f1", Balloon("P1")))).What.ShouldBe("This figure was changed a moment ago.");
        Refused(written, new PutFigure(step, before, null)).What.ShouldBe("This figure was changed a moment ago.");
        Refused(written, new PutFigure(step, null, hers)).What.ShouldBe("This figure is there already.");
        Refused(written, new PutFigure(written.Step(1).Id, hers, before)).What.ShouldStartWith("This figure is no longer");
        // Words as they were typed, with a blank too much, are what she saw.
        written.Do(new PutFigure(step, hers with { Alt = " The hub  from outside. " }, hers with { Caption = "  Hub " }));
        written.Step(3).Figures[0].Caption.ShouldBe("Hub");
    }

    public static TheoryData<string, Figure> Bad => new()
    {
        { "shows a picture or the pattern", new Figure { Id = "f1" } },
        { "shows a picture or the pattern", Of("f1") with { Pattern = "J1" } },
        { "none that is kept", Of("f1") with { Picture = Photo with { Key = "../../secrets" } } },
        { "none that is kept", Of("f1") with { Picture = Photo with { Key = new string('a', 64) + ".exe" } } },
        { "none that is kept", Of("f1") with { Picture = Photo with { Key = new string('A', 64) + ".png" } } },
        { "none that is kept", Of("f1") with { Picture = Photo with { Width = 40_000 } } },
        { "none that is kept", Of("f1") with { Picture = Photo with { Height = 0 } } },
        { "cannot be a figure's id", Of("a b") },
        { "P1 cover has no pattern", new Figure { Id = "f1", Pattern = "P1" } },
        { "own numbers", new Figure { Id = "f1", Pattern = "J1", Arrows = [new(new(0, 0), new(1, 1))] } },
        { "J9 is no longer on the sheet", Of("f1", Balloon("J9")) },
        { "P1 cover has no torque", Of("f1", Balloon("P1", value: true)) },
        { "Balloon 2 names nothing", Of("f1", Balloon("J1"), Balloon(null, "  ")) },
        { "Balloon 1 names nothing", Of("f1", Balloon(null, "x", value: true)) },
        { "Balloon 1 does not lie on its picture", Of("f1", Balloon("J1") with { Tip = new(10_001, 0) }) },
        { "arrow does not lie", Of("f1") with { Arrows = [new(new(5, 5), new(5, 5))] } },
        { "does not lie on it", Of("f1") with { Crop = new(9000, 0, 2000, 2000) } },
        { "does not lie on it", Of("f1") with { Crop = new(0, 0, 10, 10) } },
        { "does not lie on it", Of("f1") with { Crop = new(0, 0, int.MaxValue, 500) } },
        { "enlarged part", Of("f1") with { Inset = new(new(0, 0, 2000, 2000), new(0, 0), 10) } },
        { "301 characters are too many for what is to be seen", Of("f1") with { Alt = new string('x', 301) } },
        { "at most 30 balloons", Of("f1", [.. Enumerable.Repeat(Balloon("J1"), 31)]) },
    };

    [Theory]
    [MemberData(nameof(Bad))]
    public void What_cannot_stand_is_refused_with_what_to_do(string says, Figure figure)
    {
        var written = Start();
        var problem = Refused(written, new PutFigure(written.Step(1).Id, null, figure));
        problem.What.ShouldContain(says);
        problem.WhatToDo.ShouldNotBeEmpty();
    }

    [Fact]
    public void A_step_takes_six_figures_and_a_group_of_edits_all_or_none()
    {
        var written = Start();
        var step = written.Step(1).Id;
        for (var i = 1; i <= SheetSize.MostFiguresOfStep; i++) written.Do(new PutFigure(step, null, Of($"f{i}")));
        Refused(written, new PutFigure(step, null, Of("f7"))).What.ShouldBe("The step has 6 figures.");
        written.Do(new PutFigure(written.Step(2).Id, null, Of("f7")));
        Refused(written, new MoveFigure("f7", step, 0)).What.ShouldBe("The step has 6 figures.");
        written.Do(new MoveFigure("f6", step, 0));
        written.Step(1).Figures.Select(f => f.Id).ShouldBe(["f6", "f1", "f2", "f3", "f4", "f5"]);
    }

    [Fact]
    public void A_pattern_that_is_drawn_is_put_into_words_and_follows_the_joint()
    {
        var written = With(new Figure { Id = "f1", Pattern = "J1" });
        var figure = Printed(written).ShouldHaveSingleItem();
        (figure.Pattern!.Order.Length, figure.Alt).ShouldBe((4, "Where the 4 of J1 cover bolts lie. Order: 1, 3, 2, 4."));
        written.Set("cover bolts", "pattern", "");
        Printed(written)[0].Alt.ShouldBe("J1 has no pattern.");
    }

    [Fact]
    public void What_is_for_other_vehicles_is_not_shown_of_this_one_and_numbers_stay()
    {
        var written = new Written().Header("variants", "wheels: steel wheels, cast wheels").Part("weight").Steps("With cast wheels: remove the weight.", "Clean the weight.");
        written.Do(new PutFigure(written.Step(1).Id, null, Of("f1"))).Do(new PutFigure(written.Step(2).Id, null, Of("f2")));
        int[] Of2(string option) => [.. PrintedSheet.Of(written.Walks().All.Single(w => w.Combination.Options.Contains(option))).Phases
            .SelectMany(p => p.Steps).SelectMany(s => s.Figures).Select(f => f.Number)];
        Of2("steel wheels").ShouldBe([2]);
        Of2("cast wheels").ShouldBe([1, 2]);
    }
}
