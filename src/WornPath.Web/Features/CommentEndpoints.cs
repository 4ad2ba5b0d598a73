using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using System.Text.Json.Serialization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>Comments on a procedure, and the round of a review: who was asked, what is open, what was answered.</summary>
public static class CommentEndpoints
{
    /// <summary>How it stands with an edit that was suggested.</summary>
    public enum Standing
    {
        /// <summary>It can be taken as it is.</summary>
        [JsonStringEnumMemberName("open")] Open,

        /// <summary>It is an edit of the draft now.</summary>
        [JsonStringEnumMemberName("taken")] Taken,

        /// <summary>What it was suggested for has changed since.</summary>
        [JsonStringEnumMemberName("outdated")] Outdated,
    }

    /// <summary>An edit that is suggested.</summary>
    /// <param name="Says">What it does, in words.</param>
    /// <param name="Words">What stands there and what would, where that is a text.</param>
    /// <param name="Is">How it stands with it.</param>
    /// <param name="WhyNot">Why it cannot be taken as it is; null where it can.</param>
    public sealed record SuggestionView(string Says, ImmutableArray<MarkedWords> Words, Standing Is, string? WhyNot);

    /// <summary>One entry of a thread.</summary>
    /// <param name="Letter">The revision it was written on.</param>
    public sealed record EntryView(int Id, CommentEntryKind Kind, string Who, DateTime At, string Letter, string Text, SuggestionView? Suggestion);

    /// <summary>A thread.</summary>
    /// <param name="Place">Where what it is about stands now.</param>
    /// <param name="Letter">The revision it was begun on.</param>
    /// <param name="MaySettle">True where the one who asks may settle it or open it again.</param>
    /// <param name="Mine">True where the one who asks began it.</param>
    public sealed record ThreadView(int Id, AnchorKind Kind, string Target, CommentPlace Place, string Letter, bool Open, bool MaySettle, bool Mine,
        ImmutableArray<EntryView> Entries);

    /// <summary>Somebody who was asked to look at it.</summary>
    /// <param name="Comments">How many threads she has begun since.</param>
    /// <param name="Looked">True where she said that she has looked at it.</param>
    public sealed record AskedView(string Id, string Who, int Comments, bool Looked);

    /// <summary>A round of review: from when it was sent.</summary>
    /// <param name="Number">The how many.</param>
    public sealed record RoundView(int Number, string By, DateTime At, ImmutableArray<AskedView> Asked);

    /// <summary>The comments of a procedure as they stand on one of its revisions.</summary>
    /// <param name="People">Who can be spoken to by name.</param>
    /// <param name="CanBeAsked">Who can be asked to look at it when it is sent.</param>
    /// <param name="Round">The last round; null before the first.</param>
    /// <param name="MayLook">True where the one who asks can say that she has looked at it.</param>
    /// <param name="MayTake">True where the one who asks can take what is suggested.</param>
    /// <param name="WhyNot">Why nothing can be written; null where it can.</param>
    public sealed record CommentsView(ImmutableArray<ThreadView> Threads, IReadOnlyList<Someone> People, IReadOnlyList<Someone> CanBeAsked, RoundView? Round,
        bool MayLook, bool MayTake, string? WhyNot);

    /// <summary>A new thread.</summary>
    /// <param name="Target">Id of the step, thing or figure, key of the finding; empty for the sheet.</param>
    /// <param name="Start">Where the words begin, for words of a step.</param>
    public sealed record BeginForm([property: Required, StringLength(64, MinimumLength = 8)] string ClientId, AnchorKind Kind,
        [property: MaxLength(400)] string? Target = null,
        int Start = 0, int Length = 0, [property: MaxLength(8000)] string? Text = null, Edit? Suggested = null);

    /// <summary>An answer.</summary>
    public sealed record AnswerForm([property: Required, StringLength(64, MinimumLength = 8)] string ClientId,
        [property: MaxLength(8000)] string? Text = null, Edit? Suggested = null);

    /// <summary>A thread is settled, or open again.</summary>
    public sealed record SettleForm([property: Required, StringLength(64, MinimumLength = 8)] string ClientId, bool Settled,
        [property: MaxLength(8000)] string? Text = null);

    /// <summary>What was suggested is taken.</summary>
    public sealed record TakeForm([property: Required, StringLength(64, MinimumLength = 8)] string ClientId, int Entry);

    /// <summary>What a call works with.</summary>
    public sealed class Call(RevisionEndpoints.Shelf shelf, Drafts drafts, Comments comments, WornPathDb db)
    {
        public RevisionEndpoints.Shelf Shelf => shelf;

        public Drafts Drafts => drafts;

        public Comments Comments => comments;

        public WornPathDb Db => db;
    }

    public static void MapComments(this IEndpointRouteBuilder api)
    {
        var comments = api.MapGroup("/revisions/{id:int}/comments").WithTags("Comments").RequireAuthorization();
        comments.MapGet("", GetAsync).WithName("GetComments");
        comments.MapPost("", BeginAsync).WithName("BeginComment");
        comments.MapPost("/{comment:int}", AnswerAsync).WithName("AnswerComment");
        comments.MapPost("/{comment:int}/settle", SettleAsync).WithName("SettleComment");
        comments.MapPost("/{comment:int}/take", TakeAsync).RequireAuthorization(Policies.Author).WithName("TakeSuggestion");
    }

    private static async Task<Results<Ok<CommentsView>, ProblemHttpResult>> GetAsync(int id, Call call, ClaimsPrincipal me)
    {
        if (await call.Shelf.FindAsync(id, me) is not { } revision
            || await call.Drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        return TypedResults.Ok(await ViewAsync(revision, draft, call, me));
    }

    private static async Task<Results<Ok<CommentsView>, ProblemHttpResult>> BeginAsync(int id, BeginForm form, Call call, ClaimsPrincipal me)
    {
        if (await call.Shelf.FindAsync(id, me) is not { } revision
            || await call.Drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if (NoBlindSuggestion(draft, form.Suggested, me) is { } blind) return Problems.Refused(blind);
        var anchor = CommentAnchor.In(draft.Now.Sheet, draft.Now.Findings, form.Kind, form.Target ?? "", new Span(form.Start, form.Length));
        if (!anchor.IsGood) return Problems.Refused(anchor.Problem);
        return await AnsweredAsync(await call.Comments.BeginAsync(revision, draft.Now.Sheet, me.Id(), anchor.Value,
            new(form.ClientId, form.Text ?? "", form.Suggested)), revision, draft, call, me);
    }

    private static async Task<Results<Ok<CommentsView>, ProblemHttpResult>> AnswerAsync(int id, int comment, AnswerForm form, Call call, ClaimsPrincipal me)
    {
        if (await call.Shelf.FindAsync(id, me) is not { } revision
            || await call.Drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if (!await SeesAsync(comment, call, me)) return Problems.NotThere("This comment");
        if (NoBlindSuggestion(draft, form.Suggested, me) is { } blind) return Problems.Refused(blind);
        return await AnsweredAsync(await call.Comments.AnswerAsync(revision, draft.Now.Sheet, me.Id(), comment,
            new(form.ClientId, form.Text ?? "", form.Suggested)), revision, draft, call, me);
    }

    private static async Task<Results<Ok<CommentsView>, ProblemHttpResult>> SettleAsync(int id, int comment, SettleForm form, Call call, ClaimsPrincipal me)
    {
        if (await call.Shelf.FindAsync(id, me) is not { } revision
            || await call.Drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if (!await SeesAsync(comment, call, me)) return Problems.NotThere("This comment");
        var settled = await call.Comments.SettleAsync(revision, draft.Now.Sheet, me.Id(), Reviews(me), Writes(draft, me), comment,
            form.Settled, new(form.ClientId, form.Text ?? "", null));
        return await AnsweredAsync(settled, revision, draft, call, me);
    }

    private static async Task<Results<Ok<CommentsView>, ProblemHttpResult>> TakeAsync(int id, int comment, TakeForm form, Call call, ClaimsPrincipal me,
        CancellationToken cancel)
    {
        if (await call.Shelf.FindAsync(id, me) is not { } revision
            || await call.Drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var taken = await call.Comments.TakeAsync(revision, draft, me.Id(), comment, form.Entry, form.ClientId, cancel);
        return await AnsweredAsync(taken, revision, (await call.Drafts.OpenAsync(id))!, call, me);
    }

    private static async Task<Results<Ok<CommentsView>, ProblemHttpResult>> AnsweredAsync(Outcome<int> done, Revision revision, Draft draft,
        Call call, ClaimsPrincipal me) =>
        done.IsGood ? TypedResults.Ok(await ViewAsync(revision, draft, call, me)) : Problems.Refused(done.Problem);

    private static bool Reviews(ClaimsPrincipal me) => me.IsInRole(Roles.Reviewer) || me.IsInRole(Roles.Approver);

    private static bool Writes(Draft draft, ClaimsPrincipal me) => me.IsInRole(Roles.Author) && draft.Authorship.Write(me.Id()) is null;

    // What is written over a text with its values hidden would take them out.
    private static Problem? NoBlindSuggestion(Draft draft, Edit? suggested, ClaimsPrincipal me) => suggested is null || !BlindReading.Is(draft, me) ? null
        : new Problem("You have values of this sheet to read from their sources first.", "Say it in words, or read them and suggest it then.");

    // Who only works from released sheets sees what was begun on them.
    private static Task<bool> SeesAsync(int comment, Call call, ClaimsPrincipal me)
    {
        var seesDrafts = me.SeesDrafts();
        return call.Db.Comments.AnyAsync(c => c.Id == comment && (seesDrafts || c.OnReleased));
    }

    private static async Task<CommentsView> ViewAsync(Revision revision, Draft draft, Call call, ClaimsPrincipal me)
    {
        var (now, seesDrafts) = (draft.Now, me.SeesDrafts());
        var blind = BlindReading.Is(draft, me);
        var besides = blind ? Blind.Besides(now.Sheet) : null;
        string Shown(string text) => blind ? Blind.HideAllNumbers(text, besides) : text;
        var letters = await call.Db.Revisions.AsNoTracking().Where(r => r.ProcedureId == revision.ProcedureId).ToDictionaryAsync(r => r.Id, r => r.Letter);
        var writes = Writes(draft, me);
        var mayTake = writes && LifeCycle.Edit(draft.State) is null;
        var marks = new WordMarks();

        SuggestionView? Suggestion(Comment comment, CommentEntry entry)
        {
            if (entry.Suggested is not { } json) return null;
            var edit = Comments.Read(json);
            var words = edit switch
            {
                WriteStep text => marks.Of(Shown(text.Before), Shown(text.Text)),
                SetField value => marks.Of(Shown(value.Before), Shown(value.After)),
                _ => [],
            };
            if (comment.Entries.Exists(e => e.OfEntry == entry.Id)) return new SuggestionView(Shown(entry.SuggestedSays), words, Standing.Taken, null);
            var problem = Commenting.Suggest(now.Sheet, edit).Problem;
            return new SuggestionView(Shown(entry.SuggestedSays), words, problem is null ? Standing.Open : Standing.Outdated,
                problem is null ? null : Shown(problem.ToString()));
        }

        var threads = (await call.Comments.OfAsync(revision.ProcedureId)).Where(c => seesDrafts || c.OnReleased).Select(c =>
        {
            var place = c.Anchor.On(now.Sheet, now.Findings);
            var mine = c.Entries[0].PersonId == me.Id();
            return new ThreadView(c.Id, c.Kind, c.Target, place with { Label = Shown(place.Label), Then = Shown(place.Then) }, letters[c.RevisionId],
                Comments.IsOpen(c), mine || writes || Reviews(me), mine,
                [.. c.Entries.Select(e => new EntryView(e.Id, e.Kind, e.Who, e.At, letters[e.RevisionId], Shown(e.Text), Suggestion(c, e)))]);
        }).ToImmutableArray();
        var people = seesDrafts ? await call.Comments.SpokenToAsync() : [];
        var canBeAsked = mayTake ? await call.Comments.ReviewersAsync(revision.Id) : [];
        return new CommentsView(threads, people, canBeAsked, seesDrafts ? await RoundAsync(revision.Id, call.Db) : null,
            Reviews(me) && LifeCycle.Judge(revision.State, me.Id(), [.. draft.Writers]) is null, mayTake,
                Commenting.Say(draft.State, "x")?.ToString());
    }

    private static async Task<RoundView?> RoundAsync(int revisionId, WornPathDb db)
    {
        var events = await db.Events.AsNoTracking().Where(e => e.RevisionId == revisionId).OrderBy(e => e.Id).ToListAsync();
        if (events.LastOrDefault(e => e.Kind == ReviewEventKind.Sent) is not { } sent) return null;
        var asked = await db.ReviewAsks.AsNoTracking().Where(a => a.EventId == sent.Id).OrderBy(a => a.Who).ToListAsync();
        // Whoever has returned or released it has looked at it, too.
        var looked = events.Where(e => e.Id > sent.Id && e.Kind is ReviewEventKind.Looked or ReviewEventKind.Signed
            or ReviewEventKind.Returned or ReviewEventKind.Released).ToList();
        var begun = await db.Comments.AsNoTracking().Where(c => c.RevisionId == revisionId)
            .Select(c => c.Entries.OrderBy(e => e.Id).Select(e => new { e.PersonId, e.At }).First()).ToListAsync();
        var all = asked.Select(a => (a.PersonId, a.Who)).Concat(looked.Select(e => (e.PersonId, e.Who))).DistinctBy(a => a.PersonId);
        return new RoundView(events.Count(e => e.Kind == ReviewEventKind.Sent), sent.Who, sent.At,
            [.. all.Select(a => new AskedView(a.PersonId, a.Who, begun.Count(b => b.PersonId == a.PersonId && b.At >= sent.At),
                looked.Exists(e => e.PersonId == a.PersonId)))]);
    }
}
