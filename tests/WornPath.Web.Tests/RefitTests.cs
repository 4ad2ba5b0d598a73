using WornPath.Core.Workshops;
using System.Net;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

public sealed class RefitTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static async Task<int> RemovalAsync(Somebody ines, string number)
    {
        var id = await ines.NewAsync(number);
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[1].Id;
        await ines.EditAsync(id, new AddThing(ThingKind.Part, "cover", false));
        await ines.EditAsync(id, new AddThing(ThingKind.Part, "gasket", false));
        await ines.EditAsync(id, new SetField("P2", "behind", "", "cover"));
        await ines.EditAsync(id, new SetField("P2", "fate", "refit", "replace"));
        await ines.EditAsync(id, new AddFilled(ThingKind.Joint, "cover bolts", [new("torque", "22 N·m"), new("source", "Sample, p. 1"), new("holds", "cover")]));
        await ines.EditAsync(id, new InsertStep("r1", phase, null, "Remove the cover bolts and the cover."));
        await ines.EditAsync(id, new InsertStep("r2", phase, "r1", "Remove the gasket."));
        return id;
    }

    [Fact]
    public async Task A_refit_is_looked_at_taken_in_one_edit_and_taken_back_by_one_undo()
    {
        var ines = await workshop.As("ines");
        var id = await RemovalAsync(ines, "B-1");
        var before = await ines.TextsAsync(id);
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[1].Id;
        var refit = await ines.GetAsync<BuildingEndpoints.RefitView>($"/api/revisions/{id}/refit?phase={phase}");
        refit.Into.ShouldBe("Refit");
        refit.Steps.ShouldBe(["Fit the new gasket.", "Fit the cover. Start the cover bolts by hand. Torque the cover bolts to 22 N·m."]);
        (await ines.TextsAsync(id)).ShouldBe(before, "looking changes nothing");

        var sheet = await ines.EditAsync(id, refit.Edit!);
        sheet.Findings!.Value.Where(f => f.Thing is not null && f.Severity > Severity.Hint).ShouldBeEmpty();
        (await ines.TextsAsync(id)).ShouldBe([.. before, .. refit.Steps]);
        var again = await ines.GetAsync<BuildingEndpoints.RefitView>($"/api/revisions/{id}/refit?phase={(await ines.RevisionAsync(id)).Sheet.Phases!.Value[2].Id}");
        again.Steps.ShouldBeEmpty("all of it is back");
        again.Edit.ShouldBeNull();
        await ines.BackAsync(id, "undo");
        (await ines.TextsAsync(id)).ShouldBe(before);
        await Somebody.ProblemOf(await ines.Http.GetAsync($"/api/revisions/{id}/refit?phase=nowhere"), HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_way_to_a_part_is_told_with_its_reason_and_a_circle_is_named()
    {
        var ines = await workshop.As("ines");
        var id = await RemovalAsync(ines, "B-2");
        var way = await ines.GetAsync<BuildingEndpoints.ReachView>($"/api/revisions/{id}/reach/P2");
        way.Order.ShouldBe(["J1 cover bolts", "P1 cover", "P2 gasket"]);
        way.Why.ShouldBe("P2 gasket is behind P1 cover (held by J1 cover bolts).");
        await ines.EditAsync(id, new SetField("P1", "behind", "", "gasket"));
        var circle = await ines.GetAsync<BuildingEndpoints.ReachView>($"/api/revisions/{id}/reach/P2");
        circle.Order.ShouldBeEmpty();
        circle.Circle.ShouldContain("None of these can come off first");
    }
}
