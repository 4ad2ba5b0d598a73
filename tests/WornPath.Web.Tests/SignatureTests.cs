using System.Net;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Formats;
using WornPath.Store;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>Signatures and the record, over the API: who signs, how many it takes, what falls, and what shows where the database was changed past the program.</summary>
public sealed class SignatureTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static async Task<int> SentAsync(Somebody ines, string number, params string[] steps)
    {
        var id = await ines.NewAsync(number);
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Id;
        foreach (var (text, i) in steps.Select((t, i) => (t, i)))
            await ines.EditAsync(id, new InsertStep($"n{i + 1}", phase, i > 0 ? $"n{i}" : null, text));
        (await ines.PostAsync($"/api/revisions/{id}/send")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        return id;
    }

    private static async Task<string> RefusedAsync(Somebody who, string path) =>
        (await Somebody.ProblemOf(await who.PostAsync(path), HttpStatusCode.Conflict)).GetProperty("title").GetString()!;

    [Fact]
    public async Task Where_lives_hang_on_it_two_sign_and_who_wrote_it_does_not()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo"), marta = await workshop.As("marta"), tilde = await workshop.As("tilde");
        var id = await SentAsync(ines, "SG-1", "Park on level ground. Stop the engine.", "Take the drawbar off.", "Put the drawbar back on.",
            "Have a qualified person check the drawbar before it is used.");
        var signing = (await odo.RevisionAsync(id)).Signing;
        (signing.Needed, signing.Signed.Length).ShouldBe((2, 0));
        signing.Why.ShouldContain("drawbar");
        (await odo.RevisionAsync(id)).May.Sign.ShouldBeTrue();
        (await RefusedAsync(odo, $"/api/revisions/{id}/release")).ShouldBe("1 signature is missing.");
        (await ines.PostAsync($"/api/revisions/{id}/sign")).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        (await tilde.PostAsync($"/api/revisions/{id}/sign")).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        (await marta.PostAsync($"/api/revisions/{id}/sign")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await RefusedAsync(marta, $"/api/revisions/{id}/sign")).ShouldBe("You have signed it.");
        // It waits for who may sign it too, and for nobody else.
        async Task<bool> WaitsAsync(Somebody who) => (await who.GetAsync<List<Drafting.Desk.DeskLine>>("/api/desk")).Exists(w => w.RevisionId == id
            && w.Says == "Marta Holm (marta) has signed it, and it is not released yet");
        (await WaitsAsync(odo), await WaitsAsync(marta), await WaitsAsync(ines), await WaitsAsync(tilde)).ShouldBe((true, false, false, false));

        // Returned, changed by a letter, sent again: it is as if nobody had signed. As it was before, she has.
        (await odo.PostAsync($"/api/revisions/{id}/return", new { text = "Say that it is paved." })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        const string before = "Park on level ground. Stop the engine.", after = "Park on level, paved ground. Stop the engine.";
        await ines.EditAsync(id, new WriteStep("n1", before, after));
        (await ines.RevisionAsync(id)).Signing.Signed.Single().Holds.ShouldBeFalse();
        await ines.EditAsync(id, new WriteStep("n1", after, before));
        (await ines.RevisionAsync(id)).Signing.Signed.Single().Holds.ShouldBeTrue();
        (await ines.PostAsync($"/api/revisions/{id}/send")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await odo.PostAsync($"/api/revisions/{id}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await WaitsAsync(odo)).ShouldBeFalse();
        var released = (await tilde.RevisionAsync(id)).Signing;
        released.Signed.Select(s => (s.Who, s.Holds)).ShouldBe([("Marta Holm (marta)", true), ("Odo Brandt (odo)", true)]);

        (await tilde.GetAsync<PrintEndpoints.PrintView>($"/api/revisions/{id}/print")).Signed.Select(s => (s.For, s.Who)).ShouldBe(
            [("written by", "Ines Aldaro"), ("signed by", "Marta Holm (marta)"), ("released by", "Odo Brandt (odo)")]);

        // The file says so by itself, byte by byte as it was signed.
        var file = await tilde.Http.GetByteArrayAsync($"/api/revisions/{id}/file");
        var read = ProcedureFileText.Read(file).Value;
        var key = await tilde.GetAsync<WorkshopEndpoints.KeyView>("/api/workshop/key");
        read.Signatures!.Value.Select(s => SignedFile.Read(s).Value).ShouldAllBe(s => s.Key == key.Thumbprint && s.Number == "SG-1" && s.Revision == "A");
        (await tilde.Http.GetAsync($"/api/revisions/{id}/record")).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task Where_no_life_hangs_on_it_who_releases_it_signs_it_by_that()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var id = await SentAsync(ines, "SG-2", "Park on level ground. Stop the engine.", "Take the tray cover off.", "Put the tray cover back on.");
        (await ines.RevisionAsync(id)).Signing.Needed.ShouldBe(1);
        (await odo.PostAsync($"/api/revisions/{id}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await ines.RevisionAsync(id)).Signing.Signed.Single().Who.ShouldBe("Odo Brandt (odo)");
    }

    [Fact]
    public async Task The_record_has_every_edit_and_event_and_shows_what_was_changed_past_the_program()
    {
        await using var own = new Workshop();
        Somebody ines = await own.As("ines"), odo = await own.As("odo");
        var id = await SentAsync(ines, "SG-3", "Park on level ground. Stop the engine.", "Take the tray cover off.", "Put the tray cover back on.");
        (await odo.PostAsync($"/api/revisions/{id}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        var record = await ines.GetAsync<RevisionEndpoints.RecordView>($"/api/revisions/{id}/record");
        record.Broken.ShouldBeNull();
        record.Lines.Select(l => l.What).ShouldBe(["begun", "edit", "edit", "edit", "sent", "released"]);
        record.Details[2].ShouldContain("“Park on level ground. Stop the engine.”");
        record.Lines.Select(l => record.People[l.By]).Distinct().ShouldBe(["Ines Aldaro", "Odo Brandt"]);
        RecordChain.Check(record.Lines).ShouldBeNull();
        // The release names the link behind it.
        SignedFile.Read(ProcedureFileText.Read(await ines.Http.GetByteArrayAsync($"/api/revisions/{id}/file")).Value.Signatures!.Value.Single()).Value.Record
            .ShouldBe(record.Lines[^1].Hash);

        // The sheet as it was behind each line; a later revision's lines are of its own sheet.
        async Task<string[]> StepsAtAsync(int line) =>
            [.. (await ines.GetAsync<RevisionEndpoints.MomentView>($"/api/revisions/{id}/record/{line}")).Phases.SelectMany(p => p.Steps)];
        (await StepsAtAsync(1)).ShouldNotContain(s => s.StartsWith("Park"));
        (await StepsAtAsync(3)).Where(s => s.Length > 0).ShouldBe(["Park on level ground. Stop the engine.", "Take the tray cover off."]);
        (await StepsAtAsync(6)).Where(s => s.Length > 0).Count().ShouldBe(3);
        (await Somebody.ProblemOf(await ines.Http.GetAsync($"/api/revisions/{id}/record/7"),
            HttpStatusCode.Conflict)).GetProperty("title").GetString().ShouldBe("The record has no line 7.");
        await ines.PostAsync($"/api/revisions/{id}/revise");
        var next = (await ines.RevisionAsync(id)).Revisions[0].Id;
        await ines.EditAsync(next, new WriteStep("n1", "Park on level ground. Stop the engine.", "Park it."));
        var later = await ines.GetAsync<RevisionEndpoints.RecordView>($"/api/revisions/{next}/record");
        later.Lines.Select(l => l.Revision + " " + l.What).TakeLast(2).ShouldBe(["B begun", "B edit"]);
        (await StepsAtAsync(7)).ShouldContain("Park on level ground. Stop the engine.");
        (await StepsAtAsync(8)).ShouldContain("Park it.");
        (await StepsAtAsync(5)).ShouldContain("Park on level ground. Stop the engine.");

        // Somebody with the database in hand takes out the guards and changes what Ines did.
        await using var scope = own.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        await Guards.LiftAsync(db);
        var revision = await db.Revisions.Include(r => r.Edits).SingleAsync(r => r.Id == id);
        var delta = revision.Edits[0].Delta;
        await db.Database.ExecuteSqlAsync($"UPDATE Edits SET Label = 'something else' WHERE Id = {revision.Edits[1].Id}");
        var changed = await ines.GetAsync<RevisionEndpoints.RecordView>($"/api/revisions/{id}/record");
        changed.Broken.ShouldNotBeNull().ShouldContain("Line 3 of the record (edit, revision A) is not what was written.");
        // Also where what is left is nothing that can be read.
        await db.Database.ExecuteSqlAsync($"UPDATE Edits SET Delta = x'00' WHERE Id = {revision.Edits[0].Id}");
        (await ines.GetAsync<RevisionEndpoints.RecordView>($"/api/revisions/{id}/record")).Broken.ShouldNotBeNull().ShouldContain("Line 2 of the record");
        await db.Database.ExecuteSqlAsync($"UPDATE Edits SET Delta = {delta} WHERE Id = {revision.Edits[0].Id}");
        await db.Database.ExecuteSqlAsync($"DELETE FROM RecordLinks WHERE EditId = {revision.Edits[1].Id}");
        (await ines.GetAsync<RevisionEndpoints.RecordView>($"/api/revisions/{id}/record")).Broken.ShouldNotBeNull().ShouldContain("Line 3 of the record is missing.");
    }
}
