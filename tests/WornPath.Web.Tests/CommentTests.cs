using System.Net;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Entities;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>
/// Comments and the round of a review, over the API: what is said stays with what it is about, holds up a release until it is settled, and becomes an
/// edit at one word.
/// </summary>
public sealed class CommentTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static string Once() => Guid.NewGuid().ToString();

    private static Task<CommentEndpoints.CommentsView> OfAsync(Somebody who, int id) =>
        who.GetAsync<CommentEndpoints.CommentsView>($"/api/revisions/{id}/comments");

    private static async Task<CommentEndpoints.ThreadView> SaidAsync(Somebody who, int id, object form)
    {
        var before = (await OfAsync(who, id)).Threads.Select(t => t.Id).ToHashSet();
        (await who.PostAsync($"/api/revisions/{id}/comments", form)).StatusCode.ShouldBe(HttpStatusCode.OK);
        return (await OfAsync(who, id)).Threads.Single(t => !before.Contains(t.Id));
    }

    private static async Task<string> RefusedAsync(Somebody who, string path, object form, HttpStatusCode status = HttpStatusCode.Conflict) =>
        (await Somebody.ProblemOf(await who.PostAsync(path, form), status)).GetProperty("title").GetString()!;

    // A new revision of the sample that was released three times: clean, and its values are read.
    private static async Task<int> RevisedAsync(Somebody ines)
    {
        var row = (await ines.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=OT-126")).Rows.Single();
        var released = (await ines.RevisionAsync(row.RevisionId)).Revisions.First(r => r.State == RevisionState.Released).Id;
        await ines.PostAsync($"/api/revisions/{released}/revise");
        return (await ines.RevisionAsync(released)).Revisions[0].Id;
    }

    private static object Sent(params string[] ask) => new { why = "The strap chafed.", ask };

    [Fact]
    public async Task A_review_is_a_round_whose_comments_hold_up_the_release_and_whose_suggestion_becomes_an_edit()
    {
        await using var own = new Workshop();
        Somebody ines = await own.As("ines"), odo = await own.As("odo"), marta = await own.As("marta");
        var id = await RevisedAsync(ines);
        var strap = (await ines.RevisionAsync(id)).Sheet.Steps.Single(s => s.Text == "Strap off.");
        var can = (await OfAsync(ines, id)).CanBeAsked.ToDictionary(p => p.Name, p => p.Id);
        can.Keys.Order().ShouldBe(["Marta Holm", "Odo Brandt"]);
        (await RefusedAsync(ines, $"/api/revisions/{id}/send", Sent("nobody"))).ShouldBe("One of those who are asked cannot review it.");
        (await ines.PostAsync($"/api/revisions/{id}/send", Sent(can["Marta Holm"], can["Odo Brandt"]))).StatusCode.ShouldBe(HttpStatusCode.NoContent);

        // Marta comments on a word, and suggests other ones.
        var thread = await SaidAsync(marta, id, new
        {
            clientId = Once(),
            kind = "words",
            target = strap.Id,
            start = 0,
            length = 5,
            text = "Which one, @Ines Aldaro?",
            suggested = new WriteStep(strap.Id, "Strap off.", "Take the strap off the crate.") as Edit,
        });
        (thread.Place.Label, thread.Place.StepNumber, thread.Place.Is, thread.Open).ShouldBe(("Step 14", 14, PlaceIs.There, true));
        thread.Entries.Single().Suggestion!.Is.ShouldBe(CommentEndpoints.Standing.Open);
        var round = (await OfAsync(ines, id)).Round!;
        round.Number.ShouldBe(1);
        round.Asked.Select(a => (a.Who, a.Comments, a.Looked)).ShouldBe([("Marta Holm (marta)", 1, false), ("Odo Brandt (odo)", 0, false)]);
        // It waits for those who are asked, and for who is spoken to.
        static async Task<string[]> DeskAsync(Somebody who, int id) =>
            [.. (await who.GetAsync<List<Drafting.Desk.DeskLine>>("/api/desk")).Where(w => w.RevisionId == id).Select(w => w.Says)];
        (await DeskAsync(odo, id)).ShouldBe(["Ines Aldaro (ines) asks you to look at it"]);
        (await DeskAsync(ines, id)).ShouldBe(["Marta Holm (marta) speaks to you: “Which one, @Ines Aldaro?”"]);
        (await marta.PostAsync($"/api/revisions/{id}/looked", new { text = "" })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await OfAsync(ines, id)).Round!.Asked[0].Looked.ShouldBeTrue();

        // It holds up the release, and nobody else settles it without an answer.
        (await odo.RevisionAsync(id)).May.WhyNotRelease.ShouldStartWith("1 comment is open.");
        (await RefusedAsync(odo, $"/api/revisions/{id}/release", new { })).ShouldBe("1 comment is open.");
        (await RefusedAsync(odo, $"/api/revisions/{id}/comments/{thread.Id}/settle",
            new { clientId = Once(), settled = true })).ShouldBe("Nobody has answered it.");
        (await RefusedAsync(ines, $"/api/revisions/{id}/comments/{thread.Id}/take",
            new { clientId = Once(), entry = thread.Entries[0].Id })).ShouldBe("This revision is in review and stands still.");
        (await odo.PostAsync($"/api/revisions/{id}/return", new { text = "See the comment." })).StatusCode.ShouldBe(HttpStatusCode.NoContent);

        (await DeskAsync(marta, id)).ShouldBeEmpty("she has looked, and had the last word");
        (await DeskAsync(ines, id)).ShouldContain("Odo Brandt (odo) returned it: See the comment.");

        // Taken: an edit by both. Sent twice it is taken once.
        var once = new { clientId = Once(), entry = thread.Entries[0].Id };
        for (var i = 0; i < 2; i++) (await ines.PostAsync($"/api/revisions/{id}/comments/{thread.Id}/take", once)).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await ines.RevisionAsync(id)).Sheet.Steps.Single(s => s.Id == strap.Id).Text.ShouldBe("Take the strap off the crate.");
        thread = (await OfAsync(ines, id)).Threads.Single();
        (thread.Open, thread.Entries[0].Suggestion!.Is, thread.Place.Is).ShouldBe((false, CommentEndpoints.Standing.Taken, PlaceIs.Changed));
        thread.Entries.Select(e => e.Kind).ShouldBe([CommentEntryKind.Said, CommentEntryKind.Taken]);
        thread.Place.Then.ShouldBe("Strap");

        // Her words stand on the sheet now: she reviews it no more, and is not asked to.
        (await OfAsync(ines, id)).CanBeAsked.Select(p => p.Name).ShouldBe(["Odo Brandt"]);
        (await ines.PostAsync($"/api/revisions/{id}/send", Sent(can["Odo Brandt"]))).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await marta.RevisionAsync(id)).May.Judge.ShouldBeFalse();
        (await OfAsync(ines, id)).Round!.Number.ShouldBe(2);
        // Lives hang on it, so two would sign, and nobody else is left to: the workshop says that one is enough.
        (await RefusedAsync(odo, $"/api/revisions/{id}/release", new { })).ShouldBe("1 signature is missing.");
        var house = await odo.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        (await odo.Http.PutAsJsonAsync("/api/workshop", new { version = house.Version, rules = house.Rules with { SafetySignatures = 1 } }, SheetJson.Options))
            .StatusCode.ShouldBe(HttpStatusCode.OK);
        (await odo.PostAsync($"/api/revisions/{id}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await OfAsync(ines, id)).Round!.Asked.Single().Looked.ShouldBeTrue("who released it has looked at it");
    }

    [Fact]
    public async Task What_is_said_of_a_released_sheet_waits_on_the_next_draft_and_what_is_gone_is_shown_as_it_was()
    {
        await using var own = new Workshop();
        Somebody ines = await own.As("ines"), odo = await own.As("odo"), tilde = await own.As("tilde");
        var row = (await ines.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=OT-126")).Rows.Single();
        var released = row.RevisionId;
        var step = (await tilde.RevisionAsync(released)).Sheet.Steps[1];
        await SaidAsync(tilde, released, new { clientId = Once(), kind = "step", target = step.Id, text = "The slot is too narrow for the hook." });
        await SaidAsync(tilde, released, new { clientId = Once(), kind = "value", target = "J2", text = "Is this dry?" });
        var id = await RevisedAsync(ines);
        var inherited = await OfAsync(ines, id);
        inherited.Threads.Select(t => (t.Place.Label, t.Letter, t.Open)).ShouldBe([("Step 2", "C", true), ("J2 carrier bolts, torque", "C", true)]);

        // A draft's own threads are nothing for who works from what is released.
        await SaidAsync(ines, id, new { clientId = Once(), kind = "sheet", text = "To be done before spring." });
        (await OfAsync(tilde, released)).Threads.Length.ShouldBe(2);
        (await tilde.PostAsync($"/api/revisions/{released}/comments/{inherited.Threads[^1].Id + 1}",
            new { clientId = Once(), text = "Hello?" })).StatusCode.ShouldBe(HttpStatusCode.NotFound);

        // The step goes: the comment stays, with what stood there.
        await ines.EditAsync(id, new RemoveStep(step.Id, step.Text));
        await ines.EditAsync(id, new SetField("J2", "torque", "190 N·m", "195 N·m"));
        var after = await OfAsync(ines, id);
        (after.Threads[0].Place.Label, after.Threads[0].Place.Is, after.Threads[0].Place.Then).ShouldBe(("A step, no longer on the sheet",
            PlaceIs.Gone, step.Text));
        (after.Threads[1].Place.Is, after.Threads[1].Place.Then).ShouldBe((PlaceIs.Changed, "190 N·m"));

        // Settled with an answer, and open again at a word of who asked.
        foreach (var thread in after.Threads)
            (await ines.PostAsync($"/api/revisions/{id}/comments/{thread.Id}/settle",
                new { clientId = Once(), settled = true, text = "Done." })).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await OfAsync(ines, id)).Threads.ShouldAllBe(t => !t.Open);
        (await tilde.PostAsync($"/api/revisions/{released}/comments/{after.Threads[1].Id}/settle",
            new { clientId = Once(), settled = false, text = "It is not." })).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await OfAsync(ines, id)).Threads.Count(t => t.Open).ShouldBe(1);
    }

    [Fact]
    public async Task Who_reads_values_blind_sees_no_number_of_a_comment_and_suggests_no_text()
    {
        await using var own = new Workshop();
        Somebody ines = await own.As("ines"), odo = await own.As("odo");
        var id = await RevisedAsync(ines);
        await ines.EditAsync(id, new SetField("J2", "torque", "190 N·m", "195 N·m"));
        var thread = await SaidAsync(ines, id, new
        {
            clientId = Once(),
            kind = "value",
            target = "J2",
            text = "It was 190, the new edition says 195 at step 16; 195 N·m dry.",
            suggested = new SetField("J2", "torque", "195 N·m", "197 N·m") as Edit
        });
        thread.Entries[0].Suggestion!.Says.ShouldBe("torque of J2 carrier bolts");
        thread.Entries[0].Suggestion!.Words.Select(w => (w.Mark, w.Text)).ShouldBe([(WordMark.Gone, "195"), (WordMark.New, "197"), (WordMark.Same, " N·m")]);
        await ines.PostAsync($"/api/revisions/{id}/send", Sent());
        var blind = await (await odo.Http.GetAsync($"/api/revisions/{id}/comments")).Content.ReadAsStringAsync();
        blind.ShouldContain("step 16");
        Regex.IsMatch(blind, @"(?<![\w.:-])19[057](?![\w-])").ShouldBeFalse(blind);
        var step = (await ines.RevisionAsync(id)).Sheet.Steps[0];
        (await RefusedAsync(odo, $"/api/revisions/{id}/comments", new
        {
            clientId = Once(),
            kind = "step",
            target = step.Id,
            suggested = new WriteStep(step.Id, step.Text, "Other.") as Edit
        }))
            .ShouldBe("You have values of this sheet to read from their sources first.");
    }

    [Fact]
    public async Task What_cannot_be_said_is_refused_plainly_and_what_is_sent_twice_is_there_once()
    {
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("OT-961");
        var step = (await ines.RevisionAsync(id)).Sheet.Steps.Single();
        await ines.EditAsync(id, new WriteStep(step.Id, "", "Clean the face."));
        var path = $"/api/revisions/{id}/comments";
        (await RefusedAsync(ines, path, new { clientId = Once(), kind = "sheet", text = "  " })).ShouldBe("The comment is empty.");
        (await RefusedAsync(ines, path, new
        {
            clientId = Once(),
            kind = "sheet",
            text = new string('a', 4001)
        })).ShouldBe("A comment of 4,001 characters is too long.");
        (await RefusedAsync(ines, path, new
        {
            clientId = Once(),
            kind = "step",
            target = "S99",
            text = "x"
        })).ShouldBe("What the comment is about is not on the sheet any more.");
        (await RefusedAsync(ines, path, new
        {
            clientId = Once(),
            kind = "words",
            target = step.Id,
            start = 10,
            length = 50,
            text = "x"
        })).ShouldBe("No words are chosen.");
        (await RefusedAsync(ines, path, new
        {
            clientId = Once(),
            kind = "step",
            target = step.Id,
            suggested = new RemoveThing("J1") as Edit
        })).ShouldBe("This cannot be suggested.");
        (await RefusedAsync(ines, path, new
        {
            clientId = Once(),
            kind = "step",
            target = step.Id,
            suggested = new WriteStep(step.Id, "Clean the face.", "Clean the face.") as Edit
        })).ShouldBe("It says what stands there already.");
        (await OfAsync(ines, id)).Threads.ShouldBeEmpty();

        var twice = new
        {
            clientId = Once(),
            kind = "step",
            target = step.Id,
            text = "<b>Which</b> face? & why",
            suggested = new WriteStep(step.Id, "Clean the face.", "Clean the flange face.") as Edit
        };
        for (var i = 0; i < 2; i++) (await ines.PostAsync(path, twice)).StatusCode.ShouldBe(HttpStatusCode.OK);
        var thread = (await OfAsync(ines, id)).Threads.Single();
        thread.Entries.Single().Text.ShouldBe("<b>Which</b> face? & why", "as it was typed");
        // What it was suggested for has changed since: told, and not taken over it.
        await ines.EditAsync(id, new WriteStep(step.Id, "Clean the face.", "Clean both faces."));
        (await OfAsync(ines, id)).Threads.Single().Entries[0].Suggestion!.Is.ShouldBe(CommentEndpoints.Standing.Outdated);
        await Somebody.ProblemOf(await ines.PostAsync($"{path}/{thread.Id}/take", new { clientId = Once(), entry = thread.Entries[0].Id }),
            HttpStatusCode.Conflict);
        (await ines.RevisionAsync(id)).Sheet.Steps.Single().Text.ShouldBe("Clean both faces.");
        // Of another procedure there is no such comment.
        var other = await ines.NewAsync("OT-962");
        (await ines.PostAsync($"/api/revisions/{other}/comments/{thread.Id}", new { clientId = Once(), text = "x" })).StatusCode.ShouldNotBe(HttpStatusCode.OK);
    }
}
