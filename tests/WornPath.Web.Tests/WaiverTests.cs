using WornPath.Core.Workshops;
using System.Net;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;

namespace WornPath.Web.Tests;

/// <summary>A warning needs a reason to stand, from somebody who did not write it, and the reason falls away when what it was given for changes.</summary>
public sealed class WaiverTests(Workshop workshop) : IClassFixture<Workshop>
{
    // Four bolts without a pattern: a warning, and nothing that stops.
    private static async Task<int> FourBoltsAsync(Somebody ines, string number)
    {
        var id = await ines.NewAsync(number, "Strap");
        var first = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Steps.Single();
        await ines.EditAsync(id, new AddFilled(Core.Sheets.ThingKind.Joint, "strap bolts", [new("count", "4"), new("torque", "24 N·m"), new("source", "Sample manual, p. 9")]));
        var view = await ines.EditAsync(id, new WriteStep(first, "", "Torque the strap bolts to 24 N·m."));
        view.Findings!.Value.Select(f => (f.Rule, f.Severity)).ShouldBe([("TRQ010", Severity.Warn)]);
        await ines.PostAsync($"/api/revisions/{id}/send");
        return id;
    }

    private static object Waiver(string key, string reason) => new { key, reason };

    [Fact]
    public async Task A_warning_is_waived_with_a_reason_and_only_then_released()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo"), marta = await workshop.As("marta");
        var id = await FourBoltsAsync(ines, "W-1");
        await marta.ReadAsync(id, "J1", "24 N·m");
        (await Somebody.ProblemOf(await odo.PostAsync($"/api/revisions/{id}/release"), HttpStatusCode.Conflict)).GetProperty("title").GetString()!.ShouldContain("TRQ010");
        var key = (await odo.RevisionAsync(id)).Sheet.Findings!.Value.Single().WaiverKey;
        await Somebody.ProblemOf(await marta.PostAsync($"/api/revisions/{id}/waivers", Waiver(key, "   x ")), HttpStatusCode.Conflict);
        await Somebody.ProblemOf(await marta.PostAsync($"/api/revisions/{id}/waivers", Waiver("TRQ010:J9:s1", "It is a strap.")), HttpStatusCode.Conflict);
        (await marta.PostAsync($"/api/revisions/{id}/waivers", Waiver(key, "A strap has no pattern to follow."))).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        var waived = (await odo.RevisionAsync(id)).Sheet.Findings!.Value.Single().Waiver.ShouldNotBeNull();
        (waived.Who, waived.Why).ShouldBe(("Marta Holm (marta)", "A strap has no pattern to follow."));
        (await odo.PostAsync($"/api/revisions/{id}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);

        // The next revision begins with it, and loses it when the joint changes.
        await ines.PostAsync($"/api/revisions/{id}/revise");
        var next = (await ines.RevisionAsync(id)).Revisions.Max(r => r.Id);
        var steps = (await ines.RevisionAsync(next)).Sheet;
        steps.Findings!.Value.Single().Waiver.ShouldNotBeNull();
        (await ines.EditAsync(next, new InsertStep(null, steps.Phases!.Value[0].Id, null, "Clean the strap."))).Findings?.Single().Waiver.ShouldNotBeNull("another step comes and goes");
        (await ines.EditAsync(next, new SetField("J1", "torque", "24 N·m", "26 N·m"))).Findings!.Value.Where(f => f.Rule == "TRQ010").ShouldHaveSingleItem().Waiver.ShouldBeNull();
        (await odo.RevisionAsync(next)).FallenAway.ShouldHaveSingleItem().Why.ShouldBe("A strap has no pattern to follow.");
    }

    [Fact]
    public async Task A_waiver_is_taken_back_and_the_writer_gives_none()
    {
        Somebody marta = await workshop.As("marta"), odo = await workshop.As("odo");
        var id = await FourBoltsAsync(marta, "W-2");
        await odo.ReadAsync(id, "J1", "24 N·m");
        var key = (await odo.RevisionAsync(id)).Sheet.Findings!.Value.Single().WaiverKey;
        (await Somebody.ProblemOf(await marta.PostAsync($"/api/revisions/{id}/waivers", Waiver(key, "I wrote it so.")), HttpStatusCode.Conflict)).GetProperty("title").GetString()!.ShouldContain("You wrote");
        await odo.PostAsync($"/api/revisions/{id}/waivers", Waiver(key, "A strap has no pattern."));
        var waiver = (await odo.RevisionAsync(id)).Sheet.Findings!.Value.Single().Waiver!.Id;
        (await odo.PostAsync($"/api/revisions/{id}/waivers/{waiver}/take-back")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await odo.RevisionAsync(id)).Sheet.Findings!.Value.Single().Waiver.ShouldBeNull();
        await Somebody.ProblemOf(await odo.PostAsync($"/api/revisions/{id}/release"), HttpStatusCode.Conflict);
        (await odo.RevisionAsync(id)).State.ShouldBe(RevisionState.InReview);
    }
}
