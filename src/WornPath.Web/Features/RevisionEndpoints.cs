using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;
using WornPath.Formats;
using WornPath.Formats.Out;
using WornPath.Store;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;
using WornPath.Web.Access;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>One revision: looking at it, editing it, walking it, bringing it through its life.</summary>
public static class RevisionEndpoints
{
    /// <summary>What the one who asks may do now; where not, why not.</summary>
    /// <param name="Judge">Give a warning a reason to stand, and read values from their sources.</param>
    /// <param name="Ask">Ask to write along.</param>
    /// <param name="Give">Say who writes along.</param>
    /// <param name="SayWhy">To say why, before it is sent: it changes what was released before.</param>
    /// <param name="Blind">True while values are to be read from their sources before they are shown.</param>
    public sealed record MayView(bool Edit, bool Send, bool CallBack, bool Return, bool Release, bool Judge, bool Withdraw, bool Revise, bool Ask, bool Give, bool SayWhy,
        bool Blind, bool Sign, string? WhyNotRelease, string? WhyNotEdit);

    /// <summary>An event in the revision's life.</summary>
    public sealed record EventView(ReviewEventKind Kind, string Who, DateTime At, string Text);

    /// <summary>Another revision of the same procedure.</summary>
    public sealed record SiblingView(int Id, string Letter, RevisionState State);

    /// <summary>A revision and its sheet.</summary>
    public sealed record RevisionView(int Id, int ProcedureId, string Number, string Title, string Platform, string Letter, RevisionState State,
        string Author, DateTime ChangedAt, Authors.Board Authors, int Reader, MayView May, IReadOnlyList<EventView> Events,
        ImmutableArray<Waiver> FallenAway, IReadOnlyList<SiblingView> Revisions,
        ImmutableArray<BulletinView> Bulletins, SigningView Signing, DateOnly? LookAgainBy, long Moves, SheetView Sheet);

    /// <summary>What a page is behind by.</summary>
    /// <param name="Moves">Where it is not the page's own number, the revision itself is asked for: it was sent, returned, warned of.</param>
    /// <param name="Sheet">The sheet, where it was edited and only that.</param>
    public sealed record BehindView(long Moves, SheetView? Sheet);

    /// <summary>Who has signed it, and how many have to.</summary>
    /// <param name="Needed">How many people sign it before it is released, the one who releases it among them.</param>
    /// <param name="Why">Why more than usual; empty for the usual number.</param>
    /// <param name="Signed">Every signature, oldest first.</param>
    public sealed record SigningView(int Needed, string Why, ImmutableArray<Signatures.SignatureView> Signed);

    /// <summary>A bulletin that holds against the revision; on a draft, against the one it follows.</summary>
    /// <param name="Letter">The revision it is against.</param>
    /// <param name="Place">What it is about, in words; empty for the sheet.</param>
    /// <param name="Step">The step it is shown at; null for none.</param>
    public sealed record BulletinView(int Id, string Letter, string Place, string? Step, string Text, string Who, DateTime At);

    /// <summary>What is about to be released, and by which rules.</summary>
    /// <param name="What">In sentences.</param>
    /// <param name="Rules">Version of the house rules; 0 for the ones a workshop begins with.</param>
    /// <param name="Ways">The ways of the house, where practice has more than one.</param>
    public sealed record ReleasingView(ImmutableArray<string> What, int Rules, ImmutableArray<string> Ways);

    /// <summary>An edit sent by the page.</summary>
    /// <param name="ClientId">Made by the page for this edit, so that one sent twice is taken once.</param>
    /// <param name="Edit">The edit.</param>
    public sealed record EditRequest([property: Required, StringLength(64, MinimumLength = 8)] string ClientId, [property: Required] Edit Edit);

    /// <summary>An undo or redo sent by the page.</summary>
    public sealed record StepBackRequest([property: Required, StringLength(64, MinimumLength = 8)] string ClientId);

    /// <summary>A reason.</summary>
    public sealed record Reason([property: MaxLength(4000)] string Text);

    /// <summary>What goes with a draft that is sent for review.</summary>
    /// <param name="Why">Why it changes what was released before; null or empty where nothing was, or where it is said already.</param>
    /// <param name="Ask">Ids of those who are asked to look at it; null or empty for nobody by name.</param>
    public sealed record SendForm([property: MaxLength(4000)] string? Why, [property: MaxLength(50)] IReadOnlyList<string>? Ask = null);

    /// <summary>A bulletin: what it is about, and what it says.</summary>
    public sealed record BulletinForm([property: MaxLength(4000)] string Text, AnchorKind Kind = AnchorKind.Sheet,
        [property: MaxLength(400)] string? Target = null);

    /// <summary>By when it is to be looked at again; null for no day.</summary>
    public sealed record LookAgainForm(DateOnly? By);

    /// <summary>How the sheet leaves the page by the browser's own means.</summary>
    public sealed record HeldForm([property: Required, MaxLength(20)] string Way);

    /// <summary>A reason for a warning to stand.</summary>
    public sealed record WaiverForm([property: Required, MaxLength(400)] string Key, [property: Required, MaxLength(4000)] string Reason);

    public static void MapRevisions(this IEndpointRouteBuilder api)
    {
        var revision = api.MapGroup("/revisions/{id:int}").WithTags("Revision").RequireAuthorization();
        revision.MapGet("", GetAsync).WithName("GetRevision");
        revision.MapGet("/changes", ChangesAsync).WithName("GetChanges");
        revision.MapGet("/bench", BenchAsync).WithName("GetBench");
        revision.MapGet("/file", FileAsync).WithName("GetFile").Produces<ProcedureFile>().WithMetadata(new BlindWay(BlindWay.Kind.Refused));
        revision.MapPost("/edits", EditAsync).RequireAuthorization(Policies.Author).WithName("EditDraft");
        revision.MapPost("/undo", (int id, StepBackRequest form, Drafts drafts, ClaimsPrincipal me, CancellationToken cancel) =>
            ChangeAsync(id, drafts, me, draft => drafts.UndoAsync(draft, me.Id(), form.ClientId, cancel))).RequireAuthorization(Policies.Author).WithName("Undo");
        revision.MapPost("/redo", (int id, StepBackRequest form, Drafts drafts, ClaimsPrincipal me, CancellationToken cancel) =>
            ChangeAsync(id, drafts, me, draft => drafts.RedoAsync(draft, me.Id(), form.ClientId, cancel))).RequireAuthorization(Policies.Author).WithName("Redo");
        revision.MapPost("/send", (int id, SendForm? form, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.SendAsync(r, me.Id(), form?.Why ?? "",
                form?.Ask))).RequireAuthorization(Policies.Author).WithName("SendForReview");
        revision.MapPost("/call-back", (int id, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.CallBackAsync(r, me.Id()))).RequireAuthorization(Policies.Author).WithName("CallBack");
        revision.MapPost("/return", (int id, Reason form, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.ReturnAsync(r, me.Id(), form.Text))).RequireAuthorization(Policies.Reviewer).WithName("ReturnToAuthor");
        revision.MapPost("/looked", (int id, Reason form, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.LookedAsync(r, me.Id(), form.Text))).RequireAuthorization(Policies.Reviewer).WithName("Looked");
        revision.MapPost("/waivers", (int id, WaiverForm form, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.WaiveAsync(r, me.Id(), form.Key, form.Reason))).RequireAuthorization(Policies.Reviewer).WithName("Waive");
        revision.MapPost("/waivers/{waiver:int}/take-back", (int id, int waiver, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.TakeBackAsync(r, me.Id(), waiver))).RequireAuthorization(Policies.Reviewer).WithName("TakeWaiverBack");
        revision.MapPost("/sign", (int id, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.SignAsync(r, me.Id()))).RequireAuthorization(Policies.Reviewer)
                .AskingAgain(eachTime: true).WithName("Sign");
        revision.MapGet("/record", RecordAsync).RequireAuthorization(Policies.Workshop).WithName("GetRecord")
            .WithMetadata(new BlindWay(BlindWay.Kind.Refused));
        revision.MapGet("/record/{line:int}", MomentAsync).RequireAuthorization(Policies.Workshop).WithName("GetMoment")
            .WithMetadata(new BlindWay(BlindWay.Kind.Refused));
        revision.MapGet("/release", ReleasingAsync).RequireAuthorization(Policies.Approver).WithName("GetReleasing");
        revision.MapPost("/release", (int id, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.ReleaseAsync(r, me.Id()))).RequireAuthorization(Policies.Approver)
                .AskingAgain(eachTime: true).WithName("Release");
        revision.MapPost("/withdraw", (int id, Reason form, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.WithdrawAsync(r, me.Id(), form.Text))).RequireAuthorization(Policies.Approver)
                .AskingAgain(eachTime: true).WithName("Withdraw");
        revision.MapPost("/bulletins", WarnAsync).RequireAuthorization(Policies.Approver).WithName("GiveOutBulletin");
        revision.MapPost("/bulletins/{bulletin:int}/take-back", (int id, int bulletin, Reason form, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.TakeWarningBackAsync(r, me.Id(), bulletin, form.Text))).RequireAuthorization(Policies.Approver)
                .WithName("TakeBulletinBack");
        revision.MapPost("/look-again", (int id, LookAgainForm form, Shelf shelf, Procedures procedures, ClaimsPrincipal me) =>
            LiveAsync(id, shelf, me, r => procedures.LookAgainAsync(r, me.Id(),
                form.By))).RequireAuthorization(Policies.Approver).WithName("LookAgain");
        revision.MapGet("/holders", HoldersAsync).RequireAuthorization(Policies.Workshop).WithName("GetHolders");
        revision.MapPost("/held", HeldAsync).WithName("NoteHeld");
        revision.MapPost("/revise", ReviseAsync).RequireAuthorization(Policies.Author).WithName("Revise");
    }

    /// <summary>Finds revisions that the one who asks may see.</summary>
    public sealed class Shelf(WornPathDb db)
    {
        /// <summary>The revision; null where there is none, or none this person may see.</summary>
        public Task<Revision?> FindAsync(int id, ClaimsPrincipal me)
        {
            var seesDrafts = me.SeesDrafts();
            return db.Revisions.AsNoTracking().Include(r => r.Procedure).Include(r => r.Author)
                .FirstOrDefaultAsync(r => r.Id == id && (seesDrafts || r.State == RevisionState.Released));
        }

        public Task<List<EventView>> EventsAsync(int id) => db.Events.AsNoTracking().Where(e => e.RevisionId == id).OrderBy(e => e.Id)
            .Select(e => new EventView(e.Kind, e.Who, e.At, e.Text)).ToListAsync();

        /// <summary>The bulletins that hold against a revision; of one that is not released yet, against the one people work from.</summary>
        public async Task<List<(Bulletin Bulletin, string Letter)>> BulletinsAsync(Revision revision)
        {
            var isOpen = revision.State is RevisionState.Draft or RevisionState.InReview;
            var found = await (from bulletin in db.Bulletins.AsNoTracking()
                               join of in db.Revisions on bulletin.RevisionId equals of.Id
                               where bulletin.TakenBackBy == null && (of.Id == revision.Id || isOpen && of.ProcedureId == revision.ProcedureId
                                   && of.State == RevisionState.Released)
                               orderby bulletin.Id
                               select new { bulletin, of.Letter }).ToListAsync();
            return [.. found.Select(f => (f.bulletin, f.Letter))];
        }

        public Task<List<SiblingView>> SiblingsAsync(int procedureId, bool seesDrafts) => db.Revisions.AsNoTracking()
            .Where(r => r.ProcedureId == procedureId && (seesDrafts || r.State == RevisionState.Released)).OrderByDescending(r => r.Id)
            .Select(r => new SiblingView(r.Id, r.Letter, r.State)).ToListAsync();
    }

    private static async Task<Results<Ok<RevisionView>, ProblemHttpResult>> GetAsync(int id, Shelf shelf, Drafts drafts, Authors authors,
        Comments comments, Signatures signatures, WorkshopBook book, Holders holders, Live live, ClaimsPrincipal me)
    {
        // Before anything is read: what moves meanwhile is asked for again.
        var moves = live.Moves(id);
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        await holders.NoteAsync(revision, me.Id(), HoldingKind.Opened);
        var rules = (await book.ForAsync(revision.WorkshopVersion)).Rules;
        return TypedResults.Ok(await ViewAsync(revision, draft, shelf, authors, comments, signatures, rules, moves, me));
    }

    private static async Task<RevisionView> ViewAsync(Revision revision, Draft draft, Shelf shelf, Authors authors, Comments comments,
        Signatures signatures, HouseRules rules, long moves, ClaimsPrincipal me)
    {
        var now = draft.Now;
        var writers = draft.Writers.ToList();
        var inReview = revision.State == RevisionState.InReview;
        var openComments = inReview ? await comments.OpenAsync(revision.ProcedureId) : 0;
        string Content() => Signatures.HashOf(revision, revision.Procedure, now.Sheet);
        var signed = inReview ? await signatures.SignedAsync(revision.Id, Content) : [];
        var needed = Signing.Needed(now.Sheet, rules);
        var whyNot = LifeCycle.Release(revision.State, me.Id(), writers, now.Findings, openComments) ?? Signing.Release(me.Id(), signed, needed);
        var reviews = me.IsInRole(Roles.Reviewer) || me.IsInRole(Roles.Approver);
        var isAuthor = me.IsInRole(Roles.Author);
        var (events, siblings) = (await shelf.EventsAsync(revision.Id), await shelf.SiblingsAsync(revision.ProcedureId, me.SeesDrafts()));
        var notHers = isAuthor ? draft.Authorship.Write(me.Id()) : null;
        var may = new MayView(
            Edit: isAuthor && (LifeCycle.Edit(revision.State) ?? notHers) is null,
            Send: isAuthor && (LifeCycle.Send(revision.State, now.Sheet) ?? notHers) is null,
            CallBack: isAuthor && (LifeCycle.CallBack(revision.State) ?? notHers) is null,
            Return: reviews && revision.State == RevisionState.InReview,
            Release: me.IsInRole(Roles.Approver) && whyNot is null,
            Judge: reviews && LifeCycle.Judge(revision.State, me.Id(), writers) is null,
            Withdraw: me.IsInRole(Roles.Approver) && revision.State == RevisionState.Released,
            Revise: isAuthor && (LifeCycle.Revise(revision.State) ?? notHers) is null,
            Ask: isAuthor && draft.Authorship.Ask(me.Id()) is null,
            Give: me.SeesDrafts() && draft.Authorship.Give(me.Id(), me.IsInRole(Roles.Administrator)) is null,
            SayWhy: Former.LastIn(siblings, revision.Id) is not null && Former.WhyIn(events).Length == 0,
            Blind: BlindReading.Is(draft, me),
            Sign: reviews && Signing.Sign(revision.State, me.Id(), writers, now.Findings, openComments, signed) is null,
            WhyNotRelease: revision.State == RevisionState.InReview && me.IsInRole(Roles.Approver) ? whyNot?.ToString() : null,
            WhyNotEdit: notHers?.ToString());
        return new RevisionView(revision.Id, revision.ProcedureId, revision.Procedure.Number, revision.Procedure.Title, revision.Procedure.Platform, revision.Letter, revision.State,
            revision.Author.DisplayName, revision.ChangedAt, await authors.BoardAsync(revision.ProcedureId), now.Sheet.Reader, may, events,
            [.. Waivers.FallenAway(now.Findings, now.Reviewed.Waivers)], siblings, await BulletinsAsync(revision, draft, shelf, me),
            new SigningView(needed, Signing.Why(now.Sheet, rules), await signatures.OfAsync(revision, Content)), revision.LookAgainBy, moves,
            WholeView(draft, me));
    }

    /// <summary>The bulletins that hold, as a person may read them.</summary>
    public static async Task<ImmutableArray<BulletinView>> BulletinsAsync(Revision revision, Draft draft, Shelf shelf, ClaimsPrincipal me)
    {
        var now = draft.Now;
        var blind = BlindReading.Is(draft, me);
        return [.. (await shelf.BulletinsAsync(revision)).Select(b =>
        {
            var place = b.Bulletin.Anchor.On(now.Sheet, now.Findings);
            return new BulletinView(b.Bulletin.Id, b.Letter, b.Bulletin.Kind == AnchorKind.Sheet ? "" : place.Label, place.StepId,
                blind ? Blind.HideAllNumbers(b.Bulletin.Text, Blind.Besides(now.Sheet)) : b.Bulletin.Text, b.Bulletin.Who, b.Bulletin.At);
        })];
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> WarnAsync(int id, BulletinForm form, Shelf shelf, Drafts drafts,
        Procedures procedures, Holders holders, AccessOptions access, HttpRequest request, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var about = CommentAnchor.In(draft.Now.Sheet, draft.Now.Findings, form.Kind, form.Target ?? "");
        if (!about.IsGood) return Problems.Refused(about.Problem);
        if (await procedures.WarnAsync(revision, me.Id(), about.Value, form.Text) is { } problem) return Problems.Refused(problem);
        await holders.TellAsync(revision, me.Id(), form.Text.Trim(), new Uri(access.Address(request), $"/r/{id}/follow"));
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<ReleasingView>, ProblemHttpResult>> ReleasingAsync(int id, Shelf shelf, Drafts drafts, WorkshopBook book, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var (now, page) = (draft.Now, await book.NowAsync());
        var what = Releasing.Of(now.Sheet, now.Findings, now.Reviewed.Checks);
        if (Former.WhyIn(await shelf.EventsAsync(id)) is { Length: > 0 } why) what = what.Add($"Changed because: “{why}”");
        foreach (var bulletin in await BulletinsAsync(revision, draft, shelf,
            me)) what = what.Add($"The bulletin against revision {bulletin.Letter} is settled by it: “{bulletin.Text}”");
        return TypedResults.Ok(new ReleasingView(what, page.Version, Releasing.Ways(page.Workshop.Rules)));
    }

    private static SheetView WholeView(Draft draft, ClaimsPrincipal me)
    {
        var (undo, redo) = draft.Reach(me.Id());
        return SheetViews.Whole(draft.Now, undo?.Label, redo?.Label);
    }

    // The page asks now and then whether somebody else has written; mostly nobody has.
    private static async Task<Results<Ok<BehindView>, NoContent, ProblemHttpResult>> ChangesAsync(int id, int since, long moves, Shelf shelf,
        Drafts drafts, Live live, ClaimsPrincipal me)
    {
        var now = live.Moves(id);
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if (now != moves) return TypedResults.Ok(new BehindView(now, null));
        return draft.Now.Seq == since ? TypedResults.NoContent() : TypedResults.Ok(new BehindView(now, WholeView(draft, me)));
    }

    private static async Task<Results<Ok<Bench>, ProblemHttpResult>> BenchAsync(int id, int step, [FromQuery(Name = "as")] string? walkAs, Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var walk = draft.Now.Walks.As(walkAs);
        return TypedResults.Ok(Bench.After(walk, Math.Clamp(step, 0, walk.Steps.Count) - 1));
    }

    private static async Task<Results<Ok<IReadOnlyList<Holders.HolderView>>, ProblemHttpResult>> HoldersAsync(int id, Shelf shelf,
        Holders holders, ClaimsPrincipal me) =>
        await shelf.FindAsync(id, me) is not { } revision ? Problems.NotThere("This revision") : TypedResults.Ok(await holders.OfAsync(revision));

    // The browser prints and saves without asking anybody: the page says so.
    private static async Task<Results<NoContent, ProblemHttpResult>> HeldAsync(int id, HeldForm form, Shelf shelf, Holders holders,
        ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision) return Problems.NotThere("This revision");
        if (form.Way != "printed") return new Problem($"“{form.Way}” is no way that is written down here.", "Send “printed”.").ToHttp();
        await holders.NoteAsync(revision, me.Id(), HoldingKind.Printed);
        return TypedResults.NoContent();
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> FileAsync(int id, Shelf shelf, Drafts drafts,
        PictureFiles pictures, Signatures signatures, Holders holders, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var file = new ProcedureFile { Number = revision.Procedure.Number, Title = revision.Procedure.Title, Platform = revision.Procedure.Platform, Revision = revision.Letter, Sheet = draft.Now.Sheet };
        var whole = FilePictures.With(file, pictures.Read);
        var written = ProcedureFileText.Write(whole);
        if (!written.IsGood) return Problems.Refused(written.Problem);
        var signed = await signatures.FileAsync(revision, () => Signatures.HashOf(revision, revision.Procedure, draft.Now.Sheet), whole);
        await holders.NoteAsync(revision, me.Id(), HoldingKind.Saved);
        return TypedResults.File(signed ?? written.Value, "application/json", $"{ExportFormat.NameOf($"{revision.Procedure.Number}-{revision.Letter}")}.json");
    }

    /// <summary>The record of a procedure.</summary>
    /// <param name="Number">The procedure's number.</param>
    /// <param name="Broken">What is not as it was written; null where every link holds.</param>
    /// <param name="People">Names of who did it, by the ids the lines have.</param>
    /// <param name="Details">What each edit changed, in words, by the number of its line. For people: no part of the chain.</param>
    /// <param name="Lines">Every line, oldest first.</param>
    public sealed record RecordView(string Number, string? Broken, IReadOnlyDictionary<string, string> People,
        IReadOnlyDictionary<int, string> Details, IReadOnlyList<RecordLine> Lines);

    private static async Task<Results<Ok<RecordView>, ProblemHttpResult>> RecordAsync(int id, Shelf shelf, WornPathDb db, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision) return Problems.NotThere("This revision");
        await using (var transaction = await db.Database.BeginTransactionAsync())
        {
            await RecordBook.LinkAsync(db, revision.ProcedureId);
            await transaction.CommitAsync();
        }

        var kept = await RecordBook.ReadAsync(db, revision.ProcedureId);
        var by = kept.Lines.Select(l => l.By).Distinct().ToList();
        var people = await db.Users.AsNoTracking().Where(p => by.Contains(p.Id)).ToDictionaryAsync(p => p.Id, p => p.DisplayName);
        return TypedResults.Ok(new RecordView(revision.Procedure.Number, kept.Broken?.ToString(), people, kept.Details, kept.Lines));
    }

    /// <summary>A phase as it was.</summary>
    public sealed record FormerPhase(string Name, ImmutableArray<string> Steps);

    /// <summary>A joint as it was: its name, how many, what it is, and its value.</summary>
    public sealed record FormerJoint(string Name, int Count, string Fastener, string Torque);

    /// <summary>A sheet as it was behind a line of its record.</summary>
    public sealed record MomentView(RecordLine Line, ImmutableArray<FormerPhase> Phases, ImmutableArray<FormerJoint> Joints);

    private static async Task<Results<Ok<MomentView>, ProblemHttpResult>> MomentAsync(int id, int line, Shelf shelf, WornPathDb db, DraftLog log,
        ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision) return Problems.NotThere("This revision");
        var at = await RecordBook.AtAsync(db, log, revision.ProcedureId, line);
        if (!at.IsGood) return Problems.Refused(at.Problem);
        var sheet = at.Value.Sheet;
        string Text(Joint joint, string field) => Fields.Of(ThingKind.Joint).Single(f => f.Name == field).Get(joint);
        return TypedResults.Ok(new MomentView(at.Value.Line, [.. sheet.Phases.Select(p => new FormerPhase(p.Name, [.. p.Steps.Select(s => s.Text)]))],
            [.. sheet.Joints.Select(j => new FormerJoint(j.Name, j.Count, Text(j, "fastener"), Text(j, "torque")))]));
    }

    private static Task<Results<Ok<SheetView>, ProblemHttpResult>> EditAsync(int id, EditRequest form, Drafts drafts, ClaimsPrincipal me, CancellationToken cancel) =>
        ChangeAsync(id, drafts, me, draft => drafts.EditAsync(draft, me.Id(), form.ClientId, form.Edit, cancel));

    private static async Task<Results<Ok<SheetView>, ProblemHttpResult>> ChangeAsync(int id, Drafts drafts, ClaimsPrincipal me, Func<Draft, Task<Outcome<Draft.Walked>>> change)
    {
        if (await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if ((LifeCycle.Edit(draft.State) ?? draft.Authorship.Write(me.Id())) is { } closed) return Problems.Refused(closed);
        var before = await change(draft);
        if (!before.IsGood) return before.Problem.Again ? Problems.Refused(before.Problem) : before.Problem.ToHttp();
        var now = draft.Now;
        var (undo, redo) = draft.Reach(me.Id());
        return TypedResults.Ok(SheetViews.Changed(before.Value, now, undo?.Label, redo?.Label));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> LiveAsync(int id, Shelf shelf, ClaimsPrincipal me, Func<Revision, Task<Problem?>> change)
    {
        if (await shelf.FindAsync(id, me) is not { } revision) return Problems.NotThere("This revision");
        return await change(revision) is { } problem ? Problems.Refused(problem) : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<ShelfEndpoints.Opened>, ProblemHttpResult>> ReviseAsync(int id, Shelf shelf, Procedures procedures, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision) return Problems.NotThere("This revision");
        var made = await procedures.ReviseAsync(revision, me.Id());
        return made.IsGood ? TypedResults.Ok(new ShelfEndpoints.Opened(made.Value)) : Problems.Refused(made.Problem);
    }
}
