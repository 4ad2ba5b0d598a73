using System.Net;
using System.Net.Http.Json;
using System.Text;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Web.Drafting;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>What is released is what somebody else has checked: across revisions, roles, files and memory.</summary>
public sealed class TrustTests(Workshop workshop) : IClassFixture<Workshop>
{
    private async Task<Somebody> NewPersonAsync(string account, string name, params string[] roles)
    {
        var somebody = workshop.Nobody();
        await (await workshop.As("admin")).InviteAsync(somebody, account, name, roles);
        await somebody.EnterAsync(account, "long-enough-1");
        return somebody;
    }

    private static async Task<int> StrapAsync(Somebody author, string number)
    {
        var id = await author.NewAsync(number, "Strap");
        var first = (await author.RevisionAsync(id)).Sheet.Phases!.Value[0].Steps.Single();
        await author.EditAsync(id, new AddFilled(ThingKind.Joint, "strap bolts", [new("count", "4"), new("torque", "24 N·m"), new("source", "Sample strap sheet, 1st ed., p. 9"), new("fastener", "M8 8.8 bolt")]));
        await author.EditAsync(id, new WriteStep(first, "", "Torque the strap bolts to 24 N·m."));
        return id;
    }

    private static async Task OkAsync(Task<HttpResponseMessage> sent)
    {
        var answer = await sent;
        ((int)answer.StatusCode).ShouldBeInRange(200, 299, await answer.Content.ReadAsStringAsync());
    }

    private static async Task<string> RefusedAsync(Task<HttpResponseMessage> sent, HttpStatusCode status = HttpStatusCode.Conflict) => (await Somebody.ProblemOf(await sent, status)).GetProperty("title").GetString()!;

    private static async Task WaiveAllAsync(Somebody reviewer, int id)
    {
        foreach (var finding in (await reviewer.RevisionAsync(id)).Sheet.Findings!.Value.Where(f => f is { Severity: Core.Workshops.Severity.Warn, Waiver: null }))
            await OkAsync(reviewer.PostAsync($"/api/revisions/{id}/waivers", new { key = finding.WaiverKey, reason = "A strap has no pattern to follow." }));
    }

    [Fact]
    public async Task Who_wrote_what_is_carried_over_neither_releases_nor_waives_nor_reads_nor_takes_back_in_the_next_revision()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var both = await NewPersonAsync("both", "Bodil Tofte", Roles.Author, Roles.Approver);
        var id = await StrapAsync(both, "S-1");
        await both.ShareAsync(id, "Ines Aldaro");
        await OkAsync(both.PostAsync($"/api/revisions/{id}/send"));
        await odo.ReadAsync(id, "J1", "24 N·m");
        await WaiveAllAsync(odo, id);
        (await RefusedAsync(both.PostAsync($"/api/revisions/{id}/release"))).ShouldContain("You wrote");
        await OkAsync(odo.PostAsync($"/api/revisions/{id}/release"));

        // Ines revises and changes one word; all that Bodil wrote stands in it.
        await OkAsync(ines.PostAsync($"/api/revisions/{id}/revise"));
        var next = (await ines.RevisionAsync(id)).Revisions.Max(r => r.Id);
        await ines.EditAsync(next, new SetField("", "purpose", "", "Hold the strap."));
        await OkAsync(ines.PostAsync($"/api/revisions/{next}/send", new { why = "It said nothing of what it is for." }));
        var view = await both.RevisionAsync(next);
        (view.May.Release, view.May.Judge).ShouldBe((false, false));
        (await RefusedAsync(both.PostAsync($"/api/revisions/{next}/release"))).ShouldContain("You wrote");
        var warning = (await odo.RevisionAsync(next)).Sheet.Findings!.Value.Single(f => f.Rule == "TRQ010");
        (await RefusedAsync(both.PostAsync($"/api/revisions/{next}/waivers/{warning.Waiver!.Id}/take-back"))).ShouldContain("You wrote");
        await OkAsync(odo.PostAsync($"/api/revisions/{next}/release"));

        // To withdraw makes the floor safer: the writer may, with a reason.
        (await RefusedAsync(both.PostAsync($"/api/revisions/{next}/withdraw", new { text = " " }))).ShouldContain("reason");
        await OkAsync(both.PostAsync($"/api/revisions/{next}/withdraw", new { text = "The strap tears." }));
    }

    [Fact]
    public async Task A_reviewer_who_then_writes_on_the_sheet_loses_the_standing_of_what_she_read_and_waived()
    {
        Somebody ines = await workshop.As("ines"), marta = await workshop.As("marta"), odo = await workshop.As("odo");
        var id = await StrapAsync(ines, "S-2");
        await ines.ShareAsync(id, "Marta Holm");
        await OkAsync(ines.PostAsync($"/api/revisions/{id}/send"));
        await marta.ReadAsync(id, "J1", "24 N·m");
        await WaiveAllAsync(marta, id);
        await OkAsync(odo.PostAsync($"/api/revisions/{id}/return", new { text = "Say what it is for." }));
        await marta.EditAsync(id, new SetField("", "purpose", "", "Hold the strap."));
        await OkAsync(ines.PostAsync($"/api/revisions/{id}/send"));
        (await ines.RevisionAsync(id)).Sheet.Findings!.Value.Select(f => (f.Rule, f.Waiver)).ShouldBe([("SRC003", null), ("TRQ010", null)], ignoreOrder: true);
        (await RefusedAsync(odo.PostAsync($"/api/revisions/{id}/release"))).ShouldContain("SRC003");
    }

    [Fact]
    public async Task While_values_are_to_be_read_no_answer_shows_them_to_who_reads()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var id = await StrapAsync(ines, "S-3");
        await ines.EditAsync(id, new SetField("J1", "justification", "", "M8 8.8: 24 N·m is 73 % of proof"));
        await ines.EditAsync(id, new AddFilled(ThingKind.Joint, "link nut", [new("torque", "61–67 N·m"), new("source", "Sample strap sheet, p. 10"), new("variants", "left: 63 N·m")]));
        await OkAsync(ines.PostAsync($"/api/revisions/{id}/send"));
        var view = await odo.RevisionAsync(id);
        view.May.Blind.ShouldBeTrue();
        view.Sheet.Steps.First().Text.ShouldBe($"Torque the strap bolts to {Blind.Hidden}.");
        foreach (var address in (string[])["", $"/changes?since=-1&moves={view.Moves}", "/bench?step=1", "/file", "/print", "/export/html", "/export/joints", "/slips/J1", "/slips/J2", "/tools", "/refit?phase=H1", "/sort?phase=H1", "/mirror?phase=H1", "/blocks", "/chart", "/ready", "/values"])
        {
            var answer = await odo.Http.GetAsync($"/api/revisions/{id}{address}");
            var text = await answer.Content.ReadAsStringAsync();
            foreach (var value in (string[])["24 N", "\"24\"", "61–", "61 N", "67 N", "63 N", "17.7", "73 %", "kN,", "31 to"]) text.ShouldNotContain(value, Case.Insensitive, address);
        }

        // Who wrote it, and who does not judge, sees it; and so does who has read.
        (await ines.RevisionAsync(id)).Sheet.Steps.First().Text.ShouldBe("Torque the strap bolts to 24 N·m.");
        await odo.ReadAsync(id, "J1", "24 N·m");
        (await odo.RevisionAsync(id)).May.Blind.ShouldBeTrue();
        foreach (var value in await odo.ValuesAsync(id))
            if (value.Id == "J2") await OkAsync(odo.PostAsync($"/api/revisions/{id}/values", new { value.Seal, read = value.About.EndsWith("for left", StringComparison.Ordinal) ? "63 N·m" : "61–67 N·m" }));
        (await odo.RevisionAsync(id)).Sheet.Steps.First().Text.ShouldBe("Torque the strap bolts to 24 N·m.");
        (await odo.Http.GetAsync($"/api/revisions/{id}/file")).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Theory]
    [InlineData("fastener", "M8 8.8 bolt", "M8 10.9 bolt")]
    [InlineData("count", "4", "6")]
    [InlineData("treatment", "none", "oil")]
    [InlineData("condition", "none", "turning")]
    [InlineData("source", "Sample strap sheet, 1st ed., p. 9", "Sample strap sheet, 2nd ed., p. 9")]
    [InlineData("torque", "24 N·m", "26 N·m")]
    public async Task A_value_check_falls_away_with_what_the_value_rests_on(string field, string before, string after)
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var id = await StrapAsync(ines, $"S-4-{field}");
        await OkAsync(ines.PostAsync($"/api/revisions/{id}/send"));
        await odo.ReadAsync(id, "J1", "24 N·m");
        await OkAsync(odo.PostAsync($"/api/revisions/{id}/return", new { text = "Once more." }));
        await ines.EditAsync(id, new SetField("J1", field, before, after));
        await OkAsync(ines.PostAsync($"/api/revisions/{id}/send"));
        (await ines.RevisionAsync(id)).Sheet.Findings!.Value.ShouldContain(f => f.Rule == "SRC003");
    }

    [Fact]
    public async Task A_value_changed_in_the_table_after_the_step_was_written_stops_the_release()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var id = await StrapAsync(ines, "S-5");
        await ines.EditAsync(id, new SetField("J1", "torque", "24 N·m", "31 N·m"));
        await OkAsync(ines.PostAsync($"/api/revisions/{id}/send"));
        await odo.ReadAsync(id, "J1", "31 N·m");
        await WaiveAllAsync(odo, id);
        (await RefusedAsync(odo.PostAsync($"/api/revisions/{id}/release"))).ShouldContain("AGR001");
        await OkAsync(odo.PostAsync($"/api/revisions/{id}/return", new { text = "The step says another value." }));
        var fix = (await ines.RevisionAsync(id)).Sheet.Findings!.Value.Single(f => f.Rule == "AGR001").Fixes.Single(f => f.Title == "The step says 31 N·m");
        await ines.EditAsync(id, fix.Edit);
        await OkAsync(ines.PostAsync($"/api/revisions/{id}/send"));
        await WaiveAllAsync(odo, id);
        await OkAsync(odo.PostAsync($"/api/revisions/{id}/release"));
    }

    [Fact]
    public async Task A_file_whose_sentences_were_changed_comes_in_with_a_stop()
    {
        var ines = await workshop.As("ines");
        var id = await StrapAsync(ines, "S-6");
        var file = await ines.Http.GetStringAsync($"/api/revisions/{id}/file");
        var doctored = file.Replace("S-6", "S-6b").Replace("Torque the strap bolts to 24 N·m.", "Start the strap bolts by hand.");
        var answer = await ines.Http.PostAsync("/api/procedures/file", new StringContent(doctored, Encoding.UTF8, "application/json"));
        var opened = (await answer.Content.ReadFromJsonAsync<ShelfEndpoints.Opened>(SheetJson.Options))!.RevisionId;
        var found = (await ines.RevisionAsync(opened)).Sheet.Findings!.Value.Single(f => f.Rule == "RED002");
        found.Message.ShouldContain("The file says torque J1 strap bolts to 24 N·m; the sentence says start by hand J1 strap bolts.");
        var view = await ines.EditAsync(opened, found.Fixes.Single().Edit);
        view.Findings!.Value.ShouldNotContain(f => f.Rule == "RED002");
        view.Findings!.Value.ShouldContain(f => f.Rule == "CLO002");
    }

    [Fact]
    public async Task A_release_judges_what_the_database_has_and_not_what_is_held()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var id = await StrapAsync(ines, "S-7");
        await OkAsync(ines.PostAsync($"/api/revisions/{id}/send"));
        await odo.ReadAsync(id, "J1", "24 N·m");
        await WaiveAllAsync(odo, id);
        (await odo.RevisionAsync(id)).May.Release.ShouldBeTrue();
        // The waiver is taken back behind the program's back: what is held does not know.
        await using (var scope = workshop.Services.CreateAsyncScope())
            await scope.ServiceProvider.GetRequiredService<WornPathDb>().Waivers.Where(w => w.RevisionId == id).ExecuteUpdateAsync(set => set.SetProperty(w => w.TakenBackBy, w => w.PersonId));
        (await RefusedAsync(odo.PostAsync($"/api/revisions/{id}/release"))).ShouldContain("TRQ010");
    }

    [Fact]
    public async Task A_procedure_is_asked_for_given_handed_over_and_taken_back()
    {
        Somebody ines = await workshop.As("ines"), marta = await workshop.As("marta"), admin = await workshop.As("admin");
        var id = await ines.NewAsync("S-8");
        var view = await marta.RevisionAsync(id);
        (view.May.Edit, view.May.Ask, view.May.WhyNotEdit!.Contains("Ines Aldaro’s")).ShouldBe((false, true, true));
        (await RefusedAsync(marta.TryEditAsync(id, new AddThing(ThingKind.Part, "cover", false)))).ShouldContain("Ines Aldaro’s");
        (await RefusedAsync(marta.PostAsync($"/api/revisions/{id}/send"))).ShouldContain("Ines Aldaro’s");
        await OkAsync(marta.PostAsync($"/api/procedures/{view.ProcedureId}/ask"));
        await OkAsync(marta.PostAsync($"/api/procedures/{view.ProcedureId}/ask"));
        var asks = (await ines.RevisionAsync(id)).Authors.Asks;
        asks.Select(a => a.Name).ShouldBe(["Marta Holm"]);
        await OkAsync(ines.PostAsync($"/api/procedures/{view.ProcedureId}/authors", new { person = asks[0].Id }));
        await marta.EditAsync(id, new AddThing(ThingKind.Part, "cover", false));
        (await RefusedAsync(marta.PostAsync($"/api/procedures/{view.ProcedureId}/owner", new { person = asks[0].Id }))).ShouldContain("Ines Aldaro’s");
        await OkAsync(ines.PostAsync($"/api/procedures/{view.ProcedureId}/owner", new { person = asks[0].Id }));
        var board = (await ines.RevisionAsync(id)).Authors;
        (board.Owner.Name, string.Join(",", board.CoAuthors.Select(c => c.Name)), board.Asks.Count).ShouldBe(("Marta Holm", "Ines Aldaro", 0));
        await OkAsync(marta.Http.DeleteAsync($"/api/procedures/{view.ProcedureId}/authors/{board.CoAuthors[0].Id}"));
        (await RefusedAsync(ines.TryEditAsync(id, new AddThing(ThingKind.Part, "lid", false)))).ShouldContain("Marta Holm’s");
        // Where an owner is gone, an administrator gives it to somebody; never to who is no author.
        await OkAsync(admin.PostAsync($"/api/procedures/{view.ProcedureId}/owner", new { person = board.CoAuthors[0].Id }));
        var odo = (await (await workshop.As("odo")).GetAsync<SessionEndpoints.SessionView>("/api/session")).Id;
        (await RefusedAsync(admin.PostAsync($"/api/procedures/{view.ProcedureId}/authors", new { person = odo }))).ShouldContain("Only an author");
    }

    [Theory]
    [InlineData("Ines Aldaro")]
    [InlineData("ines  ALDARO")]
    [InlineData("Ｉnes Aldaro")]
    [InlineData("Ines Ald\u200Baro")]
    [InlineData("\u202EInes Aldaro")]
    [InlineData("Ines\u00A0Aldaro")]
    [InlineData("Ines\nAldaro")]
    [InlineData("12")]
    public async Task A_name_that_looks_like_another_or_holds_what_cannot_be_seen_is_refused(string name) =>
        ((int)(await (await workshop.As("admin")).PostAsync("/api/people",
            new { userName = $"look{name.Length}", name, roles = new[] { "author" } })).StatusCode).ShouldBeInRange(400, 409);

    [Fact]
    public async Task More_revisions_than_are_kept_idle_are_worked_on_at_once_with_one_gate_each()
    {
        var keeper = workshop.Services.GetRequiredService<DraftKeeper>();
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("S-9");
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Id;
        using var lease = (await keeper.LeaseAsync(id))!;
        var others = new List<int>();
        for (var i = 0; i < DraftKeeper.MostIdle + 20; i++) others.Add(await ines.NewAsync($"S-9-{i}"));
        foreach (var other in others) await ines.RevisionAsync(other);
        keeper.Count.ShouldBeLessThanOrEqualTo(DraftKeeper.MostIdle + 1);
        using (var again = (await keeper.LeaseAsync(id))!) again.Draft.ShouldBeSameAs(lease.Draft);
        // Whoever waits at the gate of the one draft is served by it, and no edit meets another's number.
        var edits = Enumerable.Range(0, 30).Select(i => ines.EditAsync(id, new InsertStep($"n{i}", phase, null, $"Clean face {i}."))).ToList();
        foreach (var other in others.Take(50)) await ines.RevisionAsync(other);
        await Task.WhenAll(edits);
        (await ines.TextsAsync(id)).Length.ShouldBe(31);
    }

    [Fact]
    public async Task A_log_that_has_grown_behind_the_programs_back_is_read_and_the_edit_goes_through()
    {
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("S-10");
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Id;
        var factory = workshop.Services.GetRequiredService<IServiceScopeFactory>();
        await using (var scope = factory.CreateAsyncScope())
        {
            var log = scope.ServiceProvider.GetRequiredService<Store.Drafts.DraftLog>();
            var stored = (await log.LoadAsync(id))!;
            var applied = Editor.Apply(stored.Sheet, new InsertStep("behind", phase, null, "Clean the bore.")).Value;
            scope.ServiceProvider.GetRequiredService<Store.Drafts.EditWriter>().Append(id, new Store.Drafts.LogLine(stored.Seq + 1, (await log.AuthorshipAsync(id)).Owner, Store.Entities.EntryKind.Edit, null, "new step", "behind-the-back"), applied.Delta, applied.Sheet, [], false);
        }

        await ines.EditAsync(id, new InsertStep("mine", phase, null, "Clean the face."));
        (await ines.TextsAsync(id)).ShouldBe(["Clean the face.", "Clean the bore.", ""], ignoreOrder: true);
    }
}
