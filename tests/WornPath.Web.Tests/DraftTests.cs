using Microsoft.Extensions.DependencyInjection;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Web.Drafting;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

public sealed class DraftTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static InsertStep Step(string id, string text, SheetView sheet, string? after = null) => new(id, sheet.Phases!.Value[0].Id, after, text);

    [Fact]
    public async Task From_a_blank_page_to_a_released_sheet_that_prints()
    {
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("T-1", "Strap");
        var view = (await ines.RevisionAsync(id)).Sheet;
        var first = view.Phases!.Value[0].Steps.Single();

        view = await ines.EditAsync(id, new WriteStep(first, "", "Remove the strap bolts."));
        // The name is assumed and shown as new; another kind and back, one word each; then it is looked at.
        var chip = view.Steps.Single().Chips.Single();
        (chip.Text, chip.IsNew).ShouldBe(("take out J1 strap bolts", true));
        var mending = await ines.GetAsync<MendingEndpoints.MendingView>($"/api/revisions/{id}/steps/{first}/mending?chip=0");
        (mending.Words, mending.Before, mending.Now!.Verb).ShouldBe(("Remove the strap bolts", "take out J1 strap bolts", Verb.TakeOut));
        view = await ines.EditAsync(id, mending.Answers.First(m => m.Label == "It is a part").Edit);
        view.Steps.Single().Chips.Single().Text.ShouldBe("remove P1 strap bolts");
        view = await ines.EditAsync(id, new SetKind("P1", ThingKind.Joint));
        view.Steps.Single(s => s.Id == first).Chips.Single().Text.ShouldBe("take out J2 strap bolts");
        await ines.PostAsync($"/api/revisions/{id}/undo", new { clientId = Guid.NewGuid().ToString("N") });
        await ines.PostAsync($"/api/revisions/{id}/undo", new { clientId = Guid.NewGuid().ToString("N") });
        view = await ines.EditAsync(id, new LookedAt(["J1"]));
        view.Things!.Value.ShouldHaveSingleItem().Assumed.ShouldBeFalse();
        (await ines.GetAsync<Bench>($"/api/revisions/{id}/bench?step=1")).Off.Single().Id.ShouldBe("J1");
        view.Findings!.Value.Select(f => f.Rule).ShouldBe(["CLO001"]);

        // The fix of the finding, then what it leaves: a value and its source.
        view = await ines.EditAsync(id, view.Findings!.Value[0].Fixes[0].Edit);
        view.Findings!.Value.Select(f => f.Rule).ShouldBe(["TRQ001"]);
        view = await ines.EditAsync(id, new SetField("J1", "torque", "", "70 lb-ft"));
        view.Joints!.Value.Single().Counterpart.ShouldBe("95 N·m");
        view.Findings!.Value.Select(f => f.Rule).ShouldBe(["SRC001"]);
        await ines.EditAsync(id, new SetField("J1", "source", "", "Sample manual, p. 9"));

        (await ines.PostAsync($"/api/revisions/{id}/send")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        var closed = await Somebody.ProblemOf(await ines.TryEditAsync(id, new SetField("J1", "count", "1", "2")), HttpStatusCode.Conflict);
        closed.GetProperty("title").GetString()!.ShouldContain("in review");

        var odo = await workshop.As("odo");
        await odo.ReadAsync(id, "J1", "70 lbf·ft");
        (await odo.PostAsync($"/api/revisions/{id}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        var released = await odo.RevisionAsync(id);
        released.State.ShouldBe(RevisionState.Released);
        released.Events.Select(e => e.Kind).ShouldBe([Store.Entities.ReviewEventKind.Begun, Store.Entities.ReviewEventKind.Sent, Store.Entities.ReviewEventKind.Released]);

        var print = await (await workshop.As("tilde")).GetAsync<PrintEndpoints.PrintView>($"/api/revisions/{id}/print");
        print.ReleasedBy.ShouldBe("Odo Brandt (odo)");
        print.VerifiedBy.ShouldBe("Odo Brandt (odo)");
        print.Torques.Single().Value.ShouldBe("70 lbf·ft");

        // A new revision starts from it and, released, supersedes it.
        var next = (await System.Net.Http.Json.HttpContentJsonExtensions.ReadFromJsonAsync<ShelfEndpoints.Opened>((await ines.PostAsync($"/api/revisions/{id}/revise")).Content, SheetJson.Options))!.RevisionId;
        (await ines.RevisionAsync(next)).Letter.ShouldBe("B");
        await Somebody.ProblemOf(await ines.PostAsync($"/api/revisions/{id}/revise"), HttpStatusCode.Conflict);
        await ines.EditAsync(next, new SetField("J1", "count", "1", "3"));
        await ines.PostAsync($"/api/revisions/{next}/send", new { why = "Two more were found." });
        // Another count is another joint: what was read for the old one does not hold for it.
        (await odo.PostAsync($"/api/revisions/{next}/release")).StatusCode.ShouldBe(HttpStatusCode.Conflict);
        await odo.ReadAsync(next, "J1", "70 lbf·ft");
        (await odo.PostAsync($"/api/revisions/{next}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await odo.RevisionAsync(id)).State.ShouldBe(RevisionState.Superseded);
        (await odo.RevisionAsync(id)).Sheet.Things!.Value.Single().Fields["count"].ShouldBe("1");
    }

    [Fact]
    public async Task A_release_is_refused_to_who_wrote_and_while_a_stop_finding_stands_and_says_which()
    {
        var odo = await workshop.As("odo");
        var refused = await Somebody.ProblemOf(await odo.PostAsync("/api/revisions/2/release"), HttpStatusCode.Conflict);
        refused.GetProperty("title").GetString()!.ShouldContain("step 4: Temporary aid left in place (CLO004)");
        (await odo.RevisionAsync(2)).May.WhyNotRelease!.ShouldContain("CLO004");
    }

    [Fact]
    public async Task A_return_needs_a_reason_and_gives_the_draft_back()
    {
        var (ines, odo) = (await workshop.As("ines"), await workshop.As("odo"));
        var id = await ines.NewAsync("T-2");
        var step = (await ines.RevisionAsync(id)).Sheet.Steps.Single().Id;
        await Somebody.ProblemOf(await ines.PostAsync($"/api/revisions/{id}/send"), HttpStatusCode.Conflict);
        await ines.EditAsync(id, new WriteStep(step, "", "Clean the face."));
        await ines.PostAsync($"/api/revisions/{id}/send");
        await Somebody.ProblemOf(await odo.PostAsync($"/api/revisions/{id}/return", new { text = " " }), HttpStatusCode.Conflict);
        (await odo.PostAsync($"/api/revisions/{id}/return", new { text = "Say which face." })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await ines.RevisionAsync(id)).Events[^1].Text.ShouldBe("Say which face.");
        await ines.EditAsync(id, new WriteStep(step, "Clean the face.", "Clean the hub face."));
    }

    [Fact]
    public async Task Undo_and_redo_are_each_persons_own_and_outlive_a_restart()
    {
        await using var own = new Workshop();
        var (ines, marta) = (await own.As("ines"), await own.As("marta"));
        var id = await ines.NewAsync("T-3");
        await ines.ShareAsync(id, "Marta Holm");
        var sheet = (await ines.RevisionAsync(id)).Sheet;
        var first = sheet.Steps.Single().Id;
        await ines.EditAsync(id, new WriteStep(first, "", "Clean the face."));
        await marta.EditAsync(id, Step("m1", "Clean the bore.", sheet, first));
        await ines.EditAsync(id, Step("i1", "Clean the hub.", sheet, first));

        // The server forgets everything it holds; the log does not.
        own.Services.GetRequiredService<DraftKeeper>().Outdate(id);
        (await ines.RevisionAsync(id)).Sheet.Undo.ShouldBe("new step");
        await ines.BackAsync(id, "undo");
        (await ines.TextsAsync(id)).ShouldBe(["Clean the face.", "Clean the bore."]);
        await ines.BackAsync(id, "undo");
        (await ines.TextsAsync(id)).ShouldBe(["", "Clean the bore."]);
        var redone = await ines.BackAsync(id, "redo");
        redone.Redo.ShouldBe("new step");
        (await ines.TextsAsync(id)).ShouldBe(["Clean the face.", "Clean the bore."]);
        await marta.BackAsync(id, "undo");
        (await ines.TextsAsync(id)).ShouldBe(["Clean the face."]);
        await ines.BackAsync(id, "undo");
        await Somebody.ProblemOf(await ines.PostAsync($"/api/revisions/{id}/undo", new { clientId = "nothing-left" }), HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task Two_who_edit_the_same_thing_both_keep_their_value_and_two_who_do_not_both_go_through()
    {
        var (ines, marta) = (await workshop.As("ines"), await workshop.As("marta"));
        var id = await ines.NewAsync("T-4");
        await ines.ShareAsync(id, "Marta Holm");
        var first = (await ines.RevisionAsync(id)).Sheet.Steps.Single().Id;
        await ines.EditAsync(id, new AddThing(ThingKind.Joint, "strap bolts", false));
        await marta.EditAsync(id, new SetField("J1", "torque", "", "54 N·m"));
        var clash = await Somebody.ProblemOf(await ines.TryEditAsync(id, new SetField("J1", "torque", "", "45 N·m")), HttpStatusCode.Conflict);
        clash.GetProperty("theirs").GetString().ShouldBe("54 N·m");
        clash.GetProperty("yours").GetString().ShouldBe("45 N·m");
        await ines.EditAsync(id, new SetField("J1", "count", "1", "4"));
        await Task.WhenAll(
            ines.EditAsync(id, new WriteStep(first, "", "Clean the face.")),
            marta.EditAsync(id, new SetField("J1", "source", "", "p. 3")),
            ines.EditAsync(id, new SetField("", "purpose", "", "To try it.")));
        var sheet = (await ines.RevisionAsync(id)).Sheet;
        sheet.Things!.Value.Single().Fields["source"].ShouldBe("p. 3");
        sheet.Header!["purpose"].ShouldBe("To try it.");
    }

    [Fact]
    public async Task An_edit_sent_twice_is_taken_once()
    {
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("T-5");
        var sheet = (await ines.RevisionAsync(id)).Sheet;
        var edit = Step("twice", "Clean the face.", sheet);
        var seq = (await ines.EditAsync(id, edit, "client-id-1")).Seq;
        (await ines.EditAsync(id, edit, "client-id-1")).Seq.ShouldBe(seq);
        (await ines.TextsAsync(id)).Count(t => t == "Clean the face.").ShouldBe(1);
    }

    [Fact]
    public async Task Markup_in_any_text_comes_back_as_text_and_prints_as_text()
    {
        const string Hostile = "<script>alert(1)</script><img src=x onerror=alert(1)> & [x](javascript:alert(1)) **bold**";
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("T-6", Hostile);
        var first = (await ines.RevisionAsync(id)).Sheet.Steps.Single().Id;
        await ines.EditAsync(id, new WriteStep(first, "", "Remove the cover. " + Hostile));
        var view = await ines.RevisionAsync(id);
        view.Title.ShouldBe(Hostile);
        view.Sheet.Steps.Single().Text.ShouldEndWith(Hostile);
        var html = (await ines.GetAsync<PrintEndpoints.PrintView>($"/api/revisions/{id}/print")).Phases[0].Steps[0].Html;
        html.ShouldNotContain("<script", Case.Insensitive);
        html.ShouldNotContain("<img", Case.Insensitive);
        html.ShouldNotContain("<a", Case.Insensitive);
        html.ShouldContain("<strong>bold</strong>");
        html.ShouldContain("&lt;script&gt;");
    }

    [Theory]
    [InlineData("")]
    [InlineData("{")]
    [InlineData("""{"clientId":"12345678","edit":{"do":"explode"}}""")]
    [InlineData("""{"clientId":"12345678","edit":{"do":"writeStep"}}""")]
    [InlineData("""{"clientId":"1","edit":{"do":"removePhase","id":"h1"}}""")]
    [InlineData("""{"clientId":"12345678","edit":null}""")]
    [InlineData("""[1,2,3]""")]
    public async Task A_request_that_is_no_edit_is_a_bad_request(string body)
    {
        var ines = await workshop.As("ines");
        var answer = await ines.Http.PostAsync("/api/revisions/1/edits", new StringContent(body, Encoding.UTF8, "application/json"));
        answer.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        answer.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
    }

    [Fact]
    public async Task A_number_on_the_shelf_is_taken_once_and_a_saved_file_comes_back_under_another()
    {
        var ines = await workshop.As("ines");
        await ines.NewAsync("T-7");
        await Somebody.ProblemOf(await ines.PostAsync("/api/procedures", new { number = "t-7", title = "again" }), HttpStatusCode.Conflict);
        var file = await ines.Http.GetStringAsync("/api/revisions/3/file");
        await Somebody.ProblemOf(await ines.Http.PostAsync("/api/procedures/file", new StringContent(file, Encoding.UTF8, "application/json")), HttpStatusCode.Conflict);
        // What was signed is not what was signed under another number; whoever means it takes the signatures out.
        var other = JsonNode.Parse(file)!.AsObject();
        other["number"] = "T-8";
        Task<HttpResponseMessage> ComeInAsync() => ines.Http.PostAsync("/api/procedures/file",
            new StringContent(other.ToJsonString(), Encoding.UTF8, "application/json"));
        var signed = await Somebody.ProblemOf(await ComeInAsync(), HttpStatusCode.BadRequest);
        signed.GetProperty("title").GetString()!.ShouldContain("changed after Marta Holm (marta) signed it");
        other.Remove("signatures");
        var answer = await ComeInAsync();
        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
        var cut = await Somebody.ProblemOf(await ines.Http.PostAsync("/api/procedures/file", new StringContent(file[..2000], Encoding.UTF8, "application/json")), HttpStatusCode.BadRequest);
        cut.GetProperty("title").GetString()!.ShouldContain("cut off");
    }

    [Fact]
    public async Task Every_finding_page_is_served_and_nothing_else_of_the_disk_is()
    {
        var ines = await workshop.As("ines");
        foreach (var rule in Core.Findings.Rules.All)
            (await ines.GetAsync<HelpEndpoints.PageView>($"/api/findings/{rule.Info.Id}")).Html.ShouldContain("<h2>Example</h2>");
        (await ines.Http.GetAsync("/api/findings/..%2F..%2Fappsettings")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }
}
