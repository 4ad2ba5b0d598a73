using System.Net;
using System.Net.Http.Json;
using WornPath.Core.Building;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>Sorting, mirroring, blocks, cautions and what is in hand, through the API: looked at first, done in one edit, taken back by one undo; bad input told.</summary>
public sealed class ArrangingTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static async Task<(int Id, string Phase)> GuardsAsync(Somebody ines, string number)
    {
        var id = await ines.NewAsync(number, "Guards");
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0];
        await ines.EditAsync(id, new Several("things", [new AddThing(ThingKind.Part, "left guard", false), new AddThing(ThingKind.Joint, "left guard screws", false), new SetField("J1", "torque", "", "6 N·m")]));
        await ines.EditAsync(id, new WriteStep(phase.Steps[0], "", "Remove the left guard."));
        await ines.EditAsync(id, new InsertStep(null, phase.Id, phase.Steps[0], "Remove the left guard screws."));
        return (id, phase.Id);
    }

    [Fact]
    public async Task A_removal_is_sorted_in_one_edit_and_taken_back_by_one_undo()
    {
        var ines = await workshop.As("ines");
        var (id, phase) = await GuardsAsync(ines, "A-1");
        var sort = await ines.GetAsync<RemovalSort>($"/api/revisions/{id}/sort?phase={phase}");
        sort.Moves.ShouldHaveSingleItem().Why.ShouldBe("P1 left guard is held by J1 left guard screws");
        (await ines.TextsAsync(id))[0].ShouldBe("Remove the left guard.", "looking moves nothing");
        await ines.EditAsync(id, sort.Edit!);
        (await ines.TextsAsync(id)).ShouldBe(["Remove the left guard screws.", "Remove the left guard."]);
        (await ines.GetAsync<RemovalSort>($"/api/revisions/{id}/sort?phase={phase}")).Edit.ShouldBeNull();
        await ines.BackAsync(id, "undo");
        (await ines.TextsAsync(id))[0].ShouldBe("Remove the left guard.");
        await Somebody.ProblemOf(await ines.Http.GetAsync($"/api/revisions/{id}/sort?phase=none"), HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task Parts_behind_one_another_in_a_circle_are_named_instead_of_sorted()
    {
        var ines = await workshop.As("ines");
        var (id, phase) = await GuardsAsync(ines, "A-2");
        await ines.EditAsync(id, new AddFilled(ThingKind.Part, "bracket", [new("behind", "P1")]));
        await ines.EditAsync(id, new SetField("P1", "behind", "", "P2"));
        (await Somebody.ProblemOf(await ines.Http.GetAsync($"/api/revisions/{id}/sort?phase={phase}"), HttpStatusCode.Conflict)).GetProperty("title").GetString()!.ShouldContain("P1 left guard is behind P2 bracket");
    }

    [Fact]
    public async Task The_other_side_is_written_with_its_twins_and_taken_back_whole()
    {
        var ines = await workshop.As("ines");
        var (id, phase) = await GuardsAsync(ines, "A-3");
        var mirror = await ines.GetAsync<Mirror>($"/api/revisions/{id}/mirror?phase={phase}");
        mirror.Things.ShouldBe(["right guard", "right guard screws"]);
        var view = await ines.EditAsync(id, mirror.Edit!);
        view.Things!.Value.Single(t => t.Name == "right guard screws").Fields["torque"].ShouldBe("6 N·m");
        view.Things.Value.Single(t => t.Name == "right guard screws").Fields["holds"].ShouldBe(view.Things.Value.Single(t => t.Name == "right guard").Id);
        (await ines.TextsAsync(id)).ShouldBe(["Remove the left guard.", "Remove the left guard screws.", "Remove the right guard.", "Remove the right guard screws."]);
        await ines.BackAsync(id, "undo");
        (await ines.RevisionAsync(id)).Sheet.Things!.Value.Length.ShouldBe(2);
    }

    [Fact]
    public async Task A_block_with_a_slot_of_the_wrong_kind_and_one_that_is_not_there_are_told()
    {
        var ines = await workshop.As("ines");
        var (id, phase) = await GuardsAsync(ines, "A-4");
        var wrong = await ines.PostAsync($"/api/revisions/{id}/blocks", new BuildingEndpoints.BlockForm("wheel off", phase, null, new Dictionary<string, string> { ["wheel"] = "J1" }));
        (await Somebody.ProblemOf(wrong, HttpStatusCode.BadRequest)).GetProperty("title").GetString()!.ShouldContain("asks for a part");
        await Somebody.ProblemOf(await ines.PostAsync($"/api/revisions/{id}/blocks", new BuildingEndpoints.BlockForm("no such block", phase, null, new Dictionary<string, string>())), HttpStatusCode.NotFound);
        (await ines.TextsAsync(id)).Length.ShouldBe(2);
    }

    [Fact]
    public async Task A_warning_leaves_a_step_with_a_reason_alone_and_comes_back_by_an_undo()
    {
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("A-5");
        var step = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Steps[0];
        var raised = (await ines.EditAsync(id, new WriteStep(step, "", "Raise the tractor."))).Steps.Single().Cautions.ShouldHaveSingleItem();
        (await Somebody.ProblemOf(await ines.TryEditAsync(id, new DropCaution(step, raised.Hazard, " ")), HttpStatusCode.BadRequest)).GetProperty("title").GetString()!.ShouldContain("without a reason");
        var dropped = (await ines.EditAsync(id, new DropCaution(step, raised.Hazard, "It stands on a lift with locks."))).Steps.Single();
        dropped.Cautions.ShouldBeEmpty();
        dropped.Dropped.ShouldHaveSingleItem().Reason.ShouldContain("lift");
        (await ines.BackAsync(id, "undo")).Steps.Single().Cautions.ShouldHaveSingleItem();
        // Words are hostile until encoded: as a caution they stay words.
        await ines.EditAsync(id, new WriteCaution(step, "", new Caution(SignalWord.Notice, "<script>alert(1)</script>", "x", "y")));
        (await ines.RevisionAsync(id)).Sheet.Steps.Single().Cautions[0].Hazard.ShouldBe("<script>alert(1)</script>");
    }

    [Theory]
    [InlineData("as=no-such-option", HttpStatusCode.OK)]
    [InlineData("as=right|s10=99|s10=x|=|%7C", HttpStatusCode.OK)]
    [InlineData("crew=0", HttpStatusCode.BadRequest)]
    [InlineData("crew=many", HttpStatusCode.BadRequest)]
    [InlineData("wanted=soon", HttpStatusCode.BadRequest)]
    [InlineData("wanted=2027-02-30", HttpStatusCode.BadRequest)]
    public async Task What_cannot_be_asked_of_Ready_is_told_and_an_unknown_option_is_the_first(string query, HttpStatusCode status) =>
        (await (await workshop.As("ines")).Http.GetAsync($"/api/revisions/4/ready?{query}")).StatusCode.ShouldBe(status);

    [Fact]
    public async Task Two_who_tick_off_the_same_thing_at_once_both_have_it()
    {
        Somebody ines = await workshop.As("ines"), tilde = await workshop.As("tilde");
        var tick = new WalkEndpoints.Ticked("part:P2", true);
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(i => (i % 2 == 0 ? ines : tilde).Http.PutAsJsonAsync("/api/revisions/4/ready", tick, SheetJson.Options)));
        answers.ShouldAllBe(a => a.StatusCode == HttpStatusCode.NoContent);
        (await ines.GetAsync<Readiness>("/api/revisions/4/ready")).Items.Single(i => i.Key == "part:P2").InHand.ShouldBeTrue();
    }
}
