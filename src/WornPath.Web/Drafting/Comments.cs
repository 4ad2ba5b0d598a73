using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Web.Drafting;

/// <summary>
/// Comments on a procedure: threads that stay with what they are about from revision to revision until they are settled. What is said once is
/// never changed; what is open holds up a release.
/// </summary>
public sealed class Comments(WornPathDb db, DraftLog log, Drafts drafts, Live live, TimeProvider time)
{
    private DateTime Now => time.GetUtcNow().UtcDateTime;

    /// <summary>Something that is said: a text, an edit that is suggested, or both.</summary>
    /// <param name="ClientId">Made by the page, so that what is sent twice is taken once.</param>
    public sealed record Saying(string ClientId, string Text, Edit? Suggested);

    /// <summary>All threads of a procedure with what was said, the first first.</summary>
    public Task<List<Comment>> OfAsync(int procedureId) => db.Comments.AsNoTracking().Include(c => c.Entries.OrderBy(e => e.Id))
        .Where(c => c.ProcedureId == procedureId).OrderBy(c => c.Id).ToListAsync();

    /// <summary>True while a thread waits for an answer.</summary>
    public static bool IsOpen(Comment comment) =>
        comment.Entries.LastOrDefault(e => e.Kind != CommentEntryKind.Said) is null or { Kind: CommentEntryKind.Reopened };

    /// <summary>How many threads of a procedure are open.</summary>
    public Task<int> OpenAsync(int procedureId) => db.Comments.CountAsync(c => c.ProcedureId == procedureId
        && db.CommentEntries.Where(e => e.CommentId == c.Id && e.Kind != CommentEntryKind.Said).OrderByDescending(e => e.Id)
            .Select(e => (CommentEntryKind?)e.Kind).FirstOrDefault() != CommentEntryKind.Settled
        && db.CommentEntries.Where(e => e.CommentId == c.Id && e.Kind != CommentEntryKind.Said).OrderByDescending(e => e.Id)
            .Select(e => (CommentEntryKind?)e.Kind).FirstOrDefault() != CommentEntryKind.Taken);

    /// <summary>Who may be asked to review a revision: reviewers and approvers who sign in and did not write on it.</summary>
    public async Task<List<Someone>> ReviewersAsync(int revisionId)
    {
        var writers = await log.WritersAsync(revisionId);
        return [.. (await InRolesAsync(Roles.Reviewer, Roles.Approver)).Where(p => !writers.Contains(p.Id))];
    }

    /// <summary>Whoever sees drafts, and can be spoken to by name.</summary>
    public Task<List<Someone>> SpokenToAsync() => InRolesAsync(Roles.Author, Roles.Reviewer, Roles.Approver, Roles.Administrator);

    private async Task<List<Someone>> InRolesAsync(params string[] roles) =>
        await (from person in db.Users
               where person.DisabledAt == null && db.UserRoles.Any(r => r.UserId == person.Id && db.Roles.Any(n => n.Id == r.RoleId && roles.Contains(n.Name)))
               orderby person.DisplayName
               select new Someone(person.Id, person.DisplayName)).ToListAsync();

    /// <summary>Begins a thread. Returns its id.</summary>
    public Task<Outcome<int>> BeginAsync(Revision revision, Sheet sheet, string personId, CommentAnchor anchor, Saying saying) =>
        WholeAsync(saying.ClientId, revision.Id, async row =>
    {
        if (Said(row.State, sheet, saying) is { IsGood: false } no) return no.Problem;
        var comment = new Comment
        {
            ProcedureId = row.ProcedureId,
            RevisionId = row.Id,
            OnReleased = row.State == RevisionState.Released,
            Kind = anchor.Kind,
            Target = anchor.Id,
            Start = anchor.At.Start,
            Length = anchor.At.Length,
            Then = anchor.Then,
        };
        db.Comments.Add(comment);
        await db.SaveChangesAsync();
        await SayAsync(comment.Id, row.Id, personId, CommentEntryKind.Said, saying, sheet);
        return comment.Id;
    });

    /// <summary>Answers in a thread.</summary>
    public Task<Outcome<int>> AnswerAsync(Revision revision, Sheet sheet, string personId, int commentId, Saying saying) =>
        WholeAsync(saying.ClientId, revision.Id, async row =>
    {
        if (await FindAsync(row, commentId) is not { } comment) return NotThere;
        if (Said(row.State, sheet, saying) is { IsGood: false } no) return no.Problem;
        await SayAsync(comment.Id, row.Id, personId, CommentEntryKind.Said, saying, sheet);
        return comment.Id;
    });

    /// <summary>Settles a thread, or opens it again, with an answer or without.</summary>
    /// <param name="reviews">The person reviews sheets.</param>
    /// <param name="writes">The person writes on this one.</param>
    public Task<Outcome<int>> SettleAsync(Revision revision, Sheet sheet, string personId, bool reviews, bool writes, int commentId, bool settled,
        Saying saying) => WholeAsync(saying.ClientId, revision.Id, async row =>
    {
        if (await FindAsync(row, commentId) is not { } comment) return NotThere;
        var began = comment.Entries[0].PersonId == personId;
        var answered = saying.Text.Trim().Length > 0 || comment.Entries.Any(e => e.PersonId != comment.Entries[0].PersonId);
        if (Commenting.Settle(began, writes, reviews, answered || !settled) is { } problem) return problem;
        if (saying.Text.Length > Commenting.Longest) return Commenting.Say(RevisionState.Draft, saying.Text)!;
        if (IsOpen(comment) == settled) await SayAsync(comment.Id, row.Id, personId, settled ? CommentEntryKind.Settled : CommentEntryKind.Reopened,
            saying, sheet);
        return comment.Id;
    });

    /// <summary>
    /// Takes what was suggested: it becomes an edit of the draft, by who takes it and by who suggested it. Whatever stops the server in
    /// between, taken again it is found done and noted.
    /// </summary>
    public async Task<Outcome<int>> TakeAsync(Revision revision, Draft draft, string personId, int commentId, int entryId, string clientId,
        CancellationToken cancel)
    {
        if ((LifeCycle.Edit(draft.State) ?? draft.Authorship.Write(personId)) is { } closed) return closed;
        var comment = await FindAsync(revision, commentId);
        if (comment?.Entries.Find(e => e.Id == entryId) is not { Suggested: { } json } entry) return NotThere;
        if (comment.Entries.Exists(e => e.OfEntry == entryId)) return comment.Id;
        var edit = Read(json);
        // Done already, and not noted: what stands there is what was suggested.
        var done = Editor.Apply(draft.Now.Sheet, edit) is { IsGood: true, Value.Delta.IsEmpty: true } || draft.Has(clientId);
        if (!done && await drafts.EditAsync(draft, personId, clientId, edit, cancel, entry.PersonId) is { IsGood: false } refused) return refused.Problem;
        return await WholeAsync(clientId, revision.Id, async row =>
        {
            await SayAsync(comment.Id, row.Id, personId, CommentEntryKind.Taken, new Saying(clientId, "", null), draft.Now.Sheet, entryId);
            return comment.Id;
        });
    }

    /// <summary>An edit as it was suggested.</summary>
    public static Edit Read(string json) => JsonSerializer.Deserialize<Edit>(json, SheetJson.Options)!;

    private static readonly Problem NotThere = new("This comment is not there.", "Reload to see those that are.");

    private Task<Comment?> FindAsync(Revision row, int commentId) => db.Comments.AsNoTracking().Include(c => c.Entries.OrderBy(e => e.Id))
        .FirstOrDefaultAsync(c => c.Id == commentId && c.ProcedureId == row.ProcedureId);

    // A suggestion says enough by itself.
    private static Outcome<bool> Said(RevisionState state, Sheet sheet, Saying saying)
    {
        if (Commenting.Say(state, saying.Suggested is null ? saying.Text : saying.Text + ".") is { } problem) return problem;
        return saying.Suggested is { } edit ? Commenting.Suggest(sheet, edit).Map(_ => true) : true;
    }

    private async Task SayAsync(int commentId, int revisionId, string personId, CommentEntryKind kind, Saying saying, Sheet sheet, int? of = null)
    {
        var entry = new CommentEntry
        {
            CommentId = commentId,
            RevisionId = revisionId,
            Kind = kind,
            PersonId = personId,
            Who = await db.WhoAsync(personId),
            At = Now,
            Text = saying.Text.Trim(),
            Suggested = saying.Suggested is { } edit ? JsonSerializer.Serialize(edit, SheetJson.Options) : null,
            SuggestedSays = saying.Suggested is { } says && Commenting.Suggest(sheet, says) is { IsGood: true } applied
                ? Cut(Commenting.Says(sheet, says, applied.Value)) : "",
            OfEntry = of,
            ClientId = saying.ClientId,
        };
        var people = (await SpokenToAsync()).Select(p => (p.Id, p.Name));
        foreach (var who in Commenting.Mentioned(entry.Text, people)) entry.Mentions.Add(new CommentMention { PersonId = who });
        db.CommentEntries.Add(entry);
        await db.SaveChangesAsync();
    }

    private static string Cut(string label) => label.Length <= 400 ? label : label[..400];

    // All of it or nothing, once for each client id; every open page of the procedure is told.
    private async Task<Outcome<int>> WholeAsync(string clientId, int revisionId, Func<Revision, Task<Outcome<int>>> act)
    {
        var own = db.Database.CurrentTransaction is null;
        await using var transaction = own ? await db.Database.BeginTransactionAsync() : null;
        try
        {
            if (await db.CommentEntries.Where(e => e.ClientId == clientId).Select(e => (int?)e.CommentId).FirstOrDefaultAsync() is { } already) return already;
            var row = await db.Revisions.AsNoTracking().SingleAsync(r => r.Id == revisionId);
            var done = await act(row);
            if (!done.IsGood) return done;
            if (transaction is not null) await transaction.CommitAsync();
            var all = await db.Revisions.AsNoTracking().Where(r => r.ProcedureId == row.ProcedureId).Select(r => r.Id).ToListAsync();
            all.ForEach(live.Commented);
            return done;
        }
        finally
        {
            db.ChangeTracker.Clear();
        }
    }
}
