using System.Text;
using System.Net;
using System.Net.Http.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using WornPath.Store;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>Values are read a second time from their sources, by somebody who is not shown what the author wrote, before a sheet is released.</summary>
public sealed class ValueTests(Workshop workshop) : IClassFixture<Workshop>
{
    // A strap with two joints, sent for review.
    private static async Task<int> StrapAsync(Somebody author, string number)
    {
        var id = await author.NewAsync(number, "Strap");
        var first = (await author.RevisionAsync(id)).Sheet.Phases!.Value[0].Steps.Single();
        await author.EditAsync(id, new AddFilled(ThingKind.Joint, "strap bolt", [new("torque", "24 N·m"), new("source", "Sample strap sheet, 1st ed., p. 9")]));
        await author.EditAsync(id, new AddFilled(ThingKind.Joint, "link nut", [new("torque", "45 N·m"), new("source", "Sample strap sheet, 1st ed., p. 10")]));
        await author.EditAsync(id, new WriteStep(first, "", "Torque the strap bolt to 24 N·m. Torque the link nut to 45 N·m."));
        await SendAsync(author, id);
        return id;
    }

    private static async Task SendAsync(Somebody author, int id) => (await author.PostAsync($"/api/revisions/{id}/send", new { why = "A correction." })).StatusCode.ShouldBe(HttpStatusCode.NoContent);

    private static async Task<string[]> FoundAsync(Somebody who, int id) => [.. (await who.RevisionAsync(id)).Sheet.Findings!.Value.Where(f => f.Rule.StartsWith("SRC", StringComparison.Ordinal)).Select(f => $"{f.Rule} {f.Thing}")];

    private static async Task<string> RefusedAsync(Somebody odo, int id)
    {
        var problem = await Somebody.ProblemOf(await odo.PostAsync($"/api/revisions/{id}/release"), HttpStatusCode.Conflict);
        return $"{problem.GetProperty("title").GetString()} {problem.GetProperty("detail").GetString()}";
    }

    [Fact]
    public async Task A_release_waits_until_each_value_was_read_again_and_a_reading_that_differs_stops_it()
    {
        Somebody ines = await workshop.As("ines"), marta = await workshop.As("marta"), odo = await workshop.As("odo");
        var id = await StrapAsync(ines, "V-1");
        (await FoundAsync(odo, id)).ShouldBe(["SRC003 J1", "SRC003 J2"]);
        (await ines.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=V-1")).Rows.Single(r => r.Number == "V-1").Stops.ShouldBe(2);
        (await RefusedAsync(odo, id)).ShouldContain("A second person reads the values");

        // Who reads is told what and where, and not how much.
        var asked = await (await odo.Http.GetAsync($"/api/revisions/{id}/values")).Content.ReadAsStringAsync();
        asked.ShouldContain("Sample strap sheet, 1st ed., p. 10");
        asked.ShouldNotContain("45 N");
        (await odo.Http.GetStringAsync($"/api/revisions/{id}/print")).ShouldNotContain("45\u00a0N");
        (await odo.Http.GetStringAsync($"/api/revisions/{id}/print")).ShouldNotContain("45 N");

        await marta.ReadAsync(id, "J1", "24 Nm");
        await marta.ReadAsync(id, "J2", "54 N·m");
        (await FoundAsync(odo, id)).ShouldBe(["SRC004 J2"]);
        (await RefusedAsync(odo, id)).ShouldContain("SRC004");
        (await odo.RevisionAsync(id)).Sheet.Joints!.Value.Select(j => (j.Check!.Standing, j.Check.Who)).ShouldBe([(ValueStanding.Verified, "Marta Holm (marta)"), (ValueStanding.Differs, "Marta Holm (marta)")]);

        // Read once more, and both readings stay.
        await odo.ReadAsync(id, "J2", "45 N·m");
        var second = (await odo.ValuesAsync(id)).Single(v => v.Id == "J2");
        second.Readings.Select(r => (r.Who, r.Read, r.Agrees)).ShouldBe([("Marta Holm (marta)", "54 N·m", false), ("Odo Brandt (odo)", "45 N·m", true)]);
        (await ines.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=V-1")).Rows.Single(r => r.Number == "V-1").Stops.ShouldBe(0);
        (await odo.PostAsync($"/api/revisions/{id}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task What_was_read_holds_through_a_return_and_a_new_revision_until_the_value_is_another()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var id = await StrapAsync(ines, "V-2");
        await odo.ReadAsync(id, "J1", "24 N·m");
        await odo.ReadAsync(id, "J2", "45 N·m");
        await odo.PostAsync($"/api/revisions/{id}/return", new { text = "The link nut is on page 11." });
        (await FoundAsync(odo, id)).ShouldBeEmpty("a draft is not asked");
        await ines.EditAsync(id, new SetField("J2", "source", "Sample strap sheet, 1st ed., p. 10", "Sample strap sheet, 1st ed., p. 11"));
        await SendAsync(ines, id);
        (await FoundAsync(odo, id)).ShouldBe(["SRC003 J2"]);
        await odo.ReadAsync(id, "J2", "45 N·m");
        (await odo.PostAsync($"/api/revisions/{id}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);

        await ines.PostAsync($"/api/revisions/{id}/revise");
        var next = (await ines.RevisionAsync(id)).Revisions.Max(r => r.Id);
        await ines.EditAsync(next, new SetField("J1", "torque", "24 N·m", "26 N·m"));
        await SendAsync(ines, next);
        (await FoundAsync(odo, next)).ShouldBe(["SRC003 J1"]);
    }

    [Fact]
    public async Task Whoever_wrote_reads_nothing_and_what_is_no_value_is_refused()
    {
        Somebody marta = await workshop.As("marta"), odo = await workshop.As("odo");
        var id = await StrapAsync(marta, "V-3");
        (await Somebody.ProblemOf(await marta.TryReadAsync(id, "J1", "24 N·m"), HttpStatusCode.Conflict)).GetProperty("title").GetString()!.ShouldContain("You wrote");
        (await Somebody.ProblemOf(await odo.TryReadAsync(id, "J1", "hand tight"), HttpStatusCode.Conflict)).GetProperty("title").GetString()!.ShouldContain("J1");
        var seal = (await odo.ValuesAsync(id))[0].Seal;
        await Somebody.ProblemOf(await odo.PostAsync($"/api/revisions/{id}/values", new { seal = new string('0', 32), read = "24 N·m" }), HttpStatusCode.Conflict);
        await odo.PostAsync($"/api/revisions/{id}/return", new { text = "Once more, please." });
        (await Somebody.ProblemOf(await odo.PostAsync($"/api/revisions/{id}/values", new { seal, read = "24 N·m" }), HttpStatusCode.Conflict)).GetProperty("title").GetString()!.ShouldContain("draft");
        (await odo.ValuesAsync(id)).ShouldAllBe(v => v.Readings.IsEmpty);
    }

    [Fact]
    public async Task Limits_and_amounts_with_a_source_are_hidden_from_who_is_to_read_them_and_wait_for_it()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var id = await ines.NewAsync("V-6", "Axle");
        var first = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Steps.Single();
        await ines.EditAsync(id, new AddFilled(ThingKind.Fluid, "axle oil", [new("capacity", "1.7 L"), new("source", "Sample axle sheet, 1st ed., p. 3")]));
        await ines.EditAsync(id, new WriteStep(first, "", "Measure the end play: 0.05 to 0.12 mm. Fill in 1.7 L of axle oil and check its level.\nIf the play is more: stop the job."));
        await ines.EditAsync(id, new SetField(first, "source", "", "Sample axle sheet, 1st ed., p. 4"));
        await SendAsync(ines, id);
        (await FoundAsync(odo, id)).ShouldBe(["SRC003 ", "SRC003 F1"], ignoreOrder: true);
        foreach (var path in (string[])["", "/values", "/bench?step=1", "/print", "/ready"])
        {
            var told = await (await odo.Http.GetAsync($"/api/revisions/{id}{path}")).Content.ReadAsStringAsync();
            foreach (var value in (string[])["1.7", "0.05", "0.12"]) told.ShouldNotContain(value, customMessage: path);
        }

        await odo.ReadAsync(id, first, "0.05–0.12 mm");
        await odo.ReadAsync(id, "F1", "1.8 L");
        (await FoundAsync(odo, id)).ShouldBe(["SRC004 F1"]);
        await Somebody.ProblemOf(await odo.PostAsync($"/api/revisions/{id}/release"), HttpStatusCode.Conflict);
        await odo.PostAsync($"/api/revisions/{id}/return", new { text = "Page 3 says 1.8 L." });
        await ines.EditAsync(id, new SetField("F1", "capacity", "1.7 L", "1.8 L"));
        await ines.EditAsync(id, new WriteStep(first, "Measure the end play: 0.05 to 0.12 mm. Fill in 1.7 L of axle oil and check its level.\nIf the play is more: stop the job.", "Measure the end play: 0.05 to 0.12 mm. Fill in 1.8 L of axle oil and check its level.\nIf the play is more: stop the job."));
        await SendAsync(ines, id);
        (await FoundAsync(odo, id)).ShouldBe(["SRC003 F1"], "the limits stand as they were read");
        await odo.ReadAsync(id, "F1", "1800 ml");
        (await FoundAsync(odo, id)).ShouldBeEmpty();
        (await (await odo.PostAsync($"/api/revisions/{id}/release")).Content.ReadAsStringAsync()).ShouldBeEmpty();
        (await (await odo.Http.GetAsync($"/api/revisions/{id}")).Content.ReadAsStringAsync()).ShouldContain("1.8 L");
    }

    [Fact]
    public async Task A_reading_is_never_written_over()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var id = await StrapAsync(ines, "V-4");
        await odo.ReadAsync(id, "J1", "42 N·m");
        await using var scope = workshop.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        (await Should.ThrowAsync<SqliteException>(() => db.ValueChecks.Where(c => c.RevisionId == id).ExecuteUpdateAsync(set => set.SetProperty(c => c.Agrees, true)))).Message.ShouldContain("cannot change");
    }

    [Fact]
    public async Task A_new_edition_is_found_on_every_sheet_that_cites_an_earlier_one_and_on_released_ones()
    {
        Somebody ines = await workshop.As("ines"), admin = await workshop.As("admin");
        (await FoundAsync(ines, 1)).Count(f => f.StartsWith("SRC005", StringComparison.Ordinal)).ShouldBe(1);
        (await FoundAsync(ines, 3)).ShouldBeEmpty();
        var now = await admin.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        async Task<HttpResponseMessage> PutAsync(int version, params SourceDocument[] documents) =>
            await admin.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(version, Documents: documents), SheetJson.Options);

        await Somebody.ProblemOf(await PutAsync(now.Version, new SourceDocument("Sample workshop manual T28", "the new one")), HttpStatusCode.BadRequest);
        await Somebody.ProblemOf(await PutAsync(now.Version, new SourceDocument("Sample manual", "1st ed."), new SourceDocument("sample manual ", "2nd ed.")), HttpStatusCode.BadRequest);
        (await PutAsync(now.Version, new SourceDocument("Sample workshop manual T28", "4th ed."))).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await FoundAsync(ines, 3)).ShouldContain("SRC005 J2");
        await Somebody.ProblemOf(await PutAsync(now.Version, [.. now.Documents]), HttpStatusCode.Conflict);
        (await PutAsync(now.Version + 1, [.. now.Documents])).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await FoundAsync(ines, 3)).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_page_that_is_kept_stands_beside_the_values_that_cite_it_and_is_read_instead_of_the_sheet()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo"), tilde = await workshop.As("tilde");
        Task<HttpResponseMessage> KeepAsync(Somebody who, string source, string picture) => who.Http.PostAsync($"/api/workshop/pages?source={Uri.EscapeDataString(source)}",
            new ByteArrayContent(Encoding.UTF8.GetBytes(picture)) { Headers = { ContentType = new("application/octet-stream") } });
        static string Drawn(string words) => $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 400 300'><script>alert(1)</script><text>{words}</text></svg>";

        // The sheet in review of the sample has its pages.
        var stud = (await odo.ValuesAsync(2)).First(v => v.Id == "J1");
        using var shown = await odo.Http.GetAsync($"/api/workshop/pages/{stud.Page!.Key}");
        shown.Headers.GetValues("Content-Security-Policy").Single().ShouldContain("sandbox");
        (await shown.Content.ReadAsStringAsync()).ShouldContain("24 lbf·ft");
        (await tilde.Http.GetAsync($"/api/workshop/pages/{stud.Page.Key}")).StatusCode.ShouldBe(HttpStatusCode.Forbidden, "a copy is for the workshop alone");

        var id = await StrapAsync(ines, "V-9");
        (await odo.ValuesAsync(id)).ShouldAllBe(v => v.Page == null);
        // Of a document nobody keeps, without an edition, and what is no picture: nothing is kept.
        foreach (var (source, picture) in ((string, string)[])[("Sample strap sheet, 1st ed., p. 9", Drawn("a")), ("Sample workshop manual T28, p. 9", Drawn("a")),
            ("Sample workshop manual T28, 3rd ed., p. 9", "no picture")])
            await Somebody.ProblemOf(await KeepAsync(ines, source, picture), HttpStatusCode.BadRequest);
        var before = (await ines.GetAsync<PageEndpoints.PagesView>("/api/workshop/pages")).Pages;
        before.Count.ShouldBe(2);

        var admin = await workshop.As("admin");
        var now = await admin.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        (await admin.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version, Documents: [.. now.Documents, new SourceDocument("Sample strap sheet", "1st ed.")]),
            SheetJson.Options)).StatusCode.ShouldBe(HttpStatusCode.OK);
        // Two at once are both kept; what was in a picture and is not kept is said.
        var kept = await Task.WhenAll(KeepAsync(ines, "Sample strap sheet, 1st ed., p. 9", Drawn("nine")), KeepAsync(odo, "Sample strap sheet, 1st ed., p. 10", Drawn("ten")));
        foreach (var answer in kept) (await answer.Content.ReadFromJsonAsync<PageEndpoints.PagesView>(SheetJson.Options))!.LeftOut.ShouldBe(["a script"]);
        var values = await odo.ValuesAsync(id);
        (await odo.Http.GetStringAsync($"/api/workshop/pages/{values.Single(v => v.Id == "J1").Page!.Key}")).ShouldContain("nine");
        (await odo.Http.GetStringAsync($"/api/workshop/pages/{values.Single(v => v.Id == "J2").Page!.Key}")).ShouldContain("ten");

        (await ines.Http.DeleteAsync($"/api/workshop/pages?source={Uri.EscapeDataString("Sample strap sheet 1st edition page 9")}")).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await odo.ValuesAsync(id)).Select(v => v.Page is null).ShouldBe([true, false]);
        (await odo.Http.GetAsync($"/api/workshop/pages/{values.Single(v => v.Id == "J1").Page!.Key}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        now = await admin.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        (await admin.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version, Documents: now.Documents.RemoveAt(now.Documents.Length - 1)),
            SheetJson.Options)).StatusCode.ShouldBe(HttpStatusCode.OK);
    }
}
